#include "io/drawing_import.h"

#include "core/cutfile/cut_file.h"
#include "core/cutfile/negative.h"
#include "io/dxf/dxf_reader.h"
#include "io/edge.h"
#include "io/read_file.h"
#include "io/svg/svg_reader.h"
#include "io/svg/svg_writer.h"
#include "io/zip.h"

#include <QFileInfo>
#include <algorithm>

namespace zesty {

namespace {

constexpr qint64 most_in_bundle = 256LL << 20;
constexpr std::size_t most_tried = 40; ///< drawings of a bundle

enum class Kind { Svg, Dxf, Picture, Bundle };

Kind kind_of(const QByteArray& data) {
    if (data.startsWith("PK\x03\x04")) return Kind::Bundle;
    if (data.startsWith("\x89PNG") || data.startsWith("\xFF\xD8\xFF")) return Kind::Picture;
    const bool markup = data.left(64).trimmed().startsWith('<') || data.startsWith("\xEF\xBB\xBF");
    if (!markup && looks_like_dxf(data)) return Kind::Dxf;
    return Kind::Svg;
}

using File = Shared<DrawingFile>;

Result<File> as_svg(Result<Drawing> drawing, const std::string& name) {
    if (!drawing) return tl::make_unexpected(drawing.error());
    const std::string base = QFileInfo(QString::fromStdString(name)).completeBaseName().toStdString();
    std::string text = svg_text(*drawing);
    auto read = read_svg(QByteArray::fromStdString(text));
    if (!read) return tl::make_unexpected(read.error());
    read->warnings = std::move(drawing->warnings);
    read->size_known = drawing->size_known;
    read->size_real = drawing->size_real;
    return std::make_shared<const DrawingFile>(
        DrawingFile{name_in_archive(base + ".svg"), std::move(text), std::move(*read)});
}

struct Entry {
    std::string name;
    QByteArray bytes;
    Kind kind;
};

/// Leaves out what some systems put beside the real files.
bool may_be_drawing(const QString& path) {
    const QString ending = QFileInfo(path).suffix().toLower();
    return QStringList{"svg", "svgz", "dxf", "png", "jpg", "jpeg"}.contains(ending) &&
           !path.startsWith("__MACOSX") && !QFileInfo(path).fileName().startsWith('.');
}

Result<std::vector<Entry>> drawings_in(const QByteArray& data) {
    const auto entries = unpacked(data, most_in_bundle, may_be_drawing);
    if (!entries)
        return entries.error().kind == ErrorKind::TooLarge
                   ? fail(ErrorKind::TooLarge, "the bundle unpacks to over 256 MB")
                   : fail(ErrorKind::BadInput, "the bundle is damaged or locked");
    std::vector<Entry> out;
    for (const ZipEntry& e : *entries)
        out.push_back({QFileInfo(e.path).fileName().toStdString(), e.bytes, kind_of(e.bytes)});
    std::stable_sort(out.begin(), out.end(), [](const Entry& a, const Entry& b) { return a.kind < b.kind; });
    return out;
}

Result<File> best_of(const QByteArray& data, const TraceOptions& options) {
    auto all = drawings_of_bundle(data, options);
    if (!all) return tl::make_unexpected(all.error());
    return std::move(all->front().file);
}

} // namespace

Result<std::vector<BundleDrawing>> drawings_of_bundle(const QByteArray& data, const TraceOptions& options) {
    if (kind_of(data) != Kind::Bundle) return std::vector<BundleDrawing>{};
    const auto entries = drawings_in(data);
    if (!entries) return tl::make_unexpected(entries.error());
    if (entries->empty())
        return fail(ErrorKind::NothingToDo, "the bundle holds no drawing: no SVG, DXF, PNG or JPEG");
    struct Found {
        Kind kind;
        BundleDrawing drawing;
    };
    std::vector<Found> found;
    std::size_t tried = 0;
    for (const Entry& e : *entries) {
        if (e.kind == Kind::Bundle || ++tried > most_tried) continue;
        auto file = import_drawing(e.bytes, e.name, options);
        if (!file) continue;
        const auto cut = read_cut((*file)->drawing);
        if (cut) found.push_back({e.kind, {e.name, std::move(*file), cut->openings.size()}});
    }
    if (found.empty()) return fail(ErrorKind::NothingToDo, "the bundle holds no drawing that can be cut");
    std::stable_sort(found.begin(), found.end(), [](const Found& a, const Found& b) {
        return a.kind != b.kind ? a.kind < b.kind : a.drawing.openings > b.drawing.openings;
    });
    std::vector<BundleDrawing> out;
    for (Found& f : found) out.push_back(std::move(f.drawing));
    return out;
}

Result<File> import_drawing(const QByteArray& data, const std::string& name, const TraceOptions& options) {
    switch (kind_of(data)) {
    case Kind::Bundle:
        return best_of(data, options);
    case Kind::Picture:
        return as_svg(trace_picture(data, options), name);
    case Kind::Dxf:
        return as_svg(read_dxf(data), name);
    case Kind::Svg:
        break;
    }
    auto drawing = read_svg(data);
    if (!drawing) return tl::make_unexpected(drawing.error());
    return std::make_shared<const DrawingFile>(
        DrawingFile{name_in_archive(name), data.toStdString(), std::move(*drawing)});
}

Result<File> swapped(const DrawingFile& file) {
    return as_svg(negative_of(file.drawing), file.name);
}

namespace {

Result<File> named_of(const QByteArray& data, const std::string& name, const TraceOptions& options) {
    auto all = drawings_of_bundle(data, options);
    if (!all) return tl::make_unexpected(all.error());
    std::string there;
    for (BundleDrawing& d : *all) {
        if (d.name == name) return std::move(d.file);
        there += (there.empty() ? "" : ", ") + d.name;
    }
    if (there.empty()) return fail(ErrorKind::BadInput, "this is not a bundle of drawings");
    return fail(ErrorKind::BadInput, "there is no drawing '" + name + "' that can be cut, only " + there);
}

} // namespace

Result<File> drawing_file(const QString& path, const TraceOptions& options, const std::string& named) {
    const auto data = read_file(path);
    if (!data) return tl::make_unexpected(data.error());
    auto file = named.empty() ? import_drawing(*data, QFileInfo(path).fileName().toStdString(), options)
                              : named_of(*data, named, options);
    if (!file) return fail(file.error().kind, path.toStdString() + ": " + file.error().message);
    return file;
}

} // namespace zesty
