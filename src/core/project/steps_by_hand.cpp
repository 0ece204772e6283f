// The steps of cutting by hand: frames, patches that are traced or punched, photo mats, layers and labels.

#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/loaded_sheets.h"
#include "core/project/steps_in_making.h"
#include "core/sections/effort.h"
#include "core/sentences.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

constexpr double more_than_the_page = 0.05; ///< mm
constexpr double rough_cut = 0.5;           ///< minutes for a piece that is trimmed later

const OwnUse* frame_from_stash(const StepsInMaking& s, std::size_t leaf) {
    return own_use(s.plan, "frame " + std::to_string(leaf + 1));
}

void gut_frame(StepsInMaking& s) {
    const Page& page = s.project.set_out.page;
    if (!s.plan.set_out.frame.window || !page.gut) return;
    std::vector<StepDeed> deeds;
    for (std::size_t l = 0; l < page.leaves().size(); ++l) {
        const OwnUse* use = frame_from_stash(s, l);
        if (!use && !page.frame_paper.empty()) continue; // there is none to be gutted
        if (use) deeds.push_back({Deed::Divides, use->sheet});
        deeds.push_back({Deed::Makes, s.things.frame(l)});
    }
    if (deeds.empty()) return;
    const Box& window = *s.plan.set_out.frame.window;
    s.add({.key = "gut",
           .kind = StepKind::Gut,
           .what = "Cut the middle out of the frame paper, before the base is glued on it",
           .time = {s.minutes().gutting, 0, {}},
           .deeds = std::move(deeds),
           .caution = knife_caution,
           .rows = {{"Window", format_size(window.width(), window.height(), s.project.units)},
                    {"Middle", "is paper for this page, or for the next"}},
           .parts = {{StepPart::Kind::Base, 0}},
           .needs = {"frame paper", "craft knife", "metal ruler"}});
}

/// A frame paper larger than its page.
void trim_frame(StepsInMaking& s) {
    const auto leaves = s.project.set_out.page.leaves();
    std::vector<StepDeed> deeds;
    std::vector<std::string> sizes;
    for (std::size_t l = 0; l < leaves.size(); ++l) {
        const OwnUse* use = frame_from_stash(s, l);
        if (!use) continue;
        const Box sheet = bounds(use->on_sheet);
        if (sheet.width() <= leaves[l].width() + more_than_the_page &&
            sheet.height() <= leaves[l].height() + more_than_the_page)
            continue;
        deeds.push_back({Deed::Trims, s.things.frame(l)});
        sizes.push_back(format_size(leaves[l].width(), leaves[l].height(), s.project.units));
    }
    if (deeds.empty()) return;
    s.add({.key = "trim-frame",
           .kind = StepKind::Trim,
           .what = "Trim the frame paper to the size of the page",
           .time = {s.minutes().trimming, 0, {}},
           .deeds = std::move(deeds),
           .caution = knife_caution,
           .rows = {{"Size", in_a_row(sizes)}},
           .parts = {{StepPart::Kind::Base, 0}},
           .needs = {"frame paper", "trimmer"}});
}

void cut_strips(StepsInMaking& s) {
    const Page& page = s.project.set_out.page;
    if (!page.framed() || page.frame != FrameKind::Strips) return;
    const std::vector<std::string> strips = frame_things(s);
    if (strips.empty()) return;
    BuildStep step{.key = "strips",
                   .kind = StepKind::HandCut,
                   .what = "Cut " + count_of(strips.size(), "strip", "strips") + " for the frame",
                   .time = {s.minutes().trimming * static_cast<double>(strips.size()), 0, {}},
                   .caution = knife_caution,
                   .parts = {{StepPart::Kind::Base, 0}},
                   .needs = {"frame paper", "trimmer"}};
    for (const FrameStrip& strip : s.plan.set_out.frame.strips)
        step.rows.emplace_back(count_of(static_cast<std::size_t>(strip.count), "strip", "strips"),
                               format_size(strip.width, strip.length, s.project.units));
    for (const std::string& strip : strips) {
        for (const OwnUse& use : s.plan.papers.own)
            if ("frame:" + use.what == strip) join(step.deeds, {{Deed::CutsFrom, use.sheet}});
        step.deeds.push_back({Deed::Makes, strip});
    }
    s.add(std::move(step));
}

/// Where hands cut a piece out of: a sheet, or a part of one that is there later.
std::vector<StepDeed> cut_out_of(const StepsInMaking& s, const Sheet& sheet) {
    switch (sheet.kind) {
    case SheetKind::DropOut:
        return {{Deed::CutsFrom, sheet.id}};
    case SheetKind::UnderPhoto:
        if (sheet.id.find("/mat") != std::string::npos) return {{Deed::CutsFrom, sheet.id}};
        for (const OwnUse& use : s.plan.papers.own)
            if (use.is_base && use.sheet == whole_sheet_of(sheet.id))
                return {{Deed::CutsFrom, use.sheet}, {Deed::CutsFrom, "base:" + use.what.substr(5)}};
        break;
    case SheetKind::Gutted:
    case SheetKind::Offcut:
    case SheetKind::Card:
    case SheetKind::Pad:
    case SheetKind::Full:
    case SheetKind::Stained:
        break;
    }
    return {{Deed::CutsFrom, whole_sheet_of(sheet.id)}};
}

/// Patches that are traced, pressed on or punched: by the sheet of the plan.
void cut_patches(StepsInMaking& s) {
    for (const UsedSheet& used : s.plan.sheets.used) {
        const Sheet& sheet = s.plan.papers.sheets[static_cast<std::size_t>(used.sheet)];
        std::vector<int> punched, others;
        for (const int p : used.patches)
            if (!cut_by_machine(s.patch(p)) && s.patch(p).rides_on < 0)
                (s.patch(p).punch > 0 ? punched : others).push_back(p);
        for (const auto& [patches, how, key] : {std::tuple{others, "Cut pieces for ", "hand:"},
                                                std::tuple{punched, "Punch circles for ", "punch:"}}) {
            if (patches.empty()) continue;
            const std::string name = sheet_in_words(s.project, s.plan, used.sheet);
            BuildStep step{.key = key + sheet.id,
                           .kind = StepKind::HandCut,
                           .time = {rough_cut * static_cast<double>(patches.size()), 0, {}},
                           .deeds = cut_out_of(s, sheet),
                           .caution = knife_caution,
                           .parts = {{StepPart::Kind::Sheet, used.sheet}},
                           .needs = {name, key == std::string("punch:") ? "punches" : "scissors"}};
            std::vector<std::string> numbers;
            for (const int p : patches) {
                numbers.push_back(std::to_string(s.patch(p).opening + 1));
                step.deeds.push_back({Deed::Makes, name_of_patch(s.patch(p))});
            }
            step.what = how + in_a_row(numbers) + " out of " + name;
            s.add(std::move(step));
        }
    }
}

StepPart part_of(const DressPiece& piece) {
    if (piece.photo >= 0) return {StepPart::Kind::Photo, piece.photo};
    if (piece.layer >= 0) return {StepPart::Kind::Layer, piece.layer};
    return {StepPart::Kind::Base, 0};
}

/// Photo mats, layers and frames that come last by knife or trimmer.
void cut_pieces(StepsInMaking& s) {
    for (const DressPiece& piece : s.plan.dress.pieces) {
        if (!s.things.is_there(piece) || (piece.placed && cut_by_machine(piece, s.project.build.habits)))
            continue;
        const Box box = bounds(piece.outline);
        BuildStep step{.key = s.free_key("piece:" + piece.what),
                       .kind = StepKind::HandCut,
                       .time = {s.minutes().trimming, 0, {}},
                       .caution = knife_caution,
                       .rows = {{"Size", format_size(box.width(), box.height(), s.project.units)}},
                       .parts = {part_of(piece)}};
        std::string from;
        for (std::size_t n = 0; n < s.plan.papers.sheets.size() && piece.placed; ++n) {
            const Sheet& sheet = s.plan.papers.sheets[n];
            if (sheet.id != piece.sheet) continue;
            from = sheet_in_words(s.project, s.plan, static_cast<int>(n));
            // One that has been taken for the page is cut already.
            if (from.find(", already cut") == std::string::npos) join(step.deeds, cut_out_of(s, sheet));
        }
        step.deeds.push_back({Deed::Makes, s.things.piece(piece)});
        if (!piece.outline.holes.empty()) {
            step.rows.emplace_back("Middle", "is cut out first: paper for this page, or for the next");
            for (const Sheet& part : s.plan.papers.sheets)
                if (piece.placed && part.id.rfind(piece.sheet + "/mat", 0) == 0)
                    join(step.deeds, {{Deed::Makes, part.id}});
        }
        step.what = "Cut " + piece.what + (from.empty() ? std::string() : " from " + from);
        step.needs = {from.empty() ? "paper for " + piece.what : from, "trimmer"};
        s.add(std::move(step));
    }
}

void cut_labels(StepsInMaking& s) {
    for (std::size_t t = 0; t < s.plan.dress.titles.size(); ++t) {
        const TitleFacts& facts = s.plan.dress.titles[t];
        if (!s.project.dress.titles[t].label || facts.label.outer.empty() || facts.letters.empty()) continue;
        s.add({.key = s.free_key("label:" + s.project.dress.titles[t].text),
               .kind = StepKind::HandCut,
               .what = "Cut the label of " + name_of_title(s.project.dress.titles[t]),
               .time = {s.minutes().trimming, 0, {}},
               .deeds = {{Deed::Makes, s.things.label(t)}},
               .caution = knife_caution,
               .rows = {{"Size", format_size(facts.label_width, facts.label_height, s.project.units)}},
               .parts = {{StepPart::Kind::Title, static_cast<int>(t)}},
               .needs = {"plain cardstock for the label", "trimmer"}});
    }
}

} // namespace

void add_frame_cutting(StepsInMaking& s) {
    gut_frame(s);
    trim_frame(s);
    cut_strips(s);
}

void add_hand_cutting(StepsInMaking& s) {
    cut_patches(s);
    cut_pieces(s);
    cut_labels(s);
}

} // namespace zesty
