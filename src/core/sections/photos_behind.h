#pragma once
// Photos that slide behind a cut, seen through its openings. Page millimetres.

#include "core/finding.h"
#include "core/sections/facts.h"
#include "core/sections/spots.h"

namespace zesty {

/// From this share on an opening shows the photo, and paper in it would hide that: it gets no patch.
inline constexpr double shows_photo_from = 0.95;
/// Up to this share a photo is not seen for a mistake.
inline constexpr double hardly_shows_to = 0.05;

/// By opening of `spots.cut`. Photos on top, and those above a cut that lies below photos, are not behind it.
Result<std::vector<PhotoBehind>> photos_behind(const SetOutDecisions& page, const Composition& composed,
                                               const Spots& spots);

/// Where the photo's middle goes so that the opening shows it whole, or nothing of it, with the least way and
/// without more openings that show it in part; nothing where 2 in do not suffice.
std::optional<Point> smallest_move(const SetOutDecisions& page, const SectionFacts& facts,
                                   const SetOut& set_out, int photo, int opening);

/// Openings that show a photo in part, papers that hide a protected part, and photos that cover what must be
/// seen.
std::vector<Finding> photo_behind_findings(const SetOutDecisions& page, const SectionFacts& facts,
                                           const SetOut& set_out, Units units);

/// What lies over the photos that slide behind cuts, on the page: pieces of the cuts that are above photos,
/// and the openings that their papers close. Vellum hides nothing.
std::vector<Polygon> over_photos_behind(const SetOutDecisions& page, const SectionFacts& facts,
                                        const SetOut& set_out);

} // namespace zesty
