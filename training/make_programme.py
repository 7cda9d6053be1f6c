#!/usr/bin/python3
"""Writes programme material that no network is trained on, for measuring what diagnosis finds in it and what it makes up.

Usage: make_programme.py COUNT FOLDER [SEED [train]]     16 s each, 48 kHz: NNN-speech.flac (mono, with pauses) and NNN-music.flac (stereo)
With "train" they come from recordings that networks are trained on, for fitting. Noise at -90 dBFS stands for a good converter. Peaks are at -3 dBFS.
"""
import sys
from pathlib import Path

import numpy as np
import scipy.signal
import soundfile

import bands
import stems

SECONDS = 16
HIGHPASS = scipy.signal.butter(4, 30, "highpass", fs=bands.RATE, output="sos")


def main():
    count, folder = int(sys.argv[1]), Path(sys.argv[2])
    seed = int(sys.argv[3]) if len(sys.argv) > 3 else 77000
    split = sys.argv[4] if len(sys.argv) > 4 else "develop"
    folder.mkdir(parents=True, exist_ok=True)
    n = SECONDS * bands.RATE
    sounds = {role: (stems.Role(split, role).samples, stems.Role(split, role).items) for role in ("speech", "music")}
    for number in range(count):
        rng = np.random.default_rng(seed + number)
        data, index = sounds["speech"]
        index = [item for item in index if item["bandwidth"] > 15000]
        groups = sorted({item["group"] for item in index})
        group = groups[rng.integers(len(groups))]
        mine = [item for item in index if item["group"] == group]
        fade = np.minimum(1, np.arange(n) / (0.02 * bands.RATE))[:, None]  # recordings are cut tightly
        speech, at = np.zeros((n, 1)), int(rng.uniform(0, 0.5) * bands.RATE)
        while at < n:  # one speaker, one sentence after the other
            item = mine[rng.integers(len(mine))]
            x = data[item["start"]:item["end"]][: n - at] / 32768.0
            speech[at:at + len(x)] = x * fade[:len(x)] * fade[:len(x)][::-1]
            at += len(x) + int(rng.uniform(0.2, 0.9) * bands.RATE)
        data, index = sounds["music"]
        index = [item for item in index if item["bandwidth"] > 19000 and item["end"] - item["start"] >= n]
        item = index[rng.integers(len(index))]
        start = item["start"] + int(rng.uniform(0, item["end"] - item["start"] - n))
        music = data[start:start + n] / 32768.0
        for name, x in (("speech", speech), ("music", music)):
            x = scipy.signal.sosfiltfilt(HIGHPASS, x, axis=0)  # neither offset nor rumble
            x = x * 0.7 / max(np.abs(x).max(), 1e-3) + rng.normal(0, 10 ** (-90 / 20), x.shape)
            soundfile.write(folder / f"{number:03d}-{name}.flac", x, bands.RATE, subtype="PCM_24")


if __name__ == "__main__":
    main()
