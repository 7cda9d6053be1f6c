"""The program in place of a network: what rivlen-cli, as built, makes of a recording. Digital silence, ends and rates are then its own affair."""
import pathlib
import subprocess
import tempfile

import numpy as np
import soundfile

import bands
import paths

CLI = paths.HERE.parent / "build" / "bin" / "rivlen-cli"


def waveform(quality="fine"):
    """A function float32[C, n] -> float32[stems, C, n]: dialogue, an empty room, music and ambience."""
    def separate(x):
        with tempfile.TemporaryDirectory() as folder:
            source = pathlib.Path(folder) / "x.wav"
            soundfile.write(source, x.T, bands.RATE, "FLOAT")
            subprocess.run([CLI, "split", "--quality", quality, "--out", folder, source], check=True, capture_output=True)
            found = [soundfile.read(source.with_suffix(f".{stem}.wav"), dtype="float32", always_2d=True)[0].T for stem in ("dialogue", "music", "ambience")]
        return np.stack([found[0], np.zeros_like(found[0]), *found[1:]])
    return separate
