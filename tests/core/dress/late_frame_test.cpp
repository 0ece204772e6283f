// A frame that comes last: its marks, what it hides and what it is cut from.

#include "core/dress/late_framing.h"
#include "core/geometry/measure.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::finding_in;
using testing::shapes_of;

namespace {

Project late_framed(std::array<double, 4> corners, LateFraming how = LateFraming::Trimmed) {
    Project p = testing::project_of(testing::drawing_of({testing::rectangle(0, 0, 150, 150)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 150);
    p.dress.frame.how = how;
    p.dress.frame.corners = corners;
    return p;
}

Photo photo_at(double x, double y) {
    Photo out;
    out.name = "Mia";
    out.width = out.height = 60;
    out.centre = {x, y};
    return out;
}

} // namespace

TEST(LateFrame, MarksLieWhereTheInnerEdgesMeetTheEdgesOfThePage) {
    std::mt19937 random(14);
    for (int round = 0; round < 40; ++round) {
        std::array<double, 4> c{};
        for (double& corner : c) corner = testing::between(random, 2, 40);
        const Plan plan = shapes_of(late_framed(c));
        ASSERT_TRUE(plan.dress.frame);
        const auto& marks = plan.dress.frame->marks;
        ASSERT_EQ(marks.size(), 8u);
        const double side = 304.8;
        // The upper inner edge, from (c0, c0) to (side - c1, c1), prolonged to x = 0 where it is still on the
        // page.
        const double slope = (c[1] - c[0]) / (side - c[1] - c[0]);
        const double at_left = c[0] - slope * c[0];
        if (at_left >= 0) {
            EXPECT_NEAR(marks[0].x, 0, 0.2);
            EXPECT_NEAR(marks[0].y, at_left, 0.2);
        }
        for (const Point m : marks) {
            const bool on_edge = m.x < 0.01 || m.y < 0.01 || m.x > side - 0.01 || m.y > side - 0.01;
            EXPECT_TRUE(on_edge) << m.x << " " << m.y;
        }
    }
}

TEST(LateFrame, SaysWhatItCutsOffAndTheWidestThatDoesNot) {
    Project p = late_framed({20, 20, 20, 20});
    p.set_out.photos = {photo_at(42, 150)}; // 12 mm from the left edge
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.frame->hides.size(), 1u);
    const FramedThing& mia = plan.dress.frame->hides[0];
    EXPECT_TRUE(mia.photo);
    EXPECT_NEAR(mia.depth, 8, 1e-6);
    EXPECT_NEAR(mia.share, 8.0 / 60, 1e-6);
    const Finding* hides = finding_in(plan, Code::FrameHides);
    ASSERT_NE(hides, nullptr);
    EXPECT_EQ(hides->title, "The frame cuts off 5/16 in of Mia");
    Project cured = p;
    hides->fixes.front().apply(cured);
    const Plan after = shapes_of(cured);
    EXPECT_TRUE(after.dress.frame->hides.empty());
    EXPECT_GT(cured.dress.frame.corners[0], 12 - 1.6) << "a sixteenth more would touch it";
}

TEST(LateFrame, AFaceUnderItIsAProblem) {
    Project p = late_framed({20, 20, 20, 20}, LateFraming::Over);
    p.set_out.photos = {photo_at(42, 150)};
    p.set_out.photos[0].protected_parts = {{-10, -10, 10, 10}};
    EXPECT_EQ(finding_in(shapes_of(p), Code::FrameHidesFace), nullptr);
    p.set_out.photos[0].protected_parts = {{-29, -10, -15, 10}};
    EXPECT_NE(finding_in(shapes_of(p), Code::FrameHidesFace), nullptr);
}

TEST(LateFrame, BarsAndWetWorkCountToo) {
    Project p = late_framed({90, 90, 90, 90});
    WetZone wet;
    wet.name = "Sky";
    wet.centre = {90, 150};
    wet.width = 40;
    p.dress.wet = {wet};
    const Plan plan = shapes_of(p);
    EXPECT_GT(plan.dress.frame->bars, 100) << "12.6 mm of the cut all round";
    bool sky = false;
    for (const FramedThing& thing : plan.dress.frame->hides) sky |= thing.name == "Sky";
    EXPECT_TRUE(sky);
}

TEST(LateFrame, IsCutFromTheStashWholeOrInStripsOfTwoPapers) {
    Project p = late_framed({10, 10, 10, 10});
    Stash stash;
    stash.papers.push_back(testing::stock_paper("chalk", {240, 240, 235}, 304.8, 1));
    stash.papers.push_back(testing::stock_paper("hedge", {60, 110, 70}, 304.8, 1));
    p.stash = std::make_shared<const Stash>(stash);
    p.dress.frame.paper = "chalk";
    Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.pieces.size(), 1u);
    EXPECT_TRUE(plan.dress.pieces[0].placed);
    ASSERT_EQ(plan.dress.pieces[0].outline.holes.size(), 1u);
    EXPECT_NEAR(bounds(plan.dress.pieces[0].outline.holes[0]).width(), 304.8 - 2 * (10 + 12.7), 1e-6);
    p.dress.frame.side_paper = "hedge";
    p.dress.frame.how = LateFraming::Over;
    plan = shapes_of(p);
    ASSERT_EQ(plan.dress.pieces.size(), 4u);
    for (const DressPiece& piece : plan.dress.pieces) EXPECT_TRUE(piece.placed) << piece.what;
    EXPECT_NEAR(bounds(plan.dress.pieces[0].outline).height(), 10, 1e-6);
    EXPECT_NEAR(bounds(plan.dress.pieces[2].outline).height(), 304.8 - 20, 1e-6);
    EXPECT_EQ(plan.dress.pieces[2].paper, "hedge");
}

TEST(LateFrame, ThatLeavesNoPageLeavesNothingInside) {
    EXPECT_TRUE(inside_frame({0, 0, 100, 100}, {LateFraming::Trimmed, {45, 45, 45, 45}}).empty());
    EXPECT_EQ(inside_frame({0, 0, 100, 100}, {LateFraming::Trimmed, {10, 10, 10, 10}}).size(), 4u);
    const Plan plan = shapes_of(late_framed({150, 150, 150, 150}));
    EXPECT_TRUE(plan.dress.frame->inner.at(0).empty());
}

} // namespace zesty
