"""Plucked strings by calculation: guitars and basses of any make, where the soundfonts at hand have a few each.

A string is a loop of delay and loss, begun with a short noise (Karplus and Strong, "Digital synthesis of plucked-string and drum timbres", 1983),
with the fraction of a sample, where it is plucked, how hard, how it is damped (Jaffe and Smith, "Extensions of the Karplus-Strong plucked-string
algorithm", 1983). A body's resonances or a pickup follow. The ranges are common practice, without a source.
"""
import numpy as np
from scipy.signal import butter, iirpeak, lfilter, sosfilt

import paths

VARIANTS = 3        # of a pitch within a piece: no pluck is like the other, and few need to be calculated
RELEASE = 0.05      # s


class Instrument:
    """One guitar or bass: drawn once for a piece."""

    def __init__(self, rng, bass=False):
        self.rng = rng
        self.electric = bass or rng.random() < 0.65
        self.where = rng.uniform(0.06, 0.45)                                # plucked at this part of the string
        self.bright = rng.uniform(0.05, 0.35) if bass else rng.uniform(0.02, 0.25)   # of the loop's mean of two samples: how fast the treble goes
        self.holds = rng.uniform(1.5, 6) if bass or self.electric else rng.uniform(0.8, 4)   # s to -60 dB at 110 Hz
        self.soft = 10 ** (rng.uniform(2.7, 3.5) if bass else rng.uniform(3.2, 4.0))         # Hz: the pluck's own treble
        self.muted = rng.random() < 0.2                                     # by the palm
        self.detuned = rng.normal(0, 4)                                     # cents
        self.octave = not bass and rng.random() < 0.06                      # a second course, as of twelve strings
        self.filters = self.pickup() if self.electric else self.body()
        self.kept = {}

    def pickup(self):
        """Where along the string it hears, and its resonance."""
        rng = self.rng
        self.hears = rng.uniform(0.05, 0.3)
        return [(1.0, iirpeak(rng.uniform(1500, 5000), rng.uniform(0.7, 3), fs=paths.RATE), butter(2, rng.uniform(3500, 9000), fs=paths.RATE, output="sos"))]

    def body(self):
        rng = self.rng
        self.hears = 0
        peaks = [rng.uniform(85, 125), rng.uniform(170, 260), *10 ** rng.uniform(2.4, 3.5, int(rng.integers(3, 9)))]
        return [(10 ** (rng.uniform(-8, 6) / 20), iirpeak(f, rng.uniform(2, 15), fs=paths.RATE), None) for f in peaks]

    def string(self, pitch, n):
        """float32[n]: one pluck at full force, not damped."""
        rng = self.rng
        hz = 440 * 2 ** ((pitch - 69 + (self.detuned + rng.normal(0, 3)) / 100) / 12)
        period = paths.RATE / hz
        loss = self.bright * rng.uniform(0.8, 1.2)
        whole = int(period - loss - 0.5)
        fraction = period - loss - whole
        seconds = (self.holds if not self.muted else rng.uniform(0.12, 0.4)) * (110 / hz) ** 0.3
        gain = 10 ** (-3 / (hz * seconds))
        taps = gain * np.convolve((1 - loss, loss), np.array([1 - fraction, fraction]) if fraction < 1 else np.array([0, 2 - fraction, fraction - 1]))
        pluck = lfilter(*butter(1, min(self.soft * rng.uniform(0.7, 1.4), 20000), fs=paths.RATE), rng.uniform(-1, 1, whole))
        at = max(1, int(self.where * rng.uniform(0.85, 1.15) * whole))
        pluck = pluck - np.roll(pluck, at)
        y = np.zeros(n + whole)
        y[:min(whole, n)] = pluck[:n]
        block = whole - len(taps)   # what comes back within a block has been calculated
        for first in range(whole, n, block):
            last = min(first + block, n)
            for k, tap in enumerate(taps):
                begin = first - whole - k
                y[first:last] += tap * (y[begin:begin + last - first] if begin >= 0 else np.pad(y[:begin + last - first], (-begin, 0)))
        y = y[:n]
        if self.hears:
            back = max(1, int(self.hears * period))
            y = y - 0.9 * np.pad(y, (back, 0))[:n]
        return y.astype(np.float32)

    def note(self, pitch, n):
        which = (pitch, int(self.rng.integers(VARIANTS)))
        if which not in self.kept or len(self.kept[which]) < n:
            self.kept[which] = self.string(pitch, max(n, int(1.5 * paths.RATE)))
        return self.kept[which][:n]

    def play(self, notes, seconds):
        """float32[2, n] of notes (seconds, length, MIDI pitch, force)."""
        out = np.zeros(int(seconds * paths.RATE), np.float32)
        fade = np.exp(-np.arange(int(4 * RELEASE * paths.RATE)) / (RELEASE * paths.RATE)).astype(np.float32)
        for begin, length, pitch, force in notes:
            at, held = int(begin * paths.RATE), max(int(length * paths.RATE), 480)
            n = min(held + len(fade), len(out) - at)
            if n < 480 or not 20 <= pitch <= 100:
                continue
            x = self.note(int(pitch), n).copy()
            if self.octave:
                x += 0.6 * self.note(int(pitch) + 12, n)
            if n > held:
                x[held:] *= fade[:n - held]
            out[at:at + n] += x * np.float32((force / 100) ** 1.5)
        y = out if self.electric else 0.4 * out
        for gain, peak, above in self.filters:
            y = y + np.float32(gain) * lfilter(*peak, out).astype(np.float32)
            if above is not None:
                y = sosfilt(above, y).astype(np.float32)
        return np.stack([y, y]).astype(np.float32)
