#pragma once
// A piece as it lies on its sheet, ready to be measured exactly against others. Millimetres on the sheet.

#include "core/geometry/boolean.h"
#include "core/sheets/bit_raster.h"
#include "core/sheets/nest.h"

#include <set>

namespace zesty {

class Laid {
public:
    Laid(const NestPiece& piece, const NestPlacement& placement);

    int piece() const { return piece_; }
    const Box& box() const { return box_; }
    /// No further out of the sheet than rounding explains.
    bool inside(const Polygon& sheet) const;
    /// Closer to the other piece than `gap`, or over it.
    bool too_close(const Laid& other, double gap) const;

private:
    int piece_;
    Region outlines_;
    Box box_;
    std::vector<MeasuredRing> rings_;
};

/// Whether the placement is one that the piece allows: its sheet, turn, pin and band.
bool allowed(const NestPiece& piece, const NestPlacement& placement);

/// Sheets in the order in which they are to be filled: those of a lower rank first.
std::vector<int> sheets_by_rank(const NestJob& job);

/// The pieces that have pins, in their order, each at the first of its pins that keeps the gap to those
/// before it and lies inside its sheet. Pieces that find none are left out.
std::vector<NestPlacement> lay_pinned(const NestJob& job);

/// All outlines of a piece.
Region outlines_of(const NestPiece& piece);
/// Grown by the gap.
Region with_gap(const Region& outlines, double gap);
/// Takes the place of a piece and its gap out of a sheet.
void block_placed(SheetRaster& sheet, const NestPiece& piece, const NestPlacement& at, double gap);

std::set<int> sheets_in_use(const NestResult& result);
void sort_by_piece(std::vector<NestPlacement>& placements);

} // namespace zesty
