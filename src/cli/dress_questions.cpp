#include "cli/dress_questions.h"

#include "cli/typed.h"
#include "core/dress/title.h"
#include "core/project/findings.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "io/json_shapes.h"

#include <algorithm>
#include <cmath>
#include <iostream>

namespace zesty::cli {

using nlohmann::json;

namespace {

Result<void> try_letter_sets(const DressArgs& a, const Project& project, const Plan& plan, DressAnswers& to) {
    const auto count = static_cast<int>(project.dress.titles.size());
    if (count == 0) return fail(ErrorKind::NothingToDo, "there is no title on the page; --title adds one");
    const int number = a.title_number > 0 ? std::min(a.title_number, count) : count;
    const DressNow now = dress_now(project, plan);
    const auto pile = pile_of(now);
    to.letter_sets.emplace();
    for (const LetterSet& set : stash_at_hand(project).letters)
        to.letter_sets->emplace_back(set.id,
                                     title_as_read(now, pile, static_cast<std::size_t>(number) - 1, set.id));
    return {};
}

Result<void> look_what_fits(const DressArgs& a, const Project& project, const Plan& plan, DressAnswers& to) {
    const auto at = typed_point("--what-fits", a.fits_at, "give x,y from the top left of the page", 10000);
    if (!at) return tl::make_unexpected(at.error());
    to.place = place_at(project, plan, *at);
    if (!to.place) return fail(ErrorKind::NothingToDo, "--what-fits: something lies there already");
    to.fits_there = what_fits(project, plan, *to.place);
    return {};
}

std::string in_words(const FreePlace& place) {
    return place.opening >= 0 ? "opening " + std::to_string(place.opening + 1) : "free part of the base";
}

void say_fit(const ThingFit& fit, Units units) {
    if (fit.fits)
        std::cout << "fits, turned by " << std::lround(fit.turn_deg) << " deg, with "
                  << format_length(fit.clearance, units) << " around it\n";
    else
        std::cout << format_length(fit_clearance - fit.clearance, units) << " too large\n";
}

void say_arrangement(const VariantFigures& f, Units units) {
    std::cout << (f.name.empty() ? std::string("in hand") : f.name) << ": "
              << count_of(static_cast<std::size_t>(f.problems), "problem", "problems") << ", " << f.advice
              << " advice, " << count_of(static_cast<std::size_t>(f.sheets), "sheet", "sheets") << " ("
              << count_of(static_cast<std::size_t>(f.scraps), "scrap", "scraps") << "), "
              << format_area(f.paper_area, units) << " of paper, " << format_mm(f.highest) << " high";
    if (!f.missing.empty()) std::cout << ", missing: " << in_a_row(f.missing);
    std::cout << "\n";
}

json json_of(const ThingFit& fit) {
    return {{"fits", fit.fits},
            {"centre", {fit.centre.x, fit.centre.y}},
            {"turn_deg", fit.turn_deg},
            {"clearance_mm", fit.clearance}};
}

json json_of(const FreePlace& place) {
    return place.opening >= 0 ? json(place.opening + 1) : json(nullptr);
}

json json_of(const std::string& set, const TitleFacts& t) {
    json missing = json::array();
    for (const auto& [piece, count] : t.missing) missing.push_back({{"piece", piece}, {"short", count}});
    return {{"set", set},
            {"length_mm", t.length},
            {"room_mm", t.room},
            {"height_mm", t.height},
            {"overhang_mm", t.overhang},
            {"missing", missing},
            {"contrast", t.contrast}};
}

json json_of(const VariantFigures& f) {
    return {{"name", f.name},
            {"problems", f.problems},
            {"advice", f.advice},
            {"short", f.short_patches},
            {"sheets", f.sheets},
            {"scraps", f.scraps},
            {"paper_mm2", f.paper_area},
            {"highest_mm", f.highest},
            {"missing", f.missing}};
}

template <class All, class To> json each(const All& all, To to) {
    json out = json::array();
    for (const auto& one : all) out.push_back(to(one));
    return out;
}

} // namespace

Result<DressAnswers> dress_answers(const DressArgs& a, const Project& project, const Plan& plan,
                                   Planner& planner) {
    DressAnswers out;
    if (a.title_sets)
        if (auto r = try_letter_sets(a, project, plan, out); !r) return tl::make_unexpected(r.error());
    if (!a.fits_at.empty())
        if (auto r = look_what_fits(a, project, plan, out); !r) return tl::make_unexpected(r.error());
    if (!a.fits_where.empty()) {
        if (!stash_at_hand(project).embellishment(a.fits_where))
            return fail(ErrorKind::BadInput,
                        "--where-fits: there is no embellishment '" + a.fits_where + "' in the stash");
        out.fits_where = where_it_fits(project, plan, a.fits_where);
    }
    if (a.compare) {
        auto compared = compare_variants(project, planner);
        if (!compared) return tl::make_unexpected(compared.error());
        out.arrangements = std::move(*compared);
    }
    return out;
}

void say_answers(const DressAnswers& answers, const Project& project) {
    const Stash& stash = stash_at_hand(project);
    if (answers.letter_sets)
        for (const auto& [set, title] : *answers.letter_sets)
            std::cout << "in " << stash.letter_set(set)->name << ": " << title_in_words(title, project.units)
                      << "\n";
    for (const FittingThing& t : answers.fits_there) {
        std::cout << stash.embellishment(t.id)->name << " in " << in_words(*answers.place) << ": ";
        say_fit(t.fit, project.units);
    }
    if (answers.fits_where)
        for (const FittingPlace& p : *answers.fits_where) {
            std::cout << in_words(p.place) << ": ";
            say_fit(p.fit, project.units);
        }
    if (answers.arrangements)
        for (const VariantFigures& f : *answers.arrangements) say_arrangement(f, project.units);
}

void add_answers(const DressAnswers& answers, json& to) {
    if (answers.letter_sets)
        to["letter_sets"] =
            each(*answers.letter_sets, [](const auto& s) { return json_of(s.first, s.second); });
    if (answers.place)
        to["what_fits"] = {{"opening", json_of(*answers.place)},
                           {"things", each(answers.fits_there, [](const FittingThing& t) {
                                json one = json_of(t.fit);
                                one.update({{"id", t.id}, {"left", t.left}});
                                return one;
                            })}};
    if (answers.fits_where)
        to["where_fits"] = each(*answers.fits_where, [](const FittingPlace& p) {
            json one = json_of(p.fit);
            one["opening"] = json_of(p.place);
            return one;
        });
    if (answers.arrangements)
        to["arrangements"] = each(*answers.arrangements, [](const VariantFigures& f) { return json_of(f); });
}

} // namespace zesty::cli
