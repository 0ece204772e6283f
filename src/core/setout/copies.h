#pragma once
// Equal copies of a cut in order: round a circle, in a row, or one more beside it. Page millimetres; degrees
// clockwise, from straight up.

#include "core/result.h"
#include "core/setout/set_out.h"

#include <vector>

namespace zesty {

/// Copies round a circle, their middles on it.
struct CopyRing {
    int count = 6; ///< with the cut itself
    double radius = 80;
    double first_deg = 0;   ///< where the first one stands
    bool facing_out = true; ///< turned with their place; otherwise all lie as the cut does now
    bool mirrored = false;  ///< every second one
    Point centre;
};

/// Copies side by side, or below each other.
struct CopyRow {
    int count = 3;   ///< with the cut itself
    double step = 0; ///< from middle to middle
    bool down = false;
    double stagger = 0;    ///< by how much every second one is moved across the row
    bool mirrored = false; ///< every second one
};
inline constexpr Limits copies_limits{2, 60};
inline constexpr Limits copy_step_limits{1, 3000};
inline constexpr Limits stagger_limits{-3000, 3000};

/// The cut that is copied, as it lies.
struct CopiedCut {
    const CutFile& cut;
    const CutFile* sized_by = nullptr; ///< as CutOnPage has it
    CutPlacement place;
};

/// A place for every copy, that of the cut itself first; all have its size. An error of kind NothingToDo
/// where one would hang off the page says the largest radius that fits.
Result<std::vector<CutPlacement>> in_ring(const CopiedCut& of, const Page& page, const CopyRing& ring,
                                          Units units);
/// The same for a row. It begins where the cut lies and moves as a whole to stay on the page; the error says
/// the largest step that fits.
Result<std::vector<CutPlacement>> in_row(const CopiedCut& of, const Page& page, const CopyRow& row,
                                         Units units);

/// By how much one more copy moves from where the cut lies (`of`, its box on the page): beside it where
/// there is room, else on the other page of a spread, else wherever no box of `taken` lies, else as near
/// beside it as the page allows. Never off a page that it fits on.
Point beside_on_page(const Page& page, const std::vector<Box>& taken, const Box& of, double gap);

} // namespace zesty
