#include "app/bench/document.h"

#include "io/project_json.h"

#include <QUndoCommand>

namespace zesty {

class EditCommand : public QUndoCommand {
public:
    EditCommand(Document& document, const QString& text, Project next, int drag)
        : QUndoCommand(text), document_(document), before_(document.project()), after_(std::move(next)),
          drag_(drag) {}

    void redo() override { document_.show(after_); }
    void undo() override { document_.show(before_); }
    int id() const override { return drag_ > 0 ? drag_ : -1; }
    bool mergeWith(const QUndoCommand* other) override {
        after_ = static_cast<const EditCommand*>(other)->after_;
        setObsolete(after_ == before_);
        return true;
    }

private:
    Document& document_;
    Project before_;
    Project after_;
    int drag_;
};

Document::Document(QObject* parent) : QObject(parent) {}

void Document::show(const Project& project) {
    project_ = project;
    emit project_changed();
}

void Document::edit(const QString& intention, Project next, int drag) {
    bring_within_limits(next);
    if (next == project_) return;
    history_.push(new EditCommand(*this, intention, std::move(next), drag));
}

void Document::reset(Project project, const QString& path, const FileStamp& stamp) {
    history_.clear();
    project_ = std::move(project);
    path_ = path;
    stamp_ = stamp;
    emit path_changed();
    emit project_changed();
}

void Document::saved_as(const QString& path, const FileStamp& stamp) {
    path_ = path;
    stamp_ = stamp;
    history_.setClean();
    emit path_changed();
}

} // namespace zesty
