// The steps from the dry run on: what lies on the base, and the end.

#include "core/dress/glue.h"
#include "core/dress/layers.h"
#include "core/geometry/lengths.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

constexpr double usual_strip = 40;   ///< mm of foam that is cut and set at once
constexpr double pieces_at_once = 4; ///< of foam, in the time it takes to set one thing on it

/// "14 in of 2 mm strip, 6 pads of 2 mm".
std::string foam_in_words(const RaisedThing& thing, Units units) {
    std::map<double, std::pair<double, std::size_t>> by_thickness;
    for (const FoamStrip& f : thing.strips) by_thickness[f.thickness].first += distance(f.from, f.to);
    for (const FoamPad& f : thing.pads) ++by_thickness[f.thickness].second;
    std::vector<std::string> out;
    for (const auto& [thick, of_it] : by_thickness) {
        if (of_it.first > 0)
            out.push_back(format_long(of_it.first, units) + " of " + format_mm(thick) + " strip");
        if (of_it.second > 0)
            out.push_back(count_of(of_it.second, "pad", "pads") + " of " + format_mm(thick));
    }
    return in_a_row(out);
}

BuildStep set_down(const StepsInMaking& s, const std::string& key, const std::string& what, bool foam) {
    return {.key = key,
            .kind = StepKind::Mount,
            .what = what,
            .time = {s.minutes().mounting, foam ? 0 : s.drying().glue, {}},
            .waiting = foam ? "" : "glue sets"};
}

void set_photo(StepsInMaking& s, std::size_t i) {
    const Photo& of = s.project.set_out.photos[i];
    const std::string name = name_of(of, i);
    const std::string thing = s.things.photo(i);
    const StepPart part{StepPart::Kind::Photo, static_cast<int>(i)};
    const bool foam = add_foam(s, Lying::Photo, static_cast<int>(i), name, thing, part);
    BuildStep step =
        set_down(s, s.free_key("photo:" + name),
                 (foam ? "Set " + name + " on its foam" : "Glue " + name + " down") +
                     std::string(s.things.lies_under_a_cut(thing) ? ", where the cut will lie over it" : ""),
                 foam);
    step.deeds = fixed(thing, s.things.below(thing));
    step.parts = {part};
    step.needs = {name, foam ? "foam strips and pads" : "tape or glue"};
    s.add(std::move(step));
}

void set_layer(StepsInMaking& s, std::size_t i) {
    if (!s.things.layer_is_there(i)) return;
    const std::string name = name_of(s.project.dress.layers[i], i);
    const std::string thing = s.things.layer(i);
    const StepPart part{StepPart::Kind::Layer, static_cast<int>(i)};
    const bool foam = add_foam(s, Lying::Layer, static_cast<int>(i), name, thing, part);
    BuildStep step = set_down(s, s.free_key("layer:" + name),
                              foam ? "Set " + name + " on its foam" : "Glue " + name + " down", foam);
    step.time.hands = 2;
    step.deeds = fixed(thing, s.things.below(thing));
    step.parts = {part};
    step.needs = {name, "tape or glue"};
    s.add(std::move(step));
}

/// The pieces of a cut that come from papers of their own, or one lattice.
std::vector<StepDeed> cut_fixed(const StepsInMaking& s, std::size_t c, bool& over_something) {
    std::vector<std::string> names;
    if (s.things.is_lattice(c)) {
        names.push_back(s.things.cut(c));
    } else {
        for (const int p : s.patches_at(PatchPlace::Piece))
            if (s.cut_of(p) == c) names.push_back(name_of_patch(s.patch(p)));
    }
    std::vector<StepDeed> out;
    for (const std::string& name : names) {
        const auto below = s.things.below(name);
        over_something = over_something || below.size() > s.things.bases_below({}).size();
        join(out, fixed(name, below));
    }
    // What is fixed in the same step lies beside, or in its turn.
    std::erase_if(out, [&](const StepDeed& deed) {
        return deed.deed == Deed::LaysOn && std::find(names.begin(), names.end(), deed.thing) != names.end();
    });
    return out;
}

void set_cut(StepsInMaking& s, std::size_t c) {
    const StepPart part{StepPart::Kind::Cut, static_cast<int>(c)};
    const std::string name =
        s.project.set_out.cuts.size() == 1 ? std::string("the cut") : "cut " + std::to_string(c + 1);
    bool over = false;
    std::vector<StepDeed> deeds = cut_fixed(s, c, over);
    if (deeds.empty()) return;
    const bool lattice = s.things.is_lattice(c);
    const bool foam = add_foam(s, Lying::Cut, static_cast<int>(c), name, deeds.front().thing, part);
    const std::string what = lattice ? name : "the pieces of " + name;
    BuildStep step = set_down(s, "set-cut:" + std::to_string(s.project.set_out.cuts[c].id),
                              foam ? "Set " + what + " on " + (lattice ? "its" : "their") + " foam"
                                   : "Glue " + what + " on the base",
                              foam);
    if (over) step.what += ", over what is tucked behind it";
    step.deeds = std::move(deeds);
    step.parts = {part};
    if (c < s.plan.dress.glue.cuts.size()) {
        const GlueMap& map = s.plan.dress.glue.cuts[c];
        std::vector<std::string> uses;
        for (const GlueUse& use : map.uses)
            uses.push_back(use.what == Adhesive::Dots
                               ? count_of(static_cast<std::size_t>(use.dots), "glue dot", "glue dots")
                               : format_long(use.length, s.project.units) + " of " + name_of(use.what));
        if (!foam && !uses.empty()) step.rows.emplace_back("Glue", in_a_row(uses));
        if (!map.tucks.empty())
            step.rows.emplace_back("Leave free", "where " + in_a_row(map.tucks) + " slides under");
        for (const GlueUse& use : map.uses) step.needs.push_back(name_of(use.what));
    }
    if (!foam) step.rows.emplace_back("Hold", minutes_in_words(s.drying().glue) + " under a heavy book");
    s.add(std::move(step));
}

/// Inlays, and circles on openings: from the front, once the cut is in its place.
void set_in(StepsInMaking& s, std::size_t c) {
    std::vector<int> patches = s.patches_at(PatchPlace::Inside);
    std::erase_if(patches,
                  [&](int p) { return s.cut_of(p) != c || s.things.round(s.patch(p).opening).empty(); });
    if (patches.empty()) return;
    BuildStep step = gluing_step(s, patches);
    step.key = "inlay:" + std::to_string(s.project.set_out.cuts[c].id);
    step.kind = StepKind::Back;
    step.what = "Set in " + step.what + " from the front";
    step.rows.emplace_back("Foam", s.raised(Lying::Cut, static_cast<int>(c))
                                       ? "as thick as behind the cut, so that they lie level with it"
                                       : "thin, where they are to stand out; glued flat otherwise");
    step.needs.emplace_back("foam pads");
    for (const int p : patches) {
        const std::string name = name_of_patch(s.patch(p));
        join(step.deeds, fixed(name, s.things.below(name)));
        join(step.deeds, {{Deed::LaysOn, s.things.round(s.patch(p).opening)}});
    }
    s.add(std::move(step));
}

/// Parts of the base, in their places.
void back_the_base(StepsInMaking& s) {
    // Each runs on below the next: they are glued in their order.
    for (const int p : s.patches_at(PatchPlace::OnBase)) {
        BuildStep step = gluing_step(s, {p});
        const Patch& patch = s.patch(p);
        const int paper = s.plan.papers.of_section[static_cast<std::size_t>(patch.section)];
        const std::string name = name_of_patch(patch);
        step.key = "base-part:" +
                   std::to_string(s.plan.sections.spots[static_cast<std::size_t>(patch.opening)].part);
        step.kind = StepKind::Back;
        step.what = "Glue part " + step.what + " of the base in its place, from " +
                    s.project.stash->papers[static_cast<std::size_t>(paper)].name;
        step.deeds = fixed(name, s.things.below(name));
        s.add(std::move(step));
    }
}

/// Everything that is laid out before anything is fixed on the base.
std::vector<StepDeed> laid_out(const StepsInMaking& s) {
    std::vector<StepDeed> out;
    for (std::size_t l = 0; l < s.project.set_out.page.leaves().size(); ++l)
        out.push_back({Deed::LooksAt, s.things.base(l)});
    for (const PageThings::Lies& lies : s.things.pile()) out.push_back({Deed::LooksAt, lies.name});
    return out;
}

} // namespace

bool add_foam(StepsInMaking& s, Lying what, int index, const std::string& words, const std::string& thing,
              StepPart part) {
    const RaisedThing* raised = s.raised(what, index);
    if (!raised) return false;
    if (raised->strips.empty() && raised->pads.empty()) return true;
    double strips = 0;
    for (const FoamStrip& f : raised->strips) strips += distance(f.from, f.to);
    const double pieces = strips / usual_strip + static_cast<double>(raised->pads.size());
    s.add({.key = s.free_key("foam:" + words),
           .kind = StepKind::Foam,
           .what = "Put foam behind " + words,
           .time = {1 + pieces * s.project.sections.pace.foam / 60 / pieces_at_once, 0, {}},
           .deeds = {{Deed::Foams, thing}},
           .rows = {{"Foam", foam_in_words(*raised, s.project.units)},
                    {"Where", "behind bars and edges, out of sight"}},
           .parts = {part},
           .face_down = true,
           .needs = {"foam strips and pads", "scissors"}});
    return true;
}

void add_first_look(StepsInMaking& s) {
    BuildStep step{.key = "first-look",
                   .kind = StepKind::LayOut,
                   .what = "Lay the cut and the photos on the base, dry, and see what they hide",
                   .time = {s.minutes().laying_out / 2, 0, {}},
                   .needs = {"photos", "base"}};
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i) {
        step.parts.push_back({StepPart::Kind::Photo, static_cast<int>(i)});
        step.deeds.push_back({Deed::LooksFirst, s.things.photo(i)});
    }
    for (std::size_t c = 0; c < s.project.set_out.cuts.size(); ++c)
        if (s.things.is_lattice(c)) step.deeds.push_back({Deed::LooksFirst, s.things.cut(c)});
    s.add(std::move(step));
}

void add_layout(StepsInMaking& s) {
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i) {
        const Photo& photo = s.project.set_out.photos[i];
        const std::string name = name_of(photo, i);
        BuildStep step{.key = s.free_key("photo-mats:" + name),
                       .kind = StepKind::Mount,
                       .deeds = {{Deed::Mats, s.things.photo(i)}},
                       .parts = {{StepPart::Kind::Photo, static_cast<int>(i)}},
                       .needs = {name, "tape or glue"},
                       .waiting = "glue sets"};
        std::size_t mats = 0;
        for (const DressPiece& piece : s.plan.dress.pieces)
            if (piece.photo == static_cast<int>(i) && s.things.is_there(piece)) {
                ++mats;
                step.deeds.push_back({Deed::LaysOn, s.things.piece(piece)});
            }
        if (mats == 0) continue;
        step.what = "Glue " + name + " on its photo " + (mats == 1 ? "mat" : "mats");
        step.time = {2.0 * static_cast<double>(mats), s.drying().glue, {}};
        s.add(std::move(step));
    }
    s.add({.key = "lay-out",
           .kind = StepKind::LayOut,
           .what = "Lay everything out dry, look, and move it before anything is glued on the base",
           .time = {s.minutes().laying_out, 0, {}},
           .deeds = laid_out(s),
           .rows = {{"Look", "at it from arm's length, and once from the other side"},
                    {"Photo", "take one: it says later where everything lay"}},
           .needs = {"everything that goes on the page"}});
}

/// Everything that is fixed on the base or on what lies on it.
void add_mounting(StepsInMaking& s) {
    back_the_base(s);
    for (std::size_t i = 0; i < s.project.dress.layers.size(); ++i) set_layer(s, i);
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i) set_photo(s, i);
    for (std::size_t c = 0; c < s.project.set_out.cuts.size(); ++c) {
        set_cut(s, c);
        set_in(s, c);
    }
}

/// It comes after everything else.
void add_finish(StepsInMaking& s) {
    BuildStep end{.key = "finish",
                  .kind = StepKind::Finish,
                  .what = "Look at it once more, write down what was used, and put the leftovers back",
                  .time = {5, 0, {}}};
    for (std::size_t i = 0; i < s.steps.size(); ++i) end.time.after.push_back(i);
    for (const std::string& said : s.project.build.reminders) end.rows.emplace_back("Remember", said);
    s.add(std::move(end));
}

} // namespace zesty
