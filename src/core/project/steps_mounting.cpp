// The steps from the dry run on: what lies on the base, what dresses it, and the end.

#include "core/dress/glue.h"
#include "core/dress/layers.h"
#include "core/dress/pile.h"
#include "core/geometry/lengths.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"
#include "core/setout/photos.h"

#include <algorithm>

namespace zesty {

namespace {

using After = StepsInMaking::After;

constexpr double usual_strip = 40;   ///< mm of foam that is cut and set at once
constexpr double pieces_at_once = 4; ///< of foam, in the time it takes to set one thing on it

const RaisedThing* raised_thing(const StepsInMaking& s, Lying what, int index) {
    for (const RaisedThing& r : s.plan.dress.heights.raised)
        if (r.what == what && r.index == index) return &r;
    return nullptr;
}

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

/// Foam goes behind a raised thing before it is set down; what it then waits for.
After with_foam(StepsInMaking& s, Lying what, int index, const std::string& name, StepPart part,
                After after) {
    const RaisedThing* thing = raised_thing(s, what, index);
    if (!thing || (thing->strips.empty() && thing->pads.empty())) return after;
    const std::string foam = foam_in_words(*thing, s.project.units);
    double strips = 0;
    for (const FoamStrip& f : thing->strips) strips += distance(f.from, f.to);
    const double pieces = strips / usual_strip + static_cast<double>(thing->pads.size());
    return {s.add({.key = s.free_key("foam:" + name),
                   .kind = StepKind::Foam,
                   .what = "Put foam behind " + name,
                   .time = {1 + pieces * s.project.sections.pace.foam / 60 / pieces_at_once, 0, {}},
                   .rows = {{"Foam", foam}, {"Where", "behind bars and edges, out of sight"}},
                   .parts = {part},
                   .face_down = true,
                   .needs = {"foam strips and pads", "scissors"}},
                  std::move(after))};
}

BuildStep set_down(const StepsInMaking& s, const std::string& key, const std::string& what, bool foam) {
    return {.key = key,
            .kind = StepKind::Mount,
            .what = what,
            .time = {s.minutes().mounting, foam ? 0 : s.drying().glue, {}},
            .waiting = foam ? "" : "glue sets"};
}

std::size_t set_photo(StepsInMaking& s, std::size_t i, After after) {
    const Photo& of = s.project.set_out.photos[i];
    const std::string name = name_of(of, i);
    const StepPart part{StepPart::Kind::Photo, static_cast<int>(i)};
    if (const auto matted = s.matted_photo.find(static_cast<int>(i)); matted != s.matted_photo.end())
        after.push_back(matted->second);
    after = with_foam(s, Lying::Photo, static_cast<int>(i), name, part, std::move(after));
    const bool foam = s.raised(Lying::Photo, static_cast<int>(i));
    BuildStep step = set_down(s, s.free_key("photo:" + name),
                              (foam ? "Set " + name + " on its foam" : "Glue " + name + " on the base") +
                                  std::string(of.on_top ? "" : ", where the cut will lie over it"),
                              foam);
    if (of.on_top && !foam) step.what = "Glue " + name + " down";
    step.parts = {part};
    step.needs = {name, foam ? "foam strips and pads" : "tape or glue"};
    return s.add(std::move(step), std::move(after));
}

std::size_t set_layer(StepsInMaking& s, std::size_t i, After after) {
    const std::string name = name_of(s.project.dress.layers[i], i);
    const StepPart part{StepPart::Kind::Layer, static_cast<int>(i)};
    StepsInMaking::join(after, s.pieces[{-1, static_cast<int>(i)}]);
    after = with_foam(s, Lying::Layer, static_cast<int>(i), name, part, std::move(after));
    const bool foam = s.raised(Lying::Layer, static_cast<int>(i));
    BuildStep step = set_down(s, s.free_key("layer:" + name),
                              foam ? "Set " + name + " on its foam" : "Glue " + name + " down", foam);
    step.time.hands = 2;
    step.parts = {part};
    step.needs = {name, "tape or glue"};
    return s.add(std::move(step), std::move(after));
}

void set_cut(StepsInMaking& s, std::size_t c, const After& behind) {
    const StepPart part{StepPart::Kind::Cut, static_cast<int>(c)};
    const std::string name =
        s.project.set_out.cuts.size() == 1 ? std::string("the cut") : "cut " + std::to_string(c + 1);
    After after = with_foam(s, Lying::Cut, static_cast<int>(c), name, part, {s.laid_out});
    const bool foam = s.raised(Lying::Cut, static_cast<int>(c));
    StepsInMaking::join(after, behind);
    BuildStep step = set_down(s, "set-cut:" + std::to_string(s.project.set_out.cuts[c].id),
                              foam ? "Set " + name + " on its foam" : "Glue " + name + " on the base", foam);
    if (behind.size() > 1) step.what += ", over what is tucked behind it";
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
    s.mounted.push_back(s.add(std::move(step), after));
}

void put_titles(StepsInMaking& s, After& last) {
    for (std::size_t i = 0; i < s.plan.dress.titles.size(); ++i) {
        const TitleFacts& t = s.plan.dress.titles[i];
        if (t.letters.empty()) continue;
        const StepPart part{StepPart::Kind::Title, static_cast<int>(i)};
        const std::string name = "the title \"" + s.project.dress.titles[i].text + "\"";
        const After on = with_foam(s, Lying::Title, static_cast<int>(i), name, part, last);
        last.push_back(s.add(
            {.key = s.free_key("title:" + s.project.dress.titles[i].text),
             .kind = StepKind::Title,
             .what = "Lay " + name + " out on something movable, then put it down",
             .time = {2 + s.minutes().letter * static_cast<double>(t.letters.size()), s.drying().glue, {}},
             .rows = {{"Letters", count_of(t.letters.size(), "letter", "letters") + ", " +
                                      format_length(t.length, s.project.units) + " long"}},
             .parts = {part},
             .needs = {"letters", "tweezers"},
             .waiting = "glue sets"},
            on));
    }
}

/// "the red button"; by its number where it is not in the stash.
std::string name_of_thing(const StepsInMaking& s, std::size_t i) {
    const Embellishment* thing =
        s.project.stash ? s.project.stash->embellishment(s.project.dress.embellishments[i].id) : nullptr;
    return thing ? thing->name : "embellishment " + std::to_string(i + 1);
}

void put_embellishments(StepsInMaking& s, After& last) {
    const std::size_t n = s.project.dress.embellishments.size();
    if (n == 0) return;
    std::vector<StepPart> parts;
    After on = last;
    for (std::size_t i = 0; i < n; ++i) {
        parts.push_back({StepPart::Kind::Embellishment, static_cast<int>(i)});
        on = with_foam(s, Lying::Embellishment, static_cast<int>(i), name_of_thing(s, i), parts.back(), on);
    }
    last.push_back(s.add({.key = "embellishments",
                          .kind = StepKind::Embellish,
                          .what = "Put on " + count_of(n, "embellishment", "embellishments"),
                          .time = {s.minutes().embellishment * static_cast<double>(n), s.drying().glue, {}},
                          .parts = parts,
                          .needs = {"embellishments", "glue dots"},
                          .waiting = "glue sets"},
                         on));
}

void write(StepsInMaking& s, After& last) {
    int words = 0;
    std::vector<StepPart> parts;
    for (std::size_t i = 0; i < s.plan.dress.writings.size(); ++i) {
        words += s.plan.dress.writings[i].words;
        parts.push_back({StepPart::Kind::Writing, static_cast<int>(i)});
    }
    if (words == 0) return;
    last.push_back(s.add({.key = "write",
                          .kind = StepKind::Write,
                          .what = "Write the journaling, about " + std::to_string(words) + " words",
                          .time = {3 + s.minutes().word * words, s.drying().pen, {}},
                          .rows = {{"Lines", "in the guide, to lay under or trace"}},
                          .parts = parts,
                          .needs = {"pen", "ruler"},
                          .waiting = "ink dries"},
                         s.mounted));
}

} // namespace

void add_first_look(StepsInMaking& s) {
    After after = s.cut;
    std::vector<StepPart> parts;
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i)
        parts.push_back({StepPart::Kind::Photo, static_cast<int>(i)});
    s.laid_out = s.add({.key = "first-look",
                        .kind = StepKind::LayOut,
                        .what = "Lay the cut and the photos on the base, dry, and see what they hide",
                        .time = {s.minutes().laying_out / 2, 0, {}},
                        .parts = parts,
                        .needs = {"photos", "base"}},
                       after);
}

void add_layout(StepsInMaking& s) {
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i) {
        const Photo& photo = s.project.set_out.photos[i];
        if (photo.mats.empty()) continue;
        const std::string name = name_of(photo, i);
        const std::size_t matted =
            s.add({.key = s.free_key("photo-mats:" + name),
                   .kind = StepKind::Mount,
                   .what = "Glue " + name + " on its photo " + (photo.mats.size() == 1 ? "mat" : "mats"),
                   .time = {2.0 * static_cast<double>(photo.mats.size()), s.drying().glue, {}},
                   .parts = {{StepPart::Kind::Photo, static_cast<int>(i)}},
                   .needs = {name, "tape or glue"},
                   .waiting = "glue sets"},
                  s.pieces[{static_cast<int>(i), -1}]);
        s.matted_photo[static_cast<int>(i)] = matted;
        s.matted.push_back(matted);
    }
    After after = s.backed;
    for (const After* more : {&s.cut, &s.based, &s.gutted, &s.matted}) StepsInMaking::join(after, *more);
    for (const auto& [of, pieces] : s.pieces) StepsInMaking::join(after, pieces);
    s.laid_out =
        s.add({.key = "lay-out",
               .kind = StepKind::LayOut,
               .what = "Lay everything out dry, look, and move it before anything is glued on the base",
               .time = {s.minutes().laying_out, 0, {}},
               .rows = {{"Look", "at it from arm's length, and once from the other side"},
                        {"Photo", "take one: it says later where everything lay"}},
               .needs = {"everything that goes on the page"}},
              after);
}

/// Photos and layers that lie behind first, then the cuts over them.
void add_mounting(StepsInMaking& s) {
    After behind{s.laid_out};
    for (std::size_t i = 0; i < s.project.dress.layers.size(); ++i)
        if (s.project.dress.layers[i].place == LayerPlace::UnderCuts)
            behind.push_back(set_layer(s, i, {s.laid_out}));
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i)
        if (!s.project.set_out.photos[i].on_top) behind.push_back(set_photo(s, i, {s.laid_out}));
    for (std::size_t c = 0; c < s.project.set_out.cuts.size(); ++c) set_cut(s, c, behind);
    if (s.mounted.empty()) s.mounted = behind;
}

void add_dressing(StepsInMaking& s) {
    After last = s.mounted;
    for (std::size_t i = 0; i < s.project.dress.layers.size(); ++i)
        if (s.project.dress.layers[i].place != LayerPlace::UnderCuts)
            last.push_back(set_layer(s, i, s.mounted));
    for (std::size_t i = 0; i < s.project.set_out.photos.size(); ++i)
        if (s.project.set_out.photos[i].on_top) last.push_back(set_photo(s, i, s.mounted));
    put_titles(s, last);
    put_embellishments(s, last);
    write(s, last);
    s.dressed = std::move(last);
}

void add_finish(StepsInMaking& s) {
    const Page& page = s.project.set_out.page;
    if (page.framed() && s.project.build.habits.frame == FrameBase::Last)
        s.dressed.push_back(s.add({.key = "frame",
                                   .kind = StepKind::Frame,
                                   .what = "Mount the base on its frame",
                                   .time = {s.minutes().mounting, s.drying().glue, {}},
                                   .parts = {{StepPart::Kind::Base, 0}},
                                   .needs = {"frame paper", "tape or glue"},
                                   .waiting = "glue sets"},
                                  s.dressed));
    if (s.project.dress.frame.how != LateFraming::None)
        s.dressed.push_back(s.add({.key = "late-frame",
                                   .kind = StepKind::Frame,
                                   .what = s.project.dress.frame.how == LateFraming::Trimmed
                                               ? "Trim the page to its marks and mount it on the frame"
                                               : "Glue the strips of the frame over the edges",
                                   .time = {s.minutes().trimming + s.minutes().mounting, s.drying().glue, {}},
                                   .caution = knife_caution,
                                   .parts = {{StepPart::Kind::Base, 0}},
                                   .needs = {"paper of the frame", "trimmer", "tape or glue"},
                                   .waiting = "glue sets"},
                                  s.dressed));
    BuildStep end{.key = "finish",
                  .kind = StepKind::Finish,
                  .what = "Look at it once more, write down what was used, and put the leftovers back",
                  .time = {5, 0, {}}};
    for (const std::string& said : s.project.build.reminders) end.rows.emplace_back("Remember", said);
    s.add(std::move(end), s.dressed);
}

} // namespace zesty
