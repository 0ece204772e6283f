#!/usr/bin/python3
"""Plans many drawings from a stash of pads and offcuts and has each plan judged by an independent referee.

usage: plans.py ZESTY FOLDER REFEREE [COUNT]
REFEREE is a script called with PLAN.json STASH.json that exits 1 on any violation.
"""
import glob
import os
import subprocess
import sys
import tempfile

STASH = os.path.join(os.path.dirname(os.path.abspath(__file__)), "stash.json")


def main(zesty, folder, referee, count):
    files = sorted(glob.glob(os.path.join(folder, "*.svg")))
    files = files[:: max(1, len(files) // (4 * count))]
    bad = done = 0
    with tempfile.TemporaryDirectory() as work:
        for path in files:
            if done == count:
                break
            project = os.path.join(work, "p.zesty")
            made = subprocess.run([zesty, "new", path, "--page", "12x12in", "--margin", "0.5in", "--stash", STASH,
                                   "--out", project], capture_output=True, text=True)
            if made.returncode != 0 or " 0 openings" in made.stdout:
                continue
            plan = os.path.join(work, "plan.json")
            with open(plan, "w") as out:
                ran = subprocess.run([zesty, "plan", project, "--json"], stdout=out, stderr=subprocess.PIPE, text=True)
            done += 1
            judged = subprocess.run(["/usr/bin/python3", referee, plan, STASH], capture_output=True, text=True)
            print(f"{os.path.basename(path)}: exit {ran.returncode}; {judged.stdout.strip() or judged.stderr.strip()}")
            bad += judged.returncode != 0 or ran.returncode == 2
    print(f"{done - bad} of {done} plans are without a violation")
    return 1 if bad or done < count else 0


if __name__ == "__main__":
    sys.exit(main(*sys.argv[1:4], int(sys.argv[4]) if len(sys.argv) > 4 else 40))
