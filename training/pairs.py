#!/usr/bin/python3
"""A voice with one thing beside it, both of the training's own material: has it been learned at all?

Usage: pairs.py NETWORK.ts|RUN [--count N] [--rate HZ]
       per kind of company: SI-SDR (dB) of mixture, answer and oracle, share of the oracle's gain, how much of the voice the answer keeps, how often made worse
"""
import argparse

import numpy as np
import torch

import bands
import evaluate
import field
import hearing
import measures
import memory
import train
import varied
import waveform

SECONDS, SEED = 8, 9000
BESIDE = -6, 2     # dB against the voice


def company(source, kind, n):
    return {"crowd": source.crowd, "events": source.events, "bed": source.bed, "place": source.place, "music": source.song}[kind](n)


def mixtures(kind, count):
    """Yields float32[3, channels, n], field.PARTS in order, one of them silent; every third is mono."""
    source = varied.VariedStems("train", None)
    n = SECONDS * bands.RATE
    for number in range(count):
        rng = source.rng = np.random.default_rng(SEED + number)
        dialogue, room, _, _ = source.voice(n)
        while np.abs(dialogue).max() < 1e-3:  # nothing but pauses
            dialogue, room, _, _ = source.voice(n)
        voice = field.level(dialogue + room)
        other = company(source, kind, n)
        while np.abs(other).max() < 1e-3:
            other = company(source, kind, n)
        stems = np.zeros((3, 2, n), np.float32)
        stems[0] = evaluate.left_right(voice)
        stems[1 if kind == "music" else 2] = evaluate.left_right(field.level(other, rng.uniform(*BESIDE)))
        stems *= np.float32(0.8 / max(0.8, np.abs(stems.sum(0)).max()))
        yield stems[:, :1] if number % 3 == 0 else stems


def network(name):
    if name.endswith(".ts"):
        return torch.jit.load(name).eval()
    return waveform.Separator(train.finished(name)[0]).eval()


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("network")
    parser.add_argument("--count", type=int, default=24)
    parser.add_argument("--rate", type=float, default=bands.RATE)
    options = parser.parse_args()
    memory.keep()
    torch.set_num_threads(1)
    hear = hearing.Hearing(network(options.network), options.rate)
    for kind in ("crowd", "events", "bed", "place", "music"):
        rows = []
        for stems in mixtures(kind, options.count):
            truth, mixture = stems[0], stems.sum(0)
            answer, ideal = evaluate.shown(hear(mixture))[0], evaluate.oracle(stems)[0]
            rows.append([*(measures.si_sdr(x, truth) for x in (mixture, answer, ideal)), np.sum(answer * truth) / np.sum(truth ** 2)])
        before, after, ceiling, kept = np.mean(rows, 0)
        worse = sum(row[1] < row[0] for row in rows)
        print(f"{kind:7} mixture {before:5.1f} answer {after:5.1f} oracle {ceiling:5.1f} dB  share {100 * (after - before) / (ceiling - before):4.0f} %  "
              f"kept {kept:.2f}  made worse {worse} of {len(rows)}", flush=True)


if __name__ == "__main__":
    main()
