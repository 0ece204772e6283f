#pragma once
// A paper's name with the side that shows, which is left out where the paper has one side only.

#include "core/stash/stash.h"

namespace zesty {

/// "Gull, side B".
inline std::string name_and_side(const Paper& paper, Side side) {
    return paper.back ? paper.name + ", side " + name_of(side) : paper.name;
}

/// "Gull B".
inline std::string brief_name_and_side(const Paper& paper, Side side) {
    return paper.back ? paper.name + " " + name_of(side) : paper.name;
}

} // namespace zesty
