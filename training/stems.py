"""Single stems in the time domain: one voice with its room, one piece of music, one place.

Everything is mid and side, float32[2, n] at 48 kHz: M = (L + R) / 2, S = (L - R) / 2. A mono sound has S = 0.
Active levels are about -22 dBFS.
"""
import json

import numpy as np
from scipy.signal import fftconvolve

import bands
import paths
import singing

EARLY = int(0.05 * bands.RATE)  # reflections up to 50 ms help speech (ISO 3382-1's D50): they stay with the voice


class Role:
    """One role's items: memory-mapped samples and the index made by prepare.py."""

    def __init__(self, split, role):
        mono = role in ("speech", "voices", "altered", "songs")
        self.samples = np.memmap(paths.PREPARED / f"{split}-{role}.raw", "<i2", "r").reshape(-1, 1 if mono else 2)
        self.items = json.loads((paths.PREPARED / f"{split}-{role}.json").read_text())
        self.groups = {}
        for number, item in enumerate(self.items):
            self.groups.setdefault(item["group"], []).append(number)
        names = sorted(self.groups)
        weight = np.array([np.sqrt(sum(self.items[i]["end"] - self.items[i]["start"] for i in self.groups[n])) for n in names])
        self.names, self.weight = names, weight / weight.sum()

    def stretch(self, first, last):
        """float32[2, last - first], mid and side."""
        x = self.samples[first:last].astype(np.float32) / 32768
        if x.shape[1] == 1:
            return np.stack([x[:, 0], np.zeros(len(x), np.float32)])
        return np.stack([x[:, 0] + x[:, 1], x[:, 0] - x[:, 1]]) / 2

    def get(self, number):
        return self.stretch(self.items[number]["start"], self.items[number]["end"])


def at_speed(x, speed, n):
    """Resamples the last axis by linear interpolation: n samples, speed times faster."""
    at = np.arange(n) * speed
    i = np.minimum(at.astype(np.int32), x.shape[-1] - 2)
    w = np.clip(at - i, 0, 1).astype(np.float32)
    return x[..., i] * (1 - w) + x[..., i + 1] * w


def placed(mono, position):
    """A mono sound at position -1 (left) ... 1 (right), constant power, as mid and side."""
    angle = (position + 1) * np.pi / 4
    left, right = np.cos(angle) * np.sqrt(2), np.sin(angle) * np.sqrt(2)
    return np.stack([mono * np.float32((left + right) / 2), mono * np.float32((left - right) / 2)])


class Stems:
    """Draws stems of one split. rng may be replaced at any time."""

    def __init__(self, split, rng):
        self.rng = rng
        self.singers = split == "train"  # the development set has none: its speakers would be in two stems
        self.speech, self.music, self.effects = (Role(split, r) for r in ("speech", "music", "effects"))
        self.synthetic = Role(split, "voices") if split == "train" else None
        self.beds = np.load(paths.PREPARED / f"{split}-beds.npy", mmap_mode="r")

    def impulse(self):
        """A shaped-noise room, float32[2, m] (two independent, equally loud tails) without its direct sound."""
        rng = self.rng
        m = int(rng.uniform(0.15, 1.1) * bands.RATE)
        t = np.arange(m) / m
        tail = rng.standard_normal((2, m), dtype=np.float32) * np.exp(-6.9 * t)
        dull = (tail[:, :-3] + tail[:, 1:-2] + tail[:, 2:-1] + tail[:, 3:]) / 4
        tail[:, :-3] = tail[:, :-3] * (1 - t[:-3]) + dull * t[:-3]
        tail[:, :int(rng.uniform(0.002, 0.02) * bands.RATE)] = 0
        if rng.random() < 0.4:
            tail[1] = 0  # a mono room
        else:
            tail[1] *= rng.uniform(0.3, 1)
        return (tail * (10 ** (rng.uniform(-14, 1) / 20) / np.sqrt(np.sum(tail[0] ** 2)))).astype(np.float32)

    def words(self, n):
        """(float32[n], bandwidth in Hz): words of one speaker, one after the other with pauses."""
        rng = self.rng
        role = self.synthetic if self.synthetic and rng.random() < 0.15 else self.speech
        group = role.groups[role.names[rng.choice(len(role.names), p=role.weight)]]
        return self.spoken(role, group, rng.uniform(0.87, 1.15), 0.25, n)

    def spoken(self, role, group, speed, pause, n):
        """(float32[n], bandwidth in Hz): a speaker's items (numbers), one after the other, `pause` seconds apart on average."""
        rng = self.rng
        need = int(n * speed) + 2
        out = np.zeros(need, np.float32)
        at, number, width = -int(rng.uniform(0, 1) * bands.RATE), int(rng.integers(len(group))), 0.0
        while at < need:
            item = group[number % len(group)]
            x = role.get(item)[0]
            width = max(width, role.items[item]["bandwidth"])
            first, last = max(0, -at), min(len(x), need - at)
            if last > first:
                out[at + first:at + last] = x[first:last]
            at += len(x) + int(rng.exponential(pause) * bands.RATE)
            number += 1
        return at_speed(out, speed, n), width * speed

    def voice(self, n):
        """(dialogue, room, bandwidth): one or two speakers with early reflections; late reverberation apart."""
        rng = self.rng
        x, width = self.words(n)
        side = 0.0 if rng.random() < 0.75 else rng.uniform(-0.7, 0.7)
        dialogue, room = placed(x, side), np.zeros((2, n), np.float32)
        if rng.random() < 0.4:
            tail = self.impulse()
            dialogue[0] += fftconvolve(x, tail[0, :EARLY])[:n]
            for c in range(2):
                if tail[c].any():
                    room[c, EARLY:] = fftconvolve(x, tail[c, EARLY:])[:n - EARLY]
        if rng.random() < 0.1:
            second, other = self.words(n)
            dialogue += placed(second, rng.uniform(-0.7, 0.7)) * 10 ** (rng.uniform(-10, 0) / 20)
            width = max(width, other)
        return dialogue, room, width

    def song(self, n):
        """Music with its own stereo picture, narrowed, widened or swapped; sometimes with a sung line."""
        rng, role = self.rng, self.music
        group = role.groups[role.names[rng.choice(len(role.names), p=role.weight)]]
        item = role.items[group[rng.integers(len(group))]]
        speed = rng.uniform(0.9, 1.12)
        need = min(int(n * speed) + 2, item["end"] - item["start"])
        at = int(rng.integers(item["start"], max(item["start"] + 1, item["end"] - need)))
        x = at_speed(np.pad(role.stretch(at, at + need), ((0, 0), (0, int(n * speed) + 2 - need))), speed, n)
        x[1] *= rng.choice([-1, 1]) * rng.uniform(0.4, 1.4) if rng.random() < 0.9 else 0
        level = np.sqrt(np.mean(x ** 2) * 2)
        x = x * np.float32(0.08 / max(level, 0.004))
        if self.singers and rng.random() < 0.15:
            line = singing.sing(rng, self.words(n)[0]) * np.float32(10 ** (rng.uniform(-12, 3) / 20))
            x += placed(line, rng.uniform(-0.3, 0.3))
            tail = self.impulse()
            x += np.stack([fftconvolve(line, tail[c])[:n] for c in range(2)]).astype(np.float32)
        return x

    def bed(self, n):
        """Procedural ambience made wide: the sides come from another stretch of the same texture."""
        rng = self.rng
        row = self.beds[rng.integers(len(self.beds))]
        at = int(rng.integers(0, max(1, len(row) - n)))
        x = np.resize(row[at:at + n], n).astype(np.float32) / 32768
        if rng.random() < 0.2:
            return np.stack([x, np.zeros(n, np.float32)])
        other = np.roll(np.resize(row, max(n, len(row))), int(rng.integers(bands.RATE, len(row) - bands.RATE)))[:n].astype(np.float32) / 32768
        share = rng.uniform(0, 0.8)  # correlation of the channels: 1 - 2 share^2 for equal parts
        return np.stack([x * np.float32(np.sqrt(1 - share ** 2)), other * np.float32(share)])

    def events(self, n):
        """Recorded sounds at random times and places."""
        rng, role = self.rng, self.effects
        out = np.zeros((2, n), np.float32)
        at = -int(rng.uniform(0, 1.5) * bands.RATE)
        gap = rng.choice([0.05, 0.4, 1.2])
        while at < n:
            x = role.get(int(rng.integers(len(role.items)))) * np.float32(np.exp(rng.normal(0, 0.6)))
            if x.shape[1] > 3 * bands.RATE:  # a long recording: a stretch of it
                start = int(rng.integers(0, x.shape[1] - 2 * bands.RATE))
                x = x[:, start:start + 3 * bands.RATE]
            if rng.random() < 0.3:
                speed = rng.uniform(0.6, 1.6)
                x = at_speed(x, speed, max(64, int((x.shape[1] - 2) / speed)))
            if rng.random() < 0.5:
                x = placed(x[0], rng.uniform(-0.9, 0.9))
            first, last = max(0, -at), min(x.shape[1], n - at)
            if last > first:
                out[:, at + first:at + last] += x[:, first:last]
            at += int(x.shape[1] * rng.uniform(0.3, 1)) + int(rng.exponential(gap) * bands.RATE)
        return out

    def surroundings(self, n):
        """Recorded events over a procedural bed, or only one of the two; sometimes in a room."""
        rng = self.rng
        kind = rng.random()
        out = np.zeros((2, n), np.float32)
        if kind < 0.8:
            out += self.bed(n) * np.float32(rng.uniform(0.2, 1.2) if kind < 0.6 else 1)
        if kind < 0.6 or kind > 0.8:
            heard = self.events(n)
            if rng.random() < 0.15:
                tail = self.impulse()
                heard += np.stack([fftconvolve(heard[0], tail[c])[:n] for c in range(2)])
            out += heard
        return out
