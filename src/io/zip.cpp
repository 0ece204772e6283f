#include "io/zip.h"

#include "io/picture.h"

#include <QBuffer>
#include <QDateTime>
#include <QFile>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>
#include <zlib.h>

namespace zesty {

namespace {

constexpr qint64 piece_bytes = 4LL << 20;

tl::unexpected<Error> damaged_archive() {
    return fail(ErrorKind::BadInput, "a damaged or locked ZIP archive");
}

tl::unexpected<Error> not_packed() {
    return fail(ErrorKind::Unwritable, "it cannot be packed");
}

bool add_to(QuaZip& archive, const QString& path, QIODevice& bytes, int level) {
    // Pictures are packed in themselves: doing it again takes longer than all the rest and gains nothing.
    if (named_as_picture(path)) level = Z_NO_COMPRESSION;
    QuaZipFile file(&archive);
    QuaZipNewInfo info(path);
    // No clock: the same entries give the same file.
    info.dateTime = QDateTime(QDate(2000, 1, 1), QTime(0, 0));
    if (!file.open(QIODevice::WriteOnly, info, nullptr, 0, Z_DEFLATED, level)) return false;
    for (QByteArray some = bytes.read(piece_bytes); !some.isEmpty(); some = bytes.read(piece_bytes))
        if (file.write(some) != some.size()) return false;
    file.close();
    return file.getZipError() == ZIP_OK;
}

} // namespace

Result<void>
each_entry(QIODevice& device, const std::function<bool(const QString& path)>& wanted,
           const std::function<Result<void>(const QString& path, QIODevice& bytes, qint64 size)>& take) {
    QuaZip archive(&device);
    archive.setAutoClose(false);
    if (!archive.open(QuaZip::mdUnzip)) return fail(ErrorKind::Unreadable, "not a ZIP archive");
    for (bool more = archive.goToFirstFile(); more; more = archive.goToNextFile()) {
        const QString path = archive.getCurrentFileName();
        if (!wanted(path)) continue;
        QuaZipFile file(&archive);
        if (!file.open(QIODevice::ReadOnly)) return damaged_archive();
        if (auto r = take(path, file, file.usize()); !r) return r;
        if (file.getZipError() != UNZ_OK) return damaged_archive();
    }
    return {};
}

Result<std::vector<ZipEntry>> unpacked(const QByteArray& data, qint64 most_bytes,
                                       const std::function<bool(const QString& path)>& wanted) {
    QBuffer buffer;
    buffer.setData(data);
    std::vector<ZipEntry> out;
    qint64 total = 0;
    const auto all =
        each_entry(buffer, wanted, [&](const QString& path, QIODevice& bytes, qint64 size) -> Result<void> {
            total += size;
            if (total > most_bytes)
                return fail(ErrorKind::TooLarge, "a ZIP archive that unpacks to too much");
            out.push_back({path, bytes.read(size)});
            if (out.back().bytes.size() != size) return damaged_archive();
            return {};
        });
    if (!all) return tl::make_unexpected(all.error());
    return out;
}

Result<QByteArray> packed(const std::vector<ZipEntry>& entries) {
    QBuffer buffer;
    QuaZip archive(&buffer);
    archive.setUtf8Enabled(true);
    if (!archive.open(QuaZip::mdCreate)) return not_packed();
    for (const auto& [path, bytes] : entries) {
        QBuffer source;
        source.setData(bytes);
        source.open(QIODevice::ReadOnly);
        if (!add_to(archive, path, source, Z_DEFAULT_COMPRESSION)) return not_packed();
    }
    archive.close();
    return buffer.data();
}

Result<void> pack_files(const std::vector<ZipFile>& files, const QString& to) {
    QuaZip archive(to);
    archive.setUtf8Enabled(true);
    archive.setZip64Enabled(true);
    if (!archive.open(QuaZip::mdCreate)) return not_packed();
    for (const ZipFile& f : files) {
        QFile source(f.file);
        if (!source.open(QIODevice::ReadOnly)) return not_packed();
        if (!add_to(archive, f.path, source, Z_BEST_SPEED)) return not_packed();
    }
    archive.close();
    if (archive.getZipError() != ZIP_OK) return not_packed();
    return {};
}

} // namespace zesty
