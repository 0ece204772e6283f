#include "core/project/pattern_plan.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/tones.h"

#include <algorithm>
#include <map>
#include <set>

namespace zesty {

namespace {

struct Slant {
    std::optional<double> deg;
    bool stripes_only = false;
};

/// Sections that face another, and those that are faced: they need a definite slant.
std::set<Spot> facing_pairs(const Project& project, const Plan& plan) {
    std::set<Spot> out;
    for (const Section& s : plan.sections.all) {
        const PaperChoice& c = project.match.choice(s.id);
        if (!c.facing) continue;
        out.insert(s.id);
        if (c.same_as) out.insert(project.sections.section_of(*c.same_as));
    }
    return out;
}

Slant slant_of(const Project& project, const Plan& plan, const Section& section,
               const std::set<Spot>& in_a_facing_pair) {
    const PaperChoice& choice = project.match.choice(section.id);
    if (choice.facing && choice.same_as) {
        const PaperChoice& leader = project.match.choice(project.sections.section_of(*choice.same_as));
        return {-leader.pattern.slant_deg.value_or(project.match.slants.angle_deg),
                !leader.pattern.slant_deg};
    }
    if (choice.pattern.slant_deg) return {choice.pattern.slant_deg, false};
    const double angle = project.match.slants.angle_deg;
    if (in_a_facing_pair.contains(section.id)) return {angle, true};
    switch (project.match.slants.rule) {
    case SlantRule::AsTheyFit:
        return {};
    case SlantRule::Parallel:
        return {angle, true};
    case SlantRule::Facing:
        break;
    }
    const int cut = plan.sections.cut_of_opening[section.openings.front()];
    return {cut >= 0 && project.set_out.cuts[cut].place.mirrored ? -angle : angle, true};
}

/// By section.
std::vector<Slant> slants_of(const Project& project, const Plan& plan) {
    const std::set<Spot> facing = facing_pairs(project, plan);
    std::vector<Slant> out;
    for (const Section& s : plan.sections.all) out.push_back(slant_of(project, plan, s, facing));
    return out;
}

/// By more than patches that meet in the middle of a bar may by rounding.
bool overlap(const Polygon& a, const Polygon& b) {
    if (!bounds(a).meets(bounds(b))) return false;
    const auto both = intersect({a}, {b});
    if (!both || area(*both) < 0.05) return false;
    const auto thick = grow(*both, -0.1);
    return thick && !thick->empty();
}

/// Patches that lie on each other (parts of a divided opening, openings of cuts that overlap) cannot both be
/// cut out of one stretch of paper: the pattern runs on in the first of them.
void part_what_overlaps(const std::vector<Patch>& patches, std::vector<PatchPattern>& patterns) {
    std::map<int, std::vector<std::size_t>> together;
    for (std::size_t p = 0; p < patches.size(); ++p) {
        if (patterns[p].run_on < 0) continue;
        std::vector<std::size_t>& before = together[patterns[p].run_on];
        const bool apart = std::any_of(before.begin(), before.end(), [&](std::size_t q) {
            return overlap(patches[p].on_sheet(), patches[q].on_sheet());
        });
        if (apart)
            patterns[p].run_on = -1;
        else
            before.push_back(p);
    }
}

} // namespace

std::optional<PatchPattern::Pin> pin_of(const Project& project, const Plan& plan, int opening) {
    const auto pin = project.sheets.pins.find(plan.sections.spots[opening]);
    if (pin == project.sheets.pins.end()) return std::nullopt;
    for (std::size_t s = 0; s < plan.papers.sheets.size(); ++s)
        if (plan.papers.sheets[s].id == pin->second.sheet)
            return PatchPattern::Pin{static_cast<int>(s), pin->second.rotation_deg, pin->second.shift};
    return std::nullopt;
}

std::vector<std::optional<double>> section_slants(const Project& project, const Plan& plan) {
    std::vector<std::optional<double>> out;
    for (const Slant& s : slants_of(project, plan)) out.push_back(s.deg);
    return out;
}

std::vector<PatchPattern> patch_patterns(const Project& project, const Plan& plan) {
    std::vector<PatchPattern> out(plan.sections.patches.size());
    if (!plan.sections.cut) return out;
    const Tones tones(project, plan);
    const std::vector<Slant> slants = slants_of(project, plan);
    for (std::size_t p = 0; p < out.size(); ++p) {
        const Patch& patch = plan.sections.patches[p];
        const PatternWish& wish = project.match.choice(plan.sections.all[patch.section].id).pattern;
        const Point middle = plan.middle_of(patch.opening);
        out[p].slant_deg = slants[patch.section].deg;
        out[p].stripes_only = slants[patch.section].stripes_only;
        if (wish.tone)
            out[p].tone = wish.tone;
        else if (project.match.style.drift > 0)
            out[p].tone = tones.tone_at(middle);
        if (wish.motif)
            out[p].motif = PatchPattern::Motif{wish.motif->on_paper, middle + wish.motif->off_middle};
        if (wish.run_on) out[p].run_on = patch.section;
        out[p].pin = pin_of(project, plan, patch.opening);
    }
    part_what_overlaps(plan.sections.patches, out);
    return out;
}

} // namespace zesty
