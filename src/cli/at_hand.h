#pragma once
// The stash that commands about a page look into: the one that is always open, where there is one, or
// another for this run.

#include "core/project/project.h"
#include "core/result.h"

#include <CLI/CLI.hpp>
#include <QString>

namespace zesty::cli {

/// --stash FILE: another for this run; "none" for the papers of the page alone.
void add_stash_option(CLI::App& command);
/// The file of that stash; empty for none.
QString stash_file();
/// The page with the papers at hand: its own, and those of the stash.
Result<Project> at_hand(Project project);

} // namespace zesty::cli
