#include "core/dress/writing_place.h"

#include "core/dress/grounds.h"
#include "core/dress/writing.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double may_enter = 1;            ///< mm
constexpr double no_writing_area = 1;      ///< mm2
constexpr double ground_of_writing = 0.05; ///< share of the room that counts
constexpr double farthest_way = 100;       ///< mm
constexpr double step_away = 10;           ///< mm
constexpr int ways_round = 16;
constexpr Rgb dark_pen{0x26, 0x24, 0x2b};
constexpr Rgb white_pen{0xff, 0xff, 0xff};

bool lies_on(const Region& writing, const Polygon& thing) {
    if (!bounds(writing).meets(bounds(thing))) return false;
    const auto both = intersect(writing, {thing});
    return both && area(*both) > no_writing_area;
}

/// What can lie in a writing's room, by its outlines.
struct Obstacle {
    std::string name;
    Region outline;
};

std::vector<Obstacle> obstacles_of(const DressNow& now, const std::vector<LyingThing>& pile,
                                   const std::vector<TitleFacts>& titles, std::size_t own) {
    std::vector<Obstacle> out;
    for (std::size_t i = 0; i < now.page.photos.size(); ++i)
        out.push_back({name_of(now.page.photos[i], i), {matted_outline(now.page.photos[i])}});
    Obstacle cut{"the cut", {}};
    if (now.sections.cut)
        for (const Piece& p : now.sections.cut->pieces)
            cut.outline.push_back(transformed(p.outline, now.whole.to_page));
    out.push_back(std::move(cut));
    for (const LyingThing& thing : pile)
        if (thing.what == Lying::Embellishment) out.push_back({name_of(thing, now), thing.outline});
    for (const TitleFacts& title : titles) {
        Obstacle letters{"the title", {}};
        for (const TitleLetter& l : title.letters) letters.outline.push_back(l.box);
        out.push_back(std::move(letters));
    }
    for (std::size_t k = 0; k < own; ++k)
        if (const Polygon other = outline_of(on_page(now.decided.writings[k], now.page));
            !other.outer.empty())
            out.push_back({"other writing", {other}});
    return out;
}

bool lies_on(const Region& writing, const Obstacle& thing) {
    return std::any_of(thing.outline.begin(), thing.outline.end(),
                       [&](const Polygon& p) { return lies_on(writing, p); });
}

/// Its room without what anything may enter; empty for what is not on the front.
Region room_of(const Writing& on_page) {
    const Polygon outline = outline_of(on_page);
    if (outline.outer.empty()) return {};
    return grow({outline}, -may_enter).value_or(Region{});
}

double least_difference(Rgb pen, const std::vector<Ground>& grounds, double all) {
    double least = 100;
    for (const Ground& g : grounds)
        if (g.area >= ground_of_writing * all)
            least = std::min(least, std::abs(to_lab(pen).l - to_lab(g.colour).l));
    return least;
}

} // namespace

std::vector<std::string> entered_by(const DressNow& now, const std::vector<LyingThing>& pile,
                                    const std::vector<TitleFacts>& titles, std::size_t own) {
    std::vector<std::string> out;
    const Region room = room_of(on_page(now.decided.writings[own], now.page));
    if (room.empty()) return out;
    for (const Obstacle& thing : obstacles_of(now, pile, titles, own))
        if (lies_on(room, thing) && std::find(out.begin(), out.end(), thing.name) == out.end())
            out.push_back(thing.name);
    return out;
}

std::optional<Point> way_to_free_place(const DressNow& now, const std::vector<LyingThing>& pile,
                                       const std::vector<TitleFacts>& titles, std::size_t own) {
    const Writing& decided = now.decided.writings[own];
    const Writing here = on_page(decided, now.page);
    const Region room = room_of(here);
    const auto obstacles = obstacles_of(now, pile, titles, own);
    const Box page = now.page.page.whole();
    for (double far = step_away; far <= farthest_way; far += step_away)
        for (int i = 0; i < ways_round; ++i) {
            const double angle = 2 * M_PI * i / ways_round;
            const Point by{far * std::cos(angle), far * std::sin(angle)};
            Writing moved = decided;
            moved.centre = moved.centre + by;
            const Point shift = on_page(moved, now.page).centre - here.centre;
            const Region there = transformed(room, Transform::moved(shift.x, shift.y));
            const Box box = bounds(there);
            if (!page.contains({box.x0, box.y0}) || !page.contains({box.x1, box.y1})) continue;
            if (std::none_of(obstacles.begin(), obstacles.end(),
                             [&](const Obstacle& thing) { return lies_on(there, thing); }))
                return by;
        }
    return std::nullopt;
}

PenLook pen_look(const DressNow& now, const std::vector<LyingThing>& pile, const Writing& writing) {
    const Polygon outline = outline_of(writing);
    std::vector<Ground> grounds;
    if (!outline.outer.empty()) grounds = grounds_under(now, pile, pile.size(), {outline});
    // The back of the base is plain.
    if (grounds.empty()) grounds.push_back({bare_base, 1, false});
    double all = 0;
    for (const Ground& g : grounds) all += g.area;
    PenLook out{least_difference(writing.pen, grounds, all), dark_pen,
                least_difference(dark_pen, grounds, all)};
    if (const double white = least_difference(white_pen, grounds, all); white > out.better_contrast) {
        out.better = white_pen;
        out.better_contrast = white;
    }
    return out;
}

} // namespace zesty
