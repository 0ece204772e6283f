// Where the stash is, and how it is told from others.

#include "io/stash_store.h"

#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>
#include <QUuid>
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

quint64 stash_file(const QString& path) {
    struct stat what {};
    return ::stat(QFile::encodeName(path).constData(), &what) == 0 ? what.st_ino : 0;
}

std::string page_key(const QString& file) {
    return file.isEmpty() ? std::string() : QFileInfo(file).absoluteFilePath().toStdString();
}

} // namespace zesty
