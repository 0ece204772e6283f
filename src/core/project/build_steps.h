#pragma once
// The work on a page, step by step, as it follows from the plan. Minutes.
//
// Only what physics wants is an order here: gut before gluing, what is wet before it is mounted, tuck before
// the glue, stitch before foam, dry before what lies on it. Drying times are usual ones; the maker's
// instructions win.

#include "core/build/timetable.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <string>
#include <vector>

namespace zesty {

struct BuildStep {
    std::string what; ///< a sentence without its full stop: "Cut the patches from hedge-stripe#1"
    TimedStep time;
    std::string caution; ///< where it can hurt or spoil; empty for none
};

/// In an order in which they can be done.
std::vector<BuildStep> build_steps(const Project& project, const Plan& plan);

/// What time goes by.
std::vector<TimedStep> times_of(const std::vector<BuildStep>& steps);

} // namespace zesty
