#!/usr/bin/python3
"""Makes networks/all-music: for recordings that are music alone. Nothing is separated; all of it goes to the music, to be taken further apart."""
import datetime
import hashlib

import torch

import compact
import export


class AllMusic(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        none = torch.zeros_like(x)
        return torch.stack([none, x, none], 1)


def main():
    file = export.NETWORKS / "all-music.ts"
    compact.save(torch.jit.script(AllMusic()), file)
    export.write({"format": "rivlen-network", "version": 1, "id": "all-music", "name": "All of it is music", "rank": 90, "tried": False,
                  "purpose": "For songs and scores: nothing is separated, all of it goes to the music, to be taken further apart.",
                  "file": file.name, "sha256": hashlib.sha256(file.read_bytes()).hexdigest(), "stems": ["dialogue", "music", "ambience"], "sample_rate": 48000,
                  "channels": [1, 2], "context_samples": 0, "licence": "GPL-3.0-or-later", "date": datetime.date.today().isoformat()})


if __name__ == "__main__":
    main()
