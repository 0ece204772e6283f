// Set out from the command line.

#include "cli/run.h"
#include "io/project_file.h"
#include "support/demo.h"

#include <QDir>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

/// A page of the demo's own that may be changed.
class CliSetOut : public testing::Test {
protected:
    QTemporaryDir dir_;
    const QString page_ = dir_.filePath("page.zesty");
    void SetUp() override { ASSERT_TRUE(QFile::copy(demo::project(), page_)); }
    Ran set_out(const QStringList& options) { return zesty(QStringList{"set-out", page_} + options); }
    Project project() {
        const auto opened = open_project(page_);
        EXPECT_TRUE(opened);
        return opened ? *opened : Project{};
    }
};

TEST_F(CliSetOut, CopiesStandInACircleOrInARow) {
    ASSERT_TRUE(done(set_out({"--width", "2in", "--ring", "5:3in", "--first-deg", "36", "--level"})));
    ASSERT_EQ(project().set_out.cuts.size(), 5u);
    expect_one_line(set_out({"--ring", "5:9in"}),
                    "--ring: a circle of copies with a radius of 9 in hangs off");
    expect_one_line(set_out({"--ring", "five:3in"}), "--ring");
    expect_one_line(set_out({"--ring", "1:3in"}), "--ring");
    expect_one_line(set_out({"--ring", "2.5:3in"}), "whole number");
    expect_one_line(set_out({"--stagger", "1in"}), "--row");
    EXPECT_EQ(project().set_out.cuts.size(), 5u) << "nothing is changed by what was refused";
    ASSERT_TRUE(done(set_out({"--cut", "1", "--row", "3:2 1/2in", "--down", "--alternate"})));
    const auto cuts = project().set_out.cuts;
    ASSERT_EQ(cuts.size(), 7u);
    EXPECT_TRUE(cuts[5].place.mirrored);
    EXPECT_FALSE(cuts[6].place.mirrored);
    EXPECT_NEAR(cuts[6].place.shift.y - cuts[0].place.shift.y, 127, 1e-6);
}

TEST_F(CliSetOut, PiecesBecomeACutOfTheirOwnWhereTheyLie) {
    const json before = json::parse(set_out({"--json"}).out);
    ASSERT_TRUE(done(set_out({"--part-off", "2,3"})));
    const json after = json::parse(set_out({"--json"}).out);
    ASSERT_EQ(after["cuts"].size(), 2u);
    EXPECT_NEAR(after["cuts"][0]["box"][0].get<double>(), before["cuts"][0]["box"][0].get<double>(), 1e-6);
    EXPECT_EQ(project().set_out.cuts[0].left_out, (std::vector<int>{1, 2}));
    expect_one_line(set_out({"--part-off-layers", "colour #123456"}), "--part-off-layers");
    expect_one_line(set_out({"--part-off", "1-4"}), "nothing of the cut would stay");
}

TEST_F(CliSetOut, AnInsertBesideThePageAFrameOfTwoPapersAndAWindowByHand) {
    const double middle = project().set_out.page.whole().centre().x + project().set_out.cuts[0].place.shift.x;
    ASSERT_TRUE(done(set_out({"--second", "6x8in", "--base-paper", "barley"})));
    Project p = project();
    EXPECT_TRUE(p.set_out.page.unequal());
    EXPECT_NEAR(p.set_out.page.whole().centre().x + p.set_out.cuts[0].place.shift.x, middle, 1e-6);
    EXPECT_EQ(p.set_out.page.base_paper, "barley");
    const Ran said = set_out({"--second", "same", "--single", "--window", "11 1/2x11 1/2in"});
    EXPECT_NE(said.code, 2) << said.err;
    EXPECT_FALSE(project().set_out.page.unequal());
    EXPECT_NEAR(project().set_out.page.window_width, 11.5 * 25.4, 1e-9);
    expect_one_line(set_out({"--side-paper", "nothing-like-it"}), "there is no paper 'nothing-like-it'");
}

TEST_F(CliSetOut, AZipIsOpenedAtTheDrawingThatIsNamed) {
    const QString bundle = QString(ZESTY_DEMO_FOLDER) + "/../tests/samples/kite-and-bow.zip";
    const Ran said = zesty({"inspect", bundle});
    EXPECT_NE(said.out.find("drawings in it: kite.svg (2 openings), bow.svg (1 opening)"), std::string::npos)
        << said.out;
    EXPECT_EQ(
        json::parse(zesty({"inspect", bundle, "--drawing", "bow.svg", "--json"}).out)["openings"].size(), 1u);
    expect_one_line(zesty({"inspect", bundle, "--drawing", "tail.svg"}), "there is no drawing 'tail.svg'");
    ASSERT_TRUE(done(set_out({"--add", bundle, "--drawing", "bow.svg"})));
    EXPECT_EQ(project().set_out.drawings.back()->name, "bow.svg");
}

TEST_F(CliSetOut, OwnNumbersAreOfThePageAndOfNewPagesOnceRemembered) {
    const Ran said =
        zesty({"numbers", page_, "--glue-bar", "2.5mm", "--scissors-speed", "4.5", "--remember"});
    ASSERT_EQ(said.code, 0) << said.err;
    EXPECT_NE(said.out.find("Scissors cut: 4.5 mm a second"), std::string::npos) << said.out;
    EXPECT_NEAR(project().set_out.bars.glue, 2.5, 1e-9);
    const QString fresh = dir_.filePath("fresh.zesty");
    ASSERT_EQ(zesty({"new", demo::drawing(), "--out", fresh}).code, 0);
    EXPECT_NEAR(open_project(fresh)->sections.pace.scissors, 4.5, 1e-9);
    expect_one_line(zesty({"numbers", "--glue-speed", "0"}), "--glue-speed");
    expect_one_line(zesty({"numbers", "--remember"}), "PROJECT");
    write(data_home() + "/Zesty Panel/numbers.json", "{\"format\":\"zesty-numbers/1\",\"lip_mm\":\"wide\"}");
    expect_one_line(zesty({"numbers"}), "lip_mm");
    expect_one_line(zesty({"new", demo::drawing(), "--out", dir_.filePath("other.zesty")}), "lip_mm");
    ASSERT_EQ(zesty({"numbers", "--usual"}).code, 0) << "the way out of a damaged file";
    EXPECT_NEAR(json::parse(zesty({"numbers", "--json"}).out)["glue-bar"].get<double>(), 1.5, 1e-9);
}

TEST_F(CliSetOut, SaysWhetherAllFitsAndPutsPhotosIntoOpenings) {
    ASSERT_TRUE(done(set_out({"--photo", "Mia:4x6", "--photo", "Jo:4x6", "--room", "title:8x2in"})));
    EXPECT_EQ(project().set_out.rooms.size(), 1u);
    const Ran said = set_out({"--all-fit", "--json"});
    const json answer = json::parse(said.out)["all_fit"];
    EXPECT_FALSE(answer["fits"].get<bool>());
    EXPECT_GT(answer["largest_cut_mm"].get<double>(), 50);
    expect_one_line(set_out({"--room", "roof:8x2in"}), "--room: 'roof' is not one of title");
    ASSERT_TRUE(done(set_out({"--no-rooms", "--photos-into", "1,2:11,14,16"})));
    const Project p = project();
    EXPECT_TRUE(p.set_out.rooms.empty());
    EXPECT_LT(p.set_out.photos[0].width, 101);
    EXPECT_FALSE(p.set_out.photos[1].on_top);
    expect_one_line(set_out({"--photos-into", "all:11"}),
                    "2 photos need an opening each; there is 1 opening");
}

TEST_F(CliSetOut, ASketchIsBroughtItsBoxesTakenOverAndRemoved) {
    const QString picture = demo::file("photos/kite-day.png");
    ASSERT_TRUE(
        done(set_out({"--sketch", picture, "--sketch-at", "1,2", "--sketch-strength", "0.5", "--sketch-box",
                      "photo:1,1,4,6", "--sketch-box", "journaling:7,8,3,2", "--take-over-sketch"})));
    Project p = project();
    EXPECT_TRUE(p.set_out.sketch.picture);
    EXPECT_NEAR(p.set_out.sketch.width, p.set_out.page.full_width(), 1e-9);
    EXPECT_EQ(p.set_out.photos.size(), 1u);
    EXPECT_EQ(p.set_out.rooms.size(), 1u);
    expect_one_line(set_out({"--sketch-box", "photo:1,1,4"}), "--sketch-box");
    expect_one_line(set_out({"--sketch-strength", "2"}), "--sketch-strength");
    expect_one_line(set_out({"--sketch", page_}), "page.zesty");
    ASSERT_TRUE(
        done(set_out({"--sketch", "none", "--photo-name", "Mia", "--photo-size", "3x4in", "--units", "cm"})));
    p = project();
    EXPECT_FALSE(p.set_out.sketch.picture);
    EXPECT_EQ(p.set_out.photos[0].name, "Mia");
    EXPECT_EQ(p.units, Units::Centimetres);
}

TEST_F(CliSetOut, ArrangesPhotosAndRoomsAndSaysWhatIsShort) {
    ASSERT_TRUE(
        done(set_out({"--photo", "4x3", "--photo", "4x3", "--room", "title:5x1in", "--may-cover", "25"})));
    const json listed = json::parse(set_out({"--arrange", "list", "--json"}).out)["arrange"];
    ASSERT_EQ(listed["found"].size(), 3u) << listed.dump();
    for (const auto& one : listed["found"]) EXPECT_LE(one["covered"].get<double>(), 0.2521);
    ASSERT_TRUE(done(set_out({"--arrange", "2"})));
    Project p = project();
    ASSERT_TRUE(p.set_out.rooms[0].centre);
    EXPECT_NEAR(p.set_out.photos[0].centre.x, listed["found"][1]["photos_mm"][0][0].get<double>(), 1e-6);
    ASSERT_TRUE(done(set_out({"--room-at", "1:6,11"})));
    EXPECT_NEAR(project().set_out.rooms[0].centre->y, 11 * 25.4, 1e-9);
    ASSERT_TRUE(done(set_out({"--room-at", "1:none"})));
    EXPECT_FALSE(project().set_out.rooms[0].centre);
    expect_one_line(set_out({"--arrange", "4"}), "--arrange: say list, or which one to take, from 1 to 3");
    expect_one_line(set_out({"--cuts-move"}), "--cuts-move");
    expect_one_line(set_out({"--photo", "11x11in", "--arrange", "1"}), "do not all fit on the page");
    EXPECT_EQ(project().set_out.photos.size(), 2u) << "what was refused left the file alone";
}

TEST_F(CliSetOut, SaysWhichPhotoToOrderAndTakesIt) {
    expect_one_line(set_out({"--photo-ways"}), "there is no photo on the page");
    ASSERT_TRUE(done(set_out({"--photo", "4x6", "--hide-part", "0,0,1,6"})));
    expect_one_line(set_out({"--photo-ways"}), "the photo has no picture yet");
    ASSERT_TRUE(done(set_out({"--photo-picture", demo::file("photos/kite-day.png"), "--hide-part", "none"})));
    EXPECT_TRUE(project().set_out.photos[0].hidden_parts.empty());
    const json ways = json::parse(set_out({"--photo-ways", "--json"}).out)["photo_ways"];
    ASSERT_GE(ways.size(), 3u);
    EXPECT_EQ(ways[0]["way"], "as-it-is");
    ASSERT_TRUE(done(set_out({"--photo-way", "2"})));
    EXPECT_NEAR(project().set_out.photos[0].width, ways[1]["width_mm"].get<double>(), 1e-6);
    expect_one_line(set_out({"--photo-way", "99"}), "--photo-way: there are");
}

TEST_F(CliSetOut, DressWritesSaysWhatFitsAndDrawsThePage) {
    const auto dress = [&](QStringList args) { return zesty(QStringList{"dress", page_} + args); };
    expect_one_line(dress({"--text", "wind"}), "there is no journaling on the page");
    const Ran said = dress({"--write", "We flew kites on the hill", "--size", "3x1in", "--at", "6,11",
                            "--line-height", "6mm", "--pen", "dark blue"});
    ASSERT_EQ(said.code, 0) << said.err;
    EXPECT_NE(said.out.find("6 wanted"), std::string::npos) << said.out;
    const Writing w = project().dress.writings.at(0);
    EXPECT_NEAR(w.centre.y, 11 * 25.4, 1e-9);
    EXPECT_NEAR(w.line_height, 6, 1e-9);
    const json j = json::parse(
        dress({"--on", "arc", "--radius", "2in", "--from", "180", "--sweep", "180", "--json"}).out);
    EXPECT_NEAR(j["journaling"][0]["lines"][0]["length_mm"].get<double>(), 50.8 * M_PI, 1e-6);
    const QString picture = dir_.filePath("grey.png");
    ASSERT_EQ(dress({"--picture", picture, "--seen", "grey"}).code, 0);
    EXPECT_TRUE(QFile::exists(picture));
    expect_one_line(dress({"--pen", "no such colour"}), "--pen");
    expect_one_line(dress({"--seen", "grey"}), "--seen");
    ASSERT_EQ(dress({"--remove"}).code, 0);
    EXPECT_TRUE(project().dress.writings.empty());
}

TEST_F(CliSetOut, PhotosLieOnMatsLayersOnThePageAndSliversAreCured) {
    const auto dress = [&](const QStringList& options) {
        return zesty(QStringList{"dress", page_} + options);
    };
    expect_one_line(dress({"--add-photo-mat", "barley"}), "there is no photo");
    ASSERT_TRUE(done(
        set_out({"--photo", "4x6in", "--photo-size", "6x4in", "--photo-at", "8.3,3", "--photo-turn", "5"})));
    expect_one_line(dress({"--photo-mat-border", "1/8in"}), "there is no photo mat");
    expect_one_line(dress({"--add-photo-mat", "nobody"}), "there is no paper 'nobody'");
    ASSERT_EQ(
        dress({"--add-photo-mat", "picnic-check", "--photo-mat-border", "1/8in", "--gut-photo-mat"}).code, 0);
    ASSERT_EQ(dress({"--add-photo-mat", "none", "--photo-mat-border", "1/4in", "--photo-mat-torn", "1/8in",
                     "--photo-mat-behind", "lower"})
                  .code,
              0);
    ASSERT_EQ(dress({"--add-layer", "tape", "--layer-edge", "top", "--layer-size", "1x1/2in", "--layer-inset",
                     "1/4in"})
                  .code,
              0);
    const Project p = project();
    ASSERT_EQ(p.set_out.photos.at(0).mats.size(), 2u);
    EXPECT_TRUE(p.set_out.photos[0].mats[0].gut);
    EXPECT_EQ(p.set_out.photos[0].mats[1].span, MatSpan::Lower);
    EXPECT_TRUE(p.set_out.photos[0].mats[1].torn);
    ASSERT_EQ(p.dress.layers.size(), 1u);
    const json j = json::parse(dress({"--json"}).out);
    ASSERT_EQ(j["pieces"].size(), 3u);
    EXPECT_EQ(j["pieces"][0]["outline"].size(), 2u) << "gutted";
    EXPECT_EQ(
        json::parse(zesty({"plan", page_, "--seconds", "0.5", "--json"}).out)["dress"]["photo_mats"].size(),
        2u);
    expect_one_line(dress({"--photo-mat", "3", "--photo-mat-border", "1/8in"}), "--photo-mat: photo 1 has 2");
    ASSERT_EQ(dress({"--remove-photo-mat"}).code, 0);
    ASSERT_EQ(dress({"--add-photo-mat", "none", "--photo-mat-border", "1/4in"}).code, 0);
    const auto slivers = [&] {
        int n = 0;
        const json now = json::parse(dress({"--json"}).out);
        for (const auto& o : now["coverage"]["openings"]) n += o["sliver_mm"].is_null() ? 0 : 1;
        return n;
    };
    ASSERT_GT(slivers(), 0);
    const Ran cured = dress({"--cure"});
    ASSERT_EQ(cured.code, 0);
    EXPECT_TRUE(cured.out.starts_with("Move Photo 1 ")) << cured.out;
    EXPECT_EQ(slivers(), 0);
    expect_one_line(dress({"--cure"}), "no slivers are left");
}

TEST_F(CliSetOut, TitlesEmbellishmentsAndJournalingThatGoesWithAPhoto) {
    const QString stash = dir_.filePath("own.stash");
    const auto things = [&](const QStringList& options) {
        return zesty(QStringList{"stash", stash} + options);
    };
    ASSERT_EQ(things({"--embellishment", "brass-dot:dot:9mm:2", "--thing-name", "Brass dot", "--thing-colour",
                      "#d9a93c"})
                  .code,
              0);
    ASSERT_EQ(things({"--letters", "cork:stickers:13mm:WINDYUPHL", "--thing-name", "Cork"}).code, 0);
    expect_one_line(things({"--embellishment", "bow:nothing:9mm"}), "is not one of");
    expect_one_line(things({"--embellishment", "bow"}), "needs a size");
    expect_one_line(things({"--letters", "cork:stickers:13mm"}), "id:kind:height:letters");
    expect_one_line(things({"--remove-thing", "nobody"}), "there is no");
    EXPECT_NE(things({}).out.find("Cork, stickers of 1/2 in"), std::string::npos);
    const auto dress = [&](const QStringList& options) {
        return zesty(QStringList{"dress", page_, "--stash", stash} + options);
    };
    expect_one_line(dress({"--title-on", "circle"}), "there is no title");
    const Ran titled = dress({"--title", "Windy hill", "--title-letters", "cork", "--title-at", "6,1",
                              "--title-length", "3in", "--letter-sets"});
    ASSERT_EQ(titled.code, 0) << titled.err;
    EXPECT_NE(titled.out.find("too long, I: 1 short"), std::string::npos) << titled.out;
    expect_one_line(dress({"--title-letters", "chalk"}), "there are no letters 'chalk'");
    expect_one_line(dress({"--title-opening", "999"}), "--title-opening: there are");
    ASSERT_EQ(
        dress({"--title-opening", "3", "--title-offset", "1/8in", "--put", "brass-dot", "--put-at", "9,9"})
            .code,
        0);
    EXPECT_EQ(project().dress.titles.at(0).path.on, TitleOn::Opening);
    EXPECT_EQ(project().stash->letters.size(), 1u) << "the page has taken them along";
    expect_one_line(dress({"--put", "nobody"}), "there is no embellishment");
    EXPECT_NE(dress({"--what-fits", "10,8"}).out.find("Brass dot in free part of the base: fits"),
              std::string::npos);
    ASSERT_TRUE(done(set_out({"--photo", "3x3in", "--photo-at", "8,3", "--date", "2026-05-17"})));
    ASSERT_EQ(dress({"--write", "Kites", "--at", "8,6", "--goes-with", "1", "--journaling", "1"}).code, 0);
    ASSERT_TRUE(done(set_out({"--which-photo", "1", "--photo-at", "9,3"})));
    const json j = json::parse(dress({"--json", "--add-date"}).out);
    ASSERT_EQ(j["journaling"].size(), 2u);
    EXPECT_EQ(j["journaling"][1]["lines"][0]["text"], "17 May 2026");
    EXPECT_NEAR((j["journaling"][0]["lines"][0]["from"][0].get<double>() +
                 j["journaling"][0]["lines"][0]["to"][0].get<double>()) /
                    2,
                9 * 25.4, 0.01);
    EXPECT_EQ(j["titles"][0]["text"], "Windy hill");
    EXPECT_EQ(j["embellishments"]["placed"].size(), 1u);
    EXPECT_EQ(j["balance"]["clusters"].size(), 1u);
    expect_one_line(dress({"--stitch-inset", "1/4in"}), "there is no stitching");
    const Ran sewn = dress({"--stitch", "back", "--stitch-sides", "top,bottom", "--stitch-inset", "1/2in"});
    ASSERT_EQ(sewn.code, 0) << sewn.err;
    EXPECT_NE(sewn.out.find(" holes"), std::string::npos);
    expect_one_line(dress({"--stitch-sides", "above"}), "is not one of");
}

} // namespace zesty
