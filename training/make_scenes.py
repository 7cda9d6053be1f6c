#!/usr/bin/python3
"""Writes scenes for measuring what learning one brings: mixtures like the field set's, with what was heard before them.

Usage: make_scenes.py FOLDER [EVERY [FIRST]]     NNN-scene.flac (5 s of the ambience alone, then a mixture of 8 s), NNN-dialogue.flac, NNN-music.flac and
                                         NNN-ambience.flac (the mixture's parts), NNN.txt (kind and voice); every EVERY-th of the 63 that have an ambience, from the
                                         FIRST (0) on
Speakers, pieces, places and rooms as in field.py, drawn anew since they are longer; none of the marked span is in the mixture.
"""
import sys
from pathlib import Path

import numpy as np
import soundfile

import bands
import field

MARKED, MIXTURE = 5, 8


def main():
    folder, every, first = Path(sys.argv[1]), *(int(a) for a in (*sys.argv[2:4], *("1", "0")[len(sys.argv) - 2:]))
    folder.mkdir(parents=True, exist_ok=True)
    source = field.FieldSet(MARKED + MIXTURE)
    with_ambience = [n for n in range(72) if field.LEVELS[field.KINDS[n % 8]][1]]
    for number in with_ambience[first::every]:
        case, stems = source.mixture(number)
        before, parts = stems[2][:, :MARKED * bands.RATE], stems[:, :, MARKED * bands.RATE:]
        scene = np.concatenate([before, parts.sum(0)], 1)
        scale = 0.6 / max(0.6, np.abs(scene).max(), np.abs(parts).max())
        for name, x in (("scene", scene), *zip(field.PARTS, parts)):
            soundfile.write(folder / f"{number:03d}-{name}.flac", (x * scale).T, bands.RATE, subtype="PCM_24")
        (folder / f"{number:03d}.txt").write_text(f"{case['kind']} {case['voice']}\n")


if __name__ == "__main__":
    main()
