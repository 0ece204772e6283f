#pragma once
// What the options of `zesty sections` change.

#include "cli/sections_args.h"
#include "core/project/planner.h"

namespace zesty::cli {

Result<void> edit_sections(const SectionsArgs& args, Project& project, Planner& planner);

} // namespace zesty::cli
