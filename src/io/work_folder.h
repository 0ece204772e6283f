#pragma once
// A folder for work in hand that is too large for memory, on the disk its result goes to. It goes with its
// owner; what a program that was killed has left of one goes when the next is made in the same place.

#include "core/result.h"

#include <QLockFile>
#include <QString>
#include <QTemporaryDir>
#include <memory>

namespace zesty {

class WorkFolder {
public:
    /// In a folder that is there. `begins` is how its name begins: a dot hides it.
    static Result<std::shared_ptr<const WorkFolder>> in(const QString& place, const QString& begins);

    QString path() const { return folder_.path(); }
    QString file(const QString& name) const { return folder_.filePath(name); }

private:
    explicit WorkFolder(const QString& pattern);

    QTemporaryDir folder_;
    std::unique_ptr<QLockFile> in_use_; ///< goes first
};

/// A hidden one beside a file that may be written.
Result<std::shared_ptr<const WorkFolder>> folder_beside(const QString& path);

} // namespace zesty
