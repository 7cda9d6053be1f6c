#!/usr/bin/python3
"""Measures a network on the development set, over the unprocessed mixture.

Usage: evaluate.py NETWORK.ts [--quality plain|quick|fine] [--full] [--json]
       evaluate.py baseline [--full] [--json]     the classical method of baseline.py

The development set: 24 stereo mixtures of 10 s with fixed seeds, from speakers, music and effects that
are never trained on, and the same 24 folded to mono. --full adds BSS Eval and the cross-talk table.
The voice is what Rivlen shows as dialogue: dialogue and room together.
"""
import argparse
import json

import numpy as np
import torch

import bands
import hearing
import measures
from stems import Stems

CLIPS, SECONDS = 24, 10
# What each quality averages: the recording as if it were at these rates in Hz, each taken for 48000 (hearing.py).
RATES = {"plain": (48000,), "quick": (42000,), "fine": (48000, 36000, 42000, 60000)}
SHOWN = ("dialogue", "music", "ambience")


def left_right(x):
    return np.stack([x[0] + x[1], x[0] - x[1]])


def development_set(channels=2):
    """Yields (stems float32[4, channels, n]) in mix.STEMS' order at 48 kHz; all but the room are always there."""
    source = Stems("develop", None)
    n = SECONDS * bands.RATE
    for number in range(CLIPS):
        rng = source.rng = np.random.default_rng(77000 + number)
        dialogue, room, _ = source.voice(n)
        music = source.song(n) * 10 ** (rng.uniform(-16, 1) / 20)
        around = source.surroundings(n) * 10 ** (rng.uniform(-16, 1) / 20)
        stems = np.stack([dialogue, room, music, around]).astype(np.float32)
        stems = np.stack([left_right(s) for s in stems]) if channels == 2 else stems[:, :1]
        yield stems * np.float32(0.7 / max(0.7, np.abs(stems.sum(0)).max()))


def shown(stems):
    """Four stems as the three that are shown."""
    return np.stack([stems[0] + stems[1], stems[2], stems[3]])


def amid_silence(separate, seconds):
    """separate(), of what begins and ends in digital silence."""
    n = int(seconds * bands.RATE)
    return lambda x: separate(np.pad(x, ((0, 0), (n, n))))[..., n:n + x.shape[-1]]


def averaged(network, rates):
    """A function float32[C, n] -> float32[stems, C, n]: the mean of its answers to the recording at these rates, as the program hears it."""
    heard = [hearing.Hearing(network, rate) for rate in rates]
    return lambda x: sum(hear(x) for hear in heard) / len(heard)


def waveform(network, quality="plain"):
    """A function float32[C, n] -> float32[4, C, n]."""
    mean = averaged(network, RATES[quality])

    def separate(x):
        y = mean(x)
        return y if len(y) == 4 else np.stack([y[0], np.zeros_like(y[0]), y[1], y[2]])
    return separate


def oracle(stems):
    """The ratio mask of the true magnitudes, per channel: the usual ceiling for real masks."""
    size, hop = bands.FINE.size, bands.FINE.hop
    window = torch.hann_window(size)
    flat = torch.from_numpy(stems.reshape(-1, stems.shape[-1]))
    spectra = torch.stft(flat, size, hop, size, window, return_complex=True).view(*stems.shape[:2], bands.FINE.bins, -1)
    magnitude = spectra.abs()
    masked = magnitude / (magnitude.sum(0, keepdim=True) + 1e-9) * spectra.sum(0)
    y = torch.istft(masked.flatten(0, 1), size, hop, size, window, length=stems.shape[-1])
    return y.view(stems.shape).numpy()


def named(values, digits=2):
    return {s: round(float(v), digits) for s, v in zip(SHOWN, values)}


def score(separate, channels=2, full=False):
    """Mean figures over the set of separate(), the mixture and the oracle, and the share of the oracle's gain."""
    rows = {"network": [], "mixture": [], "oracle_ratio_mask": []}
    speech, bss, parts = [], [], []
    for stems in development_set(channels):
        truth, mixture = shown(stems), stems.sum(0)
        four = separate(mixture)
        answer = shown(four)
        for name, estimates in (("network", answer), ("mixture", [mixture] * 3), ("oracle_ratio_mask", oracle(truth))):
            rows[name].append([measures.si_sdr(e, t) for e, t in zip(estimates, truth)])
        ratio = 10 * np.log10(np.sum(truth[0] ** 2) / np.sum((mixture - truth[0]) ** 2))
        speech.append([measures.estoi(answer[0], truth[0], bands.RATE), measures.estoi(mixture, truth[0], bands.RATE), ratio])
        if stems[1].any():
            parts.append([measures.si_sdr(four[i], stems[i]) - measures.si_sdr(mixture, stems[i]) for i in range(2)])
        if full:
            mono = lambda x: np.mean(x, axis=1).astype(np.float64)
            bss.append(measures.bss_eval(mono(answer), mono(truth)))
    mean = {name: np.mean(values, 0) for name, values in rows.items()}
    gain, ceiling = mean["network"] - mean["mixture"], mean["oracle_ratio_mask"] - mean["mixture"]
    speech = np.array(speech)
    near = np.abs(speech[:, 2]) < 3
    result = {"si_sdr": {name: named(v) for name, v in mean.items()}, "gain": named(gain), "share_of_oracle_gain": named(gain / ceiling, 3),
              "estoi": {"network": round(speech[:, 0].mean(), 3), "mixture": round(speech[:, 1].mean(), 3),
                        "gain_near_0_db": round((speech[near, 0] - speech[near, 1]).mean(), 3), "clips_near_0_db": int(near.sum())},
              "reverberant_clips": {"count": len(parts), "gain_dialogue": round(np.mean([p[0] for p in parts]), 2),
                                    "gain_room": round(np.mean([p[1] for p in parts]), 2)}}
    if full:
        for i, name in enumerate(("sdr", "sir", "sar")):
            result.setdefault("bss_eval", {})[name] = named(np.mean([b[i] for b in bss], 0))
    return result


def cross_talk(separate):
    """Level (dB, mean over clips) of each answer relative to the only stem that is there."""
    table = {s: [] for s in SHOWN}
    for stems in development_set():
        for i, name in enumerate(SHOWN):
            alone = shown(stems)[i]
            answer = shown(separate(alone))
            table[name].append([10 * np.log10((np.sum(a ** 2) + 1e-12) / np.sum(alone ** 2)) for a in answer])
    return {name: named(np.mean(rows, 0), 1) for name, rows in table.items()}


def measure(separate, full=True):
    result = {"stereo": score(separate, 2, full), "mono": score(separate, 1, full)}
    if full:
        result["cross_talk"] = cross_talk(separate)
    return result


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("network")
    parser.add_argument("--quality", default="fine", choices=RATES)
    parser.add_argument("--full", action="store_true")
    parser.add_argument("--json", action="store_true")
    options = parser.parse_args()
    torch.set_num_threads(2)
    if options.network == "baseline":
        import baseline
        separate = baseline.separate
    else:
        separate = waveform(torch.jit.load(options.network), options.quality)
    print(json.dumps(measure(separate, options.full), indent=None if options.json else 1))


if __name__ == "__main__":
    main()
