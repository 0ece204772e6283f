#pragma once
// ZIP archives taken apart, within limits.

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

} // namespace zesty
