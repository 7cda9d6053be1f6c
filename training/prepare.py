#!/usr/bin/python3
"""Decodes, cleans and indexes the fetched recordings.

For each role (speech, music, effects) and split (train, develop) writes
  prepared/SPLIT-ROLE.npy    int16 [n, channels], 48 kHz, every kept item one after the other; speech
                             is mono, music and effects are stereo
  prepared/SPLIT-ROLE.json   a list of {start, end (samples), bandwidth (Hz), group}
and manifest.json beside this script: every kept file with its SHA-256, licence and
group, and every rejected one with the reason.
"""
import hashlib
import json
import re
import subprocess
from concurrent.futures import ThreadPoolExecutor
from math import gcd

import numpy as np
import soundfile
from scipy.signal import resample_poly

import paths

ACTIVE_LEVEL = 0.08        # -22 dBFS, the RMS of the active part of every kept item
SPEECH_MIN_SNR = 20.0      # dB between loud and quiet frames; less is a noisy recording
FRAME = paths.RATE // 50   # 20 ms


def decode(path, channels):
    """The file's samples as float32 [n, channels], 48 kHz (empty when it cannot be decoded)."""
    try:
        x, rate = soundfile.read(path, dtype="float32", always_2d=True)
        common = gcd(paths.RATE, rate)
        x = x.mean(axis=1, keepdims=True) if channels == 1 else np.stack([x[:, 0], x[:, min(1, x.shape[1] - 1)]], axis=1)
        return resample_poly(x, paths.RATE // common, rate // common).astype(np.float32)
    except RuntimeError:  # not a format of libsndfile's
        raw = ["-f", "g722"] if path.suffix == ".g722" else []
        run = subprocess.run(["ffmpeg", "-v", "error", "-nostdin", *raw, "-i", path, "-vn", "-ac", str(channels),
                              "-ar", str(paths.RATE), "-f", "f32le", "-"], capture_output=True)
        return np.frombuffer(run.stdout, dtype=np.float32).reshape(-1, channels).copy()


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


def main():
    sources = json.loads((paths.HERE / "sources.json").read_text())
    paths.PREPARED.mkdir(parents=True, exist_ok=True)
    kept, rejected, seen = [], [], {}
    for split in ("develop", "train"):
        for role in ("speech", "music", "effects"):
            arrays, index, position = [], [], 0
            for rule in (r for r in sources["rules"] if r["role"] == role and r["split"] == split):
                listed = list(files_of(rule, sources["withheld"]))
                with ThreadPoolExecutor(2) as pool:
                    decoded = pool.map(lambda item: decode(item[0], 1 if role == "speech" else 2), listed)
                    for (path, name), samples in zip(listed, decoded):
                        digest = hashlib.sha256(path.read_bytes()).hexdigest()
                        entry = {"package": rule["package"], "file": name, "sha256": digest}
                        if digest in seen:
                            rejected.append({**entry, "reason": f"same as {seen[digest]}"})
                            continue
                        seen[digest] = name
                        x, reason = clean(samples, role)
                        if reason:
                            rejected.append({**entry, "reason": reason})
                            continue
                        group = rule["package"]
                        if "group" in rule:
                            group += "/" + re.search(rule["group"], "/" + name).group(1)
                        x16 = np.round(x * 32767).astype(np.int16)
                        arrays.append(x16)
                        width = bandwidth(x)
                        index.append({"start": position, "end": position + len(x16),
                                      "bandwidth": width, "group": group})
                        position += len(x16)
                        kept.append({**entry, "role": role, "split": split, "group": group,
                                     "licence": rule["licence"], "seconds": round(len(x) / paths.RATE, 2),
                                     "bandwidth_hz": round(width)})
            np.save(paths.PREPARED / f"{split}-{role}.npy", np.concatenate(arrays))
            (paths.PREPARED / f"{split}-{role}.json").write_text(json.dumps(index))
            print(f"{split} {role}: {len(index)} items, {position / paths.RATE / 60:.1f} min", flush=True)
    lines = lambda items: ",\n".join("  " + json.dumps(i, ensure_ascii=False) for i in items)
    (paths.HERE / "manifest.json").write_text(
        '{"kept": [\n' + lines(kept) + '\n],\n"rejected": [\n' + lines(rejected) + "\n]}\n")


if __name__ == "__main__":
    main()
