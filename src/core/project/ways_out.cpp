#include "core/project/ways_out.h"

#include "core/match/fixes.h"
#include "core/project/laying.h"
#include "core/project/pattern_plan.h"
#include "core/sections/fixes.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace zesty {

namespace {

constexpr int most_tried_for_one = 12; ///< nestings
constexpr int most_tried_for_all = 80;
constexpr int most_planned = 60; ///< changed projects; each takes as long as the patches of the page
constexpr double less_lip = mm_per_inch / 16;
constexpr double narrowest_lip = mm_per_inch / 32;
constexpr std::array smaller{0.98, 0.95, 0.92, 0.88, 0.84, 0.8};

} // namespace

ResizeCuts resized_cuts(const Project& project, const Plan& plan, double by) {
    ResizeCuts out;
    for (std::size_t c = 0; c < project.set_out.cuts.size() && c < plan.set_out.each.size(); ++c) {
        const CutPlacement& place = project.set_out.cuts[c].place;
        const bool by_height = place.rule == SizeRule::Height;
        const Point own = plan.set_out.each[c].ruled;
        out.places[project.set_out.cuts[c].id] =
            sized(place, by_height ? SizeRule::Height : SizeRule::Width,
                  cut_size_limits.nearest(by * (by_height ? own.y : own.x)));
    }
    return out;
}

bool WaysOut::clashes(int section, const Face& face) const {
    const auto has = [&](int s) {
        return plan_.papers.of_section[s] == face.paper && plan_.papers.side_of_section[s] == face.side;
    };
    return std::any_of(
        plan_.sections.neighbours.begin(), plan_.sections.neighbours.end(),
        [&](const Neighbours& n) { return (n.a == section && has(n.b)) || (n.b == section && has(n.a)); });
}

bool WaysOut::fits(int section, const Face& face) {
    std::vector<LaidPatch> patches;
    double area = 0;
    for (std::size_t i = 0; i < plan_.sections.patches.size(); ++i) {
        const int s = plan_.sections.patches[i].section;
        if ((s != section && plan_.papers.of_section[s] != face.paper) ||
            plan_.sections.patches[i].rides_on >= 0)
            continue;
        const auto patch = static_cast<int>(i);
        if (s == section && !capacity_.fits_alone(patch, face.paper, face.side)) return false;
        patches.emplace_back(patch, s == section ? face.side : plan_.papers.side_of_section[s]);
        area += plan_.sections.patches[i].paper_area();
    }
    if (area > capacity_.stock_area(face.paper)) return false;
    ++tried_;
    ++tried_in_all_;
    return capacity_.lay(face.paper, patches, 4, stop_).complete();
}

WaysOut::Answer WaysOut::another_paper(int section, bool may_clash) {
    Answer answer;
    const auto& never = project_.match.choice(plan_.sections.all[section].id).never;
    for (const bool clash_round : {false, true}) {
        if (clash_round && !may_clash) break;
        for (const Face& face : faces_of(*project_.stash)) {
            if (face.paper == plan_.papers.of_section[section] &&
                face.side == plan_.papers.side_of_section[section])
                continue;
            if (std::find(never.begin(), never.end(), project_.stash->papers[face.paper].id) != never.end())
                continue;
            if (clashes(section, face) != clash_round) {
                answer.beside += !clash_round;
                continue;
            }
            if (tried_ > most_tried_for_one || tried_in_all_ > most_tried_for_all || stopped(stop_)) {
                answer.searched = false;
                return answer;
            }
            if (fits(section, face)) {
                answer.paper = face.paper;
                answer.side = face.side;
                answer.clashes = clash_round;
                return answer;
            }
            answer.without_room += !clash_round;
        }
    }
    return answer;
}

std::vector<Spot> WaysOut::sections_on(int paper) const {
    std::vector<Spot> out;
    for (std::size_t s = 0; s < plan_.sections.all.size(); ++s)
        if (plan_.papers.of_section[s] == paper) out.push_back(plan_.sections.all[s].id);
    return out;
}

bool WaysOut::fits_when(const Project& changed, int paper, const Shapes& shapes) {
    if (stopped(stop_) || ++planned_ > most_planned) return false;
    const auto then = shapes(changed);
    if (!then) return false;
    Capacity room(capacity_.memory());
    room.use(*changed.stash, then->papers.sheets, then->sections.patches, changed.sheets.blade_gap,
             changed.seed, patch_patterns(changed, *then));
    const std::vector<LaidPatch> patches = patches_with(*then, paper);
    double area = 0;
    for (const LaidPatch& p : patches) area += then->sections.patches[p.patch].paper_area();
    return area <= room.stock_area(paper) && room.lay(paper, patches, 4, stop_).complete();
}

const std::vector<Fix>& WaysOut::other_ways(int section, const Shapes& shapes) {
    const int paper = plan_.papers.of_section[section];
    const auto [at, fresh] = known_.try_emplace(paper);
    std::vector<Fix>& out = at->second;
    if (!fresh) return out;
    const Section& about = plan_.sections.all[section];
    const auto works = [&](const Fix& fix) {
        Project changed = project_;
        fix.apply(changed);
        return fits_when(changed, paper, shapes);
    };
    const auto offer = [&](Fix fix) {
        if (works(fix)) out.push_back(std::move(fix));
    };
    const Page& page = project_.set_out.page;
    if (page.framed() && !page.gut && page.frame == FrameKind::Whole &&
        page.frame_paper == project_.stash->papers[paper].id)
        offer({"Gut the frame first", GutFrame{}});
    const double lip = about.lip - less_lip;
    if (lip >= narrowest_lip)
        offer({"Lip of " + format_length(lip, project_.units) + " there",
               SetSectionLip{sections_on(paper), lip}});
    if (about.method == BackingMethod::OneSheet)
        offer({"Pieces that meet under the bars", SetMethod{about.id, BackingMethod::MachinePatches}});
    if (project_.match.choice(about.id).pattern.run_on)
        offer({"Let the pattern break under the bars", EndRunOn{about.id}});
    const auto cuts_at = [&](double size) {
        return Fix("Cut " + std::to_string(std::lround(100 - 100 * size)) + " % smaller",
                   resized_cuts(project_, plan_, size));
    };
    // The largest of the sizes that fits, found by halving.
    std::size_t from = 0;
    std::size_t to = smaller.size();
    while (from < to) {
        const std::size_t middle = (from + to) / 2;
        if (works(cuts_at(smaller[middle])))
            to = middle;
        else
            from = middle + 1;
    }
    if (to < smaller.size()) out.push_back(cuts_at(smaller[to]));
    return out;
}

} // namespace zesty
