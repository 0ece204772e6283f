#pragma once
// zesty-plan/1, zesty-nest/1 and zesty-nest-result/1, see docs/file-formats.md.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/sheets/nest.h"

#include <nlohmann/json_fwd.hpp>

namespace zesty {

/// The plan must have a cut.
nlohmann::json plan_json(const Project& project, const Plan& plan, double seconds);

struct NamedNestJob {
    NestJob job;
    std::vector<std::string> pieces; ///< ids
    std::vector<std::string> sheets;
};
Result<NamedNestJob> nest_job_from(const nlohmann::json& json, const std::string& what);
nlohmann::json nest_result_json(const NamedNestJob& job, const NestResult& result, double seconds);

} // namespace zesty
