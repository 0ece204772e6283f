#include "core/match/match.h"
#include "core/project/planner.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

std::shared_ptr<const Stash> stash_of(int papers, double side, int count) {
    Stash s;
    static const Rgb colours[] = {
        {200, 60, 50}, {60, 120, 70}, {230, 200, 90}, {120, 90, 170}, {60, 130, 180}};
    for (int i = 0; i < papers; ++i)
        s.papers.push_back({"p" + std::to_string(i),
                            "Paper " + std::to_string(i),
                            colours[i % 5],
                            "",
                            Pattern::Solid,
                            i % 2 ? Direction::Half : Direction::Free,
                            {{{testing::rectangle(0, 0, side, side), {}}, count, false}}});
    return std::make_shared<const Stash>(std::move(s));
}

Project project_with(const Drawing& drawing, std::shared_ptr<const Stash> stash) {
    Project p;
    p.drawing = std::make_shared<const DrawingFile>(DrawingFile{"test.svg", "", drawing});
    p.stash = std::move(stash);
    return p;
}

Project lattice_project(unsigned seed, int columns, int rows, std::shared_ptr<const Stash> stash) {
    std::mt19937 random(seed);
    return project_with(testing::random_lattice(random, columns, rows, 4), std::move(stash));
}

/// No sheet beyond the stock, every placement verified, shorts reported.
void expect_within_stock(const Project& p, const Plan& plan) {
    for (std::size_t i = 0; i < plan.patches.size(); ++i) {
        const int paper = plan.paper_of_section[plan.patches[i].section];
        if (plan.placed[i].sheet >= 0) {
            EXPECT_EQ(plan.sheets[plan.placed[i].sheet].paper, paper);
        }
        const bool reported =
            std::any_of(plan.short_patches.begin(), plan.short_patches.end(),
                        [&](const ShortPatch& s) { return s.patch == static_cast<int>(i); });
        EXPECT_EQ(plan.placed[i].sheet < 0, reported);
    }
    for (const UsedSheet& u : plan.used_sheets) {
        NestJob job;
        job.gap = p.blade_gap;
        NestResult r;
        job.sheets.push_back({plan.sheets[u.sheet].outline, 0});
        for (int patch : u.patches) {
            r.placements.push_back({static_cast<int>(job.pieces.size()), 0, plan.placed[patch].rotation_deg,
                                    plan.placed[patch].shift});
            job.pieces.push_back({plan.patches[patch].outline, true, {}, {}});
        }
        EXPECT_EQ(verify(job, r), "");
    }
}

} // namespace

TEST(Match, GivesEverySectionAPaperAndKeepsNeighboursApartWhenThereIsPlenty) {
    for (unsigned seed = 1; seed <= 4; ++seed) {
        const Project p = lattice_project(seed, 6, 5, stash_of(5, 152.4, 3));
        Planner planner;
        const auto a = planner.propose(p, false);
        ASSERT_TRUE(a);
        EXPECT_TRUE(a->alike.empty());
        const auto plan = planner.plan(with_papers(p, *planner.shapes(p), *a), {}, {}, true);
        ASSERT_TRUE(plan);
        EXPECT_TRUE(plan->short_patches.empty());
        expect_within_stock(p, *plan);
    }
}

TEST(Match, NeverUsesMorePaperThanThereIs) {
    // Far too little: some sections must go without, and all of that is said.
    const Project p = lattice_project(9, 6, 6, stash_of(3, 100, 2));
    Planner planner;
    const auto a = planner.propose(p, false);
    ASSERT_TRUE(a);
    const auto plan = planner.plan(with_papers(p, *planner.shapes(p), *a), {}, {}, true);
    ASSERT_TRUE(plan);
    EXPECT_FALSE(plan->short_patches.empty());
    EXPECT_GT(plan->used_sheets.size(), 3u);
    expect_within_stock(p, *plan);
    for (const ShortPatch& s : plan->short_patches)
        EXPECT_NE(s.reason.find("no paper has room"), std::string::npos);
}

TEST(Match, LeavesPapersGivenByHandAlone) {
    Project p = lattice_project(3, 5, 4, stash_of(4, 152.4, 3));
    p.choose(0, {"", Treatment::Paper, "p2", true, std::nullopt});
    p.choose(7, {"", Treatment::Paper, "p3", true, std::nullopt});
    p.choose(5, {"", Treatment::Open, "", false, std::nullopt});
    Planner planner;
    const auto a = planner.propose(p, false);
    ASSERT_TRUE(a);
    EXPECT_EQ(a->paper[0], 2);
    EXPECT_EQ(a->paper[7], 3);
    EXPECT_EQ(a->paper[5], -1);
}

TEST(Match, IsWithinOnePercentOfTheBestOnSmallCases) {
    std::mt19937 random(31);
    int checked = 0;
    for (unsigned seed = 1; seed <= 40; ++seed) {
        const Project p = lattice_project(seed, 3, 2, stash_of(3 + static_cast<int>(seed % 2), 250, 4));
        Planner planner;
        const auto shapes = planner.shapes(p);
        const auto a = planner.propose(p, false);
        ASSERT_TRUE(shapes && a);
        MatchJob job{*p.stash, std::vector<MatchSection>(shapes->sections.size()), shapes->neighbours, 1};
        for (std::size_t i = 0; i < shapes->patches.size(); ++i) {
            job.sections[i].area = shapes->patches[i].area;
            job.sections[i].radius = shapes->cut->openings[i].label.radius * shapes->set_out.scale;
        }
        const int papers = static_cast<int>(p.stash->papers.size());
        const int n = static_cast<int>(job.sections.size());
        double best = std::numeric_limits<double>::infinity();
        std::vector<int> paper(n, 0);
        for (long code = 0; code < std::lround(std::pow(papers, n)); ++code) {
            for (long c = code, s = 0; s < n; ++s, c /= papers) paper[s] = static_cast<int>(c % papers);
            best = std::min(best, cost_of(job, paper));
        }
        EXPECT_LE(cost_of(job, a->paper), best * 1.01 + 1e-6) << "seed " << seed;
        ++checked;
    }
    EXPECT_EQ(checked, 40);
}

TEST(Match, SameSeedSameAnswerAndStoppingIsSaid) {
    const Project p = lattice_project(6, 6, 5, stash_of(4, 152.4, 2));
    Planner first;
    Planner second;
    const auto a = first.propose(p, false);
    const auto b = second.propose(p, false);
    ASSERT_TRUE(a && b);
    EXPECT_EQ(a->paper, b->paper);
    EXPECT_TRUE(a->complete);
    const auto stopped = first.propose(p, false, [] { return true; });
    ASSERT_TRUE(stopped);
    EXPECT_FALSE(stopped->complete);
}

TEST(Match, WithoutPaperOrWithoutSectionsSaysThereIsNothingToDo) {
    Planner planner;
    const Project bare = lattice_project(6, 3, 3, nullptr);
    EXPECT_EQ(planner.propose(bare, false).error().kind, ErrorKind::NothingToDo);
    const Project plain =
        project_with(testing::drawing_of({testing::rectangle(0, 0, 9, 9)}), stash_of(2, 100, 1));
    EXPECT_EQ(planner.propose(plain, false).error().kind, ErrorKind::NothingToDo);
}

} // namespace zesty
