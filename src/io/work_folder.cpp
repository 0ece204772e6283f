#include "io/work_folder.h"

#include "io/read_file.h"

#include <QDir>
#include <QFileInfo>
#include <unistd.h>

namespace zesty {

namespace {

constexpr const char* lock_name = "in-use";

/// Whoever is killed frees its lock, but cannot take its folder away.
std::unique_ptr<QLockFile> lock_in(const QString& folder) {
    auto out = std::make_unique<QLockFile>(folder + "/" + lock_name);
    out->setStaleLockTime(0); // however long the work takes
    return out;
}

/// Only what is ours, and has been locked once.
void clear_what_was_left(const QString& place, const QString& begins) {
    const auto left =
        QDir(place).entryInfoList({begins + "??????"}, QDir::Dirs | QDir::Hidden | QDir::NoSymLinks);
    for (const QFileInfo& folder : left) {
        if (folder.ownerId() != ::getuid() || !QFileInfo::exists(folder.filePath() + "/" + lock_name))
            continue;
        if (const auto lock = lock_in(folder.filePath()); lock->tryLock(0))
            QDir(folder.filePath()).removeRecursively();
    }
}

} // namespace

WorkFolder::WorkFolder(const QString& pattern) : folder_(pattern), in_use_(lock_in(folder_.path())) {}

Result<std::shared_ptr<const WorkFolder>> WorkFolder::in(const QString& place, const QString& begins) {
    clear_what_was_left(place, begins);
    const std::shared_ptr<WorkFolder> out(new WorkFolder(place + "/" + begins + "XXXXXX"));
    if (out->folder_.isValid() && out->in_use_->tryLock(0)) return out;
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
