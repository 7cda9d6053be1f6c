#!/usr/bin/python3
"""Scores what takes a stem apart on the sets of parts_set.py, beside classical methods.

Usage: parts_score.py NETWORK.ts|baseline music|ambience [--quality plain|quick|fine] [--silent SECONDS] [--json]     --silent: with so much digital silence before and after each mixture

The baselines: harmonic and percussive sound by median filters (Fitzgerald, "Harmonic/percussive separation using median filtering", 2010); the
percussive is drums or events; below 150 Hz the harmonic is bass; of the rest the middle is vocals, the sides are guitar and other alike.
"""
import argparse
import json

import numpy as np
import torch
from scipy.ndimage import median_filter

import bands
import evaluate
import measures
import parts
import parts_set

NAMES = {"music": parts.MUSIC, "ambience": parts.AMBIENCE}
# As evaluate.RATES: EXPERIMENTS.md, "Several speeds for the parts".
RATES = {"music": {"plain": (48000,), "quick": (48000,), "fine": (48000, 32000, 64000)}, "ambience": {"plain": (48000,), "quick": (42000,), "fine": (42000, 54000)}}
WORSE = -0.05  # dB


def rows(separate, what, every=1):
    out = []
    for case, stems in parts_set.load(what):
        if case["number"] % every:
            continue
        answer = separate(stems.sum(0))
        row = {**case, "gain": {}, "ceiling": {}}
        for part, a, t in zip(NAMES[what], answer, stems):
            if part in case["scored"]:
                row["gain"][part] = measures.si_sdr(a, t) - case["mixture"][part]
                row["ceiling"][part] = case["oracle"][part] - case["mixture"][part]
        out.append(row)
    return out


def summary(some, names):
    """By part: share of the oracle ratio mask's gain, mean gain (dB), worst, how often worse than the mixture."""
    result = {"mixtures": len(some)}
    for part in names:
        gains = np.array([r["gain"][part] for r in some if part in r["gain"]])
        if len(gains):
            ceilings = np.array([r["ceiling"][part] for r in some if part in r["gain"]])
            result[part] = {"share": round(float(gains.mean() / ceilings.mean()), 3), "gain": round(float(gains.mean()), 2), "worst": round(float(gains.min()), 2),
                            "worse": int((gains < WORSE).sum()), "of": len(gains)}
    return result


def cross_talk(separate, what):
    """Level (dB, mean over mixtures) of each answer relative to the only part that is there."""
    table = {part: [] for part in NAMES[what]}
    for case, stems in parts_set.load(what):
        if case["number"] % 3 == 0:
            for part, alone in zip(NAMES[what], stems):
                if part in case["scored"]:
                    table[part].append([10 * np.log10((np.sum(a ** 2) + 1e-12) / np.sum(alone ** 2)) for a in separate(alone)])
    return {part: {name: round(float(v), 1) for name, v in zip(NAMES[what], np.mean(found, 0))} for part, found in table.items()}


def measure(separate, what):
    found = rows(separate, what)
    return {"all": summary(found, NAMES[what]), "kind": {k: summary([r for r in found if r["kind"] == k], NAMES[what]) for k in dict.fromkeys(parts_set.KINDS[what])},
            "cross_talk": cross_talk(separate, what)}


def brief(network, what, every=2):
    some = summary(rows(evaluate.averaged(network, (bands.RATE,)), what, every), NAMES[what])
    return " ".join(f"{p} {some[p]['share']:.3f} ({some[p]['gain']:.1f} dB, worse {some[p]['worse']}/{some[p]['of']})" for p in NAMES[what])


def baseline(what):
    size, hop = 4096, 1024
    window = torch.hann_window(size)

    def separate(x):
        spectra = torch.stft(torch.from_numpy(np.ascontiguousarray(x)), size, hop, size, window, return_complex=True)
        back = lambda s: torch.istft(s, size, hop, size, window, length=x.shape[-1]).numpy()
        magnitude = spectra.abs().numpy()
        harmonic = np.stack([median_filter(m, (1, 17)) for m in magnitude]) ** 2
        percussive = np.stack([median_filter(m, (31, 1)) for m in magnitude]) ** 2
        share = torch.from_numpy(percussive / (percussive + harmonic + 1e-12))
        hit, held = back(spectra * share), spectra * (1 - share)
        if what == "ambience":
            return np.stack([hit, back(held)])
        low = (torch.arange(size // 2 + 1) * bands.RATE / size < 150).view(1, -1, 1)
        rest = back(held * ~low)
        middle = rest.mean(0, keepdims=True).repeat(2, 0)
        return np.stack([middle, hit, back(held * low), rest - 0.5 * middle, rest - 0.5 * middle])
    return separate


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("network")
    parser.add_argument("what", choices=NAMES)
    parser.add_argument("--quality", default="fine", choices=evaluate.RATES)
    parser.add_argument("--silent", type=float, default=0)
    parser.add_argument("--json", action="store_true")
    options = parser.parse_args()
    separate = baseline(options.what) if options.network == "baseline" else evaluate.averaged(torch.jit.load(options.network), RATES[options.what][options.quality])
    result = measure(evaluate.amid_silence(separate, options.silent) if options.silent else separate, options.what)
    if options.json:
        print(json.dumps(result))
        return
    for name, some in [("all", result["all"]), *result["kind"].items()]:
        shown = [(p, some[p]) for p in NAMES[options.what] if p in some]
        print(f"{name:16}" + "  ".join(f"{p} {s['share']:.2f} ({s['gain']:+.1f} dB, worst {s['worst']:+.1f}, worse {s['worse']}/{s['of']})" for p, s in shown))
    for part, levels in result["cross_talk"].items():
        print(f"{part:10} alone leaves " + " ".join(f"{name} {v:.0f}" for name, v in levels.items()))


if __name__ == "__main__":
    main()
