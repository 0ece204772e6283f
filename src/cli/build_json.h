#pragma once
// What `zesty build` answers programs: zesty-build/1.

#include "cli/build_args.h"
#include "core/build/progress.h"
#include "core/project/cutting_jobs.h"
#include "core/project/plan.h"
#include "core/project/planner.h"

#include <nlohmann/json.hpp>

namespace zesty::cli {

nlohmann::json steps_json(const std::vector<BuildStep>& steps, const BuildNow& now,
                          const BuildDecisions& decided);

/// The same as build_say says, each under a name of its own.
nlohmann::json next_json(const Project& project, const std::vector<BuildStep>& steps, std::int64_t now,
                         double minutes);
nlohmann::json lists_json(const Project& project, const Plan& plan);
nlohmann::json packing_json(const Project& project, const std::vector<BuildStep>& steps, const BuildNow& now);
nlohmann::json what_if_json(const Project& project, const Plan& plan);
nlohmann::json one_more_sheet_json(const Project& project, const Plan& plan);
nlohmann::json cutting_json(const CuttingJobs& cutting);

} // namespace zesty::cli
