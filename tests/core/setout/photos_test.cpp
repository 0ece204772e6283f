#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/setout/fixes.h"
#include "core/setout/photos.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

bool tells(const std::vector<Finding>& findings, Code code) {
    return std::any_of(findings.begin(), findings.end(), [&](const Finding& f) { return f.code == code; });
}

Photo print(double w_in, double h_in, Point centre, double turn = 0) {
    return {"", w_in * mm_per_inch, h_in * mm_per_inch, false, centre, turn, true, {}};
}

} // namespace

TEST(Photos, HaveTheirRealSizeHoweverTheyAreTurned) {
    EXPECT_NEAR(area(outline_of(print(4, 6, {100, 100}, 17))), 24 * mm_per_inch * mm_per_inch, 1e-6);
    Photo round = print(2, 2, {50, 50});
    round.round = true;
    EXPECT_NEAR(area(outline_of(round)), M_PI * mm_per_inch * mm_per_inch, 2);
    EXPECT_EQ(size_in_words(round, Units::Inches), "2 in round");
    EXPECT_EQ(size_in_words(print(4, 6, {}), Units::Inches), "4 x 6 in");
}

TEST(Photos, MakeOneListOfPrints) {
    Photo round = print(2, 2, {});
    round.round = true;
    const auto list = photos_to_order({print(4, 6, {}), print(3, 4, {}), print(6, 4, {}), round});
    ASSERT_EQ(list.size(), 3u);
    EXPECT_EQ(list[0].count, 2) << "4 x 6 and 6 x 4 are the same print";
    EXPECT_NEAR(list[0].width, 4 * mm_per_inch, 1e-9);
    EXPECT_TRUE(list[2].round);
}

TEST(Photos, AGridLeavesACellThatIsMeasured) {
    Project p;
    ASSERT_TRUE(put_grid(p.set_out, p.units, print(3, 4, {}), 2, 2, 6, 1));
    ASSERT_EQ(p.set_out.photos.size(), 3u);
    const auto cells = free_cells(p.set_out.photos);
    ASSERT_EQ(cells.size(), 1u);
    EXPECT_NEAR(cells[0].width(), 3 * mm_per_inch, 1e-6);
    EXPECT_NEAR(cells[0].height(), 4 * mm_per_inch, 1e-6);
    EXPECT_GT(cells[0].x0, p.set_out.photos[0].centre.x) << "the last one, at the bottom right";
    EXPECT_FALSE(put_grid(p.set_out, p.units, print(8, 10, {}), 2, 1, 0, 0)) << "larger than the page";
    EXPECT_FALSE(put_grid(p.set_out, p.units, print(1, 1, {}), 1, 1, 0, 1)) << "no photo left";
    EXPECT_TRUE(free_cells({print(3, 4, {60, 60}), print(3, 4, {140, 60})}).empty());
}

TEST(Photos, AFaceMustStayFree) {
    Project p;
    p.set_out.photos = {print(4, 6, {150, 150}), print(3, 4, {150, 90})};
    p.set_out.photos[0].protected_parts.push_back({-20, -70, 20, -30});
    EXPECT_TRUE(tells(photo_findings(p.set_out, p.units, {}), Code::CoveredPart));
    std::swap(p.set_out.photos[0], p.set_out.photos[1]);
    EXPECT_FALSE(tells(photo_findings(p.set_out, p.units, {}), Code::CoveredPart)) << "it lies on top now";
    // Behind a cut the bars may run over it.
    set_only_cut(
        p, std::make_shared<const DrawingFile>(DrawingFile{
               "x.svg", "",
               testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(5, 5, 95, 45),
                                    testing::rectangle(5, 55, 95, 95)})}));
    p.set_out.cuts.front().place = {SizeRule::Width, 300, 0, false, {}};
    p.set_out.photos = {print(4, 6, {152.4, 202.4})};
    p.set_out.photos[0].protected_parts.push_back({-20, -70, 20, -30});
    p.set_out.photos[0].on_top = false;
    Planner planner(testing::laid_before());
    EXPECT_TRUE(tells(planner.shapes(p)->findings, Code::CoveredPart));
    p.set_out.photos[0].centre.y = 270;
    EXPECT_FALSE(tells(planner.shapes(p)->findings, Code::CoveredPart));
}

TEST(Photos, OffThePageComeWithAWayBack) {
    Project p;
    p.set_out.photos = {print(4, 6, {20, 150})};
    const auto findings = photo_findings(p.set_out, p.units, {});
    ASSERT_TRUE(tells(findings, Code::PhotoOverEdge));
    const auto* move = findings[0].fixes.front().as<MovePhoto>();
    ASSERT_TRUE(move);
    p.set_out.photos[0].centre = move->centre;
    EXPECT_FALSE(tells(photo_findings(p.set_out, p.units, {}), Code::PhotoOverEdge));
}

TEST(Photos, PartsThatStayFreeAreMarkedOnThePage) {
    Photo photo = print(4, 6, {100, 120}, 30);
    const Transform to_page = Transform::moved(100, 120) * Transform::turned_deg(30);
    const auto part = part_between(photo, to_page({-20, 10}), to_page({15, -30}));
    ASSERT_TRUE(part);
    EXPECT_NEAR(part->x0, -20, 1e-9);
    EXPECT_NEAR(part->y0, -30, 1e-9);
    EXPECT_NEAR(part->x1, 15, 1e-9);
    EXPECT_NEAR(part->y1, 10, 1e-9);
    const auto cropped = part_between(photo, to_page({0, 0}), to_page({400, 400}));
    ASSERT_TRUE(cropped) << "what lies beside the photo is not one of it";
    EXPECT_NEAR(cropped->x1, 2 * mm_per_inch, 1e-9);
    EXPECT_NEAR(cropped->y1, 3 * mm_per_inch, 1e-9);
    EXPECT_FALSE(part_between(photo, {0, 0}, {5, 5}));
    photo.protected_parts = {{-40, -40, 40, 40}, *part};
    EXPECT_EQ(part_at(photo, &Photo::protected_parts, to_page({0, 0})), 1) << "the smaller of the two there";
    EXPECT_EQ(part_at(photo, &Photo::protected_parts, to_page({30, 30})), 0);
    EXPECT_EQ(part_at(photo, &Photo::protected_parts, to_page({45, 0})), -1);
    std::mt19937 random(4);
    for (int i = 0; i < 50; ++i) {
        const auto step = [&] { return static_cast<double>(random() % 60) - 30; };
        photo = with_part_moved(photo, &Photo::protected_parts, {step(), step()}, {step(), step()});
        const Box& b = photo.protected_parts.back();
        EXPECT_TRUE((Box{-50.801, -76.201, 50.801, 76.201}.holds(b)));
        EXPECT_GE(std::min(b.width(), b.height()), 1.99);
    }
    EXPECT_EQ(photo.protected_parts.front(), (Box{-40, -40, 40, 40}));
}

} // namespace zesty
