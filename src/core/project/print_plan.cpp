#include "core/project/print_plan.h"

#include "core/project/tones.h"

#include <algorithm>
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
    for (const Section& s : plan.sections) {
        const SectionChoice& c = project.choice(s.id);
        if (!c.facing) continue;
        out.insert(s.id);
        if (c.same_as) out.insert(section_of(project, *c.same_as));
    }
    return out;
}

Slant slant_of(const Project& project, const Plan& plan, const Section& section,
               const std::set<Spot>& in_a_facing_pair) {
    const SectionChoice& choice = project.choice(section.id);
    if (choice.facing && choice.same_as) {
        const SectionChoice& leader = project.choice(section_of(project, *choice.same_as));
        return {-leader.print.slant_deg.value_or(project.slants.angle_deg), !leader.print.slant_deg};
    }
    if (choice.print.slant_deg) return {choice.print.slant_deg, false};
    const double angle = project.slants.angle_deg;
    if (in_a_facing_pair.contains(section.id)) return {angle, true};
    switch (project.slants.rule) {
    case SlantRule::AsTheyFit:
        return {};
    case SlantRule::Parallel:
        return {angle, true};
    case SlantRule::Facing:
        break;
    }
    const int cut = plan.cut_of_opening[section.openings.front()];
    return {cut >= 0 && project.cuts[cut].place.mirrored ? -angle : angle, true};
}

/// By section.
std::vector<Slant> slants_of(const Project& project, const Plan& plan) {
    const std::set<Spot> facing = facing_pairs(project, plan);
    std::vector<Slant> out;
    for (const Section& s : plan.sections) out.push_back(slant_of(project, plan, s, facing));
    return out;
}

std::optional<PatchPrint::Pin> pin_of(const Project& project, const Plan& plan, int opening) {
    const auto pin = project.pins.find(plan.spots[opening]);
    if (pin == project.pins.end()) return std::nullopt;
    for (std::size_t s = 0; s < plan.sheets.size(); ++s)
        if (plan.sheets[s].id == pin->second.sheet)
            return PatchPrint::Pin{static_cast<int>(s), pin->second.rotation_deg, pin->second.shift};
    return std::nullopt;
}

} // namespace

std::vector<std::optional<double>> section_slants(const Project& project, const Plan& plan) {
    std::vector<std::optional<double>> out;
    for (const Slant& s : slants_of(project, plan)) out.push_back(s.deg);
    return out;
}

std::vector<PatchPrint> patch_prints(const Project& project, const Plan& plan) {
    std::vector<PatchPrint> out(plan.patches.size());
    if (!plan.cut) return out;
    const Tones tones(project, plan);
    const std::vector<Slant> slants = slants_of(project, plan);
    for (std::size_t p = 0; p < out.size(); ++p) {
        const Patch& patch = plan.patches[p];
        const PrintWish& wish = project.choice(plan.sections[patch.section].id).print;
        const Point middle = plan.middle_of(patch.opening);
        out[p].slant_deg = slants[patch.section].deg;
        out[p].stripes_only = slants[patch.section].stripes_only;
        if (wish.tone)
            out[p].tone = wish.tone;
        else if (project.style.drift > 0)
            out[p].tone = tones.tone_at(middle);
        if (wish.motif)
            out[p].motif = PatchPrint::Motif{wish.motif->on_paper, middle + wish.motif->off_middle};
        if (wish.run_on) out[p].run_on = patch.section;
        out[p].pin = pin_of(project, plan, patch.opening);
    }
    return out;
}

} // namespace zesty
