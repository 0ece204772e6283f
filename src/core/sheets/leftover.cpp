#include "core/sheets/leftover.h"

#include "core/geometry/measure.h"

namespace zesty {

namespace {

/// Rectangles of free cells that end in one row of a sheet, under the skyline of how many free cells stand
/// above each other there.
class Skyline {
public:
    explicit Skyline(int columns) : height_(columns + 1, 0), rising_(columns + 1, 0) {}

    /// One more row; true for its cells that are free.
    void descend(const std::vector<char>& free) {
        for (std::size_t x = 0; x < free.size(); ++x) height_[x] = free[x] ? height_[x] + 1 : 0;
    }

    /// Looks at the columns from one up to another, none of which is free beside them.
    void look(int from, int to, int row, CellBox& best) {
        int top = 0;
        for (int x = from; x <= to; ++x) {
            const int here = x < to ? height_[x] : 0;
            for (; top > 0 && height_[rising_[top - 1]] >= here; --top) {
                const int h = height_[rising_[top - 1]];
                const int left = top > 1 ? rising_[top - 2] + 1 : from;
                const CellBox one{left, row + 1 - h, x - left, h};
                if (one.cells() > best.cells()) best = one;
            }
            rising_[top++] = x;
        }
    }

private:
    std::vector<int> height_;
    std::vector<int> rising_; ///< columns, each higher than the one before
};

void read_row(const SheetRaster& sheet, int y, std::vector<char>& free) {
    for (int x = 0; x < sheet.columns(); ++x) free[x] = y < sheet.rows() && sheet.free(x, y) ? 1 : 0;
}

} // namespace

CellBox largest_free(const SheetRaster& sheet) {
    const int columns = sheet.columns();
    Skyline skyline(columns);
    std::vector<char> free(columns, 0), below(columns, 0);
    CellBox best;
    read_row(sheet, 0, below);
    for (int y = 0; y < sheet.rows(); ++y) {
        free.swap(below);
        read_row(sheet, y + 1, below);
        skyline.descend(free);
        for (int from = 0; from < columns;) {
            if (!free[from]) {
                ++from;
                continue;
            }
            // Where everything goes on being free below, a larger rectangle ends there.
            bool ends = false;
            int to = from;
            for (; to < columns && free[to]; ++to) ends = ends || !below[to];
            if (ends) skyline.look(from, to, y, best);
            from = to;
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

std::string size_of_sheet(const Polygon& outline, Units units) {
    constexpr double nearly_a_rectangle = 0.97; ///< of its box
    const Box box = bounds(outline);
    if (box.empty()) return "used up";
    if (area(outline) > nearly_a_rectangle * box.area()) return format_size(box.width(), box.height(), units);
    const Point most = good_for(largest_rectangle(outline), units);
    return most.x <= 0 || most.y <= 0 ? "irregular" : "up to " + format_size(most.x, most.y, units);
}

} // namespace zesty
