"""The stems that networks learn from: Stems, made harder and more varied than any one recording.

What each part is for stands in README.md, "Mixtures".
"""
import numpy as np
from scipy.signal import fftconvolve

import bands
import beds
import singing
from stems import EARLY, Role, Stems, at_speed, placed

SOURCES = (("speech", 0.6), ("altered", 0.27), ("voices", 0.13))
CLASSES = ((0, 165, 0.5), (165, 235, 0.28), (235, 1000, 0.22))   # Hz from, to, share of the speakers drawn
MIDDLE, ONE_SIDED, SPACED = 0.38, 0.05, 0.1                        # where voices stand; the others are panned
CROWD, NOISE, DRIVEN, SECOND, TREATED = 0.35, 0.2, 0.14, 0.12, 0.12
RMS = np.float32(0.08)


def loudness_set(x):
    """x with the RMS of its active part's usual level; silence stays silence."""
    return x * (RMS / max(np.sqrt(np.mean(x ** 2) * (2 if x.ndim == 2 else 1)), 0.002))


class VariedStems(Stems):
    def __init__(self, split, rng):
        super().__init__(split, rng)
        self.places = Role(split, "places")
        roles = {"speech": self.speech, "voices": self.synthetic, "altered": Role(split, "altered")}
        self.speakers = {}   # (source, class) -> [(role, item numbers)], weights
        for source, role in roles.items():
            for group, items in role.groups.items():
                known = [role.items[i]["pitch"] for i in items if role.items[i]["pitch"] > 0]
                pitch = np.median(known) if known else 200
                kind = next(k for k, (low, high, _) in enumerate(CLASSES) if low <= pitch < high)
                length = sum(role.items[i]["end"] - role.items[i]["start"] for i in items)
                self.speakers.setdefault((source, kind), []).append((role, items, np.sqrt(length)))

    def speaker(self):
        """(role, item numbers) of one speaker: low, middle and high voices by fixed shares, whatever is recorded of them."""
        rng = self.rng
        while True:
            source = SOURCES[rng.choice(len(SOURCES), p=[s[1] for s in SOURCES])][0]
            kind = rng.choice(len(CLASSES), p=[c[2] for c in CLASSES])
            found = self.speakers.get((source, kind))
            if found:
                weights = np.array([f[2] for f in found])
                return found[rng.choice(len(found), p=weights / weights.sum())][:2]

    def words(self, n):
        """(float32[n], bandwidth in Hz): words of one speaker, one after the other with pauses."""
        rng = self.rng
        role, group = self.speaker()
        speed = float(np.exp(np.clip(rng.normal(0, 0.1), -0.28, 0.28)))
        return self.spoken(role, group, speed, rng.choice([0.08, 0.25, 0.8]), n)

    def position(self):
        rng = self.rng
        draw = rng.random()
        if draw < MIDDLE:
            return 0.0
        return float(rng.choice([-1, 1])) if draw < MIDDLE + ONE_SIDED else rng.uniform(-0.8, 0.8)

    def spaced(self, x):
        """A voice before a pair of microphones: one channel later and softer than the other."""
        rng = self.rng
        late, soft = int(rng.integers(1, 40)), np.float32(rng.uniform(0.5, 1))
        other = np.concatenate([np.zeros(late, np.float32), x[:-late]]) * soft
        return np.stack([x + other, (x - other) * rng.choice([-1, 1])]).astype(np.float32) / 2

    def stand(self, x):
        """(mid and side of the voice, its position)."""
        if self.rng.random() < SPACED:
            return self.spaced(x), 0.0
        side = self.position()
        return placed(x, side), side

    def recording_noise(self, n, side):
        """Hiss, hum or rumble of the voice's own recording, from the voice's place or from everywhere; belongs to the ambience."""
        rng = self.rng
        kind = rng.integers(4)
        if kind == 0:
            x = beds.shaped_noise(rng, n, beds.slope(rng.uniform(-4, 2), 200))
        elif kind == 1:
            x = beds.mains_hum(rng, n)
        elif kind == 2:
            x = beds.shaped_noise(rng, n, beds.slope(rng.uniform(-18, -9), rng.uniform(20, 60)))
        else:
            x = beds.ventilation(rng, n)
        x = loudness_set(x.astype(np.float32)) * np.float32(10 ** (rng.uniform(-34, -4) / 20))
        if rng.random() < 0.7:
            return placed(x, side)
        return np.stack([x, np.roll(x, n // 3) * np.float32(rng.uniform(0.2, 0.9))])

    def treated(self, x):
        """A voice as loudspeakers, radios and machines have it: doubled (a comb that may move), an echo, ring-modulated, or a machine's that
        speaks on one note or on two or three at once."""
        rng = self.rng
        kind, n = rng.integers(5), len(x)
        if kind > 2:
            steps = rng.uniform(0.98, 1.02, n // bands.RATE + 2)
            note = rng.uniform(60, 220) * np.interp(np.arange(n), np.arange(len(steps)) * bands.RATE, steps)
            spoken = sum(singing.sing(rng, x, note * ratio, 10 ** rng.uniform(-3, -1.7), True, 1.0) for ratio in ((1,), (1, 1.5), (0.5, 1, 1.26))[rng.integers(3)])
            return (loudness_set(spoken) + loudness_set(x) * np.float32(rng.uniform(0, 0.5))).astype(np.float32)
        if kind == 0:
            late = rng.uniform(1, 20) + rng.uniform(0, 3) * (1 + np.sin(2 * np.pi * rng.uniform(0.1, 2) * np.arange(n) / bands.RATE))  # ms
            other = np.interp(np.arange(n) - late * bands.RATE / 1000, np.arange(n), x, left=0)
        elif kind == 1:
            late = int(rng.uniform(0.04, 0.25) * bands.RATE)
            other = np.zeros(n, np.float32)
            for k in range(1, 4):
                if k * late < n:
                    other[k * late:] += x[:n - k * late] * np.float32(rng.uniform(0.2, 0.7) ** k)
        else:
            other = x * np.sin(2 * np.pi * rng.uniform(20, 120) * np.arange(n) / bands.RATE)
        return (x * rng.uniform(0.3, 1) + other * rng.choice([-1, 1]) * rng.uniform(0.4, 1)).astype(np.float32)

    def voice(self, n):
        """(dialogue, room, noise of its recording, bandwidth): one or two speakers with early reflections; late reverberation apart."""
        rng = self.rng
        x, width = self.words(n)
        if rng.random() < DRIVEN:  # an overdriven microphone
            drive = np.float32(2 * 12 ** rng.random())
            x = np.tanh(x * drive) / drive ** np.float32(0.8)
        if rng.random() < TREATED:
            x = self.treated(x)
        dialogue, side = self.stand(x)
        room = np.zeros((2, n), np.float32)
        if rng.random() < 0.45:
            tail = self.impulse() * np.float32(10 ** (rng.uniform(-2, 4) / 20))
            for c in range(2):
                if tail[c].any():
                    dialogue[c] += fftconvolve(x, tail[c, :EARLY])[:n]
                    room[c, EARLY:] = fftconvolve(x, tail[c, EARLY:])[:n - EARLY]
        if rng.random() < SECOND:
            second, other = self.words(n)
            dialogue += self.stand(second)[0] * np.float32(10 ** (rng.uniform(-10, 0) / 20))
            width = max(width, other)
        noise = self.recording_noise(n, side) if rng.random() < NOISE else np.zeros((2, n), np.float32)
        return dialogue, room, noise, width

    def place(self, n):
        """A recorded place as long as wanted: a stretch of it, slower or faster, its end faded into its beginning."""
        rng, role = self.rng, self.places
        x = role.get(int(rng.integers(len(role.items))))
        speed = rng.uniform(0.6, 1.5)
        need = int(n * speed) + 2
        if x.shape[1] > need:
            start = int(rng.integers(0, x.shape[1] - need))
            x = x[:, start:start + need]
        else:
            fade = min(x.shape[1] // 4, bands.RATE // 10)
            ramp = np.linspace(0, 1, fade, dtype=np.float32)
            loop = x[:, fade:].copy()
            loop[:, -fade:] = loop[:, -fade:] * np.sqrt(1 - ramp) + x[:, :fade] * np.sqrt(ramp)
            loop = np.roll(loop, -int(rng.integers(loop.shape[1])), axis=1)
            x = np.tile(loop, (1, need // loop.shape[1] + 1))[:, :need]
        x = at_speed(x, speed, n)
        x[1] *= rng.choice([-1, 1]) * rng.uniform(0.3, 1.5)
        return loudness_set(x)

    def crowd(self, n):
        """Many voices somewhere in a room, none of which is meant."""
        rng = self.rng
        out, near = np.zeros((2, n), np.float32), np.float32(rng.uniform(0, 0.7))
        for _ in range(2):  # not all in one place
            dry = np.zeros((2, n), np.float32)
            for _ in range(int(rng.integers(3, 8))):
                dry += placed(self.words(n)[0], rng.uniform(-1, 1)) * np.float32(rng.uniform(0.3, 1))
            tail = self.impulse() * np.float32(10 ** (rng.uniform(0, 10) / 20))
            out += dry * near + np.stack([fftconvolve(dry[0], tail[c])[:n] for c in range(2)]).astype(np.float32)
        return loudness_set(out)

    def surroundings(self, n):
        """A crowd, a procedural bed, recorded places in layers, events over them, or only some of these; sometimes in a room."""
        rng = self.rng
        out = np.zeros((2, n), np.float32)
        level = lambda low, high: np.float32(10 ** (rng.uniform(low, high) / 20))
        crowded = rng.random() < CROWD
        if crowded:
            out += self.crowd(n)
        bed = rng.random()
        if bed < (0.4 if crowded else 0.75):
            if bed < 0.2 or bed > 0.65:
                out += loudness_set(self.bed(n)) * level(-14, 2)
            if bed > 0.12:
                for _ in range(1 + int(rng.random() < 0.3)):
                    out += self.place(n) * level(-14, 2)
        if rng.random() < (0.3 if crowded else 0.75) or not out.any():
            heard = self.events(n) * level(-8, 6)
            if rng.random() < 0.2:
                tail = self.impulse()
                heard += np.stack([fftconvolve(heard[0], tail[c])[:n] for c in range(2)])
            out += heard
        return out
