// The steps of backing: patches by paper, prints and loose pieces.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/loaded_sheets.h"
#include "core/project/steps_in_making.h"
#include "core/sections/effort.h"
#include "core/sentences.h"
#include "core/stash/side_names.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

constexpr std::size_t most_named = 5;  ///< by in_a_row()
constexpr double longest_backing = 20; ///< minutes of one step; longer ones are divided by place
constexpr double lies_on_from = 0.5;   ///< mm2

/// Patches that are glued in one go.
struct Go {
    std::vector<int> patches;
    int paper = -1;
    Side side = Side::A;
};

double minutes_of(const StepsInMaking& s, const std::vector<int>& patches, const Pace& pace) {
    double out = 0;
    for (const int p : patches) out += backing_minutes(s.patch(p), pace);
    return out;
}

std::vector<int> patches_behind(const StepsInMaking& s) {
    std::vector<int> out = s.patches_at(PatchPlace::Behind);
    std::erase_if(out, [&](int p) { return s.things.round(s.patch(p).opening).empty(); });
    return out;
}

/// By paper; where one is glued over the other, in that order.
std::vector<Go> goes_of(const StepsInMaking& s) {
    const bool ordered = gluing_order_matters(s.project.sections);
    std::vector<int> order = patches_behind(s);
    if (ordered)
        std::stable_sort(order.begin(), order.end(),
                         [&](int a, int b) { return s.patch(a).order < s.patch(b).order; });
    std::vector<Go> out;
    for (const int p : order) {
        const auto section = static_cast<std::size_t>(s.patch(p).section);
        const int paper = s.plan.papers.of_section[section];
        const Side side = s.plan.papers.side_of_section[section];
        const auto same =
            ordered ? (!out.empty() && out.back().paper == paper && out.back().side == side ? out.end() - 1
                                                                                            : out.end())
                    : std::find_if(out.begin(), out.end(),
                                   [&](const Go& g) { return g.paper == paper && g.side == side; });
        if (same == out.end())
            out.push_back({{p}, paper, side});
        else
            same->patches.push_back(p);
    }
    return out;
}

int leader_of(const StepsInMaking& s, int p) {
    return s.patch(p).rides_on >= 0 ? s.patch(p).rides_on : p;
}

/// Halves from left to right until none takes too long, at the usual pace: a step that is ticked off stays
/// what it was when the household learns how fast it is. What is one piece of paper stays together.
std::vector<std::vector<int>> divided_by_place(const StepsInMaking& s, std::vector<int> patches) {
    if (patches.size() < 2 || minutes_of(s, patches, Pace{}) <= longest_backing) return {patches};
    const auto place = [&](int p) {
        return std::pair(s.plan.middle_of(s.patch(leader_of(s, p)).opening).x, leader_of(s, p));
    };
    std::stable_sort(patches.begin(), patches.end(), [&](int a, int b) { return place(a) < place(b); });
    std::size_t half = patches.size() / 2;
    while (half < patches.size() && leader_of(s, patches[half]) == leader_of(s, patches[half - 1])) ++half;
    if (half == patches.size()) return {patches};
    const auto middle = patches.begin() + static_cast<std::ptrdiff_t>(half);
    auto out = divided_by_place(s, {patches.begin(), middle});
    auto rest = divided_by_place(s, {middle, patches.end()});
    out.insert(out.end(), rest.begin(), rest.end());
    return out;
}

/// The lowest opening of these patches, as decisions name it.
std::string first_of(const StepsInMaking& s, const std::vector<int>& patches) {
    int lowest = s.patch(patches.front()).opening;
    for (const int p : patches) lowest = std::min(lowest, s.patch(p).opening);
    const Spot& spot = s.plan.sections.spots[static_cast<std::size_t>(lowest)];
    return std::to_string(spot.cut) + "." + std::to_string(spot.opening) + "." + std::to_string(spot.part);
}

std::string how_backed(const std::vector<int>& patches, const StepsInMaking& s) {
    std::set<BackingMethod> methods;
    for (const int p : patches)
        methods.insert(s.patch(p).fell_back ? BackingMethod::MachinePatches : s.patch(p).method);
    std::vector<std::string> out;
    for (const BackingMethod m : methods) out.emplace_back(name_of(m));
    return in_a_row(out);
}

/// Those that lie below a patch where lips overlap: glued before it.
std::vector<StepDeed> laid_over(const StepsInMaking& s, int p) {
    std::vector<StepDeed> out;
    const std::string round = s.things.round(s.patch(p).opening);
    for (const Patch& below : s.plan.sections.patches) {
        if (below.order >= s.patch(p).order || !s.things.is_there(below) || below.rides_on >= 0) continue;
        const PatchPlace place = s.things.place_of(below);
        if (place != PatchPlace::Behind && place != PatchPlace::Closes) continue;
        if (s.things.round(below.opening) != round) continue;
        if (!bounds(below.outline).meets(bounds(s.patch(p).outline))) continue;
        const auto shared = intersect({below.outline}, {s.patch(p).outline});
        if (shared && area(*shared) > lies_on_from) out.push_back({Deed::LaysOn, name_of_patch(below)});
    }
    return out;
}

bool see_through(const StepsInMaking& s, const std::vector<int>& patches) {
    return std::any_of(patches.begin(), patches.end(), [&](int p) {
        return s.plan.sections.all[static_cast<std::size_t>(s.patch(p).section)].treatment ==
               Treatment::Translucent;
    });
}

/// One step that glues these patches behind their openings.
std::size_t back(StepsInMaking& s, const std::vector<int>& patches, const Go& go,
                 std::vector<std::size_t> after) {
    const std::string paper =
        name_and_side(s.project.stash->papers[static_cast<std::size_t>(go.paper)], go.side);
    BuildStep step = gluing_step(s, patches);
    step.key = "back:" + s.project.stash->papers[static_cast<std::size_t>(go.paper)].id + ":" +
               name_of(go.side) + ":" + first_of(s, patches);
    step.kind = StepKind::Back;
    step.what = "Back " + step.what + " with " + paper;
    if (see_through(s, patches)) step.time.dries = std::max(step.time.dries, s.drying().acetate);
    step.time.after = std::move(after);
    step.face_down = true;
    step.rows.insert(step.rows.begin(), {"Turn", "the cut face down: it is mirrored here as it lies"});
    for (const int p : patches) {
        step.deeds.push_back({Deed::Fixes, name_of_patch(s.patch(p))});
        join(step.deeds, {{Deed::Backs, s.things.round(s.patch(p).opening)}});
    }
    if (gluing_order_matters(s.project.sections))
        for (const int p : patches)
            for (StepDeed& deed : laid_over(s, p))
                if (std::find(step.deeds.begin(), step.deeds.end(), StepDeed{Deed::Fixes, deed.thing}) ==
                    step.deeds.end())
                    join(step.deeds, {deed});
    return s.add(std::move(step));
}

/// A print for every opening that shows a photo.
void put_prints(StepsInMaking& s) {
    for (const SectionPhoto& photo : s.plan.sections.photo_sizes) {
        const std::string round = s.things.round(photo.opening);
        if (round.empty()) continue;
        const std::string at = "opening " + std::to_string(photo.opening + 1);
        s.add({.key = "print:" + std::to_string(photo.opening),
               .kind = StepKind::Back,
               .what = "Trim the print for " + at + " and glue it behind",
               .time = {s.minutes().mounting, s.drying().glue, {}},
               .deeds = {{Deed::Fixes, "print:" + name_of_opening(photo.opening)}, {Deed::Backs, round}},
               .caution = knife_caution,
               .rows = {{"Print", format_size(photo.size.width, photo.size.height, s.project.units)}},
               .parts = {{StepPart::Kind::Opening, photo.opening}},
               .face_down = true,
               .needs = {"photo print for " + at, "tape or glue"},
               .waiting = "glue sets"});
    }
}

} // namespace

BuildStep gluing_step(const StepsInMaking& s, const std::vector<int>& patches) {
    std::vector<int> openings;
    BuildStep step;
    std::set<std::string> sheets;
    double least = 1e9, most = 0;
    bool by_hand = false;
    for (const int p : patches) {
        const Patch& patch = s.patch(p);
        openings.push_back(patch.opening);
        step.parts.push_back({StepPart::Kind::Opening, patch.opening});
        least = std::min(least, patch.lip);
        most = std::max(most, patch.lip);
        by_hand = by_hand || !cut_by_machine(patch);
        sheets.insert(sheet_in_words(s.project, s.plan, s.placed(p).sheet));
    }
    std::sort(openings.begin(), openings.end());
    std::vector<std::string> all;
    for (const int o : openings) all.push_back(std::to_string(o + 1));
    step.what = in_a_row(all);
    step.time = {std::max(1.0, minutes_of(s, patches, s.project.sections.pace)), s.drying().glue, {}};
    step.waiting = "glue sets";
    if (all.size() > most_named) {
        std::string every;
        for (const std::string& one : all) every += (every.empty() ? "" : ", ") + one;
        step.rows.emplace_back("Openings", every);
    }
    step.rows.emplace_back("From", in_a_row({sheets.begin(), sheets.end()}));
    step.rows.emplace_back("How", how_backed(patches, s));
    if (most > 0)
        step.rows.emplace_back("Glue", glue_in_words(least, most, s.project.set_out.bars, s.project.units));
    step.rows.emplace_back("Hold", minutes_in_words(s.drying().glue) + " under a heavy book");
    if (by_hand) step.caution = knife_caution;
    step.needs.assign(sheets.begin(), sheets.end());
    step.needs.emplace_back("fine-tip glue");
    if (by_hand) step.needs.emplace_back("scissors");
    return step;
}

void add_backing(StepsInMaking& s) {
    const bool ordered = gluing_order_matters(s.project.sections);
    std::vector<std::size_t> one_before;
    for (const Go& go : goes_of(s)) {
        const auto groups =
            ordered ? std::vector<std::vector<int>>{go.patches} : divided_by_place(s, go.patches);
        for (const auto& patches : groups) {
            const std::size_t step = back(s, patches, go, one_before);
            if (ordered) one_before = {step};
        }
    }
    put_prints(s);
}

} // namespace zesty
