#!/usr/bin/python3
"""Makes the excerpts of the development sets that the tests use: tests/data/excerpt/CLIP-STEM.flac, and of parts STEM-CLIP-PART.flac.

Each stem comes from one package, so that each file has one licence: voices from ktuberling-data, music from
unknown-horizons, events from colobot-common-sounds over procedural beds (see CREDITS.md there).
"""
import numpy as np
import soundfile

import bands
import evaluate
import measures
import mix
import parts_score
import parts_set
import paths
from stems import Stems

FOLDER = paths.HERE.parent / "tests" / "data" / "excerpt"
SEEDS, SECONDS = (5, 11, 20), 5


def only(role, package):
    role.names = [n for n in role.names if n.startswith(package)]
    role.weight = np.ones(len(role.names)) / len(role.names)
    role.items = [i for i in role.items if i["group"].startswith(package)]
    role.groups = {n: [k for k, i in enumerate(role.items) if i["group"] == n] for n in role.names}


def clips():
    """Yields float32[4, 2, n] in mix.STEMS' order."""
    source = Stems("develop", None)
    for role, package in ((source.speech, "ktuberling"), (source.music, "unknown-horizons"), (source.effects, "colobot")):
        only(role, package)
    n = SECONDS * bands.RATE
    for seed in SEEDS:
        rng = source.rng = np.random.default_rng(66000 + seed)
        dialogue, room, _ = source.voice(n)
        music = source.song(n) * 10 ** (rng.uniform(-9, -3) / 20)
        around = source.surroundings(n) * 10 ** (rng.uniform(-9, -3) / 20)
        stems = np.stack([evaluate.left_right(s) for s in (dialogue, room, music, around)])
        yield (stems * (0.7 / max(0.7, np.abs(stems.sum(0)).max()))).astype(np.float32)


# Mixtures of parts_set.py, from second to second, to mono.
PARTS = {"music": (10, 16), "ambience": (1, 5)}
PARTS_FROM, PARTS_TO = 3, 7


def score_parts(separate, what):
    """Mean SI-SDR per part over the committed clips, read back as the tests read them."""
    names, rows = parts_score.NAMES[what], []
    for number in range(1, len(PARTS[what]) + 1):
        stems = np.stack([soundfile.read(FOLDER / f"{what}-{number}-{n}.flac", dtype="float32", always_2d=True)[0].T for n in names])
        rows.append([measures.si_sdr(a, t) for a, t in zip(separate(stems.sum(0)), stems)])
    return {n: round(float(v), 2) for n, v in zip(names, np.mean(rows, 0))}


def write_parts():
    for what, numbers in PARTS.items():
        for number, wanted in enumerate(numbers, 1):
            stems = next(stems for case, stems in parts_set.load(what) if case["number"] == wanted)
            for name, stem in zip(parts_score.NAMES[what], stems):
                soundfile.write(FOLDER / f"{what}-{number}-{name}.flac", stem.mean(0)[PARTS_FROM * bands.RATE:PARTS_TO * bands.RATE], bands.RATE, "PCM_16")


def main():
    write_parts()
    FOLDER.mkdir(parents=True, exist_ok=True)
    for number, stems in enumerate(clips(), 1):
        for name, stem in zip(mix.STEMS, stems):
            soundfile.write(FOLDER / f"{number}-{name}.flac", stem.T, bands.RATE, "PCM_16")
            print(number, name, round(float(20 * np.log10(np.sqrt(np.mean(stem ** 2)) + 1e-9)), 1), "dBFS")


if __name__ == "__main__":
    main()
