#include "core/setout/place_in_sheet.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <vector>

namespace zesty {

namespace {

constexpr std::size_t most_edges = 24;  ///< of a sheet that are tried, each way
constexpr double hardly_missing = 0.01; ///< mm2
constexpr double one_edge = 0.01;       ///< mm

/// Where something so wide could begin so that it ends or begins at a corner, ascending.
std::vector<double> beginnings(const Polygon& sheet, double Point::*along, double wide) {
    std::vector<double> out;
    const auto add = [&](const Ring& ring) {
        for (const Point& p : ring) {
            out.push_back(p.*along);
            out.push_back(p.*along - wide);
        }
    };
    add(sheet.outer);
    for (const Ring& hole : sheet.holes) add(hole);
    std::sort(out.begin(), out.end());
    out.erase(std::unique(out.begin(), out.end(), [](double a, double b) { return b - a < one_edge; }),
              out.end());
    if (out.size() > most_edges) {
        std::vector<double> some;
        for (std::size_t i = 0; i < most_edges; ++i) some.push_back(out[i * out.size() / most_edges]);
        out = std::move(some);
    }
    return out;
}

std::optional<Box> place_of(const Polygon& sheet, double width, double height) {
    const Box all = bounds(sheet).grown(one_edge);
    if (width > all.width() || height > all.height() || width * height > area(sheet) + hardly_missing)
        return {};
    const std::vector<double> columns = beginnings(sheet, &Point::x, width);
    for (const double y : beginnings(sheet, &Point::y, height))
        for (const double x : columns) {
            const Box box{x, y, x + width, y + height};
            if (!all.holds(box)) continue;
            const auto missing = subtract({{ring_of(box), {}}}, {sheet});
            if (missing && area(*missing) < hardly_missing) return box;
        }
    return {};
}

} // namespace

std::optional<PlaceInSheet> place_in_sheet(const Polygon& sheet, const Box& wanted, bool may_turn) {
    if (sheet.outer.empty()) return {};
    if (const auto box = place_of(sheet, wanted.width(), wanted.height()))
        return PlaceInSheet{*box, Transform::moved(box->x0 - wanted.x0, box->y0 - wanted.y0)};
    if (!may_turn) return {};
    const auto box = place_of(sheet, wanted.height(), wanted.width());
    if (!box) return {};
    // A quarter turn puts the lower left corner of what was wanted into the upper left of its place.
    const Transform quarter = Transform::turned_deg(90);
    const Box turned = bounds(Ring{quarter({wanted.x0, wanted.y0}), quarter({wanted.x1, wanted.y1})});
    return PlaceInSheet{*box, Transform::moved(box->x0 - turned.x0, box->y0 - turned.y0) * quarter};
}

} // namespace zesty
