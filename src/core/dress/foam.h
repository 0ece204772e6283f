#pragma once
// Where foam hides behind what is raised. Page millimetres.

#include "core/dress/tucked.h"

namespace zesty {

inline constexpr double usual_pad = 12; ///< mm square
inline constexpr double small_pad = 6;
inline constexpr double smallest_pad = 3; ///< cut from a small one

struct FoamPlaces {
    std::vector<FoamStrip> strips; ///< without thickness yet
    std::vector<FoamPad> pads;
};

/// Strips along bars that are wide enough, pads behind backed openings whose bars are not, or that are large;
/// none in shakers, behind see-through parts, on the way of what is tucked, or under openings too small for
/// a pad.
FoamPlaces foam_behind_cut(const DressNow& now, const TuckZones& zones, int cut);

/// Strips set back from the edge and pads in the middle of what is large; one pad behind what is too narrow
/// for strips.
FoamPlaces foam_behind(const DressNow& now, const Region& outline);

} // namespace zesty
