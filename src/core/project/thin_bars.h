#pragma once
// Every bar that is too narrow for what usually holds it, with what does.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

struct ThinBar {
    int a = 0; ///< opening
    int b = Bar::edge;
    double width = 0;  ///< on the page, mm
    const char* holds; ///< "an adhesive sheet"
};
/// Narrower than fine-tip glue wants, narrowest first. Bars between parts of one opening are none.
std::vector<ThinBar> thin_bars(const Project& project, const Plan& plan);

/// "Bar between 3 and 7, 1.2 mm: an adhesive sheet holds it."
std::vector<std::string> thin_bars_in_words(const Project& project, const Plan& plan);

} // namespace zesty
