#include "core/dress/bar_places.h"

#include "core/geometry/measure.h"
#include "core/geometry/segment_grid.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace zesty {

namespace {

constexpr double step_along = 2; ///< mm on the page
constexpr int most_shrinks = 12;

/// The radius of the largest circle inside that touches the edge at p, at most `limit` (J. Ma, S. W. Bae and
/// S. Choi, "3D medial axis point approximation using nearest neighbors and the normal field", The Visual
/// Computer 28, 2012: it shrinks until nothing lies in it).
double inner_radius(const SegmentGrid& edges, Point p, Point inwards, double limit) {
    double radius = limit;
    for (int i = 0; i < most_shrinks; ++i) {
        const auto hit =
            edges.nearest(p + inwards * radius, radius * (1 - 1e-6), [](const Segment&) { return true; });
        if (!hit) break;
        const Point to = hit->at - p;
        const double towards = dot(inwards, to);
        if (towards <= 1e-12) break;
        const double smaller = dot(to, to) / (2 * towards);
        if (smaller >= radius * (1 - 1e-6)) break;
        radius = smaller;
    }
    return radius;
}

class BarWalk {
public:
    BarWalk(const CutFile& cut, double scale)
        : cut_(cut), reach_(edge_reach / scale), widest_(widest_measured / scale), step_(step_along / scale),
          edges_(edges_of(cut)) {}

    std::vector<BarPlace> all() {
        for (std::size_t i = 0; i < cut_.pieces.size(); ++i) {
            piece_ = static_cast<int>(i);
            walk(cut_.pieces[i].outline.outer, false);
            for (const Ring& hole : cut_.pieces[i].outline.holes) walk(hole, true);
        }
        return std::move(out_);
    }

private:
    static std::vector<Segment> edges_of(const CutFile& cut) {
        std::vector<Segment> out;
        int ring = 0;
        for (std::size_t i = 0; i < cut.pieces.size(); ++i) {
            append_segments(out, cut.pieces[i].outline.outer, ring++, static_cast<int>(i));
            for (const Ring& hole : cut.pieces[i].outline.holes)
                append_segments(out, hole, ring++, static_cast<int>(i));
        }
        return out;
    }

    /// Paper lies to the right of a ring that runs clockwise on the screen, and to the left of a hole that
    /// does.
    void walk(const Ring& ring, bool hole) {
        const double inwards = (signed_area(ring) > 0) != hole ? 1 : -1;
        double next = step_ / 2;
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Point a = ring[i];
            const Point b = ring[(i + 1) % ring.size()];
            const double whole = distance(a, b);
            if (whole < 1e-9) continue;
            const Point along = (b - a) * (1 / whole);
            for (; next < whole; next += step_)
                look(a + along * next, along, Point{-along.y, along.x} * inwards);
            next -= whole;
        }
    }

    void look(Point edge, Point along, Point inwards) {
        const double radius = inner_radius(edges_, edge, inwards, widest_ / 2);
        const bool shared = radius < reach_;
        out_.push_back({edge + inwards * (shared ? radius : reach_), along, 2 * radius,
                        shared ? step_ / 2 : step_, piece_});
    }

    const CutFile& cut_;
    double reach_, widest_, step_;
    SegmentGrid edges_;
    std::vector<BarPlace> out_;
    int piece_ = 0;
};

} // namespace

std::vector<BarPlace> bar_places(const CutFile& cut, double scale) {
    if (scale <= 0 || cut.pieces.empty()) return {};
    return BarWalk(cut, scale).all();
}

} // namespace zesty
