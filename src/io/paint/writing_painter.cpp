#include "io/paint/writing_painter.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double letter_height = 0.8; ///< of the line height
constexpr double font_scale = 0.05;   ///< fonts are laid out large, so that they stay even

/// A word or letter from `at` on, `wide` millimetres.
void paint_letters(QPainter& painter, const QString& letters, QPointF at, double turn_deg, double wide,
                   double line_height) {
    QFont font("Lato");
    font.setItalic(true);
    font.setPixelSize(std::max(1, static_cast<int>(letter_height * line_height / font_scale)));
    const double natural = QFontMetricsF(font).horizontalAdvance(letters) * font_scale;
    if (natural <= 0) return;
    painter.save();
    painter.translate(at);
    painter.rotate(turn_deg);
    painter.scale(font_scale * std::min(1.6, wide / natural), font_scale);
    painter.setFont(font);
    painter.drawText(QPointF(0, 0), letters);
    painter.restore();
}

} // namespace

void paint_writing(QPainter& painter, const Writing& writing, const WritingFacts& facts,
                   double letter_width) {
    if (writing.shape == WritingShape::Back) return;
    painter.setPen(QColor(writing.pen.r, writing.pen.g, writing.pen.b));
    const double letter = letter_width * writing.line_height;
    for (const WritingLine& line : facts.lines) {
        const QString text = QString::fromStdString(line.text);
        if (text.isEmpty()) continue;
        const QPointF from(line.from.x, line.from.y);
        if (line.radius <= 0) {
            const Point way = line.to - line.from;
            paint_letters(painter, text, from, std::atan2(way.y, way.x) * 180 / M_PI,
                          letter * static_cast<double>(text.size()), writing.line_height);
            continue;
        }
        const double step_deg = letter / line.radius * 180 / M_PI;
        for (qsizetype i = 0; i < text.size(); ++i) {
            const double deg = line.from_deg + static_cast<double>(i) * step_deg;
            const double angle = deg * M_PI / 180;
            const QPointF at(writing.centre.x + line.radius * std::cos(angle),
                             writing.centre.y + line.radius * std::sin(angle));
            paint_letters(painter, text.mid(i, 1), at, deg + 90, letter, writing.line_height);
        }
    }
}

void paint_writing_lines(QPainter& painter, const WritingFacts& facts) {
    for (const WritingLine& line : facts.lines) {
        const QPointF from(line.from.x, line.from.y);
        if (line.radius <= 0) {
            painter.drawLine(from, QPointF(line.to.x, line.to.y));
            continue;
        }
        const double angle = line.from_deg * M_PI / 180;
        const QPointF centre = from - QPointF(line.radius * std::cos(angle), line.radius * std::sin(angle));
        QPainterPath arc;
        const QRectF around(centre.x() - line.radius, centre.y() - line.radius, 2 * line.radius,
                            2 * line.radius);
        // Qt counts degrees the other way round.
        arc.arcMoveTo(around, -line.from_deg);
        arc.arcTo(around, -line.from_deg, -line.sweep_deg);
        painter.setBrush(Qt::NoBrush);
        painter.drawPath(arc);
    }
}

} // namespace zesty
