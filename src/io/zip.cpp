#include "io/zip.h"

#include <QBuffer>
#include <QDateTime>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>

namespace zesty {

Result<std::vector<ZipEntry>> unpacked(const QByteArray& data, qint64 most_bytes,
                                       const std::function<bool(const QString& path)>& wanted) {
    QBuffer buffer;
    buffer.setData(data);
    QuaZip archive(&buffer);
    if (!archive.open(QuaZip::mdUnzip)) return fail(ErrorKind::Unreadable, "not a ZIP archive");
    const auto damaged = [] { return fail(ErrorKind::BadInput, "a damaged or locked ZIP archive"); };
    std::vector<ZipEntry> out;
    qint64 total = 0;
    for (bool more = archive.goToFirstFile(); more; more = archive.goToNextFile()) {
        const QString path = archive.getCurrentFileName();
        if (!wanted(path)) continue;
        QuaZipFile file(&archive);
        if (!file.open(QIODevice::ReadOnly)) return damaged();
        total += file.usize();
        if (total > most_bytes) return fail(ErrorKind::TooLarge, "a ZIP archive that unpacks to too much");
        ZipEntry entry{path, file.read(file.usize())};
        if (entry.bytes.size() != file.usize() || file.getZipError() != UNZ_OK) return damaged();
        file.close();
        out.push_back(std::move(entry));
    }
    return out;
}

Result<QByteArray> packed(const std::vector<ZipEntry>& entries) {
    const auto cannot = [] { return fail(ErrorKind::Unwritable, "it cannot be packed"); };
    QBuffer buffer;
    QuaZip archive(&buffer);
    archive.setUtf8Enabled(true);
    if (!archive.open(QuaZip::mdCreate)) return cannot();
    for (const auto& [path, bytes] : entries) {
        QuaZipFile file(&archive);
        QuaZipNewInfo info(path);
        // No clock: the same entries give the same file.
        info.dateTime = QDateTime(QDate(2000, 1, 1), QTime(0, 0));
        if (!file.open(QIODevice::WriteOnly, info) || file.write(bytes) != bytes.size()) return cannot();
        file.close();
    }
    archive.close();
    return buffer.data();
}

} // namespace zesty
