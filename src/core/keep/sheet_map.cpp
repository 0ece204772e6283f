#include "core/keep/sheet_map.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/stash/stock.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double as_good_as_nothing = 2; ///< mm2 that rounding may leave

double area_without(const Polygon& of, const Region& without) {
    const auto rest = subtract({of}, without);
    return rest ? area(*rest) : 0;
}

/// The parts of a sheet, such as the middle of a frame, are listed as sheets of their own.
std::vector<MappedSheet> whole_sheets(const KeepDecisions& kept) {
    std::vector<MappedSheet> out;
    for (const TakenSheet& t : kept.taken) {
        const std::string whole = whole_sheet_of(t.id);
        auto at = std::find_if(out.begin(), out.end(), [&](const MappedSheet& s) { return s.id == whole; });
        if (at == out.end()) at = out.insert(out.end(), {whole, t.paper, t.outline, {}, {}, {}});
        if (area(t.outline) > area(at->outline)) at->outline = t.outline;
        for (const TakenPatch& p : t.patches) at->patches.push_back(p.on_sheet);
        at->pieces.insert(at->pieces.end(), t.pieces.begin(), t.pieces.end());
    }
    return out;
}

/// Drop-outs lie within the piece that they dropped out of.
bool lies_on(const MappedSheet& sheet, const SheetStock& scrap) {
    if (area_without(scrap.outline, {sheet.outline}) > as_good_as_nothing) return false;
    Region taken = sheet.patches;
    if (scrap.of != ScrapOf::DropOut)
        for (const TakenPiece& p : sheet.pieces) taken.push_back(p.on_sheet);
    for (const SheetStock& other : sheet.back) taken.push_back(other.outline);
    return area_without(scrap.outline, taken) > area(scrap.outline) - as_good_as_nothing;
}

} // namespace

std::vector<MappedSheet> sheet_map(const KeepDecisions& kept) {
    std::vector<MappedSheet> out = whole_sheets(kept);
    for (const StockChange& change : kept.changes) {
        if (!change.back) continue;
        SheetStock scrap = change.sheet;
        scrap.count = 1;
        for (int n = 0; n < change.sheet.count; ++n) {
            const auto on = std::find_if(out.begin(), out.end(), [&](const MappedSheet& s) {
                return s.paper == change.paper && lies_on(s, scrap);
            });
            if (on != out.end()) on->back.push_back(scrap);
        }
    }
    return out;
}

} // namespace zesty
