#pragma once
// Every cut of the page on the cutting mat: what is cut from the same paper goes on the same mats.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/sheets/cutting_mats.h"

namespace zesty {

/// What still fits on the last mat of a cardstock, taken alone.
struct CuttingExtra {
    enum class Kind { Spare, Shadow, Smaller };
    Kind kind = Kind::Spare;
    int cut = 0;     ///< into Project::cuts
    int count = 1;   ///< how many spares
    double size = 0; ///< of a smaller one, its longer side, mm
};

struct CutsOnCuttingMats {
    std::vector<int> cuts;   ///< into Project::cuts; of one cardstock
    std::string cardstock;   ///< "Barley", "white"
    CuttingMatLayout layout; ///< pieces of Plan::cut
    bool of_stock = false;   ///< as they lie on sheets of the stash (core/project/loaded_sheets.h)
};

/// Cuts whose cardstock is in the stash lie on the mat as they lie on their sheets. Cuts of one paper or
/// colour share mats whatever drawing they come from. Shadows and layers of which it is not said what they
/// are made of have mats of their own; pieces cut from papers are left to the sheets.
std::vector<CutsOnCuttingMats> mats_of(const Project& project, const Plan& plan, const StopToken& stop = {});

/// For one cardstock; none where it has no mat. Every cut as often as it fits, no cap but the mat.
std::vector<CuttingExtra> extras_on(const Project& project, const Plan& plan, const CutsOnCuttingMats& mats,
                                    const StopToken& stop = {});
/// "2 spares of kite-hill.svg, bow.svg once more at 3 1/4 in".
std::string extras_in_words(const Project& project, const std::vector<CuttingExtra>& extras);

} // namespace zesty
