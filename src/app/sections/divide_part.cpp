#include "app/sections/divide_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/drawn_line.h"
#include "core/project/edits.h"

#include <QHBoxLayout>
#include <QSpinBox>

namespace zesty {

DividePart::DividePart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    using Kind = Division::Kind;
    kind_ = new ChoiceRow<Kind>("Divide into",
                                {{"Line", Kind::Line},
                                 {"Bands", Kind::Bands},
                                 {"Rays", Kind::Rays},
                                 {"Rings", Kind::Rings},
                                 {"Grid", Kind::Grid}},
                                this);
    kind_->on_choice(this, [this](Kind kind) {
        kind_chosen_ = kind;
        refresh();
    });
    column_->addWidget(kind_);
    auto* r = row("Parts");
    count_ = new QSpinBox(this);
    count_->setAccessibleName("How many parts");
    count_->setRange(2, 30);
    count_->setValue(3);
    r->addWidget(count_);
    r->addWidget(new QLabel("x", this));
    rows_ = new QSpinBox(this);
    rows_->setAccessibleName("Rows of the grid");
    rows_->setRange(2, 30);
    rows_->setValue(2);
    r->addWidget(rows_);
    auto* turned = new QLabel("turned", this);
    turned->setProperty("quiet", true);
    r->addWidget(turned);
    turn_ = new QLineEdit("0", this);
    turn_->setAccessibleName("Turn of the division in degrees");
    turn_->setToolTip("Turn of the division in degrees, clockwise");
    turn_->setFixedWidth(theme::px(56));
    r->addWidget(turn_);
    r->addStretch(1);
    about_ = new MiddleRow("the middle of each opening", document, state, this);
    column_->addWidget(about_);
    says_ = line("divide");
    r = row(QString());
    r->addWidget(button(Act::Divide, "Divide", true));
    r->addWidget(button(Act::Undivide, "Make whole"));
    base_ = new QPushButton("Divide the base", this);
    base_->setToolTip("Divides the bare base behind the cuts the same way");
    connect(base_, &QPushButton::clicked, this, &DividePart::divide_base);
    r->addWidget(base_);
    r->addStretch(1);
    connect(&state, &BenchState::plan_changed, this, &DividePart::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &DividePart::refresh_if_shown);
}

Division DividePart::division() const {
    Division d;
    d.kind = kind_chosen_;
    d.count = count_->value();
    d.rows = rows_->value();
    d.turn_deg = std::remainder(turn_->text().toDouble(), 360.0);
    return d;
}

void DividePart::divide_selection() {
    const Plan* plan = state_.plan();
    if (!plan || state_.selected().empty()) return;
    const auto spots = plan->spots_of({state_.selected().begin(), state_.selected().end()});
    const auto& about = state_.tools().middle();
    document_.change("Divide the opening", [&](Project& p) {
        if (!about || !goes_about_a_place()) return divide(p, spots, division());
        for (const int o : state_.selected())
            divide(p, plan->spots_of({o}), about_place(*plan->of, *plan, o, division(), *about));
    });
}

bool DividePart::goes_about_a_place() const {
    return kind_chosen_ == Division::Kind::Rays || kind_chosen_ == Division::Kind::Rings ||
           kind_chosen_ == Division::Kind::Line;
}

void DividePart::divide_base() {
    const bool divided = document_.project().sections.divisions.contains(base_spot);
    document_.change(divided ? "Make the base whole" : "Divide the base", [&](Project& p) {
        if (divided)
            undivide(p, {base_spot});
        else if (const auto& about = state_.tools().middle(); about && goes_about_a_place() && state_.plan())
            divide(p, {base_spot}, about_place(*state_.plan()->of, *state_.plan(), -1, division(), *about));
        else
            divide(p, {base_spot}, division());
    });
}

void DividePart::refresh() {
    kind_->show_value(kind_chosen_);
    count_->setEnabled(kind_chosen_ != Division::Kind::Line);
    rows_->setEnabled(kind_chosen_ == Division::Kind::Grid);
    turn_->setEnabled(kind_chosen_ != Division::Kind::Rings);
    about_->setVisible(goes_about_a_place());
    about_->refresh();
    const auto& divisions = document_.project().sections.divisions;
    base_->setText(divisions.contains(base_spot) ? "Make the base whole" : "Divide the base");
    QString text = state_.selected().empty() ? "Select the openings to divide. " : QString();
    if (kind_chosen_ == Division::Kind::Line) text += "Or drag a line across an opening. ";
    says_->setText(text + "Parts meet without a bar: each patch runs on by the lip below the next, the first "
                          "lies lowest and is glued first.");
}

} // namespace zesty
