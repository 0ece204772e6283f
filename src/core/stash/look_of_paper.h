#pragma once
// What kind of paper a picture shows: always a suggestion, never the last word.

#include "core/stash/palette.h"
#include "core/stash/stash.h"

#include <optional>

namespace zesty {

struct LookOfPaper {
    Pattern pattern = Pattern::Solid;
    Direction direction = Direction::Free;
    Rgb colour; ///< the mean
    std::vector<PaletteColour> palette;
    /// Of stripes: the way they run, from 0 up to 180, clockwise from the right.
    std::optional<double> stripes_deg;
    /// Of an ombre: the way it gets darker, from 0 up to 360, clockwise from the right.
    std::optional<double> ombre_deg;
    /// Length after which a pattern begins anew; across the stripes of a striped paper. Nothing where none
    /// was found.
    std::optional<double> repeat;
};

/// The picture must show the paper alone, edge to edge.
///
/// Ombre: a plane fitted to the lightness explains nearly all that varies. Stripes: the mean along one
/// direction does (found by the structure tensor: J. Bigun and G. Granlund, "Optimal orientation detection of
/// linear symmetry", ICCV 1987). Repeats: the first peak of the autocorrelation. What is neither plain nor
/// repeats is a picture.
LookOfPaper look_of(const Pixels& pixels);

} // namespace zesty
