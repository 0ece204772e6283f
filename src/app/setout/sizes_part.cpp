#include "app/setout/sizes_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/cutting_mat_plan.h"
#include "core/setout/sizing.h"

#include <QHBoxLayout>
#include <algorithm>

namespace zesty {

namespace {
constexpr int rungs = 13;
constexpr double smallest_share = 1.0 / 6; ///< of the page
constexpr int most_on_cutting_mat = 60;
} // namespace

SizesPart::SizesPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    chart_ = new LadderChart(this);
    column_->addWidget(chart_);
    connect(chart_, &LadderChart::looked_at, this, &SizesPart::tell);
    connect(chart_, &LadderChart::size_taken, this, [this](double mm) {
        if (const SetOut* now = state_.set_out_in_hand(document_.project()))
            grow("Take a size from the ladder", mm / std::max({now->size.x, now->size.y, 1e-9}));
    });
    reading_ = line("reading");
    build_bars();
    build_measure();
    build_cutting_mat();
    connect(&state, &BenchState::plan_changed, this, &SizesPart::refresh_if_shown);
    connect(&state.in_hand(), &InHand::changed, this, &SizesPart::refresh_if_shown);
    connect(&state.tools(), &PageTools::measured_changed, this, &SizesPart::refresh_if_shown);
}

void SizesPart::grow(const QString& intention, double factor) {
    const SetOut* now = state_.set_out_in_hand(document_.project());
    if (!now) return;
    document_.change(intention, [&](Project& p) {
        if (PlacedCut* c = state_.in_hand().placed(p))
            c->place = resized(c->place, *now, p.set_out.page, factor);
    });
}

void SizesPart::build_bars() {
    auto* r = row("Bars for");
    std::vector<Choice<std::string>> choices;
    for (const Holding& h : holdings({})) {
        QString name = words(h.key);
        name[0] = name[0].toUpper();
        choices.push_back({name, h.key});
    }
    bars_ = new ChoiceRow<std::string>("Thinnest bar wide enough for", choices, this);
    bars_->on_choice(this, [this](const std::string& key) {
        const SetOut* now = state_.set_out_in_hand(document_.project());
        if (!now) return;
        for (const Holding& h : holdings(document_.project().set_out.bars))
            if (const auto factor = growth_for_bar(*now, h.bar); key == h.key && factor)
                grow("Size by the thinnest bar", *factor);
    });
    r->addWidget(bars_, 1);
}

void SizesPart::build_measure() {
    auto* r = row("Measure");
    measured_ = new QLabel(this);
    measured_->setObjectName("measured");
    r->addWidget(measured_, 1);
    wanted_ = new LengthEdit("Length it should have", 0.1, 3000, this);
    wanted_->setFixedWidth(theme::px(92));
    connect(wanted_, &LengthEdit::length_entered, this, [this](double mm) {
        const auto& between = state_.tools().measured();
        if (!between) return;
        const double is = distance(between->first, between->second);
        if (is > 0.1) grow("Size by a measured length", mm / is);
        state_.tools().measure(std::nullopt);
    });
    r->addWidget(wanted_);
}

void SizesPart::set_cutting_mat(double CuttingMat::*side, const char* intention, double mm) {
    document_.change(intention, [&](Project& p) { p.set_out.cutting_mat.*side = mm; });
}

void SizesPart::build_cutting_mat() {
    auto* r = row(QString());
    r->addWidget(new QLabel("Cutting mat", this));
    mat_width_ = new LengthEdit("Width of the cutting mat", 10, 3000, this);
    mat_height_ = new LengthEdit("Height of the cutting mat", 10, 3000, this);
    for (LengthEdit* edit : {mat_width_, mat_height_}) edit->setFixedWidth(theme::px(80));
    connect(mat_width_, &LengthEdit::length_entered, this,
            [this](double mm) { set_cutting_mat(&CuttingMat::width, "Width of the cutting mat", mm); });
    connect(mat_height_, &LengthEdit::length_entered, this,
            [this](double mm) { set_cutting_mat(&CuttingMat::height, "Height of the cutting mat", mm); });
    r->addWidget(mat_width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(mat_height_);
    r->addStretch(1);
    r = row(QString());
    auto* count = new QPushButton("How many fit?", this);
    count->setToolTip("Nests as many of the cut, at its size now, as fit on the cutting mat");
    connect(count, &QPushButton::clicked, this, &SizesPart::count_on_cutting_mat);
    r->addWidget(count);
    auto* lay = new QPushButton("Show the cutting mats", this);
    lay->setToolTip("Lays everything that is cut for this page on cutting mats and shows them");
    lay->setAccessibleName("Show the cutting mats");
    connect(lay, &QPushButton::clicked, this, &SizesPart::lay_on_cutting_mats);
    r->addWidget(lay);
    r->addStretch(1);
    fits_ = line("mat");
}

void SizesPart::count_on_cutting_mat() {
    const Project project = document_.project();
    const int cut = state_.in_hand().cut(project);
    const SetOut* now = state_.set_out_in_hand(project);
    if (cut < 0 || !now) return;
    fits_->setText("Counting.");
    const double size = std::max(now->size.x, now->size.y);
    worker_.think(this, [this, project, cut, size](Planner& planner) {
        const CuttingMat& mat = project.set_out.cutting_mat;
        const auto alone = planner.cut_alone(project, cut);
        const auto counts =
            alone ? fit_on_cutting_mat(**alone, {size, size * 0.75, size / 2}, mat, most_on_cutting_mat, {})
                  : std::vector<CuttingMatCount>{};
        std::shared_ptr<ShownCuttingMats> shown;
        if (!counts.empty() && counts.front().count > 0)
            shown = std::make_shared<ShownCuttingMats>(
                ShownCuttingMats{QString("%1 on the cutting mat").arg(counts.front().count), *alone,
                                 insert_labels(**alone), counts.front().layout.mats, mat});
        return [this, counts, shown, units = project.units] {
            QStringList parts;
            for (const CuttingMatCount& c : counts)
                parts << QString("%1%2 at %3")
                             .arg(c.count)
                             .arg(c.or_more ? " or more" : "")
                             .arg(words(format_length(c.size, units)));
            fits_->setText("Fit on the cutting mat: " + parts.join(", ") + ".");
            state_.show_cutting_mats(shown);
        };
    });
}

void SizesPart::lay_on_cutting_mats() {
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) { lay_on_mats_by(std::move(plan)); });
}

void SizesPart::lay_on_mats_by(std::shared_ptr<const Plan> plan) {
    if (!plan->sections.cut) return;
    fits_->setText("Laying the cuts on cutting mats.");
    worker_.think(this, [this, plan](Planner&) {
        const Project& project = *plan->of;
        auto shown = std::make_shared<ShownCuttingMats>(
            ShownCuttingMats{{},
                             plan->sections.cut,
                             plan->sections.inserts,
                             {},
                             {project.set_out.cutting_mat.width, project.set_out.cutting_mat.height}});
        std::size_t too_large = 0;
        QStringList also;
        for (const CutsOnCuttingMats& one : mats_of(project, *plan)) {
            shown->mats.insert(shown->mats.end(), one.layout.mats.begin(), one.layout.mats.end());
            shown->names.resize(shown->mats.size(), words(one.cardstock));
            too_large += one.layout.too_large.size();
            if (const std::string extras = extras_in_words(project, extras_on(project, *plan, one));
                !extras.empty())
                also << words(one.cardstock + ": " + extras);
        }
        const QString count = counted(shown->mats.size(), "mat", "mats");
        shown->title = "Everything cut for this page: " + count;
        return [this, shown, count, too_large, also] {
            fits_->setText("The page takes " + count + "." +
                           (also.isEmpty() ? QString() : " Also fits, on " + also.join("; on ") + ".") +
                           (too_large == 0 ? QString()
                                           : " " + counted(too_large, "piece is", "pieces are") +
                                                 " larger than the cutting mat."));
            if (!shown->mats.empty()) state_.show_cutting_mats(shown);
        };
    });
}

void SizesPart::tell() {
    const Rung* r = chart_->about();
    if (!r) {
        reading_->setText("Put a cut on the page to see what its sizes do.");
        return;
    }
    const Units units = document_.project().units;
    QString text = QString("<b>%1</b>: ").arg(words(format_length(r->size, units)));
    if (std::isfinite(r->thinnest_bar)) text += "bar " + words(format_length(r->thinnest_bar, units)) + ", ";
    text += "smallest opening " + words(format_length(r->smallest_opening, units));
    text += r->too_small > 0 ? QString(", <b>%1 too small to back</b>").arg(r->too_small) : QString();
    text += QString(". Paper %1, cutting %2 min, backing %3 min.")
                .arg(words(format_area(r->patch_area, units)))
                .arg(std::max(1L, std::lround(r->cutting)))
                .arg(std::max(1L, std::lround(r->backing)));
    reading_->setText(text);
}

void SizesPart::ask_for_ladder() {
    const Project& p = document_.project();
    const int cut = state_.in_hand().cut(p);
    if (cut < 0) {
        chart_->show_rungs({}, p.set_out.bars, p.units);
        return;
    }
    // Only what the ladder depends on makes it anew: not where the cut lies or how large it is now.
    std::vector<PlacedCut> cuts = p.set_out.cuts;
    for (PlacedCut& c : cuts) c.place = {};
    if (cuts == ladder_for_ && ladder_cut_ == cut && ladder_lip_ == p.sections.lip &&
        ladder_rules_ == p.sections.backing && ladder_sections_ == p.sections && ladder_units_ == p.units)
        return;
    ladder_for_ = std::move(cuts);
    ladder_cut_ = cut;
    ladder_lip_ = p.sections.lip;
    ladder_rules_ = p.sections.backing;
    ladder_sections_ = p.sections;
    ladder_units_ = p.units;
    const quint64 number = ++asked_;
    worker_.think_of_page(
        this,
        [this, p, cut, number](Planner& planner, const StopToken& stop) {
            const double most = std::max(p.set_out.page.width, p.set_out.page.full_height());
            auto made = planner.ladder(p, cut, most * smallest_share, most, rungs, stop);
            return [this, number, bars = p.set_out.bars, units = p.units,
                    made = made ? std::move(*made) : std::vector<Rung>{}] {
                if (number == asked_) chart_->show_rungs(made, bars, units);
            };
        },
        [this, number] {
            if (number == asked_) ladder_cut_ = -1;
        });
}

void SizesPart::refresh() {
    const Project& p = document_.project();
    mat_width_->show_length(p.set_out.cutting_mat.width, p.units);
    mat_height_->show_length(p.set_out.cutting_mat.height, p.units);
    const SetOut* now = state_.set_out_in_hand(p);
    bars_->setEnabled(now && std::isfinite(now->thinnest_bar));
    std::string holds;
    if (now)
        for (const Holding& h : holdings(p.set_out.bars))
            if (std::abs(now->thinnest_bar - h.bar) < 0.01) holds = h.key;
    bars_->show_value(holds);
    if (now) chart_->show_size(std::max(now->size.x, now->size.y));
    const auto& between = state_.tools().measured();
    wanted_->setEnabled(between.has_value());
    measured_->setText(between ? words(format_length(distance(between->first, between->second), p.units)) +
                                     " becomes"
                               : QString("Drag between two places"));
    if (between) wanted_->show_length(distance(between->first, between->second), p.units);
    ask_for_ladder();
    tell();
}

} // namespace zesty
