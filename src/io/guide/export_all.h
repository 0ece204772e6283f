#pragma once
// Everything that leaves the program for the bench, into one folder.

#include "io/guide/guide_pdf.h"

#include <QString>

namespace zesty {

/// Writes guide.pdf, page.png and one SVG for each used sheet; returns their paths. Each file is written
/// atomically. Needs a QGuiApplication.
Result<std::vector<QString>> export_all(const Project& project, const Plan& plan, PrinterPaper paper,
                                        const QString& folder);

} // namespace zesty
