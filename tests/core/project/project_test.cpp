#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/fixes.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

TEST(Project, GroupingJoinsWholeSectionsAndKeepsTheFirstChoice) {
    Project p;
    p.sections.choose(4, {"sail", Treatment::Paper});
    p.match.choose(4, {"red", Side::A, true});
    group(p, {4, 9});
    EXPECT_EQ(p.sections.groups, (std::vector<std::vector<Spot>>{{4, 9}}));
    EXPECT_EQ(p.sections.choice(4).name, "sail");
    group(p, {9, 2});
    EXPECT_EQ(p.sections.groups, (std::vector<std::vector<Spot>>{{2, 4, 9}}));
    EXPECT_EQ(p.sections.choice(2).name, "sail");
    EXPECT_EQ(p.sections.choice(4), SectionChoice{});
    ungroup(p, {4});
    EXPECT_TRUE(p.sections.groups.empty());
    for (int o : {2, 4, 9}) EXPECT_EQ(p.match.choice(o).paper, "red");
}

TEST(Project, GroupingOneOpeningOrNoneChangesNothing) {
    Project p;
    group(p, {});
    group(p, {3});
    ungroup(p, {3});
    EXPECT_EQ(p, Project{});
}

TEST(Planner, AnEmptyPageHasAPlanToo) {
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(Project{});
    ASSERT_TRUE(plan);
    EXPECT_EQ(plan->sections.cut, nullptr);
    EXPECT_TRUE(plan->findings.empty());
}

TEST(Planner, FindingsOfferWaysOutThatWork) {
    // Two fields side by side in one paper, which is also too small for the second.
    Project p;
    set_only_cut(p,
                 std::make_shared<const DrawingFile>(DrawingFile{
                     "x.svg", "",
                     testing::drawing_of({testing::rectangle(0, 0, 100, 60), testing::rectangle(5, 5, 48, 55),
                                          testing::rectangle(52, 5, 95, 55)})}));
    p.set_out.cuts.front().place = {SizeRule::Width, 100, 0, false, {}};
    Stash s;
    s.papers.push_back({"a",
                        "Small",
                        {200, 0, 0},
                        "",
                        Pattern::Solid,
                        Direction::Free,
                        {{{testing::rectangle(0, 0, 60, 60), {}}, 1, false}}});
    s.papers.push_back({"b",
                        "Other",
                        {0, 0, 200},
                        "",
                        Pattern::Solid,
                        Direction::Free,
                        {{{testing::rectangle(0, 0, 150, 150), {}}, 1, false}}});
    p.stash = std::make_shared<const Stash>(s);
    p.match.choose(0, {"a", Side::A, true});
    p.match.choose(1, {"a", Side::A, true});
    Planner planner(testing::laid_before());
    EXPECT_TRUE(planner.plan(p)->papers.alike.empty()) << "locked both: somebody wants it so";
    p.match.choose(1, {"a", Side::A, false});
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    ASSERT_EQ(plan->sheets.short_patches.size(), 1u);
    ASSERT_EQ(plan->papers.alike.size(), 1u);
    ASSERT_EQ(plan->findings.front().code, Code::Short);
    const auto* give = plan->findings.front().fixes.front().as<GivePaper>();
    ASSERT_NE(give, nullptr);
    PaperChoice c = p.match.choice(give->section);
    c.paper = give->paper;
    p.match.choose(give->section, c);
    const auto fixed = planner.plan(p);
    ASSERT_TRUE(fixed);
    EXPECT_TRUE(fixed->sheets.short_patches.empty());
    EXPECT_TRUE(fixed->papers.alike.empty());
}

TEST(Planner, LeftoversNeverOverlapWhatWasCut) {
    std::mt19937 random(12);
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(
                        DrawingFile{"x.svg", "", testing::random_lattice(random, 4, 4, 4)}));
    Stash s;
    s.papers.push_back({"a",
                        "A",
                        {},
                        "",
                        Pattern::Solid,
                        Direction::Free,
                        {{{testing::rectangle(0, 0, 305, 305), {}}, 2, false}}});
    p.stash = std::make_shared<const Stash>(s);
    for (int o = 0; o < 16; ++o) p.match.choose(o, {"a", Side::A, false});
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    ASSERT_FALSE(plan->sheets.used.empty());
    for (const UsedSheet& u : plan->sheets.used) {
        double covered = 0;
        for (int patch : u.patches) {
            const Region on_sheet{
                transformed(plan->sections.patches[patch].outline, plan->sheets.placed[patch].to_sheet())};
            EXPECT_LT(area(*intersect(on_sheet, u.leftovers)), 1e-3);
            covered += plan->sections.patches[patch].area;
        }
        EXPECT_LE(covered + area(u.leftovers), plan->papers.sheets[u.sheet].area + 1e-3);
    }
}

TEST(Project, ASectionIsChangedOnceHoweverManyOfItsOpeningsAreNamed) {
    Project p;
    group(p, {1, 2, 5});
    int times = 0;
    change_sections(p, {1, 5, 2, 7}, [&](SectionChoice& c) {
        ++times;
        c.name += "x";
    });
    EXPECT_EQ(times, 2);
    EXPECT_EQ(p.sections.choice(1).name, "x");
    EXPECT_EQ(p.sections.choice(7).name, "x");
    EXPECT_TRUE(p.sections.choice(5).name.empty()) << "a section is named by its lowest opening";
    change_sections(p, {}, [&](SectionChoice&) { ++times; });
    EXPECT_EQ(times, 2);
}

} // namespace zesty
