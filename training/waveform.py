"""A trained BandNet as a network that takes and gives sound (the interface of docs/formats.md)."""
from typing import List, Tuple

import numpy as np
import torch
import torch.nn.functional as F
from torch import nn


CHUNK = 64  # frames


class Separator(nn.Module):
    """float[B, C, N] at 48 kHz, C 1 or 2 -> float[B, stems, C, N]; any N >= 1."""

    def __init__(self, net):
        super().__init__()
        self.net = net
        self.band_masks = 1  # the program may do in its own code what forward() does around net (docs/formats.md)
        transform = net.transform
        self.size, self.hop, self.stride = transform.size, transform.hop, net.stride
        self.overlap = transform.overlap
        self.bins, self.bands = transform.bins, transform.bands
        self.chunk = CHUNK
        self.register_buffer("window", torch.from_numpy(transform.window()))
        self.register_buffer("synthesis", torch.from_numpy(transform.synthesis()).float())
        # The two matrices between bins and bands are made when the network runs: they would be half of its file.
        lower, share = transform.interpolation()
        self.register_buffer("band_of_bin", torch.from_numpy(np.repeat(np.arange(transform.bands), np.diff(transform.edges()))).unsqueeze(1))
        self.register_buffer("lower_band", torch.from_numpy(lower).unsqueeze(0))
        self.register_buffer("lower_share", torch.from_numpy(share).unsqueeze(0))

        # Each block of bins touches few bands: in blocks the products cost an eighth of what whole matrices do.
        edges = transform.edges()
        band_cuts = [int(np.argmin(np.abs(edges - b))) for b in (0, *(transform.bins // k for k in (16, 8, 4, 2)), transform.bins)]
        self.band_cuts: List[int] = band_cuts
        self.bin_cuts: List[int] = [int(edges[b]) for b in band_cuts]
        self.first_bands: List[int] = [int(lower[b]) for b in self.bin_cuts[:-1]]
        self.last_bands: List[int] = [int(lower[b - 1]) + 2 for b in self.bin_cuts[1:]]

    def gathering(self) -> List[torch.Tensor]:
        whole = torch.zeros(self.bins, self.bands).scatter_(1, self.band_of_bin, 1.0)
        return [whole[self.bin_cuts[k]:self.bin_cuts[k + 1], self.band_cuts[k]:self.band_cuts[k + 1]].contiguous()
                for k in range(len(self.first_bands))]

    def spreading(self) -> List[torch.Tensor]:
        whole = torch.zeros(self.bands, self.bins).scatter_(0, self.lower_band, self.lower_share)
        whole = whole.scatter_(0, self.lower_band + 1, 1 - self.lower_share)
        return [whole[self.first_bands[k]:self.last_bands[k], self.bin_cuts[k]:self.bin_cuts[k + 1]].contiguous()
                for k in range(len(self.first_bands))]

    def gathered(self, x: torch.Tensor, gather: List[torch.Tensor]) -> torch.Tensor:
        """(..., BINS) summed over bands: (..., BANDS)."""
        return torch.cat([torch.matmul(x[..., self.bin_cuts[k]:self.bin_cuts[k + 1]], gather[k]) for k in range(len(gather))], -1)

    def spread(self, x: torch.Tensor, spread: List[torch.Tensor]) -> torch.Tensor:
        """(..., BANDS) interpolated to (..., BINS)."""
        return torch.cat([torch.matmul(x[..., self.first_bands[k]:self.last_bands[k]], spread[k]) for k in range(len(spread))], -1)

    def frames_for(self, n: int) -> int:
        # Frames are centred on multiples of the hop from SIZE / 2 before the first sample to as much
        # after the last, so that every sample has all its overlapping frames.
        frames = (n + self.size) // self.hop + 2
        return (frames + self.stride - 1) // self.stride * self.stride

    def cells(self, spectrum: torch.Tensor, gather: List[torch.Tensor]) -> Tuple[torch.Tensor, torch.Tensor]:
        """Spectra (B, C, T, BINS) -> power of M and S and their product in bands: two float (B, 2, T, BANDS)."""
        parts = torch.view_as_real(spectrum).square()
        power = self.gathered(parts[..., 0] + parts[..., 1], gather)
        # An offset is no sound: the two bands that it reaches never count for more than the one above them.
        kept = (power[..., 2:3] / (power[..., :2] + 1e-20)).clamp_max(1.0)
        power[..., :2] *= kept
        if spectrum.size(1) == 1:
            return torch.cat([power, torch.zeros_like(power)], 1), torch.zeros_like(power).expand(-1, 2, -1, -1)
        both = torch.view_as_real(spectrum[:, 0] * spectrum[:, 1].conj()).permute(0, 3, 1, 2)
        cross = self.gathered(both, gather)
        cross[..., :2] *= torch.sqrt(kept[:, :1] * kept[:, 1:])
        return power, cross

    def forward(self, x: torch.Tensor) -> torch.Tensor:
        batch, channels, n = x.size(0), x.size(1), x.size(2)
        turned = x
        if channels == 2:
            turned = torch.stack([(x[:, 0] + x[:, 1]) * 0.5, (x[:, 0] - x[:, 1]) * 0.5], 1)
        frames = self.frames_for(n)
        padded = F.pad(turned, (self.size, (frames - 1) * self.hop - n)).unfold(-1, self.size, self.hop)
        # In pieces of CHUNK frames, which stay in the processor's cache: a third faster than in one.
        gather, spread = self.gathering(), self.spreading()
        spectra: List[torch.Tensor] = []
        powers: List[torch.Tensor] = []
        crosses: List[torch.Tensor] = []
        for t in range(0, frames, self.chunk):
            spectrum = torch.fft.rfft(padded[:, :, t:t + self.chunk] * self.window)
            power, cross = self.cells(spectrum, gather)
            spectra.append(spectrum)
            powers.append(power)
            crosses.append(cross)
        mask = torch.softmax(self.net(torch.cat(powers, 2), torch.cat(crosses, 2)), 1)
        mask = mask[:, :-1, :channels]
        stems = mask.size(1)
        wave = torch.zeros(batch, stems, channels, frames + self.overlap - 1, self.hop)
        t = 0
        for spectrum in spectra:
            count = spectrum.size(2)
            share = self.spread(mask[:, :, :, t:t + count], spread)
            piece = torch.fft.irfft(spectrum.unsqueeze(1) * share, self.size).mul_(self.synthesis)
            # Overlap-add in parts of a hop: the squared windows sum to one.
            piece = piece.view(batch, stems, channels, count, self.overlap, self.hop)
            for k in range(self.overlap):
                wave[:, :, :, t + k:t + k + count] += piece[:, :, :, :, k]
            t += count
        wave = wave.flatten(3)[:, :, :, self.size:self.size + n]
        out = torch.empty(batch, stems + 1, channels, n)
        if channels == 2:
            out[:, :-1, 0] = wave[:, :, 0] + wave[:, :, 1]
            out[:, :-1, 1] = wave[:, :, 0] - wave[:, :, 1]
        else:
            out[:, :-1] = wave
        # The masks sum to one: the last stem is what the others leave.
        out[:, -1] = x
        for s in range(stems):
            out[:, -1] -= out[:, s]
        return out


class WaveformNetwork(Separator):
    """A Separator of recordings, which can learn a scene (docs/formats.md, "Learning")."""

    @torch.jit.export
    def lesson(self, parts: torch.Tensor) -> torch.Tensor:
        """parts: float[B, 3, C, N], true dialogue (with its room), music and ambience -> how far the answer to their sum is from them:
        what train.loss_of asks of whole stems, without the voice's room apart."""
        channels, n = parts.size(2), parts.size(3)
        turned = parts
        if channels == 2:
            turned = torch.stack([(parts[:, :, 0] + parts[:, :, 1]) * 0.5, (parts[:, :, 0] - parts[:, :, 1]) * 0.5], 2)
        frames = self.frames_for(n)
        # Beyond its ends a lesson goes on as its mirror image, as a recording does: silence there is not what is to be learned.
        after = (frames - 1) * self.hop - n
        edges = F.pad(turned.flatten(0, 1), (self.size, after), "reflect") if n > max(self.size, after) else F.pad(turned.flatten(0, 1), (self.size, after))
        padded = edges.unflatten(0, (parts.size(0), 3)).unfold(-1, self.size, self.hop)
        gather = self.gathering()
        powers: List[torch.Tensor] = []
        crosses: List[torch.Tensor] = []
        alikes: List[torch.Tensor] = []
        owns: List[torch.Tensor] = []
        for t in range(0, frames, self.chunk):
            spectra = torch.fft.rfft(padded[:, :, :, t:t + self.chunk] * self.window)
            whole = spectra.sum(1)
            power, cross = self.cells(whole, gather)
            powers.append(power)
            crosses.append(cross)
            parted, both = torch.view_as_real(spectra), torch.view_as_real(whole).unsqueeze(1)
            alikes.append(self.gathered((parted * both).sum(-1), gather))
            owns.append(self.gathered(parted.square().sum(-1), gather))
        xx, xs, ss = torch.cat(powers, 2), torch.cat(alikes, 3), torch.cat(owns, 3)
        m = torch.softmax(self.net(xx, torch.cat(crosses, 2)), 1)
        m = torch.stack([m[:, 0] + m[:, 1], m[:, 2], m[:, 3]], 1)[:, :, :channels]
        xx = xx[:, :channels].unsqueeze(1)
        scale = xx.mean((2, 3, 4), keepdim=True) + 1e-9
        magnitude = (torch.sqrt(torch.sqrt(m * m * xx / scale + 1e-4)) - torch.sqrt(torch.sqrt(ss / scale + 1e-4))).abs().mean((3, 4)).mean(2)
        answer, own, total = (m * m * xx).sum((2, 3, 4)), ss.sum((2, 3, 4)), xx.sum((2, 3, 4)) + 1e-9
        hit = (m * xs).sum((2, 3, 4))
        energy = torch.log10((own - 2 * hit + answer).clamp_min(0) / (own + 0.02 * total) + 0.01)
        like = (hit.clamp_min(0).square() / (answer * own + 1e-20)).clamp_max(1)  # the lowest bands count for less in the features' power
        there = (own > 0.003 * total).to(like.dtype)
        missed = torch.log10((1 - like + 0.003) / (like + 0.003)) * there
        weight = torch.tensor([0.5, 0.2, 0.3], device=m.device)
        return (weight * (4.0 * magnitude + 1.2 * (0.4 * energy + 0.6 * missed))).sum(1).mean()
