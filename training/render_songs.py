#!/usr/bin/python3
"""Songs by Debian's Festival in its singing mode: made-up melodies and syllables, by ten voices of recorded diphones (men, women, a child).
Beside speech that is made to sing (singing.py) they have what singing synthesis has: held vowels between true consonants, and steps from note to note.

Usage: render_songs.py [SONGS PER VOICE]     needs festival and its voices, see VOICES
Writes prepared/train-songs.raw and .json like prepare.py does. Nothing of it is in the development or the field set.
"""
import json
import subprocess
import sys
import tempfile
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import numpy as np

import compose
import paths
import pitch
import prepare

# Debian's package festvox-... : (voice, lowest note of its range, MIDI)
VOICES = {"kallpc16k": ("kal_diphone", 43), "kdlpc16k": ("ked_diphone", 43), "italp16k": ("lp_diphone", 55), "itapc16k": ("pc_diphone", 45),
          "czech-dita": ("czech_dita", 55), "czech-krb": ("czech_krb", 58), "czech-machac": ("czech_machac", 43), "czech-ph": ("czech_ph", 43),
          "suopuhe-lj": ("suo_fi_lj_diphone", 54), "suopuhe-mv": ("hy_fi_mv_diphone", 43)}
SYLLABLES = ("la", "ma", "no", "de", "so", "ri", "me", "lu", "na", "to", "vi", "pa", "ko", "si", "tu", "ra", "lo", "mi", "ne", "do")
ENGLISH = ("night", "sea", "home", "light", "long", "slow", "deep", "blue", "rain", "stone", "road", "star", "wind", "cold", "bright", "shore", "and", "you", "the", "go",
           "down", "mine", "again", "over", "river", "morning", "away", "tell", "me", "why")
NOTES = ("C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B")


def song(rng, low, words):
    """Festival's markup (Singing.v0_1.dtd; its A5 is 440 Hz): phrases of a melody within an octave and a half above low, breaths between them."""
    scale, step = compose.MODES["major" if rng.random() < 0.6 else "minor"], int(rng.integers(3, 8))
    lines = []
    for _ in range(int(rng.integers(4, 7))):
        for _ in range(int(rng.integers(4, 10))):
            step = int(np.clip(step + rng.choice([-2, -1, -1, 0, 1, 1, 2, 4, -4]), 0, 10))
            note = low + scale[step % 7] + 12 * (step // 7)
            lines.append(f'<PITCH NOTE="{NOTES[note % 12]}{note // 12}"><DURATION BEATS="{rng.choice([0.5, 0.5, 1, 1, 1.5, 2, 3])}">'
                         f'{words[rng.integers(len(words))]}</DURATION></PITCH>')
        lines.append(f'<REST BEATS="{rng.choice([1, 2])}"></REST>')
    return ('<?xml version="1.0"?>\n<!DOCTYPE SINGING PUBLIC "-//SINGING//DTD SINGING mark up//EN" "Singing.v0_1.dtd" []>\n'
            f'<SINGING BPM="{rng.integers(55, 130)}">\n' + "\n".join(lines) + "\n</SINGING>\n")


def vibrato(rng, x):
    """Held notes of the synthesis do not waver: up to 50 cents at 4.5 to 6.5 Hz, by reading late and early."""
    t = np.arange(len(x)) / paths.RATE
    turns = np.arange(0, t[-1] + 1, 0.5)
    rate, cents = rng.uniform(4.5, 6.5), rng.uniform(0, 50) * np.interp(t, turns, rng.random(len(turns)))
    late = (2 ** (cents / 1200) - 1) / (2 * np.pi * rate) * np.sin(2 * np.pi * rate * t)
    return np.interp(t + late, t, x[:, 0]).astype(np.float32)[:, None]


def sing(job):
    number, (voice, low), count = job
    rng = np.random.default_rng(5_000_000 + number)
    kept = []
    with tempfile.TemporaryDirectory() as folder:
        score, wav = Path(folder) / "song.xml", Path(folder) / "song.wav"
        for _ in range(count):
            score.write_text(song(rng, low + int(rng.integers(0, 6)), ENGLISH if voice in ("kal_diphone", "ked_diphone") else SYLLABLES))
            # Some high notes end the synthesiser; there are enough others.
            if subprocess.run(["text2wave", "-mode", "singing", "-eval", f"(voice_{voice})", str(score), "-o", str(wav)], capture_output=True, timeout=300).returncode:
                continue
            x, reason = prepare.clean(vibrato(rng, prepare.decode(wav, 1)), "voices")
            if reason is None:
                kept.append(x)
    return f"festival/{voice}", kept


def main():
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 14
    arrays, index, position = [], [], 0
    paths.PREPARED.mkdir(parents=True, exist_ok=True)
    with ThreadPoolExecutor(2) as pool:
        for name, kept in pool.map(sing, [(i, v, count) for i, v in enumerate(VOICES.values())]):
            for x in kept:
                arrays.append(np.round(x * 32767).astype(np.int16))
                index.append({"start": position, "end": position + len(x), "bandwidth": prepare.bandwidth(x), "pitch": pitch.median(x[:, 0]), "group": name})
                position += len(x)
            print(f"{name}: {len(kept)} songs, {sum(map(len, kept)) / paths.RATE / 60:.1f} min, pitch {np.median([i['pitch'] for i in index if i['group'] == name]):.0f} Hz")
    np.concatenate(arrays).astype("<i2").tofile(paths.PREPARED / "train-songs.raw")
    (paths.PREPARED / "train-songs.json").write_text(json.dumps(index))
    print(f"songs: {len(index)}, {position / paths.RATE / 60:.1f} min")


if __name__ == "__main__":
    main()
