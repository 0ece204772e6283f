#include "core/sections/enlarged.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/backing.h"
#include "core/sections/method_shapes.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double most_enlarged = 1.8;
constexpr double smallest_growth = 0.004;
constexpr double growth_step = 1.06;
constexpr int fine_halvings = 8;
constexpr double lip_wanted = least_lip + 0.02;
constexpr double same_edge = 0.25;    ///< radians by which parts of one edge may turn
constexpr double farthest_moved = 40; ///< mm that anything is moved
constexpr double worth_a_copy = 0.1;  ///< share of the openings

Point direction_of(Point a, Point b) {
    const Point d = b - a;
    const double l = length(d);
    return l > 0 ? d * (1 / l) : Point{};
}

/// How far from `from` in that direction the ring is met.
double way_to(const Ring& ring, Point from, Point way) {
    double nearest = farthest_moved;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i] - from;
        const Point b = ring[i + 1 == ring.size() ? 0 : i + 1] - from;
        const double ca = cross(way, a);
        const double cb = cross(way, b);
        if ((ca < 0) == (cb < 0)) continue;
        const double t = (dot(way, a) * cb - dot(way, b) * ca) / (cb - ca);
        if (t >= -1e-9) nearest = std::min(nearest, t);
    }
    return std::max(0.0, nearest);
}

/// Whether two contours have a point in common.
bool meet(const Ring& a, const Ring& b) {
    const Box box = bounds(a);
    for (std::size_t i = 0; i < b.size(); ++i) {
        const Point from = b[i];
        const Point to = b[i + 1 == b.size() ? 0 : i + 1];
        Box edge;
        edge.add(from);
        edge.add(to);
        if (!edge.meets(box)) continue;
        for (std::size_t k = 0; k < a.size(); ++k)
            if (segments_meet(from, to, a[k], a[k + 1 == a.size() ? 0 : k + 1])) return true;
    }
    return false;
}

/// The part of a convex ring where n x <= limit.
void keep_side(Ring& ring, Point n, double limit) {
    Ring out;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i];
        const Point b = ring[i + 1 == ring.size() ? 0 : i + 1];
        const double da = dot(n, a) - limit;
        const double db = dot(n, b) - limit;
        if (da <= 0) out.push_back(a);
        if ((da < 0 && db > 0) || (da > 0 && db < 0)) out.push_back(a + (b - a) * (da / (da - db)));
    }
    ring = std::move(out);
}

} // namespace

Enlargeable::Enlargeable(const Polygon& opening, const Polygon& room, const AroundOpening& around)
    : opening_(opening), room_(room), around_(around), middle_(bounds(opening).centre()) {
    find_edges();
    const bool narrow =
        std::any_of(edges_.begin(), edges_.end(), [](const Edge& e) { return e.room < lip_wanted; });
    if (narrow || edges_.empty())
        why_ = NotEnlarged::NarrowBars;
    else
        find_factors();
}

void Enlargeable::find_edges() {
    const Ring& ring = opening_.outer;
    const double side = signed_area(ring) >= 0 ? 1 : -1;
    Point along;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i];
        const Point b = ring[i + 1 == ring.size() ? 0 : i + 1];
        const Point d = direction_of(a, b);
        if (d == Point{}) continue;
        const Point out{side * d.y, -side * d.x};
        double room = farthest_moved;
        for (const double t : {0.1, 0.5, 0.9})
            room = std::min(room, way_to(room_.outer, a + (b - a) * t, out));
        const bool goes_on =
            !edges_.empty() && std::abs(std::atan2(cross(along, d), dot(along, d))) < same_edge;
        if (goes_on) {
            // Of a curve the edge that is hardest to satisfy stands for it.
            if (room < edges_.back().room) edges_.back() = {out, dot(out, a - middle_), room};
            continue;
        }
        along = d;
        edges_.push_back({out, dot(out, a - middle_), room});
    }
}

Ring Enlargeable::places(double factor) const {
    Ring out = ring_of(Box{-farthest_moved, -farthest_moved, farthest_moved, farthest_moved});
    for (const Edge& e : edges_) {
        const double grown = (factor - 1) * e.far;
        keep_side(out, e.out, e.room - grown);
        keep_side(out, e.out * -1, grown - lip_wanted);
        if (out.size() < 3) return {};
    }
    return out;
}

void Enlargeable::find_factors() {
    double growth = smallest_growth;
    while (growth <= most_enlarged - 1 && places(1 + growth).empty()) growth *= growth_step;
    if (growth > most_enlarged - 1) {
        why_ = NotEnlarged::TooLong;
        return;
    }
    const auto edge_of = [&](double bad, double good) {
        for (int i = 0; i < fine_halvings; ++i) {
            const double mid = (bad + good) / 2;
            (places(mid).empty() ? bad : good) = mid;
        }
        return good;
    };
    range_.least = edge_of(1 + growth / growth_step, 1 + growth);
    while (growth <= most_enlarged - 1 && !places(1 + growth).empty()) growth *= growth_step;
    range_.most = edge_of(1 + growth, 1 + growth / growth_step);
}

std::optional<Polygon> Enlargeable::copy(double factor) const {
    const Ring where = places(factor);
    if (where.empty()) return {};
    Point moved;
    for (const Point p : where) moved = moved + p * (1.0 / static_cast<double>(where.size()));
    const Transform t = Transform::moved(middle_.x + moved.x, middle_.y + moved.y) *
                        Transform::scaled(factor) * Transform::moved(-middle_.x, -middle_.y);
    Polygon out{transformed(opening_.outer, t), {}};
    if (lip_of(opening_.outer, out.outer) < least_lip) return {};
    const bool unseen = lies_within(out, room_) ||
                        (around_.edge && !meet(out.outer, *around_.edge) &&
                         std::none_of(around_.others.begin(), around_.others.end(), [&](const Ring* other) {
                             return meet(out.outer, *other) || contains(out.outer, other->front());
                         }));
    if (!unseen) return {};
    return out;
}

std::vector<double> enlargements(std::vector<FactorRange> left) {
    std::vector<double> out;
    const auto worth = static_cast<std::size_t>(std::ceil(worth_a_copy * static_cast<double>(left.size())));
    while (!left.empty() && out.size() < most_copies) {
        double best = 1;
        std::size_t most = 0;
        for (const FactorRange& from : left) {
            // The common range begins where one of them begins.
            double end = most_enlarged;
            std::size_t suits = 0;
            for (const FactorRange& r : left)
                if (r.holds(from.least)) {
                    ++suits;
                    end = std::min(end, r.most);
                }
            if (suits <= most) continue;
            most = suits;
            best = (from.least + end) / 2;
        }
        if (!out.empty() && most < worth) break;
        out.push_back(best);
        std::erase_if(left, [&](const FactorRange& r) { return r.holds(best); });
    }
    return out;
}

} // namespace zesty
