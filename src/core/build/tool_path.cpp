#include "core/build/tool_path.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>

namespace zesty {

namespace {

constexpr std::size_t most_starts = 32; ///< corners of a contour that are tried as its start
constexpr int most_passes = 60;
constexpr double shorter = 1e-6; ///< mm that count as a gain
constexpr double never = std::numeric_limits<double>::infinity();

/// The corners that are tried, evenly spread where there are many.
std::vector<std::size_t> starts_of(const Ring& ring) {
    std::vector<std::size_t> out;
    const std::size_t count = std::min(ring.size(), most_starts);
    for (std::size_t i = 0; i < count; ++i) out.push_back(i * ring.size() / count);
    return out;
}

class Routing {
public:
    explicit Routing(const std::vector<Ring>& contours) : contours_(contours), around_(lying_in(contours)) {
        for (const Ring& r : contours) starts_.push_back(starts_of(r));
    }

    ToolPath run() {
        nearest_next();
        choose_starts();
        double best = travel();
        for (int pass = 0; pass < most_passes; ++pass) {
            move_contours();
            turn_stretches();
            choose_starts();
            const double now = travel();
            if (now > best - shorter) break;
            best = now;
        }
        ToolPath out;
        for (std::size_t i = 0; i < order_.size(); ++i) out.stops.push_back({order_[i], start_[i]});
        out.travel = travel();
        return out;
    }

private:
    Point at(std::size_t place) const {
        return contours_[static_cast<std::size_t>(order_[place])][start_[place]];
    }
    Point before(std::size_t place) const { return place == 0 ? Point{} : at(place - 1); }

    double travel() const {
        double out = 0;
        for (std::size_t i = 0; i < order_.size(); ++i) out += distance(before(i), at(i));
        return out;
    }

    /// The nearest start of a contour to a point, and how far that is.
    std::pair<double, std::size_t> nearest(int contour, Point from) const {
        std::pair<double, std::size_t> out{never, 0};
        const auto c = static_cast<std::size_t>(contour);
        for (const std::size_t s : starts_[c]) out = std::min(out, {distance(from, contours_[c][s]), s});
        return out;
    }

    void nearest_next() {
        std::vector<int> inside(contours_.size(), 0); // still to be cut
        std::vector<char> done(contours_.size(), 0);
        for (std::size_t c = 0; c < contours_.size(); ++c) {
            if (contours_[c].size() < 3)
                done[c] = 1;
            else if (around_[c] >= 0)
                ++inside[static_cast<std::size_t>(around_[c])];
        }
        Point from{};
        while (true) {
            std::pair<double, std::size_t> best{never, 0};
            int next = -1;
            for (std::size_t c = 0; c < contours_.size(); ++c) {
                if (done[c] || inside[c] > 0) continue;
                const auto found = nearest(static_cast<int>(c), from);
                if (found.first >= best.first) continue;
                best = found;
                next = static_cast<int>(c);
            }
            if (next < 0) return;
            const auto n = static_cast<std::size_t>(next);
            done[n] = 1;
            if (around_[n] >= 0) --inside[static_cast<std::size_t>(around_[n])];
            order_.push_back(next);
            start_.push_back(best.second);
            from = contours_[n][best.second];
        }
    }

    bool must_precede(int first, int second) const {
        for (int c = around_[static_cast<std::size_t>(first)]; c >= 0;
             c = around_[static_cast<std::size_t>(c)])
            if (c == second) return true;
        return false;
    }

    /// Takes each contour out and puts it where the way grows least, as far as what lies in what allows.
    void move_contours() {
        for (std::size_t i = 0; i < order_.size(); ++i) {
            const int contour = order_[i];
            std::size_t from = i;
            std::size_t to = i;
            while (from > 0 && !must_precede(order_[from - 1], contour)) --from;
            while (to + 1 < order_.size() && !must_precede(contour, order_[to + 1])) ++to;
            const double saved = without(i);
            double best = 0;
            std::size_t place = i;
            std::size_t start = start_[i];
            for (std::size_t k = from; k <= to + 1; ++k) {
                if (k == i || k == i + 1) continue;
                const auto [cost, s] =
                    put_between(contour, before(k), k < order_.size() ? std::optional(at(k)) : std::nullopt);
                if (saved - cost <= best + shorter) continue;
                best = saved - cost;
                place = k;
                start = s;
            }
            if (place == i) continue;
            const auto shift = [&](auto& all, auto value) {
                all.erase(all.begin() + static_cast<std::ptrdiff_t>(i));
                all.insert(all.begin() + static_cast<std::ptrdiff_t>(place > i ? place - 1 : place), value);
            };
            shift(order_, contour);
            shift(start_, start);
        }
    }

    /// What the way is shorter by without a place.
    double without(std::size_t i) const {
        const double here = distance(before(i), at(i));
        if (i + 1 == order_.size()) return here;
        return here + distance(at(i), at(i + 1)) - distance(before(i), at(i + 1));
    }

    std::pair<double, std::size_t> put_between(int contour, Point from, std::optional<Point> to) const {
        std::pair<double, std::size_t> out{never, 0};
        const auto c = static_cast<std::size_t>(contour);
        for (const std::size_t s : starts_[c]) {
            const Point p = contours_[c][s];
            const double cost = distance(from, p) + (to ? distance(p, *to) - distance(from, *to) : 0);
            out = std::min(out, {cost, s});
        }
        return out;
    }

    bool may_be_turned(std::size_t from, std::size_t to) const {
        for (std::size_t i = from; i <= to; ++i)
            for (std::size_t k = i + 1; k <= to; ++k)
                if (must_precede(order_[i], order_[k])) return false;
        return true;
    }

    void turn_stretches() {
        constexpr std::size_t longest = 60; // stretches beyond are hardly ever free of what must come first
        for (std::size_t i = 0; i + 1 < order_.size(); ++i)
            for (std::size_t k = i + 1; k < order_.size() && k - i < longest; ++k) {
                const double now =
                    distance(before(i), at(i)) + (k + 1 < order_.size() ? distance(at(k), at(k + 1)) : 0);
                const double then =
                    distance(before(i), at(k)) + (k + 1 < order_.size() ? distance(at(i), at(k + 1)) : 0);
                if (then > now - shorter || !may_be_turned(i, k)) continue;
                const auto turn = [&](auto& all) {
                    std::reverse(all.begin() + static_cast<std::ptrdiff_t>(i),
                                 all.begin() + static_cast<std::ptrdiff_t>(k) + 1);
                };
                turn(order_);
                turn(start_);
            }
    }

    /// The starts that make the way shortest for the order as it is.
    void choose_starts() {
        std::vector<std::vector<std::size_t>> came_from(order_.size());
        std::vector<double> before_it{0};
        std::vector<Point> from{Point{}};
        for (std::size_t i = 0; i < order_.size(); ++i) {
            const auto c = static_cast<std::size_t>(order_[i]);
            std::vector<double> cost;
            std::vector<Point> here;
            for (const std::size_t s : starts_[c]) {
                const Point p = contours_[c][s];
                double best = never;
                std::size_t by = 0;
                for (std::size_t k = 0; k < from.size(); ++k)
                    if (const double d = before_it[k] + distance(from[k], p); d < best) {
                        best = d;
                        by = k;
                    }
                cost.push_back(best);
                here.push_back(p);
                came_from[i].push_back(by);
            }
            before_it = std::move(cost);
            from = std::move(here);
        }
        if (order_.empty()) return;
        auto at_end = static_cast<std::size_t>(std::min_element(before_it.begin(), before_it.end()) -
                                               before_it.begin());
        for (std::size_t i = order_.size(); i-- > 0;) {
            start_[i] = starts_[static_cast<std::size_t>(order_[i])][at_end];
            at_end = came_from[i][at_end];
        }
    }

    const std::vector<Ring>& contours_;
    std::vector<int> around_;
    std::vector<std::vector<std::size_t>> starts_; ///< by contour
    std::vector<int> order_;
    std::vector<std::size_t> start_; ///< by place in the order
};

} // namespace

std::vector<int> lying_in(const std::vector<Ring>& contours) {
    std::vector<Box> boxes;
    std::vector<double> areas;
    for (const Ring& r : contours) {
        boxes.push_back(bounds(r));
        areas.push_back(std::abs(signed_area(r)));
    }
    std::vector<int> out(contours.size(), -1);
    for (std::size_t c = 0; c < contours.size(); ++c) {
        if (contours[c].size() < 3) continue;
        // Contours do not cross: one point of it tells. The middle of an edge lies on no other's corner.
        const Point inside = (contours[c][0] + contours[c][1]) * 0.5;
        for (std::size_t k = 0; k < contours.size(); ++k) {
            if (k == c || contours[k].size() < 3 || areas[k] <= areas[c] || !boxes[k].holds(boxes[c]) ||
                !contains(contours[k], inside))
                continue;
            if (out[c] < 0 || areas[k] < areas[static_cast<std::size_t>(out[c])])
                out[c] = static_cast<int>(k);
        }
    }
    return out;
}

ToolPath tool_path(const std::vector<Ring>& contours) {
    return Routing(contours).run();
}

double travel_as_given(const std::vector<Ring>& contours) {
    double out = 0;
    Point from{};
    for (const Ring& r : contours) {
        if (r.size() < 3) continue;
        out += distance(from, r.front());
        from = r.front();
    }
    return out;
}

std::vector<Ring> in_order(const std::vector<Ring>& contours, const ToolPath& path) {
    std::vector<Ring> out;
    for (const ToolPath::Stop& stop : path.stops) {
        Ring ring = contours[static_cast<std::size_t>(stop.contour)];
        std::rotate(ring.begin(), ring.begin() + static_cast<std::ptrdiff_t>(stop.start), ring.end());
        out.push_back(std::move(ring));
    }
    return out;
}

} // namespace zesty
