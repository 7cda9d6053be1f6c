"""Where the training material lives: outside the source tree, never committed."""
import os
from pathlib import Path

HERE = Path(__file__).resolve().parent
ROOT = Path(os.environ.get("RIVLEN_TRAINING_DATA",
                           Path.home() / ".cache" / "rivlen" / "training"))
PACKAGES = ROOT / "packages"
UNPACKED = ROOT / "unpacked"
PREPARED = ROOT / "prepared"
RUNS = ROOT / "runs"
RATE = 48000  # Hz, the rate of everything that is prepared
