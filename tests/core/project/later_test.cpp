// Paper left for later: what other pages are going to cut, and sizes to keep whole.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/apply_fix.h"
#include "core/project/later.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

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
    p.cuts[0].place = {SizeRule::Width, 150, 0, false, {}};
    p.stash = std::make_shared<const Stash>(std::move(stash));
    for (int o = 0; o < 12; ++o) p.sections[Spot(o)].paper = "a";
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
    for (std::size_t p = 0; p < plan.placed.size(); ++p)
        if (plan.placed[p].sheet >= 0)
            taken.push_back(
                transformed(plan.patches[p].on_sheet(),
                            Transform::moved(1e4 * plan.placed[p].sheet, 0) * plan.placed[p].to_sheet()));
    for (const KeptRoom& r : plan.room) {
        EXPECT_EQ(project.stash->papers[plan.sheets[r.sheet].paper].id, project.wanted[r.wanted].paper);
        EXPECT_NEAR(area(r.on_sheet), area(project.wanted[r.wanted].outline), 1e-6);
        EXPECT_LT(area(*subtract({r.on_sheet}, {plan.sheets[r.sheet].outline})), 0.02);
        const Polygon there = transformed(r.on_sheet, Transform::moved(1e4 * r.sheet, 0));
        for (const Polygon& t : taken) EXPECT_LT(area(*intersect({there}, {t})), 0.02);
        taken.push_back(there);
    }
}

} // namespace

TEST(Later, WhatAnotherPageTakesFindsRoomBesideThisOne) {
    const Stash stash = two_papers(152.4, 4);
    const Project other = page_with(stash, "Tram Terrace", 9);
    const auto others_plan = Planner().plan(other);
    ASSERT_TRUE(others_plan);
    const auto pieces = pieces_taken(other, *others_plan, name_of_page(other, "file"));
    ASSERT_EQ(pieces.size(), 12u);
    for (const WantedPiece& w : pieces) EXPECT_EQ(w.page, "Tram Terrace");

    Project here = page_with(stash, "Kite Hill");
    const auto before = Planner().plan(here);
    ASSERT_TRUE(before);
    leave_room(here, pieces);
    const auto plan = Planner().plan(here);
    ASSERT_TRUE(plan);
    EXPECT_TRUE(plan->short_patches.empty());
    EXPECT_LE(plan->used_sheets.size(), before->used_sheets.size());
    EXPECT_EQ(plan->room.size(), pieces.size());
    EXPECT_TRUE(plan->without_room.empty());
    EXPECT_FALSE(finding_in(*plan, "no-room"));
    expect_room_is_free(here, *plan);
    testing::expect_laid_as_planned(here, *plan);
}

TEST(Later, WhatFindsNoRoomIsSaidAndTakesNothingFromThePage) {
    const Stash stash = two_papers(152.4, 2);
    const Project other = page_with(stash, "Tram Terrace", 9);
    const auto pieces = pieces_taken(other, *Planner().plan(other), "Tram Terrace");
    Project here = page_with(stash, "Kite Hill");
    ASSERT_TRUE(Planner().plan(here)->short_patches.empty());
    leave_room(here, pieces);
    keep_whole(here, "a", {100, 100});
    const auto plan = Planner().plan(here);
    ASSERT_TRUE(plan);
    EXPECT_TRUE(plan->short_patches.empty());
    EXPECT_EQ(plan->room.size() + plan->without_room.size(), pieces.size() + 1);
    expect_room_is_free(here, *plan);
    const Finding* f = finding_in(*plan, "no-room");
    ASSERT_TRUE(f);
    EXPECT_EQ(f->severity, Severity::Advice);
    // Each page and each size is a finding of its own; doing without them settles it.
    Plan then = *plan;
    while (const Finding* still = finding_in(then, "no-room")) {
        const std::size_t wanted = here.wanted.size();
        apply_fix(here, then, still->fix);
        ASSERT_LT(here.wanted.size(), wanted);
        then = *Planner().plan(here);
    }
}

TEST(Later, ASizeStaysWholeWhereItCan) {
    Project p = page_with(two_papers(152.4, 3), "Kite Hill");
    keep_whole(p, "a", {120, 60});
    keep_whole(p, "a", {140, 70});
    EXPECT_EQ(p.wanted.size(), 1u) << "one for each paper";
    EXPECT_EQ(kept_whole(p, "a"), (Point{140, 70}));
    EXPECT_EQ(kept_whole(p, "b"), (Point{}));
    const auto plan = Planner().plan(p);
    ASSERT_TRUE(plan);
    ASSERT_EQ(plan->room.size(), 1u);
    expect_room_is_free(p, *plan);
    keep_whole(p, "a", {});
    EXPECT_TRUE(p.wanted.empty());
}

TEST(Later, APageWantsWhatItWantedLast) {
    Project p = page_with(two_papers(152.4, 3), "Kite Hill");
    const auto square = [](const char* page, const char* paper, double side) {
        return WantedPiece{page, paper, Side::A, {testing::rectangle(0, 0, side, side), {}}};
    };
    keep_whole(p, "b", {10, 10});
    leave_room(p, {square("Tram Terrace", "a", 10), square("Tram Terrace", "a", 12)});
    leave_room(p, {square("Seed Swap", "b", 5)});
    leave_room(p, {square("Tram Terrace", "b", 9)});
    EXPECT_EQ(pages_with_room(p), (std::vector<std::string>{"Seed Swap", "Tram Terrace"}));
    EXPECT_EQ(p.wanted.size(), 3u);
    EXPECT_TRUE(leaves_room(p, {square("Tram Terrace", "b", 9), square("Seed Swap", "b", 5)}));
    EXPECT_FALSE(leaves_room(p, {square("Tram Terrace", "b", 9)}));
    forget_page(p, "Tram Terrace");
    forget_page(p, "Seed Swap");
    EXPECT_EQ(p.wanted.size(), 1u);
    EXPECT_EQ(of_this_stash(p, {square("x", "a", 1), square("x", "nowhere", 1)}).size(), 1u);
}

TEST(Later, PapersThatOthersWantAreProposedLess) {
    Stash stash = two_papers(152.4, 3);
    stash.papers.push_back(stock_paper("c", {240, 220, 80}, 152.4, 3));
    stash.papers.push_back(stock_paper("d", {60, 150, 80}, 152.4, 3));
    Project p = page_with(stash, "Kite Hill");
    for (auto& [spot, c] : p.sections) c.paper.clear();
    const auto used_of_a = [](const Project& page) {
        const auto offered = Planner().proposals(page, false, 1);
        EXPECT_TRUE(offered);
        return (*offered)[0].plan->papers[0].used_area;
    };
    const double before = used_of_a(p);
    std::vector<WantedPiece> all;
    for (int k = 0; k < 3; ++k)
        all.push_back({"Tram Terrace", "a", Side::A, {testing::rectangle(0, 0, 150, 150), {}}});
    leave_room(p, all);
    EXPECT_LT(used_of_a(p), 0.8 * before);
}

TEST(WaysOut, APrintThatNeedNotRunOnGetsItsSeamsUnderTheBars) {
    Project p = page_with(two_papers(60, 6), "Kite Hill");
    group(p, {Spot(0), Spot(3)});
    p.sections.clear();
    p.sections[Spot(0)].paper = "a";
    p.sections[Spot(0)].print.run_on = true;
    const auto plan = Planner().plan(p);
    ASSERT_TRUE(plan);
    const Finding* f = finding_in(*plan, "short");
    ASSERT_TRUE(f) << "what lies far apart goes on no sheet as one";
    std::vector<std::pair<Fix, std::string>> all{{f->fix, f->fix_label}};
    all.insert(all.end(), f->more_fixes.begin(), f->more_fixes.end());
    const auto end = std::find_if(
        all.begin(), all.end(), [](const auto& way) { return std::holds_alternative<EndPrints>(way.first); });
    ASSERT_NE(end, all.end());
    apply_fix(p, *plan, end->first);
    EXPECT_FALSE(finding_in(*Planner().plan(p), "short"));
}

} // namespace zesty
