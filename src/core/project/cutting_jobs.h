#pragma once
// Everything of a page that is cut by machine: cuts, copies and shadows by cardstock; patches, inlays, photo
// mats and paper layers by sheet; acetate for shakers. Millimetres.

#include "core/build/cutting_job.h"
#include "core/build/materials.h"
#include "core/project/cutting_mat_plan.h"
#include "core/project/loaded_sheets.h"

namespace zesty {

struct CuttingJobs {
    std::vector<CuttingJob> jobs;       ///< in the order of the work: cuts, then what backs them
    std::vector<std::string> too_large; ///< sentences: what is larger than the cutting mat
};

/// `mats`: of mats_of(), for the same plan.
CuttingJobs cutting_jobs(const Project& project, const Plan& plan,
                         const std::vector<CutsOnCuttingMats>& mats);

/// The material a paper is on the machine's list.
std::string material_of(const Paper& paper);

/// The material of a job whose finest bars it does not bear; null where it bears them, or is not on the list.
const Material* too_fine_for(const CuttingJob& job);

/// Bars of the cuts finer than a material bears, in words, narrowest first: "between 3 and 7, 0.7 mm".
std::vector<std::string> bars_finer_than(const Plan& plan, double finest);

/// Puts contours in the order they are cut in, mirrored where the good side lies down.
void finish_job(CuttingJob& job, bool good_side_up);

} // namespace zesty
