#include "core/finding.h"
#include "core/project/fixes.h"
#include "core/project/hand_edits.h"
#include "core/project/planner.h"
#include "core/project/set_aside.h"
#include "core/project/ways_out.h"
#include "core/sections/fixes.h"
#include "core/setout/fixes.h"
#include "core/sheets/fixes.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Project small_page() {
    std::mt19937 random(5);
    Project p = testing::project_of(testing::random_lattice(random, 3, 2, 4));
    p.set_out.cuts[0].place = {SizeRule::Width, 200, 0, false, {}};
    return p;
}

} // namespace

TEST(ApplyFix, EveryFixIsTheDecisionThatItSays) {
    const Project before = small_page();
    const Plan plan = testing::shapes_of(before);
    const auto after = [&](const auto& change) {
        Project p = before;
        Fix("said", change).apply(p);
        return p;
    };
    const Project given = after(GivePaper{Spot(2), "barley", Side::B});
    EXPECT_EQ(given.match.choice(Spot(2)).paper, "barley");
    EXPECT_EQ(given.match.choice(Spot(2)).side, Side::B);
    EXPECT_TRUE(given.match.choice(Spot(2)).locked);
    EXPECT_EQ(after(SetReveal{Sides::even(6)}).set_out.page.reveal, Sides::even(6));
    EXPECT_EQ(after(SetGlueLip{9}).set_out.page.glue_lip, 9);
    EXPECT_EQ(after(SetTreatment{Spot(1), Treatment::Open}).sections.choice(Spot(1)).treatment,
              Treatment::Open);
    const Project lips = after(SetSectionLip{{Spot(0), Spot(3)}, 2});
    EXPECT_EQ(lips.sections.choice(Spot(0)).lip, 2);
    EXPECT_EQ(lips.sections.choice(Spot(3)).lip, 2);
    EXPECT_FALSE(lips.sections.choice(Spot(1)).lip);
    EXPECT_EQ(after(SetMethod{Spot(1), BackingMethod::Punches}).sections.choice(Spot(1)).method,
              BackingMethod::Punches);
    EXPECT_EQ(after(SetMargin{20, 0}).set_out.cuts[0].place.rule, SizeRule::Margin);
    EXPECT_EQ(after(SetMargin{20, 7}), before) << "there is no such cut";
    EXPECT_EQ(after(MovePhoto{4, {1, 1}}), before) << "there is no such photo";
    EXPECT_NEAR(testing::shapes_of(after(resized_cuts(before, plan, 0.9))).set_out.whole.cut_box.width(), 180,
                1e-6);
    Project pinned_page = before;
    pinned_page.sheets.pins[Spot(1)] = {"a#1", 0, {}};
    Fix("Unpin it", Unpin{Spot(1)}).apply(pinned_page);
    EXPECT_EQ(pinned_page, before);
    Project whole = before;
    whole.set_out.page.gut = false;
    Fix("Gut the frame first", GutFrame{}).apply(whole);
    EXPECT_TRUE(whole.set_out.page.gut);
}

TEST(Fix, IsEqualWhenItSaysAndDoesTheSame) {
    const Fix lip("Glue lip of 1/2 in", SetGlueLip{12.7});
    EXPECT_EQ(lip, Fix("Glue lip of 1/2 in", SetGlueLip{12.7}));
    EXPECT_FALSE(lip == Fix("Glue lip of 1/2 in", SetGlueLip{10}));
    EXPECT_FALSE(lip == Fix("Glue lip", SetGlueLip{12.7}));
    EXPECT_FALSE(lip == Fix("Glue lip of 1/2 in", GutFrame{}));
    EXPECT_FALSE(lip.as<GutFrame>());
}

TEST(ResizedCuts, KeepWhatTheyWereSizedBy) {
    Project p = small_page();
    p.set_out.cuts[0].place = {SizeRule::Height, 100, 30, true, {4, 5}};
    const Plan plan = testing::shapes_of(p);
    resized_cuts(p, plan, 0.8)(p.set_out);
    EXPECT_EQ(p.set_out.cuts[0].place.rule, SizeRule::Height);
    EXPECT_NEAR(p.set_out.cuts[0].place.length, 80, 1e-6);
    EXPECT_EQ(p.set_out.cuts[0].place.turn_deg, 30);
    EXPECT_EQ(p.set_out.cuts[0].place.shift, (Point{4, 5}));
    p.set_out.cuts[0].place = {SizeRule::Margin, 10, 0, false, {}};
    const Plan by_margin = testing::shapes_of(p);
    resized_cuts(p, by_margin, 0.5)(p.set_out);
    EXPECT_NEAR(testing::shapes_of(p).set_out.whole.cut_box.width(),
                by_margin.set_out.whole.cut_box.width() / 2, 1e-6);
}

TEST(HandEdits, NeedAPlaceToBeginFrom) {
    Project p = small_page();
    const Plan plan = testing::shapes_of(p);
    EXPECT_FALSE(moved_pattern(p, plan, 0, {0, 0}, {1, 1})) << "nothing is laid yet";
    EXPECT_FALSE(moved_pattern(p, plan, 99, {0, 0}, {1, 1}));
    p.match.choices[Spot(0)].pattern.motif = MotifAnchor{{3, 3}, {1, 0}};
    const auto again = moved_pattern(p, plan, 0, {0, 0}, {2, 1});
    ASSERT_TRUE(again) << "what was wished before can be wished elsewhere";
    EXPECT_EQ(again->motif->off_middle, (Point{3, 1}));
    EXPECT_EQ(again->motif->on_paper, (Point{3, 3}));
}

TEST(KeepApart, PairsHaveNoOrderAndComeOnce) {
    Project p;
    keep_apart(p.match, "b", "a", true);
    keep_apart(p.match, "a", "b", true);
    keep_apart(p.match, "a", "a", true);
    EXPECT_EQ(p.match.apart.size(), 1u);
    keep_apart(p.match, "c", "a", true);
    EXPECT_TRUE(std::is_sorted(p.match.apart.begin(), p.match.apart.end()));
    keep_apart(p.match, "b", "a", false);
    EXPECT_EQ(p.match.apart, (std::vector<std::pair<std::string, std::string>>{{"a", "c"}}));
}

namespace {

/// Two tall openings beside one wide one that no sheet of the stash holds.
Project page_with_a_wide_opening(double sheet) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 300, 200), testing::rectangle(5, 5, 295, 100),
                             testing::rectangle(5, 105, 140, 195), testing::rectangle(145, 105, 295, 195)}));
    p.set_out.cuts[0].place = {SizeRule::Width, 290, 0, false, {}};
    Stash s;
    Paper paper;
    paper.id = "barley";
    paper.name = "Barley";
    paper.colour = {220, 190, 90};
    paper.sheets = {{{testing::rectangle(0, 0, sheet, sheet), {}}, 6, false}};
    s.papers.push_back(paper);
    p.stash = std::make_shared<const Stash>(std::move(s));
    return p;
}

const Finding* found(const Plan& plan, Code code) {
    for (const Finding& f : plan.findings)
        if (f.code == code) return &f;
    return nullptr;
}

} // namespace

TEST(TooLarge, ASectionNoSheetHoldsSaysItsSizeAndEveryWayOutWorks) {
    const Project p = page_with_a_wide_opening(203.2);
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    const Finding* large = found(*plan, Code::TooLarge);
    ASSERT_TRUE(large);
    EXPECT_NE(large->message.find("8 x 8 in"), std::string::npos) << large->message;
    ASSERT_EQ(large->fixes.size(), 3u);
    EXPECT_NE(large->fixes[0].label().find("where the bar between"), std::string::npos)
        << large->fixes[0].label();
    EXPECT_EQ(large->fixes[1].label(), "Buy 1 sheet of 12 x 12 of Barley");
    for (const Fix& fix : large->fixes) {
        Project next = p;
        fix.apply(next);
        const auto then = planner.plan(next);
        ASSERT_TRUE(then);
        EXPECT_FALSE(found(*then, Code::TooLarge)) << fix.label();
    }
    EXPECT_FALSE(found(*planner.plan(page_with_a_wide_opening(304.8)), Code::TooLarge));
}

TEST(Findings, ThatNoPaperHasRoomIsSaidAfterItWasAskedAndNotThatTheProgramMightPropose) {
    Project p = page_with_a_wide_opening(304.8);
    Stash s = *p.stash;
    s.papers[0].sheets = {{{testing::rectangle(0, 0, 300, 105), {}}, 1, false}};
    p.stash = std::make_shared<const Stash>(s);
    p.match.choose(0, {"barley", Side::A, true}); // fills the sheet
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    const Finding* bare = found(*plan, Code::NoPaper);
    ASSERT_TRUE(bare);
    EXPECT_NE(bare->message.find("No paper has room left for 2 and 3"), std::string::npos) << bare->message;
    EXPECT_EQ(bare->fixes.front().label(), "Leave 2 open");
}

TEST(SetAside, AFindingComesBackWhenItsReasonChanges) {
    Project p = page_with_a_wide_opening(203.2);
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    const Finding large = *found(*plan, Code::TooLarge);
    set_aside(p, large);
    set_aside(p, large);
    EXPECT_EQ(p.set_aside.size(), 1u);
    const auto quiet = planner.plan(p);
    EXPECT_FALSE(found(*quiet, Code::TooLarge));
    ASSERT_EQ(quiet->set_aside.size(), 1u);
    EXPECT_EQ(quiet->set_aside.front(), large);
    p.set_out.cuts[0].place.length = 285;
    EXPECT_TRUE(found(*planner.plan(p), Code::TooLarge)) << "its size is another now";
    p.set_out.cuts[0].place.length = 290;
    ask_again(p);
    EXPECT_TRUE(found(*planner.plan(p), Code::TooLarge));
}

} // namespace zesty
