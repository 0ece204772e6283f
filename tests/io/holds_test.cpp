// Height, glue, wet work, late frames and variants: stored, painted, printed and said in documents.

#include "core/geometry/measure.h"
#include "core/project/variants.h"
#include "io/dress_json.h"
#include "io/guide/guide_pdf.h"
#include "io/paint/hold_painter.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"
#include "io/zip.h"
#include "support/demo.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

Project dressed() {
    const auto p = open_project(demo::file("kite-hill-dressed.zesty"));
    EXPECT_TRUE(p);
    return *p;
}

Plan planned(const Project& p) {
    const auto plan = Planner(testing::laid_before()).plan(p);
    EXPECT_TRUE(plan);
    return *plan;
}

/// Everything this is about, at odd values.
Project held_every_way() {
    Project p = dressed();
    p.set_out.cuts[0].held = {Mount::Thin, 45};
    p.set_out.photos[0].held = {Mount::Double, 90};
    p.dress.layers[0].held = {Mount::Normal, 90};
    p.dress.titles[0].held = {Mount::Tip, 180};
    p.dress.embellishments[0].held = {Mount::Tip, -30};
    p.dress.wet.clear();
    for (int i = 0; i < 4; ++i) {
        WetZone zone;
        zone.name = i == 1 ? "Sky" : "";
        zone.kind = static_cast<WetKind>(i);
        zone.shape = static_cast<WetShape>(i);
        zone.centre = {40.0 + 50 * i, 60};
        zone.turn_deg = 10.0 * i;
        zone.margin = 3.5;
        zone.primer = i % 2 == 0;
        p.dress.wet.push_back(zone);
    }
    p.dress.frame = {LateFraming::Over, {3, 5, 7, 9}, "barley", "hillside", 11};
    p.dress.free_parts = {{{50, 60}, 12}};
    p.dress.album_takes = 3.25;
    return p;
}

QStringList printed_words(const QByteArray& pdf) {
    const QTemporaryDir dir;
    QFile file(dir.filePath("guide.pdf"));
    EXPECT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(pdf);
    file.close();
    QProcess text;
    text.start("pdftotext", {"-layout", file.fileName(), "-"});
    EXPECT_TRUE(text.waitForFinished(patience_ms));
    return QString::fromUtf8(text.readAllStandardOutput()).split('\n');
}

} // namespace

TEST(Holds, EverythingIsStoredAndReadAgain) {
    const Project p = held_every_way();
    const auto bytes = project_bytes(p);
    ASSERT_TRUE(bytes);
    const auto again = project_from(*bytes, "again");
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_EQ(again->dress, p.dress);
    EXPECT_EQ(again->set_out, p.set_out);
}

TEST(Holds, VariantsAreStoredExactlyAndWhatTheyShareOnce) {
    Project p = held_every_way();
    p.variants.clear();
    ASSERT_TRUE(keep_variant(p, "Raised"));
    p.set_out.photos.pop_back();
    p.dress.titles.clear();
    ASSERT_TRUE(keep_variant(p, "Quiet \"page\""));
    p.set_out.photos.clear(); // its picture is needed by the variants alone
    const auto bytes = project_bytes(p);
    ASSERT_TRUE(bytes);
    const auto again = project_from(*bytes, "again");
    ASSERT_TRUE(again) << again.error().message;
    ASSERT_EQ(again->variants.size(), 2u);
    EXPECT_EQ(again->variants, p.variants);
    EXPECT_TRUE(again->set_out.photos.empty());
    const auto entries = unpacked(*bytes, 1 << 28, [](const QString&) { return true; });
    ASSERT_TRUE(entries);
    int drawings = 0;
    int pictures = 0;
    for (const ZipEntry& e : *entries) {
        drawings += e.path.endsWith(".svg") ? 1 : 0;
        pictures += e.path.contains("photos/") ? 1 : 0;
    }
    EXPECT_EQ(drawings, 1);
    EXPECT_EQ(pictures, 1);
}

TEST(Holds, MoreVariantsThanThereMayBeAreRefused) {
    Project p = dressed();
    p.variants.clear();
    ASSERT_TRUE(keep_variant(p, "One"));
    p.variants.resize(7, p.variants[0]);
    const auto bytes = project_bytes(p);
    ASSERT_TRUE(bytes);
    EXPECT_FALSE(project_from(*bytes, "too many"));
}

TEST(Holds, ThePageByHeightIsBerryWhereItIsTooHigh) {
    Project p = dressed();
    p.dress.album_takes = 1;
    const Plan plan = planned(p);
    ASSERT_GT(plan.dress.heights.highest, 1);
    const auto berry = [&](const Project& project) {
        const QImage seen = page_picture(project, planned(project), 400, Seen::Height);
        int out = 0;
        for (int y = 0; y < seen.height(); ++y)
            for (int x = 0; x < seen.width(); ++x) {
                const QColor c = seen.pixelColor(x, y);
                out += c.red() > c.green() + 50 && c.blue() > c.green() + 10 ? 1 : 0;
            }
        return static_cast<double>(out) / (seen.width() * seen.height());
    };
    EXPECT_NEAR(berry(p), plan.dress.heights.over_share, 0.06) << "all of it but what foam is drawn on";
    EXPECT_EQ(colour_of_height(0.2, 5).alpha(), 0) << "paper on paper is not coloured";
    p.dress.album_takes = 20;
    EXPECT_LT(berry(p), 0.01);
}

TEST(Holds, TheGlueMapIsPaintedAlongTheBars) {
    const Project p = dressed();
    const Plan plan = planned(p);
    const QImage seen = page_picture(p, plan, 1200, Seen::Glue);
    const double scale = 1200 / p.set_out.page.full_width();
    int green = 0;
    int looked = 0;
    for (const GluePlace& place : plan.dress.glue.cuts.at(0).places) {
        if (place.when != GlueWhen::Now) continue;
        ++looked;
        const QColor c =
            seen.pixelColor(static_cast<int>(place.at.x * scale), static_cast<int>(place.at.y * scale));
        green += c.green() > c.red() + 20 ? 1 : 0;
    }
    ASSERT_GT(looked, 500);
    EXPECT_GT(green, looked * 9 / 10);
}

TEST(Holds, TheGuidePrintsFoamAndGlueAndWhereEverythingLies) {
    Project p = dressed();
    p.set_out.photos[0].on_top = false;
    p.set_out.photos[0].held = {};
    p.set_out.photos[1].held = {Mount::Normal, 90};
    p.set_out.photos[0].turn_deg = 4.5;
    p.dress.frame.how = LateFraming::Trimmed;
    const Plan plan = planned(p);
    const QString glue = printed_words(guide_pdf(p, plan, PrinterPaper::A4, {Chapter::Glue})).join('\n');
    EXPECT_TRUE(glue.contains("foam and glue")) << glue.toStdString();
    EXPECT_TRUE(glue.contains("Foam of 2 mm"));
    EXPECT_TRUE(glue.contains("Seen from behind"));
    EXPECT_TRUE(glue.contains("Tucked: Kite day"));
    const QString placement =
        printed_words(guide_pdf(p, plan, PrinterPaper::A4, {Chapter::Placement})).join('\n');
    EXPECT_TRUE(placement.contains("At true scale"));
    EXPECT_TRUE(placement.contains("Kite day, 4.5"));
    EXPECT_TRUE(placement.contains("part A1 of 2 by 2"));
    EXPECT_EQ(guide_pages(p, plan, mats_of(p, plan), PrinterPaper::A4, {Chapter::Placement}), 4);
    EXPECT_FALSE(usual_chapters.contains(Chapter::Placement)) << "it takes four pages";
}

TEST(Holds, AFlatPageHasNoChapterOfGlue) {
    Project p = dressed();
    for (Photo& photo : p.set_out.photos) photo.held = {};
    for (PlacedEmbellishment& e : p.dress.embellishments) e.held = {};
    // The button alone is thick enough to bridge.
    p.dress.embellishments.clear();
    const Plan plan = planned(p);
    EXPECT_EQ(guide_pages(p, plan, mats_of(p, plan), PrinterPaper::A4, {Chapter::Glue}), 0);
}

TEST(Holds, TheDocumentSaysHeightsGlueWetWorkAndFrame) {
    const Project p = held_every_way();
    const Plan plan = planned(p);
    const nlohmann::json j = dress_json(p, plan);
    EXPECT_NEAR(j["height"]["highest_mm"].get<double>(), plan.dress.heights.highest, 1e-9);
    EXPECT_EQ(j["height"]["raised"].size(), plan.dress.heights.raised.size());
    EXPECT_EQ(j["glue"]["cuts"].size(), 1u);
    EXPECT_EQ(j["wet"].size(), 4u);
    EXPECT_EQ(j["wet"][1]["name"], "Sky");
    EXPECT_EQ(j["late_frame"]["marks"].size(), 8u);
    EXPECT_TRUE(dress_json(dressed(), planned(dressed()))["late_frame"].is_null());
    const auto& levels = j["height"]["raised"][0]["levels"];
    ASSERT_FALSE(levels.empty());
    EXPECT_TRUE(levels[0].contains("foam_mm"));
}

} // namespace zesty
