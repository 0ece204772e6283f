#pragma once
// Shapes as rows of cells, rounded to the safe side: a piece owns every cell it touches, a sheet offers only
// cells that lie wholly inside it. Whatever fits as cells therefore fits as shapes.

#include "core/geometry/shapes.h"

#include <cstdint>
#include <vector>

namespace zesty {

/// Cells [from, to] of one row.
struct CellRun {
    int from = 0;
    int to = 0;
};

/// Cells a piece touches; cell (0, 0) has its corner at `origin`.
struct PieceRaster {
    Point origin; ///< of cell (0, 0), in the turned piece's own coordinates
    int columns = 0;
    int rows = 0;
    std::vector<std::vector<CellRun>> runs; ///< per row, disjoint, ascending
    std::size_t cells = 0;
};

/// `origin` must not lie right of or below the polygon's box corner.
PieceRaster rasterize(const Polygon& polygon, Point origin, double cell);
/// Of several polygons, which may overlap.
PieceRaster rasterize(const Region& polygons, Point origin, double cell);

/// The blocked cells of a sheet, ready to be asked where a piece fits.
class SheetRaster {
public:
    SheetRaster(const Polygon& sheet, double cell);

    int columns() const { return columns_; }
    int rows() const { return rows_; }
    Point origin() const { return origin_; }
    double cell() const { return cell_; }

    /// The first free place in row y at or right of a column where the piece fits, or -1.
    int first_fit(const PieceRaster& piece, int y, int from_column = 0) const;
    bool free(int x, int y) const { return ((row(0, y)[x / 64] >> (x % 64)) & 1) == 0; }
    /// Blocks the cells of a piece whose cell (0, 0) lies on (x, y); parts beyond the sheet are ignored.
    void block(const PieceRaster& piece, int x, int y);

private:
    using Word = std::uint64_t;
    static constexpr int levels = 10;
    Word* row(int level, int y) { return &bits_[(static_cast<std::size_t>(level) * rows_ + y) * words_]; }
    const Word* row(int level, int y) const {
        return &bits_[(static_cast<std::size_t>(level) * rows_ + y) * words_];
    }
    void set_run(int y, int from, int to);
    void refresh(int y);

    Point origin_;
    double cell_;
    int columns_ = 0;
    int rows_ = 0;
    int words_ = 0;
    /// Level k of a row: bit x is set when any of the cells x .. x + 2^k - 1 is blocked.
    std::vector<Word> bits_;
};

} // namespace zesty
