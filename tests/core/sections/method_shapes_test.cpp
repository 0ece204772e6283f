// Each way of backing for itself, and what treatments need besides paper.

#include "core/cutfile/cut_file.h"
#include "core/geometry/measure.h"
#include "core/sections/effort.h"
#include "core/sections/enlarged.h"
#include "core/sections/extras.h"
#include "core/sections/method_shapes.h"
#include "core/setout/photo_fit.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

TEST(AroundShapes, TheSmallestCircleAndRectangleHoldEveryPointAndTouchSome) {
    for (const Polygon& p : testing::random_openings(1, 40, 60)) {
        const auto circle = smallest_circle_around(p.outer);
        ASSERT_TRUE(circle);
        double most = 0;
        for (Point q : p.outer) most = std::max(most, distance(q, circle->centre));
        EXPECT_NEAR(most, circle->radius, 1e-6 * circle->radius);
        const Ring rectangle = smallest_rectangle_around(p.outer);
        ASSERT_EQ(rectangle.size(), 4u);
        EXPECT_LT(area(*subtract({p}, *grow({{rectangle, {}}}, 1e-6, Corner::Sharp))), 1e-3);
        const Box box = bounds(p);
        EXPECT_LE(area(Polygon{rectangle, {}}), box.width() * box.height() * (1 + 1e-9));
        EXPECT_LE(M_PI * circle->radius * circle->radius,
                  M_PI_4 * box.diagonal() * box.diagonal() * (1 + 1e-9));
    }
    EXPECT_FALSE(smallest_circle_around({}));
    EXPECT_TRUE(smallest_rectangle_around({}).empty());
}

TEST(InlayShape, KeepsTheClearanceEverywhereAndNothingNarrow) {
    for (const Polygon& p : testing::random_openings(2, 40, 60)) {
        const auto inlay = inlay_shape(p, 0.3);
        if (!inlay) {
            const auto circle = largest_circle(p, 0.02);
            EXPECT_LT(circle->radius, 0.3 + least_inlay / 2 + 0.1) << "only narrow ones are left out";
            continue;
        }
        EXPECT_LT(area(*subtract({*inlay}, {p})), 1e-6);
        EXPECT_GE(gap(p.outer, inlay->outer).distance, 0.3 - 0.03);
        // Opened with a disc of nearly the least width it stays as it is.
        const auto core = grow({*inlay}, -(least_inlay / 2 - 0.1));
        const auto again = grow(*core, least_inlay / 2 - 0.1);
        EXPECT_LT(area(*subtract({*inlay}, *again)), 0.02 * area(*inlay) + 0.2);
    }
    EXPECT_FALSE(inlay_shape({testing::rectangle(0, 0, 2.9, 40), {}}, 0.2));
    EXPECT_TRUE(inlay_shape({testing::rectangle(0, 0, 3.6, 40), {}}, 0.2));
}

TEST(RoughRectangle, HoldsThePatchWithAQuarterInchAllRound) {
    for (const Polygon& p : testing::random_openings(3, 30, 60)) {
        const Polygon rough = rough_rectangle(p);
        EXPECT_LT(area(*subtract({p}, {rough})), 1e-6);
        EXPECT_NEAR(gap(p.outer, rough.outer).distance, mm_per_inch / 4, 0.01);
        EXPECT_EQ(rough.outer.size(), 4u);
    }
}

TEST(Punches, BehindIsTheSmallestThatCoversAndOnTopTheLargestThatLiesInside) {
    const std::vector<double> punches{10, 15, 20, 25, 30, 40};
    for (const Polygon& p : testing::random_openings(4, 60, 60)) {
        const auto room = grow({p}, 9);
        const auto around = smallest_circle_around(p.outer);
        if (const auto behind = punch_behind(p, room->front(), punches)) {
            EXPECT_LT(area(*subtract({p}, {behind->outline})), 1e-3);
            EXPECT_GE(behind->lip, least_lip - 0.05);
            for (double smaller : punches)
                EXPECT_TRUE(smaller >= behind->diameter || smaller / 2 < around->radius + least_lip);
        }
        const auto inside = largest_circle(p, 0.05);
        const auto top = punch_on_top(p, punches);
        EXPECT_EQ(top.has_value(), inside->radius >= 5.5);
        if (!top) continue;
        EXPECT_LT(area(*subtract({top->outline}, {p})), 0.05);
        EXPECT_GE(top->border, 0.5 - 1e-9);
        for (double larger : punches)
            EXPECT_TRUE(larger <= top->diameter || larger / 2 + 0.5 > inside->radius);
    }
    EXPECT_FALSE(punch_behind(testing::random_openings(4, 1, 60)[0], {}, {}));
}

TEST(Enlargeable, EveryFactorInItsRangeGivesALipAndStaysInItsRoom) {
    int found = 0;
    for (const Polygon& p : testing::random_openings(5, 40, 60)) {
        const auto room = grow({p}, 6, Corner::Sharp);
        const Enlargeable how(p, room->front());
        if (!how.possible()) continue;
        const auto [least, most] = how.range();
        EXPECT_LE(least, most);
        for (const double share : {0.1, 0.5, 0.9}) {
            const auto made = how.copy(least + share * (most - least));
            if (!made) continue;
            ++found;
            const Polygon& copy = *made;
            EXPECT_LT(area(*subtract({p}, {copy})), 1e-6);
            EXPECT_GE(gap(p.outer, copy.outer).distance, least_lip - 0.02);
            EXPECT_LT(area(*subtract({copy}, *room)), 0.25);
        }
    }
    EXPECT_GT(found, 10);
}

TEST(Enlargeable, TheFirstFactorSuitsAsManyAsAnyFactorDoes) {
    std::mt19937 random(9);
    for (int round = 0; round < testing::rounds(50); ++round) {
        std::vector<FactorRange> ranges;
        for (int i = 0; i < 12; ++i) {
            const double least = 1.02 + 0.002 * static_cast<double>(random() % 150);
            ranges.push_back({least, least + 0.001 * static_cast<double>(random() % 200)});
        }
        const auto suits = [&](double f) {
            return std::count_if(ranges.begin(), ranges.end(),
                                 [&](const FactorRange& r) { return r.holds(f); });
        };
        long most = 0;
        for (double f = 1; f < 1.6; f += 0.0005) most = std::max(most, suits(f));
        const auto found = enlargements(ranges);
        ASSERT_FALSE(found.empty());
        EXPECT_LE(found.size(), most_copies);
        EXPECT_GE(suits(found.front()), most);
    }
    EXPECT_TRUE(enlargements({}).empty());
}

TEST(Enlargeable, ALongStripHasNoneAndSaysWhyAndASquareBetweenUnequalBarsIsMoved) {
    const auto box = [](double x0, double y0, double x1, double y1) {
        return Polygon{ring_of(Box{x0, y0, x1, y1}), {}};
    };
    const Polygon strip = box(0, 0, 60, 6);
    const Polygon strip_room = box(-2, -2, 62, 8);
    EXPECT_EQ(Enlargeable(strip, strip_room).why(), NotEnlarged::TooLong);
    const Polygon thin_room = box(-0.5, -2, 62, 8);
    EXPECT_EQ(Enlargeable(strip, thin_room).why(), NotEnlarged::NarrowBars);
    // Bars of 1 mm at the left and 4 mm at the right: enlarged about its middle no factor would do.
    const Polygon square = box(0, 0, 20, 20);
    const Polygon uneven = box(-1, -1, 24, 24);
    const Enlargeable how(square, uneven);
    ASSERT_TRUE(how.possible());
    EXPECT_GT(how.range().most, 1.2);
    const auto copy = how.copy(how.range().most - 0.005);
    ASSERT_TRUE(copy);
    EXPECT_GT(bounds(*copy).centre().x, 10.5);
}

TEST(SectionPhoto, CoversItsOpeningHoweverItMustBeTurned) {
    for (const Polygon& p : testing::random_openings(6, 40, 60)) {
        const SectionPhoto print = photo_size_for(p, 2);
        const Ring rectangle = testing::rectangle(-print.size.width / 2, -print.size.height / 2,
                                                  print.size.width / 2, print.size.height / 2);
        const Polygon on_page{transformed(rectangle, Transform::moved(print.centre.x, print.centre.y) *
                                                         Transform::turned_deg(print.turn_deg)),
                              {}};
        EXPECT_LT(area(*subtract(*grow({p}, 1.98), {on_page})), 0.05);
    }
    // Larger than every usual print: the size to trim to is said.
    const SectionPhoto poster = photo_size_for({testing::rectangle(0, 0, 400, 300), {}}, 3);
    EXPECT_FALSE(poster.usual);
    EXPECT_NEAR(poster.size.width, 406, 1e-6);
}

TEST(WritingRoom, LinesStayInsideTheOpening) {
    EXPECT_EQ(writing_room({testing::rectangle(0, 0, 60, 6), {}}).lines, 0);
    const WritingRoom square = writing_room({testing::rectangle(0, 0, 60, 39), {}});
    EXPECT_EQ(square.lines, 5);
    EXPECT_NEAR(square.length, 5 * 56, 1e-6);
    // A hole in the middle leaves the longer side of it.
    const WritingRoom around =
        writing_room({testing::rectangle(0, 0, 100, 11.5), {testing::rectangle(30, 2, 40, 10)}});
    EXPECT_EQ(around.lines, 1);
    EXPECT_NEAR(around.length, 56, 1e-6);
    const WritingRoom disc = writing_room({testing::polygon({0, 0}, 30, 90), {}});
    EXPECT_GT(disc.lines, 5);
    EXPECT_LT(disc.length, disc.lines * 60.0);
}

TEST(Effort, HandsTakeLongerThanTheMachineAndLargePatchesLongerThanSmall) {
    Patch small;
    small.outline = {testing::rectangle(0, 0, 20, 20), {}};
    Patch large;
    large.outline = {testing::rectangle(0, 0, 90, 70), {}};
    for (const BackingMethod s :
         {BackingMethod::MachinePatches, BackingMethod::TraceAndTrim, BackingMethod::GlueAndTrim}) {
        small.method = large.method = s;
        EXPECT_GT(backing_minutes(large, {}), backing_minutes(small, {}));
    }
    const auto minutes = [&](BackingMethod s) {
        large.method = s;
        return backing_minutes(large, {});
    };
    EXPECT_GT(minutes(BackingMethod::TraceAndTrim), minutes(BackingMethod::GlueAndTrim));
    EXPECT_GT(minutes(BackingMethod::GlueAndTrim), minutes(BackingMethod::MachinePatches));
    large.method = BackingMethod::Punches;
    large.fell_back = true;
    EXPECT_EQ(backing_minutes(large, {}), minutes(BackingMethod::MachinePatches))
        << "what falls back is a machine patch";
    EXPECT_GT(cutting_minutes(2000, 30, {}), cutting_minutes(2000, 3, {}));
}

} // namespace zesty
