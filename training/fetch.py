#!/usr/bin/python3
"""Fetches the open recordings named in sources.json from Debian's packages and unpacks them.

Nothing is installed: the packages are only downloaded and unpacked. Needs a Debian
system with up-to-date package lists. Packages already unpacked are left alone.
"""
import json
import re
import subprocess
import sys
import zipfile
from concurrent.futures import ThreadPoolExecutor

import paths


def unpack(folder, archive):
    """Takes what is wanted out of an archive inside the package and removes the archive."""
    source, wanted = folder / archive["archive"], re.compile(archive["match"])
    with zipfile.ZipFile(source) as packed:
        packed.extractall(source.parent, [n for n in packed.namelist() if wanted.search(n)])
    source.unlink()


def fetch(name, archives):
    target = paths.UNPACKED / name
    if target.exists():
        return f"{name}: present"
    found = list(paths.PACKAGES.glob(f"{name}_*.deb"))
    if not found:
        subprocess.run(["apt-get", "download", "-q", name], cwd=paths.PACKAGES, check=True, capture_output=True)
        found = list(paths.PACKAGES.glob(f"{name}_*.deb"))
    part = target.with_name(target.name + ".part")  # two names may differ only behind a dot
    part.mkdir(parents=True, exist_ok=True)
    subprocess.run(["dpkg", "-x", found[0], part], check=True)
    for archive in archives:
        unpack(part, archive)
    part.rename(target)
    return f"{name}: unpacked"


def main():
    rules = json.loads((paths.HERE / "sources.json").read_text())
    withheld = {w["package"] for w in rules["withheld"] if "match" not in w}
    wanted = sorted({r["package"] for r in rules["rules"] + rules["instruments"]})
    if withheld & set(wanted):
        sys.exit(f"withheld packages are named in a rule: {withheld & set(wanted)}")
    paths.PACKAGES.mkdir(parents=True, exist_ok=True)
    with ThreadPoolExecutor(2) as pool:  # one package is downloaded while another is unpacked
        for said in pool.map(lambda name: fetch(name, [a for a in rules["archives"] if a["package"] == name]), wanted):
            print(said, flush=True)


if __name__ == "__main__":
    main()
