#!/usr/bin/env python3
"""Embellishments of Kite Hill with their outlines: writes demo/kite-hill-things.json."""
import json
import math
import pathlib


def rounded(points):
    return [[round(x, 2), round(y, 2)] for x, y in points]


def bow(width, height):
    w, h, k = width / 2, height / 2, height / 9
    return rounded([(-w, -h), (-k, -k), (k, -k), (w, -h), (w * 0.92, 0), (w, h), (k, k), (-k, k), (-w, h), (-w * 0.92, 0)])


def star(radius, points=5, inner=0.45):
    out = []
    for i in range(2 * points):
        r = radius if i % 2 == 0 else radius * inner
        a = -math.pi / 2 + i * math.pi / points
        out.append((r * math.cos(a), r * math.sin(a)))
    return rounded(out)


def cloud(width, height):
    """The outline of three puffs on a flat foot, walked by angle."""
    puffs = [(-0.27, 0.1, 0.24), (0.02, -0.08, 0.33), (0.3, 0.12, 0.22)]
    out = []
    for i in range(96):
        a = 2 * math.pi * i / 96
        far = 0
        for r in [k / 400 for k in range(1, 400)]:
            x, y = r * math.cos(a), r * math.sin(a)
            if y <= 0.32 and any(math.hypot(x - px, y - py) <= pr for px, py, pr in puffs):
                far = r
        out.append((far * math.cos(a) * width, far * math.sin(a) * width))
    low = min(y for _, y in out)
    high = max(y for _, y in out)
    middle = (low + high) / 2
    return rounded([(x, (y - middle) * height / (high - low)) for x, y in out])


def disc(diameter):
    return rounded([(diameter / 2 * math.cos(2 * math.pi * i / 48), diameter / 2 * math.sin(2 * math.pi * i / 48)) for i in range(48)])


def box(width, height):
    return [[-width / 2, -height / 2], [width / 2, -height / 2], [width / 2, height / 2], [-width / 2, height / 2]]


def thing(id, name, kind, colour, ring, count, **more):
    return {"id": id, "name": name, "kind": kind, "colour": colour, "outline": [ring], "count": count, **more}


things = [
    thing("red-bow", "Red bow", "die-cut", "#c4472f", bow(36, 20), 2),
    thing("teal-bow", "Teal bow", "die-cut", "#2a8a86", bow(24, 14), 3),
    thing("cloud", "Cloud", "sticker", "#b9cfdc", cloud(40, 24), 4, white_rim_mm=1, on_sheet="Weather stickers"),
    thing("brass-dot", "Brass dot", "dot", "#d9a93c", disc(8), 9, thickness_mm=1.2),
    thing("hold-tight", "Hold on tight", "label", "#efe4c8", box(38, 11), 1),
    thing("navy-star", "Navy star", "die-cut", "#22405c", star(14), 1),
    thing("straw-button", "Straw button", "button", "#e9c46a", disc(13), 5, thickness_mm=2.5),
]
if __name__ == "__main__":
    folder = pathlib.Path(__file__).parent
    (folder / "kite-hill-things.json").write_text(
        json.dumps({"format": "zesty-stash/1", "papers": [], "embellishments": things}, indent=1) + "\n")
