#include "cli/commands.h"
#include "io/project_file.h"

namespace zesty::cli {

Result<void> save_changes(const Project& before, const Project& after, const std::string& path,
                          const std::string& out) {
    if (out.empty() && before == after) return {};
    return save_project(after, QString::fromStdString(out.empty() ? path : out));
}

} // namespace zesty::cli
