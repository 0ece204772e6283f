#pragma once
// Why a section has its paper, and what else it could have.

#include "core/match/cost.h"

namespace zesty {

struct Alternative {
    int face = 0;
    double worse = 0;            ///< than what there is, as a cost of the whole page; below 0 for better
    bool room = false;           ///< it fits on the sheets with everything already on them
    bool never = false;          ///< ruled out by hand
    std::vector<CostTerm> terms; ///< what speaks against it there
};

struct Choices {
    std::vector<CostTerm> terms;     ///< what speaks against the paper it has; empty without one
    std::vector<Alternative> others; ///< those with room first, the best first
};

/// `papers` by section, as in Assignment. `capacity` must be in use for the same stash and patches.
Choices choices_for(const MatchJob& job, Capacity& capacity, const std::vector<int>& papers, int section,
                    const StopToken& stop = {});

} // namespace zesty
