#!/usr/bin/python3
"""Makes the library of sounds that a scene is learned with: scene/KIND-NN.opus and scene/CREDITS.md.

Usage: make_library.py [SEED]

Voices with their rooms, pieces of music and places of the training's split, as varied.py makes them, 8 s of stereo each: what a marked
span is mixed with (docs/formats.md, "Learning"). Fixed seeds. No speaker, piece or place of the field set is among them. Written with ffmpeg as Opus (RFC 6716)
at 96 kbit/s, some 6 MB in all.
"""
import bisect
import json
import subprocess
import sys

import numpy as np

import bands
import evaluate
import paths
from stems import Role
from varied import VariedStems

FOLDER = paths.HERE.parent / "scene"
SECONDS, COUNTS = 8, {"voice": 32, "music": 16, "place": 16}


class Heard:
    """Notes which recordings the roles hand out."""

    def __init__(self):
        self.groups = set()
        stretch = Role.stretch

        def noted(role, first, last):
            starts = [i["start"] for i in role.items]
            self.groups.add(role.items[max(0, bisect.bisect_right(starts, first) - 1)]["group"])
            return stretch(role, first, last)
        Role.stretch = noted


def write(name, x):
    stereo = evaluate.left_right(x)
    stereo *= np.float32(0.1 / max(np.sqrt(np.mean(stereo ** 2)), 1e-3))
    stereo *= np.float32(0.9 / max(0.9, np.abs(stereo).max()))
    subprocess.run(["ffmpeg", "-v", "error", "-y", "-f", "f32le", "-ar", str(bands.RATE), "-ac", "2", "-i", "-", "-c:a", "libopus", "-b:a", "96k",
                    "-map_metadata", "-1", "-fflags", "+bitexact", str(FOLDER / name)], input=stereo.T.astype("<f4").tobytes(), check=True)


def credits(kinds):
    """kinds: kind -> groups heard. The manifest has the licence of every recording; voices of espeak-ng and flite are synthesised."""
    manifest = json.loads((paths.HERE / "manifest.json").read_text())
    licences = {entry["package"]: entry["licence"] for entry in manifest["kept"]}
    lines = ["# Credits of the library of sounds", "",
             "Made by `training/make_library.py` from recordings in Debian's packages, cut, mixed and treated. Each package's copyright file names its authors.",
             "Files of a kind may be used under all licences of its rows together.", "", "| files | from | licence |", "|---|---|---|"]
    for kind, groups in kinds.items():
        for package in sorted({g.split("/")[0] for g in groups}):
            lines.append(f"| `{kind}-*.opus` | {package} | {licences.get(package, 'synthesised; no recording')} |")
    (FOLDER / "CREDITS.md").write_text("\n".join(lines) + "\n")


def main():
    FOLDER.mkdir(exist_ok=True)
    heard, kinds, n = Heard(), {}, SECONDS * bands.RATE
    source = VariedStems("train", np.random.default_rng(int(sys.argv[1]) if len(sys.argv) > 1 else 5150))
    for kind, count in COUNTS.items():
        heard.groups = set()
        made = 0
        while made < count:
            if kind == "voice":
                dialogue, room = source.voice(n)[:2]
                x = dialogue + room
            else:
                x = source.song(n) if kind == "music" else source.surroundings(n)
            if np.abs(x).max() > 1e-3:
                made += 1
                write(f"{kind}-{made:02d}.opus", x)
        kinds[kind] = heard.groups
    credits(kinds)


if __name__ == "__main__":
    main()
