#pragma once
// Page, base and frame as the command line asks for them.

#include "cli/set_out_args.h"
#include "core/project/project.h"
#include "core/result.h"

namespace zesty::cli {

Result<void> edit_page(const SetOutArgs& args, Project& project);

} // namespace zesty::cli
