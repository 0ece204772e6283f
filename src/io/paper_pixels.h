#pragma once
// The picture of a paper as pixels of their real size.

#include "core/result.h"
#include "core/stash/stash.h"

namespace zesty {

/// Of side A; an error of kind NothingToDo for a paper without a picture.
Result<Pixels> pixels_of_paper(const Stash& stash, const Paper& paper);

} // namespace zesty
