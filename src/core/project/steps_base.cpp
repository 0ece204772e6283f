// The steps of the base: trimming, wet work, stitching, and the frame where that comes first.

#include "core/dress/wet.h"
#include "core/geometry/lengths.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"

namespace zesty {

namespace {

using After = StepsInMaking::After;

double dries_for(WetKind kind, const DryingMinutes& drying) {
    switch (kind) {
    case WetKind::Ink:
        return drying.ink;
    case WetKind::Splatter:
        return drying.splatter;
    case WetKind::Paste:
        return drying.paste;
    case WetKind::Paint:
        break;
    }
    return drying.paint;
}

/// All places of wet work; what the last ones are waited for by.
After wet_work(StepsInMaking& s, const After& begins) {
    After zones;
    const auto& wet = s.project.dress.wet;
    for (std::size_t i = 0; i < wet.size(); ++i) {
        const WetZone& zone = wet[i];
        const std::string name = name_of(zone, i);
        const std::string key = s.free_key("wet:" + name);
        const std::vector<StepPart> parts{{StepPart::Kind::Wet, static_cast<int>(i)}};
        After after = begins;
        if (zone.primer)
            after.push_back(s.add({.key = key + "-primer",
                                   .kind = StepKind::Wet,
                                   .what = "Prime the place of " + name,
                                   .time = {s.minutes().wetting / 2, s.drying().primer, {}},
                                   .parts = parts,
                                   .needs = {"primer", "brush"},
                                   .waiting = "primer dries"},
                                  begins));
        for (const WetPair& pair : s.plan.dress.wet_pairs)
            if (pair.second == static_cast<int>(i) && static_cast<std::size_t>(pair.first) < zones.size())
                after.push_back(zones[static_cast<std::size_t>(pair.first)]);
        if (zone.shape == WetShape::Stencil) StepsInMaking::join(after, s.cut);
        zones.push_back(
            s.add({.key = key,
                   .kind = StepKind::Wet,
                   .what = "Put " + name + " on the base",
                   .time = {s.minutes().wetting, dries_for(zone.kind, s.drying()), {}},
                   .caution = "Fresh air, and the label's own advice; its drying time comes before ours.",
                   .parts = parts,
                   .needs = {std::string(key_of(zone.kind)) + " for " + name, "something to cover the table"},
                   .waiting = name + " dries"},
                  after));
    }
    return zones;
}

std::size_t trim_base(StepsInMaking& s, After after) {
    const auto leaves = s.project.set_out.page.leaves();
    std::vector<std::string> sizes;
    for (const Box& leaf : leaves) {
        const Box base = s.project.set_out.page.base_of(leaf);
        sizes.push_back(format_size(base.width(), base.height(), s.project.units));
    }
    return s.add({.key = "trim-base",
                  .kind = StepKind::Trim,
                  .what = leaves.size() == 1 ? "Trim the base" : "Trim both bases",
                  .time = {s.minutes().trimming * static_cast<double>(leaves.size()), 0, {}},
                  .caution = knife_caution,
                  .rows = {{"Size", in_a_row(sizes)}},
                  .parts = {{StepPart::Kind::Base, 0}},
                  .needs = {"base", "trimmer"}},
                 std::move(after));
}

} // namespace

void add_base(StepsInMaking& s) {
    const bool framed = s.project.set_out.page.framed();
    const bool before = s.project.build.habits.trim == TrimBase::BeforeWet;
    After begins;
    if (framed && before) begins.push_back(trim_base(s, {}));
    After wet = wet_work(s, begins);
    s.based = begins;
    StepsInMaking::join(s.based, wet);
    if (framed && !before) s.based.push_back(trim_base(s, wet));
    for (std::size_t i = 0; i < s.plan.dress.stitchings.size(); ++i) {
        const StitchingFacts& sewn = s.plan.dress.stitchings[i];
        const After on = s.based;
        s.based.push_back(s.add({.key = "stitch:" + std::to_string(i),
                                 .kind = StepKind::Stitch,
                                 .what = "Pierce and sew " +
                                         count_of(static_cast<std::size_t>(sewn.holes), "hole", "holes") +
                                         " along the base",
                                 .time = {2 + s.minutes().hole * sewn.holes, 0, {}},
                                 .caution = "Pierce on a soft mat; mind the needle.",
                                 .rows = {{"Thread", format_long(sewn.thread, s.project.units)}},
                                 .parts = {{StepPart::Kind::Base, 0}},
                                 .needs = {"needle and thread", "piercing mat"}},
                                on));
    }
    if (framed && s.project.build.habits.frame == FrameBase::First) {
        After on = s.based;
        StepsInMaking::join(on, s.gutted);
        s.based.push_back(s.add({.key = "frame",
                                 .kind = StepKind::Frame,
                                 .what = "Mount the base on its frame",
                                 .time = {s.minutes().mounting, s.drying().glue, {}},
                                 .parts = {{StepPart::Kind::Base, 0}},
                                 .needs = {"frame paper", "tape or glue"},
                                 .waiting = "glue sets"},
                                on));
    }
}

} // namespace zesty
