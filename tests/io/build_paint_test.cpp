// How a step and a cutting mat look: the parts in full, everything else faint; what is cut in orange.

#include "core/geometry/measure.h"
#include "core/project/build_steps.h"
#include "core/project/planner.h"
#include "io/paint/cutting_job_painter.h"
#include "io/paint/step_painter.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"

#include <QImage>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

struct Evening {
    Project project;
    Plan plan;
    std::vector<BuildStep> steps;
    QImage page;

    const BuildStep& step(const std::string& key) const {
        const auto at = std::find_if(steps.begin(), steps.end(),
                                     [&](const BuildStep& s) { return s.key.rfind(key, 0) == 0; });
        EXPECT_NE(at, steps.end()) << key;
        return *at;
    }
};

const Evening& evening() {
    static const Evening all = [] {
        Evening e;
        e.project = *open_project(demo::file("kite-hill-dressed.zesty"));
        e.plan = *Planner(testing::laid_before()).plan(e.project);
        e.steps = build_steps(e.project, e.plan);
        e.page = page_picture(e.project, e.plan, 600);
        return e;
    }();
    return all;
}

constexpr int side = 600;

QImage painted(const BuildStep& step) {
    const Evening& e = evening();
    QImage out(side, side, QImage::Format_RGB32);
    out.fill(Qt::white);
    QPainter painter(&out);
    painter.setRenderHint(QPainter::Antialiasing);
    paint_step(painter, QRectF(0, 0, side, side), e.project, e.plan, step, e.page, Textures(e.project), 12);
    return out;
}

/// Pixels of the step's rim, by half of the picture.
std::pair<int, int> rim_pixels(const QImage& image) {
    std::pair<int, int> out{0, 0};
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const QColor c = image.pixelColor(x, y);
            if (std::abs(c.red() - 0xe8) < 12 && std::abs(c.green() - 0x6a) < 12 &&
                std::abs(c.blue() - 0x17) < 12)
                ++(x < image.width() / 2 ? out.first : out.second);
        }
    return out;
}

double mean_saturation(const QImage& image, const QRect& where) {
    double sum = 0;
    for (int y = where.top(); y <= where.bottom(); ++y)
        for (int x = where.left(); x <= where.right(); ++x) sum += image.pixelColor(x, y).hsvSaturationF();
    return sum / (where.width() * where.height());
}

CuttingJob two_panes() {
    CuttingJob job;
    job.file.width = job.file.height = 100;
    job.file.contours = {ring_of(Box{10, 10, 40, 40}), ring_of(Box{60, 60, 90, 90})};
    job.file.labels = {{"7", {25, 25}, 8}};
    job.file.sheet = {ring_of(Box{0, 0, 100, 95})};
    job.file.registration = {{50, 20}};
    return job;
}

QImage mat_picture(const CuttingJobLook& look) {
    QImage out(500, 500, QImage::Format_RGB32);
    out.fill(Qt::white);
    QPainter painter(&out);
    painter.scale(5, 5);
    paint_cutting_job(painter, two_panes(), look);
    return out;
}

} // namespace

TEST(StepPainting, ShowsJustItsPartsAndTheRestFaintly) {
    const Evening& e = evening();
    const BuildStep& photo = e.step("photo:Kite day");
    const StepShape shape = shape_of(e.project, e.plan, photo);
    ASSERT_EQ(shape.labels.size(), 1u);
    EXPECT_EQ(shape.labels[0].text, "Kite day");
    const QImage image = painted(photo);
    const double scale = side / e.project.set_out.page.full_width();
    const QRectF lies = shape.parts.boundingRect();
    const QRect inside(static_cast<int>((lies.center().x() - 20) * scale),
                       static_cast<int>((lies.top() + 15) * scale), 40, 12);
    const QRect same_in_full = inside;
    EXPECT_NEAR(mean_saturation(image, inside), mean_saturation(e.page, same_in_full), 0.05) << "in full";
    const QRect tail(180, 470, 60, 30);
    EXPECT_LT(mean_saturation(image, tail), 0.6 * mean_saturation(e.page, tail)) << "faint";
    const auto [left, right] = rim_pixels(image);
    EXPECT_GT(left + right, 300);
}

TEST(StepPainting, WhatLiesFaceDownIsMirrored) {
    BuildStep step = evening().step("photo:Mia");
    step.face_down = false;
    const auto up = rim_pixels(painted(step));
    step.face_down = true;
    const auto down = rim_pixels(painted(step));
    EXPECT_GT(up.second, 4 * std::max(1, up.first)) << "she is on the right";
    EXPECT_GT(down.first, 4 * std::max(1, down.second)) << "and seen from behind on the left";
}

TEST(StepPainting, EveryKindOfPartHasItsPlace) {
    const Evening& e = evening();
    for (const BuildStep& step : e.steps) {
        const StepShape shape = shape_of(e.project, e.plan, step);
        if (step.kind == StepKind::MachineCut && step.key.rfind("sheet:", 0) == 0) {
            EXPECT_GE(shape.sheet, 0) << step.key;
        } else if (!step.parts.empty()) {
            EXPECT_FALSE(shape.parts.isEmpty()) << step.key;
            const QRectF box = shape.parts.boundingRect();
            EXPECT_LT(box.width(), 2 * e.project.set_out.page.full_width()) << step.key;
        }
        const QImage image = painted(step);
        EXPECT_FALSE(image.isNull());
    }
    BuildStep gone = e.steps.front();
    gone.parts = {{StepPart::Kind::Photo, 99}, {StepPart::Kind::Opening, 9999}, {StepPart::Kind::Title, 7}};
    EXPECT_TRUE(shape_of(e.project, e.plan, gone).parts.isEmpty()) << "what is not there is not shown";
}

TEST(MatPainting, ShowsSheetContoursLabelsAndHowFarTheBladeIs) {
    const QImage plain = mat_picture({});
    const CuttingJobLook look;
    EXPECT_EQ(plain.pixelColor(100, 100), look.paper) << "inside a contour";
    EXPECT_EQ(plain.pixelColor(260, 400).rgb(), look.waste.rgb()) << "the sheet";
    EXPECT_EQ(plain.pixelColor(260, 490).rgb(), look.mat.rgb()) << "below the sheet";
    int dark = 0;
    for (int y = 100; y < 150; ++y)
        for (int x = 100; x < 150; ++x) dark += plain.pixelColor(x, y).lightness() < 100;
    EXPECT_GT(dark, 20) << "the label";
    CuttingJobLook half;
    half.done = {60, 0};
    const QImage cut = mat_picture(half);
    const auto orange = [&](int x, int y) {
        const QColor c = cut.pixelColor(x, y);
        return c.red() > 200 && c.blue() < 100;
    };
    EXPECT_TRUE(orange(125, 50)) << "the upper edge is cut";
    EXPECT_TRUE(orange(200, 125)) << "and the right one";
    EXPECT_FALSE(orange(125, 200)) << "the lower edge is not";
    EXPECT_FALSE(orange(375, 300)) << "nor the other contour";
    EXPECT_EQ(cutting_job_picture(two_panes(), 250).width(), 250);
}

} // namespace zesty
