#pragma once
// Journaling as it will look, in a hand that is as wide as the one decided, and its lines. The painter's unit
// is a millimetre of the page.

#include "core/dress/decisions.h"
#include "core/dress/facts.h"

#include <QPainter>

namespace zesty {

/// What is written; nothing of what is on the back.
void paint_writing(QPainter& painter, const Writing& writing, const WritingFacts& facts, double letter_width);
/// The lines to write on.
void paint_writing_lines(QPainter& painter, const WritingFacts& facts);

} // namespace zesty
