#pragma once
// What is to be seen on a motif that has been cut out of a paper.

#include "core/stash/fussy_cut.h"
#include "io/paint/textures.h"

namespace zesty {

/// with_motif_cut_out() of core, and the embellishment shows what the paper's picture shows there. `textures`
/// are of a project with that stash. Errors as there.
Result<Stash> with_motif_cut_out_and_shown(Stash stash, std::size_t paper, std::size_t motif,
                                           const Textures& textures);

} // namespace zesty
