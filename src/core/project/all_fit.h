#pragma once
// Does it all fit? Photos, title, journaling, clusters and cuts as sizes only, before anything is placed.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/stop.h"

namespace zesty {

/// "4 photos of 4 x 6 in, title of 8 x 2 in and the cut of 11 in"; `cut`: its longer side, 0 for none.
std::string things_in_words(const Project& project, double cut);

struct AllFit {
    bool fits = false;   ///< nothing covers anything else, at the sizes there are
    double largest = 0;  ///< longer side of the largest cut that leaves room for the rest; 0 for none
    double too_much = 0; ///< mm2 of the cut that would have to go
    std::string page; ///< the smallest usual page, or spread, that holds all at these sizes; empty for none
    std::string in_words; ///< one or two sentences with the numbers
};

/// Photos stay upright; room for journaling and clusters may be turned by a quarter. Of several cuts all grow
/// and shrink together. Found by nesting, so that a tight fit may be missed; what is said to fit does. An
/// error of kind NothingToDo on a page without photos, rooms and cuts.
Result<AllFit> all_fit(const Project& project, const Plan& plan, const StopToken& stop = {});

} // namespace zesty
