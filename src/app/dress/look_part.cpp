#include "app/dress/look_part.h"

#include "app/bench/wording.h"
#include "core/project/finished.h"
#include "core/sentences.h"

#include <QHBoxLayout>

namespace zesty {

LookPart::LookPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    auto* r = row("See it");
    choice_ = new ChoiceRow<Seen>(
        "How the page is seen",
        {{"In colour", Seen::Colour}, {"In grey", Seen::Grey}, {"Squinting", Seen::Squint}}, this);
    choice_->show_value(seen_);
    choice_->on_choice(this, [this](Seen seen) { see(seen); });
    r->addWidget(choice_, 1);
    line("look-says")
        ->setText("In grey you see whether light and dark are where they should be; squinting, what "
                  "the eye is drawn to first.");
    missing_ = line("missing");
    connect(&document, &Document::project_changed, this, &LookPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &LookPart::refresh_if_shown);
}

void LookPart::see(Seen seen) {
    seen_ = seen;
    choice_->show_value(seen);
    emit seen_changed();
}

void LookPart::refresh() {
    const Plan* plan = state_.plan();
    if (!plan) return;
    const auto missing = missing_of(document_.project(), *plan);
    missing_->setText(missing.empty() ? QString("Finished? Nothing is missing.")
                                      : "Finished? Missing: " + words(in_a_row(missing)) + ".");
}

} // namespace zesty
