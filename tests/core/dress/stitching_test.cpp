// Stitching: even holes, thread, and what it keeps clear of.

#include "core/dress/stitching.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "core/setout/photos.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

using testing::between;
using testing::shapes_of;

namespace {

Project page_to_stitch() {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 80);
    p.dress.stitchings = {Stitching{}};
    return p;
}

} // namespace

TEST(Stitching, GoesRoundTheBaseWithHolesThatComeOutEven) {
    Project p = page_to_stitch();
    p.dress.stitchings[0].inset = 10;
    const StitchingFacts f = shapes_of(p).dress.stitchings.at(0);
    const double side = p.set_out.page.width - 20;
    ASSERT_EQ(f.runs.size(), 4u);
    EXPECT_NEAR(f.length, 4 * side, 1e-6);
    for (const StitchRun& r : f.runs) {
        EXPECT_NEAR(r.spacing * (r.holes - 1), side, 1e-6);
        EXPECT_NEAR(r.spacing, 5, 0.1);
    }
    EXPECT_TRUE(f.kept_clear_of.empty());
    EXPECT_GT(f.thread, f.length);
    p.dress.stitchings[0].left = p.dress.stitchings[0].right = false;
    p.dress.stitchings[0].stitch = Stitch::Back;
    const StitchingFacts two = shapes_of(p).dress.stitchings.at(0);
    EXPECT_EQ(two.runs.size(), 2u);
    EXPECT_GT(two.thread / two.length, 2);
}

TEST(Stitching, KeepsClearOfWhatLiesThereOnRandomPages) {
    std::mt19937 random(6);
    for (int round = 0; round < testing::rounds(60); ++round) {
        Project p = page_to_stitch();
        Stitching& s = p.dress.stitchings[0];
        s.inset = between(random, 4, 30);
        s.spacing = between(random, 3, 10);
        s.clearance = between(random, 0, 6);
        for (int i = 0; i < 3; ++i) {
            Photo photo;
            photo.width = between(random, 30, 120);
            photo.height = between(random, 30, 120);
            photo.centre = {between(random, 0, 300), between(random, 0, 300)};
            photo.turn_deg = between(random, -20, 20);
            p.set_out.photos.push_back(photo);
        }
        const Plan plan = shapes_of(p);
        const StitchingFacts& f = plan.dress.stitchings.at(0);
        EXPECT_LE(f.length, f.wanted + 1e-6);
        int holes = 0;
        for (const StitchRun& r : f.runs) {
            holes += r.holes;
            EXPECT_GE(r.holes, 3);
            for (int h = 0; h < r.holes; ++h) {
                const Point at = r.from + (r.to - r.from) * (static_cast<double>(h) / (r.holes - 1));
                for (const Photo& photo : p.set_out.photos) {
                    const Ring rim = outline_of(photo).outer;
                    EXPECT_FALSE(contains(rim, at));
                    for (std::size_t i = 0; i < rim.size(); ++i)
                        EXPECT_GT(distance_to_segment(at, rim[i], rim[(i + 1) % rim.size()]),
                                  s.clearance - 0.1);
                }
            }
        }
        EXPECT_EQ(holes, f.holes);
    }
}

TEST(Stitching, SaysWhenMuchOfItIsLeftOut) {
    Project p = page_to_stitch();
    Photo photo;
    photo.width = photo.height = 250;
    photo.name = "Mia";
    photo.centre = {150, 120};
    p.set_out.photos = {photo};
    p.dress.stitchings[0].left = p.dress.stitchings[0].right = p.dress.stitchings[0].bottom = false;
    const Plan plan = shapes_of(p);
    const Finding* f = testing::finding_in(plan, Code::StitchingBroken);
    ASSERT_TRUE(f);
    EXPECT_NE(f->message.find("Mia"), std::string::npos) << f->message;
}

} // namespace zesty
