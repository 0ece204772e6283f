// Journaling: its lines, what fits on them, and what comes into its way.

#include "core/dress/dress.h"
#include "core/dress/fixes.h"
#include "core/dress/writing.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/finished.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>
#include <sstream>

namespace zesty {

using testing::shapes_of;

namespace {

std::string some_words(int count) {
    static const char* const all[] = {"wind",  "kite", "hill", "string",   "tail",
                                      "cloud", "we",   "flew", "afternoon"};
    std::string out;
    for (int i = 0; i < count; ++i) out += (i ? " " : "") + std::string(all[(i * 7) % 9]);
    return out;
}

int words_on(const std::vector<WritingLine>& lines) {
    int out = 0;
    for (const WritingLine& l : lines) {
        std::istringstream in(l.text);
        for (std::string word; in >> word;) ++out;
    }
    return out;
}

} // namespace

TEST(Writing, EveryLineLiesInItsRoomAndHoldsItsWords) {
    std::mt19937 random(5);
    const auto any = [&](double from, double to) { return from + (to - from) * (random() % 10'000) / 1e4; };
    for (int round = 0; round < testing::rounds(200); ++round) {
        Writing w;
        w.shape = round % 2 ? WritingShape::Arc : WritingShape::Lines;
        w.centre = {any(0, 300), any(0, 300)};
        w.width = any(20, 200);
        w.height = any(10, 120);
        w.turn_deg = any(-180, 180);
        w.radius = any(10, 120);
        w.from_deg = any(-180, 180);
        w.sweep_deg = any(10, 360);
        w.line_height = any(4, 12);
        w.text = some_words(static_cast<int>(random() % 120));
        const WritingFacts f = written(w, 0.42);
        EXPECT_EQ(words_on(f.lines) + f.left_over, f.words) << "no word is lost";
        const Polygon outline = outline_of(w);
        double length_of_all = 0;
        for (const WritingLine& l : f.lines) {
            length_of_all += l.length;
            EXPECT_LE(static_cast<double>(l.text.size()) * 0.42 * w.line_height, l.length + 1e-6);
            const Point middle =
                l.radius > 0
                    ? Point{w.centre.x + l.radius * std::cos((l.from_deg + l.sweep_deg / 2) * M_PI / 180),
                            w.centre.y + l.radius * std::sin((l.from_deg + l.sweep_deg / 2) * M_PI / 180)}
                    : (l.from + l.to) * 0.5;
            EXPECT_TRUE(contains(outline, middle)) << round;
            if (l.radius > 0)
                EXPECT_NEAR(l.length, l.radius * l.sweep_deg * M_PI / 180, 1e-9);
            else
                EXPECT_NEAR(distance(l.from, l.to), w.width, 1e-9);
        }
        EXPECT_NEAR(length_of_all, f.length, 1e-6);
        if (f.left_over == 0 || f.widest_fitting == 0) continue;
        w.line_height = f.widest_fitting;
        EXPECT_EQ(written(w, 0.42).left_over, 0);
        EXPECT_LT(f.widest_fitting, 12);
    }
}

TEST(Writing, KeepsNewLinesAndLeavesOutWhatFitsNowhere) {
    Writing w;
    w.width = 60;
    w.height = 21;
    w.line_height = 7;
    w.text = "kite\nhill  wind\n";
    WritingFacts f = written(w, 0.42);
    ASSERT_EQ(f.lines.size(), 3u);
    EXPECT_EQ(f.lines[0].text, "kite");
    EXPECT_EQ(f.lines[1].text, "hill wind");
    EXPECT_EQ(f.left_over, 0);
    w.text = "a verylongwordthatgoesnowhereonsuchashortline kite";
    f = written(w, 0.42);
    EXPECT_EQ(f.left_over, 2) << "what follows it waits, too";
    w.shape = WritingShape::Back;
    EXPECT_TRUE(outline_of(w).outer.empty());
    EXPECT_EQ(written(w, 0.42).lines.size(), 3u);
    // Letters are counted, not bytes.
    w.shape = WritingShape::Lines;
    w.text =
        "\xC3\xA4\xC3\xB6\xC3\xBC\xC3\xA4\xC3\xB6\xC3\xBC\xC3\xA4\xC3\xB6\xC3\xBC\xC3\xA4\xC3\xB6\xC3\xBC";
    EXPECT_EQ(written(w, 0.42).left_over, 0) << "12 letters of 2.94 mm on 60 mm";
}

namespace {

/// One piece of journaling on a page with a square ring.
Project page_with_words(Point centre, double width, int words) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    Writing w;
    w.centre = centre;
    w.width = width;
    w.height = 30;
    w.text = some_words(words);
    p.dress.writings = {w};
    return p;
}

} // namespace

TEST(Dress, SaysWhatDoesNotFitWhatIsFaintAndWhatLiesOnIt) {
    Project p = page_with_words({60, 60}, 80, 60);
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    Plan plan = shapes_of(p);
    ASSERT_EQ(plan.dress.writings.size(), 1u);
    EXPECT_GT(plan.dress.writings[0].left_over, 0);
    const auto about = [&](Code code) {
        return std::find_if(plan.findings.begin(), plan.findings.end(),
                            [&](const Finding& f) { return f.code == code; });
    };
    ASSERT_NE(about(Code::WordsLeftOver), plan.findings.end());
    ASSERT_FALSE(about(Code::WordsLeftOver)->fixes.empty());
    Project cured = p;
    about(Code::WordsLeftOver)->fixes.front().apply(cured);
    EXPECT_EQ(shapes_of(cured).dress.writings[0].left_over, 0);
    EXPECT_EQ(about(Code::WritingEntered), plan.findings.end());
    EXPECT_EQ(about(Code::FaintWriting), plan.findings.end());
    Photo photo;
    photo.name = "Mia";
    photo.width = photo.height = 40;
    photo.centre = {60, 60};
    p.set_out.photos = {photo};
    p.dress.writings[0].pen = {240, 240, 238};
    plan = shapes_of(p);
    ASSERT_NE(about(Code::WritingEntered), plan.findings.end());
    EXPECT_NE(about(Code::WritingEntered)->title.find("Mia"), std::string::npos);
    ASSERT_NE(about(Code::FaintWriting), plan.findings.end());
    cured = p;
    for (const Code code : {Code::WritingEntered, Code::FaintWriting}) {
        ASSERT_EQ(about(code)->fixes.size(), 1u);
        about(code)->fixes.front().apply(cured);
    }
    const Plan mended = shapes_of(cured);
    EXPECT_EQ(testing::finding_in(mended, Code::WritingEntered), nullptr);
    EXPECT_EQ(testing::finding_in(mended, Code::FaintWriting), nullptr);
    // By less than 1 mm is no matter; on the back nothing is in the way.
    p.set_out.photos[0].centre = {60, 60 + 15 + 20 - 0.8};
    plan = shapes_of(p);
    EXPECT_EQ(about(Code::WritingEntered), plan.findings.end());
    p.set_out.photos[0].centre = {60, 60};
    p.dress.writings[0].shape = WritingShape::Back;
    plan = shapes_of(p);
    EXPECT_EQ(about(Code::WritingEntered), plan.findings.end());
}

TEST(Writing, IsReadAgainstWhatReallyLiesBelowIt) {
    Project p = page_with_words({150, 150}, 60, 6);
    EXPECT_EQ(testing::finding_in(shapes_of(p), Code::FaintWriting), nullptr) << "on a bare base";
    Stash papers;
    papers.papers.push_back({"midnight", "Midnight", {20, 20, 40}, "", Pattern::Solid, Direction::Free, {}});
    p.stash = std::make_shared<const Stash>(papers);
    PaperLayer strip;
    strip.centre = p.dress.writings[0].centre;
    strip.width = 90;
    strip.height = 50;
    strip.paper = "midnight";
    p.dress.layers = {strip};
    const Plan dark = shapes_of(p);
    const Finding* faint = testing::finding_in(dark, Code::FaintWriting);
    ASSERT_TRUE(faint) << "a dark pen on a dark strip";
    ASSERT_EQ(faint->fixes.size(), 1u);
    EXPECT_EQ(faint->fixes[0].label(), "A white pen");
    p.dress.writings[0].shape = WritingShape::Back;
    EXPECT_EQ(testing::finding_in(shapes_of(p), Code::FaintWriting), nullptr) << "the back is plain";
}

TEST(Dress, SaysWhatIsMissingAndNothingElse) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    const auto missing = [&](const char* what) {
        const auto all = missing_of(p, shapes_of(p));
        return std::find(all.begin(), all.end(), what) != all.end();
    };
    EXPECT_TRUE(missing("journaling"));
    EXPECT_TRUE(missing("a date"));
    Writing w;
    w.text = "wind";
    p.dress.writings = {w};
    p.set_out.date = "2026-05-17";
    EXPECT_FALSE(missing("journaling"));
    EXPECT_FALSE(missing("a date"));
    p.set_out.rooms = {{RoomFor::Title, 100, 20}};
    EXPECT_TRUE(missing("a place for a title"));
    p.set_out.rooms[0].centre = Point{100, 20};
    EXPECT_FALSE(missing("a place for a title"));
}

TEST(Writing, ThatBelongsToAPhotoMovesAndTurnsWithItAndStaysWhenThatGoes) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    Photo photo;
    photo.width = photo.height = 60;
    photo.centre = {200, 100};
    photo.turn_deg = 10;
    p.set_out.photos = {photo, photo};
    Writing w;
    w.centre = {200, 150};
    w.turn_deg = 25;
    w.text = "wind";
    p.dress.writings = {belonging_to(w, p.set_out, 1)};
    EXPECT_EQ(p.set_out.photos[1].id, 1);
    const auto there = [&] { return shapes_of(p).dress.placed.at(0); };
    EXPECT_LT(distance(there().centre, w.centre), 1e-9) << "where it was";
    EXPECT_NEAR(there().turn_deg, 25, 1e-9);
    p.set_out.photos[1].centre = {210, 120};
    p.set_out.photos[1].turn_deg = 100;
    EXPECT_NEAR(there().turn_deg, 115, 1e-9);
    EXPECT_LT(distance(there().centre, Point{210, 120} + Transform::turned_deg(90)(Point{0, 50})), 1e-9);
    std::swap(p.set_out.photos[0], p.set_out.photos[1]);
    const Writing before = there();
    p.dress.writings[0] = moved_writing(p.dress.writings[0], p.set_out, {3, -2});
    EXPECT_LT(distance(there().centre, before.centre + Point{3, -2}), 1e-9);
    const Writing last = there();
    remove_photo(p, 0);
    EXPECT_EQ(p.dress.writings[0].with_photo, 0);
    EXPECT_LT(distance(there().centre, last.centre), 1e-9);
    EXPECT_NEAR(there().turn_deg, last.turn_deg, 1e-9);
}

} // namespace zesty
