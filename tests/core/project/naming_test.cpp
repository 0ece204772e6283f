// Whatever names a spot follows when spots are renamed or copied.

#include "core/project/naming.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

/// Decisions of every stage about openings 0 to 5 of the first cut.
Project decided() {
    Project p = testing::page_with(3, 3, 3, testing::five_papers());
    p.sections.groups = {{Spot(0), Spot(1), Spot(2)}, {Spot(3), Spot(4)}};
    SectionChoice named;
    named.name = "sails";
    p.sections.choose(Spot(0), named);
    p.sections.bars[{Spot(0), Spot(1)}] = LipMode::Overlap;
    p.sections.divisions[Spot(5)] = {Division::Kind::Bands, 3};
    PaperChoice paper;
    paper.paper = "b";
    p.match.choose(Spot(0), paper);
    PaperChoice follows;
    follows.same_as = Spot(0);
    p.match.choose(Spot(3), follows);
    p.sheets.pins[Spot(4)] = {"b#1", 90, {10, 20}};
    PageTitle title;
    title.path.on = TitleOn::Opening;
    title.path.opening = Spot(4);
    p.dress.titles = {title};
    return p;
}

} // namespace

TEST(Naming, ASectionThatLosesItsLowestOpeningGoesOnWithTheNext) {
    Project p = decided();
    rename_spots(p, [](Spot s, Named) -> std::optional<Spot> {
        if (s == Spot(0)) return std::nullopt;
        return s;
    });
    ASSERT_EQ(p.sections.groups.size(), 2u);
    EXPECT_EQ(p.sections.groups[0], (std::vector<Spot>{Spot(1), Spot(2)}));
    EXPECT_EQ(p.sections.choice(Spot(1)).name, "sails");
    EXPECT_EQ(p.match.choice(Spot(1)).paper, "b");
    EXPECT_EQ(p.match.choice(Spot(3)).same_as, Spot(1)) << "what follows it follows";
    EXPECT_TRUE(p.sections.bars.empty()) << "the bar has lost one side";
}

TEST(Naming, GroupsOfOneAreTakenApartAndPinsGo) {
    Project p = decided();
    rename_spots(p, [](Spot s, Named) -> std::optional<Spot> {
        if (s == Spot(4)) return std::nullopt;
        return s;
    });
    EXPECT_EQ(p.sections.groups.size(), 1u);
    EXPECT_TRUE(p.sheets.pins.empty());
    EXPECT_EQ(p.dress.titles[0].path.opening, Spot(4)) << "that its opening is gone is said, not lost";
}

TEST(Naming, EverySpotMovesWhenAllAreRenumbered) {
    Project p = decided();
    rename_spots(p, [](Spot s, Named) -> std::optional<Spot> { return Spot(s.cut, s.opening + 10, s.part); });
    EXPECT_EQ(p.sections.groups[1], (std::vector<Spot>{Spot(13), Spot(14)}));
    EXPECT_TRUE(p.sections.divisions.contains(Spot(15)));
    EXPECT_EQ(p.sections.bars.begin()->first, BarName(Spot(10), Spot(11)));
    EXPECT_EQ(p.match.choice(Spot(13)).same_as, Spot(10));
    EXPECT_TRUE(p.sheets.pins.contains(Spot(14)));
    EXPECT_EQ(p.dress.titles[0].path.opening, Spot(14));
}

TEST(Naming, ACopyIsDecidedLikeItsOriginalButForPinsAndTitles) {
    Project p = decided();
    PaperChoice slanted = p.match.choice(Spot(0));
    slanted.pattern.slant_deg = 30;
    p.match.choose(Spot(0), slanted);
    copy_decisions(p, 0, 7, true);
    EXPECT_EQ(p.sections.choice(Spot(7, 0)).name, "sails");
    EXPECT_EQ(p.match.choice(Spot(7, 0)).paper, "b");
    EXPECT_EQ(p.match.choice(Spot(7, 0)).pattern.slant_deg, 150) << "mirrored";
    EXPECT_EQ(p.match.choice(Spot(7, 3)).same_as, Spot(7, 0));
    EXPECT_TRUE(p.sections.divisions.contains(Spot(7, 5)));
    EXPECT_EQ(p.sheets.pins.size(), 1u) << "two patches cannot lie in one place";
    EXPECT_EQ(p.dress.titles.size(), 1u);
}

} // namespace zesty
