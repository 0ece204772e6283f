#include "core/cutfile/cut_file.h"

#include "core/cutfile/bars.h"
#include "core/cutfile/material.h"
#include "core/cutfile/twins.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <array>
#include <set>

namespace zesty {

namespace {

std::vector<Piece> pieces_of(const Region& material) {
    std::vector<Piece> pieces;
    for (const Polygon& p : material) pieces.push_back({p, area(p), bounds(p), -1, {}});
    std::stable_sort(pieces.begin(), pieces.end(), [](const Piece& a, const Piece& b) {
        if (a.area != b.area) return a.area > b.area;
        return std::pair(a.box.y0, a.box.x0) < std::pair(b.box.y0, b.box.x0);
    });
    return pieces;
}

/// Rows of a twelfth of the height from the top, each from the left; then exact position, to be
/// deterministic.
void sort_for_reading(std::vector<Opening>& openings, const Box& box) {
    const double row = std::max(box.height() / 12, 1e-9);
    const auto key = [&](const Opening& o) {
        const Point c = o.box.centre();
        return std::tuple(std::floor((c.y - box.y0) / row), c.x, c.y, o.area);
    };
    std::stable_sort(openings.begin(), openings.end(),
                     [&](const Opening& a, const Opening& b) { return key(a) < key(b); });
}

std::vector<Opening> openings_of(std::vector<Piece>& pieces, const Box& box) {
    std::vector<Opening> openings;
    for (std::size_t p = 0; p < pieces.size(); ++p)
        for (const Ring& hole : pieces[p].outline.holes)
            openings.push_back({{hole, {}}, 0, bounds(hole), static_cast<int>(p), {}, {}});
    sort_for_reading(openings, box);
    for (Piece& p : pieces) p.outline.holes.clear();
    for (std::size_t i = 0; i < openings.size(); ++i) {
        Piece& p = pieces[openings[i].piece];
        p.openings.push_back(static_cast<int>(i));
        p.outline.holes.push_back(openings[i].outline.outer);
    }
    return openings;
}

/// A point of the piece that is not on another ring: pieces may touch in a corner.
Point own_point(const Piece& piece) {
    const Ring& r = piece.outline.outer;
    return (r[0] + r[1]) * 0.5;
}

/// A piece is an insert of the smallest opening around it.
void find_inserts(std::vector<Piece>& pieces, std::vector<Opening>& openings) {
    std::vector<Box> boxes;
    for (const Opening& o : openings) boxes.push_back(o.box);
    const BoxIndex index(boxes);
    for (std::size_t p = 0; p < pieces.size(); ++p) {
        int best = -1;
        for (int o : index.meeting(pieces[p].box)) {
            if (openings[o].piece == static_cast<int>(p)) continue;
            const double size = std::abs(signed_area(openings[o].outline.outer));
            if (size <= std::abs(signed_area(pieces[p].outline.outer))) continue;
            if (best >= 0 && std::abs(signed_area(openings[best].outline.outer)) <= size) continue;
            if (contains(openings[o].outline.outer, own_point(pieces[p]))) best = o;
        }
        pieces[p].in_opening = best;
        if (best >= 0) {
            openings[best].inserts.push_back(static_cast<int>(p));
            openings[best].outline.holes.push_back(pieces[p].outline.outer);
        }
    }
}

} // namespace

double CutFile::narrowest_bar(int opening) const {
    for (const Bar& b : bars)
        if (b.a == opening || b.b == opening) return b.width;
    return std::numeric_limits<double>::infinity();
}

CutFile understand(const Region& material) {
    CutFile cut;
    cut.box = bounds(material);
    cut.pieces = pieces_of(material);
    cut.openings = openings_of(cut.pieces, cut.box);
    find_inserts(cut.pieces, cut.openings);
    std::vector<Ring> rings;
    const double fine = std::max(cut.box.diagonal() * 1e-3, 1e-9);
    for (Opening& o : cut.openings) {
        o.area = area(o.outline);
        // GEOS looks for the circle cell by cell: give it a tolerance that fits the opening.
        const auto circle = largest_circle(simplified(o.outline, o.box.diagonal() * 2e-3),
                                           std::max(o.box.diagonal() * 0.02, fine));
        o.label = circle.value_or(Circle{o.box.centre(), 0});
        rings.push_back(o.outline.outer);
    }
    for (const Piece& p : cut.pieces) cut.cut_length += perimeter(p.outline);
    cut.bars = find_bars(cut.pieces, cut.openings);
    cut.twins = congruent_groups(rings);
    return cut;
}

namespace {

/// The points of a ring at that walked distance before and behind the point of it nearest to `at`.
std::array<Point, 2> along(const Ring& ring, Point at, double walk) {
    std::size_t best = 0;
    for (std::size_t i = 0; i < ring.size(); ++i)
        if (distance_to_segment(at, ring[i], ring[(i + 1) % ring.size()]) <
            distance_to_segment(at, ring[best], ring[(best + 1) % ring.size()]))
            best = i;
    const std::size_t n = ring.size();
    const auto go = [&](std::size_t next, std::size_t step) {
        Point p = at;
        double left = walk;
        for (std::size_t k = 0; k < n; ++k, next = (next + step) % n) {
            const double d = distance(p, ring[next]);
            if (d >= left) return p + (ring[next] - p) * (left / d);
            left -= d;
            p = ring[next];
        }
        return p;
    };
    return {go((best + 1) % n, 1), go(best, n - 1)};
}

/// A corner that touches an edge in a point still holds on both sides of it; a bar that stays thinner than a
/// hair for several hairs holds nothing.
bool thin_for_long(const CutFile& cut, const Bar& bar, double hair) {
    const Ring& own = cut.openings[bar.a].outline.outer;
    const Ring& other = bar.b == Bar::edge ? cut.pieces[cut.openings[bar.a].piece].outline.outer
                                           : cut.openings[bar.b].outline.outer;
    for (Point p : along(own, bar.from, 4 * hair)) {
        double least = std::numeric_limits<double>::infinity();
        for (std::size_t i = 0; i < other.size(); ++i)
            least = std::min(least, distance_to_segment(p, other[i], other[(i + 1) % other.size()]));
        if (least < hair) return true;
    }
    return false;
}

/// Cuts the material through where bars are no thicker than a hair; nothing where there is no such place.
Result<Region> without_hair_bars(const Region& material, const CutFile& cut, double hair) {
    Region through;
    for (const Bar& b : cut.bars) {
        if (b.width >= hair) break;
        if (!thin_for_long(cut, b, hair)) continue;
        const Point m = (b.from + b.to) * 0.5;
        through.push_back({{{m.x - hair, m.y - hair},
                            {m.x + hair, m.y - hair},
                            {m.x + hair, m.y + hair},
                            {m.x - hair, m.y + hair}},
                           {}});
    }
    if (through.empty()) return Region{};
    const auto joined = unite(through);
    return joined ? subtract(material, *joined) : joined;
}

} // namespace

Result<CutFile> read_cut(const Drawing& drawing) {
    auto material = material_of(drawing);
    if (!material) return tl::make_unexpected(material.error());
    CutFile cut = understand(material->region);
    if (const double hair = hairline(cut.box); cut.narrowest_bar() < hair) {
        const auto parted = without_hair_bars(material->region, cut, hair);
        if (!parted) return tl::make_unexpected(parted.error());
        if (!parted->empty()) {
            cut = understand(*parted);
            material->warnings.push_back("Bars thinner than a hair were treated as cut through.");
        }
    }
    cut.warnings = std::move(material->warnings);
    if (!drawing.size_known)
        cut.warnings.push_back("The drawing has no size of its own: 96 units were taken for an inch.");
    return cut;
}

} // namespace zesty
