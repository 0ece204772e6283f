#include "app/build/lists_part.h"

#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/build_lists.h"

#include <QHBoxLayout>

namespace zesty {

ListsPart::ListsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, BuildDesk& desk,
                     QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker), desk_(desk) {
    auto* r = row(QString());
    r->addWidget(button(Act::Export, "Write guide and files", true));
    r->addStretch(1);
    r = row(QString());
    one_more_ = push("Would one more sheet help?", "Tries one more sheet of every paper that is short",
                     [this] { ask_one_more(); });
    r->addWidget(one_more_);
    r->addStretch(1);
    says_ = line("lists-say");
    connect(&desk, &BuildDesk::changed, this, &ListsPart::refresh_if_shown);
}

void ListsPart::ask_one_more() {
    if (!desk_.known()) return;
    one_more_->setEnabled(false);
    says_->setText("Trying one more sheet of each\u2026");
    worker_.think_of_page(
        this,
        [this, project = desk_.project(),
         plan = desk_.shared_plan()](Planner& planner, const StopToken& stop) -> std::function<void()> {
            QString html;
            for (const OneMoreSheet& one : one_more_sheet(project, *plan, planner, stop))
                html += QString("<p>%1, %2: %3 short now, %4 with it.</p>")
                            .arg(words(one.paper).toHtmlEscaped(),
                                 words(format_size(one.width, one.height, project.units)),
                                 counted(one.short_now, "patch", "patches"))
                            .arg(one.short_then);
            return [this, html] {
                refresh();
                emit one_more_known(html.isEmpty() ? "<p>Nothing is short of paper.</p>" : html);
            };
        },
        [this] { refresh(); });
}

void ListsPart::refresh() {
    const std::size_t short_ones = desk_.known() ? desk_.plan().sheets.short_patches.size() : 0;
    one_more_->setEnabled(short_ones > 0);
    says_->setText(
        short_ones > 0
            ? QString("%1 still without paper.").arg(counted(short_ones, "patch is", "patches are"))
            : QString("The lists stand beside, with what to pack for each sitting. The printed guide "
                      "has them too."));
}

} // namespace zesty
