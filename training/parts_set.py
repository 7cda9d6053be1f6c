#!/usr/bin/python3
"""The sets that what takes stems apart is measured on: soundfonts, drum kits, pieces, singers, places and events that have no part in its training.

Usage: parts_set.py      writes prepared/parts/{music,ambience}-NN.npy (float32[parts, 2, n] at 48 kHz) and cases.json; needs render_parts.py and field.py

Music: 40 mixtures of 10 s. Composed pieces and MIDI files through other soundfonts and kits, sung by speakers of the field set in rooms of the
image method; songs, instrumentals, voices with one instrument, and songs whose guitar is a recorded one. Ambience: 32 of 8 s of recorded events
over recorded and procedural beds, or a crowd; what stands out and what goes on told apart by steadiness.py. Fixed seeds.
"""
import json

import numpy as np
from scipy.signal import fftconvolve

import bands
import evaluate
import field
import measures
import parts
import paths
import rooms
import steadiness

FOLDER = paths.PREPARED / "parts"
SEED = 47_000
MUSIC, AMBIENCE = 40, 32
KINDS = {"music": ("song", "song", "instrumental", "accompanied", "recorded guitar"), "ambience": ("events ahead", "level", "bed ahead", "crowd")}
AUDIBLE = 1e-3   # of the mixture's energy: less is no part to be measured


class PartsSet:
    def __init__(self):
        self.field = field.FieldSet(10)
        self.band = parts.Band("field")
        places = self.field.places
        steadiness.keep(places, steadiness.beds(places, "field-places"))
        for split, role in zip(("field", "develop"), self.field.roles["effects"]):
            steadiness.keep(role, steadiness.events(role, f"{split}-effects"))
        self.developed = np.load(paths.PREPARED / "develop-beds.npy", mmap_mode="r")

    def music(self, number):
        rng = self.field.rng = np.random.default_rng(SEED + number)
        kind, n = KINDS["music"][number % 5], 10 * bands.RATE
        self.field.n = n
        item = self.band.items[number % len(self.band.items)]
        x = self.band.parts(item, 0, n)
        notes = [note for note in item["sung"] if note[0] < n / bands.RATE]
        if kind == "recorded guitar":
            x[2] = self.band.guitar(rng, n)
        if kind == "accompanied":
            kept = rng.choice([k for k in range(4) if x[k].any()])
            x[np.arange(4) != kept] = 0
        names = sorted(self.field.speakers)
        sung = np.zeros((2, n), np.float32)
        if kind != "instrumental":
            def words(m):
                return self.field.words(names[rng.integers(len(names))])[:m]
            def tail():
                return rooms.some(rng, rng.uniform(4, 14), rng.uniform(1, 3)) * np.float32(0.5)
            sung = parts.vocals(rng, words, n, notes, tail)
        stems = np.stack([sung, *x])
        stems *= np.float32(10 ** (np.array([rng.uniform(-2, 6), *rng.uniform(-5, 5, 4)]) / 20))[:, None, None]
        return kind, stems

    def ambience(self, number):
        rng = self.field.rng = np.random.default_rng(SEED + 500 + number)
        kind, n = KINDS["ambience"][number % 4], 8 * bands.RATE
        self.field.n = n
        events = field.level(self.field.events(rng.choice([0.4, 1.0, 2.0])))
        if kind == "crowd":
            bed = field.level(self.field.crowd(""))
        elif number % 8 < 4:
            bed = self.field.bed()
        else:
            row = self.developed[rng.integers(len(self.developed))].astype(np.float32) / 32768
            bed = field.level(np.stack([row[:n], np.roll(row, 3 * bands.RATE)[:n] * np.float32(rng.uniform(0, 0.5))]))
        if rng.random() < 0.4:
            room = rooms.some(rng, rng.uniform(4, 12), rng.uniform(1, 4))
            events = field.level(np.stack([fftconvolve(e, room[0])[:n] for e in events]).astype(np.float32))
        db = {"events ahead": rng.uniform(4, 12), "level": rng.uniform(-4, 4), "bed ahead": rng.uniform(-12, -4), "crowd": rng.uniform(-3, 8)}[kind]
        return kind, np.stack([events * np.float32(10 ** (db / 20)), bed])


def load(what):
    """Yields (case, float32[parts, 2, n], left and right)."""
    for case in json.loads((FOLDER / "cases.json").read_text())[what]:
        yield case, np.load(FOLDER / f"{what}-{case['number']:02d}.npy")


def main():
    FOLDER.mkdir(parents=True, exist_ok=True)
    source, cases = PartsSet(), {}
    for what, count, make, names in (("music", MUSIC, source.music, parts.MUSIC), ("ambience", AMBIENCE, source.ambience, parts.AMBIENCE)):
        cases[what] = []
        for number in range(count):
            kind, stems = make(number)
            if number % 4 == 3:   # mono
                stems[:, 1] = 0
            stems = np.stack([stems[:, 0] + stems[:, 1], stems[:, 0] - stems[:, 1]], 1)
            stems = (stems * np.float32(0.7 / np.abs(stems.sum(0)).max())).astype(np.float32)
            energy, mixture, ideal = (stems ** 2).sum((1, 2)), stems.sum(0), evaluate.oracle(stems)
            scored = [p for p, e in zip(names, energy) if e > AUDIBLE * energy.sum()]
            if len(scored) < 2:
                continue
            figures = lambda estimates: {p: round(measures.si_sdr(e, t), 3) for p, e, t in zip(names, estimates, stems) if p in scored}
            cases[what].append({"number": number, "kind": kind, "scored": scored, "mixture": figures([mixture] * len(names)), "oracle": figures(ideal)})
            np.save(FOLDER / f"{what}-{number:02d}.npy", stems)
    (FOLDER / "cases.json").write_text(json.dumps(cases, indent=0))
    print({what: len(found) for what, found in cases.items()})


if __name__ == "__main__":
    main()
