"""The network: a U-Net over time and frequency bands whose softmax gives each stem its share.

It sees mid and side (M = (L + R) / 2, S = (L - R) / 2; a mono recording has S = 0): the power of both and
how they belong together, which tells a voice in the middle from wide music. It gives every stem its share of M
and of S apart. The shares sum to one in every cell, so the stems sum to the input. Levels are taken relative to
a local average of 1.5 s on both sides, so the answer depends neither on the level of the recording
nor on anything more than some seconds away: tiles can be joined without seams.

BandNet is what is trained; waveform.py wraps it for use.
"""
import math
from typing import List

import torch
import torch.nn.functional as F
from torch import nn

import bands

STEMS = 4               # dialogue, room, music, ambience; networks for parts have others
INPUTS = 5              # power of M and S, their normalised product (real, imaginary), position
LEVEL_SECONDS = 1.5     # half width of the local level average
DILATIONS = (1, 2, 4, 8, 4, 2, 1)
CHANNELS = (32, 96, 192)


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


# Patches of cells are merged and split with matrix multiplies: on a CPU several times faster
# than strided and transposed convolutions, and the same functions.
class Merge(nn.Module):
    """Patches of `times` frames by `wide` bands become one cell."""

    def __init__(self, c_in: int, c_out: int, times: int = 2, wide: int = 2):
        super().__init__()
        self.times, self.wide = times, wide
        self.linear = nn.Linear(times * wide * c_in, c_out)

    def forward(self, x):
        b, c, t, f = x.size(0), x.size(1), x.size(2), x.size(3)
        p, q = self.times, self.wide
        y = x.permute(0, 2, 3, 1).reshape(b, t // p, p, f // q, q, c).permute(0, 1, 3, 2, 4, 5)
        return self.linear(y.reshape(b, t // p, f // q, p * q * c)).permute(0, 3, 1, 2)


class Split(nn.Module):
    """The way back of Merge."""

    def __init__(self, c_in: int, c_out: int, times: int = 2, wide: int = 2):
        super().__init__()
        self.times, self.wide = times, wide
        self.linear = nn.Linear(c_in, times * wide * c_out)

    def forward(self, x):
        b, t, f = x.size(0), x.size(2), x.size(3)
        p, q = self.times, self.wide
        y = self.linear(x.permute(0, 2, 3, 1)).view(b, t, f, p, q, -1).permute(0, 1, 3, 2, 4, 5)
        return y.reshape(b, p * t, q * f, -1).permute(0, 3, 1, 2)


class AcrossBands(nn.Module):
    """Dense mixing over all bands of one moment: what is voice depends on the whole spectrum. After the idea of Choi, Kim, Chung
    and Jung, "Investigating U-Nets with various intermediate blocks for spectrogram-based singing voice separation" (2020)."""

    def __init__(self, channels: int, width: int, inner: int = 12, hidden: int = 256):
        super().__init__()
        self.down = nn.Linear(channels, inner)
        self.mix = nn.Sequential(nn.Linear(inner * width, hidden), nn.ReLU(inplace=True), nn.Linear(hidden, inner * width))
        self.up = nn.Linear(inner, channels)
        # Without a norm what it adds grows from block to block until the convolutions no longer count beside it.
        self.norm = nn.BatchNorm2d(channels)

    def forward(self, x):
        y = self.down(x.permute(0, 2, 3, 1))               # batch, time, band, inner
        y = self.mix(y.flatten(2)).view_as(y)
        return x + self.norm(self.up(y).permute(0, 3, 1, 2))


class Attend(nn.Module):
    """Every cell of the bottom looks at all bands of the moments around it and takes from those that are like it: a voice is known again
    after a pause. Vaswani et al., "Attention is all you need" (2017), one block without the feed-forward part; what lies how far off in
    time and in frequency counts by learned numbers (Shaw, Uszkoreit and Vaswani, "Self-attention with relative position
    representations", 2018). Nothing is seen beyond `reach` frames of the bottom, so that tiles can be joined."""

    def __init__(self, channels: int, width: int, heads: int = 4, reach: int = 12):
        super().__init__()
        self.heads, self.width, self.reach = heads, width, reach
        self.level = nn.LayerNorm(channels)
        self.asks = nn.Linear(channels, 3 * channels)
        self.gives = nn.Linear(channels, channels)
        nn.init.normal_(self.gives.weight, std=0.003)  # a network that grew answers as before
        nn.init.zeros_(self.gives.bias)
        self.times = nn.Parameter(torch.zeros(heads, 2 * reach + 1))
        self.bands = nn.Parameter(torch.zeros(heads, 2 * width - 1))

    def forward(self, x):
        b, c, t, f = x.size(0), x.size(1), x.size(2), x.size(3)
        tokens = self.level(x.permute(0, 2, 3, 1).reshape(b, t * f, c))
        q, k, v = self.asks(tokens).view(b, t * f, 3, self.heads, c // self.heads).permute(2, 0, 3, 1, 4).unbind(0)
        moment = torch.arange(t, device=x.device).repeat_interleave(f)
        band = torch.arange(f, device=x.device).repeat(t)
        taken: List[torch.Tensor] = []
        for first in range(0, t, 2 * self.reach):   # only what is near enough is compared
            last, begin, end = min(t, first + 2 * self.reach), max(0, first - self.reach), min(t, first + 3 * self.reach)
            q0, q1, k0, k1 = first * f, last * f, begin * f, end * f
            later = moment[k0:k1].unsqueeze(0) - moment[q0:q1].unsqueeze(1)
            place = self.times[:, later.clamp(-self.reach, self.reach) + self.reach]
            place = place + self.bands[:, band[k0:k1].unsqueeze(0) - band[q0:q1].unsqueeze(1) + self.width - 1]
            place = place.masked_fill(later.abs() > self.reach, -1e4)
            alike = torch.matmul(q[:, :, q0:q1], k[:, :, k0:k1].transpose(2, 3)) * float(c // self.heads) ** -0.5 + place
            taken.append(torch.matmul(torch.softmax(alike, 3), v[:, :, k0:k1]))
        found = torch.cat(taken, 2).transpose(1, 2).reshape(b, t * f, c)
        return x + self.gives(found).view(b, t, f, c).permute(0, 3, 1, 2)


class Feed(nn.Module):
    """The other half of an attention block (Vaswani et al., 2017): what was found is worked on in every cell by itself."""

    def __init__(self, channels: int):
        super().__init__()
        self.level = nn.LayerNorm(channels)
        self.widens = nn.Linear(channels, 2 * channels)
        self.gives = nn.Linear(2 * channels, channels)
        nn.init.normal_(self.gives.weight, std=0.003)  # a network that grew answers as before
        nn.init.zeros_(self.gives.bias)

    def forward(self, x):
        y = self.gives(torch.relu(self.widens(self.level(x.permute(0, 2, 3, 1)))))
        return x + y.permute(0, 3, 1, 2)


class BandNet(nn.Module):
    """patches: (frames, bands) merged on the way to each of the three levels; more: further convolutions on every side of the upper two;
    attentive: the bottom ends with so many Attend, each followed by a Feed where there are several."""

    def __init__(self, c=CHANNELS, dilations=DILATIONS, transform=bands.FINE, patches=((2, 2), (2, 2), (2, 2)), more=0, stems=STEMS, attentive=0):
        super().__init__()
        self.transform, self.stems = transform, stems
        self.stride = math.prod(p[0] for p in patches)  # frames merged at the bottom
        width = [transform.bands // math.prod(p[1] for p in patches[:level + 1]) for level in range(3)]

        def side(c_in, c_out, wide, inner, hidden):
            return nn.Sequential(Conv(c_in, c_out), AcrossBands(c_out, wide, inner, hidden), *(Conv(c_out, c_out) for _ in range(1 + more)))

        self.first = Merge(INPUTS, c[0], *patches[0])
        self.left1 = side(c[0], c[0], width[0], 4, 128)
        self.down1 = Merge(c[0], c[1], *patches[1])
        self.left2 = side(c[1], c[1], width[1], 6, 192)
        self.down2 = Merge(c[1], c[2], *patches[2])
        bottom = []
        for i, d in enumerate(dilations):
            bottom.append(Conv(c[2], c[2], d))
            if i % 2 == 1:
                bottom.append(AcrossBands(c[2], width[2]))
        for _ in range(attentive):
            bottom.append(Attend(c[2], width[2]))
            if attentive > 1:
                bottom.append(Feed(c[2]))
        self.bottom = nn.Sequential(*bottom)
        self.up2 = Split(c[2], c[1], *patches[2])
        self.right2 = side(2 * c[1], c[1], width[1], 6, 192)
        self.up1 = Split(c[1], c[0], *patches[1])
        self.right1 = side(2 * c[0], c[0], width[0], 4, 128)
        self.last = Split(c[0], 2 * stems, *patches[0])
        self.register_buffer("position", torch.linspace(-1, 1, transform.bands).view(1, 1, 1, -1))
        self.level_frames = int(LEVEL_SECONDS * bands.RATE / transform.hop)

    def features(self, power, cross):
        """power and cross (B, 2, T, BANDS) -> (B, INPUTS, T, BANDS): levels in bels relative to the surroundings."""
        energy = power.sum(3).sum(1).unsqueeze(1)                                  # B, 1, T
        ones = torch.ones_like(energy)
        half = self.level_frames
        level = F.avg_pool1d(energy, 2 * half + 1, 1, half) / F.avg_pool1d(ones, 2 * half + 1, 1, half)
        relative = power / (level.unsqueeze(3) + 1e-20)
        x = torch.log10(relative + 1e-8) * 0.5 + 2.0
        # A side more than 80 dB below the mid is as good as none: its direction fades out.
        middle, side = power[:, 0:1], power[:, 1:2]
        where = cross / (torch.sqrt(middle * side) + 1e-4 * middle + 1e-12 * level.unsqueeze(3) + 1e-20)
        return torch.cat([x, where, self.position.expand(x.size(0), 1, x.size(2), x.size(3))], 1)

    def forward(self, power, cross):
        """power, cross (B, 2, T, BANDS), T a multiple of stride -> logits (B, stems, 2, T, BANDS) for M and S."""
        x1 = self.left1(self.first(self.features(power, cross)))
        x2 = self.left2(self.down1(x1))
        x3 = self.bottom(self.down2(x2))
        y = self.right2(torch.cat([self.up2(x3), x2], 1))
        y = self.right1(torch.cat([self.up1(y), x1], 1))
        y = self.last(y)
        return y.view(y.size(0), -1, 2, y.size(2), y.size(3))


# What train.py can train. "fine" was the first main network and "coarse" the first quick one; the trials of EXPERIMENTS.md are the rest.
WIDE, SIX = (48, 104, 216), (1, 2, 4, 8, 2, 1)
KINDS = {
    "fine": lambda: BandNet(),
    "coarse": lambda: BandNet((32, 64, 128), (1, 2, 4, 8, 4), bands.COARSE),
    "a": lambda: BandNet(WIDE, (1, 2, 4, 4, 2, 1), bands.COARSE, ((2, 4), (2, 2), (2, 2))),
    "e": lambda: BandNet((72, 144, 256), (1, 2, 4, 4, 2, 1), bands.COARSE, ((2, 4), (2, 2), (2, 2)), 1),
    "f": lambda: BandNet((72, 144, 256), (1, 2, 4, 4, 2, 1), bands.COARSE, ((2, 4), (2, 2), (2, 2)), 1, attentive=1),
    "g": lambda: BandNet((72, 144, 256), (1, 2, 4, 4, 2, 1), bands.COARSE, ((2, 4), (2, 2), (2, 2)), 1, attentive=2),
    "b": lambda: BandNet(WIDE, SIX, bands.COARSE, ((1, 4), (2, 2), (2, 2))),
    "c": lambda: BandNet((40, 104, 216), (1, 2, 4, 4, 2, 1), bands.Transform(2048, 96)),
    "d": lambda: BandNet((40, 104, 216), SIX, bands.Transform(1024, 96, 2048)),
    # What takes a stem further apart (parts.py): music into five, ambience into two.
    "m": lambda: BandNet((72, 144, 256), (1, 2, 4, 4, 2, 1), bands.COARSE, ((2, 4), (2, 2), (2, 2)), 1, 5),
    "s": lambda: BandNet(WIDE, (1, 2, 4, 4, 2, 1), bands.COARSE, ((2, 4), (2, 2), (2, 2)), stems=2),
}
