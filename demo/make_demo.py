#!/usr/bin/python3
"""Makes the demo, "The Night Ferry": three reels and a short video with burnt-in timecode.

Everything is synthetic and made here: the speech by espeak-ng and flite (Debian), the music and the
surroundings by the code below. No recording of anybody is used. The result is committed, so this
needs to run only when the demo is to change.

Usage: make_demo.py [FOLDER]      needs: espeak-ng flite ffmpeg python3-numpy python3-scipy python3-soundfile
"""
import json
import os
import subprocess
import sys
import tempfile
from math import gcd
from pathlib import Path

import numpy as np
import soundfile
from scipy.signal import butter, fftconvolve, lfilter, resample_poly, sosfilt

RATE = 48000
SECONDS = 24
N = RATE * SECONDS
rng = np.random.default_rng(1947)


def speak(command, text):
    """Runs a speech synthesizer that writes a WAV and returns it at 48 kHz."""
    with tempfile.TemporaryDirectory() as folder:
        wav = os.path.join(folder, "speech.wav")
        subprocess.run([*command(wav), text], check=True)
        x, rate = soundfile.read(wav, dtype="float64")
    g = gcd(RATE, rate)
    x = resample_poly(x, RATE // g, rate // g)
    return x / np.abs(x).max()


def espeak(voice, speed, pitch):
    return lambda wav: ["espeak-ng", "-v", voice, "-s", str(speed), "-p", str(pitch), "-w", wav]


def flite(voice):
    return lambda wav: ["flite", "-voice", voice, "-o", wav, "-t"]


def place(parts):
    """Puts (second, samples) on a reel of N samples."""
    out = np.zeros(N)
    for second, x in parts:
        at = int(second * RATE)
        n = min(len(x), N - at)
        out[at:at + n] += x[:n]
    return out


def noise(n, low, high):
    return sosfilt(butter(2, [low, high], "bandpass", fs=RATE, output="sos"), rng.standard_normal(n))


def slow(n, per_second, low, high):
    points = rng.uniform(low, high, int(n / RATE * per_second) + 3)
    return np.interp(np.linspace(0, len(points) - 1, n), np.arange(len(points)), points)


def level(x, db):
    """Scales to an RMS of db dBFS over the parts that are not silent."""
    active = x[np.abs(x) > 1e-4]
    return x * (10 ** (db / 20) / np.sqrt(np.mean(active ** 2)))


def engine(n):
    phase = np.cumsum(slow(n, 1.5, 21, 23.5)) / RATE
    pulses = (np.diff(np.floor(phase), prepend=0) > 0).astype(float)
    body = noise(int(0.08 * RATE), 60, 400) * np.exp(-np.arange(int(0.08 * RATE)) / RATE * 70)
    return fftconvolve(pulses, body)[:n] + 0.02 * noise(n, 400, 3000) * (1 + np.cos(2 * np.pi * phase))


def wind(n):
    return noise(n, 40, 350) * slow(n, 1.2, 0, 1) ** 2 + 0.3 * noise(n, 500, 1500) * slow(n, 1.2, 0, 1) ** 3


def water(n):
    return noise(n, 300, 6000) * slow(n, 2.5, 0.1, 1) ** 2


def gull():
    m = int(rng.uniform(0.25, 0.5) * RATE)
    t = np.linspace(0, 1, m)
    f = 1400 + 900 * np.sin(np.pi * t) + 120 * np.sin(2 * np.pi * 9 * t)
    tone = sum(np.sin(k * 2 * np.pi * np.cumsum(f) / RATE) / k for k in (1, 2, 3))
    return tone * np.sin(np.pi * t) ** 0.6


def pluck(frequency, seconds, bright):
    """A plucked string (Karplus and Strong 1983)."""
    n, period = int(seconds * RATE), int(RATE / frequency)
    burst = np.zeros(n)
    burst[:period] = rng.uniform(-1, 1, period)
    a = np.zeros(period + 2)
    a[0], a[period], a[period + 1] = 1, -0.996 * bright, -0.996 * (1 - bright)
    return lfilter([1], a, burst)


def reed(frequency, seconds):
    """An accordion-like reed pair."""
    t = np.arange(int(seconds * RATE)) / RATE
    tone = sum(np.sin(2 * np.pi * frequency * d * k * t) / k ** 0.8 for d in (1, 1.006) for k in range(1, 9))
    return tone * np.minimum(1, t / 0.03) * np.minimum(1, (t[-1] - t) / 0.05)


def waltz():
    """The village band: a waltz of our own in G for plucked bass, chords, reeds and a soft drum."""
    beat, parts = 60 / 138, []
    chords = [(196.0, 246.9, 293.7), (261.6, 329.6, 392.0), (293.7, 370.0, 440.0), (196.0, 246.9, 293.7)]
    tune = [587.3, 493.9, 587.3, 659.3, 523.3, 659.3, 740.0, 587.3, 440.0, 784.0, 740.0, 587.3]
    bars = int(SECONDS / (3 * beat))
    for bar in range(bars):
        chord, start = chords[bar // 2 % 4], bar * 3 * beat
        parts.append((start, 1.1 * pluck(chord[0] / 2, 0.9, 0.5)))
        drum = noise(int(0.15 * RATE), 50, 140) * np.exp(-np.arange(int(0.15 * RATE)) / RATE * 30)
        parts.append((start, 2.5 * drum))
        for b in (1, 2):
            for f in chord:
                parts.append((start + b * beat, 0.5 * pluck(f * 2, 0.5, 0.7)))
            brush = noise(int(0.08 * RATE), 3000, 9000) * np.exp(-np.arange(int(0.08 * RATE)) / RATE * 60)
            parts.append((start + b * beat, 0.5 * brush))
        for b in range(3):
            if rng.random() < 0.85:
                parts.append((start + b * beat, 0.25 * reed(tune[(bar * 3 + b) % len(tune)], beat * 0.95)))
    return place(parts)


def room(x, seconds, db):
    n = int(seconds * RATE)
    tail = rng.standard_normal(n) * np.exp(-6.9 * np.arange(n) / n)
    tail[:int(0.012 * RATE)] = 0
    tail *= 10 ** (db / 20) / np.sqrt(np.sum(tail ** 2))
    return x + fftconvolve(x, tail)[:len(x)]


def stereo(voice, music, ambience):
    """Voice in the middle, music a little wide, surroundings wide (each side its own delay)."""
    roll = lambda x, ms: np.roll(x, int(ms * RATE / 1000))
    left = voice + music + ambience
    right = voice + 0.8 * music + 0.2 * roll(music, 11) + 0.6 * ambience + 0.4 * roll(ambience, 17)
    return np.stack([left, right], 1)


def write(folder, name, x, subtype="PCM_16"):
    soundfile.write(folder / name, np.clip(x, -1, 1), RATE, format="FLAC", subtype=subtype)


def cue():
    """The new cue for the saloon, "Ice Road": slow plucked fifths under a held reed, 9 seconds, with an ending of its own."""
    global rng
    kept, rng = rng, np.random.default_rng(20)  # so that the other recordings stay as they are
    n, parts = 9 * RATE, []
    for bar, root in enumerate((82.4, 98.0, 73.4, 82.4)):
        start = bar * 1.9
        for k, f in enumerate((root, root * 1.5, root * 2, root * 3)):
            parts.append((start + 0.24 * k, 0.8 * pluck(f, 1.8, 0.5)))
        parts.append((start, 0.12 * reed(root * 4, 1.85)))
    parts.append((7.6, 1.2 * pluck(82.4, 1.4, 0.4)))
    out = np.zeros(n)
    for second, x in parts:
        at = int(second * RATE)
        m = min(len(x), n - at)
        out[at:at + m] += x[:m]
    rng = kept
    out = level(out, -20)
    wide = 0.7 * out + 0.3 * np.roll(out, int(0.013 * RATE))
    return np.stack([out, wide], 1)


def song():
    """The last song in the saloon, "Chain across": drums, bass, guitar, accordion and a singer, 20 seconds, for taking music apart. float[n, 2]."""
    global rng
    kept, rng = rng, np.random.default_rng(26)
    sys.path.insert(0, str(Path(__file__).resolve().parents[1] / "training"))
    import singing
    step, n = 60 / 96 / 4, 20 * RATE   # a sixteenth
    out = {name: [] for name in ("drums", "bass", "guitar", "accordion")}
    roots, thirds = (98.0, 82.4, 130.8, 73.4), (1.26, 1.189, 1.26, 1.26)   # G, E minor, C, D
    hit = lambda seconds, low, high, fall: noise(int(seconds * RATE), low, high) * np.exp(-np.arange(int(seconds * RATE)) / RATE * fall)
    for bar in range(8):
        at, root, third = bar * 16 * step, roots[bar % 4], thirds[bar % 4]
        for s in range(16):
            if s in (0, 7, 8):
                fall = np.exp(-np.arange(int(0.25 * RATE)) / RATE * 22)
                out["drums"].append((at + s * step, 3 * np.sin(2 * np.pi * np.cumsum(48 + 70 * fall ** 3) / RATE) * fall))
            if s in (4, 12):
                out["drums"].append((at + s * step, 2.2 * hit(0.2, 180, 6000, 22)))
            if s % 2 == 0:
                out["drums"].append((at + s * step, (0.8 if s % 4 == 0 else 0.45) * hit(0.06, 6000, 14000, 70)))
            if s in (0, 3, 6, 8, 11, 14):
                out["bass"].append((at + s * step, 1.6 * pluck(root * (1.5 if s == 14 else 1) / 2 * (2 if root < 80 else 1), 3.2 * step, 0.35)))
            if s in (0, 4, 6, 8, 10, 12, 14):
                for k, f in enumerate((2, 2 * third, 3, 4)):
                    out["guitar"].append((at + s * step + 0.012 * k, (0.5 if s % 4 == 0 else 0.3) * pluck(root * f, 3.5 * step, 0.75)))
        for f in (4, 4 * third, 6):
            out["accordion"].append((at, 0.1 * reed(root * f, 15.5 * step)))
    def laid(parts):
        x = np.zeros(n)
        for second, y in parts:
            begin = int(second * RATE)
            m = min(len(y), n - begin)
            x[begin:begin + m] += y[:m]
        return x
    words = speak(flite("slt"), "Lay the chain across the water, lay it slow and lay it long. Who goes over does not falter, who stays here will keep the song.")
    words = np.pad(words * 0.1, (0, n))[:n].astype(np.float32)
    tune = (67, 69, 71, 71, 69, 67, 64, None, 64, 67, 69, 67, 64, None, None, None, 72, 71, 69, 67, 69, 71, 67, None, 66, 67, 69, 66, 62, None, None, None)
    beats = [(k * 2 * step + 2 * 16 * step, 1.9 * step, note) for k, note in enumerate(tune * 2) if note is not None]
    beats = [b for b in beats if b[0] < 8 * 16 * step - 1]
    voice = singing.sing(rng, words, singing.line(rng, n, beats), 0.01, True) * singing.open_at(n, beats)
    voice = room(voice.astype(float), 0.9, -9)
    sides = {"drums": 0.0, "bass": 0.0, "guitar": -0.5, "accordion": 0.5}
    mix = np.zeros((n, 2))
    for name, db in (("drums", -24), ("bass", -25), ("guitar", -27), ("accordion", -29)):
        x = level(room(laid(out[name]), 0.5, -12), db)
        mix += np.stack([x * (1 - max(0, sides[name])), x * (1 + min(0, sides[name]))], 1)
    rng = kept
    mix += level(voice, -22)[:, None]
    fade = np.minimum(1, (n - np.arange(n)) / (0.5 * RATE))
    return mix * fade[:, None] * (0.85 / np.abs(mix).max())


def rebuilt():
    """The session in which the documentary is rebuilt (docs/formats.md)."""
    def lane(number, name, stem, clips, **more):
        return {"id": f"lane-{number}", "name": name, **({"stem": stem} if stem else {}), "clips": clips, **more}

    def clip(number, material, at, to, **more):
        return {"id": f"clip-{number}", "material": material, "at": at, "length": to - at, **({"offset": at} if at and "offset" not in more else {}), **more}

    voice = {"de-esser": {"on": True}, "high-pass": {"on": True, "frequency": 90}, "equaliser": {"on": True}, "compressor": {"on": True, "make_up": 3.0}, "limiter": {"on": True}}
    limiter = {"chain": {"limiter": {"on": True, "ceiling": -1.0}}}
    deck = {"lanes": [lane(1, "Dialogue", "dialogue", [clip(1, "dialogue", 0, 24)], strip={"chain": voice}),
                      lane(2, "Music", "music", [clip(2, "music", 0, 24)], strip={"mute": True}),
                      lane(3, "Ambience", "ambience", [clip(3, "ambience", 0, 6.2, fade_out=[0.06, "equal-power"]),
                                                       clip(4, "tone-1", 6.14, 7.06, offset=0, fade_in=[0.06, "equal-power"], fade_out=[0.06, "equal-power"]),
                                                       clip(5, "ambience", 7.0, 24, fade_in=[0.06, "equal-power"])],
                           strip={"automation": {"level": [[0, -2], [0.8, -9], [22.4, -9], [23.2, -2]]}})],
            "tones": [{"id": "tone-1", "name": "River, no gulls", "material": "ambience", "spans": [[13.8, 15.0], [22.6, 23.9]], "seed": 1}],
            "markers": [{"at": 7.4, "name": "the chain"}, {"at": 15.2, "name": "people sleep"}], "mix": limiter}
    saloon = {"lanes": [lane(1, "Dialogue", "dialogue", [clip(1, "dialogue", 0, 24)], strip={"chain": voice}),
                        lane(2, "Music", "music", [clip(2, "music", 0, 8.2, fade_out=[0.4, "equal-power"]), clip(3, "music", 16.0, 24, fade_in=[0.5, "equal-power"])],
                             duck={"on": True, "key": "lane-1", "by": "voice", "depth": 6.0}),
                        lane(3, "New music", "music", [clip(4, "sound-1", 8.0, 16.4, offset=0, name="Ice Road", fade_in=[0.3, "equal-power"], fade_out=[0.4, "s-shaped"], gain=-3.0)],
                             duck={"on": True, "key": "lane-1", "by": "voice", "depth": 8.0}),
                        lane(4, "Ambience", "ambience", [clip(5, "ambience", 0, 24)], strip={"level": -3.0})],
              "sounds": [{"id": "sound-1", "name": "Ice Road", "file": "cue-ice-road.flac"}],
              "markers": [{"at": 8.6, "name": "who wrote the waltz"}], "mix": limiter}
    bridge = {"lanes": [lane(1, "Dialogue", "dialogue", [clip(1, "dialogue", 0, 10.3, fade_out=[0.05, "equal-power"]), clip(2, "dialogue", 10.3, 12.2, gain=-8.0, name="the shout"),
                                                         clip(3, "dialogue", 12.2, 24, fade_in=[0.05, "equal-power"])], strip={"chain": {**voice, "gate": {"on": True}}}),
                        lane(2, "Music", "music", [clip(4, "music", 0, 24)], strip={"mute": True}),
                        lane(3, "Ambience", "ambience", [clip(5, "ambience", 0, 24)], strip={"level": -4.0})], "mix": limiter}
    reels = [("reel-1", "Reel 1 Deck", "reel-1-deck.flac", deck), ("reel-2", "Reel 2 Saloon", "reel-2-saloon.flac", saloon), ("reel-3", "Reel 3 Bridge", "reel-3-bridge.flac", bridge)]
    return {"format": "rivlen-session", "version": 4, "name": "The Night Ferry, rebuilt", "current": "reel-2", "stage": "rebuild",
            "deliverables": [{"name": "broadcast", "holds": "mix", "loudness": -23.0, "tolerance": 0.5, "ceiling": -1.0, "format": "wav", "bits": 24, "file_name": "{reel}.{name}"},
                             *({"name": part, "holds": part, "format": "wav", "bits": 24, "file_name": "{reel}.{name}"} for part in ("music-and-effects", "dialogue", "music", "ambience")),
                             {"name": "listening copy", "holds": "mix", "loudness": -16.0, "tolerance": 1.0, "ceiling": -1.0, "format": "mp3", "bits": 24, "file_name": "{reel}.{name}"}],
            "reels": [{"id": i, "name": n, "source": s, "network": "", "quality": "fine", "stem": "dialogue", "rebuild": r} for i, n, s, r in reels]}


def ferry_engine():
    """The engine alone, as it is laid into the crossing."""
    global rng
    rng = np.random.default_rng(7)
    return level(engine(12 * RATE), -20)


def crossing():
    """The session in which the engine follows the ferry through the picture; its way is known: x = 68 + 26 t of 480 pixels."""
    way = [[t / 2, round(-np.degrees(np.arctan((2 * (68 + 13 * t) / 480 - 1) * np.tan(np.radians(30)))), 2)] for t in range(0, 25)]
    def lane(number, name, stem, material, **strip):
        return {"id": f"lane-{number}", "name": name, **({"stem": stem} if stem else {}),
                "clips": [{"id": f"clip-{number}", "material": material, "at": 0, "length": 12, "fade_out": [0.3, "equal-power"]}], "strip": strip}
    rebuild = {"format": "7.1.4",
               "lanes": [lane(1, "Dialogue", "dialogue", "dialogue"),
                         lane(2, "Ambience", "ambience", "ambience", level=-4.0, spread=60),
                         lane(3, "Engine", "", "sound-1", level=-6.0, width=0, distance=6.0, automation={"azimuth": way})],
               "sounds": [{"id": "sound-1", "name": "Engine", "file": "engine.flac"}],
               "mix": {"chain": {"limiter": {"on": True, "ceiling": -1.0}}}}
    return {"format": "rivlen-session", "version": 5, "name": "The Night Ferry crosses", "current": "reel-1", "stage": "rebuild",
            "deliverables": [{"name": name, "holds": "mix", "loudness": -23.0, "tolerance": 0.5, "ceiling": -1.0, "format": kind, "bits": 24, "file_name": "{reel}.{name}",
                              **({"layout": layout} if layout else {})}
                             for name, kind, layout in (("sphere", "wav", ""), ("picture 5.1", "mov", "5.1"), ("two ears", "wav", "binaural"), ("objects", "adm", ""))],
            "reels": [{"id": "reel-1", "name": "Deck video", "source": "deck-video.mp4", "network": "", "quality": "fine", "stem": "dialogue", "rebuild": rebuild}]}


def main():
    folder = Path(sys.argv[1]) if len(sys.argv) > 1 else Path(__file__).resolve().parent
    folder.mkdir(parents=True, exist_ok=True)
    silence = np.zeros(N)

    # Reel 1: deck interview, voice over engine and wind.
    ferrywoman = espeak("en-gb-x-rp+f3", 150, 45)
    voice = place([(0.8, speak(ferrywoman, "I took the night ferry over from my mother, in the winter of the long ice.")),
                   (7.4, speak(ferrywoman, "The chain does the steering. You only listen to it, and it tells you what the river wants.")),
                   (15.2, speak(ferrywoman, "People sleep, mostly. Some of them talk to me, because it is dark and I do not know their names."))])
    gulls = place([(s, 0.5 * gull()) for s in (2.1, 2.6, 6.3, 12.0, 12.5, 13.1, 20.7)])
    deck = level(engine(N), -31) + level(wind(N), -32) + level(water(N), -36) + level(gulls, -30)
    write(folder, "reel-1-deck.flac", stereo(level(voice, -21), silence, deck))

    # Reel 2: saloon, voice over band music.
    narrator = flite("rms")
    voice = place([(1.2, speak(narrator, "On Saturdays the band comes aboard at the upper landing and plays until the lamps go out.")),
                   (8.6, speak(narrator, "Nobody remembers who wrote the waltz. The accordion has been to sea longer than the captain.")),
                   (16.4, speak(narrator, "They stop once, in the middle of the river, and let the passengers hear the chain."))])
    cups = place([(s, level(np.sin(2 * np.pi * f * np.arange(int(0.3 * RATE)) / RATE) * np.exp(-np.arange(int(0.3 * RATE)) / RATE * 25), -25))
                  for s, f in ((3.3, 3100), (9.8, 2650), (14.9, 3900), (19.2, 2900))])
    saloon = level(noise(N, 100, 900), -48) + cups
    write(folder, "reel-2-saloon.flac", stereo(level(room(voice, 0.5, -10), -20), level(room(waltz(), 0.7, -8), -24), saloon))

    # Reel 3: bridge, echoing announcement with clicks, 50 Hz hum and a clipped shout; mono.
    announcer = espeak("en-gb-scotland+m7", 140, 40)
    announcement = speak(announcer, "Attention at the lower landing. The night ferry leaves in five minutes. Mind the chain as it rises.")
    shout = np.clip(4 * speak(espeak("en-gb+m3", 170, 70), "Wait! Wait for me!"), -1, 1)
    voice = room(place([(1.0, 0.5 * announcement), (13.5, 0.5 * announcement)]), 1.6, 0)
    clicks = place([(s, np.array([0.7, -0.6, 0.3, -0.1])) for s in rng.uniform(0, SECONDS, 40)])
    t = np.arange(N) / RATE
    hum = sum(np.sin(2 * np.pi * 50 * k * t + k) / k for k in range(1, 8))
    bridge = level(water(N), -38) + level(hum, -40)
    mixed = level(voice, -22) + bridge + 0.5 * clicks
    at = int(10.4 * RATE)
    mixed[at:at + len(shout)] += 1.2 * shout
    write(folder, "reel-3-bridge.flac", np.clip(mixed, -0.98, 0.98))

    write(folder, "cue-ice-road.flac", cue())
    write(folder, "reel-5-song.flac", song())
    write(folder, "engine.flac", ferry_engine())
    (folder / "night-ferry-crossing.rivlen").write_text(json.dumps(crossing(), indent=1) + "\n")
    (folder / "night-ferry-rebuilt.rivlen").write_text(json.dumps(rebuilt(), indent=1) + "\n")

    # The video: reel 1's first 12 seconds under a drawn river at 25 frames a second, timecode from 10:00:00:00.
    # The ferry is laid over: a box can't move, a picture can.
    draw = ("[0]drawbox=x=0:y=190:w=iw:h=80:color=0x24404a:t=fill,drawbox=x=372:y=40:w=34:h=34:color=0xece4d6:t=fill[river];"
            "[river][2]overlay=x='20+t*26':y=172[hull];[hull][3]overlay=x='52+t*26':y=150,"
            "drawbox=x=0:y=204:w=iw:h=2:color=0x5fa79b:t=fill,"
            "drawtext=timecode='10\\:00\\:00\\:00':rate=25:fontsize=22:fontcolor=0xece4d6:x=12:y=12:box=1:boxcolor=0x1d1b18[v]")
    def shape(colour, size):
        return ["-f", "lavfi", "-i", f"color=c={colour}:s={size}:r=25:d=12"]

    subprocess.run(["ffmpeg", "-v", "error", "-y", *shape("0x1d1b18", "480x270"), "-i", folder / "reel-1-deck.flac", *shape("0xe8b04a", "96x24"), *shape("0xece4d6", "26x22"),
                    "-t", "12", "-filter_complex", draw, "-map", "[v]", "-map", "1:a", "-c:v", "libx264", "-preset", "slow", "-crf", "30",
                    "-pix_fmt", "yuv420p", "-c:a", "aac", "-b:a", "160k", "-timecode", "10:00:00:00", "-fflags", "+bitexact", folder / "deck-video.mp4"], check=True)


if __name__ == "__main__":
    main()
