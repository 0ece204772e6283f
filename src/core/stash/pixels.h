#pragma once
// A picture of a paper as the core looks at it: rows of pixels with their real size.

#include "core/stash/colour.h"

#include <vector>

namespace zesty {

struct Pixels {
    int width = 0;
    int height = 0;
    double mm_per_pixel = 1;
    std::vector<Rgb> at; ///< row by row from the top, width * height

    Rgb operator()(int x, int y) const { return at[static_cast<std::size_t>(y) * width + x]; }
};

/// As many pixels across as asked for at most, each the mean of those it takes the place of.
Pixels coarser(const Pixels& pixels, int most_across);
/// A part of the picture, as far as there is one.
Pixels part(const Pixels& pixels, int x, int y, int width, int height);

} // namespace zesty
