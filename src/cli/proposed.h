#pragma once
// A project with the first proposal taken for whatever has no paper yet, and its plan.

#include "core/project/planner.h"

#include <functional>
#include <string>

namespace zesty::cli {

struct Planned {
    Project project;
    Plan plan;
    double seconds = 0;
    std::size_t proposed = 0; ///< sections whose paper nobody has chosen
};

/// `with` changes the project first. An error says what of the project cannot be planned.
Result<Planned> planned(const std::string& project_path, std::optional<unsigned> seed, double seconds,
                        const std::function<void(Project&)>& with = {});
/// As it was decided, without proposals.
Result<Planned> planned_as_decided(const std::string& project_path,
                                   const std::function<void(Project&)>& with = {});

} // namespace zesty::cli
