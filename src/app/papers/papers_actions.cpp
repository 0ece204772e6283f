#include "app/papers/papers_actions.h"

namespace zesty {

std::vector<ActionRow> papers_actions() {
    using namespace when;
    return {
        {Act::Give, "Papers", "Give the selection the picked paper", "Return", with_selection_and_paper},
        {Act::TakeAway, "Papers", "Take the paper away from the selection", "Del", with_selection},
        {Act::Propose, "Papers", "Propose papers, or stop proposing", "P", with_stash},
        {Act::TakeProposal, "Papers", "Take the proposal", "Ctrl+Return", with_proposal},
        {Act::TakeForSelection, "Papers", "Take the proposal for the selection", "Ctrl+Shift+Return",
         with_proposal_and_selection},
        {Act::NextProposal, "Papers", "Show the next proposal", "J", with_proposal},
        {Act::SideBySide, "Papers", "Proposals side by side, or one on the page", "S", with_proposal},
        {Act::TurnPaper, "Papers", "Turn the picked paper over", "V", with_picked_paper},
        {Act::FindPaper, "Papers", "Look for papers in the drawer", "Ctrl+G", always},
        {Act::Clear, "Papers", "Discard the proposal, or select nothing", "Esc", always},
    };
}

} // namespace zesty
