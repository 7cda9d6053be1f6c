#!/usr/bin/python3
"""Keeps a run in the repository, so that training goes on after the machine is gone: its averaged weights as small integers and what they had.

Usage: keep.py RUN     writes kept/RUN.ts and kept/RUN.json; to go on from it: train.py RUN --kind KIND --start kept/RUN.ts
"""
import copy
import json
import sys

import torch

import compact
import paths
import rounding
import train
import waveform

FOLDER = paths.HERE / "kept"


def main():
    run = sys.argv[1]
    net, saved = train.finished(run)
    FOLDER.mkdir(exist_ok=True)
    script = torch.jit.script(waveform.Separator(compact.compact(copy.deepcopy(net), rounding.rounded(net, saved["kind"]))).eval())
    compact.save(script, FOLDER / f"{run}.ts")
    earlier = saved["earlier"]
    had = {"kind": saved["kind"], "steps": saved["step"] + earlier["steps"], "minutes": round(saved["spent"] + earlier["minutes"], 1),
           "hours_of_mixtures": round(saved["heard"] / 3600, 1)}
    (FOLDER / f"{run}.json").write_text(json.dumps({"training": had}) + "\n")
    print(run, had, (FOLDER / f"{run}.ts").stat().st_size, "bytes")


if __name__ == "__main__":
    main()
