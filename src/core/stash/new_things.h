#pragma once
// Embellishments and letter sets as they are entered.

#include "core/geometry/shapes.h"
#include "core/stash/embellishment.h"
#include "core/stash/letter_set.h"

#include <functional>
#include <vector>

namespace zesty {

/// Of a size alone: round things are circles or ellipses, the others rectangles.
Polygon outline_of_size(EmbellishmentKind kind, double width, double height);

/// Moved so that the middle of its box is the origin.
Polygon about_its_middle(const Polygon& outline);

/// Puts it among the others, counted together with an alike one if there is one: of the same colour, and of
/// the same outline within 0.01 mm. False where there are as many as there may be.
bool add_or_count(std::vector<Embellishment>& all, Embellishment fresh);

/// Letters as they stand on a sheet, "AABC" for two As: counted. `width_of` says how wide one is at that
/// height. Ready-made words are separated by spaces.
LetterSet letter_set_of(const std::string& id, LetterKind kind, double height, const std::string& letters,
                        const std::function<double(const std::string& letter)>& width_of);
/// The other way round: what of a set is there, as it would be entered.
std::string letters_entered(const LetterSet& set);

} // namespace zesty
