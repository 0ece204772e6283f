// The middle of bars, what holds them, and where glue has to stay away.

#include "core/dress/glue.h"
#include "core/geometry/measure.h"
#include "core/setout/photos.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

using testing::shapes_of;

namespace {

/// A ladder: rails of 4 mm, nine rungs of 1 mm, 100 mm high.
Drawing ladder() {
    std::vector<Ring> rings{testing::rectangle(0, 0, 60, 100)};
    for (int i = 0; i < 9; ++i) {
        const double y = 4 + i * (92.0 + 1) / 9;
        rings.push_back(testing::rectangle(4, y, 56, y + (92.0 + 1) / 9 - 1));
    }
    return testing::drawing_of(rings);
}

Project ladder_page() {
    Project p = testing::project_of(ladder());
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 60); // from 122.4, 102.4 to 182.4, 202.4
    return p;
}

double length_of(const GlueMap& map, GlueWhen when) {
    double out = 0;
    for (const GluePlace& place : map.places)
        if (place.when == when) out += place.length;
    return out;
}

double of(const std::vector<GlueUse>& uses, Adhesive what) {
    for (const GlueUse& use : uses)
        if (use.what == what) return use.length;
    return 0;
}

} // namespace

TEST(BarPlaces, SayHowLongAndHowWideBarsAre) {
    const Project p = ladder_page();
    const Plan plan = shapes_of(p);
    ASSERT_TRUE(plan.dress.bar_places);
    double narrow = 0;
    double wide = 0;
    for (const BarPlace& place : *plan.dress.bar_places) {
        if (std::abs(place.width - 1) < 0.01) narrow += place.length;
        if (std::abs(place.width - 4) < 0.01) wide += place.length;
    }
    EXPECT_NEAR(narrow, 8 * 52, 8) << "eight rungs between nine openings";
    // Two rails and two ends of 4 mm; where rungs meet them they are a little wider.
    EXPECT_NEAR(wide, 2 * 84 + 2 * 52, 25);
}

TEST(BarPlaces, GrowWithTheCut) {
    Project p = ladder_page();
    const double small = of(shapes_of(p).dress.glue.cuts.at(0).uses, Adhesive::FineGlue);
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 90);
    const double large = of(shapes_of(p).dress.glue.cuts.at(0).uses, Adhesive::FineGlue);
    // The rungs become 1.5 mm and want glue instead of adhesive sheet.
    EXPECT_GT(large, 1.5 * small);
}

TEST(Glue, GoesByTheWidthOfTheBarAndTheFinishOfThePaper) {
    const NarrowestBars bars;
    EXPECT_EQ(adhesive_for(1, Finish::Matt, bars), Adhesive::Sheet);
    EXPECT_EQ(adhesive_for(3, Finish::Matt, bars), Adhesive::FineGlue);
    EXPECT_EQ(adhesive_for(8, Finish::Matt, bars), Adhesive::Tape);
    EXPECT_EQ(adhesive_for(8, Finish::Textured, bars), Adhesive::FineGlue);
    EXPECT_EQ(adhesive_for(8, Finish::Translucent, bars), Adhesive::Sheet);
    EXPECT_EQ(adhesive_for(4, Finish::Slick, bars), Adhesive::Tape);
    const Plan plan = shapes_of(ladder_page());
    const GlueMap& map = plan.dress.glue.cuts.at(0);
    EXPECT_NEAR(of(map.uses, Adhesive::Sheet), 8 * 52, 10);
    EXPECT_EQ(length_of(map, GlueWhen::Never), 0);
    EXPECT_EQ(length_of(map, GlueWhen::After), 0);
}

TEST(Glue, StaysAwayFromWhatIsTuckedAndFromItsWayIn) {
    Project p = ladder_page();
    Photo photo;
    photo.name = "Mia";
    photo.width = 60;
    photo.height = 30;
    photo.centre = {190, 152.4}; // its left 22 mm behind the ladder
    photo.on_top = false;
    p.set_out.photos = {photo};
    const Plan plan = shapes_of(p);
    const GlueMap& map = plan.dress.glue.cuts.at(0);
    EXPECT_EQ(map.tucks, std::vector<std::string>{"Mia"});
    ASSERT_FALSE(map.never.empty());
    for (const GluePlace& place : map.places) {
        const Box tucked = bounds(outline_of(photo)).grown(3.0);
        if (tucked.contains(place.at)) {
            EXPECT_EQ(place.when, GlueWhen::Never) << place.at.x << " " << place.at.y;
        }
        if (!tucked.grown(40).contains(place.at)) {
            EXPECT_EQ(place.when, GlueWhen::Now);
        }
    }
    EXPECT_GT(length_of(map, GlueWhen::Never), 40);
    // It slides in from the right, so that everything but its own place can be glued before.
    EXPECT_EQ(length_of(map, GlueWhen::After), 0);
    // On top of the cut nothing is in its way.
    p.set_out.photos[0].on_top = true;
    EXPECT_EQ(length_of(shapes_of(p).dress.glue.cuts.at(0), GlueWhen::Never), 0);
}

TEST(Glue, WaitsWhereSomethingHasToSlideThrough) {
    // The photo lies behind the middle of a wide cut: on its way out it passes under the rim.
    std::vector<Ring> rings{testing::rectangle(0, 0, 200, 200), testing::rectangle(20, 20, 180, 180)};
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 200); // from 52.4 to 252.4
    Photo photo;
    photo.width = 60;
    photo.height = 40;
    photo.centre = {210, 152.4};
    photo.on_top = false;
    p.set_out.photos = {photo};
    const Plan plan = shapes_of(p);
    const GlueMap& map = plan.dress.glue.cuts.at(0);
    EXPECT_GT(length_of(map, GlueWhen::Never), 20) << "under it";
    EXPECT_GT(length_of(map, GlueWhen::After), 20) << "the rest of the rim on its way";
    for (const GluePlace& place : map.places)
        if (place.when == GlueWhen::After) {
            EXPECT_GT(place.at.x, 200) << "out to the right, the shortest";
        }
}

TEST(Glue, StaysOffWindowsAndFreeParts) {
    Project p = ladder_page();
    p.dress.free_parts.push_back({{124, 104}, 20});
    const Plan plan = shapes_of(p);
    for (const GluePlace& place : plan.dress.glue.cuts.at(0).places)
        EXPECT_EQ(place.when == GlueWhen::Never, distance(place.at, {124, 104}) < 20 * std::cos(M_PI / 32))
            << distance(place.at, {124, 104});
}

TEST(Glue, PiecesHeldAtOnePlaceAreNamed) {
    // A frame, and in its opening a loose piece of 30 mm and one of 4 mm.
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 120, 120), testing::rectangle(10, 10, 110, 110),
                             testing::rectangle(30, 30, 60, 60), testing::rectangle(80, 80, 84, 84)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 120);
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.glue.badly_held.size(), 1u);
    const BadlyHeld& b = plan.dress.glue.badly_held[0];
    EXPECT_NEAR(plan.sections.cut->pieces[static_cast<std::size_t>(b.piece)].area, 16, 0.1);
    EXPECT_LT(b.apart, 6.35);
    EXPECT_NE(testing::finding_in(plan, Code::PieceHeldOnce), nullptr);
}

TEST(Glue, WhatIsOnFoamNeedsNone) {
    Project p = ladder_page();
    Photo photo;
    photo.width = photo.height = 40;
    photo.centre = {50, 50};
    p.set_out.photos = {photo};
    EXPECT_NEAR(of(shapes_of(p).dress.glue.uses, Adhesive::Tape), 160, 0.1) << "round the photo";
    p.set_out.photos[0].held.how = Mount::Normal;
    EXPECT_EQ(of(shapes_of(p).dress.glue.uses, Adhesive::Tape), 0);
}

} // namespace zesty
