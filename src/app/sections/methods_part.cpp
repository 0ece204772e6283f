#include "app/sections/methods_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/edits.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QRadioButton>
#include <algorithm>

namespace zesty {

MethodsPart::MethodsPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    build_table();
    advice_ = line("advice");
    auto* r = row(QString());
    take_advice_ = new QPushButton("Use this method", this);
    connect(take_advice_, &QPushButton::clicked, this, [this] { give_selection(advised_.method); });
    like_page_ = new QPushButton("Use page's method", this);
    like_page_->setToolTip("Backs the selection by the method of the whole page");
    connect(like_page_, &QPushButton::clicked, this, [this] { give_selection(std::nullopt); });
    r->addWidget(take_advice_);
    r->addWidget(like_page_);
    r->addStretch(1);
    build_rules();
    connect(&state, &BenchState::plan_changed, this, &MethodsPart::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &MethodsPart::refresh_if_shown);
}

void MethodsPart::build_table() {
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(3);
    const auto head = [&](const QString& text, int column) {
        auto* l = new QLabel(text, this);
        l->setProperty("quiet", true);
        l->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
        grid->addWidget(l, 0, column);
    };
    head("paper", 1);
    head("minutes", 2);
    head("least lip", 3);
    grid->setColumnMinimumWidth(0, 126);
    for (int i = 0; i < count_of_values<BackingMethod>; ++i) {
        Row& row = rows_[static_cast<std::size_t>(i)];
        const QString name = name_of(static_cast<BackingMethod>(i));
        row.name = new QRadioButton(name.at(0).toUpper() + name.mid(1), this);
        row.name->setToolTip("Backs the whole page with " + name);
        connect(row.name, &QRadioButton::clicked, this, [this, i] {
            document_.change("Choose a backing method",
                             [&](Project& p) { p.sections.backing.method = static_cast<BackingMethod>(i); });
        });
        grid->addWidget(row.name, i + 1, 0);
        int column = 1;
        for (QLabel** l : {&row.paper, &row.minutes, &row.lips}) {
            *l = new QLabel(this);
            (*l)->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
            grid->addWidget(*l, i + 1, column++);
        }
    }
    grid->setColumnStretch(0, 1);
    column_->addLayout(grid);
}

void MethodsPart::build_rules() {
    auto* r = row("Bars");
    lips_ =
        new ChoiceRow<LipMode>("Patches on shared bars",
                               {{"Meet in the middle", LipMode::Meet}, {"Overlap", LipMode::Overlap}}, this);
    lips_->on_choice(this, [this](LipMode lips) {
        document_.change("Patches on shared bars", [&](Project& p) { p.sections.backing.lips = lips; });
    });
    r->addWidget(lips_, 1);
    chosen_bars_ = line("bars");
    chosen_lips_ = new ChoiceRow<std::optional<LipMode>>(
        "The bars chosen",
        {{"Same as page", std::nullopt}, {"Meet", LipMode::Meet}, {"Overlap", LipMode::Overlap}}, this);
    chosen_lips_->on_choice(this, [this](std::optional<LipMode> lips) {
        document_.change("Patches on these bars", [&](Project& p) {
            set_bars(p.sections, bars_in_hand(), lips.value_or(p.sections.backing.lips));
        });
    });
    r = row(QString());
    r->addWidget(chosen_lips_, 1);
    build_punches();
    build_clearances();
}

void MethodsPart::build_punches() {
    auto* r = row("Punches");
    punches_ = new QLineEdit(this);
    punches_->setAccessibleName("Punches at hand");
    punches_->setToolTip("Diameters of the punches at hand, with commas between them");
    connect(punches_, &QLineEdit::editingFinished, this, [this] {
        const Project& project = document_.project();
        std::vector<double> sizes;
        for (const QString& text : punches_->text().split(',', Qt::SkipEmptyParts))
            if (const auto mm = parse_length(text.trimmed().toStdString(), project.units);
                mm && *mm > 0 && *mm < 1000)
                sizes.push_back(*mm);
        std::sort(sizes.begin(), sizes.end());
        if (!sizes.empty() && punches_->isModified())
            document_.change("Punches at hand", [&](Project& p) { p.sections.backing.punches = sizes; });
        punches_->setModified(false);
        refresh();
    });
    r->addWidget(punches_, 1);
    on_top_ = new QCheckBox("on top", this);
    on_top_->setToolTip("Punched circles lie on the openings instead of behind them");
    connect(on_top_, &QCheckBox::clicked, this, [this](bool on) {
        document_.change("Punches on top", [&](Project& p) { p.sections.backing.punch_on_top = on; });
    });
    r->addWidget(on_top_);
    r = row("These");
    punched_ = new ChoiceRow<std::optional<bool>>(
        "Circles of the selection", {{"Same as page", std::nullopt}, {"Behind", false}, {"On top", true}},
        this);
    punched_->on_choice(this, [this](std::optional<bool> on_top) {
        const Plan* plan = state_.plan();
        if (!plan) return;
        document_.change("Circles of the selection", [&](Project& p) {
            change_sections(p, plan->spots_of({state_.selected().begin(), state_.selected().end()}),
                            [&](SectionChoice& c) { c.punch_on_top = on_top; });
        });
    });
    r->addWidget(punched_, 1);
}

void MethodsPart::build_clearances() {
    auto* r = row("Inlay");
    clearance_ = new LengthEdit("Clearance of inlays, all round", inlay_clearance_limits.least,
                                inlay_clearance_limits.most, this);
    clearance_->setToolTip("Clearance of inlays, all round");
    clearance_->setFixedWidth(theme::px(76));
    connect(clearance_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Clearance of inlays", [&](Project& p) { p.sections.backing.inlay_clearance = mm; });
    });
    r->addWidget(clearance_);
    auto* foam = new QLabel("foam strip", this);
    foam->setProperty("quiet", true);
    r->addWidget(foam);
    foam_ = new LengthEdit("Width of foam strip round shakers", foam_width_limits.least,
                           foam_width_limits.most, this);
    foam_->setToolTip("Width of foam strip round shakers");
    foam_->setFixedWidth(theme::px(76));
    connect(foam_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Width of foam strip", [&](Project& p) { p.sections.backing.foam_width = mm; });
    });
    r->addWidget(foam_);
    r->addStretch(1);
}

void MethodsPart::give_selection(std::optional<BackingMethod> method) {
    const Plan* plan = state_.plan();
    if (!plan) return;
    document_.change("Choose a backing method for the selection", [&](Project& p) {
        change_sections(p, plan->spots_of({state_.selected().begin(), state_.selected().end()}),
                        [&](SectionChoice& c) { c.method = method; });
    });
}

std::vector<BarName> MethodsPart::bars_in_hand() const {
    const Plan* plan = state_.plan();
    if (!plan || state_.selected().empty()) return {};
    return plan->bars_among({state_.selected().begin(), state_.selected().end()});
}

void MethodsPart::show_bars() {
    const Project& p = document_.project();
    const std::vector<BarName> bars = bars_in_hand();
    chosen_lips_->setEnabled(!bars.empty());
    if (bars.empty()) {
        chosen_bars_->setText("Select openings to decide about the bars between them alone.");
        chosen_lips_->show_choice(-1);
        return;
    }
    chosen_bars_->setText(state_.selected().size() == 1
                              ? "All of its bars, " + QString::number(bars.size()) + ":"
                              : QString(counted(bars.size(), "bar", "bars")) +
                                    " between the openings selected:");
    std::set<std::optional<LipMode>> choices;
    for (const BarName& bar : bars) {
        const auto own = p.sections.bars.find(bar);
        choices.insert(own == p.sections.bars.end() ? std::nullopt : std::optional(own->second));
    }
    if (choices.size() == 1)
        chosen_lips_->show_value(*choices.begin());
    else
        chosen_lips_->show_choice(-1);
}

void MethodsPart::ask_for_table() {
    Project now = document_.project();
    now.sections.backing.method = BackingMethod::MachinePatches; // the table is the same whichever is chosen
    if (table_shown_ && now == table_for_) return;
    table_for_ = now;
    table_shown_ = true;
    const quint64 number = ++asked_;
    for (const Row& r : rows_)
        for (QLabel* l : {r.paper, r.minutes, r.lips}) l->setText("...");
    if (now.set_out.cuts.empty()) return;
    worker_.think_of_page(
        this,
        [this, now, number](Planner& planner, const StopToken& stop) {
            auto table = planner.compare_methods(now, stop);
            return [this, number, table = table ? std::move(*table) : std::vector<MethodFigures>{}] {
                if (number == asked_) show_table(table);
            };
        },
        [this, number] {
            if (number == asked_) table_shown_ = false;
        });
}

void MethodsPart::show_table(const std::vector<MethodFigures>& table) {
    const Units units = document_.project().units;
    for (const MethodFigures& f : table) {
        const Row& row = rows_[static_cast<std::size_t>(f.method)];
        row.paper->setText(words(format_area(f.paper_area, units)));
        row.minutes->setText(QString::number(std::lround(f.minutes)));
        row.lips->setText(std::isfinite(f.smallest_lip) ? words(format_length(f.smallest_lip, units))
                                                        : QString("none"));
        QString tip = counted(static_cast<std::size_t>(f.narrow_lips), "lip", "lips") + " under 1.5 mm";
        if (f.failed > 0) {
            row.lips->setText(QString("%1 fail").arg(f.failed));
            tip += QString("; does not work for %1").arg(f.failed);
        }
        row.lips->setToolTip(tip);
    }
}

void MethodsPart::show_advice() {
    const Plan* plan = state_.plan();
    const bool one = plan && plan->sections.cut && !state_.selected().empty();
    take_advice_->setEnabled(one);
    like_page_->setEnabled(one);
    if (!one) {
        advice_->setText("Select an opening to see which method suits it.");
        return;
    }
    const int o = *state_.selected().begin();
    advised_ = advised_method(transformed(plan->sections.cut->openings[static_cast<std::size_t>(o)].outline,
                                          plan->set_out.whole.to_page),
                              plan->sections.cut->narrowest_bar(o) * plan->set_out.whole.scale,
                              document_.project().sections.backing, document_.project().units);
    const Section& s =
        plan->sections.all[static_cast<std::size_t>(plan->sections.of_opening[static_cast<std::size_t>(o)])];
    advice_->setText(QString("<b>Opening %1</b> is backed by %2. <b>%3</b> suits it. %4")
                         .arg(o + 1)
                         .arg(name_of(s.method))
                         .arg(name_of(advised_.method))
                         .arg(words(advised_.reason)));
    advice_->updateGeometry();
}

void MethodsPart::refresh() {
    const BackingRules& b = document_.project().sections.backing;
    const Units units = document_.project().units;
    rows_[static_cast<std::size_t>(b.method)].name->setChecked(true);
    lips_->show_value(b.lips);
    on_top_->setChecked(b.punch_on_top);
    clearance_->show_length(b.inlay_clearance, units);
    foam_->show_length(b.foam_width, units);
    const Plan* plan = state_.plan();
    punched_->setEnabled(plan && !state_.selected().empty());
    if (plan && !state_.selected().empty())
        punched_->show_value(document_.project()
                                 .sections
                                 .choice(document_.project().sections.section_of(
                                     plan->spots_of({*state_.selected().begin()}).front()))
                                 .punch_on_top);
    else
        punched_->show_choice(-1);
    if (!punches_->hasFocus()) {
        QStringList list;
        for (double d : b.punches) list << words(format_length(d, units)).remove(" in").remove(" cm");
        punches_->setText(list.join(", "));
        punches_->setCursorPosition(0);
    }
    show_advice();
    show_bars();
    ask_for_table();
}

} // namespace zesty
