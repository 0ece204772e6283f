#pragma once
// Patches for a whole page: each section by its treatment and method, bars shared as decided, parts of
// divided openings one tucked under the next.

#include "core/sections/patches.h"
#include "core/sections/spots.h"

namespace zesty {

/// Everything patches depend on besides the cut itself; equal wishes give equal patches.
struct BackingWish {
    bool backed = false;
    double lip = 0;
    BackingMethod method = BackingMethod::MachinePatches;
    int order = 0; ///< glued before higher ones; 0 for any
    bool punch_on_top = false;
    bool see_through = false; ///< what shares one sheet shares it with what is as much so
    bool operator==(const BackingWish&) const = default;
};

struct Backing {
    std::vector<Patch> patches;       ///< in order of openings
    std::vector<double> enlargements; ///< of the enlarged copies, as factors
    std::vector<int> without_patch; ///< openings of which nothing remains, such as inlays that are too narrow
};

/// `wishes` by opening of `spots.cut`; `whole` is the composition's cut, in the same coordinates. Every
/// patch's `section` is left 0.
///
/// `bars`: by openings of `whole`. Where they say overlap a patch runs on over the bar to the next opening,
/// but where one other already does so it gives way: nowhere do more than two lie on each other. Patch::order
/// is the order of gluing then.
Result<Backing> backing_of(const CutFile& whole, const Spots& spots, const std::vector<BackingWish>& wishes,
                           const BackingRules& rules, const SharedBars& bars, const Transform& to_page,
                           const Box& page);

/// Below this a lip gives glue no hold.
inline constexpr double least_lip = 0.8;
/// Inlays narrower than this are left out.
inline constexpr double least_inlay = 3;

} // namespace zesty
