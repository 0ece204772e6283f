#include "core/project/edits.h"
#include "core/project/has_room.h"
#include "core/sections/sections.h"
#include "core/stash/search.h"
#include "core/stash/stash.h"
#include "core/stash/stock.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Paper plain_paper(std::vector<SheetStock> sheets) {
    return {"a", "A", {}, "", Pattern::Solid, Direction::Free, std::move(sheets)};
}

} // namespace

TEST(Stash, SheetsAreCountedOutWithSteadyNamesAndKinds) {
    Stash s;
    s.papers.push_back(plain_paper({{{testing::rectangle(0, 0, 304.8, 304.8), {}}, 1, false},
                                    {{testing::rectangle(0, 0, 152.4, 152.4), {}}, 2, false},
                                    {{testing::rectangle(0, 0, 101.6, 152.4), {}}, 1, false},
                                    {{{{0, 0}, {300, 0}, {0, 300}}, {}}, 1, true}}));
    const auto sheets = sheets_of(s);
    ASSERT_EQ(sheets.size(), 5u);
    EXPECT_EQ(sheets[2].id, "a#3");
    EXPECT_EQ(sheets[0].kind, SheetKind::Full);
    EXPECT_EQ(sheets[1].kind, SheetKind::Pad);
    EXPECT_EQ(sheets[3].kind, SheetKind::Card);
    EXPECT_EQ(sheets[4].kind, SheetKind::Offcut);
    EXPECT_DOUBLE_EQ(sheets[4].area, 45000);
}

TEST(Colour, IsReadAndWritten) {
    EXPECT_EQ(parse_colour("#e86a17"), (Rgb{0xe8, 0x6a, 0x17}));
    EXPECT_EQ(format_colour({0xe8, 0x6a, 0x17}), "#e86a17");
    for (const char* bad : {"", "e86a17", "#e86a1", "#e86a1g", "#e86a177"})
        EXPECT_FALSE(parse_colour(bad)) << bad;
}

TEST(Stash, BrandingStripsAreTrimmedOffWholeSheets) {
    Stash s;
    s.papers.push_back(plain_paper({{{testing::rectangle(0, 0, 304.8, 317.5), {}}, 1, false},
                                    {{testing::rectangle(0, 0, 100, 100), {}}, 1, true}}));
    s.papers[0].strip = 12.7;
    const auto sheets = sheets_of(s);
    EXPECT_NEAR(sheets[0].area, 304.8 * 304.8, 1e-6);
    EXPECT_NEAR(sheets[1].area, 1e4, 1e-9) << "an offcut has none";
}

TEST(Stash, IsSearchedByWordsColourKindAndSize) {
    Stash s;
    const auto add = [&](const char* id, const char* name, Rgb colour, Pattern pattern, double side,
                         int count) {
        s.papers.push_back({id,
                            name,
                            colour,
                            "",
                            pattern,
                            Direction::Free,
                            {{{testing::rectangle(0, 0, side, 2 * side), {}}, count, false}}});
    };
    add("p1", "Hedge Stripe", {60, 120, 70}, Pattern::Stripe, 100, 1);
    add("p2", "Barley", {230, 190, 90}, Pattern::Solid, 150, 1);
    add("p3", "Moss", {70, 125, 75}, Pattern::Solid, 152.4, 0);
    s.papers[1].kept_in = "Blue folder";
    EXPECT_EQ(found_in(s, {}), (std::vector<int>{0, 1, 2}));
    EXPECT_EQ(found_in(s, {"hedge"}), std::vector<int>{0});
    EXPECT_EQ(found_in(s, {"FOLDER bar"}), std::vector<int>{1});
    EXPECT_EQ(found_in(s, {"", Rgb{70, 125, 75}}), (std::vector<int>{2, 0})) << "nearest first";
    EXPECT_EQ(found_in(s, {"", {}, 20, Pattern::Solid}), (std::vector<int>{1, 2}));
    EXPECT_EQ(found_in(s, {.in_stock = true}), (std::vector<int>{0, 1}));
    EXPECT_EQ(found_in(s, {.words = "green"}), (std::vector<int>{0, 2})) << "colours in words";
    EXPECT_EQ(found_in(s, {.words = "plain"}), (std::vector<int>{1, 2})) << "means solid";
    s.papers[2].use_up = true;
    EXPECT_EQ(found_in(s, {.to_use_up = true}), std::vector<int>{2});
    s.papers[0].touched = "2025-03-01";
    s.papers[1].touched = "2026-10-01";
    EXPECT_EQ(found_in(s, {.untouched_since = "2025-11-27"}), std::vector<int>{0});
}

TEST(Stash, RoomIsAskedOfTheNestingAndNotOfABox) {
    Stash s;
    Paper l = plain_paper({});
    // An L of 300 mm with legs of 20 mm, whose box would hold nearly everything.
    l.sheets = {{*trimmed_sheet({300, 300}, {}, {280, 280}), 1, true}};
    s.papers.push_back(l);
    Paper whole = plain_paper({});
    whole.id = "whole";
    whole.sheets = {{{testing::rectangle(0, 0, 100, 200), {}}, 2, false}};
    s.papers.push_back(whole);
    const auto left = left_of_papers(s, sheets_of(s));
    EXPECT_TRUE(with_room(s, left, Point{152.4, 152.4}, {0, 1}).empty());
    EXPECT_EQ(with_room(s, left, Point{18, 250}, {0, 1}), std::vector<int>{0});
    EXPECT_EQ(with_room(s, left, Point{190, 90}, {0, 1}), std::vector<int>{1}) << "either way round";
}

TEST(Sections, NeighboursShareABarOfAtMostThreeQuarters) {
    const auto cut = *read_cut(
        testing::drawing_of({testing::rectangle(0, 0, 300, 60), testing::rectangle(5, 5, 80, 55),
                             testing::rectangle(90, 5, 170, 55), testing::rectangle(195, 5, 290, 55)}));
    Project p;
    const auto sections = sections_of(testing::spots_of(cut), p.sections);
    EXPECT_EQ(neighbours_of(cut, sections, {}).size(), 1u);
    EXPECT_EQ(neighbours_of(cut, sections, Transform::scaled(0.5)).size(), 2u);
    EXPECT_EQ(neighbours_of(cut, sections, Transform::scaled(3)).size(), 0u);
    group(p, {0, 1});
    EXPECT_EQ(neighbours_of(cut, sections_of(testing::spots_of(cut), p.sections), {}).size(), 0u);
}

static PictureBytes picture_of(const char* text) {
    return std::make_shared<const std::string>(text);
}

TEST(PictureBytes, AreEqualWhenTheBytesAreWhereverTheyLie) {
    int readings = 0;
    bool there = true;
    const auto elsewhere = [&](const char* key, const char* text) {
        return PictureBytes::elsewhere(key, 1, [&, text] {
            ++readings;
            return there ? std::make_shared<const std::string>(text) : nullptr;
        });
    };
    const PictureBytes a = elsewhere("sum of a", "a");
    EXPECT_TRUE(a == elsewhere("sum of a", "a"));
    EXPECT_FALSE(a == elsewhere("sum of b", "b"));
    EXPECT_FALSE(a == picture_of("longer"));
    EXPECT_FALSE(a == PictureBytes());
    EXPECT_TRUE(PictureBytes() == PictureBytes());
    EXPECT_EQ(readings, 0) << "nobody had to look";
    EXPECT_TRUE(a == picture_of("a"));
    EXPECT_FALSE(a == picture_of("b"));
    EXPECT_EQ(readings, 2);
    const PictureBytes copy = a;
    EXPECT_EQ(copy.identity(), a.identity());
    ASSERT_TRUE(copy.hold());
    there = false;
    EXPECT_EQ(*a.get(), "a") << "copies share what is held";
    EXPECT_FALSE(elsewhere("sum of b", "b").hold());
    EXPECT_EQ(PictureBytes().get(), nullptr);
}

TEST(Stash, PapersAreReplacedAddedAndTakenOutWithTheirPictures) {
    Stash s;
    Paper a = plain_paper({});
    a.picture = "a.png";
    Paper b = a;
    b.id = "b";
    b.picture = "b.png";
    b.back = PaperFace{{1, 2, 3}, "shared.png"};
    Paper c = a;
    c.id = "c";
    c.picture = "shared.png";
    s = with_paper(with_paper(with_paper(s, a, {{"a.png", picture_of("A")}}), b,
                              {{"b.png", picture_of("B")}, {"shared.png", picture_of("S")}}),
                   c);
    ASSERT_EQ(s.papers.size(), 3u);
    EXPECT_EQ(s.pictures.size(), 3u);
    a.name = "Plum";
    EXPECT_EQ(with_paper(s, a).papers[0].name, "Plum") << "in its place";
    const Stash less = without_paper(s, "b");
    EXPECT_EQ(less.find("b"), -1);
    EXPECT_FALSE(less.pictures.contains("b.png"));
    EXPECT_TRUE(less.pictures.contains("shared.png")) << "another paper shows it";
    EXPECT_FALSE(without_paper(less, "c").pictures.contains("shared.png"));
    EXPECT_EQ(free_id(s, "d"), "d");
    EXPECT_EQ(free_id(s, "a"), "a-2");
}

TEST(Stash, EitherSideIsFoundAndKeysAreReadBack) {
    Stash s;
    s.papers.push_back(plain_paper({}));
    s.papers[0].colour = {200, 40, 40};
    s.papers[0].back = PaperFace{{40, 60, 200}, "", Pattern::Stripe};
    EXPECT_EQ(found_in(s, {"", Rgb{42, 60, 198}}), std::vector<int>{0});
    EXPECT_TRUE(found_in(s, {"", Rgb{40, 200, 60}}).empty());
    EXPECT_EQ(found_in(s, {"", {}, 20, Pattern::Stripe}), std::vector<int>{0});
    EXPECT_TRUE(found_in(s, {"", Rgb{200, 40, 40}, 20, Pattern::Stripe}).empty())
        << "one side has the colour and the other the stripes";
    for (const Pattern p :
         {Pattern::Solid, Pattern::Small, Pattern::Large, Pattern::Stripe, Pattern::Ombre, Pattern::Picture})
        EXPECT_EQ(named<Pattern>(name_of(p)), p);
    for (const Direction d : {Direction::Free, Direction::Half, Direction::Fixed})
        EXPECT_EQ(named<Direction>(name_of(d)), d);
    EXPECT_FALSE(named<Pattern>("plaid"));
    EXPECT_FALSE(named<Direction>("up"));
    const PaperFace front = s.papers[0].face(Side::A);
    Paper other = plain_paper({});
    other.set_front(front);
    EXPECT_EQ(other.face(Side::A), front);
    EXPECT_EQ(other.face(Side::B), front) << "where there is no other side";
    EXPECT_FALSE(other.has(Side::B));
}

} // namespace zesty
