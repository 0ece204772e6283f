#pragma once
// A picture somebody brought, with what has been read off it once.

#include "core/stash/palette.h"

#include <string>
#include <vector>

namespace zesty {

inline constexpr int picture_cells = 32; ///< in a row of BroughtPicture::cells

struct BroughtPicture {
    std::string name;  ///< file name without folders
    std::string bytes; ///< as they came
    std::vector<PaletteColour> palette;
    /// What it shows in 32 by 32 cells, row by row.
    std::vector<Rgb> cells = {};
    int width = 0; ///< pixels, the right way up
    int height = 0;
    std::string taken = {}; ///< the day, as 2026-05-17, where the file says so
    bool operator==(const BroughtPicture&) const = default;
};

} // namespace zesty
