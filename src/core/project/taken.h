#pragma once
// What of a page has been cut already, within its plan: the sheets it was cut from are in the stash no more.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// Adds those sheets to the plan's, behind all others and with no area left to cut from, and notes which
/// patches lie on them. One whose opening, paper or shape is another now counts as not cut. The plan must
/// have its patches and papers of sections.
void note_taken(const Project& project, Plan& plan);

/// Whether a patch that was cut is this one of the plan.
bool is_the_patch(const Project& project, const Plan& plan, const TakenSheet& sheet, const TakenPatch& taken,
                  int patch);

/// By piece of the plan's dress pieces: where those lie that have been cut. Sheets as plans call them.
std::vector<std::pair<std::string, Polygon>> taken_dress_pieces(const Project& project,
                                                                const std::vector<DressPiece>& pieces);

} // namespace zesty
