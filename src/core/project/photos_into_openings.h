#pragma once
// Several photos into several openings at once.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/stop.h"

namespace zesty {

inline constexpr double least_face = mm_per_inch / 2; ///< high, once its photo has its size

struct PhotoInOpening {
    int photo = 0;   ///< into SetOutDecisions::photos
    int opening = 0; ///< into the plan
    Photo fitted;    ///< with size, place and tilt, its edges behind the bars by the page's overlap
};

struct IntoOpenings {
    double most_tilt_deg = 5; ///< to either side
    bool punched = false;     ///< round photos only in sizes of punches at hand
};

/// Every one of the photos into an opening of its own: as large as may be, with no face under 1/2 in high,
/// not two side by side while there is another way, and spread over the page. Round openings get round
/// photos. Of `openings`; all that are whole when that is empty. An error of kind NothingToDo says what is in
/// the way.
Result<std::vector<PhotoInOpening>>
photos_into_openings(const Project& project, const Plan& plan, const std::vector<int>& photos,
                     std::vector<int> openings, const IntoOpenings& how = {}, const StopToken& stop = {});
/// The photos where they have been found to go, behind the cuts. Their openings stay open: what was to back
/// them goes.
void put_into_openings(Project& project, const Plan& plan, const std::vector<PhotoInOpening>& found);

} // namespace zesty
