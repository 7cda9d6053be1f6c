"""Training mixtures, made on the fly from stems that are transformed once.

Voices (with their rooms), pieces of music and places, 8 s long each, wait in three pools as spectra of mid and side, in half
precision. A clip is any voice with any music and any place, each at a stretch, level and equaliser of its own, so that no two clips
are alike and a clip costs some hundredths of a second: the STFT is linear. A stem is used for about USES clips.

A batch holds, per clip, mid/side channel, stem and (frame, band) cell, what a band-wise real mask needs to know:
  xx  sum over the band's bins of |X|^2           (mixture power)
  xs  sum of Re(conj(X) S)                         (how much of the stem is in phase with the mixture)
  ss  sum of |S|^2                                 (stem power)
so that the error energy of a mask m is ss - 2 m xs + m^2 xx, exactly for a mask constant in the band;
and  cross  sum of M conj(S), real and imaginary: where in the stereo picture the cell is.
ss has one more row than xs: the whole voice, dialogue and room together.
"""
import numpy as np
from scipy.fft import rfft

import bands
from products import products
from varied import VariedStems

STEMS = ("dialogue", "room", "music", "ambience")
SECONDS, SHORT_SECONDS, STEM_SECONDS = 3.93, 2.05, 8.0
POOL, USES = 128, 16                            # stems of a kind at hand; clips that one is used for, on average
ALONE, ABSENT = 0.12, (0.06, 0.3, 0.15)         # share of clips with one stem only; of the others, without voice, music, ambience
LEVELS = (-18, 5), (0, 11)                      # dB of music and of ambience against the voice: usual, and of both in LOUD of the clips, where the voice is faint
LOUD, WORN = 0.2, 0.06                          # ... and a telephone's or an old tape's both ends are missing
BESIDE = -14, 6                                 # dB of music or of ambience where the voice has no other company: nothing masks what is wrong


def spectrum(waves, transform):
    """float32[2, n], mid and side, as two float16[frames, 2, bins] (real, imaginary); None for a silent channel."""
    def plane(x):
        if not x.any():
            return None
        z = rfft(np.lib.stride_tricks.sliding_window_view(x, transform.size)[::transform.hop] * transform.window(), axis=1)
        return np.stack([z.real, z.imag], 1).astype(np.float16)
    return [plane(np.asarray(c, np.float32)) for c in waves]


class Mixer:
    SILENT = 0.2   # of the clips begin late, end early or pause in silence: beside it a network that never met it loses its way

    def __init__(self, split, seed, transform=bands.FINE):
        self.transform = transform
        self.frames, self.stem_frames = transform.frames(SECONDS), transform.frames(STEM_SECONDS)  # frames may be changed
        self.rng = np.random.default_rng(seed)
        self.stems = VariedStems(split, self.rng)
        self.hz = np.arange(transform.bins) * bands.RATE / transform.size
        self.octave = np.log2(np.maximum(self.hz, bands.RATE / transform.size) / 1000).astype(np.float32)  # from 1 kHz
        self.pools = {self.voice: [], self.song: [], self.surroundings: []}

    def voice(self, n):
        """([dialogue, room, noise of the recording], Hz where the voice ends)."""
        *parts, width = self.stems.voice(n)
        while np.abs(parts[0]).max() < 1e-3:  # nothing but pauses
            *parts, width = self.stems.voice(n)
        return parts, width

    def song(self, n):
        return [self.stems.song(n)], 0.0

    def surroundings(self, n):
        return [self.stems.surroundings(n)], 0.0

    def draw(self, make):
        """(spectra of the stems of one source, bandwidth in Hz), fresh or used before."""
        pool, rng = self.pools[make], self.rng
        full = len(pool) == POOL
        if pool and rng.random() > (1 / USES if full else 0.4):  # the pool fills within the first hundreds of clips
            return pool[rng.integers(len(pool))]
        waves, width = make(self.transform.length(self.stem_frames))
        drawn = [spectrum(w, self.transform) for w in waves], width
        if full:
            pool[rng.integers(POOL)] = drawn
        else:
            pool.append(drawn)
        return drawn

    def bells(self, count, spread, widest=1.5, narrowest=0.3):
        rng, db = self.rng, 0
        for _ in range(count):
            db = db + rng.normal(0, spread) * np.exp(-0.5 * ((self.octave - rng.uniform(-3.5, 4)) / rng.uniform(narrowest, widest)) ** 2)
        return db

    def equaliser(self):
        """float32[bins]: a gentle random tilt and two random bells, as gains."""
        db = self.rng.normal(0, 1.5) * self.octave + self.bells(2, 3.5)
        return (10 ** (np.clip(db, -18, 18) / 20)).astype(np.float32)

    def microphone(self):
        """float32[bins]: how a voice was recorded. Tilt, bells up to 12 dB, resonances, nearness, what cuts off the bottom and the top."""
        rng = self.rng
        db = rng.normal(0, 1.7) * self.octave + np.clip(self.bells(3, 4.5), -12, 12)
        if rng.random() < 0.2:
            db = db + np.abs(self.bells(int(rng.integers(1, 4)), 7, 0.25, 0.08))
        if rng.random() < 0.25:  # near a directional microphone
            db = db + rng.uniform(2, 10) / (1 + (self.hz / rng.uniform(120, 300)) ** 2)
        if rng.random() < 0.35:
            db = db - 10 * np.log10(1 + (rng.uniform(60, 350) / np.maximum(self.hz, 5)) ** (2 * rng.integers(1, 5)))
        if rng.random() < 0.2:
            db = db - 10 * np.log10(1 + (self.hz / rng.uniform(2500, 10000)) ** (2 * rng.integers(1, 5)))
        heard = (self.hz > 150) & (self.hz < 3000)
        return (10 ** (np.clip(db - np.mean(db[heard]), -40, 20) / 20)).astype(np.float32)

    def limits(self, width):
        """bool[bins]: what the whole mixture has. Much of the speech ends at 8 kHz; usually the whole mixture then
        ends there too, so that nothing can be learned from a voice being absent above."""
        rng = self.rng
        low, high = 0.0, bands.RATE / 2
        if rng.random() < WORN:
            return (self.hz >= rng.uniform(80, 350)) & (self.hz <= rng.uniform(3300, 8000))
        if 0 < width < 15000 and rng.random() < 0.8:
            high = width
        elif rng.random() < 0.12:
            high = rng.uniform(3400, 16000)
        elif rng.random() < 0.3:  # recorded at 44.1 kHz, coded, brought to another rate: the top is empty
            high = rng.uniform(15500, 23500)
        if rng.random() < 0.1:  # a telephone or a small loudspeaker: nothing below either
            low = rng.uniform(80, 400)
        return (self.hz >= low) & (self.hz <= high)

    def cell_gains(self, xx):
        """Power gains [frames, bands] or None for what happens to a whole mixture: levelling, a lossy codec's gaps."""
        rng, gain = self.rng, None
        if rng.random() < 0.12:  # levelled: the gain follows the mixture's slow level
            level = np.sqrt(xx[0].sum(1)) + 1e-3
            half = 12 * bands.FINE.hop // self.transform.hop  # 0.25 s
            level = np.convolve(np.pad(level, half, mode="edge"), np.ones(2 * half + 1) / (2 * half + 1), "valid")
            gain = ((level / level.mean()) ** (-2 * rng.uniform(0.2, 0.7))).astype(np.float32)[:, None]
        if rng.random() < 0.1:  # coded at a low rate: weak high bands fall out
            power = xx.sum(0)
            keep = power >= power.max(axis=1, keepdims=True) * 10 ** (-rng.uniform(4, 6))
            keep[:, :self.transform.bands // 2] = True
            gain = keep.astype(np.float32) * (1 if gain is None else gain)
        return gain

    def gains(self, bandwidth):
        """float32[2, 4, bins]: gain of each stem in mid and side."""
        rng = self.rng
        if rng.random() < ALONE:
            present = np.arange(3) == rng.integers(3)
        else:
            present = rng.random(3) > ABSENT
        limits = self.limits(bandwidth if present[0] else 0)
        levels = LEVELS[1] if rng.random() < LOUD else LEVELS[0] if present.all() else BESIDE
        g = np.zeros((2, 4, self.transform.bins), np.float32)
        for stems, there, voice in (((0, 1), present[0], True), ((2,), present[1], False), ((3,), present[2], False)):
            if there:
                level = 1.0 if voice else 10 ** (rng.uniform(*levels) / 20)
                gain = level * (1 if rng.random() < 0.25 else self.microphone() if voice else self.equaliser()) * limits
                swap = rng.choice([-1, 1])  # left and right
                for s in stems:
                    g[0, s], g[1, s] = gain, gain * swap
        if rng.random() < 0.35:
            g[1] = 0  # a mono recording
        return g

    def with_noise(self, around, gains, noise, of_voice):
        """The spectra of the ambience with the noise of the voice's recording, all gains done."""
        both = []
        for c in range(2):
            parts = [plane.astype(np.float32) * gain[c] for plane, gain in ((around[c], gains), (noise[c], of_voice)) if plane is not None]
            both.append(np.clip(sum(parts), -6e4, 6e4).astype(np.float16) if parts else None)
        return both

    def silence(self):
        """Power gains [frames, 1] or None: a clip that begins late, ends early or pauses, at once or over a third of a second, down to nothing or nearly."""
        rng, t = self.rng, np.arange(self.frames)
        if rng.random() > self.SILENT:
            return None
        first, last = np.sort(rng.uniform(0, self.frames, 2))
        which = rng.integers(3)
        inside = (t < first) | (t > first + min(last - first, 0.5 * self.frames)) if which == 0 else t > 0.7 * first if which == 1 else t < self.frames - 0.7 * first
        ramp = np.ones(int(rng.integers(1, 9)))
        open_ = np.convolve(np.pad(inside.astype(np.float64), len(ramp), mode="edge"), ramp / len(ramp), "same")[len(ramp):-len(ramp)]
        low = 0 if rng.random() < 0.5 else 10 ** rng.uniform(-9, -5)
        return np.maximum(open_ ** 2, low).astype(np.float32)[:, None]

    def ingredients(self):
        """(spectra of the four stems as products() takes them, their gains) of a new clip."""
        z, width = [], 0.0
        for make in self.pools:
            spectra, ends = self.draw(make)
            width = max(width, ends)
            at = self.rng.integers(self.stem_frames - self.frames + 1)
            z += [[None if plane is None else plane[at:at + self.frames] for plane in stem] for stem in spectra]
        gains = self.gains(width)
        noise = z.pop(2)
        if gains[0, 0].any() and noise[0] is not None:
            z[3], gains[:, 3] = self.with_noise(z[3], gains[:, 3], noise, gains[:, 0]), 1
        return z, gains

    def clip(self):
        """xx [2, frames, bands], cross [2, frames, bands], xs [4, 2, frames, bands], ss [5, 2, frames, bands], float32."""
        z, gains = self.ingredients()
        sums = products(z, gains, self.transform)
        for cells in (self.cell_gains(sums[0]), self.silence()):
            if cells is not None:
                for a in sums:
                    a *= cells
        return sums

    def batch(self, size):
        return [np.stack(a) for a in zip(*(self.clip() for _ in range(size)))]
