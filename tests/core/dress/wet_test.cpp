// Wet work on the base: what is seen of it, where more would be, and which colours want to dry between.

#include "core/dress/wet.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::finding_in;
using testing::shapes_of;

namespace {

/// A square of 150 mm in the middle of the page: from 77.4 to 227.4.
Project square_page() {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 150, 150), testing::rectangle(50, 50, 100, 100)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 150);
    return p;
}

WetZone dot(double x, double y, double across, Rgb colour = {40, 90, 200}) {
    WetZone out;
    out.centre = {x, y};
    out.width = across;
    out.colour = colour;
    return out;
}

} // namespace

TEST(Wet, SaysHowMuchIsSeenAndWhereMoreWouldBe) {
    Project p = square_page();
    p.dress.wet = {dot(200, 150, 50), dot(40, 40, 40)};
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.wet.size(), 2u);
    EXPECT_LT(plan.dress.wet[0].seen, 0.01) << "under the cut and what backs its opening";
    EXPECT_NEAR(plan.dress.wet[1].seen, 1, 1e-6);
    const Finding* hidden = finding_in(plan, Code::WetHidden);
    ASSERT_NE(hidden, nullptr);
    ASSERT_EQ(hidden->fixes.size(), 1u);
    Project moved = p;
    hidden->fixes[0].apply(moved);
    const Plan after = shapes_of(moved);
    EXPECT_GE(after.dress.wet[0].seen, 0.6);
    EXPECT_EQ(finding_in(after, Code::WetHidden), nullptr);
    // Nearer places show less: halfway there it is not 60 % yet.
    moved.dress.wet[0].centre = (moved.dress.wet[0].centre + p.dress.wet[0].centre) * 0.5;
    EXPECT_LT(shapes_of(moved).dress.wet[0].seen, 0.6);
}

TEST(Wet, AnOpeningThatStaysOpenShowsIt) {
    Project p = square_page();
    p.dress.wet = {dot(152.4, 152.4, 30)};
    EXPECT_LT(shapes_of(p).dress.wet[0].seen, 0.01);
    SectionChoice open;
    open.treatment = Treatment::Open;
    p.sections.choose(shapes_of(p).sections.all[0].id, open);
    EXPECT_NEAR(shapes_of(p).dress.wet[0].seen, 1, 1e-6);
}

TEST(Wet, ShapesGoByTheCut) {
    Project p = square_page();
    WetZone margin = dot(0, 0, 10);
    margin.shape = WetShape::CutMargin;
    margin.margin = 12.7;
    margin.cut = p.set_out.cuts[0].id;
    WetZone stencil = dot(40, 40, 10);
    stencil.shape = WetShape::Stencil;
    stencil.cut = p.set_out.cuts[0].id;
    p.dress.wet = {margin, stencil};
    Plan plan = shapes_of(p);
    EXPECT_NEAR(plan.dress.wet[0].area, 150 * 150 + 4 * 150 * 12.7 + M_PI * 12.7 * 12.7, 8);
    EXPECT_NEAR(plan.dress.wet[1].area, 50 * 50, 0.1);
    EXPECT_NEAR(bounds(plan.dress.wet[1].wet).centre().x, 40, 1e-6);
    p.dress.wet[0].cut = 77;
    plan = shapes_of(p);
    EXPECT_FALSE(plan.dress.wet[0].known);
    EXPECT_NE(finding_in(plan, Code::WetHidden), nullptr) << "it goes by a cut that is not there";
}

TEST(Wet, PrimerGoesBeyondTheColourButNotOffTheBase) {
    Project p = square_page();
    p.dress.wet = {dot(20, 20, 40)};
    p.dress.wet[0].primer = true;
    const Plan plan = shapes_of(p);
    EXPECT_EQ(bounds(plan.dress.wet[0].primer).x0, 0);
    EXPECT_NEAR(bounds(plan.dress.wet[0].primer).x1, 20 + 20 + 12.7, 0.1);
}

TEST(Wet, ColoursThatMakeMudDryBetween) {
    Project p = square_page();
    p.dress.wet = {dot(40, 30, 20, {200, 60, 40}), dot(62, 30, 20, {40, 160, 70}),
                   dot(90, 30, 20, {40, 160, 70})};
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.wet_pairs.size(), 1u) << "the third is 1/4 in and more away from the first";
    EXPECT_EQ(plan.dress.wet_pairs[0].first, 0);
    EXPECT_EQ(plan.dress.wet_pairs[0].second, 1);
    EXPECT_NEAR(plan.dress.wet_pairs[0].apart, 2, 0.1);
    EXPECT_NE(finding_in(plan, Code::WetHuesFight), nullptr);
}

TEST(Wet, InkLikeTheBaseIsSaid) {
    Project p = square_page();
    p.stash = std::make_shared<const Stash>(testing::five_papers());
    p.set_out.page.base_paper = p.stash->papers[0].id;
    p.dress.wet = {dot(40, 40, 40, p.stash->papers[0].colour)};
    const Plan plan = shapes_of(p);
    EXPECT_LT(plan.dress.wet[0].contrast, 10);
    EXPECT_NE(finding_in(plan, Code::WetFaint), nullptr);
    p.dress.wet[0].colour = {250, 250, 250};
    ASSERT_GT(difference(to_lab(p.dress.wet[0].colour), to_lab(p.stash->papers[0].colour)), 15);
    EXPECT_EQ(finding_in(shapes_of(p), Code::WetFaint), nullptr);
}

TEST(Wet, TheLastSheetOfTheBaseWantsATestPiece) {
    Project p = square_page();
    Stash stash;
    stash.papers.push_back(testing::stock_paper("chalk", {240, 240, 235}, 304.8, 1));
    p.stash = std::make_shared<const Stash>(stash);
    p.set_out.page.base_paper = "chalk";
    p.dress.wet = {dot(40, 40, 40)};
    EXPECT_NE(finding_in(shapes_of(p), Code::WetLastSheet), nullptr);
    stash.papers[0] = testing::stock_paper("chalk", {240, 240, 235}, 304.8, 2);
    p.stash = std::make_shared<const Stash>(stash);
    EXPECT_EQ(finding_in(shapes_of(p), Code::WetLastSheet), nullptr);
}

} // namespace zesty
