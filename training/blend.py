#!/usr/bin/python3
"""Averages the weights of a run with those of a network that the run passed through before, as a run of its own that can be exported.

Two places on the way of one training often lie in one valley, and their mean lower in it than either (Izmailov et al. 2018, "Averaging weights
leads to wider optima and better generalization"). Whether they do is measured, not assumed: EXPERIMENTS.md.

Usage: blend.py RUN NETWORK.ts NEW_RUN [--share S]     S of the network, 1 - S of the run; 0.5
"""
import argparse

import torch

import compact
import paths


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("run")
    parser.add_argument("network")
    parser.add_argument("new_run")
    parser.add_argument("--share", type=float, default=0.5)
    options = parser.parse_args()
    saved = torch.load(paths.RUNS / options.run / "last.pt")
    other = compact.restore(options.network)
    for name, value in saved["average"].items():
        if name in other and value.is_floating_point():
            saved["average"][name] = options.share * other[name].float() + (1 - options.share) * value
    folder = paths.RUNS / options.new_run
    folder.mkdir(parents=True, exist_ok=True)
    torch.save(saved, folder / "last.pt")


if __name__ == "__main__":
    main()
