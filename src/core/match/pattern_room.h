#pragma once
// How large an opening a pattern asks for.

#include "core/stash/stash.h"

namespace zesty {

/// Radius of the largest circle an opening should offer for the pattern to be seen, mm: half of what it
/// repeats after, where that is known. 0 for what has no pattern.
double pattern_room(const PaperFace& face);

} // namespace zesty
