// The printed guide of the dressed demo, read by poppler.

#include "core/project/planner.h"
#include "io/guide/guide_pdf.h"
#include "io/paint/fonts.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>

namespace zesty {

namespace {

QByteArray poppler(const QString& program, const QStringList& arguments) {
    QProcess process;
    process.start(program, arguments);
    EXPECT_TRUE(process.waitForFinished(patience_ms)) << program.toStdString();
    return process.readAllStandardOutput();
}

/// The first page on which these words stand; 0 for none.
int page_saying(const QString& pdf, const char* words) {
    for (int page = 1; page < 40; ++page) {
        const QString n = QString::number(page);
        const QByteArray text = poppler("pdftotext", {"-f", n, "-l", n, pdf, "-"});
        if (text.isEmpty()) return 0;
        if (text.simplified().contains(words)) return page;
    }
    return 0;
}

} // namespace

TEST(DressedGuide, SaysWhatTheDressedPageNeedsAndPrintsItsLines) {
    load_fonts();
    const auto project = open_project(demo::file("kite-hill-dressed.zesty"));
    ASSERT_TRUE(project);
    const auto plan = Planner(testing::laid_before()).plan(*project);
    ASSERT_TRUE(plan);
    QTemporaryDir dir;
    const QString path = dir.filePath("guide.pdf");
    QFile f(path);
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write(guide_pdf(*project, *plan, PrinterPaper::A4));
    f.close();
    EXPECT_GT(page_saying(path, "Photo mat 1 of Kite day: cut 6 1/8 x 4 1/8 in of Straw Card"), 0);
    EXPECT_GT(page_saying(path, "out of its middle"), 0) << "the gutted mat";
    EXPECT_GT(page_saying(path, "Title \"Windy uphill\" in Cork"), 0);
    EXPECT_GT(page_saying(path, "1 Red bow"), 0);
    const int lines = page_saying(path, "Kite Hill: journaling");
    ASSERT_GT(lines, 0);
    // The rim of the room, measured on the paper.
    const QString base = dir.filePath("lines");
    poppler("pdftoppm", {"-r", "200", "-f", QString::number(lines), "-l", QString::number(lines),
                         "-singlefile", "-png", "-gray", path, base});
    const QImage image = QImage(base + ".png").convertToFormat(QImage::Format_Grayscale8);
    const Writing& room = plan->dress.placed.at(0);
    int widest = 0;
    for (int y = 0; y < image.height() * 8 / 10; ++y) {
        int from = -1;
        int to = -1;
        for (int x = 0; x < image.width(); ++x)
            if (qGray(image.pixel(x, y)) < 200) {
                if (from < 0) from = x;
                to = x;
            }
        int dark = 0;
        for (int x = std::max(from, 0); x < to; ++x) dark += qGray(image.pixel(x, y)) < 235 ? 1 : 0;
        if (dark > 0.8 * (to - from)) widest = std::max(widest, to - from);
    }
    EXPECT_NEAR(widest * 25.4 / 200, room.width, 1.0) << "its lines are at true scale";
}

} // namespace zesty
