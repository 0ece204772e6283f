// What the window does about papers: proposals, giving, the papers themselves, and pins on the sheets.

#include "app/bench/bench_window.h"
#include "app/bench/drawer.h"
#include "app/papers/opening_part.h"
#include "app/papers/paper_part.h"
#include "app/papers/papers_panel.h"
#include "app/papers/propose_part.h"
#include "app/sheets/sheets_panel.h"
#include "app/bench/wording.h"
#include "core/project/edits.h"
#include "core/project/hand_edits.h"
#include "core/project/later.h"

#include <QFileInfo>

namespace zesty {

void BenchWindow::connect_paper_actions() {
    const auto on = [this](Act act, auto slot) { connect(actions_[act], &QAction::triggered, this, slot); };
    on(Act::Give, [this] {
        const auto& stash = document_.project().stash;
        const int paper = state_.picked();
        if (stash && paper >= 0) give(words(stash->papers[paper].id), state_.side_up(paper), selection());
    });
    on(Act::TakeAway, [this] { give({}, Side::A, selection()); });
    on(Act::Propose, [this] {
        if (worker_.proposing()) {
            worker_.stop_proposing();
            return;
        }
        state_.set_offers({});
        state_.go_to(Waypoint::Papers);
        worker_.propose(document_.project());
        if (papers_panel_->chosen() != PapersPanel::Aims) papers_panel_->choose(PapersPanel::Propose);
        papers_panel_->propose_part().show_proposing(true);
    });
    on(Act::TakeProposal, [this] {
        if (!state_.offer()) return;
        document_.edit("Take the proposed papers", state_.take_offer());
    });
    on(Act::TakeForSelection, [this] { take_for_selection(); });
    on(Act::NextProposal, [this] { state_.show_offer(state_.shown_offer() + 1); });
    on(Act::SideBySide, [this] { state_.show_side_by_side(!state_.side_by_side()); });
    on(Act::TurnPaper, [this] {
        const auto& stash = document_.project().stash;
        const int paper = state_.picked();
        if (!stash || paper < 0) return;
        if (stash->papers[paper].has(Side::B))
            state_.turn_over(paper);
        else
            say(words(stash->papers[paper].name) + " has one side that is worth showing.", false);
    });
    on(Act::PhotoPicture, [this] {
        if (state_.photo_in_hand(document_.project()) < 0) {
            say("Take a photo in hand first.", true);
            return;
        }
        const QString path = questions_.open_picture(this, settings_.last_folder());
        if (!path.isEmpty()) worker_.read_photo_picture(path);
    });
    on(Act::FindPaper, [this] { drawer_->look_for(); });
    on(Act::Pin, [this] { pin_selection(true); });
    on(Act::Unpin, [this] { pin_selection(false); });
    on(Act::Reserve, [this] {
        reserve_for_others();
        sheets_panel_->choose(SheetsPanel::Leftovers);
    });
}

void BenchWindow::connect_papers() {
    connect(&papers_panel_->opening_part(), &OpeningPart::give, this,
            [this](const QString& id, Side side) { give(id, side, selection()); });
    connect(&papers_panel_->opening_part(), &OpeningPart::lock_changed, this, [this](bool locked) {
        document_.change(locked ? "Keep the paper" : "Let the paper be proposed anew", [&](Project& p) {
            if (!state_.plan()) return;
            change_sections(p, sections_with(selection()), [&](PaperChoice& c) { c.locked = locked; });
        });
    });
    connect(&worker_, &Worker::reserved, &state_, &BenchState::show_reserved);
    connect(&document_, &Document::path_changed, this,
            [this] { worker_.look_up_reserved(settings_.own_papers(), document_.path()); });
    PaperPart* paper = &papers_panel_->paper_part();
    connect(paper, &PaperPart::ask_picture, this, [this, paper](PaperPart::PictureFor what) {
        const QString path = questions_.open_picture(this, settings_.last_folder());
        if (path.isEmpty()) return;
        paper->expect(what);
        worker_.read_paper_picture(path, paper->crops());
    });
    connect(paper, &PaperPart::ask_scrap, this, [this] {
        const QString path = questions_.open_picture(this, settings_.last_folder());
        if (!path.isEmpty()) worker_.measure_scrap(path);
    });
    connect(paper, &PaperPart::load_own, this, [this] {
        const QString path = settings_.own_papers();
        if (QFileInfo::exists(path))
            worker_.open_stash(path);
        else
            say("You have no papers of your own yet: Keep puts these among them.", false);
    });
    connect(paper, &PaperPart::keep_own, this, [this] {
        if (document_.project().stash)
            worker_.keep_papers(document_.project().stash.pointer(), settings_.own_papers());
    });
    connect(&worker_, &Worker::paper_picture_read, this,
            [paper](const std::shared_ptr<const Stash>& read) { paper->take_picture(*read); });
    connect(&worker_, &Worker::scrap_measured, this,
            [paper](const Polygon& outline) { paper->take_scrap(outline); });
    connect(&worker_, &Worker::papers_kept, this, [this](int count, const QString&) {
        say(counted(static_cast<std::size_t>(count), "paper is", "papers are") + " among your own now.",
            false);
    });
    connect(&worker_, &Worker::photo_picture_read, this, [this](const Shared<BroughtPicture>& picture) {
        document_.change("Picture of the photo", [&](Project& p) {
            if (const int i = state_.photo_in_hand(p); i >= 0)
                p.set_out.photos[static_cast<std::size_t>(i)].picture = picture;
        });
    });
}

void BenchWindow::give(const QString& paper_id, Side side, std::vector<int> openings) {
    if (openings.empty() || !state_.plan()) return;
    document_.change(paper_id.isEmpty() ? "Take the paper away" : "Give a paper", [&](Project& p) {
        give_paper(p, sections_with(openings), paper_id.toStdString(), side);
    });
}

/// What it has there is kept by later proposals.
void BenchWindow::take_for_selection() {
    const Offer* offer = state_.offer();
    if (!offer || state_.selected().empty()) return;
    const std::vector<Spot> sections = sections_with(selection());
    Project next = document_.project();
    for (const Spot s : sections) {
        const PaperChoice& there = offer->project.match.choice(s);
        change_sections(next, {s}, [&](PaperChoice& c) {
            c.paper = there.paper;
            c.side = there.side;
            c.locked = !there.paper.empty();
        });
    }
    document_.edit("Take the proposal for the selection", std::move(next));
}

/// A page that is saved says what it takes, so that other pages know.
void BenchWindow::reserve_papers(const Project& project, const QString& path) {
    const auto plan = state_.own_plan();
    if (!plan || !plan->sheets.done || !project.stash ||
        plan->papers.uses.size() != project.stash->papers.size())
        return;
    const std::string name = name_of_page(project, QFileInfo(path).completeBaseName().toStdString());
    worker_.reserve(settings_.own_papers(), path, pieces_taken(project, *plan, name));
}

/// What they have reserved now; where that is kept already, or is nothing any more, no room.
void BenchWindow::reserve_for_others() {
    const Project& project = document_.project();
    const std::vector<ReservedPiece> wanted = of_this_stash(project, state_.wanted_elsewhere());
    const bool leave = !wanted.empty() && !reserves_just(project, wanted);
    if (!leave && pages_reserved_for(project).empty()) {
        say("No other page that was saved with these papers wants a piece of them.", false);
        return;
    }
    document_.change(leave ? "Leave room for other pages" : "Leave no room for other pages", [&](Project& p) {
        stop_reserving_for_pages(p);
        if (leave) reserve_for(p, wanted);
    });
}

void BenchWindow::pin_selection(bool on) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sheets.done) return;
    document_.change(on ? "Pin the patch" : "Let the patch lie anywhere", [&](Project& p) {
        for (int o : state_.selected()) {
            const int patch = plan->patch_of(o);
            if (patch < 0) continue;
            if (!on)
                p.sheets.pins.erase(plan->sections.spots[o]);
            else if (plan->sheets.placed[patch].sheet >= 0)
                p.sheets.pins[plan->sections.spots[o]] =
                    *pinned(*plan, patch, plan->sheets.placed[patch].sheet);
        }
    });
}

void BenchWindow::apply(const Fix& fix) {
    document_.change(words(fix.label()), [&](Project& p) { fix.apply(p); });
}

} // namespace zesty
