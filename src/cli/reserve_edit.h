#pragma once
// What `zesty papers` is told about room on the sheets for later.

#include "cli/papers_args.h"
#include "core/project/project.h"

namespace zesty::cli {

/// Changes the project as told; nothing of it counts when there is an error, which names the option.
Result<void> edit_reserved(const PapersArgs& args, Project& project);

/// What a page takes, when it is planned as it is decided.
Result<std::vector<ReservedPiece>> taken_by(const std::string& file);

} // namespace zesty::cli
