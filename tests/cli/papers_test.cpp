// Papers from the command line: the stash, what is given, proposed and reserved.

#include "cli/run.h"
#include "support/demo.h"

#include <QDir>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

TEST(Cli, AStashIsFilledSearchedAndWrittenOut) {
    QTemporaryDir dir;
    const QString stash = dir.filePath("papers.stash");
    expect_one_line(zesty({"stash", stash}), "no such file");
    const Ran filled = zesty({"stash", stash, "--import", demo::stash(), "--json"});
    ASSERT_EQ(filled.code, 0) << filled.err;
    const std::size_t papers = json::parse(filled.out)["papers"].size();
    EXPECT_GE(papers, 8u);
    const Ran added = zesty({"stash", stash, "--add", "plum", "--name", "Plum", "--colour", "#6b2d5c",
                             "--sheet", "12x12in*3", "--kept-in", "Blue folder", "--find", "folder"});
    ASSERT_EQ(added.code, 0) << added.err;
    EXPECT_EQ(added.out, "plum: Plum, dark purple, solid, 3 sheets, kept in Blue folder\n");
    EXPECT_TRUE(zesty({"stash", stash, "--like", "#6b2d5c"}).out.starts_with("plum: "));
    expect_one_line(zesty({"stash", stash, "--add", "grey", "--colour", "kite", "--sheet", "6x6in"}),
                    "not a colour we know");
    expect_one_line(zesty({"stash", stash, "--kind", "plaid"}), "--kind");
    expect_one_line(zesty({"stash", demo::drawing()}), "not a stash database");
    // Out as a table with its pictures, and in again: the same papers.
    const QString csv = dir.filePath("out/papers.csv");
    QDir(dir.path()).mkdir("out");
    ASSERT_EQ(zesty({"stash", stash, "--export", csv}).code, 0);
    const QString again = dir.filePath("again.stash");
    const Ran imported = zesty({"stash", again, "--import", csv, "--json"});
    ASSERT_EQ(imported.code, 0) << imported.err;
    EXPECT_EQ(json::parse(imported.out), json::parse(zesty({"stash", stash, "--json"}).out));
    expect_one_line(zesty({"plan", demo::project(), "--light", "north"}), "--light");
    // A page is planned from the database as from a file.
    const QString project = dir.filePath("p.zesty");
    EXPECT_EQ(zesty({"new", demo::drawing(), "--page", "12x12in", "--stash", stash, "--out", project}).code,
              0);
    ASSERT_EQ(zesty({"stash", stash, "--remove", "plum"}).code, 0);
    expect_one_line(zesty({"stash", stash, "--remove", "plum"}), "no paper");
}

TEST(Cli, AMotifIsFoundNamedAndCutOutToBecomeAnEmbellishment) {
    QTemporaryDir dir;
    const QString stash = dir.filePath("papers.stash");
    QImage picture(600, 600, QImage::Format_RGB32);
    picture.fill(QColor(236, 228, 208));
    for (int y = 240; y < 360; ++y)
        for (int x = 200; x < 400; ++x) picture.setPixelColor(x, y, QColor(150, 40, 50));
    ASSERT_TRUE(picture.save(dir.filePath("gull.png")));
    const Ran found = zesty({"stash", stash, "--add", "gull", "--name", "Gull Print", "--picture",
                             dir.filePath("gull.png"), "--sheet", "12x12in*2", "--fussy-cut", "gull:6,6in"});
    ASSERT_EQ(found.code, 0) << found.err;
    EXPECT_NE(found.out.find("2 left, 0 used"), std::string::npos) << found.out;
    const Ran cut =
        zesty({"stash", stash, "--name-fussy-cut", "gull:1:Red gull", "--take-fussy-cut", "gull:1"});
    ASSERT_EQ(cut.code, 0) << cut.err;
    EXPECT_NE(cut.out.find("1 left, 1 used"), std::string::npos) << cut.out;
    EXPECT_NE(zesty({"stash", stash}).out.find("Red gull, other of 4 x 2 13/32 in"), std::string::npos)
        << zesty({"stash", stash}).out;
    ASSERT_EQ(zesty({"stash", stash, "--take-fussy-cut", "gull:1"}).code, 0);
    ASSERT_EQ(zesty({"stash", stash, "--export", dir.filePath("out.json")}).code, 0);
    QFile written(dir.filePath("out.json"));
    ASSERT_TRUE(written.open(QIODevice::ReadOnly));
    const json out = json::parse(written.readAll().toStdString());
    const QImage shown(dir.filePath(QString::fromStdString(out["embellishments"][0]["image"])));
    ASSERT_FALSE(shown.isNull()) << "what is to be seen on it goes along";
    EXPECT_GT(shown.pixelColor(shown.width() / 2, shown.height() / 2).red(), 140);
    EXPECT_LT(shown.pixelColor(shown.width() / 2, shown.height() / 2).blue(), 60);
    expect_one_line(zesty({"stash", stash, "--take-fussy-cut", "gull:1"}), "no sheet of Gull Print shows");
    expect_one_line(zesty({"stash", stash, "--take-fussy-cut", "gull:2"}), "there is no number 2");
    expect_one_line(zesty({"stash", stash, "--fussy-cut", "gull:1,1in"}), "runs across the whole paper");
}

TEST(Cli, TheStashIsBackedUpRestoredMergedAndAlwaysThere) {
    QTemporaryDir dir;
    const auto at = [&](const char* name) { return dir.filePath(name); };
    // Without a file it is the one that is always there.
    ASSERT_EQ(zesty({"stash", "--import", demo::stash()}).code, 0);
    ASSERT_EQ(zesty({"stash", "--backup", at("backup.stash")}).code, 0);
    ASSERT_EQ(zesty({"stash", "--add", "barley", "--less", "12x12in", "--name", "Ripe Barley"}).code, 2)
        << "there is no such sheet of it";
    ASSERT_EQ(zesty({"stash", "--merge", "brick-dust", "--into", "barley"}).code, 0);
    EXPECT_EQ(zesty({"stash", "--find", "brick"}).out, "");
    ASSERT_EQ(zesty({"stash", "--restore", at("backup.stash")}).code, 0);
    EXPECT_NE(zesty({"stash", "--find", "brick"}).out, "");
    EXPECT_EQ(json::parse(zesty({"stash", "--json"}).out),
              json::parse(zesty({"stash", at("backup.stash"), "--json"}).out));
    expect_one_line(zesty({"stash", "--restore", demo::drawing()}), "not a backup");
    expect_one_line(zesty({"stash", "--backup", dir.path()}), "not a file");
    // A page looks into it, or not.
    EXPECT_EQ(zesty({"plan", demo::project()}).out.find("not in your stash"), std::string::npos);
    EXPECT_NE(zesty({"plan", demo::project(), "--stash", at("other.stash")}).err.find("no such file"),
              std::string::npos);
    EXPECT_EQ(zesty({"plan", demo::project(), "--stash", "none"}).err, "");
    expect_one_line(zesty({"papers", demo::project(), "--mood", "warm"}), "--proposals");
    QFile::remove(data_home() + "/Zesty Panel/papers.stash");
}

TEST(Cli, OfAKnownPaperJustWhatIsGivenIsChanged) {
    QTemporaryDir dir;
    const QString stash = dir.filePath("papers.stash");
    ASSERT_EQ(zesty({"stash", stash, "--import", demo::stash()}).code, 0);
    const auto paper = [&](const char* id) {
        const json all = json::parse(zesty({"stash", stash, "--json"}).out);
        for (const json& p : all["papers"])
            if (p["id"] == id) return p;
        return json();
    };
    for (const char* id : {"barley", "gull-print", "hedge-stripe"}) {
        const json before = paper(id);
        ASSERT_FALSE(before.is_null()) << id;
        ASSERT_EQ(zesty({"stash", stash, "--add", id, "--kept-in", "Blue folder"}).code, 0);
        json wanted = before;
        wanted["kept_in"] = "Blue folder";
        EXPECT_EQ(paper(id), wanted);
        ASSERT_EQ(zesty({"stash", stash, "--add", id, "--name", "Renamed", "--direction", "fixed"}).code, 0);
        wanted["name"] = "Renamed";
        wanted["direction"] = "fixed";
        EXPECT_EQ(paper(id), wanted);
        ASSERT_EQ(zesty({"stash", stash, "--add", id, "--sheet", "6x8in*2"}).code, 0);
        EXPECT_EQ(paper(id)["sheets"].size(), wanted["sheets"].size() + 1);
    }
    const json before = paper("barley");
    ASSERT_EQ(zesty({"stash", stash, "--add", "barley", "--colour", "dark red"}).code, 0);
    EXPECT_EQ(paper("barley")["sheets"], before["sheets"]) << "a colour takes no sheets away";
}

TEST(Cli, AStarterStashIsEnoughForAFirstPage) {
    QTemporaryDir dir;
    const QString stash = dir.filePath("papers.stash");
    ASSERT_EQ(zesty({"stash", stash, "--starter"}).code, 0);
    EXPECT_EQ(json::parse(zesty({"stash", stash, "--json"}).out)["papers"].size(), 24u);
    ASSERT_EQ(zesty({"stash", stash, "--starter"}).code, 0) << "again adds nothing";
    EXPECT_EQ(json::parse(zesty({"stash", stash, "--json"}).out)["papers"].size(), 24u);
    EXPECT_TRUE(zesty({"stash", stash, "--like", "muted teal"}).out.starts_with("teal-cardstock: "));
    const QString page = dir.filePath("p.zesty");
    ASSERT_EQ(zesty({"new", demo::drawing(), "--page", "12x12in", "--stash", stash, "--out", page}).code, 0);
    const Ran planned = zesty({"plan", page, "--json"});
    EXPECT_TRUE(json::parse(planned.out)["short"].empty());
}

TEST(Cli, PapersAreGivenRuledProposedAndAskedAbout) {
    QTemporaryDir dir;
    const QString out = dir.filePath("p.zesty");
    const Ran made = zesty({"papers",
                            demo::project(),
                            "--give",
                            "18:barley:B",
                            "--never",
                            "3:barley,brick-dust",
                            "--same-as",
                            "7:3",
                            "--apart",
                            "barley,hillside",
                            "--role",
                            "hedge-stripe:tie",
                            "--slants",
                            "parallel:30",
                            "--run-on",
                            "4",
                            "--weight",
                            "spread:1.5",
                            "--proposals",
                            "3",
                            "--take-proposal",
                            "2",
                            "--proposal-pictures",
                            dir.filePath("pictures"),
                            "--why",
                            "5",
                            "--out",
                            out,
                            "--json"});
    ASSERT_TRUE(made.code == 0 || made.code == 1) << made.err;
    const json j = json::parse(made.out);
    EXPECT_EQ(j["format"], "zesty-papers/1");
    EXPECT_GE(j["proposals"].size(), 2u);
    EXPECT_FALSE(j["why"]["others"].empty());
    json third, seventh, eighteenth;
    for (const json& s : j["sections"]) {
        if (s["label"] == "3") third = s;
        if (s["label"] == "7") seventh = s;
        if (s["label"] == "18") eighteenth = s;
    }
    EXPECT_EQ(eighteenth["paper"], "barley");
    EXPECT_EQ(eighteenth["side"], "B");
    EXPECT_EQ(eighteenth["locked"], true);
    EXPECT_EQ(third["paper"], seventh["paper"]);
    EXPECT_NE(third["paper"], "barley");
    EXPECT_FALSE(QImage(dir.filePath("pictures/proposal-1.png")).isNull());
    // What was taken is in the project, and can be changed again.
    const Ran plan = zesty({"plan", out, "--json"});
    const json planned = json::parse(plan.out);
    for (const json& s : planned["sections"])
        if (s["id"] == "s3") {
            EXPECT_EQ(s["paper"], third["paper"]);
        }
}

TEST(Cli, APinnedPatchStaysWhateverElseIsLaidAnew) {
    QTemporaryDir dir;
    const QString out = dir.filePath("p.zesty");
    ASSERT_TRUE(done(zesty({"papers", demo::project(), "--take-proposal", "1", "--out", out})));
    const json planned = json::parse(zesty({"plan", out, "--json"}).out);
    const Ran pinned = zesty({"papers", out, "--pin", "18", "--own", "7", "--base-paper", "hillside"});
    EXPECT_TRUE(done(pinned));
    const auto place_of_18 = [](const json& whole) {
        for (const json& p : whole["patches"])
            if (p["opening"] == "o18") return json{p["sheet"], p["rotation_deg"], p["dx"], p["dy"]};
        return json{};
    };
    ASSERT_EQ(place_of_18(planned).size(), 4u);
    for (const char* seed : {"2", "3"})
        EXPECT_EQ(place_of_18(json::parse(zesty({"plan", out, "--seed", seed, "--json"}).out)),
                  place_of_18(planned))
            << "it stays where it was pinned, whatever else is laid anew";
    EXPECT_TRUE(done(zesty({"papers", out, "--unpin", "all", "--base-paper", "none"})));
}

TEST(Cli, WhatIsWrongWithPapersIsSaidInOneLine) {
    QTemporaryDir dir;
    const QString out = dir.filePath("p.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), out));
    expect_one_line(zesty({"papers", out, "--give", "4:plum"}), "--give");
    expect_one_line(zesty({"papers", out, "--give", "4:hillside:B"}), "no side B");
    expect_one_line(zesty({"papers", out, "--role", "barley:king"}), "--role");
    expect_one_line(zesty({"papers", out, "--weight", "mood:1"}), "--weight");
    expect_one_line(zesty({"papers", out, "--slant", "4:steep"}), "--slant");
    expect_one_line(zesty({"papers", out, "--map", "rainbow"}), "--map");
    expect_one_line(zesty({"papers", out, "--pin", "4:nowhere#1:0:1,1"}), "--pin");
    expect_one_line(zesty({"papers", out, "--why", "99"}), "--why");
}

TEST(Cli, RoomIsLeftForOtherPagesAndSizesStayWhole) {
    QTemporaryDir dir;
    const QString tram = dir.filePath("tram.zesty");
    const QString out = dir.filePath("p.zesty");
    ASSERT_TRUE(done(zesty({"papers", demo::project(), "--take-proposal", "1", "--out", tram})));
    ASSERT_TRUE(done(
        zesty({"papers", tram, "--reserve-size", "skein-ombre:1x1in", "--reserve", tram, "--out", out})));
    const json j = json::parse(zesty({"plan", out, "--json"}).out);
    EXPECT_FALSE(j["room"].empty());
    bool whole = false;
    bool said = false;
    for (const json& r : j["room"]) {
        whole = whole || r["page"].is_null();
        EXPECT_TRUE(r["page"].is_null() || r["page"] == "Kite Hill");
    }
    for (const json& f : j["findings"]) said = said || f["code"] == "no-reserved-room";
    EXPECT_TRUE(whole);
    EXPECT_TRUE(said) << "scraps do not hold two pages";
    EXPECT_NE(zesty({"plan", out}).out.find("room is left for"), std::string::npos);
    ASSERT_TRUE(
        done(zesty({"papers", out, "--reserve-size", "skein-ombre:none", "--stop-reserving", "Kite Hill"})));
    EXPECT_TRUE(json::parse(zesty({"plan", out, "--json"}).out)["room"].empty());
    expect_one_line(zesty({"papers", out, "--stop-reserving", "Kite Hill"}), "--stop-reserving");
    expect_one_line(zesty({"papers", out, "--reserve-size", "barley"}), "--reserve-size");
    expect_one_line(zesty({"papers", out, "--reserve-size", "plum:1x1in"}), "--reserve-size");
    expect_one_line(zesty({"papers", out, "--reserve", dir.filePath("none.zesty")}), "--reserve");
    // From papers in which no page has reserved anything.
    const QString stash = dir.filePath("papers.stash");
    ASSERT_EQ(zesty({"stash", stash, "--import", demo::file("kite-hill-stash.json")}).code, 0);
    expect_one_line(zesty({"papers", out, "--reserve", stash}), "--reserve");
    const Ran reserved = zesty({"stash", stash, "--reserve", tram});
    ASSERT_EQ(reserved.code, 0) << reserved.err;
    EXPECT_NE(reserved.out.find("pieces reserved"), std::string::npos) << reserved.out;
    EXPECT_TRUE(done(zesty({"papers", out, "--reserve", stash})));
    EXPECT_FALSE(json::parse(zesty({"plan", out, "--json"}).out)["room"].empty());
    expect_one_line(zesty({"papers", tram, "--reserve", stash}), "--reserve");
    EXPECT_EQ(zesty({"stash", stash, "--release", tram}).out.find("reserved"), std::string::npos);
    expect_one_line(zesty({"stash", stash, "--reserve", dir.filePath("none.zesty")}), "none.zesty");
}

TEST(Cli, PapersHaveBacksAndPhotosShowPictures) {
    QTemporaryDir dir;
    const QString stash = dir.filePath("papers.stash");
    const Ran made =
        zesty({"stash", stash, "--add", "wave", "--picture", demo::file("papers/barley-back.png"),
               "--back-colour", "#202040", "--sheet", "12x12in", "--json"});
    ASSERT_EQ(made.code, 0) << made.err;
    const json paper = json::parse(made.out)["papers"][0];
    EXPECT_EQ(paper["back"]["colour"], "#202040");
    EXPECT_NE(paper["colour"], "#202040");
    EXPECT_TRUE(zesty({"stash", stash, "--like", "#202040"}).out.starts_with("wave: "))
        << "by its other side";
    expect_one_line(zesty({"stash", stash, "--add", "x", "--picture", demo::file("papers/hedge-stripe.png"),
                           "--crop", "--sheet", "6x6in"}),
                    "ground");
    const Ran scrap = zesty({"stash", stash, "--add", "wave", "--scrap", demo::file("scans/scrap.jpg"),
                             "--square", "1in", "--json"});
    ASSERT_EQ(scrap.code, 0) << scrap.err;
    EXPECT_EQ(json::parse(scrap.out)["papers"][0]["sheets"].size(), 2u);
    const QString project = dir.filePath("p.zesty");
    const Ran shown = zesty({"set-out", demo::project(), "--photo", "4x6", "--photo-picture",
                             demo::file("photos/kite-day.png"), "--photo-at", "9,9", "--out", project});
    EXPECT_TRUE(done(shown));
    EXPECT_TRUE(done(zesty({"plan", project, "--json"})));
    expect_one_line(zesty({"set-out", demo::project(), "--photo", "4x6", "--photo-picture", demo::stash(),
                           "--out", project}),
                    "damaged");
}

} // namespace zesty
