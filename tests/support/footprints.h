#pragma once
// What lies where on a page, by its decisions.

#include "core/geometry/boolean.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <string>
#include <vector>

namespace zesty::testing {

struct Footprint {
    std::string name; ///< as steps have it
    Region region;
};

/// Lowest first.
std::vector<Footprint> footprints_of(const Project& project, const Plan& plan);

std::string patch_name(const Patch& patch);

} // namespace zesty::testing
