#include "app/build/lists_view.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/build_lists.h"

#include <QScrollBar>

namespace zesty {

namespace {

QString escaped(const std::string& text) {
    return words(text).toHtmlEscaped();
}

QString heading(const QString& words) {
    return QString("<p style='margin: 16px 0 4px 0; font-size: %2px; font-weight: 600;'>%1</p>")
        .arg(words)
        .arg(theme::px(16));
}

QString table_of(const BuildList& list) {
    QString out = heading(escaped(list.name)) + "<table cellspacing='0' cellpadding='3' width='100%'>";
    for (const ListLine& line : list.lines)
        out += QString("<tr><td width='34%'>%1</td><td width='26%'><b>%2</b></td><td>"
                       "<span style='color:#6b6670'>%3</span></td></tr>")
                   .arg(escaped(line.what), escaped(line.how_much), escaped(line.note));
    return out + "</table>";
}

QString items(const std::vector<std::string>& all) {
    QString out = "<ul style='margin: 2px 0 0 -18px;'>";
    for (const std::string& one : all) out += "<li>" + escaped(one) + "</li>";
    return out + "</ul>";
}

} // namespace

ListsView::ListsView(BuildDesk& desk, QWidget* parent) : QTextBrowser(parent), desk_(desk) {
    setObjectName("lists-view");
    setAccessibleName("Lists");
    setFrameShape(QFrame::NoFrame);
    document()->setDocumentMargin(24);
    connect(&desk, &BuildDesk::changed, this, &ListsView::refresh);
    refresh();
}

void ListsView::show_one_more(const QString& html) {
    one_more_ = html;
    refresh();
}

void ListsView::showEvent(QShowEvent* event) {
    QTextBrowser::showEvent(event);
    refresh();
}

void ListsView::refresh() {
    if (!isVisible()) return;
    if (!desk_.known()) {
        setHtml("<p>The lists follow from the plan: open a drawing and give its openings papers.</p>");
        return;
    }
    QString html;
    for (const BuildList& list : build_lists(desk_.project(), desk_.plan())) html += table_of(list);
    if (!one_more_.isEmpty()) html += heading("One more sheet") + one_more_;
    if (const auto trims = trimmer_settings(desk_.project(), desk_.plan()); !trims.empty())
        html += heading("Trimmer") + items(trims);
    const auto packing = packing_lists(desk_.steps(), desk_.now(), desk_.project().build);
    for (const PackingList& list : packing)
        html += heading(QString("%1%2, %3 of work")
                            .arg(packing.size() == 1 ? QString("On the table")
                                                     : QString("Sitting %1").arg(list.sitting + 1),
                                 list.away ? ", away from home" : "", words(minutes_in_words(list.work)))) +
                items(list.things);
    const int where = verticalScrollBar()->value();
    setHtml(html.isEmpty() ? "<p>Nothing is needed yet.</p>" : html);
    verticalScrollBar()->setValue(where);
}

} // namespace zesty
