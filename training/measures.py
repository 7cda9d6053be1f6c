"""Measures of a separation against known stems. Signals are float[channels, n] or float[n] at one rate.

si_sdr   Le Roux, Wisdom, Erdogan, Hershey: "SDR - half-baked or well done?" (2019), over all channels at once.
bss_eval Vincent, Gribonval, Fevotte: "Performance measurement in blind audio source separation" (2006), with a
         time-invariant distortion filter of 512 taps. The tests compare it with mir_eval's, which is ten times slower.
estoi    Jensen and Taal: "An algorithm for predicting the intelligibility of speech masked by modulated noise
         maskers" (2016): 10 kHz, 15 third-octave bands from 150 Hz, segments of 30 frames (384 ms).
"""
import numpy as np
from scipy.fft import irfft, next_fast_len, rfft
from scipy.linalg import cho_factor, cho_solve, toeplitz
from scipy.signal import resample_poly


def si_sdr(estimate, reference):
    """dB; the level of the estimate does not count, its offset does not either."""
    reference = np.ravel(reference - np.mean(reference, axis=-1, keepdims=True)).astype(np.float64)
    estimate = np.ravel(estimate - np.mean(estimate, axis=-1, keepdims=True)).astype(np.float64)
    target = reference * (np.dot(estimate, reference) / np.dot(reference, reference))
    return float(10 * np.log10((np.dot(target, target) + 1e-20) / (np.sum((estimate - target) ** 2) + 1e-20)))


def bss_eval(estimates, references, taps=512):
    """(sdr, sir, sar) in dB, each float[stems], of float[stems, n]; the order of the stems is given."""
    stems, n = references.shape
    size = next_fast_len(n + taps, real=True)
    spectra = rfft(references, size, axis=1)
    correlate = lambda a, b: irfft(np.conj(a) * b, size)
    lags = np.arange(taps)
    gram = np.empty((stems * taps, stems * taps))
    for a in range(stems):
        for b in range(stems):
            r = correlate(spectra[a], spectra[b])  # entry (i, k) is the correlation at lag i - k
            gram[a * taps:(a + 1) * taps, b * taps:(b + 1) * taps] = toeplitz(r[lags], r[-lags])
    gram[np.diag_indices_from(gram)] *= 1 + 1e-12
    everything = cho_factor(gram)
    figures = []
    for s in range(stems):
        spectrum = rfft(estimates[s], size)
        match = np.concatenate([correlate(spectra[a], spectrum)[lags] for a in range(stems)])
        block = slice(s * taps, (s + 1) * taps)
        # Energies of the projections onto the own source and onto all; Pythagoras gives the rest.
        target = match[block] @ cho_solve(cho_factor(gram[block, block]), match[block])
        within, energy = match @ cho_solve(everything, match), np.sum(estimates[s] ** 2)
        ratio = lambda p, q: 10 * np.log10(p / max(q, energy * 1e-14))
        figures.append([ratio(target, energy - target), ratio(target, within - target), ratio(within, energy - within)])
    return np.array(figures).T


ESTOI_RATE, FRAME, HOP, FFT, SEGMENT = 10000, 256, 128, 512, 30
CENTRES = 150 * 2 ** (np.arange(15) / 3)


def third_octaves():
    """float[15, FFT / 2 + 1]: which bins belong to which band."""
    f = np.arange(FFT // 2 + 1) * ESTOI_RATE / FFT
    nearest = lambda hz: int(np.argmin((f - hz) ** 2))
    bands = np.zeros((15, len(f)))
    for k, centre in enumerate(CENTRES):
        bands[k, nearest(centre * 2 ** (-1 / 6)):nearest(centre * 2 ** (1 / 6))] = 1
    return bands


def frames_of(x, window):
    return np.lib.stride_tricks.sliding_window_view(x, FRAME)[::HOP] * window


def without_pauses(reference, estimate, window, range_db=40):
    """Both signals without the frames in which the reference is range_db below its loudest frame."""
    a, b = frames_of(reference, window), frames_of(estimate, window)
    level = 20 * np.log10(np.linalg.norm(a, axis=1) + 1e-12)
    keep = level > level.max() - range_db
    out = []
    for frames in (a[keep], b[keep]):
        y = np.zeros((len(frames) - 1) * HOP + FRAME) if len(frames) else np.zeros(0)
        for i, frame in enumerate(frames):
            y[i * HOP:i * HOP + FRAME] += frame
        out.append(y)
    return out


def estoi(estimate, reference, rate):
    """0 ... 1, more is more intelligible; None when less than 0.4 s of speech is there."""
    mono = lambda x: np.mean(np.atleast_2d(x), axis=0).astype(np.float64)
    common = np.gcd(rate, ESTOI_RATE)
    x, y = (resample_poly(mono(s), ESTOI_RATE // common, rate // common) for s in (reference, estimate))
    window = np.hanning(FRAME + 2)[1:-1]
    x, y = without_pauses(x, y, window)
    if len(x) < FRAME + SEGMENT * HOP:
        return None
    bands = third_octaves()
    x, y = (np.sqrt(np.abs(np.fft.rfft(frames_of(s, window), FFT)) ** 2 @ bands.T) for s in (x, y))
    def normal(z, axis):
        z = z - z.mean(axis=axis, keepdims=True)
        return z / (np.linalg.norm(z, axis=axis, keepdims=True) + 1e-12)
    parts = []
    for m in range(SEGMENT, len(x) + 1):
        a, b = (normal(normal(s[m - SEGMENT:m], 0), 1) for s in (x, y))
        parts.append(np.sum(a * b) / SEGMENT)
    return float(np.mean(parts))
