#include "core/sheets/leftover.h"

#include "core/geometry/measure.h"

namespace zesty {

CellBox largest_free(const SheetRaster& sheet) {
    // Row by row: how many free cells stand above each cell, and the largest rectangle under that skyline.
    const int columns = sheet.columns();
    std::vector<int> height(columns + 1, 0);
    std::vector<int> rising;
    CellBox best;
    for (int y = 0; y < sheet.rows(); ++y) {
        for (int x = 0; x < columns; ++x) height[x] = sheet.free(x, y) ? height[x] + 1 : 0;
        rising.clear();
        for (int x = 0; x <= columns; ++x) {
            while (!rising.empty() && height[rising.back()] >= height[x]) {
                const int h = height[rising.back()];
                rising.pop_back();
                const int from = rising.empty() ? 0 : rising.back() + 1;
                const CellBox one{from, y + 1 - h, x - from, h};
                if (one.cells() > best.cells()) best = one;
            }
            rising.push_back(x);
        }
    }
    return best;
}

Box box_of(const SheetRaster& sheet, const CellBox& cells) {
    if (cells.cells() < 1) return {};
    const double cell = sheet.cell();
    const Point from = sheet.origin() + Point{cells.column * cell, cells.row * cell};
    return {from.x, from.y, from.x + cells.columns * cell, from.y + cells.rows * cell};
}

Box largest_rectangle(const Polygon& polygon, double cell) {
    const Box box = bounds(polygon);
    if (box.width() < cell || box.height() < cell) return {};
    const SheetRaster sheet(polygon, cell);
    return box_of(sheet, largest_free(sheet));
}

Point good_for(const Box& rectangle, Units units) {
    const double step = units == Units::Inches ? mm_per_inch / 8 : 5;
    const auto down = [&](double mm) { return std::floor(mm / step + 1e-9) * step; };
    return {down(rectangle.width()), down(rectangle.height())};
}

} // namespace zesty
