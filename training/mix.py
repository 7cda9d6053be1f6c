"""Training mixtures, made on the fly in the STFT domain (the transform is linear).

A batch holds, per clip, stem and (frame, band) cell, what a band-wise real mask needs to know:
  xx  sum over the band's bins of |X|^2           (mixture power)
  xs  sum of Re(conj(X) S)                         (how much of the stem is in phase with the mixture)
  ss  sum of |S|^2                                 (stem power)
so that the error energy of a mask m is ss - 2 m xs + m^2 xx, exactly for a mask constant in the band.
"""
import json

import numpy as np
from scipy.fft import rfft
from scipy.signal import fftconvolve

import bands
import paths

STEMS = ("dialogue", "music", "ambience")
FRAMES = 184                                    # a multiple of the network's time stride (8)
LENGTH = (FRAMES - 1) * bands.HOP + bands.SIZE  # samples per clip, 4 s
WINDOW = np.hanning(bands.SIZE + 1)[:-1].astype(np.float32)
EDGES = bands.edges()
BIN_HZ = bands.RATE / bands.SIZE
LOG_F = np.log2(np.maximum(np.arange(bands.BINS), 1) * BIN_HZ / 1000).astype(np.float32)


class Role:
    """One role's items: memory-mapped samples and the index made by prepare.py."""

    def __init__(self, split, role):
        self.samples = np.load(paths.PREPARED / f"{split}-{role}.npy", mmap_mode="r")
        self.items = json.loads((paths.PREPARED / f"{split}-{role}.json").read_text())
        self.groups = {}
        for number, item in enumerate(self.items):
            self.groups.setdefault(item["group"], []).append(number)
        names = sorted(self.groups)
        weight = np.array([np.sqrt(sum(self.items[i]["end"] - self.items[i]["start"] for i in self.groups[n])) for n in names])
        self.names, self.weight = names, weight / weight.sum()

    def get(self, number):
        item = self.items[number]
        return self.samples[item["start"]:item["end"]].astype(np.float32) / 32768


class Mixer:
    def __init__(self, split, seed):
        self.rng = np.random.default_rng(seed)
        self.speech, self.music, self.effects = (Role(split, r) for r in ("speech", "music", "effects"))
        self.beds = np.load(paths.PREPARED / f"{split}-beds.npy", mmap_mode="r")

    # ---- one stem each, float32[n], active level about -22 dBFS ----
    def voice(self, n):
        """(samples, bandwidth in Hz): words of one speaker, one after the other with pauses."""
        rng, role = self.rng, self.speech
        group = role.groups[role.names[rng.choice(len(role.names), p=role.weight)]]
        speed = rng.uniform(0.87, 1.15)
        need = int(n * speed) + 2
        out = np.zeros(need, np.float32)
        at, number, width = -int(rng.uniform(0, 1) * bands.RATE), int(rng.integers(len(group))), 0.0
        while at < need:
            x = role.get(group[number % len(group)])
            width = max(width, role.items[group[number % len(group)]]["bandwidth"])
            first, last = max(0, -at), min(len(x), need - at)
            if last > first:
                out[at + first:at + last] = x[first:last]
            at += len(x) + int(rng.exponential(0.25) * bands.RATE)
            number += 1
        x = np.interp(np.arange(n) * speed, np.arange(need), out).astype(np.float32)
        if rng.random() < 0.35:
            x = self.room(x)
        return x, width * speed

    def room(self, x):
        """A shaped-noise room: direct sound plus an exponentially decaying, darkening tail."""
        rng = self.rng
        m = int(rng.uniform(0.15, 0.9) * bands.RATE)
        t = np.arange(m) / m
        tail = rng.standard_normal(m).astype(np.float32) * np.exp(-6.9 * t)
        tail = tail * (1 - t) + np.convolve(tail, np.ones(8) / 8, "same") * t
        tail[:int(rng.uniform(0.002, 0.02) * bands.RATE)] = 0
        tail *= 10 ** (rng.uniform(-14, 1) / 20) / np.sqrt(np.sum(tail ** 2))
        return x + fftconvolve(x, tail.astype(np.float32))[:len(x)]

    def song(self, n):
        rng, role = self.rng, self.music
        group = role.groups[role.names[rng.choice(len(role.names), p=role.weight)]]
        item = role.items[group[rng.integers(len(group))]]
        speed = rng.uniform(0.9, 1.12)
        need = min(int(n * speed) + 2, item["end"] - item["start"])
        at = int(rng.integers(item["start"], max(item["start"] + 1, item["end"] - need)))
        x = self.music.samples[at:at + need].astype(np.float32) / 32768
        x = np.interp(np.arange(n) * speed, np.arange(need), x, right=0).astype(np.float32)
        level = np.sqrt(np.mean(x ** 2))
        return x * (0.08 / max(level, 0.004))

    def surroundings(self, n):
        """Recorded events at random times over a procedural bed, or only one of the two."""
        rng, role = self.rng, self.effects
        kind = rng.random()
        out = np.zeros(n, np.float32)
        if kind < 0.8:
            row = self.beds[rng.integers(len(self.beds))]
            at = int(rng.integers(0, len(row) - n))
            out += row[at:at + n].astype(np.float32) / 32768 * (rng.uniform(0.2, 1.2) if kind < 0.6 else 1)
        if kind < 0.6 or kind > 0.8:
            at = -int(rng.uniform(0, 1.5) * bands.RATE)
            gap = rng.choice([0.05, 0.4, 1.2])
            while at < n:
                x = role.get(int(rng.integers(len(role.items)))) * np.exp(rng.normal(0, 0.6))
                if rng.random() < 0.3:
                    speed = rng.uniform(0.6, 1.6)
                    x = np.interp(np.arange(0, len(x) - 1, speed), np.arange(len(x)), x).astype(np.float32)
                if len(x) > 3 * bands.RATE:  # a long recording: a stretch of it
                    start = int(rng.integers(0, len(x) - 2 * bands.RATE))
                    x = x[start:start + 3 * bands.RATE]
                first, last = max(0, -at), min(len(x), n - at)
                if last > first:
                    out[at + first:at + last] += x[first:last]
                at += int(len(x) * rng.uniform(0.3, 1)) + int(rng.exponential(gap) * bands.RATE)
        return out

    # ---- mixtures ----
    def stems(self, n):
        """(float32[3, n], bandwidth): levelled stems, some absent, and the speech's bandwidth (0: none)."""
        rng = self.rng
        out = np.zeros((3, n), np.float32)
        present = rng.random(3) > (0.1, 0.2, 0.15)
        if not present.any():
            present[rng.integers(3)] = True
        width = 0.0
        if present[0]:
            out[0], width = self.voice(n)
            if rng.random() < 0.1:
                second, other = self.voice(n)
                out[0] += second * 10 ** (rng.uniform(-10, 0) / 20)
                width = max(width, other)
        if present[1]:
            out[1] = self.song(n) * 10 ** (rng.uniform(-18, 5) / 20)
        if present[2]:
            out[2] = self.surroundings(n) * 10 ** (rng.uniform(-18, 5) / 20)
        return out, width

    def equaliser(self):
        """float32[BINS]: a gentle random tilt and two random bells, as gains."""
        rng = self.rng
        db = rng.normal(0, 1.5) * LOG_F
        for _ in range(2):
            db = db + rng.normal(0, 3) * np.exp(-0.5 * ((LOG_F - rng.uniform(-3.5, 4)) / rng.uniform(0.3, 1.5)) ** 2)
        return (10 ** (np.clip(db, -18, 18) / 20)).astype(np.float32)

    def clip(self):
        """xx [FRAMES, BANDS], xs and ss [3, FRAMES, BANDS], float32."""
        rng = self.rng
        waves, width = self.stems(LENGTH)
        while np.abs(waves).max() < 1e-3:  # nothing but pauses
            waves, width = self.stems(LENGTH)
        spectra = np.zeros((3, FRAMES, bands.BINS), np.complex64)
        for s in range(3):
            if waves[s].any():
                frames = np.lib.stride_tricks.sliding_window_view(waves[s], bands.SIZE)[::bands.HOP]
                spectra[s] = rfft(frames * WINDOW, axis=1)
                if rng.random() < 0.7:
                    spectra[s] *= self.equaliser()
        # Much of the speech ends at 8 kHz. Usually the whole mixture then ends there too, so that
        # nothing can be learned from a voice being absent above.
        limit = bands.RATE / 2
        if 0 < width < 15000 and rng.random() < 0.8:
            limit = width
        elif rng.random() < 0.12:
            limit = rng.uniform(3400, 16000)
        spectra[:, :, int(limit / BIN_HZ) + 1:] = 0
        mixture = spectra.sum(axis=0)
        gather = lambda x: np.add.reduceat(x, EDGES[:-1], axis=-1)
        power = lambda z: z.real ** 2 + z.imag ** 2
        xs = np.stack([gather(mixture.real * s.real + mixture.imag * s.imag) for s in spectra])
        return gather(power(mixture)), xs, gather(power(spectra))

    def batch(self, size):
        xx, xs, ss = zip(*(self.clip() for _ in range(size)))
        return np.stack(xx), np.stack(xs), np.stack(ss)
