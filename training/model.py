"""The network: a small U-Net over time and frequency bands whose softmax gives each stem its share.

BandNet          works on band powers, (batch, frames, BANDS) -> (batch, stems, frames, BANDS); trained.
WaveformNetwork  wraps it for use: forward(x: float[B, C, N]) -> float[B, S, C, N] (see docs/formats.md).

The masks sum to one in every cell, so the stems sum to the input. Levels are taken relative to a
local average of 1.5 s on both sides, so the answer depends neither on the level of the recording
nor on anything further away than CONTEXT_FRAMES: tiles can be joined without seams.
"""
import torch
import torch.nn.functional as F
from torch import nn

import bands

STEMS = 3
STRIDE = 8              # frames merged at the bottom of the U-Net
LEVEL_FRAMES = 70       # half width of the local level average, 1.5 s
DILATIONS = (1, 2, 4, 8, 4)
# what one frame's answer can depend on, on each side: level average, bottom, middle, top, patches
CONTEXT_FRAMES = LEVEL_FRAMES + 8 * sum(DILATIONS) + 4 * 4 + 2 * 4 + STRIDE


class Conv(nn.Module):
    """3x3 convolution (dilated in time), batch norm, ReLU; adds its input where the shapes agree."""

    def __init__(self, c_in: int, c_out: int, dilation: int = 1):
        super().__init__()
        self.conv = nn.Conv2d(c_in, c_out, 3, padding=(dilation, 1), dilation=(dilation, 1), bias=False)
        self.norm = nn.BatchNorm2d(c_out)
        self.residual = c_in == c_out

    def forward(self, x):
        y = torch.relu(self.norm(self.conv(x)))
        return x + y if self.residual else y


# Patches of 2x2 cells are merged and split with matrix multiplies: on a CPU several times faster
# than strided and transposed convolutions, and the same functions.
class Merge(nn.Module):
    def __init__(self, c_in: int, c_out: int):
        super().__init__()
        self.linear = nn.Linear(4 * c_in, c_out)

    def forward(self, x):
        b, c, t, f = x.size(0), x.size(1), x.size(2), x.size(3)
        y = x.permute(0, 2, 3, 1).reshape(b, t // 2, 2, f // 2, 2, c).permute(0, 1, 3, 2, 4, 5)
        return self.linear(y.reshape(b, t // 2, f // 2, 4 * c)).permute(0, 3, 1, 2)


class Split(nn.Module):
    def __init__(self, c_in: int, c_out: int):
        super().__init__()
        self.linear = nn.Linear(c_in, 4 * c_out)

    def forward(self, x):
        b, t, f = x.size(0), x.size(2), x.size(3)
        y = self.linear(x.permute(0, 2, 3, 1)).view(b, t, f, 2, 2, -1).permute(0, 1, 3, 2, 4, 5)
        return y.reshape(b, 2 * t, 2 * f, -1).permute(0, 3, 1, 2)


class AcrossBands(nn.Module):
    """Dense mixing over all bands of one moment: what is voice depends on the whole spectrum."""

    def __init__(self, channels: int, width: int, inner: int = 12, hidden: int = 256):
        super().__init__()
        self.down = nn.Linear(channels, inner)
        self.mix = nn.Sequential(nn.Linear(inner * width, hidden), nn.ReLU(inplace=True), nn.Linear(hidden, inner * width))
        self.up = nn.Linear(inner, channels)

    def forward(self, x):
        y = self.down(x.permute(0, 2, 3, 1))               # batch, time, band, inner
        y = self.mix(y.flatten(2)).view_as(y)
        return x + self.up(y).permute(0, 3, 1, 2)


class BandNet(nn.Module):
    def __init__(self, c=(32, 64, 128)):
        super().__init__()
        self.first = Merge(2, c[0])
        self.left1 = nn.Sequential(Conv(c[0], c[0]), Conv(c[0], c[0]))
        self.down1 = Merge(c[0], c[1])
        self.left2 = nn.Sequential(Conv(c[1], c[1]), Conv(c[1], c[1]))
        self.down2 = Merge(c[1], c[2])
        bottom = []
        for i, d in enumerate(DILATIONS):
            bottom.append(Conv(c[2], c[2], d))
            if i % 2 == 1:
                bottom.append(AcrossBands(c[2], bands.BANDS // 8))
        self.bottom = nn.Sequential(*bottom)
        self.up2 = Split(c[2], c[1])
        self.right2 = nn.Sequential(Conv(2 * c[1], c[1]), Conv(c[1], c[1]))
        self.up1 = Split(c[1], c[0])
        self.right1 = nn.Sequential(Conv(2 * c[0], c[0]), Conv(c[0], c[0]))
        self.last = Split(c[0], STEMS)
        position = torch.linspace(-1, 1, bands.BANDS).view(1, 1, 1, -1)
        self.register_buffer("position", position)
        self.level_frames = LEVEL_FRAMES

    def features(self, power):
        """power (B, T, BANDS) -> (B, 2, T, BANDS): level in bels relative to the surroundings, and position."""
        energy = power.sum(2).unsqueeze(1)                                         # B, 1, T
        ones = torch.ones_like(energy)
        half = self.level_frames
        level = F.avg_pool1d(energy, 2 * half + 1, 1, half) / F.avg_pool1d(ones, 2 * half + 1, 1, half)
        relative = power / (level.squeeze(1).unsqueeze(2) + 1e-20)
        x = torch.log10(relative + 1e-8) * 0.5 + 2.0
        x = x.unsqueeze(1)
        return torch.cat([x, self.position.expand(x.size(0), 1, x.size(2), x.size(3))], 1)

    def forward(self, power):
        """power (B, T, BANDS), T a multiple of STRIDE -> logits (B, STEMS, T, BANDS)."""
        x1 = self.left1(self.first(self.features(power)))
        x2 = self.left2(self.down1(x1))
        x3 = self.bottom(self.down2(x2))
        y = self.right2(torch.cat([self.up2(x3), x2], 1))
        y = self.right1(torch.cat([self.up1(y), x1], 1))
        return self.last(y)


class WaveformNetwork(nn.Module):
    """float[B, C, N] at 48 kHz -> float[B, STEMS, C, N]; one mask for all channels, N >= 1."""

    def __init__(self, net):
        super().__init__()
        self.net = net
        self.size, self.hop, self.stride = bands.SIZE, bands.HOP, STRIDE
        self.register_buffer("window", torch.hann_window(bands.SIZE))
        self.register_buffer("spread", torch.from_numpy(bands.interpolation()))
        gather = torch.zeros(bands.BINS, bands.BANDS)
        e = bands.edges()
        for b in range(bands.BANDS):
            gather[e[b]:e[b + 1], b] = 1
        self.register_buffer("gather", gather)

    def forward(self, x: torch.Tensor) -> torch.Tensor:
        batch, channels, n = x.size(0), x.size(1), x.size(2)
        # Frames are centred on multiples of the hop from SIZE / 2 before the first sample to as much
        # after the last, so that every sample has all its overlapping frames.
        frames = (n + self.size) // self.hop + 2
        frames = (frames + self.stride - 1) // self.stride * self.stride
        after = (frames - 1) * self.hop - n
        flat = F.pad(x.reshape(batch * channels, n), (self.size, after))
        spectrum = torch.fft.rfft(flat.unfold(-1, self.size, self.hop) * self.window)   # B * C, T, BINS
        bins = spectrum.size(2)
        parts = torch.view_as_real(spectrum)
        power = parts.square().sum(-1).view(batch, channels, frames, bins).mean(1)
        mask = torch.softmax(self.net(torch.matmul(power, self.gather)), 1)             # B, S, T, BANDS
        stems = mask.size(1)
        spread = torch.matmul(mask[:, :-1], self.spread).unsqueeze(2)                   # B, S - 1, 1, T, BINS
        shared = spectrum.view(batch, 1, channels, frames, bins) * spread
        pieces = torch.fft.irfft(shared.reshape(-1, frames, bins), self.size) * (self.window / 1.5)
        # Overlap-add in quarters of a frame: squared Hann windows at a quarter hop sum to 1.5.
        pieces = pieces.view(-1, frames, 4, self.hop)
        wave = F.pad(pieces[:, :, 0], (0, 0, 0, 3))
        for k in range(1, 4):
            wave[:, k:k + frames] += pieces[:, :, k]
        wave = wave.view(batch, stems - 1, channels, -1)[:, :, :, self.size:self.size + n]
        # The masks sum to one: the last stem is what the others leave.
        return torch.cat([wave, (x - wave.sum(1)).unsqueeze(1)], 1)
