#pragma once
// The project on the bench and its history. Every change goes through edit(), so every change can be undone.

#include "core/project/project.h"
#include "io/project_file.h"

#include <QObject>
#include <QUndoStack>

namespace zesty {

class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(QObject* parent = nullptr);

    const Project& project() const { return project_; }
    QUndoStack& history() { return history_; }
    const QString& path() const { return path_; }
    bool changed() const { return !history_.isClean(); }

    /// Makes `next` the project, its numbers within the limits they are stored with, as one step named after
    /// the intention. Steps with the same `drag` number above 0 that follow each other become one. Nothing
    /// happens when nothing changes.
    void edit(const QString& intention, Project next, int drag = 0);
    /// A number no drag has had yet.
    int new_drag() { return ++drags_; }
    /// As edit(), on a copy.
    template <class Change> void change(const QString& intention, Change apply, int drag = 0) {
        Project next = project_;
        apply(next);
        edit(intention, std::move(next), drag);
    }

    /// Begins anew with another project; the history is empty after that. `stamp`: what its file is like.
    void reset(Project project, const QString& path, const FileStamp& stamp = {});
    void saved_as(const QString& path, const FileStamp& stamp);
    /// What the file was like when it was opened or saved last.
    const FileStamp& stamp() const { return stamp_; }
    /// The person has been told of what the file is like now.
    void file_known_as(const FileStamp& stamp) { stamp_ = stamp; }

signals:
    void project_changed();
    void path_changed();

private:
    friend class EditCommand;
    void show(const Project& project);

    Project project_;
    QUndoStack history_;
    QString path_;
    FileStamp stamp_;
    int drags_ = 0;
};

} // namespace zesty
