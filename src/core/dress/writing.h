#pragma once
// Lines for journaling, and what fits on them.

#include "core/dress/decisions.h"
#include "core/dress/facts.h"

namespace zesty {

/// The lines without text. Straight ones stand a fifth of the line height above the foot of their strip;
/// those of an arc lie one line height apart, the outermost first, and none is shorter than its radius
/// allows.
std::vector<WritingLine> lines_of(const Writing& writing);

/// What it covers: the rectangle, or the band; of what is on the back nothing.
Polygon outline_of(const Writing& writing);

/// The text on its lines as a person copies it: words are not broken, a word that is longer than a line goes
/// on the next that holds it. `letter_width` as DressDecisions has it.
WritingFacts written(const Writing& writing, double letter_width);

} // namespace zesty
