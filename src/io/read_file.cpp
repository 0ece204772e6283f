#include "io/read_file.h"

#include <QFile>
#include <QFileInfo>
#include <QSaveFile>
#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <unistd.h>
#include <zlib.h>

namespace zesty {

namespace {

constexpr qint64 at_once = 4LL << 20; ///< read or written

tl::unexpected<Error> larger_than(const std::string& name, qint64 most_bytes) {
    return fail(ErrorKind::TooLarge,
                name + ": larger than the " + std::to_string(most_bytes >> 20) + " MB that are read");
}

tl::unexpected<Error> unwritten(const std::string& name, const QFileDevice& file) {
    const bool full =
        file.error() == QFileDevice::ResourceError || errno == ENOSPC || errno == EDQUOT || errno == EFBIG;
    return fail(ErrorKind::Unwritable,
                name + (full ? ": there is no space left on the disk"
                             : ": cannot be written: " + file.errorString().toStdString()));
}

} // namespace

Result<QByteArray> read_file(const QString& path, qint64 most_bytes) {
    const std::string name = path.toStdString();
    const QFileInfo info(path);
    if (!info.exists()) return fail(ErrorKind::Unreadable, name + ": there is no such file");
    if (!info.isFile()) return fail(ErrorKind::Unreadable, name + ": this is not a file");
    if (info.size() > most_bytes) return larger_than(name, most_bytes);
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly))
        return fail(ErrorKind::Unreadable, name + ": " + file.errorString().toStdString());
    // What says it is empty may still go on for ever; and what may be large is not to take the room for it.
    QByteArray data;
    while (data.size() <= most_bytes) {
        const QByteArray more = file.read(std::min(at_once, most_bytes + 1 - data.size()));
        if (more.isEmpty()) break;
        data += more;
    }
    if (data.size() > most_bytes) return larger_than(name, most_bytes);
    return data;
}

Result<QByteArray> unzipped(const QByteArray& data, qint64 most_bytes) {
    if (!data.startsWith("\x1f\x8b")) return data;
    z_stream z{};
    if (inflateInit2(&z, 15 + 16) != Z_OK)
        return fail(ErrorKind::BadInput, "the gzip data cannot be unpacked");
    z.next_in = reinterpret_cast<Bytef*>(const_cast<char*>(data.data()));
    z.avail_in = static_cast<uInt>(data.size());
    QByteArray out;
    QByteArray chunk(1 << 20, Qt::Uninitialized);
    int state = Z_OK;
    while (state == Z_OK && out.size() <= most_bytes) {
        z.next_out = reinterpret_cast<Bytef*>(chunk.data());
        z.avail_out = static_cast<uInt>(chunk.size());
        state = inflate(&z, Z_NO_FLUSH);
        out.append(chunk.constData(), chunk.size() - z.avail_out);
        if (state == Z_BUF_ERROR) break;
    }
    inflateEnd(&z);
    if (out.size() > most_bytes)
        return fail(ErrorKind::TooLarge, "the compressed drawing unpacks to more than " +
                                             std::to_string(most_bytes >> 20) + " MB");
    if (state != Z_STREAM_END)
        return fail(ErrorKind::BadInput, "the compressed drawing is damaged or cut short");
    return out;
}

Result<void> may_be_written(const QString& path) {
    const std::string name = path.toStdString();
    const QFileInfo there(path);
    if (there.exists() && !there.isFile())
        return fail(ErrorKind::Unwritable, name + ": this is not a file, so nothing is written over it");
    if (!QFileInfo(there.absolutePath()).isDir())
        return fail(ErrorKind::Unwritable, name + ": there is no such folder");
    return {};
}

Result<void> write_file(const QString& path, const QByteArray& data) {
    const std::string name = path.toStdString();
    if (auto r = may_be_written(path); !r) return r;
    QSaveFile file(path);
    if (file.open(QIODevice::WriteOnly) && file.write(data) == data.size() && file.commit()) return {};
    return unwritten(name, file);
}

Result<void> put_in_place(const QString& finished, const QString& path) {
    const std::string name = path.toStdString();
    if (auto r = may_be_written(path); !r) return r;
    QFile file(finished);
    // On the disk before it has the name, or a power cut leaves neither the old nor the new.
    if (!file.open(QIODevice::ReadWrite | QIODevice::ExistingOnly) || ::fsync(file.handle()) != 0)
        return unwritten(name, file);
    file.close();
    if (std::rename(QFile::encodeName(finished).constData(), QFile::encodeName(path).constData()) != 0)
        return fail(ErrorKind::Unwritable, name + ": cannot be written: " + qt_error_string().toStdString());
    return {};
}

Result<void> copy_to_file(QIODevice& from, const QString& to, qint64 most_bytes, const std::string& name) {
    QFile file(to);
    if (!file.open(QIODevice::WriteOnly | QIODevice::NewOnly)) return unwritten(name, file);
    qint64 total = 0;
    for (QByteArray some = from.read(at_once); !some.isEmpty(); some = from.read(at_once)) {
        total += some.size();
        if (total > most_bytes) return larger_than(name, most_bytes);
        if (file.write(some) != some.size()) return unwritten(name, file);
    }
    file.close();
    if (file.error() != QFileDevice::NoError) return unwritten(name, file);
    return {};
}

} // namespace zesty
