#pragma once
// The document inside a project file, written and read. The file around it is in project_file.h.

#include "core/project/project.h"
#include "core/result.h"

#include <nlohmann/json.hpp>

namespace zesty {

/// Where the drawings and the pictures of photos are in the archive; no path for a photo without a picture.
std::vector<std::string> drawing_entries(const Project& project);
std::vector<std::string> photo_entries(const Project& project);

nlohmann::json project_json(const Project& project);

/// Decisions without what lies beside them in the archive.
struct ReadDecisions {
    Project project; ///< without drawings, pictures of photos and stash
    std::vector<std::string> drawings;
    std::vector<std::string> photo_pictures; ///< by photo
};

/// `what` names the file in errors, which say which member is not what it should be.
Result<ReadDecisions> decisions_from(const nlohmann::json& j, const std::string& what);

} // namespace zesty
