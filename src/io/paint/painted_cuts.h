#pragma once
// Pictures of cuts with what backs them, kept while nothing about them changes: a photo that is dragged over
// the page does not paint the whole cut anew.

#include "core/geometry/shapes.h"
#include "core/project/plan.h"
#include "core/setout/placed_cut.h"

#include <QImage>
#include <QPainter>
#include <functional>
#include <map>
#include <memory>

namespace zesty {

/// A patch as it is painted.
struct PaintedPatch {
    Polygon outline;
    int paper = -1; ///< -1: still to be chosen
    Side side = Side::A;
    Transform from_sheet;
    bool short_of_paper = false;
    bool operator==(const PaintedPatch&) const = default;
};

/// All that the picture of a cut follows from.
struct PaintedCut {
    std::shared_ptr<const CutFile> cut;
    Transform to_page;
    Point corner; ///< of the paper it is cut from
    PlacedCut placed;
    std::vector<PaintedPatch> behind, on_top;
    unsigned textures = 0; ///< Textures::number
    QRgb bare = 0;
    QTransform view;
    QSize size;
    bool operator==(const PaintedCut&) const = default;
};

/// One thread at a time.
class PaintedCuts {
public:
    /// Draws what paint(painter) paints on a device of that size, or the picture from last time.
    void draw(QPainter& painter, int cut, PaintedCut key, const std::function<void(QPainter&)>& paint);

private:
    struct Kept {
        PaintedCut key;
        QImage picture;
    };
    std::map<int, Kept> kept_;
};

} // namespace zesty
