#!/usr/bin/env python3
"""Every action of the window and every option of the command line stands in the guide's table: parity.py ZESTY."""
import pathlib
import re
import subprocess
import sys

ROOT = pathlib.Path(__file__).resolve().parents[2]
TABLE = ROOT / "docs/guide/8-window-and-commands.md"
COMMANDS = ["new", "inspect", "set-out", "sections", "papers", "plan", "stash", "export", "nest", "numbers", "dress", "build", "keep"]


def actions():
    for source in sorted((ROOT / "src/app").rglob("*actions.cpp")):
        for text in re.findall(r'\{Act::\w+,\s*"[^"]+",\s*"([^"]+)"', source.read_text()):
            yield text


def options(zesty, command):
    said = subprocess.run([zesty, command, "--help"], capture_output=True, text=True, check=True).stdout
    return re.findall(r"^ +(--[a-z-]+)", said, re.MULTILINE)


def main():
    lines = TABLE.read_text().splitlines()
    rows = [[cell.strip() for cell in line.strip("|").split("|")] for line in lines if line.startswith("| ")]
    left = {row[0] for row in rows}
    right = " ".join(row[1] for row in rows)
    named = set(re.findall(r"--[a-z-]+", right))
    wrong = [f"the window's action is not in the table: {text}" for text in actions() if text not in left]
    there = set()
    for command in COMMANDS:
        found = options(sys.argv[1], command)
        if not found:
            wrong.append(f"{command} has no options at all")
        there.update(found)
        wrong += [f"{command} {option} is not in the table" for option in found
                  if option not in named and option != "--help"]
    wrong += [f"the table names an option that no command has: {option}"
              for option in sorted(named - there - {"--help"})]
    print("\n".join(wrong + [f"{len(left)} rows, {len(there)} options, {len(wrong)} missing"]))
    return 1 if wrong else 0


sys.exit(main())
