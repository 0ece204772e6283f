// Paper left for later: what other pages are going to cut, and sizes to keep whole.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/match/fixes.h"
#include "core/project/edits.h"
#include "core/project/fixes.h"
#include "core/project/later.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::finding_in;
using testing::stock_paper;

/// Twelve openings, all backed with paper "a".
Project page_with(Stash stash, const std::string& title, unsigned seed = 4) {
    std::mt19937 random(seed);
    Project p = testing::project_of(testing::random_lattice(random, 4, 3, 4));
    p.title = title;
    p.set_out.cuts[0].place = {SizeRule::Width, 150, 0, false, {}};
    p.stash = std::make_shared<const Stash>(std::move(stash));
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = "a";
    return p;
}

Stash two_papers(double side, int count) {
    Stash s;
    s.papers = {stock_paper("a", {200, 60, 50}, side, count), stock_paper("b", {60, 60, 200}, side, count)};
    return s;
}

/// What room is kept for lies on its sheet, clear of every patch and of each other.
void expect_room_is_free(const Project& project, const Plan& plan) {
    Region taken;
    for (std::size_t p = 0; p < plan.sheets.placed.size(); ++p)
        if (plan.sheets.placed[p].sheet >= 0)
            taken.push_back(transformed(plan.sections.patches[p].on_sheet(),
                                        Transform::moved(1e4 * plan.sheets.placed[p].sheet, 0) *
                                            plan.sheets.placed[p].to_sheet()));
    for (const ReservedRoom& r : plan.sheets.room) {
        EXPECT_EQ(project.stash->papers[plan.papers.sheets[r.sheet].paper].id,
                  project.sheets.reserved[r.wanted].paper);
        EXPECT_NEAR(area(r.on_sheet), area(project.sheets.reserved[r.wanted].outline), 1e-6);
        EXPECT_LT(area(*subtract({r.on_sheet}, {plan.papers.sheets[r.sheet].outline})), 0.02);
        const Polygon there = transformed(r.on_sheet, Transform::moved(1e4 * r.sheet, 0));
        for (const Polygon& t : taken) EXPECT_LT(area(*intersect({there}, {t})), 0.02);
        taken.push_back(there);
    }
}

} // namespace

TEST(Later, WhatAnotherPageTakesFindsRoomBesideThisOne) {
    const Stash stash = two_papers(152.4, 4);
    const Project other = page_with(stash, "Tram Terrace", 9);
    const auto others_plan = Planner(testing::laid_before()).plan(other);
    ASSERT_TRUE(others_plan);
    const auto pieces = pieces_taken(other, *others_plan, name_of_page(other, "file"));
    ASSERT_EQ(pieces.size(), 12u);
    for (const ReservedPiece& w : pieces) EXPECT_EQ(w.page, "Tram Terrace");

    Project here = page_with(stash, "Kite Hill");
    const auto before = Planner(testing::laid_before()).plan(here);
    ASSERT_TRUE(before);
    reserve_for(here, pieces);
    const auto plan = Planner(testing::laid_before()).plan(here);
    ASSERT_TRUE(plan);
    EXPECT_TRUE(plan->sheets.short_patches.empty());
    EXPECT_LE(plan->sheets.used.size(), before->sheets.used.size());
    EXPECT_EQ(plan->sheets.room.size(), pieces.size());
    EXPECT_TRUE(plan->sheets.without_room.empty());
    EXPECT_FALSE(finding_in(*plan, Code::NoReservedRoom));
    expect_room_is_free(here, *plan);
    testing::expect_laid_as_planned(here, *plan);
}

TEST(Later, WhatFindsNoRoomIsSaidAndTakesNothingFromThePage) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    const Stash stash = two_papers(152.4, 2);
    const Project other = page_with(stash, "Tram Terrace", 9);
    const auto pieces = pieces_taken(other, *Planner(testing::laid_before()).plan(other), "Tram Terrace");
    Project here = page_with(stash, "Kite Hill");
    ASSERT_TRUE(Planner(testing::laid_before()).plan(here)->sheets.short_patches.empty());
    reserve_for(here, pieces);
    reserve_size(here, "a", {100, 100});
    const auto plan = Planner(testing::laid_before()).plan(here);
    ASSERT_TRUE(plan);
    EXPECT_TRUE(plan->sheets.short_patches.empty());
    EXPECT_EQ(plan->sheets.room.size() + plan->sheets.without_room.size(), pieces.size() + 1);
    expect_room_is_free(here, *plan);
    const Finding* f = finding_in(*plan, Code::NoReservedRoom);
    ASSERT_TRUE(f);
    EXPECT_EQ(f->severity(), Severity::Advice);
    // Each page and each size is a finding of its own; doing without them settles it.
    Plan then = *plan;
    while (const Finding* still = finding_in(then, Code::NoReservedRoom)) {
        const std::size_t wanted = here.sheets.reserved.size();
        still->fixes.front().apply(here);
        ASSERT_LT(here.sheets.reserved.size(), wanted);
        then = *Planner(testing::laid_before()).plan(here);
    }
}

TEST(Later, ASizeStaysWholeWhereItCan) {
    Project p = page_with(two_papers(152.4, 3), "Kite Hill");
    reserve_size(p, "a", {120, 60});
    reserve_size(p, "a", {140, 70});
    EXPECT_EQ(p.sheets.reserved.size(), 1u) << "one for each paper";
    EXPECT_EQ(reserved_size(p, "a"), (Point{140, 70}));
    EXPECT_EQ(reserved_size(p, "b"), (Point{}));
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    ASSERT_EQ(plan->sheets.room.size(), 1u);
    expect_room_is_free(p, *plan);
    reserve_size(p, "a", {});
    EXPECT_TRUE(p.sheets.reserved.empty());
}

TEST(Later, APageWantsWhatItWantedLast) {
    Project p = page_with(two_papers(152.4, 3), "Kite Hill");
    const auto square = [](const char* page, const char* paper, double side) {
        return ReservedPiece{page, paper, Side::A, {testing::rectangle(0, 0, side, side), {}}};
    };
    reserve_size(p, "b", {10, 10});
    reserve_for(p, {square("Tram Terrace", "a", 10), square("Tram Terrace", "a", 12)});
    reserve_for(p, {square("Seed Swap", "b", 5)});
    reserve_for(p, {square("Tram Terrace", "b", 9)});
    EXPECT_EQ(pages_reserved_for(p), (std::vector<std::string>{"Seed Swap", "Tram Terrace"}));
    EXPECT_EQ(p.sheets.reserved.size(), 3u);
    EXPECT_TRUE(reserves_just(p, {square("Tram Terrace", "b", 9), square("Seed Swap", "b", 5)}));
    EXPECT_FALSE(reserves_just(p, {square("Tram Terrace", "b", 9)}));
    stop_reserving(p, "Tram Terrace");
    stop_reserving(p, "Seed Swap");
    EXPECT_EQ(p.sheets.reserved.size(), 1u);
    EXPECT_EQ(of_this_stash(p, {square("x", "a", 1), square("x", "nowhere", 1)}).size(), 1u);
}

TEST(Later, PapersThatOthersWantAreProposedLess) {
    Stash stash = two_papers(152.4, 3);
    stash.papers.push_back(stock_paper("c", {240, 220, 80}, 152.4, 3));
    stash.papers.push_back(stock_paper("d", {60, 150, 80}, 152.4, 3));
    Project p = page_with(stash, "Kite Hill");
    for (auto& [spot, c] : p.match.choices) c.paper.clear();
    const auto used_of_a = [](const Project& page) {
        const auto offered = Planner(testing::laid_before()).proposals(page, false, 1);
        EXPECT_TRUE(offered);
        return (*offered)[0].plan->papers.uses[0].used_area;
    };
    const double before = used_of_a(p);
    std::vector<ReservedPiece> all;
    for (int k = 0; k < 3; ++k)
        all.push_back({"Tram Terrace", "a", Side::A, {testing::rectangle(0, 0, 150, 150), {}}});
    reserve_for(p, all);
    EXPECT_LT(used_of_a(p), 0.8 * before);
}

TEST(WaysOut, APrintThatNeedNotRunOnGetsItsSeamsUnderTheBars) {
    Project p = page_with(two_papers(60, 6), "Kite Hill");
    group(p, {Spot(0), Spot(3)});
    p.sections.choices.clear();
    p.match.choices.clear();
    p.match.choices[Spot(0)].paper = "a";
    p.match.choices[Spot(0)].pattern.run_on = true;
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    const Finding* f = finding_in(*plan, Code::Short);
    ASSERT_TRUE(f) << "what lies far apart goes on no sheet as one";
    const std::vector<Fix>& all = f->fixes;
    const auto end = std::find_if(all.begin(), all.end(), [](const Fix& way) { return way.as<EndRunOn>(); });
    ASSERT_NE(end, all.end());
    end->apply(p);
    EXPECT_FALSE(finding_in(*Planner(testing::laid_before()).plan(p), Code::Short));
}

} // namespace zesty
