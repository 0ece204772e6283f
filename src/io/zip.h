#pragma once
// ZIP archives, put together and, within limits, taken apart: in memory, or piece by piece where they may be
// too large for it.

#include "core/result.h"

#include <QByteArray>
#include <QString>
#include <functional>
#include <vector>

class QIODevice;

namespace zesty {

struct ZipEntry {
    QString path;
    QByteArray bytes;
};

/// The wanted entries in the order of the archive. An error of kind Unreadable is no archive, BadInput a
/// damaged or locked one, TooLarge one whose wanted entries unpack to more than `most_bytes`; callers say
/// what it was.
Result<std::vector<ZipEntry>> unpacked(const QByteArray& data, qint64 most_bytes,
                                       const std::function<bool(const QString& path)>& wanted);

/// The wanted ones one after the other: `take` reads `bytes`, which are `size` if the archive tells the
/// truth; its error ends it. Errors as above but for TooLarge, which is up to `take`.
Result<void>
each_entry(QIODevice& archive, const std::function<bool(const QString& path)>& wanted,
           const std::function<Result<void>(const QString& path, QIODevice& bytes, qint64 size)>& take);

/// An archive of these, the same for the same entries. Unwritable where it cannot be packed.
Result<QByteArray> packed(const std::vector<ZipEntry>& entries);

struct ZipFile {
    QString path; ///< in the archive
    QString file; ///< on disk, where its bytes are
};
/// The same of files, which are packed fast rather than small, into a new file.
Result<void> pack_files(const std::vector<ZipFile>& files, const QString& to);

} // namespace zesty
