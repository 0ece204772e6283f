// Titles: letters along lines and curves, what is missing, and the ways out.

#include "core/dress/title.h"
#include "core/dress/title_path.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/findings.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

using testing::between;
using testing::finding_in;
using testing::shapes_of;

namespace {

LetterSet set_of(const std::string& id, LetterKind kind, double width, const std::string& letters,
                 int count) {
    LetterSet out;
    out.id = out.name = id;
    out.kind = kind;
    out.height = 20;
    out.gap = 2;
    for (const char c : letters) out.letters[std::string(1, c)] = {width, count};
    return out;
}

/// A framed square in the middle of the page, letters, and one title.
Project page_with_title(const std::string& text) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    Stash stash = testing::five_papers();
    stash.letters = {set_of("cork", LetterKind::Stickers, 10, "WINDYUPHL", 1),
                     set_of("stamp", LetterKind::Stamps, 6, "ABCDEFGHIJKLMNOPQRSTUVWXYZ", 1),
                     set_of("wide", LetterKind::Dies, 14, "ABCDEFGHIJKLMNOPQRSTUVWXYZ", 1),
                     set_of("cut", LetterKind::Cut, 12, "ABCDEFGHIJKLMNOPQRSTUVWXYZ", 1)};
    p.stash = std::make_shared<const Stash>(stash);
    PageTitle title;
    title.text = text;
    title.sets = {"cork"};
    title.path.centre = {150, 40};
    title.path.length = 120;
    p.dress.titles = {title};
    return p;
}

TitleFacts facts_of(const Project& p) {
    const Plan plan = shapes_of(p);
    EXPECT_EQ(plan.dress.titles.size(), p.dress.titles.size());
    return plan.dress.titles.at(0);
}

} // namespace

TEST(Title, LettersStandSideBySideAndLimitedOnesRunOut) {
    Project p = page_with_title("windy hill");
    const TitleFacts t = facts_of(p);
    // 9 letters of 10, 7 gaps of 2, one space of 9.
    EXPECT_NEAR(t.length, 90 + 14 + 9, 1e-9);
    EXPECT_NEAR(t.room, 120, 1e-9);
    EXPECT_EQ(t.overhang, 0);
    ASSERT_EQ(t.missing.size(), 2u) << "a second I and a second L";
    EXPECT_EQ(t.missing[0].first, "I");
    EXPECT_EQ(t.missing[1].first, "L");
    ASSERT_EQ(t.letters.size(), 9u);
    for (std::size_t i = 0; i < t.letters.size(); ++i) {
        EXPECT_NEAR(t.letters[i].foot.y, 40, 1e-9);
        EXPECT_TRUE(i == 0 || t.letters[i].foot.x > t.letters[i - 1].foot.x + 11.9);
        EXPECT_NEAR(bounds(t.letters[i].box).y1, 40, 1e-9) << "above its line";
    }
    EXPECT_NEAR(t.letters.front().foot.x - 5, 150 - t.length / 2, 1e-9) << "in the middle";
    // A second title gets what the first has left.
    p.dress.titles.push_back(p.dress.titles[0]);
    p.dress.titles[1].text = "up";
    p.dress.titles[0].text = "up";
    EXPECT_TRUE(facts_of(p).missing.empty());
    EXPECT_EQ(shapes_of(p).dress.titles[1].missing.size(), 2u);
}

TEST(Title, WaysOutCureWhatTheySay) {
    for (const char* text : {"windy uphill", "windy hill", "up high windy"}) {
        const Project p = page_with_title(text);
        const Plan plan = shapes_of(p);
        for (const Finding& f : plan.findings) {
            if (f.code != Code::TitleTooLong && f.code != Code::LettersMissing) continue;
            EXPECT_FALSE(f.fixes.empty()) << f.title;
            for (const Fix& fix : f.fixes) {
                Project cured = p;
                fix.apply(cured);
                EXPECT_FALSE(finding_in(shapes_of(cured), f.code)) << text << ": " << fix.label();
            }
        }
    }
    Project p = page_with_title("windy uphill");
    p.dress.titles[0].sets = {"wide"};
    const Plan plan = shapes_of(p);
    const Finding* f = finding_in(plan, Code::TitleTooLong);
    ASSERT_TRUE(f);
    EXPECT_NE(f->title.find("in too long"), std::string::npos) << f->title;
    EXPECT_TRUE(std::any_of(f->fixes.begin(), f->fixes.end(),
                            [](const Fix& x) { return x.label() == "A line for each word"; }));
    // Letters that are cut are cut lower.
    p.dress.titles[0].sets = {"cut"};
    p.dress.titles[0].height = 20;
    const Plan high = shapes_of(p);
    f = finding_in(high, Code::TitleTooLong);
    ASSERT_TRUE(f);
    const auto lower = std::find_if(f->fixes.begin(), f->fixes.end(),
                                    [](const Fix& x) { return x.label().starts_with("Letters of"); });
    ASSERT_NE(lower, f->fixes.end());
    lower->apply(p);
    EXPECT_LT(p.dress.titles[0].height, 20);
    EXPECT_LE(facts_of(p).overhang, 0.2);
}

TEST(Title, LengthsAlongCurvesAreTrue) {
    std::mt19937 random(3);
    const Project p = page_with_title("windy");
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    for (int round = 0; round < testing::rounds(200); ++round) {
        TitlePath path;
        path.on = TitleOn::Circle;
        path.radius = between(random, 10, 300);
        path.sweep_deg = between(random, -360, 360);
        path.from_deg = between(random, -180, 180);
        if (std::abs(path.sweep_deg) < 2) continue;
        const auto way = way_of(now, path);
        ASSERT_TRUE(way);
        EXPECT_NEAR(way->length(), path.radius * std::abs(path.sweep_deg) * M_PI / 180, 0.2);
        const Way::Place middle = way->place(way->length() / 2);
        EXPECT_NEAR(distance(middle.at, path.centre), path.radius, 0.05);
        // Along the edge of the opening, so far outside of it, as long as was asked.
        path.on = TitleOn::Opening;
        path.opening = plan.sections.spots[0];
        path.offset = between(random, -8, 8);
        path.length = between(random, 10, 150);
        path.start = between(random, 0, 1);
        const auto edge = way_of(now, path);
        ASSERT_TRUE(edge);
        EXPECT_NEAR(edge->length(), path.length, 1e-6);
        const Ring opening = testing::opening_on_page(plan, 0).outer;
        for (double s = 0; s < edge->length(); s += 7) {
            const Point at = edge->place(s).at;
            double away = 1e9;
            for (std::size_t i = 0; i < opening.size(); ++i)
                away = std::min(away, distance_to_segment(at, opening[i], opening[(i + 1) % opening.size()]));
            EXPECT_NEAR(away, std::abs(path.offset), 0.06);
        }
    }
}

TEST(Title, LettersOnACircleStandOutsideOrAgainstTheClockInside) {
    Project p = page_with_title("windy");
    PageTitle& title = p.dress.titles[0];
    title.path.on = TitleOn::Circle;
    title.path.centre = {150, 150};
    title.path.radius = 80;
    title.path.from_deg = 180;
    title.path.sweep_deg = 180;
    for (const TitleLetter& l : facts_of(p).letters) {
        EXPECT_NEAR(distance(l.foot, {150, 150}), 80, 0.5);
        EXPECT_GT(distance(bounds(l.box).centre(), {150, 150}), 85) << "the top of the letters is outside";
    }
    title.path.sweep_deg = -180;
    for (const TitleLetter& l : facts_of(p).letters)
        EXPECT_LT(distance(bounds(l.box).centre(), {150, 150}), 75);
}

TEST(Title, OverBarsAndOnItsOwnColourItWantsALabel) {
    Project p = page_with_title("up");
    p.dress.titles[0].path.centre = {150, 108}; // over the upper bar of the frame
    Stash stash = *p.stash;
    stash.letters[0].colour = {250, 250, 250};
    p.stash = std::make_shared<const Stash>(stash);
    Plan plan = shapes_of(p);
    const Finding* f = finding_in(plan, Code::TitleHardToRead);
    ASSERT_TRUE(f) << "white on white";
    EXPECT_LT(plan.dress.titles[0].contrast, readable_contrast);
    stash.letters[0].colour = {20, 20, 40};
    p.stash = std::make_shared<const Stash>(stash);
    plan = shapes_of(p);
    EXPECT_GT(plan.dress.titles[0].contrast, readable_contrast);
    EXPECT_EQ(plan.dress.titles[0].most_lines, 1);
    EXPECT_FALSE(finding_in(plan, Code::TitleHardToRead));
    // The base is as dark as the letters.
    stash.papers[3].colour = {30, 30, 30};
    p.stash = std::make_shared<const Stash>(stash);
    p.set_out.page.base_paper = "d";
    p.dress.titles[0].path.centre = {150, 40};
    plan = shapes_of(p);
    f = finding_in(plan, Code::TitleHardToRead);
    ASSERT_TRUE(f);
    ASSERT_FALSE(f->fixes.empty());
    f->fixes.front().apply(p);
    plan = shapes_of(p);
    EXPECT_FALSE(finding_in(plan, Code::TitleHardToRead));
    const Box label = bounds(plan.dress.titles[0].label);
    for (const TitleLetter& l : plan.dress.titles[0].letters)
        EXPECT_TRUE(label.grown(-p.dress.titles[0].label_margin + 1e-6).holds(bounds(l.box)));
}

TEST(Title, FollowsItsOpeningAndSaysWhenThatIsGone) {
    Project p = page_with_title("up");
    p.dress.titles[0].path.on = TitleOn::Opening;
    p.dress.titles[0].path.opening = Spot(p.set_out.cuts[0].id, 0);
    EXPECT_FALSE(facts_of(p).no_path);
    remove_cut(p, p.set_out.cuts[0].id);
    const Plan plan = shapes_of(p);
    const Finding* f = finding_in(plan, Code::TitleWithoutPath);
    ASSERT_TRUE(f);
    EXPECT_EQ(p.dress.titles[0].text, "up") << "nothing is lost";
    f->fixes.front().apply(p);
    EXPECT_FALSE(finding_in(shapes_of(p), Code::TitleWithoutPath));
}

TEST(Embellishments, AreCountedAndWhatIsHardlySeenIsSaid) {
    Project p = page_with_title("up");
    Stash stash = *p.stash;
    Embellishment dot;
    dot.id = dot.name = "brass-dot";
    dot.outline = {circle({}, 5, 48), {}};
    dot.count = 2;
    dot.colour = {20, 120, 60};
    dot.white_rim = 1;
    stash.embellishments = {dot};
    p.stash = std::make_shared<const Stash>(stash);
    p.dress.embellishments = {{"brass-dot", {30, 30}, 0}, {"brass-dot", {60, 30}, 0}};
    EXPECT_FALSE(finding_in(shapes_of(p), Code::EmbellishmentsShort));
    p.dress.embellishments.push_back({"brass-dot", {150, 150}, 10});
    Plan plan = shapes_of(p);
    ASSERT_TRUE(finding_in(plan, Code::EmbellishmentsShort));
    EXPECT_EQ(plan.dress.short_embellishments.at(0).used, 3);
    EXPECT_EQ(plan.dress.embellishments.at(2).opening, 0) << "it lies in the opening";
    EXPECT_FALSE(finding_in(plan, Code::EmbellishmentFaint));
    p.dress.embellishments = {{"brass-dot", {30, 30}, 0}, {"nobody's", {60, 30}, 0}};
    stash.embellishments[0].colour = {0xf2, 0xf2, 0xf0};
    p.stash = std::make_shared<const Stash>(stash);
    plan = shapes_of(p);
    EXPECT_TRUE(finding_in(plan, Code::EmbellishmentFaint)) << "nearly the colour of the base";
    EXPECT_FALSE(plan.dress.embellishments.at(1).known);
}

TEST(Title, WordsInAnotherOrderAreOfferedWhereThatReadsBetter) {
    // Bars of 1 mm every 8 mm to the left, one large opening to the right.
    std::vector<Ring> rings{testing::rectangle(0, 0, 200, 60), testing::rectangle(30, 4, 196, 56)};
    for (int i = 0; i < 3; ++i) rings.push_back(testing::rectangle(4 + 8 * i, 4, 11 + 8 * i, 56));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 200); // from 52.4 on
    Stash stash = testing::five_papers();
    LetterSet letters = set_of("narrow", LetterKind::Stamps, 4, "I", 1);
    letters.letters["M"] = {18, 1};
    stash.letters = {letters};
    p.stash = std::make_shared<const Stash>(stash);
    PageTitle title;
    title.text = "MM II";
    title.sets = {"narrow"};
    title.path.length = 64;
    title.path.centre = {52.4 + 6 + 32, 160};
    p.dress.titles = {title};
    const Plan plan = shapes_of(p);
    ASSERT_GE(plan.dress.titles[0].most_lines, 2);
    const Finding* hard = finding_in(plan, Code::TitleHardToRead);
    ASSERT_NE(hard, nullptr);
    const auto swapped = std::find_if(hard->fixes.begin(), hard->fixes.end(),
                                      [](const Fix& f) { return f.label() == "\"II MM\""; });
    ASSERT_NE(swapped, hard->fixes.end());
    swapped->apply(p);
    EXPECT_LT(shapes_of(p).dress.titles[0].most_lines, 2);
}

TEST(Title, CountsBarsWhereTheyJoinBelowALetter) {
    // Four openings of 40 mm round a cross of bars 3 mm wide, whose middle is at 43, 43 of 86.
    std::vector<Ring> rings{testing::rectangle(-3, -3, 86, 86)};
    for (const double x : {0.0, 43.0})
        for (const double y : {0.0, 43.0}) rings.push_back(testing::rectangle(x, y, x + 40, y + 40));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 89);
    Stash stash = testing::five_papers();
    LetterSet letters = set_of("narrow", LetterKind::Stamps, 10, "I", 1);
    letters.letters["M"] = {14, 1};
    stash.letters = {letters};
    p.stash = std::make_shared<const Stash>(stash);
    PageTitle title;
    title.text = "M";
    title.sets = {"narrow"};
    title.path.length = 30;
    const Point middle = shapes_of(p).set_out.whole.to_page({41.5, 41.5});
    const auto lines_at = [&](double x, double y) {
        title.path.centre = {middle.x + x, middle.y + y};
        p.dress.titles = {title};
        const Plan plan = shapes_of(p);
        const Box box = bounds(plan.dress.titles[0].letters.at(0).box);
        // Where the letter really stands is asked of the plan, so that the line may lie above or below it.
        title.path.centre = title.path.centre + Point{middle.x + x, middle.y + y} - box.centre();
        p.dress.titles = {title};
        return shapes_of(p).dress.titles[0].most_lines;
    };
    EXPECT_EQ(lines_at(0, 0), 2) << "a cross";
    EXPECT_EQ(lines_at(20, 0), 1) << "one bar";
    EXPECT_EQ(lines_at(20, 20), 0) << "an opening";
    EXPECT_EQ(lines_at(42, 0), 2) << "where a bar ends in another";
}

TEST(Title, OfInkIsNotRaisedButItsLabelIs) {
    Project p = page_with_title("WINDY HILL");
    const auto is_raised = [&](const std::string& set, bool label) {
        p.dress.titles[0].sets = {set};
        p.dress.titles[0].label = label;
        p.dress.titles[0].held.how = Mount::Normal;
        const auto raised = shapes_of(p).dress.heights.raised;
        return std::any_of(raised.begin(), raised.end(),
                           [](const RaisedThing& r) { return r.what == Lying::Title; });
    };
    EXPECT_TRUE(is_raised("cork", false));
    EXPECT_TRUE(is_raised("cut", false));
    EXPECT_FALSE(is_raised("stamp", false));
    EXPECT_FALSE(is_raised("nobody's", false)) << "drawn by hand";
    EXPECT_TRUE(is_raised("stamp", true));
    EXPECT_TRUE(is_raised("nobody's", true));
}

} // namespace zesty
