#include "core/stash/sheet_changes.h"

#include <algorithm>

namespace zesty {

namespace {

/// How many of the outline there are; -1 where it is not among them.
int count_of_outline(const std::vector<SheetStock>& sheets, const SheetStock& like) {
    int count = -1;
    for (const SheetStock& s : sheets)
        if (same_sheets(s, like)) count = std::max(count, 0) + s.count;
    return count;
}

} // namespace

std::vector<SheetChange> sheet_changes(const std::vector<SheetStock>& before,
                                       const std::vector<SheetStock>& after) {
    std::vector<SheetStock> kinds; // each once
    for (const auto* list : {&before, &after})
        for (const SheetStock& s : *list)
            if (count_of_outline(kinds, s) < 0) kinds.push_back(s);
    std::vector<SheetChange> out;
    for (SheetStock& kind : kinds) {
        const int was = count_of_outline(before, kind);
        const int is = count_of_outline(after, kind);
        const int by = std::max(is, 0) - std::max(was, 0);
        if (by != 0 || (was < 0) != (is < 0)) out.push_back({std::move(kind), by, is < 0});
    }
    return out;
}

bool takes_more_than_is_there(const std::vector<SheetChange>& changes, const std::vector<SheetStock>& now) {
    return std::any_of(changes.begin(), changes.end(), [&](const SheetChange& c) {
        return c.by < 0 && std::max(0, count_of_outline(now, c.kind)) + c.by < 0;
    });
}

bool can_be_carried(const std::vector<SheetChange>& changes, const std::vector<SheetStock>& now) {
    const bool more =
        std::any_of(changes.begin(), changes.end(), [](const SheetChange& c) { return c.by > 0; });
    return !(more && takes_more_than_is_there(changes, now));
}

void carry_sheets(const std::vector<SheetStock>& before, const std::vector<SheetStock>& after,
                  std::vector<SheetStock>& now) {
    if (now == before) {
        now = after;
        return;
    }
    const std::vector<SheetChange> changes = sheet_changes(before, after);
    if (!can_be_carried(changes, now)) return;
    for (SheetChange c : changes) {
        for (SheetStock& s : now) {
            if (!same_sheets(s, c.kind)) continue;
            const int next = std::max(0, s.count + c.by);
            c.by += s.count - next;
            s.count = next;
        }
        if (c.by > 0 || (!c.goes && count_of_outline(now, c.kind) < 0)) {
            c.kind.count = std::max(0, c.by);
            now.push_back(c.kind);
        } else if (c.goes) {
            std::erase_if(now, [&](const SheetStock& s) { return s.count == 0 && same_sheets(s, c.kind); });
        }
    }
}

} // namespace zesty
