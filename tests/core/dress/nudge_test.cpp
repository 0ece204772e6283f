// The smallest moves that leave no slivers, tried one by one.

#include "core/dress/nudge.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::shapes_of;

namespace {

/// One opening of 60 mm, and a photo that leaves so much of its left edge.
Project with_sliver(double left) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    const Box opening = bounds(testing::opening_on_page(shapes_of(p), 0));
    Photo photo;
    photo.name = "Mia";
    photo.width = photo.height = 90;
    photo.centre = {opening.x0 + left + 45, opening.centre().y};
    p.set_out.photos = {photo};
    return p;
}

} // namespace

TEST(Nudging, FindsNothingToDoWhereNothingIsWrong) {
    const Project p = with_sliver(30);
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const Nudging nudging(now);
    EXPECT_EQ(nudging.faults(), 0u);
    EXPECT_TRUE(nudging.movers().empty());
}

TEST(Nudging, MovesThePhotoByLessThanTheSliverIsWide) {
    const Project p = with_sliver(2);
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const Nudging nudging(now);
    EXPECT_EQ(nudging.faults(), 1u);
    const auto movers = nudging.movers();
    ASSERT_EQ(movers.size(), 1u);
    EXPECT_EQ(movers[0].what, Lying::Photo);
    const auto move = nudging.smallest(movers[0], {});
    ASSERT_TRUE(move);
    EXPECT_LE(length(move->by), 2 + 2 * nudge_step);
    Project moved = p;
    moved.set_out.photos[0].centre = moved.set_out.photos[0].centre + move->by;
    const Plan after = shapes_of(moved);
    EXPECT_EQ(Nudging(dress_now(moved, after)).faults(), 0u);
    EXPECT_NE(label_of(*move, now).find("Mia"), std::string::npos);
}

TEST(Nudging, TakesTheNextOneWhereAMoveIsRefusedAndNoneBeyondItsLimits) {
    const Project p = with_sliver(2);
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const Nudging nudging(now);
    const DressMove mover = nudging.movers().at(0);
    const auto first = nudging.smallest(mover, {});
    ASSERT_TRUE(first);
    const auto second = nudging.smallest(mover, {}, [&](const DressMove& m) { return !(m == *first); });
    ASSERT_TRUE(second);
    EXPECT_FALSE(*second == *first);
    EXPECT_GE(length(second->by), length(first->by) - 1e-9) << "no smaller one was left out";
    NudgeLimits close;
    close.rings = 1;
    EXPECT_FALSE(nudging.smallest(mover, close)) << "1/32 in is not enough";
    EXPECT_FALSE(nudging.smallest(mover, {}, {}, [] { return true; })) << "told to stop";
}

TEST(Nudging, AProtectedPartThatIsCoveredIsAFaultToo) {
    Project p = with_sliver(30);
    Photo over = p.set_out.photos[0];
    over.name = "Tom";
    over.centre = p.set_out.photos[0].centre + Point{40, 0};
    p.set_out.photos[0].protected_parts = {{-2, -40, 2, 40}};
    p.set_out.photos.push_back(over);
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const Nudging nudging(now);
    EXPECT_GE(nudging.faults(), 1u);
    EXPECT_FALSE(nudging.movers().empty());
}

} // namespace zesty
