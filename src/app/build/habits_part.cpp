#include "app/build/habits_part.h"

#include "app/bench/wording.h"
#include "core/project/build_steps.h"

#include <QHBoxLayout>
#include <QLineEdit>
#include <QSpinBox>

namespace zesty {

namespace {

constexpr int longest_choice = 34; ///< letters of a step's words in a list

} // namespace

HabitsPart::HabitsPart(Document& document, BenchState& state, Actions& actions, BuildDesk& desk,
                       QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk) {
    build_habits();
    build_own_steps();
    connect(&document, &Document::project_changed, this, &HabitsPart::refresh_if_shown);
    connect(&desk, &BuildDesk::changed, this, &HabitsPart::refresh_if_shown);
}

void HabitsPart::turn(const QString& intention, const std::function<void(Habits&)>& apply) {
    Habits other = document_.project().build.habits;
    apply(other);
    desk_.ask_about(other, [this](const QString& said) {
        changed_by_ = QString(said).replace("would be", "is now");
        refresh_if_shown();
    });
    document_.change(intention, [&](Project& p) { p.build.habits = other; });
}

void HabitsPart::build_habits() {
    auto* r = row("Trim");
    trim_ = new ChoiceBox<TrimBase>(
        "When the base is trimmed",
        {{"the base after wet work", TrimBase::AfterWet}, {"the base before wet work", TrimBase::BeforeWet}},
        this);
    trim_->on_choice(this, [this](TrimBase to) { turn("When to trim", [&](Habits& h) { h.trim = to; }); });
    r->addWidget(trim_, 1);
    r = row("First");
    first_ = new ChoiceBox<FirstWork>("What comes first",
                                      {{"back the openings, then lay out", FirstWork::Backing},
                                       {"lay the photos down, then back", FirstWork::Photos}},
                                      this);
    first_->on_choice(this,
                      [this](FirstWork to) { turn("What comes first", [&](Habits& h) { h.first = to; }); });
    r->addWidget(first_, 1);
    r = row("Frame");
    frame_ = new ChoiceBox<FrameBase>(
        "When the base comes on its frame",
        {{"mount the base on it last", FrameBase::Last}, {"mount the base on it first", FrameBase::First}},
        this);
    frame_->on_choice(this,
                      [this](FrameBase to) { turn("When to frame", [&](Habits& h) { h.frame = to; }); });
    r->addWidget(frame_, 1);
    r = row("Cut");
    mats_ = new ChoiceBox<CutMats>("What cuts photo mats and layers",
                                   {{"photo mats and layers by machine", CutMats::Machine},
                                    {"photo mats and layers by trimmer", CutMats::Trimmer}},
                                   this);
    mats_->on_choice(this,
                     [this](CutMats to) { turn("What cuts photo mats", [&](Habits& h) { h.mats = to; }); });
    r->addWidget(mats_, 1);
    changes_ = line("habit-changes");
}

void HabitsPart::build_own_steps() {
    auto* r = row("Own step");
    own_ = new QLineEdit(this);
    own_->setAccessibleName("What the own step is");
    own_->setPlaceholderText("Press the kite under books");
    connect(own_, &QLineEdit::returnPressed, this, &HabitsPart::add_own_step);
    r->addWidget(own_, 1);
    const auto minutes = [&](const char* name, int usual) {
        auto* box = new QSpinBox(this);
        box->setRange(0, static_cast<int>(minutes_limits.most));
        box->setValue(usual);
        box->setSuffix(" min");
        box->setAccessibleName(name);
        box->setToolTip(name);
        return box;
    };
    r = row("takes");
    own_minutes_ = minutes("Minutes of work of the own step", 5);
    r->addWidget(own_minutes_);
    r->addWidget(quiet("then waits"));
    own_dries_ = minutes("Minutes the own step has to wait after that", 0);
    r->addWidget(own_dries_);
    r->addStretch(1);
    r = row("after");
    own_after_ = new ChoiceBox<std::string>("The step it waits for", this);
    own_after_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    r->addWidget(own_after_, 1);
    r = row("before");
    own_before_ = new ChoiceBox<std::string>("The step that waits for it", this);
    own_before_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    r->addWidget(own_before_, 1);
    r = row(QString());
    r->addWidget(button(Act::AddOwnStep, "Add step"));
    auto* remind = push("Remind me at the end", "Named before the page is finished", [this] {
        const QString said = own_->text().trimmed();
        if (said.isEmpty() || document_.project().build.reminders.size() >= most_reminders) return;
        document_.change("Add a reminder",
                         [&](Project& p) { p.build.reminders.push_back(said.toStdString()); });
        own_->clear();
    });
    r->addWidget(remind);
    remove_ = push("Remove", "Removes the chosen step or reminder", [this] {
        const int i = rows_->in_hand();
        document_.change("Remove an own step or reminder", [&](Project& p) {
            auto& steps = p.build.own_steps;
            const int n = static_cast<int>(steps.size());
            if (i >= 0 && i < n)
                steps.erase(steps.begin() + i);
            else if (i >= n && i - n < static_cast<int>(p.build.reminders.size()))
                p.build.reminders.erase(p.build.reminders.begin() + (i - n));
        });
    });
    r->addWidget(remove_);
    r->addStretch(1);
    rows_ = new Rows("own-steps", "Own steps and reminders", 3, this);
    column_->addWidget(rows_);
}

void HabitsPart::add_own_step() {
    const QString what = own_->text().trimmed();
    if (what.isEmpty() || document_.project().build.own_steps.size() >= most_own_steps) {
        own_->setFocus();
        return;
    }
    document_.change("Add an own step", [&](Project& p) {
        p.build.own_steps.push_back({next_own_id(p.build), what.toStdString(), own_after_->value(),
                                     own_before_->value(), static_cast<double>(own_minutes_->value()),
                                     static_cast<double>(own_dries_->value())});
    });
    own_->clear();
}

void HabitsPart::refresh() {
    const BuildDecisions& build = document_.project().build;
    trim_->show_value(build.habits.trim);
    first_->show_value(build.habits.first);
    frame_->show_value(build.habits.frame);
    mats_->show_value(build.habits.mats);
    QString said =
        changed_by_.isEmpty() ? "Only habits: turn them round, and the steps follow." : changed_by_;
    if (desk_.known())
        for (const std::string& one : own_steps_left_out(desk_.project(), desk_.steps()))
            said += " " + words(one);
    changes_->setText(said);
    for (auto* box : {own_after_, own_before_}) {
        const std::string before = box->count() > 0 ? box->value() : std::string();
        std::vector<Choice<std::string>> all{{box == own_after_ ? "anything" : "the end", {}}};
        for (std::size_t i = 0; i < desk_.steps().size(); ++i)
            all.push_back({QString("%1 %2").arg(i + 1).arg(words(desk_.steps()[i].what).left(longest_choice)),
                           desk_.steps()[i].key});
        box->offer(all);
        box->show_value(before);
    }
    QStringList rows;
    for (const OwnStep& s : build.own_steps)
        rows << words(s.what) + ": " + words(minutes_in_words(s.hands)) +
                    (s.dries > 0 ? ", waits " + words(minutes_in_words(s.dries)) : QString());
    for (const std::string& r : build.reminders) rows << "At the end: " + words(r);
    rows_->show_rows(rows);
    rows_->setVisible(!rows.isEmpty());
    remove_->setEnabled(!rows.isEmpty());
}

} // namespace zesty
