#include "cli/stash_things.h"

#include "cli/command.h"
#include "cli/painting.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/project/drop_outs.h"
#include "core/project/planner.h"
#include "core/stash/colour_words.h"
#include "core/stash/new_things.h"
#include "io/paint/letters.h"
#include "io/project_file.h"
#include "io/read_file.h"
#include "io/trace/offcut.h"

#include <algorithm>
#include <charconv>
#include <iostream>

namespace zesty::cli {

namespace {

Result<int> typed_count(const std::string& option, const std::string& text) {
    int out = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
    if (error != std::errc() || end != text.data() + text.size() || !thing_count_limits.hold(out))
        return fail(ErrorKind::BadInput, option + ": '" + text + "' is not a count from 0 to 10000");
    return out;
}

/// "red-bow:die-cut:40x25mm:2": id, kind, size and count; a size alone is round.
Result<Embellishment> typed_embellishment(const StashArgs& a, const Stash& now) {
    const auto parts = split(a.embellishment, ':');
    if (parts.empty() || parts[0].empty() || parts.size() > 4)
        return fail(ErrorKind::BadInput, "--embellishment: type it as id:kind:size:count");
    const Embellishment* known = now.embellishment(parts[0]);
    Embellishment out = known ? *known : Embellishment{};
    out.id = parts[0];
    if (!known) out.name = parts[0];
    if (parts.size() > 1 && !parts[1].empty()) {
        const auto kind = typed_word<EmbellishmentKind>("--embellishment", parts[1]);
        if (!kind) return tl::make_unexpected(kind.error());
        out.kind = *kind;
    }
    if (parts.size() > 2 && !parts[2].empty()) {
        const std::string size =
            parts[2].find('x') == std::string::npos ? parts[2] + "x" + parts[2] : parts[2];
        const auto typed =
            typed_size("--embellishment", size, thing_side_limits.least, thing_side_limits.most);
        if (!typed) return tl::make_unexpected(typed.error());
        out.outline = outline_of_size(out.kind, typed->x, typed->y);
    }
    if (parts.size() > 3) {
        const auto count = typed_count("--embellishment", parts[3]);
        if (!count) return tl::make_unexpected(count.error());
        out.count = *count;
    }
    return out;
}

Result<void> take_outline(const StashArgs& a, Embellishment& out) {
    if (a.outline_of.empty()) return {};
    const auto square =
        typed_length("--outline-square", a.outline_square.empty() ? "1in" : a.outline_square, 5, 200);
    if (!square) return tl::make_unexpected(square.error());
    const auto bytes = read_file(QString::fromStdString(a.outline_of), 64LL << 20);
    if (!bytes) return tl::make_unexpected(bytes.error());
    const auto outline = measured_offcut(*bytes, **square);
    if (!outline) return fail(outline.error().kind, a.outline_of + ": " + outline.error().message);
    out.outline = about_its_middle(*outline);
    return {};
}

Result<Embellishment> embellishment(const StashArgs& a, const Stash& now) {
    auto out = typed_embellishment(a, now);
    if (!out) return out;
    if (const auto r = take_outline(a, *out); !r) return tl::make_unexpected(r.error());
    if (out->outline.outer.empty())
        return fail(ErrorKind::BadInput,
                    "--embellishment: " + out->id + " needs a size or --outline-of a scan");
    for (const auto& r : {take_length("--thickness", a.thickness, thickness_limits, out->thickness),
                          take_length("--white-rim", a.white_rim, white_rim_limits, out->white_rim)})
        if (!r) return tl::make_unexpected(r.error());
    if (!a.on_sheet.empty()) out->on_sheet = a.on_sheet;
    return out;
}

/// "cork:stickers:16mm:AABCDEE": id, kind, height of the capitals and what there is.
Result<LetterSet> letters(const StashArgs& a, const Stash& now) {
    const auto parts = split(a.letters, ':');
    if (parts.size() != 4 || parts[0].empty())
        return fail(ErrorKind::BadInput, "--letters: type it as id:kind:height:letters");
    const auto kind = typed_word<LetterKind>("--letters", parts[1]);
    if (!kind) return tl::make_unexpected(kind.error());
    const auto height =
        typed_length("--letters", parts[2], letter_height_limits.least, letter_height_limits.most);
    if (!height) return tl::make_unexpected(height.error());
    if (!*height) return fail(ErrorKind::BadInput, "--letters: the height is missing");
    const Painting painting;
    LetterSet out = letter_set_of(parts[0], *kind, **height, parts[3], [&](const std::string& letter) {
        return usual_letter_width(letter, **height);
    });
    if (out.letters.empty()) return fail(ErrorKind::BadInput, "--letters: there are no letters");
    if (const LetterSet* known = now.letter_set(out.id)) {
        out.uid = known->uid;
        out.name = known->name;
        out.colour = known->colour;
        out.kept_in = known->kept_in;
    }
    return out;
}

template <class Thing> Result<void> take_common(const StashArgs& a, Thing& thing) {
    if (!a.thing_name.empty()) thing.name = a.thing_name;
    if (!a.thing_kept_in.empty()) thing.kept_in = a.thing_kept_in;
    if (a.thing_colour.empty()) return {};
    const auto colour = typed_colour("--thing-colour", a.thing_colour);
    if (!colour) return tl::make_unexpected(colour.error());
    thing.colour = *colour;
    return {};
}

template <class Thing> void put_thing(std::vector<Thing>& things, Thing thing) {
    const auto at =
        std::find_if(things.begin(), things.end(), [&](const Thing& t) { return t.id == thing.id; });
    if (at == things.end())
        things.push_back(std::move(thing));
    else
        *at = std::move(thing);
}

} // namespace

bool changes_things(const StashArgs& a) {
    return !a.drop_outs.empty() || !a.embellishment.empty() || !a.letters.empty() || !a.remove_thing.empty();
}

Result<Stash> with_things(const StashArgs& a, Stash now) {
    if (!a.drop_outs.empty()) {
        const auto project = open_project(QString::fromStdString(a.drop_outs));
        if (!project) return tl::make_unexpected(project.error());
        if (a.of_cut > static_cast<int>(project->set_out.cuts.size()))
            return only_so_many("--of-cut", project->set_out.cuts.size(), "cut", "cuts");
        const auto plan = Planner().shapes(*project);
        if (!plan) return tl::make_unexpected(plan.error());
        now = with_drop_outs(std::move(now), *project, *plan, a.of_cut - 1);
    }
    if (!a.embellishment.empty()) {
        auto thing = embellishment(a, now);
        if (!thing) return tl::make_unexpected(thing.error());
        if (auto r = take_common(a, *thing); !r) return tl::make_unexpected(r.error());
        put_thing(now.embellishments, std::move(*thing));
    }
    if (!a.letters.empty()) {
        auto set = letters(a, now);
        if (!set) return tl::make_unexpected(set.error());
        if (auto r = take_common(a, *set); !r) return tl::make_unexpected(r.error());
        put_thing(now.letters, std::move(*set));
    }
    if (!a.remove_thing.empty()) {
        const auto gone =
            std::erase_if(now.embellishments,
                          [&](const Embellishment& e) { return e.id == a.remove_thing; }) +
            std::erase_if(now.letters, [&](const LetterSet& s) { return s.id == a.remove_thing; });
        if (gone == 0)
            return fail(ErrorKind::NothingToDo, "--remove-thing: there is no \"" + a.remove_thing + "\"");
    }
    return now;
}

void list_things(const Stash& stash) {
    for (const Embellishment& e : stash.embellishments) {
        const Box b = bounds(e.outline);
        std::cout << e.id << ": " << e.name << ", " << key_of(e.kind) << " of "
                  << format_size(b.width(), b.height(), Units::Inches) << ", " << colour_words(e.colour)
                  << ", " << e.count << " there";
        if (!e.on_sheet.empty()) std::cout << ", on " << e.on_sheet;
        if (!e.kept_in.empty()) std::cout << ", kept in " << e.kept_in;
        std::cout << "\n";
    }
    for (const LetterSet& s : stash.letters) {
        std::cout << s.id << ": " << s.name << ", " << key_of(s.kind) << " of "
                  << format_length(s.height, Units::Inches) << ", " << colour_words(s.colour) << ", ";
        for (const auto& [letter, piece] : s.letters) {
            std::cout << letter;
            if (runs_out(s.kind) && piece.count != 1) std::cout << piece.count;
            if (s.kind == LetterKind::Words) std::cout << " ";
        }
        std::cout << "\n";
    }
}

void add_thing_options(CLI::App& c, StashArgs& a) {
    const auto text = [&](const char* name, std::string& to, const char* help) {
        c.add_option(name, to, help)->group("Embellishments and letters");
    };
    text("--embellishment", a.embellishment,
         "red-bow:die-cut:40x25mm:2: adds or changes one; sticker, die-cut, button, label, dot, flower, "
         "ribbon or other");
    text("--thing-name", a.thing_name, "What it is called");
    text("--thing-colour", a.thing_colour, "#rrggbb or in words");
    text("--thing-kept-in", a.thing_kept_in, "Where it is");
    text("--outline-of", a.outline_of, "Its outline, measured from a picture of it beside a square");
    text("--outline-square", a.outline_square, "Side of that square; 1 in otherwise");
    text("--thickness", a.thickness, "How thick it is");
    text("--white-rim", a.white_rim, "Width of the white rim round a printed sticker");
    text("--on-sheet", a.on_sheet, "The sheet it is on together with others");
    text("--letters", a.letters,
         "cork:stickers:16mm:AABCDEE: a set with what is left of it; stickers, dies, stamps, words or cut");
    text("--drop-outs", a.drop_outs,
         "Adds what falls out of the openings of a page's cut to the embellishments: its .zesty file; "
         "a cut of a paper of the stash is finished with keep --no-drop-outs then");
    c.add_option("--of-cut", a.of_cut, "With --drop-outs: which cut, from 1")
        ->check(CLI::Range(1, 1000))
        ->group("Embellishments and letters");
    text("--remove-thing", a.remove_thing, "Takes the embellishment or letter set with this id out");
}

} // namespace zesty::cli
