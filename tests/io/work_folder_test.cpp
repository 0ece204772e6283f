// Folders for work in hand, of those who finish and of those who are killed.

#include "io/read_file.h"
#include "io/work_folder.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

namespace zesty {

namespace {

QStringList in(const QTemporaryDir& place) {
    return QDir(place.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot);
}

/// A program that makes a folder, writes into it and dies there.
void die_with_a_folder(const QTemporaryDir& place) {
    const pid_t child = ::fork();
    ASSERT_GE(child, 0);
    if (child == 0) {
        const auto folder = folder_beside(place.filePath("kites.zestybackup"));
        const bool written = folder && write_file((*folder)->file("stash"), "half of it");
        ::_exit(written ? 0 : 1);
    }
    int status = 0;
    ASSERT_EQ(::waitpid(child, &status, 0), child);
    ASSERT_TRUE(WIFEXITED(status) && WEXITSTATUS(status) == 0);
}

} // namespace

TEST(WorkFolder, GoesWithItsOwnerAndItsFileStays) {
    const QTemporaryDir place;
    {
        const auto folder = folder_beside(place.filePath("kites.zestybackup"));
        ASSERT_TRUE(folder);
        ASSERT_TRUE(write_file((*folder)->file("archive"), "all of it"));
        ASSERT_TRUE(put_in_place((*folder)->file("archive"), place.filePath("kites.zestybackup")));
    }
    EXPECT_EQ(in(place), QStringList{"kites.zestybackup"});
}

TEST(WorkFolder, OfSomebodyWhoWasKilledIsClearedAwayByTheNextOneAlone) {
    const QTemporaryDir place;
    die_with_a_folder(place);
    ASSERT_EQ(in(place).size(), 1) << "left behind";
    ASSERT_TRUE(QDir(place.path()).mkdir(".zesty-kites1"));
    ASSERT_TRUE(write_file(place.filePath(".zesty-kites1/tail"), "somebody else's, never locked"));
    const auto held = folder_beside(place.filePath("kites.zestybackup"));
    ASSERT_TRUE(held);
    ASSERT_TRUE(write_file((*held)->file("stash"), "in hand"));
    EXPECT_EQ(in(place).size(), 2) << in(place).join(" ").toStdString();
    const auto next = folder_beside(place.filePath("kites.zestybackup"));
    ASSERT_TRUE(next);
    EXPECT_EQ(in(place).size(), 3) << "one that is in use stays";
    EXPECT_EQ(*read_file((*held)->file("stash")), "in hand");
}

TEST(WorkFolder, OfSomebodyWhoWasKilledWhileMakingItIsClearedAwayToo) {
    const QTemporaryDir place;
    ASSERT_TRUE(QDir(place.path()).mkdir(".zesty-kites1")) << "before it was locked";
    ASSERT_TRUE(QDir(place.path()).mkdir(".zesty-kites2"));
    const QString lock = place.filePath(".zesty-kites2/in-use");
    ASSERT_TRUE(write_file(lock, "")) << "before the lock said whose it is";
    QFile old(lock);
    ASSERT_TRUE(old.open(QIODevice::ReadWrite));
    ASSERT_TRUE(
        old.setFileTime(QDateTime::currentDateTime().addSecs(-60), QFileDevice::FileModificationTime));
    old.close();
    const auto folder = folder_beside(place.filePath("kites.zestybackup"));
    ASSERT_TRUE(folder);
    EXPECT_EQ(in(place).size(), 1) << in(place).join(" ").toStdString();
}

TEST(WorkFolder, IsRefusedWhereThereIsNoPlaceForIt) {
    const QTemporaryDir place;
    const auto none = WorkFolder::in(place.filePath("no such folder"), ".zesty-");
    ASSERT_FALSE(none);
    EXPECT_EQ(none.error().kind, ErrorKind::Unwritable);
    EXPECT_NE(none.error().message.find("no such folder"), std::string::npos);
}

} // namespace zesty
