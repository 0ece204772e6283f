#include "core/geometry/fill.h"

#include "core/geometry/boolean.h"
#include "core/geometry/geos.h"
#include "core/geometry/segment_grid.h"

#include <cassert>

namespace zesty {

namespace {

constexpr std::size_t most_crossings = 200'000;

/// A ring of one of the paths, without repeated points.
struct PathRing {
    Ring points;
    int path;
    double area;
};

std::vector<PathRing> clean_rings(const std::vector<FilledPath>& paths) {
    std::vector<PathRing> out;
    for (std::size_t p = 0; p < paths.size(); ++p) {
        for (const Ring& ring : paths[p].rings) {
            Ring r;
            r.reserve(ring.size());
            for (Point q : ring)
                if (r.empty() || !(r.back() == q)) r.push_back(q);
            while (r.size() > 1 && r.front() == r.back()) r.pop_back();
            if (r.size() < 3) continue;
            const double a = signed_area(r);
            if (a != 0) out.push_back({std::move(r), static_cast<int>(p), a});
        }
    }
    return out;
}

SegmentGrid grid_of(const std::vector<PathRing>& rings) {
    std::vector<Segment> segments;
    for (std::size_t i = 0; i < rings.size(); ++i)
        append_segments(segments, rings[i].points, static_cast<int>(i), rings[i].path);
    return SegmentGrid(std::move(segments));
}

std::size_t touching(const SegmentGrid& grid, const std::vector<PathRing>& rings, std::size_t limit) {
    std::vector<int> sizes;
    for (const PathRing& r : rings) sizes.push_back(static_cast<int>(r.points.size()));
    return grid.count_touching(sizes, limit);
}

bool fills(FillRule rule, int winding) {
    return rule == FillRule::NonZero ? winding != 0 : (winding & 1) != 0;
}

Point leftmost(const Ring& ring) {
    return *std::min_element(ring.begin(), ring.end(),
                             [](Point a, Point b) { return a.x < b.x || (a.x == b.x && a.y < b.y); });
}

/// For rings that do not touch: the ring directly around each, or -1. A ray to the left of a ring's leftmost
/// point first meets either the ring around it or a ring beside it, and both begin farther left.
std::vector<int> parents(const SegmentGrid& grid, const std::vector<PathRing>& rings) {
    std::vector<int> order(rings.size());
    std::vector<Point> left(rings.size());
    for (std::size_t i = 0; i < rings.size(); ++i) {
        order[i] = static_cast<int>(i);
        left[i] = leftmost(rings[i].points);
    }
    std::sort(order.begin(), order.end(),
              [&](int a, int b) { return left[a].x < left[b].x || (left[a].x == left[b].x && a < b); });
    std::vector<int> parent(rings.size(), -1);
    for (int i : order) {
        const Point p = left[i];
        const Segment* hit = nullptr;
        double hit_x = 0;
        double hit_slope = 0;
        const auto consider = [&](const Segment& s) {
            if (s.ring == i || (s.a.y <= p.y) == (s.b.y <= p.y)) return;
            const double slope = (s.b.x - s.a.x) / (s.b.y - s.a.y);
            const double x = s.a.x + (p.y - s.a.y) * slope;
            if (x > p.x) return;
            // Two segments that meet in a corner on the ray: the one farther right just below counts.
            if (!hit || x > hit_x || (x == hit_x && slope > hit_slope)) {
                hit = &s;
                hit_x = x;
                hit_slope = slope;
            }
        };
        const double cell = grid.cell_size();
        for (double x = p.x; x >= grid.box().x0 - cell; x -= cell) {
            grid.each_near({x - cell, p.y, x, p.y}, consider);
            if (hit && hit_x >= x - cell) break;
        }
        if (!hit) continue;
        const bool inside = (hit->b.y < hit->a.y) == (rings[hit->ring].area > 0);
        parent[i] = inside ? hit->ring : parent[hit->ring];
    }
    return parent;
}

/// Walks the nesting from the outside in, counting windings per path; a ring is an edge of the covered area
/// where it separates covered from not covered.
Region fill_by_nesting(const std::vector<FilledPath>& paths, const std::vector<PathRing>& rings,
                       const std::vector<int>& parent) {
    const int n = static_cast<int>(rings.size());
    std::vector<std::vector<int>> children(rings.size() + 1);
    for (int i = 0; i < n; ++i) children[parent[i] < 0 ? n : parent[i]].push_back(i);

    struct Visit {
        int ring;
        std::size_t next_child;
        int polygon; ///< the polygon whose material surrounds the children, or -1
    };
    Region out;
    std::vector<int> winding(paths.size(), 0);
    int covering = 0;
    std::vector<Visit> stack{{n, 0, -1}};
    const auto step = [&](int ring, int sign) {
        const int p = rings[ring].path;
        covering -= fills(paths[p].rule, winding[p]);
        winding[p] += rings[ring].area > 0 ? sign : -sign;
        covering += fills(paths[p].rule, winding[p]);
    };
    while (!stack.empty()) {
        Visit& v = stack.back();
        if (v.next_child == children[v.ring].size()) {
            if (v.ring < n) step(v.ring, -1);
            stack.pop_back();
            continue;
        }
        const int child = children[v.ring][v.next_child++];
        const bool before = covering > 0;
        step(child, +1);
        const bool after = covering > 0;
        int polygon = v.polygon;
        if (!before && after) {
            polygon = static_cast<int>(out.size());
            out.push_back({rings[child].points, {}});
        } else if (before && !after) {
            assert(polygon >= 0);
            out[polygon].holes.push_back(rings[child].points);
        }
        stack.push_back({child, 0, polygon});
    }
    return out;
}

/// Segments by the rows of the plane they reach into, so that a ray looks at those of its own row alone.
class WindingRows {
public:
    explicit WindingRows(const std::vector<PathRing>& rings) {
        std::size_t points = 0;
        for (const PathRing& r : rings) {
            for (Point p : r.points) box_.add(p);
            points += r.points.size();
        }
        rows_.resize(std::clamp<std::size_t>(points / 16, 1, most_rows));
        for (const PathRing& r : rings)
            for (std::size_t i = 0, j = r.points.size() - 1; i < r.points.size(); j = i++) {
                const std::size_t from = row_of(r.points[j].y);
                const std::size_t to = row_of(r.points[i].y);
                for (std::size_t row = std::min(from, to); row <= std::max(from, to); ++row)
                    rows_[row].push_back({r.points[j], r.points[i]});
            }
    }

    int at(Point p) const {
        int w = 0;
        for (const auto& [a, b] : rows_[row_of(p.y)]) {
            if ((a.y <= p.y) == (b.y <= p.y)) continue;
            if (cross(b - a, p - a) > 0) w += b.y > a.y ? 1 : 0;
            if (cross(b - a, p - a) < 0) w -= b.y > a.y ? 0 : 1;
        }
        return w;
    }

private:
    static constexpr std::size_t most_rows = 1024;
    std::size_t row_of(double y) const {
        const double part = (y - box_.y0) / std::max(box_.height(), 1e-12);
        return static_cast<std::size_t>(std::clamp(part, 0.0, 1.0) * static_cast<double>(rows_.size() - 1));
    }
    Box box_;
    std::vector<std::vector<std::pair<Point, Point>>> rows_;
};

/// Rings of one path that touch or cross: cut the lines where they meet, keep the faces the rule fills.
Result<Region> fill_by_faces(const std::vector<PathRing>& rings, FillRule rule, double grid) {
    std::vector<Ring> lines;
    for (const PathRing& r : rings) lines.push_back(r.points);
    auto faces = geos::faces(lines, grid);
    if (!faces) return tl::make_unexpected(faces.error());
    const WindingRows winding(rings);
    Region kept;
    for (const geos::Face& f : *faces)
        if (fills(rule, winding.at(f.inside))) kept.push_back(f.polygon);
    return unite(kept);
}

Result<Region> fill_one(const FilledPath& path) {
    const std::vector<FilledPath> alone{path};
    std::vector<PathRing> rings = clean_rings(alone);
    if (rings.empty()) return Region{};
    const SegmentGrid grid = grid_of(rings);
    if (touching(grid, rings, 1) == 0) return fill_by_nesting(alone, rings, parents(grid, rings));
    auto exact = fill_by_faces(rings, path.rule, 0);
    if (exact && is_valid(*exact)) return exact;
    auto snapped = fill_by_faces(rings, path.rule, grid.box().diagonal() * 1e-7);
    if (snapped && is_valid(*snapped)) return snapped;
    return fail(ErrorKind::Geometry, "the lines of the drawing could not be turned into areas");
}

} // namespace

Result<Region> fill(const FilledPath& path) {
    return fill(std::vector<FilledPath>{path});
}

Result<Region> fill(const std::vector<FilledPath>& paths) {
    const std::vector<PathRing> rings = clean_rings(paths);
    if (rings.empty()) return Region{};
    {
        const SegmentGrid grid = grid_of(rings);
        const std::size_t crossings = touching(grid, rings, most_crossings);
        if (crossings == 0) return fill_by_nesting(paths, rings, parents(grid, rings));
        if (crossings >= most_crossings)
            return fail(ErrorKind::TooLarge,
                        "the lines of the drawing cross each other more than 200,000 times");
    }
    Region parts;
    for (const FilledPath& path : paths) {
        auto region = fill_one(path);
        if (!region) return region;
        parts.insert(parts.end(), region->begin(), region->end());
    }
    return paths.size() == 1 ? Result<Region>(parts) : unite(parts);
}

} // namespace zesty
