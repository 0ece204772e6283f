#include "core/project/planner.h"
#include "io/motif_picture.h"
#include "io/paint/fonts.h"
#include "io/paint/letters.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <QBuffer>
#include <QFontDatabase>
#include <QFontMetrics>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

/// A paper 100 mm square whose picture is red on the left and blue on the right, 200 pixels wide.
Stash two_colours() {
    QImage image(200, 200, QImage::Format_RGB32);
    image.fill(Qt::red);
    QPainter painter(&image);
    painter.fillRect(100, 0, 100, 200, Qt::blue);
    painter.end();
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "PNG");
    Stash s;
    s.pictures["two.png"] = std::make_shared<const std::string>(png.toStdString());
    s.papers.push_back({"two",
                        "Two",
                        {},
                        "two.png",
                        Pattern::Picture,
                        Direction::Fixed,
                        {{{{{0, 0}, {100, 0}, {100, 100}, {0, 100}}, {}}, 1, false}}});
    s.papers.push_back({"plain", "Plain", {1, 2, 3}, "", Pattern::Solid, Direction::Free, {}});
    return s;
}

Project project_with(Stash stash) {
    Project p;
    p.stash = std::make_shared<const Stash>(std::move(stash));
    return p;
}

QColor seen_at(const QBrush& brush, QPointF mm, double pixels_per_mm) {
    QImage image(400, 400, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    painter.scale(pixels_per_mm, pixels_per_mm);
    painter.fillRect(QRectF(0, 0, 400, 400), brush);
    painter.end();
    return image.pixelColor((mm * pixels_per_mm).toPoint());
}

} // namespace

TEST(CutOutMotifs, ShowWhatThePaperShowsThereAndNothingBesideTheirOutline) {
    Stash stash = two_colours();
    stash.papers[0].sheets[0].count = 2;
    // A triangle across the middle, 40 mm wide.
    const Polygon motif{{{30, 70}, {50, 30}, {70, 70}}, {}};
    stash.papers[0].fussy_cuts = {{"Kite", motif, 0}};
    auto once = with_motif_cut_out_and_shown(stash, 0, 0, Textures(project_with(stash)));
    ASSERT_TRUE(once && once->embellishments.size() == 1);
    ASSERT_TRUE(once->pictures.contains(once->embellishments[0].picture));
    // One that was cut out before pictures were taken is given its picture, and counted.
    once->embellishments[0].picture.clear();
    const auto twice = with_motif_cut_out_and_shown(*once, 0, 0, Textures(project_with(*once)));
    ASSERT_TRUE(twice && twice->embellishments.size() == 1);
    EXPECT_EQ(twice->embellishments[0].count, 2);
    EXPECT_TRUE(twice->pictures.contains(twice->embellishments[0].picture));
    EXPECT_EQ(twice->pictures.size(), 2u) << "the same picture once";
    EXPECT_EQ(with_motif_cut_out_and_shown(*twice, 0, 0, Textures(project_with(*twice))).error().kind,
              ErrorKind::NothingToDo);

    Project page = project_with(*twice);
    page.dress.embellishments.push_back({"fussy-cut", {50, 50}});
    QImage image(100, 100, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    paint_embellishments(painter, *page.stash, page, Textures(page));
    painter.end();
    EXPECT_EQ(image.pixelColor(44, 62), QColor(Qt::red));
    EXPECT_EQ(image.pixelColor(56, 62), QColor(Qt::blue));
    EXPECT_EQ(image.pixelColor(34, 40), QColor(Qt::white)) << "in its box, beside its outline";
}

TEST(CutOutMotifs, OfAPlainPaperAreItsColour) {
    Stash stash = two_colours();
    stash.papers[1].sheets = stash.papers[0].sheets;
    stash.papers[1].fussy_cuts = {{"Kite", {{{30, 70}, {50, 30}, {70, 70}}, {}}, 0}};
    const auto cut = with_motif_cut_out_and_shown(stash, 1, 0, Textures(project_with(stash)));
    ASSERT_TRUE(cut && cut->embellishments.size() == 1);
    EXPECT_TRUE(cut->embellishments[0].picture.empty());
    EXPECT_EQ(cut->embellishments[0].colour, (Rgb{1, 2, 3}));
}

TEST(Textures, AreAtTrueScaleWhateverTheFineness) {
    const Textures t(project_with(two_colours()));
    for (const double ppm : {0.5, 1.0, 2.0, 4.0})
        for (const double asked : {0.0, ppm}) {
            const QBrush b = t.brush(0, {}, asked);
            EXPECT_EQ(seen_at(b, {40, 20}, ppm), QColor(Qt::red)) << ppm;
            EXPECT_EQ(seen_at(b, {60, 20}, ppm), QColor(Qt::blue)) << ppm;
        }
}

TEST(Textures, FollowThePatchFromTheSheetToThePage) {
    const Textures t(project_with(two_colours()));
    // What lies at (40, 20) of the sheet is seen at (20, 60) of a page turned by a quarter and moved.
    const Transform to_page = Transform::moved(40, 20) * Transform::turned_deg(90);
    const QBrush b = t.brush(0, to_page);
    EXPECT_EQ(seen_at(b, {20, 60}, 2), QColor(Qt::red));
    EXPECT_EQ(seen_at(b, {20, 80}, 2), QColor(Qt::blue));
}

TEST(Textures, SideBIsSeenFromBehind) {
    Stash s = two_colours();
    s.papers[0].back = s.papers[0].face(Side::A);
    const Textures t(project_with(s));
    // Turned over, what begins at the left of its own picture is at the right of the sheet.
    EXPECT_EQ(seen_at(t.brush(0, {}, 0, Side::B), {60, 20}, 2), QColor(Qt::red));
    EXPECT_EQ(seen_at(t.brush(0, {}, 0, Side::B), {40, 20}, 2), QColor(Qt::blue));
    // A patch cut with side B up shows the picture the right way round on the page.
    PlacedPatch at{0, 0, {90, 0}, true};
    const QBrush b = t.brush(0, inverse(at.to_sheet()), 0, Side::B);
    EXPECT_EQ(seen_at(b, {20, 20}, 2), QColor(Qt::red)) << "page x 20 is sheet x 70 is picture x 30";
    EXPECT_EQ(seen_at(b, {60, 20}, 2), QColor(Qt::blue));
}

TEST(Textures, APictureThatCannotBeReadAnyMoreIsThePapersColour) {
    Stash s = two_colours();
    const auto bytes = s.pictures.at("two.png").get();
    bool there = true;
    s.pictures["two.png"] =
        PictureBytes::elsewhere("two", bytes->size(), [&] { return there ? bytes : PictureBytes::Bytes(); });
    const Textures t(project_with(s));
    EXPECT_EQ(seen_at(t.brush(0, {}, 2), {40, 20}, 2), QColor(Qt::red)) << "read when it is wanted";
    there = false;
    EXPECT_EQ(seen_at(t.brush(0, {}, 2), {40, 20}, 2), QColor(Qt::red)) << "decoded already";
    const Textures late(project_with(s));
    EXPECT_EQ(late.brush(0, {}).color(), late.colour(0));
    EXPECT_TRUE(late.brush(0, {}).textureImage().isNull());
}

TEST(Textures, MorePicturesThanThereIsMemoryForAreDecodedAgain) {
    // Fourteen pictures of 1600 x 1600 take 140 MB.
    constexpr int pictures = 14;
    QImage large(1600, 1600, QImage::Format_RGB32);
    large.fill(Qt::white);
    Stash s;
    for (int i = 0; i < pictures; ++i) {
        large.fill(QColor::fromHsv(12 * i, 200, 200));
        QByteArray png;
        QBuffer buffer(&png);
        large.save(&buffer, "PNG");
        Paper p;
        p.id = std::to_string(i);
        p.picture = p.id + ".png";
        p.sheets.push_back({{{{0, 0}, {100, 0}, {100, 100}, {0, 100}}, {}}});
        s.papers.push_back(p);
        s.pictures[p.picture] = std::make_shared<const std::string>(png.toStdString());
    }
    const Textures t(project_with(s));
    for (int round = 0; round < 2; ++round)
        for (int i = 0; i < pictures; ++i) {
            const QColor seen = seen_at(t.brush(i, {}), {50, 50}, 2);
            EXPECT_NEAR(seen.hsvHue(), 12 * i, 1) << "round " << round;
        }
}

TEST(Textures, PlainAndUnknownPapersHaveAColour) {
    const Textures t(project_with(two_colours()));
    EXPECT_EQ(t.brush(1, {}).color(), QColor(1, 2, 3));
    EXPECT_EQ(t.brush(-1, {}).color(), QColor(Qt::white));
    EXPECT_EQ(t.brush(99, {}).color(), QColor(Qt::white));
    EXPECT_EQ(t.colour(1), QColor(1, 2, 3));
}

TEST(PagePainter, FrameBaseAndCutLieWhereTheyShould) {
    const Project p = *open_project(demo::project());
    Planner planner(testing::laid_before());
    const Plan plan = *planner.plan(p);
    const QImage image = page_picture(p, plan, 1219); // 4 pixels to the millimetre
    const PageLook look;
    const auto at = [&](double x, double y) {
        return image.pixelColor(static_cast<int>(x * 4), static_cast<int>(y * 4));
    };
    EXPECT_EQ(at(3, 150), look.frame);
    EXPECT_EQ(at(10, 10), look.base);
    EXPECT_EQ(at(300, 150), look.frame);
    const Bar& bar = plan.sections.cut->bars.back();
    const Point on_bar = plan.set_out.whole.to_page((bar.from + bar.to) * 0.5);
    EXPECT_EQ(at(on_bar.x, on_bar.y), look.cut);
}

TEST(PagePainter, AnEmptyPageIsStillAPage) {
    Project p;
    p.set_out.page.width = 100;
    p.set_out.page.height = 50;
    Planner planner(testing::laid_before());
    const QImage image = page_picture(p, *planner.plan(p), 200);
    EXPECT_EQ(image.size(), QSize(200, 100));
    EXPECT_EQ(image.pixelColor(100, 50), PageLook{}.base);
}

TEST(Fonts, TheShippedTypefaceHasFiguresOfOneWidth) {
    load_fonts();
    load_fonts();
    ASSERT_TRUE(QFontDatabase::families().contains("Lato"));
    for (const int weight : {QFont::Normal, QFont::DemiBold}) {
        QFont font("Lato");
        font.setPixelSize(40);
        font.setWeight(static_cast<QFont::Weight>(weight));
        const QFontMetrics metrics(font);
        for (char c = '1'; c <= '9'; ++c)
            EXPECT_EQ(metrics.horizontalAdvance(c), metrics.horizontalAdvance('0')) << c;
    }
}

TEST(PaintedCuts, AreThePictureThatWouldBePaintedAndFollowEveryChange) {
    LEFT_OUT_UNDER_SANITIZERS("it paints for minutes");
    const auto opened = open_project(demo::file("kite-hill-dressed.zesty"));
    ASSERT_TRUE(opened);
    Project p = *opened;
    Planner planner(testing::laid_before());
    PaintedCuts kept;
    const Textures textures(p);
    double pixel_ratio = 1;
    const auto painted = [&](PaintedCuts* cuts) {
        const auto plan = planner.plan(p);
        EXPECT_TRUE(plan);
        QImage image(QSize(300, 300) * pixel_ratio, QImage::Format_ARGB32_Premultiplied);
        image.setDevicePixelRatio(pixel_ratio);
        QPainter painter(&image);
        painter.scale(300 / p.set_out.page.full_width(), 300 / p.set_out.page.full_width());
        PageLook look;
        look.cuts = cuts;
        paint_page(painter, p, *plan, textures, look);
        return image;
    };
    const auto worst = [](const QImage& a, const QImage& b) {
        int out = 0;
        for (int y = 0; y < a.height(); ++y)
            for (int x = 0; x < a.width(); ++x) {
                const QColor c = a.pixelColor(x, y);
                const QColor d = b.pixelColor(x, y);
                out = std::max({out, std::abs(c.red() - d.red()), std::abs(c.green() - d.green()),
                                std::abs(c.blue() - d.blue())});
            }
        return out;
    };
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "blended in another order";
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "from memory";
    p.set_out.photos[0].centre.x -= 20;
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "a photo was moved";
    p.set_out.cuts[0].place.shift.x += 8;
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "the cut was moved";
    p.set_out.cuts[0].colour = Rgb{40, 60, 90};
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "the cut is of another colour";
    p.set_out.cuts[0].held.how = Mount::Double;
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "its shadow is another";
    pixel_ratio = 2;
    EXPECT_LE(worst(painted(&kept), painted(nullptr)), 6) << "on a sharper screen";
}

TEST(PagePainter, WetWorkLiesOnTheBaseAndALateFrameOnEverything) {
    Project p = project_with(two_colours());
    p.set_out.page.base_paper = "plain";
    WetZone zone;
    zone.centre = {80, 80};
    zone.width = 60;
    zone.colour = {250, 220, 40};
    p.dress.wet = {zone};
    const auto at = [&](double x, double y) {
        const auto plan = Planner(testing::laid_before()).plan(p);
        EXPECT_TRUE(plan);
        return page_picture(p, *plan, 610).pixelColor(static_cast<int>(2 * x), static_cast<int>(2 * y));
    };
    EXPECT_GT(at(80, 80).red(), 150);
    EXPECT_LT(at(200, 200).red(), 30) << "the bare base";
    Photo photo;
    photo.width = photo.height = 50;
    photo.centre = {80, 80};
    p.set_out.photos = {photo};
    EXPECT_NE(at(80, 80), QColor(250, 220, 40)) << "below the photo";
    p.dress.frame.how = LateFraming::Over;
    p.dress.frame.corners = {100, 20, 20, 20};
    const QColor frame = at(10, 10);
    EXPECT_EQ(frame, at(5, 150)) << "no paper is chosen: its colour is plain";
    EXPECT_NE(frame, at(200, 200));
    EXPECT_EQ(at(80, 60), frame) << "the wide corner covers the photo's corner";
}

} // namespace zesty
