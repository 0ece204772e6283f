#include "core/match/moods.h"
#include "core/match/pattern_room.h"
#include "core/stash/variation.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

constexpr Rgb paper_white{250, 248, 240};
constexpr Rgb ink_navy{30, 40, 90};

/// 300 mm of a pattern, a millimetre a pixel.
template <class Inked> Pixels printed(Inked inked, int size = 300, double mm = 1) {
    Pixels out{size, size, mm, {}};
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) out.at.push_back(inked(x * mm, y * mm) ? ink_navy : paper_white);
    return out;
}

Pixels stripes(double repeat) {
    return printed([=](double x, double) { return std::fmod(x, repeat) < repeat / 2; });
}

Pixels dots(double repeat) {
    return printed([=](double x, double y) {
        return std::hypot(std::fmod(x, repeat) - repeat / 2, std::fmod(y, repeat) - repeat / 2) <
               0.3 * repeat;
    });
}

PaperFace face_of(const Pixels& pixels, Pattern kind) {
    PaperFace out{paper_white, "kite.png", kind};
    out.palette = palette_of(pixels);
    out.variation = variation_of(pixels);
    return out;
}

} // namespace

TEST(Variation, OfStripesIsThatOfAWindowOverTwoColours) {
    // A window of half a repeat holds anything from none to all of a colour; in one of five it is less than a
    // tenth: 4 x 0.1 x 0.9 of the variance.
    const auto v = variation_of(stripes(24));
    EXPECT_NEAR(v[2] * v[2] / (v.back() * v.back()), 0.36, 0.06);
    EXPECT_NEAR(v[5] / v.back(), 1, 0.03) << "a window of several repeats shows all of it";
    const Lab a = to_lab(paper_white);
    const Lab b = to_lab(ink_navy);
    EXPECT_NEAR(v.back(), std::hypot(a.l - b.l, a.a - b.a, a.b - b.b) / 2, 0.5);
}

TEST(Variation, APatternIsReadableFromAnOpeningOfAboutItsRepeat) {
    for (const double repeat : {6.0, 12.0, 30.0, 60.0}) {
        for (const Pixels& p : {stripes(repeat), dots(repeat)}) {
            const double radius = readable_from(variation_of(p));
            EXPECT_GT(2 * radius, 0.5 * repeat) << repeat;
            EXPECT_LT(2 * radius, 1.3 * repeat) << repeat;
        }
    }
}

TEST(Variation, OfThinLinedMotifsFarApartAsksForAnOpeningThatHoldsOne) {
    // Gulls of 6 mm every 24: most openings of their own size would show none.
    const auto gulls = printed([](double x, double y) {
        const double u = std::fmod(x, 24) - 12;
        const double v = std::fmod(y, 24) - 12;
        return std::abs(u) < 3 && std::abs(v - std::abs(u) / 2) < 0.8;
    });
    const double radius = readable_from(variation_of(gulls));
    EXPECT_GT(2 * radius, 16);
    EXPECT_LT(2 * radius, 32);
}

TEST(Variation, DoesNotDependOnHowFineThePictureIs) {
    const auto coarse = dots(30);
    const auto fine = printed(
        [](double x, double y) { return std::hypot(std::fmod(x, 30) - 15, std::fmod(y, 30) - 15) < 9; }, 600,
        0.5);
    EXPECT_NEAR(readable_from(variation_of(coarse)), readable_from(variation_of(fine)), 1);
}

TEST(Variation, GrowsWithTheOpeningOnAnyPicture) {
    std::mt19937 random(13);
    for (int round = 0; round < testing::rounds(40); ++round) {
        Pixels p{20 + static_cast<int>(random() % 60), 20 + static_cast<int>(random() % 60), 2, {}};
        for (int i = 0; i < p.width * p.height; ++i)
            p.at.push_back({static_cast<std::uint8_t>(random() % 256),
                            static_cast<std::uint8_t>(random() % 256),
                            static_cast<std::uint8_t>(random() % 256)});
        const auto v = variation_of(p);
        ASSERT_EQ(v.size(), variation_windows.size() + 1);
        double before = 0;
        for (double radius = 0; radius < 80; radius += 0.5) {
            const double seen = share_seen(v, radius);
            ASSERT_GE(seen, before - 1e-12);
            ASSERT_LE(seen, 1);
            before = seen;
        }
    }
}

TEST(Variation, OfPlainPaperShowsNothing) {
    const auto v = variation_of(printed([](double, double) { return false; }));
    EXPECT_EQ(readable_from(v), 0);
    EXPECT_EQ(share_seen(v, 20), 0);
    EXPECT_TRUE(variation_of({}).empty());
    EXPECT_EQ(readable_from({}), 0);
}

TEST(Variation, TellsWhatRoomAPatternNeedsWhateverItIsCalled) {
    const double small = pattern_room(face_of(dots(8), Pattern::Large));
    const double large = pattern_room(face_of(dots(44), Pattern::Small));
    EXPECT_LT(small, 6);
    EXPECT_GT(large, 12);
}

TEST(Variation, ALargePatternIsCalmInSmallOpeningsAndASmallOneBusy) {
    const PaperFace large = face_of(dots(80), Pattern::Large);
    const PaperFace small = face_of(dots(6), Pattern::Small);
    EXPECT_LT(busyness(large, 4), 0.5 * busyness(small, 4));
    EXPECT_NEAR(busyness(large, 60), busyness(small, 60), 0.2);
    EXPECT_EQ(busyness(PaperFace{.colour = paper_white, .picture = {}}, 20), 0);
}

} // namespace zesty
