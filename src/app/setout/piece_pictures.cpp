#include "app/setout/piece_pictures.h"

#include "app/bench/theme.h"
#include "io/paint/textures.h"

#include <QPainter>
#include <algorithm>

namespace zesty {

namespace {

constexpr double picture_rim = 3;

/// Into the picture, with an even rim.
QTransform fitting(const Box& box) {
    const double room = picture_side - 2 * picture_rim;
    const double scale = room / std::max({box.width(), box.height(), 1e-9});
    const Point middle = box.centre();
    return QTransform(scale, 0, 0, scale, picture_side / 2.0 - middle.x * scale,
                      picture_side / 2.0 - middle.y * scale);
}

QImage blank() {
    QImage image(QSize(picture_side, picture_side) * theme::fineness, QImage::Format_ARGB32_Premultiplied);
    image.setDevicePixelRatio(theme::fineness);
    image.fill(Qt::transparent);
    return image;
}

void draw(QPainter& painter, const QPainterPath& path, const QColor& fill) {
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(fill.darker(130), 1));
    painter.setBrush(fill);
    painter.drawPath(path);
}

QColor shade(bool used) {
    return used ? theme::ink : theme::line;
}

} // namespace

std::vector<QImage> pictures_of_pieces(const Pickable& all, const std::vector<int>& left_out) {
    std::vector<QImage> out;
    for (std::size_t p = 0; p < all.pieces->pieces.size(); ++p) {
        const Piece& piece = all.pieces->pieces[p];
        QImage image = blank();
        QPainter painter(&image);
        const bool used = !std::binary_search(left_out.begin(), left_out.end(), static_cast<int>(p));
        draw(painter, fitting(piece.box).map(to_path(piece.outline)), shade(used));
        painter.end();
        out.push_back(std::move(image));
    }
    return out;
}

std::vector<QImage> pictures_of_layers(const Pickable& all, const std::vector<std::string>& used) {
    Box whole;
    for (const auto& layer : all.of_layer) whole.add(layer->box);
    std::vector<QImage> out;
    for (std::size_t l = 0; l < all.layers.size(); ++l) {
        QImage image = blank();
        QPainter painter(&image);
        const bool in_use = used.empty() || std::find(used.begin(), used.end(), all.layers[l]) != used.end();
        for (const Piece& piece : all.of_layer[l]->pieces)
            draw(painter, fitting(whole).map(to_path(piece.outline)), shade(in_use));
        painter.end();
        out.push_back(std::move(image));
    }
    return out;
}

} // namespace zesty
