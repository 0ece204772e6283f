#pragma once
// What every patch asks of its pattern and of its place on the sheets.

#include "core/match/capacity.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// By patch of the plan. When colours drift, patches of an ombre ask for the tone of their place. Pins to
/// sheets that are not there any more are left out.
std::vector<PatchPattern> patch_patterns(const Project& project, const Plan& plan);

/// Where the patch of an opening is pinned; nothing where it is not, or to a sheet that is not there any
/// more.
std::optional<PatchPattern::Pin> pin_of(const Project& project, const Plan& plan, int opening);

/// By section of the plan: the way stripes are asked to run on the page; nothing where they run as they fit.
std::vector<std::optional<double>> section_slants(const Project& project, const Plan& plan);

} // namespace zesty
