#include "app/papers/papers_waypoint.h"

#include "app/bench/worker.h"
#include "app/page/page_overlays.h"
#include "app/papers/fussy_cut_view.h"
#include "app/papers/opening_part.h"
#include "app/papers/paper_part.h"
#include "app/papers/papers_panel.h"
#include "app/papers/pattern_drag.h"
#include "app/papers/proposals_view.h"
#include "app/papers/propose_part.h"
#include "core/project/edits.h"

namespace zesty {

namespace {
constexpr int aims_pause_ms = 350;
}

PapersWaypoint::PapersWaypoint(const BenchParts& bench, QObject* parent) : WaypointView(bench, parent) {
    aims_timer_.setSingleShot(true);
    connect(&aims_timer_, &QTimer::timeout, this, [this] {
        if (!bench_.worker.proposing()) propose();
    });
    connect_actions();
}

void PapersWaypoint::make() {
    panel_ = new PapersPanel(bench_.document, bench_.state, bench_.actions, bench_.worker, bench_.side);
    proposals_ = new ProposalsView(bench_.state, bench_.middle);
    fussy_cuts_ = new FussyCutView(bench_.document, bench_.state, bench_.worker, bench_.middle);
    connect(fussy_cuts_, &FussyCutView::say, this,
            [this](const QString& message, bool trouble) { bench_.say(message, trouble); });
    connect_panel();
    connect_proposals();
}

QWidget* PapersWaypoint::panel() const {
    return panel_;
}

QWidget* PapersWaypoint::middle() const {
    if (bench_.state.drawer().cuts_out()) return fussy_cuts_;
    return bench_.state.offers().side_by_side() ? static_cast<QWidget*>(proposals_) : nullptr;
}

bool PapersWaypoint::middle_up_to_date() const {
    return !proposals_ || proposals_->up_to_date();
}

void PapersWaypoint::paint_on_page(QPainter& painter, const PageMap& map, const Project&,
                                   const Plan& plan) const {
    if (plan.sections.cut) paint_papers(painter, map, plan);
}

QString PapersWaypoint::hint() const {
    return bench_.state.tools().tool() == PageTools::Tool::MovePattern
               ? "Drag the pattern in an opening to where you want it; the arrow keys push it."
               : WaypointView::hint();
}

std::unique_ptr<PageDrag> PapersWaypoint::press(const PageHands& hands, const PagePress& press) const {
    const bool moves =
        bench_.state.tools().tool() == PageTools::Tool::MovePattern && !bench_.state.offers().shown();
    return moves && press.opening >= 0 ? begin_moving_pattern(hands, press)
                                       : WaypointView::press(hands, press);
}

Qt::CursorShape PapersWaypoint::cursor_at(const PageHands&, QPointF) const {
    return bench_.state.tools().tool() == PageTools::Tool::MovePattern ? Qt::OpenHandCursor : Qt::ArrowCursor;
}

bool PapersWaypoint::push(const PageHands& hands, Point way, bool more) const {
    return bench_.state.tools().tool() == PageTools::Tool::MovePattern &&
           push_pattern(hands, way * (more ? 4 : 1));
}

void PapersWaypoint::connect_actions() {
    on(Act::Give, [this] {
        const auto& stash = bench_.document.project().stash;
        const int paper = bench_.state.drawer().picked();
        if (stash && paper >= 0)
            give(words(stash->papers[paper].id), bench_.state.drawer().side_up(paper), selection());
    });
    on(Act::TakeAway, [this] { give({}, Side::A, selection()); });
    on(Act::Propose, [this] { propose(); });
    on(Act::TakeProposal, [this] {
        if (bench_.state.offers().shown())
            bench_.document.edit("Take the proposed papers", bench_.state.take_offer());
    });
    on(Act::TakeForSelection, [this] { take_for_selection(); });
    on(Act::NextProposal, [this] { bench_.state.offers().show(bench_.state.offers().number() + 1); });
    on(Act::SideBySide,
       [this] { bench_.state.offers().show_side_by_side(!bench_.state.offers().side_by_side()); });
    on(Act::TurnPaper, [this] { turn_picked(); });
}

void PapersWaypoint::connect_panel() {
    connect(&panel_->opening_part(), &OpeningPart::give, this,
            [this](const QString& id, Side side) { give(id, side, selection()); });
    connect(&panel_->opening_part(), &OpeningPart::lock_changed, this, [this](bool locked) {
        if (!bench_.state.plan()) return;
        bench_.document.change(locked ? "Lock the paper" : "Unlock the paper",
                               [&](Project& p) { lock_papers(p, sections_with(selection()), locked); });
    });
    PaperPart* paper = &panel_->paper_part();
    const auto ask = [this] {
        return bench_.questions.open_picture(bench_.window, bench_.settings.last_folder());
    };
    connect(paper, &PaperPart::ask_picture, this, [this, paper, ask](PaperPart::PictureFor what) {
        const QString path = ask();
        if (path.isEmpty()) return;
        paper->expect(what);
        bench_.worker.read_paper_picture(path, paper->crops());
    });
    connect(paper, &PaperPart::ask_scrap, this, [this, ask] {
        if (const QString path = ask(); !path.isEmpty()) bench_.worker.measure_scrap(path);
    });
    connect(&bench_.worker, &Worker::paper_picture_read, this,
            [paper](const std::shared_ptr<const Stash>& read) { paper->take_picture(*read); });
    connect(&bench_.worker, &Worker::scrap_measured, this,
            [paper](const Polygon& outline) { paper->take_scrap(outline); });
}

void PapersWaypoint::connect_proposals() {
    ProposePart* part = &panel_->propose_part();
    connect(part, &ProposePart::more_like_shown, this, [this] {
        const Offer* shown = bench_.state.offers().shown();
        if (!shown) return;
        MoodWish wish;
        for (std::size_t p = 0; p < shown->plan->papers.uses.size(); ++p)
            if (shown->plan->papers.uses[p].sections > 0)
                wish.papers.insert(shown->project.stash->papers[p].id);
        propose_with(wish);
    });
    connect(&bench_.worker, &Worker::progress, part, &ProposePart::show_progress);
    connect(&bench_.worker, &Worker::proposed, this, &PapersWaypoint::show_proposals);
    connect(&bench_.worker, &Worker::proposal_stopped, this,
            [this, part] { part->show_proposing(bench_.worker.proposing()); });
}

void PapersWaypoint::propose() {
    if (bench_.worker.proposing()) {
        bench_.worker.stop_proposing();
        return;
    }
    propose_with({panel_->propose_part().mood(), {}});
}

void PapersWaypoint::propose_with(const MoodWish& wish) {
    bench_.state.offers().set({});
    bench_.state.go_to(Waypoint::Papers);
    bench_.state.drawer().cut_out(false);
    bench_.worker.propose(bench_.document.project(), wish);
    if (panel_->chosen() != PapersPanel::Aims) panel_->choose(PapersPanel::Propose);
    panel_->propose_part().show_proposing(true);
}

void PapersWaypoint::show_proposals(const std::vector<OfferedPage>& pages) {
    panel_->propose_part().show_proposing(bench_.worker.proposing());
    std::vector<Offer> offers;
    for (const OfferedPage& page : pages) {
        QStringList reasons;
        for (const std::string& r : page.reasons) reasons << words(r);
        offers.push_back({page.project, page.plan, name_of(page.mood), reasons});
    }
    bench_.state.offers().set(std::move(offers));
}

void PapersWaypoint::turn_picked() {
    const auto& stash = bench_.document.project().stash;
    const int paper = bench_.state.drawer().picked();
    if (!stash || paper < 0) return;
    if (stash->papers[paper].has(Side::B))
        bench_.state.drawer().turn_over(paper);
    else
        bench_.say(words(stash->papers[paper].name) + " has one side that is worth showing.", false);
}

void PapersWaypoint::give(const QString& paper_id, Side side, const std::vector<int>& openings) {
    if (openings.empty() || !bench_.state.plan()) return;
    bench_.document.change(paper_id.isEmpty() ? "Take the paper away" : "Give a paper", [&](Project& p) {
        give_paper(p, sections_with(openings), paper_id.toStdString(), side);
    });
}

/// What it has there is left alone by later proposals.
void PapersWaypoint::take_for_selection() {
    const Offer* offer = bench_.state.offers().shown();
    if (!offer || bench_.state.selected().empty()) return;
    bench_.document.change("Take the proposal for the selection", [&](Project& next) {
        for (const Spot s : sections_with(selection())) {
            const PaperChoice& there = offer->project.match.choice(s);
            change_sections(next, {s}, [&](PaperChoice& c) {
                c.paper = there.paper;
                c.side = there.side;
                c.locked = !there.paper.empty();
            });
        }
    });
}

void PapersWaypoint::follow_aims() {
    const Project& now = bench_.document.project();
    Project only_aims = planned_;
    only_aims.match = now.match;
    only_aims.match.choices = planned_.match.choices;
    const bool aims = only_aims == now && !(planned_ == now);
    const bool watched = bench_.state.offers().shown() || bench_.worker.proposing() || aims_timer_.isActive();
    if (aims && watched)
        aims_timer_.start(aims_pause_ms);
    else
        aims_timer_.stop();
    planned_ = now;
}

} // namespace zesty
