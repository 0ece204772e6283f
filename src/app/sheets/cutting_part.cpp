#include "app/sheets/cutting_part.h"

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QMenu>
#include <QPushButton>
#include <algorithm>
#include <array>

namespace zesty {

CuttingPart::CuttingPart(Document& document, BenchState& state, Actions& actions, Settings& settings,
                         Worker& worker, QWidget* parent)
    : PanelPart(document, state, actions, parent), settings_(settings), worker_(worker) {
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
    paper->on_choice(this, [this](bool letter) {
        settings_.set_letter_paper(letter);
        count_pages();
    });
    r->addWidget(paper, 1);
    build_chapters(row("Guide"));
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

void CuttingPart::build_chapters(QHBoxLayout* row) {
    static const std::array says{"Cover",
                                 "Key with numbers",
                                 "What to prepare",
                                 "Trimming",
                                 "What it takes",
                                 "Step by step",
                                 "Cutting mats",
                                 "Loose pieces",
                                 "Sheets",
                                 "Tracing pages",
                                 "Lines for journaling",
                                 "Foam and glue",
                                 "Placement, true scale"};
    static_assert(says.size() == words_of<Chapter>.size());
    which_ = new QPushButton(this);
    which_->setObjectName("chapters");
    which_->setAccessibleName("Chapters of the guide");
    which_->setToolTip(
        "Which chapters of the guide are printed; tracing pages come for patches that are traced");
    auto* menu = new QMenu(which_);
    for (const Chapter chapter : all_chapters) {
        auto* action = menu->addAction(says[static_cast<std::size_t>(chapter)]);
        action->setCheckable(true);
        action->setChecked(usual_chapters.contains(chapter));
        connect(action, &QAction::toggled, this, [this, chapter](bool on) {
            if (on)
                chapters_.insert(chapter);
            else
                chapters_.erase(chapter);
            count_pages();
        });
    }
    which_->setMenu(menu);
    row->addWidget(which_);
    pages_ = new QLabel(this);
    pages_->setObjectName("guide-pages");
    pages_->setProperty("quiet", true);
    row->addWidget(pages_, 1);
}

/// Laid out as it would be printed, while the hands go on.
void CuttingPart::count_pages() {
    which_->setText(chapters_ == usual_chapters ? QString("usual chapters")
                    : chapters_ == all_chapters ? QString("all chapters")
                                                : counted(chapters_.size(), "chapter", "chapters"));
    const auto plan = state_.own_plan();
    if (!isVisible() || !plan || !plan->sections.cut || !plan->sheets.done) {
        pages_->clear();
        return;
    }
    const PrinterPaper paper = settings_.letter_paper() ? PrinterPaper::Letter : PrinterPaper::A4;
    worker_.think(
        this,
        [this, number = ++asked_, plan, paper, chapters = chapters_](Planner&) -> std::function<void()> {
            const int pages = guide_pages(*plan->of, *plan, mats_of(*plan->of, *plan), paper, chapters);
            return [this, number, pages] {
                if (number == asked_)
                    pages_->setText(counted(static_cast<std::size_t>(pages), "page", "pages"));
            };
        });
}

void CuttingPart::show_written(const QStringList& files) {
    if (files.isEmpty()) return;
    const auto cutting = std::count_if(files.begin(), files.end(), [](const QString& f) {
        return f.endsWith(".svg") || f.endsWith(".dxf");
    });
    written_->setText(QString("Wrote guide.pdf, pictures and %1 to %2.")
                          .arg(counted(static_cast<std::size_t>(cutting), "cutting file", "cutting files"),
                               QFileInfo(files.front()).absolutePath()));
}

void CuttingPart::refresh() {
    const Plan* plan = state_.plan();
    summary_->setText(plan && plan->sections.cut ? sheets_answer(*plan) : QString("Nothing to cut yet"));
    count_pages();
}

} // namespace zesty
