#include "app/sections_panel.h"

#include "app/theme.h"
#include "app/wording.h"
#include "core/geometry/lengths.h"

#include <QHBoxLayout>
#include <algorithm>

namespace zesty {

SectionsPanel::SectionsPanel(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : Panel("What goes behind?", document, state, actions, parent) {
    selection_ = new WrappedLabel(this);
    selection_->setProperty("strong", true);
    selection_->setObjectName("selection");
    column_->addWidget(selection_);
    numbers_ = line("numbers");
    auto* r = row("Backed by");
    treatment_ = new Segments("Backed by", {"Paper", "Nothing, open"}, this);
    connect(treatment_, &Segments::chosen, this,
            [this](int i) { actions_[i == 0 ? Act::Paper : Act::LeaveOpen]->trigger(); });
    r->addWidget(treatment_, 1);
    r = row("Name");
    name_ = new QLineEdit(this);
    name_->setAccessibleName("Name of the section");
    name_->setPlaceholderText("such as roofs or sky");
    name_->setMaxLength(60);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const auto sections = selected_sections();
        if (sections.size() != 1) return;
        document_.change("Name the section", [&](Project& p) {
            SectionChoice c = p.choice(sections[0]);
            c.name = name_->text().trimmed().toStdString();
            p.choose(sections[0], c);
        });
    });
    r->addWidget(name_, 1);
    r = row("Its lip");
    own_lip_ = new LengthEdit("Lip of these sections", 0, 50, this);
    connect(own_lip_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Lip of the section", [&](Project& p) {
            for (Spot s : selected_sections()) {
                SectionChoice c = p.choice(s);
                c.lip = std::abs(mm - p.lip) < 0.01 ? std::nullopt : std::optional(mm);
                p.choose(s, c);
            }
        });
    });
    r->addWidget(own_lip_);
    r->addStretch(1);
    r = row(QString());
    r->addWidget(button(Act::Group, "One section"));
    r->addWidget(button(Act::Ungroup, "Take apart"));
    r->addWidget(button(Act::SelectTwins, "Twins"));
    r->addStretch(1);
    column_->addSpacing(8);
    r = row("Lip");
    lip_ = new LengthEdit("Lip wanted everywhere", 0, 50, this);
    lip_->setObjectName("lip");
    connect(lip_, &LengthEdit::length_entered, this,
            [this](double mm) { document_.change("Lip wanted", [&](Project& p) { p.lip = mm; }); });
    r->addWidget(lip_);
    auto* wanted = new QLabel("wanted everywhere", this);
    wanted->setProperty("quiet", true);
    r->addWidget(wanted, 1);
    summary_ = line("summary");
    connect(&state, &BenchState::plan_changed, this, &SectionsPanel::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &SectionsPanel::refresh_if_shown);
}

std::vector<Spot> SectionsPanel::selected_sections() const {
    std::set<Spot> out;
    if (!state_.plan()) return {};
    for (Spot o : state_.plan()->spots_of({state_.selected().begin(), state_.selected().end()}))
        out.insert(section_of(document_.project(), o));
    return {out.begin(), out.end()};
}

void SectionsPanel::refresh() {
    const Project& project = document_.project();
    const Plan* plan = state_.plan();
    lip_->show_length(project.lip, project.units);
    const auto sections = selected_sections();
    const bool any = plan && plan->cut && !sections.empty();
    for (QWidget* w : std::initializer_list<QWidget*>{treatment_, own_lip_}) w->setEnabled(any);
    name_->setEnabled(any && sections.size() == 1);
    if (!any) {
        selection_->setText("Nothing selected");
        numbers_->setText("Click openings, or walk with the arrow keys; Shift adds to the selection.");
        treatment_->show_choice(-1);
        name_->clear();
        own_lip_->show_length(project.lip, project.units);
    } else {
        const SectionChoice& c = project.choice(sections[0]);
        const std::size_t openings = state_.selected().size();
        selection_->setText(openings == 1 ? QString("Opening %1").arg(*state_.selected().begin() + 1)
                                          : QString("%1 openings, %2")
                                                .arg(openings)
                                                .arg(counted(sections.size(), "section", "sections")));
        numbers_->setText(openings == 1
                              ? about_opening(project, *plan, *state_.selected().begin()).section(": ", 1)
                              : QString("Make them one section to give them one paper."));
        const bool mixed = std::any_of(sections.begin(), sections.end(),
                                       [&](Spot s) { return project.choice(s).treatment != c.treatment; });
        treatment_->show_choice(mixed ? -1 : static_cast<int>(c.treatment));
        if (!name_->hasFocus()) name_->setText(sections.size() == 1 ? words(c.name) : QString());
        own_lip_->show_length(c.lip.value_or(project.lip), project.units);
    }
    if (!plan || !plan->cut || plan->patches.empty()) {
        summary_->setText("");
        return;
    }
    const auto worst = std::min_element(plan->patches.begin(), plan->patches.end(),
                                        [](const Patch& a, const Patch& b) { return a.lip < b.lip; });
    const double square_inches = plan->patch_area() / (mm_per_inch * mm_per_inch);
    const QString paper = project.units == Units::Inches
                              ? QString("%1 sq in").arg(square_inches, 0, 'f', 1)
                              : QString("%1 sq cm").arg(plan->patch_area() / 100, 0, 'f', 0);
    summary_->setText(
        QString("%1 take %2 of paper. The smallest lip the bars allow is %3, at opening %4.")
            .arg(counted(plan->patches.size(), "patch", "patches"), paper, words(format_mm(worst->lip)))
            .arg(worst->opening + 1));
}

} // namespace zesty
