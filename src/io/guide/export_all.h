#pragma once
// Everything that leaves the program for the bench, into one folder.

#include "io/guide/guide_pdf.h"

#include <QString>

namespace zesty {

/// Writes guide.pdf, page.png, and everything the machine cuts as SVG, DXF, HP-GL and picture, a set for each
/// loading of the machine; returns their paths. Each file is written
/// atomically. Needs a QGuiApplication.
/// `chapters`: of the guide.
Result<std::vector<QString>> export_all(const Project& project, const Plan& plan, PrinterPaper paper,
                                        const QString& folder, const Chapters& chapters = usual_chapters);

} // namespace zesty
