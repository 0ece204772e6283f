#include "core/project/alike.h"

#include "core/project/stash_at_hand.h"
#include "core/project/tones.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace zesty {

namespace {

constexpr double another_colour = 10; ///< delta E 2000
constexpr double another_tone = 0.15; ///< of the way from light to dark

/// The section whose paper it gets in the end; itself when it follows none.
Spot followed(const Project& project, Spot section) {
    std::set<Spot> seen;
    while (seen.insert(section).second) {
        const auto& same = project.match.choice(section).same_as;
        if (!same) return section;
        section = project.sections.section_of(*same);
    }
    return *seen.begin(); // they follow each other round
}

/// Somebody wants it so.
bool alike_by_decision(const Project& project, const Plan& plan, const Neighbours& n) {
    const Spot a = plan.sections.all[n.a].id;
    const Spot b = plan.sections.all[n.b].id;
    const PaperChoice& one = project.match.choice(a);
    const PaperChoice& other = project.match.choice(b);
    if ((one.locked && other.locked) || (one.pattern.run_on && other.pattern.run_on)) return true;
    return (one.same_as || other.same_as) && followed(project, a) == followed(project, b);
}

/// The colour of a picture at a place of the sheet, between the cells it is known by.
Lab colour_at(const PaperFace& face, const Box& picture, Point on_sheet, Side side) {
    if (face.coarse.empty()) return to_lab(face.colour);
    const double x = side == Side::B ? picture.x0 + picture.x1 - on_sheet.x : on_sheet.x;
    const auto cell = [](double at, double from, double size) {
        return std::clamp(coarse_cells * (at - from) / std::max(size, 1e-9) - 0.5, 0.0, coarse_cells - 1.0);
    };
    const double cx = cell(x, picture.x0, picture.width());
    const double cy = cell(on_sheet.y, picture.y0, picture.height());
    Lab out{0, 0, 0};
    for (const int dy : {0, 1})
        for (const int dx : {0, 1}) {
            const double wx = dx ? cx - std::floor(cx) : 1 - (cx - std::floor(cx));
            const double wy = dy ? cy - std::floor(cy) : 1 - (cy - std::floor(cy));
            const int column = std::min(static_cast<int>(cx) + dx, coarse_cells - 1);
            const int row = std::min(static_cast<int>(cy) + dy, coarse_cells - 1);
            const Lab lab = to_lab(face.coarse[static_cast<std::size_t>(row * coarse_cells + column)]);
            out.l += wx * wy * lab.l;
            out.a += wx * wy * lab.a;
            out.b += wx * wy * lab.b;
        }
    return out;
}

/// Where the first patch of the section is cut from its sheet; nothing while it has no place.
std::optional<Point> cut_at(const Plan& plan, int section) {
    for (const int o : plan.sections.all[section].openings) {
        const int patch = plan.patch_of(o);
        if (patch < 0 || plan.sheets.placed[patch].sheet < 0) continue;
        return plan.sheets.placed[patch].to_sheet()(plan.middle_of(o));
    }
    return {};
}

bool look_different(const Project& project, const Plan& plan, const Neighbours& n) {
    const Paper& paper = stash_at_hand(project).papers[plan.papers.of_section[n.a]];
    const Side side = plan.papers.side_of_section[n.a];
    const PaperFace face = paper.face(side);
    if (face.pattern != Pattern::Ombre) return false;
    if (plan.sheets.done) {
        const auto a = cut_at(plan, n.a);
        const auto b = cut_at(plan, n.b);
        if (a && b)
            return difference(colour_at(face, picture_box(paper), *a, side),
                              colour_at(face, picture_box(paper), *b, side)) >= another_colour;
    }
    if (project.match.style.drift <= 0) return false;
    const Tones tones(project, plan);
    const auto tone = [&](int s) {
        const auto& wish = project.match.choice(plan.sections.all[s].id).pattern.tone;
        return wish.value_or(tones.tone_at(plan.middle_of(plan.sections.all[s].openings.front())));
    };
    return std::abs(tone(n.a) - tone(n.b)) >= another_tone;
}

} // namespace

std::vector<int> alike_neighbours(const Project& project, const Plan& plan) {
    const PaperFacts& papers = plan.papers;
    std::vector<int> out;
    for (std::size_t i = 0; i < plan.sections.neighbours.size(); ++i) {
        const Neighbours& n = plan.sections.neighbours[i];
        if (papers.of_section[n.a] >= 0 && papers.of_section[n.a] == papers.of_section[n.b] &&
            papers.side_of_section[n.a] == papers.side_of_section[n.b] &&
            !alike_by_decision(project, plan, n) && !look_different(project, plan, n))
            out.push_back(static_cast<int>(i));
    }
    return out;
}

} // namespace zesty
