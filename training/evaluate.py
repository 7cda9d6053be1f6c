#!/usr/bin/python3
"""Measures a network on the development set: SI-SDR per stem, over the unprocessed mixture.

Usage: evaluate.py NETWORK.ts      a shipped or exported network
The development set: 24 mixtures of 10 s with fixed seeds, from speakers, music and effects that
are never trained on. SI-SDR after Le Roux et al., "SDR - half-baked or well done?" (2019).
"""
import json
import sys

import numpy as np
import torch

import bands
import mix
import model
import paths

CLIPS, SECONDS = 24, 10


def si_sdr(estimate, reference):
    """dB; both float[n]."""
    reference = reference - reference.mean()
    estimate = estimate - estimate.mean()
    target = reference * (np.dot(estimate, reference) / np.dot(reference, reference))
    return float(10 * np.log10(np.dot(target, target) / (np.sum((estimate - target) ** 2) + 1e-20)))


def development_set():
    """Yields (stems float32[3, n]) at 48 kHz, all three present, at fixed seeds."""
    mixer = mix.Mixer("develop", 0)
    n = SECONDS * bands.RATE
    for number in range(CLIPS):
        rng = mixer.rng = np.random.default_rng(77000 + number)
        voice, _ = mixer.voice(n)
        music = mixer.song(n) * 10 ** (rng.uniform(-16, 1) / 20)
        around = mixer.surroundings(n - bands.RATE)  # the pool's rows are 10 s: leave room for an offset
        around = np.pad(around, (0, n - len(around)), mode="wrap") * 10 ** (rng.uniform(-16, 1) / 20)
        stems = np.stack([voice, music, around]).astype(np.float32)
        yield stems * (0.7 / max(0.7, np.abs(stems.sum(0)).max()))


def score_waveform(separate):
    """Mean SI-SDR of separate(mixture float32[n]) -> float32[3, n] and of the mixture itself."""
    rows, base = [], []
    for stems in development_set():
        mixture = stems.sum(0)
        estimates = separate(mixture)
        rows.append([si_sdr(estimates[s], stems[s]) for s in range(3)])
        base.append([si_sdr(mixture, stems[s]) for s in range(3)])
    rows, base = np.array(rows), np.array(base)
    name = lambda values: {s: round(float(v), 2) for s, v in zip(mix.STEMS, values)}
    return {"mean": name(rows.mean(0)), "mixture": name(base.mean(0)), "gain": name((rows - base).mean(0)),
            "clips": rows.round(2).tolist()}


def oracle(stems):
    """The ratio mask of the true magnitudes, the usual ceiling for real masks."""
    window = torch.hann_window(bands.SIZE)
    spectra = torch.stft(torch.from_numpy(stems), bands.SIZE, bands.HOP, bands.SIZE, window, return_complex=True)
    magnitude = spectra.abs()
    mask = magnitude / (magnitude.sum(0, keepdim=True) + 1e-9)
    return torch.istft(mask * spectra.sum(0), bands.SIZE, bands.HOP, bands.SIZE, window, length=stems.shape[1]).numpy()


def score(net):
    """Scores a BandNet (as trained); leaves it in evaluation mode."""
    wrapped = model.WaveformNetwork(net).eval()
    with torch.no_grad():
        return score_waveform(lambda x: wrapped(torch.from_numpy(x)[None, None])[0, :, 0].numpy())


def measure(network):
    """score_waveform() of a TorchScript network, with the oracle's figures."""
    with torch.no_grad():
        result = score_waveform(lambda x: network(torch.from_numpy(x)[None, None])[0, :, 0].numpy())
    ceiling = np.mean([[si_sdr(e, s) for e, s in zip(oracle(stems), stems)] for stems in development_set()], 0)
    result["oracle_ratio_mask"] = {s: round(float(v), 2) for s, v in zip(mix.STEMS, ceiling)}
    return result


def main():
    if len(sys.argv) != 2:
        sys.exit(__doc__)
    torch.set_num_threads(2)
    print(json.dumps(measure(torch.jit.load(sys.argv[1])), indent=1))


if __name__ == "__main__":
    main()
