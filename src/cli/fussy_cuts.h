#pragma once
// zesty stash --fussy-cut and what goes with it.

#include "cli/stash_add.h"

namespace zesty::cli {

bool changes_fussy_cuts(const StashArgs& args);
/// The stash with motifs found, corrected, named, taken out of a sheet, or let go of.
Result<Stash> with_fussy_cuts(const StashArgs& args, const Stash& now);

} // namespace zesty::cli
