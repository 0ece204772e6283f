// Titles and embellishments from the command line.

#include "cli/command.h"
#include "cli/dress_args.h"
#include "cli/typed.h"
#include "core/dress/title.h"
#include "core/project/findings.h"
#include "core/project/planner.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>
#include <iostream>

namespace zesty::cli {

namespace {

bool says_of_titles(const DressArgs& a) {
    for (const std::string* text :
         {&a.title_letters, &a.title_on, &a.title_at, &a.title_length, &a.title_radius, &a.title_opening,
          &a.title_offset, &a.title_spacing, &a.title_height, &a.title_label})
        if (!text->empty()) return true;
    return a.title_cut > 0 || a.title_turn || a.title_from || a.title_sweep || a.title_start ||
           a.title_block || a.title_one_line || a.remove_title;
}

Result<void> edit_path(const DressArgs& a, const Project& project, TitlePath& path) {
    if (!a.title_on.empty()) {
        const auto on = typed_word<TitleOn>("--title-on", a.title_on);
        if (!on) return tl::make_unexpected(on.error());
        path.on = *on;
    }
    if (!a.title_at.empty()) {
        const auto at =
            typed_point("--title-at", a.title_at, "give x,y from the top left of the page", 10000);
        if (!at) return tl::make_unexpected(at.error());
        path.centre = *at;
    }
    if (!a.title_opening.empty()) {
        const auto numbers = typed_numbers("--title-opening", a.title_opening, 1'000'000);
        if (!numbers) return tl::make_unexpected(numbers.error());
        const auto shapes = Planner().shapes(project);
        if (!shapes) return tl::make_unexpected(shapes.error());
        const auto o = static_cast<std::size_t>(numbers->front());
        if (o >= shapes->sections.spots.size())
            return only_so_many("--title-opening", shapes->sections.spots.size(), "opening", "openings");
        path.opening = shapes->sections.spots[o];
        path.on = TitleOn::Opening;
    }
    if (a.title_cut > 0) {
        if (a.title_cut > static_cast<int>(project.set_out.cuts.size()))
            return only_so_many("--title-cut", project.set_out.cuts.size(), "cut", "cuts");
        path.cut = project.set_out.cuts[static_cast<std::size_t>(a.title_cut) - 1].id;
        path.on = TitleOn::CutEdge;
    }
    for (const auto& r : {take_length("--title-length", a.title_length, title_length_limits, path.length),
                          take_length("--title-radius", a.title_radius, writing_radius_limits, path.radius),
                          take_length("--title-offset", a.title_offset, title_offset_limits, path.offset)})
        if (!r) return r;
    if (a.title_turn) path.turn_deg = std::remainder(*a.title_turn, 360.0);
    if (a.title_from) path.from_deg = std::remainder(*a.title_from, 360.0);
    if (a.title_sweep) path.sweep_deg = *a.title_sweep;
    if (a.title_start) path.start = *a.title_start;
    return {};
}

Result<void> edit_title(const DressArgs& a, const Project& project, PageTitle& title) {
    if (!a.title_letters.empty()) {
        title.sets.clear();
        for (const std::string& id : split(a.title_letters, ',')) {
            if (!stash_at_hand(project).letter_set(id))
                return fail(ErrorKind::BadInput,
                            "--title-letters: there are no letters '" + id + "' in the stash");
            title.sets.push_back(id);
        }
    }
    for (const auto& r :
         {take_length("--title-spacing", a.title_spacing, title_spacing_limits, title.spacing),
          take_length("--title-height", a.title_height, title_height_limits, title.height)})
        if (!r) return r;
    if (a.title_block || a.title_one_line) title.block = a.title_block;
    if (a.title_label == "no") {
        title.label = false;
    } else if (!a.title_label.empty()) {
        const auto r = take_length("--title-label", a.title_label, label_margin_limits, title.label_margin);
        if (!r) return r;
        title.label = true;
    }
    return edit_path(a, project, title.path);
}

Result<PageTitle*> asked_title(const DressArgs& a, Project& project) {
    auto& all = project.dress.titles;
    const auto count = static_cast<int>(all.size());
    if (count == 0) return fail(ErrorKind::NothingToDo, "there is no title on the page; --title adds one");
    if (a.title_number > count) return only_so_many("--title-number", all.size(), "title", "titles");
    return &all[static_cast<std::size_t>(a.title_number > 0 ? a.title_number - 1 : count - 1)];
}

} // namespace

std::string title_in_words(const TitleFacts& t, Units units) {
    std::string out = format_length(t.length, units) + " of " + format_length(t.room, units) + ", " +
                      format_length(t.height, units) + " high";
    if (t.overhang > 0.2) out += ", " + format_length(t.overhang, units) + " too long";
    for (const auto& [piece, count] : t.missing)
        out += ", " + piece + ": " + std::to_string(count) + " short";
    out += ", " + count_of(static_cast<std::size_t>(t.most_lines), "bar", "bars") +
           " below a letter, contrast " + std::to_string(std::lround(t.contrast));
    return out;
}

Result<void> edit_titles(const DressArgs& a, Project& project) {
    auto& titles = project.dress.titles;
    if (!a.title.empty()) {
        if (a.title.size() > longest_title || titles.size() >= most_titles)
            return fail(ErrorKind::TooLarge, "--title: there is too much of it");
        if (a.title_number == 0) {
            PageTitle fresh;
            fresh.path.centre = project.set_out.page.leaves().front().centre();
            if (!stash_at_hand(project).letters.empty())
                fresh.sets = {stash_at_hand(project).letters.front().id};
            titles.push_back(fresh);
        }
        const auto asked = asked_title(a, project);
        if (!asked) return tl::make_unexpected(asked.error());
        (*asked)->text = a.title;
    }
    if (!says_of_titles(a)) return {};
    const auto asked = asked_title(a, project);
    if (!asked) return tl::make_unexpected(asked.error());
    if (a.remove_title) {
        titles.erase(titles.begin() + (*asked - titles.data()));
        return {};
    }
    PageTitle changed = **asked;
    if (const auto r = edit_title(a, project, changed); !r) return r;
    **asked = changed;
    return {};
}

Result<void> edit_embellishments(const DressArgs& a, Project& project) {
    auto& all = project.dress.embellishments;
    for (const std::string& id : a.put) {
        if (!stash_at_hand(project).embellishment(id))
            return fail(ErrorKind::BadInput, "--put: there is no embellishment '" + id + "' in the stash");
        if (all.size() >= most_placed) return fail(ErrorKind::TooLarge, "--put: the page is full of them");
        all.push_back({id, project.set_out.page.leaves().front().centre(), 0});
    }
    if (a.move_to.empty() && !a.put_turn && !a.take_off) return {};
    const auto count = static_cast<int>(all.size());
    if (count == 0)
        return fail(ErrorKind::NothingToDo, "there is no embellishment on the page; --put adds one");
    if (a.embellishment > count)
        return only_so_many("--which", all.size(), "embellishment", "embellishments");
    const auto at = all.begin() + (a.embellishment > 0 ? a.embellishment - 1 : count - 1);
    if (a.take_off) {
        all.erase(at);
        return {};
    }
    if (!a.move_to.empty()) {
        const auto to = typed_point("--put-at", a.move_to, "give x,y from the top left of the page", 10000);
        if (!to) return tl::make_unexpected(to.error());
        at->centre = *to;
    }
    if (a.put_turn) at->turn_deg = std::remainder(*a.put_turn, 360.0);
    return {};
}

void say_titles(const Project& project, const Plan& plan) {
    for (std::size_t i = 0; i < plan.dress.titles.size(); ++i)
        std::cout << "title " << i + 1 << " (" << project.dress.titles[i].text
                  << "): " << title_in_words(plan.dress.titles[i], project.units) << "\n";
    std::vector<std::string> seen;
    for (const PlacedEmbellishment& e : project.dress.embellishments) {
        if (std::find(seen.begin(), seen.end(), e.id) != seen.end()) continue;
        seen.push_back(e.id);
        const auto used =
            std::count_if(project.dress.embellishments.begin(), project.dress.embellishments.end(),
                          [&](const PlacedEmbellishment& x) { return x.id == e.id; });
        const Embellishment* of = stash_at_hand(project).embellishment(e.id);
        std::cout << (of ? of->name : e.id) << ": " << used << " on the page, "
                  << (of ? of->count - used : -used) << " left\n";
    }
}

void add_title_options(CLI::App& c, DressArgs& a) {
    const auto text = [&](const char* name, std::string& to, const char* help, const char* group) {
        c.add_option(name, to, help)->group(group);
    };
    const char* const titles = "Title";
    text("--title", a.title, "Adds a title with these words, or changes the one of --title-number", titles);
    c.add_option("--title-number", a.title_number,
                 "Which one the options are for, from 1; the last without it")
        ->check(CLI::Range(1, static_cast<int>(most_titles)))
        ->group(titles);
    text("--title-letters", a.title_letters,
         "Its letters: a set of the stash, or one for each word: cork,stamp", titles);
    text("--title-on", a.title_on, "line, circle, opening or cut-edge", titles);
    text("--title-at", a.title_at, "Middle of its line, or of the circle: x,y", titles);
    text("--title-length", a.title_length, "How long its line, or its part of an edge, is", titles);
    add_number(c, "--title-turn", a.title_turn, "Turn of its line in degrees", turn_limits)->group(titles);
    text("--title-radius", a.title_radius, "Radius of its circle", titles);
    add_number(c, "--title-from", a.title_from, "Where on the circle it begins: 0 is to the right",
               turn_limits)
        ->group(titles);
    add_number(c, "--title-sweep", a.title_sweep, "How far round it goes; less than 0 against the clock",
               title_sweep_limits)
        ->group(titles);
    text("--title-opening", a.title_opening, "The opening along whose edge it stands", titles);
    c.add_option("--title-cut", a.title_cut, "The cut along whose outer edge it stands, from 1")
        ->check(CLI::Range(1, 1000))
        ->group(titles);
    add_number(c, "--title-start", a.title_start,
               "Where on that edge it begins, 0 to 1 clockwise from the top", share_limits)
        ->group(titles);
    text("--title-offset", a.title_offset, "How far outside of that edge; less than 0 inside", titles);
    text("--title-spacing", a.title_spacing, "Between letters, beyond what is usual for them", titles);
    text("--title-height", a.title_height, "Of letters that are cut", titles);
    text("--title-label", a.title_label, "A label under it with so much margin, or no", titles);
    c.add_flag("--title-block", a.title_block, "A line for each word")->group(titles);
    c.add_flag("--title-one-line", a.title_one_line, "All words on one line")->group(titles);
    c.add_flag("--remove-title", a.remove_title, "Takes it off the page")->group(titles);
    c.add_flag("--letter-sets", a.title_sets, "How it comes out in each set of the stash")->group(titles);
    const char* const things = "Embellishments";
    c.add_option("--put", a.put, "Puts an embellishment of the stash on the page")->group(things);
    c.add_option("--which", a.embellishment, "Which one the options are for, from 1; the last without it")
        ->check(CLI::Range(1, static_cast<int>(most_placed)))
        ->group(things);
    text("--put-at", a.move_to, "Its middle: x,y", things);
    add_number(c, "--put-turn", a.put_turn, "Its turn in degrees", turn_limits)->group(things);
    c.add_flag("--take-off", a.take_off, "Takes it off the page")->group(things);
    text("--what-fits", a.fits_at, "What of the stash fits the opening or free place at x,y", things);
    text("--where-fits", a.fits_where, "Where on the page this embellishment fits", things);
}

} // namespace zesty::cli
