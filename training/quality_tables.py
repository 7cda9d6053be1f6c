#!/usr/bin/python3
"""Writes the network's figures on the field set from its card into docs/quality.md and README.md, between the markers there.

Usage: quality_tables.py
"""
import json
import re

import paths

ROOT = paths.HERE.parent
PARTS = ("dialogue", "music", "ambience")


def cells(summary):
    """share, worst gain and how often it got worse, for each stem that was scored."""
    out = []
    for part in PARTS:
        s = summary.get(part)
        out += [f"{100 * s['share']:.0f} %", f"{s['worst']:.1f}", f"{s['worse']} of {s['of']}"] if s else ["", "", ""]
    return out


def row(name, summary):
    estoi = f"{summary['estoi_gain']:+.3f}" if "estoi_gain" in summary else ""
    return "| " + " | ".join([name, *cells(summary), estoi]) + " |"


def table(field):
    lines = ["| | dialogue | worst, dB | worse in | music | worst, dB | worse in | ambience | worst, dB | worse in | ESTOI |", "|" + "---|" * 11,
             row("**all, stereo**", field["stereo"]["all"]), row("all folded to mono", field["mono"]["all"])]
    for key, title in (("kind", ""), ("voice", "voice: "), ("position", "")):
        names = {"mono": "mono recordings", "middle": "voice in the middle", "aside": "voice beside the middle"} if key == "position" else {}
        lines += [row(title + names.get(name, name), s) for name, s in field["stereo"][key].items()]
    alone = field["stereo"]["voice_alone"]
    lines += ["", f"A voice alone, clean as it was recorded, leaks {alone['worst']} dB into the other stems at worst; more than -25 dB for "
                  f"{alone['above_-25']} of {alone['of']} speakers."]
    return "\n".join(lines)


def parts_table(card):
    """By part: share of the oracle's gain, mean and worst gain, how often worse; beside it the classical method."""
    field = card["quality"]["field"]
    lines = ["| | share | gain, dB | worst, dB | worse in | classical method: share | gain, dB |", "|---|---|---|---|---|---|---|"]
    for part in card["stems"]:
        s, c = field["stereo"]["all"][part], field["classical"][part]
        lines.append(f"| {part} | {100 * s['share']:.0f} % | {s['gain']:+.1f} | {s['worst']:+.1f} | {s['worse']} of {s['of']} | {100 * c['share']:.0f} % | {c['gain']:+.1f} |")
    return "\n".join(lines)


def between(text, name, content):
    marked = re.compile(rf"(<!-- {name} -->\n).*?(<!-- /{name} -->)", re.S)
    if not marked.search(text):
        raise SystemExit(f"the marker {name} is missing")
    return marked.sub(lambda m: m.group(1) + content + "\n" + m.group(2), text)


def main():
    quality = json.loads((ROOT / "networks" / "main.json").read_text())["quality"]
    fields = {"fine": quality["field"], "quick": quality["quick"]["field"]}
    text = (ROOT / "docs" / "quality.md").read_text()
    for name, field in fields.items():
        text = between(text, f"field {name}", table(field))
    for name in ("music", "ambience"):
        text = between(text, f"parts {name}", parts_table(json.loads((ROOT / "networks" / f"{name}-parts.json").read_text())))
    (ROOT / "docs" / "quality.md").write_text(text)
    short = ["| quality | dialogue | music | ambience | dialogue made worse |", "|---|---|---|---|---|"]
    for name, field in fields.items():
        s = field["stereo"]["all"]
        short.append(f"| {name} | " + " | ".join(f"{100 * s[p]['share']:.0f} %" for p in PARTS) + f" | {s['dialogue']['worse']} of {s['dialogue']['of']} |")
    readme = (ROOT / "README.md").read_text()
    (ROOT / "README.md").write_text(between(readme, "field", "\n".join(short)))


if __name__ == "__main__":
    main()
