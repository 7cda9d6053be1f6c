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


def sing(rng, words):
    """float32[n] of speech -> float32[n] of singing, RMS about 0.08."""
    n = len(words)
    window = np.hanning(SIZE + 1)[:-1].astype(np.float32)
    frames = np.lib.stride_tricks.sliding_window_view(np.pad(words, SIZE // 2), SIZE)[::HOP] * window
    cepstrum = irfft(np.log(np.abs(rfft(frames, axis=1)) + 1e-4), axis=1)
    cepstrum[:, 60:-60] = 0
    envelope = np.exp(rfft(cepstrum, axis=1).real)
    envelope = envelope[(np.arange(len(envelope)) * rng.uniform(0.35, 0.8)).astype(int)]  # vowels last longer when sung
    pulses = np.diff(np.floor(np.cumsum(melody(rng, n) / paths.RATE)), prepend=0).astype(np.float32)
    source = np.lib.stride_tricks.sliding_window_view(np.pad(pulses + 0.003 * rng.standard_normal(n).astype(np.float32), SIZE // 2), SIZE)[::HOP] * window
    pieces = irfft(rfft(source, axis=1) * envelope[:len(source)], axis=1) * window
    out = np.zeros(len(pieces) * HOP + SIZE, np.float32)
    for i, piece in enumerate(pieces):
        out[i * HOP:i * HOP + SIZE] += piece
    out = out[SIZE // 2:SIZE // 2 + n]
    return (out * (0.08 / (np.sqrt(np.mean(out ** 2)) + 1e-6))).astype(np.float32)
