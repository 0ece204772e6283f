// Divided openings, the divided base, pieces cut from paper, and what lies hidden.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/sections/grouping.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::opening_on_page;
using testing::shapes_of;

namespace {

/// A sheet of 200 x 100 with openings of 80 x 80 at 10 and 110.
Project two_squares() {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 200, 100), testing::rectangle(10, 10, 90, 90),
                             testing::rectangle(110, 10, 190, 90)}));
    p.set_out.cuts.front().place = {SizeRule::Width, 200, 0, false, {}};
    p.sections.lip = 3;
    return p;
}

} // namespace

TEST(Division, PartsOfEveryKindFillTheOpeningWithoutOverlap) {
    const Polygon blob{testing::polygon({40, 30}, 25, 60), {testing::rectangle(35, 25, 42, 33)}};
    for (const Division& d : {Division{Division::Kind::Line, 2, 2, 30, {0.4, 0.6}},
                              Division{Division::Kind::Bands, 5, 2, -20, {0.5, 0.5}},
                              Division{Division::Kind::Rays, 7, 2, 10, {0.3, 0.5}},
                              Division{Division::Kind::Rings, 4, 2, 0, {0.5, 0.2}},
                              Division{Division::Kind::Grid, 3, 4, 15, {0.5, 0.5}}}) {
        const auto parts = divide(blob, cells(d, bounds(blob)));
        ASSERT_TRUE(parts);
        double sum = 0;
        for (std::size_t a = 0; a < parts->size(); ++a) {
            sum += area((*parts)[a].outline);
            for (std::size_t b = a + 1; b < parts->size(); ++b)
                EXPECT_LT(area(*intersect({(*parts)[a].outline}, {(*parts)[b].outline})), 1e-6);
        }
        EXPECT_NEAR(sum, area(blob), 1e-3 * area(blob)) << key_of(d.kind);
        EXPECT_GE(parts->size(), 2u);
        EXPECT_EQ(named<Division::Kind>(key_of(d.kind)), d.kind);
    }
    EXPECT_FALSE(named<Division::Kind>("spiral"));
}

TEST(Division, OnePatchRunsOnByTheLipBelowTheNext) {
    Project p = two_squares();
    divide(p, {0}, {Division::Kind::Bands, 2, 2, 0, {0.5, 0.5}});
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 3u);
    EXPECT_EQ(plan.sections.spots[0], Spot(0, 0, 1));
    EXPECT_EQ(plan.sections.spots[1], Spot(0, 1));
    EXPECT_EQ(plan.sections.spots[2], Spot(0, 0, 2)) << "other openings keep their numbers";
    const Patch& under = plan.sections.patches[static_cast<std::size_t>(plan.patch_of(0))];
    const Patch& over = plan.sections.patches[static_cast<std::size_t>(plan.patch_of(2))];
    EXPECT_LT(under.order, over.order);
    const double seam = bounds(opening_on_page(plan, 0)).y1;
    EXPECT_NEAR(bounds(under.outline).y1, seam + 3, 0.05);
    EXPECT_NEAR(bounds(over.outline).y0, seam, 0.05);
    EXPECT_NEAR(bounds(under.outline).y0, bounds(opening_on_page(plan, 0)).y0 - 3, 0.1)
        << "the bar keeps its lip";
    // The parts are neighbours without a bar, and each covers its part.
    const bool beside = std::any_of(plan.sections.neighbours.begin(), plan.sections.neighbours.end(),
                                    [](const Neighbours& n) { return n.width == 0 && n.a == 0 && n.b == 2; });
    EXPECT_TRUE(beside);
    for (int o : {0, 2})
        EXPECT_LT(
            area(*subtract({opening_on_page(plan, o)},
                           {plan.sections.patches[static_cast<std::size_t>(plan.patch_of(o))].outline})),
            0.05);
    // Turning the cut turns the parts with it.
    p.set_out.cuts.front().place = {SizeRule::Width, 200, 90, false, {}};
    const Plan turned = shapes_of(p);
    EXPECT_NEAR(bounds(opening_on_page(turned, 0)).width(), 40, 0.1);
    EXPECT_NEAR(bounds(opening_on_page(turned, 0)).height(), 80, 0.1);
    undivide(p, {Spot(0, 0, 2)});
    EXPECT_EQ(shapes_of(p).sections.all.size(), 2u);
}

TEST(Division, PartsThatHangOffThePageAreBackedAsFarAsTheyShow) {
    Project p = two_squares();
    divide(p, {0}, {Division::Kind::Bands, 3, 2, 90, {0.5, 0.5}});
    const Plan whole = shapes_of(p);
    // So far to the left that a part of the opening stays on the page.
    Box at;
    for (const int part : {0, 2, 3}) at.add(bounds(opening_on_page(whole, part)));
    for (const double left : {0.2, 0.4, 0.7}) {
        p.set_out.cuts.front().place.shift = {-(at.x0 + left * at.width()), 0};
        const Plan plan = shapes_of(p);
        for (int o = 0; o < static_cast<int>(plan.sections.spots.size()); ++o) {
            const auto seen = clipped(opening_on_page(plan, o), p.set_out.page.whole());
            ASSERT_TRUE(seen);
            const int patch = plan.patch_of(o);
            if (area(*seen) < 1) continue;
            ASSERT_GE(patch, 0) << o << " at " << left;
            EXPECT_LT(
                area(*subtract(*seen, {plan.sections.patches[static_cast<std::size_t>(patch)].outline})),
                0.05);
        }
    }
}

TEST(Division, TheBareBaseInBands) {
    Project p = two_squares();
    p.set_out.page.reveal = Sides::even(10);
    divide(p, {base_spot}, {Division::Kind::Bands, 3, 2, 0, {0.5, 0.5}});
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 5u);
    EXPECT_EQ(plan.sections.spots[2], Spot(-1, 0, 1));
    double sum = 0;
    for (int o = 2; o < 5; ++o) {
        const Polygon part = opening_on_page(plan, o);
        sum += area(part);
        const Patch& patch = plan.sections.patches[static_cast<std::size_t>(plan.patch_of(o))];
        EXPECT_LT(area(*subtract({part}, {patch.outline})), 0.05);
        EXPECT_NEAR(bounds(patch.outline).height(), bounds(part).height() + (o < 4 ? 3 : 0), 0.05);
    }
    EXPECT_NEAR(sum, 284.8 * 284.8, 1);
}

TEST(Pieces, AreCutFromTheirPapersWithoutALip) {
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(
                        DrawingFile{"x.svg", "",
                                    testing::drawing_of({testing::rectangle(0, 0, 40, 100),
                                                         testing::rectangle(60, 0, 100, 30)})}));
    p.set_out.cuts.front().pieces_from_paper = true;
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 2u);
    for (const Section& s : plan.sections.all) EXPECT_EQ(s.treatment, Treatment::CutFrom);
    for (const Patch& patch : plan.sections.patches)
        EXPECT_NEAR(patch.area, area(opening_on_page(plan, patch.opening)), 1e-6);
}

TEST(Hidden, WhatAPhotoCoversForGoodIsNotBacked) {
    Project p = two_squares();
    const Box left = bounds(opening_on_page(shapes_of(p), 0));
    p.set_out.photos.push_back({"", 90, 90, false, left.centre(), 0, true, {}});
    Plan plan = shapes_of(p);
    EXPECT_EQ(plan.sections.hidden.openings, std::vector<int>{0});
    EXPECT_EQ(plan.patch_of(0), -1);
    EXPECT_GE(plan.patch_of(1), 0);
    EXPECT_NEAR(plan.sections.hidden.paper_area, 80 * 80 + 320 * 1.5, 1);
    EXPECT_GT(plan.sections.hidden.minutes, 0.5);
    // Half covered is backed; what shows a photo behind the cut is not, though nothing covers it.
    p.set_out.photos[0].centre.x -= 40;
    plan = shapes_of(p);
    EXPECT_GE(plan.patch_of(0), 0);
    EXPECT_NEAR(plan.sections.covered[0], 0.5 + 5.0 / 80, 0.01);
    p.set_out.photos[0] = {"", 90, 90, false, left.centre(), 0, false, {}};
    plan = shapes_of(p);
    EXPECT_EQ(plan.patch_of(0), -1);
    EXPECT_TRUE(plan.sections.hidden.openings.empty());
    // Another cut over it hides it as well.
    p.set_out.photos.clear();
    const int other = add_cut(p, std::make_shared<const DrawingFile>(DrawingFile{
                                     "y.svg", "", testing::drawing_of({testing::rectangle(0, 0, 95, 95)})}));
    p.set_out.cuts[1].place = {SizeRule::Width, 95, 0, false,
                               left.centre() - p.set_out.page.whole().centre()};
    EXPECT_EQ(other, 1);
    EXPECT_EQ(shapes_of(p).sections.hidden.openings, std::vector<int>{0});
}

TEST(Treatments, ShakersWantFoamOnTheirBars) {
    Project p = two_squares();
    p.sections.choose(0, {"", Treatment::Shaker, 6.0});
    Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.shakers.size(), 1u);
    const Shaker& s = plan.sections.shakers[0];
    EXPECT_TRUE(s.walls_fit) << "10 mm of bar hold foam of 3.2";
    EXPECT_NEAR(s.acetate.width(), 92, 0.01);
    // The middle of the strip runs 0.5 + 1.6 outside the opening, round its corners.
    EXPECT_NEAR(s.wall_length, 4 * 80 + 2 * M_PI * (0.5 + 3.175 / 2), 0.3);
    EXPECT_NEAR(s.inner_area, 81 * 81, 0.5);
    p.sections.backing.foam_width = 11;
    plan = shapes_of(p);
    EXPECT_FALSE(plan.sections.shakers[0].walls_fit);
    const auto told = std::find_if(plan.findings.begin(), plan.findings.end(),
                                   [](const Finding& f) { return f.code == Code::ShakerWalls; });
    ASSERT_NE(told, plan.findings.end());
    EXPECT_EQ(told->severity(), Severity::Problem);
}

TEST(Treatments, PhotosNameThePrintToOrderAndWordsTheirLines) {
    Project p = two_squares();
    p.sections.choose(0, {"", Treatment::Photo});
    p.sections.choose(1, {"", Treatment::Words});
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.photo_sizes.size(), 1u);
    EXPECT_NEAR(plan.sections.photo_sizes[0].size.width, 4 * mm_per_inch, 0.01)
        << "86 mm of room: 4 x 4 covers";
    EXPECT_NEAR(plan.sections.photo_sizes[0].size.height, 4 * mm_per_inch, 0.01);
    EXPECT_EQ(plan.patch_of(0), -1);
    ASSERT_EQ(plan.sections.writing.size(), 1u);
    EXPECT_EQ(plan.sections.writing[0].lines, 10);
    EXPECT_NEAR(plan.sections.writing[0].length, 760, 1);
}

TEST(Grouping, FindsWhatBelongsTogether) {
    std::vector<Ring> rings{testing::rectangle(0, 0, 200, 200)};
    for (int r = 0; r < 3; ++r)
        for (int c = 0; c < 4; ++c) {
            const double s = r == 0 ? 8 : 14;
            rings.push_back(testing::rectangle(10 + 45 * c, 20 + 60 * r, 10 + 45 * c + s, 20 + 60 * r + s));
        }
    const CutFile cut = *read_cut(testing::drawing_of(rings));
    const auto sizes_of = [&](GroupRule::Kind kind, int count, Point centre = {}) {
        std::vector<std::size_t> out;
        for (const auto& g : groups_by({kind, count, centre}, cut, {}, std::vector<int>(12, 0), {}))
            out.push_back(g.size());
        return out;
    };
    using Sizes = std::vector<std::size_t>;
    EXPECT_EQ(sizes_of(GroupRule::Kind::Twins, 0), (Sizes{4, 8}));
    EXPECT_EQ(sizes_of(GroupRule::Kind::Sizes, 2), (Sizes{4, 8}));
    EXPECT_EQ(sizes_of(GroupRule::Kind::Bands, 3), (Sizes{4, 4, 4}));
    EXPECT_EQ(sizes_of(GroupRule::Kind::Rows, 0), (Sizes{4, 4, 4}));
    EXPECT_EQ(sizes_of(GroupRule::Kind::Cuts, 0), (Sizes{12}));
    EXPECT_EQ(sizes_of(GroupRule::Kind::Rings, 2, {80, 90}).size(), 2u);
    EXPECT_EQ(row_of(cut, {}, 5), (std::vector<int>{4, 5, 6, 7}));
    EXPECT_EQ(inside_outline(cut, {}, testing::rectangle(0, 0, 70, 110)), (std::vector<int>{0, 1, 4, 5}));
    EXPECT_EQ(named<GroupRule::Kind>("rings"), GroupRule::Kind::Rings);
}

} // namespace zesty
