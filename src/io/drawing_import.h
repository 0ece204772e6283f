#pragma once
// Drawings from whatever they come in: SVG, SVGZ, DXF, PNG and JPEG, and ZIP bundles of these.

#include "core/project/project.h"
#include "core/result.h"
#include "io/trace/trace.h"

#include <QByteArray>
#include <QString>

namespace zesty {

/// What is not SVG becomes SVG, so that a project holds one kind of drawing. Of a bundle the best drawing is
/// taken: SVG before DXF before pictures, and of several the one with the most openings. What the content is
/// decides, not the file's ending.
Result<Shared<DrawingFile>> import_drawing(const QByteArray& data, const std::string& name,
                                           const TraceOptions& options = {});
/// As above from a file; errors name it.
Result<Shared<DrawingFile>> drawing_file(const QString& path, const TraceOptions& options = {});

/// The drawing with paper and openings the other way round.
Result<Shared<DrawingFile>> swapped(const DrawingFile& file);

} // namespace zesty
