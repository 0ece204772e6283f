#pragma once
// Every cut of the page on the cutting mat: what is cut from the same paper goes on the same mats.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/sheets/cutting_mats.h"

namespace zesty {

struct CutsOnCuttingMats {
    std::vector<int> cuts;   ///< into Project::cuts; copies of one another
    CuttingMatLayout layout; ///< pieces of Plan::cut
};

/// Shadows and layers have mats of their own; pieces that are cut from papers are left to the sheets.
std::vector<CutsOnCuttingMats> mats_of(const Project& project, const Plan& plan, const StopToken& stop = {});

} // namespace zesty
