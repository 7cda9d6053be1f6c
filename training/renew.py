#!/usr/bin/python3
"""Writes a shipped network anew with the present code around it: the same weights, to the bit, the same answers.

Usage: renew.py KIND     main, music-parts or ambience-parts
"""
import hashlib
import json
import sys

import torch

import compact
import export
import model
import waveform


def main():
    card = json.loads((export.NETWORKS / f"{sys.argv[1]}.json").read_text())
    file = export.NETWORKS / card["file"]
    old = torch.jit.load(str(file)).eval()
    wrapped = waveform.Separator if "of" in card else waveform.WaveformNetwork
    new = wrapped(compact.compact(model.KINDS[card["training"]["kind"]]())).eval()
    new.load_state_dict(old.state_dict())
    script = torch.jit.script(new)
    torch.manual_seed(1)
    x = torch.randn(1, 2, 150_000) * 0.1
    with torch.no_grad():
        apart = float((old(x) - script(x)).abs().max())
    if apart > 1e-6:
        raise SystemExit(f"renew.py: the answers of {file.name} would differ by {apart}: it is as it was.")
    compact.save(script, file)
    card["sha256"] = hashlib.sha256(file.read_bytes()).hexdigest()
    export.write(card)
    print(f"{file.name}: {file.stat().st_size} bytes, answers differ by {apart}")


if __name__ == "__main__":
    main()
