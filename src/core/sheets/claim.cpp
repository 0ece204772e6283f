#include "core/sheets/claim.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sheets/wide.h"

#include <algorithm>

namespace zesty {

namespace {

using InnerPoint = Claim::InnerPoint;

constexpr float far_away = 1e9F;
constexpr int raster = 28;            ///< points across in which centres are looked for
constexpr double covered = 0.9;       ///< of the area by circles is enough
constexpr double least_circle = 0.08; ///< of the largest

/// The sides of a ring by their beginnings and ways, ready to be measured to all at once.
struct SidesOfRing {
    explicit SidesOfRing(const Ring& ring) {
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Point a = ring[i], way = ring[(i + 1) % ring.size()] - a;
            ax.push_back(a.x);
            ay.push_back(a.y);
            wx.push_back(way.x);
            wy.push_back(way.y);
            per_square.push_back(1 / std::max(dot(way, way), 1e-12));
        }
    }
    std::vector<double> ax, ay, wx, wy, per_square;
};

/// The square of the distance to the nearest side.
ZESTY_WIDE double nearest_side(const double* ax, const double* ay, const double* wx, const double* wy,
                               const double* per_square, int n, double x, double y) {
    double least = std::numeric_limits<double>::infinity();
    for (int i = 0; i < n; ++i) {
        const double px = x - ax[i], py = y - ay[i];
        const double along = std::min(std::max((px * wx[i] + py * wy[i]) * per_square[i], 0.0), 1.0);
        const double qx = px - along * wx[i], qy = py - along * wy[i];
        least = std::min(least, qx * qx + qy * qy);
    }
    return least;
}

/// Where the line at that height enters the ring and leaves it, from the left.
void crossings_at(const Ring& ring, double y, std::vector<double>& out) {
    out.clear();
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i], b = ring[(i + 1) % ring.size()];
        if ((a.y > y) != (b.y > y)) out.push_back(a.x + (b.x - a.x) * (y - a.y) / (b.y - a.y));
    }
    std::sort(out.begin(), out.end());
}

/// Points inside with their distance to the outline.
std::vector<InnerPoint> inner_points(const Ring& ring, const Box& box) {
    std::vector<InnerPoint> out;
    const SidesOfRing sides(ring);
    const auto n = static_cast<int>(ring.size());
    std::vector<double> crossings;
    const double step = std::max(box.width(), box.height()) / raster;
    for (double y = box.y0 + step / 2; y < box.y1; y += step) {
        crossings_at(ring, y, crossings);
        std::size_t passed = 0;
        for (double x = box.x0 + step / 2; x < box.x1; x += step) {
            while (passed < crossings.size() && crossings[passed] < x) ++passed;
            if (passed % 2 == 0) continue;
            out.push_back({{x, y},
                           std::sqrt(nearest_side(sides.ax.data(), sides.ay.data(), sides.wx.data(),
                                                  sides.wy.data(), sides.per_square.data(), n, x, y))});
        }
    }
    return out;
}

std::vector<InnerPoint>::const_iterator freest(const std::vector<InnerPoint>& points) {
    return std::max_element(points.begin(), points.end(),
                            [](const InnerPoint& a, const InnerPoint& b) { return a.free < b.free; });
}

void append(FloatRing& out, const Ring& ring, Point about) {
    for (std::size_t i = 0; i <= ring.size(); ++i) {
        const Point p = ring[i % ring.size()] - about;
        out.x.push_back(static_cast<float>(p.x));
        out.y.push_back(static_cast<float>(p.y));
    }
}

void turn_ring(const FloatRing& from, float c, float s, FloatRing& out) {
    const std::size_t n = from.x.size();
    out.x.resize(n);
    out.y.resize(n);
    FloatBox box{1e30F, 1e30F, -1e30F, -1e30F};
    for (std::size_t i = 0; i < n; ++i) {
        const float x = from.x[i] * c - from.y[i] * s, y = from.x[i] * s + from.y[i] * c;
        out.x[i] = x;
        out.y[i] = y;
        box = {std::min(box.x0, x), std::min(box.y0, y), std::max(box.x1, x), std::max(box.y1, y)};
    }
    out.box = box;
}

/// Which edges of a ring come into a box; `hit` has room for all.
ZESTY_WIDE void mark_edges(const float* x, const float* y, int n, FloatBox box, char* hit) {
    for (int i = 0; i < n; ++i) {
        const float ax = x[i], ay = y[i], bx = x[i + 1], by = y[i + 1];
        hit[i] = static_cast<char>((std::max(ax, bx) >= box.x0) & (std::min(ax, bx) <= box.x1) &
                                   (std::max(ay, by) >= box.y0) & (std::min(ay, by) <= box.y1));
    }
}

/// The deepest that two circles reach into each other, as a sign: above 0 when any do.
ZESTY_WIDE float circles_meet(const Poles& a, const Poles& b, float dx, float dy, float shrink) {
    float most = -1;
    for (int i = 0; i < a.count; ++i) {
        const float px = a.x[i] - dx, py = a.y[i] - dy, pr = a.r[i] - shrink;
        for (int k = 0; k < Poles::most; ++k) {
            const float x = b.x[k] - px, y = b.y[k] - py, r = pr + b.r[k];
            const float in = r * r - x * x - y * y;
            most = std::max(most, in);
        }
    }
    return most;
}

/// How far circles reach into each other, summed over all pairs and smooth even where they do not meet.
ZESTY_WIDE float depth_of_circles(const Poles& a, const Poles& b, float dx, float dy, float shrink,
                                  float eps) {
    float sums[Poles::most] = {};
    for (int i = 0; i < a.count; ++i) {
        const float px = a.x[i] - dx, py = a.y[i] - dy, pr = a.r[i] - shrink;
        for (int k = 0; k < Poles::most; ++k) {
            const float x = b.x[k] - px, y = b.y[k] - py;
            const float depth = pr + b.r[k] - std::sqrt(x * x + y * y);
            const float soft = eps * eps / (2 * eps - std::min(depth, eps));
            sums[k] += std::max(depth, soft) * std::min(pr, b.r[k]);
        }
    }
    float sum = 0;
    for (float s : sums) sum += s;
    return sum;
}

struct Edge {
    float ax, ay, bx, by;
};

/// Edges of a ring moved by (dx, dy) that come into a box.
void edges_in(const FloatRing& ring, float dx, float dy, const FloatBox& box, std::vector<Edge>& out) {
    thread_local std::vector<char> hit;
    const int n = static_cast<int>(ring.x.size()) - 1;
    if (hit.size() < ring.x.size()) hit.resize(ring.x.size());
    mark_edges(ring.x.data(), ring.y.data(), n, {box.x0 - dx, box.y0 - dy, box.x1 - dx, box.y1 - dy},
               hit.data());
    out.clear();
    for (int i = 0; i < n; ++i)
        if (hit[i]) out.push_back({ring.x[i] + dx, ring.y[i] + dy, ring.x[i + 1] + dx, ring.y[i + 1] + dy});
}

bool cross(const Edge& p, const Edge& q) {
    const float px = p.bx - p.ax, py = p.by - p.ay, qx = q.bx - q.ax, qy = q.by - q.ay;
    const float a = px * (q.ay - p.ay) - py * (q.ax - p.ax);
    const float b = px * (q.by - p.ay) - py * (q.bx - p.ax);
    if ((a > 0) == (b > 0)) return false;
    const float c = qx * (p.ay - q.ay) - qy * (p.ax - q.ax);
    const float d = qx * (p.by - q.ay) - qy * (p.bx - q.ax);
    return (c > 0) != (d > 0);
}

bool inside(const FloatRing& ring, float px, float py) {
    bool in = false;
    for (std::size_t i = 0; i + 1 < ring.x.size(); ++i) {
        const float ay = ring.y[i], by = ring.y[i + 1];
        if ((ay > py) == (by > py)) continue;
        if (px < ring.x[i] + (py - ay) * (ring.x[i + 1] - ring.x[i]) / (by - ay)) in = !in;
    }
    return in;
}

/// Whether the outlines cross or one lies in the other.
bool touch(const FloatRing& a, const FloatRing& b, float dx, float dy) {
    // A side that lies along the edge of its box must not be lost to rounding.
    constexpr float rounding = 1e-3F;
    const FloatBox box{
        std::max(a.box.x0, b.box.x0 + dx) - rounding, std::max(a.box.y0, b.box.y0 + dy) - rounding,
        std::min(a.box.x1, b.box.x1 + dx) + rounding, std::min(a.box.y1, b.box.y1 + dy) + rounding};
    thread_local std::vector<Edge> of_a;
    thread_local std::vector<Edge> of_b;
    edges_in(a, 0, 0, box, of_a);
    edges_in(b, dx, dy, box, of_b);
    for (const Edge& p : of_a) {
        const float x0 = std::min(p.ax, p.bx), x1 = std::max(p.ax, p.bx);
        const float y0 = std::min(p.ay, p.by), y1 = std::max(p.ay, p.by);
        for (const Edge& q : of_b) {
            if ((q.ax < x0 && q.bx < x0) || (q.ax > x1 && q.bx > x1) || (q.ay < y0 && q.by < y0) ||
                (q.ay > y1 && q.by > y1))
                continue;
            if (cross(p, q)) return true;
        }
    }
    return inside(a, b.x[0] + dx, b.y[0] + dy) || inside(b, a.x[0] - dx, a.y[0] - dy);
}

float overlap_of(const TurnedClaim& a, const FloatRing& ring, const TurnedClaim& b, float dx, float dy,
                 float shrink) {
    if (!ring.box.meets(b.claim.box, dx, dy)) return 0;
    if (circles_meet(a.poles, b.poles, dx, dy, shrink) <= 0 && !touch(ring, b.claim, dx, dy)) return 0;
    const float eps = 0.01F * std::max(a.diameter, b.diameter);
    const float sum = depth_of_circles(a.poles, b.poles, dx, dy, shrink, eps);
    return std::sqrt(std::max(sum, 0.F) + eps * eps) * a.weight * b.weight;
}

} // namespace

Poles Poles::turned(float cosine, float sine) const {
    Poles out = *this;
    for (int i = 0; i < count; ++i) {
        out.x[i] = x[i] * cosine - y[i] * sine;
        out.y[i] = x[i] * sine + y[i] * cosine;
    }
    return out;
}

Claim::Claim(const Polygon& piece, double half_gap) {
    Ring outline = piece.outer;
    if (half_gap > 0) {
        const auto grown = grow({{piece.outer, {}}}, half_gap + slack, Corner::Round, 6);
        if (grown && grown->size() == 1) outline = simplified({grown->front().outer, {}}, slack).outer;
    }
    const Box box = bounds(outline);
    std::vector<InnerPoint> inner = inner_points(outline, box);
    reference_ = inner.empty() ? box.centre() : freest(inner)->at;
    append(upright_.claim, outline, reference_);
    append(upright_.body, piece.outer, reference_);
    area_ = zesty::area(piece);
    double diameter = 0;
    for (std::size_t i = 0; i < outline.size(); ++i)
        for (std::size_t k = i + 1; k < outline.size(); ++k)
            diameter = std::max(diameter, dot(outline[i] - outline[k], outline[i] - outline[k]));
    upright_.diameter = static_cast<float>(std::sqrt(diameter));
    const double whole = std::abs(signed_area(outline));
    upright_.weight = static_cast<float>(std::sqrt(std::sqrt(whole)));
    find_circles(std::move(inner), whole);
    turn(0, upright_);
}

void Claim::find_circles(std::vector<InnerPoint> inner, double whole) {
    Poles& poles = upright_.poles;
    std::fill(std::begin(poles.x), std::end(poles.x), far_away);
    double reached = 0;
    while (poles.count < Poles::most && !inner.empty() && reached < covered * whole) {
        const InnerPoint best = *freest(inner);
        if (best.free <= 0 || (poles.count > 0 && best.free < least_circle * poles.r[0])) break;
        const Point p = best.at - reference_;
        poles.x[poles.count] = static_cast<float>(p.x);
        poles.y[poles.count] = static_cast<float>(p.y);
        poles.r[poles.count++] = static_cast<float>(best.free);
        reached += M_PI * best.free * best.free;
        for (InnerPoint& c : inner) c.free = std::min(c.free, distance(c.at, best.at) - best.free);
    }
    if (poles.count > 0) return;
    poles.x[0] = 0;
    poles.r[0] = 0.05F;
    poles.count = 1;
}

void Claim::turn(double rotation_deg, TurnedClaim& out) const {
    const Transform t = Transform::turned_deg(rotation_deg);
    const auto c = static_cast<float>(t.a);
    const auto s = static_cast<float>(t.b);
    out.rotation_deg = rotation_deg;
    turn_ring(upright_.claim, c, s, out.claim);
    turn_ring(upright_.body, c, s, out.body);
    out.poles = upright_.poles.turned(c, s);
}

TurnedClaim Claim::turned(double rotation_deg) const {
    TurnedClaim out = upright_;
    turn(rotation_deg, out);
    return out;
}

float overlap(const TurnedClaim& a, const TurnedClaim& b, float dx, float dy) {
    return overlap_of(a, a.claim, b, dx, dy, 0);
}

float overlap_with_obstacle(const TurnedClaim& piece, const TurnedClaim& obstacle, float dx, float dy,
                            float grown) {
    return overlap_of(piece, piece.body, obstacle, dx, dy, grown);
}

} // namespace zesty
