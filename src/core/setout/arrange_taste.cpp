#include "core/setout/arrange_taste.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>

namespace zesty::arranging {

namespace {

constexpr double in_line = 0.2;        ///< mm
constexpr double breathing = 25.4 / 4; ///< between things, and to an edge

double longer_side(const Box& b) {
    return std::max(b.width(), b.height());
}

double distance_between(const Box& a, const Box& b) {
    const double dx = std::max({b.x0 - a.x1, a.x0 - b.x1, 0.0});
    const double dy = std::max({b.y0 - a.y1, a.y0 - b.y1, 0.0});
    return std::hypot(dx, dy);
}

/// The largest rectangle of free cells (largest rectangle under a histogram, row by row).
Box largest_rectangle(const std::vector<char>& taken, std::size_t columns, std::size_t rows, Point from,
                      double cell) {
    std::vector<std::size_t> high(columns + 1, 0);
    std::vector<std::size_t> open;
    Box best;
    double most = 0;
    for (std::size_t r = 0; r < rows; ++r) {
        open.clear();
        for (std::size_t c = 0; c <= columns; ++c) {
            high[c] = c < columns && !taken[r * columns + c] ? high[c] + 1 : 0;
            while (!open.empty() && high[open.back()] >= high[c]) {
                const std::size_t h = high[open.back()];
                open.pop_back();
                const std::size_t left = open.empty() ? 0 : open.back() + 1;
                const double area = static_cast<double>(h * (c - left));
                if (area <= most) continue;
                most = area;
                best = {from.x + static_cast<double>(left) * cell,
                        from.y + static_cast<double>(r + 1 - h) * cell,
                        from.x + static_cast<double>(c) * cell, from.y + static_cast<double>(r + 1) * cell};
            }
            open.push_back(c);
        }
    }
    return best;
}

/// Cells from the one that holds `from` to the one that holds `to`.
std::pair<std::size_t, std::size_t> span(double from, double to, double cell, std::size_t count) {
    const double last = static_cast<double>(count);
    return {static_cast<std::size_t>(std::clamp(std::floor(from / cell + 1e-6), 0.0, last)),
            static_cast<std::size_t>(std::clamp(std::ceil(to / cell - 1e-6), 0.0, last))};
}

/// The share of things that have no edge in line with another's.
double ragged(const std::vector<Box>& boxes) {
    if (boxes.size() < 2) return 0;
    int alone = 0;
    for (std::size_t i = 0; i < boxes.size(); ++i) {
        const Box& a = boxes[i];
        const bool lined = std::any_of(boxes.begin(), boxes.end(), [&](const Box& b) {
            return &b != &a && (std::abs(a.x0 - b.x0) < in_line || std::abs(a.x1 - b.x1) < in_line ||
                                std::abs(a.y0 - b.y0) < in_line || std::abs(a.y1 - b.y1) < in_line);
        });
        if (!lined) ++alone;
    }
    return alone / static_cast<double>(boxes.size());
}

/// However they are turned.
bool same_size(const Thing& a, const Thing& b) {
    return a.round == b.round &&
           std::abs(std::min(a.width, a.height) - std::min(b.width, b.height)) < in_line &&
           std::abs(std::max(a.width, a.height) - std::max(b.width, b.height)) < in_line;
}

/// How near things come to the edges of their base and to each other, unless they lie on each other.
double tight(const Scene& scene, const std::vector<Place>& places, const std::vector<Box>& boxes) {
    double sum = 0;
    for (std::size_t i = 0; i < boxes.size(); ++i) {
        const Box& base = scene.board.bases()[static_cast<std::size_t>(places[i].base)];
        const double edge = std::min(
            {boxes[i].x0 - base.x0, boxes[i].y0 - base.y0, base.x1 - boxes[i].x1, base.y1 - boxes[i].y1});
        double near = std::max(0.0, 1 - edge / breathing);
        for (std::size_t k = 0; k < boxes.size(); ++k) {
            if (k == i) continue;
            const Box both = common(boxes[i], boxes[k]);
            const bool on = both.width() > in_line && both.height() > in_line;
            if (!on) near = std::max(near, 1 - distance_between(boxes[i], boxes[k]) / breathing);
        }
        sum += near;
    }
    return boxes.empty() ? 0 : sum / static_cast<double>(boxes.size());
}

} // namespace

double hidden_share(const Scene& scene, const std::vector<Place>& places) {
    double wanted = 0;
    double done = 0;
    for (std::size_t i = 0; i < places.size(); ++i)
        for (const Box& part : scene.things[i].hidden_parts) {
            const Point m = places[i].centre;
            const Box there{m.x + part.x0, m.y + part.y0, m.x + part.x1, m.y + part.y1};
            double over = scene.board.hides(scene.things[i], places[i], part);
            for (std::size_t k = 0; k < places.size(); ++k) {
                if (scene.things[k].level <= scene.things[i].level) continue;
                const Box both = common(there, box_of(scene.things[k], places[k]));
                if (!both.empty() && part.area() > 0) over += both.area() / part.area();
            }
            wanted += part.area();
            done += part.area() * std::min(1.0, over);
        }
    return wanted > 0 ? done / wanted : 1;
}

FreeRoom::FreeRoom(const Scene& scene, double cell) : scene_(scene), cell_(cell) {
    const Box cut = scene.board.cut_box();
    for (const Box& base : scene.board.bases()) {
        Cells cells;
        cells.columns = static_cast<std::size_t>(base.width() / cell + 1e-6);
        cells.rows = static_cast<std::size_t>(base.height() / cell + 1e-6);
        cells.taken.assign(cells.columns * cells.rows, 0);
        if (!cut.empty()) {
            const auto [x0, x1] = span(cut.x0 - base.x0, cut.x1 - base.x0, cell, cells.columns);
            const auto [y0, y1] = span(cut.y0 - base.y0, cut.y1 - base.y0, cell, cells.rows);
            for (std::size_t r = y0; r < y1; ++r)
                for (std::size_t c = x0; c < x1; ++c) {
                    const Point at{base.x0 + static_cast<double>(c) * cell,
                                   base.y0 + static_cast<double>(r) * cell};
                    if (scene.board.covered_by(Box{at.x, at.y, at.x + cell, at.y + cell}) > 1e-3)
                        cells.taken[r * cells.columns + c] = 1;
                }
        }
        of_base_.push_back(std::move(cells));
    }
}

Box FreeRoom::largest_in(const Box& base, Cells cells, const std::vector<Place>& places) const {
    for (std::size_t i = 0; i < places.size(); ++i) {
        const Box b = box_of(scene_.things[i], places[i]);
        const auto [x0, x1] = span(b.x0 - base.x0, b.x1 - base.x0, cell_, cells.columns);
        const auto [y0, y1] = span(b.y0 - base.y0, b.y1 - base.y0, cell_, cells.rows);
        for (std::size_t r = y0; r < y1; ++r)
            for (std::size_t c = x0; c < x1; ++c) cells.taken[r * cells.columns + c] = 1;
    }
    return largest_rectangle(cells.taken, cells.columns, cells.rows, {base.x0, base.y0}, cell_);
}

Box FreeRoom::largest(const std::vector<Place>& places) const {
    Box best;
    for (std::size_t b = 0; b < of_base_.size(); ++b) {
        const Box one = largest_in(scene_.board.bases()[b], of_base_[b], places);
        if (one.area() > best.area()) best = one;
    }
    return best;
}

double distaste(const Scene& scene, const FreeRoom& room, const std::vector<Place>& places,
                const Taste& taste, double covers) {
    const Box& base = scene.board.bases().front();
    double sum = taste.hide * (1 - hidden_share(scene, places));
    if (scene.board.silhouette_area() > 0) sum += taste.cover * covers / scene.board.silhouette_area();
    sum += taste.room * (1 - room.largest(places).area() / base.area());
    std::vector<Box> boxes;
    Point middle;
    for (std::size_t i = 0; i < places.size(); ++i) {
        boxes.push_back(box_of(scene.things[i], places[i]));
        middle = middle + places[i].centre * (1.0 / static_cast<double>(places.size()));
    }
    double away = 0;
    for (const Place& p : places) away += distance(p.centre, middle) / static_cast<double>(places.size());
    sum += taste.apart * std::min(1.0, away / longer_side(base));
    sum += taste.ragged * ragged(boxes);
    sum += taste.tight * tight(scene, places, boxes);
    return sum;
}

double apart(const std::vector<Thing>& things, const std::vector<Place>& a, Point cut_a,
             const std::vector<Place>& b, Point cut_b) {
    const auto one_way = [&](const std::vector<Place>& from, const std::vector<Place>& to) {
        double sum = distance(cut_a, cut_b);
        for (std::size_t i = 0; i < from.size(); ++i) {
            double nearest = std::numeric_limits<double>::infinity();
            for (std::size_t k = 0; k < to.size(); ++k)
                if (same_size(things[i], things[k]))
                    nearest = std::min(nearest, distance(from[i].centre, to[k].centre));
            sum += nearest;
        }
        return sum / static_cast<double>(from.size() + (cut_a == cut_b ? 0 : 1));
    };
    return a.empty() ? distance(cut_a, cut_b) : std::min(one_way(a, b), one_way(b, a));
}

} // namespace zesty::arranging
