// Cutting files in the language of plotters, read back by another program.

#include "core/build/tool_path.h"
#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/planner.h"
#include "io/guide/export_all.h"
#include "io/hpgl.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QFile>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

CuttingFile two_squares() {
    CuttingFile out{
        "two", 100, 80, {testing::rectangle(10, 10, 30, 30), testing::rectangle(50, 20, 90, 60)}, {}};
    return out;
}

/// The lines another program sees, in millimetres as that places them.
std::vector<Ring> seen_by_another(const QByteArray& hpgl) {
    const QTemporaryDir dir;
    QFile file(dir.filePath("cut.plt"));
    EXPECT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(hpgl);
    file.close();
    QProcess program;
    program.setStandardInputFile(QProcess::nullDevice());
    program.start("hp2xx", {"-q", "-t", "-m", "svg", "-f", dir.filePath("cut.svg"), file.fileName()});
    EXPECT_TRUE(program.waitForFinished(patience_ms)) << "hp2xx is among the packages";
    QFile svg(dir.filePath("cut.svg"));
    EXPECT_TRUE(svg.open(QIODevice::ReadOnly));
    std::vector<Ring> out;
    static const QRegularExpression point("([ML])\\s*(-?[0-9.]+),\\s*(-?[0-9.]+)");
    auto found = point.globalMatch(QString::fromUtf8(svg.readAll()));
    constexpr double mm_per_point = 25.4 / 72;
    while (found.hasNext()) {
        const auto m = found.next();
        const Point at = Point{m.captured(2).toDouble(), m.captured(3).toDouble()} * mm_per_point;
        // It takes long lines apart and goes on where it was.
        const bool goes_on = m.captured(1) == "M" && !out.empty() && out.back().back() == at;
        if (goes_on) continue;
        if (m.captured(1) == "M") out.emplace_back();
        if (!out.empty()) out.back().push_back(at);
    }
    std::erase_if(out, [](const Ring& r) { return r.size() < 3; });
    return out;
}

CuttingSettings overcut_of(double mm) {
    CuttingSettings out;
    out.overcut = mm;
    return out;
}

} // namespace

TEST(Hpgl, SaysPenMovesInPlotterUnitsFromTheLowerLeft) {
    const QByteArray out = cutting_hpgl(two_squares(), overcut_of(0));
    EXPECT_TRUE(out.startsWith("IN;\nSP1;"));
    EXPECT_TRUE(out.contains("PU400,2800;")) << "10, 10 from the top of 80 mm";
    EXPECT_TRUE(out.trimmed().endsWith("PU;SP0;"));
    EXPECT_EQ(out.count("PU"), 3) << "once for each contour, and at the end";
    EXPECT_EQ(out.count("PD"), 8);
}

TEST(Hpgl, GoesOnBeyondTheStart) {
    const QByteArray with = cutting_hpgl(two_squares(), overcut_of(1.5));
    EXPECT_EQ(with.count("PD"), 10);
    EXPECT_TRUE(with.contains("PD460,2800;")) << "1.5 mm along the first edge again";
    // Further than an edge is long.
    CuttingFile tiny{"tiny", 20, 20, {testing::rectangle(5, 5, 6, 6)}, {}};
    EXPECT_EQ(cutting_hpgl(tiny, overcut_of(2.5)).count("PD"), 4 + 3);
    EXPECT_EQ(cutting_hpgl(tiny, overcut_of(1e6)).count("PD"), 4 + 4) << "once round at most";
}

TEST(Hpgl, AnotherProgramSeesTheSameContours) {
    const auto project = open_project(demo::project());
    ASSERT_TRUE(project);
    const auto plan = Planner(testing::laid_before()).shapes(*project);
    ASSERT_TRUE(plan);
    const auto mats = mats_of(*project, *plan);
    ASSERT_FALSE(mats.empty());
    const CuttingFile file = cutting_jobs(*project, *plan, mats).jobs.at(0).file;
    const std::vector<Ring> seen = seen_by_another(cutting_hpgl(file, overcut_of(0)));
    ASSERT_EQ(seen.size(), file.contours.size());
    Box here;
    Box there;
    for (const Ring& r : file.contours) here.add(bounds(r));
    for (const Ring& r : seen) there.add(bounds(r));
    EXPECT_NEAR(here.width(), there.width(), 0.05);
    // It turns the page round and moves it to its own corner; the order is the same.
    for (std::size_t i = 0; i < seen.size(); ++i) {
        EXPECT_NEAR(std::abs(signed_area(seen[i])), std::abs(signed_area(file.contours[i])),
                    0.05 * perimeter(file.contours[i]));
        const Box a = bounds(file.contours[i]);
        const Box b = bounds(seen[i]);
        EXPECT_NEAR(a.x0 - here.x0, b.x0 - there.x0, 0.05);
        EXPECT_NEAR(a.width(), b.width(), 0.05);
        EXPECT_NEAR(a.height(), b.height(), 0.05);
    }
}

TEST(Hpgl, CuttingFilesGoTheShortWayInsideFirst) {
    const auto project = open_project(demo::file("seed-swap.zesty"));
    ASSERT_TRUE(project);
    const auto plan = Planner(testing::laid_before()).shapes(*project);
    ASSERT_TRUE(plan);
    const auto mats = mats_of(*project, *plan);
    ASSERT_FALSE(mats.empty());
    const CuttingFile file = cutting_jobs(*project, *plan, mats).jobs.at(0).file;
    // As the drawing had them: by reading order of the openings, hole by hole.
    std::vector<Ring> as_drawn;
    for (const OnCuttingMat& p : mats[0].layout.mats[0]) {
        const Polygon outline = transformed(
            plan->sections.cut->pieces[static_cast<std::size_t>(p.piece)].outline, p.to_cutting_mat);
        for (const Ring& hole : outline.holes) as_drawn.push_back(hole);
        as_drawn.push_back(outline.outer);
    }
    EXPECT_EQ(file.contours.size(), as_drawn.size());
    EXPECT_LT(travel_as_given(file.contours), 0.75 * travel_as_given(as_drawn));
    const std::vector<int> around = lying_in(file.contours);
    for (std::size_t c = 0; c < around.size(); ++c)
        if (around[c] >= 0) {
            EXPECT_LT(static_cast<int>(c), around[c]);
        }
}

TEST(Hpgl, ComesWithEveryExport) {
    const auto project = open_project(demo::project());
    ASSERT_TRUE(project);
    const auto plan = Planner(testing::laid_before()).plan(*project);
    ASSERT_TRUE(plan);
    const QTemporaryDir dir;
    ASSERT_TRUE(export_all(*project, *plan, PrinterPaper::A4, dir.path(), {Chapter::Key}));
    QFile file(dir.filePath("mat-1.plt"));
    ASSERT_TRUE(file.open(QIODevice::ReadOnly));
    EXPECT_TRUE(file.readAll().startsWith("IN;"));
}

} // namespace zesty
