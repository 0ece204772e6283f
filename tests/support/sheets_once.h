#pragma once
// Whatever is cut from a sheet is cut from it once, and what goes back is exactly what nothing was cut from.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <string>

namespace zesty::testing {

/// Solids of the page share no paper, and each lies in the one cutting file of its sheet.
void expect_sheets_cut_once(const Project& page, const Plan& plan, const std::string& where);
/// Of every sheet, what is used, lost and given back make up its area; no scrap is also on the page.
void expect_rest_given_back(const Project& page, const Plan& plan, const std::string& where);

} // namespace zesty::testing
