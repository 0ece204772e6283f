#include "core/project/apply_fix.h"
#include "core/project/hand_edits.h"
#include "core/project/planner.h"
#include "core/project/ways_out.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Project small_page() {
    std::mt19937 random(5);
    Project p = testing::project_of(testing::random_lattice(random, 3, 2, 4));
    p.cuts[0].place = {SizeRule::Width, 200, 0, false, {}};
    return p;
}

} // namespace

TEST(ApplyFix, EveryFixIsTheDecisionThatItSays) {
    const Project before = small_page();
    const Plan plan = testing::shapes_of(before);
    const auto after = [&](const Fix& fix) {
        Project p = before;
        apply_fix(p, plan, fix);
        return p;
    };
    EXPECT_EQ(after(std::monostate{}), before);
    const Project given = after(GivePaper{Spot(2), "barley", Side::B});
    EXPECT_EQ(given.choice(Spot(2)).paper, "barley");
    EXPECT_EQ(given.choice(Spot(2)).side, Side::B);
    EXPECT_TRUE(given.choice(Spot(2)).locked);
    EXPECT_EQ(after(SetLip{1.5}).lip, 1.5);
    EXPECT_EQ(after(SetReveal{Sides::even(6)}).page.reveal, Sides::even(6));
    EXPECT_EQ(after(SetGlueLip{9}).page.glue_lip, 9);
    EXPECT_EQ(after(SetTreatment{Spot(1), Treatment::Open}).choice(Spot(1)).treatment, Treatment::Open);
    const Project lips = after(SetSectionLip{{Spot(0), Spot(3)}, 2});
    EXPECT_EQ(lips.choice(Spot(0)).lip, 2);
    EXPECT_EQ(lips.choice(Spot(3)).lip, 2);
    EXPECT_FALSE(lips.choice(Spot(1)).lip);
    EXPECT_EQ(after(SetSchool{Spot(1), School::Punches}).choice(Spot(1)).school, School::Punches);
    EXPECT_EQ(after(SetMargin{20, 0}).cuts[0].place.rule, SizeRule::Margin);
    EXPECT_EQ(after(MovePhoto{4, {1, 1}}), before) << "there is no such photo";
    EXPECT_NEAR(testing::shapes_of(after(ScaleCuts{0.9})).set_out.cut_box.width(), 180, 1e-6);
    Project pinned_page = before;
    pinned_page.pins[Spot(1)] = {"a#1", 0, {}};
    apply_fix(pinned_page, plan, Unpin{Spot(1)});
    EXPECT_EQ(pinned_page, before);
    Project whole = before;
    whole.page.gut = false;
    apply_fix(whole, plan, GutFrame{});
    EXPECT_TRUE(whole.page.gut);
}

TEST(ScaleCuts, KeepsWhatTheCutWasSizedBy) {
    Project p = small_page();
    p.cuts[0].place = {SizeRule::Height, 100, 30, true, {4, 5}};
    const Plan plan = testing::shapes_of(p);
    scale_cuts(p, plan, 0.8);
    EXPECT_EQ(p.cuts[0].place.rule, SizeRule::Height);
    EXPECT_NEAR(p.cuts[0].place.length, 80, 1e-6);
    EXPECT_EQ(p.cuts[0].place.turn_deg, 30);
    EXPECT_EQ(p.cuts[0].place.shift, (Point{4, 5}));
    p.cuts[0].place = {SizeRule::Margin, 10, 0, false, {}};
    const Plan by_margin = testing::shapes_of(p);
    scale_cuts(p, by_margin, 0.5);
    EXPECT_NEAR(testing::shapes_of(p).set_out.cut_box.width(), by_margin.set_out.cut_box.width() / 2, 1e-6);
}

TEST(HandEdits, NeedAPlaceToBeginFrom) {
    Project p = small_page();
    const Plan plan = testing::shapes_of(p);
    EXPECT_FALSE(moved_print(p, plan, 0, {0, 0}, {1, 1})) << "nothing is laid yet";
    EXPECT_FALSE(moved_print(p, plan, 99, {0, 0}, {1, 1}));
    p.sections[Spot(0)].print.motif = MotifAnchor{{3, 3}, {1, 0}};
    const auto again = moved_print(p, plan, 0, {0, 0}, {2, 1});
    ASSERT_TRUE(again) << "what was wished before can be wished elsewhere";
    EXPECT_EQ(again->motif->off_middle, (Point{3, 1}));
    EXPECT_EQ(again->motif->on_paper, (Point{3, 3}));
}

TEST(KeepApart, PairsHaveNoOrderAndComeOnce) {
    Project p;
    keep_apart(p, "b", "a", true);
    keep_apart(p, "a", "b", true);
    keep_apart(p, "a", "a", true);
    EXPECT_EQ(p.apart.size(), 1u);
    keep_apart(p, "c", "a", true);
    EXPECT_TRUE(std::is_sorted(p.apart.begin(), p.apart.end()));
    keep_apart(p, "b", "a", false);
    EXPECT_EQ(p.apart, (std::vector<std::pair<std::string, std::string>>{{"a", "c"}}));
}

} // namespace zesty
