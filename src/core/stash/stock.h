#pragma once
// How many sheets there are, and what has been cut off them.

#include "core/stash/stash.h"

namespace zesty {

/// Of all sizes, scraps among them.
int sheet_count(const Paper& paper);

/// Whether they count as the same: of one outline and as clean.
bool same_sheets(const SheetStock& a, const SheetStock& b);

/// Calls visit(id, index of the paper, kind of sheet) for every sheet, in the order and under the ids of
/// sheets_of().
template <class Visit> void each_sheet(const Stash& stash, Visit&& visit) {
    for (std::size_t p = 0; p < stash.papers.size(); ++p) {
        int number = 0;
        for (const SheetStock& s : stash.papers[p].sheets)
            for (int k = 0; k < s.count; ++k)
                visit(stash.papers[p].id + "#" + std::to_string(++number), static_cast<int>(p), s);
    }
}

/// What of a sheet is left without the paper's branding strip, which scraps have not.
Polygon without_strip(const SheetStock& sheet, double strip);

/// Of all its sheets, mm2.
double stock_area(const Paper& paper);
double stock_area(const Stash& stash); ///< the same of all papers

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
