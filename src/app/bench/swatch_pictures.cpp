#include "app/bench/swatch_pictures.h"

#include <QCoreApplication>
#include <QPainter>
#include <QThread>
#include <algorithm>

namespace zesty {

namespace {

constexpr qsizetype most_kilobytes = 16 << 10;

/// Papers without a picture differ by their colour alone.
QString key_of(const Textures& textures, const SwatchPictures::Wanted& w) {
    return QString("%1 %2 %3 %4 %5x%6 %7 %8")
        .arg(textures.picture_number(w.paper, w.side))
        .arg(textures.colour(w.paper, w.side).rgba())
        .arg(static_cast<int>(w.side))
        .arg(w.whole)
        .arg(w.size.width())
        .arg(w.size.height())
        .arg(w.pixels_per_unit)
        .arg(w.units_per_mm);
}

QImage painted(const Textures& textures, const SwatchPictures::Wanted& w) {
    QImage out((QSizeF(w.size) * w.pixels_per_unit).toSize(), QImage::Format_RGB32);
    out.fill(textures.colour(w.paper, w.side));
    QPainter p(&out);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const double scale = w.units_per_mm * w.pixels_per_unit;
    p.scale(scale, scale);
    const QSizeF room(out.width() / scale, out.height() / scale);
    if (w.whole) {
        const Box sheet = textures.covers(w.paper, w.side);
        const Transform squeezed{room.width() / std::max(sheet.width(), 1.0),   0, 0,
                                 room.height() / std::max(sheet.height(), 1.0), 0, 0};
        p.fillRect(QRectF(QPointF(), room), textures.brush(w.paper, squeezed, 0, w.side));
    } else {
        p.fillRect(QRectF(QPointF(), room), textures.brush(w.paper, {}, scale, w.side));
    }
    p.end();
    out.setDevicePixelRatio(w.pixels_per_unit);
    return out;
}

} // namespace

SwatchPictures::SwatchPictures(QObject* parent) : QObject(parent), painted_(most_kilobytes) {
    // The page comes first, and what is worked out for it.
    pool_.setThreadPriority(QThread::IdlePriority);
}

QImage SwatchPictures::picture(const std::shared_ptr<const Textures>& textures, const Wanted& wanted,
                               QWidget* wants) {
    const QString key = key_of(*textures, wanted);
    if (const QImage* known = painted_.object(key)) return *known;
    auto& waiting = asked_[key];
    waiting << QPointer<QWidget>(wants);
    if (waiting.size() > 1) return {};
    pool_.start([textures, wanted, key, here = QPointer<SwatchPictures>(this)] {
        QImage image = painted(*textures, wanted);
        QMetaObject::invokeMethod(
            qApp,
            [here, key, image = std::move(image)] {
                if (!here) return;
                const auto waited = here->asked_.extract(key);
                here->painted_.insert(key, new QImage(image),
                                      std::max<qsizetype>(1, image.sizeInBytes() >> 10));
                for (const auto& who : waited.mapped())
                    if (who) who->update();
            },
            Qt::QueuedConnection);
    });
    return {};
}

} // namespace zesty
