#pragma once
// What `zesty papers` is told to change, read and done.

#include "cli/papers_args.h"
#include "core/project/planner.h"

namespace zesty::cli {

/// Changes the project as told; nothing of it counts when there is an error, which names the option.
Result<void> edit_papers(const PapersArgs& args, Project& project, Planner& planner);

} // namespace zesty::cli
