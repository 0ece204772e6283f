#pragma once
// The smallest moves on the page after which no slivers are left and no protected part is covered.

#include "core/dress/nudge.h"
#include "core/project/ways_out.h"

namespace zesty {

/// The decision.
struct MoveOnPage {
    DressMove move;
    void operator()(Project& project) const;
    bool operator==(const MoveOnPage&) const = default;
};

struct Cure {
    Project project;               ///< with everything moved
    std::vector<DressMove> moves;  ///< in the order in which they were found, one for each thing
    std::size_t faults_before = 0; ///< slivers and covered parts
    std::size_t faults_left = 0;
    bool looked_everywhere = true; ///< false where it would have taken too long; more may be found from here
};

/// Moves one thing after the other, each as little as cures all that it has to do with, until nothing is left
/// or no small move helps. Never gives cause for findings that were not there before. `shapes` plans a
/// project without its sheets. An error of kind NothingToDo where nothing is to be cured, of kind Stopped
/// when told to stop.
Result<Cure> cure_coverage(const Project& project, const Shapes& shapes, const StopToken& stop = {},
                           const Progress& progress = {});

/// Puts the move of the first thing that slivers come of, where a small one helps, beside their findings.
void offer_small_moves(const Project& project, Plan& plan);

} // namespace zesty
