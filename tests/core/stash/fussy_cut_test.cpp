// Motifs cut out by hand: found where they are, kept clear of, and counted.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "core/stash/fussy_cut.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

constexpr Rgb plain_ground{244, 238, 225};
constexpr double mm_per_pixel = 0.3;

/// Discs with a core of another colour on a plain ground, of known places and radii, mm.
struct Disc {
    Point at;
    double radius;
};
Pixels printed(const std::vector<Disc>& discs, int across) {
    Pixels out;
    out.width = out.height = across;
    out.mm_per_pixel = mm_per_pixel;
    for (int y = 0; y < across; ++y)
        for (int x = 0; x < across; ++x) {
            Rgb c = plain_ground;
            const Point p{(x + 0.5) * mm_per_pixel, (y + 0.5) * mm_per_pixel};
            for (const Disc& d : discs) {
                const double r = distance(p, d.at);
                if (r < d.radius)
                    c = r < d.radius / 3 ? plain_ground : Rgb{190, 70, 60}; // a hole in the middle
            }
            out.at.push_back(c);
        }
    return out;
}

double worst_off(const Polygon& outline, const Disc& disc) {
    double worst = 0;
    for (std::size_t i = 0; i < outline.outer.size(); ++i)
        for (int k = 0; k < 4; ++k) {
            const Point a = outline.outer[i];
            const Point b = outline.outer[(i + 1) % outline.outer.size()];
            worst = std::max(worst, std::abs(distance(a + (b - a) * (k / 4.0), disc.at) - disc.radius));
        }
    return worst;
}

} // namespace

TEST(FussyCut, OnAPatternedGroundAMotifIsFoundOrRefusedAndNeverTheWholeSheet) {
    std::mt19937 random(5);
    for (int round = 0; round < 24; ++round) {
        const Disc one{{15 + static_cast<double>(random() % 30), 15 + static_cast<double>(random() % 30)}, 7};
        Pixels pixels = printed({one}, 220);
        const int stripe = 3 + static_cast<int>(random() % 12);
        for (int y = 0; y < pixels.height; ++y)
            for (int x = 0; x < pixels.width; ++x) {
                const auto i = static_cast<std::size_t>(y * pixels.width + x);
                const bool dark = round % 2 ? (x / stripe) % 2 == 0 : (x / stripe + y / stripe) % 2 == 0;
                if (pixels.at[i] == plain_ground && dark) pixels.at[i] = {120, 150, 170};
            }
        const auto motif = motif_at(pixels, one.at + Point{4, 0});
        ASSERT_TRUE(motif) << "round " << round << ": " << motif.error().message;
        EXPECT_LT(worst_off(*motif, one), 1) << "round " << round;
        for (const Point at : {Point{3.1, 60.2}, Point{60.3, 4.4}}) {
            const auto ground = motif_at(pixels, at);
            if (round % 2) {
                EXPECT_FALSE(ground) << "a stripe is no motif, round " << round;
            } else if (ground) {
                const Box box = bounds(*ground);
                EXPECT_LT(std::max(box.width(), box.height()), 1.5 * stripe * mm_per_pixel)
                    << "one square of a check, round " << round;
            }
        }
    }
}

TEST(FussyCut, AMotifIsFoundWithinHalfAMillimetreWithItsHolesFilled) {
    std::mt19937 random(12);
    const auto part = [&](double from, double to) {
        return from + (to - from) * static_cast<double>(random()) / 4294967296.0;
    };
    for (int round = 0; round < 40; ++round) {
        const Disc one{{part(30, 45), part(30, 90)}, part(8, 22)};
        const Disc other{{part(88, 95), part(30, 90)}, part(8, 20)};
        const Pixels pixels = printed({one, other}, 400);
        const auto found = motif_at(pixels, one.at + Point{0.6 * one.radius, 0});
        ASSERT_TRUE(found) << found.error().message;
        EXPECT_TRUE(found->holes.empty());
        EXPECT_TRUE(is_valid({*found}));
        EXPECT_LT(worst_off(*found, one), 0.5);
    }
    const Pixels pixels = printed({{{60, 60}, 20}}, 400);
    EXPECT_EQ(motif_at(pixels, {5, 5}).error().kind, ErrorKind::NothingToDo) << "the ground";
    EXPECT_EQ(motif_at(pixels, {500, 5}).error().kind, ErrorKind::NothingToDo) << "beside the picture";
}

TEST(FussyCut, ABrushAddsWhatItPassesOverAndTakesAway) {
    std::mt19937 random(7);
    for (int round = 0; round < testing::rounds(60); ++round) {
        const Polygon motif{testing::rectangle(50, 50, 80, 80), {}};
        Ring stroke{{testing::between(random, 40, 90), testing::between(random, 40, 90)}};
        for (int k = 0; k < 3; ++k)
            stroke.push_back({testing::between(random, 40, 90), testing::between(random, 40, 90)});
        const auto more = corrected(motif, stroke, 2, true);
        const auto less = corrected(motif, stroke, 2, false);
        for (const auto& out : {more, less})
            if (out) {
                ASSERT_TRUE(is_valid({*out}));
                ASSERT_TRUE(out->holes.empty());
            }
        if (more) {
            ASSERT_LT(area(*subtract({motif}, {*more})), 0.5) << "adding takes nothing away";
        }
        if (less) {
            ASSERT_LT(area(*subtract({*less}, {motif})), 0.5) << "taking away adds nothing";
        }
    }
    const Polygon motif{testing::rectangle(50, 50, 80, 80), {}};
    EXPECT_NEAR(area(*corrected(motif, {{80, 60}, {90, 60}}, 2, true)), 900 + 4 * 10 + M_PI * 2, 0.5);
    EXPECT_NEAR(area(*corrected(motif, {{40, 50}, {90, 50}}, 2, false)), 900 - 30 * 2, 0.1);
    EXPECT_EQ(corrected(motif, {{10, 10}}, 2, true).error().kind, ErrorKind::NothingToDo);
    EXPECT_EQ(corrected(motif, {{60, 60}}, 2, true).error().kind, ErrorKind::NothingToDo);
    EXPECT_EQ(corrected(motif, {{65, 65}}, 40, false).error().kind, ErrorKind::NothingToDo);
}

TEST(FussyCut, EverySheetThatShowsItKeepsClearOfItAndTakingOneCutsAHole) {
    Paper paper = testing::stock_paper("poppy", {240, 230, 220}, 120, 3);
    paper.sheets.push_back({{testing::rectangle(0, 0, 40, 40), {}}, 2, false});
    Polygon motif{testing::rectangle(50, 50, 80, 80), {}};
    paper.fussy_cuts.push_back({"poppy", motif, 0});
    EXPECT_EQ(motifs_left(paper, paper.fussy_cuts[0]), 3) << "the small ones do not show it";
    Stash stash;
    stash.papers = {paper};
    for (const Sheet& s : sheets_of(stash)) {
        const bool whole = bounds(s.outline).width() > 100;
        EXPECT_EQ(s.outline.holes.size(), whole ? 1u : 0u);
        if (!whole) continue;
        EXPECT_GT(120 * 120 - s.area, 33 * 33 - 3) << "1/16 in all round";
    }
    double before = 0;
    for (const SheetStock& s : paper.sheets) before += s.count * area(s.outline);
    const auto taken = with_motif_taken(paper, 0);
    ASSERT_TRUE(taken);
    double after = 0;
    for (const SheetStock& s : taken->sheets) after += s.count * area(s.outline);
    EXPECT_NEAR(before - after, area(motif), 1e-6) << "area in is area out";
    EXPECT_EQ(taken->fussy_cuts[0].used, 1);
    EXPECT_EQ(motifs_left(*taken, taken->fussy_cuts[0]), 2);
    auto all = *taken;
    for (int k = 0; k < 2; ++k) all = *with_motif_taken(all, 0);
    EXPECT_EQ(with_motif_taken(all, 0).error().kind, ErrorKind::NothingToDo);
}

TEST(FussyCut, WhatIsCutOutIsAnEmbellishmentCountedWithItsLike) {
    Paper paper = testing::stock_paper("poppy", {240, 230, 220}, 120, 2);
    const Polygon motif{testing::rectangle(50, 50, 80, 90), {}};
    paper.fussy_cuts.push_back({"", motif, 0});
    Stash stash;
    stash.papers = {paper};
    const auto once = with_motif_cut_out(stash, 0, 0);
    ASSERT_TRUE(once && once->embellishments.size() == 1);
    const Embellishment& there = once->embellishments[0];
    EXPECT_EQ(there.name, "Fussy cut of " + paper.name);
    EXPECT_NEAR(area(there.outline), area(motif), 1e-9) << "exactly its shape";
    EXPECT_NEAR(bounds(there.outline).centre().x, 0, 1e-9);
    EXPECT_EQ(there.count, 1);
    const auto twice = with_motif_cut_out(*once, 0, 0);
    ASSERT_TRUE(twice && twice->embellishments.size() == 1);
    EXPECT_EQ(twice->embellishments[0].count, 2);
    EXPECT_EQ(motifs_left(twice->papers[0], twice->papers[0].fussy_cuts[0]), 0);
    EXPECT_EQ(with_motif_cut_out(*twice, 0, 0).error().kind, ErrorKind::NothingToDo);
    Stash full = stash;
    full.embellishments.resize(most_embellishments);
    EXPECT_EQ(with_motif_cut_out(full, 0, 0).error().kind, ErrorKind::NothingToDo);
}

TEST(FussyCut, PatchesOfAPlanKeepClearOfMotifs) {
    std::mt19937 random(8);
    Project p = testing::project_of(testing::random_lattice(random, 4, 3, 4));
    p.set_out.cuts[0].place = {SizeRule::Width, 150, 0, false, {}};
    Paper paper = testing::stock_paper("poppy", {240, 230, 220}, 200, 1);
    const Polygon motif{testing::rectangle(70, 60, 120, 110), {}};
    paper.fussy_cuts.push_back({"", motif, 0});
    Stash stash;
    stash.papers = {paper};
    p.stash = std::make_shared<const Stash>(stash);
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = "poppy";
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    std::size_t laid = 0;
    const auto kept = grow({motif}, fussy_cut_margin - 0.01);
    for (std::size_t i = 0; i < plan->sections.patches.size(); ++i) {
        const PlacedPatch& at = plan->sheets.placed[i];
        if (at.sheet < 0) continue;
        ++laid;
        const auto over =
            intersect({transformed(plan->sections.patches[i].on_sheet(), at.to_sheet())}, *kept);
        EXPECT_LT(area(*over), 1e-3);
    }
    EXPECT_GT(laid, 6u);
}

} // namespace zesty
