#include "core/sections/reach.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

/// The radius, at most `largest`, of the ball touching a from the side of `normal` that is empty of these
/// contours.
double ball(const std::optional<SegmentGrid>& contours, Point a, Point normal, double largest) {
    double r = largest;
    if (!contours) return r;
    for (int step = 0; step < 30; ++step) {
        const Point c = a + normal * r;
        const auto hit = contours->nearest(c, r * (1 - 1e-6), [](const Segment&) { return true; });
        if (!hit) break;
        const Point q = hit->at - a;
        const double ahead = dot(q, normal);
        const double next = ahead > 1e-12 ? dot(q, q) / (2 * ahead) : 0;
        if (next >= r * (1 - 1e-4)) break;
        r = next;
        if (r < 1e-3) return 0;
    }
    return r;
}

/// The contour moved outwards (away from the opening) by what `reach` allows, corners rounded. May cross
/// itself where the contour is hollow; a non-zero fill settles that.
class Grower {
public:
    Grower(const Ring& ring, bool outwards_is_left, const Reach& reach, double lip)
        : ring_(ring), side_(outwards_is_left ? 1 : -1), reach_(reach), lip_(lip) {}

    Ring run() {
        const std::size_t n = ring_.size();
        for (std::size_t i = 0; i < n; ++i) {
            const Point a = ring_[i];
            const Point b = ring_[(i + 1) % n];
            const Point c = ring_[(i + 2) % n];
            const Point m = normal(a, b);
            const double ta = reach_.at(a, m);
            const double tb = reach_.at(b, m);
            out_.push_back(a + m * ta);
            along(a, ta, b, tb, m, 0);
            out_.push_back(b + m * tb);
            corner(b, m, normal(b, c));
        }
        return std::move(out_);
    }

private:
    Point normal(Point a, Point b) const {
        const Point d = b - a;
        const double l = std::max(length(d), 1e-12);
        return Point{-d.y / l, d.x / l} * side_;
    }

    /// Points between a and b, denser where the reach changes or is short.
    void along(Point a, double ta, Point b, double tb, Point m, int depth) {
        const double l = distance(a, b);
        if (depth > 9 || l < 0.25) return;
        const bool full = ta >= lip_ && tb >= lip_;
        const double wanted = full ? std::max(1.5, lip_) : std::clamp(0.5 * std::min(ta, tb), 0.3, 0.8);
        if (l < wanted) return;
        const Point h = (a + b) * 0.5;
        const double th = reach_.at(h, m);
        along(a, ta, h, th, m, depth + 1);
        out_.push_back(h + m * th);
        along(h, th, b, tb, m, depth + 1);
    }

    void corner(Point at, Point from, Point to) {
        const double turn = std::atan2(cross(from, to), dot(from, to));
        // Outwards is left of travel when side_ is 1: then a right turn opens a gap that an arc must fill.
        if (turn * side_ >= -0.05) return;
        const int steps = static_cast<int>(std::ceil(std::abs(turn) / 0.35));
        for (int k = 1; k < steps; ++k) {
            const double w = turn * k / steps;
            const Point m{from.x * std::cos(w) - from.y * std::sin(w),
                          from.x * std::sin(w) + from.y * std::cos(w)};
            out_.push_back(at + m * reach_.at(at, m));
        }
    }

    const Ring& ring_;
    double side_;
    const Reach& reach_;
    double lip_;
    Ring out_;
};

} // namespace

SegmentGrid contours(const CutFile& cut, const std::vector<char>& backed, const Transform& to_page) {
    std::vector<Segment> segments;
    const int n = static_cast<int>(cut.openings.size());
    for (int i = 0; i < n; ++i)
        append_segments(segments, transformed(cut.openings[i].outline.outer, to_page), i,
                        group_of(cut.pieces[cut.openings[i].piece].layer, backed[i] ? Shares : Stops));
    for (std::size_t p = 0; p < cut.pieces.size(); ++p)
        append_segments(segments, transformed(cut.pieces[p].outline.outer, to_page), n + static_cast<int>(p),
                        group_of(cut.pieces[p].layer, Stops));
    return SegmentGrid(std::move(segments));
}

Reach::Reach(const SegmentGrid& grid, int layer, double lip, const std::vector<OnBar>& on_bars,
             const std::vector<int>& ignored, const Ring& edge)
    : lip_(lip) {
    std::vector<const Segment*> near;
    // A circle of the lip's size that touches the edge comes no farther than this.
    grid.each_near(bounds(edge).grown(2 * lip + edge_clearance), [&](const Segment& s) {
        if ((s.group == group_of(layer, Stops) || s.group == group_of(layer, Shares)) &&
            std::find(ignored.begin(), ignored.end(), s.ring) == ignored.end())
            near.push_back(&s);
    });
    std::sort(near.begin(), near.end());
    near.erase(std::unique(near.begin(), near.end()), near.end());
    std::vector<Segment> shared, stopping, crossed, first;
    for (const Segment* s : near) {
        const bool is_shared = s->group == group_of(layer, Shares);
        const OnBar does = is_shared && !on_bars.empty() ? on_bars[s->ring] : OnBar::Meets;
        // One across a bar that may be crossed only stops the patch.
        (is_shared && does != OnBar::Crosses ? shared : stopping).push_back(*s);
        if (does == OnBar::Crosses) crossed.push_back(*s);
        if (does == OnBar::Yields) first.push_back(*s);
    }
    if (!shared.empty()) shares_.emplace(std::move(shared));
    if (!stopping.empty()) stops_.emplace(std::move(stopping));
    if (!crossed.empty()) crossed_.emplace(std::move(crossed));
    if (!first.empty()) first_.emplace(std::move(first));
}

bool Reach::yields_near(Point p, double limit) const {
    return first_ && first_->nearest(p, limit, [](const Segment&) { return true; });
}

double Reach::at(Point a, Point normal, double most) const {
    const double shared = ball(shares_, a, normal, most);
    // A circle of this size lets the patch come as close to an edge as it may.
    const double enough = (shared + edge_clearance) / 2;
    const double free = ball(stops_, a, normal, enough);
    return free >= enough ? shared : std::max(free, 2 * free - edge_clearance);
}

double Reach::to_a_stop(Point p, double limit) const {
    if (!stops_) return limit;
    const auto hit = stops_->nearest(p, limit, [](const Segment&) { return true; });
    return hit ? hit->distance : limit;
}

bool Reach::stopped_between(Point a, Point b) const {
    return stops_ && stops_->meets(a, b, [](const Segment&) { return true; });
}

bool Reach::meets_anything(const Ring& ring, const Ring& opening) const {
    const Box box = bounds(ring);
    for (const auto* grid : {&shares_, &stops_}) {
        if (!*grid) continue;
        for (std::size_t i = 0; i < ring.size(); ++i)
            if ((*grid)->meets(ring[i], ring[(i + 1) % ring.size()], [](const Segment&) { return true; }))
                return true;
        bool inside = false;
        (*grid)->each_near(box, [&](const Segment& s) {
            inside = inside || (box.contains(s.a) && contains(ring, s.a) && !contains(opening, s.a));
        });
        if (inside) return true;
    }
    return false;
}

Ring grown_by_reach(const Ring& ring, bool outwards_is_left, const Reach& reach) {
    return Grower(ring, outwards_is_left, reach, reach.lip()).run();
}

} // namespace zesty
