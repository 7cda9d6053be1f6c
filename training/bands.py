"""The transform shared by data, network and loss: STFT of 4096 samples at 48 kHz, power in 192 bands.

Single bins at the bottom (11.7 Hz each, enough for a voice's harmonics), widening to about
3 % of the frequency above 0.6 kHz.
"""
from dataclasses import dataclass

import numpy as np

SIZE, RATE = 4096, 48000
BINS = SIZE // 2 + 1
BANDS = 192


def edges():
    """int[BANDS + 1]: the first bin of each band, and one past the last."""
    def layout(growth):
        e = [0]
        while e[-1] < BINS:
            e.append(e[-1] + max(1, int(round(e[-1] * growth))))
        return e
    low, high = 0.005, 0.1
    for _ in range(60):  # bisection on the growth until there are just BANDS bands
        middle = (low + high) / 2
        if len(layout(middle)) - 1 > BANDS:
            low = middle
        else:
            high = middle
    e = layout(high)
    e[-1] = BINS
    while len(e) - 1 < BANDS:  # split the widest band until the count is right
        widest = int(np.argmax(np.diff(e)))
        e.insert(widest + 1, (e[widest] + e[widest + 1]) // 2)
    return np.array(e)


def gathering():
    """float32[BINS, BANDS]: sums bins over each band."""
    e = edges()
    matrix = np.zeros((BINS, BANDS), np.float32)
    for b in range(BANDS):
        matrix[e[b]:e[b + 1], b] = 1
    return matrix


def interpolation():
    """(int64[BINS], float32[BINS]): spreading band values over the bins linearly, a bin takes the share given of the band given
    and the rest of the next band."""
    e = edges()
    centres = (e[:-1] + e[1:] - 1) / 2
    bins = np.arange(BINS)
    lower = np.clip(np.searchsorted(centres, bins) - 1, 0, BANDS - 2)
    share = 1 - np.clip((bins - centres[lower]) / (centres[lower + 1] - centres[lower]), 0, 1)
    return lower, share.astype(np.float32)


@dataclass(frozen=True)
class Transform:
    """Frames of SIZE samples every hop samples. The main networks analyse and synthesise with a Hann window at a quarter
    hop; the quick one with the root of it at half a hop, which is half the work."""
    hop: int

    @property
    def overlap(self):
        return SIZE // self.hop

    def window(self):
        hann = 0.5 - 0.5 * np.cos(2 * np.pi * np.arange(SIZE) / SIZE)
        return (hann if self.overlap == 4 else np.sqrt(hann)).astype(np.float32)

    def synthesis(self):
        """Windows both ways sum to 1 over the overlapping frames."""
        return self.window() / (1.5 if self.overlap == 4 else 1.0)

    def frames(self, seconds):
        """A multiple of 8, the time stride of the networks."""
        return int(seconds * RATE / self.hop / 8 + 0.5) * 8

    def length(self, frames):
        return (frames - 1) * self.hop + SIZE


FINE = Transform(1024)
COARSE = Transform(2048)
