"""Singing made of speech: no open recording with confirmed vocals is at hand, but music with voices must stay music.

The spectral envelope of slowed-down words (cepstral smoothing, after Oppenheim and Schafer) shapes a pulse train that follows a
melody with glides and vibrato.
"""
import numpy as np
from scipy.fft import irfft, rfft
from scipy.ndimage import uniform_filter1d

import paths

SIZE, HOP = 2048, 512
SCALE = np.array([0, 2, 4, 5, 7, 9, 11, 12])


def melody(rng, n):
    """float[n]: the fundamental in Hz."""
    root = 110 * 2 ** (rng.integers(0, 16) / 12)
    times, notes, at = [0.0], [rng.integers(8)], 0.0
    while at < n / paths.RATE:
        at += rng.choice([0.2, 0.3, 0.45, 0.6, 1.0])
        times.append(at)
        notes.append(np.clip(notes[-1] + rng.integers(-2, 3), 0, 7))
    t = np.arange(n) / paths.RATE
    steps = np.searchsorted(times, t, "right") - 1
    semitones = SCALE[np.array(notes)][steps].astype(np.float64)
    semitones = uniform_filter1d(semitones, int(0.05 * paths.RATE)) + 0.35 * rng.uniform(0.3, 1.5) * np.sin(2 * np.pi * rng.uniform(4.5, 6.5) * t)
    return root * 2 ** (semitones / 12)


def line(rng, n, notes, octave=0):
    """float[n]: the fundamental in Hz of notes (seconds, length, MIDI pitch), glided, with vibrato on what is held."""
    t = np.arange(n) / paths.RATE
    begins, pitches = np.array([b for b, _, _ in notes]), np.array([p for _, _, p in notes], float)
    steps = np.maximum(np.searchsorted(begins, t, "right") - 1, 0)
    semitones = uniform_filter1d(pitches[steps], int(rng.uniform(0.03, 0.09) * paths.RATE))
    held = np.clip((t - begins[steps] - 0.15) / 0.3, 0, 1)
    semitones += held * rng.uniform(0.05, 0.6) * np.sin(2 * np.pi * rng.uniform(4.5, 6.5) * t + rng.uniform(0, 6)) + 0.1 * np.cumsum(rng.standard_normal(n)) / np.sqrt(n)
    return 440 * 2 ** ((semitones - 69) / 12 + octave)


def open_at(n, notes):
    """float32[n]: 1 where a note is held, falling to 0 in its rests."""
    out = np.zeros(n, np.float32)
    for begin, length, _ in notes:
        out[int(begin * paths.RATE):int((begin + length) * paths.RATE)] = 1
    return uniform_filter1d(out, int(0.03 * paths.RATE)).astype(np.float32)


def sing(rng, words, pitch=None, breath=0.003, consonants=False, pace=None):
    """float32[n] of speech -> float32[n] of singing, RMS about 0.08. pitch: float[n], Hz; consonants: what hisses in the words stays noise; pace: 1 as
    fast as it was spoken (drawn from 0.35 to 0.8: vowels last longer when sung)."""
    n = len(words)
    window = np.hanning(SIZE + 1)[:-1].astype(np.float32)
    frames = np.lib.stride_tricks.sliding_window_view(np.pad(words, SIZE // 2), SIZE)[::HOP] * window
    cepstrum = irfft(np.log(np.abs(rfft(frames, axis=1)) + 1e-4), axis=1)
    cepstrum[:, 60:-60] = 0
    envelope = np.exp(rfft(cepstrum, axis=1).real)
    envelope = envelope[(np.arange(len(envelope)) * (pace or rng.uniform(0.35, 0.8))).astype(int)]
    pulses = np.diff(np.floor(np.cumsum((melody(rng, n) if pitch is None else pitch) / paths.RATE)), prepend=0).astype(np.float32)
    noise = rng.standard_normal(n).astype(np.float32)
    cut = lambda x: np.lib.stride_tricks.sliding_window_view(np.pad(x, SIZE // 2), SIZE)[::HOP] * window
    source = cut(pulses + np.float32(breath) * noise)
    if consonants:
        power = envelope[:len(source)] ** 2
        high = int(3000 * SIZE / paths.RATE)
        hiss = np.clip(power[:, high:].sum(1) / (power.sum(1) + 1e-9) * 3 - 1, 0, 1)[:, None].astype(np.float32)
        source = source * (1 - hiss) + cut(0.06 * noise) * hiss
    pieces = irfft(rfft(source, axis=1) * envelope[:len(source)], axis=1) * window
    out = np.zeros(len(pieces) * HOP + SIZE, np.float32)
    for i, piece in enumerate(pieces):
        out[i * HOP:i * HOP + SIZE] += piece
    out = out[SIZE // 2:SIZE // 2 + n]
    return (out * (0.08 / (np.sqrt(np.mean(out ** 2)) + 1e-6))).astype(np.float32)
