#pragma once
// What `zesty build` answers people.

#include "cli/build_args.h"
#include "cli/proposed.h"
#include "core/build/cutting_job.h"
#include "core/project/cutting_jobs.h"

#include <utility>
#include <vector>

namespace zesty::cli {

/// Each habit turned round, and what that is called.
std::vector<std::pair<const char*, Habits>> habits_turned_round(const Habits& now);

void say_steps(const Project& project, const std::vector<BuildStep>& steps, const BuildNow& now);
void say_next(const Project& project, const std::vector<BuildStep>& steps, std::int64_t now, double minutes);
void say_lists(const Project& project, const Plan& plan);
void say_packing(const Project& project, const std::vector<BuildStep>& steps, const BuildNow& now);
void say_what_if(const Project& project, const Plan& plan);
void say_one_more_sheet(const Project& project, const Plan& plan);
void say_cutting(const Project& project, const Plan& plan, const CuttingJobs& cutting);

} // namespace zesty::cli
