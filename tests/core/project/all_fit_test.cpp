// Whether everything fits on the page, and several photos into several openings.

#include "core/geometry/measure.h"
#include "core/project/all_fit.h"
#include "core/project/edits.h"
#include "core/project/photos_into_openings.h"
#include "core/setout/photo_fit.h"
#include "core/setout/photos.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <set>

namespace zesty {

using testing::opening_on_page;
using testing::shapes_of;

namespace {

/// A square cut of that side, and photos of 4 x 6 in.
Project square_and_photos(double side, int photos) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, side);
    Photo photo;
    photo.width = 4 * mm_per_inch;
    photo.height = 6 * mm_per_inch;
    p.set_out.photos.assign(static_cast<std::size_t>(photos), photo);
    return p;
}

/// A row of square panes of these sides, far enough apart to be told from each other, bars of 5 mm.
Project row_of_panes(const std::vector<double>& sides) {
    double x = 5, highest = 0;
    std::vector<Ring> rings{{}};
    for (double side : sides) {
        rings.push_back(testing::rectangle(x, 5, x + side, 5 + side));
        x += side + 5;
        highest = std::max(highest, side);
    }
    rings[0] = testing::rectangle(0, 0, x, highest + 10);
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, x);
    return p;
}

Photo square_photo(double side) {
    Photo photo;
    photo.width = photo.height = side;
    return photo;
}

} // namespace

TEST(AllFit, SaysTheLargestCutThatLeavesRoomAndItDoes) {
    // 12 x 12 in: a square of up to 6 in beside two photos of 4 x 6 in standing next to each other below it.
    Project p = square_and_photos(4 * mm_per_inch, 2);
    auto answer = all_fit(p, shapes_of(p));
    ASSERT_TRUE(answer);
    EXPECT_TRUE(answer->fits) << answer->in_words;
    EXPECT_GE(answer->largest, 5.75 * mm_per_inch);
    EXPECT_LE(answer->largest, 8 * mm_per_inch);
    EXPECT_EQ(answer->in_words.find("2 photos of 4 x 6 in and the cut of 4 in fit on the page."), 0u)
        << answer->in_words;
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, answer->largest);
    EXPECT_TRUE(all_fit(p, shapes_of(p))->fits) << "what is said to fit does";
}

TEST(AllFit, RefusesWithWhatIsTooMuchWhatWouldDoAndWhichPage) {
    Project p = square_and_photos(11 * mm_per_inch, 4);
    const auto answer = all_fit(p, shapes_of(p));
    ASSERT_TRUE(answer);
    EXPECT_FALSE(answer->fits);
    EXPECT_GT(answer->largest, 2 * mm_per_inch);
    EXPECT_LT(answer->largest, 8 * mm_per_inch);
    const double side = answer->largest;
    const double gone = 11 * 11 * mm_per_inch * mm_per_inch - side * side;
    EXPECT_NEAR(answer->too_much, gone, 0.02 * gone);
    EXPECT_EQ(answer->page, "a spread of 12 x 12 in");
    EXPECT_NE(answer->in_words.find(" sq in short; a cut of "), std::string::npos) << answer->in_words;
    p.set_out.page.spread = true;
    EXPECT_TRUE(all_fit(p, shapes_of(p))->fits);
}

TEST(AllFit, CountsRoomsAndIsDoneWithoutACut) {
    Project p;
    EXPECT_FALSE(all_fit(p, shapes_of(p))) << "there is nothing to ask about";
    p.set_out.rooms = {
        {RoomFor::Title, 280, 60}, {RoomFor::Journaling, 120, 200}, {RoomFor::Cluster, 60, 60}};
    EXPECT_TRUE(all_fit(p, shapes_of(p))->fits);
    p.set_out.rooms.push_back({RoomFor::Journaling, 250, 220});
    const auto answer = all_fit(p, shapes_of(p));
    EXPECT_FALSE(answer->fits);
    EXPECT_EQ(answer->in_words.find("Title of 11 1/32 x 2 3/8 in, "), 0u) << answer->in_words;
}

TEST(PhotosIntoOpenings, GoIntoTheLargestThatAreNotSideBySide) {
    Project p = row_of_panes({50, 49, 48, 30, 40});
    for (int i = 0; i < 2; ++i) p.set_out.photos.push_back(square_photo(60));
    const Plan plan = shapes_of(p);
    const auto found = photos_into_openings(p, plan, {0, 1}, {});
    ASSERT_TRUE(found) << found.error().message;
    ASSERT_EQ(found->size(), 2u);
    const auto side = [&](int which) {
        return std::sqrt(plan.sections.cut->openings[(*found)[which].opening].area);
    };
    EXPECT_NEAR(std::max(side(0), side(1)), 50, 1);
    EXPECT_GE(std::min(side(0), side(1)), 39.9);
    for (const Bar& bar : plan.sections.cut->bars)
        EXPECT_FALSE(std::minmax(bar.a, bar.b) == std::minmax((*found)[0].opening, (*found)[1].opening))
            << "they share no bar";
    put_into_openings(p, plan, *found);
    for (const PhotoInOpening& one : *found) {
        const Photo& photo = p.set_out.photos[static_cast<std::size_t>(one.photo)];
        EXPECT_FALSE(photo.on_top);
        EXPECT_LE(std::abs(photo.turn_deg), usual_tilt_deg + 1e-9);
        EXPECT_LT(distance(photo.centre, bounds(opening_on_page(plan, one.opening)).centre()), 3);
    }
    // Side by side where there is no other way.
    const auto forced = photos_into_openings(p, plan, {0, 1}, {0, 1});
    ASSERT_TRUE(forced);
    EXPECT_NE((*forced)[0].opening, (*forced)[1].opening);
}

TEST(PhotosIntoOpenings, ShowThroughOpeningsThatLoseTheirPatchesAndRoundOnesGetRoundPhotos) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 220, 110), testing::polygon({55, 55}, 45, 90),
                             testing::rectangle(120, 20, 200, 90)}));
    p.set_out.cuts[0].place = {SizeRule::Width, 220, 0, false, {}};
    p.stash = std::make_shared<const Stash>(testing::five_papers());
    group(p, {Spot(0, 0), Spot(0, 1)});
    for (int i = 0; i < 2; ++i) p.set_out.photos.push_back(square_photo(60));
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.patches.size(), 2u);
    const auto found = photos_into_openings(p, plan, {0, 1}, {});
    ASSERT_TRUE(found) << found.error().message;
    put_into_openings(p, plan, *found);
    const Plan then = shapes_of(p);
    EXPECT_TRUE(then.sections.patches.empty()) << "nobody backs what shows a photo";
    int round = 0;
    for (const PhotoInOpening& one : *found) {
        const bool circle =
            plan.sections.cut->openings[static_cast<std::size_t>(one.opening)].outline.outer.size() > 50;
        EXPECT_EQ(p.set_out.photos[static_cast<std::size_t>(one.photo)].round, circle);
        round += circle;
        EXPECT_GT(then.sections.behind[static_cast<std::size_t>(one.opening)].share, 0.9);
    }
    EXPECT_EQ(round, 1);
}

TEST(PhotosIntoOpenings, KeepFacesHighEnoughAndSayWhenTheyCannot) {
    Project p = row_of_panes({20, 60});
    Photo photo = square_photo(100);
    photo.name = "Mia";
    photo.protected_parts = {{-20, -20, 20, 20}}; // 40 of 100 mm high
    p.set_out.photos = {photo};
    const Plan plan = shapes_of(p);
    const auto found = photos_into_openings(p, plan, {0}, {});
    ASSERT_TRUE(found);
    const int large = (*found)[0].opening;
    EXPECT_NEAR(plan.sections.cut->openings[large].area, 3600, 1);
    EXPECT_GE((*found)[0].fitted.protected_parts[0].height(), least_face - 1e-9);
    const auto none = photos_into_openings(p, plan, {0}, {1 - large});
    ASSERT_FALSE(none);
    EXPECT_EQ(none.error().message, "Mia fits into none of them with its faces at least 1/2 in high");
    p.set_out.photos.push_back(photo);
    EXPECT_EQ(photos_into_openings(p, plan, {0, 1}, {large}).error().kind, ErrorKind::NothingToDo);
}

TEST(SketchBoxes, BecomePhotosWhereThereAreNoneAndRooms) {
    SetOutDecisions page;
    page.sketch.boxes = {{SketchRole::Photo, {10, 10, 110, 160}},
                         {SketchRole::Photo, {150, 10, 200, 60}},
                         {SketchRole::Title, {10, 200, 210, 240}},
                         {SketchRole::Journaling, {220, 100, 280, 220}},
                         {SketchRole::Title, {5, 5, 5.2, 9}}};
    page.photos.push_back(square_photo(40));
    page.photos[0].centre = {170, 30};
    take_over_sketch(page);
    ASSERT_EQ(page.photos.size(), 2u) << "one box has its photo already";
    EXPECT_EQ(page.photos[1].centre, (Point{60, 85}));
    EXPECT_NEAR(page.photos[1].height, 150, 1e-9);
    ASSERT_EQ(page.rooms.size(), 2u) << "what is no size is no room";
    EXPECT_EQ(page.rooms[1].what, RoomFor::Journaling);
    take_over_sketch(page);
    EXPECT_EQ(page.photos.size(), 2u);
    EXPECT_EQ(page.rooms.size(), 2u) << "twice is as good as once";
}

} // namespace zesty
