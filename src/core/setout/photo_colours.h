#pragma once
// The colours of a photo that count for its papers.

#include "core/geometry/shapes.h"
#include "core/setout/photo.h"

namespace zesty {

struct PhotoColours {
    /// From 2 % of what shows of it, largest share first: protected parts count three times, what another
    /// photo, a cut or its papers hide not at all. Empty without a picture.
    std::vector<PaletteColour> palette;
    std::vector<PaletteColour> edge; ///< along its rim
    bool operator==(const PhotoColours&) const = default;
};

/// Photos lie in that order, those on top of every cut above the others.
struct PhotosSeen {
    std::vector<Photo> photos;
    std::vector<Polygon> over_those_behind = {}; ///< what lies over photos that are not on top, on the page
    bool operator==(const PhotosSeen&) const = default;
};

/// By photo.
std::vector<PhotoColours> photo_colours(const PhotosSeen& seen);

} // namespace zesty
