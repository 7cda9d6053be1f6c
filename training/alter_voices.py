#!/usr/bin/python3
"""Voices made from voices: men from women and back, giants and children, whispers.

Usage: alter_voices.py [LINES PER VOICE]     needs rubberband-cli; after prepare.py
Pitch is moved with the formants kept (rubberband), then a change of speed moves both, so that the length of the throat and
the height of the voice vary apart (common practice; women's formants lie some 15 % above men's, Peterson and Barney 1952).
Whispers: the spectral envelope of the words (cepstral smoothing, after Oppenheim and Schafer) on noise.
Writes prepared/train-altered.raw and .json like prepare.py does, from training speakers alone.
"""
import json
import subprocess
import sys
import tempfile
from concurrent.futures import ThreadPoolExecutor

import numpy as np
import soundfile
from scipy.fft import irfft, rfft

import paths
import prepare
import stems

LEAST = 40 * paths.RATE                 # samples of a speaker that is worth altering
TARGETS = (("low", 78, 130, 0.84, 1.0), ("low", 85, 140, 0.82, 0.98), ("middle", 130, 220, 0.9, 1.08), ("high", 240, 380, 1.1, 1.3))
WHISPERS = 8                            # speakers who also whisper


def whispered(rng, x):
    """float32[n] of speech as a whisper."""
    size, hop = 1024, 256
    window = np.hanning(size + 1)[:-1].astype(np.float32)
    cut = lambda y: np.lib.stride_tricks.sliding_window_view(np.pad(y, size), size)[::hop] * window
    cepstrum = irfft(np.log(np.abs(rfft(cut(x), axis=1)) + 1e-5), axis=1)
    cepstrum[:, 50:-50] = 0
    envelope = np.exp(rfft(cepstrum, axis=1).real)
    envelope *= np.minimum(1, np.linspace(0, 24, envelope.shape[1]))  # a whisper has no fundamental and little below 500 Hz
    pieces = irfft(rfft(cut(rng.standard_normal(len(x)).astype(np.float32)), axis=1) * envelope, axis=1) * window
    out = np.zeros(len(pieces) * hop + size, np.float32)
    for i, piece in enumerate(pieces):
        out[i * hop:i * hop + size] += piece
    return out[size:size + len(x)]


def altered(x, semitones, speed):
    """float32[n] with its pitch moved by semitones, formants kept, and then played `speed` times faster."""
    with tempfile.TemporaryDirectory() as folder:
        soundfile.write(f"{folder}/in.wav", x, paths.RATE, "FLOAT")
        subprocess.run(["rubberband", "-q", "-F", "-p", f"{semitones:.2f}", f"{folder}/in.wav", f"{folder}/out.wav"], check=True, capture_output=True)
        y = soundfile.read(f"{folder}/out.wav", dtype="float32")[0]
    return stems.at_speed(y, speed, int((len(y) - 2) / speed))


def jobs(role, count):
    """(name, pitch, items, semitones or None for whispers, speed) of every voice that is made."""
    rng = np.random.default_rng(6_000_000)
    speakers = [g for g in sorted(role.groups) if sum(role.items[i]["end"] - role.items[i]["start"] for i in role.groups[g]) > LEAST]
    for number, group in enumerate(speakers):
        items = role.groups[group]
        own = np.median([role.items[i]["pitch"] for i in items if role.items[i]["pitch"] > 0] or [0])
        if not own:
            continue
        pick = lambda: [items[i % len(items)] for i in rng.integers(len(items)) + np.arange(count)]
        for kind, low, high, shortest, longest in TARGETS:
            goal, speed = rng.uniform(low, high), rng.uniform(shortest, longest)
            semitones = 12 * np.log2(goal / speed / own)
            if 1.5 < abs(semitones) < 13:
                yield f"{group}/{kind}-{goal:.0f}", goal, pick(), semitones, speed
        if number % max(1, len(speakers) // WHISPERS) == 0:
            yield f"{group}/whisper", 200.0, pick(), None, 1.0


def make(job, role):
    number, (name, goal, items, semitones, speed) = job
    rng, kept = np.random.default_rng(6_100_000 + number), []
    for item in items:
        x = role.get(item)[0]
        if len(x) < paths.RATE // 2:
            continue
        x, reason = prepare.clean((whispered(rng, x) if semitones is None else altered(x, semitones, speed))[:, None], "altered")
        if reason is None:
            kept.append(x)
    return name, goal, kept


def main():
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 10
    role, index, position = stems.Role("train", "speech"), [], 0
    target = paths.PREPARED / "train-altered.raw"
    part = target.with_suffix(".part")
    with part.open("wb") as out, ThreadPoolExecutor(2) as pool:
        for name, goal, kept in pool.map(lambda job: make(job, role), enumerate(jobs(role, count))):
            for x in kept:
                out.write(np.round(x * 32767).astype("<i2").tobytes())
                index.append({"start": position, "end": position + len(x), "bandwidth": prepare.bandwidth(x), "pitch": goal, "group": name})
                position += len(x)
    part.rename(target)
    target.with_suffix(".json").write_text(json.dumps(index))
    print(f"altered voices: {len(index)} lines of {len({i['group'] for i in index})} voices, {position / paths.RATE / 60:.1f} min")


if __name__ == "__main__":
    main()
