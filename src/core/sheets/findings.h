#pragma once
// What the sheets give cause to say that concerns no other stage.

#include "core/finding.h"
#include "core/geometry/lengths.h"
#include "core/sheets/decisions.h"
#include "core/sheets/facts.h"

namespace zesty {

/// What is reserved and found no room.
std::vector<Finding> reserved_findings(const SheetDecisions& decided, const SheetFacts& facts,
                                       const Stash& stash, Units units);

} // namespace zesty
