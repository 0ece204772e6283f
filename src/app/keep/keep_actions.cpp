#include "app/keep/keep_actions.h"

namespace zesty {

std::vector<ActionRow> keep_actions() {
    using namespace when;
    return {
        {Act::FinishPage, "Keep", "Finish the page: take what it uses, put back what is left", "Ctrl+Alt+Y",
         with_cut},
        {Act::TakeWhatIsCut, "Keep", "Take only what has been cut so far", "Ctrl+Alt+F", with_cut},
        {Act::PutBackPage, "Keep", "Put everything back that was taken for the page", "Ctrl+Alt+B", with_cut},
        {Act::RealPhoto, "Keep", "Add a photo of the real page to its record", "Ctrl+Alt+R", always},
        {Act::FindPage, "Keep", "Look for pages on the shelf", "Ctrl+Alt+G", always},
        {Act::OtherPapers, "Keep", "Begin the chosen page again in other papers", "Ctrl+Alt+M", always},
        {Act::OtherCut, "Keep", "Begin the chosen page again with another cut", "Ctrl+Alt+L", always},
        {Act::WriteRecord, "Keep", "Write the chosen record as a page of HTML", "Ctrl+Alt+H", always},
        {Act::WriteShelf, "Keep", "Write every page on show as HTML, CSV or JSON", "Ctrl+Alt+T", always},
    };
}

} // namespace zesty
