#include "core/dress/fit.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace zesty {

namespace {

constexpr int least_samples = 48;    ///< along the rim of a thing
constexpr double most_apart = 2.5;   ///< mm between them
constexpr int all_round = 24;        ///< turns tried at first
constexpr int places_across = 14;    ///< the same, along the longer side of the place
constexpr std::size_t climbers = 14; ///< of the best beginnings
constexpr double last_step = 0.01;   ///< mm

struct Pose {
    Point at;
    double deg = 0;
    double value = -1e9;
};

/// How far inside the place a point is; less than 0 outside. Exact.
class Depth {
public:
    explicit Depth(const Polygon& place) : place_(place), box_(bounds(place)) {
        add(place.outer);
        for (const Ring& hole : place.holes) add(hole);
    }
    double at(Point p) const {
        double best = 1e18;
        for (std::size_t i = 0; i < from_.size(); ++i) {
            const Point d = to_[i] - from_[i];
            const double l2 = dot(d, d);
            const double t = l2 <= 0 ? 0 : std::clamp(dot(p - from_[i], d) / l2, 0.0, 1.0);
            const Point off = p - (from_[i] + d * t);
            best = std::min(best, dot(off, off));
        }
        const double away = std::sqrt(best);
        return box_.contains(p) && contains(place_, p) ? away : -away;
    }
    const Box& box() const { return box_; }

private:
    void add(const Ring& ring) {
        for (std::size_t i = 0; i < ring.size(); ++i) {
            from_.push_back(ring[i]);
            to_.push_back(ring[(i + 1) % ring.size()]);
        }
    }
    const Polygon& place_;
    Box box_;
    std::vector<Point> from_, to_;
};

/// Looked up: the depth on a grid, between its points by their mean.
class DepthMap {
public:
    explicit DepthMap(const Depth& exact) : box_(exact.box().grown(1)) {
        step_ = std::max(0.25, std::max(box_.width(), box_.height()) / 160);
        across_ = static_cast<int>(box_.width() / step_) + 2;
        down_ = static_cast<int>(box_.height() / step_) + 2;
        depth_.reserve(static_cast<std::size_t>(across_ * down_));
        for (int y = 0; y < down_; ++y)
            for (int x = 0; x < across_; ++x)
                depth_.push_back(exact.at({box_.x0 + x * step_, box_.y0 + y * step_}));
    }
    double at(Point p) const {
        const double fx = (p.x - box_.x0) / step_;
        const double fy = (p.y - box_.y0) / step_;
        const int x = std::clamp(static_cast<int>(fx), 0, across_ - 2);
        const int y = std::clamp(static_cast<int>(fy), 0, down_ - 2);
        const double u = fx - x;
        const double v = fy - y;
        if (u < 0 || v < 0 || u > 1 || v > 1) { // outside of the map
            const double out = std::hypot(std::max({box_.x0 - p.x, 0.0, p.x - box_.x1}),
                                          std::max({box_.y0 - p.y, 0.0, p.y - box_.y1}));
            return -out - 1;
        }
        const auto d = [&](int i, int j) { return depth_[static_cast<std::size_t>(j * across_ + i)]; };
        return (d(x, y) * (1 - u) + d(x + 1, y) * u) * (1 - v) +
               (d(x, y + 1) * (1 - u) + d(x + 1, y + 1) * u) * v;
    }

private:
    Box box_;
    double step_ = 1;
    int across_ = 0, down_ = 0;
    std::vector<double> depth_;
};

std::vector<Point> samples_of(const Polygon& thing) {
    std::vector<Point> out;
    const double apart = std::min(most_apart, perimeter(thing.outer) / least_samples);
    for (std::size_t i = 0; i < thing.outer.size(); ++i) {
        const Point a = thing.outer[i];
        const Point b = thing.outer[(i + 1) % thing.outer.size()];
        const int steps = std::max(1, static_cast<int>(std::ceil(distance(a, b) / apart)));
        for (int k = 0; k < steps; ++k) out.push_back(a + (b - a) * (static_cast<double>(k) / steps));
    }
    return out;
}

template <class Field>
double least_depth(const Field& field, const std::vector<Point>& rim, const Pose& pose,
                   double enough_to_know) {
    const Transform t = Transform::moved(pose.at.x, pose.at.y) * Transform::turned_deg(pose.deg);
    double least = 1e9;
    for (const Point p : rim) {
        least = std::min(least, field.at(t(p)));
        if (least < enough_to_know) return least;
    }
    return least;
}

template <class Field>
void climb(const Field& field, const std::vector<Point>& rim, Pose& pose, bool may_turn, double step,
           double least_step) {
    const double reach = [&] {
        double r = 1;
        for (const Point p : rim) r = std::max(r, length(p));
        return r;
    }();
    pose.value = least_depth(field, rim, pose, -1e9);
    while (step > least_step) {
        bool better = false;
        const double turn = step / reach * 180 / M_PI;
        const Pose around[]{{{step, 0}, 0},     {{-step, 0}, 0},    {{0, step}, 0},     {{0, -step}, 0},
                            {{0, 0}, turn},     {{0, 0}, -turn},    {{step, step}, 0},  {{-step, -step}, 0},
                            {{step, -step}, 0}, {{-step, step}, 0}, {{step, 0}, turn},  {{-step, 0}, turn},
                            {{0, step}, turn},  {{0, -step}, turn}, {{step, 0}, -turn}, {{-step, 0}, -turn},
                            {{0, step}, -turn}, {{0, -step}, -turn}};
        for (const Pose& by : around) {
            if (by.deg != 0 && !may_turn) continue;
            Pose next{pose.at + by.at, pose.deg + by.deg};
            next.value = least_depth(field, rim, next, pose.value);
            if (next.value > pose.value + 1e-9) {
                pose = next;
                better = true;
            }
        }
        if (!better) step /= 2;
    }
}

std::vector<Pose> beginnings(const DepthMap& map, const Box& box, const std::vector<Point>& rim, int turns,
                             const StopToken& stop) {
    std::vector<Pose> out;
    const double step = std::max(box.width(), box.height()) / places_across;
    double worst_kept = -1e9;
    for (double y = box.y0 + step / 2; y < box.y1; y += step)
        for (double x = box.x0 + step / 2; x < box.x1; x += step) {
            if (stopped(stop)) return out;
            if (map.at({x, y}) < -step) continue;
            Pose best;
            for (int k = 0; k < turns; ++k) {
                Pose pose{{x, y}, 360.0 * k / turns};
                pose.value = least_depth(map, rim, pose, std::max(worst_kept, best.value));
                if (pose.value > best.value) best = pose;
            }
            out.push_back(best);
            if (out.size() < 4 * climbers) continue;
            std::sort(out.begin(), out.end(), [](const Pose& a, const Pose& b) { return a.value > b.value; });
            out.resize(2 * climbers);
            worst_kept = out.back().value;
        }
    std::sort(out.begin(), out.end(), [](const Pose& a, const Pose& b) { return a.value > b.value; });
    if (out.size() > climbers) out.resize(climbers);
    return out;
}

/// Whether the thing with its clearance all round lies in the place, exactly.
bool lies_inside(const Polygon& thing, const Polygon& place, const Pose& pose, double clearance) {
    const Polygon there =
        transformed(thing, Transform::moved(pose.at.x, pose.at.y) * Transform::turned_deg(pose.deg));
    const auto grown = grow({{there.outer, {}}}, clearance - 1e-4, Corner::Round, 16);
    if (!grown || grown->empty()) return false;
    const auto beyond = subtract(*grown, {place});
    return beyond && area(*beyond) < 1e-3;
}

} // namespace

ThingFit best_fit(const Polygon& thing, const Polygon& place, double clearance, const StopToken& stop) {
    ThingFit out;
    const Box box = bounds(place);
    if (thing.outer.size() < 3 || place.outer.size() < 3 || box.empty()) return out;
    const std::vector<Point> rim = samples_of(thing);
    const Depth exact(place);
    const DepthMap map(exact);
    // Turned only where it has to be.
    for (const int turns : {1, all_round}) {
        const bool may_turn = turns > 1;
        Pose best;
        for (Pose pose : beginnings(map, box, rim, turns, stop)) {
            if (stopped(stop)) return out;
            climb(map, rim, pose, may_turn, std::max(box.width(), box.height()) / (2 * places_across), 0.05);
            if (pose.value > best.value) best = pose;
        }
        // What the map rounds off is made good on the place itself.
        climb(exact, rim, best, may_turn, 0.2, last_step);
        out.centre = best.at;
        out.turn_deg = std::remainder(best.deg, 360.0);
        out.clearance = best.value;
        // The depth of the samples can be a little more than that of the rim between them.
        out.fits = best.value >= clearance - 1e-6 && lies_inside(thing, place, best, clearance);
        if (out.fits) return out;
    }
    out.clearance = std::min(out.clearance, clearance - 1e-6);
    return out;
}

} // namespace zesty
