#include "app/bench/bench_window.h"

#include "app/setout/cutting_mat_view.h"
#include "app/bench/drawer.h"
#include "app/bench/keys_sheet.h"
#include "app/bench/notice_bar.h"
#include "app/page/page_view.h"
#include "app/papers/papers_panel.h"
#include "app/papers/proposals_view.h"
#include "app/papers/propose_part.h"
#include "app/bench/route_bar.h"
#include "app/bench/second_look.h"
#include "app/sections/sections_panel.h"
#include "app/setout/set_out_panel.h"
#include "app/sheets/sheets_panel.h"
#include "app/sheets/sheets_view.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/geometry/lengths.h"
#include "core/project/edits.h"

#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QMessageBox>
#include <QMimeData>
#include <QStackedWidget>
#include <QTimer>
#include <QToolButton>
#include <algorithm>

namespace zesty {

namespace {
constexpr int aims_pause_ms = 350;
} // namespace

FileQuestions FileQuestions::dialogs() {
    return {
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getOpenFileName(
                w, "Open a drawing or project", folder,
                "Drawings and projects (*.svg *.svgz *.dxf *.png *.jpg *.jpeg *.zip *.zesty);;All files (*)");
        },
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getOpenFileName(w, "Open a stash of papers", folder,
                                                "Stashes (*.json *.stash);;All files (*)");
        },
        [](QWidget* w, const QString& suggestion) {
            return QFileDialog::getSaveFileName(w, "Save the project", suggestion, "Projects (*.zesty)");
        },
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getExistingDirectory(w, "Folder for guide and cutting files", folder);
        },
        [](QWidget* w, const QString& folder) {
            return QFileDialog::getOpenFileName(w, "Open a picture", folder,
                                                "Pictures (*.png *.jpg *.jpeg);;All files (*)");
        },
        [](QWidget* w) {
            return QMessageBox::question(w, "Zesty Panel",
                                         "The project has changes that are not saved. Go on without them?",
                                         QMessageBox::Discard | QMessageBox::Cancel) == QMessageBox::Discard;
        },
    };
}

BenchWindow::BenchWindow(Settings& settings, FileQuestions questions, QWidget* parent)
    : QMainWindow(parent), settings_(settings), questions_(std::move(questions)), actions_(this),
      autosaver_(document_, state_, settings.recovery_folder()) {
    setWindowTitle("Zesty Panel");
    setAcceptDrops(true);
    setMinimumSize(1000, 640);
    auto* whole = new QWidget(this);
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(build_head());
    notices_ = new NoticeBar(whole);
    column->addWidget(notices_);
    route_ = new RouteBar(document_, state_, whole);
    column->addWidget(route_);
    auto* body = new QHBoxLayout;
    body->setSpacing(0);
    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    middle_ = new QStackedWidget(whole);
    page_ = new PageView(document_, state_, middle_);
    sheets_ = new SheetsView(document_, state_, middle_);
    middle_->addWidget(page_);
    middle_->addWidget(sheets_);
    middle_->addWidget(new CuttingMatView(state_, middle_));
    proposals_ = new ProposalsView(state_, middle_);
    middle_->addWidget(proposals_);
    drawer_ = new Drawer(document_, state_, whole);
    left->addWidget(middle_, 1);
    left->addWidget(drawer_);
    body->addLayout(left, 1);
    body->addWidget(build_side());
    column->addLayout(body, 1);
    setCentralWidget(whole);
    keys_ = new KeysSheet(whole);
    aims_timer_ = new QTimer(this);
    aims_timer_->setSingleShot(true);
    connect(aims_timer_, &QTimer::timeout, this, [this] {
        if (!worker_.proposing()) actions_[Act::Propose]->trigger();
    });
    message_timer_ = new QTimer(this);
    message_timer_->setSingleShot(true);
    connect(message_timer_, &QTimer::timeout, message_, [this] { message_->clear(); });

    connect_actions();
    connect_worker();
    connect_files();
    connect(&state_, &BenchState::waypoint_changed, this, [this] {
        state_.show_cutting_mats(nullptr);
        show_waypoint();
    });
    connect(&state_, &BenchState::cutting_mats_changed, this, &BenchWindow::show_waypoint);
    connect(&state_, &BenchState::offer_changed, this, &BenchWindow::show_middle);
    connect(&state_, &BenchState::in_hand_changed, this, [this] { state_.show_cutting_mats(nullptr); });
    connect(&document_, &Document::project_changed, this, [this] { state_.show_cutting_mats(nullptr); });
    for (auto signal : {&BenchState::selection_changed, &BenchState::picked_changed,
                        &BenchState::offer_changed, &BenchState::plan_changed, &BenchState::in_hand_changed})
        connect(&state_, signal, this, &BenchWindow::refresh_actions);
    connect(&document_, &Document::project_changed, this, &BenchWindow::replan);
    connect(&document_, &Document::path_changed, this, &BenchWindow::refresh_head);
    connect(&document_.history(), &QUndoStack::indexChanged, this, &BenchWindow::refresh_head);
    connect(&document_.history(), &QUndoStack::cleanChanged, this, &BenchWindow::refresh_head);
    connect(page_, &PageView::paper_dropped, this, [this](const QString& id, int opening) {
        const auto& stash = document_.project().stash;
        const int paper = stash ? stash->find(id.toStdString()) : -1;
        give(id, state_.side_up(paper),
             state_.selected().contains(opening) ? selection() : std::vector<int>{opening});
    });
    connect(drawer_, &Drawer::give_picked, actions_[Act::Give], &QAction::trigger);
    connect(drawer_, &Drawer::open_stash, actions_[Act::OpenStash], &QAction::trigger);
    connect(second_look_, &SecondLook::apply, this, &BenchWindow::apply);
    connect(second_look_, &SecondLook::go_to, this, &BenchWindow::go_to);
    show_waypoint();
    replan();
    offer_left_work();
    if (const QByteArray geometry = settings_.window_geometry(); !geometry.isEmpty())
        restoreGeometry(geometry);
    else
        resize(1280, 800);
}

BenchWindow::~BenchWindow() {
    worker_.stop_proposing();
    // The parts look at the document and the state, which go before a window's children would.
    document_.history().disconnect(this);
    delete takeCentralWidget();
}

QWidget* BenchWindow::build_head() {
    auto* head = new QWidget(this);
    head->setAutoFillBackground(true);
    QPalette ground = head->palette();
    ground.setColor(QPalette::Window, theme::paper);
    head->setPalette(ground);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(16, 5, 12, 5);
    row->setSpacing(4);
    title_ = new QLabel(head);
    title_->setObjectName("title");
    row->addWidget(title_);
    row->addSpacing(12);
    message_ = new QLabel(head);
    message_->setObjectName("message");
    message_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addWidget(message_, 1);
    const auto tool = [&](Act act, const char* icon, const QString& text) {
        auto* b = new QToolButton(head);
        b->setDefaultAction(actions_[act]);
        if (icon) b->setIcon(theme::icon(icon));
        b->setText(text);
        b->setToolButtonStyle(icon ? Qt::ToolButtonTextBesideIcon : Qt::ToolButtonTextOnly);
        b->setProperty("quiet", true);
        b->setFocusPolicy(Qt::TabFocus);
        // The action's own text is a sentence; the button keeps its word.
        QObject::connect(actions_[act], &QAction::changed, b, [b, text, icon] {
            b->setText(text);
            if (icon) b->setIcon(theme::icon(icon));
        });
        row->addWidget(b);
        return b;
    };
    recent_ = tool(Act::Open, "folder-open", "Open");
    recent_->setPopupMode(QToolButton::DelayedPopup);
    recent_->setContextMenuPolicy(Qt::ActionsContextMenu);
    auto* recents = new QToolButton(head);
    recents->setText("Recent");
    recents->setAccessibleName("Recent files");
    recents->setToolTip("Recent files");
    recents->setProperty("quiet", true);
    recents->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(recents);
    recents->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] {
        menu->clear();
        for (const QString& path : settings_.recent_files())
            menu->addAction(QFileInfo(path).fileName(), this, [this, path] { open(path); });
        if (menu->isEmpty()) menu->addAction("No recent files yet")->setEnabled(false);
    });
    row->addWidget(recents);
    tool(Act::Save, "save", "Save");
    tool(Act::Undo, "undo-2", "Undo");
    tool(Act::Redo, "redo-2", "Redo");
    tool(Act::Keys, "keyboard", "Keys");
    tool(Act::Units, nullptr, "in / cm");
    return head;
}

QWidget* BenchWindow::build_side() {
    auto* side = new QWidget(this);
    side->setObjectName("side");
    side->setFixedWidth(side_bench_width);
    side->setStyleSheet("#side { background: #FBF8F1; border-left: 1px solid #D9D0C0; }");
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(16, 12, 0, 0);
    column->setSpacing(10);
    papers_panel_ = new PapersPanel(document_, state_, actions_, worker_, side);
    sheets_panel_ = new SheetsPanel(document_, state_, actions_, settings_, side);
    set_out_panel_ = new SetOutPanel(document_, state_, actions_, worker_, side);
    sections_panel_ = new SectionsPanel(document_, state_, actions_, worker_, side);
    panels_ = {set_out_panel_, sections_panel_, papers_panel_, sheets_panel_};
    connect_papers();
    for (QWidget* panel : panels_) {
        panel->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Minimum);
        column->addWidget(panel);
    }
    auto* rule = new QFrame(side);
    rule->setFixedHeight(1);
    rule->setStyleSheet("background: #D9D0C0; margin-right: 16px;");
    column->addWidget(rule);
    second_look_ = new SecondLook(state_, side);
    column->addWidget(second_look_, 1);
    return side;
}

void BenchWindow::connect_worker() {
    connect(&worker_, &Worker::plan_ready, this, [this](const PlanReady& ready) {
        if (ready.number != wanted_plan_) return;
        state_.show_plan(ready.plan, ready.textures);
        if (std::exchange(fit_next_, false)) page_->fit();
        refresh_head();
    });
    connect(&worker_, &Worker::plan_failed, this, [this](const QString& m) { say(m, true); });
    connect(&worker_, &Worker::failed, this, [this](const QString& m) { say(m, true); });
    ProposePart* propose = &papers_panel_->propose_part();
    connect(&worker_, &Worker::progress, propose, &ProposePart::show_progress);
    connect(&worker_, &Worker::proposed, this, [this, propose](const std::vector<OfferedPage>& pages) {
        propose->show_proposing(worker_.proposing());
        std::vector<Offer> offers;
        for (const OfferedPage& page : pages) {
            QStringList reasons;
            for (const std::string& r : page.reasons) reasons << words(r);
            offers.push_back({page.project, page.plan, name_of(page.idea), reasons});
        }
        state_.set_offers(std::move(offers));
    });
    connect(&worker_, &Worker::proposal_stopped, this,
            [this, propose] { propose->show_proposing(worker_.proposing()); });
    connect(&worker_, &Worker::opened_drawing, this, [this](const auto& file, const QString& path) {
        fit_next_ = true;
        state_.select({});
        settings_.add_recent(path);
        const bool fresh = document_.project().set_out.cuts.empty();
        document_.change("Open a drawing", [&](Project& p) {
            set_only_cut(p, file);
            if (fresh || p.title.empty()) p.title = QFileInfo(path).completeBaseName().toStdString();
        });
        state_.go_to(Waypoint::SetOut);
        ask_size_of(*file, document_.project().set_out.cuts.back().id);
    });
    connect(&worker_, &Worker::opened_to_add, this, [this](const auto& file, const QString& path) {
        settings_.add_recent(path);
        int id = 0;
        document_.change("Add a drawing", [&](Project& p) {
            id = add_cut(p, file);
            // What has been measured is set out at the size it has.
            if (file->drawing.size_real)
                p.set_out.cuts.back().place = {SizeRule::Width, file->drawing.width, 0, false, {}};
        });
        state_.take_in_hand(id);
        ask_size_of(*file, id);
    });
    connect(&worker_, &Worker::opened_stash, this, [this](const auto& stash, const QString& path) {
        document_.change("Open a stash", [&](Project& p) { p.stash = stash; });
        say(QString("%1: %2.").arg(QFileInfo(path).fileName(),
                                   counted(stash->papers.size(), "paper", "papers")),
            false);
    });
    connect(&worker_, &Worker::exported, this, [this](const QStringList& files) {
        sheets_panel_->cutting_part().show_written(files);
        say("Guide and cutting files are written.", false);
    });
}

void BenchWindow::ask_size_of(const DrawingFile& file, int cut_id) {
    if (file.drawing.size_known || file.drawing.size_real) return;
    state_.go_to(Waypoint::SetOut);
    set_out_panel_->choose(SetOutPanel::Cuts);
    set_out_panel_->ask_size(cut_id);
}

void BenchWindow::replan() {
    // What is decided by hand ends a proposal for how things were before.
    follow_aims();
    if (worker_.proposing()) worker_.stop_proposing();
    state_.set_offers({});
    wanted_plan_ = worker_.plan(document_.project(), state_.waypoint() == Waypoint::SetOut);
    refresh_head();
}

void BenchWindow::follow_aims() {
    Project only_aims = planned_;
    only_aims.match.style = document_.project().match.style;
    only_aims.match.roles = document_.project().match.roles;
    only_aims.match.apart = document_.project().match.apart;
    only_aims.match.slants = document_.project().match.slants;
    const bool aims = only_aims == document_.project() && !(planned_ == document_.project());
    const bool watched = state_.offer() || worker_.proposing() || aims_timer_->isActive();
    if (aims && watched)
        aims_timer_->start(aims_pause_ms);
    else
        aims_timer_->stop();
    planned_ = document_.project();
}

bool BenchWindow::settled() const {
    const auto plan = state_.own_plan();
    return worker_.idle() && !worker_.proposing() && !aims_timer_->isActive() && plan &&
           (plan->sheets.done || !plan->sections.cut) && page_->up_to_date() && sheets_->up_to_date() &&
           proposals_->up_to_date();
}

void BenchWindow::show_waypoint() {
    const int i = static_cast<int>(state_.waypoint());
    show_middle();
    for (int k = 0; k < waypoints; ++k) panels_[k]->setVisible(k == i);
    for (PanelPart* part : panels_[i]->findChildren<PanelPart*>())
        if (part->isVisible()) lay_out_now(part);
    middle_->currentWidget()->setFocus();
    refresh_actions();
}

/// The page, the sheets, the mats or the proposals: whatever it is about just now.
void BenchWindow::show_middle() {
    const int now = middle_->currentIndex();
    const int next = state_.mats()                                                    ? 2
                     : state_.waypoint() == Waypoint::Sheets                          ? 1
                     : state_.side_by_side() && state_.waypoint() == Waypoint::Papers ? 3
                                                                                      : 0;
    if (now == next) return;
    middle_->setCurrentIndex(next);
    middle_->currentWidget()->setFocus();
}

void BenchWindow::refresh_head() {
    const Project& p = document_.project();
    const QString name = p.title.empty() ? "A new page" : words(p.title);
    title_->setText(
        QString("<b style='font-size:15px'>%1</b>%2 &nbsp;&nbsp;<span style='color:#6B6670'>%3</span>")
            .arg(name.toHtmlEscaped(), document_.changed() ? " *" : "",
                 (p.set_out.page.spread ? QString("spread of %1 pages") : QString("%1 page"))
                     .arg(words(format_size(p.set_out.page.width, p.set_out.page.height, p.units)))));
    setWindowTitle(name + (document_.changed() ? "*" : "") + " - Zesty Panel");
    QUndoStack& h = document_.history();
    actions_[Act::Undo]->setEnabled(h.canUndo());
    actions_[Act::Redo]->setEnabled(h.canRedo());
    actions_[Act::Undo]->setToolTip(h.canUndo() ? QString("Undo: %1 (Ctrl+Z)").arg(h.undoText())
                                                : "Nothing to undo");
    actions_[Act::Redo]->setToolTip(h.canRedo() ? QString("Redo: %1 (Ctrl+Shift+Z)").arg(h.redoText())
                                                : "Nothing to redo");
}

void BenchWindow::refresh_actions() {
    const Plan* plan = state_.plan();
    const bool cut = plan && plan->sections.cut;
    const bool some = cut && !state_.selected().empty();
    const bool offer = state_.offer() != nullptr;
    for (Act a : {Act::TurnLeft, Act::TurnRight, Act::Mirror, Act::Centre, Act::SelectAll})
        actions_[a]->setEnabled(cut);
    const bool photo = state_.photo_in_hand(document_.project()) >= 0;
    for (Act a : {Act::CopyCut, Act::FaceCut}) actions_[a]->setEnabled(cut && !offer);
    for (Act a : {Act::Raise, Act::Lower, Act::TakeOff, Act::NextInHand})
        actions_[a]->setEnabled((cut || photo) && !offer);
    for (Act a : {Act::FitPhoto, Act::PhotoPicture}) actions_[a]->setEnabled(photo && !offer);
    for (Act a : {Act::SelectTwins, Act::SelectRow, Act::Divide, Act::Undivide, Act::Ungroup, Act::Paper,
                  Act::LeaveOpen, Act::TakeAway})
        actions_[a]->setEnabled(some && !offer);
    actions_[Act::Group]->setEnabled(some && state_.selected().size() > 1 && !offer);
    actions_[Act::Give]->setEnabled(some && state_.picked() >= 0 && !offer);
    actions_[Act::Propose]->setEnabled(cut && !plan->papers.uses.empty());
    for (Act a : {Act::TakeProposal, Act::SideBySide, Act::NextProposal}) actions_[a]->setEnabled(offer);
    actions_[Act::TakeForSelection]->setEnabled(offer && some);
    actions_[Act::TurnPaper]->setEnabled(state_.picked() >= 0);
    for (Act a : {Act::Pin, Act::Unpin}) actions_[a]->setEnabled(some && !offer);
    actions_[Act::Export]->setEnabled(cut && !offer);
}

void BenchWindow::say(const QString& message, bool trouble) {
    message_->setText(message);
    message_->setToolTip(message);
    message_->setStyleSheet(trouble ? "color: #B02A4B; font-weight: 600;" : "color: #3E7C4F;");
    message_timer_->start(trouble ? 15000 : 5000);
}

std::vector<int> BenchWindow::selection() const {
    return {state_.selected().begin(), state_.selected().end()};
}

std::vector<Spot> BenchWindow::selected_spots() const {
    return state_.plan() ? state_.plan()->spots_of(selection()) : std::vector<Spot>{};
}

void BenchWindow::go_to(const Finding& finding) {
    if (!finding.openings.empty()) state_.select({finding.openings.begin(), finding.openings.end()});
    if (finding.where) page_->show_place(*finding.where);
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
