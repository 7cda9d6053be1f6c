#!/usr/bin/python3
"""Scores a network on the field set (field.py): per kind, per voice, per position, means and worst cases.

Usage: field_score.py NETWORK.ts|program [--quality plain|quick|fine] [--mono] [--silent SECONDS] [--every N] [--json]
       program: rivlen-cli as built; --mono folds every mixture to one channel; --silent: with so much digital silence before and after each
"""
import argparse
import json
import math

import numpy as np
import torch

import bands
import evaluate
import field
import measures
import memory
import program

WORSE = -0.05  # dB of gain below which a stem counts as made worse: less is rounding


def rows(separate, every=1, first=0, estoi=False, mono=False):
    """One dict per mixture: its case, gains and the oracle's gains (dB) per scored stem."""
    out = []
    for case, stems in field.load():
        if case["number"] % every != first:
            continue
        before, oracle = case["mixture"], case["oracle"]
        if mono and stems.shape[1] == 2:
            stems = stems.mean(1, keepdims=True)
            truths = dict(zip(field.PARTS, stems))
            ideal = dict(zip(field.PARTS, evaluate.oracle(stems)))
            before = {p: measures.si_sdr(stems.sum(0), truths[p]) for p in case["scored"]}
            oracle = {p: measures.si_sdr(ideal[p], truths[p]) for p in case["scored"]}
        answer = evaluate.shown(separate(stems.sum(0)))
        row = {**case, "gain": {}, "ceiling": {}}
        for part, a, t in zip(field.PARTS, answer, stems):
            if part in case["scored"]:
                row["gain"][part] = float(measures.si_sdr(a, t)) - before[part]
                row["ceiling"][part] = oracle[part] - before[part]
        if estoi:
            row["estoi_gain"] = measures.estoi(answer[0], stems[0], bands.RATE) - measures.estoi(stems.sum(0), stems[0], bands.RATE)
        out.append(row)
    return out


def summary(some):
    """Share of the oracle's gain, worst gain and how often it got worse, per stem, over some rows."""
    result = {"mixtures": len(some)}
    for part in field.PARTS:
        gains = np.array([r["gain"][part] for r in some if part in r["gain"]])
        if len(gains):
            ceilings = np.array([r["ceiling"][part] for r in some if part in r["gain"]])
            result[part] = {"share": round(float(gains.mean() / ceilings.mean()), 3), "gain": round(float(gains.mean()), 2),
                            "worst": round(float(gains.min()), 2), "worse": int((gains < WORSE).sum()), "of": len(gains)}
    found = [r["estoi_gain"] for r in some if "estoi_gain" in r]
    if found:
        result["estoi_gain"] = round(float(np.mean(found)), 3)
    return result


def leaks(separate):
    """speaker -> level (dB) of what a voice alone leaves in the other stems."""
    result = {}
    for name, x in field.voices():
        answer = evaluate.shown(separate(x))
        result[name] = round(float(10 * np.log10((np.sum(answer[1:].sum(0) ** 2) + 1e-12) / np.sum(x ** 2))), 1)
    return result


def measure(separate, mono=False, estoi=True):
    found = rows(separate, estoi=estoi, mono=mono)
    by = lambda key, values: {v: summary([r for r in found if r[key] == v]) for v in values}
    result = {"all": summary(found), "kind": by("kind", field.KINDS), "voice": by("voice", sorted(set(field.VOICES)))}
    if not mono:
        leak = leaks(separate)
        result |= {"position": by("position", field.POSITIONS), "voice_alone": {"worst": max(leak.values()), "above_-25": sum(v > -25 for v in leak.values()),
                                                                                 "of": len(leak), "speakers": leak}}
    return result


def brief(separate, every=3):
    """The main figures over every third mixture, one line."""
    some = summary(rows(separate, every))
    return " ".join(f"{p} {some[p]['share']:.3f} (worse {some[p]['worse']}/{some[p]['of']}, {some[p]['worst']:.1f})" for p in field.PARTS)


def table(result):
    """The result as lines of text."""
    lines = [f"{'':12}" + "".join(f"{p:>28}" for p in field.PARTS) + "   ESTOI", f"{'':12}" + f"{'share  worst  worse':>28}" * 3]
    groups = [("all", result["all"])] + [(name, s) for key in ("kind", "voice", "position") if key in result for name, s in result[key].items()]
    for name, s in groups:
        cells = [f"{s[p]['share']:14.2f}{s[p]['worst']:7.1f}{s[p]['worse']:4}/{s[p]['of']:<2}" if p in s else f"{'-':>28}" for p in field.PARTS]
        lines.append(f"{name:12}" + "".join(f"{c:>28}" for c in cells) + (f"{s['estoi_gain']:8.3f}" if "estoi_gain" in s else ""))
    if "voice_alone" in result:
        alone = result["voice_alone"]
        lines.append(f"a voice alone leaks {alone['worst']} dB at worst, more than -25 dB in {alone['above_-25']} of {alone['of']}")
    return "\n".join(lines)


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("network")
    parser.add_argument("--quality", default="fine", choices=evaluate.RATES)
    parser.add_argument("--mono", action="store_true")
    parser.add_argument("--silent", type=float, default=0)
    parser.add_argument("--every", type=int, default=1, help="of so many mixtures one, in a line")
    parser.add_argument("--json", action="store_true")
    parser.add_argument("--threads", type=int, default=2)
    options = parser.parse_args()
    if options.every > 1 and math.gcd(options.every, len(field.KINDS)) > 1:
        parser.error(f"--every {options.every} would leave out kinds of mixtures: take 3, 5 or 7")
    memory.keep()
    torch.set_num_threads(options.threads)
    separate = program.waveform(options.quality) if options.network == "program" else evaluate.waveform(torch.jit.load(options.network), options.quality)
    if options.silent:
        separate = evaluate.amid_silence(separate, options.silent)
    if options.every > 1:
        print(brief(separate, options.every))
        return
    result = measure(separate, options.mono)
    print(json.dumps(result) if options.json else table(result))


if __name__ == "__main__":
    main()
