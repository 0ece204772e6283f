#include "core/project/laying.h"

#include "core/geometry/measure.h"
#include "core/project/pattern_plan.h"
#include "core/project/stash_at_hand.h"
#include "core/sheets/leftover.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr int attempts_for_a_plan = 10;
constexpr double worth_keeping = 400; ///< mm2 of a leftover

std::string size_of(const Project& project, const Plan& plan, int patch) {
    const Box b = bounds(plan.sections.patches[patch].on_sheet());
    return format_size(b.width(), b.height(), project.units);
}

/// Nothing for a patch that is not pinned to a sheet of this paper.
std::string why_pin_fails(const Project& project, const Plan& plan, const Paper& paper, int patch) {
    const Patch& p = plan.sections.patches[patch];
    const auto pin = pin_of(project, plan, p.opening);
    if (!pin) return "";
    const Sheet& sheet = plan.papers.sheets[pin->sheet];
    if (stash_at_hand(project).papers[sheet.paper].id != paper.id) return "";
    const double turn = pin->rotation_deg;
    if (!allows(paper.face(plan.papers.side_of_section[p.section]).direction, turn))
        return "it is pinned turned by " + std::to_string(std::lround(turn)) + " deg, and " + paper.name +
               " may not lie that way";
    return "the place where it is pinned on " + sheet.id + " is not free or not on the sheet";
}

std::string why_short(const Project& project, const Plan& plan, const Paper& paper, int patch,
                      bool fits_alone) {
    if (const std::string pinned = why_pin_fails(project, plan, paper, patch); !pinned.empty()) return pinned;
    const std::string size = size_of(project, plan, patch);
    if (!fits_alone) return "no sheet of " + paper.name + " is large enough for a patch of " + size;
    return "no space is left on the sheets of " + paper.name + " for this patch of " + size;
}

std::string why_bare(const Project& project, const Plan& plan, int patch, bool proposed) {
    if (plan.papers.uses.empty()) return "there is no paper in the stash";
    if (!proposed) return "no paper has been chosen for its section";
    return "no paper has room left for its section, of which this patch takes " +
           size_of(project, plan, patch);
}

/// Sheet minus the patches cut from it.
Region leftovers_of(const Plan& plan, const UsedSheet& used, double gap) {
    Region cut_out;
    for (int p : used.patches) {
        if (plan.sections.patches[p].rides_on >= 0) continue;
        const auto grown =
            grow({transformed(plan.sections.patches[p].on_sheet(), plan.sheets.placed[p].to_sheet())}, gap);
        if (grown) cut_out.insert(cut_out.end(), grown->begin(), grown->end());
    }
    const auto joined = unite(cut_out);
    if (!joined) return {};
    auto rest = subtract({plan.papers.sheets[used.sheet].outline}, *joined);
    if (!rest) return {};
    std::erase_if(*rest, [](const Polygon& p) { return area(p) < worth_keeping; });
    std::sort(rest->begin(), rest->end(),
              [](const Polygon& a, const Polygon& b) { return area(a) > area(b); });
    return *rest;
}

Box largest_left(const Region& leftovers) {
    Box best;
    for (const Polygon& p : leftovers) {
        // A polygon cannot hold a rectangle larger than itself, and they come largest first.
        if (area(p) <= best.area()) break;
        const Box one = largest_rectangle(p);
        if (one.area() > best.area()) best = one;
    }
    return best;
}

/// Where it was cut; what rides on it comes with it.
void lay_what_has_been_cut(Plan& plan) {
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p) {
        const int leader = plan.sections.patches[p].rides_on;
        const PlacedPatch& had = plan.sheets.had[leader >= 0 ? static_cast<std::size_t>(leader) : p];
        if (had.sheet < 0) continue;
        plan.sheets.placed[p] = had;
    }
}

void take(const PaperNest& nest, const Project& project, Plan& plan) {
    for (const NestPlacement& p : nest.result.placements) {
        const LaidPatch& laid = nest.patches[p.piece];
        // A whole turn more is the same place, and more than can be stored.
        plan.sheets.placed[laid.patch] = {nest.sheets[p.sheet], std::remainder(p.rotation_deg, 360.0),
                                          p.shift, laid.side == Side::B};
    }
    for (std::size_t i = 0; i < plan.sections.patches.size(); ++i)
        if (const int leader = plan.sections.patches[i].rides_on; leader >= 0)
            plan.sheets.placed[i] = plan.sheets.placed[leader];
    std::vector<int> missing = nest.wanted;
    for (const NestPlacement& p : nest.result.room) {
        const int which = nest.wanted[p.piece];
        const ReservedPiece& wanted = project.sheets.reserved[which];
        plan.sheets.room.push_back(
            {which, nest.sheets[p.sheet], transformed(wanted.outline, p.transform()), wanted.page});
        std::erase(missing, which);
    }
    plan.sheets.without_room.insert(plan.sheets.without_room.end(), missing.begin(), missing.end());
}

void note_used_sheets(const Project& project, Plan& plan) {
    for (std::size_t s = 0; s < plan.papers.sheets.size(); ++s) {
        UsedSheet used;
        used.sheet = static_cast<int>(s);
        for (std::size_t p = 0; p < plan.sheets.placed.size(); ++p)
            if (plan.sheets.placed[p].sheet == used.sheet) {
                used.patches.push_back(static_cast<int>(p));
                used.used_area += plan.sections.patches[p].paper_area();
            }
        if (used.patches.empty()) continue;
        used.leftovers = leftovers_of(plan, used, project.sheets.blade_gap / 2);
        used.largest_left = largest_left(used.leftovers);
        plan.sheets.used.push_back(std::move(used));
    }
}

} // namespace

std::vector<LaidPatch> patches_with(const Plan& plan, int paper) {
    std::vector<LaidPatch> out;
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p) {
        const int section = plan.sections.patches[p].section;
        if (plan.papers.of_section[section] == paper && plan.sections.patches[p].rides_on < 0 &&
            plan.sheets.had[p].sheet < 0)
            out.emplace_back(static_cast<int>(p), plan.papers.side_of_section[section]);
    }
    return out;
}

bool lay_patches(const Project& project, Plan& plan, Capacity& capacity, bool proposed, const StopToken& stop,
                 const Progress& progress) {
    const Stash& stash = stash_at_hand(project);
    lay_what_has_been_cut(plan);
    for (std::size_t paper = 0; paper < stash.papers.size(); ++paper) {
        if (stopped(stop)) return false;
        if (progress)
            progress(static_cast<double>(paper) / static_cast<double>(stash.papers.size()),
                     "laying patches on sheets");
        const std::vector<LaidPatch> patches = patches_with(plan, static_cast<int>(paper));
        if (patches.empty()) continue;
        const PaperNest& nest = capacity.lay(static_cast<int>(paper), patches, attempts_for_a_plan, stop);
        take(nest, project, plan);
        plan.papers.uses[paper].used_area += nest.placed_area;
        plan.papers.uses[paper].short_patches = static_cast<int>(nest.result.unplaced.size());
        for (int u : nest.result.unplaced) {
            const auto [patch, side] = nest.patches[u];
            const bool alone = capacity.fits_alone(patch, static_cast<int>(paper), side);
            plan.sheets.short_patches.push_back(
                {plan.sections.patches[patch].section, patch,
                 why_short(project, plan, stash.papers[paper], patch, alone)});
            for (std::size_t rider = 0; rider < plan.sections.patches.size(); ++rider)
                if (plan.sections.patches[rider].rides_on == patch)
                    plan.sheets.short_patches.push_back({plan.sections.patches[rider].section,
                                                         static_cast<int>(rider),
                                                         "the sheet that carries it has no place"});
        }
    }
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p)
        if (plan.papers.of_section[plan.sections.patches[p].section] < 0)
            plan.sheets.short_patches.push_back({plan.sections.patches[p].section, static_cast<int>(p),
                                                 why_bare(project, plan, static_cast<int>(p), proposed)});
    note_used_sheets(project, plan);
    return true;
}

} // namespace zesty
