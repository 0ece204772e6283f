// Where the stash is, and how it is told from others and from what it was.

#include "io/stash_store.h"

#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>
#include <QUuid>
#include <QtEndian>
#include <sys/stat.h>

namespace zesty {

std::string new_uid() {
    return QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
}

QString living_stash_path() {
    // The window's data folder, whichever program asks.
    return QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation) +
           "/Zesty Panel/papers.stash";
}

StashStamp stash_stamp(const QString& path) {
    QFile file(path);
    struct stat what {};
    if (!file.open(QIODevice::ReadOnly) || fstat(file.handle(), &what) != 0) return {};
    // Bytes 24 to 27 of the head: the file change counter (SQLite's file format, 1.3.7).
    constexpr qint64 counter_at = 24;
    quint32 changes = 0;
    if (file.seek(counter_at) &&
        file.read(reinterpret_cast<char*>(&changes), sizeof changes) == sizeof changes)
        changes = qFromBigEndian(changes);
    return {what.st_ino, changes};
}

std::string page_key(const QString& file) {
    return file.isEmpty() ? std::string() : QFileInfo(file).absoluteFilePath().toStdString();
}

} // namespace zesty
