#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/setout/copies.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

namespace {

CutFile kite() {
    const auto cut = read_cut(testing::drawing_of({{{0, 20}, {15, 0}, {30, 20}, {15, 60}}}));
    EXPECT_TRUE(cut);
    return *cut;
}

CutPlacement one_inch_wide() {
    return sized({}, SizeRule::Width, mm_per_inch);
}

} // namespace

TEST(CopiesInARing, StandOnTheCircleAtEqualAnglesEachTurnedOutward) {
    const CutFile cut = kite();
    Page page;
    const CopyRing ring{.count = 5, .radius = 90, .first_deg = 20, .centre = page.whole().centre()};
    const auto places = in_ring({cut, nullptr, one_inch_wide()}, page, ring, Units::Inches);
    ASSERT_TRUE(places);
    ASSERT_EQ(places->size(), 5u);
    for (int k = 0; k < 5; ++k) {
        const SetOut s = set_out(cut, page, (*places)[k], Units::Inches);
        const Point from = s.to_page(cut.box.centre()) - ring.centre;
        EXPECT_NEAR(std::hypot(from.x, from.y), 90, 1e-9);
        EXPECT_NEAR(s.size.x, mm_per_inch, 1e-9);
        // The top of the kite looks away from the middle.
        const Point top = s.to_page({15, 0}) - ring.centre;
        EXPECT_NEAR(std::hypot(top.x, top.y), 90 + s.size.y / 2, 1e-9);
        EXPECT_NEAR(std::remainder(std::atan2(from.x, -from.y) * 180 / M_PI - (20 + 72 * k), 360), 0, 1e-9);
    }
}

TEST(CopiesInARing, LieAsTheCutDoesWhenTheyAreLevel) {
    const CutFile cut = kite();
    CutPlacement place = one_inch_wide();
    place.turn_deg = 30;
    const Page page;
    const auto places = in_ring(
        {cut, nullptr, place}, page,
        {.count = 4, .radius = 80, .facing_out = false, .mirrored = true, .centre = page.whole().centre()},
        Units::Inches);
    ASSERT_TRUE(places);
    for (int k = 0; k < 4; ++k) {
        EXPECT_NEAR((*places)[k].turn_deg, k % 2 ? -30 : 30, 1e-12);
        EXPECT_EQ((*places)[k].mirrored, k % 2 == 1);
    }
}

TEST(CopiesInARing, SayTheLargestRadiusWhereTheyWouldHangOffThePage) {
    const CutFile cut = kite();
    const Page page;
    const CopyRing wide{.count = 6, .radius = 150, .centre = page.whole().centre()};
    const CopiedCut of{cut, nullptr, one_inch_wide()};
    const auto none = in_ring(of, page, wide, Units::Inches);
    ASSERT_FALSE(none);
    EXPECT_EQ(none.error().kind, ErrorKind::NothingToDo);
    // 12 in of page, a kite of 2 in standing above and below: a radius of 5 in.
    EXPECT_NE(none.error().message.find("; 5 in is the most that fits"), std::string::npos)
        << none.error().message;
    CopyRing said = wide;
    said.radius = 5 * mm_per_inch;
    EXPECT_TRUE(in_ring(of, page, said, Units::Inches));
}

TEST(CopiesInARow, BeginWhereTheCutLiesAndStayOnThePage) {
    std::mt19937 random(3);
    const CutFile cut = kite();
    int refused = 0, laid = 0;
    for (int round = 0; round < testing::rounds(200); ++round) {
        Page page;
        page.spread = random() % 2;
        CutPlacement place = one_inch_wide();
        place.turn_deg = testing::between(random, -180, 180);
        place.shift = {testing::between(random, -100, 100), testing::between(random, -100, 100)};
        const CopyRow row{.count = 2 + static_cast<int>(random() % 6),
                          .step = testing::between(random, 20, 80),
                          .down = random() % 2 == 0,
                          .stagger = testing::between(random, -30, 30),
                          .mirrored = random() % 2 == 0};
        const auto places = in_row({cut, nullptr, place}, page, row, Units::Inches);
        if (!places) {
            ++refused;
            continue;
        }
        ++laid;
        std::vector<Point> middles;
        for (const CutPlacement& p : *places) {
            const SetOut s = set_out(cut, page, p, Units::Inches);
            EXPECT_GE(s.border, -0.051);
            middles.push_back(s.to_page(cut.box.centre()));
        }
        for (std::size_t k = 1; k < middles.size(); ++k) {
            const Point by = middles[k] - middles[k - 1];
            const double across = k % 2 ? row.stagger : -row.stagger;
            EXPECT_NEAR(row.down ? by.y : by.x, row.step, 1e-6);
            EXPECT_NEAR(row.down ? by.x : by.y, across, 1e-6);
        }
    }
    EXPECT_GT(refused, 0);
    EXPECT_GT(laid, refused / 4);
}

TEST(OneMoreCopy, NeverLandsOffAPageItFitsOn) {
    std::mt19937 random(8);
    for (int round = 0; round < testing::rounds(300); ++round) {
        Page page;
        page.spread = random() % 2;
        page.gap = random() % 2 ? 10 : 0;
        std::vector<Box> taken;
        const Point size{testing::between(random, 20, 300), testing::between(random, 20, 300)};
        const double x = testing::between(random, 0, page.width - size.x);
        const double y = testing::between(random, 0, page.height - size.y);
        Box of{x, y, x + size.x, y + size.y};
        for (int copy = 0; copy < 8; ++copy) {
            taken.push_back(of);
            const Point by = beside_on_page(page, taken, of, 6);
            of = {of.x0 + by.x, of.y0 + by.y, of.x1 + by.x, of.y1 + by.y};
            ASSERT_GE(of.x0, -0.06);
            ASSERT_GE(of.y0, -0.06);
            ASSERT_LE(of.x1, page.full_width() + 0.06);
            ASSERT_LE(of.y1, page.height + 0.06);
        }
    }
}

TEST(OneMoreCopy, GoesToTheFreePageOfASpread) {
    Page page;
    page.spread = true;
    page.gap = 8;
    const Box most_of_it{10, 10, 290, 290};
    const Point by = beside_on_page(page, {most_of_it}, most_of_it, 6);
    EXPECT_EQ(by, (Point{page.width + 8, 0}));
}

TEST(CopiesInOrder, BringTheirDecisionsAndAreNamedAnew) {
    Project p;
    set_only_cut(
        p, std::make_shared<const DrawingFile>(DrawingFile{
               "bow.svg", "",
               testing::drawing_of({testing::rectangle(0, 0, 40, 30), testing::rectangle(5, 5, 35, 25)})}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 40);
    p.sections.choose(0, {"bow", Treatment::Open});
    Planner planner(testing::laid_before());
    const auto places = planner.row_of_copies(p, 0, {.count = 4, .step = 60});
    ASSERT_TRUE(places);
    copy_cut_to(p, p.set_out.cuts[0].id, *places);
    const Plan plan = testing::shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 4u);
    for (const Section& s : plan.sections.all) {
        EXPECT_EQ(s.name, "bow");
        EXPECT_EQ(s.treatment, Treatment::Open);
    }
    EXPECT_TRUE(plan.set_out.whole.findings.empty());
}

} // namespace zesty
