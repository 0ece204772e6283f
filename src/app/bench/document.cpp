#include "app/bench/document.h"

#include "core/project/page_record_of.h"
#include "core/project/papers_named.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/sharing.h"
#include "io/project_json.h"
#include "io/stash_store.h"

#include <QUndoCommand>
#include <algorithm>

namespace zesty {

class EditCommand : public QUndoCommand {
public:
    EditCommand(Document& document, const QString& text, Project next, int drag)
        : QUndoCommand(text), document_(document), before_(document.project()), after_(std::move(next)),
          drag_(drag) {}

    void redo() override { document_.show(after_, before_.stash); }
    void undo() override { document_.show(before_, after_.stash); }
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

void Document::show(const Project& project, const Shared<Stash>& papers_before) {
    const Shared<Stash> now = project_.stash;
    const Shared<Stash> wanted = project.stash;
    project_ = project;
    project_.stash = now;
    if (!(wanted == papers_before)) {
        static const Stash none;
        const Stash& before = papers_before ? *papers_before : none;
        const Stash& after = wanted ? *wanted : none;
        if (now == papers_before)
            project_.stash = wanted;
        else
            project_.stash =
                std::make_shared<const Stash>(carried_over(before, after, stash_at_hand(project_)));
        emit papers_changed(std::make_shared<const Stash>(living_part(before)),
                            std::make_shared<const Stash>(living_part(after)));
    }
    emit project_changed();
}

Project Document::at_hand(Project page) const {
    page.stash = std::make_shared<const Stash>(joined(stash_at_hand(page), *living_, papers_named(page)));
    notes_from_record(page);
    return page;
}

void Document::use_stash(std::shared_ptr<const Stash> living) {
    living_ = std::move(living);
    Project now = at_hand(project_);
    if (now.stash == project_.stash && now.keep == project_.keep) return;
    project_ = std::move(now);
    emit project_changed();
}

void Document::change_papers(const QString& intention, const std::function<Stash(const Stash&)>& change,
                             int drag) {
    const Stash& now = stash_at_hand(project_);
    Stash next = change(now);
    for (Paper& p : next.papers)
        if (find_same(now, p) < 0) p.in_stash = true;
    Project project = project_;
    project.stash = std::make_shared<const Stash>(std::move(next));
    edit(intention, std::move(project), drag);
}

/// Every paper of the stash is known by something it keeps wherever it goes.
void Document::give_uids(Project& project) {
    const Stash& papers = stash_at_hand(project);
    const auto nameless = [](const auto& things) {
        return std::any_of(things.begin(), things.end(),
                           [](const auto& t) { return t.in_stash && t.uid.empty(); });
    };
    if (!nameless(papers.papers) && !nameless(papers.embellishments) && !nameless(papers.letters)) return;
    Stash named = papers;
    const auto name = [](auto& things) {
        for (auto& t : things)
            if (t.in_stash && t.uid.empty()) t.uid = new_uid();
    };
    name(named.papers);
    name(named.embellishments);
    name(named.letters);
    project.stash = std::make_shared<const Stash>(std::move(named));
}

void Document::edit(const QString& intention, Project next, int drag) {
    bring_within_limits(next);
    give_uids(next);
    if (next == project_) return;
    if (!(next.keep.notes == project_.keep.notes && next.title == project_.title)) notes_into_record(next);
    history_.push(new EditCommand(*this, intention, std::move(next), drag));
}

void Document::reset(Project project, const QString& path, const FileStamp& stamp) {
    history_.clear();
    project_ = at_hand(std::move(project));
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
