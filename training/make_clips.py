#!/usr/bin/python3
"""Writes mixtures whose parts are known, from recordings that no network is trained on, for measuring measures.

Usage: make_clips.py COUNT FOLDER [SEED]     8 s each, stereo: NNN-dialogue.flac (with its room), NNN-bed.flac (music and ambience)
Made like the development set, from other seeds: 88000 on for measuring, 99000 on for fitting.
"""
import sys
from pathlib import Path

import numpy as np
import soundfile

import bands
import evaluate
from stems import Stems

SECONDS = 8


def main():
    count, folder = int(sys.argv[1]), Path(sys.argv[2])
    seed = int(sys.argv[3]) if len(sys.argv) > 3 else 88000
    folder.mkdir(parents=True, exist_ok=True)
    source, n = Stems("develop", None), SECONDS * bands.RATE
    for number in range(count):
        rng = source.rng = np.random.default_rng(seed + number)
        dialogue, room, _ = source.voice(n)
        bed = source.song(n) * 10 ** (rng.uniform(-16, 1) / 20) + source.surroundings(n) * 10 ** (rng.uniform(-16, 1) / 20)
        parts = {"dialogue": evaluate.left_right(dialogue + room), "bed": evaluate.left_right(bed)}
        scale = 0.6 / max(0.6, max(np.abs(p).max() for p in [*parts.values(), sum(parts.values())]))
        for name, x in parts.items():
            soundfile.write(folder / f"{number:03d}-{name}.flac", (x * scale).T, bands.RATE, subtype="PCM_24")


if __name__ == "__main__":
    main()
