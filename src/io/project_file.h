#pragma once
// .zesty: a ZIP with project.json, the drawing and the paper pictures; see docs/file-formats.md.

#include "core/project/project.h"
#include "io/fields/upgrade.h"

#include <QByteArray>
#include <QString>

namespace zesty {

Result<QByteArray> project_bytes(const Project& project);
/// `what` begins the sentence of an error.
Result<Project> project_from(const QByteArray& data, const std::string& what);

/// Reads what it is going to write and compares it with the project; then replaces the file in one step. A
/// save that fails, for whatever reason, leaves the old file as it was.
Result<void> save_project(const Project& project, const QString& path);
Result<Project> open_project(const QString& path);

} // namespace zesty
