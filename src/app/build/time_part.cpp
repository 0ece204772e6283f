#include "app/build/time_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/setout/numbers_part.h"
#include "core/project/learned_pace.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QScrollArea>
#include <QSpinBox>

namespace zesty {

TimePart::TimePart(Document& document, BenchState& state, Actions& actions, const Settings& settings,
                   BuildDesk& desk, QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk) {
    const auto box = [&](const char* name, Limits limits, int usual, const char* unit) {
        auto* b = new QSpinBox(this);
        b->setRange(static_cast<int>(limits.least), static_cast<int>(limits.most));
        b->setValue(usual);
        b->setSuffix(unit);
        b->setAccessibleName(name);
        b->setToolTip(name);
        return b;
    };
    auto* r = row("Sitting");
    minutes_ = box("How long a sitting is", sitting_limits, 90, " min");
    r->addWidget(minutes_);
    r->addWidget(quiet("after"));
    pause_ = box("Pause before it", {0, 1000}, 12, " h");
    r->addWidget(pause_);
    away_ = new QCheckBox("away", this);
    away_->setToolTip("At another table, without the machine");
    r->addWidget(away_);
    r->addStretch(1);
    r = row(QString());
    r->addWidget(button(Act::AddSitting, "Add sitting"));
    remove_ = push("Remove", "Removes the chosen sitting", [this] {
        const int i = rows_->in_hand();
        document_.change("Remove a sitting", [&](Project& p) {
            if (i >= 0 && i < static_cast<int>(p.build.sittings.size()))
                p.build.sittings.erase(p.build.sittings.begin() + i);
        });
    });
    r->addWidget(remove_);
    take_ = push("Use my own pace", "The page's minutes become those that its steps have taken", [this] {
        document_.change("Use my own pace", [&](Project& p) { take_over_pace(p, desk_.steps()); });
    });
    r->addWidget(take_);
    r->addStretch(1);
    rows_ = new Rows("sittings", "Sittings", 3, this);
    column_->addWidget(rows_);
    says_ = line("pace-says");
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setFixedHeight(theme::px(210));
    scroll->setWidget(new NumbersPart(document, state, actions, settings, NumbersAbout::Build, scroll));
    column_->addWidget(scroll);
    connect(&document, &Document::project_changed, this, &TimePart::refresh_if_shown);
    connect(&desk, &BuildDesk::changed, this, &TimePart::refresh_if_shown);
}

void TimePart::add_sitting() {
    if (document_.project().build.sittings.size() >= most_sittings) return;
    document_.change("Add a sitting", [&](Project& p) {
        p.build.sittings.push_back(
            {static_cast<double>(minutes_->value()), pause_->value() * 60.0, away_->isChecked()});
    });
}

void TimePart::refresh() {
    const BuildDecisions& build = document_.project().build;
    QStringList rows;
    for (std::size_t i = 0; i < build.sittings.size(); ++i) {
        const Sitting& s = build.sittings[i];
        QString words_of = QString("%1. %2").arg(i + 1).arg(words(minutes_in_words(s.minutes)));
        if (i > 0) words_of += ", " + words(minutes_in_words(s.pause)) + " after the one before";
        if (s.away) words_of += ", away";
        rows << words_of;
    }
    rows_->show_rows(rows);
    rows_->setVisible(!rows.isEmpty());
    remove_->setEnabled(!rows.isEmpty());
    QStringList said;
    if (build.sittings.empty()) said << "Without sittings the work goes on until all is done.";
    const auto pace =
        desk_.known() ? pace_in_words(desk_.project(), desk_.steps()) : std::vector<std::string>{};
    for (const std::string& one : pace) said << words(one);
    take_->setEnabled(!pace.empty());
    says_->setText(said.join(" "));
    says_->setVisible(!said.isEmpty());
}

} // namespace zesty
