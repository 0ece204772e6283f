#pragma once
// ZIP archives, put together and, within limits, taken apart.

#include "core/result.h"

#include <QByteArray>
#include <QString>
#include <functional>
#include <vector>

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

/// An archive of these, the same for the same entries. Unwritable where it cannot be packed.
Result<QByteArray> packed(const std::vector<ZipEntry>& entries);

} // namespace zesty
