#pragma once
// A dividing line as drawn on the page, turned into a decision about the opening.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

struct DrawnDivision {
    Spot opening;
    Division division;
};

/// The whole opening that the line between two places of the page runs across, the one it has most of,
/// divided along it as the drawing lies. Nothing when it crosses none.
std::optional<DrawnDivision> division_by_line(const Plan& plan, Point from, Point to);

/// The division about a place of the page, for the opening (into the plan) or, below 0, for the base.
Division about_place(const Project& project, const Plan& plan, int opening, Division division, Point on_page);

} // namespace zesty
