#include "core/sections/parallel.h"

#include <algorithm>
#include <cmath>
#include <tuple>

namespace zesty {

namespace {

constexpr double curve_turn = 30 * M_PI / 180;  ///< less is no corner
constexpr double sharp_turn = 120 * M_PI / 180; ///< more leaves less than 60 degrees
constexpr double nearly_straight = 1e-3;

/// The part of a segment, in the coordinates of an edge (x along it, y out from it), that faces it: between
/// lines through its ends that lean outwards by those slopes. The least y there; nothing where it faces none.
std::optional<double> least_facing(Point p, Point q, double length, double lean_a, double lean_b) {
    double from = 0;
    double to = 1;
    const auto keep = [&](double at_p, double at_q) { // where positive
        if (at_p < 0 && at_q < 0) return false;
        if (at_p < 0) from = std::max(from, at_p / (at_p - at_q));
        if (at_q < 0) to = std::min(to, at_p / (at_p - at_q));
        return from <= to;
    };
    constexpr double hair = 1e-6;
    if (!keep(p.y - hair, q.y - hair)) return {};
    if (!keep(p.x + p.y * lean_a, q.x + q.y * lean_a)) return {};
    if (!keep(length + p.y * lean_b - p.x, length + q.y * lean_b - q.x)) return {};
    return std::min(p.y + from * (q.y - p.y), p.y + to * (q.y - p.y));
}

} // namespace

ParallelOutline::ParallelOutline(const Ring& edge, bool outwards_is_left, const Reach& reach)
    : side_(outwards_is_left ? 1 : -1) {
    for (std::size_t i = 0; i < edge.size(); ++i) {
        const Point a = edge[i];
        const Point b = edge[(i + 1) % edge.size()];
        const Point d = b - a;
        const double l = length(d);
        if (l > 1e-9) edges_.push_back({a, b, Point{-d.y / l, d.x / l} * side_, l, reach.lip()});
    }
    if (edges_.size() < 3) { // hardly a point: nothing runs parallel to that
        edges_.clear();
        return;
    }
    find_room(reach);
    level_curves();
    for (std::size_t i = 0; i < edges_.size(); ++i) corners_.push_back(corner_at(i, reach));
}

double ParallelOutline::turn_at(std::size_t edge) const {
    const Point from = edges_[edge].out;
    const Point to = edges_[(edge + 1) % edges_.size()].out;
    return -side_ * std::atan2(cross(from, to), dot(from, to));
}

void ParallelOutline::find_room(const Reach& reach) {
    const std::size_t n = edges_.size();
    for (std::size_t i = 0; i < n; ++i)
        std::tie(edges_[i].by, edges_[i].half) =
            room_of(edges_[i], turn_at((i + n - 1) % n), turn_at(i), reach);
}

/// On a curve an edge also answers for what faces the gap between it and the next.
std::pair<double, double> ParallelOutline::room_of(const Edge& e, double turn_before, double turn_after,
                                                   const Reach& reach) const {
    const auto lean = [](double turn) { return turn > 0 && turn < curve_turn ? std::tan(turn) : 0; };
    const double lean_a = lean(turn_before);
    const double lean_b = lean(turn_after);
    const Point along = (e.b - e.a) * (1 / e.length);
    const auto facing = [&](const Segment& s) {
        const auto seen = [&](Point p) { return Point{dot(p - e.a, along), dot(p - e.a, e.out)}; };
        return least_facing(seen(s.a), seen(s.b), e.length, lean_a, lean_b);
    };
    double room = reach.lip();
    Box box;
    for (const Point p : {e.a, e.b}) {
        box.add(p);
        box.add(p + (e.out + along * 0.6) * (2 * room + edge_clearance));
        box.add(p + (e.out - along * 0.6) * (2 * room + edge_clearance));
    }
    reach.each_share_near(box, [&](const Segment& s) {
        if (const auto y = facing(s)) room = std::min(room, *y / 2);
    });
    reach.each_stop_near(box, [&](const Segment& s) {
        if (const auto y = facing(s)) room = std::min(room, std::max(*y / 2, *y - edge_clearance));
    });
    double half = room;
    reach.each_crossed_near(box, [&](const Segment& s) {
        if (const auto y = facing(s)) half = std::min(half, *y / 2);
    });
    return {room, half};
}

void ParallelOutline::level_curves() {
    const std::size_t n = edges_.size();
    std::size_t start = 0;
    while (start < n && std::abs(turn_at(start)) < curve_turn) ++start;
    if (start == n) { // one curve all round
        double least = edges_.front().by;
        double half = edges_.front().half;
        for (const Edge& e : edges_) least = std::min(least, e.by), half = std::min(half, e.half);
        for (Edge& e : edges_) e.by = least, e.half = half;
        return;
    }
    for (std::size_t done = 0; done < n;) {
        const std::size_t first = (start + 1 + done) % n;
        double least = edges_[first].by;
        double half = edges_[first].half;
        std::size_t count = 1;
        while (std::abs(turn_at((first + count - 1) % n)) < curve_turn) {
            const Edge& next = edges_[(first + count++) % n];
            least = std::min(least, next.by);
            half = std::min(half, next.half);
        }
        for (std::size_t k = 0; k < count; ++k) {
            edges_[(first + k) % n].by = least;
            edges_[(first + k) % n].half = half;
        }
        done += count;
    }
}

/// From the corner to where the edges meet once one is moved out by `by_e` and the next by `by_f`; they must
/// not be parallel.
Point ParallelOutline::mitre(const Edge& e, const Edge& f, double by_e, double by_f) const {
    return Point{by_e * f.out.y - by_f * e.out.y, by_f * e.out.x - by_e * f.out.x} *
           (1 / cross(e.out, f.out));
}

/// Back to the middle of the bars before the joint begins, which may be askew.
Ring ParallelOutline::steps_at(const Edge& e, const Edge& f, Point tip) const {
    constexpr double askew = 0.6; // of the bar
    Ring out;
    const auto step = [&](const Edge& g, Point corner, Point inwards, bool before) {
        if (g.half >= g.by) return;
        const Point from = corner + inwards * std::min(askew * g.by, g.length / 2);
        const Point far = from + g.out * g.by;
        const Point near = from + g.out * g.half;
        out.insert(out.end(), {before ? far : near, before ? near : far});
    };
    step(e, e.b, (e.a - e.b) * (1 / e.length), true);
    out.push_back(tip);
    step(f, f.a, (f.b - f.a) * (1 / f.length), false);
    return out;
}

ParallelOutline::Corner ParallelOutline::corner_at(std::size_t edge, const Reach& reach) const {
    const Edge& e = edges_[edge];
    const Edge& f = edges_[(edge + 1) % edges_.size()];
    const Point at = e.b;
    const double turn = turn_at(edge);
    Corner out{false, {}, at + e.out * e.by, at + f.out * f.by, {}};
    if (std::abs(turn) < nearly_straight) return {true, (out.before + out.after) * 0.5, {}, {}, {}};
    // (tip - at) is e.by out from one edge and f.by from the other.
    if (std::abs(cross(e.out, f.out)) < 1e-9) return out;
    const Point way = mitre(e, f, e.by, f.by);
    out.tip = at + way;
    const Point e_along = (e.b - e.a) * (1 / e.length);
    const Point f_along = (f.b - f.a) * (1 / f.length);
    if (turn < 0) { // the edges run into each other
        out.mitred = dot(way, e_along) > -e.length && dot(way, f_along) < f.length;
        return out;
    }
    const bool crosses = e.half < e.by || f.half < f.by;
    if (crosses && reach.yields_near(at, std::max(2 * length(way), reach.lip()))) {
        const double half = std::min(e.half, f.half);
        const Point tip = turn <= sharp_turn
                              ? at + mitre(e, f, e.half, f.half)
                              : at + (e.out + f.out) * (half / std::max(1e-9, length(e.out + f.out)));
        out.steps = steps_at(e, f, tip);
        return out;
    }
    const double far = length(way);
    const Point middle = e.out + f.out;
    const Point u = length(middle) > 1e-6 ? middle * (1 / length(middle)) : e_along;
    const bool clear =
        reach.to_a_stop(out.tip, edge_clearance) >= 0.98 * std::min({edge_clearance, e.by, f.by}) &&
        !reach.stopped_between(at, out.tip);
    out.mitred = turn <= sharp_turn && clear && far < 2.5 * reach.lip();
    // Cut off across the corner, where the lip there is as wide as the edges' or as wide as it may be.
    const double wanted = turn > sharp_turn ? std::max(e.by, f.by) : far;
    const double t = reach.at(at, u, wanted);
    const auto on = [&](const Edge& g, Point along) {
        const double lean = dot(g.out, u);
        const double slope = dot(along, u);
        const double x = std::abs(slope) > 1e-9 ? (t - g.by * lean) / slope : 0;
        return at + g.out * g.by + along * std::max(0.0, x);
    };
    out.before = on(e, e_along);
    out.after = on(f, f_along * -1);
    return out;
}

Ring ParallelOutline::ring() const {
    Ring out;
    for (const Corner& c : corners_) {
        if (!c.steps.empty()) {
            out.insert(out.end(), c.steps.begin(), c.steps.end());
        } else if (c.mitred) {
            out.push_back(c.tip);
        } else {
            out.push_back(c.before);
            out.push_back(c.after);
        }
    }
    return out;
}

} // namespace zesty
