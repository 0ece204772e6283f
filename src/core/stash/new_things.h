#pragma once
// Embellishments and letter sets as they are entered.

#include "core/geometry/shapes.h"
#include "core/stash/embellishment.h"
#include "core/stash/letter_set.h"

#include <functional>

namespace zesty {

/// Of a size alone: round things are circles or ellipses, the others rectangles.
Polygon outline_of_size(EmbellishmentKind kind, double width, double height);

/// Moved so that the middle of its box is the origin.
Polygon about_its_middle(const Polygon& outline);

/// Letters as they stand on a sheet, "AABC" for two As: counted. `width_of` says how wide one is at that
/// height. Ready-made words are separated by spaces.
LetterSet letter_set_of(const std::string& id, LetterKind kind, double height, const std::string& letters,
                        const std::function<double(const std::string& letter)>& width_of);
/// The other way round: what of a set is there, as it would be entered.
std::string letters_entered(const LetterSet& set);

} // namespace zesty
