#include "cli/keep_json.h"

#include "core/geometry/measure.h"
#include "core/keep/sheet_map.h"
#include "core/project/stash_at_hand.h"

namespace zesty::cli {

using nlohmann::json;

json finishing_json(const Project& project, const Finishing& finishing) {
    const Stash& stash = stash_at_hand(project);
    json papers = json::array(), things = json::array(), letters = json::array();
    for (const BeforeAndAfter& b : before_and_after(project, finishing))
        papers.push_back({{"paper", stash.papers[static_cast<std::size_t>(b.paper)].id},
                          {"sheets", b.sheets},
                          {"scraps_back", b.scraps_back},
                          {"before_mm2", b.before},
                          {"after_mm2", b.after}});
    for (const EmbellishmentsLeft& e : embellishments_left(project, finishing))
        things.push_back({{"id", e.thing.id},
                          {"count", e.thing.count - e.after},
                          {"before", e.thing.count},
                          {"after", e.after}});
    for (const LettersLeft& l : letters_left(project, finishing))
        letters.push_back({{"set", l.set},
                           {"pieces", l.taken},
                           {"before", l.before},
                           {"after", l.after},
                           {"last", l.last}});
    return {
        {"papers", papers}, {"embellishments", things}, {"letters", letters}, {"without", finishing.without}};
}

json sheets_json(const Project& page) {
    json out = json::array();
    for (const MappedSheet& sheet : sheet_map(page.keep)) {
        json pieces = json::array();
        for (const TakenPiece& piece : sheet.pieces) pieces.push_back(piece.what);
        double back = 0;
        for (const SheetStock& scrap : sheet.back) back += area(scrap.outline);
        out.push_back({{"id", sheet.id},
                       {"paper", sheet.paper},
                       {"area_mm2", area(sheet.outline)},
                       {"patches", sheet.patches.size()},
                       {"pieces", pieces},
                       {"scraps_back", sheet.back.size()},
                       {"back_mm2", back}});
    }
    return out;
}

json shelf_json(const std::vector<PageRecord>& records, const std::vector<int>& pages, ShelfBy by) {
    json out = json::array();
    for (const ShelfGroup& group : shelf_of(records, pages, by)) {
        json ids = json::array();
        for (const int p : group.pages) ids.push_back(records[static_cast<std::size_t>(p)].id);
        out.push_back({{"name", group.name}, {"records", ids}});
    }
    return out;
}

json where_json(const std::vector<PageRecord>& records, const std::vector<int>& pages, const Stash& now) {
    json out = json::array();
    for (const PaperWent& paper : where_paper_went(records, pages, now)) {
        json parts = json::array();
        for (const PaperWent::Part& part : paper.parts)
            parts.push_back({{"record", records[static_cast<std::size_t>(part.page)].id},
                             {"used_mm2", part.used},
                             {"lost_mm2", part.lost}});
        out.push_back({{"paper", paper.name},
                       {"uid", paper.uid},
                       {"known", paper.known},
                       {"in_drawer_mm2", paper.in_drawer},
                       {"scraps", paper.scraps},
                       {"parts", parts}});
    }
    return out;
}

json look_back_json(const LookBack& all, const Stash& now) {
    json months = json::array(), unused = json::array();
    for (const MonthCount& m : all.months) months.push_back({{"month", m.month}, {"pages", m.pages}});
    for (const int p : all.unused) unused.push_back(now.papers[static_cast<std::size_t>(p)].id);
    return {{"months", months},
            {"pages", all.pages},
            {"sheets", all.sheets},
            {"scraps", all.scraps},
            {"worked_min", all.minutes},
            {"saved_by_scraps", all.saved_by_scraps},
            {"saved_by_gutting", all.saved_by_gutting},
            {"unused", unused}};
}

json pace_json(const std::vector<OwnPace>& pace) {
    json out = json::array();
    for (const OwnPace& p : pace)
        out.push_back({{"step", p.step}, {"factor", p.factor}, {"timed_min", p.minutes}});
    return out;
}

} // namespace zesty::cli
