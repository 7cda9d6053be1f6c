#!/usr/bin/python3
"""Renders a pool of procedural ambience (beds.py) so that training does not have to.

Usage: render_beds.py [MINUTES_TRAIN]   writes prepared/{train,develop}-beds.npy, int16 [items, 10 s].
The two splits use different seeds; the develop pool is never trained on.
"""
import sys
from multiprocessing import Pool

import numpy as np

import beds
import paths

LENGTH = 10 * paths.RATE
SEED = {"train": 1_000_000, "develop": 9_000_000}


def voices(split):
    """A function (rng, n) -> a random stretch of the split's speech, for crowds."""
    samples = np.memmap(paths.PREPARED / f"{split}-speech.raw", "<i2", "r")
    def voice(rng, n):
        at = rng.integers(0, len(samples) - n)
        return samples[at:at + n].astype(np.float32) / 32768
    return voice


def render(job):
    split, number = job
    x = beds.bed(np.random.default_rng(SEED[split] + number), LENGTH, voices(split))
    return np.round(x / max(1.0, np.abs(x).max() / 0.98) * 32767).astype(np.int16)


def main():
    minutes = float(sys.argv[1]) if len(sys.argv) > 1 else 90
    for split, count in (("develop", 48), ("train", int(minutes * 6))):
        with Pool(2) as pool:
            pool_of_beds = np.stack(pool.map(render, [(split, i) for i in range(count)], chunksize=4))
        np.save(paths.PREPARED / f"{split}-beds.npy", pool_of_beds)
        print(split, pool_of_beds.shape, flush=True)


if __name__ == "__main__":
    main()
