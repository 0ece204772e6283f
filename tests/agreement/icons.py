#!/usr/bin/python3
"""Compares `zesty inspect` with what rsvg-convert paints, on many icons of an open-source set.

usage: icons.py ZESTY FOLDER [COUNT]
Fetch the set first: ./run icons does both. Exits 1 unless 99 % agree on the number of pieces and openings and
the total opening area is within 1 %.
"""
import glob
import json
import os
import subprocess
import sys

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
from raster import look


def main(zesty, folder, count):
    files = sorted(glob.glob(os.path.join(folder, "*.svg")))
    files = files[:: max(1, len(files) // count)][:count]
    agree, inspected, seen = 0, 0.0, 0.0
    for path in files:
        raster = look(path)
        result = subprocess.run([zesty, "inspect", path, "--json"], capture_output=True, text=True)
        name = os.path.basename(path)
        if result.returncode == 2 or raster is None:
            print(f"  {name}: {result.stderr.strip()}")
            continue
        cut = json.loads(result.stdout)
        scale = (raster["box"][2] - raster["box"][0]) / cut["size"][0]
        area = sum(o["area_mm2"] for o in cut["openings"]) * scale * scale
        inspected += area
        seen += raster["opening_area"]
        mine = (len(cut["pieces"]), len(cut["openings"]))
        if mine == (raster["pieces"], raster["openings"]):
            agree += 1
        else:
            print(f"  {name}: {mine[0]} pieces, {mine[1]} openings; painted {raster['pieces']}, {raster['openings']}")
    off = abs(inspected / seen - 1) if seen else 0
    print(f"{agree} of {len(files)} drawings agree on pieces and openings; opening area off by {100 * off:.2f} %")
    return 0 if agree >= 0.99 * len(files) and off <= 0.01 else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1], sys.argv[2], int(sys.argv[3]) if len(sys.argv) > 3 else 300))
