#!/usr/bin/env python3
"""DXF files written by other programs' libraries, read and compared with what they are known to hold.

usage: dxf.py ZESTY [FOLDER]     (Debian: python3-ezdxf pstoedit librsvg2-bin)

Writes drawings with ezdxf in several versions of the format (polylines with bulges, splines, ellipses, arcs and
lines end to end, blocks turned, scaled and mirrored, units of all kinds) and turns one SVG into DXF by way of
pstoedit; then asks `ZESTY inspect` for openings and areas. Exits 1 when one is not what it should be.
"""
import json, math, os, subprocess, sys, tempfile
import ezdxf

zesty = sys.argv[1]
folder = sys.argv[2] if len(sys.argv) > 2 else tempfile.mkdtemp()
os.makedirs(folder, exist_ok=True)
bad = 0


def inspect(path):
    run = subprocess.run([zesty, "inspect", path, "--json"], capture_output=True, text=True)
    if run.returncode > 1 or not run.stdout:
        return None, run.stderr.strip()
    return json.loads(run.stdout), ""


def expect(name, path, openings, scale=1.0):
    """`openings`: areas in mm2."""
    global bad
    found, why = inspect(path)
    if found is None:
        print(f"{name}: {why}")
        bad += 1
        return
    areas = sorted(o["area_mm2"] for o in found["openings"])
    wanted = sorted(a * scale * scale for a in openings)
    good = len(areas) == len(wanted) and all(abs(a - w) < 0.005 * w for a, w in zip(areas, wanted))
    print(f"{name}: {'as it should be' if good else f'{areas} instead of {wanted}'}")
    bad += not good


def frame(space, w=100, h=80):
    space.add_lwpolyline([(0, 0), (w, 0), (w, h), (0, h)], close=True)


def everything(version, units, lightweight):
    doc = ezdxf.new(version)
    if units is not None:
        doc.header["$INSUNITS"] = units  # otherwise the writer's own: metres, whatever is drawn
    m = doc.modelspace()
    line = m.add_lwpolyline if lightweight else m.add_polyline2d
    line([(0, 0), (100, 0), (100, 80), (0, 80)], close=True)
    areas = []
    # A slot: two straight sides, two half circles by their bulge.
    slot = [(10, 10, 0), (20, 10, 1), (20, 16, 0), (10, 16, 1)]
    line(slot, format="xyb", close=True)
    areas.append(10 * 6 + math.pi * 9)
    m.add_circle((40, 13), 5)
    areas.append(math.pi * 25)
    # An arc and a line end to end.
    m.add_arc((60, 10), 6, 0, 180)
    m.add_line((54, 10), (66, 10))
    areas.append(math.pi * 18)
    # Loose lines in no order.
    for a, b in (((80, 8), (90, 8)), ((80, 20), (80, 8)), ((90, 8), (80, 20))):
        m.add_line(a, b)
    areas.append(60)
    # A block, four times: as it is, turned, half as large, mirrored.
    block = doc.blocks.new("pane", base_point=(2, 2))
    block.add_line((2, 2), (12, 2))
    block.add_line((12, 2), (12, 7))
    block.add_arc((7, 7), 5, 0, 180)
    block.add_line((2, 7), (2, 2))
    pane = 50 + math.pi * 12.5
    for at, turn, x, y in (((10, 30), 0, 1, 1), ((40, 30), 90, 1, 1), ((55, 30), 0, 0.5, 0.5), ((80, 30), 0, -1, 1)):
        m.add_blockref("pane", at, dxfattribs={"rotation": turn, "xscale": x, "yscale": y})
        areas.append(pane * abs(x * y))
    if version != "R12":
        m.add_ellipse((20, 60), (8, 0), 0.5)
        areas.append(math.pi * 32)
        s = m.add_spline(degree=3)
        s.set_closed([(40 + 8 * math.cos(k * math.pi / 4), 60 + 8 * math.sin(k * math.pi / 4), 0) for k in range(8)])
        # Uniform cubic B-spline on an octagon: its area by fine sampling.
        tool = s.construction_tool()
        pts = list(tool.approximate(2000))
        areas.append(abs(sum(p.x * q.y - q.x * p.y for p, q in zip(pts, pts[1:] + pts[:1]))) / 2)
        m.add_spline(fit_points=[(60, 60), (68, 66), (76, 60), (68, 54), (60, 60)])
    m.add_text("left out", dxfattribs={"insert": (5, 90)})
    return doc, areas


mm = {None: 1, 1: 25.4, 4: 1, 5: 10}
for version in ("R12", "R2000", "R2004", "R2010", "R2018"):
    # The oldest version cannot say its unit.
    for units in (None,) if version == "R12" else (None, 1, 4, 5):
        doc, areas = everything(version, units, version != "R12")
        path = os.path.join(folder, f"{version}-{units}.dxf")
        doc.saveas(path)
        found, why = inspect(path)
        if version != "R12":
            # The spline through points has no area that is agreed on: near that of an ellipse through them.
            if found:
                spare = [o["area_mm2"] / mm[units] ** 2 for o in found["openings"] if o["bbox"][0] / mm[units] > 59
                         and o["bbox"][1] / mm[units] < 27]
                if len(spare) != 1 or not 130 < spare[0] < 160:
                    print(f"{version}, units {units}: the spline through points has {spare}")
                    bad += 1
                areas.append(spare[0] if spare else 0)
        expect(f"{version}, units {units}", path, areas, mm[units])

# Mirrored by the direction its plane faces, as turned over objects are saved.
doc = ezdxf.new("R2010")
m = doc.modelspace()
frame(m)
m.add_lwpolyline([(-30, 10), (-20, 10), (-20, 30)], close=True, dxfattribs={"extrusion": (0, 0, -1)})
m.add_circle((-60, 40), 8, dxfattribs={"extrusion": (0, 0, -1)})
path = os.path.join(folder, "turned-over.dxf")
doc.saveas(path)
expect("turned over", path, [100, math.pi * 64])

# By way of a converter of page descriptions.
svg = os.path.join(folder, "lattice.svg")
with open(svg, "w") as f:
    f.write('<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="80mm" viewBox="0 0 100 80">'
            '<path fill-rule="evenodd" d="M0 0H100V80H0Z M10 10H40V35H10Z M60 22a15 12 0 1 0 30 0a15 12 0 1 0 -30 0Z '
            'M10 70Q30 40 50 70Z M60 50L90 50L75 70Z"/></svg>')
eps, dxf = os.path.join(folder, "lattice.eps"), os.path.join(folder, "lattice.dxf")
subprocess.run(["rsvg-convert", "-f", "eps", "-o", eps, svg], check=True)
for options in ("dxf", "dxf_14"):
    run = subprocess.run(["pstoedit", "-q", "-f", options, eps, dxf], capture_output=True, text=True)
    if run.returncode != 0 or not os.path.exists(dxf):
        print(f"{options}: pstoedit says {run.stderr.strip()[:200]}")
        continue
    same, _ = inspect(svg)
    found, why = inspect(dxf)
    if found is None:
        print(f"{options}: {why}")
        bad += 1
        continue
    # The oldest form has curves as a few lines. Its unit is the point or the inch, and not said: compare by shares of the whole.
    shares = lambda j: sorted(o["area_mm2"] / (j["size"][0] * j["size"][1]) for o in j["openings"])
    good = len(shares(same)) == len(shares(found)) and all(
        abs(a - b) < (0.02 if options == "dxf" else 0.005) * a for a, b in zip(shares(same), shares(found)))
    print(f"{options}: {'as it should be' if good else f'{shares(found)} instead of {shares(same)}'}")
    bad += not good
sys.exit(1 if bad else 0)
