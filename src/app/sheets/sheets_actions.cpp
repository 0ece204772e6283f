#include "app/sheets/sheets_actions.h"

namespace zesty {

std::vector<ActionRow> sheets_actions() {
    using namespace when;
    return {
        {Act::Pin, "Sheets", "Pin the patch where it lies", "K", with_selection},
        {Act::Unpin, "Sheets", "Unpin the patch", "Shift+K", with_selection},
        {Act::Reserve, "Sheets", "Reserve room for other pages, or stop it", "L", always},
        {Act::Export, "Sheets", "Write guide and cutting files", "Ctrl+E", with_cut_and_no_proposal},
    };
}

} // namespace zesty
