#include "core/sections/sections.h"
#include "core/stash/stash.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

TEST(Stash, SheetsAreCountedOutWithSteadyNamesAndKinds) {
    Stash s;
    s.papers.push_back({"a",
                        "A",
                        {},
                        "",
                        Pattern::Solid,
                        Direction::Free,
                        {{{testing::rectangle(0, 0, 304.8, 304.8), {}}, 1, false},
                         {{testing::rectangle(0, 0, 152.4, 152.4), {}}, 2, false},
                         {{testing::rectangle(0, 0, 101.6, 152.4), {}}, 1, false},
                         {{{{0, 0}, {300, 0}, {0, 300}}, {}}, 1, true}}});
    const auto sheets = sheets_of(s);
    ASSERT_EQ(sheets.size(), 5u);
    EXPECT_EQ(sheets[2].id, "a#3");
    EXPECT_EQ(sheets[0].kind, SheetKind::Full);
    EXPECT_EQ(sheets[1].kind, SheetKind::Pad);
    EXPECT_EQ(sheets[3].kind, SheetKind::Card);
    EXPECT_EQ(sheets[4].kind, SheetKind::Offcut);
    EXPECT_DOUBLE_EQ(sheets[4].area, 45000);
}

TEST(Colour, LabMatchesKnownValues) {
    const auto near = [](Rgb c, Lab want) {
        const Lab got = to_lab(c);
        EXPECT_NEAR(got.l, want.l, 0.05);
        EXPECT_NEAR(got.a, want.a, 0.05);
        EXPECT_NEAR(got.b, want.b, 0.05);
    };
    near({255, 255, 255}, {100, 0, 0});
    near({0, 0, 0}, {0, 0, 0});
    near({255, 0, 0}, {53.24, 80.09, 67.20});
    near({0, 0, 255}, {32.30, 79.19, -107.86});
    EXPECT_EQ(parse_colour("#e86a17"), (Rgb{0xe8, 0x6a, 0x17}));
    EXPECT_EQ(format_colour({0xe8, 0x6a, 0x17}), "#e86a17");
    for (const char* bad : {"", "e86a17", "#e86a1", "#e86a1g", "#e86a177"})
        EXPECT_FALSE(parse_colour(bad)) << bad;
}

TEST(Sections, NeighboursShareABarOfAtMostThreeQuarters) {
    const auto cut = *read_cut(
        testing::drawing_of({testing::rectangle(0, 0, 300, 60), testing::rectangle(5, 5, 80, 55),
                             testing::rectangle(90, 5, 170, 55), testing::rectangle(195, 5, 290, 55)}));
    Project p;
    const auto sections = sections_of(testing::spots_of(cut), p);
    EXPECT_EQ(neighbours_of(cut, sections, {}).size(), 1u);
    EXPECT_EQ(neighbours_of(cut, sections, Transform::scaled(0.5)).size(), 2u);
    EXPECT_EQ(neighbours_of(cut, sections, Transform::scaled(3)).size(), 0u);
    group(p, {0, 1});
    EXPECT_EQ(neighbours_of(cut, sections_of(testing::spots_of(cut), p), {}).size(), 0u);
}

} // namespace zesty
