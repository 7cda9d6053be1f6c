#!/usr/bin/python3
"""The field set: mixtures of speakers, pieces, places and rooms that no network learns from and that are not made like training's.

Usage: field.py      writes prepared/field/NNN.npy (float32[3, channels, n] at 48 kHz: dialogue, music, ambience), prepared/field/cases.json
                     and prepared/field/alone-NN.npy (float32[2, n]: one clean voice each)

72 mixtures of 8 s: eight kinds, nine voices each (low, middle and high twice, a child's, a cheap microphone's, a noisy recording's), by turns
mono, stereo with the voice in the middle, and stereo with the voice beside it. Everything is recorded: no procedural sounds but a noisy
recording's noise and a tape's hiss; rooms come from the image method (rooms.py). Fixed seeds: the set is the same on every machine.
"""
import json

import numpy as np
from scipy.signal import butter, fftconvolve, sosfilt

import bands
import measures
import paths
import rooms
from stems import Role, at_speed, placed

SECONDS, SEED = 8, 31_000
FOLDER = paths.PREPARED / "field"
KINDS = ("narration", "crowd", "outdoors", "scene", "aside", "faint", "tape", "room")
VOICES = ("low", "middle", "high", "child", "cheap", "noisy", "low", "middle", "high")
PITCH = {"low": (0, 165), "middle": (165, 235), "high": (200, 1000), "child": (190, 1000), "cheap": (0, 1000), "noisy": (0, 1000)}
POSITIONS = ("mono", "middle", "aside")
PARTS = ("dialogue", "music", "ambience")
# Level in dB (from, to) of music and of ambience against the voice; None where there is none.
LEVELS = {"narration": ((-14, -2), None), "crowd": (None, (-10, 2)), "outdoors": (None, (-10, 2)), "scene": ((-12, -2), (-12, -2)),
          "aside": ((-16, -6), (-12, -2)), "faint": ((2, 8), (2, 8)), "tape": ((-12, -2), (-16, -6)), "room": ((-12, -2), (-12, -2))}


def level(x, db=0.0):
    """x with an RMS of its active part of -22 dBFS, and db more."""
    frames = x[:, :x.shape[1] // 960 * 960].reshape(x.shape[0], -1, 960)
    power = np.mean(frames ** 2, axis=2).sum(0)
    active = power[power > 1e-3 * power.max()]
    return x * np.float32(0.08 / np.sqrt(active.mean() + 1e-12) * 10 ** (db / 20))


def filtered(x, kind, hz, order=2):
    return sosfilt(butter(order, hz, kind, fs=bands.RATE, output="sos"), x).astype(np.float32)


class FieldSet:
    """seconds: of a mixture; the set itself has SECONDS."""

    def __init__(self, seconds=SECONDS):
        self.n = seconds * bands.RATE
        self.roles = {role: [Role(split, role) for split in ("field", "develop")] for role in ("speech", "music", "effects")}
        self.places = Role("field", "places")
        self.speakers = {}      # name -> (role, item numbers, median pitch)
        for role in self.roles["speech"]:
            for group, items in role.groups.items():
                pitches = [role.items[i]["pitch"] for i in items if role.items[i]["pitch"] > 0]
                if pitches:
                    self.speakers[group] = role, items, float(np.median(pitches))
        self.rng = None

    def words(self, name, speed=1.0):
        """float32[n]: lines of one speaker with pauses."""
        role, items, _ = self.speakers[name]
        n = self.n
        need, at, number = int(n * speed) + 2, 0, int(self.rng.integers(len(items)))
        out = np.zeros(need, np.float32)
        while at < need:
            x = role.get(items[number % len(items)])[0][:need - at]
            out[at:at + len(x)] = x
            at += len(x) + int(self.rng.uniform(0.1, 0.5) * bands.RATE)
            number += 1
        return at_speed(out, speed, n)

    def speaker(self, kind, turn):
        """Every speaker of the class has a turn."""
        low, high = PITCH[kind]
        names = sorted(n for n, s in self.speakers.items() if low <= s[2] < high)
        return names[turn % len(names)]

    def music(self):
        role = self.roles["music"][self.rng.integers(2)]
        item = role.items[self.rng.integers(len(role.items))]
        start = int(self.rng.integers(item["start"], max(item["start"] + 1, item["end"] - self.n)))
        x = role.stretch(start, min(start + self.n, item["end"]))
        return np.pad(x, ((0, 0), (0, self.n - x.shape[1])))

    def bed(self):
        x = self.places.get(int(self.rng.integers(len(self.places.items))))
        x = np.tile(x, (1, self.n // x.shape[1] + 2))
        start = int(self.rng.integers(x.shape[1] - self.n))
        return level(x[:, start:start + self.n])

    def events(self, gap):
        out, at = np.zeros((2, self.n), np.float32), int(self.rng.uniform(0, 1) * bands.RATE)
        while at < self.n:
            role = self.roles["effects"][self.rng.integers(2)]
            x = role.get(int(self.rng.integers(len(role.items))))[:, :min(self.n - at, 4 * bands.RATE)]
            out[:, at:at + x.shape[1]] += placed(x[0], self.rng.uniform(-0.9, 0.9)) if self.rng.random() < 0.5 else x
            at += int(x.shape[1] * 0.7) + int(self.rng.exponential(gap) * bands.RATE)
        return out

    def crowd(self, but):
        """Ten voices at places of their own in one large room."""
        out = np.zeros((2, self.n), np.float32)
        names = [n for n in sorted(self.speakers) if n != but]
        for _ in range(10):
            x = np.roll(self.words(names[self.rng.integers(len(names))]), int(self.rng.integers(self.n))) * np.float32(self.rng.uniform(0.4, 1))
            room = rooms.some(self.rng, 14, self.rng.uniform(3, 7))
            out += np.stack([fftconvolve(x, room[c])[:self.n] for c in range(2)])
        return out

    def ambience(self, kind, but):
        if kind == "crowd":
            return self.crowd(but)
        if kind == "outdoors":
            return level(self.events(0.6)) + self.bed() * np.float32(self.rng.uniform(0, 0.7))
        return self.bed() + level(self.events(1.5)) * np.float32(self.rng.uniform(0, 1))

    def voice(self, kind, voice, name, position):
        """(dialogue, noise of its recording): mid and side."""
        rng = self.rng
        x = self.words(name, 1.22 if voice == "child" else 1.0)
        noise = np.zeros(self.n, np.float32)
        if voice == "cheap":
            x = np.tanh(filtered(filtered(x, "high", 220), "low", 6500) * 14) / 14
            hz = rng.uniform(900, 2500)
            x = x + filtered(x, "band", [hz, hz * 1.25]) * np.float32(rng.uniform(1.5, 3))
        if voice == "noisy":
            noise = filtered(rng.standard_normal(self.n).astype(np.float32), "low", rng.uniform(300, 6000), 1)
        side = 0.0
        if position == "aside":
            side = float(rng.choice([-1, 1])) * rng.uniform(0.25, 0.7)
        wet = {"aside": (4, 1.0), "room": (9, 2.5), "faint": (5, 1.5)}.get(kind)
        dialogue = placed(x, side)
        if wet:
            room = rooms.some(rng, *wet)
            room[:, 0] = 0 if kind != "room" else room[:, 0]
            tail = np.stack([fftconvolve(x, r)[:self.n] for r in room]).astype(np.float32)
            dialogue = dialogue + np.stack([tail[0] + tail[1], tail[0] - tail[1]]) / 2
        dialogue = level(dialogue)
        hiss = level(placed(noise, side), rng.uniform(-28, -16)) if noise.any() else placed(noise, side)
        return dialogue, hiss

    def tape(self, stems):
        """Wow, a narrow band and hiss: the same for every stem but the hiss, which is ambience."""
        rng = self.rng
        t = np.arange(self.n) / bands.RATE
        wow = np.cumsum(1 + 0.003 * np.sin(2 * np.pi * rng.uniform(0.5, 1.5) * t) + 0.0008 * np.sin(2 * np.pi * rng.uniform(6, 9) * t)) - 1
        low, high = (300, 3400) if rng.random() < 0.5 else (90, 7500)
        worn = [filtered(filtered(np.stack([np.interp(wow, np.arange(self.n), c) for c in s]), "high", low), "low", high, 4) for s in stems]
        worn[2] = worn[2] + level(placed(filtered(rng.standard_normal(self.n), "high", 1000, 1), 0), rng.uniform(-40, -30))
        return worn

    def mixture(self, number):
        """(what it is, float32[3, channels, n]): one of the set."""
        kind, voice = KINDS[number % 8], VOICES[number // 8]
        position = POSITIONS[(number % 8 + number // 8) % 3]
        if kind == "aside":
            position = "aside"
        rng = self.rng = np.random.default_rng(SEED + number)
        name = self.speaker(voice, number % 8 + 3 * (number // 8))
        dialogue, noise = self.voice(kind, voice, name, position)
        music = around = np.zeros((2, self.n), np.float32)
        if LEVELS[kind][0]:
            music = level(self.music(), rng.uniform(*LEVELS[kind][0]))
        if LEVELS[kind][1]:
            around = level(self.ambience(kind, name), rng.uniform(*LEVELS[kind][1]))
        stems = [dialogue, music, around + noise]
        if kind == "tape":
            stems = self.tape(stems)
        stems = np.stack(stems).astype(np.float32)
        stems = stems[:, :1] if position == "mono" else np.stack([stems[:, 0] + stems[:, 1], stems[:, 0] - stems[:, 1]], 1)
        scored = [p for p, there in zip(PARTS, (True, LEVELS[kind][0], LEVELS[kind][1])) if there]
        return ({"number": number, "kind": kind, "voice": voice, "position": position, "speaker": name, "scored": scored},
                stems * np.float32(0.8 / max(0.8, np.abs(stems.sum(0)).max())))

    def alone(self, name, number):
        """float32[2, n]: a clean voice as it was recorded, beside the middle for every second one."""
        self.rng = np.random.default_rng(SEED + 500 + number)
        x = placed(self.words(name), (0, 0.5)[number % 2])
        return level(np.stack([x[0] + x[1], x[0] - x[1]]))


def load():
    """Yields (case, stems) of the set as it was written."""
    for case in json.loads((FOLDER / "cases.json").read_text())["mixtures"]:
        yield case, np.load(FOLDER / f"{case['number']:03d}.npy")


def voices():
    """Yields (speaker, float32[2, n]) of the clean voices."""
    for number, name in enumerate(json.loads((FOLDER / "cases.json").read_text())["alone"]):
        yield name, np.load(FOLDER / f"alone-{number:02d}.npy")


def main():
    import evaluate
    source, cases = FieldSet(), []
    FOLDER.mkdir(parents=True, exist_ok=True)
    for number in range(72):
        case, stems = source.mixture(number)
        mixture, ideal = stems.sum(0), evaluate.oracle(stems)
        for name, estimates in (("mixture", [mixture] * 3), ("oracle", ideal)):
            case[name] = {p: round(float(measures.si_sdr(e, t)), 3) for p, e, t in zip(PARTS, estimates, stems) if p in case["scored"]}
        case["estoi"] = round(float(measures.estoi(mixture, stems[0], bands.RATE)), 4)
        np.save(FOLDER / f"{number:03d}.npy", stems)
        cases.append(case)
    names = sorted(source.speakers)
    for number, name in enumerate(names):
        np.save(FOLDER / f"alone-{number:02d}.npy", source.alone(name, number))
    lines = ",\n".join("  " + json.dumps(c) for c in cases)
    (FOLDER / "cases.json").write_text('{"mixtures": [\n' + lines + '\n],\n"alone": ' + json.dumps(names) + "}\n")
    print(f"field set: {len(cases)} mixtures, {len(names)} voices alone")


if __name__ == "__main__":
    main()
