#include "core/setout/strip_in_sheet.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <vector>

namespace zesty {

namespace {

constexpr double band_step = 5; // between places tried where no corner suggests one
constexpr double specks = 0.01; // mm2 outside the sheet that are rounding
constexpr double edge_slack = 1e-6;

Polygon swapped_axes(Polygon p) {
    const auto swap = [](Ring& ring) {
        for (Point& q : ring) std::swap(q.x, q.y);
        std::reverse(ring.begin(), ring.end());
    };
    swap(p.outer);
    for (Ring& hole : p.holes) swap(hole);
    return p;
}

/// Where a band may begin, from the left.
std::vector<double> places(const Polygon& sheet, const Box& box, double width) {
    std::vector<double> out;
    for (double x = box.x0; x + width <= box.x1; x += band_step) out.push_back(x);
    out.push_back(box.x1 - width);
    const auto corners = [&](const Ring& ring) {
        for (const Point p : ring)
            for (double x : {p.x, p.x - width}) out.push_back(x);
    };
    corners(sheet.outer);
    for (const Ring& hole : sheet.holes) corners(hole);
    std::erase_if(out, [&](double x) { return x < box.x0 - edge_slack || x + width > box.x1 + edge_slack; });
    std::sort(out.begin(), out.end());
    out.erase(std::unique(out.begin(), out.end(), [](double a, double b) { return b - a < 0.1; }), out.end());
    return out;
}

/// The longest stretch of the upright band that is all paper.
Box longest_in_band(const Polygon& sheet, const Box& band) {
    const auto missing = subtract({{ring_of(band), {}}}, {sheet});
    if (!missing) return {band.x0, band.y0, band.x1, band.y0};
    std::vector<std::pair<double, double>> blocked;
    for (const Polygon& p : *missing)
        if (area(p) > specks) blocked.emplace_back(bounds(p).y0, bounds(p).y1);
    std::sort(blocked.begin(), blocked.end());
    Box best{band.x0, band.y0, band.x1, band.y0};
    double from = band.y0;
    const auto free_until = [&](double to) {
        if (to - from > best.height()) best = {band.x0, from, band.x1, to};
    };
    for (const auto& [y0, y1] : blocked) {
        free_until(y0);
        from = std::max(from, y1);
    }
    free_until(band.y1);
    return best;
}

std::optional<Box> upright_in(const Polygon& sheet, double width, double enough) {
    const Box box = bounds(sheet);
    if (box.width() < width - edge_slack) return {};
    if (sheet.holes.empty() && area(sheet) > 0.9999 * box.area()) {
        // A plain sheet: the strip is cut off its left edge.
        const bool shorter = enough > 0 && box.height() > enough;
        return Box{box.x0, box.y0, box.x0 + width, shorter ? box.y0 + enough : box.y1};
    }
    std::optional<Box> best;
    for (double x : places(sheet, box, width)) {
        const Box found = longest_in_band(sheet, {x, box.y0, x + width, box.y1});
        if (!best || found.height() > best->height()) best = found;
        if (enough > 0 && best->height() >= enough - edge_slack) {
            best->y1 = best->y0 + enough;
            return best;
        }
    }
    return best && best->height() > 0 ? best : std::nullopt;
}

} // namespace

std::optional<Box> strip_in(const Polygon& sheet, double width, double enough) {
    if (sheet.outer.size() < 3) return {};
    const auto upright = upright_in(sheet, width, enough);
    if (upright && enough > 0 && upright->height() >= enough - edge_slack) return upright;
    auto level = upright_in(swapped_axes(sheet), width, enough);
    if (level) {
        std::swap(level->x0, level->y0);
        std::swap(level->x1, level->y1);
    }
    if (!level) return upright;
    if (!upright) return level;
    return level->width() > upright->height() ? level : upright;
}

} // namespace zesty
