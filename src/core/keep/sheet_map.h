#pragma once
// Which sheet became what: of every sheet a page was cut from, what is on the page and what went back.

#include "core/keep/decisions.h"

namespace zesty {

struct MappedSheet {
    std::string id;
    std::string paper; ///< id
    Polygon outline;   ///< mm, as the patches were laid on it
    std::vector<Polygon> patches;
    std::vector<TakenPiece> pieces;
    std::vector<SheetStock> back; ///< scraps, at the place they had on the sheet
};

/// In the order in which they were taken. A scrap that went back belongs to the first sheet of its paper on
/// which it lies beside everything that was cut from it; one that lies on none is left out.
std::vector<MappedSheet> sheet_map(const KeepDecisions& kept);

} // namespace zesty
