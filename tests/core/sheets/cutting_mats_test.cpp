// Cuts on the cutting mat.

#include "core/geometry/measure.h"
#include "core/project/cutting_mat_plan.h"
#include "core/project/edits.h"
#include "core/sheets/cutting_mats.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

/// A ring with a loose disc in it, and a square beside it.
Drawing ring_and_square() {
    return testing::drawing_of({testing::polygon({40, 40}, 40, 60), testing::polygon({40, 40}, 20, 60),
                                testing::polygon({40, 40}, 10, 60), testing::rectangle(100, 0, 160, 60)});
}

void expect_sound(const CutFile& cut, const std::vector<OnCuttingMat>& pieces, const CuttingMat& mat) {
    Region outer;
    for (const OnCuttingMat& p : pieces) {
        const Polygon outline = transformed(cut.pieces[p.piece].outline, p.to_cutting_mat);
        EXPECT_TRUE((Box{-0.01, -0.01, mat.width + 0.01, mat.height + 0.01}.holds(bounds(outline))));
        if (cut.pieces[p.piece].in_opening < 0) outer.push_back({outline.outer, {}});
    }
    for (std::size_t i = 0; i < outer.size(); ++i)
        for (std::size_t j = i + 1; j < outer.size(); ++j)
            EXPECT_GE(gap(outer[i].outer, outer[j].outer).distance, mat.gap - 0.25) << i << " and " << j;
}

} // namespace

TEST(Mats, CountWhatFits) {
    // Squares of 80 on a mat of 250 x 170: three by two; of 50: four or five by three.
    const CutFile cut = *read_cut(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}));
    const CuttingMat mat{250, 170, 1};
    const auto counts = fit_on_cutting_mat(cut, {80, 50, 300}, mat, 40, {});
    ASSERT_EQ(counts.size(), 3u);
    EXPECT_EQ(counts[0].count, 6);
    EXPECT_GE(counts[1].count, 12);
    EXPECT_EQ(counts[2].count, 0);
    EXPECT_TRUE(counts[2].layout.mats.empty());
    for (const int i : {0, 1}) {
        ASSERT_EQ(counts[i].layout.mats.size(), 1u);
        const auto& laid = counts[i].layout.mats.front();
        EXPECT_EQ(static_cast<int>(laid.size()), counts[i].count);
        expect_sound(cut, laid, mat);
    }
    EXPECT_TRUE(fit_together(cut, {120, 80, 60}, mat, {}));
    EXPECT_FALSE(fit_together(cut, {160, 120, 80}, mat, {}));
}

TEST(Mats, LoosePiecesStayInTheOpeningsTheyAreCutFrom) {
    const CutFile cut = *read_cut(ring_and_square());
    ASSERT_EQ(cut.pieces.size(), 3u);
    const CuttingMat mat{120, 90, 2};
    std::vector<int> all{0, 1, 2};
    const CuttingMatLayout layout = lay_on_cutting_mats(cut, Transform{}, all, mat, {});
    EXPECT_TRUE(layout.too_large.empty());
    EXPECT_EQ(layout.mats.size(), 2u) << "ring and square do not share a mat of this size";
    std::vector<int> seen(cut.pieces.size(), 0);
    for (const auto& pieces : layout.mats) {
        expect_sound(cut, pieces, mat);
        for (const OnCuttingMat& p : pieces) {
            ++seen[p.piece];
            const int in = cut.pieces[p.piece].in_opening;
            if (in < 0) continue;
            const auto holder = std::find_if(pieces.begin(), pieces.end(), [&](const OnCuttingMat& q) {
                return q.piece == cut.openings[in].piece;
            });
            ASSERT_NE(holder, pieces.end());
            EXPECT_EQ(holder->to_cutting_mat, p.to_cutting_mat);
        }
    }
    EXPECT_EQ(seen, std::vector<int>(cut.pieces.size(), 1));
    EXPECT_EQ(lay_on_cutting_mats(cut, Transform{}, all, {50, 50, 2}, {}).too_large.size(), 2u);
}

TEST(Mats, APageIsLaidByPaper) {
    Project p = testing::project_of(ring_and_square());
    p.set_out.cuts.front().place = {SizeRule::Width, 120, 0, false, {}};
    copy_cut(p, 0, true, {130, 0});
    add_shadow(p, 0, 2);
    const Plan plan = testing::shapes_of(p);
    const auto mats = mats_of(p, plan);
    ASSERT_EQ(mats.size(), 2u) << "the shadow is cut from another paper";
    std::vector<int> seen(plan.sections.cut->pieces.size(), 0);
    for (const CutsOnCuttingMats& one : mats)
        for (const auto& mat : one.layout.mats) {
            expect_sound(*plan.sections.cut, mat,
                         {p.set_out.cutting_mat.width, p.set_out.cutting_mat.height});
            for (const OnCuttingMat& piece : mat) {
                ++seen[piece.piece];
                EXPECT_NE(
                    std::find(one.cuts.begin(), one.cuts.end(), plan.sections.cut->pieces[piece.piece].layer),
                    one.cuts.end());
                EXPECT_NEAR(piece.to_cutting_mat.scale(), plan.set_out.whole.to_page.scale(), 1e-9);
            }
        }
    EXPECT_EQ(seen, std::vector<int>(plan.sections.cut->pieces.size(), 1));
}

TEST(Cardstock, OfOneColourSharesMatsWhateverDrawingItComesFrom) {
    Project p = testing::project_of(testing::drawing_of({testing::rectangle(0, 0, 60, 60)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 60);
    const int bow = add_cut(p, std::make_shared<const DrawingFile>(DrawingFile{
                                   "bow.svg", "", testing::drawing_of({testing::rectangle(0, 0, 40, 30)})}));
    p.set_out.cuts[1].place = sized({}, SizeRule::Width, 40);
    ASSERT_GT(bow, 0);
    auto mats = mats_of(p, testing::shapes_of(p));
    ASSERT_EQ(mats.size(), 1u);
    EXPECT_EQ(mats[0].cuts, (std::vector<int>{0, 1}));
    EXPECT_EQ(mats[0].layout.mats.size(), 1u);
    p.set_out.cuts[1].colour = Rgb{30, 90, 40};
    mats = mats_of(p, testing::shapes_of(p));
    ASSERT_EQ(mats.size(), 2u);
    EXPECT_EQ(mats[1].cardstock, "green");
    p.set_out.cuts[0].colour = Rgb{30, 90, 40};
    EXPECT_EQ(mats_of(p, testing::shapes_of(p)).size(), 1u);
}

TEST(Cardstock, SaysWhatStillFitsWithoutACap) {
    Project p = testing::project_of(testing::drawing_of({testing::rectangle(0, 0, 60, 60)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 60);
    p.set_out.cutting_mat = {200, 130, 1};
    Plan plan = testing::shapes_of(p);
    auto extras = extras_on(p, plan, mats_of(p, plan).at(0));
    ASSERT_EQ(extras.size(), 2u);
    EXPECT_EQ(extras[0].kind, CuttingExtra::Kind::Spare);
    EXPECT_EQ(extras[0].count, 5) << "three by two, one of them the cut itself";
    EXPECT_EQ(extras[1].kind, CuttingExtra::Kind::Shadow);
    // On a mat with room for one and a little, once more but smaller.
    p.set_out.cutting_mat = {100, 62, 1};
    plan = testing::shapes_of(p);
    extras = extras_on(p, plan, mats_of(p, plan).at(0));
    ASSERT_EQ(extras.size(), 1u);
    EXPECT_EQ(extras[0].kind, CuttingExtra::Kind::Smaller);
    EXPECT_GT(extras[0].size, 30);
    EXPECT_LE(extras[0].size, 39.1);
}

} // namespace zesty
