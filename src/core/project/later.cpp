#include "core/project/later.h"

#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "core/sheets/fixes.h"

#include <algorithm>
#include <set>
#include <tuple>

namespace zesty {

namespace {

void in_order(std::vector<ReservedPiece>& pieces) {
    std::stable_sort(pieces.begin(), pieces.end(), [](const ReservedPiece& a, const ReservedPiece& b) {
        return std::tie(a.page, a.paper) < std::tie(b.page, b.paper);
    });
}

} // namespace

std::string name_of_page(const Project& project, const std::string& otherwise) {
    return project.title.empty() ? otherwise : project.title;
}

std::vector<ReservedPiece> pieces_taken(const Project& project, const Plan& plan, const std::string& page) {
    std::vector<ReservedPiece> out;
    const Stash& stash = stash_at_hand(project);
    for (std::size_t p = 0; p < plan.sheets.placed.size(); ++p) {
        const PlacedPatch& at = plan.sheets.placed[p];
        if (at.sheet < 0 || plan.sections.patches[p].rides_on >= 0 || plan.sheets.had[p].sheet >= 0) continue;
        const Polygon lies = transformed(plan.sections.patches[p].on_sheet(), at.to_sheet());
        const Box box = bounds(lies);
        out.push_back({page, stash.papers[plan.papers.sheets[at.sheet].paper].id,
                       plan.papers.side_of_section[plan.sections.patches[p].section],
                       transformed(lies, Transform::moved(-box.x0, -box.y0))});
    }
    return out;
}

void stop_reserving(Project& project, const std::string& page) {
    std::erase_if(project.sheets.reserved, [&](const ReservedPiece& w) { return w.page == page; });
}

void reserve_for(Project& project, const std::vector<ReservedPiece>& pieces) {
    for (const ReservedPiece& w : pieces) stop_reserving(project, w.page);
    project.sheets.reserved.insert(project.sheets.reserved.end(), pieces.begin(), pieces.end());
    in_order(project.sheets.reserved);
}

std::vector<ReservedPiece> of_this_stash(const Project& project, const std::vector<ReservedPiece>& pieces) {
    std::vector<ReservedPiece> out;
    for (const ReservedPiece& w : pieces)
        if (stash_at_hand(project).find(w.paper) >= 0) out.push_back(w);
    return out;
}

void stop_reserving_for_pages(Project& project) {
    std::erase_if(project.sheets.reserved, [](const ReservedPiece& w) { return !w.page.empty(); });
}

std::vector<ReservedPiece> reserved_for_pages(const Project& project) {
    std::vector<ReservedPiece> out;
    for (const ReservedPiece& w : project.sheets.reserved)
        if (!w.page.empty()) out.push_back(w);
    return out;
}

bool reserves_just(const Project& project, const std::vector<ReservedPiece>& pieces) {
    std::vector<ReservedPiece> wanted = pieces;
    in_order(wanted);
    return reserved_for_pages(project) == wanted;
}

std::vector<std::string> pages_reserved_for(const Project& project) {
    std::set<std::string> out;
    for (const ReservedPiece& w : project.sheets.reserved)
        if (!w.page.empty()) out.insert(w.page);
    return {out.begin(), out.end()};
}

void reserve_size(Project& project, const std::string& paper, Point size) {
    StopReserving{{}, paper}(project.sheets);
    if (size.x > 0 && size.y > 0)
        project.sheets.reserved.push_back({{}, paper, Side::A, {ring_of(Box{0, 0, size.x, size.y}), {}}});
    in_order(project.sheets.reserved);
}

Point reserved_size(const Project& project, const std::string& paper) {
    for (const ReservedPiece& w : project.sheets.reserved)
        if (w.page.empty() && w.paper == paper) {
            const Box box = bounds(w.outline);
            return {box.width(), box.height()};
        }
    return {};
}

} // namespace zesty
