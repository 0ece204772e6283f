#include "core/project/fitting.h"

#include "core/dress/pile.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "core/project/stash_at_hand.h"
#include "core/sections/hidden.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double worth_a_look = 100; ///< mm2
constexpr std::size_t most_too_small = 3;
constexpr std::size_t most_colours = 24;

/// Of the base what nothing lies on.
Region free_of_page(const Project& project, const Plan& plan) {
    const DressNow now = dress_now(project, plan);
    return free_base(now, pile_of(now), plan.dress.titles);
}

/// What lies on an opening already.
Region on_opening(const Project& project, const Plan& plan, const Polygon& opening) {
    Region out;
    for (const LyingThing& thing : pile_of(dress_now(project, plan)))
        if (thing.what != Lying::Cut && thing.box.meets(bounds(opening)))
            out.insert(out.end(), thing.outline.begin(), thing.outline.end());
    return out;
}

bool is_uncovered(const Plan& plan, std::size_t opening) {
    const auto& all = plan.dress.coverage.openings;
    return std::none_of(all.begin(), all.end(), [&](const CoveredOpening& c) {
        return c.opening == static_cast<int>(opening) && c.hidden > 0.02;
    });
}

FreePlace opening_place(const Plan& plan, std::size_t o) {
    return {transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page),
            static_cast<int>(o)};
}

/// Colours that are seen on the page.
std::vector<Lab> colours_of_page(const Project& project, const Plan& plan) {
    std::vector<Lab> out;
    const Stash& stash = stash_at_hand(project);
    for (std::size_t p = 0; p < plan.papers.uses.size() && out.size() < most_colours; ++p)
        if (plan.papers.uses[p].sections > 0)
            for (const PaletteColour& c : palette_or_colour(stash.papers[p].face(Side::A)))
                out.push_back(to_lab(c.colour));
    for (const PhotoColours& photo : plan.set_out.photo_colours)
        for (const PaletteColour& c : photo.palette)
            if (out.size() < most_colours) out.push_back(to_lab(c.colour));
    return out;
}

} // namespace

std::optional<FreePlace> place_at(const Project& project, const Plan& plan, Point at) {
    if (const int o = plan.sections.cut ? plan.opening_at(at) : -1; o >= 0) {
        FreePlace place = opening_place(plan, static_cast<std::size_t>(o));
        const auto rest = subtract({place.outline}, on_opening(project, plan, place.outline));
        if (!rest) return std::nullopt;
        for (const Polygon& p : *rest)
            if (contains(p, at)) return FreePlace{p, o};
        return std::nullopt;
    }
    for (const Polygon& p : free_of_page(project, plan))
        if (contains(p, at)) return FreePlace{p, -1};
    return std::nullopt;
}

std::vector<FreePlace> free_places(const Project& project, const Plan& plan) {
    std::vector<FreePlace> out;
    if (plan.sections.cut)
        for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o)
            if (is_uncovered(plan, o)) out.push_back(opening_place(plan, o));
    for (const Polygon& p : free_of_page(project, plan))
        if (area(p) > worth_a_look) out.push_back({p, -1});
    return out;
}

std::vector<FittingThing> what_fits(const Project& project, const Plan& plan, const FreePlace& place,
                                    const StopToken& stop, const Progress& progress) {
    const Stash& stash = stash_at_hand(project);
    const std::vector<Lab> colours = colours_of_page(project, plan);
    std::vector<FittingThing> out;
    for (std::size_t i = 0; i < stash.embellishments.size() && !stopped(stop); ++i) {
        const Embellishment& e = stash.embellishments[i];
        if (progress)
            progress(static_cast<double>(i) / static_cast<double>(stash.embellishments.size()),
                     "trying embellishments");
        FittingThing one{e.id, {}, e.count, 0};
        for (const PlacedEmbellishment& placed : project.dress.embellishments)
            if (placed.id == e.id) --one.left;
        if (one.left <= 0) continue;
        one.fit = best_fit(e.outline, place.outline, fit_clearance, stop);
        one.colour = 100;
        for (const Lab& c : colours) one.colour = std::min(one.colour, difference(c, to_lab(e.colour)));
        out.push_back(std::move(one));
    }
    std::stable_sort(out.begin(), out.end(), [](const FittingThing& a, const FittingThing& b) {
        if (a.fit.fits != b.fit.fits) return a.fit.fits;
        return a.fit.fits ? a.colour < b.colour : a.fit.clearance > b.fit.clearance;
    });
    return out;
}

std::vector<FittingPlace> where_it_fits(const Project& project, const Plan& plan, const std::string& id,
                                        const StopToken& stop, const Progress& progress) {
    std::vector<FittingPlace> out;
    const Embellishment* thing = stash_at_hand(project).embellishment(id);
    if (!thing) return out;
    const auto places = free_places(project, plan);
    for (std::size_t i = 0; i < places.size() && !stopped(stop); ++i) {
        if (progress) progress(static_cast<double>(i) / static_cast<double>(places.size()), "trying places");
        out.push_back({places[i], best_fit(thing->outline, places[i].outline, fit_clearance, stop)});
    }
    std::stable_sort(out.begin(), out.end(), [](const FittingPlace& a, const FittingPlace& b) {
        if (a.fit.fits != b.fit.fits) return a.fit.fits;
        return a.fit.fits ? a.fit.clearance < b.fit.clearance : a.fit.clearance > b.fit.clearance;
    });
    const auto first_too_small =
        std::find_if(out.begin(), out.end(), [](const FittingPlace& p) { return !p.fit.fits; });
    if (out.end() - first_too_small > static_cast<std::ptrdiff_t>(most_too_small))
        out.erase(first_too_small + most_too_small, out.end());
    return out;
}

} // namespace zesty
