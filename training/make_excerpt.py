#!/usr/bin/python3
"""Makes the excerpt of the development set that the tests use: tests/data/excerpt/CLIP-STEM.flac.

Each stem comes from one package, so that each file has one licence: voices from ktuberling-data, music from
unknown-horizons, events from colobot-common-sounds over procedural beds (see CREDITS.md there).
"""
import numpy as np
import soundfile

import bands
import evaluate
import mix
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


def main():
    FOLDER.mkdir(parents=True, exist_ok=True)
    for number, stems in enumerate(clips(), 1):
        for name, stem in zip(mix.STEMS, stems):
            soundfile.write(FOLDER / f"{number}-{name}.flac", stem.T, bands.RATE, "PCM_16")
            print(number, name, round(float(20 * np.log10(np.sqrt(np.mean(stem ** 2)) + 1e-9)), 1), "dBFS")


if __name__ == "__main__":
    main()
