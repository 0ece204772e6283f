#pragma once
// Bytes in and out of files. Reading has limits; writing is atomic: the old file stays until the new one is
// complete on disk.

#include "core/result.h"

#include <QByteArray>
#include <QString>
#include <memory>

class QIODevice;

namespace zesty {

/// The whole file; refuses anything larger than `most_bytes`.
Result<QByteArray> read_file(const QString& path, qint64 most_bytes = 128LL << 20);

/// Undoes gzip; data that is not gzip comes back as it is.
Result<QByteArray> unzipped(const QByteArray& data, qint64 most_bytes = 256LL << 20);

/// Only a regular file, or a new one in a folder that is there, is written.
Result<void> may_be_written(const QString& path);

Result<void> write_file(const QString& path, const QByteArray& data);

/// Puts a finished file of the same disk in the place of `path`, in one step.
Result<void> put_in_place(const QString& finished, const QString& path);
/// All that is left to read, at most `most_bytes`, into a new file. `name` begins the sentence of an error.
Result<void> copy_to_file(QIODevice& from, const QString& to, qint64 most_bytes, const std::string& name);

} // namespace zesty
