#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "core/sections/photos_behind.h"
#include "core/setout/photos.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Photo photo_behind(Point at, double width, double height, double turn = 0) {
    Photo p;
    p.name = "Hill";
    p.width = width;
    p.height = height;
    p.centre = at;
    p.turn_deg = turn;
    p.on_top = false;
    return p;
}

/// Two windows of 60 x 60 mm side by side with a bar of 10, from 20 mm on.
Project two_windows() {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 170, 100), testing::rectangle(20, 20, 80, 80),
                             testing::rectangle(90, 20, 150, 80)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 170);
    return p;
}

Plan plan_of(const Project& p) {
    auto plan = Planner(testing::laid_before()).plan(p);
    EXPECT_TRUE(plan) << plan.error().message;
    return *plan;
}

const Finding* found(const Plan& plan, Code code) {
    const auto it = std::find_if(plan.findings.begin(), plan.findings.end(),
                                 [&](const Finding& f) { return f.code == code; });
    return it == plan.findings.end() ? nullptr : &*it;
}

} // namespace

TEST(PhotosBehind, WhatLiesOverThemIsTheCutAndThePapersThatCloseItsOpenings) {
    Project p = two_windows();
    const auto over = [&] {
        const Plan plan = plan_of(p);
        return over_photos_behind(p.set_out, plan.sections, plan.set_out.whole);
    };
    ASSERT_EQ(over().size(), 3u) << "the piece and two papers";
    double whole = 0;
    for (const Polygon& o : over()) whole += area(o);
    EXPECT_NEAR(whole, 170 * 100, 1e-6);
    const Spot first = plan_of(p).sections.all[0].id;
    p.sections.choices[first].treatment = Treatment::Open;
    EXPECT_EQ(over().size(), 2u);
    p.sections.choices[first].treatment = Treatment::Translucent;
    EXPECT_EQ(over().size(), 2u) << "vellum hides nothing";
    p.set_out.cuts[0].above_photos = false;
    EXPECT_TRUE(over().empty());
}

TEST(PhotosBehind, AnOpeningThatShowsThePhotoGetsNoPatch) {
    Project p = two_windows();
    const Plan bare = plan_of(p);
    ASSERT_EQ(bare.sections.patches.size(), 2u);
    p.set_out.photos = {photo_behind(bare.middle_of(0), 70, 66)};
    const Plan plan = plan_of(p);
    ASSERT_EQ(plan.sections.patches.size(), 1u);
    EXPECT_EQ(plan.sections.patches[0].opening, 1);
    EXPECT_NEAR(plan.sections.behind[0].share, 1, 1e-9);
    Stash stash;
    stash.papers = {testing::stock_paper("barley", {230, 200, 120}, 304.8, 2),
                    testing::stock_paper("hedge", {70, 120, 70}, 304.8, 2)};
    p.stash = std::make_shared<const Stash>(stash);
    const auto proposed = Planner(testing::laid_before()).propose(p, false);
    ASSERT_TRUE(proposed);
    EXPECT_EQ(proposed->paper[0], -1) << "and no paper is proposed for it";
    EXPECT_GE(proposed->paper[1], 0);
    EXPECT_FALSE(found(plan, Code::PhotoInPart));
    p.set_out.photos[0].on_top = true;
    EXPECT_EQ(plan_of(p).sections.behind[0].photo, -1);
    p.set_out.photos[0].on_top = false;
    p.sections.choose(Spot(0), {"", Treatment::Translucent});
    EXPECT_EQ(plan_of(p).sections.patches.size(), 2u) << "vellum over a photo is meant";
}

TEST(PhotosBehind, OneThatShowsInPartIsSaidAndEveryFixCuresIt) {
    std::mt19937 random(8);
    int moved = 0;
    for (int round = 0; round < testing::rounds(20); ++round) {
        Project p = two_windows();
        const Point middle = plan_of(p).middle_of(0);
        p.set_out.photos = {
            photo_behind(middle + Point{testing::between(random, -25, 25), testing::between(random, 20, 40)},
                         90, 66, testing::between(random, -8, 8))};
        const Plan plan = plan_of(p);
        const Finding* f = found(plan, Code::PhotoInPart);
        if (!f) continue;
        ASSERT_FALSE(f->fixes.empty());
        const int opening = f->openings[0];
        for (const Fix& fix : f->fixes) {
            Project next = p;
            fix.apply(next);
            const Plan after = plan_of(next);
            const double share = after.sections.behind[static_cast<std::size_t>(opening)].share;
            const bool moves = fix.label().rfind("Move", 0) == 0;
            moved += moves;
            if (moves) {
                EXPECT_TRUE(share <= hardly_shows_to || share >= shows_photo_from) << share;
            } else {
                EXPECT_EQ(after.patch_of(opening) >= 0, plan.patch_of(opening) < 0);
            }
        }
    }
    EXPECT_GT(moved, 0);
}

TEST(PhotosBehind, PaperOverAFaceAndAPhotoOverAShakerAreProblems) {
    Project p = two_windows();
    const Point middle = plan_of(p).middle_of(0);
    p.set_out.photos = {photo_behind(middle + Point{35, 0}, 60, 60)};
    p.set_out.photos[0].protected_parts = {{-30, -10, -10, 10}};
    const Plan hidden = plan_of(p);
    const Finding* face = found(hidden, Code::PaperOverFace);
    ASSERT_TRUE(face);
    EXPECT_EQ(severity_of(face->code), Severity::Problem);
    Project next = p;
    face->fixes.at(0).apply(next);
    EXPECT_FALSE(found(plan_of(next), Code::PaperOverFace));
    p.set_out.photos[0].protected_parts.clear();
    p.set_out.photos[0].on_top = true;
    p.sections.choose(Spot(1), {"", Treatment::Shaker});
    EXPECT_TRUE(found(plan_of(p), Code::PhotoOverSection));
    p.sections.choose(Spot(1), {"", Treatment::Paper});
    EXPECT_FALSE(found(plan_of(p), Code::PhotoOverSection));
}

TEST(PhotosBehind, SharesAgreeWithARaster) {
    std::mt19937 random(100);
    for (int round = 0; round < testing::long_rounds(100); ++round) {
        Project p = testing::project_of(testing::random_lattice(random, 3, 3, 5));
        for (int k = 0; k < 2; ++k) {
            p.set_out.photos.push_back(
                photo_behind({testing::between(random, 40, 260), testing::between(random, 40, 260)},
                             testing::between(random, 40, 150), testing::between(random, 40, 150),
                             testing::between(random, -90, 90)));
            p.set_out.photos.back().round = random() % 3 == 0;
        }
        const auto plan = Planner(testing::laid_before()).shapes(p);
        ASSERT_TRUE(plan);
        std::vector<Polygon> photos;
        for (const Photo& photo : p.set_out.photos) photos.push_back(outline_of(photo));
        for (std::size_t o = 0; o < plan->sections.behind.size(); ++o) {
            const Polygon opening =
                transformed(plan->sections.cut->openings[o].outline, plan->set_out.whole.to_page);
            const Box b = bounds(opening);
            int all = 0;
            int shown = 0;
            constexpr int cells = 160;
            for (int i = 0; i < cells; ++i)
                for (int k = 0; k < cells; ++k) {
                    const Point at{b.x0 + (i + 0.5) * b.width() / cells,
                                   b.y0 + (k + 0.5) * b.height() / cells};
                    if (!contains(opening, at)) continue;
                    ++all;
                    shown += contains(photos[0], at) || contains(photos[1], at);
                }
            ASSERT_GT(all, 0);
            ASSERT_NEAR(plan->sections.behind[o].share, static_cast<double>(shown) / all, 0.005);
        }
    }
}

} // namespace zesty
