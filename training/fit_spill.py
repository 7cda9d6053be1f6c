#!/usr/bin/python3
"""Fits what src/core/isolation/SpillModel.cpp adds to the estimated spill, from clips whose SIR is known.

Usage: fit_spill.py FEATURES     the table that `rivlen-bench-measures FOLDER FEATURES` writes
Prints the coefficients (ridge regression) and how well they hold when each clip is left out of its own fit.
Clips for fitting and for measuring must come from different seeds (make_clips.py).
"""
import sys

import numpy as np
from scipy.stats import spearmanr

RIDGE = 1.0


def fit(x, y):
    """Coefficients (constant first) for standardised x, returned for x as it is."""
    mean, deviation = x.mean(0), x.std(0)
    z = np.c_[np.ones(len(x)), (x - mean) / deviation]
    ridge = RIDGE * np.eye(z.shape[1])
    ridge[0, 0] = 0
    w = np.linalg.solve(z.T @ z + ridge, z.T @ y)
    slope = w[1:] / deviation
    return np.r_[w[0] - slope @ mean, slope]


def main():
    table = np.loadtxt(sys.argv[1])
    clip, sir, estimate = table[:, 0], table[:, 1], table[:, 2]
    clips = np.unique(clip)
    features = np.array([table[clip == c][0, 3:] for c in clips])
    error = np.array([np.mean((estimate - sir)[clip == c]) for c in clips])  # dB that the estimate is too good
    answer = lambda w, f: w[0] + f @ w[1:]
    print("constant, unsure, low, wanted moves, bed moves:", np.round(fit(features, error), 2))
    corrected, left = estimate.copy(), np.empty(len(clips))
    for i, c in enumerate(clips):
        others = clips != c
        predicted = answer(fit(features[others], error[others]), features[i])
        left[i] = error[i] - predicted
        corrected[clip == c] -= predicted
    print(f"{len(clips)} clips: error {error.std():.2f} dB before, {left.std():.2f} dB after; "
          f"pooled rank correlation {spearmanr(sir, estimate)[0]:.3f} before, {spearmanr(sir, corrected)[0]:.3f} after")


if __name__ == "__main__":
    main()
