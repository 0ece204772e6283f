#!/usr/bin/python3
"""Has the plans at the end of random edits judged by an independent referee.

usage: edits.py FOLDER REFEREE
FOLDER is what ZESTY_KEEP_PLANS=FOLDER kept (see tests/io/random_edits_test.cpp).
REFEREE is a script called with PLAN.json STASH.json that prints a line for each violation and exits 1 on any.

The referee knows one cut that lies flat. What people decide beyond that is told apart from violations by what
the plan itself says: cuts that lie on one another, parts of a divided opening, the divided base, inlays and
punched circles inside their openings, slants. Such lines are counted, each kind by itself.
"""
import glob
import json
import os
import re
import subprocess
import sys
from collections import Counter

FIRST_PIECE = 1000001  # from here on a spot's number is that of a piece of the cut
FROM_THE_PAGE = ("drop-out", "piece from under a photo", "gutted middle")
LEAST_FOR_ALL = "bad[:20]"  # a referee that stops after so many lines is asked for all of them


class Plan:
    def __init__(self, path):
        with open(path, encoding="utf-8") as f:
            plan = json.load(f)
        self.spot = {o["id"]: o["spot"] for o in plan["openings"]}
        self.in_pieces = {tuple(o["spot"][:2]) for o in plan["openings"] if "more" in o}
        self.patch = {p["id"]: p for p in plan["patches"]}
        self.section = {s["id"]: s for s in plan["sections"]}
        self.from_stock = Counter(s["paper"] for s in plan["sheets"] if s["source"] not in FROM_THE_PAGE)

    def section_of(self, patch):
        return self.section[self.patch[patch]["section"]]

    def explains(self, line):
        """Why the line is no violation, or nothing."""
        if m := re.match(r"(\w+) shows in (\w+):", line):
            own, other = self.spot[self.patch[m[1]]["opening"]], self.spot[m[2]]
            if own[0] != other[0]:
                return "another cut or the base lies above or below"
            if own[:2] == other[:2]:
                return "a part runs on below the next"
            if other[1] >= FIRST_PIECE or own[1] >= FIRST_PIECE:
                return "the lip lies behind a piece with a paper of its own"
        if m := re.match(r"(\w+) (leaves|peeks)", line):
            if self.spot[self.patch[m[1]]["opening"]][0] < 0:
                return "a part of the base ends at its edge"
            if m[2] == "peeks" and tuple(self.spot[self.patch[m[1]]["opening"]][:2]) in self.in_pieces:
                return "the page's edge cuts the opening in pieces"
            if m[2] == "leaves" and self.section_of(m[1])["method"] in ("inlay", "punches"):
                return "an inlay or a circle lies inside its opening"
        if m := re.match(r"(\w+) overlaps (\w+) on", line):
            if self.section_of(m[1])["method"] == "one-sheet" and self.patch[m[1]]["section"] == self.patch[m[2]]["section"]:
                return "they are one piece of paper"
        if m := re.match(r"(\w+) turned .* paper", line):
            if self.section_of(m[1])["slant_deg"] is not None:
                return "its slant is decided"
        if m := re.match(r"\d+ sheets of (\S+), stash has (\d+)", line):
            if self.from_stock[m[1]] <= int(m[2]):
                return "drop-outs and gutted middles are sheets, too"
        return None


def judged_lines(referee, plan, stash):
    with open(referee, encoding="utf-8") as f:
        source = f.read().replace(LEAST_FOR_ALL, "bad")
    run = subprocess.run([sys.executable, "-c", source, plan, stash], capture_output=True, text=True)
    if run.returncode not in (0, 1) or "Traceback" in run.stderr or not run.stdout:
        return [f"the referee failed: {run.stderr.strip()[-200:]}"], 0
    lines = [line.strip() for line in run.stdout.splitlines()[:-1]]
    return lines, int(re.search(r"(\d+) patches placed", run.stdout)[1])


def main(folder, referee):
    plans = sorted(glob.glob(os.path.join(folder, "*.plan.json")))
    explained = Counter()
    bad = placed = 0
    for path in plans:
        plan = Plan(path)
        lines, count = judged_lines(referee, path, path.replace(".plan.json", ".stash.json"))
        placed += count
        left = []
        for line in lines:
            why = plan.explains(line)
            if why:
                explained[why] += 1
            else:
                left.append(line)
        if left:
            bad += 1
            print(os.path.basename(path), *left, sep="\n  ")
    print(f"{len(plans) - bad} of {len(plans)} plans are without a violation, {placed} patches placed")
    for why, count in explained.most_common():
        print(f"  {count} lines: {why}")
    return 1 if bad or not plans else 0


if __name__ == "__main__":
    sys.exit(main(*sys.argv[1:3]))
