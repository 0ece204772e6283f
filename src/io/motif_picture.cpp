#include "io/motif_picture.h"

#include "core/geometry/measure.h"
#include "core/stash/sharing.h"

#include <QBuffer>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double finest = 12;                  ///< pixels to a millimetre
constexpr double most_pixels_of_a_motif = 600; ///< of the longer side
constexpr const char* picture_name = "fussy-cut.png";

int pixels(double length, double fine) {
    return std::max(1, static_cast<int>(std::ceil(length * fine)));
}

/// The box of the motif, also what of it lies beside the outline: whoever paints it clips it.
std::string png_of(const Textures& textures, int paper, const Box& box) {
    const double fine = std::min(finest, most_pixels_of_a_motif / std::max(box.width(), box.height()));
    QImage image(pixels(box.width(), fine), pixels(box.height(), fine), QImage::Format_RGB32);
    QPainter painter(&image);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.scale(image.width() / box.width(), image.height() / box.height());
    painter.translate(-box.x0, -box.y0);
    painter.fillRect(QRectF(box.x0, box.y0, box.width(), box.height()), textures.brush(paper, {}, fine));
    painter.end();
    QBuffer png;
    png.open(QIODevice::WriteOnly);
    image.save(&png, "PNG");
    return png.data().toStdString();
}

} // namespace

Result<Stash> with_motif_cut_out_and_shown(Stash stash, std::size_t paper, std::size_t motif,
                                           const Textures& textures) {
    const auto number = static_cast<int>(paper);
    std::string shown;
    if (textures.picture_number(number, Side::A) > 0) {
        const Box box = bounds(stash.papers[paper].fussy_cuts[motif].outline);
        shown = with_picture(stash, picture_name,
                             std::make_shared<const std::string>(png_of(textures, number, box)));
    }
    return with_motif_cut_out(std::move(stash), paper, motif, shown);
}

} // namespace zesty
