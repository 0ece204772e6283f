// Whole plans, every way of backing: what lies on the sheets is sound, and nothing is lost.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/drawn_line.h"
#include "core/project/edits.h"
#include "core/project/finished.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <set>

namespace zesty {

namespace {

Stash papers(int count, double side) {
    Stash s;
    for (int i = 0; i < count; ++i) {
        const auto shade = static_cast<std::uint8_t>(40 + 60 * i);
        s.papers.push_back({"p" + std::to_string(i),
                            "Paper " + std::to_string(i),
                            {shade, static_cast<std::uint8_t>(255 - shade), 120},
                            "",
                            Pattern::Solid,
                            i % 2 ? Direction::Half : Direction::Free,
                            {{{testing::rectangle(0, 0, side, side), {}}, 2, false}}});
    }
    return s;
}

Project project_backed(const Drawing& drawing, BackingMethod method) {
    Project p = testing::project_of(drawing);
    p.stash = std::make_shared<const Stash>(papers(4, 280));
    p.sections.backing.method = method;
    return p;
}

/// Proposed, taken and planned.
Plan planned_by(Project p) {
    Planner planner(testing::laid_before());
    const auto shapes = planner.shapes(p);
    EXPECT_TRUE(shapes);
    const auto offer = planner.propose(p, false);
    EXPECT_TRUE(offer) << offer.error().message;
    if (offer) p = with_papers(p, *shapes, *offer);
    auto plan = planner.plan(p, {}, {}, true);
    EXPECT_TRUE(plan);
    return plan ? std::move(*plan) : Plan{};
}

Region laid(const Plan& plan, std::size_t patch) {
    return {transformed(plan.sections.patches[patch].on_sheet(), plan.sheets.placed[patch].to_sheet())};
}

void expect_sound_sheets(const Plan& plan) {
    for (const UsedSheet& used : plan.sheets.used) {
        const Sheet& sheet = plan.papers.sheets[used.sheet];
        Region cut;
        double sum = 0;
        for (int p : used.patches) {
            const Patch& patch = plan.sections.patches[p];
            EXPECT_EQ(plan.papers.of_section[patch.section], sheet.paper);
            if (patch.rides_on >= 0) {
                EXPECT_EQ(plan.sheets.placed[p].sheet, plan.sheets.placed[patch.rides_on].sheet);
                EXPECT_EQ(plan.sheets.placed[p].rotation_deg,
                          plan.sheets.placed[patch.rides_on].rotation_deg);
                continue;
            }
            const Region one = laid(plan, p);
            EXPECT_LT(area(*subtract(one, {sheet.outline})), 0.05) << "leaves its sheet";
            sum += area(one);
            cut.insert(cut.end(), one.begin(), one.end());
        }
        EXPECT_NEAR(area(*unite(cut)), sum, 0.1) << "patches lie on each other";
        for (const Polygon& left : used.leftovers)
            EXPECT_LT(area(*intersect({left}, cut)), 0.5) << "a leftover is cut already";
        EXPECT_NEAR(used.used_area, sum, 1e-6);
    }
}

void expect_nothing_lost(const Plan& plan) {
    std::set<int> short_ones;
    for (const ShortPatch& s : plan.sheets.short_patches) short_ones.insert(s.patch);
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p) {
        EXPECT_NE(plan.sheets.placed[p].sheet >= 0, short_ones.contains(static_cast<int>(p)))
            << "patch " << p;
    }
    std::set<int> without(plan.sections.without_patch.begin(), plan.sections.without_patch.end());
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        const int patch = plan.patch_of(static_cast<int>(o));
        const bool wanted = takes_paper(plan.sections.all[plan.sections.of_opening[o]].treatment);
        const bool hidden = plan.sections.covered[o] >= hidden_share;
        EXPECT_EQ(patch >= 0, wanted && !hidden && !without.contains(static_cast<int>(o)))
            << "opening " << o + 1;
    }
}

} // namespace

class EveryWay : public ::testing::TestWithParam<BackingMethod> {};

TEST_P(EveryWay, LaysSoundSheetsAndLosesNothing) {
    std::mt19937 random(41);
    for (int round = 0; round < testing::rounds(3); ++round) {
        Project p = project_backed(testing::random_lattice(random, 3 + round, 3, 3), GetParam());
        if (round == 1) divide(p, {2}, {Division::Kind::Grid, 2, 2, 15, {0.5, 0.5}});
        if (round == 2) p.set_out.photos.push_back({"", 120, 90, false, {150, 150}, 8, true, {}});
        const Plan plan = planned_by(p);
        expect_sound_sheets(plan);
        expect_nothing_lost(plan);
    }
}

INSTANTIATE_TEST_SUITE_P(Methods, EveryWay,
                         ::testing::Values(BackingMethod::MachinePatches, BackingMethod::GlueAndTrim,
                                           BackingMethod::EnlargedCopy, BackingMethod::Inlay,
                                           BackingMethod::Punches, BackingMethod::OneSheet,
                                           BackingMethod::CutFrom),
                         [](const auto& method) {
                             std::string name = key_of(method.param);
                             std::erase(name, '-');
                             return name;
                         });

TEST(OneSheet, WithoutRoomForTheSheetAllItsPatchesAreShort) {
    std::mt19937 random(4);
    Project p = project_backed(testing::random_lattice(random, 3, 3, 3), BackingMethod::OneSheet);
    p.stash = std::make_shared<const Stash>(papers(1, 120));
    p.match.choose(0, {"p0", Side::A, true});
    Planner planner(testing::laid_before());
    const Plan plan = *planner.plan(p);
    EXPECT_EQ(plan.sheets.short_patches.size(), plan.sections.patches.size());
    expect_nothing_lost(plan);
}

TEST(OneSheet, IsOnePaperForTheCutButNotForTheOtherCut) {
    std::mt19937 random(4);
    Project p = project_backed(testing::random_lattice(random, 3, 3, 3), BackingMethod::OneSheet);
    p.set_out.cuts.front().place = {SizeRule::Width, 100, 0, false, {-60, 0}};
    copy_cut(p, 0, false, {110, 0});
    Planner planner(testing::laid_before());
    const Plan plan = *planner.shapes(p);
    EXPECT_EQ(plan.sections.all.size(), 2u);
    // An exception takes its opening out of the shared sheet.
    SectionChoice own;
    own.method = BackingMethod::MachinePatches;
    p.sections.choose(4, own);
    EXPECT_EQ(planner.shapes(p)->sections.all.size(), 3u);
}

TEST(DrawnLine, DividesTheOpeningItCrossesMostAsTheDrawingLies) {
    Project p = project_backed(
        testing::drawing_of({testing::rectangle(0, 0, 200, 100), testing::rectangle(10, 10, 90, 90),
                             testing::rectangle(110, 10, 190, 90)}),
        BackingMethod::MachinePatches);
    for (const double turn : {0.0, 35.0}) {
        p.set_out.cuts.front().place = {SizeRule::Width, 200, turn, false, {3, -4}};
        Planner planner(testing::laid_before());
        const Plan plan = *planner.shapes(p);
        const Transform& t = plan.set_out.whole.to_page;
        // From inside the left opening far into the right one: most of it lies on the right.
        const Point from = t({80, 40});
        const Point to = t({185, 60});
        const auto drawn = division_by_line(plan, from, to);
        ASSERT_TRUE(drawn);
        EXPECT_EQ(drawn->opening, Spot(0, 1));
        Project q = p;
        divide(q, {drawn->opening}, drawn->division);
        const Plan parted = *planner.shapes(q);
        ASSERT_EQ(parted.sections.all.size(), 3u);
        // The seam runs along the line: both parts touch it, neither crosses it.
        const Point way = to - from;
        for (int o : {1, 2}) {
            double least = 1e9;
            double most = -1e9;
            for (Point c : parted.sections.cut->openings[o].outline.outer) {
                const double side = cross(way, parted.set_out.whole.to_page(c) - from) / length(way);
                least = std::min(least, side);
                most = std::max(most, side);
            }
            EXPECT_NEAR(std::min(std::abs(least), std::abs(most)), 0, 0.05);
        }
    }
    Planner planner(testing::laid_before());
    const Plan plan = *planner.shapes(p);
    EXPECT_FALSE(division_by_line(plan, {1, 1}, {2, 1})) << "over no opening";
    EXPECT_FALSE(division_by_line(plan, {100, 100}, {100, 100})) << "no line";
    EXPECT_FALSE(division_by_line(Plan{}, {0, 0}, {100, 100}));
}

TEST(Plan, TheInnermostOpeningIsTheOneAtAPlace) {
    // In the left opening lies an insert that has an opening of its own.
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 200, 100), testing::rectangle(10, 10, 90, 90),
                             testing::rectangle(30, 30, 70, 70), testing::rectangle(40, 40, 60, 60),
                             testing::rectangle(110, 10, 190, 90)}));
    p.set_out.cuts.front().place = {SizeRule::Width, 200, 25, false, {3, -4}};
    const Plan plan = testing::shapes_of(p);
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        const int number = static_cast<int>(o);
        EXPECT_EQ(plan.opening_at(plan.middle_of(number)), number);
    }
    EXPECT_EQ(plan.opening_at(plan.set_out.whole.to_page({100, 50})), -1) << "on a bar";
    EXPECT_EQ(plan.opening_at({-50, -50}), -1);
    EXPECT_EQ(Plan{}.opening_at({10, 10}), -1);
    // Pieces are counted with those left out, a shadow's as its cut's.
    Planner planner(testing::laid_before());
    p.set_out.cuts[0].left_out = {1};
    add_shadow(p, 0, 25);
    EXPECT_EQ(planner.piece_count(p, 0).value(), 2);
    EXPECT_EQ(planner.piece_count(p, 1).value(), 2);
}

TEST(Spread, CutsAndFramesGoByTheirPages) {
    std::mt19937 random(14);
    Project p = project_backed(testing::random_lattice(random, 3, 3, 3), BackingMethod::MachinePatches);
    p.set_out.page.spread = true;
    p.set_out.page.gap = 6;
    p.set_out.page.reveal = Sides::even(12.7);
    p.set_out.page.frame_paper = "p0";
    Stash stash = papers(2, 304.8);
    p.stash = std::make_shared<const Stash>(stash);
    Planner planner(testing::laid_before());
    const Plan plan = *planner.plan(p);
    EXPECT_EQ(plan.set_out.frame.bases.size(), 2u);
    EXPECT_NEAR(plan.set_out.frame.bases[1].x0, 304.8 + 6 + 12.7, 1e-9);
    // Both frames came out of the two sheets of their paper, and left two middles.
    int gutted = 0;
    for (const Sheet& s : plan.papers.sheets)
        if (s.kind == SheetKind::Gutted) {
            ++gutted;
            EXPECT_NEAR(s.area, std::pow(304.8 - 2 * 25.4, 2), 1);
        }
    EXPECT_EQ(gutted, 2);
    // A third frame would find no sheet.
    stash.papers[0].sheets[0].count = 1;
    p.stash = std::make_shared<const Stash>(stash);
    const Plan less = *planner.plan(p);
    EXPECT_TRUE(std::any_of(less.findings.begin(), less.findings.end(),
                            [](const Finding& f) { return f.code == Code::FramePaper; }));
}

TEST(StillToChoose, SaysWhatWaitsForThePieceItIsSetInto) {
    Project p = project_backed(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}),
        BackingMethod::Inlay);
    p.set_out.cuts.front().pieces_from_paper = true;
    const std::vector<Spot> spots = Planner().shapes(p)->sections.spots;
    ASSERT_EQ(spots.size(), 2u) << "the opening, and the piece round it";
    p.match.choices[spots[0]].paper = "p0";
    const auto said = [&] {
        const auto plan = Planner(testing::laid_before()).plan(p);
        EXPECT_TRUE(plan);
        return still_to_choose(p, *plan);
    };
    const std::string waits = "paper for what lies round opening 1, cut but not set in without it";
    EXPECT_EQ(said(), (std::vector<std::string>{"paper for opening 2", waits}));
    p.match.choices[spots[1]].paper = "p1";
    EXPECT_TRUE(said().empty());
}

} // namespace zesty
