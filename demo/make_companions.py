#!/usr/bin/env python3
"""Drawings, papers, photos and embellishments of Tram Terrace and Seed Swap: writes them beside this script.

Needs rsvg-convert for the pictures. Everything is made up; the same script always gives the same files.
"""
import json
import math
import os
import pathlib
import random
import uuid

from make_demo import SIZE, paper_svg, plain, render, torn
from make_things import box, disc, rounded, thing

HERE = pathlib.Path(__file__).parent


def ring(points):
    return "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in points) + "Z"


def rounded_box(x, y, w, h, r, steps=6):
    """A rectangle whose corners are rounded, from the upper left clockwise."""
    out = []
    for cx, cy, begin in ((x + r, y + r, 180), (x + w - r, y + r, 270), (x + w - r, y + h - r, 0), (x + r, y + h - r, 90)):
        for k in range(steps + 1):
            a = math.radians(begin + 90 * k / steps)
            out.append((cx + r * math.cos(a), cy + r * math.sin(a)))
    return out


def round_hole(cx, cy, r, corners=48):
    return [(cx + r * math.cos(2 * math.pi * k / corners), cy + r * math.sin(2 * math.pi * k / corners)) for k in range(corners)]


def drawing(width, height, rings):
    return (f'<svg xmlns="http://www.w3.org/2000/svg" width="{width}mm" height="{height}mm" viewBox="0 0 {width} {height}">'
            f'<path fill-rule="evenodd" d="{"".join(ring(r) for r in rings)}"/></svg>\n')


def tram():
    """A tram from the side: panes and doors of different widths, loose frames in two panes, lamps and wheels."""
    body = [(8, 40), (14, 22), (22, 18), (60, 18), (60, 10), (66, 10), (70, 2), (100, 2), (104, 10), (110, 10), (110, 18),
            (178, 18), (186, 22), (192, 40), (196, 84), (196, 100), (182, 100)]
    for cx in (152, 48):
        body += [(cx + 22, 100), (cx + 18, 116), (cx + 8, 123), (cx - 8, 123), (cx - 18, 116), (cx - 22, 100)]
    body += [(4, 100), (4, 84)]
    rings = [body]
    for x, w in ((16, 24), (44, 32), (126, 32), (162, 22)):
        rings.append(rounded_box(x, 27, w, 30, 3))
    for x in (82, 104):
        rings.append(rounded_box(x, 27, 17, 62, 3))
    for x in (44, 126):  # a loose frame lies in the two wide panes
        rings.append(rounded_box(x + 5, 32, 22, 20, 2))
        rings.append(rounded_box(x + 7, 34, 18, 16, 1.5))
    for x, w in ((12, 28), (44, 34), (126, 34), (164, 24)):
        rings.append(rounded_box(x, 64, w, 22, 2))
    for cx in (48, 152):
        rings.append(round_hole(cx, 106, 13))
        rings.append(round_hole(cx, 106, 5))
    rings.append(rounded_box(74, 6, 22, 8, 2))
    return drawing(200, 126, rings)


def seeds():
    """A tray of round openings, no two neighbours of one size, some with a seed lying loose."""
    rnd = random.Random(21)
    side, rows = 240, 5
    rings = [rounded_box(0, 0, side, side, 14)]
    cell = side / rows
    radii = (20, 16, 12, 18, 14)
    for r in range(rows):
        for c in range(rows):
            radius = radii[(2 * r + c) % len(radii)]
            cx = (c + 0.5) * cell + rnd.uniform(-1.5, 1.5)
            cy = (r + 0.5) * cell + rnd.uniform(-1.5, 1.5)
            rings.append(round_hole(cx, cy, radius))
            if radius == 16:
                rings.append([(cx + 6.5 * math.cos(a) * (1 - 0.25 * math.sin(a)), cy + 9 * math.sin(a))
                              for a in (2 * math.pi * k / 28 for k in range(28))])
    for r in range(1, rows):
        for c in range(1, rows):
            rings.append(round_hole(c * cell, r * cell, 4.5 if (r + c) % 2 else 3.5, 24))
    return drawing(side, side, rings)


def repeated(ground, one, columns, rows, shifted=True):
    """one(x, y, k) at every place of a grid."""
    w, h = SIZE / columns, SIZE / rows
    return lambda: paper_svg("".join(one((c + 0.5 + (0.5 if shifted and r % 2 else 0)) * w, (r + 0.5) * h, r * columns + c)
                                     for r in range(rows) for c in range(-1, columns)), ground)


def speckled(ground, colour, seed, count=700):
    def draw():
        rnd = random.Random(seed)
        return paper_svg("".join(f'<circle cx="{rnd.uniform(0, SIZE):.1f}" cy="{rnd.uniform(0, SIZE):.1f}" '
                                 f'r="{rnd.uniform(.2, .9):.2f}" fill="{colour}" opacity=".6"/>' for _ in range(count)), ground)
    return draw


def rails():
    return paper_svg("".join(f'<path d="M0 {6 + 14 * k}H{SIZE}M0 {10 + 14 * k}H{SIZE}" stroke="#5d6b78" stroke-width="1.1"/>' +
                             "".join(f'<path d="M{3 + 9 * j} {4.6 + 14 * k}v6.8" stroke="#a98c6a" stroke-width="2"/>' for j in range(34))
                             for k in range(22)), "#e6e3da")


def timetable():
    rnd = random.Random(5)
    return paper_svg("".join(f'<path d="M{8 + 50 * c} {6 + 5 * r}h{rnd.uniform(14, 38):.1f}" stroke="#3c4656" stroke-width=".8" '
                             'stroke-dasharray="3 1.2 5 1"/>' for r in range(60) for c in range(6)), "#f3ecd9")


def dusk():
    return paper_svg('<defs><linearGradient id="g" x2="0" y2="1"><stop offset="0" stop-color="#f7d9b8"/><stop offset="1" '
                     f'stop-color="#5a4b7c"/></linearGradient></defs><rect width="{SIZE}" height="{SIZE}" fill="url(#g)"/>', "#fff")


def petal():
    return paper_svg('<defs><linearGradient id="g" x2="1" y2="0"><stop offset="0" stop-color="#fbe3ea"/><stop offset="1" '
                     f'stop-color="#c84d78"/></linearGradient></defs><rect width="{SIZE}" height="{SIZE}" fill="url(#g)"/>', "#fff")


def packet():
    return paper_svg("".join(f'<rect x="{11 * k}" width="5.5" height="{SIZE}" fill="#7fa650"/><rect x="{11 * k + 7}" width="1.2" '
                             f'height="{SIZE}" fill="#d98a2b"/>' for k in range(28)), "#f6f1dc")


def brickwork(x, y, k):
    return f'<rect x="{x - 9:.1f}" y="{y - 3.6:.1f}" width="18" height="7.2" rx="1" fill="{("#b4573c", "#a84c34", "#c2674a")[k % 3]}"/>'


def ticket(x, y, k):
    return (f'<g transform="translate({x:.1f} {y:.1f}) rotate({(k * 37) % 50 - 25})"><rect x="-7" y="-4" width="14" height="8" rx="1" '
            f'fill="{("#e9b44c", "#d8684b", "#6d9f9c")[k % 3]}"/><path d="M-2 -4v8" stroke="#fff" stroke-dasharray="1 1" stroke-width=".7"/></g>')


def sprout(x, y, k):
    return (f'<g transform="translate({x:.1f} {y:.1f}) rotate({(k * 23) % 30 - 15})"><path d="M0 8C0 2 0 -2 0 -5M0 -1C5 -8 9 -6 10 -4C7 0 4 1 0 -1M0 1'
            'C-5 -6 -9 -4 -10 -2C-7 2 -4 3 0 1" fill="#4f8a43" stroke="#3b6d33" stroke-width=".8"/></g>')


def pea(x, y, k):
    return f'<circle cx="{x:.1f}" cy="{y:.1f}" r="1.7" fill="#5f9a4a"/>'


def twine():
    return paper_svg("".join(f'<path d="M-10 {5 + 9 * k}' + "".join("q5 -5 10 0q5 5 10 0" for _ in range(18)) +
                             '" fill="none" stroke="#8b6a43" stroke-width="1.3" stroke-dasharray="3 1"/>' for k in range(34)), "#efe0c4")


def full(count):
    return [{"width": 304.8, "height": 304.8, "count": count}]


def pad(count):
    return [{"width": 152.4, "height": 152.4, "count": count}]


TRAM = [
    ("fog-card", "Fog Card", speckled("#dfe4e6", "#b9c3c8", 1), "solid", "free", full(2)),
    ("midnight-card", "Midnight Card", plain("#22304a"), "solid", "free", full(2)),
    ("rail-print", "Rail Print", rails, "stripe", "half", pad(1) + [{"outline": torn(120, 60, 11)}]),
    ("terrace-brick", "Terrace Brick", repeated("#d9a98f", brickwork, 15, 36), "small", "half", pad(1)),
    ("ticket-toss", "Ticket Toss", repeated("#f4efe2", ticket, 14, 18), "large", "free", pad(2)),
    ("timetable", "Timetable", timetable, "small", "fixed", [{"width": 101.6, "height": 152.4, "count": 1}]),
    ("dusk", "Dusk", dusk, "ombre", "fixed", pad(1)),
    ("enamel-blue", "Enamel Blue", speckled("#2f6f9f", "#1f5278", 3), "solid", "free", pad(1) + [{"outline": torn(140, 90, 12, [(90, 54)])}]),
    ("lamp-yellow", "Lamp Yellow", speckled("#f0c04a", "#d9a52e", 4), "solid", "free", [{"width": 203.2, "height": 127, "count": 1}, {"outline": torn(90, 80, 13)}]),
    ("signal-red", "Signal Red", speckled("#c33f36", "#9c2c27", 6), "solid", "free", [{"outline": torn(136, 104, 14)}]),
]
SEED = [
    ("oat-card", "Oat Card", speckled("#f1e8d3", "#d9cba9", 7), "solid", "free", full(3)),
    ("leaf-card", "Leaf Card", plain("#3f6b3a"), "solid", "free", full(2)),
    ("sprout-print", "Sprout Print", repeated("#e8f0d8", sprout, 12, 13), "large", "fixed", pad(1)),
    ("packet-stripe", "Packet Stripe", packet, "stripe", "half", pad(1)),
    ("pea-dot", "Pea Dot", repeated("#dcebc6", pea, 34, 38), "small", "free", [{"outline": torn(130, 100, 15)}]),
    ("soil", "Soil", speckled("#6b4b34", "#3f2b1d", 8), "solid", "free", pad(1)),
    ("petal-ombre", "Petal Ombre", petal, "ombre", "fixed", pad(1)),
    ("twine-waves", "Twine Waves", twine, "small", "half", [{"width": 101.6, "height": 152.4, "count": 1}]),
    ("marigold", "Marigold", speckled("#e8942b", "#c8741b", 9), "solid", "free", [{"outline": torn(120, 110, 16, [(70, 60)])}]),
    ("sky-wash", "Sky Wash", speckled("#a9cfe0", "#84b5cc", 10), "solid", "free", [{"outline": torn(100, 90, 17)}]),
]
ANGLES = {"rail-print": 0, "packet-stripe": 90, "dusk": 90, "petal-ombre": 0}


def tram_photo():
    return ('<svg xmlns="http://www.w3.org/2000/svg" width="700" height="467" viewBox="0 0 150 100"><rect width="150" height="100" fill="#b9cbd6"/>'
            '<path d="M0 40h34v-12h22v12h40v-20h26v20h28v60H0z" fill="#b56a4c"/><path d="M0 76h150v24H0z" fill="#8d8f94"/>'
            '<path d="M34 38h82q8 0 9 10l3 30H24l2 -30q1 -10 8 -10z" fill="#2f6f9f"/><path d="M34 45h18v14H33zM58 45h18v14H58zM82 45h18v14H82z" fill="#f3e3a8"/>'
            '<path d="M24 80h104" stroke="#3c4656" stroke-width="2"/><circle cx="46" cy="82" r="6" fill="#333"/><circle cx="104" cy="82" r="6" fill="#333"/>'
            '<path d="M75 38l-12 -20h28" fill="none" stroke="#444" stroke-width="1.2"/><circle cx="138" cy="70" r="3" fill="#e9c9a4"/><path d="M134 73h8l2 16h-12z" fill="#c33f36"/></svg>')


def seed_photo(ground, leaf):
    return (f'<svg xmlns="http://www.w3.org/2000/svg" width="500" height="500" viewBox="0 0 100 100"><rect width="100" height="100" fill="{ground}"/>'
            '<path d="M0 72h100v28H0z" fill="#6b4b34"/>' + "".join(
                f'<path d="M{x} 74C{x} 60 {x} 54 {x} 46M{x} 54C{x + 12} 40 {x + 18} 46 {x + 18} 50C{x + 12} 58 {x + 6} 58 {x} 54M{x} 60C{x - 12} 46 {x - 18} 52 '
                f'{x - 18} 56C{x - 12} 64 {x - 6} 64 {x} 60" fill="{leaf}" stroke="{leaf}"/>' for x in (26, 52, 78)) + '</svg>')


def blossom(radius, petals=6):
    return rounded([(radius * (0.72 + 0.28 * math.cos(petals * a)) * math.cos(a), radius * (0.72 + 0.28 * math.cos(petals * a)) * math.sin(a))
                    for a in (2 * math.pi * k / 72 for k in range(72))])


def pod(width, height):
    return rounded([(width / 2 * math.cos(a), height / 2 * math.sin(a) * (0.75 + 0.25 * math.cos(3 * a))) for a in (2 * math.pi * k / 60 for k in range(60))])


def write_stash(name, papers, things):
    space = uuid.uuid5(uuid.NAMESPACE_URL, name)
    out = []
    for pid, title, draw, pattern, direction, sheets in papers:
        picture = f"papers/{pid}.png"
        render(str(HERE / picture), draw())
        paper = {"id": pid, "uid": str(uuid.uuid5(space, pid)), "name": title, "image": picture, "pattern": pattern, "direction": direction, "sheets": sheets}
        if pid in ANGLES:
            paper["angle_deg"] = ANGLES[pid]
        out.append(paper)
    (HERE / f"{name}-stash.json").write_text(json.dumps({"format": "zesty-stash/1", "papers": out}, indent=1) + "\n")
    (HERE / f"{name}-things.json").write_text(json.dumps({"format": "zesty-stash/1", "papers": [], "embellishments": things}, indent=1) + "\n")


def main():
    (HERE / "tram-terrace.svg").write_text(tram())
    (HERE / "seed-swap.svg").write_text(seeds())
    render(str(HERE / "photos/tram-stop.png"), tram_photo())
    render(str(HERE / "photos/first-leaves.png"), seed_photo("#cfe3ea", "#5f9a4a"))
    render(str(HERE / "photos/seedlings.png"), seed_photo("#f2dfb8", "#3f7a3a"))
    write_stash("tram-terrace", TRAM, [
        thing("day-ticket", "Day ticket", "label", "#e9b44c", box(44, 22), 3),
        thing("brass-bell", "Brass bell", "dot", "#c99a34", disc(12), 4, thickness_mm=1.5),
        thing("red-lamp", "Red lamp", "dot", "#c33f36", disc(9), 6, thickness_mm=1.0),
        thing("cloud-bank", "Cloud bank", "sticker", "#cfd9de", pod(46, 22), 3, white_rim_mm=1, on_sheet="Weather stickers")])
    write_stash("seed-swap", SEED, [
        thing("marigold-bloom", "Marigold bloom", "flower", "#e8942b", blossom(16), 5, thickness_mm=0.8),
        thing("pea-pod", "Pea pod", "die-cut", "#5f9a4a", pod(46, 16), 4),
        thing("wooden-button", "Wooden button", "button", "#a97a4d", disc(14), 5, thickness_mm=2.2),
        thing("name-tag", "Name tag", "label", "#f6f1dc", box(48, 18), 4)])


if __name__ == "__main__":
    main()
