#include "app/build/step_view.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "io/paint/step_painter.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPainter>
#include <QTime>
#include <algorithm>

namespace zesty {

namespace {

/// By style sheet, as the window's own has sizes for labels and buttons.
void set_size(QWidget* widget, int pixels, const char* more = "") {
    widget->setStyleSheet(QString("font-size: %1px; %2").arg(theme::px(pixels)).arg(more));
}

QString clock_in(std::int64_t now, double minutes) {
    return QDateTime::fromSecsSinceEpoch(now + static_cast<std::int64_t>(minutes * 60)).toString("H:mm");
}

QString in_minutes(double minutes) {
    return words(minutes_in_words(minutes));
}

} // namespace

// --- the picture -------------------------------------------------------------------------------------------

StepPicture::StepPicture(BenchState& state, BuildDesk& desk, QWidget* parent)
    : QWidget(parent), state_(state), desk_(desk) {
    setMinimumSize(260, 260);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    setAccessibleName("The parts of this step at their places");
    connect(&desk, &BuildDesk::changed, this, [this] { update(); });
    connect(&desk, &BuildDesk::shown_changed, this, [this] { update(); });
    connect(&desk, &BuildDesk::pages_painted, this, [this] { update(); });
}

namespace {

/// What lies on the cuts is not there yet while openings are backed.
bool before_mounting(const BuildStep& step) {
    return step.kind == StepKind::Back || step.kind == StepKind::LoosePieces ||
           step.kind == StepKind::Shaker || step.kind == StepKind::MachineCut || step.kind == StepKind::Lift;
}

} // namespace

void StepPicture::paintEvent(QPaintEvent*) {
    const int shown = desk_.shown();
    if (!desk_.known() || shown < 0) return;
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const BuildStep& step = desk_.steps()[static_cast<std::size_t>(shown)];
    paint_step(painter, QRectF(rect()).adjusted(2, 2, -2, -2), desk_.project(), desk_.plan(), step,
               desk_.page(before_mounting(step)), *state_.textures(), 13);
}

// --- the step ----------------------------------------------------------------------------------------------

StepView::StepView(BenchState& state, BuildDesk& desk, Actions& actions, QWidget* parent)
    : QWidget(parent), desk_(desk), actions_(actions) {
    setObjectName("step-view");
    setAccessibleName("The step");
    setFocusPolicy(Qt::StrongFocus);
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(28, 22, 28, 22);
    whole->setSpacing(12);
    auto* head = new QHBoxLayout;
    head->setSpacing(16);
    number_ = new QLabel(this);
    number_->setAlignment(Qt::AlignTop);
    head->addWidget(number_);
    auto* title = new QVBoxLayout;
    title->setSpacing(2);
    what_ = new QLabel(this);
    what_->setObjectName("step-what");
    what_->setWordWrap(true);
    about_ = new QLabel(this);
    about_->setProperty("quiet", true);
    about_->setWordWrap(true);
    title->addWidget(what_);
    title->addWidget(about_);
    head->addLayout(title, 1);
    whole->addLayout(head);
    auto* body = new QHBoxLayout;
    body->setSpacing(24);
    body->addWidget(new StepPicture(state, desk, this), 1);
    auto* right = new QVBoxLayout;
    right->setSpacing(12);
    build_words(right);
    right->addStretch(1);
    build_buttons(right);
    body->addLayout(right, 1);
    whole->addLayout(body, 1);
    connect(&desk, &BuildDesk::changed, this, &StepView::refresh);
    connect(&desk, &BuildDesk::shown_changed, this, &StepView::refresh);
    set_sizes();
    refresh();
}

void StepView::build_words(QVBoxLayout* column) {
    rows_box_ = new QWidget(this);
    rows_ = new QGridLayout(rows_box_);
    rows_->setContentsMargins(0, 0, 0, 0);
    rows_->setHorizontalSpacing(12);
    rows_->setVerticalSpacing(6);
    rows_->setColumnStretch(1, 1);
    column->addWidget(rows_box_);
    meanwhile_ = new QLabel(this);
    meanwhile_->setObjectName("step-meanwhile");
    meanwhile_->setWordWrap(true);
    meanwhile_->setTextFormat(Qt::RichText);
    column->addWidget(meanwhile_);
}

void StepView::build_buttons(QVBoxLayout* column) {
    const auto button = [&](const QString& words, Act act) {
        auto* b = new QPushButton(words, this);
        b->setToolTip(actions_[act]->toolTip());
        b->setFocusPolicy(Qt::TabFocus);
        connect(b, &QPushButton::clicked, actions_[act], &QAction::trigger);
        return b;
    };
    auto* row = new QHBoxLayout;
    row->setSpacing(10);
    done_ = button("Done, next step", Act::StepDone);
    done_->setProperty("primary", true);
    row->addWidget(done_, 2);
    undone_ = button("Take the tick off", Act::StepUndone);
    row->addWidget(undone_, 2);
    start_ = button("Start", Act::StepStart);
    row->addWidget(start_, 1);
    not_now_ = button("Not now", Act::StepLater);
    row->addWidget(not_now_, 1);
    column->addLayout(row);
    then_ = new QLabel(this);
    then_->setObjectName("step-then");
    then_->setProperty("quiet", true);
    then_->setWordWrap(true);
    column->addWidget(then_);
}

void StepView::be_large(bool large) {
    large_ = large;
    set_sizes();
    refresh();
}

void StepView::set_sizes() {
    const int more = large_ ? 8 : 0;
    set_size(number_, 34 + 2 * more, "font-weight: 600; color: #A94608;");
    set_size(what_, 21 + more);
    set_size(about_, 14 + more / 2);
    set_size(meanwhile_, 15 + more);
    set_size(then_, 14 + more / 2);
    for (QPushButton* b : {done_, undone_}) {
        set_size(b, 17 + more, "font-weight: 600;");
        b->setMinimumHeight(52 + 2 * more);
    }
    for (QPushButton* b : {start_, not_now_}) {
        set_size(b, 14 + more);
        b->setMinimumHeight(40 + 2 * more);
    }
}

void StepView::show_rows(const BuildStep& step) {
    std::vector<std::pair<QString, QString>> rows;
    for (const auto& [name, said] : step.rows) rows.emplace_back(words(name), words(said));
    if (!step.needs.empty()) {
        QStringList needs;
        for (const std::string& n : step.needs) needs << words(n);
        rows.emplace_back("At hand", needs.join(", "));
    }
    if (!step.caution.empty()) rows.emplace_back("Careful", words(step.caution));
    while (row_names_.size() < rows.size()) {
        const int at = static_cast<int>(row_names_.size());
        auto* name = new QLabel(rows_box_);
        name->setProperty("quiet", true);
        name->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        auto* said = new QLabel(rows_box_);
        said->setWordWrap(true);
        rows_->addWidget(name, at, 0);
        rows_->addWidget(said, at, 1);
        row_names_.push_back(name);
        row_words_.push_back(said);
    }
    const int size = large_ ? 21 : 15;
    for (std::size_t i = 0; i < row_names_.size(); ++i) {
        const bool there = i < rows.size();
        row_names_[i]->setVisible(there);
        row_words_[i]->setVisible(there);
        if (!there) continue;
        set_size(row_names_[i], size);
        set_size(row_words_[i], size);
        row_names_[i]->setText(rows[i].first);
        row_words_[i]->setText(rows[i].second);
    }
}

void StepView::show_meanwhile() {
    QStringList dries;
    for (std::size_t i = 0; i < desk_.steps().size(); ++i) {
        const StepNow& s = desk_.now().steps[i];
        if (s.state != StepState::Dries) continue;
        const BuildStep& step = desk_.steps()[i];
        QString what = words(step.waiting.empty() ? "it dries" : step.waiting);
        what[0] = what[0].toUpper();
        dries << QString("<span style='color:#2f6483'>%1 until %2</span> (step %3)")
                     .arg(what.toHtmlEscaped(), clock_in(desk_.clock(), s.dry_in))
                     .arg(i + 1);
    }
    meanwhile_->setText(dries.isEmpty() ? QString() : "Meanwhile: " + dries.join("; ") + ".");
    meanwhile_->setVisible(!dries.isEmpty());
}

void StepView::refresh() {
    const int shown = desk_.shown();
    const bool there = desk_.known() && shown >= 0;
    for (QWidget* w : {static_cast<QWidget*>(done_), static_cast<QWidget*>(start_),
                       static_cast<QWidget*>(not_now_), static_cast<QWidget*>(undone_)})
        w->setVisible(there);
    if (!there) {
        number_->clear();
        what_->setText("Open a drawing and give its openings papers: the steps follow from the plan.");
        about_->clear();
        meanwhile_->hide();
        then_->clear();
        return;
    }
    const auto i = static_cast<std::size_t>(shown);
    const BuildStep& step = desk_.steps()[i];
    const StepNow& now = desk_.now().steps[i];
    number_->setText(QString::number(shown + 1));
    what_->setText(words(step.what));
    const bool done = now.state == StepState::Done || now.state == StepState::Dries;
    QString about =
        done ? QString("Done") : in_minutes(now.left) + (now.state == StepState::Running ? " left" : "");
    if (!done && step.time.dries > 0)
        about += ", then " + in_minutes(step.time.dries) + " while " +
                 words(step.waiting.empty() ? "it dries" : step.waiting);
    if (now.state == StepState::Dries) about += ", dry at " + clock_in(desk_.clock(), now.dry_in);
    if (now.state == StepState::Waits)
        about += QString(". It waits for what comes before it; it can begin at %1")
                     .arg(clock_in(desk_.clock(), now.start));
    if (step.face_down) about += ". Shown as it lies, face down";
    about_->setText(about + ".");
    show_rows(step);
    show_meanwhile();
    done_->setVisible(!done);
    undone_->setVisible(done);
    start_->setVisible(!done);
    not_now_->setVisible(!done);
    start_->setText(now.state == StepState::Running  ? "Pause"
                    : now.state == StepState::Paused ? "Go on"
                                                     : "Start");
    QStringList next;
    for (const std::size_t k : desk_.now().order)
        if (k != i && next.size() < 2)
            next << QString("%1 %2, %3")
                        .arg(k + 1)
                        .arg(words(desk_.steps()[k].what), in_minutes(desk_.now().steps[k].left));
    // With large letters the step has the room; what comes next is in the list beside it.
    const bool crowded = theme::crowded();
    then_->setText(next.isEmpty() || crowded ? QString() : "Then: " + next.join("; ") + ".");
}

void StepView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), theme::bench);
    painter.setPen(theme::line);
    painter.setBrush(theme::paper);
    painter.drawRoundedRect(QRectF(rect()).adjusted(8.5, 8.5, -8.5, -8.5), theme::radius, theme::radius);
}

void StepView::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Space:
        actions_[Act::StepDone]->trigger();
        return;
    case Qt::Key_Right:
    case Qt::Key_Down:
        desk_.show_next(1);
        return;
    case Qt::Key_Left:
    case Qt::Key_Up:
        desk_.show_next(-1);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

} // namespace zesty
