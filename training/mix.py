"""Training mixtures, made on the fly in the STFT domain (the transform is linear).

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
from stems import Stems

STEMS = ("dialogue", "room", "music", "ambience")
SECONDS = 3.93                                  # per clip
EDGES = bands.edges()
BIN_HZ = bands.RATE / bands.SIZE
LOG_F = np.log2(np.maximum(np.arange(bands.BINS), 1) * BIN_HZ / 1000).astype(np.float32)
POOL, REUSE = 48, 3                             # a transformed stem is used about REUSE times, in other company


def gather(x):
    return np.add.reduceat(x, EDGES[:-1], axis=-1)


class Mixer:
    def __init__(self, split, seed, transform=bands.FINE):
        self.transform = transform
        self.frames = transform.frames(SECONDS)
        self.length = transform.length(self.frames)
        self.window = transform.window()
        self.rng = np.random.default_rng(seed)
        self.stems = Stems(split, self.rng)
        self.pools = {"voice": [], "music": [], "ambience": []}

    def spectra(self, x):
        """float32[2, length] -> complex64[2, frames, BINS]; an empty side is not transformed."""
        out = np.zeros((2, self.frames, bands.BINS), np.complex64)
        for c in range(2):
            if x[c].any():
                frames = np.lib.stride_tricks.sliding_window_view(x[c], bands.SIZE)[::self.transform.hop]
                out[c] = rfft(frames * self.window, axis=1)
        return out

    def draw(self, kind):
        """(spectra [k, 2, frames, BINS], bandwidth) of a stem, fresh or used before."""
        pool, rng = self.pools[kind], self.rng
        if len(pool) >= POOL and rng.random() > 1 / REUSE:
            return pool[rng.integers(len(pool))]
        width = 0.0
        if kind == "voice":
            dialogue, room, width = self.stems.voice(self.length)
            while np.abs(dialogue).max() < 1e-3:  # nothing but pauses
                dialogue, room, width = self.stems.voice(self.length)
            waves = (dialogue, room)
        else:
            waves = (self.stems.song(self.length) if kind == "music" else self.stems.surroundings(self.length),)
        made = (np.stack([self.spectra(w) for w in waves]), width)
        if len(pool) < POOL:
            pool.append(made)
        else:
            pool[rng.integers(POOL)] = made
        return made

    def equaliser(self):
        """float32[BINS]: a gentle random tilt and two random bells, as gains."""
        rng = self.rng
        db = rng.normal(0, 1.5) * LOG_F
        for _ in range(2):
            db = db + rng.normal(0, 3) * np.exp(-0.5 * ((LOG_F - rng.uniform(-3.5, 4)) / rng.uniform(0.3, 1.5)) ** 2)
        return (10 ** (np.clip(db, -18, 18) / 20)).astype(np.float32)

    def degrade(self, spectra, width):
        """What happens to a whole mixture on its way: band limits, dynamics, a lossy codec's gaps. In place."""
        rng = self.rng
        # Much of the speech ends at 8 kHz. Usually the whole mixture then ends there too, so that
        # nothing can be learned from a voice being absent above.
        limit = bands.RATE / 2
        if 0 < width < 15000 and rng.random() < 0.8:
            limit = width
        elif rng.random() < 0.12:
            limit = rng.uniform(3400, 16000)
        spectra[..., int(limit / BIN_HZ) + 1:] = 0
        if rng.random() < 0.1:  # a telephone or a small loudspeaker: nothing below either
            spectra[..., :int(rng.uniform(80, 400) / BIN_HZ)] = 0
        if rng.random() < 0.12:  # levelled: the gain follows the mixture's slow level
            level = np.abs(spectra.sum(0)[0, :, ::8]).mean(1) + 1e-3
            half = 12 * bands.FINE.hop // self.transform.hop  # 0.25 s
            level = np.convolve(np.pad(level, half, mode="edge"), np.ones(2 * half + 1) / (2 * half + 1), "valid")
            spectra *= ((level / level.mean()) ** -rng.uniform(0.2, 0.7)).astype(np.float32)[:, None]
        if rng.random() < 0.1:  # coded at a low rate: weak high bands fall out
            power = gather(np.abs(spectra.sum(0).sum(0)) ** 2)
            weak = power < power.max(axis=1, keepdims=True) * 10 ** (-rng.uniform(4, 6))
            weak[:, :bands.BANDS // 2] = False
            spectra *= np.repeat(~weak, np.diff(EDGES), axis=1)

    def clip(self):
        """xx [2, frames, BANDS], cross [2, frames, BANDS], xs [4, 2, frames, BANDS], ss [5, 2, frames, BANDS], float32."""
        rng = self.rng
        present = rng.random(3) > (0.1, 0.2, 0.15)
        if not present.any():
            present[rng.integers(3)] = True
        spectra, width = np.zeros((4, 2, self.frames, bands.BINS), np.complex64), 0.0
        for kind, slot, wanted in (("voice", 0, present[0]), ("music", 2, present[1]), ("ambience", 3, present[2])):
            if not wanted:
                continue
            drawn, w = self.draw(kind)
            width = max(width, w)
            level = 1.0 if kind == "voice" else 10 ** (rng.uniform(-18, 5) / 20)
            gain = np.float32(level) * (self.equaliser() if rng.random() < 0.7 else 1)
            np.multiply(drawn, gain, out=spectra[slot:slot + len(drawn)])
        if rng.random() < 0.35:
            spectra[:, 1] = 0  # a mono recording
        self.degrade(spectra, width)
        mixture = spectra.sum(axis=0)
        power = lambda z: z.real ** 2 + z.imag ** 2
        xs, ss = np.zeros((4, 2, self.frames, bands.BANDS), np.float32), np.zeros((5, 2, self.frames, bands.BANDS), np.float32)
        for s in range(4):
            for c in range(2):
                z = spectra[s, c]
                if z[:, 20:400:40].any():
                    xs[s, c] = gather(mixture[c].real * z.real + mixture[c].imag * z.imag)
                    ss[s, c] = gather(power(z))
        voice = spectra[0] + spectra[1]
        ss[4] = gather(power(voice)) if ss[1].any() else ss[0]
        m, s = mixture
        if s.any():
            both = m * s.conj()
            cross = np.stack([gather(both.real), gather(both.imag)])
        else:
            cross = np.zeros((2, self.frames, bands.BANDS), np.float32)
        return gather(power(mixture)), cross, xs, ss

    def batch(self, size):
        return [np.stack(a) for a in zip(*(self.clip() for _ in range(size)))]
