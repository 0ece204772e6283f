#pragma once
// What follows from laying the patches on sheets.

#include "core/geometry/shapes.h"

#include <string>
#include <vector>

namespace zesty {

/// Where a patch is cut: turned by rotation_deg about the page's origin, then moved by `shift`.
struct PlacedPatch {
    int sheet = -1; ///< into PaperFacts::sheets; -1 when it has no place
    double rotation_deg = 0;
    Point shift;
    bool mirrored =
        false; ///< left to right before it is turned: cut with side B up, sheets being seen from A

    Transform to_sheet() const {
        const Transform placed = Transform::moved(shift.x, shift.y) * Transform::turned_deg(rotation_deg);
        return mirrored ? placed * Transform::mirrored_x() : placed;
    }
};

/// Where there is room for a wanted piece.
struct ReservedRoom {
    int wanted = 0; ///< into SheetDecisions::reserved
    int sheet = 0;  ///< into PaperFacts::sheets
    Polygon on_sheet;
    std::string page; ///< that wants it; empty for a size to keep whole
};

struct UsedSheet {
    int sheet = 0; ///< into PaperFacts::sheets
    std::vector<int> patches;
    Region leftovers; ///< what is worth keeping, largest first
    Box largest_left; ///< the largest upright rectangle in them; empty without any
    double used_area = 0;
};

/// A patch that gets no paper, and why.
struct ShortPatch {
    int section = 0;
    int patch = 0;
    std::string reason;
};

struct SheetFacts {
    std::vector<PlacedPatch>
        had; ///< by patch: where those lie that have been cut already; sheet -1 for others
    std::vector<PlacedPatch> placed; ///< by patch
    std::vector<UsedSheet> used;
    std::vector<ReservedRoom> room; ///< for wanted pieces of papers that this page uses
    std::vector<int> without_room;  ///< into SheetDecisions::reserved: those of such papers that find none
    std::vector<ShortPatch> short_patches;
    bool done = false; ///< false while the patches have not been laid on sheets yet
};

} // namespace zesty
