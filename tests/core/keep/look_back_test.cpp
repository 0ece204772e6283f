// Finding pages again, and what they say together.

#include "core/build/step.h"
#include "core/keep/look_back.h"
#include "core/project/learned_pace.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

PageRecord remembered(const std::string& title, const std::string& day, const std::string& paper, Rgb colour,
                      double used) {
    PageFacts facts;
    facts.cuts = {{"kite-hill.svg", 280, 280}};
    facts.papers = {{paper, paper, colour, true, false, 1, 1, 1, used + 100, used, 60}};
    facts.palette = {{colour, 1}};
    facts.from_scraps = 92903.04 / 2;
    PageRecord out;
    out.id = out.uid = short_name(title);
    out.title = title;
    out.finished = day;
    out.facts = std::make_shared<const PageFacts>(facts);
    return out;
}

const Rgb red{190, 50, 45};
const Rgb teal{40, 130, 130};

std::vector<PageRecord> shelf() {
    std::vector<PageRecord> out{remembered("Kite Hill", "2026-10-15", "Barley", red, 4000),
                                remembered("Tram Terrace", "2026-09-02", "Barley", red, 2500),
                                remembered("Seed Swap", "2026-07-20", "Gull Print", teal, 9000)};
    out[0].notes.tags = {"wind"};
    out[0].notes.album = "Hill album";
    out[2].notes.made = "2025-12-24";
    return out;
}

std::vector<std::string> titles(const std::vector<PageRecord>& all, const std::vector<int>& found) {
    std::vector<std::string> out;
    for (const int i : found) out.push_back(all[static_cast<std::size_t>(i)].title);
    return out;
}

using Titles = std::vector<std::string>;

} // namespace

TEST(LookBack, FindsPagesByWordsPaperColourCutYearAndAlbum) {
    const auto all = shelf();
    EXPECT_EQ(titles(all, found_pages(all, {})), (Titles{"Kite Hill", "Tram Terrace", "Seed Swap"}));
    EXPECT_EQ(titles(all, found_pages(all, {.words = "WIND hill"})), Titles{"Kite Hill"});
    EXPECT_EQ(titles(all, found_pages(all, {.words = "gull"})), Titles{"Seed Swap"});
    EXPECT_EQ(titles(all, found_pages(all, {.paper = "barley"})), (Titles{"Kite Hill", "Tram Terrace"}));
    EXPECT_EQ(titles(all, found_pages(all, {.colour = Rgb{50, 125, 125}})), Titles{"Seed Swap"});
    EXPECT_EQ(found_pages(all, {.cut = "kite"}).size(), 3u);
    EXPECT_EQ(titles(all, found_pages(all, {.year = "2025"})), Titles{"Seed Swap"});
    EXPECT_EQ(titles(all, found_pages(all, {.album = "hill album"})), Titles{"Kite Hill"});
    EXPECT_TRUE(found_pages(all, {.words = "kite snow"}).empty());
}

TEST(LookBack, StandsPagesTogetherOnTheShelf) {
    const auto all = shelf();
    const auto months = shelf_of(all, found_pages(all, {}), ShelfBy::Month);
    ASSERT_EQ(months.size(), 3u);
    EXPECT_EQ(months[0].name, "October 2026");
    EXPECT_EQ(months[2].name, "December 2025") << "as its maker says, not when it was entered";
    const auto papers = shelf_of(all, found_pages(all, {}), ShelfBy::Paper);
    EXPECT_EQ(papers[0].name, "Barley");
    EXPECT_EQ(papers[0].pages.size(), 2u);
    EXPECT_EQ(shelf_of(all, found_pages(all, {}), ShelfBy::Album).back().name, "Hill album");
}

TEST(LookBack, SaysWhereAPaperWentAndWhatIsLeftOfIt) {
    const auto all = shelf();
    Stash now;
    now.papers.resize(1);
    now.papers[0].id = "barley";
    now.papers[0].uid = "Barley";
    now.papers[0].name = "Barley (new name)";
    now.papers[0].sheets = {{{{{0, 0}, {100, 0}, {100, 50}, {0, 50}}, {}}, 2, true}};
    const auto went = where_paper_went(all, found_pages(all, {}), now);
    ASSERT_EQ(went.size(), 2u);
    EXPECT_EQ(went[0].name, "Gull Print") << "most of it is used";
    EXPECT_FALSE(went[0].known);
    EXPECT_EQ(went[1].name, "Barley (new name)");
    ASSERT_EQ(went[1].parts.size(), 2u);
    EXPECT_EQ(all[static_cast<std::size_t>(went[1].parts[0].page)].title, "Tram Terrace") << "oldest first";
    EXPECT_NEAR(went[1].parts[0].lost, 40, 1e-9);
    EXPECT_NEAR(went[1].in_drawer, 10000, 1e-9);
    EXPECT_EQ(went[1].scraps, 2);
}

TEST(LookBack, CountsMonthsWithoutAPageTooAndWhatLiesUnused) {
    auto all = shelf();
    Stash now;
    now.papers.resize(2);
    for (int i = 0; i < 2; ++i) {
        Paper& p = now.papers[static_cast<std::size_t>(i)];
        p.uid = i == 0 ? "Barley" : "forgotten";
        p.touched = "2024-01-01";
        p.sheets = {{{{{0, 0}, {9, 0}, {9, 9}, {0, 9}}, {}}, 1, false}};
    }
    const LookBack back = look_back(all, now, "2025-11-28");
    EXPECT_EQ(back.pages, 3);
    ASSERT_EQ(back.months.size(), 11u) << "December 2025 to October 2026";
    EXPECT_EQ(back.months.front().month, "2025-12");
    EXPECT_EQ(back.months[1].month, "2026-01");
    EXPECT_EQ(back.months[1].pages, 0);
    EXPECT_NEAR(back.saved_by_scraps, 1.5, 1e-6);
    EXPECT_EQ(back.unused, std::vector<int>{1});
    all[0].notes.made = "2026-99-99";
    EXPECT_LE(look_back(all, now, "").months.size(), 600u) << "a day that is none does no harm";
}

TEST(LookBack, OwnPaceIsWhatAllPagesTookAgainstTheProgramsNumbers) {
    auto all = shelf();
    for (int i = 0; i < 2; ++i) {
        PageFacts facts = *all[static_cast<std::size_t>(i)].facts;
        facts.pace = {{key_of(StepKind::Trim), 10, i == 0 ? 30.0 : 10.0}};
        all[static_cast<std::size_t>(i)].facts = std::make_shared<const PageFacts>(facts);
    }
    const auto pace = own_pace(all);
    ASSERT_EQ(pace.size(), 1u);
    EXPECT_NEAR(pace[0].factor, 2, 1e-9);
    Project page;
    page.build.minutes.trimming = 99;
    page.build.minutes.gutting = 7;
    take_over_own_pace(page, pace);
    EXPECT_NEAR(page.build.minutes.trimming, 2 * StepMinutes{}.trimming, 1e-9)
        << "by the program's own numbers, so that nothing is learned twice";
    EXPECT_NEAR(page.build.minutes.gutting, 7, 1e-9) << "nobody has timed that";
    EXPECT_EQ(own_pace_in_words(pace[0]), "Trimming takes 100 % longer than usual.");
}

TEST(LookBack, ShortNamesAreNeverEmpty) {
    EXPECT_EQ(short_name("Kite Hill, again!"), "kite-hill-again");
    EXPECT_EQ(short_name("\xc3\xa4\xc3\xb6"), "page");
    EXPECT_EQ(short_name(""), "page");
}

} // namespace zesty
