"""Drum kits of recorded hits (Debian's hydrogen-drumkits) played from General MIDI's drum notes."""
import functools
import re
import xml.etree.ElementTree as xml

import numpy as np
import soundfile
from scipy.signal import resample_poly

import paths

FOLDER = paths.UNPACKED / "hydrogen-drumkits" / "usr/share/hydrogen/data/drumkits"
# General MIDI's notes by what the kits call their instruments; the first that matches.
NAMES = ((r"kick|bass ?drum|\bbd\b|808k", 36), (r"rim|stick|side", 37), (r"clap|hand", 39), (r"snare|\bsn\b|\bsd\b", 38), (r"(hat|hh).*open|open.*(hat|hh)|ohh", 46),
         (r"(hat|hh).*(pedal|foot)|pedal", 44), (r"hat|hh", 42), (r"bell", 53), (r"ride", 51), (r"crash|splash|china|cymbal", 49), (r"cow", 56), (r"tamb", 54),
         (r"shak|marac|cabas", 70), (r"conga|bongo|djem|tabla|dun", 62), (r"tom.*(1|hi)|hi.*tom", 50), (r"tom.*(2|mid)", 47), (r"tom|floor", 43))
# What stands in for what a kit lacks.
INSTEAD = {35: 36, 40: 38, 39: 38, 37: 38, 44: 42, 46: 42,
           53: 51, 51: 49, 57: 49, 49: 51, 48: 50, 50: 47, 47: 43, 45: 43, 43: 47, 41: 43, 54: 70, 70: 42, 56: 37, 62: 47, 60: 62, 61: 62, 63: 62, 64: 62}


class Kit:
    def __init__(self, folder):
        self.folder, self.notes = folder, {}
        text = re.sub(r'xmlns="[^"]*"', "", (folder / "drumkit.xml").read_text(errors="replace"))
        for instrument in xml.fromstring(text).iter("instrument"):
            name = (instrument.findtext("name") or "").lower()
            note = next((n for pattern, n in NAMES if re.search(pattern, name)), None)
            layers = [(float(layer.findtext("min") or 0), float(layer.findtext("max") or 1), folder / layer.findtext("filename")) for layer in instrument.iter("layer")]
            layers = [layer for layer in layers if layer[2].exists()]
            if not layers and instrument.findtext("filename"):
                layers = [(0.0, 1.0, folder / instrument.findtext("filename"))]
            if note and layers:
                self.notes.setdefault(note, []).append(layers)

    @functools.lru_cache(maxsize=256)
    def sound(self, path):
        x, rate = soundfile.read(path, dtype="float32", always_2d=True)
        x = np.stack([x[:, 0], x[:, -1]])
        return x if rate == paths.RATE else resample_poly(x, paths.RATE, rate, axis=1).astype(np.float32)

    def layers(self, note, which):
        for _ in range(4):
            if note in self.notes:
                found = self.notes[note]
                return found[which % len(found)]
            note = INSTEAD.get(note, 38)
        return next(iter(self.notes.values()))[0]

    def play(self, notes, seconds, which=0):
        """float32[2, n]."""
        n = int(seconds * paths.RATE)
        out = np.zeros((2, n), np.float32)
        for begin, _, note, force in notes:
            layers = self.layers(note, which)
            hit = next((path for low, high, path in layers if low <= force / 127 <= high), layers[-1][2])
            at = int(begin * paths.RATE)
            x = self.sound(hit)[:, :max(0, n - at)] * np.float32((force / 127) ** 1.6)
            out[:, at:at + x.shape[1]] += x
        return out


@functools.lru_cache(maxsize=None)
def kits():
    """name -> Kit, of all that can be read and have a kick, a snare and a cymbal."""
    found = {}
    for folder in sorted(p for p in FOLDER.iterdir() if (p / "drumkit.xml").exists()):
        kit = Kit(folder)
        if {36, 38} <= set(kit.notes) and {42, 49, 51} & set(kit.notes):
            found[folder.name] = kit
    return found
