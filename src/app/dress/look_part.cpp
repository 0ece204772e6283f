#include "app/dress/look_part.h"

#include "app/bench/wording.h"
#include "core/project/finished.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <cmath>

namespace zesty {

LookPart::LookPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    choice_ = new ChoiceRow<Seen>("How the page is seen",
                                  {{"Colour", Seen::Colour},
                                   {"Grey", Seen::Grey},
                                   {"Squint", Seen::Squint},
                                   {"Height", Seen::Height},
                                   {"Glue", Seen::Glue}},
                                  this);
    choice_->show_value(seen_);
    choice_->on_choice(this, [this](Seen seen) { see(seen); });
    column_->addWidget(choice_);
    line("look-says")
        ->setText("In grey you see whether light and dark are where they should be; squinting, what "
                  "the eye is drawn to first.");
    balance_ = line("balance");
    missing_ = line("missing");
    connect(&document, &Document::project_changed, this, &LookPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &LookPart::refresh_if_shown);
}

void LookPart::see(Seen seen) {
    seen_ = seen;
    choice_->show_value(seen);
    emit seen_changed();
}

namespace {

/// "Brass dot or Red bow".
QString in_row_of(const std::vector<std::string>& names) {
    QStringList out;
    for (const std::string& n : names) out << words(n);
    return out.join(" or ");
}

/// What comes back an even number of times, or in a line.
QString comes_back_in_words(const BalanceFacts& b) {
    constexpr double wide_enough_deg = 20;
    QStringList even;
    QStringList in_line;
    for (const ComesBack& c : b.come_back) {
        const QString counted_kind = QString("%1 (%2)").arg(words(c.what)).arg(c.count);
        if (c.count % 2 == 0)
            even << counted_kind;
        else if (c.least_angle_deg < wide_enough_deg)
            in_line << counted_kind;
    }
    QString out;
    if (!even.isEmpty()) out += " Even counts: " + even.join(", ") + ".";
    if (!in_line.isEmpty()) out += " Nearly in a line: " + in_line.join(", ") + ".";
    return out.isEmpty() ? out : out + " Odd counts in a wide triangle are livelier.";
}

} // namespace

QString LookPart::of_what(const BalanceFacts& b) const {
    std::vector<std::string> names;
    for (const std::string& id : b.suggested_things)
        if (const Embellishment* e = stash_at_hand(document_.project()).embellishment(id))
            names.push_back(e->name);
    return names.empty() ? QString() : ", such as " + in_row_of(names);
}

QString LookPart::balance_in_words(const BalanceFacts& b) const {
    const Units units = document_.project().units;
    const auto share = [&](std::size_t q) { return words(percent(b.quarters[q])); };
    QString out = QString("Weight: %1 upper left, %2 upper right, %3 lower left, %4 lower right.")
                      .arg(share(0), share(1), share(2), share(3));
    if (b.emptiest_radius > 0)
        out += " Emptiest is a place " + words(format_length(2 * b.emptiest_radius, units)) +
               " across, ringed on the page.";
    if (!b.clusters.empty())
        out += " " + counted(b.clusters.size(), "cluster of embellishments", "clusters of embellishments");
    if (b.angles_deg.size() == 3)
        out += QString("; the three largest make a triangle of %1\u00b0, %2\u00b0 and %3\u00b0")
                   .arg(std::lround(b.angles_deg[0]))
                   .arg(std::lround(b.angles_deg[1]))
                   .arg(std::lround(b.angles_deg[2])) +
               (b.around_photo >= 0 ? " around a photo." : ".");
    else if (!b.clusters.empty())
        out += b.suggested ? "; a third would go well in the ringed place" + of_what(b) + "." : QString(".");
    return out + comes_back_in_words(b);
}

void LookPart::refresh() {
    const Plan* plan = state_.plan();
    if (!plan) return;
    balance_->setText(balance_in_words(plan->dress.balance));
    const auto missing = missing_of(*plan->of, *plan);
    missing_->setText(missing.empty() ? QString("Finished? Nothing is missing.")
                                      : "Still missing: " + words(in_a_row(missing)) + ".");
}

} // namespace zesty
