#pragma once
// A drawing whose paper and openings are the other way round.

#include "core/cutfile/drawing.h"
#include "core/result.h"

namespace zesty {

/// What was open is paper, within the drawing's own rectangle, and what was paper is open. An error of kind
/// NothingToDo where nothing would be left.
Result<Drawing> negative_of(const Drawing& drawing);

} // namespace zesty
