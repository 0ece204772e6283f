// The stash that is kept: what is written is there, whatever happens to the program.

#include "core/stash/new_things.h"
#include "io/stash_csv.h"
#include "io/stash_json.h"
#include "io/stash_store.h"
#include "support/demo.h"
#include "support/lattice.h"
#include "support/patience.h"

#include <QDate>
#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <random>
#include <sqlite3.h>

namespace zesty {

namespace {

/// Read once: what its pictures look like is worked out anew each time.
const Stash& demo_stash() {
    static const Stash stash = *read_stash(demo::stash());
    return stash;
}

QByteArray bytes_of(const QString& path) {
    QFile f(path);
    EXPECT_TRUE(f.open(QIODevice::ReadOnly));
    return f.readAll();
}

void write(const QString& path, const QByteArray& data) {
    QFile f(path);
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write(data);
}

/// As the stash has papers that were put into it today.
Stash as_put(Stash stash) {
    for (Paper& p : stash.papers) p.touched = QDate::currentDate().toString(Qt::ISODate).toStdString();
    return stash;
}

void make_database(const QString& path, const char* sql) {
    sqlite3* db = nullptr;
    ASSERT_EQ(sqlite3_open(path.toUtf8().constData(), &db), SQLITE_OK);
    EXPECT_EQ(sqlite3_exec(db, sql, nullptr, nullptr, nullptr), SQLITE_OK);
    sqlite3_close(db);
}

/// Up to version 6 the bytes of pictures lay beside their names.
constexpr const char* pictures_as_in_version_six =
    "CREATE TABLE six(name TEXT PRIMARY KEY, bytes BLOB NOT NULL); INSERT INTO six SELECT p.name, f.bytes "
    "FROM "
    "pictures p JOIN files f ON f.name = p.file; DROP TABLE pictures; ALTER TABLE six RENAME TO pictures; "
    "DELETE FROM files; PRAGMA user_version = 6;";

/// A file that stands for a page; its key.
std::string page_in(const QTemporaryDir& dir, const char* name) {
    write(dir.filePath(name), "page");
    return page_key(dir.filePath(name));
}

ReservedPiece piece(const char* page, const char* paper, double width) {
    return {page, paper, Side::B, {testing::rectangle(0, 0, width, 10), {}}};
}

} // namespace

TEST(StashStore, GivesBackWhatWasPutInAndReplacesById) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    Stash stash = demo_stash();
    stash.papers[0].notes = "from the \"blue\" pad,\nlast sheet";
    stash.papers[0].kept_in = "Drawer 2";
    stash.papers[0].strip = 12.7;
    stash.papers[0].weight = 216;
    stash.papers[0].repeat = 8.5;
    ASSERT_TRUE(StashStore::open(path)->put(stash));
    EXPECT_TRUE(*read_stash(path) == as_put(stash)) << "read as any stash is";
    stash.papers[1].sheets.clear();
    Stash one;
    one.papers = {stash.papers[1]};
    auto store = StashStore::open(path);
    ASSERT_TRUE(store);
    ASSERT_TRUE(store->put(one));
    EXPECT_TRUE(*store->read() == as_put(stash));
    EXPECT_EQ(store->remove("nothing").error().kind, ErrorKind::NothingToDo);
    const std::string picture = stash.papers[0].picture;
    ASSERT_TRUE(store->remove(stash.papers[0].id));
    const Stash left = *store->read();
    EXPECT_EQ(left.find(stash.papers[0].id), -1);
    EXPECT_FALSE(left.pictures.contains(picture));
}

TEST(StashStore, KnowsWhatPagesHaveReserved) {
    QTemporaryDir dir;
    const QString path = dir.filePath("x.stash");
    auto store = StashStore::open(path);
    ASSERT_TRUE(store);
    ASSERT_TRUE(store->put(demo_stash()));
    const std::string one = page_in(dir, "one.zesty"), two = page_in(dir, "two.zesty");
    const ReservedPiece large = piece("Tram Terrace", "barley", 10);
    const ReservedPiece small = piece("Seed Swap", "barley", 3);
    const ReservedPiece other = piece("Tram Terrace", "hillside", 5);
    ASSERT_TRUE(store->reserve(one, {large, other, piece("Tram Terrace", "nowhere", 9)}));
    ASSERT_TRUE(store->reserve(two, {small}));
    using Areas = std::map<std::string, double>;
    EXPECT_EQ(store->reserved_by_others(one)->areas, (Areas{{"barley", 30}}));
    EXPECT_EQ(store->reserved_by_others(one)->pieces, std::vector{small});
    EXPECT_EQ(store->reserved_by_others("three")->areas, (Areas{{"barley", 130}, {"hillside", 50}}));
    EXPECT_EQ(store->reserved_by_others("three")->pieces, (std::vector{large, other, small}));
    ASSERT_TRUE(store->reserve(one, {small}));
    EXPECT_EQ(store->reserved_by_others("three")->areas, (Areas{{"barley", 60}}));
    ASSERT_TRUE(QFile::remove(QString::fromStdString(one)));
    EXPECT_EQ(store->reserved_by_others("three")->areas, (Areas{{"barley", 30}})) << "a page that is gone";
}

TEST(StashStore, OpensItsOlderVersions) {
    for (const char* as_it_was :
         {"DROP TABLE reserved; PRAGMA user_version = 1",
          "DROP TABLE reserved; CREATE TABLE reserved(page TEXT, paper TEXT, area REAL, PRIMARY KEY(page, "
          "paper)); INSERT INTO reserved VALUES('PAGE', 'barley', 25); PRAGMA user_version = 2",
          "UPDATE papers SET paper = json_remove(paper, '$.uid'); PRAGMA user_version = 3", ""}) {
        QTemporaryDir dir;
        const std::string two = page_in(dir, "two.zesty");
        const QString path = dir.filePath("x.stash");
        ASSERT_TRUE(StashStore::open(path)->put(demo_stash()));
        sqlite3* db = nullptr;
        ASSERT_EQ(sqlite3_open(path.toUtf8().constData(), &db), SQLITE_OK);
        const QString sql =
            pictures_as_in_version_six + QString(as_it_was).replace("PAGE", QString::fromStdString(two));
        EXPECT_EQ(sqlite3_exec(db, qPrintable(sql), nullptr, nullptr, nullptr), SQLITE_OK);
        sqlite3_close(db);
        auto again = StashStore::open(path);
        ASSERT_TRUE(again) << again.error().message;
        EXPECT_EQ(again->read()->papers.size(), demo_stash().papers.size());
        const Stash papers = *again->read();
        for (const Paper& p : papers.papers) EXPECT_FALSE(p.uid.empty());
        EXPECT_TRUE(papers.pictures == demo_stash().pictures) << as_it_was;
        EXPECT_TRUE(*again->read() == *StashStore::open(path)->read()) << "given once";
        EXPECT_TRUE(again->reserved_by_others("three")->pieces.empty());
        EXPECT_EQ(again->reserved_by_others("three")->areas.contains("barley"),
                  std::string(as_it_was).find("25") != std::string::npos);
        const ReservedPiece one = piece("Tram Terrace", "barley", 10);
        EXPECT_TRUE(again->reserve(two, {one}));
        EXPECT_EQ(StashStore::open(path)->reserved_by_others("three")->pieces, std::vector{one});
    }
}

TEST(StashStore, ABackupBringsEverythingBack) {
    QTemporaryDir dir;
    auto store = StashStore::open(dir.filePath("papers.stash"));
    ASSERT_TRUE(store && store->put(demo_stash()));
    const std::string page = page_in(dir, "tram.zesty");
    ASSERT_TRUE(store->reserve(page, {piece("Tram Terrace", "barley", 10)}));
    const Stash before = *store->read();
    const QString file = dir.filePath("backup.stash");
    ASSERT_TRUE(store->back_up(file));
    ASSERT_TRUE(store->remove("barley"));
    ASSERT_TRUE(store->change([](const Stash& now) -> Result<Stash> {
        Stash next = now;
        next.papers[0].sheets.clear();
        return next;
    }));
    ASSERT_TRUE(store->restore(file));
    EXPECT_TRUE(*store->read() == before);
    EXPECT_EQ(store->reserved_by_others("")->pieces.size(), 1u);
    // What is no backup changes nothing, and a backup goes only where files go.
    write(dir.filePath("letter.txt"), "Dear all,");
    EXPECT_FALSE(store->restore(dir.filePath("letter.txt")));
    EXPECT_FALSE(store->restore(dir.filePath("nothing.stash")));
    EXPECT_TRUE(*store->read() == before);
    EXPECT_FALSE(store->back_up(dir.path()));
}

TEST(StashStore, RefusesWhatIsNotOneAndLeavesItAlone) {
    QTemporaryDir dir;
    const auto refused = [&](const char* name, ErrorKind kind) {
        const QString path = dir.filePath(name);
        const QByteArray before = bytes_of(path);
        const auto opened = StashStore::open(path);
        ASSERT_FALSE(opened) << name;
        EXPECT_EQ(opened.error().kind, kind) << opened.error().message;
        EXPECT_EQ(std::count(opened.error().message.begin(), opened.error().message.end(), '\n'), 0);
        EXPECT_EQ(bytes_of(path), before) << name;
    };
    write(dir.filePath("letter.txt"), "Dear all,");
    refused("letter.txt", ErrorKind::BadInput);
    make_database(dir.filePath("other.db"), "CREATE TABLE papers(x); INSERT INTO papers VALUES(1)");
    refused("other.db", ErrorKind::BadInput);
    make_database(dir.filePath("newer.db"), "PRAGMA application_id = 1515410504; PRAGMA user_version = 9; "
                                            "CREATE TABLE papers(x)");
    refused("newer.db", ErrorKind::NewerFormat);
    const QString path = dir.filePath("damaged.db");
    ASSERT_TRUE(StashStore::open(path)->put(demo_stash()));
    QByteArray data = bytes_of(path);
    data.truncate(data.size() / 2);
    for (qsizetype i = 4096; i < data.size(); i += 7) data[i] = static_cast<char>(data[i] ^ 0x5a);
    write(path, data);
    refused("damaged.db", ErrorKind::BadInput);
    EXPECT_FALSE(StashStore::open(dir.filePath("no/such/folder.db")));
}

TEST(StashStore, LosesNothingWhenItsProgramIsKilled) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    std::mt19937 random(8);
    int next = 0;
    int kills_while_writing = 0;
    for (int kill = 0; kill < 50; ++kill) {
        QProcess writer;
        writer.start(ZESTY_STASH_WRITER, {path, QString::number(next)});
        ASSERT_TRUE(writer.waitForReadyRead(patience_ms));
        writer.waitForFinished(static_cast<int>(random() % 25)); // it never ends by itself
        kills_while_writing += writer.state() == QProcess::Running;
        writer.kill();
        ASSERT_TRUE(writer.waitForFinished(patience_ms));
        const QList<QByteArray> said = writer.readAllStandardOutput().split('\n');
        // The last line may be torn; the one before it was said whole.
        const int last = said[said.size() - 2].toInt();
        const auto store = StashStore::open(path);
        ASSERT_TRUE(store) << store.error().message;
        const auto stash = store->read();
        ASSERT_TRUE(stash) << stash.error().message;
        EXPECT_GE(static_cast<int>(stash->papers.size()), last + 1) << "what was said to be written is there";
        EXPECT_LE(static_cast<int>(stash->papers.size()), last + 2);
        for (std::size_t i = 0; i < stash->papers.size(); ++i) {
            ASSERT_EQ(stash->papers[i].id, "w" + std::to_string(i));
            EXPECT_EQ(stash->papers[i].name.size(), 20000u);
        }
        next = static_cast<int>(stash->papers.size());
        if (next > 1500) { // a stash has at most 2000 sheets
            QFile::remove(path);
            next = 0;
        }
    }
    EXPECT_EQ(kills_while_writing, 50);
}

TEST(StashCsv, GoesThereAndBackWithOutlinesAndPictures) {
    Stash stash = demo_stash();
    stash.papers[0].notes = "comma, \"quote\"\nand a line";
    stash.papers[1].sheets.clear();
    Polygon offcut{{{0, 0}, {90.25, 0}, {100, 55.5}, {0, 60}}, {{{20, 20}, {30, 20}, {25, 30}}}};
    stash.papers[2].sheets.push_back({offcut, 1, true});
    const auto pictures = [&](const std::string& name) -> Result<PictureBytes> {
        return stash.pictures.at(name);
    };
    auto again = stash_from_csv(stash_csv(stash), "x.csv", pictures);
    ASSERT_TRUE(again) << again.error().message;
    // How fine a pattern is cannot be read off a picture without a sheet to say how large it is.
    again->papers[1].variation = stash.papers[1].variation;
    EXPECT_TRUE(*again == stash);
    const auto wrong = [&](const char* text) {
        const auto r = stash_from_csv(text, "x.csv", pictures);
        ASSERT_FALSE(r) << text;
        EXPECT_EQ(r.error().message.rfind("x.csv", 0), 0u) << r.error().message;
    };
    wrong("");
    wrong("name\nPlum\n");
    wrong("id,colour,width_mm,height_mm\n,#112233,10,10\n");
    wrong("id,colour,width_mm,height_mm\na,#112233,ten,10\n");
    wrong("id,colour,outline\na,#112233,0 0;10\n");
    wrong("id,colour,width_mm,height_mm\na,kite,10,10\n");
    wrong("name,colour,size\nRipe Barley,ochre,large\n");
    const auto typed = stash_from_csv(
        "name,colour,size,count\nRipe Barley,ochre,12x12,2\nGull,muted teal,6x8,5\n", "x.csv", pictures);
    ASSERT_TRUE(typed) << typed.error().message;
    ASSERT_EQ(typed->papers.size(), 2u);
    EXPECT_EQ(typed->papers[0].id, "ripe-barley");
    EXPECT_EQ(typed->papers[1].sheets[0].count, 5);
    EXPECT_NEAR(typed->papers[1].sheets[0].outline.outer[1].x, 152.4, 1e-6);
}

TEST(StashJson, WhatIsNotSaidOfAPaperComesFromItsPicture) {
    const Stash demo = demo_stash();
    const int striped = demo.find("hedge-stripe");
    ASSERT_GE(striped, 0);
    const Paper& known = demo.papers[static_cast<std::size_t>(striped)];
    nlohmann::json j = stash_json(demo);
    for (auto& paper : j["papers"]) {
        paper.erase("pattern");
        paper.erase("direction");
    }
    const auto read = stash_from(
        j, "x", [&](const std::string& name) -> Result<PictureBytes> { return demo.pictures.at(name); });
    ASSERT_TRUE(read);
    EXPECT_EQ(read->papers[static_cast<std::size_t>(striped)].pattern, Pattern::Stripe);
    EXPECT_EQ(read->papers[static_cast<std::size_t>(striped)].direction, Direction::Half);
    EXPECT_GT(read->papers[static_cast<std::size_t>(striped)].repeat, 1);
    EXPECT_EQ(known.pattern, Pattern::Stripe);
    int same = 0;
    for (std::size_t i = 0; i < demo.papers.size(); ++i)
        same += read->papers[i].pattern == demo.papers[i].pattern;
    EXPECT_GE(same, static_cast<int>(demo.papers.size()) - 2) << "the demo's own words";
}

namespace {

Stash with_small_things(Stash stash) {
    Embellishment bow;
    bow.id = bow.name = "red-bow";
    bow.kind = EmbellishmentKind::DieCut;
    bow.colour = {196, 71, 47};
    bow.outline = {{{-18.25, -10}, {18.25, -10}, {0.1, 0.3}, {18, 10}, {-18, 10}}, {}};
    bow.count = 2;
    bow.on_sheet = "Kite bows";
    bow.uid = "bow-1";
    LetterSet cork;
    cork.id = "cork";
    cork.name = "Cork";
    cork.height = 13;
    cork.letters = {{"A", {9.5, 3}}, {"\xC3\x84", {9.75, 1}}};
    cork.uid = "cork-1";
    stash.embellishments.push_back(bow);
    stash.letters.push_back(cork);
    return stash;
}

} // namespace

TEST(StashStore, KeepsEmbellishmentsAndLettersAsItKeepsPapers) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    ASSERT_TRUE(StashStore::open(path)->put(demo_stash()));
    // What version 4 made has no table for them.
    make_database(path, pictures_as_in_version_six);
    make_database(path, "DROP TABLE things; PRAGMA user_version = 4");
    const Stash whole = as_put(with_small_things(demo_stash()));
    auto store = StashStore::open(path);
    ASSERT_TRUE(store) << store.error().message;
    ASSERT_TRUE(store->change([](const Stash& now) -> Result<Stash> { return with_small_things(now); }));
    EXPECT_TRUE(*store->read() == whole);
    const QString backup = dir.filePath("backup.stash");
    ASSERT_TRUE(store->back_up(backup));
    ASSERT_TRUE(store->change([](Stash now) -> Result<Stash> {
        now.embellishments[0].count = 1;
        now.letters.clear();
        return now;
    }));
    EXPECT_EQ(store->read()->embellishments.at(0).count, 1);
    EXPECT_TRUE(store->read()->letters.empty());
    ASSERT_TRUE(store->restore(backup));
    EXPECT_TRUE(*store->read() == whole);
    make_database(
        path, "UPDATE things SET thing = '{\"id\":\"red-bow\",\"count\":-4}' WHERE kind = 'embellishments'");
    const auto damaged = StashStore::open(path)->read();
    ASSERT_FALSE(damaged);
    EXPECT_NE(damaged.error().message.find("embellishments"), std::string::npos) << damaged.error().message;
}

TEST(StashStore, WhateverLettersAreEnteredTheyAreKept) {
    QTemporaryDir dir;
    auto store = StashStore::open(dir.filePath("letters.stash"));
    ASSERT_TRUE(store);
    Stash stash;
    for (const double height : {letter_height_limits.least, 5.0, 16.0, letter_height_limits.most})
        for (const LetterKind kind : {LetterKind::Stickers, LetterKind::Words, LetterKind::Cut}) {
            const std::string id = "set-" + std::to_string(stash.letters.size());
            // As narrow as nothing, and a word as wide as a wall.
            const auto width = [&](const std::string& piece) {
                return piece == "I" ? 0.0 : height * static_cast<double>(piece.size());
            };
            stash.letters.push_back(
                letter_set_of(id, kind, height, std::string(4000, 'x') + " I KITE", width));
        }
    ASSERT_TRUE(store->change([&](const Stash&) -> Result<Stash> { return stash; }));
    const auto kept = store->read();
    ASSERT_TRUE(kept) << kept.error().message;
    ASSERT_EQ(kept->letters.size(), stash.letters.size());
    for (std::size_t i = 0; i < stash.letters.size(); ++i)
        EXPECT_EQ(kept->letters[i].letters, stash.letters[i].letters);
}

} // namespace zesty
