// Pictures of the stash: read from its database when somebody looks, and there for whoever undoes.

#include "io/stash_json.h"
#include "io/stash_store.h"
#include "support/demo.h"

#include <QDate>
#include <QFile>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <sqlite3.h>

namespace zesty {

namespace {

Stash papers_of_the_demo() {
    return *read_stash(demo::stash());
}

void change_by_hand(const QString& path, const char* sql) {
    sqlite3* db = nullptr;
    ASSERT_EQ(sqlite3_open(path.toUtf8().constData(), &db), SQLITE_OK);
    EXPECT_EQ(sqlite3_exec(db, sql, nullptr, nullptr, nullptr), SQLITE_OK);
    sqlite3_close(db);
}

} // namespace

TEST(StashPictures, PicturesAreReadWhenTheyAreWantedAndStayForWhoeverUndoes) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    const Stash demo = papers_of_the_demo();
    auto mine = StashStore::open(path);
    auto yours = StashStore::open(path);
    ASSERT_TRUE(mine && yours && mine->put(demo));
    const Stash before = *mine->read();
    const std::string picture = before.papers[0].picture;
    EXPECT_FALSE(before.pictures.at(picture).key().empty());
    EXPECT_EQ(*before.pictures.at(picture).get(), *demo.pictures.at(picture).get());
    EXPECT_TRUE(mine->read()->pictures.at(picture).identity() == before.pictures.at(picture).identity())
        << "what has been made of it is of use still";
    // Somebody else takes the paper out, and I undo that.
    ASSERT_TRUE(yours->remove(before.papers[0].id));
    EXPECT_FALSE(mine->read()->pictures.contains(picture));
    ASSERT_TRUE(mine->change([&](const Stash&) -> Result<Stash> { return before; }));
    EXPECT_EQ(mine->read()->papers.size(), before.papers.size());
    EXPECT_TRUE(mine->read()->pictures == before.pictures);
    // What nobody has named for long is let go of; what papers name never is.
    const std::string tomorrow = QDate::currentDate().addDays(1).toString(Qt::ISODate).toStdString();
    ASSERT_TRUE(mine->forget_files(tomorrow));
    EXPECT_TRUE(before.pictures.at(picture).get());
    const PictureBytes& held = before.pictures.at(before.papers[1].picture);
    ASSERT_TRUE(held.hold());
    ASSERT_TRUE(yours->remove(before.papers[0].id) && yours->remove(before.papers[1].id));
    ASSERT_TRUE(mine->forget_files(tomorrow));
    EXPECT_EQ(before.pictures.at(picture).get(), nullptr);
    EXPECT_FALSE(mine->change([&](const Stash&) -> Result<Stash> { return before; })) << "said, not guessed";
    EXPECT_EQ(*held.get(), *demo.pictures.at(before.papers[1].picture).get()) << "held in memory";
}

TEST(StashPictures, AFileThatIsNotWhatItsNameSaysIsNoPictureAndNoBackup) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    auto store = StashStore::open(path);
    ASSERT_TRUE(store && store->put(papers_of_the_demo()));
    const Stash now = *store->read();
    change_by_hand(path, "UPDATE files SET bytes = CAST(substr(bytes, 1, length(bytes) - 1) || 'x' AS BLOB)");
    EXPECT_EQ(now.pictures.begin()->second.get(), nullptr);
    EXPECT_FALSE(hold_pictures(*read_stash(path), "x")) << "who needs all of it is told";
    EXPECT_FALSE(store->back_up(dir.filePath("backup.stash")));
    EXPECT_FALSE(QFile::exists(dir.filePath("backup.stash")));
}

} // namespace zesty
