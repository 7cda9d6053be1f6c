#!/usr/bin/python3
"""Writes mixtures whose parts are known, from recordings that no network is trained on, for measuring measures.

Usage: make_clips.py COUNT FOLDER [SEED]     8 s each, stereo: NNN-dialogue.flac (with its room), NNN-bed.flac (music and ambience)
       make_clips.py field FOLDER            the field set (field.py) in the same form, mono or stereo as each mixture is
       make_clips.py parts FOLDER            every third mixture of the sets of parts (parts_set.py): a part as the dialogue, the others as the bed, and
                                             NNN-part.txt with its name
The first are made like the development set, from other seeds: 88000 on for measuring, 99000 on for fitting.
"""
import sys
from pathlib import Path

import numpy as np
import soundfile

import bands
import evaluate
import field
import parts
import parts_set
from stems import Stems

SECONDS = 8


def write(folder, number, dialogue, bed):
    """Two parts, float[channels, n], below full scale together."""
    scale = 0.6 / max(0.6, max(np.abs(p).max() for p in (dialogue, bed, dialogue + bed)))
    for name, x in (("dialogue", dialogue), ("bed", bed)):
        soundfile.write(folder / f"{number:03d}-{name}.flac", (x * scale).T, bands.RATE, subtype="PCM_24")


def main():
    if sys.argv[1] == "field":
        folder = Path(sys.argv[2])
        folder.mkdir(parents=True, exist_ok=True)
        for case, stems in field.load():
            write(folder, case["number"], stems[0], stems[1] + stems[2])
        return
    if sys.argv[1] == "parts":
        folder, number = Path(sys.argv[2]), 0
        folder.mkdir(parents=True, exist_ok=True)
        for what, names in (("music", parts.MUSIC), ("ambience", parts.AMBIENCE)):
            for case, stems in list(parts_set.load(what))[::3]:
                for name in case["scored"]:
                    part = stems[names.index(name)]
                    write(folder, number, part, stems.sum(0) - part)
                    (folder / f"{number:03d}-part.txt").write_text(name + "\n")
                    number += 1
        return
    count, folder = int(sys.argv[1]), Path(sys.argv[2])
    seed = int(sys.argv[3]) if len(sys.argv) > 3 else 88000
    folder.mkdir(parents=True, exist_ok=True)
    source, n = Stems("develop", None), SECONDS * bands.RATE
    for number in range(count):
        rng = source.rng = np.random.default_rng(seed + number)
        dialogue, room, _ = source.voice(n)
        bed = source.song(n) * 10 ** (rng.uniform(-16, 1) / 20) + source.surroundings(n) * 10 ** (rng.uniform(-16, 1) / 20)
        write(folder, number, evaluate.left_right(dialogue + room), evaluate.left_right(bed))


if __name__ == "__main__":
    main()
