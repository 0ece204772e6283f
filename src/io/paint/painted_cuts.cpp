#include "io/paint/painted_cuts.h"

namespace zesty {

void PaintedCuts::draw(QPainter& painter, int cut, PaintedCut key,
                       const std::function<void(QPainter&)>& paint) {
    key.view = painter.combinedTransform();
    key.size = QSize(painter.device()->width(), painter.device()->height());
    Kept& kept = kept_[cut];
    if (kept.picture.isNull() || !(kept.key == key)) {
        QImage picture(key.size, QImage::Format_ARGB32_Premultiplied);
        picture.setDevicePixelRatio(painter.device()->devicePixelRatioF());
        picture.fill(Qt::transparent);
        QPainter on_picture(&picture);
        on_picture.setRenderHints(painter.renderHints());
        // What the pixel ratio makes of it is added for the picture as for the painter.
        on_picture.setTransform(painter.worldTransform());
        paint(on_picture);
        on_picture.end();
        kept = {std::move(key), std::move(picture)};
    }
    painter.save();
    painter.resetTransform();
    painter.drawImage(QPointF(0, 0), kept.picture);
    painter.restore();
}

} // namespace zesty
