#!/usr/bin/python3
"""Has the plans at the end of random edits judged by an independent referee.

usage: edits.py FOLDER REFEREE
FOLDER is what ZESTY_KEEP_PLANS=FOLDER kept (see tests/io/random_edits_test.cpp).
REFEREE is a script called with PLAN.json STASH.json that exits 1 on any violation.
"""
import glob
import os
import subprocess
import sys


def main(folder, referee):
    plans = sorted(glob.glob(os.path.join(folder, "*.plan.json")))
    bad = 0
    for plan in plans:
        stash = plan.replace(".plan.json", ".stash.json")
        judged = subprocess.run([sys.executable, referee, plan, stash], capture_output=True, text=True)
        if judged.returncode != 0:
            bad += 1
            print(f"{os.path.basename(plan)}: {judged.stdout.strip() or judged.stderr.strip()}")
    print(f"{len(plans) - bad} of {len(plans)} plans are without a violation")
    return 1 if bad or not plans else 0


if __name__ == "__main__":
    sys.exit(main(*sys.argv[1:3]))
