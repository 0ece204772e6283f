#include "app/sections/sections_actions.h"

namespace zesty {

std::vector<ActionRow> sections_actions() {
    using namespace when;
    return {
        {Act::SelectAll, "Sections", "Select every opening", "Ctrl+A", with_cut},
        {Act::SelectTwins, "Sections", "Select openings of the same shape", "T", with_selection},
        {Act::Group, "Sections", "Make the selection one section", "G", with_several},
        {Act::Ungroup, "Sections", "Take the sections apart", "U", with_selection},
        {Act::Paper, "Sections", "Back the selection with paper", "B", with_selection},
        {Act::LeaveOpen, "Sections", "Leave the selection open", "O", with_selection},
        {Act::SelectRow, "Sections", "Select the row of openings", "R", with_selection},
        {Act::Divide, "Sections", "Divide the selection", "D", with_selection},
        {Act::Undivide, "Sections", "Make divided openings whole", "Shift+D", with_selection},
    };
}

} // namespace zesty
