"""A classical separation to compare with; never shipped as a network.

Steady noise by spectral subtraction: its power is the 20th percentile over time in each bin, scaled to the mean of
exponentially distributed power (spectral subtraction after Boll 1979, with power-domain Wiener-like gains). What is left falls
into sustained parts (music) and the rest (voice) by median filtering along time and along frequency (Fitzgerald,
"Harmonic/percussive separation using median filtering", 2010), with soft masks. Window, length and margin were chosen
on clips of the development set itself, in the method's favour.
"""
import numpy as np
from scipy.ndimage import median_filter
from scipy.signal import istft, stft

import bands

SIZE, HOP = 8192, 2048
SUSTAINED = 23  # frames, 1 s
MARGIN = 5.0    # a part counts as sustained when it is this much stronger along time than along frequency


def separate(x):
    """float32[C, n] -> float32[4, C, n] in mix.STEMS' order; the room stays silent."""
    _, _, spectrum = stft(x, bands.RATE, nperseg=SIZE, noverlap=SIZE - HOP)
    power = np.mean(np.abs(spectrum) ** 2, axis=0)
    noise = np.percentile(power, 20, axis=1, keepdims=True) / -np.log(0.8)
    clean = np.maximum(power - noise, 0)
    signal = clean / (power + 1e-20)
    level = np.sqrt(clean)
    sustained, brief = median_filter(level, (1, SUSTAINED)), MARGIN * median_filter(level, (25, 1))
    music = sustained ** 2 / (sustained ** 2 + brief ** 2 + 1e-20)
    masks = np.stack([signal * (1 - music), np.zeros_like(signal), signal * music, 1 - signal])
    _, y = istft(masks[:, None] * spectrum[None], bands.RATE, nperseg=SIZE, noverlap=SIZE - HOP)
    return y[..., :x.shape[-1]].astype(np.float32)
