#pragma once
// Taking paper and things for a page out of a stash that others use at the same time, and giving them back:
// all of it or nothing, so that neither is made out of nothing nor lost.

#include "core/result.h"
#include "core/stash/stash.h"

namespace zesty {

/// carried_over(before, after, now), where everything that goes is there. An error of kind ChangedOutside
/// names what is not; a paper that is not known there at all comes back with the change.
Result<Stash> taken_over(const Stash& before, const Stash& after, const Stash& now);

} // namespace zesty
