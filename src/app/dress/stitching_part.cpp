#include "app/dress/stitching_part.h"

#include "app/bench/pick_colour.h"
#include "app/bench/wording.h"
#include "core/sentences.h"

#include <QCheckBox>
#include <QHBoxLayout>

namespace zesty {

StitchingPart::StitchingPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    auto* r = row(QString());
    r->addWidget(button(Act::AddStitching, "Add stitching", true));
    remove_ = push("Remove", "Takes the stitching chosen in the list off the page", [this] {
        const int i = chosen();
        document_.change("Remove stitching", [&](Project& p) {
            if (i >= 0) p.dress.stitchings.erase(p.dress.stitchings.begin() + i);
        });
    });
    remove_->setAccessibleName("Remove stitching");
    r->addWidget(remove_);
    r->addStretch(1);
    stitchings_ = new Rows("stitchings", "Stitching on the page", 2, this);
    connect(stitchings_, &Rows::taken, this, [this] { refresh(); });
    column_->addWidget(stitchings_);
    build_line();
    says_ = line("stitching-says");
    connect(&document, &Document::project_changed, this, &StitchingPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &StitchingPart::refresh_if_shown);
}

void StitchingPart::build_line() {
    auto* r = row("Stitch");
    stitch_ = new ChoiceBox<Stitch>(
        "Kind of stitch", {{"running stitch", Stitch::Running}, {"back stitch", Stitch::Back}}, this);
    stitch_->on_choice(
        this, [this](Stitch stitch) { change("Kind of stitch", [&](Stitching& s) { s.stitch = stitch; }); });
    r->addWidget(stitch_, 1);
    thread_ = push("Thread...", "Colour of the thread", [this] { pick_thread(); });
    r->addWidget(thread_);
    r = row("Along");
    for (const auto& [name, side] :
         {std::pair("left", &Stitching::left), std::pair("top", &Stitching::top),
          std::pair("right", &Stitching::right), std::pair("bottom", &Stitching::bottom)}) {
        auto* box = tick(name, QString("Stitches along the %1 edge of the base").arg(name),
                         [this, side = side](bool on) {
                             change("Sides of the stitching", [&](Stitching& s) { s.*side = on; });
                         });
        sides_.emplace_back(box, side);
        r->addWidget(box);
    }
    r->addStretch(1);
    const auto length = [&](const char* name, Limits limits, double Stitching::*of) {
        return length_field(name, limits,
                            [this, name, of](double mm) { change(name, [&](Stitching& s) { s.*of = mm; }); });
    };
    r = row("Inset");
    inset_ =
        length("How far the stitching is from the edge of the base", stitch_inset_limits, &Stitching::inset);
    r->addWidget(inset_);
    r->addWidget(quiet("holes every"));
    spacing_ = length("From hole to hole, about", stitch_spacing_limits, &Stitching::spacing);
    r->addWidget(spacing_);
    r->addStretch(1);
    r = row("Clearance");
    clearance_ = length("How far the stitching keeps from everything that is glued or raised",
                        stitch_clearance_limits, &Stitching::clearance);
    r->addWidget(clearance_);
    r->addStretch(1);
}

int StitchingPart::chosen() const {
    const int i = stitchings_->in_hand();
    return i < static_cast<int>(document_.project().dress.stitchings.size()) ? i : -1;
}

void StitchingPart::change(const QString& intention, const std::function<void(Stitching&)>& apply) {
    const int i = chosen();
    document_.change(intention, [&](Project& p) {
        if (i >= 0 && i < static_cast<int>(p.dress.stitchings.size()))
            apply(p.dress.stitchings[static_cast<std::size_t>(i)]);
    });
}

void StitchingPart::pick_thread() {
    const int i = chosen();
    if (i < 0) return;
    const Rgb now = document_.project().dress.stitchings[static_cast<std::size_t>(i)].thread;
    if (const auto thread = pick_colour(this, now, "Colour of the thread"))
        change("Colour of the thread", [&](Stitching& s) { s.thread = *thread; });
}

void StitchingPart::add() {
    document_.change("Add stitching", [&](Project& p) {
        if (p.dress.stitchings.size() < most_stitchings) p.dress.stitchings.emplace_back();
    });
    refresh();
    stitchings_->setCurrentRow(stitchings_->count() - 1);
}

QString StitchingPart::says(int stitching) const {
    if (stitching < 0)
        return "Stitches run at an even inset and need holes at an even spacing; pierce them on a soft mat, "
               "and sew "
               "before anything is raised on foam.";
    const Plan* plan = state_.plan();
    if (!plan || stitching >= static_cast<int>(plan->dress.stitchings.size())) return {};
    const Units units = document_.project().units;
    const StitchingFacts& f = plan->dress.stitchings[static_cast<std::size_t>(stitching)];
    QString out = counted(f.runs.size(), "run", "runs") + ", " +
                  counted(static_cast<std::size_t>(f.holes), "hole", "holes") + ", " +
                  words(format_length(f.thread, units)) + " of thread.";
    if (!f.kept_clear_of.empty()) out += " Left out at " + words(in_a_row(f.kept_clear_of)) + ".";
    return out;
}

void StitchingPart::refresh() {
    const Project& p = document_.project();
    QStringList rows;
    for (const Stitching& s : p.dress.stitchings)
        rows << QString(s.stitch == Stitch::Back ? "Back stitch, %1 from the edge"
                                                 : "Running stitch, %1 from the edge")
                    .arg(words(format_length(s.inset, p.units)));
    stitchings_->show_rows(rows);
    const int i = chosen();
    const Stitching none;
    const Stitching& s = i < 0 ? none : p.dress.stitchings[static_cast<std::size_t>(i)];
    for (QWidget* w :
         std::initializer_list<QWidget*>{remove_, stitch_, thread_, inset_, spacing_, clearance_})
        w->setEnabled(i >= 0);
    for (const auto& [box, side] : sides_) {
        box->setEnabled(i >= 0);
        box->setChecked(s.*side);
    }
    stitch_->show_value(s.stitch);
    inset_->show_length(s.inset, p.units);
    spacing_->show_length(s.spacing, p.units);
    clearance_->show_length(s.clearance, p.units);
    says_->setText(says(i));
    lay_out_now(this);
}

} // namespace zesty
