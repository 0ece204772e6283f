#pragma once
// How large an opening a pattern asks for.

#include "core/geometry/lengths.h"
#include "core/stash/stash.h"

namespace zesty {

/// Radius of the largest circle an opening should offer for the pattern to be seen, mm: read off its picture
/// (core/stash/variation.h); without one half of what it repeats after, or what is usual for its kind. 0 for
/// what has no pattern.
double pattern_room(const PaperFace& face);

/// "readable in openings from 3/4 in"; empty for what has no pattern.
std::string about_pattern(const PaperFace& face, Units units);

} // namespace zesty
