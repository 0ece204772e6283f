#!/usr/bin/python3
"""Makes the demo: the Kite Hill cut file, eight papers with pictures, and a stash that is just short.

usage: make_demo.py [FOLDER]     (default: the folder of this script)
Needs rsvg-convert for the pictures. Everything is made up; the same script always gives the same files.
"""
import json
import math
import os
import random
import subprocess
import sys
import tempfile
import uuid
import zipfile

# What the papers are known by in every stash.
DEMO = uuid.uuid5(uuid.NAMESPACE_URL, "kite-hill")


def inset(polygon, by):
    """A convex polygon moved inwards by `by`; `by` may be one number or one for each side."""
    out = []
    n = len(polygon)
    widths = [by] * n if isinstance(by, (int, float)) else by
    turn = 1 if sum(polygon[i][0] * polygon[(i + 1) % n][1] - polygon[(i + 1) % n][0] * polygon[i][1]
                    for i in range(n)) > 0 else -1
    lines = []
    for i in range(n):
        (ax, ay), (bx, by_) = polygon[i], polygon[(i + 1) % n]
        l = math.hypot(bx - ax, by_ - ay)
        nx, ny = -(by_ - ay) / l * turn, (bx - ax) / l * turn
        lines.append((ax + nx * widths[i], ay + ny * widths[i], bx - ax, by_ - ay))
    for i in range(n):
        ax, ay, ux, uy = lines[i - 1]
        bx, by2, vx, vy = lines[i]
        d = ux * vy - uy * vx
        t = ((bx - ax) * vy - (by2 - ay) * vx) / d
        out.append((ax + ux * t, ay + uy * t))
    return out


def lerp(a, b, t):
    return (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)


def path(points):
    return "M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in points) + "Z"


def centre(points):
    return (sum(p[0] for p in points) / len(points), sum(p[1] for p in points) / len(points))


# --- the kite: four sails between spine and spar, each cut into unequal panes ---------------------------------

TOP, RIGHT, BOTTOM, LEFT = (112, 6), (196, 84), (112, 236), (28, 84)
CROSS = (112, 84)


def strips(apex, a, b, cuts):
    """A triangle with the corner `apex`, cut parallel to its far side at the given shares."""
    shares = [0] + cuts + [1]
    panes = []
    for s, t in zip(shares, shares[1:]):
        inner, outer = (lerp(apex, a, s), lerp(apex, b, s)), (lerp(apex, a, t), lerp(apex, b, t))
        panes.append([apex, outer[0], outer[1]] if s == 0 else [inner[0], outer[0], outer[1], inner[1]])
    return panes


def split(pane, share_top, share_bottom):
    """A quadrilateral parted from its first side to the one across."""
    a, b, c, d = pane
    p, q = lerp(b, c, share_top), lerp(a, d, share_bottom)
    return [[a, b, p, q], [q, p, c, d]]


def kite_panes():
    panes = []
    upper_left = strips(CROSS, TOP, LEFT, [0.36, 0.7])
    panes += [upper_left[0]] + split(upper_left[1], 0.42, 0.42) + split(upper_left[2], 0.62, 0.62)
    upper_right = strips(CROSS, TOP, RIGHT, [0.45, 0.76])
    panes += [upper_right[0]] + split(upper_right[1], 0.55, 0.5) + split(upper_right[2], 0.34, 0.34)
    lower_left = strips(CROSS, LEFT, BOTTOM, [0.3, 0.66])
    panes += [lower_left[0]] + split(lower_left[1], 0.5, 0.5) + split(lower_left[2], 0.4, 0.4)
    lower_right = strips(CROSS, RIGHT, BOTTOM, [0.42, 0.72])
    panes += [lower_right[0]] + split(lower_right[1], 0.45, 0.45) + split(lower_right[2], 0.55, 0.55)
    return panes


def star(cx, cy, r, points=5, inner=0.45):
    return [(cx + (r if k % 2 == 0 else r * inner) * math.sin(math.pi * k / points),
             cy - (r if k % 2 == 0 else r * inner) * math.cos(math.pi * k / points)) for k in range(2 * points)]


def string_point(t):
    """The line of the tail, from the foot of the kite to the lower right."""
    return (112 + 144 * t, 237 + 24 * math.sin(2.6 * t) - 10 * math.sin(6.5 * t) * t)


def bow(t, size):
    """Two triangles with a knot between, across the string."""
    x, y = string_point(t)
    x2, y2 = string_point(t + 0.01)
    along = math.atan2(y2 - y, x2 - x)
    parts = []
    for side in (-1, 1):
        tip = (x, y)
        reach = along + side * math.pi / 2
        far = [(x + size * math.cos(reach + s), y + size * math.sin(reach + s)) for s in (-0.42, 0.42)]
        wing = [tip] + far
        parts.append(path(wing) + path(inset(wing, 1.9)))
    knot = [(x + 3.2 * math.cos(k * math.pi / 8), y + 3.2 * math.sin(k * math.pi / 8)) for k in range(16)]
    return parts, path(knot)


def kite_svg():
    frame = inset([TOP, RIGHT, BOTTOM, LEFT], -3.2)
    holes = [inset(p, 1.7) for p in kite_panes()]
    kite = path(frame) + "".join(path(h) for h in holes)
    big = sorted(holes, key=lambda h: -abs(sum(h[i][0] * h[(i + 1) % len(h)][1] - h[(i + 1) % len(h)][0] * h[i][1]
                                               for i in range(len(h)))))
    sun, star_at, bird = centre(big[0]), centre(big[1]), centre(big[4])
    inserts = [
        f'<path class="loose" d="M{sun[0] - 9:.2f} {sun[1]:.2f}a9 9 0 1 0 18 0a9 9 0 1 0 -18 0z'
        f'M{sun[0] - 5:.2f} {sun[1]:.2f}a5 5 0 1 0 10 0a5 5 0 1 0 -10 0z"/>',
        f'<path class="loose" d="{path(star(star_at[0], star_at[1], 7.2))}"/>',
        f'<path class="loose" d="{path(star(bird[0], bird[1], 6.2, 4, 0.4))}"/>',
    ]
    left, right = [], []
    for k in range(81):
        t = k / 80
        (x, y), (x2, y2) = string_point(t), string_point(t + 0.002)
        l = math.hypot(x2 - x, y2 - y)
        nx, ny = -(y2 - y) / l, (x2 - x) / l
        left.append((x + nx * 1.3, y + ny * 1.3))
        right.append((x - nx * 1.3, y - ny * 1.3))
    tail = [f'<path d="{path(left + right[::-1])}"/>']
    for t, size in ((0.14, 21), (0.35, 17), (0.55, 20), (0.75, 15), (0.94, 17)):
        wings, knot = bow(t, size)
        tail += [f'<path class="wing" d="{w}"/>' for w in wings] + [f'<path d="{knot}"/>']
    return "\n".join([
        '<svg xmlns="http://www.w3.org/2000/svg" width="268mm" height="285mm" viewBox="0 0 268 285">',
        "<title>Kite Hill</title>",
        "<style>.kite, .wing, .loose { fill: #3b3a44; fill-rule: evenodd } .tail path { fill: #3b3a44 }</style>",
        f'<path class="kite" d="{kite}"/>',
        '<g class="tail">', *tail, "</g>",
        "<g>", *inserts, "</g>", "</svg>", ""])


# --- the papers: 12 x 12 in, drawn at 1/4 mm a pixel ----------------------------------------------------------

SIZE = 304.8


def paper_svg(body, ground):
    return (f'<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="900" '
            f'height="900" viewBox="0 0 {SIZE} {SIZE}"><rect width="{SIZE}" height="{SIZE}" fill="{ground}"/>'
            f'{body}</svg>')


def stripes():
    bars = "".join(f'<path d="M{-320 + 9 * k} 320L{20 + 9 * k} -20" stroke="{"#5f8f57" if k % 3 else "#f4efd8"}" '
                   f'stroke-width="{3.4 if k % 3 else 1.6}"/>' for k in range(80))
    return paper_svg(bars, "#b9cf9d")


def dots():
    out = []
    for r in range(52):
        for c in range(52):
            out.append(f'<circle cx="{c * 6 + (r % 2) * 3}" cy="{r * 6}" r="1.15" fill="#7c569c"/>')
    return paper_svg("".join(out), "#eadff0")


def ombre():
    return paper_svg('<defs><linearGradient id="g" x2="0" y2="1"><stop offset="0" stop-color="#f6dfe4"/><stop '
                     'offset="1" stop-color="#a8325b"/></linearGradient></defs>'
                     f'<rect width="{SIZE}" height="{SIZE}" fill="url(#g)"/>', "#ffffff")


def gulls():
    rnd = random.Random(4)
    out = []
    for r in range(17):
        for c in range(15):
            x, y = 10 + c * 20.5 + (r % 2) * 10 + rnd.uniform(-2, 2), 8 + r * 18 + rnd.uniform(-2, 2)
            s = rnd.uniform(0.85, 1.2)
            out.append(f'<path d="M{x - 6 * s:.1f} {y:.1f}q{3 * s:.1f} {-5 * s:.1f} {6 * s:.1f} 0q{3 * s:.1f} '
                       f'{-5 * s:.1f} {6 * s:.1f} 0" fill="none" stroke="#3f6d8e" stroke-width="1.1" '
                       'stroke-linecap="round"/>')
    return paper_svg("".join(out), "#d3e6f0")


def barley():
    rnd = random.Random(7)
    out = "".join(f'<path d="M{rnd.uniform(0, SIZE):.1f} {rnd.uniform(0, SIZE):.1f}l{rnd.uniform(-1, 1):.1f} '
                  f'{rnd.uniform(2, 4):.1f}" stroke="#d5a93f" stroke-width=".5"/>' for _ in range(900))
    return paper_svg(out, "#ecc765")


def brick():
    rnd = random.Random(9)
    out = "".join(f'<circle cx="{rnd.uniform(0, SIZE):.1f}" cy="{rnd.uniform(0, SIZE):.1f}" '
                  f'r="{rnd.uniform(0.2, 0.8):.2f}" fill="#a94228" opacity=".6"/>' for _ in range(900))
    return paper_svg(out, "#c8563a")


def check():
    out = "".join(f'<rect x="{k * 12}" width="6" height="{SIZE}" fill="#e88a3c" opacity=".55"/>'
                  f'<rect y="{k * 12}" width="{SIZE}" height="6" fill="#e88a3c" opacity=".55"/>' for k in range(27))
    return paper_svg(out, "#fdf1df")


def hillside():
    out = []
    for k in range(14):
        y = 10 + 23 * k
        d = f"M-10 {y}" + "".join(f"q19 {-16 if j % 2 == k % 2 else 12} 38 0" for j in range(9))
        out.append(f'<path d="{d}V{SIZE + 20}H-10Z" fill="{("#2f7f86", "#4d9a9c", "#79b7b3")[k % 3]}"/>')
    return paper_svg("".join(out), "#a8d2cc")


def waves():
    out = "".join(f'<path d="M-10 {4 + 8 * k}' + "".join("q4 -4 8 0q4 4 8 0" for _ in range(22)) +
                  '" fill="none" stroke="#fbf3da" stroke-width="1.4"/>' for k in range(40))
    return paper_svg(out, "#d98f3c")


def plain(ground):
    return lambda: paper_svg("", ground)


PAPERS = [
    ("hedge-stripe", "Hedge Stripe", stripes, "stripe", "half"),
    ("thistle-dot", "Thistle Dot", dots, "small", "free"),
    ("skein-ombre", "Skein Ombre", ombre, "ombre", "fixed"),
    ("gull-print", "Gull Print", gulls, "large", "fixed"),
    ("barley", "Barley", barley, "solid", "free"),
    ("brick-dust", "Brick Dust", brick, "solid", "free"),
    ("picnic-check", "Picnic Check", check, "small", "half"),
    ("hillside", "Hillside", hillside, "large", "fixed"),
]


# What the other side shows, where it is worth showing.
BACKS = {
    "hedge-stripe": ("hedge-back", plain("#3f6d48"), "solid", "free"),
    "gull-print": ("gull-back", plain("#2c5878"), "solid", "free"),
    "barley": ("barley-back", waves, "small", "half"),
}


# The way stripes run, and the way an ombre gets darker, clockwise from the right.
ANGLES = {"hedge-stripe": 135, "skein-ombre": 90}


def photo_svg():
    """A kite over a hill, as somebody might have taken it."""
    return ('<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600" viewBox="0 0 150 100">'
            '<defs><linearGradient id="s" x2="0" y2="1"><stop offset="0" stop-color="#7fb2d8"/>'
            '<stop offset="1" stop-color="#d8e8ef"/></linearGradient></defs>'
            '<rect width="150" height="100" fill="url(#s)"/>'
            '<path d="M0 74q38 -26 76 -8t74 -12v46H0z" fill="#6f9a55"/>'
            '<path d="M0 86q50 -16 92 -4t58 -6v24H0z" fill="#56803f"/>'
            '<path d="M96 14l12 14l-16 22l-8 -24z" fill="#c8452f"/><path d="M96 14l-4 36M84 26l24 2" '
            'stroke="#8c2a1c" stroke-width="1"/><path d="M92 50q-10 8 -22 14t-30 10" fill="none" '
            'stroke="#3b3a44" stroke-width=".7"/><circle cx="38" cy="70" r="3" fill="#e9c9a4"/>'
            '<path d="M35 73h6l2 12h-10z" fill="#e0a63a"/></svg>')


def torn(width, height, seed, bites=()):
    """A leftover: a rectangle with a torn side and corners cut away."""
    rnd = random.Random(seed)
    right = [(width + rnd.uniform(-4, 2), height * k / 9) for k in range(10)]
    ring = [(0, 0)] + right + [(0, height)]
    for (x, y) in bites:
        ring = [p for p in ring if not (p[0] > x and p[1] > y)]
        at = next((i for i, p in enumerate(ring) if p == (0, height)), len(ring))
        ring[at:at] = [(width, y), (x, y), (x, height)]
    return [[[round(px, 2), round(py, 2)] for px, py in ring]]


def frame_of(outer, window):
    a, b = (outer - window) / 2, (outer + window) / 2
    return [[[0, 0], [outer, 0], [outer, outer], [0, outer]], [[a, a], [b, a], [b, b], [a, b]]]


STOCK = {
    "hedge-stripe": [{"width": 101.6, "height": 152.4, "count": 1}, {"outline": torn(70, 52, 1)}],
    "thistle-dot": [{"outline": torn(88, 96, 6, [(52, 60)])}],
    "skein-ombre": [{"width": 101.6, "height": 152.4, "count": 1}],
    "gull-print": [{"outline": torn(66, 124, 2)}],
    "barley": [{"outline": torn(118, 84, 3, [(76, 46)])}, {"outline": torn(60, 40, 4)}],
    "brick-dust": [{"outline": torn(74, 108, 5)}],
    "picnic-check": [{"outline": frame_of(304.8, 254)}],
    "hillside": [{"outline": torn(92, 70, 8)}],
}


def sections():
    """The obvious plan, the favourite print in the largest panes: it is just short, and two panes are alike."""
    wish = {"thistle-dot": (1, 6, 9), "hedge-stripe": (2, 7, 19), "picnic-check": (3, 5, 13, 14),
            "gull-print": (11, 15, 16, 21), "brick-dust": (4, 8, 24, 26), "barley": (10, 12, 18, 22, 27),
            "skein-ombre": (17,), "hillside": (25,)}
    return [{"opening": o, "treatment": "paper", "paper": paper} for paper, openings in wish.items()
            for o in openings] + [{"opening": 20, "treatment": "open"}]


def write_project(folder, stash):
    spot = lambda opening: [0, opening, 0]
    groups = [[22, 23], [24, 28], [25, 29], [26, 30], [27, 31]]
    project = {"format": "zesty-project/5", "title": "Kite Hill", "units": "in",
               "page": {"width_mm": 304.8, "height_mm": 304.8, "reveal_mm": [6.35] * 4, "glue_lip_mm": 12.7},
               "cuts": [{"id": 0, "drawing": 1, "rule": "margin", "length_mm": 12.7}],
               "lip_mm": 3.175, "blade_gap_mm": 0.5, "seed": 1,
               "groups": [[spot(o) for o in g] for g in groups],
               "sections": [dict(s, opening=spot(s["opening"])) for s in sections()],
               "drawings": ["drawing/1/kite-hill.svg"], "stash": stash}
    with zipfile.ZipFile(os.path.join(folder, "kite-hill.zesty"), "w", zipfile.ZIP_DEFLATED) as z:
        def add(name, data):
            z.writestr(zipfile.ZipInfo(name, (2000, 1, 1, 0, 0, 0)), data, zipfile.ZIP_DEFLATED)

        add("project.json", json.dumps(project, indent=1))
        with open(os.path.join(folder, "kite-hill.svg"), "rb") as f:
            add("drawing/1/kite-hill.svg", f.read())
        for side in stash["papers"] + [p["back"] for p in stash["papers"] if "back" in p]:
            with open(os.path.join(folder, side["image"]), "rb") as f:
                add("papers/" + side["image"], f.read())


def side_of(folder, name, draw, pattern, direction):
    render(os.path.join(folder, "papers", name + ".png"), draw())
    return {"image": f"papers/{name}.png", "pattern": pattern, "direction": direction}


def render(picture, svg):
    subprocess.run(["rsvg-convert", "-o", picture], input=svg.encode(), check=True)


def main(folder):
    os.makedirs(os.path.join(folder, "photos"), exist_ok=True)
    render(os.path.join(folder, "photos", "kite-day.png"), photo_svg())
    os.makedirs(os.path.join(folder, "papers"), exist_ok=True)
    with open(os.path.join(folder, "kite-hill.svg"), "w") as f:
        f.write(kite_svg())
    papers = []
    for pid, name, draw, pattern, direction in PAPERS:
        paper = {"id": pid, "uid": str(uuid.uuid5(DEMO, pid)), "name": name, **side_of(folder, pid, draw, pattern, direction), "sheets": STOCK[pid]}
        if pid in ANGLES:
            paper["angle_deg"] = ANGLES[pid]
        if pid in BACKS:
            paper["back"] = side_of(folder, *BACKS[pid])
        papers.append(paper)
    stash = {"format": "zesty-stash/1", "papers": papers}
    with open(os.path.join(folder, "kite-hill-stash.json"), "w") as f:
        json.dump(stash, f, indent=1)
        f.write("\n")
    write_project(folder, stash)
    bring_up_to_date(os.path.join(folder, "kite-hill.zesty"))


def bring_up_to_date(page):
    """In the newest format, with what the pictures show of the papers, so that it opens at once."""
    program = os.path.join(os.path.dirname(os.path.abspath(__file__)), "..", "build", "bin", "zesty")
    if not os.path.exists(program):
        print("build first: the page stays as this script writes it")
        return
    with tempfile.TemporaryDirectory() as alone:
        subprocess.run([program, "set-out", page, "--units", "in"], stdout=subprocess.DEVNULL,
                       env={**os.environ, "XDG_DATA_HOME": alone, "QT_QPA_PLATFORM": "offscreen"})


if __name__ == "__main__":
    main(sys.argv[1] if len(sys.argv) > 1 else os.path.dirname(os.path.abspath(__file__)))
