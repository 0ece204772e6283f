#pragma once
// The letters of titles that are cut by machine, in the shipped typeface and as large as they stand on the
// page. Needs a QGuiApplication.

#include "core/project/cutting_jobs.h"

namespace zesty {

/// In rows on mats of the page's size; none where no title is cut by machine.
std::vector<CuttingJob> letter_jobs(const Project& project, const Plan& plan);

/// Everything the machine cuts: cutting_jobs() and the letters.
CuttingJobs all_cutting_jobs(const Project& project, const Plan& plan,
                             const std::vector<CutsOnCuttingMats>& mats);

} // namespace zesty
