// Of a very large stash some papers are compared, and nothing the page names is missing among them.

#include "core/match/face.h"
#include "core/project/planner.h"
#include "core/project/shortlist.h"
#include "core/project/stash_at_hand.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <random>
#include <set>

namespace zesty {

using testing::page_with;

namespace {

/// Papers of random colours and patterns, one sheet of 12 x 12 in each; every third has two sides.
Stash large_drawer(int papers) {
    std::mt19937 random(5);
    Stash out;
    for (int i = 0; i < papers; ++i) {
        Paper p;
        p.id = p.name = "hill-" + std::to_string(i);
        p.colour = {static_cast<std::uint8_t>(random() % 256), static_cast<std::uint8_t>(random() % 256),
                    static_cast<std::uint8_t>(random() % 256)};
        p.pattern = static_cast<Pattern>(random() % 6);
        if (i % 3 == 0) p.back = PaperFace{{250, 250, 240}, ""};
        p.sheets.push_back({{{{0, 0}, {304.8, 0}, {304.8, 304.8}, {0, 304.8}}, {}}, 1 + i % 3});
        out.papers.push_back(std::move(p));
    }
    return out;
}

} // namespace

TEST(Shortlist, KeepsWhatThePageNamesAndSomeOfEveryPatternAndTone) {
    const Stash all = large_drawer(900);
    Project p = page_with(3, 3, 3, all);
    p.match.choices[Spot(0)].paper = "hill-871";
    p.set_out.page.base_paper = "hill-899";
    const Project few = with_shortlist(p, {"hill-850"});
    EXPECT_LE(few.stash->papers.size(), most_compared);
    EXPECT_GE(few.stash->papers.size(), most_compared - 5);
    for (const char* id : {"hill-871", "hill-899", "hill-850"}) EXPECT_GE(few.stash->find(id), 0) << id;
    std::map<Pattern, int> patterns;
    int light = 0, dark = 0;
    for (const Paper& paper : few.stash->papers) {
        ++patterns[paper.pattern];
        const Lab lab = to_lab(paper.colour);
        light += lab.l > 75;
        dark += lab.l < 25;
        EXPECT_GE(all.find(paper.id), 0);
    }
    EXPECT_EQ(patterns.size(), 6u);
    EXPECT_GT(light, 5);
    EXPECT_GT(dark, 5);
    EXPECT_TRUE(with_shortlist(p).stash == with_shortlist(p).stash) << "the same for the same";
    const Project small = page_with(3, 3, 3, large_drawer(20));
    EXPECT_EQ(with_shortlist(small).stash.pointer(), small.stash.pointer());
}

TEST(Shortlist, WhatIsProposedFromItIsOfTheWholeStash) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Project p = page_with(4, 3, 3, large_drawer(400));
    Planner planner(testing::laid_before());
    const auto given = planner.propose(p, false);
    ASSERT_TRUE(given);
    const Project next = with_papers(p, *planner.shapes(p), *given);
    const auto plan = planner.plan(next);
    ASSERT_TRUE(plan);
    EXPECT_TRUE(plan->sheets.short_patches.empty());
    const Project few = with_shortlist(p);
    for (const int paper : plan->papers.of_section) {
        ASSERT_GE(paper, 0);
        EXPECT_GE(few.stash->find(p.stash->papers[static_cast<std::size_t>(paper)].id), 0);
    }
    const auto offered = planner.proposals(p, false, 2);
    ASSERT_TRUE(offered && !offered->empty());
    for (const OfferedPage& o : *offered) {
        EXPECT_EQ(o.project.stash.pointer(), p.stash.pointer()) << "nothing of the drawer is missing";
        EXPECT_TRUE(o.plan->sheets.short_patches.empty());
    }
    const auto why = planner.why(next, 0);
    ASSERT_TRUE(why);
    EXPECT_FALSE(why->others.empty());
    for (const OtherPaper& other : why->others) {
        ASSERT_LT(static_cast<std::size_t>(other.face.paper), p.stash->papers.size());
        EXPECT_TRUE(p.stash->papers[static_cast<std::size_t>(other.face.paper)].has(other.face.side));
    }
}

TEST(Shortlist, AFaceIsTheSamePaperAndSideInBoth) {
    const Stash all = large_drawer(300);
    const Project p = page_with(3, 3, 3, all);
    const Project few = with_shortlist(p);
    const std::vector<Face> faces = faces_of(*few.stash);
    const std::vector<Face> of_all = faces_of(all);
    for (int f = 0; f < static_cast<int>(faces.size()); ++f) {
        const int same = same_face(*few.stash, f, all);
        ASSERT_GE(same, 0);
        const Face& there = of_all[static_cast<std::size_t>(same)];
        EXPECT_EQ(all.papers[static_cast<std::size_t>(there.paper)].id,
                  few.stash->papers[static_cast<std::size_t>(faces[static_cast<std::size_t>(f)].paper)].id);
        EXPECT_EQ(there.side, faces[static_cast<std::size_t>(f)].side);
    }
    EXPECT_EQ(same_face(*few.stash, -1, all), -1);
}

} // namespace zesty
