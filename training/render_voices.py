#!/usr/bin/python3
"""Speech by Debian's synthesisers reading made-up sentences: buzzing, even voices that no recording has, as narrators and
machines speak today. Without them such a voice is taken for music.

Usage: render_voices.py [SENTENCES PER VOICE]     needs espeak-ng and flite
Writes prepared/train-voices.raw and .json like prepare.py does. Nothing of it is in the development set.
"""
import json
import subprocess
import sys
import tempfile
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import numpy as np

import paths
import pitch
import prepare

WHO = ("the baker", "a clerk from the tax office", "my neighbour", "the youngest of the four", "nobody here", "the night porter", "our surveyor",
       "a woman with two suitcases", "the whole orchestra", "the former owner", "some child", "the last passenger", "every second visitor", "the judge")
DID = ("carried", "forgot", "painted", "measured", "had never seen", "asked me about", "wanted to sell", "quietly opened", "kept", "found", "would not touch",
       "wrote a letter about", "broke", "promised to fix", "walked around", "threw away", "sketched", "counted")
WHAT = ("the green shutters", "six boxes of chalk", "a map of the quarry", "his sister's accordion", "the key to the cellar", "three wet coats", "an empty birdcage",
        "the price of flour", "that crooked chimney", "a jar of plum jam", "the exit sign", "fifteen extra chairs", "the first page", "a pair of skates", "what was left of the cake")
WHEN = ("before breakfast", "on the twenty-third of March", "as soon as the fog lifted", "without saying why", "for the second time", "in exchange for a watch",
        "at exactly half past six", "while the judge was speaking", "just to be sure", "although the shop was shut", "in front of everyone", "every Thursday", "since the flood")
SAYING = ("Is that so?", "Yes. Yes, of course.", "I would not have thought it possible.", "Stop!", "Next question, please.", "Well, that depends on the weather.",
          "Press one for opening hours.", "Thank you, and good evening.", "Zero, eight, four, nine, two.", "Shh, listen.", "What exactly should we expect?")


def sentence(rng):
    pick = lambda words: words[rng.integers(len(words))]
    if rng.random() < 0.2:
        return pick(SAYING)
    text = f"{pick(WHO)} {pick(DID)} {pick(WHAT)}"
    text += f" {pick(WHEN)}" if rng.random() < 0.7 else ""
    return text[0].upper() + text[1:] + pick((".", ".", ".", "?", ", and so did I.", ", I am told."))


def speakers():
    """(name, command that reads its last argument into the file given)."""
    for voice in ("kal16", "awb", "rms", "slt"):
        for stretch in (0.9, 1.1):
            yield f"flite/{voice}", lambda wav, text, v=voice, s=stretch: ["flite", "-voice", v, "--setf", f"duration_stretch={s}", "-o", wav, "-t", text]
    languages = ("en", "en-us", "en-gb-scotland", "de", "fr", "es", "it", "pl", "sv", "fi", "tr", "pt", "cs", "hu", "nb", "ro")
    kinds = ("m1", "f1", "m2", "f2", "m3", "f3", "m4", "f4", "m5", "f5", "m6", "m7", "m8", "m1", "f2", "m3")
    for number, (language, kind) in enumerate(zip(languages, kinds)):
        speed, pitch = 130 + 11 * (number * 7 % 9), 25 + 6 * (number * 5 % 10)
        yield f"espeak-ng/{language}+{kind}", lambda wav, text, l=language, k=kind, s=speed, p=pitch: [
            "espeak-ng", "-v", f"{l}+{k}", "-s", str(s), "-p", str(p), "-w", wav, text]


def read(job):
    number, (name, command), count = job
    rng = np.random.default_rng(4_000_000 + number)
    kept = []
    with tempfile.TemporaryDirectory() as folder:
        for _ in range(count):
            wav = Path(folder) / "line.wav"
            subprocess.run(command(str(wav), sentence(rng)), check=True, capture_output=True)
            x, reason = prepare.clean(prepare.decode(wav, 1), "voices")
            if reason is None:
                kept.append(x)
    return name, kept


def main():
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 30
    arrays, index, position = [], [], 0
    paths.PREPARED.mkdir(parents=True, exist_ok=True)
    with ThreadPoolExecutor(2) as pool:
        for name, kept in pool.map(read, [(i, s, count) for i, s in enumerate(speakers())]):
            for x in kept:
                arrays.append(np.round(x * 32767).astype(np.int16))
                index.append({"start": position, "end": position + len(x), "bandwidth": prepare.bandwidth(x), "pitch": pitch.median(x[:, 0]), "group": name})
                position += len(x)
    np.concatenate(arrays).astype("<i2").tofile(paths.PREPARED / "train-voices.raw")
    (paths.PREPARED / "train-voices.json").write_text(json.dumps(index))
    print(f"voices: {len(index)} lines, {position / paths.RATE / 60:.1f} min")


if __name__ == "__main__":
    main()
