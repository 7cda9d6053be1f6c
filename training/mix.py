"""Training mixtures, made on the fly from scenes.

A scene is one voice with its room, one piece of music and one place, transformed once (mid and side, STFT) and kept as
the products of its stems, summed over the bins of each band. Since the STFT is linear, any mixture of the scene at any levels,
equalisers and band limits follows from these products exactly (for gains constant in a band), without touching
the sound again: a clip costs milliseconds. A scene is used only a few times all the same, each time another
stretch at other levels: with two dozen uses what was learned held less well for new recordings (EXPERIMENTS.md).

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
SECONDS, SHORT_SECONDS, SCENE_SECONDS = 3.93, 2.05, 8.0
BIN_HZ = bands.RATE / bands.SIZE
CENTRES = (bands.edges()[:-1] + bands.edges()[1:] - 1) / 2 * BIN_HZ
LOG_F = np.log2(np.maximum(CENTRES, BIN_HZ) / 1000).astype(np.float32)
POOL, USES = 48, 3                              # scenes at hand; clips made of one scene, on average


class Scene:
    """within[c, i, j]  sum over bins of Re(Z_i conj(Z_j)), c mid or side, j >= i
    across[i, j]        sum of M_i conj(S_j), real and imaginary; both (frames, BANDS), None where a stem is silent
    bandwidth           Hz, where the voice ends"""

    def __init__(self, waves, bandwidth, transform, gather):
        """waves float32[4, 2, n]: the stems as mid and side."""
        self.bandwidth = bandwidth
        window = transform.window()
        def spectrum(x):
            if not x.any():
                return None
            z = rfft(np.lib.stride_tricks.sliding_window_view(x, bands.SIZE)[::transform.hop] * window, axis=1)
            return np.ascontiguousarray(z.real), np.ascontiguousarray(z.imag)
        z = [[spectrum(stem[c]) for stem in waves] for c in range(2)]
        self.within, self.across = {}, {}
        for c in range(2):
            for i in range(4):
                for j in range(i, 4):
                    if z[c][i] and z[c][j]:
                        (a, b), (d, e) = z[c][i], z[c][j]
                        self.within[c, i, j] = (a * d + b * e) @ gather
        for i in range(4):
            for j in range(4):
                if z[0][i] and z[1][j]:
                    (a, b), (d, e) = z[0][i], z[1][j]
                    self.across[i, j] = np.stack([(a * d + b * e) @ gather, (b * d - a * e) @ gather])


def mixture(scene, stretch, g):
    """The sums of a mixture of the scene's frames in stretch (a slice) with gains g float32[2, 4, BANDS] of each stem in mid
    and side: xx [2, frames, BANDS], cross [2, frames, BANDS], xs [4, 2, frames, BANDS], ss [5, 2, frames, BANDS]."""
    shape = (2, stretch.stop - stretch.start, bands.BANDS)
    xs, ss = np.zeros((4, *shape), np.float32), np.zeros((5, *shape), np.float32)
    cross = np.zeros(shape, np.float32)
    for (c, i, j), product in scene.within.items():
        gain = g[c, i] * g[c, j]
        if not gain.any():
            continue
        p = product[stretch] * gain
        xs[i, c] += p
        if i == j:
            ss[i, c] = p
        else:
            xs[j, c] += p
        if j < 2:
            ss[4, c] += p if i == j else 2 * p
    for (i, j), product in scene.across.items():
        gain = g[0, i] * g[1, j]
        if gain.any():
            cross += product[:, stretch] * gain
    return np.maximum(xs.sum(0), 0), cross, xs, np.maximum(ss, 0)


class Mixer:
    def __init__(self, split, seed, transform=bands.FINE):
        self.transform = transform
        self.frames, self.scene_frames = transform.frames(SECONDS), transform.frames(SCENE_SECONDS)  # frames may be changed
        self.rng = np.random.default_rng(seed)
        self.stems = Stems(split, self.rng)
        self.gather = bands.gathering()
        self.pool = []

    def scene(self):
        n = self.transform.length(self.scene_frames)
        dialogue, room, width = self.stems.voice(n)
        while np.abs(dialogue).max() < 1e-3:  # nothing but pauses
            dialogue, room, width = self.stems.voice(n)
        waves = np.stack([dialogue, room, self.stems.song(n), self.stems.surroundings(n)]).astype(np.float32)
        return Scene(waves, width, self.transform, self.gather)

    def draw(self):
        """A scene, fresh or used before."""
        rng = self.rng
        if len(self.pool) < POOL:
            if self.pool and rng.random() > 0.25:  # the pool fills within the first hundreds of clips
                return self.pool[rng.integers(len(self.pool))]
            self.pool.append(self.scene())
            return self.pool[-1]
        number = rng.integers(POOL)
        if rng.random() < 1 / USES:
            self.pool[number] = self.scene()
        return self.pool[number]

    def equaliser(self):
        """float32[BANDS]: a gentle random tilt and two random bells, as gains."""
        rng = self.rng
        db = rng.normal(0, 1.5) * LOG_F
        for _ in range(2):
            db = db + rng.normal(0, 3) * np.exp(-0.5 * ((LOG_F - rng.uniform(-3.5, 4)) / rng.uniform(0.3, 1.5)) ** 2)
        return (10 ** (np.clip(db, -18, 18) / 20)).astype(np.float32)

    def limits(self, width):
        """bool[BANDS]: which bands the whole mixture has. Much of the speech ends at 8 kHz; usually the whole mixture then
        ends there too, so that nothing can be learned from a voice being absent above."""
        rng = self.rng
        low, high = 0.0, bands.RATE / 2
        if 0 < width < 15000 and rng.random() < 0.8:
            high = width
        elif rng.random() < 0.12:
            high = rng.uniform(3400, 16000)
        if rng.random() < 0.1:  # a telephone or a small loudspeaker: nothing below either
            low = rng.uniform(80, 400)
        return (CENTRES >= low) & (CENTRES <= high)

    def cell_gains(self, xx):
        """Power gains [frames, BANDS] or None for what happens to a whole mixture: levelling, a lossy codec's gaps."""
        rng, gain = self.rng, None
        if rng.random() < 0.12:  # levelled: the gain follows the mixture's slow level
            level = np.sqrt(xx[0].sum(1)) + 1e-3
            half = 12 * bands.FINE.hop // self.transform.hop  # 0.25 s
            level = np.convolve(np.pad(level, half, mode="edge"), np.ones(2 * half + 1) / (2 * half + 1), "valid")
            gain = ((level / level.mean()) ** (-2 * rng.uniform(0.2, 0.7))).astype(np.float32)[:, None]
        if rng.random() < 0.1:  # coded at a low rate: weak high bands fall out
            power = xx.sum(0)
            keep = power >= power.max(axis=1, keepdims=True) * 10 ** (-rng.uniform(4, 6))
            keep[:, :bands.BANDS // 2] = True
            gain = keep.astype(np.float32) * (1 if gain is None else gain)
        return gain

    def gains(self, scene):
        """float32[2, 4, BANDS]: gain of each stem in mid and side."""
        rng = self.rng
        present = rng.random(3) > (0.1, 0.2, 0.15)
        if not present.any():
            present[rng.integers(3)] = True
        limits = self.limits(scene.bandwidth if present[0] else 0)
        g = np.zeros((2, 4, bands.BANDS), np.float32)
        for stems, there, voice in (((0, 1), present[0], True), ((2,), present[1], False), ((3,), present[2], False)):
            if there:
                level = 1.0 if voice else 10 ** (rng.uniform(-18, 5) / 20)
                gain = level * (self.equaliser() if rng.random() < 0.7 else 1) * limits
                swap = rng.choice([-1, 1])  # left and right
                for s in stems:
                    g[0, s], g[1, s] = gain, gain * swap
        if rng.random() < 0.35:
            g[1] = 0  # a mono recording
        return g

    def clip(self):
        """xx [2, frames, BANDS], cross [2, frames, BANDS], xs [4, 2, frames, BANDS], ss [5, 2, frames, BANDS], float32."""
        scene = self.draw()
        at = self.rng.integers(self.scene_frames - self.frames + 1)
        sums = mixture(scene, slice(at, at + self.frames), self.gains(scene))
        cells = self.cell_gains(sums[0])
        if cells is not None:
            for a in sums:
                a *= cells
        return sums

    def batch(self, size):
        return [np.stack(a) for a in zip(*(self.clip() for _ in range(size)))]
