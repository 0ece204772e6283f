// Patterns as they are wanted in the openings, and patches pinned to their places.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/match/alternatives.h"
#include "core/match/cost.h"
#include "core/match/proposals.h"
#include "core/project/edits.h"
#include "core/project/hand_edits.h"
#include "core/project/match_job.h"
#include "core/project/planner.h"
#include "core/sheets/fixes.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::five_papers;
using testing::page_with;
using testing::paper;

TEST(Prints, SlantsAreWhatTheyAreToBeOnThePage) {
    for (const Side side : {Side::A, Side::B}) {
        Stash s;
        s.papers = {paper("a", {200, 60, 50}, 304.8, 4, Pattern::Stripe, Direction::Half)};
        s.papers[0].angle_deg = 35;
        s.papers[0].back = PaperFace{{9, 9, 90}, "", Pattern::Stripe, Direction::Half, 0, 110};
        Project p = page_with(3, 4, 3, s);
        p.match.slants = {SlantRule::Parallel, 20};
        for (int o = 0; o < 12; ++o) {
            PaperChoice c;
            c.paper = "a";
            c.side = side;
            c.locked = true;
            if (o == 5) c.pattern.slant_deg = -60;
            if (o == 7) {
                c.same_as = Spot(5);
                c.facing = true;
            }
            p.match.choose(Spot(o), c);
        }
        const auto plan = Planner(testing::laid_before()).plan(p);
        ASSERT_TRUE(plan);
        for (std::size_t i = 0; i < plan->sections.patches.size(); ++i) {
            ASSERT_GE(plan->sheets.placed[i].sheet, 0);
            // The way stripes run on the sheet, as seen from A, brought back to the page.
            const double on_sheet = side == Side::A ? 35 : 180 - 110;
            const Transform back = inverse(plan->sheets.placed[i].to_sheet());
            const Point way = back(Transform::turned_deg(on_sheet)({1, 0})) - back({0, 0});
            const double deg = std::atan2(way.y, way.x) * 180 / M_PI;
            const int opening = plan->sections.patches[i].opening;
            const double wanted = opening == 5 ? -60 : opening == 7 ? 60 : 20;
            EXPECT_NEAR(std::remainder(deg - wanted, 180.0), 0, 1e-6) << "opening " << opening;
        }
        testing::expect_laid_as_planned(p, *plan);
    }
}

TEST(Prints, AMotifComesToLieWhereItIsWantedAndRepeatsServeSeveral) {
    Stash s;
    s.papers = {paper("a", {200, 60, 50}, 304.8, 2, Pattern::Large, Direction::Fixed)};
    s.papers[0].repeat = 76.2;
    Project p = page_with(6, 4, 3, s);
    for (int o = 0; o < 4; ++o) {
        PaperChoice c;
        c.paper = "a";
        c.pattern.motif = MotifAnchor{{40, 30}, {2, -1}};
        p.match.choose(Spot(o), c);
    }
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    for (int o = 0; o < 4; ++o) {
        const int patch = plan->patch_of(o);
        ASSERT_GE(plan->sheets.placed[patch].sheet, 0);
        const Point there = plan->sheets.placed[patch].to_sheet()(plan->middle_of(o) + Point{2, -1});
        EXPECT_NEAR(std::remainder(there.x - 40, 76.2), 0, 1e-6);
        EXPECT_NEAR(std::remainder(there.y - 30, 76.2), 0, 1e-6);
    }
    // Pushed by hand, the print follows, and the place of the feature with it.
    const auto wish = moved_pattern(p, *plan, 0, plan->middle_of(0), plan->middle_of(0) + Point{5, 3});
    ASSERT_TRUE(wish);
    Project moved = p;
    moved.match.choices[Spot(0)].pattern = *wish;
    const auto then = Planner(testing::laid_before()).plan(moved);
    ASSERT_TRUE(then);
    const int patch = then->patch_of(0);
    ASSERT_GE(then->sheets.placed[patch].sheet, 0);
    const Point was = plan->sheets.placed[patch].to_sheet()(plan->middle_of(0));
    const Point now = then->sheets.placed[patch].to_sheet()(then->middle_of(0) + Point{5, 3});
    EXPECT_NEAR(std::remainder(now.x - was.x, 76.2), 0, 1e-6);
    EXPECT_NEAR(std::remainder(now.y - was.y, 76.2), 0, 1e-6);
}

TEST(Prints, AnOmbreIsCutAtTheHeightOfThePlacesTone) {
    Stash s;
    s.papers = {paper("o", {200, 60, 50}, 304.8, 3, Pattern::Ombre, Direction::Fixed)};
    s.papers[0].angle_deg = 90;
    Project p = page_with(7, 4, 4, s);
    p.match.style.drift = 1;
    p.sheets.blade_gap = 0.5;
    for (int o = 0; o < 16; ++o) p.match.choices[Spot(o)].paper = "o";
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    Box around;
    for (int o = 0; o < 16; ++o) around.add(plan->middle_of(o));
    int placed = 0;
    for (std::size_t i = 0; i < plan->sections.patches.size(); ++i) {
        if (plan->sheets.placed[i].sheet < 0) continue;
        ++placed;
        const double tone =
            (plan->middle_of(plan->sections.patches[i].opening).y - around.y0) / around.height();
        const double at =
            bounds(transformed(plan->sections.patches[i].outline, plan->sheets.placed[i].to_sheet()))
                .centre()
                .y /
            304.8;
        EXPECT_NEAR(at, std::clamp(tone, 0.12, 0.88), 0.08)
            << "opening " << plan->sections.patches[i].opening;
    }
    EXPECT_GT(placed, 12);
}

TEST(Prints, ARunOnSectionKeepsItsArrangementOnTheSheet) {
    Stash s;
    s.papers = {paper("a", {200, 60, 50}, 304.8, 1, Pattern::Picture, Direction::Fixed)};
    Project p = page_with(9, 4, 3, s);
    group(p, {Spot(0), Spot(1), Spot(4), Spot(5)});
    p.match.choices[Spot(0)].paper = "a";
    p.match.choices[Spot(0)].pattern.run_on = true;
    p.match.choices[Spot(9)].paper = "a";
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    const PlacedPatch& first = plan->sheets.placed[plan->patch_of(0)];
    ASSERT_GE(first.sheet, 0);
    for (int o : {1, 4, 5}) {
        EXPECT_EQ(plan->sheets.placed[plan->patch_of(o)].shift, first.shift);
        EXPECT_EQ(plan->sheets.placed[plan->patch_of(o)].sheet, first.sheet);
    }
    const int other = plan->patch_of(9);
    ASSERT_GE(plan->sheets.placed[other].sheet, 0);
    for (int o : {0, 1, 4, 5}) {
        const int patch = plan->patch_of(o);
        const auto over = intersect(
            {transformed(plan->sections.patches[patch].outline, plan->sheets.placed[patch].to_sheet())},
            {transformed(plan->sections.patches[other].outline, plan->sheets.placed[other].to_sheet())});
        ASSERT_TRUE(over);
        EXPECT_LT(area(*over), 1e-6) << "patches that run on may touch each other, but nothing else";
    }
}

TEST(Prints, WhatRunsOnNeverTakesThePaperBetweenTwice) {
    Stash s = five_papers();
    s.papers.resize(1);
    for (const bool parts : {false, true}) {
        Project p = page_with(9, 4, 3, s);
        p.sections.backing.lips = LipMode::Overlap;
        if (parts) divide(p, {Spot(5)}, {Division::Kind::Bands, 3, 2, 30, {0.5, 0.5}});
        group(p, parts ? std::vector<Spot>{Spot(0, 5, 1), Spot(0, 5, 2), Spot(0, 5, 3)}
                       : std::vector<Spot>{Spot(4), Spot(5), Spot(6), Spot(9)});
        const Spot first = parts ? Spot(0, 5, 1) : Spot(4);
        p.match.choices[first].paper = "a";
        p.match.choices[first].pattern.run_on = true;
        const auto plan = Planner(testing::laid_before()).plan(p);
        ASSERT_TRUE(plan);
        EXPECT_TRUE(std::none_of(plan->sheets.placed.begin(), plan->sheets.placed.end(), [&](const auto& at) {
            const auto patch = static_cast<std::size_t>(&at - plan->sheets.placed.data());
            return plan->sections.all[plan->sections.patches[patch].section].id == first && at.sheet < 0;
        }));
        for (const UsedSheet& used : plan->sheets.used) {
            Region lying;
            double sum = 0;
            for (const int patch : used.patches) {
                lying.push_back(transformed(plan->sections.patches[patch].on_sheet(),
                                            plan->sheets.placed[patch].to_sheet()));
                sum += area(lying.back());
            }
            EXPECT_LT(sum - area(*unite(lying)), 1) << "but for what meets in the middle of a bar";
        }
    }
}

namespace {

/// Twelve openings, all in the one paper there is.
Project page_in_one_paper(Direction direction) {
    Stash s = five_papers();
    s.papers.resize(1);
    s.papers[0].direction = direction;
    Project p = page_with(12, 4, 3, s);
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = "a";
    return p;
}

} // namespace

TEST(Pins, PatchesStayWhereTheyWerePutAndTheRestPacksAround) {
    Project p = page_in_one_paper(Direction::Free);
    Planner planner(testing::laid_before());
    const auto before = planner.plan(p);
    ASSERT_TRUE(before);
    const int patch = before->patch_of(3);
    ASSERT_GE(before->sheets.placed[patch].sheet, 0);
    const auto pin = pinned(*before, patch, before->sheets.placed[patch].sheet, {0, 0}, 30);
    ASSERT_TRUE(pin);
    const auto centre = [&](const PlacedPatch& at) {
        return centroid(transformed(before->sections.patches[patch].on_sheet(), at.to_sheet()).outer);
    };
    EXPECT_LT(distance(centre(before->sheets.placed[patch]), centre({0, pin->rotation_deg, pin->shift})), 6)
        << "turned about its middle";
    p.sheets.pins[Spot(3)] = {before->papers.sheets[before->sheets.placed[patch].sheet].id, 0,
                              Point{100, 100} - before->middle_of(3)};
    const auto after = planner.plan(p);
    ASSERT_TRUE(after);
    EXPECT_EQ(after->sheets.placed[patch].shift, p.sheets.pins[Spot(3)].shift);
    EXPECT_TRUE(after->sheets.short_patches.empty());
    testing::expect_laid_as_planned(p, *after);
    p.sheets.pins[Spot(3)].shift = {-500, 0};
    const auto off = planner.plan(p);
    ASSERT_TRUE(off);
    ASSERT_EQ(off->sheets.short_patches.size(), 1u);
    const auto said = std::find_if(off->findings.begin(), off->findings.end(),
                                   [](const Finding& f) { return f.code == Code::Short; });
    ASSERT_NE(said, off->findings.end());
    EXPECT_TRUE(said->fixes.front().as<Unpin>());
}

TEST(Pins, APaperThatMayNotLieThatWayIsNotTurnedByAPin) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Project p = page_in_one_paper(Direction::Half);
    Planner planner(testing::laid_before());
    const auto before = planner.plan(p);
    ASSERT_TRUE(before);
    const int patch = before->patch_of(3);
    for (const double turn : {0.0, 180.0}) {
        const auto pin = pinned(*before, patch, before->sheets.placed[patch].sheet, {0, 0}, turn);
        ASSERT_TRUE(pin);
        p.sheets.pins[Spot(3)] = *pin;
        EXPECT_TRUE(planner.plan(p)->sheets.short_patches.empty()) << turn;
    }
    p.sheets.pins[Spot(3)].rotation_deg = 44;
    const auto askew = planner.plan(p);
    ASSERT_TRUE(askew);
    ASSERT_EQ(askew->sheets.short_patches.size(), 1u);
    EXPECT_NE(askew->sheets.short_patches[0].reason.find("turned by 44 deg"), std::string::npos)
        << askew->sheets.short_patches[0].reason;
    EXPECT_LT(askew->sheets.placed[patch].sheet, 0);
}

} // namespace zesty
