#pragma once
// Copies of a cut in order, as the command line asks for them.

#include "cli/set_out_args.h"
#include "core/project/planner.h"

namespace zesty::cli {

inline bool wants_copies_in_order(const SetOutArgs& args) {
    return !args.ring.empty() || !args.row.empty();
}

/// Pieces or layers of the cut become one of their own.
Result<void> part_off_typed(const SetOutArgs& args, Project& project, Planner& planner, int cut);
/// `cut`: into the page's cuts.
Result<void> copy_in_order(const SetOutArgs& args, Project& project, Planner& planner, int cut);

} // namespace zesty::cli
