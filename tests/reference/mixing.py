"""Checks training/mix.py: the products it computes from transformed stems are those of the sound mixed itself."""
import sys

import numpy as np

sys.path.insert(0, sys.argv[1])
import bands
import mix
from products import products
from scipy.fft import rfft

rng = np.random.default_rng(3)
transform, frames = bands.COARSE, 16
waves = rng.standard_normal((4, 2, transform.length(frames))).astype(np.float32)
waves[1, 1] = 0  # a mono room
gains = rng.uniform(0.1, 2, (2, 4)).astype(np.float32)
gains[:, 3] = 0  # no ambience
xx, cross, xs, ss = products([mix.spectrum(w, transform) for w in waves], np.repeat(gains[:, :, None], transform.bins, 2), transform)

stems = waves * gains.T[:, :, None]
window = np.lib.stride_tricks.sliding_window_view(np.concatenate([stems, stems.sum(0, keepdims=True)]), transform.size, axis=-1)
z = rfft(window[:, :, ::transform.hop] * transform.window(), axis=-1)
e = transform.edges()
total = lambda cells: np.stack([cells[..., a:b].sum(-1) for a, b in zip(e[:-1], e[1:])], -1)
x, voice = z[4], z[0] + z[1]
product = x[0] * x[1].conj()
expected = (total(np.abs(x) ** 2), np.stack([total(product.real), total(product.imag)]), total((x.conj() * z[:4]).real),
            total(np.abs(np.concatenate([z[:4], voice[None]])) ** 2))
worst = max(np.abs(a - b).max() / np.abs(b).max() for a, b in zip((xx, cross, xs, ss), expected))
print(f"worst {worst:.1e}")
sys.exit(0 if worst < 1e-3 else 1)  # the spectra are kept in half precision
