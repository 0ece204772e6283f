#include "core/geometry/segment_grid.h"

namespace zesty {

void append_segments(std::vector<Segment>& out, const Ring& ring, int ring_number, int group) {
    for (std::size_t i = 0; i < ring.size(); ++i)
        out.push_back({ring[i], ring[(i + 1) % ring.size()], ring_number, static_cast<int>(i), group});
}

SegmentGrid::SegmentGrid(std::vector<Segment> segments) : segments_(std::move(segments)) {
    double total = 0;
    for (const Segment& s : segments_) {
        box_.add(s.a);
        box_.add(s.b);
        total += distance(s.a, s.b);
    }
    if (segments_.empty()) box_.add(Point{});
    const double n = static_cast<double>(std::max<std::size_t>(segments_.size(), 1));
    const double w = std::max(box_.width(), 1e-9);
    const double h = std::max(box_.height(), 1e-9);
    // About as many cells as segments, but never so many that long segments fill the memory.
    cell_ = std::max({std::sqrt(w * h / (n * 1.5)), total / (n * 6), w / 4000, h / 4000});
    columns_ = static_cast<int>(w / cell_) + 1;
    rows_ = static_cast<int>(h / cell_) + 1;

    starts_.assign(static_cast<std::size_t>(columns_) * rows_ + 1, 0);
    for (const Segment& s : segments_)
        each_cell(s.a, s.b, [&](std::size_t cell) { return ++starts_[cell + 1], true; });
    for (std::size_t i = 1; i < starts_.size(); ++i) starts_[i] += starts_[i - 1];
    entries_.resize(starts_.back());
    std::vector<std::uint32_t> next(starts_.begin(), starts_.end() - 1);
    for (std::size_t i = 0; i < segments_.size(); ++i)
        each_cell(segments_[i].a, segments_[i].b, [&](std::size_t cell) {
            return entries_[next[cell]++] = static_cast<std::uint32_t>(i), true;
        });
}

namespace {

/// Neighbours in a ring share a point by right; they touch only when the second runs back over the first.
bool touch(const Segment& s, const Segment& t, int ring_size) {
    if (s.ring == t.ring) {
        const bool s_then_t = (s.index + 1) % ring_size == t.index;
        const bool t_then_s = (t.index + 1) % ring_size == s.index;
        if (s_then_t && t_then_s) return true; // a ring of two
        if (s_then_t || t_then_s) {
            const Point shared = s_then_t ? s.b : s.a;
            const Point u = (s_then_t ? s.a : s.b) - shared;
            const Point v = (s_then_t ? t.b : t.a) - shared;
            return cross(u, v) == 0 && dot(u, v) > 0;
        }
    }
    return segments_meet(s.a, s.b, t.a, t.b);
}

} // namespace

std::size_t SegmentGrid::count_touching(const std::vector<int>& ring_sizes, std::size_t limit) const {
    std::size_t count = 0;
    for (std::size_t cell = 0; cell + 1 < starts_.size(); ++cell) {
        for (std::uint32_t i = starts_[cell]; i < starts_[cell + 1]; ++i) {
            const Segment& s = segments_[entries_[i]];
            const double sx0 = std::min(s.a.x, s.b.x);
            const double sx1 = std::max(s.a.x, s.b.x);
            for (std::uint32_t j = i + 1; j < starts_[cell + 1]; ++j) {
                const Segment& t = segments_[entries_[j]];
                if (std::max(t.a.x, t.b.x) < sx0 || std::min(t.a.x, t.b.x) > sx1) continue;
                if (touch(s, t, ring_sizes[s.ring]) && ++count >= limit) return count;
            }
        }
    }
    return count;
}

} // namespace zesty
