#!/usr/bin/python3
"""What the knee of the trade-off should weigh: mean SI-SDR that each choice of weights would have reached.

Usage: fit_knee.py FEATURES KNEES     the tables of `rivlen-bench-measures FOLDER FEATURES KNEES`
The chosen pair is in src/core/isolation/Weighing.cpp (kBelief, kMovedWeight). Each clip is left out of the fit of its own correction.
"""
import sys

import numpy as np

import fit_spill


def main():
    features, knees = np.loadtxt(sys.argv[1]), np.loadtxt(sys.argv[2])
    full = {n: np.sum(knees[:, 0] == n) for n in np.unique(knees[:, 0])}
    clips = [n for n in full if full[n] == max(full.values())]  # a table still being written ends early
    knees = knees[np.isin(knees[:, 0], clips) & (knees[:, 2] == 0)]
    clip, reached, (bent, spilt, moved, applied) = knees[:, 0], knees[:, 3], knees[:, 4:8].T
    x = np.array([features[features[:, 0] == n][0, 3:] for n in clips])
    y = np.array([np.mean((features[:, 2] - features[:, 1])[features[:, 0] == n]) for n in clips])
    correction = np.empty(len(clip))
    for i, n in enumerate(clips):
        others = np.arange(len(clips)) != i
        w = fit_spill.fit(x[others], y[others])
        correction[clip == n] = w[0] + x[i] @ w[1:]
    plain = spilt / 10 ** (applied / 10)
    print("full depth", round(np.mean(reached[knees[:, 1] > 60]), 2))
    for belief in (0, 0.25, 0.5, 0.75, 1):
        for weight in (1, 1.5, 2):
            harm = bent + plain * 10 ** (belief * correction / 10) + weight * moved
            print(belief, weight, round(np.mean([reached[clip == n][np.argmin(harm[clip == n])] for n in clips]), 2))


if __name__ == "__main__":
    main()
