#pragma once
// The document inside a project file, written and read from the descriptions in fields/. The file around it
// is in project_file.h.

#include "core/project/project.h"
#include "core/result.h"
#include "io/in_archive.h"

#include <nlohmann/json.hpp>

namespace zesty {

/// Where what is no JSON lies in the archive.
InArchive entries_of(const Project& project);

nlohmann::json project_json(const Project& project);

/// Decisions without what lies beside them in the archive.
struct ReadDecisions {
    Project project; ///< without drawings, pictures and stash
    InArchive in;
};

/// Of any format up to the newest; a newer one is refused. `what` names the file in errors, which say which
/// member is not what it should be.
Result<ReadDecisions> decisions_from(const nlohmann::json& j, const std::string& what);

/// Every number within the limits it is stored with: what an edit made can be saved and opened.
void bring_within_limits(Project& project);

} // namespace zesty
