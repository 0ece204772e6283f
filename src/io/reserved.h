#pragma once
// What other pages have reserved of the papers of a stash.

#include "core/stash/reserved_piece.h"

#include <map>
#include <string>
#include <vector>

namespace zesty {

struct Reserved {
    std::map<std::string, double> areas; ///< mm2 by paper
    std::vector<ReservedPiece> pieces;
};

} // namespace zesty
