#!/usr/bin/python3
"""Where a network is lost on the field set, and what shows it: how far its answers at several speeds lie apart, and how decided its shares are.

Usage: lost.py NETWORK.ts
Prints rank correlations between clips and between seconds with the true error, and what it costs and brings to soften the dialogue toward the
mixture where the answers disagree.
"""
import sys

import numpy as np
import torch
from scipy.stats import spearmanr

import bands
import evaluate
import field
import measures
import memory

SOUNDS = 1e-3    # of the loudest second's energy: quieter seconds do not count
HALF = bands.RATE // 2


def energy(x):
    return float(np.sum(np.square(x, dtype=np.float64)))


def per(x, length):
    """Energy of each stretch of the last axis."""
    count = x.shape[-1] // length
    return np.square(x[..., :count * length], dtype=np.float64).reshape(*x.shape[:-1], count, length).sum(-1)


def answers(network):
    """Per case of the field set: (case, true stems, answers at each speed of the fine quality) float32[speeds, 3, C, n]."""
    single = []
    for rate in evaluate.RATES["fine"]:
        evaluate.RATES[f"{rate} Hz alone"] = (rate,)
        single.append(evaluate.waveform(network, f"{rate} Hz alone"))
    for case, stems in field.load():
        yield case, stems, np.stack([evaluate.shown(s(stems.sum(0))) for s in single]).astype(np.float16)


def softened(mean, mixture, apart, threshold, slope, most):
    """The dialogue with a part of the rest let back in wherever answers lie apart; apart: energy of the differences per half second."""
    weight = np.clip(slope * (np.sqrt(apart / (per(mean, HALF).sum(0) + 1e-9)) - threshold), 0, most)
    weight = np.convolve(np.pad(weight, 1, mode="edge"), [0.25, 0.5, 0.25], "valid")
    weight = np.interp(np.arange(mixture.shape[-1]), (np.arange(len(weight)) + 0.5) * HALF, weight)
    return mean + weight * (mixture - mean)


def main():
    memory.keep()
    torch.set_num_threads(1)
    settings = [(0.2, 1, 0.5), (0.2, 2, 0.5), (0.35, 1, 0.5), (0.35, 2, 0.5), (0.5, 1, 0.5)]
    clips, seconds, gains, soft = [], [], [], {s: [] for s in settings}
    for case, stems, found in answers(torch.jit.load(sys.argv[1])):
        found = found.astype(np.float32)
        mean, mixture = found.mean(0), stems.sum(0)
        differ = found - mean
        whole = energy(mixture)
        before, after = measures.si_sdr(mixture, stems[0]), measures.si_sdr(mean[0], stems[0])
        clips.append((energy(mean) / whole, -energy(differ[:, 0]) / energy(mean[0]), after, -energy(mean - stems) / whole))
        seconds += zip(per(mean, bands.RATE).sum((0, 1)), per(differ[:, 0], bands.RATE).sum((0, 1)), per(mean[0], bands.RATE).sum(0),
                       per(mean - stems, bands.RATE).sum((0, 1)), per(mean[0] - stems[0], bands.RATE).sum(0), per(stems[0], bands.RATE).sum(0), per(mixture, bands.RATE).sum(0))
        gains.append(after - before)
        apart = per(differ[:, 0], HALF).sum((0, 1)) / len(found)
        for s in settings:
            soft[s].append(measures.si_sdr(softened(mean[0], mixture, apart, *s), stems[0]) - before)
    rank = lambda a, b: round(spearmanr(a, b)[0], 2)
    decided, agreed, dialogue, right = np.array(clips).T
    print("between clips, rank correlation of            with the dialogue's SI-SDR, with the error of all stems")
    for name, measure in (("decided shares (the confidence)", decided), ("agreement of the speeds", agreed)):
        print(f"{name:45} {rank(measure, dialogue):6} {rank(measure, right):6}")
    share, apart, voice, error, lost, true, level = np.array(seconds).T
    loud, speaks = level > SOUNDS * level.max(), true > SOUNDS * level
    print(f"between seconds: decided shares with the error of all stems {rank((share / level)[loud], -(error / level)[loud])}, "
          f"agreement with the dialogue's {rank(-(apart / (voice + 1e-9))[speaks], -(lost / true)[speaks])}")
    tell = lambda g: f"mean gain {np.mean(g):.2f} dB, worst {np.min(g):.1f}, worse {np.sum(np.array(g) < -0.05)}"
    print("as it is:", tell(gains))
    for s in settings:
        print("softened from %.2f apart on, slope %g, by at most %g:" % s, tell(soft[s]))


if __name__ == "__main__":
    main()
