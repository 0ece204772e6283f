#pragma once
// What is seen under something that is laid on the page.

#include "core/dress/pile.h"

namespace zesty {

inline constexpr Rgb bare_base{0xf4, 0xf4, 0xf2}; ///< cardstock nobody has named

struct Ground {
    Rgb colour;
    double area = 0;
    bool of_photo = false;
};

/// The colours under a region of the page, below a place in the pile (its size for on top of everything), by
/// samples: of patterned papers every colour with a tenth of them and more, of a photo what it mostly is.
std::vector<Ground> grounds_under(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t below,
                                  const Region& region);

} // namespace zesty
