// Whether a thing fits a place, against an exhaustive search.

#include "core/dress/fit.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/fitting.h"
#include "core/project/planner.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

using testing::between;

namespace {

constexpr double fit_grid = 0.25; ///< mm
constexpr double clear = fit_clearance;

/// A place as a bitmap of what is at least `clear` inside.
struct Bitmap {
    Box box;
    int across = 0, down = 0;
    std::vector<char> inside;
    explicit Bitmap(const Polygon& place) : box(bounds(place)) {
        across = static_cast<int>(box.width() / fit_grid) + 1;
        down = static_cast<int>(box.height() / fit_grid) + 1;
        const auto core = grow({place}, -clear, Corner::Round, 16);
        for (int y = 0; y < down; ++y)
            for (int x = 0; x < across; ++x) {
                bool in = false;
                if (core)
                    for (const Polygon& p : *core)
                        in = in || contains(p, {box.x0 + x * fit_grid, box.y0 + y * fit_grid});
                inside.push_back(in ? 1 : 0);
            }
    }
    bool at(int x, int y) const {
        return x >= 0 && y >= 0 && x < across && y < down && inside[static_cast<std::size_t>(y * across + x)];
    }
};

/// Every degree and every place of the grid, of the rim's points; true when one of them fits with a little to
/// spare, so that the grid cannot be blamed.
bool fits_anywhere(const Polygon& thing, const Bitmap& map) {
    std::vector<Point> rim;
    for (std::size_t i = 0; i < thing.outer.size(); ++i) {
        const Point a = thing.outer[i];
        const Point b = thing.outer[(i + 1) % thing.outer.size()];
        const int steps = std::max(1, static_cast<int>(distance(a, b) / 1.0));
        for (int k = 0; k < steps; ++k) rim.push_back(a + (b - a) * (static_cast<double>(k) / steps));
    }
    for (int deg = 0; deg < 360; ++deg) {
        const Transform turn = Transform::turned_deg(deg);
        std::vector<std::pair<int, int>> cells;
        for (const Point p : rim) {
            const Point q = turn(p);
            cells.emplace_back(static_cast<int>(std::lround(q.x / fit_grid)),
                               static_cast<int>(std::lround(q.y / fit_grid)));
        }
        for (int y = 0; y < map.down; y += 1)
            for (int x = 0; x < map.across; x += 1) {
                bool good = true;
                for (std::size_t i = 0; i < cells.size() && good; ++i)
                    good = map.at(x + cells[i].first, y + cells[i].second);
                if (good) return true;
            }
    }
    return false;
}

/// A small star, bow, blob or strip.
Polygon random_thing(std::mt19937& random) {
    switch (random() % 3) {
    case 0: {
        const double w = between(random, 6, 30), h = between(random, 4, 18);
        return {ring_of({-w / 2, -h / 2, w / 2, h / 2}), {}};
    }
    case 1: {
        const double r = between(random, 4, 14);
        Ring star;
        for (int i = 0; i < 10; ++i)
            star.push_back(Transform::turned_deg(36.0 * i)({i % 2 ? r * 0.45 : r, 0}));
        return {star, {}};
    }
    default:
        return {circle({}, between(random, 3, 12), 40), {}};
    }
}

} // namespace

TEST(Fit, NoFalseFitAndHardlyOneMissedAgainstExhaustiveSearch) {
    std::mt19937 random(8);
    const int pairs = testing::rounds(200);
    const auto openings = testing::random_openings(19, static_cast<std::size_t>(pairs), 120);
    int missed = 0;
    int fitting = 0;
    for (int i = 0; i < pairs; ++i) {
        const Polygon thing = random_thing(random);
        const Polygon& place = openings[static_cast<std::size_t>(i)];
        const ThingFit found = best_fit(thing, place);
        if (found.fits) {
            const Polygon there = transformed(thing, Transform::moved(found.centre.x, found.centre.y) *
                                                         Transform::turned_deg(found.turn_deg));
            const auto grown = grow({there}, clear - 0.01, Corner::Round, 16);
            const auto beyond = grown ? subtract(*grown, {place}) : grown;
            EXPECT_TRUE(beyond && area(*beyond) < 1e-2) << "pair " << i << " does not fit";
            ++fitting;
        } else if (area(thing) < area(place) && fits_anywhere(thing, Bitmap(place))) {
            ++missed;
            ++fitting;
        }
    }
    EXPECT_GT(fitting, pairs / 6);
    EXPECT_LE(missed, pairs / 50) << "of " << pairs;
}

TEST(Fit, SaysByHowMuchAThingIsTooLargeAndTurnsOnlyWhereItHasTo) {
    const Polygon place{ring_of({0, 0, 60, 20}), {}};
    const ThingFit level = best_fit({ring_of({-20, -5, 20, 5}), {}}, place);
    ASSERT_TRUE(level.fits);
    EXPECT_EQ(level.turn_deg, 0);
    EXPECT_NEAR(level.clearance, 5, 0.1);
    const ThingFit upright = best_fit({ring_of({-5, -20, 5, 20}), {}}, place);
    ASSERT_TRUE(upright.fits);
    EXPECT_NEAR(std::abs(std::remainder(upright.turn_deg, 180.0)), 90, 3);
    const ThingFit large = best_fit({ring_of({-9.5, -9.5, 9.5, 9.5}), {}}, place);
    EXPECT_FALSE(large.fits);
    EXPECT_NEAR(fit_clearance - large.clearance, fit_clearance - 0.5, 0.1);
}

TEST(Fit, BothQuestionsAboutAPage) {
    Project p = testing::page_with(3, 3, 3, testing::five_papers());
    Stash stash = *p.stash;
    for (const auto& [id, radius] : {std::pair("dot", 4.0), std::pair("plate", 200.0)}) {
        Embellishment e;
        e.id = e.name = id;
        e.outline = {circle({}, radius, 40), {}};
        e.count = 1;
        stash.embellishments.push_back(e);
    }
    p.stash = std::make_shared<const Stash>(stash);
    Plan plan = testing::shapes_of(p);
    const auto place = place_at(p, plan, plan.middle_of(0));
    ASSERT_TRUE(place);
    EXPECT_EQ(place->opening, 0);
    const auto things = what_fits(p, plan, *place);
    ASSERT_EQ(things.size(), 2u);
    EXPECT_EQ(things[0].id, "dot");
    EXPECT_TRUE(things[0].fit.fits);
    EXPECT_FALSE(things[1].fit.fits);
    const auto places = where_it_fits(p, plan, "dot");
    EXPECT_GT(std::count_if(places.begin(), places.end(), [](const FittingPlace& f) { return f.fit.fits; }),
              4);
    // Where it lies now nothing else has room, and it is used up.
    p.dress.embellishments = {{"dot", things[0].fit.centre, things[0].fit.turn_deg}};
    plan = testing::shapes_of(p);
    EXPECT_EQ(plan.dress.embellishments.at(0).opening, 0);
    EXPECT_FALSE(place_at(p, plan, things[0].fit.centre));
    EXPECT_EQ(what_fits(p, plan, *place).size(), 1u);
}

} // namespace zesty
