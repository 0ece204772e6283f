// What a bad day brings: nonsense in every option and file, endless things, and no room to write.

#include "cli/run.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QDir>
#include <QImage>
#include <QTemporaryDir>
#include <csignal>
#include <nlohmann/json.hpp>
#include <random>
#include <sqlite3.h>

namespace zesty {

using nlohmann::json;

static QByteArray bytes_of(const QString& path) {
    QFile f(path);
    return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
}

/// A page of the demo that nothing that follows may change.
class BadDay : public ::testing::Test {
protected:
    void SetUp() override {
        ASSERT_TRUE(QFile::copy(demo::project(), page_));
        before_ = bytes_of(page_);
    }
    void TearDown() override { EXPECT_EQ(bytes_of(page_), before_) << "the page was changed"; }
    QString at(const char* name) const { return dir_.filePath(name); }

    QTemporaryDir dir_;
    QString page_ = dir_.filePath("page.zesty");
    QByteArray before_;
};

static QByteArray svg_of_path(const QByteArray& d) {
    return "<svg xmlns='http://www.w3.org/2000/svg' width='300mm' height='300mm' viewBox='0 0 300 300'><path "
           "d='" +
           d + "'/></svg>";
}

TEST_F(BadDay, NumbersThatAreNoneAreRefusedInEveryOption) {
    for (const char* number : {"nan", "inf", "-inf", "1e999", "400", "0x10", "1,5", ""}) {
        expect_one_line(zesty({"set-out", page_, "--turn", number}), "--turn");
        expect_one_line(zesty({"papers", page_, "--drift", number}), "--drift");
        expect_one_line(zesty({"plan", page_, "--seconds", QString(number) == "400" ? "4000" : number}),
                        "--seconds");
        expect_one_line(zesty({"papers", page_, "--slant", QString("4:") + number}), "--slant");
        expect_one_line(zesty({"papers", page_, "--weight", QString("spread:") + number}), "--weight");
        expect_one_line(zesty({"sections", page_, "--divide", QString("7:line:") + (*number ? number : "x")}),
                        "--divide");
    }
    for (const char* length : {"nan", "inf", "1e999in", "-5000mm", "20000mm"}) {
        expect_one_line(zesty({"set-out", page_, "--width", length}), "--width");
        if (QString(length) != "-5000mm")
            expect_one_line(zesty({"set-out", page_, "--at", QString(length) + ",3"}), "--at");
        expect_one_line(zesty({"set-out", page_, "--shadow", length}), "--shadow");
        expect_one_line(zesty({"sections", page_, "--lip", length}), "--lip");
    }
    expect_one_line(zesty({"set-out", page_, "--photo", "nanxnan"}), "--photo");
    expect_one_line(zesty({"set-out", page_, "--photo", "4x6", "--protect", "0,0,nan,1"}), "--protect");
}

TEST_F(BadDay, OptionsThatCanDoNothingSaySo) {
    const QString p = page_;
    for (const QStringList& line : {QStringList{"set-out", p, "--round"},
                                    {"set-out", p, "--behind"},
                                    {"set-out", p, "--grid", "2x2"},
                                    {"set-out", p, "--square", "1in"},
                                    {"set-out", p, "--spread", "--single"},
                                    {"set-out", p, "--raise", "--lower"},
                                    {"sections", p, "--count", "3"},
                                    {"sections", p, "--divide", "7:line:30:4"},
                                    {"sections", p, "--divide", "7:bands:3x2"},
                                    {"sections", p, "--divide", "7:bands:4:30:9"},
                                    {"papers", p, "--gut", "--no-gut"},
                                    {"stash", at("s.stash"), "--colour", "#aabbcc"}}) {
        const Ran r = zesty(line);
        EXPECT_EQ(r.code, 2) << line.join(' ').toStdString() << ": " << r.out;
        EXPECT_EQ(std::count(r.err.begin(), r.err.end(), '\n'), 1) << r.err;
    }
}

TEST_F(BadDay, WhatIsNoTextIsNeitherStoredNorEchoed) {
    for (const QByteArray& name :
         {QByteArray("3:kite\xff"), QByteArray("3:kite\x07"), QByteArray("3:\x1b[31mkite")}) {
        QProcess process; // past QString, which would mend the bytes
        process.start("/bin/sh",
                      {"-c", "exec \"$0\" sections \"$1\" --name \"$(printf '%b' \"$2\")\"", ZESTY_BINARY,
                       page_, QString::fromLatin1(name.toHex(' ').split(' ').join("\\x").prepend("\\x"))});
        ASSERT_TRUE(process.waitForFinished(patience_ms));
        EXPECT_EQ(process.exitCode(), 2);
        const QByteArray said = process.readAllStandardError();
        EXPECT_EQ(said.count('\n'), 1);
        for (const char c : said) EXPECT_TRUE(c == '\n' || static_cast<unsigned char>(c) >= 0x20);
    }
    write(at("loud.svg"), "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0 \x07\x1b[31m 9 9z" +
                              QByteArray(100'000, 'a') + "'/>");
    const Ran r = zesty({"inspect", at("loud.svg")});
    EXPECT_EQ(r.code, 2);
    EXPECT_LT(r.err.size(), 600u) << "endless input is not echoed";
}

TEST_F(BadDay, EndlessAndDeepFilesAreRefused) {
    std::mt19937 random(1);
    QByteArray d = "M";
    for (int i = 0; i < 2000; ++i)
        d += QByteArray::number(static_cast<double>(random() % 30000) / 100) + "," +
             QByteArray::number(static_cast<double>(random() % 30000) / 100) + " ";
    write(at("knot.svg"), svg_of_path(d + "z"));
    QImage noise(2400, 2400, QImage::Format_Grayscale8);
    for (int y = 0; y < noise.height(); ++y)
        for (int x = 0; x < noise.width(); ++x) noise.scanLine(y)[x] = static_cast<uchar>(random());
    ASSERT_TRUE(noise.save(at("noise.png")));
    write(at("deep.json"), QByteArray(100'000, '['));
    write(at("brackets.json"), "[" + QByteArray("[],").repeated(20'000'000) + "[]]");
    write(
        at("large.json"),
        R"({"format":"zesty-stash/1","papers":[{"id":"barley","colour":"#e0c080","sheets":[{"width":1e999,"height":9}]}]})");
    write(at("nul.csv"), QByteArray("id,name\0,colour\nbarley,B,#e0c080\n", 34));
    expect_one_line(zesty({"inspect", at("knot.svg")}), "knot.svg");
    expect_one_line(zesty({"inspect", at("noise.png")}), "noise.png");
    for (const char* file : {"deep.json", "brackets.json", "large.json"})
        expect_one_line(zesty({"new", demo::drawing(), "--stash", at(file), "--out", at("new.zesty")}), file);
    expect_one_line(zesty({"nest", at("deep.json")}), "deep.json");
    expect_one_line(zesty({"inspect", "/dev/zero"}), "/dev/zero");
    EXPECT_FALSE(QFile::exists(at("new.zesty")));
}

TEST_F(BadDay, TablesAreReadHoweverTheyWereSaved) {
    const QByteArray rows =
        "id,name,colour,width_mm,height_mm,count\r\nhedge,H\xC3\xA4hedge,#406040,152.4,152.4,3\r\n";
    QByteArray semicolons = rows;
    semicolons.replace(',', ';').replace("152.4", "152,4");
    const QByteArray latin = QString::fromUtf8(rows).toLatin1();
    int k = 0;
    for (const QByteArray& table : {rows, "\xEF\xBB\xBF" + rows, semicolons, latin}) {
        const QString csv = at("table.csv");
        write(csv, table);
        const QString stash = at(("s" + std::to_string(++k) + ".stash").c_str());
        const Ran r = zesty({"stash", stash, "--import", csv, "--json"});
        ASSERT_EQ(r.code, 0) << k << ": " << r.err;
        const json paper = json::parse(r.out)["papers"][0];
        EXPECT_EQ(paper["name"], "H\xC3\xA4hedge") << k;
        EXPECT_EQ(paper["sheets"][0]["width"], 152.4) << k;
    }
}

TEST_F(BadDay, OnlyRegularFilesAreWrittenAndAFullDiskIsSaidAsThat) {
    expect_one_line(zesty({"new", demo::drawing(), "--out", "/dev/null"}), "/dev/null");
    expect_one_line(zesty({"new", demo::drawing(), "--out", dir_.path()}), "not a file");
    QProcess process;
    process.start("/bin/sh", {"-c", "\"$0\" plan \"$1\" --json > /dev/full", ZESTY_BINARY, page_});
    ASSERT_TRUE(process.waitForFinished(patience_ms));
    EXPECT_EQ(process.exitCode(), 2);
    EXPECT_TRUE(process.readAllStandardError().contains("space"));
}

TEST_F(BadDay, ACommandThatFailsLeavesNoDatabaseBehind) {
    write(at("bad.csv"), "note,colour\nbarley,#e0c080\n");
    expect_one_line(zesty({"stash", at("new.stash"), "--import", at("bad.csv")}), "bad.csv");
    expect_one_line(
        zesty({"stash", at("new.stash"), "--add", "barley", "--colour", "kite", "--sheet", "6x6in"}),
        "--colour");
    expect_one_line(zesty({"stash", at("new.stash"), "--add", "barley", "--sheet", "6x6in"}), "barley");
    expect_one_line(zesty({"stash", at("new.stash"), "--remove", "barley"}), "no such file");
    EXPECT_FALSE(QFile::exists(at("new.stash")));
}

TEST_F(BadDay, MoreSheetsThanAreReadAreNotWritten) {
    const QString stash = at("s.stash");
    ASSERT_EQ(zesty({"stash", stash, "--add", "barley", "--colour", "#e0c080", "--sheet", "6x6in*1999"}).code,
              0);
    EXPECT_EQ(zesty({"stash", stash, "--add", "barley", "--sheet", "6x6in*2"}).code, 2);
    EXPECT_EQ(zesty({"stash", stash}).code, 0) << "what is there opens as before";
}

TEST_F(BadDay, DatabasesThatAreNotAsTheyWereMadeAreRefused) {
    const auto spoilt = [&](const char* name, const char* sql) {
        const QString stash = at(name);
        EXPECT_EQ(zesty({"stash", stash, "--add", "barley", "--colour", "#e0c080", "--sheet", "6x6in"}).code,
                  0);
        sqlite3* db = nullptr;
        EXPECT_EQ(sqlite3_open(stash.toUtf8().constData(), &db), SQLITE_OK);
        EXPECT_EQ(sqlite3_exec(db, sql, nullptr, nullptr, nullptr), SQLITE_OK) << sqlite3_errmsg(db);
        sqlite3_close(db);
        return zesty({"stash", stash});
    };
    expect_one_line(spoilt("view.stash",
                           "DROP TABLE papers; CREATE VIEW papers(id, place, paper) AS WITH RECURSIVE n(i) "
                           "AS (SELECT 1 UNION ALL SELECT i + 1 FROM n) SELECT i, i, '{}' FROM n;"),
                    "view.stash");
    expect_one_line(spoilt("null.stash", "DROP TABLE papers; CREATE TABLE papers(id, place, paper); "
                                         "INSERT INTO papers VALUES(NULL, NULL, NULL);"),
                    "null.stash");
    expect_one_line(spoilt("foreign.stash", "UPDATE papers SET paper = x'ff00ff';"), "foreign.stash");
    expect_one_line(spoilt("gone.stash", "DROP TABLE pictures;"), "gone.stash");
}

TEST_F(BadDay, ProgramsOnOneStashAtOnceLoseNothing) {
    const QString stash = at("shared.stash");
    const auto all_at_once = [](int count, const QStringList& arguments) {
        std::vector<std::unique_ptr<QProcess>> all;
        for (int k = 0; k < count; ++k)
            all.emplace_back(std::make_unique<QProcess>())->start(ZESTY_BINARY, arguments);
        for (const auto& one : all) {
            ASSERT_TRUE(one->waitForFinished(patience_ms));
            EXPECT_EQ(one->exitCode(), 0) << one->readAllStandardError().toStdString();
        }
    };
    // The first of them make the database, all add to the same paper.
    all_at_once(12, {"stash", stash, "--add", "barley", "--colour", "#e0c080"});
    all_at_once(31, {"stash", stash, "--add", "barley", "--sheet", "6x6in"});
    int sheets = 0;
    const json all_there = json::parse(zesty({"stash", stash, "--json"}).out);
    for (const json& s : all_there["papers"][0]["sheets"]) sheets += s["count"].get<int>();
    EXPECT_EQ(sheets, 31);
}

} // namespace zesty
