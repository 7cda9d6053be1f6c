"""A trained BandNet as a network that takes and gives sound (the interface of docs/formats.md)."""
import torch
import torch.nn.functional as F
from torch import nn

import bands
import model


class WaveformNetwork(nn.Module):
    """float[B, C, N] at 48 kHz, C 1 or 2 -> float[B, STEMS, C, N]; any N >= 1."""

    def __init__(self, net):
        super().__init__()
        self.net = net
        self.size, self.hop, self.stride = bands.SIZE, bands.HOP, model.STRIDE
        self.register_buffer("window", torch.hann_window(bands.SIZE))
        self.register_buffer("spread", torch.from_numpy(bands.interpolation()))
        gather = torch.zeros(bands.BINS, bands.BANDS)
        e = bands.edges()
        for b in range(bands.BANDS):
            gather[e[b]:e[b + 1], b] = 1
        self.register_buffer("gather", gather)

    def analyse(self, x: torch.Tensor) -> torch.Tensor:
        """(B, C, N) -> spectra of M, or of M and S: complex (B, C, T, BINS)."""
        n = x.size(2)
        # Frames are centred on multiples of the hop from SIZE / 2 before the first sample to as much
        # after the last, so that every sample has all its overlapping frames.
        frames = (n + self.size) // self.hop + 2
        frames = (frames + self.stride - 1) // self.stride * self.stride
        after = (frames - 1) * self.hop - n
        padded = F.pad(x, (self.size, after))
        return torch.fft.rfft(padded.unfold(-1, self.size, self.hop) * self.window)

    def cells(self, spectrum: torch.Tensor):
        """Power of M and S and their product in bands: two float (B, 2, T, BANDS)."""
        parts = torch.view_as_real(spectrum)
        power = torch.matmul(parts.square().sum(-1), self.gather)
        if spectrum.size(1) == 1:
            return torch.cat([power, torch.zeros_like(power)], 1), torch.zeros_like(power).expand(-1, 2, -1, -1)
        both = torch.view_as_real(spectrum[:, 0] * spectrum[:, 1].conj()).permute(0, 3, 1, 2)
        return power, torch.matmul(both, self.gather)

    def forward(self, x: torch.Tensor) -> torch.Tensor:
        batch, channels, n = x.size(0), x.size(1), x.size(2)
        if channels == 2:
            x = torch.stack([(x[:, 0] + x[:, 1]) * 0.5, (x[:, 0] - x[:, 1]) * 0.5], 1)
        spectrum = self.analyse(x)
        power, cross = self.cells(spectrum)
        mask = torch.softmax(self.net(power, cross), 1)[:, :-1, :channels]              # B, S - 1, C, T, BANDS
        pieces = torch.fft.irfft(spectrum.unsqueeze(1) * torch.matmul(mask, self.spread), self.size)
        pieces = pieces.flatten(0, 2) * (self.window / 1.5)
        # Overlap-add in quarters of a frame: squared Hann windows at a quarter hop sum to 1.5.
        pieces = pieces.view(pieces.size(0), -1, 4, self.hop)
        wave = F.pad(pieces[:, :, 0], (0, 0, 0, 3))
        for k in range(1, 4):
            wave[:, k:k + pieces.size(1)] += pieces[:, :, k]
        wave = wave.view(batch, -1, channels, wave.size(1) * self.hop)[:, :, :, self.size:self.size + n]
        # The masks sum to one: the last stem is what the others leave.
        wave = torch.cat([wave, (x - wave.sum(1)).unsqueeze(1)], 1)
        if channels == 2:
            wave = torch.stack([wave[:, :, 0] + wave[:, :, 1], wave[:, :, 0] - wave[:, :, 1]], 2)
        return wave
