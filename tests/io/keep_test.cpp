// Records in the stash, written out, and backups that are whole or refused.

#include "core/project/again.h"
#include "core/project/edits.h"
#include "core/project/page_record_of.h"
#include "core/project/planner.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/sharing.h"
#include "io/backup.h"
#include "io/drawing_import.h"
#include "io/own_numbers_file.h"
#include "io/page_record.h"
#include "io/project_file.h"
#include "io/read_file.h"
#include "io/records_out.h"
#include "io/svg/svg_reader.h"
#include "support/demo.h"
#include "support/file_size_limit.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <QDir>
#include <QImage>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

using nlohmann::json;

namespace {

constexpr const char* four_panes =
    "<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' viewBox='0 0 90 90'><path "
    "fill-rule='evenodd' "
    "d='M0 0H90V90H0Z M6 6H42V42H6Z M48 6H84V42H48Z M6 48H42V84H6Z M48 48H84V84H48Z'/></svg>";
constexpr const char* two_panes = "<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' "
                                  "viewBox='0 0 90 90'><path fill-rule='evenodd' "
                                  "d='M0 0H90V90H0Z M6 6H42V84H6Z M48 6H84V84H48Z'/></svg>";

Project page_of(const char* svg) {
    Project page;
    const auto drawing = read_svg(svg);
    EXPECT_TRUE(drawing);
    set_only_cut(page, std::make_shared<const DrawingFile>(DrawingFile{"kite.svg", svg, *drawing}));
    page.stash = std::make_shared<const Stash>(testing::five_papers());
    return page;
}

struct Kept {
    QTemporaryDir dir;
    std::unique_ptr<StashStore> store;
    Project before;
    FinishedPage made;
};

/// A small page, finished against a stash of its own.
Kept kept_page() {
    Kept out;
    Project page = page_of(four_panes);
    page.title = "Kite Hill";
    page.keep.notes.story = "First wind of the autumn.\nThe red one got <away>.";
    page.keep.notes.tags = {"wind", "grandma, too"};
    Stash papers = stash_at_hand(page);
    for (Paper& p : papers.papers) p.in_stash = true;
    auto store = StashStore::open(out.dir.filePath("s.stash"));
    EXPECT_TRUE(store);
    EXPECT_TRUE(store->put(papers));
    page.stash = std::make_shared<const Stash>(joined(Stash{}, *store->read(), {}));
    Planner planner(testing::laid_before());
    const auto papers_for = planner.propose(page, true);
    EXPECT_TRUE(papers_for);
    page = with_papers(page, testing::shapes_of(page), *papers_for);
    const auto plan = planner.plan(page);
    EXPECT_TRUE(plan);
    auto made = finished_page(page, *plan, FinishWhat::Everything, "2026-11-28", "/kites/hill.zesty");
    EXPECT_TRUE(made);
    out.before = page;
    out.made = std::move(*made);
    out.store = std::make_unique<StashStore>(std::move(*store));
    return out;
}

Result<void> take(Kept& kept) {
    return kept.store->change(
        [&](const Stash& now) -> Result<Stash> {
            return carried_over(living_part(stash_at_hand(kept.before)),
                                living_part(stash_at_hand(kept.made.project)), now);
        },
        kept.made.files);
}

} // namespace

TEST(KeptRecord, GoesIntoTheStashWithItsFilesAndComesOutTheSame) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    const auto stash = kept.store->read();
    ASSERT_TRUE(stash);
    ASSERT_EQ(stash->records.size(), 1u);
    PageRecord there = stash->records[0];
    PageRecord made = stash_at_hand(kept.made.project).records.at(0);
    there.in_stash = made.in_stash = false;
    EXPECT_EQ(there, made);
    EXPECT_EQ(there.id, "kite-hill");
    EXPECT_EQ(there.finished, "2026-11-28");
    const auto picture = kept.store->file(there.picture);
    ASSERT_TRUE(picture);
    EXPECT_FALSE(QImage::fromData(QByteArray::fromStdString(*picture)).isNull());
    const auto page = remembered_page(*kept.store, there);
    ASSERT_TRUE(page) << page.error().message;
    EXPECT_EQ(page->keep.taken, kept.made.project.keep.taken);
    EXPECT_EQ(page->set_out.cuts, kept.before.set_out.cuts);
}

TEST(KeptRecord, APageThatIsFinishedIsSavedAndOpensAgain) {
    Kept kept = kept_page();
    const QString file = kept.dir.filePath("hill.zesty");
    ASSERT_TRUE(save_project(kept.made.project, file));
    const auto again = open_project(file);
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_EQ(again->keep, kept.made.project.keep);
    EXPECT_TRUE(again->stash->records.empty()) << "records stay in the stash";
}

TEST(KeptRecord, APageBegunFromOneWithALongTitleIsSavedAndOpensToo) {
    Project page = page_of(four_panes);
    page.title = "K";
    for (int i = 0; i < 150; ++i)
        page.title += "\u00e4"; // every byte at which it may be cut but the first is within one
    const auto drawing = import_drawing(four_panes, page.title + ".svg", {});
    ASSERT_TRUE(drawing);
    Planner planner;
    const auto papers = other_papers(page, planner);
    const auto cut = other_cut(page, *drawing, planner);
    ASSERT_TRUE(papers && cut);
    const QTemporaryDir dir;
    for (const Project& begun : {papers->project, cut->project}) {
        const auto saved = save_project(begun, dir.filePath("again.zesty"));
        ASSERT_TRUE(saved) << saved.error().message;
        const auto there = open_project(dir.filePath("again.zesty"));
        ASSERT_TRUE(there) << there.error().message;
        EXPECT_EQ(there->title, begun.title);
    }
}

TEST(KeptRecord, APageThatWasNotSavedCatchesUpWithItsRecordAndAnotherPageDoesNot) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    const auto open_with_stash = [&](Project page) {
        page.stash = std::make_shared<const Stash>(joined(stash_at_hand(page), *kept.store->read(), {}));
        return page;
    };
    Project page = open_with_stash(kept.before);
    ASSERT_TRUE(catch_up_with_record(page, "/kites/hill.zesty", *kept.store));
    EXPECT_EQ(page.keep.taken, kept.made.project.keep.taken);
    EXPECT_EQ(page.keep.record, kept.made.project.keep.record);
    Project elsewhere = open_with_stash(kept.before);
    ASSERT_TRUE(catch_up_with_record(elsewhere, "/kites/other.zesty", *kept.store));
    EXPECT_TRUE(elsewhere.keep.taken.empty());
    Project other = open_with_stash(page_of(two_panes));
    ASSERT_TRUE(catch_up_with_record(other, "/kites/hill.zesty", *kept.store));
    EXPECT_TRUE(other.keep.taken.empty()) << "the file has become another page";
}

TEST(KeptRecord, NothingIsTakenWhereTheDiskIsFull) {
    Kept kept = kept_page();
    const auto before = kept.store->read();
    {
        const FileSizeLimit full(4096);
        EXPECT_FALSE(take(kept));
    }
    EXPECT_EQ(*kept.store->read(), *before);
    ASSERT_TRUE(take(kept)) << "and once there is room, it is";
}

TEST(KeptRecord, FilesThatNoRecordNamesAreForgottenOnceTheyAreOld) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    ASSERT_TRUE(kept.store->change([](Stash now) -> Result<Stash> {
        now.records.clear();
        return now;
    }));
    ASSERT_TRUE(kept.store->forget_files("2000-01-01"));
    EXPECT_EQ(kept.store->files()->size(), 2u) << "a step that was undone may be redone";
    ASSERT_TRUE(kept.store->forget_files("9999-01-01"));
    EXPECT_TRUE(kept.store->files()->empty());
}

TEST(RecordsOut, HtmlNeedsNothingElseAndSaysNothingThatIsTakenForATag) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    const QByteArray html =
        records_html(kept.store->read()->records, Units::Inches,
                     [&](const std::string& name) { return kept.store->file(name).value_or(""); });
    EXPECT_TRUE(html.contains("The red one got &lt;away&gt;."));
    EXPECT_TRUE(html.contains("data:image/png;base64,"));
    EXPECT_FALSE(html.contains("http:"));
    EXPECT_FALSE(html.contains("https:"));
    EXPECT_FALSE(html.contains("<script"));
    EXPECT_EQ(html.count("<article>"), html.count("</article>"));
}

TEST(RecordsOut, TableAndJsonHaveALineForEachPaperAndEverythingThatWasSaid) {
    Kept kept = kept_page();
    const auto& records = stash_at_hand(kept.made.project).records;
    const std::string csv = records_csv(records);
    EXPECT_NE(csv.find("\"wind; grandma, too\""), std::string::npos);
    std::size_t quotes = 0, lines = 0;
    for (const char c : csv) {
        if (c == '"') ++quotes;
        if (c == '\n' && quotes % 2 == 0) ++lines;
    }
    EXPECT_EQ(lines, 1 + records[0].facts->papers.size());
    const json all = records_json(records);
    EXPECT_EQ(all["format"], "zesty-records/1");
    EXPECT_EQ(all["records"][0]["notes"]["story"], kept.before.keep.notes.story);
    EXPECT_FALSE(all["records"][0].contains("picture_base64"));
}

TEST(RecordsOut, ReadsTheLicenceOfADrawing) {
    EXPECT_EQ(licence_in("<svg><metadata><rdf:RDF xmlns:rdf='r' xmlns:dc='d'><dc:rights>For your own\n pages"
                         "</dc:rights></rdf:RDF></metadata></svg>"),
              "For your own pages");
    EXPECT_EQ(licence_in("<svg><path d='M0 0'/></svg>"), "");
    EXPECT_EQ(licence_in("no drawing"), "");
}

TEST(EverythingBackup, ComesBackIdenticalWithRecordsFilesAndNumbers) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    OwnNumbers own;
    own.minutes.trimming = 11;
    const QString numbers = kept.dir.filePath("numbers.json");
    ASSERT_TRUE(write_own_numbers(own, numbers));
    const QString file = kept.dir.filePath("all.zestybackup");
    ASSERT_TRUE(write_backup(*kept.store, numbers, file));
    const auto backup = read_backup(file);
    ASSERT_TRUE(backup) << backup.error().message;
    EXPECT_EQ(backup->stash, *kept.store->read());
    EXPECT_EQ(backup->numbers, own);
    ASSERT_EQ(backup->files.size(), 2u);
    auto other = StashStore::open(kept.dir.filePath("other.stash"));
    ASSERT_TRUE(other);
    ASSERT_TRUE(other->put(testing::five_papers()));
    ASSERT_TRUE(other->restore(backup->database));
    EXPECT_EQ(*other->read(), *kept.store->read());
    for (const auto& [name, bytes] : backup->files) EXPECT_EQ(*other->file(name), *bytes);
}

TEST(EverythingBackup, ADamagedOneIsRefusedWhereverTheDamageIs) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    const QString file = kept.dir.filePath("all.zestybackup");
    ASSERT_TRUE(write_backup(*kept.store, kept.dir.filePath("none"), file));
    const QByteArray whole = *read_file(file, 1 << 30);
    const QString bad = kept.dir.filePath("bad.zestybackup");
    std::mt19937 random(5);
    int refused = 0;
    const int damages = testing::rounds(40);
    for (int i = 0; i < damages; ++i) {
        QByteArray bytes = whole;
        const auto at = static_cast<qsizetype>(random() % static_cast<unsigned>(bytes.size()));
        bytes[at] = static_cast<char>(bytes[at] ^ 0x55);
        ASSERT_TRUE(write_file(bad, bytes));
        const auto read = read_backup(bad);
        // Bytes that say nothing (a time, a version of the packer) may differ; what is read is whole then.
        if (!read)
            ++refused;
        else
            EXPECT_EQ(read->stash, *kept.store->read()) << "byte " << at;
    }
    EXPECT_GT(refused, damages * 3 / 4);
    for (const qsizetype size : {qsizetype(0), qsizetype(10), whole.size() / 2, whole.size() - 5}) {
        ASSERT_TRUE(write_file(bad, whole.left(size)));
        const auto read = read_backup(bad);
        ASSERT_FALSE(read);
        EXPECT_EQ(read.error().message.find('\n'), std::string::npos);
    }
    EXPECT_FALSE(read_backup(demo::drawing()));
}

TEST(EverythingBackup, ADiskThatFillsUpIsSaidOfTheBackupAndTheOlderOneStays) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    const QString file = kept.dir.filePath("all.zestybackup");
    ASSERT_TRUE(write_backup(*kept.store, kept.dir.filePath("none"), file));
    const auto whole = read_file(file, 1 << 30);
    for (const rlim_t room : {rlim_t(4096), rlim_t(40'000)}) {
        const FileSizeLimit full(room);
        const auto written = write_backup(*kept.store, kept.dir.filePath("none"), file);
        ASSERT_FALSE(written);
        EXPECT_EQ(written.error().message.find(file.toStdString()), 0u) << written.error().message;
    }
    EXPECT_EQ(*read_file(file, 1 << 30), *whole);
    EXPECT_TRUE(read_backup(file));
    EXPECT_EQ(QDir(kept.dir.path()).entryList({".zesty*"}, QDir::AllEntries | QDir::Hidden).size(), 0);
}

TEST(EverythingBackup, OneOfAnOlderVersionIsADatabaseAndStillOpens) {
    Kept kept = kept_page();
    ASSERT_TRUE(take(kept));
    const QString file = kept.dir.filePath("old.stash");
    ASSERT_TRUE(kept.store->back_up(file));
    const auto backup = read_backup(file);
    ASSERT_TRUE(backup) << backup.error().message;
    EXPECT_EQ(backup->stash, *kept.store->read());
    EXPECT_FALSE(backup->numbers);
}

} // namespace zesty
