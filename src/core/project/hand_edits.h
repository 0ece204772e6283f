#pragma once
// What hands do to patterns and patches, as decisions.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// The pattern in an opening moved so that what lies under `from` comes to lie under `to`, turned as it is
/// now; points on the page. Nothing for an opening whose patch has no place on a sheet, unless a wish is why.
std::optional<PatternWish> moved_pattern(const Project& project, const Plan& plan, int opening, Point from,
                                         Point to);

/// A patch pinned to a sheet (into Plan::sheets) after it was moved by `by` mm on it and turned about its
/// middle; by nothing, where it lies now. Nothing when it has no place yet, or the sheet is of another paper.
std::optional<SheetPin> pinned(const Plan& plan, int patch, int sheet, Point by = {}, double turn_deg = 0);

} // namespace zesty
