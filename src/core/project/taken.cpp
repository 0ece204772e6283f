#include "core/project/taken.h"

#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double same_place_within = 0.05; ///< mm
constexpr double same_area = 1;            ///< mm2

bool same_shape(const Polygon& a, const Polygon& b) {
    const Box p = bounds(a);
    const Box q = bounds(b);
    return std::abs(area(a) - area(b)) < same_area && std::abs(p.x0 - q.x0) < same_place_within &&
           std::abs(p.y0 - q.y0) < same_place_within && std::abs(p.x1 - q.x1) < same_place_within &&
           std::abs(p.y1 - q.y1) < same_place_within;
}

PlacedPatch placed(const TakenPatch& taken, int sheet) {
    return {sheet, taken.rotation_deg, taken.shift, taken.mirrored};
}

/// Pieces are alike that have the same size, however they were turned.
bool same_size(const Polygon& a, const Polygon& b) {
    const Box p = bounds(a);
    const Box q = bounds(b);
    const auto near = [](double x, double y) { return std::abs(x - y) < same_place_within; };
    return std::abs(area(a) - area(b)) < same_area &&
           ((near(p.width(), q.width()) && near(p.height(), q.height())) ||
            (near(p.width(), q.height()) && near(p.height(), q.width())));
}

} // namespace

bool is_the_patch(const Project& project, const Plan& plan, const TakenSheet& sheet, const TakenPatch& taken,
                  int patch) {
    const Patch& p = plan.sections.patches[static_cast<std::size_t>(patch)];
    const int paper = plan.papers.of_section[static_cast<std::size_t>(p.section)];
    return plan.sections.spots[static_cast<std::size_t>(p.opening)] == taken.spot && paper >= 0 &&
           stash_at_hand(project).papers[static_cast<std::size_t>(paper)].id == sheet.paper &&
           plan.papers.side_of_section[static_cast<std::size_t>(p.section)] == taken.side &&
           same_shape(transformed(p.on_sheet(), placed(taken, 0).to_sheet()), taken.on_sheet);
}

void note_taken(const Project& project, Plan& plan) {
    plan.sheets.had.assign(plan.sections.patches.size(), {});
    for (const TakenSheet& sheet : project.keep.taken) {
        const int paper = stash_at_hand(project).find(sheet.paper);
        if (paper < 0) continue;
        const int number = static_cast<int>(plan.papers.sheets.size());
        plan.papers.sheets.push_back({sheet.id, paper, sheet.outline, 0, sheet.kind});
        for (const TakenPatch& taken : sheet.patches)
            for (std::size_t p = 0; p < plan.sheets.had.size(); ++p)
                if (plan.sheets.had[p].sheet < 0 && plan.sections.patches[p].rides_on < 0 &&
                    is_the_patch(project, plan, sheet, taken, static_cast<int>(p))) {
                    plan.sheets.had[p] = placed(taken, number);
                    break;
                }
    }
}

std::vector<std::pair<std::string, Polygon>> taken_dress_pieces(const Project& project,
                                                                const std::vector<DressPiece>& pieces) {
    std::vector<std::pair<std::string, Polygon>> out(pieces.size());
    for (const TakenSheet& sheet : project.keep.taken)
        for (const TakenPiece& taken : sheet.pieces)
            for (std::size_t i = 0; i < pieces.size(); ++i)
                if (out[i].first.empty() && pieces[i].what == taken.what && pieces[i].paper == sheet.paper &&
                    same_size(pieces[i].outline, taken.on_sheet)) {
                    out[i] = {sheet.id, taken.on_sheet};
                    break;
                }
    return out;
}

} // namespace zesty
