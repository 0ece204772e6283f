#pragma once
// Papers as brushes at true scale.

#include "core/project/plan.h"

#include <QBrush>
#include <QImage>
#include <QPainterPath>
#include <map>

namespace zesty {

QTransform to_qt(const Transform& t);
QPainterPath to_path(const Polygon& polygon);
QPainterPath to_path(const Region& region);
QColor to_qt(Rgb colour);

/// The pictures of a stash, decoded once. Copies share the images.
class Textures {
public:
    Textures() = default;
    explicit Textures(const Stash& stash);

    /// The paper as it lies on its sheets, seen through `sheet_to_target` (millimetres to millimetres). With
    /// so many pixels to a millimetre of the target a picture of matching fineness is taken, so that small
    /// prints do not shimmer; 0 takes the finest.
    QBrush brush(int paper, const Transform& sheet_to_target, double pixels_per_mm = 0) const;
    QColor colour(int paper) const;

private:
    struct Texture {
        std::vector<QImage> images; ///< each half as fine as the one before; empty for a plain colour
        QColor colour;
        Box covers; ///< on the sheet
    };
    std::vector<Texture> textures_;
};

} // namespace zesty
