// What a machine is given, read back.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/cutting_mat_plan.h"
#include "core/project/planner.h"
#include "io/cutting_file.h"
#include "io/dxf/dxf_reader.h"
#include "io/project_file.h"
#include "io/svg/svg_reader.h"
#include "support/demo.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>

namespace zesty {

namespace {

struct Mats {
    Plan plan;
    std::vector<CuttingFile> files;
    std::vector<Region> pieces; ///< by mat
};

Mats mats_of_page(const Project& project) {
    Mats out{*Planner(testing::laid_before()).shapes(project), {}, {}};
    const auto mats = mats_of(project, out.plan);
    for (const CuttingJob& job : cutting_jobs(project, out.plan, mats).jobs)
        if (job.key.rfind("mat-", 0) == 0) out.files.push_back(job.file);
    for (const CutsOnCuttingMats& one : mats)
        for (const auto& pieces : one.layout.mats) {
            Region region;
            for (const OnCuttingMat& p : pieces)
                region.push_back(
                    transformed(out.plan.sections.cut->pieces[p.piece].outline, p.to_cutting_mat));
            out.pieces.push_back(std::move(region));
        }
    return out;
}

/// Every corner of a ring has one of the drawing within a hundredth of a millimetre, and there are as many
/// rings.
void expect_same_contours(const Drawing& drawing, const CuttingFile& file) {
    std::vector<Ring> read;
    for (const Shape& s : drawing.shapes)
        for (const Contour& c : s.contours) {
            EXPECT_TRUE(c.closed);
            read.push_back(c.points);
        }
    ASSERT_EQ(read.size(), file.contours.size());
    for (std::size_t k = 0; k < read.size(); ++k) {
        ASSERT_GE(read[k].size(), file.contours[k].size());
        for (std::size_t i = 0; i < file.contours[k].size(); ++i)
            ASSERT_LT(distance(read[k][i], file.contours[k][i]), 0.01);
    }
}

} // namespace

TEST(CuttingFile, ReadsBackWithinAHundredthOfAMillimetreFromSvgAndDxf) {
    std::mt19937 random(4);
    std::vector<Project> pages{*open_project(demo::project())};
    for (int k = 0; k < 3; ++k)
        pages.push_back(testing::project_of(testing::random_lattice(random, 4, 4, 5)));
    for (const Project& page : pages) {
        const Mats mats = mats_of_page(page);
        ASSERT_FALSE(mats.files.empty());
        for (const CuttingFile& file : mats.files) {
            const auto svg = read_svg(cutting_svg(file));
            ASSERT_TRUE(svg) << svg.error().message;
            EXPECT_NEAR(svg->width, file.width, 1e-3);
            expect_same_contours(*svg, file);
            const auto bytes = cutting_dxf(file);
            ASSERT_TRUE(bytes);
            const auto dxf = read_dxf(*bytes);
            ASSERT_TRUE(dxf) << dxf.error().message;
            // DXF has no edge of the mat: its reader puts what is drawn into the corner.
            Box box;
            for (const Ring& r : file.contours) box.add(bounds(r));
            CuttingFile moved = file;
            for (Ring& r : moved.contours) r = transformed(r, Transform::moved(-box.x0, -box.y0));
            expect_same_contours(*dxf, moved);
        }
    }
}

TEST(CuttingFile, CutsEveryContourOnceAndInsidesFirst) {
    const Mats mats = mats_of_page(*open_project(demo::project()));
    for (std::size_t m = 0; m < mats.files.size(); ++m) {
        const auto& contours = mats.files[m].contours;
        std::size_t expected = 0;
        for (const Polygon& p : mats.pieces[m]) expected += 1 + p.holes.size();
        EXPECT_EQ(contours.size(), expected);
        for (std::size_t i = 0; i < contours.size(); ++i)
            for (std::size_t k = 0; k < i; ++k) {
                EXPECT_FALSE(contours[i] == contours[k]);
                EXPECT_FALSE(contains(contours[k], contours[i].front()))
                    << "what lies in another is cut before it";
            }
        EXPECT_EQ(mats.files[m].labels.size(), mats.plan.sections.inserts.size());
    }
}

TEST(CuttingFile, AnotherProgramDrawsTheSameAreas) {
    const Mats mats = mats_of_page(*open_project(demo::project()));
    QTemporaryDir dir;
    QByteArray svg = cutting_svg(mats.files.at(0));
    // Filled, so that areas can be counted.
    svg.replace("id=\"cut\" fill=\"none\"", "id=\"cut\" fill=\"#000000\" fill-opacity=\"0.2\"");
    QFile file(dir.filePath("mat.svg"));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(svg);
    file.close();
    QProcess process;
    process.start("rsvg-convert", {"--dpi-x", "254", "--dpi-y", "254", file.fileName()});
    ASSERT_TRUE(process.waitForFinished(patience_ms));
    const QImage image = QImage::fromData(process.readAllStandardOutput());
    EXPECT_NEAR(image.width(), mats.files[0].width * 10, 1.5);
    double inked = 0;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) inked += qAlpha(image.pixel(x, y)) > 20;
    double expected = 0;
    for (const Polygon& p : mats.pieces[0])
        if (std::none_of(mats.pieces[0].begin(), mats.pieces[0].end(),
                         [&](const Polygon& o) { return !(o == p) && contains(o.outer, p.outer.front()); }))
            expected += area(Polygon{p.outer, {}});
    EXPECT_NEAR(inked / 100, expected, 0.01 * expected);
}

} // namespace zesty
