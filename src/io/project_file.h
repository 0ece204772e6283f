#pragma once
// .zesty: a ZIP with project.json, the drawing and the paper pictures; see docs/file-formats.md.

#include "core/project/project.h"
#include "io/file_stamp.h"

#include <QByteArray>
#include <QString>

namespace zesty {

/// The project as its file has it: of the papers at hand those it uses, and those that are its own.
Project as_kept(Project project);
Result<QByteArray> project_bytes(const Project& project);
/// `what` begins the sentence of an error.
Result<Project> project_from(const QByteArray& data, const std::string& what);

/// Reads what it is going to write and compares it with the project; then replaces the file in one step. A
/// save that fails, for whatever reason, leaves the old file as it was.
Result<void> save_project(const Project& project, const QString& path);
/// As above, but only while the file is as it was; an error of kind ChangedOutside where it is not. Gives
/// what the file is like now.
Result<FileStamp> save_project_over(const Project& project, const QString& path, const FileStamp& known);

struct OpenedProject {
    Project project;
    FileStamp stamp; ///< of the very bytes it was read from
};
Result<OpenedProject> open_project_stamped(const QString& path);
Result<Project> open_project(const QString& path);

} // namespace zesty
