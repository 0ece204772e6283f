#include "app/bench/actions.h"

#include <QWidget>

namespace zesty {

const std::vector<ActionRow>& action_table() {
    static const std::vector<ActionRow> table{
        {Act::Open, "Files", "Open a drawing or project", "Ctrl+O"},
        {Act::OpenStash, "Files", "Open a stash of papers", "Ctrl+Shift+O"},
        {Act::Save, "Files", "Save the project", "Ctrl+S"},
        {Act::SaveAs, "Files", "Save under another name", "Ctrl+Shift+S"},
        {Act::Undo, "Files", "Undo", "Ctrl+Z"},
        {Act::Redo, "Files", "Redo", "Ctrl+Shift+Z"},
        {Act::Keys, "Files", "Show or hide this sheet of keys", "F1"},
        {Act::Units, "Files", "Inches or centimetres", "Ctrl+U"},
        {Act::ToSetOut, "Route", "Go to Set out", "Ctrl+1"},
        {Act::ToSections, "Route", "Go to Sections", "Ctrl+2"},
        {Act::ToPapers, "Route", "Go to Papers", "Ctrl+3"},
        {Act::ToSheets, "Route", "Go to Sheets", "Ctrl+4"},
        {Act::NextWaypoint, "Route", "Go to the next waypoint", "Ctrl+Tab"},
        {Act::Fit, "Page", "Show the whole page", "F"},
        {Act::TrueSize, "Page", "Show the page at true size", "1"},
        {Act::ZoomIn, "Page", "Closer", "+"},
        {Act::ZoomOut, "Page", "Farther away", "-"},
        {Act::TurnLeft, "Set out", "Turn the cut left by 15 degrees", "["},
        {Act::TurnRight, "Set out", "Turn the cut right by 15 degrees", "]"},
        {Act::Mirror, "Set out", "Mirror the cut", "M"},
        {Act::Centre, "Set out", "Put the cut in the middle", "C"},
        {Act::AddCut, "Set out", "Add another drawing", "Ctrl+Shift+D"},
        {Act::AddScan, "Set out", "Add a cut scanned beside a square", "Ctrl+Shift+T"},
        {Act::CopyCut, "Set out", "Copy the cut", "Ctrl+D"},
        {Act::FaceCut, "Set out", "Copy the cut, facing it", "Ctrl+F"},
        {Act::TakeOff, "Set out", "Take the cut or photo off the page", "Shift+Del"},
        {Act::NextInHand, "Set out", "Take the next cut or photo in hand", "N"},
        {Act::Raise, "Set out", "One up in the pile", "PgUp"},
        {Act::Lower, "Set out", "One down in the pile", "PgDown"},
        {Act::AddPhoto, "Set out", "Put a photo on the page", "Ctrl+P"},
        {Act::PhotoPicture, "Set out", "Show a picture in the photo", "Ctrl+Shift+P"},
        {Act::FitPhoto, "Set out", "Fit the photo into its opening", "Ctrl+L"},
        {Act::SelectAll, "Sections", "Select every opening", "Ctrl+A"},
        {Act::SelectTwins, "Sections", "Select openings of the same shape", "T"},
        {Act::Group, "Sections", "Make the selection one section", "G"},
        {Act::Ungroup, "Sections", "Take the sections apart", "U"},
        {Act::Paper, "Sections", "Back the selection with paper", "B"},
        {Act::LeaveOpen, "Sections", "Leave the selection open", "O"},
        {Act::SelectRow, "Sections", "Select the row of openings", "R"},
        {Act::Divide, "Sections", "Divide the selection", "D"},
        {Act::Undivide, "Sections", "Make divided openings whole", "Shift+D"},
        {Act::Give, "Papers", "Give the selection the picked paper", "Return"},
        {Act::TakeAway, "Papers", "Take the paper away from the selection", "Del"},
        {Act::Propose, "Papers", "Propose papers, or stop proposing", "P"},
        {Act::TakeProposal, "Papers", "Take the proposal", "Ctrl+Return"},
        {Act::TakeForSelection, "Papers", "Take the proposal for the selection", "Ctrl+Shift+Return"},
        {Act::NextProposal, "Papers", "Show the next proposal", "J"},
        {Act::SideBySide, "Papers", "Proposals side by side, or one on the page", "S"},
        {Act::TurnPaper, "Papers", "Turn the picked paper over", "V"},
        {Act::FindPaper, "Papers", "Look for papers in the drawer", "Ctrl+G"},
        {Act::Clear, "Papers", "Put the proposal back, or select nothing", "Esc"},
        {Act::Pin, "Sheets", "Pin the patch where it lies", "K"},
        {Act::Unpin, "Sheets", "Let the patch lie anywhere", "Shift+K"},
        {Act::Reserve, "Sheets", "Leave room for other pages, or no longer", "L"},
        {Act::Export, "Sheets", "Write guide and cutting files", "Ctrl+E"},
    };
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

} // namespace zesty
