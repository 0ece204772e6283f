// The steps of the base: trimming, wet work, stitching; and frames, those that come first and those that come
// last.

#include "core/dress/wet.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/project/loaded_sheets.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"
#include "core/stash/stock.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double hardly_larger = 0.05; ///< mm

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

/// The sheet of the stock that a base is a part of until it is trimmed; empty for one that is not from the
/// stash, or is a whole sheet.
std::string sheet_round(const StepsInMaking& s, std::size_t leaf) {
    const OwnUse* use = own_use(s.plan, "base " + std::to_string(leaf + 1));
    if (!use) return {};
    const Box base = bounds(use->on_sheet);
    for (const Sheet& sheet : s.plan.papers.sheets)
        if (sheet.id == use->sheet && sheet.area > 0) return use->sheet;
    Box whole = base;
    each_sheet(*s.project.stash, [&](const std::string& id, int, const SheetStock& stock) {
        if (id == use->sheet) whole = bounds(stock.outline);
    });
    return whole.width() > base.width() + hardly_larger || whole.height() > base.height() + hardly_larger
               ? use->sheet
               : std::string();
}

bool trims_base(const StepsInMaking& s, std::size_t leaf) {
    return s.project.set_out.page.framed() || !sheet_round(s, leaf).empty();
}

/// What happens to a base happens to the sheet that it is a part of.
std::vector<StepDeed> on_base(const StepsInMaking& s, Deed deed, std::size_t leaf) {
    std::vector<StepDeed> out{{deed, s.things.base(leaf)}};
    const bool trimmed_before = s.project.build.habits.trim == TrimBase::BeforeWet && deed > Deed::TrimsFirst;
    if (const std::string sheet = sheet_round(s, leaf); !sheet.empty() && !trimmed_before)
        out.push_back({deed, sheet});
    return out;
}

std::vector<StepDeed> wets(const StepsInMaking& s, const Region& where) {
    std::vector<StepDeed> out;
    const auto bases = s.things.bases_below(where);
    for (std::size_t l = 0; l < s.project.set_out.page.leaves().size(); ++l)
        if (std::find(bases.begin(), bases.end(), s.things.base(l)) != bases.end())
            join(out, on_base(s, Deed::Wets, l));
    return out;
}

/// All places of wet work. One that wants another dry first waits for it.
void add_wet_work(StepsInMaking& s) {
    std::vector<std::size_t> zones;
    const auto& wet = s.project.dress.wet;
    for (std::size_t i = 0; i < wet.size(); ++i) {
        const WetZone& zone = wet[i];
        const std::string name = name_of(zone, i);
        const std::string key = s.free_key("wet:" + name);
        const std::vector<StepPart> parts{{StepPart::Kind::Wet, static_cast<int>(i)}};
        const std::vector<StepDeed> deeds = wets(s, s.plan.dress.wet[i].wet);
        std::vector<std::size_t> after;
        if (zone.primer)
            after.push_back(s.add({.key = key + "-primer",
                                   .kind = StepKind::Wet,
                                   .what = "Prime the place of " + name,
                                   .time = {s.minutes().wetting / 2, s.drying().primer, {}},
                                   .deeds = deeds,
                                   .parts = parts,
                                   .needs = {"primer", "brush"},
                                   .waiting = "primer dries"}));
        for (const WetPair& pair : s.plan.dress.wet_pairs)
            if (pair.second == static_cast<int>(i) && static_cast<std::size_t>(pair.first) < zones.size())
                after.push_back(zones[static_cast<std::size_t>(pair.first)]);
        BuildStep step{
            .key = key,
            .kind = StepKind::Wet,
            .what = "Put " + name + " on the base",
            .time = {s.minutes().wetting, dries_for(zone.kind, s.drying()), after},
            .deeds = deeds,
            .caution = "Fresh air, and the label's own advice; its drying time comes before ours.",
            .parts = parts,
            .needs = {std::string(key_of(zone.kind)) + " for " + name, "something to cover the table"},
            .waiting = name + " dries"};
        for (std::size_t c = 0; c < s.project.set_out.cuts.size(); ++c)
            if (zone.shape == WetShape::Stencil && s.project.set_out.cuts[c].id == zone.cut &&
                s.things.is_lattice(c))
                step.deeds.push_back({Deed::Stencils, s.things.cut(c)});
        zones.push_back(s.add(std::move(step)));
    }
}

void trim_base(StepsInMaking& s) {
    const bool first = s.project.build.habits.trim == TrimBase::BeforeWet;
    const auto leaves = s.project.set_out.page.leaves();
    std::vector<std::string> sizes;
    std::vector<StepDeed> deeds;
    for (std::size_t l = 0; l < leaves.size(); ++l) {
        if (!trims_base(s, l)) continue;
        const Box base = s.project.set_out.page.base_of(leaves[l]);
        sizes.push_back(format_size(base.width(), base.height(), s.project.units));
        join(deeds, on_base(s, first ? Deed::TrimsFirst : Deed::Trims, l));
    }
    if (sizes.empty()) return;
    s.add({.key = "trim-base",
           .kind = StepKind::Trim,
           .what = sizes.size() == 1 ? "Trim the base" : "Trim both bases",
           .time = {s.minutes().trimming * static_cast<double>(sizes.size()), 0, {}},
           .deeds = std::move(deeds),
           .caution = knife_caution,
           .rows = {{"Size", in_a_row(sizes)}},
           .parts = {{StepPart::Kind::Base, 0}},
           .needs = {"base", "trimmer"}});
}

void add_stitching(StepsInMaking& s) {
    for (std::size_t i = 0; i < s.plan.dress.stitchings.size(); ++i) {
        const StitchingFacts& sewn = s.plan.dress.stitchings[i];
        std::vector<StepDeed> deeds;
        for (std::size_t l = 0; l < s.project.set_out.page.leaves().size(); ++l)
            deeds.push_back({Deed::Sews, s.things.base(l)});
        s.add({.key = "stitch:" + std::to_string(i),
               .kind = StepKind::Stitch,
               .what = "Pierce and sew " + count_of(static_cast<std::size_t>(sewn.holes), "hole", "holes") +
                       " along the base",
               .time = {2 + s.minutes().hole * sewn.holes, 0, {}},
               .deeds = std::move(deeds),
               .caution = "Pierce on a soft mat; mind the needle.",
               .rows = {{"Thread", format_long(sewn.thread, s.project.units)}},
               .parts = {{StepPart::Kind::Base, 0}},
               .needs = {"needle and thread", "piercing mat"}});
    }
}

/// A frame that is planned from the beginning, behind the base.
void mount_on_frame(StepsInMaking& s) {
    const std::vector<std::string> frames = frame_things(s);
    if (frames.empty()) return;
    const bool first = s.project.build.habits.frame == FrameBase::First;
    std::vector<StepDeed> deeds;
    for (std::size_t l = 0; l < s.project.set_out.page.leaves().size(); ++l)
        deeds.push_back({first ? Deed::FramesFirst : Deed::FramesLast, s.things.base(l)});
    for (const std::string& frame : frames) deeds.push_back({Deed::LaysOn, frame});
    s.add({.key = "frame",
           .kind = StepKind::Frame,
           .what = "Mount the base on its frame",
           .time = {s.minutes().mounting, s.drying().glue, {}},
           .deeds = std::move(deeds),
           .parts = {{StepPart::Kind::Base, 0}},
           .needs = {"frame paper", "tape or glue"},
           .waiting = "glue sets"});
}

/// A frame that is decided when everything else is done.
void finish_with_frame(StepsInMaking& s) {
    const bool trimmed = s.project.dress.frame.how == LateFraming::Trimmed;
    std::vector<StepDeed> deeds;
    for (const DressPiece& piece : s.plan.dress.pieces)
        if (piece.of_frame && s.things.is_there(piece))
            deeds.push_back({trimmed ? Deed::LaysOn : Deed::Fixes, s.things.piece(piece)});
    if (deeds.empty()) return;
    for (std::size_t l = 0; l < s.project.set_out.page.leaves().size(); ++l)
        deeds.push_back({Deed::FramesLast, s.things.base(l)});
    s.add({.key = "late-frame",
           .kind = StepKind::Frame,
           .what = trimmed ? "Trim the page to its marks and mount it on the frame"
                           : "Glue the strips of the frame over the edges",
           .time = {s.minutes().trimming + s.minutes().mounting, s.drying().glue, {}},
           .deeds = std::move(deeds),
           .caution = knife_caution,
           .parts = {{StepPart::Kind::Base, 0}},
           .needs = {"paper of the frame", "trimmer", "tape or glue"},
           .waiting = "glue sets"});
}

} // namespace

std::vector<std::string> frame_things(const StepsInMaking& s) {
    const Page& page = s.project.set_out.page;
    std::vector<std::string> out;
    if (!page.framed()) return out;
    if (page.frame == FrameKind::Whole) {
        for (std::size_t l = 0; l < page.leaves().size(); ++l)
            if (page.frame_paper.empty() || own_use(s.plan, "frame " + std::to_string(l + 1)))
                out.push_back(s.things.frame(l));
        return out;
    }
    int from_stash = 0, others = 0;
    for (const FrameStrip& strip : s.plan.set_out.frame.strips)
        (strip.paper.empty() ? others : from_stash) += strip.count;
    for (int n = 1; n <= from_stash + others; ++n)
        if (n > from_stash || own_use(s.plan, "strip " + std::to_string(n)))
            out.push_back("frame:strip " + std::to_string(n));
    return out;
}

void add_base(StepsInMaking& s) {
    trim_base(s);
    add_wet_work(s);
    add_stitching(s);
}

void add_frames(StepsInMaking& s) {
    mount_on_frame(s);
    finish_with_frame(s);
}

} // namespace zesty
