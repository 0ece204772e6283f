#include "core/cutfile/cut_file.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::drawing_of;
using testing::polygon;
using testing::rectangle;

namespace {

CutFile read(std::vector<Ring> rings) {
    auto cut = read_cut(drawing_of(std::move(rings)));
    EXPECT_TRUE(cut);
    return std::move(*cut);
}

Drawing lines(std::vector<Contour> contours) {
    Drawing d;
    d.size_known = true;
    for (Contour& c : contours) {
        Shape s;
        s.stroked = true;
        s.contours.push_back(std::move(c));
        d.shapes.push_back(std::move(s));
    }
    return d;
}

} // namespace

TEST(CutFile, FindsPiecesOpeningsInsertsAndTheirOwnOpenings) {
    const CutFile cut = read({rectangle(0, 0, 100, 60), rectangle(5, 5, 45, 55), rectangle(50, 5, 95, 55),
                              rectangle(60, 15, 80, 45), rectangle(65, 20, 75, 40)});
    ASSERT_EQ(cut.pieces.size(), 2u);
    ASSERT_EQ(cut.openings.size(), 3u);
    const Opening& around = cut.openings[cut.pieces[1].in_opening];
    EXPECT_EQ(around.inserts, std::vector<int>{1});
    EXPECT_DOUBLE_EQ(around.area, 45 * 50 - 20 * 30);
    EXPECT_EQ(cut.openings[cut.pieces[1].openings.at(0)].area, 200);
}

TEST(CutFile, MeasuresBarsBetweenOpeningsAndToTheEdge) {
    const CutFile cut = read({rectangle(0, 0, 100, 60), rectangle(7, 8, 45, 55), rectangle(48, 8, 96, 55)});
    EXPECT_DOUBLE_EQ(cut.narrowest_bar(), 3);
    EXPECT_EQ(cut.bars[0].a, 0);
    EXPECT_EQ(cut.bars[0].b, 1);
    EXPECT_DOUBLE_EQ(cut.narrowest_bar(1), 3);
    const auto edge = std::find_if(cut.bars.begin(), cut.bars.end(),
                                   [](const Bar& b) { return b.a == 1 && b.b == Bar::edge; });
    ASSERT_NE(edge, cut.bars.end());
    EXPECT_DOUBLE_EQ(edge->width, 4);
    EXPECT_NEAR(distance(edge->from, edge->to), 4, 1e-9);
}

TEST(CutFile, DiagonalFieldsAreNeighboursButNotThroughAnother) {
    std::vector<Ring> rings{rectangle(0, 0, 63, 43)};
    for (int c = 0; c < 3; ++c)
        for (int r = 0; r < 2; ++r)
            rings.push_back(rectangle(3 + 20 * c, 3 + 20 * r, 20 + 20 * c, 20 + 20 * r));
    const CutFile cut = read(std::move(rings));
    const auto joined = [&](int a, int b) {
        return std::any_of(cut.bars.begin(), cut.bars.end(),
                           [&](const Bar& x) { return x.a == a && x.b == b; });
    };
    EXPECT_TRUE(joined(0, 1));  // side by side
    EXPECT_TRUE(joined(0, 4));  // across the crossing
    EXPECT_FALSE(joined(0, 2)); // the middle one lies between
}

TEST(CutFile, BarWidthsMatchBruteForceOnRandomLattices) {
    std::mt19937 random(3);
    for (int round = 0; round < 5; ++round) {
        const auto cut = read_cut(testing::random_lattice(random, 6, 5, 2.0 + round));
        ASSERT_TRUE(cut);
        for (const Bar& bar : cut->bars) {
            const Ring& a = cut->openings[bar.a].outline.outer;
            const Ring& b = bar.b == Bar::edge ? cut->pieces[cut->openings[bar.a].piece].outline.outer
                                               : cut->openings[bar.b].outline.outer;
            double least = 1e9;
            for (const auto& [from, to] : {std::pair(&a, &b), std::pair(&b, &a)})
                for (Point p : *from)
                    for (std::size_t i = 0; i < to->size(); ++i)
                        least =
                            std::min(least, distance_to_segment(p, (*to)[i], (*to)[(i + 1) % to->size()]));
            EXPECT_NEAR(bar.width, least, 1e-6);
        }
    }
}

TEST(CutFile, TwinsAreFoundTurnedAndMirrored) {
    const Ring flag{{0, 0}, {10, 0}, {12, 6}, {3, 5}};
    const Ring turned = transformed(flag, Transform::moved(40, 30) * Transform::turned_deg(77));
    const Ring mirrored = transformed(flag, Transform::moved(80, 30) * Transform::mirrored_x());
    const Ring other = transformed(Ring{{0, 0}, {10, 0}, {11, 7.5}, {3, 5}}, Transform::moved(20, 45));
    const CutFile cut = read({rectangle(-10, -10, 100, 70), flag, turned, mirrored, other});
    ASSERT_EQ(cut.twins.size(), 1u);
    EXPECT_EQ(cut.twins[0].size(), 3u);
}

TEST(CutFile, SameDrawingGivesTheSameNumbersWhateverTheOrderOfItsContours) {
    std::mt19937 random(8);
    Drawing d = testing::random_lattice(random, 5, 4, 3);
    const auto a = read_cut(d);
    std::shuffle(d.shapes[0].contours.begin(), d.shapes[0].contours.end(), random);
    const auto b = read_cut(d);
    ASSERT_TRUE(a && b);
    ASSERT_EQ(a->openings.size(), b->openings.size());
    for (std::size_t i = 0; i < a->openings.size(); ++i) EXPECT_EQ(a->openings[i].box, b->openings[i].box);
}

TEST(Outlines, DecideByNestingAndCountDoublesOnce) {
    Ring again = rectangle(20, 20, 80, 80);
    std::rotate(again.begin(), again.begin() + 2, again.end());
    const auto cut = read_cut(
        lines({{rectangle(0, 0, 100, 100), true}, {rectangle(20, 20, 80, 80), true}, {again, true}}));
    ASSERT_TRUE(cut);
    EXPECT_EQ(cut->pieces.size(), 1u);
    ASSERT_EQ(cut->openings.size(), 1u);
    EXPECT_EQ(cut->warnings.size(), 1u);
}

TEST(Outlines, LooseLinesThatMeetAreJoinedAndOpenOnesLeftOut) {
    const auto cut = read_cut(lines({{{{0, 0}, {50, 0}}, false},
                                     {{{50, 40}, {50, 0}}, false},
                                     {{{50, 40}, {0, 40}}, false},
                                     {{{0, 40}, {0, 0}}, false},
                                     {{{60, 0}, {90, 30}, {60, 20}}, false}}));
    ASSERT_TRUE(cut);
    ASSERT_EQ(cut->pieces.size(), 1u);
    EXPECT_NEAR(cut->pieces[0].area, 2000, 1e-6);
    ASSERT_EQ(cut->warnings.size(), 1u);
    EXPECT_NE(cut->warnings[0].find("left out"), std::string::npos);
}

TEST(Outlines, AreIgnoredWhereSomethingIsFilled) {
    Drawing d = drawing_of({rectangle(0, 0, 10, 10)});
    Shape line;
    line.stroked = true;
    line.contours.push_back({rectangle(-50, -50, 50, 50), true});
    d.shapes.push_back(line);
    const auto cut = read_cut(d);
    ASSERT_TRUE(cut);
    EXPECT_NEAR(cut->box.width(), 10, 1e-9);
}

TEST(CutFile, HairlineGapsBecomeWarningsNotOpenings) {
    const CutFile cut = read({rectangle(0, 0, 200, 200), rectangle(100, 20, 100.01, 180)});
    EXPECT_TRUE(cut.openings.empty());
    EXPECT_EQ(cut.warnings.size(), 1u);
}

TEST(CutFile, NothingToCutIsSaid) {
    const auto cut = read_cut(drawing_of({}));
    ASSERT_FALSE(cut);
    EXPECT_EQ(cut.error().kind, ErrorKind::NothingToDo);
}

} // namespace zesty
