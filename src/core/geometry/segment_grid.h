#pragma once
// An index of straight segments on a uniform grid, for the three questions everything else asks:
// which segment is nearest to a point, what does a straight line run into, and do any two segments touch.
// Built once, then only read, so that several threads may ask at the same time. Exact; the grid only saves
// time. Segments of no length are welcome.

#include "core/geometry/measure.h"

#include <algorithm>
#include <cstdint>
#include <optional>
#include <vector>

namespace zesty {

struct Segment {
    Point a;
    Point b;
    int ring = 0;  ///< which ring it belongs to
    int index = 0; ///< its place in that ring
    int group = 0; ///< free for the caller: piece, path, ...
};

class SegmentGrid {
public:
    explicit SegmentGrid(std::vector<Segment> segments);

    const std::vector<Segment>& segments() const { return segments_; }
    const Box& box() const { return box_; }
    double cell_size() const { return cell_; }

    struct Hit {
        double distance;
        Point at;
        int segment;
    };

    /// The nearest segment that `accept(const Segment&)` agrees to, no farther than `limit`.
    template <class Accept> std::optional<Hit> nearest(Point p, double limit, Accept accept) const;

    /// True when the straight line from a to b meets a segment that `accept` agrees to.
    template <class Accept> bool meets(Point a, Point b, Accept accept) const;

    /// Calls `visit(const Segment&)` for every segment that may come within `box`, some of them twice.
    template <class Visit> void each_near(const Box& box, Visit visit) const;

    /// Counts pairs of segments that cross, overlap or touch other than where one follows the other in its
    /// ring, up to `limit`. `ring_sizes[r]` is the number of segments of ring r.
    std::size_t count_touching(const std::vector<int>& ring_sizes, std::size_t limit) const;

private:
    int column(double x) const {
        return std::clamp(static_cast<int>((x - box_.x0) / cell_), 0, columns_ - 1);
    }
    int row(double y) const { return std::clamp(static_cast<int>((y - box_.y0) / cell_), 0, rows_ - 1); }
    /// Calls visit(cell) for each cell the line from a to b runs through; stops when visit returns false.
    template <class Visit> bool each_cell(Point a, Point b, Visit visit) const;

    std::vector<Segment> segments_;
    Box box_;
    double cell_ = 1;
    int columns_ = 1;
    int rows_ = 1;
    std::vector<std::uint32_t> starts_; ///< per cell, into entries_
    std::vector<std::uint32_t> entries_;
};

/// All segments of the rings; ring numbers count on from `first_ring`.
void append_segments(std::vector<Segment>& out, const Ring& ring, int ring_number, int group);

template <class Visit> bool SegmentGrid::each_cell(Point a, Point b, Visit visit) const {
    if (a.y > b.y) std::swap(a, b);
    const int r0 = row(a.y);
    const int r1 = row(b.y);
    for (int r = r0; r <= r1; ++r) {
        double xa = a.x;
        double xb = b.x;
        if (r0 != r1 && b.y > a.y) {
            const double slope = (b.x - a.x) / (b.y - a.y);
            const double top = box_.y0 + r * cell_;
            if (r > r0) xa = a.x + (top - a.y) * slope;
            if (r < r1) xb = a.x + (top + cell_ - a.y) * slope;
        }
        // A hair of slack, so that rounding never loses a cell the line only grazes.
        const double slack = cell_ * 1e-6;
        const int c0 = column(std::min(xa, xb) - slack);
        const int c1 = column(std::max(xa, xb) + slack);
        for (int c = c0; c <= c1; ++c)
            if (!visit(static_cast<std::size_t>(r) * columns_ + c)) return false;
    }
    return true;
}

template <class Accept>
std::optional<SegmentGrid::Hit> SegmentGrid::nearest(Point p, double limit, Accept accept) const {
    std::optional<Hit> best;
    double reach = limit;
    double reach2 = limit * limit;
    const int pc = column(p.x);
    const int pr = row(p.y);
    // Outside the grid the first cells are farther away than their ring number says.
    const Point inside{std::clamp(p.x, box_.x0, box_.x1), std::clamp(p.y, box_.y0, box_.y1)};
    const double outside = distance(p, inside);
    const auto look = [&](int c, int r) {
        const std::size_t cell = static_cast<std::size_t>(r) * columns_ + c;
        for (std::uint32_t e = starts_[cell]; e < starts_[cell + 1]; ++e) {
            const Segment& s = segments_[entries_[e]];
            if (!accept(s)) continue;
            const Point q = closest_on_segment(p, s.a, s.b);
            const double d2 = dot(p - q, p - q);
            if (d2 <= reach2) {
                reach2 = d2;
                reach = std::sqrt(d2);
                best = Hit{reach, q, static_cast<int>(entries_[e])};
            }
        }
    };
    const int last = std::max(std::max(pc, columns_ - 1 - pc), std::max(pr, rows_ - 1 - pr));
    for (int ring = 0; ring <= last; ++ring) {
        if ((ring - 1) * cell_ > reach || (outside > reach)) break;
        const int top = pr - ring;
        const int bottom = pr + ring;
        for (int r = std::max(top, 0); r <= std::min(bottom, rows_ - 1); ++r) {
            if (r == top || r == bottom) {
                for (int c = std::max(pc - ring, 0); c <= std::min(pc + ring, columns_ - 1); ++c) look(c, r);
            } else {
                if (pc - ring >= 0) look(pc - ring, r);
                if (pc + ring < columns_) look(pc + ring, r);
            }
        }
    }
    return best;
}

template <class Accept> bool SegmentGrid::meets(Point a, Point b, Accept accept) const {
    return !each_cell(a, b, [&](std::size_t cell) {
        for (std::uint32_t e = starts_[cell]; e < starts_[cell + 1]; ++e) {
            const Segment& s = segments_[entries_[e]];
            if (accept(s) && segments_meet(a, b, s.a, s.b)) return false;
        }
        return true;
    });
}

template <class Visit> void SegmentGrid::each_near(const Box& box, Visit visit) const {
    for (int r = row(box.y0); r <= row(box.y1); ++r)
        for (int c = column(box.x0); c <= column(box.x1); ++c) {
            const std::size_t cell = static_cast<std::size_t>(r) * columns_ + c;
            for (std::uint32_t e = starts_[cell]; e < starts_[cell + 1]; ++e) visit(segments_[entries_[e]]);
        }
}

} // namespace zesty
