#pragma once
// The few colours a paper is made of.

#include "core/stash/pixels.h"

namespace zesty {

struct PaletteColour {
    Rgb colour;
    double share = 0; ///< of the picture
    bool operator==(const PaletteColour&) const = default;
};

/// What two colours become together, by their shares.
Rgb mixed(const PaletteColour& a, const PaletteColour& b);

/// Up to `most` colours, the largest share first; colours that look alike (delta E 2000 below 5) are one.
/// Found by libimagequant. Empty for a picture without pixels.
std::vector<PaletteColour> palette_of(const Pixels& pixels, int most = 6);

} // namespace zesty
