#include "app/bench/actions.h"

#include "app/build/build_actions.h"
#include "app/dress/dress_actions.h"
#include "app/keep/keep_actions.h"
#include "app/papers/papers_actions.h"
#include "app/sections/sections_actions.h"
#include "app/setout/set_out_actions.h"
#include "app/sheets/sheets_actions.h"

#include <QWidget>

namespace zesty {

using namespace when;

const std::vector<ActionRow>& action_table() {
    static const std::vector<ActionRow> table = [] {
        std::vector<ActionRow> rows{
            {Act::Open, "Files", "Open a drawing or project", "Ctrl+O", always},
            {Act::Save, "Files", "Save the project", "Ctrl+S", always},
            {Act::SaveAs, "Files", "Save under another name", "Ctrl+Shift+S", always},
            {Act::Undo, "Files", "Undo", "Ctrl+Z", with_undo},
            {Act::Redo, "Files", "Redo", "Ctrl+Shift+Z", with_redo},
            {Act::Keys, "Files", "Show or hide this sheet of keys", "F1", always},
            {Act::Units, "Files", "Inches or centimetres", "Ctrl+U", always},
            {Act::AddPapers, "Stash", "Add papers", "Ctrl+Shift+N", always},
            {Act::BringIn, "Stash", "Bring in papers from files", "Ctrl+Shift+O", always},
            {Act::PasteList, "Stash", "Paste a list of papers", "Ctrl+Shift+V", always},
            {Act::WriteOut, "Stash", "Write the papers out", "Ctrl+Shift+W", always},
            {Act::BackUp, "Stash", "Back up stash, records and your numbers", "Ctrl+Shift+B", always},
            {Act::Restore, "Stash", "Restore everything from a backup", "Ctrl+Shift+R", always},
            {Act::ToSetOut, "Route", "Go to Set out", "Ctrl+1", always},
            {Act::ToSections, "Route", "Go to Sections", "Ctrl+2", always},
            {Act::ToPapers, "Route", "Go to Papers", "Ctrl+3", always},
            {Act::ToSheets, "Route", "Go to Sheets", "Ctrl+4", always},
            {Act::ToDress, "Route", "Go to Dress", "Ctrl+5", always},
            {Act::ToBuild, "Route", "Go to Build", "Ctrl+6", always},
            {Act::ToKeep, "Route", "Go to Keep", "Ctrl+7", always},
            {Act::NextWaypoint, "Route", "Go to the next waypoint", "Ctrl+Tab", always},
            {Act::Fit, "Page", "Show the whole page", "F", always},
            {Act::TrueSize, "Page", "Show the page at true size", "1", always},
            {Act::ZoomIn, "Page", "Zoom in", "+", always},
            {Act::ZoomOut, "Page", "Zoom out", "-", always},
            {Act::FoldDrawer, "Page", "Fold or open the drawer", "F9", always},
            {Act::Letters, "Page", "Change the size of letters: 100, 125 or 150 %", "Ctrl+F9", always},
        };
        for (const auto& more : {set_out_actions(), sections_actions(), papers_actions(), sheets_actions(),
                                 dress_actions(), build_actions(), keep_actions()})
            rows.insert(rows.end(), more.begin(), more.end());
        return rows;
    }();
    return table;
}

Actions::Actions(QWidget* window) : QObject(window) {
    actions_.resize(action_table().size());
    for (const ActionRow& row : action_table()) {
        auto* action = new QAction(QString::fromUtf8(row.text), window);
        action->setShortcut(QKeySequence(row.key, QKeySequence::PortableText));
        action->setShortcutContext(Qt::WindowShortcut);
        action->setToolTip(
            QString("%1 (%2)").arg(row.text, action->shortcut().toString(QKeySequence::NativeText)));
        window->addAction(action);
        actions_[static_cast<std::size_t>(row.act)] = action;
    }
}

void Actions::enable(const Moment& now) {
    for (const ActionRow& row : action_table())
        actions_[static_cast<std::size_t>(row.act)]->setEnabled(row.when(now));
}

} // namespace zesty
