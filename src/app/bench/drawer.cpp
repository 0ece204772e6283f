#include "app/bench/drawer.h"

#include "app/bench/add_paper_line.h"
#include "app/bench/drawer_filter.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/has_room.h"
#include "core/project/stash_at_hand.h"

#include <QApplication>
#include <QDragEnterEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QLocale>
#include <QMenu>
#include <QMimeData>
#include <QPushButton>
#include <QScrollArea>
#include <algorithm>

namespace zesty {

namespace {
/// A row nobody could look through is no help; what is used on the page comes first.
constexpr std::size_t most_swatches = 120;
} // namespace

Drawer::Drawer(Document& document, BenchState& state, Actions& actions, const QString& stash_name,
               QWidget* parent)
    : QWidget(parent), document_(document), state_(state), actions_(actions), stash_name_(stash_name) {
    setObjectName("drawer");
    setAccessibleName("Drawer");
    setAutoFillBackground(true);
    setAcceptDrops(true);
    QPalette ground = palette();
    ground.setColor(QPalette::Window, theme::bench_deep);
    setPalette(ground);
    column_ = new QVBoxLayout(this);
    column_->setContentsMargins(12, 6, 12, 6);
    column_->setSpacing(4);
    head_ = new QHBoxLayout;
    build_head(head_);
    column_->addLayout(head_);
    adding_ = new AddPaperLine(this);
    connect(adding_, &AddPaperLine::add, this, [this](const NewPaper& typed) {
        document_.change_papers("Add a paper",
                                [&](const Stash& now) { return with_paper(now, paper_of(typed, now)); });
    });
    connect(adding_, &AddPaperLine::starter, this, &Drawer::add_starter);
    column_->addWidget(adding_);
    scroll_ = new QScrollArea(this);
    scroll_->setWidgetResizable(true);
    scroll_->setFrameShape(QFrame::NoFrame);
    scroll_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFocusPolicy(Qt::NoFocus);
    scroll_->setFixedHeight(swatch_size().height() + 12);
    column_->addWidget(scroll_);
    connect(&state, &BenchState::plan_changed, this, &Drawer::refresh);
    connect(&state, &BenchState::selection_changed, this, [this] {
        if (filter_->asks_for_selection()) refresh();
    });
    connect(&state.drawer(), &InDrawer::changed, this, [this] {
        for (Swatch* s : swatches_) s->update();
    });
    apply_fold();
}

void Drawer::build_head(QHBoxLayout* head) {
    title_ = new QLabel(this);
    title_->setToolTip("Drag a paper to an opening, or pick it and press Return");
    head->addWidget(title_, 1);
    filter_ = new DrawerFilter(this);
    connect(filter_, &DrawerFilter::changed, this, [this] {
        rebuild(papers_to_show());
        refresh();
    });
    if (theme::crowded())
        column_->addWidget(filter_);
    else
        head->addWidget(filter_);
    add_ = new QPushButton("Add papers", this);
    add_->setObjectName("add-papers");
    add_->setToolTip("Add papers by name, colour and size (Ctrl+Shift+N)");
    connect(add_, &QPushButton::clicked, this, &Drawer::add_papers);
    head->addWidget(add_);
    auto* stash = stash_ = new QPushButton(QString::fromUtf8("Stash \u25be"), this);
    stash->setStyleSheet("QPushButton::menu-indicator { image: none; width: 0; }");
    stash->setObjectName("stash-menu");
    stash->setAccessibleName("Stash");
    stash->setToolTip("Add papers, bring them in from files, write them out, back them up");
    auto* menu = new QMenu(stash);
    for (const Act act : {Act::AddPapers, Act::BringIn, Act::PasteList, Act::WriteOut})
        menu->addAction(actions_[act]);
    menu->addSeparator();
    for (const Act act : {Act::BackUp, Act::Restore}) menu->addAction(actions_[act]);
    stash->setMenu(menu);
    head->addWidget(stash);
    fold_ = new QPushButton(this);
    fold_->setObjectName("fold-drawer");
    fold_->setFixedWidth(theme::px(34));
    connect(fold_, &QPushButton::clicked, this, [this] { emit fold_asked(!folded_); });
    head->addWidget(fold_);
}

void Drawer::fold(bool folded) {
    wants_fold_ = folded;
    refresh();
}

void Drawer::apply_fold() {
    const QString key = actions_[Act::FoldDrawer]->shortcut().toString();
    fold_->setText(QString::fromUtf8(folded_ ? "\u25b4" : "\u25be"));
    fold_->setToolTip(
        QString(folded_ ? "Open the drawer (%1)" : "Fold the drawer to one line (%1)").arg(key));
    fold_->setAccessibleName(folded_ ? "Open the drawer" : "Fold the drawer");
    for (QWidget* w : std::initializer_list<QWidget*>{add_, stash_, filter_}) w->setVisible(!folded_);
    if (folded_)
        head_->insertWidget(1, scroll_, 4);
    else
        column_->addWidget(scroll_);
    scroll_->setFixedHeight((folded_ ? small_swatch_size() : swatch_size()).height() + (folded_ ? 2 : 12));
    scroll_->setHorizontalScrollBarPolicy(folded_ ? Qt::ScrollBarAlwaysOff : Qt::ScrollBarAsNeeded);
    rebuild(papers_to_show());
    refresh();
}

void Drawer::dragEnterEvent(QDragEnterEvent* event) {
    const auto urls = event->mimeData()->urls();
    if (std::any_of(urls.begin(), urls.end(), [](const QUrl& url) { return url.isLocalFile(); }))
        event->acceptProposedAction();
}

void Drawer::dropEvent(QDropEvent* event) {
    QStringList paths;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile()) paths << url.toLocalFile();
    if (paths.isEmpty()) return;
    event->acceptProposedAction();
    emit dropped(paths);
}

Swatch* Drawer::swatch(int paper) const {
    const auto at = std::find_if(swatches_.begin(), swatches_.end(),
                                 [&](const Swatch* s) { return s->paper_number() == paper; });
    return at == swatches_.end() ? nullptr : *at;
}

void Drawer::add_papers() {
    adding_->start();
}

bool Drawer::adds_papers() const {
    return adding_->isVisible();
}

void Drawer::stop_adding() {
    adding_->hide();
}

void Drawer::add_starter() {
    document_.change_papers("Add plain cardstock", with_starter_papers);
}

/// At the end of the row: where more come from.
QWidget* Drawer::card_for_more() {
    auto* card = new QPushButton("Add\npapers", row_);
    card->setObjectName("add-papers-card");
    card->setFixedSize(swatch_size());
    card->setToolTip(
        "Name, colour, size and count in one line (Ctrl+Shift+N); pictures, folders and lists can be "
        "dropped here");
    card->setStyleSheet(
        "QPushButton { border: 1px dashed #B9AD98; border-radius: 6px; color: #6B6670; "
        "background: transparent; } QPushButton:hover, QPushButton:focus { border-color: #A94608; "
        "color: #A94608; }");
    connect(card, &QPushButton::clicked, this, &Drawer::add_papers);
    return card;
}

/// What to do where there is nothing yet.
void Drawer::offer_first_steps(QHBoxLayout* row) {
    const auto step = [&](const QString& text, const char* name, const QString& says, auto slot) {
        auto* b = new QPushButton(text, row_);
        b->setObjectName(name);
        b->setToolTip(says);
        connect(b, &QPushButton::clicked, this, slot);
        row->addWidget(b);
    };
    row->addStretch(1);
    step("Start with 24 plain colours", "first-starter",
         "Plain cardstock, two sheets of 12 x 12 in of each colour; change the counts later",
         &Drawer::add_starter);
    step("Type in what you have", "first-add", "Name, colour and size of each paper (Ctrl+Shift+N)",
         &Drawer::add_papers);
    step("Bring in files", "first-open",
         "Pictures of papers, a folder of them, a list (CSV) or another stash (Ctrl+Shift+O); dropping them "
         "here "
         "does the same",
         [this] { actions_[Act::BringIn]->trigger(); });
}

void Drawer::look_for() {
    if (folded_) emit fold_asked(false);
    filter_->start();
}

/// Those that are looked for; what this page uses comes first.
std::vector<int> Drawer::papers_to_show() const {
    const auto& stash = document_.project().stash;
    if (!stash) return {};
    std::vector<int> out = found_in(*stash, filter_->query());
    const Plan* plan = state_.plan();
    if (plan && filter_->least_room().x > 0)
        out = with_room(*stash, left_of_each(), filter_->least_room(), out);
    if (plan && filter_->asks_for_selection())
        for (const int opening : state_.selected())
            if (const int patch = plan->patch_of(opening); patch >= 0)
                out = with_room(*stash, left_of_each(), plan->sections.patches[patch], out);
    if (plan && plan->papers.uses.size() == stash->papers.size())
        std::stable_partition(out.begin(), out.end(),
                              [&](int p) { return plan->papers.uses[p].sections > 0; });
    return out;
}

/// What this page leaves of every paper.
const std::vector<Region>& Drawer::left_of_each() const {
    if (left_by_ != state_.plan() || left_.size() != stash_at_hand(document_.project()).papers.size()) {
        left_by_ = state_.plan();
        left_ = left_of_papers(stash_at_hand(document_.project()), left_by_->papers.sheets, left_by_->sheets);
    }
    return left_;
}

void Drawer::rebuild(const std::vector<int>& papers) {
    order_ = papers;
    shown_ = document_.project().stash.pointer();
    swatches_.clear();
    row_ = new QWidget;
    auto* row = new QHBoxLayout(row_);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    for (const int p : papers) {
        if (swatches_.size() == most_swatches) break;
        auto* s = new Swatch(p, state_, document_, row_);
        s->make_small(folded_);
        connect(s, &Swatch::give, this, &Drawer::give_picked);
        row->addWidget(s);
        swatches_.push_back(s);
    }
    if (papers.size() > most_swatches) {
        auto* more = new QLabel(
            QString("and %1 more:\nlook for them\nby words above")
                .arg(QLocale(QLocale::English).toString(static_cast<int>(papers.size() - most_swatches))),
            row_);
        more->setProperty("quiet", true);
        row->addWidget(more);
    }
    if (papers.empty() && shown_ && !shown_->papers.empty()) {
        auto* none = new QLabel("No paper is like that. Fewer words, or another colour?", row_);
        none->setProperty("quiet", true);
        row->addWidget(none);
    }
    if (!shown_ || shown_->papers.empty())
        offer_first_steps(row);
    else if (!folded_)
        row->addWidget(card_for_more());
    row->addStretch(1);
    scroll_->setWidget(row_);
}

void Drawer::show_title(std::size_t on_show) {
    const Stash& stash = stash_at_hand(document_.project());
    const QString whose = stash_name_.isEmpty()
                              ? QString("<b>Drawer</b>&nbsp;&nbsp; ")
                              : QString("<b>Drawer</b> of %1&nbsp;&nbsp; ").arg(stash_name_.toHtmlEscaped());
    if (stash.papers.empty()) {
        title_->setText(whose + "no papers yet: add what you have");
        return;
    }
    title_->setText(whose + (on_show < stash.papers.size() ? QString("%1 of ").arg(on_show) : QString()) +
                    counted(stash.papers.size(), "paper", "papers"));
}

void Drawer::refresh() {
    // A drawer with nothing in it says what to do next.
    const bool folds = wants_fold_ && !stash_at_hand(document_.project()).papers.empty();
    if (std::exchange(folded_, folds) != folds) return apply_fold();
    const auto& stash = document_.project().stash;
    // The order stays while somebody works in the row.
    const bool busy = row_ && row_->isAncestorOf(QApplication::focusWidget());
    const std::vector<int> papers = papers_to_show();
    if (stash != shown_ || swatches_.empty() || (papers != order_ && !busy)) rebuild(papers);
    filter_->setVisible(!folded_ && stash && stash->papers.size() > 1);
    show_title(papers.size());
    for (Swatch* s : swatches_) s->update();
}

} // namespace zesty
