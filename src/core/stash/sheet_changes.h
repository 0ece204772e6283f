#pragma once
// What two versions of a paper's sheets differ by, and carrying that over to a third.

#include "core/stash/stock.h"

#include <vector>

namespace zesty {

/// By how much a kind of sheet changes.
struct SheetChange {
    SheetStock kind;
    int by = 0;
    bool goes = false; ///< the kind as such, with none of them too
};
std::vector<SheetChange> sheet_changes(const std::vector<SheetStock>& before,
                                       const std::vector<SheetStock>& after);

/// Whether of any of them more goes than there is.
bool takes_more_than_is_there(const std::vector<SheetChange>& changes, const std::vector<SheetStock>& now);

/// Sheets that become scraps, or the other way round, do so altogether or not at all: where they are not
/// there any more, nothing may come of them.
bool can_be_carried(const std::vector<SheetChange>& changes, const std::vector<SheetStock>& now);

/// Counts never fall below 0; nothing happens where it cannot be carried.
void carry_sheets(const std::vector<SheetStock>& before, const std::vector<SheetStock>& after,
                  std::vector<SheetStock>& now);

} // namespace zesty
