#include "app/keep/shelf_view.h"

#include "app/bench/colour_families.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/keep/drawer_change.h"
#include "app/keep/page_card.h"
#include "app/keep/went_row.h"
#include "core/build/step.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QScrollArea>
#include <QScrollBar>
#include <QVBoxLayout>
#include <algorithm>

namespace zesty {

namespace {

constexpr int shelf_edge = 16, card_gap = 8, shelf_heading = 26, most_went = 12;
constexpr std::size_t cards_at_once = 12; ///< made between two things somebody may do

QString about_record(const PageRecord& r) {
    if (!r.facts) return "not finished";
    const auto [sheets, scraps] = taken_of(*r.facts);
    QStringList said;
    if (r.finished.empty()) said << "not finished";
    if (sheets > 0) said << counted(static_cast<std::size_t>(sheets), "sheet", "sheets");
    if (scraps > 0) said << counted(static_cast<std::size_t>(scraps), "scrap", "scraps");
    if (r.facts->worked > 0) said << words(minutes_in_words(r.facts->worked));
    return said.isEmpty() ? words(date_in_words(made_on(r))) : said.join(", ");
}

} // namespace

ShelfView::ShelfView(BenchState& state, KeepDesk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
    setObjectName("shelf");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    build_head(column);
    scroll_ = new QScrollArea(this);
    scroll_->viewport()->installEventFilter(this);
    scroll_->setWidgetResizable(false);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFocusPolicy(Qt::NoFocus);
    connect(scroll_->verticalScrollBar(), &QScrollBar::valueChanged, this, &ShelfView::make_in_sight);
    connect(&making_, &QTimer::timeout, this, &ShelfView::make_more);
    column->addWidget(scroll_, 1);
    column->addWidget(new DrawerChange(state, desk, this));
    connect(&desk, &KeepDesk::changed, this, &ShelfView::refresh);
    connect(&desk, &KeepDesk::pictures_changed, this, &ShelfView::show_pictures);
    rebuild();
}

void ShelfView::build_head(QLayout* column) {
    auto* head = new QWidget(this);
    auto* r = new QHBoxLayout(head);
    r->setContentsMargins(shelf_edge, 10, shelf_edge, 6);
    r->setSpacing(card_gap);
    by_ = new ChoiceRow<ShelfBy>("How pages stand on the shelf",
                                 {{"By month", ShelfBy::Month},
                                  {"By paper", ShelfBy::Paper},
                                  {"By cut", ShelfBy::Cut},
                                  {"By album", ShelfBy::Album}},
                                 head);
    by_->show_value(ShelfBy::Month);
    by_->on_choice(this, [this](ShelfBy by) { desk_.order_by(by); });
    r->addWidget(by_);
    const auto look = [this] {
        RecordQuery query = desk_.query();
        query.words = words_->text().toStdString();
        query.colour = colour_->value();
        query.colour_within = family_within;
        desk_.look_for(query);
    };
    colour_ =
        new ChoiceBox<std::optional<Rgb>>("Only pages with a colour", {{"all colours", std::nullopt}}, head);
    offer_families(*colour_, families_but_greys_and_blacks);
    colour_->on_choice(this, [look](const std::optional<Rgb>&) { look(); });
    r->addWidget(colour_);
    words_ = new QLineEdit(head);
    words_->setObjectName("find-page");
    words_->setAccessibleName("Look for pages by words");
    words_->setPlaceholderText("word, paper, cut, year");
    words_->setClearButtonEnabled(true);
    words_->setMinimumWidth(theme::px(90));
    connect(words_, &QLineEdit::textChanged, this, look);
    r->addWidget(words_, 1);
    column->addWidget(head);
}

void ShelfView::look_for() {
    words_->setFocus();
    words_->selectAll();
}

void ShelfView::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
    making_.start();
}

void ShelfView::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    lay_out();
}

void ShelfView::refresh() {
    if (!isVisible()) return;
    if (shown_.size() != desk_.groups().size() || shown_records_ != desk_.records() ||
        !std::equal(
            shown_.begin(), shown_.end(), desk_.groups().begin(),
            [](const ShelfGroup& a, const ShelfGroup& b) { return a.name == b.name && a.pages == b.pages; }))
        rebuild();
    mark();
    show_first();
}

/// The page on the bench has no uid.
bool ShelfView::picked(const std::string& uid) const {
    const PageRecord* r = desk_.record();
    return r ? uid == r->uid : uid.empty();
}

void ShelfView::mark() {
    for (PageCard* c : cards_) c->setChecked(picked(c->uid()));
}

PageCard* ShelfView::make_card(int page) {
    const PageRecord& r = shown_records_[static_cast<std::size_t>(page)];
    auto* c = new PageCard(r.uid, shelf_);
    c->say(words(r.title.empty() ? "Page" : r.title), about_record(r));
    c->setChecked(picked(r.uid));
    c->installEventFilter(this);
    connect(c, &QAbstractButton::clicked, this, [this, uid = r.uid] {
        desk_.pick(uid);
        mark();
    });
    connect(c, &PageCard::wants_picture, this, [this, c] { show_picture(*c); });
    return c;
}

/// In order, which is the order in which Tab goes through them.
void ShelfView::make_up_to(std::size_t count) {
    while (cards_.size() < std::min(count, places_.size())) {
        const Place& place = places_[cards_.size()];
        PageCard* c = make_card(place.page);
        c->move(place.at);
        if (shelf_->isVisible()) c->show();
        cards_.push_back(c);
    }
}

void ShelfView::make_in_sight() {
    const int below = scroll_->verticalScrollBar()->value() + scroll_->viewport()->height();
    const auto out_of_sight = std::find_if(places_.begin() + static_cast<std::ptrdiff_t>(cards_.size()),
                                           places_.end(), [&](const Place& p) { return p.at.y() > below; });
    make_up_to(static_cast<std::size_t>(out_of_sight - places_.begin()));
}

void ShelfView::make_more() {
    if (isVisible()) make_up_to(cards_.size() + cards_at_once);
    if (!isVisible() || cards_.size() == places_.size()) making_.stop();
}

/// Where it is not there yet, it is asked for.
void ShelfView::show_picture(PageCard& card) {
    for (const PageRecord& r : shown_records_)
        if (r.uid == card.uid())
            if (const QImage& p = desk_.picture(r.photo.empty() ? r.picture : r.photo, 2 * card_picture);
                !p.isNull())
                card.show_picture(p);
}

void ShelfView::show_pictures() {
    for (PageCard* c : cards_)
        if (c->isVisible() && !c->visibleRegion().isEmpty()) show_picture(*c);
}

void ShelfView::show_first() {
    const FinishLook* look = desk_.look();
    if (!first_) return;
    const bool there = look && !look->page.isNull() && desk_.project().keep.finished.empty();
    if (there) {
        const std::string& title = desk_.project().title;
        first_->say(words(title.empty() ? "Page" : title), "not finished yet");
        first_->show_picture(look->page);
    }
    first_->setVisible(there);
    lay_out();
}

void ShelfView::add_group(const QString& name, const std::vector<int>& pages) {
    rows_.push_back({new QLabel(name, shelf_), pages});
    rows_.back().name->setFont(theme::font(theme::Text::Body, true));
    for (const int page : pages) places_.push_back({page});
}

void ShelfView::add_where() {
    const auto& went = desk_.went();
    if (went.empty()) return;
    auto* title = new QLabel("Where the paper went", shelf_);
    title->setFont(theme::font(theme::Text::Body, true));
    where_.push_back(title);
    double most = 0;
    for (const PaperWent& w : went) {
        double sum = w.in_drawer;
        for (const PaperWent::Part& p : w.parts) sum += p.used;
        most = std::max(most, sum);
    }
    for (std::size_t i = 0; i < went.size() && i < most_went; ++i) {
        QStringList titles;
        for (const PaperWent::Part& p : went[i].parts)
            titles << words(shown_records_[static_cast<std::size_t>(p.page)].title);
        auto* row = new WentRow(went[i], titles, most, desk_.project().units == Units::Inches, shelf_);
        connect(row, &WentRow::page_chosen, this, [this](int page) {
            desk_.pick(shown_records_[static_cast<std::size_t>(page)].uid);
            mark();
        });
        where_.push_back(row);
    }
}

void ShelfView::rebuild() {
    shown_ = desk_.groups();
    shown_records_ = desk_.records();
    rows_.clear();
    places_.clear();
    cards_.clear();
    where_.clear();
    empty_ = nullptr;
    first_ = nullptr;
    shelf_ = new QWidget;
    for (const ShelfGroup& group : shown_) add_group(words(group.name), group.pages);
    add_where();
    if (shown_.empty()) {
        auto* label = new QLabel(shelf_);
        label->setWordWrap(true);
        label->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        label->setText(
            QString(shown_records_.empty()
                        ? "<p style='font-size:%1px'>No page stands here yet.</p><p>When the page on the "
                          "bench is made, finish it: its paper leaves the drawer, scraps come back, and the "
                          "page gets its place on this shelf.</p>"
                        : "<p style='font-size:%1px'>No page is like that.</p><p>Take a word out of the "
                          "search, or choose all colours.</p>")
                .arg(theme::px(20)));
        empty_ = label;
        if (shown_records_.empty()) {
            first_ = new PageCard({}, shelf_);
            first_->setEnabled(false);
            first_->hide();
        }
    }
    lay_out();
    scroll_->setWidget(shelf_);
    shelf_->show();
    making_.start();
}

/// Groups follow each other along the shelf, each under its name; returns where the next thing begins.
int ShelfView::lay_out_cards(int columns, int y) {
    const int step = page_card_size().width() + card_gap;
    int column = 0;
    std::size_t next = 0;
    for (const Row& row : rows_) {
        for (std::size_t i = 0; i < row.pages.size(); ++i) {
            if (column == columns) {
                column = 0;
                y += theme::px(shelf_heading) + page_card_size().height() + card_gap;
            }
            if (i == 0) {
                const int beside = std::min(columns - column, static_cast<int>(row.pages.size()));
                row.name->setGeometry(shelf_edge + column * step + 4, y, beside * step - card_gap,
                                      theme::px(shelf_heading));
            }
            places_[next++].at = {shelf_edge + column++ * step, y + theme::px(shelf_heading)};
        }
    }
    for (std::size_t i = 0; i < cards_.size(); ++i) cards_[i]->move(places_[i].at);
    return rows_.empty() ? y : y + theme::px(shelf_heading) + page_card_size().height() + card_gap;
}

void ShelfView::lay_out() {
    if (!shelf_) return;
    const int wide = std::max(300, scroll_->viewport()->width());
    const int columns =
        std::max(1, (wide - 2 * shelf_edge + card_gap) / (page_card_size().width() + card_gap));
    int y = 4;
    if (empty_) {
        // Beside the page, where there is one.
        int left = shelf_edge;
        y = 40 + theme::px(160);
        if (first_ && !first_->isHidden()) {
            first_->move(shelf_edge, 24);
            left += first_->width() + 2 * shelf_edge;
            y = std::max(y, first_->geometry().bottom() + card_gap);
        }
        empty_->setGeometry(left, 40, std::min(wide - left - shelf_edge, theme::px(520)), theme::px(160));
    }
    y = lay_out_cards(columns, y);
    for (std::size_t i = 0; i < where_.size(); ++i) {
        const int high = i == 0 ? theme::px(shelf_heading) + 6 : where_[i]->height();
        where_[i]->setGeometry(shelf_edge, y, wide - 2 * shelf_edge, high);
        y += high;
    }
    shelf_->resize(wide, y + shelf_edge);
    make_in_sight();
}

bool ShelfView::eventFilter(QObject* watched, QEvent* event) {
    if (watched == scroll_->viewport()) {
        if (event->type() == QEvent::Resize) lay_out();
        return QWidget::eventFilter(watched, event);
    }
    if (event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Left || key == Qt::Key_Right || key == Qt::Key_Up || key == Qt::Key_Down) {
            go(static_cast<PageCard*>(watched), key);
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

/// To the nearest card that way.
void ShelfView::go(const PageCard* from, int key) {
    std::size_t best = places_.size();
    double nearest = 1e12;
    for (std::size_t i = 0; i < places_.size(); ++i) {
        const QPoint d = places_[i].at - from->pos();
        const bool there = (key == Qt::Key_Left && d.x() < 0 && d.y() == 0) ||
                           (key == Qt::Key_Right && d.x() > 0 && d.y() == 0) ||
                           (key == Qt::Key_Up && d.y() < 0) || (key == Qt::Key_Down && d.y() > 0);
        const double far = std::abs(d.y()) * 10.0 + std::abs(d.x());
        if (there && far < nearest) {
            nearest = far;
            best = i;
        }
    }
    if (best == places_.size()) return;
    make_up_to(best + 1);
    PageCard* card = cards_[best];
    card->setFocus();
    scroll_->ensureWidgetVisible(card);
    desk_.pick(card->uid());
    mark();
}

} // namespace zesty
