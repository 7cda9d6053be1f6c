"""Mixtures for the networks that take a stem further apart: music into vocals, drums, bass, guitar and other, ambience into events and bed.

As in mix.py, parts wait in pools as spectra and a clip takes them at levels and equalisers of its own. Half of the clips of music have the
parts of one piece, which belong together; in the others any drums meet any bass. A sung line is made of speech (singing.py) and follows the
melody composed for the piece, or another; three of ten are a synthesiser's songs (render_songs.py), which have melodies of their own.
"""
import json

import numpy as np
from scipy.signal import fftconvolve

import bands
import compose
import mix
import paths
import singing
import steadiness
from products import products
from stems import Role, at_speed, placed
from varied import loudness_set

MUSIC, AMBIENCE = ("vocals", "drums", "bass", "guitar", "other"), ("events", "bed")
TOGETHER, REAL_GUITAR = 0.5, 0.2
ABSENT = (0.35, 0.15, 0.12, 0.3, 0.15)   # of the clips, by part of the music
SPOKEN, CHOIR, DOUBLED, SYNTHESISED = 0.12, 0.15, 0.25, 0.3
LEVELS = ((-6, 8), (-8, 6), (-8, 6), (-10, 5), (-10, 5))   # dB, by part


class Band:
    """Rendered pieces (render_parts.py): int16[n, 4 parts, 2 channels]."""

    def __init__(self, split):
        self.samples = np.memmap(paths.PREPARED / f"{split}-band.raw", "<i2", "r").reshape(-1, len(compose.PARTS), 2)
        self.items = json.loads((paths.PREPARED / f"{split}-band.json").read_text())
        self.guitars = Role(split, "guitars")

    def parts(self, item, begin, n, speed=1.0):
        """float32[4, 2, n], mid and side."""
        at = item["start"] + begin
        x = self.samples[at:at + int(n * speed) + 2].astype(np.float32).transpose(1, 2, 0) / 32768
        x = np.stack([x[:, 0] + x[:, 1], x[:, 0] - x[:, 1]], 1) / 2
        return x[..., :n] if speed == 1 else at_speed(x, speed, n)

    def draw(self, rng, n, most=0.06):
        """(float32[4, 2, n], notes to be sung): a stretch of any piece, a little slower or faster and so lower or higher."""
        item = self.items[rng.integers(len(self.items))]
        speed = float(np.exp(rng.uniform(-most, most)))
        room = item["end"] - item["start"] - int(n * speed) - 2
        begin = int(rng.integers(0, room + 1))
        moved = [((b * bands.RATE - begin) / speed / bands.RATE, length / speed, p + 12 * np.log2(speed)) for b, length, p in item["sung"]]
        return self.parts(item, begin, n, speed), [note for note in moved if 0 <= note[0] < n / bands.RATE]

    def guitar(self, rng, n, speed=1.0):
        """float32[2, n]: a stretch of a recorded guitar, which by its speed becomes another."""
        item = self.guitars.items[rng.integers(len(self.guitars.items))]
        m = n if speed == 1 else int(n * speed) + 2
        begin = int(rng.integers(item["start"], item["end"] - m))
        x = self.guitars.stretch(begin, begin + m)
        return x if speed == 1 else at_speed(x, speed, n)


def any_line(rng, n):
    """Notes of a melody that belongs to no piece."""
    notes, at, step, low, beat = [], 0.0, int(rng.integers(7)), int(rng.integers(43, 66)), rng.uniform(0.2, 0.5)
    while at < n / bands.RATE:
        length = beat * float(rng.choice([1, 1, 2, 2, 4]))
        if rng.random() < 0.85:
            notes.append((at, length * 0.95, low + compose.MODES["major"][step % 7] + 12 * (step // 7)))
        at, step = at + length, int(np.clip(step + rng.integers(-2, 3), 0, 10))
    return notes


def synthesised(rng, songs, n):
    """float32[n]: a stretch of some song, up to three semitones lower or higher, RMS 0.08 as singing.sing()."""
    group = songs.groups[songs.names[rng.integers(len(songs.names))]]
    item = songs.items[group[rng.integers(len(group))]]
    speed = float(np.exp(rng.uniform(-0.17, 0.17)))
    begin = int(rng.integers(item["start"], max(item["start"] + 1, item["end"] - int(n * speed))))
    x = songs.stretch(begin, min(item["end"], begin + int(n * speed) + 2))[0]
    x = at_speed(np.pad(x, (0, max(0, int(n * speed) + 2 - len(x)))), speed, n)
    return x * np.float32(0.08 / max(1e-4, float(np.sqrt(np.mean(x[x != 0] ** 2))) if x.any() else 1))


def vocals(rng, words, n, notes, tail, songs=None):
    """float32[2, n], mid and side: one singer, doubled or a choir, or somebody who speaks over the music. words(n): speech of some speaker;
    tail(): a room's impulse response; songs: a Role of songs, or none."""
    draw = rng.random()
    if draw < SPOKEN:
        out = placed(words(n), rng.uniform(-0.2, 0.2))
    else:
        notes = notes if notes and rng.random() < 0.7 else any_line(rng, n)
        count = int(rng.integers(3, 7)) if draw < SPOKEN + CHOIR else 2 if draw < SPOKEN + CHOIR + DOUBLED else 1
        made = songs is not None and rng.random() < SYNTHESISED
        spread, open_ = (0.8 if count > 2 else 0.5 if count == 2 else 0.15), singing.open_at(n, notes)
        spoken, out = synthesised(rng, songs, n) if made else words(n), np.zeros((2, n), np.float32)
        for k in range(count):
            if count > 2 and k and not made:
                spoken = words(n)
            octave = rng.choice([0, 0, 0, -1, 1]) if count > 2 else 0
            pitch = singing.line(rng, n, notes, octave + rng.normal(0, 0.008))
            x = singing.sing(rng, spoken, pitch, 10 ** rng.uniform(-3.5, -1.7), True) * open_ if not made else at_speed(
                np.pad(spoken, (0, n)), float(np.exp(rng.normal(0, 0.003))), n) if k else spoken
            out += placed(np.roll(x, int(rng.uniform(0, 0.025) * bands.RATE) * (k > 0)), rng.uniform(-spread, spread) if k or count == 1 else 0)
    if rng.random() < 0.65:
        response = tail() * np.float32(10 ** (rng.uniform(-6, 4) / 20))
        out = out + np.stack([fftconvolve(out[0], response[c])[:n] for c in range(2)]).astype(np.float32)
    if rng.random() < 0.15:   # an echo
        late = int(rng.uniform(0.15, 0.5) * bands.RATE)
        for k in range(1, 3):
            out[:, k * late:] += out[:, :n - k * late] * np.float32(rng.uniform(0.15, 0.45) ** k)
    return loudness_set(out.astype(np.float32))


class PartsMixer(mix.Mixer):
    """What both mixers share: pools, and clips of parts at gains of their own."""
    PARTS = ()
    SILENT = 0.35

    def part_gains(self, levels):
        """float32[2, parts, bins]: level (dB; None: not there), equaliser, what ends the whole mixture, sides swapped, mono."""
        rng = self.rng
        limits = self.limits(0)
        whole = self.equaliser() if rng.random() < 0.4 else 1
        g = np.zeros((2, len(levels), self.transform.bins), np.float32)
        swap = rng.choice([-1, 1])
        for s, level in enumerate(levels):
            if level is not None:
                g[:, s] = 10 ** (level / 20) * (self.equaliser() if rng.random() < 0.6 else 1) * whole * limits
        g[1] *= 0 if rng.random() < 0.25 else swap * rng.uniform(0.5, 1.2)
        return g

    def clip(self):
        while True:
            z, gains = self.drawn()
            if any(plane is not None and gains[c, s].any() for s, stem in enumerate(z) for c, plane in enumerate(stem)):
                break
        sums = products(z, gains, self.transform, False)
        for gains in (self.cell_gains(sums[0]), self.silence()):
            if gains is not None:
                for a in sums:
                    a *= gains
        return sums

    def cut(self, spectra, at=None):
        at = self.rng.integers(self.stem_frames - self.frames + 1) if at is None else at
        return [None if plane is None else plane[at:at + self.frames] for plane in spectra]


class MusicMixer(PartsMixer):
    PARTS = MUSIC

    def __init__(self, split, seed, transform):
        super().__init__(split, seed, transform)
        self.band = Band(split)
        self.songs = Role(split, "songs") if split == "train" else None
        self.pools = {self.song: []}

    def song(self, n):
        rng = self.rng
        parts, notes = self.band.draw(rng, n)
        if rng.random() < REAL_GUITAR:
            parts[2] = self.band.guitar(rng, n, float(np.exp(rng.uniform(-0.25, 0.25))))
        sung = vocals(rng, lambda m: self.stems.words(m)[0], n, notes, self.stems.impulse, self.songs)
        return [sung, *parts], 0.0

    def drawn(self):
        rng = self.rng
        spectra, _ = self.draw(self.song)
        if rng.random() < TOGETHER:
            at = rng.integers(self.stem_frames - self.frames + 1)
            z = [self.cut(stem, at) for stem in spectra]
        else:
            pool = self.pools[self.song]
            z = [self.cut(pool[rng.integers(len(pool))][0][s]) for s in range(len(MUSIC))]
        if rng.random() < mix.ALONE:
            there = np.arange(len(MUSIC)) == rng.integers(len(MUSIC))
        else:
            there = rng.random(len(MUSIC)) > ABSENT
        return z, self.part_gains([rng.uniform(*LEVELS[s]) if there[s] else None for s in range(len(MUSIC))])


class AmbienceMixer(PartsMixer):
    PARTS = AMBIENCE

    def __init__(self, split, seed, transform):
        super().__init__(split, seed, transform)
        for role, which, name in ((self.stems.places, steadiness.beds, "places"), (self.stems.effects, steadiness.events, "effects")):
            steadiness.keep(role, which(role, f"{split}-{name}"))
        self.pools = {self.events: [], self.bed: []}

    def events(self, n):
        stems, rng = self.stems, self.rng
        x = stems.events(n)
        while np.abs(x).max() < 1e-3:
            x = stems.events(n)
        if rng.random() < 0.3:
            tail = stems.impulse()
            x = x + np.stack([fftconvolve(x[0], tail[c])[:n] for c in range(2)])
        return [x.astype(np.float32)], 0.0

    def bed(self, n):
        """A crowd, procedural or recorded places, or layers of them: what goes on."""
        stems, rng = self.stems, self.rng
        draw = rng.random()
        if draw < 0.15:
            return [stems.crowd(n)], 0.0
        out = loudness_set(stems.bed(n)) if draw < 0.5 else stems.place(n)
        for _ in range(int(rng.choice([0, 0, 1, 2]))):
            out = out + (loudness_set(stems.bed(n)) if rng.random() < 0.5 else stems.place(n)) * np.float32(10 ** (rng.uniform(-15, 0) / 20))
        return [loudness_set(out)], 0.0

    def drawn(self):
        rng = self.rng
        z = [self.cut(self.draw(make)[0][0]) for make in self.pools]
        draw = rng.random()
        levels = [None if draw < 0.25 else rng.uniform(-14, 14), None if draw > 0.94 else 0.0]
        return z, self.part_gains(levels)
