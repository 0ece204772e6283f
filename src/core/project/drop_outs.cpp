#include "core/project/drop_outs.h"

#include "core/geometry/measure.h"
#include "core/names.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/new_things.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double least_side = 6;      ///< mm
constexpr double cut_thickness = 0.3; ///< mm, of the paper a cut is made of

/// In the stash; -1 where it is not there.
int paper_of_cut(const Project& project, const PlacedCut& cut) {
    return cut.paper.empty() ? -1 : stash_at_hand(project).find(cut.paper);
}

Rgb colour_of_cut(const Project& project, int cut) {
    const PlacedCut& placed = project.set_out.cuts[static_cast<std::size_t>(cut)];
    const int paper = paper_of_cut(project, placed);
    if (paper >= 0) return project.stash->papers[static_cast<std::size_t>(paper)].colour;
    return placed.colour.value_or(white_cut);
}

/// The first opening of those alike, and how many they are.
std::vector<std::pair<int, int>> shapes_of_cut(const SectionFacts& facts, int cut) {
    std::vector<int> first(facts.cut->openings.size());
    for (std::size_t o = 0; o < first.size(); ++o) first[o] = static_cast<int>(o);
    for (const auto& twins : facts.cut->twins)
        for (const int o : twins) {
            const auto same = std::find_if(twins.begin(), twins.end(), [&](int t) {
                return facts.cut_of_opening[static_cast<std::size_t>(t)] == cut;
            });
            if (same != twins.end()) first[static_cast<std::size_t>(o)] = *same;
        }
    std::vector<std::pair<int, int>> out;
    for (std::size_t o = 0; o < first.size(); ++o) {
        const Spot& spot = facts.spots[o];
        if (facts.cut_of_opening[o] != cut || spot.part != 0 || is_piece(spot)) continue;
        const auto known =
            std::find_if(out.begin(), out.end(), [&](const auto& s) { return s.first == first[o]; });
        if (known == out.end())
            out.emplace_back(first[o], 1);
        else
            ++known->second;
    }
    return out;
}

} // namespace

Stash with_drop_outs(Stash stash, const Project& project, const Plan& plan, int cut) {
    if (!plan.sections.cut || cut < 0 || cut >= static_cast<int>(project.set_out.cuts.size())) return stash;
    const Rgb colour = colour_of_cut(project, cut);
    for (const auto& [opening, count] : shapes_of_cut(plan.sections, cut)) {
        const Polygon on_page =
            transformed(plan.sections.cut->openings[static_cast<std::size_t>(opening)].outline,
                        plan.set_out.whole.to_page);
        const Box box = bounds(on_page);
        if (std::min(box.width(), box.height()) < least_side) continue;
        Embellishment fresh;
        fresh.id = free_id_among(stash.embellishments, "drop-out");
        fresh.name = "Drop-out of opening " + std::to_string(opening + 1);
        fresh.kind = EmbellishmentKind::DieCut;
        fresh.colour = colour;
        fresh.outline = about_its_middle(on_page);
        fresh.thickness = cut_thickness;
        fresh.count = count;
        fresh.in_stash = true;
        if (!add_or_count(stash.embellishments, std::move(fresh))) break;
    }
    return stash;
}

std::vector<int> cuts_from_elsewhere(const Project& project) {
    std::vector<int> out;
    const auto& cuts = project.set_out.cuts;
    for (std::size_t i = 0; i < cuts.size(); ++i)
        if (!cuts[i].pieces_from_paper && paper_of_cut(project, cuts[i]) < 0)
            out.push_back(static_cast<int>(i));
    return out;
}

void take_drop_outs(Project& project, const Plan& plan, const std::vector<int>& cuts) {
    Stash stash = stash_at_hand(project);
    for (const int cut : cuts) {
        if (cut < 0 || cut >= static_cast<int>(project.set_out.cuts.size())) continue;
        stash = with_drop_outs(std::move(stash), project, plan, cut);
        if (paper_of_cut(project, project.set_out.cuts[static_cast<std::size_t>(cut)]) >= 0)
            project.keep.drop_outs = false;
    }
    project.stash = std::make_shared<const Stash>(std::move(stash));
}

} // namespace zesty
