// Programs killed while they write, disks without room and folders that are none: never less than was saved
// last, and never half a file.

#include "io/project_file.h"
#include "io/read_file.h"
#include "io/recovery.h"
#include "support/demo.h"
#include "support/file_size_limit.h"
#include "support/patience.h"

#include <QDir>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

/// ZESTY_LONG=N kills so often where that is more.
int kills_of_each() {
    return std::max(50, qEnvironmentVariableIntValue("ZESTY_LONG"));
}

/// The demo without its pictures, which take most of the time to read.
QString light_page(const QTemporaryDir& dir) {
    const QString path = dir.filePath("light.zesty");
    auto page = open_project(demo::project());
    EXPECT_TRUE(page);
    page->stash = nullptr;
    page->match = {};
    page->set_out.photos.clear();
    EXPECT_TRUE(save_project(*page, path));
    return path;
}

/// Starts the writer, kills it at some moment after its first word; what it last said it had written, from 1.
int killed(const char* how, const QString& page, const QString& target, std::mt19937& random) {
    QProcess writer;
    writer.start(ZESTY_PAGE_WRITER, {how, page, target});
    EXPECT_TRUE(writer.waitForReadyRead(patience_ms)) << writer.readAllStandardError().toStdString();
    writer.waitForFinished(static_cast<int>(random() % 60)); // it never ends by itself
    EXPECT_EQ(writer.state(), QProcess::Running);
    writer.kill();
    writer.waitForFinished(patience_ms);
    const QList<QByteArray> said = writer.readAllStandardOutput().split('\n');
    return said.size() < 2 ? 0 : said[said.size() - 2].toInt();
}

int number_of(const Project& page) {
    return std::stoi(page.title.substr(5));
}

} // namespace

TEST(Killed, WhileSavingThePageIsAsItWasSavedLast) {
    QTemporaryDir dir;
    const QString path = dir.filePath("kite.zesty");
    const QString light = light_page(dir);
    std::mt19937 random(4);
    for (int kill = 0; kill < kills_of_each(); ++kill) {
        const int last = killed("save", light, path, random);
        const auto page = open_project(path);
        ASSERT_TRUE(page) << page.error().message;
        EXPECT_GE(number_of(*page), last);
        EXPECT_LE(number_of(*page), last + 1);
    }
}

TEST(Killed, WhileKeepingWorkInHandItIsOfferedAtTheNextStart) {
    QTemporaryDir dir;
    QTemporaryDir pages;
    const QString light = light_page(pages);
    std::mt19937 random(5);
    for (int kill = 0; kill < kills_of_each(); ++kill) {
        const int last = killed("autosave", light, dir.path(), random);
        const auto left = left_work(dir.path());
        ASSERT_EQ(left.size(), 1u) << "one for each window that died";
        EXPECT_EQ(left[0].path, "kite.zesty");
        EXPECT_FALSE(left[0].page.isNull());
        const auto page = open_left_work(dir.path(), left[0].id);
        ASSERT_TRUE(page) << page.error().message;
        EXPECT_GE(number_of(*page), last);
        throw_away_left_work(dir.path(), left[0].id);
        EXPECT_TRUE(left_work(dir.path()).empty());
    }
}

TEST(Killed, WhileExportingEveryFileIsWhole) {
    QTemporaryDir dir;
    const QString light = light_page(dir);
    std::mt19937 random(6);
    for (int kill = 0; kill < kills_of_each(); ++kill) {
        const QString folder = dir.filePath("guide");
        killed("export", light, folder, random);
        const QDir written(folder);
        const QStringList files = written.entryList(QDir::Files);
        EXPECT_GE(files.size(), 2) << "the first export was said to be done";
        for (const QString& name : files) {
            const auto data = read_file(written.filePath(name));
            ASSERT_TRUE(data);
            const bool whole = name.endsWith(".pdf")   ? data->trimmed().endsWith("%%EOF")
                               : name.endsWith(".svg") ? data->trimmed().endsWith("</svg>")
                               : name.endsWith(".dxf") ? data->trimmed().endsWith("EOF")
                               : name.endsWith(".plt") ? data->trimmed().endsWith("PU;SP0;")
                                                       : !QImage::fromData(*data).isNull();
            EXPECT_TRUE(whole) << name.toStdString();
        }
    }
}

TEST(Killed, AWindowThatLivesKeepsItsWorkToItself) {
    QTemporaryDir dir;
    const auto page = open_project(demo::project());
    ASSERT_TRUE(page);
    Autosave mine(dir.path());
    Autosave yours(dir.path());
    ASSERT_TRUE(mine.keep(*page, {}, {}));
    ASSERT_TRUE(yours.keep(*page, "kite.zesty", {}));
    EXPECT_TRUE(left_work(dir.path()).empty()) << "both are held";
    mine.forget();
    EXPECT_EQ(QDir(dir.path()).entryList({"*.zesty"}).size(), 1) << "only its own is gone";
}

TEST(Killed, ADamagedEntryHarmsNothing) {
    QTemporaryDir dir;
    ASSERT_TRUE(write_file(dir.filePath("a.zesty"), "no project"));
    ASSERT_TRUE(write_file(dir.filePath("b.zesty"), "no project"));
    ASSERT_TRUE(write_file(dir.filePath("b.json"), "[[[["));
    ASSERT_TRUE(write_file(dir.filePath("c.zesty"), "no project"));
    ASSERT_TRUE(write_file(dir.filePath("c.json"), R"({"title":7})"));
    const auto left = left_work(dir.path());
    ASSERT_EQ(left.size(), 1u);
    const auto opened = open_left_work(dir.path(), left[0].id);
    ASSERT_FALSE(opened);
    EXPECT_EQ(opened.error().kind, ErrorKind::BadInput);
}

TEST(NoRoom, NothingOldIsLostWhereNothingNewCanBeWritten) {
    QTemporaryDir dir;
    const QString path = dir.filePath("kite.zesty");
    auto page = open_project(demo::project());
    ASSERT_TRUE(page);
    ASSERT_TRUE(save_project(*page, path));
    const auto before = read_file(path);
    page->title = "another";
    {
        const FileSizeLimit full(20'000);
        const auto saved = save_project(*page, path);
        ASSERT_FALSE(saved);
        EXPECT_NE(saved.error().message.find("space"), std::string::npos) << saved.error().message;
        Autosave autosave(dir.filePath("recovery"));
        EXPECT_FALSE(autosave.keep(*page, path, {}));
    }
    EXPECT_EQ(*read_file(path), *before);
    EXPECT_EQ(QDir(dir.path()).entryList(QDir::Files).size(), 1) << "no half file beside it";
    for (const char* nowhere :
         {"/proc/nowhere/kite.zesty", "/proc/kite.zesty", "/dev/null", "/nonexistent/home/kite.zesty"}) {
        const auto saved = save_project(*page, nowhere);
        ASSERT_FALSE(saved) << nowhere;
        EXPECT_EQ(saved.error().kind, ErrorKind::Unwritable);
    }
    Autosave homeless("/proc/nowhere/recovery");
    EXPECT_FALSE(homeless.keep(*page, path, {}));
    EXPECT_TRUE(left_work("/proc/nowhere/recovery").empty());
}

TEST(ChangedOutside, IsNoticedBeforeTheFileIsReplaced) {
    QTemporaryDir dir;
    const QString path = dir.filePath("kite.zesty");
    auto page = open_project(demo::project());
    ASSERT_TRUE(page);
    ASSERT_TRUE(save_project(*page, path));
    const FileStamp opened = stamp_of(path);
    Project theirs = *page;
    theirs.title = "theirs";
    ASSERT_TRUE(save_project(theirs, path));
    page->title = "mine";
    const auto refused = save_project_over(*page, path, opened);
    ASSERT_FALSE(refused);
    EXPECT_EQ(refused.error().kind, ErrorKind::ChangedOutside);
    EXPECT_EQ(open_project(path)->title, "theirs");
    const auto saved = save_project_over(*page, path, stamp_of(path));
    ASSERT_TRUE(saved);
    EXPECT_EQ(*saved, stamp_of(path));
    ASSERT_TRUE(QFile::remove(path));
    EXPECT_FALSE(save_project_over(*page, path, *saved)) << "removed is changed, too";
    EXPECT_TRUE(save_project_over(*page, path, {}));
}

} // namespace zesty
