"""A trained BandNet as a network that takes and gives sound (the interface of docs/formats.md)."""
from typing import List, Tuple

import torch
import torch.nn.functional as F
from torch import nn

import bands
import model


CHUNK = 64  # frames


class WaveformNetwork(nn.Module):
    """float[B, C, N] at 48 kHz, C 1 or 2 -> float[B, STEMS, C, N]; any N >= 1."""

    def __init__(self, net):
        super().__init__()
        self.net = net
        self.size, self.hop, self.stride = bands.SIZE, net.transform.hop, model.STRIDE
        self.overlap = net.transform.overlap
        self.chunk = CHUNK
        self.register_buffer("window", torch.from_numpy(net.transform.window()))
        self.register_buffer("synthesis", torch.from_numpy(net.transform.synthesis()).float())
        self.register_buffer("spread", torch.from_numpy(bands.interpolation()))
        gather = torch.zeros(bands.BINS, bands.BANDS)
        e = bands.edges()
        for b in range(bands.BANDS):
            gather[e[b]:e[b + 1], b] = 1
        self.register_buffer("gather", gather)

    def frames_for(self, n: int) -> int:
        # Frames are centred on multiples of the hop from SIZE / 2 before the first sample to as much
        # after the last, so that every sample has all its overlapping frames.
        frames = (n + self.size) // self.hop + 2
        return (frames + self.stride - 1) // self.stride * self.stride

    def cells(self, spectrum: torch.Tensor) -> Tuple[torch.Tensor, torch.Tensor]:
        """Spectra (B, C, T, BINS) -> power of M and S and their product in bands: two float (B, 2, T, BANDS)."""
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
        frames = self.frames_for(n)
        padded = F.pad(x, (self.size, (frames - 1) * self.hop - n)).unfold(-1, self.size, self.hop)
        # In pieces of CHUNK frames, which stay in the processor's cache: twice as fast as in one.
        spectra: List[torch.Tensor] = []
        powers: List[torch.Tensor] = []
        crosses: List[torch.Tensor] = []
        for t in range(0, frames, self.chunk):
            spectrum = torch.fft.rfft(padded[:, :, t:t + self.chunk] * self.window)
            power, cross = self.cells(spectrum)
            spectra.append(spectrum)
            powers.append(power)
            crosses.append(cross)
        mask = torch.softmax(self.net(torch.cat(powers, 2), torch.cat(crosses, 2)), 1)[:, :-1, :channels]
        stems = mask.size(1)
        wave = torch.zeros(batch, stems, channels, frames + self.overlap - 1, self.hop)
        t = 0
        for spectrum in spectra:
            count = spectrum.size(2)
            share = torch.matmul(mask[:, :, :, t:t + count], self.spread)
            piece = torch.fft.irfft(spectrum.unsqueeze(1) * share, self.size) * self.synthesis
            piece = piece.view(batch, stems, channels, count, self.overlap, self.hop)
            for k in range(self.overlap):
                wave[:, :, :, t + k:t + k + count] += piece[:, :, :, :, k]
            t += count
        wave = wave.flatten(3)[:, :, :, self.size:self.size + n]
        # The masks sum to one: the last stem is what the others leave.
        wave = torch.cat([wave, (x - wave.sum(1)).unsqueeze(1)], 1)
        if channels == 2:
            wave = torch.stack([wave[:, :, 0] + wave[:, :, 1], wave[:, :, 0] - wave[:, :, 1]], 2)
        return wave
