#include "core/match/draft.h"
#include "core/match/face.h"
#include "core/match/forced.h"
#include "core/match/joined.h"
#include "support/lattice.h"
#include "support/neighbours.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Stash three_with_two_backs() {
    Stash s;
    for (const char* id : {"a", "b", "c"})
        s.papers.push_back({id,
                            id,
                            {static_cast<std::uint8_t>(40 * (id[0] - 'a' + 1)), 90, 160},
                            "",
                            Pattern::Solid,
                            Direction::Free,
                            {{{testing::rectangle(0, 0, 100, 100), {}}, 1, false}}});
    s.papers[0].back = PaperFace{{250, 250, 250}, "", Pattern::Solid, Direction::Free};
    s.papers[2].back = PaperFace{{10, 10, 10}, "", Pattern::Solid, Direction::Free};
    return s;
}

MatchSection section(Point at, double area = 400) {
    MatchSection m;
    m.area = area;
    m.radius = 10;
    m.at = at;
    return m;
}

} // namespace

TEST(Faces, AreSideAOfEveryPaperAndThenTheOtherSides) {
    const Stash s = three_with_two_backs();
    const std::vector<Face> faces = faces_of(s);
    ASSERT_EQ(faces.size(), 5u);
    for (int p = 0; p < 3; ++p) EXPECT_EQ(faces[static_cast<std::size_t>(p)], (Face{p, Side::A}));
    for (int f = 0; f < 5; ++f) {
        const Face& face = faces[static_cast<std::size_t>(f)];
        EXPECT_EQ(face_of(s, face.paper, face.side), f);
    }
    EXPECT_EQ(face_of(s, 1, Side::B), 1) << "where there is no other side, it is side A";
    EXPECT_EQ(face_of(s, -1, Side::A), -1);
}

TEST(Joined, SectionsThatFollowEachOtherAreOneAndComeApartAgain) {
    const Stash s = three_with_two_backs();
    MatchJob job{
        s,
        {section({0, 0}), section({10, 0}, 1200), section({20, 0}), section({30, 0})},
        {testing::beside(0, 1), testing::beside(1, 2, 5), testing::beside(1, 3, 2), testing::beside(2, 3)}};
    job.sections[3].same_as = 1;
    job.sections[0].given = 2;
    job.sections[3].never = {1};
    const Joined one = joined(job);
    ASSERT_EQ(one.job.sections.size(), 3u);
    EXPECT_EQ(one.of, (std::vector<int>{0, 1, 2, 1}));
    EXPECT_DOUBLE_EQ(one.job.sections[1].area, 1600);
    EXPECT_NEAR(one.job.sections[1].at.x, 15, 1e-9) << "the middle of what they cover";
    EXPECT_EQ(one.job.sections[1].never, std::vector<int>{1});
    ASSERT_EQ(one.job.neighbours.size(), 2u) << "of two bars the narrower, and none between the two";
    EXPECT_DOUBLE_EQ(one.job.neighbours[1].width, 3);
    EXPECT_EQ(one.spread({2, 0, 1}), (std::vector<int>{2, 0, 1, 0}));
    EXPECT_EQ(one.shrunk({2, 0, 1, 0}), (std::vector<int>{2, 0, 1}));
}

TEST(Joined, FollowingInARoundOrSomethingThatGetsNoPaperDoesNoHarm) {
    const Stash s = three_with_two_backs();
    MatchJob job{s, {section({0, 0}), section({10, 0}), section({20, 0})}, {testing::beside(0, 1)}};
    job.sections[0].same_as = 1;
    job.sections[1].same_as = 0;
    job.sections[2].same_as = 7;
    EXPECT_EQ(joined(job).job.sections.size(), 2u);
    job.sections[1].backed = false;
    EXPECT_EQ(joined(job).job.sections.size(), 3u);
}

TEST(Draft, CountsByFaceAndByPaperWhateverTheOrder) {
    const Stash s = three_with_two_backs();
    MatchJob job{s,
                 {section({0, 0}), section({10, 0}), section({20, 10}), section({0, 30})},
                 {testing::beside(0, 1), testing::beside(1, 2)}};
    const Cost cost(job);
    std::vector<std::vector<int>> all(4, {0, 1, 2, 3, 4});
    Draft draft(job, cost, all);
    std::mt19937 random(3);
    for (int step = 0; step < 200; ++step)
        draft.assign(static_cast<int>(random() % 4), static_cast<int>(random() % 6) - 1);
    const std::vector<int> now = draft.papers();
    Draft fresh(job, cost, all);
    fresh.assign_all(now);
    for (int f = 0; f < 5; ++f) {
        EXPECT_EQ(draft.share(f).uses, fresh.share(f).uses);
        EXPECT_NEAR(draft.share(f).area, fresh.share(f).area, 1e-6);
    }
    for (int p = 0; p < 3; ++p) EXPECT_EQ(draft.paper_share(p).uses, fresh.paper_share(p).uses);
    draft.assign_all({0, 3, 0, -1});
    EXPECT_EQ(draft.paper_share(0).uses, 3) << "side B is number 3, of the first paper";
    EXPECT_EQ(draft.share(0).uses, 2);
    EXPECT_TRUE(draft.alike().empty()) << "the two sides look different";
    draft.assign_all({0, 0, 1, -1});
    EXPECT_EQ(draft.alike(), std::vector<int>{0});
}

TEST(Cost, WhatIsSaidInPartsAddsUpToTheWhole) {
    const Stash s = three_with_two_backs();
    MatchJob job{s,
                 {section({0, 0}), section({10, 0}), section({20, 10})},
                 {testing::beside(0, 1), testing::beside(1, 2)}};
    job.style.drift = 0.4;
    job.apart = {{0, 1}};
    job.sections[1].behind = {{{{42, 92, 160}, 0.7}, {{240, 240, 235}, 0.3}}};
    job.sections[2].mats = {{1, 4}, {4, 9}};
    job.sections[1].beside_photo = 1;
    job.photo_colours = {{{80, 90, 160}, 0.5}};
    const Cost cost(job);
    std::mt19937 random(8);
    for (int round = 0; round < 60; ++round) {
        std::vector<int> papers;
        for (int k = 0; k < 3; ++k) papers.push_back(static_cast<int>(random() % 6) - 1);
        for (int k = 0; k < 3; ++k) {
            if (papers[static_cast<std::size_t>(k)] < 0) continue;
            double sum = 0;
            double before = 1e18;
            for (const CostTerm& t : cost.terms(k, papers[static_cast<std::size_t>(k)], papers)) {
                sum += t.amount;
                EXPECT_LE(t.amount, before) << "the heaviest first";
                before = t.amount;
            }
            EXPECT_NEAR(sum, cost.local(k, papers[static_cast<std::size_t>(k)], papers), 1e-9);
        }
    }
    EXPECT_TRUE(cost.must_not_meet(0, 1));
    EXPECT_TRUE(cost.must_not_meet(1, 3)) << "on either side";
    EXPECT_FALSE(cost.must_not_meet(0, 2));
    EXPECT_FALSE(cost.must_not_meet(0, -1));
}

TEST(ForcedPairs, AreAtLeastWhatGroupsThatAllTouchAndLackPapersMustRepeat) {
    const Stash s = three_with_two_backs();
    MatchJob job{s, std::vector<MatchSection>(4, section({0, 0})), {}};
    for (int a = 0; a < 4; ++a)
        for (int b = a + 1; b < 4; ++b) job.neighbours.push_back(testing::beside(a, b));
    const Cost cost(job);
    EXPECT_EQ(least_alike(job, cost, {{0, 1, 2}, {0, 1, 2}, {0, 1, 2}, {0, 1, 2}}), 1u);
    EXPECT_EQ(least_alike(job, cost, {{0, 1, 2, 3}, {0, 1, 2}, {0, 1, 2}, {0, 1, 2}}), 0u);
    EXPECT_GE(least_alike(job, cost, {{0}, {0}, {1}, {1}}), 2u);
}

} // namespace zesty
