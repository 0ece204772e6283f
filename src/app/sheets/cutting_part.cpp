#include "app/sheets/cutting_part.h"

#include "app/bench/length_edit.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"

#include <QFileInfo>
#include <QHBoxLayout>

namespace zesty {

CuttingPart::CuttingPart(Document& document, BenchState& state, Actions& actions, Settings& settings,
                         QWidget* parent)
    : PanelPart(document, state, actions, parent), settings_(settings) {
    summary_ = new WrappedLabel(this);
    summary_->setProperty("strong", true);
    column_->addWidget(summary_);
    auto* r = row("Gap");
    auto* gap = new LengthEdit("Gap between patches on a sheet", 0, 50, this);
    gap->setToolTip("Kept free between patches: half a millimetre for a machine, two or more for scissors");
    connect(gap, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Gap between patches", [&](Project& p) { p.sheets.blade_gap = mm; });
    });
    connect(&document, &Document::project_changed, gap, [this, gap] {
        gap->show_length(document_.project().sheets.blade_gap, document_.project().units);
    });
    gap->show_length(document_.project().sheets.blade_gap, document_.project().units);
    r->addWidget(gap);
    auto* between = new QLabel("between patches", this);
    between->setProperty("quiet", true);
    r->addWidget(between, 1);
    r = row("Patch");
    r->addWidget(button(Act::Pin, "Pin it here"));
    r->addWidget(button(Act::Unpin, "Unpin"));
    r->addStretch(1);
    column_->addSpacing(8);
    r = row("Printer");
    auto* paper = new ChoiceRow<bool>("Paper of the printer", {{"A4", false}, {"Letter", true}}, this);
    paper->show_value(settings.letter_paper());
    paper->on_choice(this, [this](bool letter) { settings_.set_letter_paper(letter); });
    r->addWidget(paper, 1);
    r = row(QString());
    auto* write = button(Act::Export, "Write guide and cutting files", true);
    write->setIcon(theme::icon("printer", Qt::white));
    r->addWidget(write);
    r->addStretch(1);
    written_ = line("written");
    auto* care = line("care");
    care->setText(
        "Blades cut fingers: cut away from your hand and cap the blade. The machine maker's instructions "
        "come before these numbers.");
    connect(&state, &BenchState::plan_changed, this, &CuttingPart::refresh_if_shown);
}

void CuttingPart::show_written(const QStringList& files) {
    if (files.isEmpty()) return;
    written_->setText(QString("Wrote guide.pdf, page.png and %1 to %2.")
                          .arg(counted(files.size() - 2, "cutting file", "cutting files"),
                               QFileInfo(files.front()).absolutePath()));
}

void CuttingPart::refresh() {
    const Plan* plan = state_.plan();
    summary_->setText(plan && plan->sections.cut ? sheets_answer(*plan) : QString("Nothing to cut yet"));
}

} // namespace zesty
