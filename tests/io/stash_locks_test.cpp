// One stash, several who have it open: what others write is noticed, and nobody writes during a change.

#include "io/stash_json.h"
#include "io/stash_store.h"
#include "support/demo.h"

#include <QTemporaryDir>
#include <fcntl.h>
#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

namespace zesty {

namespace {

/// Whether somebody holds the right to write (SQLite's reserved byte), as another process sees it.
bool is_being_written(const QString& path) {
    const pid_t child = fork();
    if (child == 0) {
        const int file = ::open(path.toUtf8().constData(), O_RDWR);
        struct flock lock {};
        lock.l_type = F_WRLCK;
        lock.l_whence = SEEK_SET;
        lock.l_start = 0x40000001;
        lock.l_len = 1;
        _exit(file >= 0 && fcntl(file, F_GETLK, &lock) == 0 && lock.l_type != F_UNLCK ? 1 : 0);
    }
    int status = 0;
    waitpid(child, &status, 0);
    return WIFEXITED(status) && WEXITSTATUS(status) == 1;
}

} // namespace

TEST(StashLocks, AStampTellsThatSomebodyElseHasWritten) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    EXPECT_EQ(stash_file(path), 0u);
    auto mine = StashStore::open(path);
    auto yours = StashStore::open(path);
    ASSERT_TRUE(mine && yours && mine->put(*read_stash(demo::stash())));
    EXPECT_NE(stash_file(path), 0u);
    const StashStamp before = mine->stamp();
    EXPECT_EQ(mine->stamp(), before);
    ASSERT_TRUE(yours->remove("barley"));
    const StashStamp after = mine->stamp();
    EXPECT_FALSE(after == before);
    EXPECT_EQ(mine->read()->find("barley"), -1);
    EXPECT_EQ(mine->stamp(), after) << "reading changes nothing";
    ASSERT_TRUE(mine->remove("hedge-stripe"));
    EXPECT_FALSE(mine->stamp() == after) << "what it has written itself is a change, too";
}

TEST(StashLocks, NobodyElseWritesWhileItIsLookedAtDuringAChange) {
    QTemporaryDir dir;
    const QString path = dir.filePath("papers.stash");
    auto mine = StashStore::open(path);
    auto yours = StashStore::open(path);
    ASSERT_TRUE(mine && yours && mine->put(*read_stash(demo::stash())));
    EXPECT_FALSE(is_being_written(path));
    ASSERT_TRUE(mine->change([&](const Stash& now) -> Result<Stash> {
        EXPECT_TRUE(is_being_written(path));
        EXPECT_NE(stash_file(path), 0u);
        (void)yours->stamp();
        EXPECT_TRUE(StashStore::open(path)) << "as the window does to reserve paper for a page";
        EXPECT_TRUE(is_being_written(path)) << "the change goes on under its lock";
        return now;
    }));
    EXPECT_FALSE(is_being_written(path));
}

} // namespace zesty
