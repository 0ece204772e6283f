#pragma once
// Sections that are seen close together without sharing a bar: those of two cuts, and pieces cut from paper
// beside the openings they lie in.

#include "core/sections/sections.h"

namespace zesty {

/// Pairs within the neighbour limit on the page that are not neighbours by a bar, of different cuts or with a
/// piece among them.
std::vector<Neighbours> near_by_sight(const std::vector<Section>& sections, const CutFile& cut,
                                      const std::vector<Spot>& spots, const std::vector<Neighbours>& by_bar,
                                      const Transform& to_page);

} // namespace zesty
