#!/usr/bin/python3
"""Makes the small networks that the tests install or that must be refused. Run it in this folder."""
import json

import torch


class Halves(torch.nn.Module):
    """A good one of another kind: mono, 16 kHz, two stems by a crude smoothing filter."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        low = torch.nn.functional.avg_pool1d(torch.nn.functional.pad(x, (4, 4)), 9, 1)
        return torch.stack([low, x - low], 1)


class Endless(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        while bool(x.abs().max() > -1):
            x = x + 0
        return x


class Hungry(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        y = x
        for _ in range(60):
            y = torch.cat([y, y], 2)
        return torch.stack([x, x * y[0, 0, -1]], 1)


class WrongShape(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        return x


class Lossy(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        return torch.stack([x * 0.1, x * 0.1], 1)


class Noisy(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        n = torch.ones_like(x) * 0.01
        return torch.stack([x + n, -n], 1)


class Crashing(torch.nn.Module):
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        y = torch.as_strided(x, [1 << 40], [1 << 20], 0)  # far outside: the process dies
        return torch.stack([x, x * y.sum()], 1)


def main():
    for make in (Halves, Endless, Hungry, WrongShape, Lossy, Noisy, Crashing):
        name = make.__name__.lower()
        torch.jit.script(make()).save(f"{name}.ts")
        card = {"format": "rivlen-network", "version": 1, "id": name, "name": make.__name__, "purpose": "For the tests.",
                "file": f"{name}.ts", "stems": ["low", "high"], "sample_rate": 16000, "channels": [1],
                "context_samples": 1600, "licence": "GPL-3.0-or-later", "date": "2026-11-24"}
        with open(f"{name}.json", "w") as out:
            out.write(json.dumps(card, indent=1) + "\n")


if __name__ == "__main__":
    main()
