#pragma once
// What photos and the colours round them do to each other: papers, base, frame and cuts are judged alike.

#include "core/match/findings.h"

namespace zesty {

inline constexpr double picks_up_within = 15;  ///< delta E 2000 of an accent of the photo
inline constexpr double blends_in_within = 12; ///< delta E 2000 of a large colour of the photo

/// Something on the page with colours of its own.
struct Coloured {
    std::string name; ///< "Barley", "the base"
    std::vector<PaletteColour> palette;
    std::vector<int> openings; ///< where it is; empty for base, frame and cuts
    bool beside = false;       ///< of these openings some lie within 2 in of a photo; base and cuts always do
    bool frame = false;        ///< the frame of the page: round the base, not under all that lies on it
};

/// What is on the page, with the papers that sections have; without photo mats.
std::vector<Coloured> coloured_things(const PapersNow& now, const MatchJob& job);

/// One finding for each cause: blends in, the photo's edge vanishes, fights, nothing goes with it. What lies
/// round a photo on a whole, opaque photo mat is that mat, and what lies round the mat is judged against it.
std::vector<Finding> photo_colour_findings(const PapersNow& now, const MatchJob& job);

/// The photo's colours that something on the page picks up, in words, strongest first.
std::vector<std::string> picked_up(const PapersNow& now, const MatchJob& job);

} // namespace zesty
