#include "core/geometry/lengths.h"

#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

TEST(Lengths, ReadsWhatPeopleWrite) {
    const std::pair<const char*, double> cases[] = {
        {"11.5in", 292.1},  {"11 1/2 in", 292.1}, {"11-1/2", 292.1}, {"1/8", 3.175}, {" 3/4 in ", 19.05},
        {"292.1mm", 292.1}, {"29.21 cm", 292.1},  {"12\"", 304.8},   {"0", 0},       {"-1/4in", -6.35}};
    for (const auto& [text, mm] : cases) {
        const auto r = parse_length(text);
        ASSERT_TRUE(r) << text;
        EXPECT_NEAR(*r, mm, 1e-9) << text;
    }
    EXPECT_NEAR(*parse_length("3", Units::Centimetres), 30, 1e-9);
}

TEST(Lengths, RefusesWhatIsNoLength) {
    for (const char* text : {"", "in", "abc", "1/0", "3 parsecs", "1 1/2 1/2", "nan", "inf", "1e999"})
        EXPECT_FALSE(parse_length(text)) << text;
}

TEST(Lengths, SaysInchesInFractionsAndSmallThingsInMillimetres) {
    EXPECT_EQ(format_length(285.75, Units::Inches), "11 1/4 in");
    EXPECT_EQ(format_length(304.8, Units::Inches), "12 in");
    EXPECT_EQ(format_length(1.84, Units::Inches), "1.8 mm");
    EXPECT_EQ(format_length(3.175, Units::Inches), "1/8 in");
    EXPECT_EQ(format_length(286, Units::Centimetres), "28.6 cm");
    EXPECT_EQ(format_size(292.1, 279.4, Units::Inches), "11 1/2 x 11 in");
}

TEST(Lengths, WhatIsWrittenReadsBackWithinHalfAThirtySecond) {
    for (double mm = 3.3; mm < 400; mm += 0.73)
        for (const Units u : {Units::Inches, Units::Centimetres})
            EXPECT_NEAR(*parse_length(format_length(mm, u), u), mm,
                        u == Units::Inches ? 25.4 / 64 + 1e-9 : 0.5 + 1e-9);
}

} // namespace zesty
