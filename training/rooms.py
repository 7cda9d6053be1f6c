"""Rooms by the image method (Allen and Berkley 1979): for measuring, since training hears rooms of shaped noise."""
import numpy as np
from scipy.signal import butter, sosfilt

import bands

SOUND = 343.0  # m/s
LOWEST = 50.0  # Hz


def impulse(size, absorption, source, microphones, order=18):
    """float32[len(microphones), n]: the answers of a shoebox room.

    size (m, three axes); absorption 0 ... 1 of its walls; source and microphones are points (m). The direct sound of the first
    microphone has the amplitude 1 at sample 0; fractional delays are spread over two samples."""
    size, source = np.asarray(size, float), np.asarray(source, float)
    reflect = np.sqrt(1 - absorption)
    steps = np.arange(-order, order + 1)
    axes = []   # per axis: place of each image and how many walls it met
    for a in range(3):
        place = np.where(steps % 2 == 0, steps * size[a] + source[a], (steps + 1) * size[a] - source[a])
        axes.append((place, np.abs(steps)))
    x, y, z = np.meshgrid(*(a[0] for a in axes), indexing="ij")
    walls = sum(np.meshgrid(*(a[1] for a in axes), indexing="ij"))
    keep = walls <= order
    answers = []
    for m in microphones:
        distance = np.sqrt((x - m[0]) ** 2 + (y - m[1]) ** 2 + (z - m[2]) ** 2)[keep]
        answers.append((distance / SOUND * bands.RATE, reflect ** walls[keep] / np.maximum(distance, 0.1)))
    first = answers[0][0].min()
    n = int(max(a[0].max() for a in answers) - first) + 2
    out = np.zeros((len(answers), n))
    for row, (at, gain) in zip(out, answers):
        at = np.maximum(at - first, 0)
        whole = at.astype(int)
        np.add.at(row, whole, gain * (1 - (at - whole)))
        np.add.at(row, np.minimum(whole + 1, n - 1), gain * (at - whole))
    # All images have the same sign, so that what is far below the voice adds up as in no room: the paper takes it away with a
    # high-pass (at a hundredth of its rate; here where rooms and microphones end).
    out = sosfilt(butter(2, LOWEST, "highpass", fs=bands.RATE, output="sos"), out, axis=1)
    return (out / np.abs(out[0]).max()).astype(np.float32)


def some(rng, size, far):
    """float32[2, n]: a room of about `size` metres, `far` metres from a spaced pair, the walls drawn."""
    size = np.array([size, size * rng.uniform(0.6, 0.9), rng.uniform(2.4, 2.4 + size / 4)]) * rng.uniform(0.9, 1.1)
    listener = size * np.array([0.5, 0.35, 0.5]) + rng.uniform(-0.2, 0.2, 3)
    angle = rng.uniform(-0.8, 0.8)
    source = np.clip(listener + far * np.array([np.sin(angle), np.cos(angle), 0.1]), 0.2, size - 0.2)
    pair = [listener + np.array([s * 0.1, 0, 0]) for s in (-1, 1)]
    return impulse(size, rng.uniform(0.15, 0.45), source, pair)
