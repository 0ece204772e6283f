// The steps of what dresses the page: embellishments, titles and journaling.

#include "core/geometry/lengths.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"

#include <algorithm>

namespace zesty {

namespace {

/// How the letters of a title come to their place.
const char* how_put(const StepsInMaking& s, const TitleFacts& title) {
    bool stamped = false, drawn = false;
    for (const TitleLetter& l : title.letters) {
        const LetterSet* set = s.project.stash ? s.project.stash->letter_set(l.set) : nullptr;
        stamped = stamped || (set && set->kind == LetterKind::Stamps);
        drawn = drawn || !set;
    }
    return stamped ? "Stamp " : drawn ? "Draw " : "";
}

void put_titles(StepsInMaking& s) {
    for (std::size_t i = 0; i < s.plan.dress.titles.size(); ++i) {
        const TitleFacts& t = s.plan.dress.titles[i];
        const auto there = std::count_if(t.letters.begin(), t.letters.end(),
                                         [](const TitleLetter& l) { return !l.missing; });
        if (there == 0) continue;
        const StepPart part{StepPart::Kind::Title, static_cast<int>(i)};
        const std::string name = name_of_title(s.project.dress.titles[i]);
        const bool label = s.project.dress.titles[i].label && !t.label.outer.empty();
        const std::string lowest = label ? s.things.label(i) : s.things.letters(i);
        (void)add_foam(s, Lying::Title, static_cast<int>(i), name, lowest, part);
        const std::string by_hand = how_put(s, t);
        BuildStep step{.key = s.free_key("title:" + s.project.dress.titles[i].text),
                       .kind = StepKind::Title,
                       .what = by_hand.empty() ? "Lay " + name + " out on something movable, then put it down"
                                               : by_hand + name + ", with a sketch in pencil first",
                       .time = {2 + s.minutes().letter * static_cast<double>(there),
                                by_hand.empty() ? s.drying().glue : s.drying().ink,
                                {}},
                       .deeds = fixed(s.things.letters(i), s.things.below(s.things.letters(i))),
                       .rows = {{"Letters", count_of(static_cast<std::size_t>(there), "letter", "letters") +
                                                ", " + format_length(t.length, s.project.units) + " long"}},
                       .parts = {part},
                       .needs = {"letters", "tweezers"},
                       .waiting = by_hand.empty() ? "glue sets" : "ink dries"};
        if (label) {
            join(step.deeds, fixed(s.things.label(i), s.things.below(s.things.label(i))));
            std::erase(step.deeds, StepDeed{Deed::LaysOn, s.things.label(i)});
            step.rows.emplace_back("Label", "first, then the letters on it");
        }
        if (static_cast<std::size_t>(there) < t.letters.size())
            step.rows.emplace_back("Missing", count_of(t.letters.size() - static_cast<std::size_t>(there),
                                                       "letter is", "letters are") +
                                                  " still to be got");
        s.add(std::move(step));
    }
}

/// "the red button"; by its number where it is not in the stash.
std::string name_of_thing(const StepsInMaking& s, std::size_t i) {
    const Embellishment* thing =
        s.project.stash ? s.project.stash->embellishment(s.project.dress.embellishments[i].id) : nullptr;
    return thing ? thing->name : "embellishment " + std::to_string(i + 1);
}

void put_embellishments(StepsInMaking& s) {
    BuildStep step{.key = "embellishments",
                   .kind = StepKind::Embellish,
                   .needs = {"embellishments", "glue dots"},
                   .waiting = "glue sets"};
    std::size_t n = 0;
    for (std::size_t i = 0; i < s.project.dress.embellishments.size(); ++i) {
        if (!s.project.stash || !s.project.stash->embellishment(s.project.dress.embellishments[i].id))
            continue;
        ++n;
        step.parts.push_back({StepPart::Kind::Embellishment, static_cast<int>(i)});
        const std::string thing = s.things.embellishment(i);
        (void)add_foam(s, Lying::Embellishment, static_cast<int>(i), name_of_thing(s, i), thing,
                       step.parts.back());
        for (StepDeed& deed : fixed(thing, s.things.below(thing)))
            // Lowest first, in one go.
            if (deed.deed == Deed::Fixes || deed.thing.rfind("embellishment:", 0) != 0)
                join(step.deeds, {deed});
    }
    if (n == 0) return;
    step.what = "Put on " + count_of(n, "embellishment", "embellishments");
    step.time = {s.minutes().embellishment * static_cast<double>(n), s.drying().glue, {}};
    s.add(std::move(step));
}

void write(StepsInMaking& s) {
    for (const bool on_back : {false, true}) {
        int words = 0;
        BuildStep step{.key = on_back ? "write-back" : "write",
                       .kind = StepKind::Write,
                       .rows = {{"Lines", "in the guide, to lay under or trace"}},
                       .needs = {"pen", "ruler"},
                       .waiting = "ink dries"};
        for (std::size_t i = 0; i < s.plan.dress.writings.size() && i < s.plan.dress.placed.size(); ++i) {
            if ((s.plan.dress.placed[i].shape == WritingShape::Back) != on_back) continue;
            if (s.plan.dress.writings[i].words == 0) continue;
            words += s.plan.dress.writings[i].words;
            step.parts.push_back({StepPart::Kind::Writing, static_cast<int>(i)});
            Region lines;
            for (const WritingLine& line : s.plan.dress.writings[i].lines) {
                Box box;
                box.add(line.from);
                box.add(line.to);
                if (!box.empty())
                    lines.push_back({ring_of(box.grown(s.plan.dress.placed[i].line_height / 2)), {}});
            }
            if (on_back)
                join(step.deeds, {{Deed::Backs, s.things.base(0)}});
            else
                for (const std::string& below : s.things.below(lines))
                    join(step.deeds, {{Deed::LaysOn, below}});
        }
        if (words == 0) continue;
        step.what = "Write the journaling, about " + std::to_string(words) + " words" +
                    (on_back ? ", on the back" : "");
        step.time = {3 + s.minutes().word * words, s.drying().pen, {}};
        s.add(std::move(step));
    }
}

} // namespace

void add_dressing(StepsInMaking& s) {
    put_embellishments(s);
    put_titles(s);
    write(s);
}

} // namespace zesty
