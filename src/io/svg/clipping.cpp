#include "io/svg/clipping.h"

#include "core/geometry/boolean.h"
#include "core/geometry/fill.h"
#include "core/geometry/measure.h"

#include <cmath>

namespace zesty::svg {

bool leaves_whole(const Region& clip, const Box& box) {
    if (clip.size() != 1 || !clip[0].holes.empty() || clip[0].outer.size() != 4) return false;
    const Box b = bounds(clip);
    const double slack = box.diagonal() * 1e-6;
    return std::abs(area(clip) - b.width() * b.height()) < 1e-6 * area(clip) && b.x0 <= box.x0 + slack &&
           b.y0 <= box.y0 + slack && b.x1 >= box.x1 - slack && b.y1 >= box.y1 - slack;
}

Result<Shape> clipped(Shape shape, const Region& clip) {
    FilledPath path{{}, shape.rule};
    for (const Contour& c : shape.contours) path.rings.push_back(c.points);
    const auto whole = fill(path);
    if (!whole) return tl::make_unexpected(whole.error());
    const auto part = intersect(*whole, clip);
    if (!part) return tl::make_unexpected(part.error());
    shape.contours.clear();
    shape.rule = FillRule::EvenOdd;
    for (const Polygon& p : *part) {
        shape.contours.push_back({p.outer, true});
        for (const Ring& h : p.holes) shape.contours.push_back({h, true});
    }
    return shape;
}

} // namespace zesty::svg
