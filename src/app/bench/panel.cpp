#include "app/bench/panel.h"

#include "app/bench/theme.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <algorithm>

namespace zesty {

WrappedLabel::WrappedLabel(QWidget* parent) : QLabel(parent) {
    setWordWrap(true);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

Panel::Panel(const QString& question, Document& document, BenchState& state, Actions& actions,
             QWidget* parent)
    : QWidget(parent), document_(document), state_(state), actions_(actions), column_(new QVBoxLayout(this)) {
    column_->setContentsMargins(0, 0, 16, 0);
    column_->setSpacing(6);
    if (question.isEmpty()) return;
    auto* title = new QLabel(question, this);
    title->setProperty("title", true);
    column_->addWidget(title);
}

void Panel::refresh_if_shown() {
    if (isVisible()) refresh();
}

void Panel::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
}

QHBoxLayout* Panel::row(const QString& name) {
    auto* r = new QHBoxLayout;
    r->setSpacing(6);
    if (!name.isNull()) {
        auto* l = new QLabel(name, this);
        l->setProperty("quiet", true);
        l->setFixedWidth(theme::px(62));
        r->addWidget(l);
    }
    column_->addLayout(r);
    return r;
}

QWidget* Panel::row_of_its_own(const QString& name, QHBoxLayout*& r) {
    auto* whole = new QWidget(this);
    r = new QHBoxLayout(whole);
    r->setContentsMargins(0, 0, 0, 0);
    r->setSpacing(6);
    auto* l = new QLabel(name, whole);
    l->setProperty("quiet", true);
    l->setFixedWidth(theme::px(62));
    r->addWidget(l);
    column_->addWidget(whole);
    return whole;
}

QLabel* Panel::line(const QString& name) {
    auto* l = new WrappedLabel(this);
    l->setProperty("quiet", true);
    l->setObjectName(name);
    column_->addWidget(l);
    return l;
}

QPushButton* Panel::button(Act act, const QString& text, bool primary) {
    QAction* action = actions_[act];
    auto* b = new QPushButton(text, this);
    b->setProperty("primary", primary);
    b->setToolTip(action->toolTip());
    // The words on it come first, for whoever speaks them.
    b->setAccessibleName(action->text().startsWith(text, Qt::CaseInsensitive) ? action->text()
                                                                              : text + ": " + action->text());
    b->setEnabled(action->isEnabled());
    connect(b, &QPushButton::clicked, action, &QAction::trigger);
    connect(action, &QAction::changed, b, [b, action] { b->setEnabled(action->isEnabled()); });
    return b;
}

Segments::Segments(const QString& name, const QStringList& choices, QWidget* parent) : QWidget(parent) {
    setAccessibleName(name);
    constexpr int most_in_a_row = 5;
    const int all = static_cast<int>(choices.size());
    constexpr int long_name = 12;
    const bool wide =
        std::any_of(choices.begin(), choices.end(), [](const QString& c) { return c.size() > long_name; });
    // No row with a single one, and long names in rows of three; where those leave one, the last row has
    // four.
    const int columns = all <= most_in_a_row ? all : all % 4 == 1 || wide ? 3 : 4;
    const bool four_last = columns == 3 && all > most_in_a_row && all % 3 == 1;
    const int in_threes = four_last ? all - 4 : all;
    constexpr int parts = 12; // of the width, so that rows of three and of four are as wide
    auto* r = new QGridLayout(this);
    r->setContentsMargins(0, 0, 0, 0);
    r->setSpacing(4);
    for (int i = 0; i < choices.size(); ++i) {
        auto* b = new QPushButton(choices[i], this);
        b->setProperty("segment", true);
        b->setCheckable(true);
        b->setAccessibleName(name + ": " + choices[i]);
        connect(b, &QPushButton::clicked, this, [this, i] {
            show_choice(i);
            emit chosen(i);
        });
        if (!four_last)
            r->addWidget(b, i / columns, i % columns);
        else if (i < in_threes)
            r->addWidget(b, i / 3, i % 3 * parts / 3, 1, parts / 3);
        else
            r->addWidget(b, in_threes / 3, (i - in_threes) * parts / 4, 1, parts / 4);
        buttons_.push_back(b);
    }
    if (choices.size() <= most_in_a_row) r->setColumnStretch(columns, 1);
}

int Segments::choice() const {
    for (std::size_t i = 0; i < buttons_.size(); ++i)
        if (buttons_[i]->isChecked()) return static_cast<int>(i);
    return -1;
}

void Segments::show_choice(int index) {
    for (std::size_t i = 0; i < buttons_.size(); ++i) buttons_[i]->setChecked(static_cast<int>(i) == index);
}

} // namespace zesty
