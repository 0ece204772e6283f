#include "core/setout/photo_fit.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <limits>
#include <numeric>
#include <vector>

namespace zesty {

namespace {

constexpr double degree = M_PI / 180;
constexpr std::size_t most_looks = 400'000; ///< a stop for shapes that would never end

/// Positions and tilts around one that is looked at, with what is known from the larger cell that it is part
/// of.
struct Cell {
    Point centre;
    double half = 0;       ///< of its square of positions
    double turn = 0;       ///< radians
    double slack = 0;      ///< of turns, to either side
    std::size_t first = 0; ///< the edges that can be nearest somewhere in it: a run in the list of near ones
    std::size_t count = 0;
    bool free = false; ///< inside all over: no contour runs through it
};

class Inside {
public:
    Inside(const Polygon& opening, double width, double height, double most_tilt_deg)
        : a_(width / 2), b_(height / 2), limit_(std::clamp(most_tilt_deg, 0.0, any_tilt_deg) * degree) {
        const auto add = [&](const Ring& r) {
            for (std::size_t i = 0; i < r.size(); ++i) edges_.emplace_back(r[i], r[(i + 1) % r.size()]);
        };
        add(opening.outer);
        for (const Ring& h : opening.holes) add(h);
        box_ = bounds(opening.outer);
    }

    std::optional<PhotoFit> run() {
        const double side = std::max(box_.width(), box_.height());
        near_.resize(edges_.size());
        std::iota(near_.begin(), near_.end(), std::size_t{0});
        const std::vector<Cell> cells = first_cells(side);
        // A good answer first, which cuts off most of the search.
        for (const Cell& cell : cells) {
            const double f = reach(cell.centre, cell.turn, 0, near_.size());
            if (f > best_.factor && inside(cell.centre)) {
                best_ = {f, cell.centre, cell.turn / degree};
                climb();
            }
        }
        for (const Cell& cell : cells) explore(cell);
        if (best_.factor <= 0) return {};
        best_.turn_deg = std::remainder(best_.turn_deg, 180.0);
        return best_;
    }

private:
    /// The segment in the frame of the print, scaled so that the print is the square of half side 1.
    std::pair<Point, Point> framed(std::size_t edge, Point at, double c, double s) const {
        const Point d = edges_[edge].first - at;
        const Point e = edges_[edge].second - at;
        const double ca = c / a_;
        const double sa = s / a_;
        const double cb = c / b_;
        const double sb = s / b_;
        return {{d.x * ca + d.y * sa, d.y * cb - d.x * sb}, {e.x * ca + e.y * sa, e.y * cb - e.x * sb}};
    }

    /// The factor of a print centred there that touches the nearest of those edges.
    double reach(Point at, double turn, std::size_t first, std::size_t count) {
        const double c = std::cos(turn);
        const double s = std::sin(turn);
        double least = std::numeric_limits<double>::infinity();
        distances_.clear();
        for (std::size_t i = first; i < first + count; ++i) {
            const auto [u, v] = framed(near_[i], at, c, s);
            distances_.push_back(square_distance(u, v));
            least = std::min(least, distances_.back());
        }
        return least;
    }

    bool inside(Point at) const {
        bool in = false;
        for (const auto& [p, q] : edges_)
            if ((p.y > at.y) != (q.y > at.y) && p.x + (q.x - p.x) * (at.y - p.y) / (q.y - p.y) > at.x)
                in = !in;
        return in;
    }

    /// Half the side of the smallest square around the origin that the segment touches. Along a segment this
    /// is convex and has its least value at an end or where the coordinates are equal but for their sign.
    static double square_distance(Point u, Point v) {
        const auto norm = [](Point p) { return std::max(std::abs(p.x), std::abs(p.y)); };
        double least = std::min(norm(u), norm(v));
        const auto try_at = [&](double over, double under) {
            if (over * under <= 0 || std::abs(over) >= std::abs(under)) return;
            least = std::min(least, std::abs(u.x + (v.x - u.x) * (over / under)));
        };
        const Point d = v - u;
        try_at(u.y - u.x, d.x - d.y);
        try_at(-u.x - u.y, d.x + d.y);
        return least;
    }

    /// A factor of `f` at the middle of a cell is at most this anywhere in it: a print that fits there holds
    /// a smaller one in the middle.
    double most_in_cell(double f, double half, double slack) const {
        const double c = std::cos(slack);
        const double s = std::sin(slack);
        const double shift = half * M_SQRT2;
        return std::max((f * (a_ * c + b_ * s) + shift) / a_, (f * (b_ * c + a_ * s) + shift) / b_);
    }

    void explore(Cell cell) {
        if (++looks_ > most_looks) return;
        const double f = reach(cell.centre, cell.turn, cell.first, cell.count);
        const bool in = cell.free || inside(cell.centre);
        if (in && f > best_.factor) {
            best_ = {f, cell.centre, cell.turn / degree};
            climb();
            reach(cell.centre, cell.turn, cell.first, cell.count);
        }
        // From outside the contour is `f` away at least: the cell must reach there and further.
        const double shift = most_in_cell(0, cell.half, 0);
        const double most = in ? most_in_cell(f, cell.half, cell.slack)
                               : most_in_cell(std::max(0.0, shift - f), 0, cell.slack);
        if (most <= best_.factor * (1 + photo_fit_tolerance)) return;
        const double widest = most_in_cell(most_in_cell(f, cell.half, cell.slack), cell.half, cell.slack);
        const std::size_t mark = near_.size();
        for (std::size_t i = 0; i < cell.count; ++i)
            if (distances_[i] <= widest) near_.push_back(near_[cell.first + i]);
        cell.free = in && f > most_in_cell(0, cell.half, cell.slack);
        cell.first = mark;
        cell.count = near_.size() - mark;
        split(cell, f);
        near_.resize(mark);
    }

    std::vector<Cell> first_cells(double side) const {
        const int n = 8;
        const bool any = limit_ >= any_tilt_deg * degree;
        // A square is the same again after a quarter turn.
        const int turns = !any       ? std::max(1, static_cast<int>(std::ceil(limit_ / (7.5 * degree))))
                          : a_ == b_ ? 6
                                     : 12;
        const double slack = any ? 7.5 * degree : limit_ / turns;
        const double from = any ? 0 : slack - limit_;
        const double half = side / n / 2;
        std::vector<Cell> cells;
        for (int turn = 0; turn < turns; ++turn)
            for (int y = 0; y < n; ++y)
                for (int x = 0; x < n; ++x)
                    cells.push_back({box_.centre() + Point{2 * x + 1.0 - n, 2 * y + 1.0 - n} * half, half,
                                     from + turn * 2 * slack, slack, 0, edges_.size(), false});
        return cells;
    }

    void split(const Cell& cell, double f) {
        const double by_place = cell.half * M_SQRT2 / std::min(a_, b_);
        const double by_turn = f * std::sin(cell.slack) * std::max(a_, b_) / std::min(a_, b_);
        Cell part = cell;
        if (by_turn > by_place) {
            part.slack /= 2;
            for (const double k : {-0.5, 0.5}) {
                part.turn = cell.turn + k * cell.slack;
                explore(part);
            }
            return;
        }
        part.half /= 2;
        for (const double y : {-0.5, 0.5})
            for (const double x : {-0.5, 0.5}) {
                part.centre = cell.centre + Point{x, y} * cell.half;
                explore(part);
            }
    }

    /// To the top of the hill that the best place is on.
    void climb() {
        double step = std::min(a_, b_) * best_.factor * 0.2;
        double turn_step = 4 * degree;
        double turn = best_.turn_deg * degree;
        for (int round = 0; round < 60; ++round) {
            bool better = false;
            const Point from = best_.centre;
            const double from_turn = turn;
            for (int k = 0; k < 26; ++k) {
                const int m = k < 13 ? k : k + 1; // all of 3 x 3 x 3 but the middle
                const Point at = from + Point{double(m % 3 - 1), double(m / 3 % 3 - 1)} * step;
                double t = from_turn + (m / 9 - 1) * turn_step;
                if (limit_ < any_tilt_deg * degree) t = std::clamp(t, -limit_, limit_);
                const double f = reach(at, t, 0, edges_.size());
                if (f > best_.factor && inside(at)) {
                    best_ = {f, at, t / degree};
                    turn = t;
                    better = true;
                }
            }
            if (!better) {
                step /= 2;
                turn_step /= 2;
                if (turn_step < 0.002 * degree) break;
            }
        }
    }

    double a_;
    double b_;
    double limit_; ///< of turns to either side, radians
    std::vector<std::pair<Point, Point>> edges_;
    std::vector<std::size_t> near_; ///< all edges by number, then those near to one cell after another
    std::vector<double> distances_; ///< of the edges last looked at
    Box box_;
    PhotoFit best_;
    std::size_t looks_ = 0;
};

bool usable(const Polygon& opening, double width, double height) {
    return width > 0 && height > 0 && opening.outer.size() >= 3 && area(opening) > 0;
}

/// Width and height of a ring turned back by the angle, and the middle of that box on the page.
struct Extent {
    double width;
    double height;
    Point centre;
};
Extent extent(const Ring& ring, double turn_deg) {
    const Box b = bounds(transformed(ring, Transform::turned_deg(-turn_deg)));
    return {b.width(), b.height(), Transform::turned_deg(turn_deg)(b.centre())};
}

/// The tilt for which `need` (width and height to factor) is least, between -90 and 90 degrees. Between two
/// tilts at which corners change roles extents are sines, so that a fine look and a golden search around it
/// find the least.
template <class Need> double best_tilt(const Ring& ring, double limit, Need need) {
    const auto at = [&](double deg) {
        const Extent e = extent(ring, deg);
        return need(e.width, e.height);
    };
    double best = 0;
    double least = at(0);
    for (double deg = -limit; deg <= limit; deg += 0.5)
        if (const double n = at(deg); n < least - 1e-12) {
            least = n;
            best = deg;
        }
    double lo = std::max(best - 0.5, -limit);
    double hi = std::min(best + 0.5, limit);
    for (int i = 0; i < 40; ++i) {
        const double m1 = lo + (hi - lo) * 0.382;
        const double m2 = lo + (hi - lo) * 0.618;
        (at(m1) < at(m2) ? hi : lo) = at(m1) < at(m2) ? m2 : m1;
    }
    const double fine = (lo + hi) / 2;
    return at(fine) < least ? fine : best;
}

} // namespace

Photo fitted(Photo photo, const PhotoFit& fit) {
    const double f = fit.factor;
    photo.width *= f;
    photo.height *= f;
    photo.centre = fit.centre;
    photo.turn_deg = fit.turn_deg;
    for (std::vector<Box>* parts : {&photo.protected_parts, &photo.hidden_parts})
        for (Box& b : *parts) b = {b.x0 * f, b.y0 * f, b.x1 * f, b.y1 * f};
    return photo;
}

std::optional<PhotoFit> largest_inside(const Polygon& opening, double width, double height,
                                       double most_tilt_deg) {
    if (!usable(opening, width, height)) return {};
    // Details far below the tolerance only cost time; what is far below depends on how narrow the opening is.
    const double detail =
        std::min(bounds(opening).diagonal() * 2e-4, area(opening) / perimeter(opening) * 2e-3);
    return Inside(simplified(opening, detail), width, height, most_tilt_deg).run();
}

std::optional<PhotoFit> largest_tucked(const Polygon& opening, double width, double height, double tuck,
                                       double most_tilt_deg) {
    if (!usable(opening, width, height)) return {};
    if (tuck == 0) return largest_inside(opening, width, height, most_tilt_deg);
    // What shows of a print of factor f is its size less the tucks: other proportions for every f.
    std::optional<PhotoFit> found;
    double factor = 1;
    for (int round = 0; round < 4; ++round) {
        const double w = std::max(factor * width - 2 * tuck, 0.05 * factor * width);
        const double h = std::max(factor * height - 2 * tuck, 0.05 * factor * height);
        found = largest_inside(opening, w, h, most_tilt_deg);
        if (!found) return {};
        const double next =
            std::min((w * found->factor + 2 * tuck) / width, (h * found->factor + 2 * tuck) / height);
        const bool settled = std::abs(next - factor) < 0.001 * factor;
        factor = next;
        if (settled) break;
    }
    found->factor = factor;
    return factor > 0 ? found : std::nullopt;
}

std::optional<PhotoFit> largest_round_inside(const Polygon& opening, double diameter, double tuck,
                                             const std::vector<double>& diameters) {
    if (!usable(opening, diameter, diameter)) return {};
    const auto circle = largest_circle(opening, 0.02);
    if (!circle) return {};
    double room = 2 * (circle->radius + tuck);
    if (!diameters.empty()) {
        const auto above = std::upper_bound(diameters.begin(), diameters.end(), room + 1e-6);
        if (above == diameters.begin()) return {};
        room = *(above - 1);
    }
    return PhotoFit{room / diameter, circle->centre, 0};
}

std::optional<PhotoFit> smallest_covering(const Polygon& opening, double width, double height, double overlap,
                                          double most_tilt_deg) {
    if (!usable(opening, width, height)) return {};
    const auto need = [&](double w, double h) {
        return std::max((w + 2 * overlap) / width, (h + 2 * overlap) / height);
    };
    const double tilt = best_tilt(opening.outer, most_tilt_deg, need);
    const Extent e = extent(opening.outer, tilt);
    return PhotoFit{need(e.width, e.height), e.centre, tilt};
}

std::optional<PhotoFit> cut_growth_for_inside(const Polygon& opening, double width, double height,
                                              double tuck) {
    auto fit = largest_inside(opening, width - 2 * tuck, height - 2 * tuck);
    if (fit) fit->factor = 1 / fit->factor;
    return fit;
}

std::optional<PhotoFit> cut_growth_for_covering(const Polygon& opening, double width, double height,
                                                double overlap) {
    const double w = width - 2 * overlap;
    const double h = height - 2 * overlap;
    if (w <= 0 || h <= 0 || !usable(opening, width, height)) return {};
    const auto need = [&](double ew, double eh) { return std::max(ew / w, eh / h); };
    const double tilt = best_tilt(opening.outer, any_tilt_deg, need);
    const Extent e = extent(opening.outer, tilt);
    return PhotoFit{1 / need(e.width, e.height), e.centre, tilt};
}

} // namespace zesty
