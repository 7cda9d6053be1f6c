"""Procedural ambience: each generator makes a bed or a run of events with random parameters.

Every generator has the form  name(rng, n) -> float32[n]  (mono, 48 kHz, any level) and is
registered in GENERATORS. They are physically inspired sketches, wide in range rather than
faithful: the network shall meet many textures that are neither voice nor music.
"""
import numpy as np
from scipy.fft import irfft, next_fast_len, rfft, rfftfreq
from scipy.signal import fftconvolve

import paths

RATE = paths.RATE
GENERATORS = []


def generator(f):
    GENERATORS.append(f)
    return f


def slow(rng, n, rate_hz, low, high, power=1.0):
    """A smooth random curve between low and high, changing about rate_hz times a second."""
    points = max(4, int(n / RATE * rate_hz) + 4)
    curve = low + (high - low) * rng.random(points) ** power
    return np.interp(np.linspace(0, points - 1, n), np.arange(points), curve).astype(np.float32)


def shaped_noise(rng, n, gain_of_frequency):
    """White noise with the given amplitude over frequency (a function of Hz)."""
    size = next_fast_len(n, real=True)
    spectrum = rfft(rng.standard_normal(size, dtype=np.float32))
    return irfft(spectrum * gain_of_frequency(rfftfreq(size, 1 / RATE)).astype(np.float32), size)[:n]


def band(centre, octaves):
    """A bell over log frequency, as an amplitude curve."""
    return lambda f: np.exp(-0.5 * (np.log2(np.maximum(f, 1) / centre) / octaves) ** 2)


def slope(db_per_octave, corner=100.0):
    return lambda f: (np.maximum(f, corner) / corner) ** (db_per_octave / 6.02)


def scatter(rng, n, per_second, make, jitter=0.7):
    """Adds events made by make() at random times; their level varies by about jitter in log units."""
    out = np.zeros(n, np.float32)
    for at in rng.integers(0, n, max(1, rng.poisson(per_second * n / RATE))):
        event = make() * np.exp(rng.normal(0, jitter))
        end = min(n, at + len(event))
        out[at:end] += event[:end - at]
    return out


def burst(rng, seconds, centre, octaves, attack=0.002):
    """A short noise burst with an exponential tail."""
    n = max(64, int(seconds * RATE))
    t = np.arange(n) / RATE
    envelope = np.minimum(1, t / attack) * np.exp(-t / (seconds / 5))
    return shaped_noise(rng, n, band(centre, octaves)) * envelope


@generator
def wind(rng, n):
    body = shaped_noise(rng, n, band(rng.uniform(60, 250), rng.uniform(0.8, 1.6)))
    whistle = shaped_noise(rng, n, band(rng.uniform(400, 1500), rng.uniform(0.2, 0.7)))
    gust = slow(rng, n, rng.uniform(0.3, 2), 0.05, 1, 2)
    return body * gust + whistle * gust ** 2 * rng.uniform(0, 0.5) \
        + shaped_noise(rng, n, slope(-6, 40)) * slow(rng, n, 8, 0, 1, 4) * rng.uniform(0, 1)


@generator
def rain(rng, n):
    patter = (rng.random(n) < rng.uniform(0.001, 0.02)) * rng.exponential(1, n)
    drop = burst(rng, rng.uniform(0.003, 0.02), rng.uniform(1500, 7000), rng.uniform(0.5, 1.2))
    out = fftconvolve(patter.astype(np.float32), drop)[:n]
    return out / (out.std() + 1e-9) + rng.uniform(0, 1.5) * shaped_noise(rng, n, slope(rng.uniform(-4, 1), 500)) \
        * slow(rng, n, 0.5, 0.6, 1)


@generator
def water(rng, n):
    flow = shaped_noise(rng, n, band(rng.uniform(300, 1500), rng.uniform(0.8, 2))) * slow(rng, n, rng.uniform(0.2, 4), 0.1, 1)
    def bubble():
        m = int(rng.uniform(0.01, 0.08) * RATE)
        t = np.arange(m) / RATE
        f = rng.uniform(300, 2500)
        return np.sin(2 * np.pi * (f * t + f * rng.uniform(0, 8) * t ** 2)) * np.exp(-t * rng.uniform(40, 150))
    return flow + scatter(rng, n, rng.uniform(2, 40), bubble) * rng.uniform(0, 0.6)


@generator
def traffic(rng, n):
    out = shaped_noise(rng, n, slope(rng.uniform(-7, -3), 60)) * 0.3
    def passing():
        m = int(rng.uniform(2, 7) * RATE)
        shape = np.exp(-0.5 * ((np.arange(m) / m - 0.5) / rng.uniform(0.1, 0.25)) ** 2)
        tyres = shaped_noise(rng, m, band(rng.uniform(500, 1400), rng.uniform(0.7, 1.4)))
        motor = engine(rng, m) * rng.uniform(0, 0.6)
        return (tyres / tyres.std() + motor / (motor.std() + 1e-6) * rng.uniform(0, 0.7)) * shape * 0.2
    return out / out.std() * 0.1 + scatter(rng, n, rng.uniform(0.1, 0.5), passing)


@generator
def engine(rng, n):
    """Firing pulses through a random resonant body: harmonics with jitter, load and misfires."""
    rpm = slow(rng, n, rng.uniform(0.1, 1.5), 0.92, 1.08) * rng.uniform(8, 90)
    phase = np.cumsum(rpm / RATE + rng.standard_normal(n) * rng.uniform(0, 2e-4))
    strength = np.repeat(rng.uniform(0.6, 1, n // 64 + 1), 64)[:n]
    pulses = (np.diff(np.floor(phase), prepend=0) > 0) * strength
    m = int(0.06 * RATE)
    body = shaped_noise(rng, m, band(rng.uniform(80, 500), rng.uniform(0.6, 1.6))) \
        * np.exp(-np.arange(m) / RATE * rng.uniform(60, 300))
    rumble = fftconvolve(pulses.astype(np.float32), body.astype(np.float32))[:n]
    hiss = shaped_noise(rng, n, band(rng.uniform(800, 4000), 1.2)) * (0.5 + 0.5 * np.cos(2 * np.pi * phase))
    return rumble / (rumble.std() + 1e-9) + hiss / (hiss.std() + 1e-9) * rng.uniform(0, 0.3)


@generator
def ventilation(rng, n):
    out = shaped_noise(rng, n, slope(rng.uniform(-6, -1), rng.uniform(60, 400)))
    out /= out.std()
    t = np.arange(n) / RATE
    base = rng.uniform(40, 400)
    for k in range(rng.integers(0, 6)):
        out += rng.uniform(0, 0.3) * np.sin(2 * np.pi * (base * (k + 1) * t) + rng.uniform(0, 6.3))
    return out * slow(rng, n, 0.2, 0.8, 1)


@generator
def mains_hum(rng, n):
    t = np.arange(n) / RATE
    f = rng.choice([50.0, 60.0]) * rng.uniform(0.997, 1.003)
    out = np.zeros(n)
    tilt = rng.uniform(0.5, 1.6)
    for k in range(1, rng.integers(6, 30)):
        out += rng.uniform(0.1, 1) / k ** tilt * np.sin(2 * np.pi * f * k * t + rng.uniform(0, 6.3))
    return out + shaped_noise(rng, n, slope(-1)) * rng.uniform(0, 1)


@generator
def hiss(rng, n):
    return shaped_noise(rng, n, slope(rng.uniform(-3, 3), 300)) * slow(rng, n, 0.3, 0.9, 1)


@generator
def footsteps(rng, n):
    out, at, centre = np.zeros(n, np.float32), 0, rng.uniform(150, 2500)
    spacing, hard = rng.uniform(0.28, 0.8), rng.uniform(0.04, 0.2)
    while at < n:
        step = burst(rng, hard, centre * rng.uniform(0.8, 1.25), 1.2) + 0.5 * burst(rng, hard, 110, 0.6)
        end = min(n, at + len(step)) if len(step) else at
        out[at:end] += step[:end - at] * rng.uniform(0.5, 1)
        at += int(spacing * rng.uniform(0.85, 1.15) * RATE)
    return out


@generator
def cloth(rng, n):
    return shaped_noise(rng, n, band(rng.uniform(1500, 6000), rng.uniform(0.8, 1.5))) \
        * slow(rng, n, rng.uniform(4, 20), 0, 1, rng.uniform(3, 8))


@generator
def paper(rng, n):
    crackle = scatter(rng, n, rng.uniform(30, 250), lambda: burst(rng, rng.uniform(0.001, 0.01), rng.uniform(2000, 9000), 0.9, 0.0003), 1.0)
    return crackle * slow(rng, n, rng.uniform(1, 5), 0, 1, 3)


@generator
def clicks(rng, n):
    return scatter(rng, n, rng.uniform(0.5, 8), lambda: burst(rng, rng.uniform(0.0015, 0.006), rng.uniform(800, 8000), 1.5, 0.0002), 0.8)


@generator
def keyboard(rng, n):
    tone = rng.uniform(1200, 4500)
    def key():
        gap = np.zeros(int(rng.uniform(0.04, 0.12) * RATE), np.float32)
        return np.concatenate([burst(rng, 0.02, tone * rng.uniform(0.8, 1.2), 0.8, 0.0005), gap,
                               0.4 * burst(rng, 0.015, tone * rng.uniform(1, 1.6), 0.8, 0.0005)])
    return scatter(rng, n, rng.uniform(2, 10), key, 0.4)


@generator
def insects(rng, n):
    t = np.arange(n) / RATE
    out = np.zeros(n)
    for _ in range(rng.integers(1, 5)):
        f, rate = rng.uniform(2500, 9000), rng.uniform(5, 60)
        gate = np.clip(np.sin(2 * np.pi * rate * t + rng.uniform(0, 6)) * 3, 0, 1) * (slow(rng, n, rng.uniform(0.5, 3), 0, 1) > rng.uniform(0, 0.6))
        out += rng.uniform(0.2, 1) * np.sin(2 * np.pi * f * t + slow(rng, n, 30, 0, rng.uniform(0, 20))) * gate
    return out


@generator
def birds(rng, n):
    def chirp():
        m = int(rng.uniform(0.03, 0.25) * RATE)
        t = np.linspace(0, 1, m)
        f = rng.uniform(1800, 6500) * (1 + rng.uniform(-0.4, 0.4) * t + rng.uniform(0, 0.15) * np.sin(2 * np.pi * rng.uniform(1, 12) * t))
        return np.sin(2 * np.pi * np.cumsum(f) / RATE) * np.sin(np.pi * t) ** 1.5
    return scatter(rng, n, rng.uniform(0.5, 6), chirp, 0.9)


@generator
def machine(rng, n):
    """A repeating mechanical cycle: the same short event again and again, slightly varied."""
    period = int(rng.uniform(0.08, 1.2) * RATE)
    event = burst(rng, rng.uniform(0.02, 0.3), rng.uniform(150, 5000), rng.uniform(0.2, 1))
    out = np.zeros(n, np.float32)
    for at in range(0, n, period):
        end = min(n, at + len(event))
        out[at:end] += event[:end - at] * rng.uniform(0.8, 1.1)
    drone = shaped_noise(rng, n, band(rng.uniform(100, 600), rng.uniform(0.1, 0.5)))
    return out / (out.std() + 1e-9) + drone / (drone.std() + 1e-9) * rng.uniform(0, 1)


@generator
def impacts(rng, n):
    """Struck objects: a few decaying inharmonic modes (doors, metal, wood, crates)."""
    def hit():
        m = int(rng.uniform(0.05, 0.6) * RATE)
        t = np.arange(m) / RATE
        base = rng.uniform(80, 1500)
        ring = sum(rng.uniform(0.2, 1) * np.sin(2 * np.pi * base * r * t) * np.exp(-t * rng.uniform(8, 60))
                   for r in 1 + rng.exponential(1.5, 6))
        return (ring * rng.uniform(0, 0.4) + burst(rng, (m + 0.5) / RATE, rng.uniform(100, 3000), 1.5)).astype(np.float32)
    return scatter(rng, n, rng.uniform(0.3, 3), hit, 0.8)


def crowd(rng, n, voice):
    """Walla: at least eight unintelligible voices. voice(rng, n) returns a random stretch of speech."""
    out = np.zeros(n, np.float32)
    for _ in range(rng.integers(8, 14)):
        out += np.roll(voice(rng, n), rng.integers(n)) * rng.uniform(0.4, 1)
    spectrum = rfft(out)
    f = rfftfreq(n, 1 / RATE)
    out = irfft(spectrum * (1 / (1 + (f / rng.uniform(1500, 5000)) ** 2)).astype(np.float32), n)
    m = int(rng.uniform(0.3, 1.2) * RATE)
    tail = rng.standard_normal(m) * np.exp(-np.arange(m) / m * 6.9)
    return fftconvolve(out, tail.astype(np.float32))[:n]


def bed(rng, n, voice=None):
    """One to three generators layered, each at its own level; a crowd sometimes. RMS about 0.08."""
    out = np.zeros(n, np.float32)
    for _ in range(rng.choice([1, 1, 2, 2, 3])):
        if voice is not None and rng.random() < 0.08:
            layer = crowd(rng, n, voice)
        else:
            layer = GENERATORS[rng.integers(len(GENERATORS))](rng, n)
        layer = np.asarray(layer, np.float32)
        out += layer / (np.sqrt(np.mean(layer ** 2)) + 1e-9) * 10 ** (rng.uniform(-14, 0) / 20)
    return (out * (0.08 / (np.sqrt(np.mean(out ** 2)) + 1e-9))).astype(np.float32)
