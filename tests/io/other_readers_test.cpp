// Cutting files as other programs read them: DXF by ezdxf, SVG painted by two renderers.

#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/planner.h"
#include "io/cutting_file.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QImage>
#include <QPainter>
#include <QProcess>
#include <QSvgRenderer>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace zesty {

namespace {

std::vector<CuttingJob> jobs_of(const char* demo) {
    const Project project = *open_project(demo::file(demo));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    return cutting_jobs(project, plan, mats_of(project, plan)).jobs;
}

void put_file(const QString& path, const QByteArray& bytes) {
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(bytes);
}

QByteArray other_program(const QString& program, const QStringList& arguments) {
    QProcess process;
    process.start(program, arguments);
    EXPECT_TRUE(process.waitForFinished(patience_ms)) << program.toStdString();
    EXPECT_EQ(process.exitCode(), 0) << process.readAllStandardError().toStdString();
    return process.readAllStandardOutput();
}

/// Polylines of the layer "cut" of every file named, as JSON.
constexpr const char* read_with_ezdxf = R"(
import sys, json, ezdxf
out = []
for name in sys.argv[1:]:
    drawing = ezdxf.readfile(name)
    out.append([[[v.dxf.location.x, v.dxf.location.y] for v in e.vertices]
                for e in drawing.modelspace().query('POLYLINE[layer=="cut"]') if e.is_closed])
print(json.dumps(out))
)";

} // namespace

TEST(OtherReaders, SeeTheSameContoursInDxf) {
    for (const char* demo : {"kite-hill-dressed.zesty", "tram-terrace.zesty", "seed-swap.zesty"}) {
        const std::vector<CuttingJob> jobs = jobs_of(demo);
        QTemporaryDir dir;
        QStringList arguments{"-c", read_with_ezdxf};
        for (const CuttingJob& job : jobs) {
            const auto dxf = cutting_dxf(job.file);
            ASSERT_TRUE(dxf);
            arguments << dir.filePath(QString::fromStdString(job.key) + ".dxf");
            put_file(arguments.back(), *dxf);
        }
        const auto read = nlohmann::json::parse(other_program("/usr/bin/python3", arguments).toStdString());
        ASSERT_EQ(read.size(), jobs.size());
        for (std::size_t j = 0; j < jobs.size(); ++j) {
            const CuttingFile& file = jobs[j].file;
            ASSERT_EQ(read[j].size(), file.contours.size()) << jobs[j].key;
            for (std::size_t c = 0; c < file.contours.size(); ++c) {
                ASSERT_EQ(read[j][c].size(), file.contours[c].size());
                for (std::size_t i = 0; i < file.contours[c].size(); ++i) {
                    const Point there{read[j][c][i][0], file.height - read[j][c][i][1].get<double>()};
                    ASSERT_LT(distance(there, file.contours[c][i]), 0.05);
                }
            }
        }
    }
}

TEST(OtherReaders, TwoRenderersPaintTheSameSvg) {
    QTemporaryDir dir;
    for (const CuttingJob& job : jobs_of("kite-hill-dressed.zesty")) {
        CuttingFile file = job.file;
        file.labels.clear(); // letters and dashes are each renderer's own
        file.sheet.clear();
        QByteArray svg = cutting_svg(file);
        svg.replace("id=\"cut\" fill=\"none\"", "id=\"cut\" fill=\"#000000\"");
        const QString path = dir.filePath("job.svg");
        put_file(path, svg);
        QImage one = QImage::fromData(other_program("rsvg-convert", {"-w", "1200", path}));
        ASSERT_FALSE(one.isNull());
        QImage other(one.size(), QImage::Format_ARGB32);
        other.fill(Qt::transparent);
        QPainter painter(&other);
        QSvgRenderer renderer(svg);
        ASSERT_TRUE(renderer.isValid());
        renderer.render(&painter);
        painter.end();
        int inked = 0, unlike = 0;
        for (int y = 0; y < one.height(); ++y)
            for (int x = 0; x < one.width(); ++x) {
                const bool a = qAlpha(one.pixel(x, y)) > 128;
                const bool b = qAlpha(other.pixel(x, y)) > 128;
                inked += a;
                unlike += a != b;
            }
        double edges = 0;
        for (const Ring& r : file.contours) edges += perimeter(r) * one.width() / file.width;
        EXPECT_GT(inked, 1000) << job.key;
        EXPECT_LT(unlike, 0.5 * edges) << job.key << ": hardly half a pixel along the edges";
    }
}

} // namespace zesty
