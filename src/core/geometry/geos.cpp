#include "core/geometry/geos.h"

namespace zesty::geos {

namespace {

void remember(const char* message, void* userdata) {
    *static_cast<std::string*>(userdata) = message;
}

struct Context {
    std::string message;
    GEOSContextHandle_t handle;
    Context() : handle(GEOS_init_r()) { GEOSContext_setErrorMessageHandler_r(handle, remember, &message); }
    Context(const Context&) = delete;
    Context& operator=(const Context&) = delete;
    ~Context() { GEOS_finish_r(handle); }
};

Context& mine() {
    thread_local Context c;
    return c;
}

GEOSCoordSequence* coordinates(const Ring& ring, bool closed) {
    const auto n = static_cast<unsigned>(ring.size() + (closed ? 1 : 0));
    GEOSCoordSequence* seq = GEOSCoordSeq_create_r(context(), n, 2);
    for (unsigned i = 0; i < n; ++i) {
        const Point p = ring[i % ring.size()];
        GEOSCoordSeq_setXY_r(context(), seq, i, p.x, p.y);
    }
    return seq;
}

Ring points(const GEOSGeometry* ring) {
    const GEOSCoordSequence* seq = GEOSGeom_getCoordSeq_r(context(), ring);
    unsigned n = 0;
    GEOSCoordSeq_getSize_r(context(), seq, &n);
    Ring out;
    out.reserve(n);
    for (unsigned i = 0; i + 1 < n; ++i) {
        Point p;
        GEOSCoordSeq_getXY_r(context(), seq, i, &p.x, &p.y);
        out.push_back(p);
    }
    return out;
}

Polygon to_polygon(const GEOSGeometry* g) {
    Polygon p;
    p.outer = points(GEOSGetExteriorRing_r(context(), g));
    const int holes = GEOSGetNumInteriorRings_r(context(), g);
    for (int i = 0; i < holes; ++i) p.holes.push_back(points(GEOSGetInteriorRingN_r(context(), g, i)));
    return p;
}

void collect(const GEOSGeometry* g, Region& out) {
    const int type = GEOSGeomTypeId_r(context(), g);
    if (type == GEOS_POLYGON) {
        if (GEOSisEmpty_r(context(), g) == 0) out.push_back(to_polygon(g));
    } else if (type == GEOS_MULTIPOLYGON || type == GEOS_GEOMETRYCOLLECTION) {
        const int n = GEOSGetNumGeometries_r(context(), g);
        for (int i = 0; i < n; ++i) collect(GEOSGetGeometryN_r(context(), g, i), out);
    }
}

} // namespace

GEOSContextHandle_t context() {
    return mine().handle;
}

std::string last_message() {
    return mine().message;
}

Geometry line(const Ring& ring, bool closed) {
    return Geometry(GEOSGeom_createLineString_r(context(), coordinates(ring, closed)));
}

Geometry polygon(const Polygon& p) {
    if (p.outer.size() < 3) return Geometry(GEOSGeom_createEmptyPolygon_r(context()));
    GEOSGeometry* shell = GEOSGeom_createLinearRing_r(context(), coordinates(p.outer, true));
    std::vector<GEOSGeometry*> holes;
    for (const Ring& h : p.holes)
        if (h.size() >= 3) holes.push_back(GEOSGeom_createLinearRing_r(context(), coordinates(h, true)));
    return Geometry(
        GEOSGeom_createPolygon_r(context(), shell, holes.data(), static_cast<unsigned>(holes.size())));
}

Geometry multi(const Region& region) {
    if (region.size() == 1) return polygon(region.front());
    std::vector<GEOSGeometry*> parts;
    for (const Polygon& p : region) parts.push_back(polygon(p).release());
    return Geometry(GEOSGeom_createCollection_r(context(), GEOS_MULTIPOLYGON, parts.data(),
                                                static_cast<unsigned>(parts.size())));
}

Region region(const GEOSGeometry* geometry) {
    Region out;
    collect(geometry, out);
    return out;
}

Result<std::vector<Face>> faces(const std::vector<Ring>& rings, double grid) {
    std::vector<GEOSGeometry*> lines;
    for (const Ring& r : rings) lines.push_back(line(r, true).release());
    const Geometry all(GEOSGeom_createCollection_r(context(), GEOS_MULTILINESTRING, lines.data(),
                                                   static_cast<unsigned>(lines.size())));
    const Geometry noded(grid > 0 ? GEOSUnaryUnionPrec_r(context(), all.get(), grid)
                                  : GEOSUnaryUnion_r(context(), all.get()));
    if (!noded)
        return fail(ErrorKind::Geometry, "lines could not be cut where they cross: " + last_message());
    const GEOSGeometry* parts[] = {noded.get()};
    const Geometry polygons(GEOSPolygonize_r(context(), parts, 1));
    if (!polygons) return fail(ErrorKind::Geometry, "lines could not be joined to areas: " + last_message());
    std::vector<Face> out;
    const int n = GEOSGetNumGeometries_r(context(), polygons.get());
    for (int i = 0; i < n; ++i) {
        const GEOSGeometry* g = GEOSGetGeometryN_r(context(), polygons.get(), i);
        const Geometry at(GEOSPointOnSurface_r(context(), g));
        if (!at || GEOSisEmpty_r(context(), at.get()) != 0) continue;
        Face f{to_polygon(g), {}};
        GEOSGeomGetX_r(context(), at.get(), &f.inside.x);
        GEOSGeomGetY_r(context(), at.get(), &f.inside.y);
        out.push_back(std::move(f));
    }
    return out;
}

} // namespace zesty::geos
