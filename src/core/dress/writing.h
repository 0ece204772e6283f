#pragma once
// Lines for journaling, and what fits on them.

#include "core/dress/decisions.h"
#include "core/dress/facts.h"
#include "core/setout/decisions.h"

namespace zesty {

/// The lines without text. Straight ones stand a fifth of the line height above the foot of their strip;
/// those of an arc lie one line height apart, the outermost first, and none is shorter than its radius
/// allows.
std::vector<WritingLine> lines_of(const Writing& writing);

/// What it covers: the rectangle, or the band; of what is on the back nothing.
Polygon outline_of(const Writing& writing);

/// Where it is on the page: one that belongs to a photo lies as that does. One whose photo is gone lies where
/// its own numbers say.
Writing on_page(const Writing& writing, const SetOutDecisions& page);
/// The same place as part of a photo, which gets an id where it has none; by itself for a photo of -1.
Writing belonging_to(const Writing& writing, SetOutDecisions& page, int photo);

/// The date of the page, in the lower right corner of its first page.
Writing date_writing(const SetOutDecisions& page);

/// Moved on the page.
Writing moved_writing(const Writing& writing, const SetOutDecisions& page, Point by);

/// The text on its lines as a person copies it: words are not broken, a word that is longer than a line goes
/// on the next that holds it. `letter_width` as DressDecisions has it.
WritingFacts written(const Writing& writing, double letter_width);

} // namespace zesty
