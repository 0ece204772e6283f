#pragma once
// A picture somebody brought, with what has been read off it once.

#include "core/stash/palette.h"

#include <memory>
#include <string>
#include <vector>

namespace zesty {

struct BroughtPicture {
    std::string name;  ///< file name without folders
    std::string bytes; ///< as they came
    std::vector<PaletteColour> palette;
    bool operator==(const BroughtPicture&) const = default;
};

/// A picture shared by copies; equal when its content is. Null for none.
struct SharedPicture {
    std::shared_ptr<const BroughtPicture> picture;
    bool operator==(const SharedPicture& o) const {
        return picture == o.picture || (picture && o.picture && *picture == *o.picture);
    }
    explicit operator bool() const { return picture != nullptr; }
    const BroughtPicture* operator->() const { return picture.get(); }
};

} // namespace zesty
