#include "core/stash/stock.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

int sheet_count(const Paper& paper) {
    int all = 0;
    for (const SheetStock& s : paper.sheets) all += s.count;
    return all;
}

bool same_sheets(const SheetStock& a, const SheetStock& b) {
    return a.irregular == b.irregular && a.clean == b.clean && a.outline == b.outline;
}

bool change_count(Paper& paper, const SheetStock& sheet, int by) {
    for (SheetStock& s : paper.sheets) {
        if (!same_sheets(s, sheet)) continue;
        if (s.count + by < 0) continue;
        s.count += by;
        return true;
    }
    if (by <= 0) return by == 0;
    paper.sheets.push_back(sheet);
    paper.sheets.back().count = by;
    return true;
}

Polygon without_strip(const SheetStock& sheet, double strip) {
    if (strip <= 0 || sheet.irregular) return sheet.outline;
    const Box b = bounds(sheet.outline);
    return {ring_of(Box{b.x0, b.y0, b.x1, std::max(b.y0, b.y1 - strip)}), {}};
}

double stock_area(const Paper& paper) {
    double out = 0;
    for (const SheetStock& s : paper.sheets) out += s.count * area(s.outline);
    return out;
}

double stock_area(const Stash& stash) {
    double out = 0;
    for (const Paper& p : stash.papers) out += stock_area(p);
    return out;
}

std::optional<Polygon> trimmed_sheet(Point size, const Trimmed& off, Point corner) {
    constexpr double least = 1; // mm
    const double w = size.x - off.left - off.right;
    const double h = size.y - off.top - off.bottom;
    if (w < least || h < least) return {};
    if (corner.x <= 0 || corner.y <= 0) return Polygon{ring_of(Box{0, 0, w, h}), {}};
    if (corner.x > w - least || corner.y > h - least) return {};
    const double x = w - corner.x;
    const double y = h - corner.y;
    return Polygon{{{0, 0}, {w, 0}, {w, y}, {x, y}, {x, h}, {0, h}}, {}};
}

} // namespace zesty
