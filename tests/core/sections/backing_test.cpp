// Every method, on random lattices: what a patch promises holds whichever way it is made.

#include "core/geometry/boolean.h"
#include "core/geometry/cuttable.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/sections/method_shapes.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::opening_on_page;
using testing::shapes_of;

namespace {

Project project_with(const Drawing& drawing, BackingMethod method, double lip) {
    Project p = testing::project_of(drawing);
    p.sections.backing.method = method;
    p.sections.lip = lip;
    return p;
}

Region silhouette(const Plan& plan) {
    Region all;
    for (const Piece& p : plan.sections.cut->pieces)
        all.push_back({transformed(p.outline.outer, plan.set_out.whole.to_page), {}});
    return *unite(all);
}

void expect_hidden_behind_bars(const Plan& plan, const Patch& p) {
    EXPECT_LT(area(*subtract({p.outline}, silhouette(plan))), 0.25) << "peeks at " << p.opening + 1;
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        if (static_cast<int>(o) == p.opening) continue;
        const Polygon other = opening_on_page(plan, static_cast<int>(o));
        if (!bounds(other).meets(bounds(p.outline))) continue;
        EXPECT_LT(area(*intersect({p.outline}, {other})), 0.25) << p.opening + 1 << " shows in " << o + 1;
    }
}

void expect_covers_with_its_lip(const Plan& plan, const Patch& p) {
    const Polygon opening = opening_on_page(plan, p.opening);
    EXPECT_LT(area(*subtract({opening}, {p.outline})), 0.05 + 1e-3 * area(opening));
    EXPECT_NEAR(p.lip, gap(opening.outer, p.outline.outer).distance, 0.1);
}

} // namespace

class EveryMethod : public ::testing::TestWithParam<BackingMethod> {};

TEST_P(EveryMethod, KeepsItsPromisesOnRandomLattices) {
    const BackingMethod method = GetParam();
    std::mt19937 random(11);
    for (int round = 0; round < testing::rounds(6); ++round) {
        const double lip = 0.5 + 0.01 * static_cast<double>(random() % 600);
        Project project =
            project_with(testing::random_lattice(random, 3 + round % 3, 3, 1.5 + round), method, lip);
        const Plan plan = shapes_of(project);
        project.sections.backing.lips = LipMode::Overlap;
        for (const Patch& p : shapes_of(project).sections.patches)
            EXPECT_TRUE(is_cuttable(p.outline)) << "overlapping, opening " << p.opening + 1;
        ASSERT_FALSE(plan.sections.patches.empty());
        for (const Patch& p : plan.sections.patches) {
            EXPECT_TRUE(is_cuttable(p.outline));
            EXPECT_TRUE(p.blank.outer.empty() || is_cuttable(p.blank));
            expect_hidden_behind_bars(plan, p);
            const bool machine =
                p.fell_back || (method != BackingMethod::Inlay && method != BackingMethod::CutFrom &&
                                method != BackingMethod::Punches);
            if (machine) expect_covers_with_its_lip(plan, p);
            if (p.rides_on < 0 && !p.blank.outer.empty()) {
                EXPECT_LT(area(*subtract({p.outline}, {p.blank})), 0.05);
            }
        }
    }
}

INSTANTIATE_TEST_SUITE_P(Methods, EveryMethod,
                         ::testing::Values(BackingMethod::MachinePatches, BackingMethod::TraceAndTrim,
                                           BackingMethod::GlueAndTrim, BackingMethod::EnlargedCopy,
                                           BackingMethod::Inlay, BackingMethod::Punches,
                                           BackingMethod::OneSheet, BackingMethod::CutFrom),
                         [](const auto& method) {
                             std::string name = key_of(method.param);
                             std::erase(name, '-');
                             return name;
                         });

TEST(Methods, EnlargedCopiesHaveFactorsThatGiveEachOfTheirPiecesALip) {
    std::mt19937 random(3);
    const Plan plan =
        shapes_of(project_with(testing::random_lattice(random, 4, 4, 6), BackingMethod::EnlargedCopy, 3));
    const auto& copies = plan.sections.enlargements;
    ASSERT_FALSE(copies.empty());
    int made = 0;
    for (const Patch& p : plan.sections.patches) {
        if (p.fell_back) continue;
        ++made;
        EXPECT_GE(p.lip, least_lip - 0.02);
        const double opening = area(Polygon{opening_on_page(plan, p.opening).outer, {}});
        EXPECT_NEAR(p.area / opening, p.enlarged * p.enlarged, 0.01);
        EXPECT_NE(std::find(copies.begin(), copies.end(), p.enlarged), copies.end());
    }
    EXPECT_GT(made, 8);
}

TEST(Methods, PunchesComeInTheSizesAtHand) {
    // Round openings of 30 mm in a sheet: the punch of 1 1/4 in covers them with 0.87 mm, 1 in lies on top.
    std::vector<Ring> rings{testing::rectangle(0, 0, 200, 100)};
    for (int i = 0; i < 3; ++i) rings.push_back(testing::polygon({40.0 + 60 * i, 50}, 15, 90));
    Project p = project_with(testing::drawing_of(rings), BackingMethod::Punches, 3);
    p.set_out.cuts.front().place = {SizeRule::Width, 200, 0, false, {}};
    for (const Patch& patch : shapes_of(p).sections.patches) {
        EXPECT_FALSE(patch.fell_back);
        EXPECT_NEAR(patch.punch, 1.25 * mm_per_inch, 1e-9);
        EXPECT_NEAR(patch.lip, 31.75 / 2 - 15, 0.1);
    }
    p.sections.backing.punch_on_top = true;
    for (const Patch& patch : shapes_of(p).sections.patches) {
        EXPECT_NEAR(patch.punch, mm_per_inch, 1e-9);
        EXPECT_NEAR(patch.border, 15 - 12.7, 0.1);
    }
    p.sections.backing.punches = {100};
    for (const Patch& patch : shapes_of(p).sections.patches) EXPECT_TRUE(patch.fell_back);
}

TEST(Methods, InlaysKeepTheirClearanceAndLeaveOutWhatIsTooNarrow) {
    const Project p = [] {
        Project q = project_with(
            testing::drawing_of({testing::rectangle(0, 0, 200, 100), testing::rectangle(10, 10, 90, 90),
                                 testing::rectangle(110, 10, 112.5, 90)}),
            BackingMethod::Inlay, 3);
        q.set_out.cuts.front().place = {SizeRule::Width, 200, 0, false, {}};
        return q;
    }();
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.patches.size(), 1u);
    const Box b = bounds(plan.sections.patches[0].outline);
    EXPECT_NEAR(b.width(), 80 - 0.5, 0.05);
    EXPECT_EQ(plan.sections.without_patch, std::vector<int>{1});
}

TEST(Methods, OneSheetTakesOnePieceOfPaperForTheWholeCut) {
    std::mt19937 random(5);
    const Plan plan =
        shapes_of(project_with(testing::random_lattice(random, 4, 3, 4), BackingMethod::OneSheet, 3));
    EXPECT_EQ(plan.sections.all.size(), 1u);
    int leaders = 0;
    Region sheet;
    for (const Patch& p : plan.sections.patches)
        if (p.rides_on < 0 && !p.blank.outer.empty()) {
            ++leaders;
            sheet.push_back(p.blank);
        }
    EXPECT_EQ(leaders, 1);
    for (const Patch& p : plan.sections.patches) EXPECT_LT(area(*subtract({p.outline}, sheet)), 0.05);
    EXPECT_LT(area(*subtract(sheet, silhouette(plan))), 0.05);
    EXPECT_NEAR(plan.patch_area(), area(sheet), 1e-6);
}

TEST(Methods, OneSheetLiesBehindOneCutWhateverIsGrouped) {
    std::mt19937 random(5);
    Project p = project_with(testing::random_lattice(random, 3, 2, 4), BackingMethod::OneSheet, 3);
    const int copy = copy_cut(p, 0, false, {20, 0});
    group(p, {Spot(2), Spot(copy, 0)});
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 2u);
    EXPECT_EQ(plan.sections.all[0].openings.size(), 6u);
    EXPECT_EQ(plan.sections.all[1].openings.size(), 6u);
    for (const Patch& patch : plan.sections.patches) {
        if (patch.rides_on < 0) continue;
        EXPECT_EQ(patch.section, plan.sections.patches[static_cast<std::size_t>(patch.rides_on)].section);
    }
}

TEST(Lips, OverlappingPatchesNeverNeedAThirdLayer) {
    std::mt19937 random(29);
    for (int round = 0; round < testing::rounds(4); ++round) {
        Project p =
            project_with(testing::random_lattice(random, 4, 4, 2 + round), BackingMethod::MachinePatches, 4);
        const double meeting = [&] {
            double sum = 0;
            for (const Patch& patch : shapes_of(p).sections.patches) sum += patch.area;
            return sum;
        }();
        p.sections.backing.lips = LipMode::Overlap;
        const Plan plan = shapes_of(p);
        double sum = 0;
        for (const Patch& patch : plan.sections.patches) {
            sum += patch.area;
            expect_hidden_behind_bars(plan, patch);
            expect_covers_with_its_lip(plan, patch);
        }
        EXPECT_GT(sum, meeting * 1.01) << "they reach farther than patches that meet";
        const std::size_t n = plan.sections.patches.size();
        for (std::size_t a = 0; a < n; ++a)
            for (std::size_t b = a + 1; b < n; ++b) {
                if (!bounds(plan.sections.patches[a].outline).meets(bounds(plan.sections.patches[b].outline)))
                    continue;
                const auto two =
                    intersect({plan.sections.patches[a].outline}, {plan.sections.patches[b].outline});
                for (std::size_t c = b + 1; c < n && !two->empty(); ++c) {
                    const Region three = *intersect(*two, {plan.sections.patches[c].outline});
                    EXPECT_LT(area(three), 0.3) << a << " " << b << " " << c;
                }
            }
    }
}

TEST(Lips, OneBarCanDoOtherwiseThanThePage) {
    std::mt19937 random(31);
    Project p = project_with(testing::random_lattice(random, 4, 4, 3), BackingMethod::MachinePatches, 4);
    const Plan meeting = shapes_of(p);
    const Bar bar = *std::find_if(meeting.sections.cut->bars.begin(), meeting.sections.cut->bars.end(),
                                  [](const Bar& b) { return b.b != Bar::edge; });
    const auto named = meeting.bars_among({bar.a, bar.b});
    ASSERT_EQ(named, (std::vector<BarName>{{meeting.sections.spots[bar.a], meeting.sections.spots[bar.b]}}));
    EXPECT_GT(meeting.bars_among({bar.a}).size(), 1u) << "one opening alone: all its bars";
    set_bars(p.sections, named, LipMode::Overlap);
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.patches.size(), meeting.sections.patches.size());
    double on_each_other = 0;
    for (std::size_t i = 0; i < plan.sections.patches.size(); ++i) {
        const Patch& now = plan.sections.patches[i];
        expect_hidden_behind_bars(plan, now);
        const bool beside = now.opening == bar.a || now.opening == bar.b;
        if (!beside) {
            EXPECT_NEAR(now.area, meeting.sections.patches[i].area, 1e-9) << now.opening + 1;
        }
        for (std::size_t k = i + 1; k < plan.sections.patches.size(); ++k) {
            const double both = area(*intersect({now.outline}, {plan.sections.patches[k].outline}));
            if (beside &&
                (plan.sections.patches[k].opening == bar.a || plan.sections.patches[k].opening == bar.b))
                on_each_other += both;
            else
                EXPECT_LT(both, 0.3) << now.opening + 1 << " and " << plan.sections.patches[k].opening + 1;
        }
    }
    EXPECT_GT(on_each_other, 20) << "the patches beside the bar lie on each other there";
    // The other way round: the page overlaps and this bar does not.
    p.sections.backing.lips = LipMode::Overlap;
    p.sections.bars.clear();
    set_bars(p.sections, named, LipMode::Meet);
    const Plan other = shapes_of(p);
    const auto outline = [&](int opening) { return other.sections.patches[other.patch_of(opening)].outline; };
    EXPECT_LT(area(*intersect({outline(bar.a)}, {outline(bar.b)})), 1);
    set_bars(p.sections, named, LipMode::Overlap);
    EXPECT_TRUE(p.sections.bars.empty()) << "as everywhere else";
}

TEST(Methods, TheTableTellsThemApart) {
    std::mt19937 random(17);
    Planner planner(testing::laid_before());
    const auto table = planner.compare_methods(
        project_with(testing::random_lattice(random, 4, 4, 4), BackingMethod::MachinePatches, 3));
    ASSERT_TRUE(table);
    ASSERT_EQ(table->size(), words_of<BackingMethod>.size());
    const auto of = [&](BackingMethod s) { return (*table)[static_cast<std::size_t>(s)]; };
    EXPECT_GT(of(BackingMethod::GlueAndTrim).paper_area, 1.2 * of(BackingMethod::MachinePatches).paper_area);
    EXPECT_GT(of(BackingMethod::TraceAndTrim).minutes, of(BackingMethod::MachinePatches).minutes);
    EXPECT_LT(of(BackingMethod::Inlay).paper_area, of(BackingMethod::MachinePatches).paper_area);
    EXPECT_LT(of(BackingMethod::OneSheet).minutes, of(BackingMethod::MachinePatches).minutes);
    EXPECT_EQ(of(BackingMethod::CutFrom).narrow_lips, 0);
}

TEST(Methods, TheAdviceGoesByWhatTheOpeningIs) {
    const BackingRules rules;
    const auto advice = [&](const Ring& ring, double bar) {
        return advised_method({ring, {}}, bar, rules, Units::Inches).method;
    };
    EXPECT_EQ(advice(testing::polygon({50, 50}, 15, 90), 8), BackingMethod::Punches);
    EXPECT_EQ(advice(testing::rectangle(0, 0, 80, 60), 8), BackingMethod::TraceAndTrim);
    EXPECT_EQ(advice(testing::rectangle(0, 0, 8, 60), 8), BackingMethod::MachinePatches);
    EXPECT_EQ(advice(testing::rectangle(0, 0, 80, 60), 0.7), BackingMethod::OneSheet);
}

} // namespace zesty
