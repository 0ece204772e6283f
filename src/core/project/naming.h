#pragma once
// Everything in a project's decisions that names a spot, visited in one place: whatever is removed, divided,
// copied or mirrored leaves nothing behind.

#include "core/project/project.h"

#include <functional>

namespace zesty {

/// What a spot is called from now on; nothing where it is no more.
using NewName = std::function<std::optional<Spot>(Spot, Named as)>;

/// Renames every spot in the decisions of all stages. A section that loses its lowest opening goes on with
/// what is left of it, and so does what follows it; groups of one are taken apart.
void rename_spots(Project& project, const NewName& new_name);

/// Decides for a copied cut what is decided for the original: divisions, bars, groups, treatments and papers;
/// mirrored where the copy faces it. Pins stay with the original, as two patches cannot lie in one place.
void copy_decisions(Project& project, int from_cut, int to_cut, bool mirrored);

} // namespace zesty
