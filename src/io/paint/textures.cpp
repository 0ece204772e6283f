#include "io/paint/textures.h"

#include "io/picture.h"

namespace zesty {

QTransform to_qt(const Transform& t) {
    return {t.a, t.b, t.c, t.d, t.e, t.f};
}

QColor to_qt(Rgb c) {
    return {c.r, c.g, c.b};
}

QPainterPath to_path(const Polygon& polygon) {
    QPainterPath path;
    path.setFillRule(Qt::OddEvenFill);
    const auto add = [&](const Ring& ring) {
        if (ring.empty()) return;
        path.moveTo(ring[0].x, ring[0].y);
        for (std::size_t i = 1; i < ring.size(); ++i) path.lineTo(ring[i].x, ring[i].y);
        path.closeSubpath();
    };
    add(polygon.outer);
    for (const Ring& h : polygon.holes) add(h);
    return path;
}

QPainterPath to_path(const Region& region) {
    QPainterPath path;
    path.setFillRule(Qt::OddEvenFill);
    for (const Polygon& p : region) path.addPath(to_path(p));
    return path;
}

Textures::Textures(const Stash& stash) {
    for (const Paper& p : stash.papers) {
        Texture t{{}, to_qt(p.colour), picture_box(p)};
        if (const auto found = stash.pictures.find(p.picture); found != stash.pictures.end()) {
            const auto picture = read_picture(QByteArray::fromStdString(found->second));
            QImage image = picture ? picture->convertToFormat(QImage::Format_ARGB32_Premultiplied) : QImage();
            for (int level = 0; level < 4 && !image.isNull(); ++level) {
                t.images.push_back(image);
                if (std::min(image.width(), image.height()) < 64) break;
                image = image.scaled(image.size() / 2, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
            }
        }
        textures_.push_back(std::move(t));
    }
}

QColor Textures::colour(int paper) const {
    return paper >= 0 && paper < static_cast<int>(textures_.size()) ? textures_[paper].colour
                                                                    : QColor(Qt::white);
}

QBrush Textures::brush(int paper, const Transform& sheet_to_target, double pixels_per_mm) const {
    if (paper < 0 || paper >= static_cast<int>(textures_.size())) return Qt::white;
    const Texture& t = textures_[paper];
    if (t.images.empty()) return t.colour;
    // Pixels to millimetres of the sheet: the picture keeps its proportions across the longer side.
    const double longer = std::max(t.covers.width(), t.covers.height());
    const auto mm_per_pixel = [&](const QImage& i) {
        return longer / std::max(1, std::max(i.width(), i.height()));
    };
    std::size_t level = 0;
    while (pixels_per_mm > 0 && level + 1 < t.images.size() &&
           mm_per_pixel(t.images[level + 1]) * pixels_per_mm < 1.3)
        ++level;
    QBrush brush(t.images[level]);
    brush.setTransform(to_qt(sheet_to_target * Transform::scaled(mm_per_pixel(t.images[level]))));
    return brush;
}

} // namespace zesty
