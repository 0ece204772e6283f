// One back for many openings, circles behind and on top, places that divisions go about, and thin bars.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/drawn_line.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/project/thin_bars.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::opening_on_page;
using testing::shapes_of;

namespace {

/// A row of panes 20 mm wide with bars of 5 mm, set out at its own size.
Project panes(int count) {
    std::vector<Ring> rings{testing::rectangle(0, 0, 25.0 * count + 5, 60)};
    for (int i = 0; i < count; ++i) rings.push_back(testing::rectangle(5 + 25 * i, 5, 25 + 25 * i, 55));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 25.0 * count + 5);
    return p;
}

/// One circle of that diameter in a square.
Project one_circle(double across) {
    Project p = testing::project_of(testing::drawing_of(
        {testing::rectangle(0, 0, 100, 100), testing::polygon({50, 50}, across / 2, 180)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    p.sections.backing.method = BackingMethod::Punches;
    return p;
}

} // namespace

TEST(VellumOnOneSheet, LiesBehindItsOpeningsAloneAndIsOneSectionForThem) {
    Project p = panes(5);
    for (int o : {1, 2, 4})
        p.sections.choose(
            o, {.name = {}, .treatment = Treatment::Translucent, .method = BackingMethod::OneSheet});
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 3u) << "two panes of paper, and the vellum";
    const int vellum = plan.sections.of_opening[1];
    EXPECT_EQ(plan.sections.all[vellum].openings, (std::vector<int>{1, 2, 4}));
    Region sheets;
    for (const Patch& patch : plan.sections.patches)
        if (patch.section == vellum && patch.rides_on < 0) sheets.push_back(patch.on_sheet());
    EXPECT_EQ(sheets.size(), 2u) << "what lies apart has a sheet of its own";
    for (int o : {1, 2, 4})
        EXPECT_LT(area(*subtract({opening_on_page(plan, o)}, sheets)), 0.05) << o << " is backed";
    for (int o : {0, 3})
        EXPECT_LT(area(*intersect({opening_on_page(plan, o)}, sheets)), 0.05) << o << " shows none of it";
}

TEST(VellumOnOneSheet, DoesNotShareTheSheetOfPaper) {
    Project p = panes(4);
    for (int o : {0, 1})
        p.sections.choose(
            o, {.name = {}, .treatment = Treatment::Translucent, .method = BackingMethod::OneSheet});
    for (int o : {2, 3}) p.sections.choose(o, {.name = {}, .method = BackingMethod::OneSheet});
    const Plan plan = shapes_of(p);
    EXPECT_EQ(plan.sections.all.size(), 2u);
    for (const Patch& patch : plan.sections.patches)
        if (patch.rides_on >= 0) {
            EXPECT_EQ(plan.sections.patches[patch.rides_on].section, patch.section);
        }
}

TEST(Circles, LieOnTopInSomeSectionsAndBehindInOthers) {
    Project p = one_circle(45);
    const auto patch = [&] { return shapes_of(p).sections.patches.at(0); };
    EXPECT_NEAR(patch().punch, 50.8, 1e-9) << "behind";
    p.sections.choose(0, {.name = {}, .punch_on_top = true});
    EXPECT_LT(patch().punch, 45);
    EXPECT_GT(patch().border, 0);
    p.sections.backing.punch_on_top = true;
    p.sections.choose(0, {.name = {}, .punch_on_top = false});
    EXPECT_NEAR(patch().punch, 50.8, 1e-9);
}

TEST(Circles, WithoutAPunchSayWhichOneTheyWant) {
    Project p = one_circle(55);
    p.sections.backing.punches = {25.4, 50.8};
    const Plan plan = shapes_of(p);
    const Finding* f = testing::finding_in(plan, Code::NoPunch);
    ASSERT_TRUE(f);
    EXPECT_TRUE(f->message.starts_with("1 is a circle of 2 5/32 in, which needs a punch from 2 7/32 in to "))
        << f->message;
    p.sections.backing.punches = {25.4, 60};
    EXPECT_FALSE(testing::finding_in(shapes_of(p), Code::NoPunch));
}

TEST(AboutAPlace, RaysMeetWhereSomebodyClickedHoweverTheCutLies) {
    std::mt19937 random(5);
    for (int round = 0; round < testing::rounds(20); ++round) {
        Project p = panes(3);
        p.set_out.cuts[0].place.turn_deg = static_cast<double>(random() % 360);
        p.set_out.cuts[0].place.mirrored = random() % 2;
        const Plan before = shapes_of(p);
        const Point clicked =
            before.set_out.whole.to_page(before.sections.cut->openings[1].label.centre) + Point{2, 3};
        divide(p, {1}, about_place(p, before, 1, {Division::Kind::Rays, 5, 2, 0, {0.5, 0.5}}, clicked));
        const Plan plan = shapes_of(p);
        ASSERT_EQ(plan.sections.cut->openings.size(), 7u);
        for (std::size_t o = 0; o < plan.sections.spots.size(); ++o) {
            if (plan.sections.spots[o].part == 0) continue;
            double nearest = 1e9;
            for (const Point q : opening_on_page(plan, static_cast<int>(o)).outer)
                nearest = std::min(nearest, distance(q, clicked));
            EXPECT_LT(nearest, 1e-6) << "every ray has a corner there";
        }
    }
}

TEST(TheBareBase, IsDividedWithoutACut) {
    Project p;
    p.set_out.page.reveal = Sides::even(6.35);
    divide(p, {base_spot}, {Division::Kind::Bands, 4, 2, 0, {0.5, 0.5}});
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.sections.all.size(), 4u);
    EXPECT_EQ(plan.sections.patches.size(), 4u);
    double sum = 0;
    for (const Opening& o : plan.sections.cut->openings) sum += o.area;
    EXPECT_NEAR(sum, 292.1 * 292.1, 1e-3);
    undivide(p, {base_spot});
    EXPECT_FALSE(shapes_of(p).sections.cut);
}

TEST(GluingOrder, MattersOnceASingleBarOverlaps) {
    Project p = panes(3);
    EXPECT_FALSE(gluing_order_matters(p.sections));
    p.sections.bars[{Spot(0), Spot(1)}] = LipMode::Overlap;
    EXPECT_TRUE(gluing_order_matters(p.sections));
    p.sections.bars.clear();
    p.sections.choose(1, {.name = {}, .order = 2});
    EXPECT_TRUE(gluing_order_matters(p.sections));
}

TEST(ThinBars, AreNamedEachWithWhatHoldsThem) {
    Project p = panes(3);
    EXPECT_TRUE(thin_bars(p, shapes_of(p)).empty());
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 80 * 0.24); // bars of 1.2 mm
    const auto said = thin_bars_in_words(p, shapes_of(p));
    ASSERT_GE(said.size(), 2u);
    EXPECT_NE(said[0].find(", 1.2 mm: an adhesive sheet, or dots of fine-tip glue, hold it."),
              std::string::npos)
        << said[0];
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 80 * 0.1);
    EXPECT_NE(thin_bars_in_words(p, shapes_of(p))[0].find("too narrow for the blade"), std::string::npos);
}

} // namespace zesty
