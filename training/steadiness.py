"""How steady a recording is: what tells a bed, which goes on, from events, which stand out."""
import json

import numpy as np
from scipy.fft import rfft

import bands
import paths

SIZE, HOP = 2048, 1024
STEADY, LIVELY = 3.5, 5.0   # dB: beds are below the first bound, events above the second or short
SHORT = 1.0                 # s: what is shorter is an event whatever it does


def unsteadiness(x):
    """dB: how much the level in thirds of an octave moves over time, the mean of bands by their energy. x: float[n] or float[2, n]; at least 0.3 s."""
    x = np.atleast_2d(x)[0]
    if len(x) < 0.3 * bands.RATE:
        return 99.0
    frames = np.lib.stride_tricks.sliding_window_view(x, SIZE)[::HOP] * np.hanning(SIZE)
    power = np.abs(rfft(frames, axis=1)) ** 2
    edges = np.unique(np.round(100 * 2 ** (np.arange(0, 24) / 3) * SIZE / bands.RATE).astype(int))
    thirds = np.stack([power[:, a:b].sum(1) for a, b in zip(edges[:-1], edges[1:])], 1)
    # Over a quarter of a second: what moves faster is grain, not an event.
    half = int(0.25 * bands.RATE / HOP)
    kernel = np.ones(half) / half
    smooth = np.stack([np.convolve(t, kernel, "valid") for t in thirds.T], 1) if len(thirds) > half else thirds.mean(0, keepdims=True)
    weight = np.sqrt(thirds.mean(0) + 1e-12)
    return float(np.sum(weight * (10 * np.log10(smooth + 1e-9)).std(0)) / weight.sum())


def table(role, name):
    """float[items] of a stems.Role, kept in prepared/."""
    file = paths.PREPARED / f"{name}-steadiness.json"
    if file.exists():
        found = json.loads(file.read_text())
        if len(found) == len(role.items):
            return np.array(found)
    found = [round(unsteadiness(role.get(i)), 2) for i in range(len(role.items))]
    file.write_text(json.dumps(found))
    return np.array(found)


def keep(role, numbers):
    """Leaves a stems.Role with these items alone."""
    role.items = [role.items[i] for i in numbers]


def seconds(role):
    return np.array([(item["end"] - item["start"]) / bands.RATE for item in role.items])


def beds(role, name):
    """Numbers of the items that go on; the steadier half where nearly none does."""
    moves = table(role, name)
    chosen = np.nonzero(moves < max(STEADY, np.median(moves)))[0]
    return chosen


def events(role, name):
    """Numbers of the items that stand out."""
    return np.nonzero((table(role, name) > LIVELY) | (seconds(role) < SHORT))[0]
