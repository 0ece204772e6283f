#pragma once
// A picture somebody brought, with what has been read off it once.

#include "core/stash/palette.h"

#include <string>
#include <vector>

namespace zesty {

struct BroughtPicture {
    std::string name;  ///< file name without folders
    std::string bytes; ///< as they came
    std::vector<PaletteColour> palette;
    bool operator==(const BroughtPicture&) const = default;
};

} // namespace zesty
