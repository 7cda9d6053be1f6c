"""Compiles products.c for this machine, once, and calls it."""
import ctypes
import hashlib
import subprocess

import numpy as np

import paths


def library():
    source = paths.HERE / "products.c"
    built = paths.ROOT / f"products-{hashlib.sha256(source.read_bytes()).hexdigest()[:12]}.so"
    if not built.exists():
        built.parent.mkdir(parents=True, exist_ok=True)
        part = built.with_suffix(".part")
        subprocess.run(["gcc", "-O3", "-march=native", "-ffast-math", "-shared", "-fPIC", "-o", part, source], check=True)
        part.rename(built)
    return ctypes.CDLL(str(built))


LIBRARY = library()


def products(z, gains, transform, joined=True):
    """The sums of mix.py for one clip: (xx, cross, xs, ss), float32, frames by bands. joined: ss has a last row for the first two stems together.

    z[s][c]      stem s in mid (c = 0) or side: float16[frames, 2, bins], real and imaginary, or None where silent
    gains        float32[2, stems, bins]: of each stem in mid and side; where all are 0 the stem counts as silent"""
    stems, frames = len(z), next(len(plane) for stem in z for plane in stem if plane is not None)
    bins, edges = transform.bins, np.ascontiguousarray(transform.edges(), np.int32)
    shape = (2, frames, transform.bands)
    xx, cross, xs, ss = np.zeros(shape, np.float32), np.zeros(shape, np.float32), np.zeros((stems, *shape), np.float32), np.zeros((stems + joined, *shape), np.float32)
    gains = np.ascontiguousarray(gains, np.float32)
    heard, level = (ctypes.c_void_p * (2 * stems))(), (ctypes.c_void_p * (2 * stems))()
    for c in range(2):
        for s in range(stems):
            plane = z[s][c]
            if plane is not None and gains[c, s].any():
                assert plane.flags.c_contiguous and plane.shape == (frames, 2, bins) and plane.dtype == np.float16
                heard[c * stems + s] = plane.ctypes.data
            level[c * stems + s] = gains[c, s].ctypes.data
    pointer = lambda a: ctypes.c_void_p(a.ctypes.data)
    LIBRARY.products(frames, bins, transform.bands, stems, int(joined), pointer(edges), heard, level, *(pointer(a) for a in (xx, cross, xs, ss)))
    return xx, cross, xs, ss
