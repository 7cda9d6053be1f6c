"""How the program hears a recording at another speed: with a network's frames longer or shorter, and nothing converted
(src/core/separation/BandTransform.cpp does the same).

A frame of 5120 samples at 48 kHz has the bins that one of 4096 has at 38.4 kHz, so the network takes what it is given for a
recording played faster. Bins above the network's last keep the share of its last band; it is not given what lies in them.
"""
import numpy as np
import torch

import bands

CONTEXT, GRID = 262144, 16384  # samples at the network's own speed, as in the cards (export.py)
CHUNK = 64  # frames


def fast_to_transform(size):
    """Whether an even size has no prime factor above 7."""
    for prime in (2, 3, 5, 7):
        while size % prime == 0:
            size //= prime
    return size == 1


def frame_size(rate, size=4096):
    """The even size nearest to what makes a recording at 48 kHz sound as at this rate, among those that are fast to transform."""
    wanted = size * bands.RATE / rate
    return min((n for n in range(2, 4 * size, 2) if fast_to_transform(n)), key=lambda n: abs(n - wanted))


class Hearing:
    """A network (waveform.Separator or as TorchScript) at a rate: float32[C, n] at 48 kHz -> float32[stems, C, n]."""

    def __init__(self, network, rate):
        if network.hop * 2 != network.size:
            raise ValueError("only frames that overlap by half are stretched")
        self.network = network
        self.net = torch.jit.freeze(network.net.eval()) if isinstance(network, torch.jit.ScriptModule) else network.net
        self.size = frame_size(rate, network.size)
        self.hop = self.size // 2
        root = np.sqrt(0.5 - 0.5 * np.cos(2 * np.pi * np.arange(self.size) / self.size)).astype(np.float32)
        # A recording that was really converted would have shorter frames, of smaller sums.
        self.window = torch.from_numpy(root) * (network.size / self.size)
        self.synthesis = torch.from_numpy(root) * (self.size / network.size)
        self.known = min(network.size, self.size) // 2 + 1
        gather = torch.zeros(network.bins, network.bands).scatter_(1, network.band_of_bin, 1.0)[:self.known]
        spread = torch.zeros(network.bands, network.bins).scatter_(0, network.lower_band, network.lower_share)
        spread = spread.scatter_(0, network.lower_band + 1, 1 - network.lower_share)[:, :self.known]
        above = torch.zeros(network.bands, self.size // 2 + 1 - self.known)
        above[-1] = 1
        self.gather, self.spread = gather, torch.cat([spread, above], 1)

    def __call__(self, x):
        """What goes beyond the recording's ends is its mirror image."""
        n, stretch = x.shape[-1], self.size / self.network.size
        grid, context = round(GRID * stretch), int(np.ceil(CONTEXT * stretch))
        before, after = min(context, n - 1) // grid * grid, min(context, n - 1)
        with torch.no_grad():
            return self.separated(np.pad(x, ((0, 0), (before, after)), mode="reflect"))[..., before:before + n]

    def separated(self, x):
        channels, n = x.shape
        stride = self.network.stride
        frames = -(-((n + self.size) // self.hop + 2) // stride) * stride
        turned = np.stack([(x[0] + x[1]) * 0.5, (x[0] - x[1]) * 0.5]) if channels == 2 else x
        padded = torch.from_numpy(np.pad(turned, ((0, 0), (self.size, (frames - 1) * self.hop - n))).astype(np.float32))
        framed = padded.unfold(-1, self.size, self.hop)
        power, cross = torch.zeros(1, 2, frames, self.network.bands), torch.zeros(1, 2, frames, self.network.bands)
        spectra = []
        for t in range(0, frames, CHUNK):
            spectrum = torch.fft.rfft(framed[:, t:t + CHUNK] * self.window)
            power[0, :channels, t:t + CHUNK], cross[0, :, t:t + CHUNK] = self.cells(spectrum[..., :self.known])
            spectra.append(spectrum)
        mask = torch.softmax(self.net(power, cross), 1)[0, :-1, :channels]
        wave = torch.zeros(len(mask), channels, (frames + 1) * self.hop)
        for k, spectrum in enumerate(spectra):
            t = k * CHUNK
            pieces = torch.fft.irfft(spectrum * (mask[:, :, t:t + CHUNK] @ self.spread), self.size) * self.synthesis
            count = spectrum.shape[1]
            pieces = pieces.unflatten(-1, (2, self.hop))
            for half in range(2):
                wave[..., (t + half) * self.hop:(t + half + count) * self.hop] += pieces[..., half, :].flatten(-2)
        wave = wave[..., self.size:self.size + n].numpy()
        if channels == 2:
            wave = np.stack([wave[:, 0] + wave[:, 1], wave[:, 0] - wave[:, 1]], 1)
        return np.concatenate([wave, (x - wave.sum(0))[None]]).astype(np.float32)

    def cells(self, spectrum):
        """As waveform.Separator.cells()."""
        power = spectrum.abs().square() @ self.gather
        kept = (power[..., 2:3] / (power[..., :2] + 1e-20)).clamp_max(1.0)
        power[..., :2] *= kept
        if len(spectrum) == 1:
            return power, torch.zeros(2, *power.shape[1:])
        both = torch.view_as_real(spectrum[0] * spectrum[1].conj()).permute(2, 0, 1)
        cross = both @ self.gather
        cross[..., :2] *= torch.sqrt(kept[:1] * kept[1:])
        return power, cross
