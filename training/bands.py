"""The transform shared by data, network and loss: STFT at 48 kHz, power in bands.

Single bins at the bottom (11.7 Hz each with 4096 samples, enough for a voice's harmonics), widening to about
3 % of the frequency above 0.6 kHz when there are 192 bands of 4096 samples.
"""
import functools
from dataclasses import dataclass

import numpy as np

RATE = 48000


@dataclass(frozen=True)
class Transform:
    """Frames of `size` samples every `hop` samples, bins summed in `bands` bands. A quarter hop analyses and synthesises with
    a Hann window, half a hop with the root of it, which is half the work."""
    hop: int
    bands: int = 192
    size: int = 4096

    @property
    def bins(self):
        return self.size // 2 + 1

    @property
    def overlap(self):
        return self.size // self.hop

    def window(self):
        hann = 0.5 - 0.5 * np.cos(2 * np.pi * np.arange(self.size) / self.size)
        return (hann if self.overlap == 4 else np.sqrt(hann)).astype(np.float32)

    def synthesis(self):
        """Windows both ways sum to 1 over the overlapping frames."""
        return self.window() / (1.5 if self.overlap == 4 else 1.0)

    def frames(self, seconds):
        """A multiple of 8, the time stride of the networks."""
        return int(seconds * RATE / self.hop / 8 + 0.5) * 8

    def length(self, frames):
        return (frames - 1) * self.hop + self.size

    @functools.lru_cache(maxsize=None)
    def edges(self):
        """int[bands + 1]: the first bin of each band, and one past the last."""
        def layout(growth):
            e = [0]
            while e[-1] < self.bins:
                e.append(e[-1] + max(1, int(round(e[-1] * growth))))
            return e
        low, high = 0.005, 0.2
        for _ in range(60):  # bisection on the growth until there are just as many bands
            middle = (low + high) / 2
            if len(layout(middle)) - 1 > self.bands:
                low = middle
            else:
                high = middle
        e = layout(high)
        e[-1] = self.bins
        while len(e) - 1 < self.bands:  # split the widest band until the count is right
            widest = int(np.argmax(np.diff(e)))
            e.insert(widest + 1, (e[widest] + e[widest + 1]) // 2)
        return np.array(e)

    def interpolation(self):
        """(int64[bins], float32[bins]): spreading band values over the bins linearly, a bin takes the share given of the band
        given and the rest of the next band."""
        e = self.edges()
        centres = (e[:-1] + e[1:] - 1) / 2
        bins = np.arange(self.bins)
        lower = np.clip(np.searchsorted(centres, bins) - 1, 0, self.bands - 2)
        share = 1 - np.clip((bins - centres[lower]) / (centres[lower + 1] - centres[lower]), 0, 1)
        return lower, share.astype(np.float32)


FINE = Transform(1024)
COARSE = Transform(2048)
