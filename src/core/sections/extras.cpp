#include "core/sections/extras.h"

#include "core/geometry/measure.h"
#include "core/setout/photo_fit.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double words_margin = 2; ///< kept free at both ends of a line

/// Where a level line lies inside the opening: stretches from left to right.
std::vector<std::pair<double, double>> stretches(const Polygon& p, double y) {
    std::vector<double> at;
    const auto cross_ring = [&](const Ring& r) {
        for (std::size_t i = 0; i < r.size(); ++i) {
            const Point a = r[i];
            const Point b = r[(i + 1) % r.size()];
            if ((a.y > y) != (b.y > y)) at.push_back(a.x + (b.x - a.x) * (y - a.y) / (b.y - a.y));
        }
    };
    cross_ring(p.outer);
    for (const Ring& h : p.holes) cross_ring(h);
    std::sort(at.begin(), at.end());
    std::vector<std::pair<double, double>> out;
    for (std::size_t i = 0; i + 1 < at.size(); i += 2) out.emplace_back(at[i], at[i + 1]);
    return out;
}

/// What is free at both heights: letters between them stay inside.
double longest_between(const Polygon& p, double top, double bottom) {
    double best = 0;
    for (const auto& [a0, a1] : stretches(p, top))
        for (const auto& [m0, m1] : stretches(p, (top + bottom) / 2))
            for (const auto& [b0, b1] : stretches(p, bottom))
                best = std::max(best, std::min({a1, m1, b1}) - std::max({a0, m0, b0}));
    return best;
}

} // namespace

std::vector<Shaker> shakers_of(const Spots& spots, const std::vector<Treatment>& treatment,
                               const std::vector<double>& lip, double foam_width, const Transform& to_page) {
    std::vector<Shaker> out;
    const double scale = to_page.scale();
    for (std::size_t i = 0; i < treatment.size(); ++i) {
        if (treatment[i] != Treatment::Shaker) continue;
        const int o = static_cast<int>(i);
        Shaker s;
        s.opening = o;
        s.foam_width = foam_width;
        s.room = std::numeric_limits<double>::infinity();
        for (const Bar& b : spots.cut->bars) {
            if (b.a != o && b.b != o) continue;
            const int across = b.a == o ? b.b : b.a;
            const bool shared = across != Bar::edge && treatment[across] == Treatment::Shaker;
            s.room = std::min(s.room, b.width * scale / (shared ? 2 : 1) - foam_setback);
        }
        s.walls_fit = s.room >= foam_width;
        const Polygon opening = transformed(spots.cut->openings[i].outline, to_page);
        s.acetate = bounds(opening.outer).grown(lip[i]);
        const auto middle = grow({{opening.outer, {}}}, foam_setback + foam_width / 2);
        const auto inner = grow({{opening.outer, {}}}, foam_setback);
        if (middle && !middle->empty()) s.wall_length = perimeter(middle->front().outer);
        if (inner) s.inner_area = area(*inner);
        out.push_back(s);
    }
    return out;
}

SectionPhoto photo_size_for(const Polygon& opening, double lip) {
    SectionPhoto out;
    for (const PhotoSize& p : usual_photo_sizes()) {
        const auto fit = smallest_covering(opening, p.width, p.height, lip);
        if (!fit || fit->factor > 1) continue;
        out.size = p;
        out.centre = fit->centre;
        out.turn_deg = fit->turn_deg;
        return out;
    }
    const Box b = bounds(opening.outer).grown(lip);
    out.usual = false;
    out.size = {b.width(), b.height()};
    out.centre = b.centre();
    return out;
}

WritingRoom writing_room(const Polygon& opening) {
    WritingRoom out;
    const Box b = bounds(opening);
    for (double y = b.y0 + words_margin; y + line_height <= b.y1 - words_margin; y += line_height) {
        const double room = longest_between(opening, y, y + line_height) - 2 * words_margin;
        if (room < 2 * line_height) continue;
        ++out.lines;
        out.length += room;
    }
    return out;
}

} // namespace zesty
