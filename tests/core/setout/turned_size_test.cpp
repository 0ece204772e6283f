#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/setout/sizing.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

CutFile some_cut(std::mt19937& random) {
    const auto cut = read_cut(testing::random_lattice(random, 2 + static_cast<int>(random() % 3),
                                                      2 + static_cast<int>(random() % 3), 4));
    EXPECT_TRUE(cut);
    return *cut;
}

CutPlacement some_placement(std::mt19937& random) {
    CutPlacement p;
    p.turn_deg = testing::between(random, -180, 180);
    p.mirrored = random() % 2;
    const auto rule = static_cast<SizeRule>(random() % 4);
    const bool by_border = rule == SizeRule::Margin || rule == SizeRule::Frame;
    return sized(p, rule, by_border ? testing::between(random, 5, 60) : testing::between(random, 50, 300));
}

} // namespace

TEST(TurnedCut, KeepsItsSizeHoweverItIsTurnedAndMirroredAndWhateverRuleSizedIt) {
    std::mt19937 random(14);
    Page page;
    page.reveal = Sides::even(6);
    for (int round = 0; round < testing::rounds(250); ++round) {
        const CutFile cut = some_cut(random);
        CutPlacement p = some_placement(random);
        const SetOut before = set_out(cut, page, p, Units::Inches);
        for (int turn = 0; turn < 4; ++turn) {
            p.turn_deg = testing::between(random, -180, 180);
            if (random() % 2) p.mirrored = !p.mirrored;
            const SetOut after = set_out(cut, page, p, Units::Inches);
            ASSERT_NEAR(after.size.x, before.size.x, 1e-9);
            ASSERT_NEAR(after.size.y, before.size.y, 1e-9);
        }
    }
}

TEST(TurnedCut, IsSizedByTheBorderItHasAsItLies) {
    std::mt19937 random(2);
    for (int round = 0; round < testing::rounds(100); ++round) {
        const CutFile cut = some_cut(random);
        Page page;
        page.reveal = Sides::even(6);
        const CutPlacement p = some_placement(random);
        const SetOut now = set_out(cut, page, p, Units::Inches);
        if (p.rule == SizeRule::Margin) {
            ASSERT_NEAR(now.border, p.length, 1e-6);
        }
        if (p.rule == SizeRule::Frame) {
            ASSERT_NEAR(now.frame_gap, p.length, 1e-6);
        }
        if (p.rule == SizeRule::Width) {
            ASSERT_NEAR(now.size.x, p.length, 1e-6);
        }
        if (p.rule == SizeRule::Height) {
            ASSERT_NEAR(now.size.y, p.length, 1e-6);
        }
        EXPECT_NEAR(ruling_length(p, now), p.length, 1e-9);
        const double factor = testing::between(random, 0.4, 0.9);
        const SetOut smaller = set_out(cut, page, resized(p, now, page, factor), Units::Inches);
        ASSERT_NEAR(smaller.size.x, factor * now.size.x, 1e-6);
    }
}

TEST(TurnedCut, ThatLeavesThePageIsAFindingWithFixesThatBringItBack) {
    std::mt19937 random(5);
    Project p = testing::project_of(testing::random_lattice(random, 4, 2, 4));
    CutPlacement& place = p.set_out.cuts[0].place;
    place = sized(place, SizeRule::Width, 295);
    place.turn_deg = 45;
    place.shift = {40, 0};
    const auto turned = Planner(testing::laid_before()).shapes(p);
    ASSERT_TRUE(turned);
    const auto findings = Planner(testing::laid_before()).plan(p)->findings;
    const auto over = std::find_if(findings.begin(), findings.end(),
                                   [](const Finding& f) { return f.code == Code::OverEdge; });
    ASSERT_NE(over, findings.end());
    ASSERT_FALSE(over->fixes.empty());
    for (const Fix& fix : over->fixes) {
        Project next = p;
        fix.apply(next);
        const auto mended = Planner(testing::laid_before()).plan(next);
        ASSERT_TRUE(mended);
        EXPECT_TRUE(std::none_of(mended->findings.begin(), mended->findings.end(), [](const Finding& f) {
            return f.code == Code::OverEdge;
        })) << fix.label();
    }
}

TEST(Grouping, OfManyRandomSelectionsNeverChangesATreatment) {
    std::mt19937 random(9);
    for (int round = 0; round < testing::rounds(1000); ++round) {
        Project p;
        const int count = 4 + static_cast<int>(random() % 20);
        for (int o = 0; o < count; ++o)
            if (random() % 2)
                change_sections(p, {Spot(o)}, [&](SectionChoice& c) {
                    c.treatment = static_cast<Treatment>(random() % words_of<Treatment>.size());
                });
        const auto treatments = [&] {
            std::vector<Treatment> out;
            for (int o = 0; o < count; ++o)
                out.push_back(p.sections.choice(p.sections.section_of(Spot(o))).treatment);
            return out;
        };
        for (int step = 0; step < 4; ++step) {
            const auto before = treatments();
            std::set<Spot> some;
            for (int k = 0; k < 5; ++k) some.insert(Spot(static_cast<int>(random() % count)));
            const auto out = group(p, {some.begin(), some.end()});
            ASSERT_EQ(treatments(), before);
            for (const Spot& s : out) ASSERT_TRUE(some.contains(s));
            std::set<Spot> sections;
            for (const Spot& s : some)
                if (std::find(out.begin(), out.end(), s) == out.end())
                    sections.insert(p.sections.section_of(s));
            ASSERT_EQ(sections.size(), 1u) << "what does not stay out is one section";
        }
    }
}

} // namespace zesty
