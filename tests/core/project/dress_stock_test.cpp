// Pieces of Dress cut from the stash: as long as the sheet, before the patches, and drop-outs kept for later.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/drop_outs.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

using testing::shapes_of;

namespace {

/// A page of two openings with one paper of these sheets.
Project page_of(double side, int sheets, Direction direction = Direction::Free) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 60), testing::rectangle(5, 5, 45, 55),
                             testing::rectangle(55, 5, 95, 55)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    Stash stash;
    stash.papers = {testing::paper("hedge", {60, 110, 70}, side, sheets, Pattern::Stripe, direction)};
    p.stash = std::make_shared<const Stash>(stash);
    return p;
}

PaperLayer strip(double width, double height, const std::string& paper = "hedge") {
    PaperLayer out;
    out.paper = paper;
    out.width = width;
    out.height = height;
    out.centre = {152.4, 20};
    return out;
}

bool apart(const std::vector<DressPiece>& pieces) {
    for (std::size_t a = 0; a < pieces.size(); ++a)
        for (std::size_t b = 0; b < a; ++b) {
            if (!pieces[a].placed || pieces[a].sheet != pieces[b].sheet) continue;
            const auto both = intersect({{pieces[a].on_sheet.outer, {}}}, {{pieces[b].on_sheet.outer, {}}});
            if (!both || area(*both) > 1e-6) return false;
        }
    return true;
}

} // namespace

TEST(DressStock, AStripAsLongAsItsSheetIsCutFromItsEdge) {
    Project p = page_of(304.8, 1);
    p.dress.layers = {strip(304.8, 25)};
    const Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.pieces.size(), 1u);
    ASSERT_TRUE(plan.dress.pieces[0].placed);
    EXPECT_TRUE(Box({0, 0, 304.8, 304.8}).grown(1e-6).holds(bounds(plan.dress.pieces[0].on_sheet)));
    EXPECT_EQ(testing::finding_in(plan, Code::MatPaper), nullptr);
}

TEST(DressStock, AsManyLongStripsAsTheSheetHoldsFindAPlaceAndNoMore) {
    Project p = page_of(304.8, 1);
    for (int i = 0; i < 7; ++i) p.dress.layers.push_back(strip(304.8, 50));
    const Plan plan = shapes_of(p);
    const auto placed = std::count_if(plan.dress.pieces.begin(), plan.dress.pieces.end(),
                                      [](const DressPiece& piece) { return piece.placed; });
    EXPECT_EQ(placed, 6) << "six of 50 mm, with gaps, but not seven";
    EXPECT_TRUE(apart(plan.dress.pieces));
    EXPECT_NE(testing::finding_in(plan, Code::MatPaper), nullptr);
}

TEST(DressStock, ALongPieceIsTurnedOnlyWhereThePaperMayBe) {
    Project free = page_of(304.8, 1);
    free.dress.layers = {strip(20, 304.8)};
    EXPECT_TRUE(shapes_of(free).dress.pieces[0].placed);
    // A sheet of 304.8 x 100: an upright strip fits it only when it is turned.
    const auto narrow = [](Direction direction) {
        Project p = page_of(304.8, 1, direction);
        Stash stash = *p.stash;
        stash.papers[0].sheets = {{{testing::rectangle(0, 0, 304.8, 100), {}}, 1, false}};
        p.stash = std::make_shared<const Stash>(stash);
        p.dress.layers = {strip(20, 304.8)};
        return shapes_of(p).dress.pieces.at(0).placed;
    };
    EXPECT_TRUE(narrow(Direction::Free));
    EXPECT_FALSE(narrow(Direction::Fixed));
}

TEST(DressStock, ShorterPiecesAreNestedBesideTheLongOnes) {
    Project p = page_of(304.8, 1);
    p.dress.layers = {strip(304.8, 100), strip(100, 80), strip(120, 60), strip(304.8, 40)};
    const Plan plan = shapes_of(p);
    for (const DressPiece& piece : plan.dress.pieces) EXPECT_TRUE(piece.placed) << piece.what;
    EXPECT_TRUE(apart(plan.dress.pieces));
    // What they take is gone for the patches.
    double left = 0;
    for (const Sheet& s : plan.papers.sheets) left += s.area;
    EXPECT_LT(left, 304.8 * 304.8 - 304.8 * 140 - 8000 - 7200 + 1);
}

TEST(DropOuts, HaveTheShapesOfTheOpeningsAndTwinsAreCounted) {
    Project p = page_of(304.8, 1);
    const Plan plan = shapes_of(p);
    const Stash kept = with_drop_outs(*p.stash, p, plan, 0);
    ASSERT_EQ(kept.embellishments.size(), 1u) << "both openings are alike";
    const Embellishment& e = kept.embellishments[0];
    EXPECT_EQ(e.count, 2);
    EXPECT_NEAR(area(e.outline), 40 * 50, 1e-6);
    EXPECT_EQ(bounds(e.outline).centre(), (Point{0, 0}));
    EXPECT_EQ(e.colour, white_cut);
    EXPECT_TRUE(e.in_stash);
}

TEST(DropOuts, TakeTheColourOfTheCutAndLeaveOutWhatIsTiny) {
    Project p = page_of(304.8, 1);
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 12); // openings of 4.8 mm
    EXPECT_TRUE(with_drop_outs(*p.stash, p, shapes_of(p), 0).embellishments.empty());
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    p.set_out.cuts[0].colour = Rgb{10, 20, 30};
    const Stash kept = with_drop_outs(*p.stash, p, shapes_of(p), 0);
    ASSERT_EQ(kept.embellishments.size(), 1u);
    EXPECT_EQ(kept.embellishments[0].colour, (Rgb{10, 20, 30}));
    // Once more of the same, and of another colour.
    Stash twice = with_drop_outs(kept, p, shapes_of(p), 0);
    EXPECT_EQ(twice.embellishments.size(), 1u);
    EXPECT_EQ(twice.embellishments[0].count, 4);
    p.set_out.cuts[0].colour = Rgb{200, 20, 30};
    twice = with_drop_outs(twice, p, shapes_of(p), 0);
    EXPECT_EQ(twice.embellishments.size(), 2u);
    EXPECT_NE(twice.embellishments[0].id, twice.embellishments[1].id);
    EXPECT_TRUE(with_drop_outs({}, p, shapes_of(p), 7).embellishments.empty()) << "there is no such cut";
}

TEST(DropOuts, AreEmbellishmentsOrScrapsButNotBoth) {
    Project p = page_of(304.8, 1);
    take_drop_outs(p, shapes_of(p), cuts_from_elsewhere(p));
    EXPECT_EQ(p.stash->embellishments.size(), 1u);
    EXPECT_TRUE(p.keep.drop_outs) << "finishing has none of them to put back";
    p.set_out.cuts[0].paper = p.stash->papers[0].id;
    EXPECT_TRUE(cuts_from_elsewhere(p).empty());
    take_drop_outs(p, shapes_of(p), {0});
    EXPECT_FALSE(p.keep.drop_outs);
}

TEST(DropOuts, DoNotComeOfCutsThatAreNotThere) {
    Project p = page_of(304.8, 1);
    const Project before = p;
    const Plan plan = shapes_of(p);
    take_drop_outs(p, plan, {-1, 7});
    EXPECT_EQ(*p.stash, *before.stash);
    p.set_out.cuts.clear();
    take_drop_outs(p, shapes_of(p), {0});
    EXPECT_TRUE(p.stash->embellishments.empty());
}

} // namespace zesty
