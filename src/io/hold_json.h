#pragma once
// Heights, foam, glue, wet work and a late frame in the document of a plan.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <nlohmann/json.hpp>

namespace zesty {

nlohmann::json heights_json(const Project& project, const Plan& plan);
nlohmann::json glue_json(const Plan& plan);
nlohmann::json wet_json(const Project& project, const Plan& plan);
/// Null without a frame.
nlohmann::json late_frame_json(const Plan& plan);

} // namespace zesty
