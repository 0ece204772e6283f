#include "core/sentences.h"

#include <gtest/gtest.h>

namespace zesty {

TEST(Sentences, CountAndListAsPeopleDo) {
    EXPECT_EQ(count_of(1, "patch", "patches"), "1 patch");
    EXPECT_EQ(count_of(0, "patch", "patches"), "0 patches");
    EXPECT_EQ(there_are(0, "photo", "photos"), "there are no photos");
    EXPECT_EQ(there_are(1, "photo", "photos"), "there is 1 photo");
    EXPECT_EQ(there_are(3, "photo", "photos"), "there are 3 photos");
    EXPECT_EQ(numbers({}), "");
    EXPECT_EQ(numbers({8, 3, 6}), "4, 7 and 9");
    EXPECT_EQ(numbers({0, 1, 2, 3, 4, 5, 6}), "1, 2, 3, 4, 5, 6 and 7") << "one more is no more";
    EXPECT_EQ(numbers({0, 1, 2, 3, 4, 5, 6, 7, 20}), "1, 2, 3, 4, 5, 6 and 3 more");
}

TEST(Sentences, AReasonBecomesASentence) {
    EXPECT_EQ(sentence("no paper is chosen"), "No paper is chosen.");
    EXPECT_EQ(sentence("11 is short"), "11 is short.");
}

TEST(Sentences, AreShortenedBetweenCharacters) {
    EXPECT_EQ(shortened("kite", 9), "kite");
    EXPECT_EQ(shortened("kite", 3), "kit");
    EXPECT_EQ(shortened("k\u00e4se", 2), "k") << "not within the second character";
    EXPECT_EQ(shortened("k\u00e4se", 3), "k\u00e4");
    EXPECT_EQ(shortened("\U0001FA81", 3), "");
}

} // namespace zesty
