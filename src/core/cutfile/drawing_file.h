#pragma once
// A drawing together with the file it came from, so that a project holds all it needs.

#include "core/cutfile/drawing.h"

#include <string>

namespace zesty {

struct DrawingFile {
    std::string name;  ///< file name without folders
    std::string bytes; ///< as read
    Drawing drawing;   ///< what they say
    bool operator==(const DrawingFile& o) const { return name == o.name && bytes == o.bytes; }
};

} // namespace zesty
