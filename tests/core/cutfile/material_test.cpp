#include "core/cutfile/material.h"
#include "core/cutfile/outline.h"
#include "core/cutfile/twins.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::drawing_of;
using testing::polygon;
using testing::rectangle;

namespace {

Contour open_line(std::vector<Point> points) {
    return {std::move(points), false};
}

bool mentions(const std::vector<std::string>& warnings, const char* part) {
    return std::any_of(warnings.begin(), warnings.end(),
                       [&](const std::string& w) { return w.find(part) != std::string::npos; });
}

} // namespace

TEST(Material, IsTheUnionOfEverythingFilled) {
    Drawing d = drawing_of({rectangle(0, 0, 20, 20), rectangle(5, 5, 15, 15)});
    Shape patch;
    patch.filled = true;
    patch.contours.push_back({rectangle(8, 0, 12, 20), true});
    d.shapes.push_back(patch);
    const auto m = material_of(d);
    ASSERT_TRUE(m);
    EXPECT_NEAR(area(m->region), 400 - 100 + 40, 1e-9);
    EXPECT_EQ(m->region.size(), 1u);
    EXPECT_EQ(m->region[0].holes.size(), 2u);
}

TEST(Material, PiecesThatTouchInAPointAreJoinedWithAWarning) {
    const auto m = material_of(drawing_of({rectangle(0, 0, 50, 50), rectangle(50, 50, 100, 100)}));
    ASSERT_TRUE(m);
    EXPECT_EQ(m->region.size(), 1u);
    EXPECT_NEAR(area(m->region), 5000, 1);
    EXPECT_TRUE(mentions(m->warnings, "come apart"));
    const auto apart = material_of(drawing_of({rectangle(0, 0, 49, 49), rectangle(50, 50, 100, 100)}));
    ASSERT_TRUE(apart);
    EXPECT_EQ(apart->region.size(), 2u);
}

TEST(Material, ClosingHairlinesKeepsSharpCorners) {
    const auto m = material_of(drawing_of({rectangle(0, 0, 50, 100), rectangle(50.005, 0, 100, 100)}));
    ASSERT_TRUE(m);
    ASSERT_EQ(m->region.size(), 1u);
    EXPECT_NEAR(area(m->region), 10000, 0.5);
    const Box b = bounds(m->region);
    EXPECT_NEAR(b.width(), 100, 1e-6);
    EXPECT_NEAR(b.height(), 100, 1e-6);
}

TEST(Material, SliversAreDropped) {
    const auto m = material_of(drawing_of({rectangle(0, 0, 100, 100), rectangle(120, 0, 120.004, 100)}));
    ASSERT_TRUE(m);
    EXPECT_EQ(m->region.size(), 1u);
    EXPECT_TRUE(mentions(m->warnings, "sliver"));
}

TEST(Material, ABarThinnerThanAHairIsCutThrough) {
    // The opening all but touches the edge: nothing would hold there.
    const auto cut = read_cut(drawing_of({rectangle(0, 0, 100, 100), rectangle(0.001, 40, 60, 60)}));
    ASSERT_TRUE(cut);
    EXPECT_TRUE(cut->openings.empty());
    EXPECT_TRUE(mentions(cut->warnings, "cut through"));
}

TEST(Material, ACornerThatTouchesTheEdgeInAPointLeavesTheOpeningClosed) {
    const Ring arrow{{0, 50}, {30, 30}, {60, 30}, {60, 70}, {30, 70}};
    const auto cut = read_cut(drawing_of({rectangle(0, 0, 100, 100), arrow}));
    ASSERT_TRUE(cut);
    EXPECT_EQ(cut->openings.size(), 1u);
    EXPECT_NEAR(cut->narrowest_bar(), 0, 1e-9);
    // Two circles that touch from inside stay thinner than a hair for a while.
    const auto moon = read_cut(drawing_of({polygon({50, 50}, 50, 400), polygon({30, 50}, 30, 400)}));
    ASSERT_TRUE(moon);
    EXPECT_TRUE(moon->openings.empty());
}

TEST(Outline, JoinsLinesWhateverTheirOrderAndDirection) {
    std::mt19937 random(40);
    for (int round = 0; round < testing::rounds(20); ++round) {
        // A circle drawn as loose arcs.
        const Ring circle = polygon({10, 10}, 8, 24);
        std::vector<Contour> lines;
        for (int k = 0; k < 24; k += 4) {
            std::vector<Point> arc;
            for (int i = k; i <= k + 4; ++i) arc.push_back(circle[i % 24]);
            if (random() % 2) std::reverse(arc.begin(), arc.end());
            lines.push_back(open_line(std::move(arc)));
        }
        std::shuffle(lines.begin(), lines.end(), random);
        const Outline o = outline_of(lines, 16);
        ASSERT_EQ(o.rings.size(), 1u);
        EXPECT_NEAR(std::abs(signed_area(o.rings[0])), std::abs(signed_area(circle)), 1e-9);
        EXPECT_TRUE(o.warnings.empty());
    }
}

TEST(Outline, ClosesSmallGapsAndLeavesWideOpenLinesOut) {
    const auto arc = [](double share) {
        std::vector<Point> points;
        for (int k = 0; k <= 100; ++k)
            points.push_back(
                {10 * std::cos(2 * M_PI * share * k / 100), 10 * std::sin(2 * M_PI * share * k / 100)});
        return open_line(std::move(points));
    };
    const Outline nearly = outline_of({arc(0.99)}, 20);
    EXPECT_EQ(nearly.rings.size(), 1u);
    EXPECT_TRUE(mentions(nearly.warnings, "has been closed"));
    const Outline wide = outline_of({arc(0.8)}, 20);
    EXPECT_TRUE(wide.rings.empty());
    EXPECT_TRUE(mentions(wide.warnings, "left out"));
}

TEST(Outline, DoublesInEveryDisguiseCountOnce) {
    const Ring shape{{0, 0}, {30, 0}, {30, 20}, {10, 25}, {0, 20}};
    Ring reversed(shape.rbegin(), shape.rend());
    Ring rotated = shape;
    std::rotate(rotated.begin(), rotated.begin() + 3, rotated.end());
    Ring finer;
    for (std::size_t i = 0; i < shape.size(); ++i) {
        finer.push_back(shape[i]);
        finer.push_back((shape[i] + shape[(i + 1) % shape.size()]) * 0.5);
    }
    const Outline o = outline_of({{shape, true}, {reversed, true}, {rotated, true}, {finer, true}}, 30);
    EXPECT_EQ(o.rings.size(), 1u);
    EXPECT_TRUE(mentions(o.warnings, "3 contours lie"));
    const Ring moved = transformed(shape, Transform::moved(0.2, 0));
    EXPECT_EQ(outline_of({{shape, true}, {moved, true}}, 30).rings.size(), 2u);
}

TEST(Twins, AreFoundAmongManyAndOnlyWhereTheyAre) {
    std::mt19937 random(50);
    std::uniform_real_distribution<double> unit(0.4, 1);
    std::vector<Ring> shapes;
    for (int k = 0; k < 4; ++k) {
        Ring r;
        for (int i = 0; i < 9; ++i) {
            const double s = 10 * unit(random);
            r.push_back({s * std::cos(2 * M_PI * i / 9), s * std::sin(2 * M_PI * i / 9)});
        }
        shapes.push_back(r);
    }
    std::vector<Ring> rings;
    std::vector<int> kind;
    for (int i = 0; i < 24; ++i) {
        const int k = static_cast<int>(random() % 4);
        Transform t = Transform::moved(30.0 * i, 5) * Transform::turned_deg(360 * unit(random));
        if (random() % 2) t = t * Transform::mirrored_x();
        Ring r = transformed(shapes[k], t);
        std::rotate(r.begin(), r.begin() + static_cast<long>(random() % 9), r.end());
        rings.push_back(std::move(r));
        kind.push_back(k);
    }
    std::size_t members = 0;
    for (const auto& group : congruent_groups(rings)) {
        for (int i : group) EXPECT_EQ(kind[i], kind[group[0]]);
        EXPECT_EQ(group.size(),
                  static_cast<std::size_t>(std::count(kind.begin(), kind.end(), kind[group[0]])));
        members += group.size();
    }
    EXPECT_GE(members, 20u);
}

TEST(Twins, ScaledShapesAreNone) {
    EXPECT_TRUE(congruent_groups({polygon({0, 0}, 10, 6), polygon({50, 0}, 10.5, 6), polygon({99, 0}, 10, 5)})
                    .empty());
    EXPECT_TRUE(congruent_groups({}).empty());
}

} // namespace zesty
