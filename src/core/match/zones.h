#pragma once
// Zones of the page when colours drift: sections that lie close together have one tone between them, so that
// a group is not sprinkled with two because the line between them runs through it.

#include "core/match/match.h"

namespace zesty {

/// Of the way from light to dark, that one zone covers at most.
inline constexpr double widest_zone = 0.15;

/// By section: the number of its zone, from 0 on in the order of sections. Neighbours join, nearest tone
/// first and then the narrowest bar, as long as the tones of their places (MatchSection::place_tone) lie
/// within the widest zone. Sections without paper are in a zone of their own.
std::vector<int> drift_zones(const std::vector<MatchSection>& sections,
                             const std::vector<Neighbours>& neighbours);

} // namespace zesty
