#include "core/stash/likeness.h"
#include "core/stash/look_of_paper.h"
#include "support/between.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <numeric>

namespace zesty {

namespace {

enum class Kind { Plain, Stripes, Dots };

/// A paper somebody could have designed.
struct Design {
    Kind kind = Kind::Plain;
    std::vector<Rgb> colours;
    double repeat = 12; ///< mm
    double ink = 0.5;   ///< how much of it has the second colour
};

Rgb any_colour(std::mt19937& random) {
    const auto channel = [&] { return static_cast<std::uint8_t>(20 + random() % 230); };
    return {channel(), channel(), channel()};
}

/// The same colour as another press would print it.
Rgb nearly(Rgb c, std::mt19937& random) {
    const auto with = [&](int v) {
        return static_cast<std::uint8_t>(std::clamp(v + static_cast<int>(random() % 9) - 4, 0, 255));
    };
    return {with(c.r), with(c.g), with(c.b)};
}

Design any_design(std::mt19937& random) {
    Design d{static_cast<Kind>(random() % 3),
             {any_colour(random)},
             testing::between(random, 6, 20),
             testing::between(random, 0.25, 0.6)};
    if (d.kind == Kind::Plain) return d;
    do d.colours = {any_colour(random), any_colour(random)};
    while (difference(to_lab(d.colours[0]), to_lab(d.colours[1])) < 25);
    return d;
}

/// Another sheet of it: printed elsewhere, cut elsewhere, lying some other way.
PaperFace scanned(const Design& d, std::mt19937& random) {
    std::vector<Rgb> ink;
    for (const Rgb c : d.colours) ink.push_back(nearly(c, random));
    const double turn = testing::between(random, 0, 3);
    const double from = testing::between(random, 0, d.repeat);
    Pixels out;
    out.width = out.height = 120;
    out.mm_per_pixel = 0.6;
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x) {
            const double u = (x * std::cos(turn) + y * std::sin(turn)) * out.mm_per_pixel + from;
            const double v = (y * std::cos(turn) - x * std::sin(turn)) * out.mm_per_pixel + from;
            const double fu = u / d.repeat - std::floor(u / d.repeat),
                         fv = v / d.repeat - std::floor(v / d.repeat);
            const bool second = d.kind == Kind::Stripes ? fu < d.ink
                                : d.kind == Kind::Dots
                                    ? std::hypot(fu - 0.5, fv - 0.5) < std::sqrt(d.ink / M_PI)
                                    : false;
            out.at.push_back(nearly(ink[second ? 1 : 0], random));
        }
    const LookOfPaper look = look_of(out);
    return {.colour = look.colour,
            .picture = "",
            .pattern = look.pattern,
            .repeat = look.repeat.value_or(0),
            .palette = look.palette};
}

/// A plain paper in the mean colour of it, or one of other colours.
Design plainly_another(const Design& d, std::mt19937& random) {
    if (d.kind != Kind::Plain && random() % 2) {
        const auto mean = [&](std::uint8_t Rgb::*channel) {
            return static_cast<std::uint8_t>(d.colours[0].*channel * (1 - d.ink) +
                                             d.colours[1].*channel * d.ink);
        };
        return {Kind::Plain, {{mean(&Rgb::r), mean(&Rgb::g), mean(&Rgb::b)}}, d.repeat, d.ink};
    }
    for (;;) {
        Design other = any_design(random);
        bool apart = true;
        for (const Rgb a : d.colours)
            for (const Rgb b : other.colours) apart = apart && difference(to_lab(a), to_lab(b)) > 20;
        if (apart) return other;
    }
}

} // namespace

TEST(Likeness, ABlackAndWhiteStripeIsNotGrey) {
    const std::vector<PaletteColour> stripe{{{0, 0, 0}, 0.5}, {{255, 255, 255}, 0.5}};
    const std::vector<PaletteColour> grey{{{128, 128, 128}, 1}};
    EXPECT_GT(palette_distance(stripe, grey), 25);
    EXPECT_NEAR(palette_distance(stripe, {{{255, 255, 255}, 3}, {{0, 0, 0}, 3}}), 0, 1e-9);
}

TEST(Likeness, MovesTheLeastThereIsToMove) {
    const Rgb black{0, 0, 0}, white{255, 255, 255}, grey{119, 119, 119};
    const double all = difference(to_lab(black), to_lab(white));
    EXPECT_NEAR(palette_distance({{black, 1}}, {{white, 1}}), all, 1e-9);
    EXPECT_NEAR(palette_distance({{black, 0.7}, {white, 0.3}}, {{black, 0.2}, {white, 0.8}}), 0.5 * all,
                1e-6);
    EXPECT_NEAR(palette_distance({{black, 0.5}, {grey, 0.5}}, {{grey, 0.5}, {white, 0.5}}),
                std::min(0.5 * all, 0.5 * difference(to_lab(black), to_lab(grey)) +
                                        0.5 * difference(to_lab(grey), to_lab(white))),
                1e-6);
}

TEST(Likeness, IsADistanceThatNoPlanOfMovesUndercuts) {
    std::mt19937 random(4);
    for (int round = 0; round < 300; ++round) {
        std::vector<PaletteColour> a, b;
        for (unsigned i = 0; i <= random() % 6; ++i)
            a.push_back({any_colour(random), testing::between(random, 0.1, 1)});
        for (unsigned i = 0; i <= random() % 6; ++i)
            b.push_back({any_colour(random), testing::between(random, 0.1, 1)});
        const double d = palette_distance(a, b);
        EXPECT_NEAR(d, palette_distance(b, a), 1e-6);
        EXPECT_NEAR(palette_distance(a, a), 0, 1e-6);
        // Random orders of filling one after the other are plans, too.
        const auto sum_of = [](const auto& p) {
            return std::accumulate(p.begin(), p.end(), 0.0,
                                   [](double s, const auto& c) { return s + c.share; });
        };
        for (int plan = 0; plan < 20; ++plan) {
            auto x = a, y = b;
            std::shuffle(x.begin(), x.end(), random);
            std::shuffle(y.begin(), y.end(), random);
            for (auto& c : x) c.share /= sum_of(a);
            for (auto& c : y) c.share /= sum_of(b);
            double cost = 0;
            for (std::size_t i = 0, j = 0; i < x.size() && j < y.size();) {
                const double moved = std::min(x[i].share, y[j].share);
                cost += moved * difference(to_lab(x[i].colour), to_lab(y[j].colour));
                x[i].share -= moved;
                y[j].share -= moved;
                if (x[i].share < 1e-12) ++i;
                if (j < y.size() && y[j].share < 1e-12) ++j;
            }
            EXPECT_LE(d, cost + 1e-6);
        }
    }
}

TEST(Likeness, TellsGeneratedPairsThatArePlainlyAlikeFromThoseThatAreNot) {
    constexpr double alike_below = 10;
    std::mt19937 random(31);
    const int pairs = testing::long_rounds(136);
    int right = 0;
    for (int round = 0; round < pairs; ++round) {
        const Design d = any_design(random);
        const bool alike = round % 2 == 0;
        const PaperFace a = scanned(d, random);
        const PaperFace b = scanned(alike ? d : plainly_another(d, random), random);
        const bool said = unlikeness(a, b) < alike_below;
        right += said == alike;
        if (said != alike)
            std::printf("pair %d: %s, distance %.1f, kinds %s and %s\n", round, alike ? "alike" : "not alike",
                        unlikeness(a, b), name_of(a.pattern), name_of(b.pattern));
    }
    std::printf("%d of %d pairs told right\n", right, pairs);
    EXPECT_GE(right, pairs * 98 / 100);
}

} // namespace zesty
