#!/usr/bin/python3
"""Fits what tells speech from music (src/core/diagnosis/Content.h) and writes src/core/diagnosis/ContentModel.h.

Usage: fit_content.py TABLE     from rivlen-bench-content FOLDER TABLE, clips of make_programme.py COUNT FOLDER SEED train
"""
import sys
from pathlib import Path

import numpy as np

HEADER = Path(__file__).resolve().parent.parent / "src/core/diagnosis/ContentModel.h"


def main():
    table = np.loadtxt(sys.argv[1])
    y, x = table[:, 0], table[:, 1:]
    mean, spread = x.mean(0), x.std(0) + 1e-9
    z = np.c_[(x - mean) / spread, np.ones(len(x))]
    w = np.zeros(z.shape[1])
    penalty = np.r_[np.full(x.shape[1], 0.5), 0]  # keeps the weights small: it shall hold for other recordings
    for _ in range(100):  # Newton's method
        p = 1 / (1 + np.exp(-z @ w))
        gradient = z.T @ (p - y) + penalty * w
        w -= np.linalg.solve((z * (p * (1 - p))[:, None]).T @ z + np.diag(penalty + 1e-9), gradient)
    print(f"right on the clips fitted: {100 * np.mean((z @ w > 0) == (y > 0.5)):.1f} %")
    row = lambda v: "{" + ", ".join(f"{a:.5g}" for a in v) + "}"
    HEADER.write_text("#pragma once\n\n// Written by training/fit_content.py.\nnamespace rivlen {\n"
                      f"inline constexpr double kContentOffset = {w[-1]:.5g};\n"
                      f"inline constexpr double kContentWeights[] = {row(w[:-1])};\n"
                      f"inline constexpr double kContentMeans[] = {row(mean)};\n"
                      f"inline constexpr double kContentSpreads[] = {row(spread)};\n}}  // namespace rivlen\n")


if __name__ == "__main__":
    main()
