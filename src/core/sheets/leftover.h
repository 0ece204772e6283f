#pragma once
// How useful a leftover is.

#include "core/geometry/lengths.h"
#include "core/geometry/shapes.h"
#include "core/sheets/bit_raster.h"

namespace zesty {

/// Free cells from (column, row).
struct CellBox {
    int column = 0, row = 0, columns = 0, rows = 0;
    double cells() const { return static_cast<double>(columns) * rows; }
};

/// The largest upright rectangle of cells that nothing blocks; no cells when all are.
CellBox largest_free(const SheetRaster& sheet);
/// Millimetres on the sheet; empty when there are no cells.
Box box_of(const SheetRaster& sheet, const CellBox& cells);

/// The largest upright rectangle in the polygon, found on a raster and therefore up to two cells smaller than
/// the very largest; empty when there is none. `cell` in mm.
Box largest_rectangle(const Polygon& polygon, double cell = 1);

/// How large a sheet is, in words: "12 x 12 in"; of one that is no rectangle the largest in it, "up to 3 x 12
/// in".
std::string size_of_sheet(const Polygon& outline, Units units);

/// What a rectangle is good for, as one would note it down: rounded down to 1/8 in or 5 mm.
Point good_for(const Box& rectangle, Units units);

} // namespace zesty
