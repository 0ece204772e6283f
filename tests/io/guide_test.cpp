// The guide and the cutting files, read back by programs that know nothing of us.

#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/later.h"
#include "core/project/planner.h"
#include "io/cutting_file.h"
#include "io/guide/export_all.h"
#include "io/guide/sheet_pages.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/fonts.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"
#include "io/svg/svg_reader.h"
#include "support/demo.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/patience.h"
#include "support/rounds.h"

#include <QFile>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <set>

namespace zesty {

namespace {

struct Planned {
    Project project;
    Plan plan;
};

const Planned& demo_plan() {
    static const Planned planned = [] {
        load_fonts();
        Project project = *open_project(demo::project());
        Planner planner(testing::laid_before());
        return Planned{project, *planner.plan(project)};
    }();
    return planned;
}

QByteArray run(const QString& program, const QStringList& arguments) {
    QProcess process;
    process.start(program, arguments);
    EXPECT_TRUE(process.waitForFinished(patience_ms)) << program.toStdString();
    EXPECT_EQ(process.exitCode(), 0) << program.toStdString() << ": "
                                     << process.readAllStandardError().toStdString();
    return process.readAllStandardOutput();
}

/// One page of a PDF as a picture at that many dots per inch.
QImage page_of(const QString& pdf, int page, int dpi, const QTemporaryDir& dir) {
    const QString base = dir.filePath(QString("p%1-%2").arg(page).arg(dpi));
    run("pdftoppm", {"-r", QString::number(dpi), "-f", QString::number(page), "-l", QString::number(page),
                     "-singlefile", "-png", "-gray", pdf, base});
    return QImage(base + ".png").convertToFormat(QImage::Format_Grayscale8);
}

/// Middles of the dark runs along a line of pixels.
std::vector<double> dark_runs(const QImage& image, bool across, int at, int from, int to) {
    std::vector<double> out;
    int start = -1;
    for (int i = from; i <= to; ++i) {
        const bool dark = i < to && qGray(across ? image.pixel(i, at) : image.pixel(at, i)) < 140;
        if (dark && start < 0) start = i;
        if (!dark && start >= 0) {
            out.push_back((start + i) / 2.0);
            start = -1;
        }
    }
    return out;
}

/// The first page on which these words stand; 0 for none.
int page_with(const QString& pdf, const char* words) {
    for (int page = 1; page < 100; ++page) {
        const QString n = QString::number(page);
        const QByteArray text = run("pdftotext", {"-f", n, "-l", n, pdf, "-"});
        if (text.isEmpty()) return 0;
        if (text.simplified().contains(words)) return page;
    }
    return 0;
}

} // namespace

TEST(Guide, CheckSquaresMeasureTrueOnEveryPageOfBothPapers) {
    LEFT_OUT_UNDER_SANITIZERS("it prints for minutes");
    QTemporaryDir dir;
    for (const auto& [paper, width, height] :
         {std::tuple(PrinterPaper::A4, 210.0, 297.0), std::tuple(PrinterPaper::Letter, 215.9, 279.4)}) {
        const QString path = dir.filePath("guide.pdf");
        QFile file(path);
        ASSERT_TRUE(file.open(QIODevice::WriteOnly));
        file.write(guide_pdf(demo_plan().project, demo_plan().plan, paper));
        file.close();
        const QByteArray info = run("pdfinfo", {path});
        const int pages = QRegularExpression("Pages:\\s+(\\d+)").match(info).captured(1).toInt();
        ASSERT_GT(pages, 4);
        EXPECT_LE(pages, 11) << "as few as hold it";
        for (int page : {2, pages}) {
            const QImage image = page_of(path, page, 300, dir);
            const double px = 300 / 25.4;
            EXPECT_NEAR(image.width(), width * px, 2);
            // A line through the lower part of the large square meets its two sides only.
            const int y = static_cast<int>((height - 10 - 3) * px);
            const auto sides = dark_runs(image, true, y, static_cast<int>((width - 70) * px), image.width());
            ASSERT_GE(sides.size(), 2u) << "page " << page;
            EXPECT_NEAR((sides.back() - sides.front()) / px, 50, 0.2);
            // A line through the small square meets its sides and the large square's right side.
            const int y1 = static_cast<int>((height - 60 + 20) * px);
            const auto inch = dark_runs(image, true, y1, static_cast<int>((width - 62) * px), image.width());
            ASSERT_EQ(inch.size(), 3u) << "page " << page;
            EXPECT_NEAR((inch[1] - inch[0]) / px, 25.4, 0.2);
        }
    }
}

TEST(Guide, PatchesAreAtTrueScaleAndMirroredOnesAreMirrored) {
    QTemporaryDir dir;
    const Plan& plan = demo_plan().plan;
    const QString path = dir.filePath("guide.pdf");
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(guide_pdf(demo_plan().project, plan, PrinterPaper::A4));
    file.close();
    // The room for sheets begins 10 mm from the left and 24 mm from the top.
    const auto pages = guide::sheet_pages(plan, false, 190, 297 - 20 - 14 - 54);
    const guide::PrintedPart& printed = pages.front().front();
    const UsedSheet& used = plan.sheets.used[static_cast<std::size_t>(printed.used)];
    const Box sheet = printed.part;
    const int page = page_with(path, "Seen from the good side");
    ASSERT_GT(page, 1);
    const QImage image = page_of(path, page, 400, dir);
    const double px = 400 / 25.4;
    const int patch = used.patches.front();
    const Polygon outline =
        transformed(plan.sections.patches[patch].outline, plan.sheets.placed[patch].to_sheet());
    const Box box = bounds(outline);
    // Where a horizontal line cuts the patch, left and right.
    int checked = 0;
    for (double share = 0.2; share < 0.9; share += 0.1) {
        const double y = box.y0 + share * box.height();
        std::vector<double> expected;
        const Ring& r = outline.outer;
        for (std::size_t i = 0; i < r.size(); ++i) {
            const Point a = r[i];
            const Point b = r[(i + 1) % r.size()];
            if ((a.y > y) != (b.y > y)) expected.push_back(a.x + (y - a.y) * (b.x - a.x) / (b.y - a.y));
        }
        std::sort(expected.begin(), expected.end());
        if (expected.size() != 2) continue;
        const int row = static_cast<int>(std::lround((24 + printed.at.y + y - sheet.y0) * px));
        const auto runs = dark_runs(image, true, row, 0, image.width());
        for (const double x : expected) {
            const double want = (10 + printed.at.x + x - sheet.x0) * px;
            const auto nearest = std::min_element(runs.begin(), runs.end(), [&](double p, double q) {
                return std::abs(p - want) < std::abs(q - want);
            });
            ASSERT_NE(nearest, runs.end());
            EXPECT_NEAR(*nearest / px, want / px, 0.2);
            ++checked;
        }
    }
    EXPECT_GT(checked, 5);
}

TEST(Guide, SaysWhatToPrepareAndWhichLoosePieceBelongsWhere) {
    QTemporaryDir dir;
    const QString path = dir.filePath("guide.pdf");
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(guide_pdf(demo_plan().project, demo_plan().plan, PrinterPaper::Letter));
    file.close();
    ASSERT_FALSE(demo_plan().plan.set_out.frame.to_cut.empty());
    const int prepare = page_with(path, "Gut the frame paper before gluing");
    EXPECT_EQ(prepare, page_with(path, ": trimming"));
    EXPECT_EQ(prepare, page_with(path, ": key")) << "below the key, where there is room";
    const auto& inserts = demo_plan().plan.sections.inserts;
    ASSERT_FALSE(inserts.empty());
    const QString line =
        QString("%1: opening %2").arg(QString::fromStdString(inserts[0].label)).arg(inserts[0].opening + 1);
    EXPECT_EQ(page_with(path, line.toUtf8()), page_with(path, ": loose pieces"));
}

TEST(Guide, TheMatCarriesTheLabelsOfLoosePieces) {
    const auto& [project, plan] = demo_plan();
    ASSERT_FALSE(plan.sections.inserts.empty());
    QTemporaryDir dir;
    const QString pdf = dir.filePath("guide.pdf");
    QFile f(pdf);
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write(guide_pdf(project, plan, PrinterPaper::A4));
    f.close();
    const int page = page_with(pdf, ": the cutting mat");
    ASSERT_GT(page, 0);
    const QString text =
        run("pdftotext", {"-f", QString::number(page), "-l", QString::number(page), pdf, "-"});
    for (const InsertLabel& l : plan.sections.inserts)
        EXPECT_TRUE(text.contains(QString::fromStdString(l.label))) << l.label;
    // The picture shows every label where its piece is: there it differs from a picture without labels.
    const auto mats = mats_of(project, plan);
    ASSERT_EQ(mats.size(), 1u);
    const auto& pieces = mats[0].layout.mats.at(0);
    const CuttingMat size{project.set_out.cutting_mat.width, project.set_out.cutting_mat.height};
    const QImage with = cutting_mat_picture(*plan.sections.cut, plan.sections.inserts, pieces, size, 1200);
    const QImage without = cutting_mat_picture(*plan.sections.cut, {}, pieces, size, 1200);
    for (const OnCuttingMat& p : pieces) {
        const auto label = std::find_if(plan.sections.inserts.begin(), plan.sections.inserts.end(),
                                        [&](const InsertLabel& l) { return l.piece == p.piece; });
        if (label == plan.sections.inserts.end()) continue;
        const Point at = p.to_cutting_mat(label->in_piece) * (1200 / size.width);
        EXPECT_NE(with.pixel(QPointF(at.x, at.y).toPoint()), without.pixel(QPointF(at.x, at.y).toPoint()));
    }
}

TEST(Guide, EverySheetIsPrintedOnceWithAllItsPatchesAndNoneOnAnother) {
    std::mt19937 random(19);
    for (int round = 0; round < testing::rounds(30); ++round) {
        const Plan& plan = demo_plan().plan;
        const double width = 120 + static_cast<double>(random() % 120);
        const double height = 150 + static_cast<double>(random() % 150);
        std::map<int, std::vector<guide::PrintedPart>> shown;
        std::set<int> alone;
        for (const guide::PrintedPage& page : guide::sheet_pages(plan, false, width, height))
            for (std::size_t i = 0; i < page.size(); ++i) {
                const auto box = [](const guide::PrintedPart& p) {
                    const double above = p.patch >= 0 ? 0 : guide::caption_room;
                    return Box{p.at.x, p.at.y - above, p.at.x + p.part.width(), p.at.y + p.part.height()};
                };
                EXPECT_TRUE((Box{-1e-6, -1e-6, width + 1e-6, height + 1e-6}).holds(box(page[i])));
                for (std::size_t k = 0; k < i; ++k) EXPECT_FALSE(box(page[i]).meets(box(page[k])));
                if (page[i].patch >= 0)
                    EXPECT_TRUE(alone.insert(page[i].patch).second);
                else
                    shown[page[i].used].push_back(page[i]);
            }
        EXPECT_EQ(alone.size(), plan.sheets.short_patches.size()) << "what found no sheet comes by itself";
        ASSERT_EQ(shown.size(), plan.sheets.used.size());
        for (const auto& [u, parts] : shown)
            for (int p : plan.sheets.used[static_cast<std::size_t>(u)].patches) {
                const Polygon patch =
                    transformed(plan.sections.patches[p].on_sheet(), plan.sheets.placed[p].to_sheet());
                for (const Point q : patch.outer)
                    EXPECT_TRUE(std::any_of(parts.begin(), parts.end(),
                                            [&](const guide::PrintedPart& part) {
                                                return part.part.grown(1e-6).holds({q.x, q.y, q.x, q.y});
                                            }))
                        << "patch " << p;
            }
        EXPECT_TRUE(guide::sheet_pages(plan, true, width, height).empty()) << "nothing is traced";
    }
}

TEST(Guide, TracingPagesComeForWhatIsTracedAndChaptersCanBeChosen) {
    Project project = demo_plan().project;
    project.sections.backing.method = BackingMethod::TraceAndTrim;
    const auto plan = Planner(testing::laid_before()).plan(project);
    ASSERT_TRUE(plan);
    const auto mats = mats_of(project, *plan);
    const int with = guide_pages(project, *plan, mats, PrinterPaper::A4);
    Chapters less = usual_chapters;
    less.erase(Chapter::Tracing);
    const int without = guide_pages(project, *plan, mats, PrinterPaper::A4, less);
    EXPECT_GT(with, without);
    EXPECT_EQ(guide_pages(project, *plan, mats, PrinterPaper::A4, {Chapter::Key}), 1);
    QTemporaryDir dir;
    QFile f(dir.filePath("guide.pdf"));
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write(guide_pdf(project, *plan, mats, PrinterPaper::A4, {Chapter::Key, Chapter::Tracing}));
    f.close();
    EXPECT_GT(page_with(f.fileName(), "Mirrored for tracing"), 1);
    EXPECT_FALSE(run("pdftotext", {f.fileName(), "-"}).contains("the cutting mat"));
}

TEST(CuttingSheets, PatchesAreTrueToAHundredthOfAMillimetre) {
    const Planned& d = demo_plan();
    const CuttingJobs cutting = cutting_jobs(d.project, d.plan, mats_of(d.project, d.plan));
    EXPECT_TRUE(cutting.too_large.empty());
    std::size_t sheets = 0;
    for (const UsedSheet& used : d.plan.sheets.used) {
        const Sheet& sheet = d.plan.papers.sheets[used.sheet];
        std::string key = "sheet-" + sheet.id;
        std::replace(key.begin(), key.end(), '#', '-');
        const auto job = std::find_if(cutting.jobs.begin(), cutting.jobs.end(),
                                      [&](const CuttingJob& j) { return j.key == key; });
        ASSERT_NE(job, cutting.jobs.end()) << sheet.id;
        EXPECT_EQ(job->parts, 1) << "it fits on the mat";
        const QByteArray svg = cutting_svg(job->file);
        QTemporaryDir dir;
        const QString path = dir.filePath("sheet.svg");
        QFile file(path);
        ASSERT_TRUE(file.open(QIODevice::WriteOnly));
        file.write(svg);
        file.close();
        if (sheets == 0) { // an independent reader agrees on the size
            const QByteArray png = run("rsvg-convert", {"--dpi-x", "254", "--dpi-y", "254", path});
            EXPECT_NEAR(QImage::fromData(png).width(), job->file.width * 10, 1.5);
        }
        // Our own reader gets every corner back.
        const auto drawing = read_svg(svg);
        ASSERT_TRUE(drawing);
        std::vector<Ring> rings;
        for (const Shape& s : drawing->shapes)
            for (const Contour& c : s.contours) rings.push_back(c.points);
        const Point at = bounds(job->file.sheet.front()).centre() - bounds(sheet.outline).centre();
        for (int p : used.patches) {
            const Polygon want =
                transformed(d.plan.sections.patches[p].outline,
                            Transform::moved(at.x, at.y) * d.plan.sheets.placed[p].to_sheet());
            double best = 1e9;
            for (const Ring& r : rings) {
                if (r.size() != want.outer.size()) continue;
                for (std::size_t first = 0; first < r.size(); ++first) { // it begins where the blade does
                    double worst = 0;
                    for (std::size_t i = 0; i < r.size() && worst < best; ++i)
                        worst = std::max(worst, distance(r[(first + i) % r.size()], want.outer[i]));
                    best = std::min(best, worst);
                }
            }
            EXPECT_LT(best, 0.01);
        }
        ++sheets;
    }
    EXPECT_GT(sheets, 3u);
}

TEST(PagePicture, ShowsThePapersInTheirOpenings) {
    const Planned& d = demo_plan();
    const QImage image = page_picture(d.project, d.plan, 1200);
    EXPECT_EQ(image.size(), QSize(1200, 1200));
    const double scale = 1200 / 304.8;
    int seen = 0;
    for (std::size_t o = 0; o < d.plan.sections.cut->openings.size(); ++o) {
        const int paper = d.plan.papers.of_section[d.plan.sections.of_opening[o]];
        if (paper < 0 || d.project.stash->papers[paper].pattern != Pattern::Solid) continue;
        const Point c = d.plan.set_out.whole.to_page(d.plan.sections.cut->openings[o].label.centre);
        const QColor got = image.pixelColor(static_cast<int>(c.x * scale), static_cast<int>(c.y * scale));
        const Rgb want = d.project.stash->papers[paper].colour;
        EXPECT_LT(std::abs(got.red() - want.r) + std::abs(got.green() - want.g) +
                      std::abs(got.blue() - want.b),
                  90);
        ++seen;
    }
    EXPECT_GT(seen, 4);
}

TEST(Export, WritesEverythingAndSaysSo) {
    QTemporaryDir dir;
    const auto files =
        export_all(demo_plan().project, demo_plan().plan, PrinterPaper::A4, dir.filePath("made/here"));
    ASSERT_TRUE(files) << files.error().message;
    EXPECT_EQ(files->size(), 2 + 3 + 4 * (1 + demo_plan().plan.sheets.used.size()))
        << "guide, page, the patch without paper three ways, the mat and each sheet four ways";
    for (const QString& f : *files)
        EXPECT_GT(QFile(f).size(), f.endsWith(".plt") ? 60 : 500) << f.toStdString();
    QFile blocked(dir.filePath("file"));
    ASSERT_TRUE(blocked.open(QIODevice::WriteOnly));
    EXPECT_EQ(export_all(demo_plan().project, demo_plan().plan, PrinterPaper::A4, dir.filePath("file/in"))
                  .error()
                  .kind,
              ErrorKind::Unwritable);
}

TEST(Guide, ShowsWhatIsKeptForLaterWithTheNameOfThePage) {
    Project project = demo_plan().project;
    reserve_size(project, "barley", {20, 20});
    reserve_for(project, {{"Tram Terrace", "brick-dust", Side::A, {testing::rectangle(0, 0, 40, 30), {}}}});
    const auto plan = Planner(testing::laid_before()).plan(project);
    ASSERT_TRUE(plan);
    ASSERT_EQ(plan->sheets.room.size(), 2u);
    QTemporaryDir dir;
    const QString pdf = dir.filePath("guide.pdf");
    QFile f(pdf);
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write(guide_pdf(project, *plan, PrinterPaper::A4));
    f.close();
    const auto text_of = [&](int page) {
        return QString(
            run("pdftotext", {"-f", QString::number(page), "-l", QString::number(page), pdf, "-"}));
    };
    const int tram = page_with(pdf, "Terrace");
    ASSERT_GT(tram, 0);
    EXPECT_TRUE(text_of(tram).contains("brick-dust#1")) << qPrintable(text_of(tram));
    const QStringList pages = QString(run("pdftotext", {pdf, "-"})).split('\f');
    EXPECT_TRUE(std::any_of(pages.begin(), pages.end(), [](const QString& page) {
        return page.contains("reserved") && page.contains("barley#");
    }));
}

} // namespace zesty
