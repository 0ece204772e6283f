#pragma once
// Work in hand, kept where nothing of the user's lies, until it is saved or thrown away.
//
// Every window has an entry of its own in the folder: the project, a few words about it and a small picture
// of the page. It holds a lock on it as long as it lives; an entry that nobody holds was left behind by a
// crash.

#include "core/project/project.h"
#include "core/result.h"

#include <QDateTime>
#include <QImage>
#include <QString>
#include <memory>
#include <vector>

namespace zesty {

/// The entry of one window. Calls may come from any one thread at a time.
class Autosave {
public:
    /// Nothing is written before the first keep().
    explicit Autosave(const QString& folder);
    ~Autosave();
    Autosave(const Autosave&) = delete;
    Autosave& operator=(const Autosave&) = delete;

    /// In the place of what was kept before, in one step. `path`: the file of the project, empty where it has
    /// none.
    Result<void> keep(const Project& project, const QString& path, const QImage& page);
    /// What is saved or thrown away need not be kept.
    void forget();

private:
    Result<void> hold();
    QString folder_;
    QString id_;
    int lock_ = -1;
};

/// Work that a crash left behind.
struct LeftWork {
    QString id;
    QString title;
    QString path; ///< of the project's file; empty where it had none
    QDateTime kept_at;
    QImage page;
};

/// Newest first. Entries that a living window holds are not among them; damaged ones are passed over.
std::vector<LeftWork> left_work(const QString& folder);
Result<Project> open_left_work(const QString& folder, const QString& id);
void throw_away_left_work(const QString& folder, const QString& id);

} // namespace zesty
