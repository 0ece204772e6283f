#pragma once
// Patches for which there is no paper yet, as a cutting file in rows: so that outlines exist before any paper
// is entered.

#include "core/project/plan.h"
#include "io/cutting_file.h"

namespace zesty {

/// Good side up, no wider than `mat` where each is; no contours where every patch has its place on a sheet.
CuttingFile loose_patches(const std::string& title, const Plan& plan, const CuttingMat& mat);

} // namespace zesty
