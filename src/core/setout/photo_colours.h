#pragma once
// The colours of a photo that count for its papers.

#include "core/setout/photo.h"

namespace zesty {

struct PhotoColours {
    /// From 2 % of what shows of it, largest share first: protected parts count three times, what another
    /// photo hides not at all. Empty without a picture.
    std::vector<PaletteColour> palette;
    std::vector<PaletteColour> edge; ///< along its rim
    bool operator==(const PhotoColours&) const = default;
};

/// By photo; they lie in that order, those on top of every cut above the others.
std::vector<PhotoColours> photo_colours(const std::vector<Photo>& photos);

} // namespace zesty
