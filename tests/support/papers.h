#pragma once
// Pictures of papers with what is known about them.

#include "core/stash/look_of_paper.h"

#include <random>

namespace zesty::testing {

struct KnownPaper {
    Pixels pixels;
    Pattern pattern = Pattern::Solid;
    double stripes_deg = 0;
    double repeat = 0; ///< mm
    double ombre_deg = 0;
    std::vector<Rgb> colours;
};

/// With the grain of paper. Sheets are 150 to 305 mm wide, at 2 to 4 pixels to a millimetre.
KnownPaper solid_paper(std::mt19937& random);
KnownPaper striped_paper(std::mt19937& random);
/// Motifs on a grid; small or large by their repeat.
KnownPaper printed_paper(std::mt19937& random, bool large);
KnownPaper ombre_paper(std::mt19937& random);
/// Blobs of all sizes that nowhere repeat.
KnownPaper picture_paper(std::mt19937& random);

} // namespace zesty::testing
