#pragma once
// Whether a file is still what it was when it was read or written last.

#include <QByteArray>
#include <QString>

namespace zesty {

/// What a file was like, to notice that somebody else has changed or removed it.
struct FileStamp {
    bool there = false;
    QByteArray digest; ///< SHA-256 of its bytes
    bool operator==(const FileStamp&) const = default;
};
/// Of a file that cannot be read: as if it were not there.
FileStamp stamp_of(const QString& path);

} // namespace zesty
