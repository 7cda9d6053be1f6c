#!/usr/bin/python3
"""Decodes, cleans and indexes the fetched recordings.

For each split (train, develop, field) and role (speech, music, effects, places) writes
  prepared/SPLIT-ROLE.raw    int16, 48 kHz, every kept item one after the other; speech is mono, the rest is stereo
  prepared/SPLIT-ROLE.json   a list of {start, end (samples), bandwidth (Hz), pitch (Hz, 0 unless speech), group}
and manifest.json beside this script: every kept file with its SHA-256, licence and
group, and every rejected one with the reason.

Usage: prepare.py [SPLIT-ROLE ...]     only these, for trying a rule; the manifest is left as it is
"""
import hashlib
import json
import re
import subprocess
import sys
from math import gcd
from multiprocessing import Pool

import numpy as np
import soundfile
from scipy.signal import resample_poly

import paths
import pitch

ACTIVE_LEVEL = 0.08        # -22 dBFS, the RMS of the active part of every kept item
SPEECH_MIN_SNR = 20.0      # dB between loud and quiet frames; less is a noisy recording
FRAME = paths.RATE // 50   # 20 ms
SHORT_FILE = 1 << 20       # bytes
LONGEST = 150              # seconds kept of one item, from its middle: more of one piece teaches little
SETS = [(split, role) for split in ("field", "develop", "train") for role in ("speech", "effects", "places", "music")]


def decode(path, channels, options=()):
    """The file's samples as float32 [n, channels], 48 kHz (empty when it cannot be decoded).

    options: what the decoder must be told of a file without a header."""
    raw = list(options) or (["-f", "g722"] if path.suffix == ".g722" else [])
    if not raw and path.stat().st_size < SHORT_FILE:
        try:  # starting a decoder costs more than decoding a short file
            x, rate = soundfile.read(path, dtype="float32", always_2d=True)
            common = gcd(paths.RATE, rate)
            x = x.mean(axis=1, keepdims=True) if channels == 1 else np.stack([x[:, 0], x[:, min(1, x.shape[1] - 1)]], axis=1)
            return resample_poly(x, paths.RATE // common, rate // common).astype(np.float32)
        except RuntimeError:
            pass  # not a format of libsndfile's
    mix = ["-af", "pan=stereo|c0=c0|c1=c1"] if channels == 2 and several_channels(path, raw) else []
    run = subprocess.run(["ffmpeg", "-v", "error", "-nostdin", *raw, "-i", path, "-vn", *mix, "-ac", str(channels),
                          "-ar", str(paths.RATE), "-f", "f32le", "-"], capture_output=True)
    return np.frombuffer(run.stdout, dtype=np.float32).reshape(-1, channels).copy()


def several_channels(path, raw):
    """Whether there are more than two channels, of which the first two are kept."""
    if raw:
        return False
    run = subprocess.run(["ffprobe", "-v", "error", "-select_streams", "a:0", "-show_entries", "stream=channels", "-of", "csv=p=0", path],
                         capture_output=True, text=True)
    return run.stdout.strip().isdigit() and int(run.stdout) > 2


def frame_levels(x):
    n = len(x) // FRAME
    return np.sqrt(np.mean(x[:n * FRAME].reshape(n, -1) ** 2, axis=1) + 1e-12)


def bandwidth(x):
    """Highest frequency (Hz) whose long-term level is within 66 dB of the strongest band."""
    x = x[:, 0] if x.shape[1] == 1 else x[:, 0] + x[:, 1]
    size = 4096
    n = len(x) // size
    if n == 0:
        x, n = np.pad(x, (0, size - len(x))), 1
    power = np.mean(np.abs(np.fft.rfft(x[:n * size].reshape(n, size) * np.hanning(size))) ** 2, axis=0)
    bands = power[:2048].reshape(128, 16).mean(axis=1)
    alive = np.nonzero(10 * np.log10(bands / bands.max() + 1e-12) > -66)[0]
    return float((alive[-1] + 1) * paths.RATE / 2 / 128)


def clean(x, role):
    """Returns (samples, None) or (None, reason for rejecting)."""
    if len(x) < FRAME * 8:
        return None, "shorter than 0.16 s"
    if len(x) > LONGEST * paths.RATE:
        start = (len(x) - LONGEST * paths.RATE) // 2
        x = x[start:start + LONGEST * paths.RATE]
    x = x - x.mean(axis=0)
    levels = frame_levels(x)
    loud = np.percentile(levels, 95)
    if loud < 10 ** (-60 / 20):
        return None, "silent"
    clipped = np.mean(np.abs(x) > 0.999 * np.abs(x).max())
    if clipped > 0.005:
        return None, "clipped"
    if role == "speech":
        quiet = np.percentile(levels, 5)
        if len(levels) > 40 and 20 * np.log10(loud / quiet) < SPEECH_MIN_SNR:
            return None, "noisy"
    alive = np.nonzero(levels > loud * 10 ** (-45 / 20))[0]
    x = x[alive[0] * FRAME:(alive[-1] + 1) * FRAME]
    active = frame_levels(x)
    active = active[active > loud * 10 ** (-30 / 20)]
    x = x * (ACTIVE_LEVEL / np.sqrt(np.mean(active ** 2)))
    peak = np.abs(x).max()
    return (x * (0.98 / peak) if peak > 0.98 else x), None


def files_of(rule, withheld):
    base = paths.UNPACKED / rule["package"]
    keep, drop = re.compile(rule["match"]), re.compile(rule.get("except", r"$^"))
    for path in sorted(p for p in base.rglob("*") if p.is_file()):
        name = str(path.relative_to(base))
        if not keep.search(name) or drop.search(name):
            continue
        if any(w["package"] == rule["package"] and re.search(w.get("match", ""), name) for w in withheld):
            raise SystemExit(f"withheld material matched by a rule: {name}")
        yield path, name


def one(job):
    """(SHA-256, int16 samples or None, why not, bandwidth, pitch) of one file."""
    path, role, options = job
    x, reason = clean(decode(path, 1 if role == "speech" else 2, options), role)
    digest = hashlib.sha256(path.read_bytes()).hexdigest()
    if reason:
        return digest, None, reason, 0, 0
    return digest, np.round(x * 32767).astype("<i2"), None, bandwidth(x), pitch.median(x[:, 0]) if role == "speech" else 0


def prepare(split, role, sources, seen):
    """Writes one set; returns (kept, rejected), the manifest's entries. seen: checksums met so far."""
    index, kept, rejected, position = [], [], [], 0
    target = paths.PREPARED / f"{split}-{role}.raw"
    part = target.with_suffix(".part")
    with part.open("wb") as out, Pool(2) as pool:
        for rule in (r for r in sources["rules"] if r["role"] == role and r["split"] == split):
            listed = list(files_of(rule, sources["withheld"]))
            found = pool.imap(one, [(path, role, rule.get("decode", ())) for path, _ in listed], chunksize=4)
            for (_, name), (digest, x, reason, width, height) in zip(listed, found):
                entry = {"package": rule["package"], "file": name, "sha256": digest}
                if digest in seen:
                    reason = "the same sound as another file"
                seen.setdefault(digest, name)
                if reason:
                    rejected.append({**entry, "reason": reason})
                    continue
                group = rule["package"]
                if "group" in rule:
                    match = re.search(rule["group"], "/" + name)
                    group += "/" + (match.group(1) if match else "others")
                out.write(x.tobytes())
                index.append({"start": position, "end": position + len(x), "bandwidth": width, "pitch": height, "group": group})
                position += len(x)
                kept.append({**entry, "role": role, "split": split, "group": group,
                             "licence": rule["licence"], "seconds": round(len(x) / paths.RATE, 1)})
    if not index:
        part.unlink()
        return kept, rejected
    part.rename(target)
    (paths.PREPARED / f"{split}-{role}.json").write_text(json.dumps(index))
    print(f"{split} {role}: {len(index)} items, {position / paths.RATE / 60:.1f} min", flush=True)
    return kept, rejected


def write_manifest(kept, rejected):
    """A line for each file, under what all files of a package's group have in common."""
    def grouped(entries, common, own):
        groups = {}
        for e in entries:
            groups.setdefault(tuple(e[k] for k in common), []).append([e[k] for k in own])
        blocks = []
        for key, files in groups.items():
            lines = ",\n".join("  " + json.dumps(f, ensure_ascii=False, separators=(",", ":")) for f in files)
            blocks.append(json.dumps(dict(zip(common, key)), ensure_ascii=False)[:-1] + ', "files": [\n' + lines + "]}")
        return "[\n" + ",\n".join(blocks) + "\n]"
    (paths.HERE / "manifest.json").write_text(
        '{"files": "[name, SHA-256, seconds] of what was kept, [name, SHA-256] of what was rejected",\n"kept": '
        + grouped(kept, ("package", "group", "role", "split", "licence"), ("file", "sha256", "seconds"))
        + ',\n"rejected": ' + grouped(rejected, ("package", "reason"), ("file", "sha256")) + "}\n")


def main():
    sources = json.loads((paths.HERE / "sources.json").read_text())
    paths.PREPARED.mkdir(parents=True, exist_ok=True)
    if sys.argv[1:]:
        for name in sys.argv[1:]:
            prepare(*name.split("-"), sources, {})
        return
    kept, rejected, seen = [], [], {}
    for split, role in SETS:
        some, others = prepare(split, role, sources, seen)
        kept += some
        rejected += others
    write_manifest(kept, rejected)


if __name__ == "__main__":
    main()
