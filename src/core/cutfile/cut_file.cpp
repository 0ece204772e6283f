#include "core/cutfile/cut_file.h"

#include "core/cutfile/bars.h"
#include "core/cutfile/material.h"
#include "core/cutfile/twins.h"
#include "core/geometry/measure.h"

#include <algorithm>
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

/// Bars narrower than a hair hold nothing: cuts the material through there.
Result<Region> without_hair_bars(const Region& material, const CutFile& cut, double hair) {
    Region through;
    for (const Bar& b : cut.bars) {
        if (b.width >= hair) break;
        const Point m = (b.from + b.to) * 0.5;
        through.push_back({{{m.x - hair, m.y - hair},
                            {m.x + hair, m.y - hair},
                            {m.x + hair, m.y + hair},
                            {m.x - hair, m.y + hair}},
                           {}});
    }
    const auto joined = unite(through);
    return joined ? subtract(material, *joined) : joined;
}

} // namespace

Result<CutFile> read_cut(const Drawing& drawing) {
    auto material = material_of(drawing);
    if (!material) return tl::make_unexpected(material.error());
    CutFile cut = understand(material->region);
    cut.warnings = std::move(material->warnings);
    if (const double hair = hairline(cut.box); cut.narrowest_bar() < hair) {
        const auto parted = without_hair_bars(material->region, cut, hair);
        if (!parted) return tl::make_unexpected(parted.error());
        std::vector<std::string> warnings = std::move(cut.warnings);
        cut = understand(*parted);
        cut.warnings = std::move(warnings);
        cut.warnings.push_back("Bars thinner than a hair were taken as cut through.");
    }
    if (!drawing.size_known)
        cut.warnings.push_back("The drawing has no size of its own: 96 units were taken for an inch.");
    return cut;
}

} // namespace zesty
