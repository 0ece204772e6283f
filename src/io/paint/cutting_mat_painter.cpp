#include "io/paint/cutting_mat_painter.h"

#include "core/geometry/measure.h"
#include "io/paint/textures.h"

#include <map>

namespace zesty {

namespace {

void paint_ground(QPainter& painter, const CuttingMat& size, const CuttingMatLook& look) {
    painter.fillRect(QRectF(0, 0, size.width, size.height), look.mat);
    // Ticks along the edges, longer at every inch and longest at every third.
    painter.setPen(QPen(look.ticks, look.line));
    const auto ticks = [&](double length, const auto& draw) {
        int k = 1;
        for (double at = mm_per_inch / 2; at < length - 1; at += mm_per_inch / 2, ++k)
            draw(at, look.label * (k % 6 == 0 ? 1.2 : k % 2 == 0 ? 0.8 : 0.4));
    };
    ticks(size.width, [&](double x, double tick) {
        painter.drawLine(QPointF(x, 0), QPointF(x, tick));
        painter.drawLine(QPointF(x, size.height - tick), QPointF(x, size.height));
    });
    ticks(size.height, [&](double y, double tick) {
        painter.drawLine(QPointF(0, y), QPointF(tick, y));
        painter.drawLine(QPointF(size.width - tick, y), QPointF(size.width, y));
    });
    painter.setPen(QPen(look.ink, look.line * 1.5));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(QRectF(0, 0, size.width, size.height));
}

void paint_tag(QPainter& painter, QPointF at, const QString& text, const CuttingMatLook& look) {
    QFont font("Lato");
    // Fonts have whole sizes: the text is drawn large and scaled down.
    constexpr double detail = 20;
    font.setPixelSize(static_cast<int>(look.label * detail));
    font.setBold(true);
    painter.save();
    painter.translate(at);
    painter.scale(1 / detail, 1 / detail);
    painter.setFont(font);
    QRectF box = QFontMetricsF(font).tightBoundingRect(text);
    box = QRectF(0, 0, box.width() + look.label * detail * 0.7, look.label * detail * 1.3);
    box.moveCenter({0, 0});
    painter.setPen(QPen(look.ink, look.line * detail));
    painter.setBrush(QColor(255, 255, 255, 235));
    painter.drawRoundedRect(box, 8, 8);
    painter.drawText(box, Qt::AlignCenter, text);
    painter.restore();
}

} // namespace

void paint_cutting_mat(QPainter& painter, const CutFile& cut, const std::vector<InsertLabel>& labels,
                       const std::vector<OnCuttingMat>& pieces, const CuttingMat& size,
                       const CuttingMatLook& look) {
    std::map<int, const InsertLabel*> label_of;
    for (const InsertLabel& l : labels) label_of[l.piece] = &l;
    painter.save();
    paint_ground(painter, size, look);
    painter.setPen(QPen(look.ink, look.line));
    for (const OnCuttingMat& p : pieces) {
        painter.setBrush(label_of.contains(p.piece) ? look.insert : look.paper);
        painter.drawPath(to_path(transformed(cut.pieces[p.piece].outline, p.to_cutting_mat)));
    }
    for (const OnCuttingMat& p : pieces) {
        const auto found = label_of.find(p.piece);
        if (found == label_of.end()) continue;
        const InsertLabel& l = *found->second;
        const Point at = p.to_cutting_mat(l.in_piece);
        // Beside pieces that are smaller than their label.
        const double room = l.room * p.to_cutting_mat.scale();
        const Box box = bounds(transformed(cut.pieces[p.piece].outline, p.to_cutting_mat));
        const QPointF spot =
            room > look.label ? QPointF(at.x, at.y) : QPointF(box.x1 + look.label, box.y0 - look.label * 0.4);
        paint_tag(painter, spot, QString::fromStdString(insert_label(l.copy + p.copy, l.number)), look);
    }
    painter.restore();
}

QImage cutting_mat_picture(const CutFile& cut, const std::vector<InsertLabel>& labels,
                           const std::vector<OnCuttingMat>& pieces, const CuttingMat& size, int pixels) {
    const double scale = pixels / std::max(size.width, size.height);
    QImage image(std::max(1, static_cast<int>(std::lround(size.width * scale))),
                 std::max(1, static_cast<int>(std::lround(size.height * scale))), QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(scale, scale);
    paint_cutting_mat(painter, cut, labels, pieces, size);
    return image;
}

} // namespace zesty
