#include "io/paint/cutting_job_painter.h"

#include "core/geometry/lengths.h"
#include "io/cutting_file.h"
#include "io/paint/textures.h"

#include <QPainterPath>
#include <algorithm>

namespace zesty {

namespace {

QPainterPath path_of(const std::vector<Ring>& rings) {
    QPainterPath out;
    out.setFillRule(Qt::OddEvenFill);
    for (const Ring& r : rings) out.addPath(to_path(Polygon{r, {}}));
    return out;
}

/// The beginning of a contour, so many millimetres of it.
QPainterPath beginning_of(const Ring& ring, double length) {
    QPainterPath out(QPointF(ring.front().x, ring.front().y));
    for (std::size_t i = 0; i < ring.size() && length > 0; ++i) {
        const Point a = ring[i];
        const Point b = ring[(i + 1) % ring.size()];
        const double edge = distance(a, b);
        if (edge <= 0) continue;
        const Point to = edge <= length ? b : a + (b - a) * (length / edge);
        out.lineTo(to.x, to.y);
        length -= edge;
    }
    return out;
}

void paint_label(QPainter& painter, const CuttingFile::Label& label, double least, const QColor& colour) {
    constexpr double detail = 20; // fonts have whole sizes: drawn large and scaled down
    QFont font("Lato");
    font.setPixelSize(std::max(1, static_cast<int>(std::max(label.size, least) * detail)));
    painter.save();
    painter.translate(label.at.x, label.at.y);
    painter.scale(1 / detail, 1 / detail);
    painter.setFont(font);
    painter.setPen(colour);
    painter.drawText(QRectF(-4000, -1000, 8000, 2000), Qt::AlignCenter, QString::fromStdString(label.text));
    painter.restore();
}

} // namespace

void paint_cutting_job(QPainter& painter, const CuttingJob& job, const CuttingJobLook& look) {
    const QRectF mat(0, 0, job.file.width, job.file.height);
    painter.save();
    painter.fillRect(mat, look.mat);
    painter.setClipRect(mat.adjusted(-1, -1, 1, 1), Qt::IntersectClip);
    QColor grid = look.ink;
    grid.setAlphaF(0.1F);
    painter.setPen(QPen(grid, look.line * 0.7));
    for (double x = mm_per_inch; x < job.file.width; x += mm_per_inch)
        painter.drawLine(QPointF(x, 0), QPointF(x, job.file.height));
    for (double y = mm_per_inch; y < job.file.height; y += mm_per_inch)
        painter.drawLine(QPointF(0, y), QPointF(job.file.width, y));
    if (!job.file.sheet.empty()) {
        painter.setPen(QPen(look.ink, look.line, Qt::DashLine));
        painter.setBrush(look.waste);
        painter.drawPath(path_of(job.file.sheet));
    }
    painter.setPen(QPen(look.ink, look.line));
    painter.setBrush(look.paper);
    painter.drawPath(path_of(job.file.contours));
    QPen done(look.cut, look.line * 2.5);
    done.setCapStyle(Qt::FlatCap);
    painter.setPen(done);
    painter.setBrush(Qt::NoBrush);
    for (std::size_t i = 0; i < std::min(look.done.size(), job.file.contours.size()); ++i)
        if (look.done[i] > 0 && !job.file.contours[i].empty())
            painter.drawPath(beginning_of(job.file.contours[i], look.done[i]));
    painter.setPen(QPen(look.pen, look.line * 1.5));
    for (const auto& [from, to] : registration_lines(job.file))
        painter.drawLine(QPointF(from.x, from.y), QPointF(to.x, to.y));
    for (const CuttingFile::Label& l : job.file.labels) paint_label(painter, l, look.least_label, look.ink);
    painter.setPen(QPen(look.ink, look.line * 1.5));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(mat);
    painter.restore();
}

QImage cutting_job_picture(const CuttingJob& job, int pixels) {
    const double scale = pixels / std::max({job.file.width, job.file.height, 1.0});
    QImage out(std::max(1, static_cast<int>(job.file.width * scale)),
               std::max(1, static_cast<int>(job.file.height * scale)), QImage::Format_RGB32);
    out.fill(Qt::white);
    QPainter painter(&out);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(scale, scale);
    paint_cutting_job(painter, job);
    return out;
}

} // namespace zesty
