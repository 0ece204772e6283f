// Archives and backups that are too large for memory: piece by piece, onto the disk they go to.

#include "io/backup.h"
#include "io/read_file.h"
#include "io/zip.h"
#include "support/file_size_limit.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QCryptographicHash>
#include <QDir>
#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <map>
#include <random>

namespace zesty {

namespace {

QByteArray noise(qsizetype size, unsigned seed) {
    std::mt19937 random(seed);
    QByteArray out(size, '\0');
    for (char& c : out) c = static_cast<char>(random());
    return out;
}

const auto every_entry = [](const QString&) { return true; };

/// Nothing but these, hidden or not.
QStringList files_in(const QTemporaryDir& dir) {
    return QDir(dir.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot, QDir::Name);
}

/// An archive as a backup is, with what it says of its parts.
QByteArray archive_of(std::vector<ZipEntry> parts) {
    QByteArray said = R"({"format": "zesty-backup/1", "sha256": {)";
    for (const ZipEntry& e : parts) {
        if (&e != &parts.front()) said += ", ";
        said += '"' + e.path.toUtf8() + "\": \"" +
                QCryptographicHash::hash(e.bytes, QCryptographicHash::Sha256).toHex() + '"';
    }
    parts.push_back({"backup.json", said + "}}"});
    return *packed(parts);
}

} // namespace

TEST(Zip, FilesLargerThanAPieceComeBackAndOthersReadThem) {
    const QTemporaryDir dir;
    const std::map<QString, QByteArray> parts{
        {"stash", noise(9'500'000, 1)}, {"empty", {}}, {"plain", QByteArray(5'000'000, 'k')}};
    std::vector<ZipFile> files;
    for (const auto& [name, bytes] : parts) {
        ASSERT_TRUE(write_file(dir.filePath(name), bytes));
        files.push_back({name, dir.filePath(name)});
    }
    const QString archive = dir.filePath("all.zip");
    ASSERT_TRUE(pack_files(files, archive));
    QProcess other;
    other.start("/usr/bin/python3", {"-m", "zipfile", "-t", archive});
    ASSERT_TRUE(other.waitForFinished(patience_ms));
    EXPECT_EQ(other.exitCode(), 0) << other.readAllStandardError().toStdString();
    QFile again(archive);
    std::size_t seen = 0;
    ASSERT_TRUE(each_entry(again, every_entry, [&](const QString& name, QIODevice& bytes, qint64 size) {
        EXPECT_EQ(size, parts.at(name).size());
        EXPECT_EQ(bytes.readAll(), parts.at(name)) << name.toStdString();
        ++seen;
        return Result<void>();
    }));
    EXPECT_EQ(seen, parts.size());
    EXPECT_LT(again.size(), 9'700'000) << "what can be packed is";
    const auto stopped =
        each_entry(again, every_entry, [&](const QString&, QIODevice&, qint64) -> Result<void> {
            return fail(ErrorKind::TooLarge, "enough");
        });
    EXPECT_EQ(stopped.error().message, "enough");
    EXPECT_FALSE(pack_files({{"none", dir.filePath("none")}}, dir.filePath("none.zip")));
}

TEST(Files, AreCopiedWithinTheirLimitAndTakeTheirPlaceInOneStep) {
    const QTemporaryDir dir;
    const QString from = dir.filePath("from");
    ASSERT_TRUE(write_file(from, noise(6'000'000, 2)));
    QFile source(from);
    ASSERT_TRUE(source.open(QIODevice::ReadOnly));
    EXPECT_EQ(copy_to_file(source, dir.filePath("short"), 5'000'000, "x").error().kind, ErrorKind::TooLarge);
    source.seek(0);
    ASSERT_TRUE(copy_to_file(source, dir.filePath("copy"), 6'000'000, "x"));
    EXPECT_EQ(*read_file(dir.filePath("copy")), *read_file(from));
    source.seek(0);
    EXPECT_FALSE(copy_to_file(source, dir.filePath("copy"), 6'000'000, "x")) << "only into a new file";
    const QString to = dir.filePath("to");
    ASSERT_TRUE(write_file(to, "old"));
    ASSERT_TRUE(put_in_place(dir.filePath("copy"), to));
    EXPECT_EQ(*read_file(to), *read_file(from));
    EXPECT_FALSE(QFile::exists(dir.filePath("copy")));
    EXPECT_FALSE(put_in_place(dir.filePath("none"), to));
    EXPECT_FALSE(put_in_place(from, dir.path())) << "a folder is not written over";
    EXPECT_FALSE(put_in_place(from, dir.filePath("no/such/place")));
    EXPECT_TRUE(QFile::exists(from));
}

TEST(EverythingBackup, WithoutRoomOnTheDiskTheOlderOneStaysAndNothingIsLeftBeside) {
    const QTemporaryDir dir;
    const QTemporaryDir away;
    auto store = StashStore::open(dir.filePath("papers.stash"));
    ASSERT_TRUE(store && store->put(testing::five_papers()));
    const QString to = away.filePath("all.zestybackup");
    ASSERT_TRUE(write_backup(*store, away.filePath("none"), to));
    const QByteArray older = *read_file(to);
    const Stash before = *store->read();
    {
        const FileSizeLimit limit(4 << 10);
        const auto full = write_backup(*store, away.filePath("none"), to);
        ASSERT_FALSE(full);
        EXPECT_EQ(full.error().message.find('\n'), std::string::npos);
    }
    EXPECT_EQ(*read_file(to), older);
    EXPECT_EQ(files_in(away), QStringList{"all.zestybackup"});
    EXPECT_EQ(*store->read(), before);
    ASSERT_TRUE(write_backup(*store, away.filePath("none"), to));
    EXPECT_EQ(files_in(away), QStringList{"all.zestybackup"});
    EXPECT_EQ(read_backup(to)->stash, before);
    EXPECT_FALSE(write_backup(*store, away.filePath("none"), away.path()));
    EXPECT_FALSE(write_backup(*store, away.filePath("none"), away.filePath("no/such/place")));
}

TEST(EverythingBackup, PartsThatItDoesNotKnowGoNowhere) {
    const QTemporaryDir dir;
    auto store = StashStore::open(dir.filePath("papers.stash"));
    ASSERT_TRUE(store && store->put(testing::five_papers()));
    ASSERT_TRUE(store->back_up(dir.filePath("copy")));
    const QByteArray stash = *read_file(dir.filePath("copy"));
    ASSERT_TRUE(QDir(dir.path()).mkdir("there"));
    const QString file = dir.filePath("there/all.zestybackup");
    ASSERT_TRUE(
        write_file(file, archive_of({{"stash", stash}, {"../outside", "kite"}, {"/tmp/kite", "kite"}})));
    const QStringList before = files_in(dir);
    const auto read = read_backup(file);
    ASSERT_TRUE(read) << read.error().message;
    EXPECT_EQ(read->stash, *store->read());
    EXPECT_EQ(files_in(dir), before);
    // A part that nothing is said of, one that is said twice over, and none at all.
    for (const QByteArray& bad :
         {*packed({{"stash", stash}, {"backup.json", R"({"format": "zesty-backup/1"})"}}),
          *packed({{"stash", stash}}), archive_of({{"numbers.json", "{}"}}),
          archive_of({{"stash", stash}, {"stash", stash}})}) {
        ASSERT_TRUE(write_file(file, bad));
        const auto refused = read_backup(file);
        ASSERT_FALSE(refused);
        EXPECT_EQ(refused.error().message.find('\n'), std::string::npos) << refused.error().message;
    }
    ASSERT_TRUE(
        write_file(file, *packed({{"stash", stash}, {"backup.json", R"({"format": "zesty-backup/9"})"}})));
    EXPECT_EQ(read_backup(file).error().kind, ErrorKind::NewerFormat);
}

} // namespace zesty
