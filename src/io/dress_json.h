#pragma once
// The facts of Dress as JSON: "dress" of zesty-plan/1, and what `zesty dress --json` prints.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <nlohmann/json.hpp>

namespace zesty {

nlohmann::json dress_json(const Project& project, const Plan& plan);

} // namespace zesty
