#pragma once
// How rectangles come off a sheet with a paper trimmer: cuts from edge to edge, one after the other.
// Millimetres on the sheet.
//
// Of all first cuts that part the rectangles without running through one, the one is taken that leaves the
// largest whole rectangle of paper that nothing is wanted of; then the parts are cut the same way.

#include "core/geometry/shapes.h"

#include <vector>

namespace zesty {

struct TrimCut {
    Box paper;          ///< what lies in the trimmer
    bool across = true; ///< the cut runs level; otherwise from top to bottom
    double at = 0;      ///< from the upper or left edge of that paper: what the trimmer is set to
    bool waste = false; ///< what comes off on the near side is nothing that is wanted
};

struct TrimPlan {
    std::vector<TrimCut> cuts;
    std::vector<int> by_knife; ///< rectangles that no cut from edge to edge parts from the others
    Box largest_left;          ///< of what nothing is wanted of; empty for none
};

/// The rectangles lie in the sheet and do not meet. One that is the whole paper needs no cut.
TrimPlan trim_plan(const Box& sheet, const std::vector<Box>& wanted);

} // namespace zesty
