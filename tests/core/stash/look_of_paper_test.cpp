// Pictures made with known colours, angles and repeats, and what is said of them.

#include "core/stash/autocorrelation.h"
#include "core/stash/look_of_paper.h"
#include "support/papers.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

double apart(double a, double b, double turn) {
    const double d = std::fmod(std::abs(a - b), turn);
    return std::min(d, turn - d);
}

/// Empty when everything known about the paper has been seen.
std::string missed(const testing::KnownPaper& paper) {
    const LookOfPaper look = look_of(paper.pixels);
    if (look.pattern != paper.pattern)
        return "kind " + std::to_string(static_cast<int>(look.pattern)) + " instead of " +
               std::to_string(static_cast<int>(paper.pattern));
    if (paper.pattern == Pattern::Stripe && apart(*look.stripes_deg, paper.stripes_deg, 180) > 2)
        return "stripes at " + std::to_string(*look.stripes_deg) + " instead of " +
               std::to_string(paper.stripes_deg);
    if (paper.repeat > 0) {
        if (!look.repeat) return "no repeat instead of " + std::to_string(paper.repeat);
        if (std::abs(*look.repeat - paper.repeat) > 0.03 * paper.repeat)
            return "repeat " + std::to_string(*look.repeat) + " instead of " + std::to_string(paper.repeat);
    }
    if (paper.pattern == Pattern::Ombre && apart(*look.ombre_deg, paper.ombre_deg, 360) > 5)
        return "ombre at " + std::to_string(*look.ombre_deg) + " instead of " +
               std::to_string(paper.ombre_deg);
    return {};
}

} // namespace

TEST(LookOfPaper, IsRightOnNearlyAllPapers) {
    std::mt19937 random(12);
    int wrong = 0;
    int all = 0;
    const auto look = [&](const testing::KnownPaper& paper, int round) {
        const std::string what = missed(paper);
        ++all;
        if (what.empty()) return;
        ++wrong;
        std::printf("paper %d: %s\n", round, what.c_str());
    };
    for (int round = 0; round < testing::long_rounds(16); ++round) {
        look(testing::solid_paper(random), round);
        look(testing::striped_paper(random), round);
        look(testing::printed_paper(random, false), round);
        look(testing::printed_paper(random, true), round);
        look(testing::ombre_paper(random), round);
        look(testing::picture_paper(random), round);
    }
    EXPECT_LE(wrong, all / 20);
}

TEST(Palette, FindsTheColoursAPaperIsMadeOf) {
    std::mt19937 random(9);
    for (int round = 0; round < testing::rounds(12); ++round) {
        const testing::KnownPaper paper =
            round % 2 ? testing::striped_paper(random) : testing::printed_paper(random, true);
        const auto palette = palette_of(paper.pixels);
        ASSERT_EQ(palette.size(), paper.colours.size()) << "round " << round;
        double sum = 0;
        for (Rgb wanted : paper.colours) {
            const auto near =
                std::min_element(palette.begin(), palette.end(), [&](const auto& a, const auto& b) {
                    return difference(to_lab(a.colour), to_lab(wanted)) <
                           difference(to_lab(b.colour), to_lab(wanted));
                });
            EXPECT_LT(difference(to_lab(near->colour), to_lab(wanted)), 2);
            double counted = 0;
            for (Rgb c : paper.pixels.at) {
                bool nearest = true;
                for (Rgb other : paper.colours)
                    nearest =
                        nearest &&
                        std::abs(c.r - wanted.r) + std::abs(c.g - wanted.g) + std::abs(c.b - wanted.b) <=
                            std::abs(c.r - other.r) + std::abs(c.g - other.g) + std::abs(c.b - other.b);
                counted += nearest;
            }
            EXPECT_NEAR(near->share, counted / static_cast<double>(paper.pixels.at.size()), 0.03);
            sum += near->share;
        }
        EXPECT_NEAR(sum, 1, 0.02);
        for (std::size_t i = 1; i < palette.size(); ++i) EXPECT_GE(palette[i - 1].share, palette[i].share);
    }
    EXPECT_TRUE(palette_of({}).empty());
    EXPECT_EQ(palette_of(testing::picture_paper(random).pixels, 3).size(), 3u);
}

TEST(Autocorrelation, FindsTheRepeatToAFractionOfAStep) {
    for (const double repeat : {12.0, 17.3, 21.65}) {
        std::vector<double> row;
        for (int i = 0; i < 400; ++i) row.push_back(std::fmod(i, repeat) < repeat / 3 ? 1 : 0);
        const auto found = repeat_of(row, 0.5);
        ASSERT_TRUE(found) << repeat;
        EXPECT_NEAR(*found, repeat, 0.02 * repeat);
    }
    std::mt19937 random(2);
    std::vector<double> noise;
    for (int i = 0; i < 400; ++i) noise.push_back(static_cast<double>(random() % 1000));
    EXPECT_FALSE(repeat_of(noise, 0.5));
    EXPECT_FALSE(repeat_of(std::vector<double>{1, 2, 3}, 0.5));
}

} // namespace zesty
