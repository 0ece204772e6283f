// Other ways in: DXF, traced pictures, scans beside a square, bundles.

#include "core/cutfile/cut_file.h"
#include "core/geometry/measure.h"
#include "io/drawing_import.h"
#include "io/read_file.h"
#include "io/svg/svg_writer.h"
#include "io/zip.h"
#include "support/lattice.h"

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <gtest/gtest.h>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>
#include <sstream>

namespace zesty {

namespace {

QPainterPath path_of(const Drawing& drawing) {
    QPainterPath path;
    path.setFillRule(Qt::OddEvenFill);
    for (const Shape& s : drawing.shapes)
        for (const Contour& c : s.contours) {
            QPolygonF ring;
            for (Point p : c.points) ring << QPointF(p.x, p.y);
            path.addPolygon(ring);
            path.closeSubpath();
        }
    return path;
}

/// The drawing (mm) as a picture, with a rim of 15 mm, seen through `look`.
QByteArray picture(const Drawing& drawing, const QColor& paper, const QColor& ground,
                   const QTransform& look = {}, double square_side = 0, int grain = 0, double dpi = 150) {
    const double scale = dpi / 25.4;
    const QRectF box = path_of(drawing).boundingRect();
    QImage image(static_cast<int>((box.width() + 80) * scale), static_cast<int>((box.height() + 80) * scale),
                 QImage::Format_RGB32);
    image.setDotsPerMeterX(static_cast<int>(std::lround(scale * 1000)));
    image.setDotsPerMeterY(image.dotsPerMeterX());
    image.fill(ground);
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    p.setTransform(QTransform::fromScale(scale, scale) * look);
    p.translate(40 - box.x(), 40 - box.y());
    p.fillPath(path_of(drawing), paper);
    if (square_side > 0)
        p.fillRect(QRectF(box.x() - square_side - 6, box.y() + 20, square_side, square_side), paper);
    p.end();
    if (grain > 0) {
        std::mt19937 random(4);
        for (int y = 0; y < image.height(); ++y) {
            auto* row = reinterpret_cast<QRgb*>(image.scanLine(y));
            for (int x = 0; x < image.width(); ++x) {
                const int n = static_cast<int>(random() % static_cast<unsigned>(2 * grain + 1)) - grain;
                const auto grainy = [&](int v) { return std::clamp(v + n, 0, 255); };
                row[x] = qRgb(grainy(qRed(row[x])), grainy(qGreen(row[x])), grainy(qBlue(row[x])));
            }
        }
    }
    QByteArray out;
    QBuffer buffer(&out);
    image.save(&buffer, "PNG");
    return out;
}

std::string dxf_of(const Drawing& drawing) {
    std::ostringstream out;
    out << "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n";
    for (const Shape& s : drawing.shapes)
        for (const Contour& c : s.contours) {
            out << "0\nLWPOLYLINE\n8\n0\n90\n" << c.points.size() << "\n70\n1\n";
            for (Point p : c.points) out << "10\n" << p.x << "\n20\n" << -p.y << "\n";
        }
    out << "0\nENDSEC\n0\nEOF\n";
    return out.str();
}

QByteArray bundle(const std::map<QString, QByteArray>& files) {
    QBuffer buffer;
    QuaZip archive(&buffer);
    archive.open(QuaZip::mdCreate);
    for (const auto& [name, bytes] : files) {
        QuaZipFile file(&archive);
        file.open(QIODevice::WriteOnly, QuaZipNewInfo(name));
        file.write(bytes);
        file.close();
    }
    archive.close();
    return buffer.data();
}

void expect_same_cut(const CutFile& a, const CutFile& b, double tolerance) {
    ASSERT_EQ(a.pieces.size(), b.pieces.size());
    ASSERT_EQ(a.openings.size(), b.openings.size());
    double all = 0;
    double off = 0;
    for (std::size_t o = 0; o < a.openings.size(); ++o) {
        all += a.openings[o].area;
        off += std::abs(a.openings[o].area - b.openings[o].area);
    }
    EXPECT_LT(off, tolerance * all);
    EXPECT_NEAR(a.box.width(), b.box.width(), tolerance * a.box.width());
}

CutFile cut_of(const Result<Shared<DrawingFile>>& file) {
    EXPECT_TRUE(file) << (file ? "" : file.error().message);
    auto cut = file ? read_cut((*file)->drawing) : Result<CutFile>(CutFile{});
    EXPECT_TRUE(cut);
    return cut ? *cut : CutFile{};
}

} // namespace

TEST(SvgWriter, WhatIsWrittenReadsTheSame) {
    std::mt19937 random(8);
    const Drawing d = testing::random_lattice(random, 4, 3, 2);
    const auto file = import_drawing(QByteArray::fromStdString(svg_text(d)), "x.svg");
    expect_same_cut(*read_cut(d), cut_of(file), 1e-4);
}

TEST(Dxf, GivesTheSamePiecesAndOpeningsAsSvg) {
    std::mt19937 random(21);
    for (int round = 0; round < 8; ++round) {
        const Drawing d =
            round % 2 ? testing::random_blobs(random, 7) : testing::random_lattice(random, 4, 4, 2);
        const auto file = import_drawing(QByteArray::fromStdString(dxf_of(d)), "x.dxf");
        expect_same_cut(*read_cut(d), cut_of(file), 1e-3);
        EXPECT_TRUE((*file)->drawing.size_known);
        EXPECT_EQ((*file)->name, "x.svg");
    }
}

TEST(Dxf, KnowsArcsBulgesSplinesAndBlocks) {
    // A disc of radius 30 from two bulges, in it a circle of 10 from a block turned and scaled, and a hole of
    // four lines and an arc each.
    const std::string text =
        "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n1\n0\nENDSEC\n"
        "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\nring\n70\n0\n10\n1\n20\n1\n3\nring\n"
        "0\nCIRCLE\n8\n0\n10\n1\n20\n1\n40\n5\n0\nENDBLK\n8\n0\n0\nENDSEC\n"
        "0\nSECTION\n2\nENTITIES\n"
        "0\nLWPOLYLINE\n8\n0\n90\n2\n70\n1\n10\n-30\n20\n0\n42\n1\n10\n30\n20\n0\n42\n1\n"
        "0\nINSERT\n8\n0\n2\nring\n10\n-12\n20\n0\n41\n2\n42\n2\n50\n30\n"
        "0\nARC\n8\n0\n10\n14\n20\n0\n40\n6\n50\n90\n51\n270\n"
        "0\nLINE\n8\n0\n10\n14\n20\n6\n11\n14\n21\n-6\n"
        "0\nENDSEC\n0\nEOF\n";
    const CutFile cut = cut_of(import_drawing(QByteArray::fromStdString(text), "x.dxf"));
    ASSERT_EQ(cut.pieces.size(), 1u);
    ASSERT_EQ(cut.openings.size(), 2u);
    const double mm2 = 25.4 * 25.4;
    EXPECT_NEAR(cut.openings[0].area, M_PI * 100 * mm2, 1e-3 * M_PI * 100 * mm2);
    EXPECT_NEAR(cut.openings[1].area, M_PI * 18 * mm2, 1e-3 * M_PI * 18 * mm2);
    EXPECT_NEAR(cut.box.width(), 60 * 25.4, 0.5);
}

TEST(Dxf, KnowsWhatWasTurnedOverAndSmoothLinesThroughPoints) {
    // A frame; a triangle and a circle saved as seen from behind; a closed spline through eight points of a
    // circle.
    std::string text =
        "0\nSECTION\n2\nENTITIES\n"
        "0\nLWPOLYLINE\n8\n0\n90\n4\n70\n1\n10\n0\n20\n0\n10\n100\n20\n0\n10\n100\n20\n80\n10\n0\n20\n80\n"
        "0\nLWPOLYLINE\n8\n0\n90\n3\n70\n1\n210\n0\n220\n0\n230\n-1\n10\n-30\n20\n10\n10\n-20\n20\n10\n10\n-"
        "20\n20\n30\n"
        "0\nCIRCLE\n8\n0\n10\n-60\n20\n20\n40\n8\n210\n0\n220\n0\n230\n-1\n"
        "0\nSPLINE\n8\n0\n70\n8\n71\n3\n72\n0\n73\n0\n74\n9\n";
    for (int k = 0; k <= 8; ++k)
        text += "11\n" + std::to_string(50 + 10 * std::cos(k * M_PI / 4)) + "\n21\n" +
                std::to_string(60 + 10 * std::sin(k * M_PI / 4)) + "\n31\n0\n";
    text += "0\nENDSEC\n0\nEOF\n";
    const CutFile cut = cut_of(import_drawing(QByteArray::fromStdString(text), "x.dxf"));
    ASSERT_EQ(cut.openings.size(), 3u);
    std::vector<double> areas;
    for (const Opening& o : cut.openings) areas.push_back(o.area);
    std::sort(areas.begin(), areas.end());
    EXPECT_NEAR(areas[0], 100, 0.01);
    EXPECT_NEAR(areas[1], M_PI * 64, 0.1);
    EXPECT_NEAR(areas[2], M_PI * 100, 0.02 * M_PI * 100) << "round, not an octagon of 283";
}

TEST(Dxf, DoesNotBelieveThatACutIsAsLargeAsAHouse) {
    const auto square = [](const char* units) {
        return import_drawing(
            QByteArray("0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n") + units +
                "\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n8\n0\n90\n4\n70\n1\n10\n0\n20\n0\n"
                "10\n100\n20\n0\n10\n100\n20\n100\n10\n0\n20\n100\n0\nENDSEC\n0\nEOF\n",
            "x.dxf");
    };
    const auto metres = square("6");
    ASSERT_TRUE(metres);
    EXPECT_FALSE((*metres)->drawing.size_known);
    EXPECT_NEAR((*metres)->drawing.width, 100, 1e-6);
    EXPECT_TRUE((*square("5"))->drawing.size_known);
    EXPECT_NEAR((*square("5"))->drawing.width, 1000, 1e-3);
}

TEST(Dxf, RefusesWhatHoldsItself) {
    const std::string text =
        "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\na\n70\n0\n10\n0\n20\n0\n"
        "0\nINSERT\n8\n0\n2\na\n10\n0\n20\n0\n0\nENDBLK\n8\n0\n0\nENDSEC\n"
        "0\nSECTION\n2\nENTITIES\n0\nINSERT\n8\n0\n2\na\n10\n0\n20\n0\n0\nENDSEC\n0\nEOF\n";
    EXPECT_FALSE(import_drawing(QByteArray::fromStdString(text), "x.dxf"));
    EXPECT_FALSE(import_drawing("0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n", "x.dxf"));
}

TEST(Traced, ALatticeAtThreeHundredDotsKeepsItsOpeningsAndAreas) {
    std::mt19937 random(13);
    for (int round = 0; round < 3; ++round) {
        const Drawing d = testing::random_lattice(random, 4, 3, 2 + round);
        const auto file = import_drawing(picture(d, Qt::black, Qt::white, {}, 0, 0, 300), "x.png");
        expect_same_cut(*read_cut(d), cut_of(file), 0.01);
    }
}

TEST(Traced, AShapeThatReachesTheEdgesIsReadAsItselfAndSwappedByOneStep) {
    // A tightly cropped grid: a black frame with four white windows.
    QImage grid(410, 410, QImage::Format_RGB32);
    grid.fill(Qt::black);
    for (int k = 0; k < 4; ++k)
        for (int y = 0; y < 150; ++y)
            for (int x = 0; x < 150; ++x)
                grid.setPixel(40 + (k % 2) * 180 + x, 40 + (k / 2) * 180 + y, qRgb(255, 255, 255));
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    ASSERT_TRUE(grid.save(&buffer, "PNG"));
    const auto file = import_drawing(png, "grid.png");
    const CutFile cut = cut_of(file);
    EXPECT_EQ(cut.pieces.size(), 1u);
    EXPECT_EQ(cut.openings.size(), 4u);
    const auto other = swapped(**file);
    ASSERT_TRUE(other) << other.error().message;
    const CutFile negative = cut_of(other);
    EXPECT_EQ(negative.pieces.size(), 4u);
    EXPECT_TRUE(negative.openings.empty());
    const CutFile light = cut_of(import_drawing(png, "grid.png", {.light_paper = true}));
    EXPECT_EQ(light.pieces.size(), 4u);
    const auto back = swapped(**other);
    ASSERT_TRUE(back);
    double area_now = 0;
    double area_then = 0;
    for (const Piece& p : cut_of(back).pieces) area_now += p.area;
    for (const Piece& p : cut.pieces) area_then += p.area;
    EXPECT_NEAR(area_now, area_then, 0.01 * area_then);
}

TEST(Traced, AScanBesideASquareHasItsRealSizeHoweverItLies) {
    std::mt19937 random(31);
    const Drawing d = testing::random_lattice(random, 3, 3, 3);
    const CutFile real = *read_cut(d);
    for (const double turn : {0.0, 7.0, -7.0}) {
        QTransform look;
        const QPointF middle(1000, 1000);
        look.translate(middle.x(), middle.y())
            .rotate(turn)
            .scale(0.8, 0.8)
            .translate(-middle.x(), -middle.y());
        // A white cut on a grey ground, with grain.
        const auto file = import_drawing(picture(d, QColor(240, 238, 230), QColor(90, 96, 100), look, 30, 12),
                                         "scan.png", {30});
        const CutFile cut = cut_of(file);
        EXPECT_TRUE((*file)->drawing.size_real);
        ASSERT_EQ(cut.openings.size(), real.openings.size()) << turn;
        EXPECT_NEAR(cut.box.width(), real.box.width(), 0.005 * real.box.width()) << turn;
        EXPECT_NEAR(cut.box.height(), real.box.height(), 0.005 * real.box.height()) << turn;
        double area_here = 0;
        double area_real = 0;
        for (const Opening& o : cut.openings) area_here += o.area;
        for (const Opening& o : real.openings) area_real += o.area;
        EXPECT_NEAR(area_here, area_real, 0.01 * area_real) << turn;
    }
}

TEST(Traced, PerspectiveIsTakenOutByTheSquare) {
    std::mt19937 random(32);
    const Drawing d = testing::random_lattice(random, 3, 3, 4);
    const CutFile real = *read_cut(d);
    QTransform look;
    const QPolygonF from{{0, 0}, {1900, 0}, {1900, 1900}, {0, 1900}};
    const QPolygonF to{{75, 50}, {1850, 20}, {1700, 1800}, {200, 1750}};
    ASSERT_TRUE(QTransform::quadToQuad(from, to, look));

    const auto file =
        import_drawing(picture(d, QColor(240, 238, 230), QColor(60, 66, 70), look, 38), "photo.png", {38});
    const CutFile cut = cut_of(file);
    ASSERT_EQ(cut.openings.size(), real.openings.size());
    EXPECT_NEAR(cut.box.width(), real.box.width(), 0.03 * real.box.width());
}

TEST(Traced, SaysWhatIsMissing) {
    QImage blank(200, 200, QImage::Format_RGB32);
    blank.fill(Qt::white);
    QByteArray bytes;
    QBuffer buffer(&bytes);
    blank.save(&buffer, "PNG");
    EXPECT_EQ(import_drawing(bytes, "x.png").error().kind, ErrorKind::NothingToDo);
    std::mt19937 random(1);
    const Drawing d = testing::random_lattice(random, 3, 3, 3);
    const auto no_square = import_drawing(picture(d, Qt::black, Qt::white), "x.png", {25.4});
    ASSERT_FALSE(no_square);
    EXPECT_NE(no_square.error().message.find("no square"), std::string::npos);
    EXPECT_FALSE(import_drawing(QByteArray("\x89PNG and then nothing"), "x.png"));
}

TEST(Bundle, TheBestDrawingIsTaken) {
    std::mt19937 random(6);
    const Drawing small = testing::random_lattice(random, 2, 2, 3);
    const Drawing large = testing::random_lattice(random, 4, 4, 3);
    const auto svg = [](const Drawing& d) { return QByteArray::fromStdString(svg_text(d)); };
    const QByteArray zip = bundle({{"read me.txt", "hello"},
                                   {"__MACOSX/._large.svg", "junk"},
                                   {"files/small.svg", svg(small)},
                                   {"files/large.svg", svg(large)},
                                   {"files/broken.svg", "<svg"},
                                   {"files/large.dxf", QByteArray::fromStdString(dxf_of(small))}});
    const auto file = import_drawing(zip, "bundle.zip");
    expect_same_cut(*read_cut(large), cut_of(file), 1e-4);
    EXPECT_EQ((*file)->name, "large.svg");
    const auto only_dxf =
        import_drawing(bundle({{"a.dxf", QByteArray::fromStdString(dxf_of(small))}}), "b.zip");
    EXPECT_EQ(cut_of(only_dxf).openings.size(), read_cut(small)->openings.size());
    EXPECT_FALSE(import_drawing(bundle({{"read me.txt", "hello"}}), "b.zip"));
    EXPECT_FALSE(import_drawing(zip.left(zip.size() / 2), "b.zip"));
}

TEST(Zip, GivesTheWantedEntriesInTheirOrderWithinItsLimit) {
    const QByteArray zip = bundle({{"a.txt", QByteArray(300, 'a')}, {"b.svg", "<svg/>"}, {"c.txt", "cc"}});
    const auto texts = unpacked(zip, 1000, [](const QString& path) { return path.endsWith(".txt"); });
    ASSERT_TRUE(texts);
    ASSERT_EQ(texts->size(), 2u);
    EXPECT_EQ((*texts)[1].path, "c.txt");
    EXPECT_EQ((*texts)[1].bytes, "cc");
    const auto all = [](const QString&) { return true; };
    EXPECT_EQ(unpacked(zip, 200, all).error().kind, ErrorKind::TooLarge);
    EXPECT_EQ(unpacked("no archive at all", 200, all).error().kind, ErrorKind::Unreadable);
}

TEST(Bundle, ShowsAllItsDrawingsThatCanBeCutAndGivesTheOneThatIsNamed) {
    const QString path = ZESTY_DEMO_FOLDER "/../tests/samples/kite-and-bow.zip";
    const auto data = read_file(path);
    ASSERT_TRUE(data);
    const auto all = drawings_of_bundle(*data);
    ASSERT_TRUE(all) << all.error().message;
    ASSERT_EQ(all->size(), 2u) << "what is empty, and what is no drawing, is left out";
    EXPECT_EQ((*all)[0].name, "kite.svg");
    EXPECT_EQ((*all)[0].openings, 2u);
    EXPECT_EQ((*all)[1].name, "bow.svg");
    EXPECT_EQ((*drawing_file(path))->name, "kite.svg") << "the first is taken without a word";
    EXPECT_EQ((*drawing_file(path, {}, "bow.svg"))->name, "bow.svg");
    const auto none = drawing_file(path, {}, "tail.svg");
    ASSERT_FALSE(none);
    EXPECT_NE(
        none.error().message.find("there is no drawing 'tail.svg' that can be cut, only kite.svg, bow.svg"),
        std::string::npos)
        << none.error().message;
    const auto plain = drawings_of_bundle("<svg xmlns='http://www.w3.org/2000/svg'/>");
    EXPECT_TRUE(plain && plain->empty()) << "no bundle";
}

} // namespace zesty
