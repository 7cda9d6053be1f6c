#!/usr/bin/python3
"""Exports a run's averaged weights as TorchScript with its card into networks/.

Usage: export.py RUN KIND [--no-speed]      KIND: main, music-parts, ambience-parts
       export.py - KIND                     measures the shipped network again, and its speed, and notes it in its card
The card's figures are all measured here: quality on the field set, quality and cross-talk on the development set, quality on the committed
excerpt of it (for the tests), speed with rivlen-cli on five minutes of sound when it has been built. What takes stems apart is measured on the
sets of parts_set.py, beside a classical method.
"""
import argparse
import copy
import datetime
import hashlib
import json
import os
import pathlib
import subprocess
import tempfile

os.environ.setdefault("OMP_WAIT_POLICY", "passive")

import numpy as np
import soundfile
import torch

import bands
import compact
import evaluate
import field_score
import make_excerpt
import measures
import memory
import mix
import parts_score
import paths
import rounding
import tasks
import train
import waveform

NETWORKS = paths.HERE.parent / "networks"
CLI = paths.HERE.parent / "build" / "bin" / "rivlen-cli"

KINDS = {
    "main": {
        "name": "Main", "rank": 10, "context_seconds": 5.4,
        "purpose": "Speech over music and surroundings, indoors and outdoors, mono and stereo. Interviews, narration, scenes.",
        "shown": {"room": "dialogue"}, "rates": evaluate.RATES, "made_of": "training/mix.py",
        "data": "Open recordings from Debian's packages, synthesised voices and procedural ambience; every file with licence and checksum in training/manifest.json.",
    },
    "music-parts": {
        "name": "Music apart", "rank": 50, "context_seconds": 5.4, "of": "music", "sureness": 0.7,
        "purpose": "Takes music further apart: vocals, drums, bass, guitar and other instruments.",
        "shown": {}, "rates": parts_score.RATES["music"], "made_of": "training/parts.py",
        "data": "Pieces composed by rule (training/compose.py) and openttd-openmsx's, through the soundfonts and drum kits of training/render_parts.py; strings by "
                "calculation (training/plucked.py); recorded guitars of "
                "fretsonfire-songs-muldjord; singing made of the open recordings of speech in training/manifest.json, and songs of the singing synthesis of Debian's festival.",
    },
    "ambience-parts": {
        "name": "Ambience apart", "rank": 51, "context_seconds": 5.4, "of": "ambience",
        "purpose": "Takes the surroundings further apart: events that distract, and the bed that tells where we are.",
        "shown": {}, "rates": parts_score.RATES["ambience"], "made_of": "training/parts.py",
        "data": "Open recordings of events and places from Debian's packages, voices as crowds, and procedural ambience; every file with licence and checksum in training/manifest.json.",
    },
}


def gigaflop_per_second(network):
    """Multiplications and additions of the U-Net and the band sums for one second of stereo, in 1e9."""
    total = [0]
    def count(module, inputs, output):
        if isinstance(module, torch.nn.Conv2d):
            total[0] += 2 * output.numel() * module.weight[0].numel()
        elif isinstance(module, torch.nn.Linear):
            total[0] += 2 * output.numel() * module.in_features
    hooks = [m.register_forward_hook(count) for m in network.modules()]
    frames, transform = 800, network.transform
    power = torch.rand(1, 2, frames, transform.bands)
    with torch.no_grad():
        network(power, power)
    for hook in hooks:
        hook.remove()
    per_frame = total[0] / frames
    stems = network.stems
    per_frame += 2 * transform.bins * transform.bands * (4 + 2 * (stems - 1))                 # band sums, masks spread over bins
    per_frame += 5 * transform.size / 2 * np.log2(transform.size) * 2 * stems                     # transforms there and back
    return per_frame * bands.RATE / network.transform.hop / 1e9


def on_excerpt(separate):
    """Mean SI-SDR per shown stem over the committed clips, read back as the tests read them."""
    rows = []
    for number in range(1, len(make_excerpt.SEEDS) + 1):
        parts = np.stack([soundfile.read(make_excerpt.FOLDER / f"{number}-{s}.flac", dtype="float32")[0].T for s in mix.STEMS])
        truth, answer = evaluate.shown(parts), evaluate.shown(separate(parts.sum(0)))
        rows.append([measures.si_sdr(a, t) for a, t in zip(answer, truth)])
    return evaluate.named(np.mean(rows, 0))


STOLEN = 0.03  # of the processors' time that may go to other machines on the same host while a speed is measured


def processor_time():
    """(what the host gave to others, all) of this machine's processors' time so far, in ticks."""
    ticks = [int(n) for n in pathlib.Path("/proc/stat").read_text().split("\n", 1)[0].split()[1:9]]
    return ticks[7], sum(ticks)


def speed(quality, network, of=None):
    """Times real time of `rivlen-cli split` on five minutes of stereo, the best of three; of: of taking that stem apart alone. Runs in which the host
    gave more than STOLEN of the processors to others do not count: they halve the figure. None where that was so each time."""
    with tempfile.TemporaryDirectory() as folder:
        x = np.random.default_rng(1).standard_normal((300 * bands.RATE, 2)).astype(np.float32) * 0.1
        soundfile.write(f"{folder}/noise.wav", x, bands.RATE, "FLOAT")
        best, counted = 0, 0
        for _ in range(9):
            before = processor_time()
            run = subprocess.run([CLI, "split", f"{folder}/noise.wav", "--out", folder, "--quality", quality, *(("--parts", of) if of else ("--network", network)), "--force", "--json"],
                                 capture_output=True, text=True, check=True)
            stolen, whole = (b - a for a, b in zip(before, processor_time()))
            if stolen > STOLEN * whole:
                continue
            file = json.loads(run.stdout)["files"][0]
            counted += 1
            best = max(best, file["seconds_audio"] / (file["parts_seconds_wall"][of] if of else file["seconds_wall"]))
            if counted == 3:
                break
    return round(best, 1) if counted else None


def in_the_field(separate):
    return {"measure": "share of the oracle ratio mask's gain in SI-SDR, worst gain (dB) and how often a stem got worse, on the 72 mixtures of training/field.py: "
                       "speakers, pieces, places and rooms that had no part in the training",
            "stereo": field_score.measure(separate), "mono": field_score.measure(separate, mono=True)}


def write(card):
    (NETWORKS / f"{card['id']}.json").write_text(json.dumps(card, indent=1, ensure_ascii=False) + "\n")


def note_speed(card):
    card["speed"] = {"measure": "times real time of rivlen-cli split on five minutes of stereo at 48 kHz, two processor cores, best of three"}
    for quality in ("fine", "quick"):
        card["speed"][quality] = speed(quality, card["id"], card.get("of"))
        if card["speed"][quality] is None:
            raise SystemExit("export.py: the host gives this machine's processors to others all the time; measure the speed later, with note_speed. The card is as it was.")
    write(card)


def note_quality_of_parts(card, script):
    what = card["of"]
    separate, quick = (evaluate.averaged(script, parts_score.RATES[what][quality]) for quality in ("fine", "quick"))
    classical = parts_score.summary(parts_score.rows(parts_score.baseline(what), what), parts_score.NAMES[what])
    measured = parts_score.measure(separate, what)
    card["quality"] = {"field": {
        "measure": "share of the oracle ratio mask's gain in SI-SDR, mean and worst gain (dB) and how often a part got worse, on the set of training/parts_set.py: soundfonts, drum "
                   "kits, pieces, singers, places and events that had no part in the training; beside it harmonic and percussive sound by median filters",
        "stereo": {k: measured[k] for k in ("all", "kind")}, "classical": classical,
        "quick": parts_score.summary(parts_score.rows(quick, what), parts_score.NAMES[what])},
        "excerpt_si_sdr": make_excerpt.score_parts(separate, what)}
    card["cross_talk"] = {"measure": "level in dB of each answer (column) relative to the only part that is there (row), mean over a third of that set", "db": measured["cross_talk"]}


def note_quality(card, script):
    """What is stated of the fine quality, and under "quick" the same of the quick one."""
    if "of" in card:
        return note_quality_of_parts(card, script)
    fine, quick = (evaluate.waveform(script, quality) for quality in ("fine", "quick"))
    measured, quickly = evaluate.measure(fine, full=True), evaluate.measure(quick, full=False)
    card["quality"] = {
        "measure": "SI-SDR in dB, mean over the 24 clips of 10 s of training/evaluate.py (unseen speakers, music and effects); dialogue counts with its room",
        "stereo": measured["stereo"], "mono": measured["mono"], "field": in_the_field(fine), "excerpt_si_sdr": on_excerpt(fine),
        "quick": {"stereo": quickly["stereo"], "mono": quickly["mono"], "field": in_the_field(quick), "excerpt_si_sdr": on_excerpt(quick)},
    }
    card["cross_talk"] = {
        "measure": "level in dB of each answer (column) relative to the only stem that is there (row), mean over the same clips",
        "db": measured["cross_talk"],
    }


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("run")
    parser.add_argument("kind", choices=KINDS)
    parser.add_argument("--no-speed", action="store_true", help="leave the speed out")
    options = parser.parse_args()
    memory.keep()
    kind = KINDS[options.kind]
    if options.run == "-":
        card = json.loads((NETWORKS / f"{options.kind}.json").read_text())
        card |= {"fine_rates": kind["rates"]["fine"], "quick_rates": kind["rates"]["quick"]}
        note_quality(card, torch.jit.load(str(NETWORKS / card["file"])))
        write(card)
        return None if options.no_speed else note_speed(card)
    net, saved = train.finished(options.run)
    earlier = saved["earlier"]
    task = tasks.of(saved["kind"])
    if kind.get("of") != tasks.OF.get(saved["kind"]):
        raise SystemExit(f"{options.run} is no network for {options.kind}")
    wrapped = waveform.Separator if "of" in kind else waveform.WaveformNetwork
    shipped = copy.deepcopy(net)
    compact.soften(shipped, kind.get("sureness", 1))
    script = torch.jit.script(wrapped(compact.compact(shipped, rounding.rounded(shipped, saved["kind"]))).eval())
    NETWORKS.mkdir(exist_ok=True)
    file = NETWORKS / f"{options.kind}.ts"
    compact.save(script, file)
    grid = net.stride * net.transform.hop
    card = {
        "format": "rivlen-network", "version": 1, "id": options.kind, "name": kind["name"], "rank": kind["rank"],
        "purpose": kind["purpose"],
        "file": file.name, "sha256": hashlib.sha256(file.read_bytes()).hexdigest(),
        "stems": list(task.stems), "shown": kind["shown"], "sample_rate": bands.RATE, "channels": [1, 2],
        "context_samples": int(kind["context_seconds"] * bands.RATE / grid + 1) * grid, "grid_samples": grid,
        "minimum_samples": 1, "latency_samples": 0,
        "fine_rates": kind["rates"]["fine"], "quick_rates": kind["rates"]["quick"],
        "licence": "GPL-3.0-or-later", "date": datetime.date.today().isoformat(),
        "training": {
            "method": "Band mask network over mid and side (training/model.py), trained on mixtures made on the fly (" + kind["made_of"] + ").",
            "kind": saved["kind"], "steps": saved["step"] + earlier["steps"], "minutes": round(saved["spent"] + earlier["minutes"], 1),
            "hours_of_mixtures": round(saved["heard"] / 3600, 1), "batch": saved["batch"], "seconds_per_clip": saved.get("seconds", mix.SECONDS),
            "parameters": sum(p.numel() for p in net.parameters()),
            "data": kind["data"],
        },
        "gigaflop_per_second_of_stereo": round(float(gigaflop_per_second(net)), 2),
    }
    if "of" in kind:
        card["of"] = kind["of"]
    if "sureness" in kind:
        card["training"]["sureness"] = kind["sureness"]
    note_quality(card, script)
    write(card)
    if not options.no_speed:
        note_speed(card)
    print(json.dumps({k: card[k] for k in ("quality", "cross_talk", "speed") if k in card}, indent=1))


if __name__ == "__main__":
    main()
