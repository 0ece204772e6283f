#pragma once
// What lips, treatments, methods, covered openings and the drawing give cause to say.

#include "core/finding.h"
#include "core/sections/facts.h"

namespace zesty {

/// What is decided at Sections and what follows from it.
struct SectionsNow {
    const SectionDecisions& decided;
    const SectionFacts& facts; ///< with a cut
    const SetOut& set_out;
    Units units;
};

std::vector<Finding> section_findings(const SectionsNow& now);

} // namespace zesty
