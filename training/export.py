#!/usr/bin/python3
"""Exports a run's averaged weights as TorchScript with its card into networks/.

Usage: export.py RUN ID NAME [--rank N]
The card's quality figures are measured here, on the development set.
"""
import argparse
import datetime
import hashlib
import json
import os

os.environ.setdefault("OMP_WAIT_POLICY", "passive")

import torch

import bands
import evaluate
import mix
import model
import paths

# The receptive field is 254 frames (5.4 s) on each side, but its rim hardly counts: cut to 4.1 s the answer changes by
# -88 dB at most (measured on two minutes of the development set), to 2.7 s by -49 dB.
CONTEXT = 24 * model.STRIDE * bands.HOP

NETWORKS = paths.HERE.parent / "networks"


def main():
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("run")
    parser.add_argument("id")
    parser.add_argument("name")
    parser.add_argument("--rank", type=int, default=10, help="order in lists; the lowest is the default network")
    options = parser.parse_args()
    saved = torch.load(paths.RUNS / options.run / "last.pt")
    net = model.BandNet()
    net.load_state_dict(saved["average"])
    wrapped = model.WaveformNetwork(net.to(memory_format=torch.channels_last)).eval()
    script = torch.jit.freeze(torch.jit.script(wrapped))
    NETWORKS.mkdir(exist_ok=True)
    file = NETWORKS / f"{options.id}.ts"
    script.save(str(file))
    result = evaluate.measure(script)
    grid = model.STRIDE * bands.HOP
    card = {
        "format": "rivlen-network", "version": 1, "id": options.id, "name": options.name, "rank": options.rank,
        "purpose": "Speech over music and surroundings, indoors and outdoors: interviews, narration, scenes.",
        "file": file.name, "sha256": hashlib.sha256(file.read_bytes()).hexdigest(),
        "stems": list(mix.STEMS), "sample_rate": bands.RATE, "channels": [1, 2],
        "context_samples": CONTEXT, "grid_samples": grid,
        "minimum_samples": 1, "latency_samples": 0,
        "licence": "GPL-3.0-or-later", "date": datetime.date.today().isoformat(),
        "training": {
            "method": "Band mask network (training/model.py) trained on mixtures made on the fly (training/mix.py).",
            "steps": saved["step"], "minutes": round(saved["spent"], 1), "batch": 8, "seconds_per_clip": round(mix.LENGTH / bands.RATE, 2),
            "data": "Open recordings from Debian's packages and procedural ambience; every file with licence and checksum in training/manifest.json.",
        },
        "quality": {
            "measure": "mean SI-SDR in dB (Le Roux et al. 2019) on the development set of training/evaluate.py: 24 mixtures of 10 s, unseen speakers, music and effects",
            "network": result["mean"], "mixture": result["mixture"], "gain": result["gain"], "oracle_ratio_mask": result["oracle_ratio_mask"],
        },
    }
    (NETWORKS / f"{options.id}.json").write_text(json.dumps(card, indent=1, ensure_ascii=False) + "\n")
    print(json.dumps(card["quality"], indent=1))


if __name__ == "__main__":
    main()
