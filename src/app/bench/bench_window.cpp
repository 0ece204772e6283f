#include "app/bench/bench_window.h"

#include "app/bench/add_paper_line.h"
#include "app/bench/bring_in.h"
#include "app/bench/drawer.h"
#include "app/bench/first_steps.h"
#include "app/bench/head_bar.h"
#include "app/bench/keys_sheet.h"
#include "app/bench/living_stash.h"
#include "app/bench/notice_bar.h"
#include "app/bench/panel_part.h"
#include "app/bench/route_bar.h"
#include "app/bench/second_look.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "app/build/build_waypoint.h"
#include "app/dress/dress_waypoint.h"
#include "app/keep/keep_waypoint.h"
#include "app/page/page_view.h"
#include "app/papers/papers_waypoint.h"
#include "app/sections/sections_waypoint.h"
#include "app/setout/set_out_waypoint.h"
#include "app/sheets/sheets_waypoint.h"
#include "core/project/set_aside.h"
#include "core/project/stash_at_hand.h"
#include "io/own_numbers_file.h"

#include <QAbstractItemView>
#include <QAbstractSpinBox>
#include <QApplication>
#include <QClipboard>
#include <QDragEnterEvent>
#include <QFileInfo>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMimeData>
#include <QStackedWidget>

namespace zesty {

BenchWindow::BenchWindow(Settings& settings, FileQuestions questions, std::shared_ptr<NestMemory> memory,
                         QWidget* parent)
    : QMainWindow(parent), settings_(settings), questions_(std::move(questions)), worker_(std::move(memory)),
      actions_(this), autosaver_(document_, state_, settings.recovery_folder()) {
    setWindowTitle("Zesty Panel");
    setAcceptDrops(true);
    setMinimumSize(1000, 640);
    qApp->installEventFilter(this);
    build();
    connect_actions();
    connect_views();
    connect_worker();
    connect_files();
    show_waypoint();
    begin_page();
    replan();
    offer_left_work();
    if (const QByteArray geometry = settings_.window_geometry(); !geometry.isEmpty())
        restoreGeometry(geometry);
    else
        resize(1280, 800);
}

/// The page a person finds: empty, with the household's own numbers.
void BenchWindow::begin_page() {
    const auto own = read_own_numbers(settings_.numbers_file());
    if (!own) return say(words(own.error().message) + ".", true);
    Project page;
    begin_with(*own, page);
    document_.reset(std::move(page), {});
}

BenchWindow::~BenchWindow() {
    worker_.stop_proposing();
    delete living_; // before the document it tells
    // The parts look at the document and the state, which go before a window's children would.
    document_.history().disconnect(this);
    page_->show_waypoint(nullptr);
    for (WaypointView* w : waypoints_) delete w;
    delete centralWidget(); // not taken out first: all there is in it would be dressed anew
}

// --- how it is put together
// -----------------------------------------------------------------------------------

void BenchWindow::build() {
    auto* whole = new QWidget(this);
    setCentralWidget(whole);
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    head_ = new HeadBar(document_, actions_, settings_, whole);
    notices_ = new NoticeBar(whole);
    middle_ = new QStackedWidget(whole);
    page_ = new PageView(document_, state_, middle_);
    middle_->addWidget(page_);
    first_steps_ = new FirstSteps(state_, middle_);
    middle_->addWidget(first_steps_);
    living_ = new LivingStash(document_, settings_.stash_file(), this);
    bring_in_ = new BringIn(
        document_, worker_, *notices_,
        [this](const QString& message, bool trouble) { say(message, trouble); }, this);
    drawer_ = new Drawer(document_, state_, actions_, settings_.stash_name(), whole);
    side_ = build_side();
    route_ = new RouteBar(document_, state_, waypoints_, whole);
    column->addWidget(head_);
    column->addWidget(notices_);
    column->addWidget(route_);
    auto* body = new QHBoxLayout;
    body->setSpacing(0);
    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    left->addWidget(middle_, 1);
    left->addWidget(drawer_);
    body->addLayout(left, 1);
    body->addWidget(side_);
    column->addLayout(body, 1);
    keys_ = new KeysSheet(whole);
}

void BenchWindow::build_waypoints(QWidget* side) {
    const BenchParts bench{document_, state_,
                           worker_,   actions_,
                           settings_, questions_,
                           this,      side,
                           middle_,   [this](const QString& message, bool trouble) { say(message, trouble); },
                           *living_};
    // In the order of Waypoint.
    set_out_ = new SetOutWaypoint(bench, this);
    papers_ = new PapersWaypoint(bench, this);
    sheets_ = new SheetsWaypoint(bench, this);
    waypoints_ = {set_out_,
                  new SectionsWaypoint(bench, this),
                  papers_,
                  sheets_,
                  new DressWaypoint(bench, this),
                  new BuildWaypoint(bench, this),
                  new KeepWaypoint(bench, this)};
    for (const WaypointView* w : waypoints_) connect(w, &WaypointView::made, this, [this, w] { place(*w); });
}

void BenchWindow::connect_views() {
    connect(&state_, &BenchState::waypoint_changed, this, [this] {
        state_.show_page();
        show_waypoint();
    });
    const auto back_to_page = [this] { state_.show_page(); };
    connect(&state_, &BenchState::shown_instead_changed, this, &BenchWindow::show_waypoint);
    for (const Waypoint which : {Waypoint::Build, Waypoint::Keep})
        connect(waypoints_[static_cast<std::size_t>(which)], &WaypointView::look_changed, this, [this] {
            show_surroundings();
            route_->refresh();
        });
    connect(&state_.offers(), &Offers::changed, this, &BenchWindow::show_middle);
    connect(&state_.in_hand(), &InHand::changed, this, back_to_page);
    connect(&document_, &Document::project_changed, this, back_to_page);
    for (auto signal : {&BenchState::selection_changed, &BenchState::plan_changed})
        connect(&state_, signal, this, &BenchWindow::refresh);
    connect(&state_.drawer(), &InDrawer::changed, this, &BenchWindow::show_middle);
    connect(&state_.drawer(), &InDrawer::changed, this, &BenchWindow::refresh);
    connect(&state_.offers(), &Offers::changed, this, &BenchWindow::refresh);
    connect(&state_.in_hand(), &InHand::changed, this, &BenchWindow::refresh);
    connect(&document_, &Document::project_changed, this, &BenchWindow::replan);
    connect(&document_, &Document::path_changed, this, &BenchWindow::refresh);
    connect(&document_.history(), &QUndoStack::indexChanged, this, &BenchWindow::refresh);
    connect(&document_.history(), &QUndoStack::cleanChanged, this, &BenchWindow::refresh);
    connect(page_, &PageView::paper_dropped, this, [this](const QString& id, int opening) {
        const auto& stash = document_.project().stash;
        const int paper = stash ? stash->find(id.toStdString()) : -1;
        const std::set<int>& selected = state_.selected();
        papers_->give(id, state_.drawer().side_up(paper),
                      selected.contains(opening) ? std::vector<int>(selected.begin(), selected.end())
                                                 : std::vector<int>{opening});
    });
    connect(drawer_, &Drawer::give_picked, actions_[Act::Give], &QAction::trigger);
    connect(second_look_, &SecondLook::go_to, this, &BenchWindow::go_to);
    connect(second_look_, &SecondLook::apply, this, [this](const Fix& fix) {
        document_.change(words(fix.label()), [&](Project& p) { fix.apply(p); });
    });
    connect(second_look_, &SecondLook::meant_so, this, [this](const Finding& finding) {
        document_.change("It is meant so", [&](Project& p) { set_aside(p, finding); });
    });
    connect(second_look_, &SecondLook::ask_again, this,
            [this] { document_.change("Show what is set aside", [](Project& p) { zesty::ask_again(p); }); });
    connect(head_, &HeadBar::open_recent, this, &BenchWindow::open);
    connect(first_steps_, &FirstSteps::open_drawing, actions_[Act::Open], &QAction::trigger);
    connect(first_steps_, &FirstSteps::open_demo, this, &BenchWindow::open_demo);
}

void BenchWindow::connect_worker() {
    connect(&worker_, &Worker::plan_ready, this, [this](const PlanReady& ready) {
        if (ready.number != wanted_plan_) return;
        state_.show_plan(ready.plan, ready.textures);
        if (std::exchange(fit_next_, false)) page_->fit();
        refresh();
    });
    connect(&worker_, &Worker::plan_failed, &state_, &BenchState::no_plan);
    connect(&worker_, &Worker::plan_failed, this, [this](const QString& m) { say(m, true); });
    connect(&worker_, &Worker::failed, this, [this](const QString& m) { say(m, true); });
}

void BenchWindow::connect_actions() {
    const auto on = [this](Act act, auto slot) { connect(actions_[act], &QAction::triggered, this, slot); };
    on(Act::Open, [this] {
        if (const QString path = questions_.open_cut(this, settings_.last_folder()); !path.isEmpty())
            open(path);
    });
    connect_stash_actions();
    on(Act::Save, [this] { save(false); });
    on(Act::SaveAs, [this] { save(true); });
    on(Act::Undo, [this] { document_.undo(); });
    on(Act::Redo, [this] { document_.redo(); });
    on(Act::Keys, [this] {
        keys_->setGeometry(centralWidget()->rect());
        keys_->setVisible(!keys_->isVisible());
        keys_->raise();
    });
    on(Act::Units, [this] {
        document_.change("Change the units", [](Project& p) {
            p.units = p.units == Units::Inches ? Units::Centimetres : Units::Inches;
        });
    });
    on(Act::ToSetOut, [this] { state_.go_to(Waypoint::SetOut); });
    on(Act::ToSections, [this] { state_.go_to(Waypoint::Sections); });
    on(Act::ToPapers, [this] { state_.go_to(Waypoint::Papers); });
    on(Act::ToSheets, [this] { state_.go_to(Waypoint::Sheets); });
    on(Act::ToDress, [this] { state_.go_to(Waypoint::Dress); });
    on(Act::ToBuild, [this] { state_.go_to(Waypoint::Build); });
    on(Act::ToKeep, [this] { state_.go_to(Waypoint::Keep); });
    on(Act::NextWaypoint, [this] {
        state_.go_to(static_cast<Waypoint>((static_cast<int>(state_.waypoint()) + 1) % waypoints));
    });
    on(Act::Fit, [this] { page_->fit(); });
    on(Act::TrueSize, [this] { page_->true_size(); });
    on(Act::ZoomIn, [this] { page_->zoom(1.25); });
    on(Act::ZoomOut, [this] { page_->zoom(0.8); });
    const auto fold = [this](bool folded) {
        if (about_the_page() || theme::crowded()) settings_.set_drawer_folded(folded);
        drawer_->fold(folded);
    };
    on(Act::FoldDrawer, [this, fold] { fold(!drawer_->folded()); });
    connect(drawer_, &Drawer::fold_asked, this, fold);
    on(Act::Letters, [this] { change_letters(); });
    on(Act::AddPapers, [this] { drawer_->add_papers(); });
    on(Act::FindPaper, [this] { drawer_->look_for(); });
    on(Act::Clear, [this] { clear(); });
}

// --- what is on show
// ------------------------------------------------------------------------------------------

void BenchWindow::replan() {
    // What is decided by hand ends a proposal for how things were before.
    papers_->follow_aims();
    if (worker_.proposing()) worker_.stop_proposing();
    state_.offers().set({});
    state_.plan_is_stale();
    wanted_plan_ = worker_.plan(document_.project(), state_.waypoint() == Waypoint::SetOut);
    show_middle();
    refresh();
}

bool BenchWindow::settled() const {
    const auto plan = state_.own_plan();
    return worker_.idle() && living_->idle() && !worker_.proposing() && !papers_->waits_for_aims() && plan &&
           (plan->sheets.done || !plan->sections.cut) && state_.swatch_pictures().settled() &&
           page_->up_to_date() && second_look_->up_to_date() &&
           std::all_of(waypoints_.begin(), waypoints_.end(),
                       [](const auto* w) { return w->middle_up_to_date(); });
}

void BenchWindow::show_waypoint() {
    waypoint().be_made();
    page_->show_waypoint(&waypoint());
    drawer_->fold((about_the_page() || theme::crowded()) && settings_.drawer_folded());
    show_middle();
    for (WaypointView* w : waypoints_) {
        if (w->panel()) w->panel()->setVisible(w == &waypoint());
        w->be_shown(w == &waypoint());
    }
    show_surroundings();
    for (PanelPart* part : waypoint().panel()->findChildren<PanelPart*>())
        if (part->isVisible()) lay_out_now(part);
    middle_->currentWidget()->setFocus();
    refresh();
}

/// Everything round the middle, unless that wants the window to itself.
void BenchWindow::show_surroundings() {
    const bool all = !waypoint().alone();
    for (QWidget* w : {static_cast<QWidget*>(head_), static_cast<QWidget*>(route_), side_})
        w->setVisible(all);
    drawer_->setVisible(all && waypoint().shows_drawer());
}

/// There is no page to show here, and nothing else.
bool BenchWindow::nothing_yet() const {
    const Project& page = document_.project();
    if (!page.set_out.cuts.empty() || !page.set_out.photos.empty() || state_.cutting_mats() ||
        state_.bundle())
        return false;
    if (page.sections.divisions.contains(base_spot) || page.set_out.sketch.picture) return false;
    if (state_.waypoint() == Waypoint::Keep) return stash_at_hand(page).records.empty();
    const bool own = state_.waypoint() == Waypoint::SetOut || state_.waypoint() == Waypoint::Papers;
    return !own || waypoint().middle() == nullptr;
}

/// Papers are picked elsewhere.
bool BenchWindow::about_the_page() const {
    return state_.waypoint() != Waypoint::Papers && state_.waypoint() != Waypoint::Sheets;
}

/// The page, or what the waypoint shows in its place just now.
void BenchWindow::show_middle() {
    QWidget* next = waypoint().middle() ? waypoint().middle() : page_;
    if (nothing_yet()) next = first_steps_;
    if (middle_->currentWidget() == next) return;
    middle_->setCurrentWidget(next);
    next->setFocus();
}

void BenchWindow::refresh() {
    const Plan* plan = state_.plan();
    const QUndoStack& history = document_.history();
    actions_.enable({.cut = plan && plan->sections.cut,
                     .photo = state_.in_hand().photo(document_.project()) >= 0,
                     .proposal = state_.offers().shown() != nullptr,
                     .paper = state_.drawer().picked() >= 0,
                     .papers = plan && !plan->papers.uses.empty(),
                     .selected = state_.selected().size(),
                     .undo = history.canUndo(),
                     .redo = history.canRedo()});
    head_->refresh();
}

/// What Esc does: the nearest thing that can be let go of.
void BenchWindow::clear() {
    if (keys_->isVisible())
        keys_->hide();
    else if (waypoint().alone())
        waypoint().leave_alone();
    else if (state_.cutting_mats() || state_.bundle())
        state_.show_page();
    else if (state_.drawer().cuts_out())
        state_.drawer().cut_out(false);
    else if (drawer_->adds_papers())
        drawer_->stop_adding();
    else if (worker_.proposing())
        worker_.stop_proposing();
    else if (state_.offers().shown())
        state_.offers().set({});
    else
        state_.select({});
}

void BenchWindow::say(const QString& message, bool trouble) {
    head_->say(message, trouble);
}

void BenchWindow::go_to(const Finding& finding) {
    if (!finding.openings.empty()) state_.select({finding.openings.begin(), finding.openings.end()});
    if (finding.where) page_->show_place(*finding.where);
}

/// Return ends what is typed in a field, and takes what is chosen in a list or view of its own, before it is
/// the key of anything else.
bool BenchWindow::eventFilter(QObject* watched, QEvent* event) {
    const auto has_return = [&] {
        return qobject_cast<QLineEdit*>(watched) || qobject_cast<QAbstractSpinBox*>(watched) ||
               qobject_cast<QAbstractItemView*>(watched) || watched->property(return_of_its_own).toBool();
    };
    if (event->type() == QEvent::ShortcutOverride && has_return())
        if (const auto* key = static_cast<QKeyEvent*>(event);
            (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) &&
            !(key->modifiers() & ~Qt::KeypadModifier))
            event->accept();
    return QMainWindow::eventFilter(watched, event);
}

void BenchWindow::resizeEvent(QResizeEvent* event) {
    QMainWindow::resizeEvent(event);
    if (keys_) keys_->setGeometry(centralWidget()->rect());
}

void BenchWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void BenchWindow::dropEvent(QDropEvent* event) {
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile()) {
            event->acceptProposedAction();
            open(url.toLocalFile());
            return;
        }
}

} // namespace zesty
