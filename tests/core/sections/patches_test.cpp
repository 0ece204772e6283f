#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/project.h"
#include "core/sections/patches.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

struct Made {
    CutFile cut;
    std::vector<Section> sections;
    std::vector<Patch> patches;
};

Made make(const Drawing& drawing, double lip, std::vector<int> open = {}) {
    Made m{*read_cut(drawing), {}, {}};
    Project p;
    p.sections.lip = lip;
    for (int o : open) p.sections.choose(o, {"", Treatment::Open});
    m.sections = sections_of(testing::spots_of(m.cut), p.sections);
    std::vector<PatchWish> wishes;
    for (const Section& s : m.sections) wishes.push_back({takes_paper(s.treatment), s.lip});
    auto patches = make_patches(m.cut, wishes, Transform{}, m.cut.box);
    EXPECT_TRUE(patches) << patches.error().message;
    if (patches) m.patches = std::move(*patches);
    return m;
}

Region outer_outline(const CutFile& cut) {
    Region all;
    for (const Piece& p : cut.pieces) all.push_back({p.outline.outer, {}});
    return *unite(all);
}

/// Two patches whose overlap is nowhere 0.2 wide each pass the middle of the bar by less than 0.1.
bool thinner_than(double width, const Region& region) {
    return region.empty() || grow(region, -width / 2)->empty();
}

/// Covers its opening, never peeks out, never enters another, lip true.
void expect_sound(const Made& m) {
    const Region outside = outer_outline(m.cut);
    for (const Patch& p : m.patches) {
        const Opening& own = m.cut.openings[p.opening];
        const double bare = area(*subtract({own.outline}, {p.outline}));
        EXPECT_LT(bare, std::max(0.05, 1e-3 * own.area)) << "opening " << p.opening + 1;
        EXPECT_LT(area(*subtract({p.outline}, outside)), 0.02) << "opening " << p.opening + 1;
        EXPECT_TRUE(is_valid({p.outline}));
        for (std::size_t o = 0; o < m.cut.openings.size(); ++o) {
            if (static_cast<int>(o) == p.opening || !m.cut.openings[o].box.meets(bounds(p.outline))) continue;
            const Region shown = *intersect({p.outline}, {m.cut.openings[o].outline});
            EXPECT_LT(area(shown), 0.05) << p.opening + 1 << " shows in " << o + 1;
        }
        EXPECT_LE(p.lip, p.lip_wanted + 0.02);
        const double real = gap(own.outline.outer, p.outline.outer).distance;
        EXPECT_NEAR(p.lip, real, 0.1);
    }
}

} // namespace

TEST(Patches, GetTheLipWantedWhereTheBarAllows) {
    const Made m = make(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}), 3);
    ASSERT_EQ(m.patches.size(), 1u);
    EXPECT_NEAR(m.patches[0].lip, 3, 0.05);
    EXPECT_NEAR(m.patches[0].area, 66 * 66, 0.01) << "its corners are those of the opening";
    EXPECT_EQ(m.patches[0].outline.outer.size(), 4u);
}

TEST(Patches, MeetInTheMiddleOfASharedBar) {
    const Made m =
        make(testing::drawing_of({testing::rectangle(0, 0, 100, 60), testing::rectangle(10, 10, 48, 50),
                                  testing::rectangle(50, 10, 90, 50)}),
             3.175);
    ASSERT_EQ(m.patches.size(), 2u);
    EXPECT_NEAR(bounds(m.patches[0].outline).x1, 49, 0.05);
    EXPECT_NEAR(bounds(m.patches[1].outline).x0, 49, 0.05);
    EXPECT_NEAR(m.patches[0].lip, 1, 0.05);
}

TEST(Patches, UseTheWholeBarBesideAnOpeningThatStaysOpen) {
    const Made m =
        make(testing::drawing_of({testing::rectangle(0, 0, 100, 60), testing::rectangle(10, 10, 48, 50),
                                  testing::rectangle(50, 10, 90, 50)}),
             3.175, {1});
    ASSERT_EQ(m.patches.size(), 1u);
    EXPECT_NEAR(gap(m.patches[0].outline.outer, m.cut.openings[1].outline.outer).distance, 0.3, 0.05);
}

TEST(Patches, StopShortOfTheOuterEdge) {
    const Made m =
        make(testing::drawing_of({testing::rectangle(0, 0, 40, 40), testing::rectangle(1, 1, 39, 39)}), 3);
    ASSERT_EQ(m.patches.size(), 1u);
    EXPECT_NEAR(bounds(m.patches[0].outline).x0, 0.3, 0.05);
    EXPECT_NEAR(m.patches[0].lip, 0.7, 0.05);
}

TEST(Patches, RunThroughBehindAnInsertButNotBehindItsOwnOpening) {
    const Made solid =
        make(testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90),
                                  testing::rectangle(40, 40, 60, 60)}),
             3);
    ASSERT_EQ(solid.patches.size(), 1u);
    EXPECT_TRUE(solid.patches[0].outline.holes.empty());
    const Made ring =
        make(testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90),
                                  testing::rectangle(30, 30, 70, 70), testing::rectangle(40, 40, 60, 60)}),
             3);
    ASSERT_EQ(ring.patches.size(), 2u);
    EXPECT_EQ(ring.patches[0].outline.holes.size() + ring.patches[1].outline.holes.size(), 1u);
    expect_sound(ring);
}

TEST(Patches, AreSoundOnRandomLattices) {
    std::mt19937 random(21);
    for (int round = 0; round < testing::rounds(12); ++round) {
        const double bar = 0.6 + 0.45 * round;
        const double lip = 0.8 + 0.5 * static_cast<double>(random() % 12);
        std::vector<int> open;
        for (int k = 0; k < 4; ++k) open.push_back(static_cast<int>(random() % 20));
        const Made m = make(testing::random_lattice(random, 5, 5, bar), lip, open);
        EXPECT_GT(m.patches.size(), 10u);
        expect_sound(m);
        for (std::size_t i = 0; i < m.patches.size(); ++i)
            for (std::size_t j = i + 1; j < m.patches.size(); ++j)
                EXPECT_TRUE(thinner_than(0.2, *intersect({m.patches[i].outline}, {m.patches[j].outline})))
                    << m.patches[i].opening + 1 << " and " << m.patches[j].opening + 1;
    }
}

TEST(Patches, AreSoundOnHollowBlobs) {
    std::mt19937 random(4);
    for (int round = 0; round < testing::rounds(12); ++round) {
        const Made m = make(testing::random_blobs(random, 40), 1 + 0.5 * round);
        EXPECT_GT(m.patches.size(), 20u);
        expect_sound(m);
    }
}

TEST(Patches, AreAsPlainAsTheirOpenings) {
    std::mt19937 random(13);
    const auto corners = [](const Ring& ring) { return simplified({ring, {}}, 0.15).outer.size(); };
    const auto has_notch = [&](const Ring& full) {
        const Ring ring = simplified({full, {}}, 0.15).outer;
        const double way = signed_area(ring) > 0 ? 1 : -1;
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Point a = ring[i];
            const Point b = ring[(i + 1) % ring.size()];
            const Point c = ring[(i + 2) % ring.size()];
            if (way * cross(b - a, c - b) < -0.05 * length(b - a) * length(c - b)) return true;
        }
        return false;
    };
    double sum = 0;
    int count = 0;
    for (int round = 0; round < testing::rounds(10); ++round) {
        const Made m = make(testing::random_lattice(random, 5, 4, 1.5 + 0.4 * round), 3.175);
        for (const Patch& p : m.patches) {
            const Ring& opening = m.cut.openings[p.opening].outline.outer;
            sum += static_cast<double>(corners(p.outline.outer)) / static_cast<double>(corners(opening));
            ++count;
            if (!has_notch(opening)) {
                EXPECT_FALSE(has_notch(p.outline.outer)) << "opening " << p.opening + 1;
            }
        }
    }
    EXPECT_GE(count, 15 * testing::rounds(10));
    EXPECT_LT(sum / count, 1.15);
}

TEST(Patches, KeepArcsAsArcsAndShareANarrowSpotAllRound) {
    // Two round windows: the bar between them is 2 mm at its narrowest.
    const Made m =
        make(testing::drawing_of({testing::rectangle(0, 0, 100, 60), testing::polygon({29, 30}, 20, 96),
                                  testing::polygon({71, 30}, 20, 96)}),
             3.175);
    ASSERT_EQ(m.patches.size(), 2u);
    for (const Patch& p : m.patches) {
        const Point middle = m.cut.openings[p.opening].label.centre;
        for (const Point q : p.outline.outer) EXPECT_NEAR(distance(q, middle), 21, 0.1);
    }
}

} // namespace zesty
