"""Reads the axml and chna chunks of a wave file and holds them against the rules of ITU-R BS.2076-2 and BS.2088 that a schema can tell (from
memory): identifiers and their forms, references that lead somewhere, types, blocks that follow each other, ranges. Prints what is wrong, then
the counts."""
import re
import struct
import sys
import xml.etree.ElementTree as ElementTree


def chunks(data):
    at = 12
    while at + 8 <= len(data):
        name, size = data[at:at + 4].decode("latin1"), struct.unpack("<I", data[at + 4:at + 8])[0]
        yield name, data[at + 8:at + 8 + size]
        at += 8 + size + size % 2


def seconds(clock):
    hours, minutes, rest = clock.split(":")
    return int(hours) * 3600 + int(minutes) * 60 + float(rest)


FORMS = {"audioProgramme": r"APR_[0-9a-f]{4}", "audioContent": r"ACO_[0-9a-f]{4}", "audioObject": r"AO_[0-9a-f]{4}",
         "audioPackFormat": r"AP_[0-9a-f]{8}", "audioChannelFormat": r"AC_[0-9a-f]{8}", "audioStreamFormat": r"AS_[0-9a-f]{8}",
         "audioTrackFormat": r"AT_[0-9a-f]{8}_[0-9a-f]{2}", "audioBlockFormat": r"AB_[0-9a-f]{8}_[0-9a-f]{8}"}
TYPES = {"0001": "DirectSpeakers", "0002": "Matrix", "0003": "Objects", "0004": "HOA", "0005": "Binaural"}


def main():
    data = open(sys.argv[1], "rb").read()
    found = dict(chunks(data))
    wrong = []
    tree = ElementTree.fromstring(found["axml"])
    local = lambda e: e.tag.split("}")[-1]  # noqa: E731
    elements = [e for e in tree.iter()]
    ids = {}
    for e in elements:
        kind = local(e)
        if kind in FORMS:
            name = e.get(kind + "ID") or ""
            if not re.fullmatch(FORMS[kind], name):
                wrong.append(f"{kind} is called {name!r}")
            if name in ids:
                wrong.append(f"{name} is there twice")
            ids[name] = e
        if kind == "audioTrackUID":
            if not re.fullmatch(r"ATU_[0-9a-f]{8}", e.get("UID") or ""):
                wrong.append(f"a track is called {e.get('UID')!r}")
            ids[e.get("UID")] = e
        if e.get("typeLabel") and TYPES.get(e.get("typeLabel")) != e.get("typeDefinition"):
            wrong.append(f"{kind}: {e.get('typeLabel')} is not {e.get('typeDefinition')}")
    for e in elements:
        if local(e).endswith("Ref") and e.text not in ids:
            wrong.append(f"{local(e)} leads to {e.text}, which is not there")
    length = seconds(next(e for e in elements if local(e) == "audioProgramme").get("end"))
    moving = 0
    for channel in (e for e in elements if local(e) == "audioChannelFormat"):
        blocks = [b for b in channel if local(b) == "audioBlockFormat"]
        if not blocks:
            wrong.append(f"{channel.get('audioChannelFormatID')} has no block")
        timed = [b for b in blocks if b.get("rtime")]
        if len(blocks) > 1 and len(timed) != len(blocks):
            wrong.append("several blocks, of which some have no time")
        at = 0.0
        for b in timed:
            if abs(seconds(b.get("rtime")) - at) > 2e-5:
                wrong.append(f"{b.get('audioBlockFormatID')} begins at {b.get('rtime')}, the one before ends at {at:.5f}")
            at = seconds(b.get("rtime")) + seconds(b.get("duration"))
        if timed and abs(at - length) > 2e-5:
            wrong.append(f"{channel.get('audioChannelFormatID')} ends at {at:.5f} of {length:.5f}")
        moving += len(timed) > 1
        for b in blocks:
            for p in (x for x in b if local(x) == "position"):
                low, high = {"azimuth": (-180, 180), "elevation": (-90, 90), "distance": (0, 1)}[p.get("coordinate")]
                if not low <= float(p.text) <= high:
                    wrong.append(f"{p.get('coordinate')} of {p.text}")
    table = found["chna"]
    tracks, count = struct.unpack("<HH", table[:4])
    channels = struct.unpack("<H", found["fmt "][2:4])[0]
    for i in range(count):
        index, uid, track, pack = struct.unpack("<H12s14s11s", table[4 + 40 * i:4 + 40 * i + 39])
        if not 1 <= index <= channels or uid.decode() not in ids or track.decode() not in ids or pack.decode() not in ids:
            wrong.append(f"row {i} of the table: {index} {uid} {track} {pack}")
    if tracks != channels or count != channels:
        wrong.append(f"{tracks} tracks and {count} rows for {channels} channels")
    print("\n".join(wrong[:20]) if wrong else "keeps the rules")
    print(f"{channels} channels, {sum(local(e) == 'audioObject' for e in elements)} objects, {moving} moving")


main()
