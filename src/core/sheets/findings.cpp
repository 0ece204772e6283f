#include "core/sheets/findings.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/sheets/fixes.h"

#include <algorithm>

namespace zesty {

namespace {

using ReservedBy = std::pair<std::string, std::string>; ///< page and paper

Finding without_room(const SheetDecisions& decided, const ReservedBy& by, const std::vector<int>& missing,
                     std::size_t all, const std::string& paper, Units units) {
    const auto size_of = [&](int w) { return area(decided.reserved[w].outline); };
    const int most = *std::max_element(missing.begin(), missing.end(),
                                       [&](int a, int b) { return size_of(a) < size_of(b); });
    const Box box = bounds(decided.reserved[most].outline);
    const std::string size = format_size(box.width(), box.height(), units);
    const std::string& page = by.first;
    return {.code = Code::NoReservedRoom,
            .title = page.empty() ? "No room to reserve " + size + " of " + paper
                                  : "No room on " + paper + " for " + page,
            .message = page.empty()
                           ? "Beside the patches of this page no sheet of it has such a rectangle left."
                           : std::to_string(missing.size()) + " of the " + count_of(all, "piece", "pieces") +
                                 " reserved there find no place beside this page's patches, the largest of " +
                                 size + ".",
            .fixes = {{"Stop reserving", StopReserving{by.first, by.second}}}};
}

} // namespace

std::vector<Finding> reserved_findings(const SheetDecisions& decided, const SheetFacts& facts,
                                       const Stash& stash, Units units) {
    std::map<ReservedBy, std::vector<int>> missing;
    std::map<ReservedBy, std::size_t> all;
    const auto by = [](const ReservedPiece& w) { return ReservedBy{w.page, w.paper}; };
    for (const ReservedPiece& w : decided.reserved) ++all[by(w)];
    for (const int w : facts.without_room) missing[by(decided.reserved[w])].push_back(w);
    std::vector<Finding> out;
    for (const auto& [whose, which] : missing)
        out.push_back(without_room(decided, whose, which, all[whose],
                                   stash.papers[stash.find(whose.second)].name, units));
    return out;
}

} // namespace zesty
