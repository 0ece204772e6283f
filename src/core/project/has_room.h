#pragma once
// Which papers have room for a piece, on what is really left of them.

#include "core/project/plan.h"

namespace zesty {

/// What is left of every paper: whole sheets, and of those that a plan cuts into what it leaves; by paper.
std::vector<Region> left_of_papers(const Stash& stash, const std::vector<Sheet>& sheets,
                                   const SheetFacts& laid = {});

/// The turns on the sheet that a direction allows; none for any.
std::vector<double> turns_of(Direction way);

/// Those of `among` (indices into the stash) with room for a rectangle, either way round.
std::vector<int> with_room(const Stash& stash, const std::vector<Region>& left, Point size,
                           const std::vector<int>& among);
/// Those with room for a patch as it lies on the page, turned as the paper's direction allows.
std::vector<int> with_room(const Stash& stash, const std::vector<Region>& left, const Patch& patch,
                           const std::vector<int>& among);

} // namespace zesty
