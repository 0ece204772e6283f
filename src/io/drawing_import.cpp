#include "io/drawing_import.h"

#include "core/cutfile/cut_file.h"
#include "io/dxf/dxf_reader.h"
#include "io/read_file.h"
#include "io/svg/svg_reader.h"
#include "io/svg/svg_writer.h"

#include <QBuffer>
#include <QFileInfo>
#include <algorithm>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>

namespace zesty {

namespace {

constexpr qint64 most_unpacked = 256LL << 20;
constexpr std::size_t most_tried = 40; ///< drawings of a bundle

enum class Kind { Svg, Dxf, Picture, Bundle };

Kind kind_of(const QByteArray& data) {
    if (data.startsWith("PK\x03\x04")) return Kind::Bundle;
    if (data.startsWith("\x89PNG") || data.startsWith("\xFF\xD8\xFF")) return Kind::Picture;
    const bool markup = data.left(64).trimmed().startsWith('<') || data.startsWith("\xEF\xBB\xBF");
    if (!markup && looks_like_dxf(data)) return Kind::Dxf;
    return Kind::Svg;
}

using File = std::shared_ptr<const DrawingFile>;

Result<File> as_svg(Result<Drawing> drawing, const std::string& name) {
    if (!drawing) return tl::make_unexpected(drawing.error());
    const std::string base = QFileInfo(QString::fromStdString(name)).completeBaseName().toStdString();
    std::string text = svg_text(*drawing);
    auto read = read_svg(QByteArray::fromStdString(text));
    if (!read) return tl::make_unexpected(read.error());
    read->warnings = std::move(drawing->warnings);
    read->size_known = drawing->size_known;
    read->size_real = drawing->size_real;
    return std::make_shared<const DrawingFile>(DrawingFile{base + ".svg", std::move(text), std::move(*read)});
}

struct Entry {
    std::string name;
    QByteArray bytes;
    Kind kind;
};

Result<std::vector<Entry>> drawings_in(const QByteArray& data) {
    QBuffer buffer;
    buffer.setData(data);
    QuaZip archive(&buffer);
    if (!archive.open(QuaZip::mdUnzip)) return fail(ErrorKind::BadInput, "the bundle is damaged");
    std::vector<Entry> out;
    qint64 total = 0;
    for (bool more = archive.goToFirstFile(); more; more = archive.goToNextFile()) {
        const QString path = archive.getCurrentFileName();
        const QString ending = QFileInfo(path).suffix().toLower();
        const bool wanted = QStringList{"svg", "svgz", "dxf", "png", "jpg", "jpeg"}.contains(ending);
        // What some systems put beside the real files.
        if (!wanted || path.startsWith("__MACOSX") || QFileInfo(path).fileName().startsWith('.')) continue;
        QuaZipFile file(&archive);
        if (!file.open(QIODevice::ReadOnly))
            return fail(ErrorKind::BadInput, "the bundle is damaged or locked");
        total += file.usize();
        if (total > most_unpacked) return fail(ErrorKind::TooLarge, "the bundle unpacks to over 256 MB");
        const QByteArray bytes = file.read(file.usize());
        if (bytes.size() != file.usize()) return fail(ErrorKind::BadInput, "the bundle is damaged");
        out.push_back({QFileInfo(path).fileName().toStdString(), bytes, kind_of(bytes)});
        file.close();
    }
    std::stable_sort(out.begin(), out.end(), [](const Entry& a, const Entry& b) { return a.kind < b.kind; });
    return out;
}

Result<File> best_of(const QByteArray& data, const TraceOptions& options) {
    const auto entries = drawings_in(data);
    if (!entries) return tl::make_unexpected(entries.error());
    if (entries->empty())
        return fail(ErrorKind::NothingToDo, "the bundle holds no drawing: no SVG, DXF, PNG or JPEG");
    Result<File> best = fail(ErrorKind::NothingToDo, "the bundle holds no drawing that can be cut");
    std::size_t openings = 0;
    std::size_t tried = 0;
    for (const Entry& e : *entries) {
        if (best && e.kind != entries->front().kind) break;
        if (e.kind == Kind::Bundle || ++tried > most_tried) continue;
        auto file = import_drawing(e.bytes, e.name, options);
        if (!file) continue;
        const auto cut = read_cut((*file)->drawing);
        if (!cut || (best && cut->openings.size() <= openings)) continue;
        openings = cut->openings.size();
        best = std::move(file);
    }
    return best;
}

} // namespace

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
    return std::make_shared<const DrawingFile>(DrawingFile{name, data.toStdString(), std::move(*drawing)});
}

Result<File> drawing_file(const QString& path, const TraceOptions& options) {
    const auto data = read_file(path);
    if (!data) return tl::make_unexpected(data.error());
    auto file = import_drawing(*data, QFileInfo(path).fileName().toStdString(), options);
    if (!file) return fail(file.error().kind, path.toStdString() + ": " + file.error().message);
    return file;
}

} // namespace zesty
