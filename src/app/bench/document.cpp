#include "app/bench/document.h"

#include "core/project/page_record_of.h"
#include "core/project/papers_named.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
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

    void redo() override { document_.show(before_, after_); }
    void undo() override { document_.show(after_, before_); }
    const Project& before() const { return before_; }
    const Project& after() const { return after_; }
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

namespace {

bool takes_for_page(const Project& from, const Project& to) {
    return from.keep.takings != to.keep.takings;
}

std::shared_ptr<const Stash> living_part_of(const Project& project) {
    return std::make_shared<const Stash>(living_part(stash_at_hand(project)));
}

} // namespace

void Document::show(const Project& from, const Project& to) {
    const bool changes_papers = !(to.stash == from.stash);
    Shared<Stash> papers = changes_papers ? to.stash : project_.stash;
    if (changes_papers && !(project_.stash == from.stash))
        papers = std::make_shared<const Stash>(
            carried_over(stash_at_hand(from), stash_at_hand(to), stash_at_hand(project_)));
    project_ = to;
    project_.stash = std::move(papers);
    if (changes_papers && !takes_for_page(from, to))
        emit papers_changed(living_part_of(from), living_part_of(to));
    emit project_changed();
}

bool Document::may_go(const Project& from, const Project& to) {
    if (!take_ || !takes_for_page(from, to) || to.stash == from.stash) return true;
    const auto taken = take_(living_part_of(from), living_part_of(to));
    if (!taken) emit refused(QString::fromStdString(sentence(taken.error().message)));
    return taken.has_value();
}

void Document::undo() {
    const auto* step = static_cast<const EditCommand*>(history_.command(history_.index() - 1));
    if (step && may_go(step->after(), step->before())) history_.undo();
}

void Document::redo() {
    const auto* step = static_cast<const EditCommand*>(history_.command(history_.index()));
    if (step && may_go(step->before(), step->after())) history_.redo();
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

bool Document::edit(const QString& intention, Project next, int drag) {
    bring_within_limits(next);
    give_uids(next);
    if (next == project_) return false;
    if (!(next.keep.notes == project_.keep.notes && next.title == project_.title)) notes_into_record(next);
    if (!may_go(project_, next)) return false;
    history_.push(new EditCommand(*this, intention, std::move(next), drag));
    return true;
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
