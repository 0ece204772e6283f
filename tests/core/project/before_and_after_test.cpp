// The drawer before and after: what is said beforehand is what is there once the page is finished.

#include "core/geometry/measure.h"
#include "core/project/before_and_after.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/stock.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Stash drawer() {
    Stash out;
    out.papers = {testing::paper("barley", {230, 180, 60}, 152.4, 3),
                  testing::paper("brick", {180, 60, 50}, 100, 1)};
    out.papers[0].name = "Barley";
    Embellishment bow;
    bow.id = "bow";
    bow.name = "Bow";
    bow.outline = {{{-5, -4}, {5, -4}, {5, 4}, {-5, 4}}, {}};
    bow.count = 3;
    out.embellishments = {bow};
    LetterSet sticks;
    sticks.id = "sticks";
    sticks.name = "Kite Sticks";
    sticks.letters = {{"K", {10, 2}}, {"I", {4, 1}}, {"T", {9, 1}}};
    out.letters = {sticks};
    return out;
}

/// One sheet of barley is cut in half, the scrap comes back.
Finishing half_a_sheet(const Project& page) {
    Finishing out;
    SheetFate fate;
    fate.sheet = "barley#1";
    fate.stock = stash_at_hand(page).papers[0].sheets[0];
    fate.stock.count = 1;
    const Box box = bounds(fate.stock.outline);
    const double middle = box.centre().x;
    const auto part = [&](double from, double to) {
        return Polygon{{{from, box.y0}, {to, box.y0}, {to, box.y1}, {from, box.y1}}, {}};
    };
    fate.used = {part(box.x0, middle)};
    fate.back = {{part(middle, box.x1), 1, true}};
    fate.taken_as = "barley#cut1";
    out.sheets = {fate};
    out.things.embellishments = {{"bow", 2}};
    out.things.letters = {{"sticks", {{"K", 1}, {"I", 1}}}};
    return out;
}

} // namespace

TEST(BeforeAndAfter, SaysWhatFinishingLeavesOfPapersEmbellishmentsAndLetters) {
    Project page = testing::page_with(3, 2, 2, drawer());
    const Finishing finishing = half_a_sheet(page);
    const auto papers = before_and_after(page, finishing);
    const auto things = embellishments_left(page, finishing);
    const auto letters = letters_left(page, finishing);
    ASSERT_EQ(papers.size(), 1u) << "only what is touched";
    EXPECT_EQ(papers[0].name, "Barley");
    EXPECT_EQ(papers[0].sheets, 1);
    EXPECT_EQ(papers[0].scraps_back, 1);
    EXPECT_NEAR(papers[0].before, 3 * 152.4 * 152.4, 1e-6);
    ASSERT_EQ(things.size(), 1u);
    ASSERT_EQ(letters.size(), 1u);
    EXPECT_EQ(things[0].thing.count, 3);
    EXPECT_EQ(letters[0].before, 4);
    EXPECT_EQ(letters[0].last, std::vector<std::string>{"I"}) << "of K one stays, of T nothing goes";

    finish(page, finishing, FinishWhat::Everything, "2026-11-29");
    const Stash& after = stash_at_hand(page);
    EXPECT_NEAR(papers[0].after, stock_area(after.papers[0]), 1e-6);
    EXPECT_EQ(things[0].after, after.embellishment("bow")->count);
    int left = 0;
    for (const auto& [name, piece] : after.letter_set("sticks")->letters) left += piece.count;
    EXPECT_EQ(letters[0].after, left);
}

TEST(BeforeAndAfter, IsEmptyWhereNothingIsTaken) {
    const Project page = testing::page_with(3, 2, 2, drawer());
    EXPECT_TRUE(before_and_after(page, {}).empty());
    EXPECT_TRUE(embellishments_left(page, {}).empty());
    EXPECT_TRUE(letters_left(page, {}).empty());
}

} // namespace zesty
