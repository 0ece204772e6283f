"""What a drawing looks like to somebody who only sees pixels: counts of pieces and openings, and areas.

Runs of a row are joined with those of the row above (union-find), each pixel with its four neighbours: paper
that meets only in a point falls apart.
"""
import io
import subprocess

import numpy as np
from PIL import Image


def render(path, pixels):
    png = subprocess.run(["rsvg-convert", "-w", str(pixels), "-h", str(pixels), "-a", path],
                         check=True, capture_output=True).stdout
    return np.asarray(Image.open(io.BytesIO(png)).convert("RGBA"))[:, :, 3] >= 128


def components(mask):
    """List of (pixels, touches_border)."""
    height, width = mask.shape
    parent, size, border = [], [], []

    def find(i):
        while parent[i] != i:
            parent[i] = parent[parent[i]]
            i = parent[i]
        return i

    above = []
    for y in range(height):
        row = np.concatenate(([0], mask[y].astype(np.int8), [0]))
        edges = np.flatnonzero(np.diff(row))
        runs = []
        k = 0
        for a, b in zip(edges[::2], edges[1::2]):
            label = len(parent)
            parent.append(label)
            size.append(int(b - a))
            border.append(y == 0 or y == height - 1 or a == 0 or b == width)
            while k < len(above) and above[k][1] <= a:
                k += 1
            j = k
            while j < len(above) and above[j][0] < b:
                other, mine = find(above[j][2]), find(label)
                if other != mine:
                    parent[mine] = other
                    size[other] += size[mine]
                    border[other] = border[other] or border[mine]
                j += 1
            runs.append((a, b, label))
        above = runs
    return [(size[i], border[i]) for i in range(len(parent)) if parent[i] == i]


def look(path, pixels=1536, speck=6):
    """Pieces and openings larger than `speck` pixels, areas in pixels, and the pixel box of the material."""
    mask = render(path, pixels)
    ys, xs = np.nonzero(mask)
    if len(xs) == 0:
        return None
    mask = np.pad(mask, 1)
    pieces = [s for s, _ in components(mask) if s > speck]
    openings = [s for s, edge in components(~mask) if not edge and s > speck]
    return {"pieces": len(pieces), "openings": len(openings), "piece_area": sum(pieces),
            "opening_area": sum(openings), "box": (int(xs.min()), int(ys.min()), int(xs.max()) + 1, int(ys.max()) + 1)}
