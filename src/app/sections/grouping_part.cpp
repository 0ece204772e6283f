#include "app/sections/grouping_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/edits.h"
#include "core/sections/grouping.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QSpinBox>
#include <algorithm>

namespace zesty {

GroupingPart::GroupingPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_section();
    build_grouping();
    connect(&state, &BenchState::plan_changed, this, &GroupingPart::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &GroupingPart::refresh_if_shown);
}

void GroupingPart::build_section() {
    selection_ = new WrappedLabel(this);
    selection_->setProperty("strong", true);
    selection_->setObjectName("selection");
    column_->addWidget(selection_);
    numbers_ = line("numbers");
    const auto treatments = [&](const std::vector<Choice<Treatment>>& choices) {
        auto* some = new ChoiceRow<Treatment>("Backed by", choices, this);
        some->on_choice(this, [this](Treatment t) { treat(t); });
        column_->addWidget(some);
        return some;
    };
    treatment_[0] = treatments({{"Paper", Treatment::Paper},
                                {"Open", Treatment::Open},
                                {"Inlay", Treatment::Inlay},
                                {"Vellum", Treatment::Translucent}});
    treatment_[1] = treatments({{"Shaker", Treatment::Shaker},
                                {"Photo", Treatment::Photo},
                                {"Words", Treatment::Words},
                                {"Cut out", Treatment::CutFrom}});
    auto* r = row("Name");
    name_ = new QLineEdit(this);
    name_->setAccessibleName("Name of the section");
    name_->setPlaceholderText("such as tail bows or sky");
    name_->setMaxLength(60);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const auto sections = selected_sections();
        if (sections.size() != 1) return;
        document_.change("Name the section", [&](Project& p) {
            change_sections(p, sections,
                            [&](SectionChoice& c) { c.name = name_->text().trimmed().toStdString(); });
        });
    });
    r->addWidget(name_, 1);
    r = row("Its lip");
    own_lip_ = new LengthEdit("Lip of these sections", 0, 50, this);
    own_lip_->setFixedWidth(theme::px(84));
    connect(own_lip_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Lip of the section", [&](Project& p) {
            const auto own = std::abs(mm - p.sections.lip) < 0.01 ? std::nullopt : std::optional(mm);
            change_sections(p, selected_sections(), [&](SectionChoice& c) { c.lip = own; });
        });
    });
    r->addWidget(own_lip_);
    auto* glued = new QLabel("glued", this);
    glued->setProperty("quiet", true);
    r->addWidget(glued);
    order_ = new QSpinBox(this);
    order_->setAccessibleName("When it is glued");
    order_->setToolTip("When the section is glued: low numbers first");
    order_->setRange(0, 999);
    order_->setSpecialValueText("any time");
    connect(order_, &QSpinBox::editingFinished, this, [this] {
        document_.change("Order of gluing", [&](Project& p) {
            change_sections(p, selected_sections(), [&](SectionChoice& c) { c.order = order_->value(); });
        });
    });
    r->addWidget(order_, 1);
}

void GroupingPart::build_grouping() {
    auto* r = row(QString());
    r->addWidget(button(Act::Group, "One section"));
    r->addWidget(button(Act::Ungroup, "Take apart"));
    r->addWidget(button(Act::SelectTwins, "Twins"));
    r->addWidget(button(Act::SelectRow, "Row"));
    r->addStretch(1);
    r = row("Group by");
    using Kind = GroupRule::Kind;
    rule_ = new ChoiceBox<Kind>("Group by",
                                {{"the same shape", Kind::Twins},
                                 {"size", Kind::Sizes},
                                 {"bands of the page", Kind::Bands},
                                 {"rings about a place", Kind::Rings},
                                 {"rows", Kind::Rows},
                                 {"cut", Kind::Cuts}},
                                this);
    r->addWidget(rule_, 1);
    count_ = new QSpinBox(this);
    count_->setAccessibleName("How many groups");
    count_->setToolTip("How many sizes, bands or rings");
    count_->setRange(2, 20);
    count_->setValue(3);
    r->addWidget(count_);
    auto* go = new QPushButton("Group", this);
    go->setToolTip("Groups the selection, or every opening when none is selected");
    go->setObjectName("group-by");
    connect(go, &QPushButton::clicked, this, &GroupingPart::group_by_rule);
    rule_->on_choice(this, [this](Kind kind) {
        count_->setEnabled(kind == Kind::Sizes || kind == Kind::Bands || kind == Kind::Rings);
        about_->setVisible(kind == Kind::Rings);
        lay_out_now(this);
    });
    count_->setEnabled(false);
    r->addWidget(go);
    about_ = new MiddleRow("the middle of the page", document_, state_, this);
    about_->hide();
    column_->addWidget(about_);
    r = row("Lip");
    lip_ = new LengthEdit("Lip everywhere", 0, 50, this);
    lip_->setObjectName("lip");
    lip_->setFixedWidth(theme::px(84));
    connect(lip_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Change the lip", [&](Project& p) { p.sections.lip = mm; });
    });
    r->addWidget(lip_);
    auto* wanted = new QLabel("everywhere", this);
    wanted->setProperty("quiet", true);
    r->addWidget(wanted, 1);
    summary_ = line("summary");
}

std::vector<Spot> GroupingPart::selected_sections() const {
    std::set<Spot> out;
    if (!state_.plan()) return {};
    for (Spot o : state_.plan()->spots_of({state_.selected().begin(), state_.selected().end()}))
        out.insert(document_.project().sections.section_of(o));
    return {out.begin(), out.end()};
}

void GroupingPart::treat(Treatment treatment) {
    document_.change(QString("Treat as ") + name_of(treatment), [&](Project& p) {
        change_sections(p, selected_sections(), [&](SectionChoice& c) { c.treatment = treatment; });
    });
}

void GroupingPart::group_by_rule() {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut) return;
    const GroupRule rule{rule_->value(), count_->value(),
                         state_.tools().middle().value_or(document_.project().set_out.page.whole().centre())};
    const auto groups =
        groups_by(rule, *plan->sections.cut, plan->set_out.whole.to_page, plan->sections.cut_of_opening,
                  {state_.selected().begin(), state_.selected().end()});
    std::vector<Spot> out;
    document_.change("Group by " + rule_->currentText(), [&](Project& p) {
        for (const auto& g : groups) {
            const std::vector<Spot> apart = group(p, plan->spots_of(g));
            out.insert(out.end(), apart.begin(), apart.end());
        }
    });
    if (!out.empty()) emit say(words(stay_out(*plan, out)));
}

void GroupingPart::refresh() {
    const Project& project = document_.project();
    const Plan* plan = state_.plan();
    lip_->show_length(project.sections.lip, project.units);
    about_->refresh();
    const auto sections = selected_sections();
    const bool any = plan && plan->sections.cut && !sections.empty();
    for (QWidget* w : std::initializer_list<QWidget*>{treatment_[0], treatment_[1], own_lip_, order_})
        w->setEnabled(any);
    name_->setEnabled(any && sections.size() == 1);
    if (!any) {
        selection_->setText("Nothing selected");
        numbers_->setText("Click openings, draw round them, or walk with the arrow keys; Shift adds.");
        treatment_[0]->show_choice(-1);
        treatment_[1]->show_choice(-1);
        name_->clear();
        own_lip_->show_length(project.sections.lip, project.units);
        order_->setValue(0);
    } else {
        const SectionChoice& c = project.sections.choice(sections[0]);
        const std::size_t openings = state_.selected().size();
        selection_->setText(openings == 1 ? QString("Opening %1").arg(*state_.selected().begin() + 1)
                                          : QString("%1 openings, %2")
                                                .arg(openings)
                                                .arg(counted(sections.size(), "section", "sections")));
        numbers_->setText(openings == 1
                              ? about_opening(*plan->of, *plan, *state_.selected().begin()).section(": ", 1)
                              : QString("Make them one section to give them one paper."));
        const bool mixed = std::any_of(sections.begin(), sections.end(), [&](Spot s) {
            return project.sections.choice(s).treatment != c.treatment;
        });
        for (ChoiceRow<Treatment>* some : treatment_) {
            if (mixed)
                some->show_choice(-1);
            else
                some->show_value(c.treatment);
        }
        if (!name_->hasFocus()) name_->setText(words(c.name));
        own_lip_->show_length(c.lip.value_or(project.sections.lip), project.units);
        if (!order_->hasFocus()) order_->setValue(c.order);
    }
    if (!plan || !plan->sections.cut || plan->sections.patches.empty()) {
        summary_->setText("No patches yet.");
        return;
    }
    summary_->setText(about_patches(*plan->of, *plan));
}

} // namespace zesty
