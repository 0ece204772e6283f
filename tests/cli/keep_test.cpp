// Finishing pages and looking back from the command line.

#include "cli/run.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/stock.h"
#include "io/project_file.h"
#include "io/stash_store.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QProcess>
#include <algorithm>
#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

namespace {

/// A kite of six panes, small enough to be planned again and again.
constexpr const char* small_kite =
    "<svg xmlns='http://www.w3.org/2000/svg' width='120mm' height='90mm' viewBox='0 0 120 90'>"
    "<metadata><rights>For your own pages</rights></metadata>"
    "<path fill-rule='evenodd' d='M0 0H120V90H0Z M6 6H38V42H6Z M44 6H76V42H44Z M82 6H114V42H82Z M6 "
    "48H38V84H6Z "
    "M44 48H76V84H44Z M82 48H114V84H82Z'/></svg>";
constexpr const char* one_pane =
    "<svg xmlns='http://www.w3.org/2000/svg' width='120mm' height='90mm' viewBox='0 0 120 90'>"
    "<path fill-rule='evenodd' d='M0 0H120V90H0Z M6 6H114V84H6Z'/></svg>";

} // namespace

/// A stash with the demo's papers, and a page with the small kite.
class KeepByCommand : public ::testing::Test {
protected:
    void SetUp() override {
        ASSERT_TRUE(done(zesty({"stash", stash(), "--import", demo::stash()})));
        write(at("kite-hill.svg"), small_kite);
        ASSERT_TRUE(done(zesty({"new", at("kite-hill.svg"), "--width", "120mm", "--out", page()})));
        ASSERT_TRUE(done(zesty({"papers", page(), "--stash", stash(), "--take-proposal", "1"})));
        ASSERT_TRUE(done(keep({page(), "--title", "Kite Hill"})));
    }
    QString stash() const { return dir_.filePath("kite.stash"); }
    QString page() const { return dir_.filePath("kite.zesty"); }
    QString at(const char* name) const { return dir_.filePath(name); }
    Ran keep(QStringList args) { return zesty(QStringList{"keep"} + args + QStringList{"--stash", stash()}); }
    /// Killed after so many milliseconds, whether it is done or not.
    void kill_while(QStringList args, int ms) {
        QProcess process;
        process.start(ZESTY_BINARY, QStringList{"keep"} + args + QStringList{"--stash", stash()});
        process.waitForFinished(ms);
        process.kill();
        process.waitForFinished(patience_ms);
    }
    Stash now() { return *StashStore::open(stash())->read(); }
    double area_now() { return stock_area(now()); }

    QTemporaryDir dir_;
};

TEST_F(KeepByCommand, APageIsLookedAtFinishedAndPutBack) {
    const double before = area_now();
    const Ran look = keep({page()});
    ASSERT_TRUE(done(look));
    EXPECT_NE(look.out.find("Finishing takes:"), std::string::npos);
    expect_one_line(keep({page(), "--sheets"}), "nothing has been taken");
    EXPECT_NEAR(area_now(), before, 1e-6) << "looking takes nothing";
    ASSERT_TRUE(done(keep({page(), "--story", "The red one got away.", "--tag", "wind", "--finish"})));
    EXPECT_LT(area_now(), before);
    ASSERT_EQ(now().records.size(), 1u);
    EXPECT_EQ(now().records[0].notes.story, "The red one got away.");
    expect_one_line(keep({page(), "--finish"}), "taken already");
    EXPECT_NE(keep({}).out.find("kite-hill: Kite Hill"), std::string::npos);
    EXPECT_NE(keep({"--where"}).out.find("on Kite Hill"), std::string::npos);
    const Ran sheets = keep({page(), "--sheets"});
    EXPECT_NE(sheets.out.find("patch"), std::string::npos) << sheets.out;
    EXPECT_NE(sheets.out.find("went back in"), std::string::npos) << sheets.out;
    EXPECT_EQ(keep({"--record", "kite-hill", "--sheets"}).out, sheets.out) << "the record remembers the page";
    ASSERT_TRUE(done(keep({page(), "--put-back"})));
    EXPECT_NEAR(area_now(), before, 1) << "all of it is there again";
    expect_one_line(keep({page(), "--put-back"}), "nothing has been taken");
}

TEST_F(KeepByCommand, EmbellishmentsAreSaidBeforeAndAfter) {
    Embellishment bow;
    bow.id = "red-bow";
    bow.name = "Red Bow";
    bow.outline = {{{-5, -4}, {5, -4}, {5, 4}, {-5, 4}}, {}};
    bow.count = 2;
    ASSERT_TRUE(StashStore::open(stash())->change([&](Stash now) -> Result<Stash> {
        now.embellishments.push_back(bow);
        return now;
    }));
    ASSERT_TRUE(done(zesty({"dress", page(), "--put", "red-bow", "--put-at", "1,1", "--stash", stash()})));
    const Ran look = keep({page()});
    EXPECT_NE(look.out.find("Red Bow: 1; 2 before, 1 after"), std::string::npos) << look.out;
    const auto told = json::parse(keep({page(), "--finish", "--json"}).out);
    EXPECT_EQ(told["takes"]["embellishments"][0],
              json({{"id", "red-bow"}, {"count", 1}, {"before", 2}, {"after", 1}}));
    EXPECT_EQ(now().embellishments[0].count, 1);
}

TEST_F(KeepByCommand, APageWithPapersOfItsOwnAloneIsFinishedAndPutBackToo) {
    ASSERT_TRUE(QFile::copy(demo::project(), at("own.zesty")));
    const auto alone = [&](const char* what) {
        return zesty({"keep", at("own.zesty"), what, "--stash", "none"});
    };
    ASSERT_TRUE(done(alone("--finish")));
    const auto finished = open_project(at("own.zesty"));
    ASSERT_TRUE(finished) << finished.error().message;
    EXPECT_FALSE(finished->keep.taken.empty());
    EXPECT_TRUE(finished->stash->records.empty());
    ASSERT_TRUE(done(alone("--put-back")));
    expect_one_line(zesty({"keep", "--restore", demo::drawing(), "--stash", stash()}), "not a backup");
}

TEST_F(KeepByCommand, OnlyWhatIsTickedOffIsTaken) {
    expect_one_line(keep({page(), "--only-cut"}), "ticked off");
    std::string cut;
    const json steps = json::parse(zesty({"build", page(), "--json", "--stash", stash()}).out)["steps"];
    for (const json& step : steps)
        if (cut.empty() && step["key"].get<std::string>().rfind("sheet:", 0) == 0) cut = step["key"];
    ASSERT_FALSE(cut.empty());
    ASSERT_TRUE(done(zesty({"build", page(), "--done", QString::fromStdString(cut), "--stash", stash()})));
    const Ran some = keep({page(), "--only-cut"});
    ASSERT_TRUE(done(some));
    const auto opened = open_project(page());
    ASSERT_TRUE(opened);
    EXPECT_TRUE(opened->keep.finished.empty());
    EXPECT_FALSE(opened->keep.taken.empty());
    ASSERT_TRUE(done(keep({page(), "--finish"})));
    EXPECT_EQ(open_project(page())->keep.takings, 2);
}

TEST_F(KeepByCommand, WhoeverIsKilledTakesThePaperOnceOrNotAtAll) {
    // Sheets that came back stand in another order, and patches may lie otherwise on them.
    constexpr double other_laying = 300;
    const double before = area_now();
    ASSERT_TRUE(done(keep({page(), "--finish"})));
    const double after = area_now();
    ASSERT_TRUE(done(keep({page(), "--put-back"})));
    for (int round = 0; round < 6; ++round) {
        SCOPED_TRACE(round);
        kill_while({page(), "--finish"}, 20 + 60 * round);
        const double is = area_now();
        EXPECT_TRUE(std::abs(is - before) < 1 || std::abs(is - after) < other_laying) << is;
        // Whatever the page's file says: finishing once more takes nothing twice.
        const Ran again = keep({page(), "--finish"});
        EXPECT_TRUE(done(again) || again.err.find("taken already") != std::string::npos) << again.err;
        EXPECT_NEAR(area_now(), after, other_laying);
        ASSERT_TRUE(done(keep({page(), "--put-back"})));
        ASSERT_NEAR(area_now(), before, 1);
    }
}

TEST_F(KeepByCommand, RecordsAreFoundChangedWrittenOutAndForgotten) {
    ASSERT_TRUE(done(keep({page(), "--finish", "--album", "Hill album"})));
    EXPECT_NE(keep({"--find", "hill"}).out.find("kite-hill"), std::string::npos);
    EXPECT_NE(keep({"--find", "snow"}).out.find("No page is like that"), std::string::npos);
    const Rgb colour = now().records[0].facts->palette.at(0).colour;
    EXPECT_NE(keep({"--like", QString::fromStdString(format_colour(colour))}).out.find("kite-hill"),
              std::string::npos);
    expect_one_line(keep({"--like", "loud"}), "not a colour");
    expect_one_line(keep({"--shelf", "shoe"}), "not one of");
    EXPECT_NE(keep({"--shelf", "paper"}).out.find(now().records[0].facts->papers.at(0).name),
              std::string::npos);
    EXPECT_NE(keep({"--shelf", "album"}).out.find("Hill album"), std::string::npos);
    ASSERT_TRUE(done(keep({"--record", "kite-hill", "--next-time", "Photos first", "--photo",
                           demo::file("photos/first-leaves.png")})));
    EXPECT_EQ(now().records[0].notes.next_time, "Photos first");
    ASSERT_TRUE(done(keep({"--html", at("all.html"), "--csv", at("all.csv"), "--records", at("all.json")})));
    QFile html(at("all.html"));
    ASSERT_TRUE(html.open(QIODevice::ReadOnly));
    const QByteArray bytes = html.readAll();
    EXPECT_TRUE(bytes.contains("Photos first"));
    EXPECT_TRUE(bytes.contains("data:image/jpeg;base64,"));
    EXPECT_EQ(json::parse(keep({"--json"}).out)["records"].size(), 1u);
    EXPECT_NE(keep({"--look-back"}).out.find("1 page from"), std::string::npos);
    expect_one_line(keep({"--record", "tram", "--story", "x"}), "no record");
    expect_one_line(keep({"--sheets", "--json"}), "say which page");
    expect_one_line(keep({"--record", "tram", "--sheets", "--json"}), "no record");
    ASSERT_TRUE(done(keep({"--record", "kite-hill", "--forget"})));
    EXPECT_TRUE(now().records.empty());
}

TEST_F(KeepByCommand, APageIsBegunAgainInOtherPapersAndWithAnotherCut) {
    ASSERT_TRUE(done(zesty({"sections", page(), "--treat", "6:open", "--stash", stash()})));
    ASSERT_TRUE(done(keep({page(), "--finish"})));
    EXPECT_EQ(now().records[0].notes.licence, "For your own pages");
    const Ran again = keep({"--again", "kite-hill", "--out", at("again.zesty")});
    ASSERT_TRUE(done(again));
    const auto page_again = open_project(at("again.zesty"));
    ASSERT_TRUE(page_again) << page_again.error().message;
    EXPECT_EQ(page_again->title, "Kite Hill again");
    EXPECT_TRUE(page_again->keep.taken.empty());
    EXPECT_TRUE(page_again->match.choices.empty() ||
                std::all_of(page_again->match.choices.begin(), page_again->match.choices.end(),
                            [](const auto& c) { return c.second.paper.empty(); }));
    write(at("one.svg"), one_pane);
    const Ran other = keep({"--again", "kite-hill", "--other-cut", at("one.svg"), "--out", at("one.zesty")});
    ASSERT_TRUE(done(other)) << other.err;
    EXPECT_NE(other.out.find("opening"), std::string::npos) << "what no longer fits is said: " << other.out;
    ASSERT_TRUE(done(zesty({"plan", at("one.zesty"), "--stash", stash()})));
    expect_one_line(keep({"--again", "tram", "--out", at("x.zesty")}), "no record");
}

TEST_F(KeepByCommand, EverythingIsBackedUpAndRestoredOrRefused) {
    ASSERT_TRUE(done(keep({page(), "--finish"})));
    const Ran backed_up = keep({"--backup", at("all.zestybackup"), "--csv", at("all.csv")});
    ASSERT_TRUE(done(backed_up));
    EXPECT_NE(backed_up.out.find("all.zestybackup: "), std::string::npos) << backed_up.out;
    EXPECT_NE(backed_up.out.find("all.csv: 1 record"), std::string::npos) << backed_up.out;
    EXPECT_EQ(backed_up.out.find("kite-hill:"), std::string::npos) << "not the shelf";
    const Stash whole = now();
    ASSERT_TRUE(done(keep({"--record", "kite-hill", "--forget"})));
    ASSERT_TRUE(done(zesty({"stash", stash(), "--remove", "barley"})));
    ASSERT_TRUE(done(keep({"--restore", at("all.zestybackup")})));
    EXPECT_EQ(now(), whole);
    write(at("bad.zestybackup"), "PK nonsense");
    expect_one_line(keep({"--restore", at("bad.zestybackup")}), "backup");
    EXPECT_EQ(now(), whole);
}

TEST_F(KeepByCommand, WhoeverIsKilledWhileBackingUpLeavesTheOlderBackupWhole) {
    const QString backup = at("all.zestybackup");
    ASSERT_TRUE(done(keep({"--backup", backup})));
    const Stash older = now();
    ASSERT_TRUE(done(keep({page(), "--finish"})));
    const Stash newer = now();
    const QString other = at("other.stash");
    const auto restored = [&] {
        const Ran r = zesty({"keep", "--restore", backup, "--stash", other});
        EXPECT_TRUE(done(r)) << r.err;
        return *StashStore::open(other)->read();
    };
    for (int round = 0; round < 5; ++round) {
        SCOPED_TRACE(round);
        kill_while({"--backup", backup}, 5 + 25 * round);
        const Stash is = restored();
        EXPECT_TRUE(is == older || is == newer) << "one of the two, and all of it";
        EXPECT_EQ(now(), newer) << "backing up changes nothing";
    }
    ASSERT_TRUE(done(keep({"--backup", backup})));
    EXPECT_EQ(restored(), newer);
    EXPECT_TRUE(QDir(at("")).entryList({".zesty-*"}, QDir::Dirs | QDir::Hidden).isEmpty())
        << "what those who were killed left is cleared away";
}

TEST_F(KeepByCommand, WhoeverIsKilledWhileRestoringHasTheStashAsItWasOrAsInTheBackup) {
    const QString backup = at("all.zestybackup");
    ASSERT_TRUE(done(keep({"--backup", backup})));
    const Stash older = now();
    ASSERT_TRUE(done(keep({page(), "--finish"})));
    const Stash newer = now();
    for (int round = 0; round < 5; ++round) {
        SCOPED_TRACE(round);
        kill_while({"--restore", backup}, 5 + 25 * round);
        const Stash is = now();
        EXPECT_TRUE(is == older || is == newer);
        if (is == older) break; // and so it stays
    }
    ASSERT_TRUE(done(keep({"--restore", backup})));
    EXPECT_EQ(now(), older);
}

} // namespace zesty
