#pragma once
// Which method suits which opening, and what a method costs for the whole page.

#include "core/sections/backing.h"
#include "core/sections/pace.h"

namespace zesty {

struct MethodAdvice {
    BackingMethod method = BackingMethod::MachinePatches;
    std::string reason; ///< one sentence with the numbers it rests on
};

/// `opening` on the page, with its narrowest bar there.
MethodAdvice advised_method(const Polygon& opening, double narrowest_bar, const BackingRules& rules,
                            Units units);

/// What backing the whole page one way comes to.
struct MethodFigures {
    BackingMethod method = BackingMethod::MachinePatches;
    double paper_area = 0;   ///< mm2 taken off the sheets
    double minutes = 0;      ///< of hands and blade
    double smallest_lip = 0; ///< where there are lips; infinity where there are none
    int narrow_lips = 0;     ///< patches whose lip is under 1.5 mm
    int failed = 0;          ///< openings it does not work for, which get machine patches or nothing
};

MethodFigures figures_of(BackingMethod method, const Backing& backing, const Pace& pace);

} // namespace zesty
