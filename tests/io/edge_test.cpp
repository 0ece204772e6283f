// Text, numbers and names of files where they come in, lines fitted to grainy edges, and what older documents
// become.

#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "io/drawing_import.h"
#include "io/edge.h"
#include "io/fields/upgrade.h"
#include "io/picture.h"
#include "io/project_file.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/trace/fitted_line.h"
#include "io/trace/outlines.h"
#include "support/between.h"
#include "support/demo.h"

#include <QFile>
#include <QTemporaryDir>
#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

using nlohmann::json;

TEST(Edge, TextIsUtf8WithoutControlCharacters) {
    EXPECT_TRUE(is_text("K\xC3\xBCte\n\tup"));
    EXPECT_FALSE(is_text(std::string_view("a\0b", 3)));
    EXPECT_FALSE(is_text("\xC3"));
    EXPECT_FALSE(is_text("bell\a"));
    EXPECT_EQ(as_text("bell\a rings"), "bell rings");
    EXPECT_TRUE(is_text(as_text("caf\xE9"))) << "Latin-1 is read as such";
    EXPECT_EQ(as_text("caf\xE9"), "caf\xC3\xA9");
    EXPECT_EQ(as_text(""), "");
}

TEST(Edge, OneLineIsShortAndHasNoLineBreaks) {
    const std::string line = one_line("first\nsecond\r\n" + std::string(1000, 'x'));
    EXPECT_EQ(line.find('\n'), std::string::npos);
    EXPECT_LE(line.size(), 304u);
    EXPECT_EQ(one_line("just this"), "just this");
}

TEST(Edge, ANameInAnArchiveIsShortKeepsItsEndingAndNamesNoFolder) {
    EXPECT_EQ(name_in_archive("red kite.svg"), "red kite.svg");
    EXPECT_EQ(name_in_archive("red\\kite/bow\t1\n.svg"), "red kite bow 1 .svg");
    std::string tail = "k";
    for (int i = 0; i < 120; ++i) tail += "\u00e4";
    const std::string cut = name_in_archive(tail + ".svg");
    EXPECT_EQ(cut.size(), 119u) << "whole characters only";
    EXPECT_TRUE(cut.starts_with("k\u00e4") && cut.ends_with("\u00e4.svg") && is_text(cut));
    EXPECT_EQ(name_in_archive(cut), cut);
    EXPECT_EQ(name_in_archive("." + std::string(300, 'k')).size(), 120u) << "that is no ending";
}

TEST(Edge, FilesWithNamesAsLongAsADiskAllowsComeBack) {
    const QTemporaryDir dir;
    const QString longest = QString(251, 'k'); // with its ending 255 bytes
    const QString photo_file = dir.filePath(longest + ".png");
    ASSERT_TRUE(QFile::copy(demo::file("photos/kite-day.png"), photo_file));
    ASSERT_TRUE(QFile::copy(demo::file("kite-hill.svg"), dir.filePath(longest + ".svg")));
    Project p;
    const auto drawing =
        import_drawing(*read_file(dir.filePath(longest + ".svg")), (longest + ".svg").toStdString(), {});
    const auto picture = brought_from(photo_file);
    const auto paper = paper_from_picture(photo_file, false);
    ASSERT_TRUE(drawing && picture && paper);
    set_only_cut(p, *drawing);
    Photo photo;
    photo.width = 90;
    photo.height = 60;
    photo.picture = *picture;
    p.set_out.photos = {photo};
    p.stash = std::make_shared<const Stash>(*paper);
    const auto saved = save_project(p, dir.filePath("kite.zesty"));
    ASSERT_TRUE(saved) << saved.error().message;
    const auto again = open_project(dir.filePath("kite.zesty"));
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_EQ(again->set_out.photos[0].picture->bytes, (*picture)->bytes);
    EXPECT_TRUE(again->set_out.photos[0].picture->name.ends_with("k.png"));
    EXPECT_EQ(again->stash->pictures, paper->pictures);
}

TEST(Edge, NumbersAreWholeTextsWithinTheirLimits) {
    EXPECT_EQ(number_from("2.5", {0, 10}), 2.5);
    EXPECT_EQ(number_from("-3", {-5, 5}), -3);
    for (const char* wrong : {"", "two", "2.5mm", "nan", "inf", "1e999", "11", "2 3", "0x10"})
        EXPECT_FALSE(number_from(wrong, {0, 10})) << wrong;
}

TEST(Edge, TablesComeInTheEncodingsTheyWereSavedIn) {
    EXPECT_EQ(utf8_of("\xEF\xBB\xBFname"), "name") << "a byte order mark";
    const char utf16[] = {'\xFF', '\xFE', 'a', 0, '\xFC', 0, 'b', 0};
    EXPECT_EQ(utf8_of({utf16, sizeof utf16}), "a\xC3\xBC"
                                              "b");
    const char big[] = {'\xFE', '\xFF', 0, 'a', 0, 'b'};
    EXPECT_EQ(utf8_of({big, sizeof big}), "ab");
    EXPECT_EQ(utf8_of("caf\xE9"), "caf\xC3\xA9");
}

TEST(FittedLine, GoesThroughPointsThatLieOnOneButForGrain) {
    std::mt19937 random(4);
    std::vector<Point> points;
    for (int i = 0; i < 400; ++i) {
        const double t = testing::between(random, 0, 200);
        points.push_back({10 + t * 0.8 + testing::between(random, -0.5, 0.5),
                          5 + t * 0.6 + testing::between(random, -0.5, 0.5)});
    }
    const FittedLine line = fitted(points);
    EXPECT_NEAR(std::abs(line.way.x), 0.8, 0.01);
    EXPECT_NEAR(std::abs(line.way.y), 0.6, 0.01);
    EXPECT_NEAR(length(line.way), 1, 1e-9);
    EXPECT_LT(line.spread, 0.5);
    EXPECT_LT(line.off, 1);
    EXPECT_EQ(line.count, 400u);
}

TEST(FittedLine, TwoOfThemMeet) {
    const FittedLine level = fitted({{0, 10}, {50, 10}, {100, 10}});
    const FittedLine upright = fitted({{30, 0}, {30, 80}});
    const Point corner = meeting(level, upright);
    EXPECT_NEAR(corner.x, 30, 1e-9);
    EXPECT_NEAR(corner.y, 10, 1e-9);
}

TEST(Outlines, FollowWhatIsMaterialWithItsHoles) {
    const auto frame = [](int x, int y) {
        const bool outer = x >= 10 && x < 90 && y >= 10 && y < 70;
        const bool hole = x >= 30 && x < 60 && y >= 25 && y < 50;
        return outer && !hole;
    };
    const auto rings = outlines_of(100, 80, frame);
    ASSERT_TRUE(rings);
    ASSERT_EQ(rings->size(), 2u);
    std::vector<double> areas;
    for (const Ring& r : *rings) areas.push_back(std::abs(signed_area(r)));
    std::sort(areas.begin(), areas.end());
    EXPECT_NEAR(areas[0], 30 * 25, 12);
    EXPECT_NEAR(areas[1], 80 * 60, 20);
    EXPECT_FALSE(outlines_of(20, 20, [](int, int) { return false; })) << "nothing is there";
}

TEST(Upgrade, NothingOfTheNewestFormatIsTouched) {
    const json newest{{"format", "zesty-project/12"},
                      {"dress", {{"album_takes_mm", 4}}},
                      {"set_out", {{"cuts", json::array()}}}};
    EXPECT_EQ(upgraded(newest, project_version), newest);
}

TEST(Upgrade, TheFirstFormatsOneCutBecomesTheFirstOfSeveral) {
    const json old{{"format", "zesty-project/1"},
                   {"drawing", "drawing/kite.svg"},
                   {"cut", {{"rule", "margin"}, {"length_mm", 10}}},
                   {"page", {{"reveal_mm", 6}}},
                   {"groups", {{0, 3}, {4, 5, 6}}},
                   {"sections", {{{"opening", 4}, {"paper", "barley"}}}}};
    const json now = upgraded(old, 1);
    EXPECT_EQ(now["set_out"]["drawings"], json({"drawing/kite.svg"}));
    EXPECT_EQ(now["set_out"]["cuts"].size(), 1u);
    EXPECT_EQ(now["set_out"]["page"]["reveal_mm"]["left"], 6);
    EXPECT_EQ(now["sections"]["groups"][0][1], json({0, 3, 0}))
        << "a number alone names an opening of the first cut";
}

TEST(Upgrade, WhatIsNotWhatItShouldBeIsPassedOn) {
    for (const json& odd :
         {json(7), json("text"), json::array({1, 2}), json(nullptr), json{{"cut", "a kite"}, {"drawing", 3}},
          json{{"groups", 5}, {"sections", "x"}}, json{{"page", {{"reveal_mm", "wide"}}}}})
        for (int from = 1; from <= project_version; ++from) EXPECT_NO_THROW((void)upgraded(odd, from)) << odd;
}

} // namespace zesty
