#pragma once
// Embellishments and letters of the stash from the command line.

#include "cli/stash_add.h"

#include <CLI/CLI.hpp>

namespace zesty::cli {

/// Whether the options say something of them.
bool changes_things(const StashArgs& args);
/// The stash with what is typed: new, or changed where it is known.
Result<Stash> with_things(const StashArgs& args, Stash now);
/// One line for each.
void list_things(const Stash& stash);

void add_thing_options(CLI::App& command, StashArgs& args);

} // namespace zesty::cli
