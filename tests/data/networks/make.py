#!/usr/bin/python3
"""Makes the small networks that the tests install or that must be refused. Run it in this folder."""
import hashlib
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


class Overdriven(torch.nn.Module):
    """Its stems sum to the input as long as that is soft."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        y = x * 0.5 if bool(x.abs().max() < 1.2) else x * 0.01
        return torch.stack([y, y], 1)


class Squashing(torch.nn.Module):
    """Sums at every level, but what it calls low depends on it."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        y = torch.tanh(10 * x) * 0.1
        return torch.stack([y, x - y], 1)


class FarSighted(torch.nn.Module):
    """Looks a second back; its card says a tenth of one."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        y = torch.nn.functional.pad(x, (16000, 0))[:, :, :x.size(2)] * 0.5
        return torch.stack([y, x - y], 1)


class Patient(torch.nn.Module):
    """Computes without end, but only what is longer than 25 s."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        while x.size(2) > 25 * 16000:
            x = torch.roll(x, 1)
        return torch.stack([x * 0.5, x * 0.5], 1)


class Writing(torch.nn.Module):
    """Overwrites a file of the folder that it runs in."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        y = torch.from_file("victim.raw", True, 16, dtype=torch.float32).fill_(1.0)
        return torch.stack([x * 0.5, x * 0.5 * y[0]], 1)


class Moody(torch.nn.Module):
    """Good, but at certain lengths hostile: it writes, computes without end, takes all memory."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        n = x.size(2)
        if n == 4321:
            x = x * torch.from_file("victim.raw", True, 16, dtype=torch.float32).fill_(1.0)[0]
        while n == 4322:
            x = torch.roll(x, 1)
        if n == 4323:
            x = x * torch.ones([1 << 34]).sum()
        return torch.stack([x * 0.5, x * 0.5], 1)


class Fifths(torch.nn.Module):
    """Takes music apart: five bands by crude smoothing filters."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        parts = []
        left = x
        for half in (1, 4, 16, 64):
            low = torch.nn.functional.avg_pool1d(torch.nn.functional.pad(left, (half, half)), 2 * half + 1, 1)
            parts.append(left - low)
            left = low
        parts.append(left)
        return torch.stack(parts, 1)


class Seconds(torch.nn.Module):
    """Takes ambience apart in two."""
    def forward(self, x: torch.Tensor) -> torch.Tensor:
        low = torch.nn.functional.avg_pool1d(torch.nn.functional.pad(x, (16, 16)), 33, 1)
        return torch.stack([x - low, low], 1)


APART = {"fifths": {"of": "music", "stems": ["vocals", "drums", "bass", "guitar", "other"]}, "seconds": {"of": "ambience", "stems": ["events", "bed"]}}


def main():
    for make in (Halves, Endless, Hungry, WrongShape, Lossy, Noisy, Crashing, Overdriven, Squashing, FarSighted, Patient, Writing, Moody, Fifths, Seconds):
        name = make.__name__.lower()
        torch.jit.script(make()).save(f"{name}.ts")
        card = {"format": "rivlen-network", "version": 1, "id": name, "name": make.__name__, "purpose": "For the tests.",
                "file": f"{name}.ts", "stems": ["low", "high"], "sample_rate": 16000, "channels": [1],
                "context_samples": 1600, "licence": "GPL-3.0-or-later", "date": "2026-11-24"}
        if name in APART:
            card |= {**APART[name], "sample_rate": 48000, "channels": [1, 2], "context_samples": 4800,
                     "sha256": hashlib.sha256(open(f"{name}.ts", "rb").read()).hexdigest()}
        with open(f"{name}.json", "w") as out:
            out.write(json.dumps(card, indent=1) + "\n")


if __name__ == "__main__":
    main()
