#include "app/build/steps_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/build_steps.h"
#include "core/project/finished.h"
#include "core/sentences.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QSpinBox>

namespace zesty {

namespace {

constexpr int steps_shown = 11;

} // namespace

StepsPart::StepsPart(Document& document, BenchState& state, Actions& actions, BuildDesk& desk,
                     QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk) {
    auto* r = row("I have");
    have_ = new QSpinBox(this);
    have_->setRange(1, 600);
    have_->setValue(desk.minutes_there_are());
    have_->setSuffix(" min");
    have_->setAccessibleName("Minutes there are");
    have_->setToolTip("What can be begun now and be done in that time");
    connect(have_, &QSpinBox::valueChanged, this, [this](int minutes) { desk_.have_minutes(minutes); });
    r->addWidget(have_);
    r->addWidget(quiet("and"));
    hands_ = new QSpinBox(this);
    hands_->setRange(1, most_pairs_of_hands);
    hands_->setAccessibleName("Pairs of hands");
    hands_->setToolTip("How many work at it");
    connect(hands_, &QSpinBox::valueChanged, this, [this](int pairs) {
        document_.change("Pairs of hands", [&](Project& p) { p.build.pairs = pairs; });
    });
    r->addWidget(hands_);
    r->addWidget(quiet("pairs of hands"));
    r->addStretch(1);
    now_ = new WrappedLabel(this);
    now_->setObjectName("what-now");
    now_->setStyleSheet(
        "background: #FBE6D3; border: 1px solid #E86A17; border-radius: 6px; padding: 6px 8px;");
    column_->addWidget(now_);
    rows_ = new Rows("steps", "Steps in the order in which they come", steps_shown, this);
    connect(rows_, &Rows::taken, this, [this] {
        const int i = rows_->in_hand();
        if (i >= 0 && i < static_cast<int>(listed_.size()))
            desk_.show(static_cast<int>(listed_[static_cast<std::size_t>(i)]));
    });
    column_->addWidget(rows_);
    connect(&desk, &BuildDesk::changed, this, &StepsPart::refresh_if_shown);
    connect(&desk, &BuildDesk::shown_changed, this, &StepsPart::refresh_if_shown);
}

QString StepsPart::row_of(std::size_t i) const {
    const BuildStep& step = desk_.steps()[i];
    const StepNow& s = desk_.now().steps[i];
    QString mark, when;
    switch (s.state) {
    case StepState::Done:
        mark = "\u2713";
        when = "done";
        break;
    case StepState::Dries:
        mark = "\u2713";
        when = "dries " + words(minutes_in_words(s.dry_in));
        break;
    case StepState::Running:
        mark = "\u25b6";
        when = "now";
        break;
    case StepState::Paused:
        mark = "\u2016";
        when = "paused";
        break;
    case StepState::Ready:
    case StepState::Waits:
        mark = s.state == StepState::Ready ? "\u25cf" : "\u25cb";
        when = QDateTime::fromSecsSinceEpoch(desk_.clock() + static_cast<std::int64_t>(s.start * 60))
                   .toString("H:mm");
        break;
    }
    return QString("%1 %2  %3  %4").arg(mark).arg(i + 1).arg(when, words(step.what));
}

QString StepsPart::what_now() const {
    const int minutes = desk_.minutes_there_are();
    const std::vector<std::size_t>& next = desk_.in_the_time();
    if (desk_.now().order.empty()) return "Everything is done.";
    if (next.empty()) return QString("No step can be begun and finished in %1 min.").arg(minutes);
    constexpr std::size_t most = 2;
    QStringList all;
    for (std::size_t k = 0; k < std::min(next.size(), most); ++k)
        all << QString("%1 %2 (%3)")
                   .arg(next[k] + 1)
                   .arg(words(desk_.steps()[next[k]].what),
                        words(minutes_in_words(desk_.now().steps[next[k]].left)));
    QString out = all.join(", then ");
    if (next.size() > most)
        out += QString(" and %1").arg(counted(next.size() - most, "more step", "more steps"));
    return out + QString(": that fits into %1 min.").arg(minutes);
}

void StepsPart::refresh() {
    const QSignalBlocker quiet_hands(hands_);
    hands_->setValue(document_.project().build.pairs);
    listed_.clear();
    QStringList rows;
    if (desk_.known()) {
        for (std::size_t i = 0; i < desk_.steps().size(); ++i)
            if (const StepState s = desk_.now().steps[i].state; s == StepState::Done || s == StepState::Dries)
                listed_.push_back(i);
        listed_.insert(listed_.end(), desk_.now().order.begin(), desk_.now().order.end());
        for (const std::size_t i : listed_) rows << row_of(i);
    }
    rows_->show_rows(rows);
    const QSignalBlocker quiet_rows(rows_);
    for (std::size_t k = 0; k < listed_.size(); ++k) {
        rows_->item(static_cast<int>(k))->setToolTip(words(desk_.steps()[listed_[k]].what));
        if (static_cast<int>(listed_[k]) == desk_.shown()) rows_->setCurrentRow(static_cast<int>(k));
    }
    QString says =
        desk_.known() && !desk_.steps().empty() ? what_now() : QString("The steps follow from the plan.");
    if (desk_.known())
        if (const auto open = still_to_choose(desk_.project(), desk_.plan()); !open.empty())
            says += " Still to choose: " + words(in_a_row(open)) + ".";
    now_->setText(says);
}

} // namespace zesty
