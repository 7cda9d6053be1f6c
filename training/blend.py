#!/usr/bin/python3
"""Averages the weights of a run with those of a network that the run passed through before, as a run of its own that can be exported.

Two places on the way of one training often lie in one valley, and their mean lower in it than either (Izmailov et al. 2018, "Averaging weights
leads to wider optima and better generalization"). Whether they do is measured, not assumed: EXPERIMENTS.md.

Usage: blend.py RUN|KEPT.ts NETWORK.ts NEW_RUN [--share S] [--norms]     S of the network, 1 - S of the run; 0.5
--norms: the batch norms' statistics are the mean of both, too, instead of being taken anew from training mixtures when the new run is exported
"""
import argparse

import torch

import compact
import grow
import model
import paths
import train


def as_run(file):
    """What an exported or kept network would have left as a run's checkpoint, as far as export.py asks for it."""
    weights, earlier, kind = train.load_start(file)
    net = model.KINDS[kind]()
    grow.grow(net, weights)
    return {"average": net.state_dict(), "step": 0, "spent": 0.0, "heard": earlier["heard"], "batch": 8, "kind": kind, "earlier": earlier}


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("run")
    parser.add_argument("network")
    parser.add_argument("new_run")
    parser.add_argument("--share", type=float, default=0.5)
    parser.add_argument("--norms", action="store_true")
    options = parser.parse_args()
    saved = as_run(options.run) if options.run.endswith(".ts") else torch.load(paths.RUNS / options.run / "last.pt")
    saved["settled"] = options.norms
    other = compact.restore(options.network)
    for name, value in saved["average"].items():
        if name in other and value.is_floating_point():
            saved["average"][name] = options.share * other[name].float() + (1 - options.share) * value
    folder = paths.RUNS / options.new_run
    folder.mkdir(parents=True, exist_ok=True)
    torch.save(saved, folder / "last.pt")


if __name__ == "__main__":
    main()
