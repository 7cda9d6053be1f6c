#!/usr/bin/python3
"""Does a network do better on what it has learned from? Compares fresh mixtures of the training and of the development material.

Usage: generalisation.py NETWORK.ts     16 mixtures of 10 s of each, the same seeds, one pass; no singing, no synthesised voices
"""
import sys

import numpy as np
import torch

import bands
import evaluate
import measures
from stems import Stems

SEED, CLIPS = 55000, 16


def main():
    torch.set_num_threads(1)
    separate = evaluate.waveform(torch.jit.load(sys.argv[1]))
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
