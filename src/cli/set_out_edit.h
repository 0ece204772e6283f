#pragma once
// What the options of `zesty set-out` change.

#include "cli/set_out_args.h"
#include "core/project/planner.h"

namespace zesty::cli {

/// Which cut the options were for, as an index into the page's cuts; -1 without cuts.
Result<int> edit_set_out(const SetOutArgs& args, Project& project, Planner& planner);

} // namespace zesty::cli
