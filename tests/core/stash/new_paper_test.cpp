#include "core/stash/likeness.h"
#include "core/stash/new_paper.h"

#include <gtest/gtest.h>
#include <set>

namespace zesty {

TEST(NewPaper, HasAnIdOfItsOwnMadeOfItsName) {
    Stash stash;
    for (const char* id : {"ripe-barley", "ripe-barley-2"}) {
        const Paper p =
            paper_of({"Ripe Barley", {230, 200, 120}, Pattern::Solid, {{152.4, 203.2, 3}}}, stash);
        EXPECT_EQ(p.id, id);
        ASSERT_EQ(p.sheets.size(), 1u);
        EXPECT_EQ(p.sheets[0].count, 3);
        stash.papers.push_back(p);
    }
    EXPECT_EQ(sheets_of(stash).size(), 6u);
    EXPECT_EQ(paper_of({"  Gull & Sky, no. 2!", {}, Pattern::Solid, {{10, 10, 1}}}, {}).id, "gull-sky-no-2");
    EXPECT_EQ(paper_of({"\xc3\x84", {}, Pattern::Solid, {{10, 10, 1}}}, {}).id, "paper");
}

TEST(NewPaper, LiesAsItsPatternAllows) {
    const auto way = [](Pattern p) { return paper_of({"Kite", {}, p, {{10, 10, 1}}}, {}).direction; };
    EXPECT_EQ(way(Pattern::Solid), Direction::Free);
    EXPECT_EQ(way(Pattern::Small), Direction::Free);
    EXPECT_EQ(way(Pattern::Stripe), Direction::Half);
    EXPECT_EQ(way(Pattern::Picture), Direction::Fixed);
}

TEST(StarterPapers, AreTwentyFourThatNobodyConfuses) {
    const Stash stash = with_starter_papers({});
    ASSERT_EQ(stash.papers.size(), 24u);
    std::set<std::string> ids;
    for (const Paper& a : stash.papers) {
        ids.insert(a.id);
        EXPECT_EQ(a.pattern, Pattern::Solid);
        for (const Paper& b : stash.papers) {
            if (a.id == b.id) continue;
            EXPECT_GT(unlikeness(a.face(Side::A), b.face(Side::A)), 8) << a.id << " " << b.id;
        }
    }
    EXPECT_EQ(ids.size(), 24u);
    EXPECT_EQ(sheets_of(stash).size(), 48u);
}

TEST(StarterPapers, LeaveWhatIsThereAlone) {
    Stash stash = with_starter_papers({});
    stash.papers.resize(3);
    stash.papers[1].sheets[0].count = 7;
    const Stash all = with_starter_papers(stash);
    EXPECT_EQ(all.papers.size(), 24u);
    EXPECT_EQ(all.papers[1].sheets[0].count, 7);
    EXPECT_EQ(with_starter_papers(all), all);
}

} // namespace zesty
