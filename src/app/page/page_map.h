#pragma once

#include "core/geometry/shapes.h"

#include <QPointF>
#include <QRectF>

namespace zesty {

/// From page millimetres to pixels of a view.
struct PageMap {
    double scale = 1; ///< pixels per millimetre
    QPointF origin;   ///< of the page, in pixels

    QPointF operator()(Point p) const { return {origin.x() + p.x * scale, origin.y() + p.y * scale}; }
    QRectF rect(const Box& b) const { return {(*this)(Point{b.x0, b.y0}), (*this)(Point{b.x1, b.y1})}; }
    Point back(QPointF p) const { return {(p.x() - origin.x()) / scale, (p.y() - origin.y()) / scale}; }
    bool operator==(const PageMap&) const = default;
};

} // namespace zesty
