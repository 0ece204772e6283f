// The steps of backing: patches by paper, loose pieces, shakers.

#include "core/project/cutting_jobs.h"
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

using After = StepsInMaking::After;

const std::string& id_of_sheet(const StepsInMaking& s, int sheet) {
    return s.plan.papers.sheets[static_cast<std::size_t>(sheet)].id;
}

/// Patches that are glued in one go.
struct Go {
    std::vector<int> patches;
    int paper = -1;
    Side side = Side::A;
};

double minutes_of(const StepsInMaking& s, const std::vector<int>& patches, const Pace& pace) {
    double out = 0;
    for (const int p : patches)
        out += backing_minutes(s.plan.sections.patches[static_cast<std::size_t>(p)], pace);
    return out;
}

/// By paper; where one is glued over the other, in that order.
std::vector<Go> goes_of(const StepsInMaking& s) {
    const auto& patches = s.plan.sections.patches;
    const bool ordered = gluing_order_matters(s.project.sections);
    std::vector<int> order;
    for (std::size_t p = 0; p < patches.size(); ++p)
        if (s.plan.papers.of_section[static_cast<std::size_t>(patches[p].section)] >= 0)
            order.push_back(static_cast<int>(p));
    if (ordered)
        std::stable_sort(order.begin(), order.end(), [&](int a, int b) {
            return patches[static_cast<std::size_t>(a)].order < patches[static_cast<std::size_t>(b)].order;
        });
    std::vector<Go> out;
    for (const int p : order) {
        const auto section = static_cast<std::size_t>(patches[static_cast<std::size_t>(p)].section);
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

/// Halves from left to right until none takes too long, at the usual pace: a step that is ticked off stays
/// what it was when the household learns how fast it is.
std::vector<std::vector<int>> divided_by_place(const StepsInMaking& s, std::vector<int> patches) {
    if (patches.size() < 2 || minutes_of(s, patches, Pace{}) <= longest_backing) return {patches};
    std::stable_sort(patches.begin(), patches.end(), [&](int a, int b) {
        const auto x = [&](int p) {
            return s.plan.middle_of(s.plan.sections.patches[static_cast<std::size_t>(p)].opening).x;
        };
        return x(a) < x(b);
    });
    const auto half = patches.begin() + static_cast<std::ptrdiff_t>(patches.size() / 2);
    auto out = divided_by_place(s, {patches.begin(), half});
    auto rest = divided_by_place(s, {half, patches.end()});
    out.insert(out.end(), rest.begin(), rest.end());
    return out;
}

/// The lowest opening of these patches, as decisions name it.
std::string first_of(const StepsInMaking& s, const std::vector<int>& patches) {
    int lowest = s.plan.sections.patches[static_cast<std::size_t>(patches.front())].opening;
    for (const int p : patches)
        lowest = std::min(lowest, s.plan.sections.patches[static_cast<std::size_t>(p)].opening);
    const Spot& spot = s.plan.sections.spots[static_cast<std::size_t>(lowest)];
    return std::to_string(spot.cut) + "." + std::to_string(spot.opening) + "." + std::to_string(spot.part);
}

std::string how_backed(const std::vector<int>& patches, const StepsInMaking& s) {
    std::set<BackingMethod> methods;
    for (const int p : patches) {
        const Patch& patch = s.plan.sections.patches[static_cast<std::size_t>(p)];
        methods.insert(patch.fell_back ? BackingMethod::MachinePatches : patch.method);
    }
    std::vector<std::string> out;
    for (const BackingMethod m : methods) out.emplace_back(name_of(m));
    return in_a_row(out);
}

/// One step that glues these patches behind their openings.
std::size_t back(StepsInMaking& s, const std::vector<int>& patches, const Go& go, const std::string& key,
                 After after) {
    std::vector<int> openings;
    std::vector<StepPart> parts;
    std::set<std::string> sheets;
    double least = 1e9, most = 0;
    bool by_hand = false;
    for (const int p : patches) {
        const Patch& patch = s.plan.sections.patches[static_cast<std::size_t>(p)];
        openings.push_back(patch.opening);
        parts.push_back({StepPart::Kind::Opening, patch.opening});
        least = std::min(least, patch.lip);
        most = std::max(most, patch.lip);
        by_hand = by_hand || !cut_by_machine(patch);
        if (const int sheet = s.plan.sheets.placed[static_cast<std::size_t>(p)].sheet; sheet >= 0)
            sheets.insert(sheet_in_words(s.project, s.plan, sheet));
    }
    std::sort(openings.begin(), openings.end());
    std::vector<std::string> all;
    for (const int o : openings) all.push_back(std::to_string(o + 1));
    const std::string paper =
        name_and_side(s.project.stash->papers[static_cast<std::size_t>(go.paper)], go.side);
    BuildStep step{
        .key = key,
        .kind = StepKind::Back,
        .what = "Back " + in_a_row(all) + " with " + paper,
        .time = {std::max(1.0, minutes_of(s, patches, s.project.sections.pace)), s.drying().glue, {}},
        .parts = std::move(parts),
        .face_down = true,
        .waiting = "glue sets"};
    if (all.size() > most_named) {
        std::string every;
        for (const std::string& one : all) every += (every.empty() ? "" : ", ") + one;
        step.rows.emplace_back("Openings", every);
    }
    step.rows.emplace_back("Turn", "the cut face down: it is mirrored here as it lies");
    if (!sheets.empty()) step.rows.emplace_back("From", in_a_row({sheets.begin(), sheets.end()}));
    step.rows.emplace_back("How", how_backed(patches, s));
    if (most > 0) step.rows.emplace_back("Glue", glue_in_words(least, most, s.project.set_out.bars));
    step.rows.emplace_back("Hold", minutes_in_words(s.drying().glue) + " under a heavy book");
    if (by_hand) step.caution = knife_caution;
    step.needs.assign(sheets.begin(), sheets.end());
    step.needs.emplace_back("fine-tip glue");
    if (by_hand) step.needs.emplace_back("scissors");
    return s.add(std::move(step), std::move(after));
}

void glue_loose_pieces(StepsInMaking& s) {
    if (s.plan.sections.inserts.empty()) return;
    std::vector<StepPart> parts;
    std::vector<std::string> labels;
    for (const InsertLabel& l : s.plan.sections.inserts) {
        labels.push_back(l.label);
        const int in = s.plan.sections.cut->pieces[static_cast<std::size_t>(l.piece)].in_opening;
        if (in >= 0) parts.push_back({StepPart::Kind::Opening, in});
    }
    const std::size_t n = s.plan.sections.inserts.size();
    s.backed.push_back(
        s.add({.key = "loose",
               .kind = StepKind::LoosePieces,
               .what = "Glue " + count_of(n, "loose piece", "loose pieces") + " from the cutting mat into " +
                       (n == 1 ? "its opening" : "their openings"),
               .time = {static_cast<double>(n), s.drying().glue, {}},
               .rows = {{"Pieces", in_a_row(labels)}},
               .parts = parts,
               .needs = {"fine-tip glue", "tweezers"},
               .waiting = "glue sets"},
              s.backed.empty() ? s.cut : s.backed));
}

void make_shaker(StepsInMaking& s, const Shaker& shaker, const After& backed) {
    const std::string at = "opening " + std::to_string(shaker.opening + 1);
    const std::string key = "shaker:" + std::to_string(shaker.opening);
    const std::vector<StepPart> parts{{StepPart::Kind::Opening, shaker.opening}};
    After begins = s.cut;
    StepsInMaking::join(begins, s.acetate);
    const std::size_t glued = s.add({.key = key + "-acetate",
                                     .kind = StepKind::Shaker,
                                     .what = "Glue acetate behind " + at,
                                     .time = {3, s.drying().acetate, {}},
                                     .parts = parts,
                                     .face_down = true,
                                     .needs = {"acetate", "glue for acetate"},
                                     .waiting = "acetate holds"},
                                    begins);
    const std::size_t trimmed = s.add({.key = key + "-trim",
                                       .kind = StepKind::Shaker,
                                       .what = "Trim the acetate of " + at + " back to its bars",
                                       .time = {2, 0, {}},
                                       .caution = knife_caution,
                                       .parts = parts,
                                       .face_down = true,
                                       .needs = {"craft knife"}},
                                      {glued});
    const std::size_t walls =
        s.add({.key = key + "-walls",
               .kind = StepKind::Shaker,
               .what = "Wall " + at + " with foam and fill it",
               .time = {6, 0, {}},
               .caution = "Small parts stay away from small children.",
               .rows = {{"Foam", format_long(shaker.wall_length, s.project.units) + " of strip, " +
                                     format_mm(shaker.foam_width) + " wide, its cut edge out of sight"},
                        {"Fill",
                         "about " + format_area(shaker.inner_area / 3, s.project.units) + " of it covered"}},
               .parts = parts,
               .face_down = true,
               .needs = {"foam strip", "sequins or other filling"}},
              {trimmed});
    After closes = backed;
    closes.push_back(walls);
    s.backed.push_back(s.add({.key = key + "-close",
                              .kind = StepKind::Shaker,
                              .what = "Close the shaker of " + at,
                              .time = {2, s.drying().glue, {}},
                              .parts = parts,
                              .face_down = true,
                              .needs = {"backing of the shaker"},
                              .waiting = "glue sets"},
                             closes));
}

} // namespace

void add_backing(StepsInMaking& s) {
    const bool ordered = gluing_order_matters(s.project.sections);
    After one_before;
    for (const Go& go : goes_of(s)) {
        const auto groups =
            ordered ? std::vector<std::vector<int>>{go.patches} : divided_by_place(s, go.patches);
        for (const auto& patches : groups) {
            After after = s.cut;
            std::set<std::string> from;
            for (const int p : patches)
                if (const int sheet = s.plan.sheets.placed[static_cast<std::size_t>(p)].sheet; sheet >= 0)
                    from.insert("sheet:" + id_of_sheet(s, sheet));
            for (const std::size_t cut : s.patches)
                if (from.contains(s.steps[cut].key)) after.push_back(cut);
            // What is cut by hand from the gutted middle waits for it, too.
            for (const int p : patches)
                if (const int sheet = s.plan.sheets.placed[static_cast<std::size_t>(p)].sheet;
                    sheet >= 0 &&
                    s.plan.papers.sheets[static_cast<std::size_t>(sheet)].kind == SheetKind::Gutted)
                    StepsInMaking::join(after, s.gutted);
            if (s.project.build.habits.first == FirstWork::Photos) after.push_back(s.laid_out);
            if (ordered) StepsInMaking::join(after, one_before);
            const std::string key = "back:" + s.project.stash->papers[static_cast<std::size_t>(go.paper)].id +
                                    ":" + name_of(go.side) + ":" + first_of(s, patches);
            const std::size_t step = back(s, patches, go, key, after);
            s.backed.push_back(step);
            one_before = {step};
        }
    }
    const After patched = s.backed;
    glue_loose_pieces(s);
    for (const Shaker& shaker : s.plan.sections.shakers) make_shaker(s, shaker, patched);
}

} // namespace zesty
