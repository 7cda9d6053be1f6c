#!/usr/bin/python3
"""Does a network do better on what it has learned from? Compares fresh mixtures of the training and of the development material.

Usage: generalisation.py NETWORK.ts           16 mixtures of 10 s of each, the same seeds, one pass; no singing, no synthesised voices
       generalisation.py NETWORK.ts field     the field set's 72 kinds of mixture (field.py), made of the training's material and as they are
"""
import sys

import numpy as np
import torch

import bands
import evaluate
import field
import field_score
import measures
from stems import Role, Stems

SEED, CLIPS = 55000, 16


def like_the_field(split):
    """FieldSet whose speakers, pieces, effects and places are those of a split."""
    source = field.FieldSet()
    source.roles = {role: [Role(split, role)] * 2 for role in ("speech", "music", "effects")}
    source.places, source.speakers = Role(split, "places"), {}
    role = source.roles["speech"][0]
    for group, items in role.groups.items():
        pitches = [role.items[i]["pitch"] for i in items if role.items[i]["pitch"] > 0]
        if pitches:
            source.speakers[group] = role, items, float(np.median(pitches))
    return source


def field_rows(source, separate):
    """field_score.py's rows of mixtures that are made here."""
    rows = []
    for number in range(72):
        case, stems = source.mixture(number)
        mixture, row = stems.sum(0), {**case, "gain": {}, "ceiling": {}}
        for part, answer, ideal, truth in zip(field.PARTS, evaluate.shown(separate(mixture)), evaluate.oracle(stems), stems):
            if part in case["scored"]:
                before = float(measures.si_sdr(mixture, truth))
                row["gain"][part] = float(measures.si_sdr(answer, truth)) - before
                row["ceiling"][part] = float(measures.si_sdr(ideal, truth)) - before
        rows.append(row)
    return rows


def in_the_field(separate):
    for name, source in (("training's material", like_the_field("train")), ("field set", field.FieldSet())):
        rows = field_rows(source, separate)
        by = {key: {v: field_score.summary([r for r in rows if r[key] == v]) for v in values}
              for key, values in (("kind", field.KINDS), ("voice", sorted(set(field.VOICES))), ("position", field.POSITIONS))}
        print(f"{name}\n{field_score.table({'all': field_score.summary(rows), **by})}", flush=True)


def main():
    torch.set_num_threads(1)
    separate = evaluate.waveform(torch.jit.load(sys.argv[1]))
    if sys.argv[2:] == ["field"]:
        return in_the_field(separate)
    n = evaluate.SECONDS * bands.RATE
    for split in ("train", "develop"):
        source, rows = Stems(split, None), []
        source.singers, source.synthetic = False, None
        for number in range(CLIPS):
            rng = source.rng = np.random.default_rng(SEED + number)
            dialogue, room, _ = source.voice(n)
            music = source.song(n) * 10 ** (rng.uniform(-16, 1) / 20)
            around = source.surroundings(n) * 10 ** (rng.uniform(-16, 1) / 20)
            stems = np.stack([evaluate.left_right(x) for x in (dialogue, room, music, around)]).astype(np.float32)
            truth, mixture = evaluate.shown(stems), stems.sum(0)
            answers = (evaluate.shown(separate(mixture)), [mixture] * 3, evaluate.oracle(truth))
            rows.append([[measures.si_sdr(e, t) for e, t in zip(answer, truth)] for answer in answers])
        network, unprocessed, oracle = np.mean(rows, 0)
        print(split, "share of the oracle's gain", evaluate.named((network - unprocessed) / (oracle - unprocessed), 3))


if __name__ == "__main__":
    main()
