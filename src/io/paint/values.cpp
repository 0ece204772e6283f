#include "io/paint/values.h"

#include <algorithm>

namespace zesty {

namespace {
constexpr int spots_across = 48; ///< that half-closed eyes tell apart
} // namespace

QImage as_seen(const QImage& picture, Seen seen) {
    if ((seen != Seen::Grey && seen != Seen::Squint) || picture.isNull()) return picture;
    QImage out = picture;
    if (seen == Seen::Grey) {
        out = picture.convertToFormat(QImage::Format_Grayscale8).convertToFormat(picture.format());
    } else {
        // Twice, as once leaves the edges of the spots.
        for (const int spots : {spots_across, 2 * spots_across}) {
            const double shrunk =
                std::min(1.0, static_cast<double>(spots) / std::max(picture.width(), picture.height()));
            const QSize small(std::max(1, static_cast<int>(picture.width() * shrunk)),
                              std::max(1, static_cast<int>(picture.height() * shrunk)));
            out = out.scaled(small, Qt::IgnoreAspectRatio, Qt::SmoothTransformation)
                      .scaled(picture.size(), Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
        }
        out = out.convertToFormat(picture.format());
    }
    out.setDevicePixelRatio(picture.devicePixelRatio());
    return out;
}

} // namespace zesty
