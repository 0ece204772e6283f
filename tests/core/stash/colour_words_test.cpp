#include "core/stash/colour_words.h"

#include <gtest/gtest.h>
#include <set>

namespace zesty {

TEST(ColourWords, AreWhatPeopleCallThem) {
    for (const auto& [colour, words] : {std::pair{"#2f7f86", "muted teal"},
                                        {"#c82828", "bright red"},
                                        {"#3e7c4f", "green"},
                                        {"#e86a17", "bright orange"},
                                        {"#6b4423", "brown"},
                                        {"#d2b48c", "tan"},
                                        {"#f6edd6", "cream"},
                                        {"#f0d030", "bright yellow"},
                                        {"#8ec3e6", "sky blue"},
                                        {"#1f2f5a", "navy"},
                                        {"#b9a6d9", "lavender"},
                                        {"#e89ab8", "pink"},
                                        {"#7a3f8f", "purple"},
                                        {"#a8d8b9", "pale green"},
                                        {"#000000", "black"},
                                        {"#808080", "grey"},
                                        {"#ffffff", "white"}})
        EXPECT_EQ(colour_words(*parse_colour(colour)), words) << colour;
}

TEST(ColourWords, EveryColourHasSomeAndCloseOnesRarelyDiffer) {
    std::set<std::string> all;
    int same = 0;
    int pairs = 0;
    for (int r = 0; r < 256; r += 15)
        for (int g = 0; g < 256; g += 15)
            for (int b = 0; b < 256; b += 15) {
                const Rgb one{static_cast<std::uint8_t>(r), static_cast<std::uint8_t>(g),
                              static_cast<std::uint8_t>(b)};
                const Rgb next{one.r, static_cast<std::uint8_t>(std::min(255, g + 2)), one.b};
                const std::string words = colour_words(one);
                ASSERT_FALSE(words.empty());
                all.insert(words);
                ++pairs;
                same += words == colour_words(next);
            }
    EXPECT_GT(all.size(), 30u);
    EXPECT_GT(same, pairs * 9 / 10);
}

TEST(ColourWords, LeadBackToAColourThatIsCalledThat) {
    std::set<std::string> all;
    for (int r = 0; r < 256; r += 17)
        for (int g = 0; g < 256; g += 17)
            for (int b = 0; b < 256; b += 17)
                all.insert(colour_words({static_cast<std::uint8_t>(r), static_cast<std::uint8_t>(g),
                                         static_cast<std::uint8_t>(b)}));
    for (const std::string& words : all) {
        const auto colour = colour_called(words);
        ASSERT_TRUE(colour) << words;
        EXPECT_EQ(colour_words(*colour), words);
    }
    EXPECT_EQ(colour_called("#2f7f86"), parse_colour("#2f7f86"));
    EXPECT_EQ(colour_called("  Muted   TEAL "), colour_called("muted teal"));
    EXPECT_EQ(colour_called("navy blue"), colour_called("navy"));
    const auto lightness = [](const char* words) { return to_lab(*colour_called(words)).l; };
    EXPECT_LT(lightness("dark teal"), lightness("teal"));
    EXPECT_GT(lightness("light rose"), lightness("rose"));
    for (const char* nonsense : {"", "kite", "very", "dark", "teal kite", "#12", "dark kite"})
        EXPECT_FALSE(colour_called(nonsense)) << nonsense;
}

} // namespace zesty
