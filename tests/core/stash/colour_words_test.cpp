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

} // namespace zesty
