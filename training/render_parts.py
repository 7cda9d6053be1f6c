#!/usr/bin/python3
"""Renders the music of which the parts are known: composed pieces (compose.py) and MIDI files, part by part, through open soundfonts and drum kits.

Usage: render_parts.py [PIECES]     needs fluidsynth, timidity and python3-mido
Writes prepared/SPLIT-band.raw, int16[n, 4 parts, 2 channels] (drums, bass, guitar, other) at 48 kHz, and SPLIT-band.json, a list of {start, end,
style, with, parts, sung}. The splits have soundfonts, kits, pieces and seeds of their own: nothing of field is in train.
"""
import json
import subprocess
import sys
import tempfile
from multiprocessing import Pool
from pathlib import Path

import numpy as np
import soundfile
from scipy.signal import butter, fftconvolve, sosfilt

import compose
import drum_kits
import paths
import plucked
import prepare

FONTS = {"train": ("fluid-soundfont-gm/usr/share/sounds/sf2/FluidR3_GM.sf2", "musescore-general-soundfont-lossless/usr/share/sounds/sf2/MuseScore_General_Full.sf2", "freepats"),
         "field": ("timgm6mb-soundfont/usr/share/sounds/sf2/TimGM6mb.sf2",)}
GUITARS = {"train": "fretsonfire-songs-muldjord", "field": "fretsonfire-songs-sectoid"}
FIELD_KITS = ("The Black Pearl 1.0", "rumpf_kit_z01_h2")
FIELD_FILES = 8           # every fourth MIDI file
SECONDS, FIELD_SECONDS, FIELD_PIECES = 26, 12, 24
SEED = {"train": 5_000_000, "field": 6_000_000}
RMS = 0.08
PLUCKED_FROM, PLUCKED = 170, {"guitar": 1.0, "bass": 0.6}   # from this piece on, guitars and basses are calculated strings: a few soundfonts are few guitars
BASSES = range(32, 38)   # GM programmes that are strings


def patches(folder):
    """A configuration for timidity that reads freepats where it was unpacked."""
    base = paths.UNPACKED / "freepats"
    file = Path(folder) / "freepats.cfg"
    text = (base / "etc/timidity/freepats.cfg").read_text().replace("/usr/share/midi/freepats", str(base / "usr/share/midi/freepats"))
    file.write_text(f"dir {base / 'usr/share/midi/freepats'}\n{text}")
    return file


def synthesised(rng, font, programme, notes, drums, seconds):
    """float32[2, n] of one instrument."""
    with tempfile.TemporaryDirectory() as folder:
        score, sound = Path(folder) / "score.mid", Path(folder) / "sound.wav"
        compose.midi(programme, notes, drums, seconds).save(score)
        if font == "freepats":
            command = ["timidity", "-c", patches(folder), "-Ow", "-s", str(paths.RATE), "-o", sound, "-EFreverb=0", score]
        else:
            reverb = ["-R", "1"] if rng.random() < 0.4 else ["-R", "0"]
            command = ["fluidsynth", "-ni", *reverb, "-C", "0", "-g", "0.5", "-r", str(paths.RATE), "-o", "synth.dynamic-sample-loading=1", "-F", sound, paths.UNPACKED / font, score]
        subprocess.run(command, check=True, capture_output=True)
        x = soundfile.read(sound, dtype="float32", always_2d=True)[0].T
    n = int(seconds * paths.RATE)
    return np.pad(x[:, :n], ((0, 0), (0, max(0, n - x.shape[1]))))


def levelled(x, rms=RMS):
    """x with an active level of -22 dBFS."""
    frames = x[:, :x.shape[1] // 960 * 960].reshape(2, -1, 960)
    power = (frames ** 2).mean(2).mean(0)
    active = power[power > 1e-3 * power.max()]
    return x * np.float32(rms / np.sqrt(active.mean() + 1e-12))


def compressed(x, rng):
    """Levels evened out: both channels by the same gain, fast up and slow down."""
    level = np.sqrt(fftconvolve((x ** 2).mean(0), np.exp(-np.arange(int(0.08 * paths.RATE)) / (0.02 * paths.RATE)) / (0.02 * paths.RATE), "full")[:x.shape[1]].clip(1e-9))
    return (x * (np.maximum(level / 0.08, 0.3) ** -rng.uniform(0.2, 0.7)).astype(np.float32)).astype(np.float32)


def amplified(x, rng, drive):
    """An amplifier: driven until it bends, and a loudspeaker that ends at 4 to 6 kHz."""
    y = np.tanh(x * np.float32(drive / RMS)) * np.float32(RMS)
    low, high = rng.uniform(60, 110), rng.uniform(3800, 6500)
    return sosfilt(butter(2, (low, high), "bandpass", fs=paths.RATE, output="sos"), y, axis=1).astype(np.float32)


def in_room(x, rng):
    m = int(rng.uniform(0.2, 1.5) * paths.RATE)
    tail = rng.standard_normal((2, m)) * np.exp(-6.9 * np.arange(m) / m)
    tail *= 10 ** (rng.uniform(-22, -6) / 20) / np.sqrt((tail[0] ** 2).sum())
    return x + np.stack([fftconvolve(x.mean(0), t)[:x.shape[1]] for t in tail]).astype(np.float32)


def panned(x, rng, widest):
    """Narrowed, then turned to one side."""
    middle, side = (x[0] + x[1]) / 2, (x[0] - x[1]) / 2 * rng.uniform(0, 1)
    at = (rng.uniform(-widest, widest) + 1) * np.pi / 4
    return np.stack([(middle + side) * np.cos(at), (middle - side) * np.sin(at)]).astype(np.float32) * np.float32(np.sqrt(2))


def part(rng, split, name, tracks, seconds, kits, plucks=None):
    """float32[2, n] of one part, or None. plucks: shares of calculated strings by part."""
    total = None
    for programme, notes in tracks:
        font = str(rng.choice(FONTS[split]))
        if name == "drums" and rng.random() < 0.6:
            x = kits[str(rng.choice(sorted(kits)))].play(notes, seconds, int(rng.integers(4)))
        elif plucks and (name == "guitar" or programme in BASSES) and rng.random() < plucks.get(name, 0):
            x = plucked.Instrument(rng, name == "bass").play(notes, seconds)
        else:
            x = synthesised(rng, font, programme, notes, name == "drums", seconds)
        if np.abs(x).max() < 1e-4:
            continue
        x = levelled(x)
        if name == "guitar":
            if programme in (29, 30) and rng.random() < 0.7:
                x = amplified(x, rng, rng.uniform(1, 6))
            elif rng.random() < 0.35:
                x = amplified(x, rng, 10 ** rng.uniform(-1, 0.8))
        elif name == "bass" and rng.random() < 0.3:
            x = amplified(x, rng, 10 ** rng.uniform(-1, 0.3)) + np.float32(0.5) * x
        if rng.random() < (0.5 if name == "drums" else 0.3):
            x = compressed(x, rng)
        if rng.random() < 0.12:  # a tape's saturation
            x = np.tanh(x * np.float32(6)) / np.float32(6)
        if name != "drums":
            x = panned(x, rng, 0.2 if name == "bass" else 0.8)
        if rng.random() < (0.1 if name == "bass" else 0.4):
            x = in_room(x, rng)
        x = levelled(x) * np.float32(10 ** (rng.normal(0, 2.5) / 20))
        total = x if total is None else total + x
    return None if total is None else levelled(total)


def rendered(job):
    """(int16[n, 4, 2], what the index says) of one piece."""
    split, number, file = job
    rng = np.random.default_rng(SEED[split] + number)
    kits = {n: k for n, k in drum_kits.kits().items() if (n in FIELD_KITS) == (split == "field")}
    seconds = SECONDS if split == "train" else FIELD_SECONDS
    if file is None:
        piece = compose.composed(SEED[split] + number, seconds)
    else:
        piece = compose.from_file(file)
        begin = rng.uniform(0, max(0, piece.seconds - seconds))
        for tracks in piece.tracks.values():
            tracks[:] = [(p, [(b - begin, length, pitch, force) for b, length, pitch, force in notes if begin <= b < begin + seconds]) for p, notes in tracks]
    out = np.zeros((int(seconds * paths.RATE), len(compose.PARTS), 2), np.int16)
    present = []
    for k, name in enumerate(compose.PARTS):
        x = part(rng, split, name, piece.tracks.get(name, []), seconds, kits, PLUCKED if split == "train" and PLUCKED_FROM <= number < 100_000 else None)
        if x is not None:
            out[:, k] = np.round(np.clip(x, -1, 1).T * 32767)
            present.append(name)
    return out, {"style": piece.style, "with": file.stem if file else f"composed {SEED[split] + number}", "parts": present,
                 "sung": [[round(float(v), 3) for v in note] for note in piece.sung if note[0] < seconds]}


def guitars(split):
    """Writes prepared/SPLIT-guitars.raw and .json, like prepare.py's: the recorded lead guitars of songs whose backing is apart."""
    index, position = [], 0
    with (paths.PREPARED / f"{split}-guitars.raw").open("wb") as out:
        for file in sorted((paths.UNPACKED / GUITARS[split]).rglob("guitar.ogg")):
            x, _ = prepare.clean(prepare.decode(file, 2), "music")
            out.write(np.round(np.clip(x, -1, 1) * 32767).astype("<i2").tobytes())
            index.append({"start": position, "end": position + len(x), "group": file.parent.name})
            position += len(x)
    (paths.PREPARED / f"{split}-guitars.json").write_text(json.dumps(index))


def main():
    for split in GUITARS:
        if not (paths.PREPARED / f"{split}-guitars.json").exists():
            guitars(split)
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 270
    files = sorted((paths.UNPACKED / "openttd-openmsx").rglob("*.mid"))
    own = files[::len(files) // FIELD_FILES][:FIELD_FILES]
    others = [f for f in files if f not in own]
    jobs = {"field": [("field", i, None) for i in range(FIELD_PIECES)] + [("field", 1000 + i, f) for i, f in enumerate(own)],
            "train": [("train", 100_000 + i, f) for i, f in enumerate(others)] + [("train", i, None) for i in range(count)]}
    for split, listed in jobs.items():
        if (paths.PREPARED / f"{split}-band.json").exists():
            print(f"{split}-band: present", flush=True)
            continue
        index, position = [], 0
        target = paths.PREPARED / f"{split}-band.raw"
        with target.with_suffix(".part").open("wb") as out, Pool(int(sys.argv[2]) if len(sys.argv) > 2 else 2) as pool:
            for samples, entry in pool.imap(rendered, listed):
                if not entry["parts"]:
                    continue
                out.write(samples.tobytes())
                index.append({"start": position, "end": position + len(samples), **entry})
                position += len(samples)
        target.with_suffix(".part").rename(target)
        target.with_suffix(".json").write_text(json.dumps(index))
        print(f"{split}-band: {len(index)} pieces, {position / paths.RATE / 60:.1f} min", flush=True)


if __name__ == "__main__":
    main()
