#pragma once
// Which rings are the same shape.

#include "core/geometry/shapes.h"

namespace zesty {

/// Groups of rings that can be laid on each other by turning and mirroring, with no point off by more than
/// `tolerance` times the ring's own size. Groups and members ascend; a ring without a twin is in no group.
std::vector<std::vector<int>> congruent_groups(const std::vector<Ring>& rings, double tolerance = 0.01);

} // namespace zesty
