#include "core/match/capacity.h"
#include "core/match/cost.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Patch patch(double x, double y, double w, double h) {
    Patch p;
    p.outline = {testing::rectangle(x, y, x + w, y + h), {}};
    p.area = w * h;
    return p;
}

struct Fixture {
    Stash stash;
    std::vector<Sheet> sheets;
    std::vector<Patch> patches;
    Capacity capacity;

    Fixture() {
        stash.papers.push_back({"a",
                                "A",
                                {200, 0, 0},
                                "",
                                Pattern::Solid,
                                Direction::Fixed,
                                {{{testing::rectangle(0, 0, 60, 40), {}}, 1, false}}});
        stash.papers.push_back({"b",
                                "B",
                                {0, 0, 200},
                                "",
                                Pattern::Large,
                                Direction::Free,
                                {{{testing::rectangle(0, 0, 60, 40), {}}, 1, false},
                                 {{{{0, 0}, {40, 0}, {0, 40}}, {}}, 1, true}}});
        sheets = sheets_of(stash);
        patches = {patch(0, 0, 30, 50), patch(0, 0, 50, 30), patch(0, 0, 20, 20), patch(9, 9, 12, 12)};
        capacity.use(stash, sheets, patches, 0.5, 1);
    }
};

} // namespace

TEST(Capacity, APaperWithADirectionIsNotTurned) {
    Fixture f;
    EXPECT_FALSE(f.capacity.fits_alone(0, 0)) << "30 x 50 does not stand on a sheet 40 high";
    EXPECT_TRUE(f.capacity.fits_alone(1, 0));
    EXPECT_TRUE(f.capacity.fits_alone(0, 1)) << "but may lie down on a paper without one";
}

TEST(Capacity, LaysScrapsFirstAndSaysWhatDoesNotFit) {
    Fixture f;
    const PaperNest& small = f.capacity.lay(1, {3}, 4, {});
    ASSERT_TRUE(small.complete());
    EXPECT_EQ(f.sheets[small.sheets[small.result.placements[0].sheet]].kind, SheetKind::Offcut);
    const PaperNest& much = f.capacity.lay(1, {0, 1, 2, 3}, 4, {});
    EXPECT_FALSE(much.complete());
    EXPECT_LT(much.placed_area, 30 * 50 * 2 + 400 + 144);
    EXPECT_DOUBLE_EQ(f.capacity.stock_area(1), 2400 + 800);
}

TEST(Capacity, RemembersAnswersUntilSomethingChanges) {
    Fixture f;
    f.capacity.lay(0, {1, 2}, 4, {});
    const std::size_t before = f.capacity.layings();
    f.capacity.lay(0, {2, 1}, 4, {});
    f.capacity.use(f.stash, f.sheets, f.patches, 0.5, 1);
    f.capacity.lay(0, {1, 2}, 4, {});
    EXPECT_EQ(f.capacity.layings(), before);
    f.capacity.use(f.stash, f.sheets, f.patches, 2.0, 1);
    f.capacity.lay(0, {1, 2}, 4, {});
    EXPECT_EQ(f.capacity.layings(), before + 1) << "another gap";
    f.patches[2] = patch(0, 0, 21, 20);
    f.capacity.use(f.stash, f.sheets, f.patches, 2.0, 1);
    f.capacity.lay(0, {1, 2}, 4, {});
    EXPECT_EQ(f.capacity.layings(), before + 2) << "another shape";
}

TEST(Capacity, AnAnswerCutShortIsNotTrustedLater) {
    Fixture f;
    EXPECT_FALSE(f.capacity.lay(0, {2}, 4, [] { return true; }).complete());
    EXPECT_TRUE(f.capacity.lay(0, {2}, 4, {}).complete());
}

TEST(Cost, WorseAssignmentsCostMore) {
    Fixture f;
    MatchJob job{f.stash, std::vector<MatchSection>(4), {}, 1};
    for (MatchSection& s : job.sections) s = {{}, 400, 20, -1, true};
    for (int i = 0; i < 3; ++i) job.neighbours.push_back({i, i + 1, 3, {}, {}});
    const double apart = cost_of(job, {0, 1, 0, 1});
    EXPECT_LT(apart, cost_of(job, {0, 0, 1, 1})) << "alike neighbours";
    EXPECT_LT(cost_of(job, {0, 0, 1, 1}), cost_of(job, {0, 0, 0, 0})) << "more of them";
    EXPECT_LT(cost_of(job, {0, 0, 0, 0}), cost_of(job, {0, 1, 0, -1})) << "no paper at all is worst";
    job.sections[1].radius = 4;
    EXPECT_GT(cost_of(job, {0, 1, 0, 1}), apart) << "a large print in a small opening";
    job.sections[3].backed = false;
    EXPECT_LT(cost_of(job, {0, 1, 0, -1}), 1000) << "an open section needs none";
}

TEST(Cost, PapersThatLookAlikeCostLessThanTheSameAndMoreThanDifferentOnes) {
    Stash stash;
    for (const Rgb c : {Rgb{200, 60, 50}, Rgb{196, 64, 54}, Rgb{40, 90, 180}})
        stash.papers.push_back(
            {"p" + std::to_string(stash.papers.size()), "P", c, "", Pattern::Solid, Direction::Free, {}});
    MatchJob job{
        stash, std::vector<MatchSection>(2, MatchSection{{}, 400, 20, -1, true}), {{0, 1, 2, {}, {}}}, 1};
    const double same = cost_of(job, {0, 0});
    const double similar = cost_of(job, {0, 1});
    const double different = cost_of(job, {0, 2});
    EXPECT_GT(same, similar);
    EXPECT_GT(similar, different);
    job.neighbours[0].width = 18;
    EXPECT_LT(cost_of(job, {0, 0}), same) << "a wide bar keeps them apart";
}

} // namespace zesty
