// How much of which colour a page shows, and where.

#include "core/match/hue_budget.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::finding_in;
using testing::shapes_of;

namespace {

constexpr Rgb red{200, 50, 45};
constexpr Rgb green{70, 140, 60};
constexpr Rgb blue{50, 90, 170};
constexpr Rgb grey{150, 150, 150};

/// A grid of 3 x 3 panes; papers by pane, row by row.
Project panes(const std::vector<std::string>& papers) {
    std::vector<Ring> rings{testing::rectangle(0, 0, 210, 210)};
    for (int r = 0; r < 3; ++r)
        for (int c = 0; c < 3; ++c)
            rings.push_back(testing::rectangle(5 + 70 * c, 5 + 70 * r, 65 + 70 * c, 65 + 70 * r));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 210);
    Stash stash;
    for (const auto& [id, colour] :
         {std::pair{"red", red}, std::pair{"green", green}, std::pair{"blue", blue}, std::pair{"grey", grey}})
        stash.papers.push_back(testing::stock_paper(id, colour, 304.8, 3));
    p.stash = std::make_shared<const Stash>(stash);
    const Plan plan = shapes_of(p);
    for (std::size_t o = 0; o < papers.size(); ++o) {
        PaperChoice choice;
        choice.paper = papers[o];
        p.match.choose(plan.sections.all[static_cast<std::size_t>(plan.sections.of_opening[o])].id, choice);
    }
    return p;
}

} // namespace

TEST(HueBudget, OneColourOnMostPanesIsSaidAndAMixIsNot) {
    const Plan red_page =
        shapes_of(panes({"red", "red", "red", "red", "green", "blue", "red", "green", "blue"}));
    const Finding* much = finding_in(red_page, Code::HueBudget);
    ASSERT_NE(much, nullptr);
    EXPECT_NE(much->title.find("red"), std::string::npos) << much->title;
    EXPECT_FALSE(much->openings.empty());
    const Plan mixed =
        shapes_of(panes({"red", "green", "blue", "green", "blue", "red", "blue", "red", "green"}));
    EXPECT_EQ(finding_in(mixed, Code::HueBudget), nullptr);
}

TEST(HueBudget, GreyHasNoHueHoweverMuchOfItThereIs) {
    const Plan plan =
        shapes_of(panes({"grey", "grey", "grey", "grey", "grey", "grey", "red", "green", "blue"}));
    EXPECT_EQ(finding_in(plan, Code::HueBudget), nullptr);
}

TEST(HueBudget, ABaseOfTheSameColourCountsWithIt) {
    Project p = panes({"red", "green", "blue", "green", "blue", "red", "blue", "red", "green"});
    EXPECT_EQ(finding_in(shapes_of(p), Code::HueWithBase), nullptr);
    p.set_out.page.base_paper = "red";
    const Plan plan = shapes_of(p);
    const Finding* with_base = finding_in(plan, Code::HueWithBase);
    ASSERT_NE(with_base, nullptr);
    EXPECT_NE(with_base->title.find("red"), std::string::npos) << with_base->title;
}

TEST(HueBudget, AStrongAccentInOneQuarterAloneIsNoted) {
    // The one red pane lies in a corner; the others mix green and blue.
    const Plan plan =
        shapes_of(panes({"red", "green", "blue", "green", "blue", "green", "blue", "green", "blue"}));
    const Finding* lone = finding_in(plan, Code::OneQuarter);
    ASSERT_NE(lone, nullptr);
    EXPECT_NE((lone->title + lone->message).find("upper left"), std::string::npos)
        << lone->title << lone->message;
}

} // namespace zesty
