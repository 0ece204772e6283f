#include "cli/at_hand.h"

#include "core/project/papers_named.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/sharing.h"
#include "io/stash_json.h"
#include "io/stash_store.h"

#include <QFileInfo>
#include <optional>

namespace zesty::cli {

namespace {

/// One run has one stash; it is set while the options are read and only looked at after that.
std::optional<std::string> another_stash;

} // namespace

void add_stash_option(CLI::App& command) {
    command.add_option_function<std::string>(
        "--stash", [](const std::string& file) { another_stash = file; },
        "Another stash than yours for this run; none for the papers of the page alone");
}

QString stash_file() {
    if (another_stash == "none") return {};
    const QString file = another_stash ? QString::fromStdString(*another_stash) : living_stash_path();
    return another_stash || QFileInfo::exists(file) ? file : QString();
}

Result<Project> at_hand(Project project) {
    const QString file = stash_file();
    if (file.isEmpty()) return project;
    const auto stash = read_stash(file);
    if (!stash) return tl::make_unexpected(stash.error());
    project.stash =
        std::make_shared<const Stash>(joined(stash_at_hand(project), *stash, papers_named(project)));
    return project;
}

} // namespace zesty::cli
