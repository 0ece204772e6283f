// One stash that several use at once: whatever the order in which changes arrive, none is lost.

#include "core/stash/sharing.h"
#include "core/stash/stock.h"
#include "core/stash/taking.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

SheetStock sheet(double side, int count) {
    return {{ring_of(Box{0, 0, side, side}), {}}, count, false};
}

Paper paper(const std::string& id, const std::string& uid, int sheets = 3) {
    Paper p;
    p.id = id;
    p.name = id;
    p.uid = uid;
    p.colour = {120, 90, 60};
    p.in_stash = true;
    p.sheets = {sheet(304.8, sheets)};
    return p;
}

Stash stash_of(std::vector<Paper> papers) {
    Stash out;
    out.papers = std::move(papers);
    return out;
}

PictureBytes bytes(const char* text) {
    return std::make_shared<const std::string>(text);
}

/// One random edit, as window and command line make them.
Stash edited(Stash s, std::mt19937& random, int number) {
    const auto pick = [&](std::size_t n) { return static_cast<std::size_t>(random() % n); };
    switch (s.papers.empty() ? 0 : random() % 6) {
    case 0:
        s.papers.push_back(paper("p" + std::to_string(number % 7), "n" + std::to_string(number)));
        s.papers.back().id = free_id(stash_of({}), s.papers.back().id);
        if (std::count_if(s.papers.begin(), s.papers.end(),
                          [&](const Paper& p) { return p.id == s.papers.back().id; }) > 1)
            s.papers.back().id += "-" + std::to_string(number);
        break;
    case 1:
        s.papers[pick(s.papers.size())].name = "Name " + std::to_string(number);
        break;
    case 2:
        change_count(s.papers[pick(s.papers.size())], sheet(304.8, 1), static_cast<int>(random() % 3) + 1);
        break;
    case 3:
        change_count(s.papers[pick(s.papers.size())], sheet(304.8, 1), -1);
        break;
    case 4:
        change_count(s.papers[pick(s.papers.size())], sheet(152.4, 1), 2);
        break;
    default:
        s.papers[pick(s.papers.size())].notes = "note " + std::to_string(number);
    }
    return s;
}

/// Sheets by paper and size, whatever the order of papers and rows.
std::map<std::pair<std::string, double>, int> counts(const Stash& s) {
    std::map<std::pair<std::string, double>, int> out;
    for (const Paper& p : s.papers)
        for (const SheetStock& k : p.sheets) out[{p.uid, k.outline.outer[1].x}] += k.count;
    return out;
}

} // namespace

TEST(Sharing, ChangesOfTwoProgramsCommute) {
    for (unsigned seed = 1; seed <= 300; ++seed) {
        std::mt19937 random(seed);
        const Stash start =
            stash_of({paper("barley", "u1", 9), paper("gull", "u2", 9), paper("skein", "u3", 9)});
        Stash mine = start;
        Stash yours = start;
        for (int i = 0; i < 4; ++i) {
            mine = edited(std::move(mine), random, static_cast<int>(seed) * 100 + i);
            yours = edited(std::move(yours), random, static_cast<int>(seed) * 100 + 50 + i);
        }
        const Stash one = carried_over(start, yours, mine);
        const Stash other = carried_over(start, mine, yours);
        EXPECT_EQ(counts(one), counts(other)) << "seed " << seed;
        for (const auto* both : {&one, &other})
            for (const Paper& p : both->papers) {
                EXPECT_EQ(both->find(p.id), static_cast<int>(&p - both->papers.data())) << "ids stay apart";
                for (const SheetStock& s : p.sheets) EXPECT_GE(s.count, 0);
            }
    }
}

TEST(Sharing, UndoingAChangeTakesBackJustWhatItDid) {
    for (unsigned seed = 1; seed <= 300; ++seed) {
        std::mt19937 random(seed);
        const Stash before = stash_of({paper("barley", "u1", 20), paper("gull", "u2", 20)});
        const Stash after = edited(before, random, 1);
        Stash others = after;
        for (int i = 0; i < 3; ++i) change_count(others.papers[0], sheet(304.8, 1), -1);
        others.papers[1].kept_in = "Blue folder";
        const Stash undone = carried_over(after, before, others);
        ASSERT_EQ(undone.papers.size(), 2u);
        EXPECT_EQ(undone.papers[0].name, "barley");
        EXPECT_EQ(undone.papers[0].sheets[0].count, 17) << "what others took stays taken";
        EXPECT_EQ(undone.papers[1].kept_in, "Blue folder");
        EXPECT_EQ(undone.papers[1].sheets[0].count, 20);
    }
}

TEST(Sharing, CountsNeverFallBelowNothing) {
    const Stash start = stash_of({paper("barley", "u1", 2)});
    Stash mine = start;
    mine.papers[0].sheets[0].count = 0;
    Stash yours = start;
    yours.papers[0].sheets[0].count = 1;
    EXPECT_EQ(carried_over(start, mine, yours).papers[0].sheets[0].count, 0);
}

TEST(Sharing, AChangeOfAPaperThatIsGoneBringsItBack) {
    const Stash start = stash_of({paper("barley", "u1"), paper("gull", "u2")});
    Stash mine = start;
    mine.papers[0].name = "Ripe Barley";
    const Stash now = carried_over(start, mine, stash_of({paper("gull", "u2")}));
    ASSERT_EQ(now.papers.size(), 2u);
    EXPECT_EQ(now.papers[1].name, "Ripe Barley");
}

TEST(Sharing, TwoPapersOfOneNameAreTwoAndTheirPicturesStayApart) {
    Stash living = stash_of({paper("barley", "u1")});
    living.papers[0].picture = "barley.png";
    living.pictures = {{"barley.png", bytes("theirs")}};
    Stash page = stash_of({paper("barley", "")});
    page.papers[0].in_stash = false;
    page.papers[0].picture = "barley.png";
    page.pictures = {{"barley.png", bytes("ours")}};
    const Stash both = joined(page, living, {"barley"});
    ASSERT_EQ(both.papers.size(), 2u);
    EXPECT_TRUE(both.is_open);
    EXPECT_EQ(both.papers[0].id, "barley") << "the page's decisions mean its own";
    EXPECT_FALSE(both.papers[0].in_stash);
    EXPECT_EQ(both.papers[1].id, "barley-2");
    EXPECT_TRUE(both.papers[1].in_stash);
    EXPECT_EQ(*both.pictures.at(both.papers[0].picture).get(), "ours");
    EXPECT_EQ(*both.pictures.at(both.papers[1].picture).get(), "theirs");
    EXPECT_TRUE(joined(both, living, {"barley"}) == both) << "again and again the same";
    EXPECT_EQ(id_in(living, both, "barley-2"), "barley");
    EXPECT_EQ(id_in(living, both, "barley"), "");
    // What is kept with the page is its own alone.
    const Stash kept = kept_by_page(both, {});
    ASSERT_EQ(kept.papers.size(), 1u);
    EXPECT_EQ(kept.pictures.size(), 1u);
    EXPECT_TRUE(kept == page);
}

TEST(Sharing, TheStashIsRightAboutThePapersItKnows) {
    Stash living = stash_of({paper("grain", "u1", 1), paper("gull", "u2")});
    Stash page = stash_of({paper("barley", "u1", 5)});
    page.papers[0].in_stash = false;
    const Stash both = joined(page, living, {"barley"});
    ASSERT_EQ(both.papers.size(), 2u);
    EXPECT_EQ(both.papers[0].id, "barley") << "as the page calls it";
    EXPECT_EQ(both.papers[0].name, "grain");
    EXPECT_EQ(both.papers[0].sheets[0].count, 1);
    // A paper that another program takes out is gone unless the page uses it.
    const Stash without = joined(both, stash_of({}), {"barley"});
    ASSERT_EQ(without.papers.size(), 1u);
    EXPECT_FALSE(without.papers[0].in_stash);
}

TEST(Sharing, WhatIsImportedTakesThePlaceOfWhatItIs) {
    Stash now = stash_of({paper("barley", "u1", 2), paper("gull", "u2")});
    now.papers[0].notes = "old";
    const Stash once = imported(now, stash_of({paper("barley", "", 7), paper("hedge", "")}));
    ASSERT_EQ(once.papers.size(), 3u);
    EXPECT_EQ(once.papers[0].id, "barley");
    EXPECT_EQ(once.papers[0].uid, "u1");
    EXPECT_EQ(once.papers[0].sheets[0].count, 7);
    EXPECT_EQ(once.papers[0].notes, "");
    const Stash apart = imported(now, stash_of({paper("barley", "u9", 7)}));
    EXPECT_EQ(apart.papers.size(), 3u) << "another paper of the same name";
}

TEST(Sharing, TwoEntriesForOnePaperBecomeOne) {
    Stash s = stash_of({paper("barley", "u1", 2), paper("gull", "u2", 4)});
    s.papers[1].sheets.push_back(sheet(152.4, 5));
    const Stash one = merged(s, "barley", "gull");
    ASSERT_EQ(one.papers.size(), 1u);
    ASSERT_EQ(one.papers[0].sheets.size(), 2u);
    EXPECT_EQ(one.papers[0].sheets[0].count, 6);
    EXPECT_EQ(one.papers[0].sheets[1].count, 5);
    EXPECT_TRUE(merged(s, "barley", "barley") == s);
}

// Each of the next tests names every member of its type: a new one does not compile until it is carried, too.

TEST(Sharing, NothingThatIsChangedOfAnEmbellishmentIsLeftBehind) {
    Stash before;
    before.embellishments.emplace_back();
    before.embellishments[0].id = "bow";
    before.embellishments[0].uid = "b";
    Stash after = before;
    auto& [id, name, kind, colour, outline, thickness, white_rim, count, on_sheet, kept_in, picture, uid,
           in_stash] = after.embellishments[0];
    name = "Red bow";
    kind = EmbellishmentKind::Button;
    colour = {1, 2, 3};
    outline = {ring_of(Box{-5, -4, 5, 4}), {}};
    thickness = 2;
    white_rim = 1;
    count = 7;
    on_sheet = "bows";
    kept_in = "tin";
    picture = "bow.png";
    in_stash = true;
    after.pictures["bow.png"] = bytes("a red bow");
    EXPECT_EQ(carried_over(before, after, before), after);
    EXPECT_EQ(carried_over(after, before, after).embellishments, before.embellishments) << "undone";
    Stash elsewhere = before;
    elsewhere.pictures["bow.png"] = bytes("another bow");
    const Stash both = carried_over(before, after, elsewhere);
    EXPECT_EQ(both.embellishments[0].picture, "bow-2.png");
    EXPECT_TRUE(both.pictures.at("bow-2.png") == bytes("a red bow"));
}

TEST(Sharing, NothingThatIsChangedOfALetterSetIsLeftBehind) {
    Stash before;
    before.letters.emplace_back();
    before.letters[0].id = "cork";
    before.letters[0].uid = "c";
    before.letters[0].letters = {{"A", {9, 3}}, {"B", {9, 1}}};
    Stash after = before;
    auto& [id, name, kind, height, stroke, gap, colour, thickness, letters, kept_in, uid, in_stash] =
        after.letters[0];
    name = "Thin cork";
    kind = LetterKind::Words;
    height = 20;
    stroke = 1;
    gap = 0.5;
    colour = {1, 2, 3};
    thickness = 2;
    letters = {{"A", {8, 2}}, {"KITE", {30, 1}}};
    kept_in = "tin";
    in_stash = true;
    EXPECT_EQ(carried_over(before, after, before), after);
}

TEST(Sharing, NothingThatIsChangedOfARecordIsLeftBehind) {
    Stash before;
    before.records.emplace_back();
    before.records[0].id = "kite-hill";
    before.records[0].uid = "k";
    Stash after = before;
    auto& [id, title, notes, finished, takings, facts, picture, photo, page, file, uid, in_stash] =
        after.records[0];
    auto& [story, tags, photos_of, made, album, place, next_time, licence] = notes;
    title = "Windy uphill";
    for (std::string* text : {&story, &photos_of, &made, &album, &place, &next_time, &licence, &finished,
                              &picture, &photo, &page, &file})
        *text = "another";
    tags = {"wind"};
    takings = 2;
    PageFacts wide;
    wide.width = 300;
    facts = std::make_shared<const PageFacts>(wide);
    in_stash = true;
    EXPECT_EQ(carried_over(before, after, before), after);
}

TEST(Sharing, NothingThatIsChangedOfAPaperIsLeftBehind) {
    const Stash before = stash_of({paper("barley", "b")});
    Stash after = before;
    auto& [id, name, colour, picture, pattern, direction, sheets, repeat, strip, weight, notes, kept_in,
           angle_deg, palette, coarse, variation, back, uid, finish, fussy_cuts, use_up, touched, in_stash] =
        after.papers[0];
    name = "Ripe Barley";
    colour = {1, 2, 3};
    picture = "barley.png";
    pattern = Pattern::Stripe;
    direction = Direction::Half;
    sheets = {sheet(152.4, 2)};
    repeat = 20;
    strip = 12.7;
    weight = 200;
    notes = "for summers";
    kept_in = "tin";
    angle_deg = 45;
    palette = {{{1, 2, 3}, 1}};
    coarse = {{1, 2, 3}};
    variation = {0.5};
    back.emplace();
    back->colour = {4, 5, 6};
    finish = Finish::Glossy;
    fussy_cuts = {{"kite", {ring_of(Box{0, 0, 20, 20}), {}}, 0}};
    use_up = true;
    in_stash = false;
    after.pictures["barley.png"] = bytes("barley");
    EXPECT_EQ(carried_over(before, after, before), after);
}

TEST(Sharing, EmbellishmentsAndLettersAreSharedLikePapers) {
    Stash living;
    Embellishment dot;
    dot.id = dot.name = "brass-dot";
    dot.uid = "dot";
    dot.count = 9;
    LetterSet cork;
    cork.id = cork.name = "cork";
    cork.uid = "cork";
    cork.letters = {{"A", {9, 3}}, {"B", {9, 1}}, {"D", {9, 1}}};
    living.embellishments = {dot};
    living.letters = {cork};
    const Stash at_hand = joined({}, living, {});
    ASSERT_EQ(at_hand.embellishments.size(), 1u);
    EXPECT_TRUE(at_hand.embellishments[0].in_stash && at_hand.letters.at(0).in_stash);
    // Here two are used up and it gets another name, there one more is bought and two letters are gone, of
    // which there are more here. Both have found the same new letter.
    Stash here = at_hand;
    here.embellishments[0].count = 7;
    here.embellishments[0].name = "Dot of brass";
    here.letters[0].letters["A"].count = 2;
    here.letters[0].letters["D"].count = 3;
    here.letters[0].letters["C"] = {9, 2};
    Stash there = living;
    there.embellishments[0].count = 10;
    there.letters[0].letters["A"].count = 2;
    there.letters[0].letters.erase("B");
    there.letters[0].letters.erase("D");
    there.letters[0].letters["C"] = {9, 4};
    const Stash both = carried_over(living_part(at_hand), living_part(here), there);
    EXPECT_EQ(both.embellishments.at(0).count, 8);
    EXPECT_EQ(both.embellishments[0].name, "Dot of brass");
    EXPECT_EQ(both.letters.at(0).letters.at("A").count, 1);
    EXPECT_FALSE(both.letters[0].letters.contains("B"));
    EXPECT_EQ(both.letters[0].letters.at("C").count, 6) << "what either entered is there";
    EXPECT_EQ(both.letters[0].letters.at("D").count, 3)
        << "what was changed here comes back, as a paper does";
    // The page takes along what it uses, and what it has alone stays when the stash lacks it.
    const Stash kept = kept_by_page(at_hand, {"cork"});
    EXPECT_TRUE(kept.embellishments.empty());
    ASSERT_EQ(kept.letters.size(), 1u);
    EXPECT_FALSE(kept.letters[0].in_stash);
    const Stash elsewhere = joined(kept, {}, {"cork"});
    ASSERT_EQ(elsewhere.letters.size(), 1u);
    EXPECT_FALSE(elsewhere.letters[0].in_stash);
    EXPECT_EQ(joined(kept, living, {"cork"}).letters.size(), 1u) << "known again by its uid";
}

TEST(Taking, IsDoneWholeOrNotAtAll) {
    Stash before = stash_of({paper("barley", "b")});
    Embellishment buttons;
    buttons.id = buttons.name = "buttons";
    buttons.uid = "e";
    buttons.count = 5;
    before.embellishments.push_back(buttons);
    LetterSet letters;
    letters.id = letters.name = "letters";
    letters.uid = "l";
    letters.letters["k"] = {10, 3};
    before.letters.push_back(letters);
    Stash after = before;
    change_count(after.papers[0], sheet(304.8, 1), -1);
    change_count(after.papers[0], sheet(100, 1), 1);
    after.embellishments[0].count = 2;
    after.letters[0].letters["k"].count = 1;
    EXPECT_EQ(*taken_over(before, after, before), after);

    // What others have used leaves too little of each by itself.
    const auto refused = [&](auto&& use, const Stash& from, const Stash& to, const char* name) {
        Stash now = from;
        use(now);
        const auto taken = taken_over(from, to, now);
        ASSERT_FALSE(taken) << name;
        EXPECT_EQ(taken.error().kind, ErrorKind::ChangedOutside);
        EXPECT_NE(taken.error().message.find(name), std::string::npos) << taken.error().message;
    };
    refused([](Stash& s) { s.papers[0].sheets[0].count = 0; }, before, after, "barley");
    refused([](Stash& s) { change_count(s.papers[0], sheet(100, 1), -1); }, after, before, "barley");
    refused([](Stash& s) { s.embellishments[0].count = 2; }, before, after, "buttons");
    refused([](Stash& s) { s.letters[0].letters["k"].count = 1; }, before, after, "letters");

    // Others' doing beside it stays.
    Stash now = before;
    now.papers[0].sheets[0].count = 1;
    now.embellishments[0].count = 9;
    const Stash taken = *taken_over(before, after, now);
    EXPECT_EQ(taken.papers[0].sheets[0].count, 0);
    EXPECT_EQ(taken.embellishments[0].count, 6);
    EXPECT_EQ(*taken_over(after, before, taken), now);
}

} // namespace zesty
