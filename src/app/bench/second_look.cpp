#include "app/bench/second_look.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QTimer>
#include <QVBoxLayout>
#include <map>

namespace zesty {

namespace {

constexpr std::size_t most_cards = 60;
// Styling and laying out a card takes its time: what is seen comes at once, the others while no hand waits.
constexpr int cards_at_first = 6;
constexpr int cards_at_once = 2;
constexpr std::size_t most_of_a_kind = 2; ///< that stand one by one

/// Severity by colour and by shape: a diamond, a ring, a dash.
class Mark : public QWidget {
public:
    Mark(Severity severity, QWidget* parent) : QWidget(parent), severity_(severity) { setFixedSize(18, 18); }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        if (severity_ == Severity::Problem) {
            p.setPen(Qt::NoPen);
            p.setBrush(theme::berry);
            p.drawPolygon(QPolygonF({{9, 1}, {17, 9}, {9, 17}, {1, 9}}));
        } else if (severity_ == Severity::Advice) {
            p.setPen(QPen(theme::lemon, 4));
            p.drawEllipse(QRectF(3.5, 3.5, 11, 11));
        } else {
            p.setPen(Qt::NoPen);
            p.setBrush(theme::quiet);
            p.drawRoundedRect(QRectF(3, 7.5, 12, 4), 2, 2);
        }
    }

private:
    Severity severity_;
};

class Card : public QWidget {
public:
    using Apply = std::function<void(const Fix&)>;
    Card(const Finding& finding, std::function<void()> go, const Apply& apply, std::function<void()> meant,
         QWidget* parent)
        : QWidget(parent), go_(std::move(go)) {
        setFocusPolicy(Qt::StrongFocus);
        setCursor(Qt::PointingHandCursor);
        static const char* severities[] = {"Problem", "Advice", "Note"};
        setAccessibleName(
            QString("%1: %2").arg(severities[static_cast<int>(finding.severity())], words(finding.title)));
        setAccessibleDescription(words(finding.message));
        setObjectName(QString("finding-%1").arg(key_of(finding.code)));
        auto* row = new QHBoxLayout(this);
        row->setContentsMargins(12, 9, 12, 9);
        row->setSpacing(10);
        row->addWidget(new Mark(finding.severity(), this), 0, Qt::AlignTop);
        auto* column = new QVBoxLayout;
        column->setSpacing(3);
        auto* title = new QLabel(words(finding.title), this);
        title->setFont(theme::font(theme::Text::Small, true));
        title->setStyleSheet("font-weight: 600;");
        title->setWordWrap(true);
        auto* message = new QLabel(words(finding.message), this);
        message->setProperty("quiet", true);
        message->setWordWrap(true);
        column->addWidget(title);
        column->addWidget(message);
        if (!finding.fixes.empty()) column->addSpacing(2);
        for (std::size_t i = 0; i < finding.fixes.size(); ++i)
            add_fix(column, finding.fixes[i], i == 0 ? "fix" : "another-fix", apply);
        auto* so = new QPushButton("It is meant so", this);
        so->setObjectName("meant-so");
        so->setProperty("quiet", true);
        so->setFlat(true);
        so->setCursor(Qt::PointingHandCursor);
        so->setStyleSheet(
            "QPushButton { border: none; background: transparent; padding: 0; color: #6B6670; "
            "text-decoration: underline; } QPushButton:hover, QPushButton:focus { color: #A94608; }");
        so->setToolTip("Set this aside; it comes back when its reason changes");
        QObject::connect(so, &QPushButton::clicked, this, std::move(meant));
        column->addWidget(so, 0, Qt::AlignLeft);
        row->addLayout(column, 1);
        if (finding.swatch) {
            auto* swatch = new QLabel(this);
            swatch->setFixedSize(26, 26);
            swatch->setStyleSheet(QString("background: %1; border: 1px solid #D9D0C0; border-radius: 6px;")
                                      .arg(words(format_colour(*finding.swatch))));
            row->addWidget(swatch, 0, Qt::AlignTop);
        }
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        p.setPen(QPen(hasFocus() ? theme::zest : theme::line, hasFocus() ? 2 : 1));
        p.setBrush(theme::card);
        p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), theme::radius, theme::radius);
    }
    void mousePressEvent(QMouseEvent*) override { go_(); }
    void keyPressEvent(QKeyEvent* event) override {
        if (event->key() == Qt::Key_Space)
            go_();
        else
            QWidget::keyPressEvent(event);
    }

private:
    void add_fix(QVBoxLayout* column, const Fix& fix, const char* name, const Apply& apply) {
        auto* b = new QPushButton(words(fix.label()), this);
        b->setProperty("fix", true);
        b->setObjectName(name);
        b->setToolTip("Apply this; it can be undone");
        QObject::connect(b, &QPushButton::clicked, this, [fix, apply] { apply(fix); });
        column->addWidget(b, 0, Qt::AlignLeft);
    }

    std::function<void()> go_;
};

} // namespace

SecondLook::SecondLook(BenchState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setAccessibleName("Second look");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    auto* head = new QHBoxLayout;
    auto* title = new QLabel("Second look", this);
    title->setProperty("title", true);
    count_ = new QLabel(this);
    count_->setProperty("quiet", true);
    head->addWidget(title);
    head->addStretch(1);
    again_ = new QPushButton(this);
    again_->setObjectName("ask-again");
    again_->setToolTip("Show what is set aside again");
    again_->setProperty("quiet", true);
    connect(again_, &QPushButton::clicked, this, &SecondLook::ask_again);
    again_->hide();
    head->addWidget(again_);
    head->addWidget(count_);
    head->setContentsMargins(0, 0, 16, 0);
    column->addLayout(head);
    scroll_ = new QScrollArea(this);
    scroll_->setWidgetResizable(true);
    scroll_->setFrameShape(QFrame::NoFrame);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFocusPolicy(Qt::NoFocus);
    // Takes what the side bench leaves: the decisions above are never squeezed.
    scroll_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Ignored);
    column->addWidget(scroll_, 1);
    connect(&state, &BenchState::plan_changed, this, &SecondLook::refresh);
}

void SecondLook::refresh() {
    const Plan* plan = state_.plan();
    // A first look has no sheets yet: the cards stay until the whole plan is there, so that they do not
    // flicker.
    if (!plan || (plan->sections.cut && !plan->sheets.done && any_shown_)) return;
    if (any_shown_ && shown_ == plan->findings && shown_aside_ == plan->set_aside.size()) return;
    shown_ = plan->findings;
    shown_aside_ = plan->set_aside.size();
    again_->setVisible(shown_aside_ > 0);
    again_->setText(QString("%1 set aside").arg(shown_aside_));
    any_shown_ = true;
    build();
    count_->setText(QString::number(plan->findings.size()));
}

/// Kinds in the order of their first; of more than a few of a kind the first stands for all.
void SecondLook::order_cards() {
    std::map<Code, std::size_t> count;
    for (const Finding& f : shown_) ++count[f.code];
    items_.clear();
    std::set<Code> said;
    for (std::size_t i = 0; i < shown_.size(); ++i) {
        const Code code = shown_[i].code;
        if (count[code] <= most_of_a_kind) {
            items_.push_back({i, 0});
            continue;
        }
        if (!said.insert(code).second) continue;
        for (std::size_t k = i; k < shown_.size(); ++k)
            if (shown_[k].code == code && (k == i || opened_.contains(code))) items_.push_back({k, 0});
        items_.push_back({i, count[code] - 1});
    }
}

void SecondLook::build() {
    order_cards();
    auto* list = new QWidget;
    cards_ = new QVBoxLayout(list);
    cards_->setContentsMargins(0, 0, 12, 8);
    cards_->setSpacing(6);
    if (shown_.empty()) {
        const Plan* plan = state_.plan();
        auto* fine = new QLabel(
            plan && plan->sections.cut ? "Nothing to point out." : "Findings will appear here.", list);
        fine->setProperty("quiet", true);
        cards_->addWidget(fine);
    }
    cards_->addStretch(1);
    made_ = 0;
    add_cards(cards_at_first);
    scroll_->setWidget(list);
}

bool SecondLook::up_to_date() const {
    return made_ == std::min(items_.size(), most_cards);
}

QWidget* SecondLook::card_for(std::size_t item, QWidget* list) {
    const Finding& f = shown_[items_[item].finding];
    if (items_[item].folded == 0)
        return new Card(
            f, [this, f] { emit go_to(f); }, [this](const Fix& fix) { emit apply(fix); },
            [this, f] { emit meant_so(f); }, list);
    const bool open = opened_.contains(f.code);
    auto* fold = new QPushButton(open ? QString("Fold these %1 into one").arg(items_[item].folded + 1)
                                      : QString("%1 more like this").arg(items_[item].folded),
                                 list);
    fold->setObjectName(QString("fold-%1").arg(key_of(f.code)));
    fold->setToolTip(open ? "Show the first one only" : "Show all of them");
    connect(fold, &QPushButton::clicked, this, [this, open, code = f.code] {
        if (open)
            opened_.erase(code);
        else
            opened_.insert(code);
        // Not while its own button is still at work, nor while cards of the old order are still being added.
        QTimer::singleShot(0, this, &SecondLook::build);
    });
    return fold;
}

void SecondLook::add_cards(int how_many) {
    QWidget* list = cards_->parentWidget();
    for (; !up_to_date() && how_many > 0; ++made_, --how_many)
        cards_->insertWidget(static_cast<int>(made_), card_for(made_, list));
    if (!up_to_date()) QTimer::singleShot(0, list, [this] { add_cards(cards_at_once); });
}

} // namespace zesty
