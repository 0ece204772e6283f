// Which part of a sheet is printed where.

#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "io/guide/export_all.h"
#include "io/guide/guide_pdf.h"
#include "io/paint/fonts.h"
#include "io/project_file.h"
#include "io/svg/svg_reader.h"
#include "support/demo.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>

namespace zesty {

TEST(Guide, TilesCoverTheSheetAndLeaveOutEmptyOnes) {
    const Tiling t = tiles_of({0, 0, 304.8, 304.8}, {{10, 10, 40, 40}, {250, 200, 300, 300}}, 180, 200);
    EXPECT_EQ(t.columns, 2);
    EXPECT_EQ(t.rows, 2);
    ASSERT_EQ(t.tiles.size(), 2u);
    for (const Tile& tile : t.tiles) {
        EXPECT_LE(tile.part.width(), 180);
        EXPECT_LE(tile.part.height(), 200);
    }
    EXPECT_EQ(tiles_of({5, 5, 105, 105}, {{10, 10, 20, 20}}, 180, 200).tiles.size(), 1u);
}

TEST(Guide, TracingPagesAndOutlinesExistBeforeAnyPaperIsEntered) {
    load_fonts();
    Project project = *open_project(demo::project());
    project.stash = {};
    project.match = {};
    project.sections.backing.method = BackingMethod::TraceAndTrim;
    const auto plan = Planner(testing::laid_before()).plan(project);
    ASSERT_TRUE(plan);
    ASSERT_TRUE(plan->sheets.used.empty());
    QTemporaryDir dir;
    ASSERT_TRUE(export_all(project, *plan, PrinterPaper::A4, dir.path(), all_chapters));
    QProcess pdftotext;
    pdftotext.start("pdftotext", {dir.filePath("guide.pdf"), "-"});
    ASSERT_TRUE(pdftotext.waitForFinished(patience_ms));
    const QByteArray whole = pdftotext.readAllStandardOutput();
    ASSERT_TRUE(whole.contains("Mirrored for tracing"));
    const QByteArray text = whole.mid(whole.indexOf("Mirrored for tracing"));
    for (const Patch& p : plan->sections.patches)
        EXPECT_TRUE(text.contains(QByteArray::number(p.opening + 1))) << p.opening + 1;
    QFile svg(dir.filePath("patches-without-paper.svg"));
    ASSERT_TRUE(svg.open(QIODevice::ReadOnly));
    const auto read = read_svg(svg.readAll());
    ASSERT_TRUE(read) << read.error().message;
    const auto cut = read_cut(*read);
    ASSERT_TRUE(cut);
    EXPECT_EQ(cut->pieces.size(), plan->sections.patches.size()) << "apart from each other";
    double wanted = 0, there = 0;
    for (const Patch& p : plan->sections.patches) wanted += area(p.on_sheet());
    for (const Piece& p : cut->pieces) there += p.area;
    EXPECT_NEAR(there, wanted, 1e-3 * wanted);
}

} // namespace zesty
