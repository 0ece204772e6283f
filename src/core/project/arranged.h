#pragma once
// Whole pages on which photos and rooms have been arranged, and what comes of each.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/setout/arrange.h"

namespace zesty {

struct ArrangedPage {
    Project project;
    Arrangement arrangement;
    std::vector<int> hides; ///< openings of the plan that photos and rooms hide for good
    std::string in_words;   ///< "Covers 12 % of the cut and hides 3 openings; 4 x 5 in stay free."
};

struct ArrangedPages {
    std::vector<ArrangedPage> found; ///< best first
    std::string in_words;            ///< why there are none, or fewer than three; empty otherwise
};

/// Three ways that are really different where there are as many. Photos are laid upright, those without a
/// picture either way round; nothing but places of photos, rooms and, with `cuts_move`, of the cuts is
/// changed. An error of kind NothingToDo on a page without photos and rooms.
Result<ArrangedPages> arranged_pages(const Project& project, const Plan& plan, bool cuts_move,
                                     const StopToken& stop = {});

} // namespace zesty
