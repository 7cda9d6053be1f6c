"""Pieces composed by rule: drums, bass, guitar, other instruments and a line to be sung, for training and measuring what takes music apart.

A piece has a style (STYLES), a tempo, a key and mode, a loop of chords for verse and chorus, an arrangement that says who plays in which
section, drum patterns with fills, and human timing and force. Nothing is quoted: progressions and patterns are common practice of
popular music, drawn at random within each style.
"""
from dataclasses import dataclass, field

import mido
import numpy as np

PARTS = ("drums", "bass", "guitar", "other")   # beside the vocals, which singing.py sings
MODES = {"major": (0, 2, 4, 5, 7, 9, 11), "minor": (0, 2, 3, 5, 7, 8, 10), "dorian": (0, 2, 3, 5, 7, 9, 10), "mixolydian": (0, 2, 4, 5, 7, 9, 10)}
# Steps of the scale that chords stand on, a bar each.
LOOPS = ((0, 4, 5, 3), (0, 5, 3, 4), (0, 3, 4, 3), (5, 3, 0, 4), (0, 0, 3, 4), (0, 3, 0, 4), (1, 4, 0, 0), (0, 6, 3, 0), (0, 5, 1, 4), (0, 2, 3, 4), (0, 6, 5, 4), (0, 0, 5, 5))
BLUES = (0, 0, 0, 0, 3, 3, 0, 0, 4, 3, 0, 4)
KICK, RIM, SNARE, CLAP, CLOSED, PEDAL, OPEN, RIDE, BELL, CRASH, TAMBOURINE, SHAKER, COWBELL = 36, 37, 38, 39, 42, 44, 46, 51, 53, 49, 54, 70, 56
TOMS = (50, 48, 47, 45, 43, 41)


@dataclass(frozen=True)
class Style:
    """How a kind of music usually goes. Patterns are sixteenths of a bar (twelfths where there are three beats): x hit, o soft, . rest."""
    tempo: tuple
    kick: tuple
    snare: tuple
    cymbal: tuple           # (instrument, pattern)
    bass: tuple             # ways of playing
    guitar: tuple
    other: tuple
    swing: float = 0.0      # how late the second eighth comes, of an eighth
    beats: int = 4
    modes: tuple = ("major", "minor")
    guitars: tuple = (24, 25, 26, 27)
    basses: tuple = (32, 33, 34)
    others: tuple = (0, 1, 4, 5, 16, 48, 50)
    drumless: float = 0.08  # share of the pieces
    guitarless: float = 0.25
    bassless: float = 0.06


STYLES = {
    "pop": Style((88, 128), ("x.......x.x.....", "x..x......x.....", "x.....x.x......."), ("....x.......x...",), ((CLOSED, "x.x.x.x.x.x.x.x."), (CLOSED, "xoxoxoxoxoxoxoxo"),
        (CLOSED, "x.x.x.x.x.x.xx.x")),
        ("eighths", "roots", "syncopated"), ("strum", "arpeggio", "chops"), ("comp", "pad", "arpeggio", "melody"), others=(0, 1, 2, 4, 5, 16, 48, 50, 81, 88, 89, 90)),
    "rock": Style((100, 168), ("x.......x.......", "x.....x.x.......", "x.x.....x.x.x..."), ("....x.......x...",), ((CLOSED, "x.x.x.x.x.x.x.x."), (RIDE, "x.x.x.x.x.x.x.x."), (OPEN,
        "x...x...x...x...")),
        ("eighths", "roots", "octaves"), ("power", "strum", "riff", "solo"), ("pad", "comp"), guitars=(27, 29, 30, 30, 29, 28), basses=(33, 34, 34), others=(0, 16, 18,
        50, 81), guitarless=0.03,
        modes=("minor", "mixolydian", "dorian", "major")),
    "ballad": Style((58, 84), ("x.......x.......", "x......xx......."), ("....x.......x...",), ((CLOSED, "x.x.x.x.x.x.x.x."), (RIDE, "x...x...x...x...")), ("roots", "long"),
        ("arpeggio", "strum", "solo"), ("pad", "comp", "melody", "arpeggio"),
        others=(0, 1, 4, 48, 49, 50, 60, 68, 71, 73), drumless=0.3),
    "funk": Style((92, 118), ("x..x..x...x..x..", "x.x.......x..x.."), ("....x..o.o..x...", "....x..o....x..o"), ((CLOSED, "xoxoxoxoxoxoxoxo"), (CLOSED, "x.xxx.xxx.xxx.xx")),
        ("syncopated", "octaves", "slap"), ("chops", "riff"), ("stabs", "comp"),
        basses=(33, 36, 37), guitars=(27, 28, 27), others=(4, 7, 16, 17, 56, 61, 62, 66), modes=("dorian", "mixolydian", "minor")),
    "swing": Style((104, 190), ("x...............", "x.......x......."), ("......o.......o.", "............o..."), ((RIDE, "x...x.x.x...x.x."),), ("walking",), ("comp", "solo"),
        ("comp", "melody", "stabs"), swing=0.33, basses=(32, 32, 35),
        guitars=(26, 26, 24), others=(0, 0, 11, 56, 57, 65, 66, 71, 64), guitarless=0.5),
    "waltz": Style((90, 180), ("x...........", "x.....x....."), ("....x...x...",), ((CLOSED, "x...x...x..."), (RIDE, "x.x.x.x.x.x.")), ("roots", "long"), ("strum", "arpeggio"),
        ("comp", "melody", "pad"), beats=3, drumless=0.35,
        others=(0, 6, 21, 22, 40, 42, 48, 71, 73)),
    "bossa": Style((104, 140), ("x..x..x.x..x..x.", "x.....x.x.....x."), ("x..x..x...x..x..", "x..x...x..x..x.."), ((SHAKER, "xoxoxoxoxoxoxoxo"), (CLOSED, "x.x.x.x.x.x.x.x.")),
        ("roots", "syncopated"), ("comp", "arpeggio"), ("pad", "melody", "comp"),
        guitars=(24, 24, 25), basses=(32, 33), others=(4, 11, 12, 73, 71, 66, 48), guitarless=0.05),
    "reggae": Style((66, 88), ("........x.......",), ("........x.......",), ((CLOSED, "x.x.x.x.x.x.x.x."),), ("syncopated", "roots"), ("chops",), ("stabs", "comp"), guitars=(27,
        28), others=(16, 17, 18, 0, 56, 57), basses=(33, 35)),
    "machine": Style((112, 140), ("x...x...x...x...",), ("....x.......x...", "................"), ((OPEN, "..x...x...x...x."), (CLOSED, "xxxxxxxxxxxxxxxx")), ("octaves", "eighths",
        "roots"), ("chops",), ("arpeggio", "pad", "stabs", "melody"),
        basses=(38, 39, 38), others=(80, 81, 82, 87, 88, 89, 90, 95, 62, 63), guitarless=0.7, modes=("minor", "dorian")),
    "folk": Style((84, 132), ("x.......x.......",), ("....x.......x...",), ((TAMBOURINE, "....x.......x..."), (SHAKER, "x.x.x.x.x.x.x.x.")), ("roots", "long"), ("strum",
        "arpeggio", "strum"), ("melody", "pad"), guitars=(24, 25, 25, 105), others=(21, 22, 40, 73, 72, 78, 15),
        drumless=0.5, guitarless=0.05),
    "blues": Style((72, 128), ("x.......x.......", "x.....x.x......."), ("....x.......x...",), ((RIDE, "x...x.x.x...x.x."), (CLOSED, "x.x.x.x.x.x.x.x.")), ("walking", "eighths"),
        ("shuffle", "solo", "riff"), ("comp", "melody"), swing=0.3, guitars=(26, 27, 29),
        others=(0, 3, 16, 22, 66), modes=("mixolydian",), guitarless=0.05),
    "march": Style((96, 124), ("x.......x.......",), ("x.xxx.x.x.xxxxxx", "....xoxo....xoxo"), ((CRASH, "x..............."), (PEDAL, "....x.......x...")), ("roots",), ("comp",),
        ("melody", "stabs", "pad"), basses=(58, 32, 43), others=(56, 57, 60, 61, 71, 72, 73, 68),
        guitarless=0.9, bassless=0.0, modes=("major", "minor")),
}


@dataclass
class Piece:
    """Notes by part: (seconds, length in seconds, MIDI pitch, force 1 ... 127); instruments by part: tracks of (GM programme, notes)."""
    style: str
    seconds: float
    tracks: dict = field(default_factory=dict)   # part -> [(programme, notes)]
    sung: list = field(default_factory=list)     # (seconds, length, MIDI pitch)


class Composer:
    def __init__(self, rng, seconds):
        self.rng, self.seconds = rng, seconds
        name = rng.choice(list(STYLES))
        self.style = style = STYLES[name]
        self.piece = Piece(str(name), seconds)
        self.step = 15 / rng.uniform(*style.tempo)            # a sixteenth, in seconds
        self.steps = style.beats * 4
        self.key = int(rng.integers(12))
        self.scale = MODES[rng.choice(style.modes)]
        self.late, self.loose = rng.uniform(0, 0.012), rng.uniform(0.002, 0.012)
        loops = [self.loop(), self.loop()]
        bars = int(seconds / (self.step * self.steps)) + 1
        # Sections of four or eight bars, verse and chorus by turns; who plays changes with them.
        self.bars = []                                        # (chord, section, first of it, last of it)
        section = 0
        while len(self.bars) < bars:
            length = int(rng.choice([4, 8]))
            loop = loops[section % 2]
            self.bars += [(loop[i % len(loop)], section, i == 0, i == length - 1) for i in range(length)]
            section += 1
        self.present = {}
        for part, absent in (("drums", style.drumless), ("bass", style.bassless), ("guitar", style.guitarless), ("other", 0.1)):
            here = rng.random() > absent
            self.present[part] = [here and rng.random() < 0.88 for _ in range(section)]

    def loop(self):
        rng = self.rng
        if self.scale == MODES["mixolydian"] and rng.random() < 0.5:
            return BLUES
        return LOOPS[rng.integers(len(LOOPS))]

    def pitch(self, step, low):
        """The scale's step as the lowest MIDI pitch from low on."""
        tone = self.key + self.scale[step % 7]
        return low + (tone - low) % 12

    def chord(self, root, low):
        """Three or four tones from low on."""
        tones = sorted(self.pitch(root + k, low) for k in ((0, 2, 4, 6) if self.rng.random() < 0.3 else (0, 2, 4)))
        return tones

    def at(self, bar, step):
        """Seconds, with swing and a hand's looseness."""
        late = self.style.swing * 2 * self.step if step % 4 == 2 else 0
        return max(0, (bar * self.steps + step) * self.step + late + self.rng.normal(self.late, self.loose))

    def force(self, middle, loose=9):
        return int(np.clip(self.rng.normal(middle, loose), 20, 127))

    def drums(self):
        rng, style, notes = self.rng, self.style, []
        kick, snare = style.kick[rng.integers(len(style.kick))], style.snare[rng.integers(len(style.snare))]
        clap = rng.random() < 0.15
        more = rng.choice([0, 0, SHAKER, TAMBOURINE, COWBELL, 62, 60])
        for bar, (_, section, first, last) in enumerate(self.bars):
            if not self.present["drums"][section]:
                continue
            cymbal, pattern = style.cymbal[section % len(style.cymbal)]
            fill = last and rng.random() < 0.7
            until = int(rng.choice([self.steps // 2, self.steps - 4])) if fill else self.steps
            if first and rng.random() < 0.7:
                notes.append((self.at(bar, 0), 1.0, int(rng.choice([CRASH, 57])), self.force(105)))
            for step in range(until):
                for hits, drum, loud in ((kick, KICK, 105), (snare, CLAP if clap else RIM if self.piece.style == "bossa" else SNARE, 100), (pattern, cymbal, 78)):
                    hit = hits[step % len(hits)]
                    if hit != "." and rng.random() < 0.97:
                        notes.append((self.at(bar, step), 0.2, drum, self.force(loud if hit == "x" else loud * 0.55)))
                if rng.random() < 0.04:
                    notes.append((self.at(bar, step), 0.2, int(rng.choice([SNARE, KICK, OPEN])), self.force(50)))
                if more and step % 2 == 0 and rng.random() < 0.8:
                    notes.append((self.at(bar, step), 0.2, int(more), self.force(60)))
            if fill:
                way = np.sort(rng.integers(0, len(TOMS), self.steps - until))
                for k, step in enumerate(range(until, self.steps)):
                    if rng.random() < 0.85:
                        notes.append((self.at(bar, step), 0.3, SNARE if rng.random() < 0.35 else TOMS[way[k]], self.force(98)))
        self.piece.tracks["drums"] = [(int(rng.choice([0, 0, 8, 16, 24, 25, 32, 40])), notes)] if notes else []

    def bass(self):
        rng, notes = self.rng, []
        way = rng.choice(self.style.bass)
        low = 28 + int(rng.integers(0, 6))
        figure = rng.random(self.steps) < 0.42
        figure[0] = True
        for bar, (root, section, _, _) in enumerate(self.bars):
            if not self.present["bass"][section]:
                continue
            tone = lambda k: self.pitch(root + k, low)
            after = self.bars[min(bar + 1, len(self.bars) - 1)][0]
            put = lambda step, length, pitch, loud=95: notes.append((self.at(bar, step), length * self.step * rng.uniform(0.75, 0.98), int(pitch), self.force(loud)))
            if way == "eighths":
                for step in range(0, self.steps, 2):
                    put(step, 2, tone(0) if rng.random() < 0.85 else tone(rng.choice([2, 4])))
            elif way == "roots":
                for step in range(0, self.steps, 8 if self.steps == 16 else self.steps):
                    put(step, 7, tone(0) if step == 0 else tone(rng.choice([0, 4])))
            elif way == "long":
                put(0, self.steps, tone(0), 85)
            elif way == "octaves":
                for step in range(0, self.steps, 2):
                    put(step, 1.6, tone(0) + (12 if step % 4 else 0))
            elif way == "walking":
                line = [tone(0), tone(rng.choice([1, 2])), tone(rng.choice([2, 4])), self.pitch(after, low) + int(rng.choice([-1, 1, 2]))]
                for beat in range(self.style.beats):
                    put(4 * beat, 4, line[beat % 4])
            else:   # syncopated, slap
                for step in np.nonzero(figure)[0]:
                    put(int(step), 1.5, tone(rng.choice([0, 0, 0, 4, 2])) + (12 if way == "slap" and rng.random() < 0.3 else 0), 100)
        self.piece.tracks["bass"] = [(int(rng.choice(self.style.basses)), notes)] if notes else []

    def played(self, way, low, bar, root, notes, figure):
        """One bar of chords, figures or a line."""
        rng = self.rng
        chord = self.chord(root, low)
        def put(step, length, pitch, loud=84, late=0.0):
            notes.append((self.at(bar, step) + late, max(0.05, length * self.step), int(pitch), self.force(loud)))
        def struck(step, length, loud=84, spread=0.012, up=False):
            for k, pitch in enumerate(reversed(chord) if up else chord):
                put(step, length, pitch, loud, k * spread)
        if way == "strum":
            for step in range(0, self.steps, 2):
                if figure[step] or step == 0:
                    struck(step, 2.5, 88 if step % 4 == 0 else 72, rng.uniform(0.006, 0.02), up=step % 4 == 2)
        elif way == "arpeggio":
            order = chord + [chord[0] + 12] + chord[::-1]
            for k, step in enumerate(range(0, self.steps, 2)):
                put(step, 4, order[k % len(order)], 80)
        elif way == "power":
            tones = (chord[0] - 12, self.pitch(root + 4, chord[0] - 12))
            for step in range(0, self.steps, 2):
                if figure[step] or step % 4 == 0:
                    for pitch in tones:
                        put(step, 1.8, pitch, 100)
        elif way in ("chops", "stabs"):
            for step in range(self.steps):
                if (way == "chops" and step % 4 == 2 and rng.random() < 0.9) or (figure[step] and rng.random() < 0.4):
                    struck(step, 0.8 if way == "chops" else 1.2, 90, 0.004)
        elif way == "comp":
            for step in range(0, self.steps, 2):
                if figure[step] or (step == 0 and rng.random() < 0.7):
                    struck(step, rng.uniform(1.5, 5), 78, 0.004)
        elif way == "pad":
            struck(0, self.steps * 1.02, 70, 0.0)
        elif way == "shuffle":
            for step in range(0, self.steps, 2):
                put(step, 1.8, chord[0] - 12, 90)
                put(step, 1.8, self.pitch(root + (4 if step % 8 < 4 else 5), chord[0] - 12), 84)
        else:       # riff, solo, melody: a line
            line = low + (5 if way == "riff" else 12)
            at, step = int(rng.integers(7)), 0
            while step < self.steps:
                length = int(rng.choice([1, 2, 2, 4] if way != "melody" else [2, 2, 4, 4, 8]))
                if rng.random() < 0.82:
                    put(step, length * 0.95, self.pitch(at, line), 92)
                at = int(np.clip(at + rng.integers(-2, 3), 0, 12)) % 7
                step += length

    def instruments(self, part, ways, programmes, count, low):
        rng, tracks = self.rng, []
        for _ in range(count):
            way, figure, notes = rng.choice(ways), rng.random(self.steps) < 0.5, []
            away = rng.random(64) < 0.2
            start = low + int(rng.choice([0, 0, 5, 12] if part == "other" else [0, 0, 7]))
            for bar, (root, section, _, _) in enumerate(self.bars):
                if self.present[part][section] and not (away[section % 64] and count > 1):
                    self.played(way, start, bar, root, notes, figure)
            if notes:
                tracks.append((int(rng.choice(programmes)), notes))
        self.piece.tracks[part] = tracks

    def sung(self):
        """A line with rests, an octave and a half at most, mostly in steps."""
        rng = self.rng
        low = int(rng.integers(45, 64))
        at = int(rng.integers(7))
        for bar, (root, _, _, _) in enumerate(self.bars):
            if rng.random() < 0.2:
                continue
            step = int(rng.choice([0, 0, 2, 4]))
            while step < self.steps:
                length = int(rng.choice([2, 2, 4, 4, 6, 8]))
                if rng.random() < 0.88:
                    begin = self.at(bar, step)
                    self.piece.sung.append((begin, min(length, self.steps - step) * self.step * 0.97, self.pitch(at if step % 8 else root + int(rng.choice([0, 2, 4])), low)))
                at = int(np.clip(at + rng.integers(-2, 3), 0, 9))
                step += length

    def compose(self):
        self.drums()
        self.bass()
        style, rng = self.style, self.rng
        self.instruments("guitar", style.guitar, style.guitars, int(rng.choice([1, 1, 2])) if any(self.present["guitar"]) else 0, int(rng.integers(48, 55)))
        self.instruments("other", style.other, style.others, int(rng.choice([1, 1, 2, 3])) if any(self.present["other"]) else 0, int(rng.integers(48, 60)))
        self.sung()
        return self.piece


def composed(seed, seconds):
    return Composer(np.random.default_rng(seed), seconds).compose()


TICKS = 1920  # a second: 960 to the beat at the 120 beats a minute that a MIDI file without a tempo has


def midi(programme, notes, drums, seconds):
    """A MIDI file of one instrument."""
    file = mido.MidiFile(ticks_per_beat=TICKS // 2)
    track = mido.MidiTrack()
    file.tracks.append(track)
    channel = 9 if drums else 0
    events = [(0, mido.Message("program_change", channel=channel, program=programme))]
    for begin, length, pitch, force in notes:
        if begin < seconds and 0 <= pitch <= 127:
            events.append((int(begin * TICKS), mido.Message("note_on", channel=channel, note=pitch, velocity=force)))
            events.append((int(min(begin + length, seconds) * TICKS), mido.Message("note_off", channel=channel, note=pitch)))
    now = 0
    for tick, message in sorted(events, key=lambda e: (e[0], e[1].type != "program_change", e[1].type == "note_on")):
        track.append(message.copy(time=tick - now))
        now = tick
    track.append(mido.MetaMessage("end_of_track", time=max(0, int(seconds * TICKS) - now)))
    return file


def from_file(path):
    """A Piece of somebody's MIDI file, taken apart by the instruments of General MIDI; choirs and voices (52 to 54) are left out."""
    file = mido.MidiFile(path)
    programmes, sounding, tracks, now = {}, {}, {}, 0.0
    for message in file:                          # in order of time, time in seconds
        now += message.time
        if message.type == "program_change":
            programmes[message.channel] = message.program
        elif message.type in ("note_on", "note_off"):
            key = message.channel, message.note
            if key in sounding:
                begin, force = sounding.pop(key)
                programme = programmes.get(message.channel, 0)
                part = "drums" if message.channel == 9 else "guitar" if 24 <= programme < 32 else "bass" if 32 <= programme < 40 else "other"
                if part == "drums" or not 52 <= programme < 55 and programme < 112:
                    tracks.setdefault((part, message.channel, programme), []).append((begin, max(0.05, now - begin), message.note, force))
            if message.type == "note_on" and message.velocity > 0:
                sounding[key] = now, message.velocity
    piece = Piece("midi", now)
    for (part, _, programme), notes in tracks.items():
        piece.tracks.setdefault(part, []).append((programme, notes))
    return piece
