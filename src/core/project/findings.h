#pragma once
// What a plan has to say about itself.

#include "core/dress/dress.h"
#include "core/match/capacity.h"
#include "core/match/findings.h"
#include "core/project/ways_out.h"

namespace zesty {

/// What papers give cause to say is said of these.
PapersNow papers_now(const Project& project, const Plan& plan);
/// What Dress goes by, of these.
DressNow dress_now(const Project& project, const Plan& plan);

/// What can be said without laying patches on sheets; most serious first.
std::vector<Finding> findings_of(const Project& project, const Plan& plan);

/// Adds what the sheets say: what is short and who stays alike, each with a way out where one is found to
/// fit.
void add_sheet_findings(const Project& project, Plan& plan, Capacity& capacity, const StopToken& stop,
                        const Shapes& shapes);

} // namespace zesty
