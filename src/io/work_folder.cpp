#include "io/work_folder.h"

#include "io/read_file.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <unistd.h>

namespace zesty {

namespace {

constexpr const char* lock_name = "in-use";
constexpr int most_taken_away = 5;

/// Whoever is killed frees its lock, but cannot take its folder away.
std::unique_ptr<QLockFile> lock_in(const QString& folder) {
    auto out = std::make_unique<QLockFile>(folder + "/" + lock_name);
    out->setStaleLockTime(0); // however long the work takes
    return out;
}

constexpr qint64 locked_within_s = 2; ///< a lock is made and written

/// Of somebody who was killed while making it; nobody's process is named in it.
bool was_never_locked(const QFileInfo& lock) {
    return lock.size() == 0 && lock.lastModified().secsTo(QDateTime::currentDateTime()) > locked_within_s;
}

/// Only what is ours, and has been locked once, or is empty: whoever is just about to lock that makes
/// another.
void clear_what_was_left(const QString& place, const QString& begins) {
    const auto left =
        QDir(place).entryInfoList({begins + "??????"}, QDir::Dirs | QDir::Hidden | QDir::NoSymLinks);
    for (const QFileInfo& folder : left) {
        if (folder.ownerId() != ::getuid()) continue;
        const QFileInfo lock_file(folder.filePath() + "/" + lock_name);
        if (!lock_file.exists()) {
            QDir().rmdir(folder.filePath()); // fails where there is anything in it
            continue;
        }
        if (was_never_locked(lock_file)) QFile::remove(lock_file.filePath());
        if (const auto lock = lock_in(folder.filePath()); lock->tryLock(0))
            QDir(folder.filePath()).removeRecursively();
    }
}

} // namespace

WorkFolder::WorkFolder(const QString& pattern) : folder_(pattern), in_use_(lock_in(folder_.path())) {}

Result<std::shared_ptr<const WorkFolder>> WorkFolder::in(const QString& place, const QString& begins) {
    clear_what_was_left(place, begins);
    std::shared_ptr<WorkFolder> out;
    for (int taken_away = 0; taken_away < most_taken_away; ++taken_away) {
        out.reset(new WorkFolder(place + "/" + begins + "XXXXXX"));
        if (out->folder_.isValid() && out->in_use_->tryLock(0)) return out;
        if (!out->folder_.isValid() || QFileInfo::exists(out->folder_.path())) break;
    }
    // A lock is a few bytes: where they are allowed and do not go, there is no room for them.
    const bool full = out->folder_.isValid() && out->in_use_->error() == QLockFile::UnknownError;
    return fail(ErrorKind::Unwritable,
                place.toStdString() + (full ? ": there is no space left on the disk"
                                            : ": nothing can be written into this folder"));
}

Result<std::shared_ptr<const WorkFolder>> folder_beside(const QString& path) {
    if (auto r = may_be_written(path); !r) return tl::make_unexpected(r.error());
    return WorkFolder::in(QFileInfo(path).absolutePath(), ".zesty-");
}

} // namespace zesty
