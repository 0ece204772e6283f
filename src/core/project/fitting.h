#pragma once
// What of the stash fits a place of the page, and where on the page something fits.

#include "core/dress/fit.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// A place things can be laid in: an opening, or what is free of the base around a point.
struct FreePlace {
    Polygon outline;  ///< on the page
    int opening = -1; ///< -1 for a part of the base
};
/// The opening at a place, or the free part of the base there; nothing where something lies.
std::optional<FreePlace> place_at(const Project& project, const Plan& plan, Point at);
/// Every opening that nothing covers, and every free part of the base of 1 sq cm and more.
std::vector<FreePlace> free_places(const Project& project, const Plan& plan);

struct FittingThing {
    std::string id;
    ThingFit fit;
    int left = 0;      ///< of it, beyond what the page has
    double colour = 0; ///< delta E 2000 to the nearest colour of the page
};
/// Every embellishment of which one is left: those that fit first, nearest to the page's colours first; then
/// those that are too large, the least first. Told to stop, what has been looked at.
std::vector<FittingThing> what_fits(const Project& project, const Plan& plan, const FreePlace& place,
                                    const StopToken& stop = {}, const Progress& progress = {});

struct FittingPlace {
    FreePlace place;
    ThingFit fit;
};
/// Where an embellishment fits, the tightest first; then up to three places that are too small, the least.
std::vector<FittingPlace> where_it_fits(const Project& project, const Plan& plan, const std::string& id,
                                        const StopToken& stop = {}, const Progress& progress = {});

} // namespace zesty
