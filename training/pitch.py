"""The pitch of a voice, from the autocorrelation of its loud frames (Rabiner 1977)."""
import numpy as np
from scipy.signal import decimate

import paths

STEP, LOWEST, HIGHEST = 6, 60.0, 500.0   # 8 kHz are enough for a fundamental


def median(x):
    """Median fundamental (Hz) of float[n] at 48 kHz over its voiced frames; 0 when fewer than five are voiced."""
    x = decimate(x[:8 * paths.RATE], STEP, ftype="fir") if len(x) > 1000 else x
    rate, size = paths.RATE / STEP, 480                     # frames of 60 ms
    if len(x) < size:
        return 0.0
    frames = np.lib.stride_tricks.sliding_window_view(x, size)[::160]
    power = np.mean(frames ** 2, axis=1)
    frames = frames[power > 0.1 * np.percentile(power, 90)] * np.hanning(size)
    spectrum = np.abs(np.fft.rfft(frames, 1024)) ** 2
    spectrum[:, :int(50 * 1024 / rate)] = 0                 # rumble is no voice
    window = np.fft.irfft(np.abs(np.fft.rfft(np.hanning(size), 1024)) ** 2)
    together = np.fft.irfft(spectrum)[:, :size // 2] / window[:size // 2]
    lags = np.arange(int(rate / HIGHEST), int(rate / LOWEST))
    of_lag = together[:, lags] / (together[:, :1] + 1e-12)
    best = of_lag.max(axis=1)
    # The shortest lag that is nearly as good as the best: multiples of the period are as good as itself.
    first = np.argmax(of_lag > 0.9 * best[:, None], axis=1)
    peak = first + np.array([np.argmax(row[f:f + 8]) for row, f in zip(of_lag, first)], dtype=int) if len(first) else first
    voiced = best > 0.5
    return float(rate / np.median(lags[peak[voiced]])) if voiced.sum() >= 5 else 0.0
