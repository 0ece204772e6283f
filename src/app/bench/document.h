#pragma once
// The project on the bench and its history. Every change goes through edit(), so every change can be undone.

#include "core/project/project.h"
#include "core/result.h"
#include "io/file_stamp.h"

#include <QObject>
#include <QUndoStack>
#include <functional>

namespace zesty {

class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(QObject* parent = nullptr);

    const Project& project() const { return project_; }
    const QUndoStack& history() const { return history_; }
    void undo();
    void redo();
    const QString& path() const { return path_; }
    bool changed() const { return !history_.isClean(); }

    /// Makes `next` the project, its numbers within the limits they are stored with, as one step named after
    /// the intention. Steps with the same `drag` number above 0 that follow each other become one. Nothing
    /// happens when nothing changes, or where it takes for the page what others have used meanwhile.
    /// Gives whether the step was made.
    bool edit(const QString& intention, Project next, int drag = 0);
    /// A number no drag has had yet.
    int new_drag() { return ++drags_; }
    /// As edit(), on a copy.
    template <class Change> void change(const QString& intention, Change apply, int drag = 0) {
        Project next = project_;
        apply(next);
        edit(intention, std::move(next), drag);
    }

    /// A change of papers, which those of the stash make there as well; undoing it takes back just what it
    /// did. Papers that are new become the stash's.
    void change_papers(const QString& intention, const std::function<Stash(const Stash&)>& change,
                       int drag = 0);
    /// What the stash that is open has now. No step: it is others' doing.
    void use_stash(std::shared_ptr<const Stash> living);
    const Stash& living_stash() const { return *living_; }
    /// A page that comes from a file, with the papers at hand.
    Project at_hand(Project page) const;

    /// Begins anew with another project; the history is empty after that. `stamp`: what its file is like.
    void reset(Project project, const QString& path, const FileStamp& stamp = {});
    void saved_as(const QString& path, const FileStamp& stamp);
    /// What the file was like when it was opened or saved last.
    const FileStamp& stamp() const { return stamp_; }
    /// The person has been told of what the file is like now.
    void file_known_as(const FileStamp& stamp) { stamp_ = stamp; }

    /// Writes what a step takes for the page, or gives back, before the step is made: an error where that
    /// cannot be done whole.
    using Take = std::function<Result<void>(const std::shared_ptr<const Stash>& before,
                                            const std::shared_ptr<const Stash>& after)>;
    void take_by(Take take) { take_ = std::move(take); }

signals:
    /// A step that cannot be made, with the reason in one sentence.
    void refused(const QString& why);
    /// Of the stash's papers, before and after.
    void papers_changed(std::shared_ptr<const zesty::Stash> before,
                        std::shared_ptr<const zesty::Stash> after);
    void project_changed();
    void path_changed();

private:
    friend class EditCommand;
    /// Where the papers of the two differ, the difference is made to those at hand.
    void show(const Project& from, const Project& to);
    bool may_go(const Project& from, const Project& to);

    static void give_uids(Project& project);

    Project project_;
    std::shared_ptr<const Stash> living_ = std::make_shared<const Stash>();
    QUndoStack history_;
    QString path_;
    FileStamp stamp_;
    int drags_ = 0;
    Take take_;
};

} // namespace zesty
