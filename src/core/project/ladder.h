#pragma once
// What a row of sizes does to a cut: where bars get too thin, openings too small, paper and time run away.

#include "core/cutfile/cut_file.h"
#include "core/sections/backing.h"

namespace zesty {

/// Across its largest circle: nobody backs a smaller opening.
inline constexpr double too_small_to_back = 4;

struct Rung {
    double size = 0; ///< longer side of the upright cut, mm
    double thinnest_bar = 0;
    double smallest_opening = 0; ///< across
    int too_small = 0;           ///< openings under too_small_to_back
    double patch_area = 0;       ///< mm2 of paper, openings that are too small left out
    double cutting = 0;          ///< minutes
    double backing = 0;          ///< minutes
};

/// `count` sizes from `least` to `greatest`, evenly spaced; every rung is measured on its own patches.
/// `wishes` by opening. Told to stop, it gives the rungs so far.
std::vector<Rung> size_ladder(const std::shared_ptr<const CutFile>& cut,
                              const std::vector<BackingWish>& wishes, const BackingRules& rules,
                              const Pace& pace, double least, double greatest, int count,
                              const StopToken& stop);

} // namespace zesty
