#pragma once
// What every patch asks of its pattern and of its place on the sheets.

#include "core/match/capacity.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// By patch of the plan. When colours drift, patches of an ombre ask for the tone of their place. Pins to
/// sheets that are not there any more are left out.
std::vector<PatchPattern> patch_patterns(const Project& project, const Plan& plan);

/// By section of the plan: the way stripes are asked to run on the page; nothing where they run as they fit.
std::vector<std::optional<double>> section_slants(const Project& project, const Plan& plan);

} // namespace zesty
