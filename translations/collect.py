#!/usr/bin/env python3
"""Collects what can be translated: the texts that the window says (say("..."), QT_TRID_NOOP("...")) and the sentences of
the core and of playback, as patterns whose values are %1, %2 ...

Usage: collect.py           writes core.txt, and adds what is new to every rivlen_*.ts as unfinished; what is gone goes
       collect.py --check   says what is not translated, or translated with other values than it has; 1 if there is any
"""
import html
import pathlib
import re
import sys

HERE = pathlib.Path(__file__).resolve().parent
SOURCE = HERE.parent / "src"
TOKEN = re.compile(r"//[^\n]*|/\*.*?\*/|\"(?:[^\"\\\n]|\\.)*\"|'(?:[^'\\\n]|\\.)+'|[A-Za-z_]\w*|::|->|<<|>>|&&|\|\||[<>=!]=|\+=|\d[\w.]*|\S",
                   re.S)
ENDS = {",", ";", "?", ":", "=", "return", "<<", "+=", "throw", "case", "==", "!=", "&&", "||", "<", ">"}
FORMAT = re.compile(r"%%|%[-+0#]*\d*(?:\.\d+)?(?:ll|z|l)?[dugfsc]")
# Files whose texts nobody sees in the window: what is written into files and onto paper, and what only the command line says.
UNSEEN = ("core/batch/", "core/delivery/AdmScene", "core/delivery/DeliveryPage", "core/delivery/DeliveryPdf",
          "core/exchange/EventLists", "core/exchange/HandOver", "playback/JackPorts", "core/session/NamedFolders",
          "core/separation/TorchLearner_")
# What the sources only make from parts.
MADE = ['"%1" %2', "%1: %2", "%1, %2"]


def tokens(text):
    """Strings, names and signs of C++, neighbouring strings joined; without comments and directives."""
    found = []
    for match in TOKEN.finditer("\n".join("" if line.lstrip().startswith("#") else line for line in text.split("\n"))):
        token = match.group(0)
        if token.startswith(("//", "/*")):
            continue
        if token[0] == '"' and found and found[-1][0] == '"':
            found[-1] = found[-1][:-1] + token[1:]
        else:
            found.append(token)
    return found


def plain(token):
    return re.sub(r"\\(.)", lambda m: {"n": "\n", "t": "\t"}.get(m.group(1), m.group(1)), token[1:-1])


def chain_begin(found, at):
    """Where the sum of strings and values begins that a string is in."""
    while at > 0 and found[at - 1] == "+":
        depth, left = 0, at - 2
        while left >= 0:
            if found[left] in ")]}":
                depth += 1
            elif found[left] in "([{":
                if depth == 0:
                    break
                depth -= 1
            elif depth == 0 and (found[left] in ENDS or found[left] == "+"):
                break
            left -= 1
        at = left + 1
    return at


def chain_parts(found, at):
    parts, depth = [[]], 0
    while at < len(found):
        token = found[at]
        if token in "([{":
            depth += 1
        elif token in ")]}":
            if depth == 0:
                break
            depth -= 1
        elif depth == 0 and token in ENDS:
            break
        if depth == 0 and token == "+":
            parts.append([])
        else:
            parts[-1].append((at, token))
        at += 1
    return parts


def patterns(path):
    found, used = tokens(path.read_text()), set()
    for at, token in enumerate(found):
        if token[0] != '"' or at in used:
            continue
        text, holes = "", 0

        def hole(match):
            nonlocal holes
            if match and match.group(0) == "%%":
                return "%"
            holes += 1
            return f"%{holes}"

        for part in chain_parts(found, chain_begin(found, at)):
            words = [t for _, t in part]
            if len(part) == 1 and words[0][0] == '"':
                text += FORMAT.sub(hole, plain(words[0]))
                used.add(part[0][0])
            elif words[:4] == ["std", "::", "string", "("] and len(words) == 6 and words[4][0] == '"':
                text += plain(words[4])
                used.add(part[4][0])
            else:
                text += hole(None)
        if at not in used:  # within the value of a sum: by itself
            text, holes = "", 0
            text = FORMAT.sub(hole, plain(token))
            used.add(at)
        yield text


def spoken(text):
    """A sentence, a title or a word that stands by itself, and not a key or a piece of a file."""
    bare = re.sub(r"%\d", "", text)
    return (re.search(r"[A-Za-z]{2}", bare) and (" " in bare.strip() or re.match(r"^\W*[A-Z][a-z]", bare))
            and not re.search(r"[<>]\w|\(\\|\\d|^\([\w*]+\)?|[(\"]$|=%|floats are written as they lie", text))


def of_core():
    found = dict.fromkeys(MADE)
    for folder in ("core", "playback"):
        for path in sorted(SOURCE.glob(f"{folder}/**/*")):
            if path.suffix in (".cpp", ".h") and not str(path.relative_to(SOURCE)).startswith(UNSEEN):
                found.update(dict.fromkeys(t for t in patterns(path) if spoken(t)))
    return list(found)


def of_window():
    found = {}
    for path in sorted(SOURCE.glob("app/**/*")):
        if path.suffix not in (".cpp", ".h"):
            continue
        words = tokens(path.read_text())
        for name, bracket, text in zip(words, words[1:], words[2:]):
            if name in ("say", "QT_TRID_NOOP") and bracket == "(" and text[0] == '"':
                found[plain(text)] = None
    return list(found)


def read(path):
    text = path.read_text() if path.exists() else ""
    return {html.unescape(key): html.unescape(value)
            for key, value in re.findall(r'<message id="(.*?)">.*?<translation>(.*?)</translation>', text, re.S)}


def escaped(text):
    return html.escape(text).replace("&#x27;", "&apos;").replace("\n", "&#10;")


def write(path, language, ids, known):
    lines = ['<?xml version="1.0" encoding="utf-8"?>', "<!DOCTYPE TS>", f'<TS version="2.1" language="{language}" sourcelanguage="en">',
             "<context>", "<name></name>"]
    for key in ids:
        state = "" if key in known else ' type="unfinished"'
        lines += [f'<message id="{escaped(key)}">', f"<source>{escaped(key)}</source>",
                  f"<translation{state}>{escaped(known.get(key, ''))}</translation>", "</message>"]
    path.write_text("\n".join(lines + ["</context>", "</TS>"]) + "\n")


def main():
    core = of_core()
    ids = list(dict.fromkeys(of_window() + core))
    listed = "\n".join(t.replace("\n", "\\n") for t in core) + "\n"
    if "--check" not in sys.argv:
        (HERE / "core.txt").write_text(listed)
        for path in HERE.glob("rivlen_*.ts"):
            known = read(path)
            write(path, path.stem.split("_")[1], ids, known)
            print(f"{path.name}: {len(ids)} texts, {sum(i not in known for i in ids)} to be translated")
        return 0
    wrong = [] if (HERE / "core.txt").read_text() == listed else ["core.txt is not what the sources say: run translations/collect.py"]
    window = set(of_window())
    for path in sorted(HERE.glob("rivlen_*.ts")):
        known = read(path)
        for key in ids:
            if key not in known:
                wrong.append(f"{path.name} lacks: {key}")
                continue
            has, wants = (set(re.findall(r"%\d", text)) for text in (known[key], key))
            # Qt's arg() fills the lowest number that is left: one that is missing would shift all others.
            if has - wants or (key in window and wants - has):
                wrong.append(f"{path.name} has other values: {key}")
    print("\n".join(wrong))
    return 1 if wrong else 0


if __name__ == "__main__":
    sys.exit(main())
