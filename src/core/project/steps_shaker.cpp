// The steps of shakers, and of loose pieces, which go onto what is behind their openings by then.

#include "core/project/steps_in_making.h"
#include "core/sentences.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

/// The patch that closes a shaker; -1 where it has none.
int closing_patch(const StepsInMaking& s, const Shaker& shaker) {
    for (const int p : s.patches_at(PatchPlace::Closes))
        if (s.patch(p).opening == shaker.opening) return p;
    return -1;
}

void make_shaker(StepsInMaking& s, const Shaker& shaker) {
    const StepDeed behind{Deed::Backs, s.things.round(shaker.opening)};
    if (behind.thing.empty()) return;
    const std::string at = "opening " + std::to_string(shaker.opening + 1);
    const std::string key = "shaker:" + std::to_string(shaker.opening);
    const std::string thing = "shaker:" + name_of_opening(shaker.opening);
    const std::vector<StepPart> parts{{StepPart::Kind::Opening, shaker.opening}};
    s.add(
        {.key = key + "-acetate",
         .kind = StepKind::Shaker,
         .what = "Glue acetate behind " + at,
         .time = {3, s.drying().acetate, {}},
         .deeds = {{Deed::Fixes, "acetate:" + name_of_opening(shaker.opening)}, {Deed::Makes, thing}, behind},
         .parts = parts,
         .face_down = true,
         .needs = {"acetate", "glue for acetate"},
         .waiting = "acetate holds"});
    s.add({.key = key + "-trim",
           .kind = StepKind::Shaker,
           .what = "Trim the acetate of " + at + " back to its bars",
           .time = {2, 0, {}},
           .deeds = {{Deed::Trims, thing}, behind},
           .caution = knife_caution,
           .parts = parts,
           .face_down = true,
           .needs = {"craft knife"}});
    const int patch = closing_patch(s, shaker);
    BuildStep walls{
        .key = key + "-walls",
        .kind = StepKind::Shaker,
        .what = "Wall " + at + " with foam and fill it",
        .time = {6, 0, {}},
        .deeds = {{Deed::Fills, thing}, behind},
        .caution = "Small parts stay away from small children.",
        .rows = {{"Foam", format_long(shaker.wall_length, s.project.units) + " of strip, " +
                              format_length(shaker.foam_width, s.project.units) +
                              " wide, its cut edge out of sight"},
                 {"Fill", "about " + format_area(shaker.inner_area / 3, s.project.units) + " of it covered"}},
        .parts = parts,
        .face_down = true,
        .needs = {"foam strip", "sequins or other filling"}};
    if (patch < 0)
        walls.rows.emplace_back("Close",
                                "no paper is chosen to close it: the base does, laid on it from above");
    s.add(std::move(walls));
    if (patch < 0) return;
    BuildStep close = gluing_step(s, {patch});
    close.key = key + "-close";
    close.kind = StepKind::Shaker;
    close.what = "Close the shaker of " + at + " with its patch";
    close.time.hands = 2;
    close.face_down = true;
    close.deeds = {{Deed::Fixes, name_of_patch(s.patch(patch))}, {Deed::Closes, thing}, behind};
    s.add(std::move(close));
}

/// What a loose piece lies on: the patch behind its opening, the acetate, a print, or the base.
std::vector<StepDeed> put_into(const StepsInMaking& s, int opening, int cut) {
    const auto& patches = s.plan.sections.patches;
    const StepDeed behind{Deed::Backs, s.things.cut(static_cast<std::size_t>(cut))};
    for (const Shaker& shaker : s.plan.sections.shakers)
        if (shaker.opening == opening) return {{Deed::LaysOn, "shaker:" + name_of_opening(opening)}, behind};
    for (const Patch& p : patches)
        if (p.opening == opening && s.things.is_there(p) && s.things.place_of(p) == PatchPlace::Behind)
            return {{Deed::LaysOn, name_of_patch(p)}, behind};
    for (const SectionPhoto& photo : s.plan.sections.photo_sizes)
        if (photo.opening == opening) return {{Deed::LaysOn, "print:" + name_of_opening(opening)}, behind};
    for (const Patch& p : patches)
        if (p.opening == opening && s.things.is_there(p)) return {{Deed::LaysOn, name_of_patch(p)}};
    std::vector<StepDeed> out{{Deed::LaysOn, s.things.cut(static_cast<std::size_t>(cut))}};
    for (const std::string& below : s.things.below(s.things.cut(static_cast<std::size_t>(cut))))
        out.push_back({Deed::LaysOn, below});
    return out;
}

/// By when they are glued: on what backs the cut, before it is mounted; on the acetate of shakers, before
/// those are filled; into open openings, on the base.
const char* key_of_gluing(const std::vector<StepDeed>& on) {
    const auto has = [&](auto which) { return std::any_of(on.begin(), on.end(), which); };
    if (has([](const StepDeed& d) { return d.thing.rfind("shaker:", 0) == 0; })) return "loose-in-shakers";
    return has([](const StepDeed& d) { return d.deed == Deed::Backs; }) ? "loose" : "loose-on-base";
}

void glue_loose_pieces(StepsInMaking& s) {
    std::map<std::string, BuildStep> steps;
    std::map<std::string, std::vector<std::string>> labels;
    for (const InsertLabel& l : s.plan.sections.inserts) {
        const Piece& piece = s.plan.sections.cut->pieces[static_cast<std::size_t>(l.piece)];
        if (!s.things.is_lattice(static_cast<std::size_t>(piece.layer))) continue;
        const std::vector<StepDeed> on = put_into(s, l.opening, piece.layer);
        const std::string key = key_of_gluing(on);
        BuildStep& step = steps[key];
        labels[key].push_back(l.label);
        step.parts.push_back({StepPart::Kind::Opening, l.opening});
        step.deeds.push_back({Deed::Fixes, "loose:" + l.label});
        join(step.deeds, on);
    }
    for (auto& [key, step] : steps) {
        const std::size_t n = labels[key].size();
        step.key = key;
        step.kind = StepKind::LoosePieces;
        step.what = "Glue " + count_of(n, "loose piece", "loose pieces") + " from the cutting mat into " +
                    (n == 1 ? "its opening" : "their openings") +
                    (key == "loose-in-shakers" ? ", on the acetate" : "");
        step.time = {static_cast<double>(n), s.drying().glue, {}};
        step.rows = {{"Pieces", in_a_row(labels[key])}};
        step.needs = {"fine-tip glue", "tweezers"};
        step.waiting = "glue sets";
        s.add(std::move(step));
    }
}

} // namespace

void add_shakers(StepsInMaking& s) {
    glue_loose_pieces(s);
    for (const Shaker& shaker : s.plan.sections.shakers) make_shaker(s, shaker);
}

} // namespace zesty
