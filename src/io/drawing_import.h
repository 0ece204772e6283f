#pragma once
// Drawings from whatever they come in: SVG, SVGZ, DXF, PNG and JPEG, and ZIP bundles of these.

#include "core/project/project.h"
#include "core/result.h"
#include "io/trace/trace.h"

#include <QByteArray>
#include <QString>

namespace zesty {

/// One of the drawings of a bundle that can be cut.
struct BundleDrawing {
    std::string name; ///< of its file, without folders
    Shared<DrawingFile> file;
    std::size_t openings = 0;
};
/// All of them, the one that is taken without a word first; none where the data is no bundle.
Result<std::vector<BundleDrawing>> drawings_of_bundle(const QByteArray& data,
                                                      const TraceOptions& options = {});

/// What is not SVG becomes SVG, so that a project holds one kind of drawing. Of a bundle the best drawing is
/// taken: SVG before DXF before pictures, and of several the one with the most openings. What the content is
/// decides, not the file's ending.
Result<Shared<DrawingFile>> import_drawing(const QByteArray& data, const std::string& name,
                                           const TraceOptions& options = {});
/// As above from a file; errors name it. `named`: which drawing of a bundle, by the name of its file.
Result<Shared<DrawingFile>> drawing_file(const QString& path, const TraceOptions& options = {},
                                         const std::string& named = {});

/// The drawing with paper and openings the other way round.
Result<Shared<DrawingFile>> swapped(const DrawingFile& file);

} // namespace zesty
