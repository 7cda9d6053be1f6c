#!/usr/bin/python3
"""Writes training mixtures with what a network answers to them, for another (or the same) network to learn from.

Usage: teach.py NETWORK.ts FOLDER COUNT [--seed S]

A teacher's answer is smoother than the truth: it says how sure it is. Hinton, Vinyals and Dean, "Distilling the knowledge in a neural network" (2015);
that a network can learn from its own like: Furlanello et al., "Born-again neural networks" (2018). The teacher here is the mean of a network's answers at the
speeds of quality fine, of which a network at one speed knows nothing.

A clip is made as training's are (mix.py, but for levelling, codecs and silences, which happen to powers there), 8 s less its ends, brought back to sound and
separated. NNNN.npy holds float32[PLANES, frames, bands]: xx, cross, xs, ss of the true stems, then xs and ss of the teacher's. Goes on where it stopped; a
file appears only whole.
"""
import argparse
from pathlib import Path

import numpy as np
import torch
from scipy.fft import irfft

import bands
import evaluate
import hearing
import memory
import mix
from products import products

PLANES = {"xx": 2, "cross": 2, "xs": 8, "ss": 10, "taught_xs": 8, "taught_ss": 10}
BEYOND = 65536   # samples of the mirror image that the teacher hears beyond the ends


def sound(spectrum, transform):
    """complex[frames, bins] as float32[samples]."""
    pieces = irfft(spectrum, transform.size, axis=1) * transform.synthesis()
    out = np.zeros(transform.length(len(pieces)), np.float32)
    for t, piece in enumerate(pieces):
        out[t * transform.hop:t * transform.hop + transform.size] += piece
    return out


def mixed(mixer):
    """float32[4, 2, n]: the stems of a clip as they sound, in mid and side."""
    z, gains = mixer.ingredients()
    transform = mixer.transform
    stems = np.zeros((4, 2, transform.length(mixer.frames)), np.float32)
    for s, stem in enumerate(z):
        for c, plane in enumerate(stem):
            if plane is not None and gains[c, s].any():
                stems[s, c] = sound((plane[:, 0].astype(np.float32) + 1j * plane[:, 1].astype(np.float32)) * gains[c, s], transform)
    return stems[..., transform.hop:-transform.hop]   # where frames overlap


def sums(stems, transform):
    """(xx, cross, xs, ss) of float32[4, 2, n] in mid and side."""
    z = [mix.spectrum(s, transform) for s in stems]
    if all(plane is None for stem in z for plane in stem):
        return None
    return products(z, np.ones((2, len(z), transform.bins), np.float32), transform)


class Taught:
    """Batches of clips that are there: (xx, cross, xs, ss, taught xs, taught ss), each clip at a stretch of its own, left and right as they are or swapped."""

    def __init__(self, folder, seed):
        self.folder, self.rng, self.files, self.drawn = Path(folder), np.random.default_rng(seed), [], 0

    def clip(self, frames):
        if self.drawn % 1000 == 0:  # there may be more by now
            self.files = sorted(self.folder.glob("*.npy"))
        self.drawn += 1
        planes = np.load(self.files[self.rng.integers(len(self.files))], mmap_mode="r")
        at = int(self.rng.integers(planes.shape[1] - frames + 1))
        planes = np.array(planes[:, at:at + frames])
        parts = np.split(planes, np.cumsum(list(PLANES.values()))[:-1])
        parts[1] *= self.rng.choice([-1, 1])
        return [p if i < 2 else p.reshape(-1, 2, *p.shape[1:]) for i, p in enumerate(parts)]

    def batch(self, size, frames):
        return [np.stack(a) for a in zip(*(self.clip(frames) for _ in range(size)))]


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("network")
    parser.add_argument("folder", type=Path)
    parser.add_argument("count", type=int)
    parser.add_argument("--seed", type=int, default=900)
    options = parser.parse_args()
    memory.keep()
    torch.set_num_threads(1)
    hearing.CONTEXT = BEYOND
    network = evaluate.waveform(torch.jit.load(options.network).eval(), "fine")
    options.folder.mkdir(parents=True, exist_ok=True)
    mixer = mix.Mixer("train", options.seed, bands.COARSE)
    mixer.frames = mixer.stem_frames
    for number in range(options.count):
        file = options.folder / f"{options.seed}-{number:05d}.npy"
        if file.exists():
            continue
        stems = mixed(mixer)
        true = sums(stems, mixer.transform)
        if true is None:
            continue
        mixture = stems.sum(0)
        answer = network(evaluate.left_right(mixture) if mixture[1].any() else mixture[:1])
        if answer.shape[1] == 2:
            answer = np.stack([answer[:, 0] + answer[:, 1], answer[:, 0] - answer[:, 1]], 1) / 2
        else:
            answer = np.concatenate([answer, np.zeros_like(answer)], 1)
        _, _, xs, ss = sums(answer.astype(np.float32), mixer.transform)
        planes = np.concatenate([a.reshape(-1, *a.shape[-2:]) for a in (*true, xs, ss)])
        assert len(planes) == sum(PLANES.values())
        with open(file.with_suffix(".part"), "wb") as f:
            np.save(f, planes)
        file.with_suffix(".part").rename(file)
        if number % 20 == 0:
            print(number, flush=True)


if __name__ == "__main__":
    main()
