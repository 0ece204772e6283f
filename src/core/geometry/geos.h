#pragma once
// How the rest of geometry/ talks to GEOS. Nothing outside geometry/ includes this.
// Each thread has its own context, so that every function may be called from any thread.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <geos_c.h>
#include <memory>

namespace zesty::geos {

GEOSContextHandle_t context();
/// What GEOS last complained about in this thread.
std::string last_message();

struct Destroy {
    void operator()(GEOSGeometry* g) const { GEOSGeom_destroy_r(context(), g); }
};
using Geometry = std::unique_ptr<GEOSGeometry, Destroy>;

/// Points of a ring, closed or not, as GEOS wants them.
Geometry line(const Ring& ring, bool closed);
Geometry polygon(const Polygon& polygon);
Geometry multi(const Region& region);
/// The polygons in a result; lines and points that an overlay leaves are dropped.
Region region(const GEOSGeometry* geometry);

struct Face {
    Polygon polygon;
    Point inside;
};
/// All bounded faces of the arrangement of the closed rings; `grid` > 0 snaps to it first.
Result<std::vector<Face>> faces(const std::vector<Ring>& rings, double grid);

} // namespace zesty::geos
