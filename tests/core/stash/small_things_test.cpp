// Palettes, pixels, letters and outlines as they are entered.

#include "core/geometry/measure.h"
#include "core/stash/letter_set.h"
#include "core/stash/new_things.h"
#include "core/stash/palette.h"
#include "core/stash/pixels.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <map>
#include <numeric>
#include <random>
#include <tuple>

namespace zesty {

namespace {

/// A picture whose columns are these colours, each so many wide.
Pixels striped(const std::vector<std::pair<Rgb, int>>& columns, int height) {
    Pixels out;
    for (const auto& [colour, width] : columns) out.width += width;
    out.height = height;
    for (int y = 0; y < height; ++y)
        for (const auto& [colour, width] : columns)
            out.at.insert(out.at.end(), static_cast<std::size_t>(width), colour);
    return out;
}

constexpr Rgb brick{200, 60, 40};
constexpr Rgb sky{120, 180, 230};
constexpr Rgb chalk{245, 245, 240};

} // namespace

TEST(Palette, SaysTheColoursAndTheirSharesLargestFirst) {
    const auto palette = palette_of(striped({{brick, 60}, {sky, 30}, {chalk, 10}}, 20));
    ASSERT_EQ(palette.size(), 3u);
    EXPECT_LT(difference(to_lab(palette[0].colour), to_lab(brick)), 3);
    EXPECT_NEAR(palette[0].share, 0.6, 0.02);
    EXPECT_NEAR(palette[1].share, 0.3, 0.02);
    EXPECT_NEAR(palette[2].share, 0.1, 0.02);
}

TEST(Palette, ColoursThatLookAlikeAreOne) {
    const auto palette = palette_of(striped({{brick, 40}, {{203, 61, 42}, 40}, {chalk, 20}}, 10));
    ASSERT_EQ(palette.size(), 2u);
    EXPECT_NEAR(palette[0].share, 0.8, 0.02);
}

TEST(Palette, HasNoMoreColoursThanAskedForAndNoneOfNothing) {
    std::vector<std::pair<Rgb, int>> many;
    for (int i = 0; i < 12; ++i)
        many.push_back({{static_cast<std::uint8_t>(20 * i), static_cast<std::uint8_t>(255 - 20 * i), 90}, 4});
    const auto palette = palette_of(striped(many, 8), 4);
    EXPECT_LE(palette.size(), 4u);
    const double all = std::accumulate(palette.begin(), palette.end(), 0.0,
                                       [](double sum, const PaletteColour& c) { return sum + c.share; });
    EXPECT_NEAR(all, 1, 0.01);
    EXPECT_TRUE(palette_of(Pixels{}).empty());
}

TEST(Pixels, CoarserOnesAreMeansAndKeepTheirRealSize) {
    Pixels fine = striped({{brick, 50}, {sky, 50}}, 40);
    fine.mm_per_pixel = 0.5;
    const Pixels coarse = coarser(fine, 10);
    EXPECT_EQ(coarse.width, 10);
    EXPECT_NEAR(coarse.mm_per_pixel * coarse.width, 50, 1e-9);
    EXPECT_EQ(coarse(0, 0).r, brick.r);
    EXPECT_EQ(coarse(9, 0).b, sky.b);
    const Pixels same = coarser(fine, 1000);
    EXPECT_EQ(same.width, fine.width);
}

TEST(Pixels, APartEndsWhereThePictureDoes) {
    const Pixels all = striped({{brick, 30}, {sky, 30}}, 20);
    const Pixels right = part(all, 40, 5, 100, 100);
    EXPECT_EQ(right.width, 20);
    EXPECT_EQ(right.height, 15);
    EXPECT_TRUE(std::all_of(right.at.begin(), right.at.end(), [](Rgb c) { return c == sky; }));
}

TEST(LetterSet, ALetterIsItselfOrItsCapital) {
    LetterSet set;
    set.letters = {{"K", {10, 2}}, {"i", {4, 1}}, {"\xC3\x9C", {11, 1}}};
    EXPECT_EQ(piece_for(set, "K"), "K");
    EXPECT_EQ(piece_for(set, "k"), "K");
    EXPECT_EQ(piece_for(set, "i"), "i");
    EXPECT_EQ(piece_for(set, "I"), "") << "a capital is not made of a small letter";
    EXPECT_EQ(piece_for(set, "t"), "");
}

TEST(LetterSet, TextIsTakenApartByCharactersOfUtf8) {
    EXPECT_EQ(letters_of("K\xC3\xBCte"), (std::vector<std::string>{"K", "\xC3\xBC", "t", "e"}));
    EXPECT_TRUE(letters_of("").empty());
    const auto damaged = letters_of("a\xC3");
    EXPECT_FALSE(damaged.empty());
    EXPECT_EQ(damaged[0], "a");
}

TEST(LetterSet, WhatRunsOutIsStickersAndReadyMadeWords) {
    EXPECT_TRUE(runs_out(LetterKind::Stickers));
    EXPECT_TRUE(runs_out(LetterKind::Words));
    for (const LetterKind kind : {LetterKind::Dies, LetterKind::Stamps, LetterKind::Cut})
        EXPECT_FALSE(runs_out(kind));
}

TEST(NewThings, LettersAsTheyStandOnASheetAreCounted) {
    const auto width = [](const std::string& letter) { return letter == "I" ? 4.0 : 9.0; };
    const LetterSet cork = letter_set_of("cork", LetterKind::Stickers, 13, "KIITE", width);
    EXPECT_EQ(cork.letters.at("I").count, 2);
    EXPECT_EQ(cork.letters.at("K").count, 1);
    EXPECT_EQ(cork.letters.at("I").width, 4);
    EXPECT_EQ(cork.height, 13);
    const LetterSet words = letter_set_of("words", LetterKind::Words, 10, "windy hill windy", width);
    EXPECT_EQ(words.letters.at("windy").count, 2);
    EXPECT_EQ(words.letters.size(), 2u);
}

TEST(NewThings, RoundThingsAreRoundAndOthersRectangles) {
    const Polygon button = outline_of_size(EmbellishmentKind::Button, 14, 14);
    EXPECT_NEAR(area(button), M_PI * 49, 1);
    const Polygon label = outline_of_size(EmbellishmentKind::Label, 40, 12);
    EXPECT_NEAR(area(label), 480, 1e-6);
    EXPECT_NEAR(bounds(label).centre().x, 0, 1e-9);
}

TEST(NewThings, AnOutlineIsMovedAboutItsMiddle) {
    const Polygon moved =
        about_its_middle({{{10, 20}, {50, 20}, {50, 40}, {10, 40}}, {{{20, 25}, {30, 25}, {30, 30}}}});
    EXPECT_EQ(bounds(moved).centre(), (Point{0, 0}));
    ASSERT_EQ(moved.holes.size(), 1u);
    EXPECT_NEAR(moved.holes[0][0].x, -10, 1e-9);
}

TEST(LetterSets, WhatIsEnteredIsWhatIsSaidOfThemAgain) {
    const auto width = [](const std::string& letter) { return 5.0 + static_cast<double>(letter.size()); };
    for (const auto& [kind, entered, again] :
         {std::tuple(LetterKind::Stickers, "EABA CD", "AABCDE"), std::tuple(LetterKind::Dies, "BAAB", "AB"),
          std::tuple(LetterKind::Words, " windy  hill windy", "hill windy windy"),
          std::tuple(LetterKind::Stickers, "\u00e9Z\u00e9", "Z\u00e9\u00e9"),
          std::tuple(LetterKind::Cut, "", "")}) {
        const LetterSet set = letter_set_of("cork", kind, 12, entered, width);
        EXPECT_EQ(letters_entered(set), again);
        EXPECT_EQ(letter_set_of("cork", kind, 12, letters_entered(set), width).letters.size(),
                  set.letters.size());
    }
    LetterSet used = letter_set_of("cork", LetterKind::Stickers, 12, "AAB", width);
    used.letters["A"].count = 0;
    EXPECT_EQ(letters_entered(used), "B") << "of a letter that is used up there is none";
    EXPECT_DOUBLE_EQ(used.letters["B"].width, 6);
}

TEST(LetterSets, AnyTextIsCountedAndSaidAgainWithoutLosingALetter) {
    const std::vector<std::string> some{"A", "b", "\u00e4", "\u20ac", "&", "7", " ", "\U0001F438"};
    std::mt19937 random(17);
    for (int round = 0; round < 200; ++round) {
        std::string text;
        std::map<std::string, int> count;
        for (auto n = random() % 40; n > 0; --n) {
            const std::string& letter = some[random() % some.size()];
            text += letter;
            if (letter != " ") ++count[letter];
        }
        const auto width = [](const std::string&) { return 4.0; };
        const LetterSet set = letter_set_of("cork", LetterKind::Stickers, 12, text, width);
        ASSERT_EQ(set.letters.size(), count.size()) << text;
        for (const auto& [letter, piece] : set.letters) EXPECT_EQ(piece.count, count.at(letter)) << text;
        EXPECT_EQ(letter_set_of("cork", LetterKind::Stickers, 12, letters_entered(set), width), set) << text;
        // Whatever the kind: what is said of a set is entered as the same set.
        for (const LetterKind kind : {LetterKind::Dies, LetterKind::Words, LetterKind::Cut}) {
            const LetterSet other = letter_set_of("cork", kind, 12, text, width);
            const LetterSet again = letter_set_of("cork", kind, 12, letters_entered(other), width);
            EXPECT_EQ(again.letters.size(), other.letters.size()) << text;
            for (const auto& [piece, of] : other.letters) EXPECT_TRUE(again.letters.contains(piece)) << text;
        }
    }
}

} // namespace zesty
