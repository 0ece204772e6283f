#include "app/dress/wet_part.h"

#include "app/bench/pick_colour.h"
#include "app/bench/wording.h"
#include "core/dress/wet.h"
#include "core/project/drop_outs.h"
#include "core/sentences.h"
#include "io/paint/textures.h"

#include <QHBoxLayout>

namespace zesty {

WetPart::WetPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    auto* r = row(QString());
    r->addWidget(button(Act::AddWet, "Add wet work", true));
    remove_ = push("Remove", "Takes the wet work chosen in the list off the page", [this] {
        const int i = chosen();
        document_.change("Remove wet work", [&](Project& p) {
            if (i >= 0) p.dress.wet.erase(p.dress.wet.begin() + i);
        });
    });
    remove_->setAccessibleName("Remove wet work");
    r->addWidget(remove_);
    r->addStretch(1);
    zones_ = new Rows("wet-zones", "Wet work on the page", 3, this);
    connect(zones_, &Rows::taken, this, [this] {
        refresh();
        emit chosen_changed();
    });
    column_->addWidget(zones_);
    build_shape();
    says_ = line("wet-says");
    auto* last = row(QString());
    last->addWidget(button(Act::TakeDropOuts, "Add drop-outs to drawer"));
    last->addStretch(1);
    connect(&document, &Document::project_changed, this, &WetPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &WetPart::refresh_if_shown);
}

void WetPart::build_shape() {
    auto* r = row("With");
    kind_ = new ChoiceBox<WetKind>("What it is",
                                   {{"paint", WetKind::Paint},
                                    {"ink", WetKind::Ink},
                                    {"splatters", WetKind::Splatter},
                                    {"paste", WetKind::Paste}},
                                   this);
    kind_->on_choice(
        this, [this](WetKind kind) { change("Kind of wet work", [&](WetZone& z) { z.kind = kind; }); });
    r->addWidget(kind_, 1);
    colour_ = push("Colour...", "Its colour", [this] { pick_colour(); });
    r->addWidget(colour_);
    r = row("Shape");
    shape_ = new ChoiceBox<WetShape>("Its shape",
                                     {{"a circle", WetShape::Circle},
                                      {"a rectangle", WetShape::Box},
                                      {"a cut and a margin round it", WetShape::CutMargin},
                                      {"the cut as a stencil", WetShape::Stencil}},
                                     this);
    shape_->on_choice(this, [this](WetShape shape) {
        change("Shape of the wet work", [&](WetZone& z) { z.shape = shape; });
    });
    r->addWidget(shape_, 1);
    size_row_ = row_of_its_own("Size", r);
    const auto length = [&](const char* name, Limits limits, double WetZone::*of) {
        return length_field(name, limits,
                            [this, name, of](double mm) { change(name, [&](WetZone& z) { z.*of = mm; }); });
    };
    width_ = length("How wide the wet work is", wet_side_limits, &WetZone::width);
    r->addWidget(width_);
    by_ = quiet("by");
    r->addWidget(by_);
    height_ = length("How high the wet work is", wet_side_limits, &WetZone::height);
    r->addWidget(height_);
    r->addStretch(1);
    cut_row_ = row_of_its_own("Cut", r);
    cut_ = new ChoiceBox<int>("The cut it goes by", this);
    cut_->on_choice(this, [this](int id) { change("Cut of the wet work", [&](WetZone& z) { z.cut = id; }); });
    r->addWidget(cut_, 1);
    margin_name_ = quiet("and");
    r->addWidget(margin_name_);
    margin_ = length("How far it goes beyond the cut", wet_margin_limits, &WetZone::margin);
    r->addWidget(margin_);
    r = row("Primer");
    primer_ = tick("under it, beyond by", "Primer lies below the colour and goes beyond it",
                   [this](bool on) { change("Primer", [&](WetZone& z) { z.primer = on; }); });
    r->addWidget(primer_);
    primer_margin_ =
        length("How far the primer goes beyond the colour", wet_margin_limits, &WetZone::primer_margin);
    r->addWidget(primer_margin_);
    r->addStretch(1);
}

int WetPart::chosen() const {
    const int i = zones_->in_hand();
    return i < static_cast<int>(document_.project().dress.wet.size()) ? i : -1;
}

void WetPart::choose(int zone) {
    refresh();
    zones_->setCurrentRow(zone);
}

void WetPart::change(const QString& intention, const std::function<void(WetZone&)>& apply) {
    const int i = chosen();
    document_.change(intention, [&](Project& p) {
        if (i >= 0 && i < static_cast<int>(p.dress.wet.size()))
            apply(p.dress.wet[static_cast<std::size_t>(i)]);
    });
}

void WetPart::add() {
    const Plan* plan = state_.plan();
    document_.change("Add wet work", [&](Project& p) {
        if (p.dress.wet.size() >= most_wet_zones) return;
        WetZone fresh;
        // Where there is room to see it.
        fresh.centre = plan && plan->dress.balance.emptiest_radius > 0 ? plan->dress.balance.emptiest
                                                                       : p.set_out.page.whole().centre();
        if (!p.set_out.cuts.empty()) fresh.cut = p.set_out.cuts.front().id;
        p.dress.wet.push_back(fresh);
    });
    refresh();
    zones_->setCurrentRow(zones_->count() - 1);
}

void WetPart::pick_colour() {
    const int i = chosen();
    if (i < 0) return;
    const Rgb now = document_.project().dress.wet[static_cast<std::size_t>(i)].colour;
    if (const auto colour = zesty::pick_colour(this, now, "Colour of the wet work"))
        change("Colour of the wet work", [&](WetZone& z) { z.colour = *colour; });
}

void WetPart::take_drop_outs() {
    if (document_.project().set_out.cuts.empty()) {
        says_->setText("Nothing falls out of a page without a cut: put a cut file on it first.");
        return;
    }
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) {
        const int cut = std::max(0, state_.in_hand().cut(document_.project()));
        document_.change("Add drop-outs to the drawer",
                         [&](Project& p) { zesty::take_drop_outs(p, *plan, {cut}); });
    });
}

QString WetPart::says(int zone) const {
    if (zone < 0)
        return "Paint, ink, splatters or paste on the base, where they will be seen. They dry before "
               "anything is "
               "mounted; follow the maker's advice on fresh air.";
    const Plan* plan = state_.plan();
    if (!plan || zone >= static_cast<int>(plan->dress.wet.size())) return {};
    const WetFacts& f = plan->dress.wet[static_cast<std::size_t>(zone)];
    if (!f.known) return "The cut it goes by is not on the page.";
    return QString("%1 of it will be seen, on %2 of base.")
        .arg(words(percent(f.seen)), words(format_area(f.area, document_.project().units)));
}

void WetPart::refresh() {
    const Project& p = document_.project();
    QStringList rows;
    for (std::size_t i = 0; i < p.dress.wet.size(); ++i)
        rows << words(sentence(name_of(p.dress.wet[i], i))).chopped(1);
    zones_->show_rows(rows);
    const int i = chosen();
    const WetZone none;
    const WetZone& z = i < 0 ? none : p.dress.wet[static_cast<std::size_t>(i)];
    for (QWidget* w : std::initializer_list<QWidget*>{remove_, kind_, colour_, shape_, width_, height_,
                                                      primer_, primer_margin_})
        w->setEnabled(i >= 0);
    kind_->show_value(z.kind);
    shape_->show_value(z.shape);
    std::vector<Choice<int>> cuts;
    for (std::size_t c = 0; c < p.set_out.cuts.size(); ++c)
        cuts.push_back({p.set_out.cuts.size() == 1 ? QString("the cut") : QString("cut %1").arg(c + 1),
                        p.set_out.cuts[c].id});
    cut_->offer(cuts);
    cut_->show_value(z.cut);
    const bool by_cut = z.shape == WetShape::CutMargin || z.shape == WetShape::Stencil;
    cut_row_->setVisible(by_cut);
    size_row_->setVisible(!by_cut);
    for (QWidget* w : std::initializer_list<QWidget*>{margin_, margin_name_})
        w->setVisible(z.shape == WetShape::CutMargin);
    for (QWidget* w : std::initializer_list<QWidget*>{by_, height_}) w->setVisible(z.shape == WetShape::Box);
    width_->show_length(z.width, p.units);
    height_->show_length(z.height, p.units);
    margin_->show_length(z.margin, p.units);
    primer_->setChecked(z.primer);
    primer_margin_->show_length(z.primer_margin, p.units);
    says_->setText(says(i));
    lay_out_now(this);
}

} // namespace zesty
