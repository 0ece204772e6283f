// Parts of a cut, a cut grown all round, several together, and paper swapped with openings.

#include "core/cutfile/negative.h"
#include "core/cutfile/parts.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <numeric>

namespace zesty {

namespace {

using testing::rectangle;

/// A frame with two openings, a loose square in the first that has an opening itself; a bow beside it.
CutFile kite_and_bow() {
    const auto cut = read_cut(
        testing::drawing_of({rectangle(0, 0, 100, 60), rectangle(5, 5, 45, 55), rectangle(55, 5, 95, 55),
                             rectangle(15, 15, 35, 35), rectangle(20, 20, 30, 30),
                             rectangle(120, 10, 150, 40), rectangle(125, 15, 145, 35)}));
    EXPECT_TRUE(cut);
    return *cut;
}

int piece_of_area(const CutFile& cut, double wanted) {
    for (std::size_t i = 0; i < cut.pieces.size(); ++i)
        if (std::abs(cut.pieces[i].area - wanted) < 0.01) return static_cast<int>(i);
    return -1;
}

} // namespace

TEST(Parts, WithoutAPieceItsOpeningsGoAndWhatLiesInThemStays) {
    const CutFile all = kite_and_bow();
    ASSERT_EQ(all.pieces.size(), 3u);
    ASSERT_EQ(all.openings.size(), 4u);
    const int frame = piece_of_area(all, 6000 - 2000 - 2000);
    const int loose = piece_of_area(all, 400 - 100);
    const int bow = piece_of_area(all, 900 - 400);
    ASSERT_GE(std::min({frame, loose, bow}), 0);
    const CutPart without_frame = without_pieces(all, {frame});
    EXPECT_EQ(without_frame.cut.pieces.size(), 2u) << "the loose square stands on its own now";
    EXPECT_EQ(without_frame.cut.openings.size(), 2u);
    const CutPart without_loose = without_pieces(all, {loose});
    EXPECT_EQ(without_loose.cut.pieces.size(), 2u);
    EXPECT_EQ(without_loose.cut.openings.size(), 3u);
    for (std::size_t o = 0; o < without_loose.openings.size(); ++o)
        EXPECT_NEAR(
            area({without_loose.cut.openings[o].outline.outer, {}}),
            area({all.openings[static_cast<std::size_t>(without_loose.openings[o])].outline.outer, {}}), 1e-6)
            << "they know their numbers in the whole";
    EXPECT_EQ(without_pieces(all, {17, -4}).cut.pieces.size(), 3u) << "what is not there is ignored";
}

TEST(Parts, GrownAllRoundBarsAreWiderAndOpeningsSmaller) {
    const CutFile all = kite_and_bow();
    const auto larger = grown(all, 2);
    ASSERT_TRUE(larger);
    EXPECT_NEAR(larger->cut.box.width(), all.box.width() + 4, 0.01);
    EXPECT_NEAR(larger->cut.narrowest_bar(), all.narrowest_bar() + 4, 0.05);
    const auto solid = grown(all, 30);
    ASSERT_TRUE(solid);
    EXPECT_TRUE(solid->cut.openings.empty()) << "all of them have closed";
}

TEST(Parts, MovedAndScaledEverythingFollows) {
    const CutFile all = kite_and_bow();
    const CutFile twice = transformed(all, Transform::moved(10, 20) * Transform::scaled(2));
    EXPECT_NEAR(twice.box.width(), 2 * all.box.width(), 1e-9);
    EXPECT_NEAR(twice.box.x0, 2 * all.box.x0 + 10, 1e-9);
    EXPECT_NEAR(twice.cut_length, 2 * all.cut_length, 1e-6);
    EXPECT_NEAR(twice.narrowest_bar(), 2 * all.narrowest_bar(), 1e-9);
    for (std::size_t p = 0; p < all.pieces.size(); ++p)
        EXPECT_NEAR(twice.pieces[p].area, 4 * all.pieces[p].area, 1e-6);
}

TEST(Parts, SeveralTogetherKnowWhichCutTheyBelongTo) {
    CutFile both = kite_and_bow();
    const std::size_t pieces = both.pieces.size();
    const std::size_t openings = both.openings.size();
    append(both, transformed(kite_and_bow(), Transform::moved(30, 5)), 1);
    ASSERT_EQ(both.pieces.size(), 2 * pieces);
    ASSERT_EQ(both.openings.size(), 2 * openings);
    for (std::size_t p = 0; p < both.pieces.size(); ++p) EXPECT_EQ(both.pieces[p].layer, p < pieces ? 0 : 1);
    for (const Opening& o : both.openings) EXPECT_LT(o.piece, static_cast<int>(both.pieces.size()));
    for (const Bar& b : both.bars)
        if (b.b != Bar::edge) {
            EXPECT_EQ(b.a < static_cast<int>(openings), b.b < static_cast<int>(openings))
                << "no bar from cut to cut";
        }
}

TEST(Negative, PaperAndOpeningsChangePlacesAndBack) {
    const Drawing frame = testing::drawing_of({rectangle(0, 0, 100, 60), rectangle(10, 10, 60, 50)});
    const auto swapped = negative_of(frame);
    ASSERT_TRUE(swapped);
    const auto cut = read_cut(*swapped);
    ASSERT_TRUE(cut);
    double paper = 0;
    for (const Piece& p : cut->pieces) paper += p.area;
    EXPECT_NEAR(paper, 50 * 40, 0.1);
    EXPECT_FALSE(negative_of(testing::drawing_of({rectangle(0, 0, 50, 50)}))) << "nothing would be left";
}

} // namespace zesty
