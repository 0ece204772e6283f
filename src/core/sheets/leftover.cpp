#include "core/sheets/leftover.h"

#include "core/geometry/measure.h"
#include "core/sheets/bit_raster.h"

namespace zesty {

namespace {

/// Whether each cell lies wholly inside, row by row.
std::vector<std::vector<char>> free_cells(const Polygon& polygon, const Box& box, double cell) {
    const SheetRaster sheet(polygon, cell);
    const PieceRaster one = rasterize(Polygon{ring_of(Box{0, 0, cell * 0.9, cell * 0.9}), {}}, {0, 0}, cell);
    std::vector<std::vector<char>> out(static_cast<std::size_t>(box.height() / cell),
                                       std::vector<char>(static_cast<std::size_t>(box.width() / cell), 0));
    for (std::size_t y = 0; y < out.size(); ++y)
        for (int x = sheet.first_fit(one, static_cast<int>(y)); x >= 0 && x < static_cast<int>(out[y].size());
             x = sheet.first_fit(one, static_cast<int>(y), x + 1))
            out[y][static_cast<std::size_t>(x)] = 1;
    return out;
}

} // namespace

Box largest_rectangle(const Polygon& polygon, double cell) {
    const Box box = bounds(polygon);
    if (box.width() < cell || box.height() < cell) return {};
    const auto free = free_cells(polygon, box, cell);
    if (free.empty() || free[0].empty()) return {};
    // Row by row: how many free cells stand above each cell, and the largest rectangle under that skyline.
    const std::size_t columns = free[0].size();
    std::vector<int> height(columns + 1, 0);
    Box best;
    double most = 0;
    for (std::size_t y = 0; y < free.size(); ++y) {
        for (std::size_t x = 0; x < columns; ++x) height[x] = free[y][x] ? height[x] + 1 : 0;
        std::vector<std::size_t> rising;
        for (std::size_t x = 0; x <= columns; ++x) {
            while (!rising.empty() && height[rising.back()] >= height[x]) {
                const int h = height[rising.back()];
                rising.pop_back();
                const std::size_t from = rising.empty() ? 0 : rising.back() + 1;
                const double size = static_cast<double>(x - from) * h;
                if (size <= most) continue;
                most = size;
                best = {box.x0 + static_cast<double>(from) * cell,
                        box.y0 + (static_cast<double>(y) + 1 - h) * cell,
                        box.x0 + static_cast<double>(x) * cell, box.y0 + (static_cast<double>(y) + 1) * cell};
            }
            rising.push_back(x);
        }
    }
    return best;
}

Point good_for(const Box& rectangle, Units units) {
    const double step = units == Units::Inches ? mm_per_inch / 8 : 5;
    const auto down = [&](double mm) { return std::floor(mm / step + 1e-9) * step; };
    return {down(rectangle.width()), down(rectangle.height())};
}

} // namespace zesty
