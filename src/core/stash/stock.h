#pragma once
// How many sheets there are, and what has been cut off them.

#include "core/stash/stash.h"

namespace zesty {

/// Of all sizes, scraps among them.
int sheet_count(const Paper& paper);

/// Whether they count as the same: of one outline and as clean.
bool same_sheets(const SheetStock& a, const SheetStock& b);

/// So many more of these sheets, or fewer; false, and nothing changed, where there are not so many.
bool change_count(Paper& paper, const SheetStock& sheet, int by);

/// What is left of a sheet of that size when strips have been cut off it, and out of its lower right corner a
/// piece of the size `corner`, which leaves an L. Nothing where nothing is left. Millimetres.
struct Trimmed {
    double left = 0;
    double top = 0;
    double right = 0;
    double bottom = 0;
};
std::optional<Polygon> trimmed_sheet(Point size, const Trimmed& off, Point corner = {});

} // namespace zesty
