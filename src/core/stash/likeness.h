#pragma once
// How much two papers look alike: by all their colours, and by how fine what is printed on them is.

#include "core/stash/stash.h"

namespace zesty {

/// The earth mover's distance between two palettes (Rubner, Tomasi and Guibas, The Earth Mover's Distance as
/// a Metric for Image Retrieval, 2000) with delta E 2000 as ground distance: what it takes, per share of the
/// picture, to turn the colours of one into those of the other. Shares are taken as parts of their sum.
/// Exact; 0 for the same colours, and about 10 where two papers look alike from a step away. Neither may be
/// empty.
double palette_distance(const std::vector<PaletteColour>& a, const std::vector<PaletteColour>& b);

/// The distance between the palettes, and what tells a fine pattern from a coarse one or from none: at most
/// `scale_tells` more.
double unlikeness(const PaperFace& a, const PaperFace& b);
/// The same where the distance between the palettes is known.
double unlikeness(const PaperFace& a, const PaperFace& b, double palettes);
inline constexpr double scale_tells = 6; ///< delta E 2000

} // namespace zesty
