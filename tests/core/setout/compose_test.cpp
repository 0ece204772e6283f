#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/setout/compose.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Shared<DrawingFile> file(const char* name, Drawing drawing) {
    return std::make_shared<const DrawingFile>(DrawingFile{name, name, std::move(drawing)});
}

/// Two kites: a large one with two openings, a small one with one that holds an insert.
Drawing kites() {
    using testing::rectangle;
    return testing::drawing_of({rectangle(0, 0, 100, 80), rectangle(10, 10, 40, 40),
                                rectangle(60, 20, 90, 70), rectangle(120, 20, 180, 80),
                                rectangle(130, 30, 170, 70), rectangle(140, 40, 160, 60)});
}

Project page_with_kites() {
    Project p;
    set_only_cut(p, file("kites.svg", kites()));
    p.set_out.cuts[0].place = {SizeRule::Width, 180, 0, false, {}};
    return p;
}

} // namespace

TEST(Compose, ACopyBringsItsOwnOpeningsAndItsDecisions) {
    Project p = page_with_kites();
    group(p, {0, 1});
    p.sections.choose(0, {"front", Treatment::Open});
    const int copy = copy_cut(p, 0, true, {60, 0});
    const Plan plan = testing::shapes_of(p);
    ASSERT_EQ(plan.sections.cut->openings.size(), 6u);
    ASSERT_EQ(plan.sections.all.size(), 4u);
    EXPECT_EQ(plan.sections.all[2].name, "front");
    EXPECT_EQ(plan.sections.all[2].id, (Spot{copy, 0}));
    EXPECT_EQ(plan.sections.all[2].openings.size(), 2u);
    // It faces the original: what is on the left there is on the right here.
    const Box& original = plan.sections.cut->openings[0].box;
    const Box& facing = plan.sections.cut->openings[3].box;
    EXPECT_NEAR(original.centre().x + facing.centre().x, 2 * (152.4 + 30), 1e-6);
    EXPECT_NEAR(original.y0, facing.y0, 1e-9);
    // Openings of the copy are twins of the original's.
    bool twins = false;
    for (const auto& g : plan.sections.cut->twins)
        twins = twins || (std::count(g.begin(), g.end(), 0) && std::count(g.begin(), g.end(), 3));
    EXPECT_TRUE(twins);
}

TEST(Compose, CutsThatOverlapDoNotSeeEachOthersContours) {
    Project p = page_with_kites();
    const Plan alone = testing::shapes_of(p);
    copy_cut(p, 0, false, {7, 0});
    const Plan both = testing::shapes_of(p);
    // What the copy covers of the original for good is left out; whatever is backed is backed as if alone.
    EXPECT_EQ(both.sections.patches.size() + both.sections.hidden.openings.size(),
              2 * alone.sections.patches.size());
    EXPECT_EQ(both.sections.hidden.openings.size(), 3u);
    for (const Patch& patch : both.sections.patches)
        EXPECT_NEAR(patch.area, alone.sections.patches[patch.opening % alone.sections.patches.size()].area,
                    1e-3);
    for (const Neighbours& n : both.sections.neighbours)
        EXPECT_EQ(n.by_sight, both.sections.cut_of_opening[both.sections.all[n.a].openings[0]] !=
                                  both.sections.cut_of_opening[both.sections.all[n.b].openings[0]])
            << "a bar belongs to one cut, what is seen side by side may belong to two";
}

TEST(Compose, APartTakenAloneIsSizedByItself) {
    Project p = page_with_kites();
    p.set_out.cuts[0].left_out = {0};
    p.set_out.cuts[0].place = {SizeRule::Width, 90, 0, false, {}};
    const Plan plan = testing::shapes_of(p);
    ASSERT_EQ(plan.sections.cut->openings.size(), 1u);
    EXPECT_EQ(plan.sections.spots[0], Spot(2)) << "decisions keep speaking of the opening by its old name";
    EXPECT_NEAR(plan.set_out.whole.cut_box.width(), 90, 1e-9);
    EXPECT_NEAR(plan.set_out.whole.cut_box.centre().x, 152.4, 1e-9);
    ASSERT_EQ(plan.sections.cut->openings[0].inserts.size(), 1u);
    // Without the window pane the opening is whole.
    p.set_out.cuts[0].left_out = {0, 2};
    const Plan bare = testing::shapes_of(p);
    EXPECT_TRUE(bare.sections.cut->openings[0].outline.holes.empty());
    EXPECT_NEAR(bare.sections.cut->openings[0].area, 40 * 40, 1e-6);
    p.set_out.cuts[0].left_out = {0, 1, 2};
    Planner planner(testing::laid_before());
    EXPECT_EQ(planner.shapes(p).error().kind, ErrorKind::NothingToDo);
}

TEST(Compose, WhatHangsOffThePageIsTrimmed) {
    Project p = page_with_kites();
    p.set_out.page.width = 200;
    p.set_out.cuts[0].place.shift.x = -45; // the page's edge runs through the first window
    const Plan plan = testing::shapes_of(p);
    const Patch& cut = plan.sections.patches[0];
    EXPECT_TRUE(cut.trimmed);
    EXPECT_NEAR(bounds(cut.outline).x0, 0, 1e-9);
    EXPECT_GT(cut.lip, 2.5) << "the trimmed edge is not glued";
    EXPECT_FALSE(plan.sections.patches[1].trimmed);
    p.set_out.cuts[0].place.shift.x = -100;
    const Plan off = testing::shapes_of(p);
    ASSERT_EQ(off.sections.patches.size(), 1u)
        << "an opening off the page needs no paper, nor one of which only the lip would lie on it";
    EXPECT_EQ(off.sections.patches[0].opening, 2);
}

TEST(Compose, ASpreadIsOnePageWithAGap) {
    Project p = page_with_kites();
    p.set_out.page.spread = true;
    p.set_out.page.gap = 10;
    p.set_out.page.reveal = Sides::even(6);
    p.set_out.cuts[0].place = {SizeRule::Margin, 20, 0, false, {}};
    const Plan plan = testing::shapes_of(p);
    EXPECT_NEAR(plan.set_out.whole.cut_box.centre().x, 304.8 + 5, 1e-9);
    EXPECT_NEAR(plan.set_out.whole.base.x0, 6, 1e-9);
    EXPECT_NEAR(plan.set_out.whole.base.x1, 2 * 304.8 + 10 - 6, 1e-9);
}

TEST(Compose, TakingACutOffThePageTakesItsDecisionsAndKeepsTheOthers) {
    Project p = page_with_kites();
    const int copy = copy_cut(p, 0, false, {50, 0});
    const int other = add_cut(p, file("frame.svg", testing::drawing_of({testing::rectangle(0, 0, 9, 9)})));
    group(p, {Spot(0), Spot(copy, 1)});
    p.sections.choose(0, {"both", Treatment::Open});
    p.sections.choose(Spot(copy, 2), {"", Treatment::Open});
    remove_cut(p, 0);
    EXPECT_TRUE(p.sections.groups.empty());
    EXPECT_EQ(p.sections.choice(Spot(copy, 1)).name, "both")
        << "what is left of the section keeps its decision";
    EXPECT_EQ(p.sections.choice(Spot(copy, 2)).treatment, Treatment::Open);
    EXPECT_EQ(p.set_out.drawings.size(), 2u) << "the copy still uses the drawing";
    remove_cut(p, copy);
    ASSERT_EQ(p.set_out.drawings.size(), 1u);
    EXPECT_EQ(p.set_out.cuts[0].id, other);
    EXPECT_EQ(p.set_out.cuts[0].drawing, 0);
    EXPECT_TRUE(p.sections.choices.empty());
    remove_cut(p, 77);
    EXPECT_EQ(p.set_out.cuts.size(), 1u);
}

} // namespace zesty
