#pragma once
// A job sent to a cutting machine, with what it says on the way.

#include "cli/build_args.h"
#include "core/project/cutting_jobs.h"

namespace zesty::cli {

/// Cuts the job of that name to its end, or as far as the machine gets; done, problems where it stopped, or
/// bad_input.
int send_to_machine(const BuildArgs& args, const Project& project, const Plan& plan,
                    const CuttingJobs& cutting);

} // namespace zesty::cli
