#include "core/project/too_large.h"

#include "core/geometry/measure.h"
#include "core/project/drawn_line.h"
#include "core/project/fixes.h"
#include "core/project/has_room.h"
#include "core/project/stash_at_hand.h"
#include "core/sections/fixes.h"
#include "core/sentences.h"
#include "core/setout/fixes.h"
#include "core/sheets/leftover.h"
#include "core/sheets/room_for.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double whole_sheet = 12 * mm_per_inch;
constexpr double middle_part = 0.2; ///< of the longer side: how far from the middle a bar is looked for

/// A place on the page where a bar between two other sections ends at this one, near the middle of its longer
/// side; and between which sections it is.
struct BarEnd {
    double at = 0;
    int a = -1;
    int b = -1;
};

bool beside(const Plan& plan, int s, int other) {
    return std::any_of(
        plan.sections.neighbours.begin(), plan.sections.neighbours.end(),
        [&](const Neighbours& n) { return (n.a == s && n.b == other) || (n.b == s && n.a == other); });
}

BarEnd bar_end_of(const Plan& plan, int section, const Box& box, bool upright) {
    const double from = upright ? box.x0 : box.y0;
    const double length = upright ? box.width() : box.height();
    const double middle = from + length / 2;
    BarEnd best{middle};
    double nearest = middle_part * length;
    for (const Neighbours& n : plan.sections.neighbours) {
        if (n.a == section || n.b == section || !beside(plan, section, n.a) || !beside(plan, section, n.b))
            continue;
        const Point bar = (n.from + n.to) * 0.5;
        const double at = upright ? bar.x : bar.y;
        if (std::abs(at - middle) >= nearest) continue;
        nearest = std::abs(at - middle);
        best = {at, n.a, n.b};
    }
    return best;
}

/// The largest sheet there is; there must be one.
int largest_sheet(const Plan& plan) {
    int best = -1;
    for (std::size_t s = 0; s < plan.papers.sheets.size(); ++s)
        if (best < 0 || plan.papers.sheets[s].area > plan.papers.sheets[best].area)
            best = static_cast<int>(s);
    return best;
}

std::vector<int> patches_of(const Plan& plan, int section) {
    std::vector<int> out;
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p)
        if (plan.sections.patches[p].section == section && plan.sections.patches[p].rides_on < 0)
            out.push_back(static_cast<int>(p));
    return out;
}

/// The first patch of the section that no sheet holds, or -1.
int unplaceable(const Project& project, const Plan& plan, Capacity& capacity, int section) {
    const auto papers = static_cast<int>(stash_at_hand(project).papers.size());
    // What is pinned or wants a place of a pattern may fail for that.
    const PatternWish& wish = project.match.choice(plan.sections.all[section].id).pattern;
    if (!(wish == PatternWish{})) return -1;
    for (const int patch : patches_of(plan, section)) {
        if (project.sheets.pins.contains(plan.sections.spots[plan.sections.patches[patch].opening])) continue;
        bool fits = false;
        for (int p = 0; p < papers && !fits; ++p)
            fits = capacity.stock_area(p) > 0 && capacity.fits_alone(patch, p);
        if (!fits) return patch;
    }
    return -1;
}

/// Whether some sheet of the plan holds the patch by itself.
bool fits_some_sheet(const Project& project, const Plan& plan, const Patch& patch) {
    const Polygon piece{patch.on_sheet().outer, {}};
    return std::any_of(plan.papers.sheets.begin(), plan.papers.sheets.end(), [&](const Sheet& s) {
        const Paper& paper = project.stash->papers[static_cast<std::size_t>(s.paper)];
        return has_room({s.outline}, piece, turns_of(paper.direction));
    });
}

/// Whether everything that the opening is cut into then has a sheet that holds it.
bool parts_fit(const Project& project, const Fix& fix, Spot opening, const Shapes& shapes) {
    Project changed = project;
    fix.apply(changed);
    const auto plan = shapes(changed);
    if (!plan) return false;
    bool some = false;
    for (const Patch& p : plan->sections.patches) {
        const Spot& spot = plan->sections.spots[static_cast<std::size_t>(p.opening)];
        if (spot.cut != opening.cut || spot.opening != opening.opening || p.rides_on >= 0) continue;
        some = true;
        if (!fits_some_sheet(changed, *plan, p)) return false;
    }
    return some;
}

/// Into as few equal parts as fit.
std::optional<Fix> divided_evenly(const Project& project, const Plan& plan, int patch, const Shapes& shapes) {
    const Patch& p = plan.sections.patches[static_cast<std::size_t>(patch)];
    const Spot spot = plan.sections.spots[static_cast<std::size_t>(p.opening)];
    if (is_piece(spot)) return {};
    const Spot whole = spot.cut < 0 ? base_spot : Spot(spot.cut, spot.opening);
    const Box box = bounds(p.on_sheet());
    const double across = box.width() >= box.height() ? 90 : 0;
    std::vector<std::pair<std::string, Division>> tries;
    for (const int n : {2, 3, 4})
        tries.emplace_back(std::to_string(n) + " bands",
                           Division{Division::Kind::Bands, n, 2, across, {0.5, 0.5}});
    for (const auto& [columns, rows] : {std::pair{2, 2}, {3, 2}, {3, 3}, {4, 4}})
        tries.emplace_back("a grid of " + std::to_string(columns) + " x " + std::to_string(rows),
                           Division{Division::Kind::Grid, columns, rows, 0, {0.5, 0.5}});
    for (const auto& [words, division] : tries) {
        Fix fix("Divide it into " + words, DivideOpening{whole, division});
        if (parts_fit(project, fix, whole, shapes)) return fix;
    }
    return {};
}

} // namespace

std::vector<Fix> ways_for_large(const Project& project, const Plan& plan, int patch, int paper) {
    std::vector<Fix> out;
    const Patch& p = plan.sections.patches[patch];
    const Box box = bounds(p.on_sheet());
    const bool upright = box.width() >= box.height();
    const BarEnd end = bar_end_of(plan, p.section, box, upright);
    const Point from = upright ? Point{end.at, box.y0 - 1} : Point{box.x0 - 1, end.at};
    const Point to = upright ? Point{end.at, box.y1 + 1} : Point{box.x1 + 1, end.at};
    if (const auto divided = division_by_line(plan, from, to))
        out.emplace_back(end.a < 0 ? std::string("Divide it in the middle")
                                   : "Divide it where the bar between " + plan.sections.all[end.a].label +
                                         " and " + plan.sections.all[end.b].label + " would run on",
                         DivideOpening{divided->opening, divided->division});
    const Page& page = project.set_out.page;
    if (page.framed() && !page.gut && page.frame == FrameKind::Whole && !page.frame_paper.empty()) {
        const Box base = page.base_of(page.leaves().front());
        const Point middle{base.width() - 2 * page.glue_lip, base.height() - 2 * page.glue_lip};
        if (std::min(box.width(), box.height()) <= std::min(middle.x, middle.y) &&
            std::max(box.width(), box.height()) <= std::max(middle.x, middle.y))
            out.emplace_back("Gut the frame first", GutFrame{});
    }
    const double longer = std::max(box.width(), box.height());
    if (paper >= 0 && longer <= whole_sheet)
        out.emplace_back("Buy 1 sheet of 12 x 12 of " + stash_at_hand(project).papers[paper].name,
                         AddSheet{stash_at_hand(project).papers[paper].id, whole_sheet});
    return out;
}

std::vector<int> larger_than_every_sheet(const Project& project, const Plan& plan, Capacity& capacity) {
    std::vector<int> out;
    if (plan.papers.sheets.empty()) return out; // nothing is large where there is nothing
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const int section = static_cast<int>(s);
        if (takes_paper(plan.sections.all[s].treatment) && plan.papers.of_section[s] < 0 &&
            unplaceable(project, plan, capacity, section) >= 0)
            out.push_back(section);
    }
    return out;
}

Finding too_large(const Project& project, const Plan& plan, Capacity& capacity, int section,
                  const Shapes& shapes) {
    const Section& about = plan.sections.all[section];
    const int patch = unplaceable(project, plan, capacity, section);
    const Patch& large = plan.sections.patches[patch];
    const Spot spot = plan.sections.spots[static_cast<std::size_t>(large.opening)];
    const Box box = bounds(large.on_sheet());
    const Sheet& sheet = plan.papers.sheets[static_cast<std::size_t>(largest_sheet(plan))];
    Finding out{.code = Code::TooLarge,
                .title = "Section " + about.label + " is larger than every sheet",
                .message = "Its patch is " + format_size(box.width(), box.height(), project.units) +
                           "; the largest sheet you have, of " +
                           stash_at_hand(project).papers[static_cast<std::size_t>(sheet.paper)].name +
                           ", is " + size_of_sheet(sheet.outline, project.units) + ".",
                .where = plan.middle_of(large.opening),
                .openings = {large.opening}};
    if (about.method == BackingMethod::OneSheet) {
        Fix pieces("Pieces that meet under the bars", SetMethod{about.id, BackingMethod::MachinePatches});
        if (parts_fit(project, pieces, spot, shapes)) out.fixes.push_back(std::move(pieces));
    }
    for (Fix& way : ways_for_large(project, plan, patch, sheet.paper)) {
        const bool divides = way.label().rfind("Divide", 0) == 0;
        if (!divides || parts_fit(project, way, spot, shapes)) out.fixes.push_back(std::move(way));
    }
    const bool divided = std::any_of(out.fixes.begin(), out.fixes.end(),
                                     [](const Fix& f) { return f.label().rfind("Divide", 0) == 0; });
    if (!divided)
        if (auto even = divided_evenly(project, plan, patch, shapes)) out.fixes.push_back(std::move(*even));
    out.fixes.emplace_back("Leave section " + about.label + " open", SetTreatment{about.id, Treatment::Open});
    return out;
}

} // namespace zesty
