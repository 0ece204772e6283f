#pragma once
// Everything on the page that can be backed, one by one: whole openings, parts of divided ones, pieces that
// are cut from papers of their own, and parts of the bare base.

#include "core/sections/decisions.h"
#include "core/setout/compose.h"

namespace zesty {

/// Where two parts of one opening meet without a bar.
struct Seam {
    int a = 0; ///< openings of Spots::cut, a lies lower
    int b = 0;
    Point at; ///< a point of it, in the coordinates of the cut
};

struct Spots {
    /// The composition's cut with the first part of every divided opening in its place, then the other parts,
    /// the pieces, and the parts of the base (which have piece -1). Shared with the composition when nothing
    /// is divided.
    std::shared_ptr<const CutFile> cut;
    std::vector<Spot> names;         ///< by opening
    std::vector<int> cut_of_opening; ///< into SetOutDecisions::cuts; -1 for the base
    std::vector<int> whole;          ///< by opening: its opening in the composition; -1 for pieces and base
    std::vector<std::vector<Region>> cells; ///< by whole opening: its division in the cut's coordinates
    std::vector<std::size_t> cell;          ///< by opening: which of the cells of its whole
    std::vector<Region> base_cells;         ///< of the divided base, in the cut's coordinates
    std::vector<Seam> seams;

    bool is_part(int opening) const { return whole[opening] >= 0 && !cells[whole[opening]].empty(); }
    bool is_base(int opening) const { return cut_of_opening[opening] < 0; }
};

Result<Spots> spots_of(const Composition& composed, const SetOutDecisions& page,
                       const SectionDecisions& decided);
/// Whole openings only; names and cuts by opening.
Spots undivided(std::shared_ptr<const CutFile> cut, std::vector<Spot> names, std::vector<int> cut_of_opening);

} // namespace zesty
