#include "core/geometry/boolean.h"

#include "core/geometry/geos.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <limits>

namespace zesty {

using geos::context;
using geos::Geometry;

namespace {

Geometry repaired(const Region& region) {
    Geometry g = geos::multi(region);
    if (g && GEOSisValid_r(context(), g.get()) == 1) return g;
    return Geometry(GEOSMakeValid_r(context(), g.get()));
}

bool good(const Geometry& g) {
    return g && GEOSisValid_r(context(), g.get()) == 1;
}

/// Tries `plain`, then `snapped` with a grid, and says what failed.
template <class Plain, class Snapped>
Result<Region> ladder(const Box& box, const char* what, Plain plain, Snapped snapped) {
    Geometry result(plain());
    if (!good(result)) result.reset(snapped(std::max(box.diagonal(), 1.0) * 1e-7));
    if (!good(result))
        return fail(ErrorKind::Geometry, std::string("areas could not be ") + what + " near " +
                                             std::to_string(box.centre().x) + ", " +
                                             std::to_string(box.centre().y) + ": " + geos::last_message());
    return geos::region(result.get());
}

} // namespace

Result<Region> unite(const Region& parts) {
    if (parts.empty()) return Region{};
    std::vector<GEOSGeometry*> list;
    for (const Polygon& p : parts) list.push_back(repaired({p}).release());
    const Geometry all(GEOSGeom_createCollection_r(context(), GEOS_GEOMETRYCOLLECTION, list.data(),
                                                   static_cast<unsigned>(list.size())));
    return ladder(
        bounds(parts), "joined", [&] { return GEOSUnaryUnion_r(context(), all.get()); },
        [&](double grid) { return GEOSUnaryUnionPrec_r(context(), all.get(), grid); });
}

Result<Region> intersect(const Region& a, const Region& b) {
    const Geometry ga = repaired(a);
    const Geometry gb = repaired(b);
    return ladder(
        bounds(a), "intersected", [&] { return GEOSIntersection_r(context(), ga.get(), gb.get()); },
        [&](double grid) { return GEOSIntersectionPrec_r(context(), ga.get(), gb.get(), grid); });
}

Result<Region> subtract(const Region& a, const Region& b) {
    const Geometry ga = repaired(a);
    const Geometry gb = repaired(b);
    return ladder(
        bounds(a), "subtracted", [&] { return GEOSDifference_r(context(), ga.get(), gb.get()); },
        [&](double grid) { return GEOSDifferencePrec_r(context(), ga.get(), gb.get(), grid); });
}

Result<Region> clipped(const Polygon& polygon, const Box& box) {
    if (box.holds(bounds(polygon))) return Region{polygon};
    return intersect({polygon}, {{ring_of(box), {}}});
}

Result<Region> grow(const Region& region, double by, Corner corner, int facets) {
    const Geometry g = repaired(region);
    const int join = corner == Corner::Round ? GEOSBUF_JOIN_ROUND : GEOSBUF_JOIN_MITRE;
    const auto buffer = [&](const GEOSGeometry* from) {
        return GEOSBufferWithStyle_r(context(), from, by, facets, GEOSBUF_CAP_ROUND, join, 5.0);
    };
    return ladder(
        bounds(region), "grown", [&] { return buffer(g.get()); },
        [&](double grid) {
            const Geometry coarse(GEOSGeom_setPrecision_r(context(), g.get(), grid, 0));
            return coarse ? buffer(coarse.get()) : nullptr;
        });
}

bool is_valid(const Region& region) {
    const Geometry g = geos::multi(region);
    return good(g);
}

double clearance_of(const Polygon& polygon) {
    const Geometry g = geos::polygon(polygon);
    double distance = 0;
    if (!g || GEOSMinimumClearance_r(context(), g.get(), &distance) != 0) return 0;
    return distance;
}

Polygon simplified(const Polygon& polygon, double tolerance) {
    const Geometry g = geos::polygon(polygon);
    // The plain method is several times faster and almost always good enough.
    Geometry s(GEOSSimplify_r(context(), g.get(), tolerance));
    if (!good(s) || GEOSGeomTypeId_r(context(), s.get()) != GEOS_POLYGON)
        s.reset(GEOSTopologyPreserveSimplify_r(context(), g.get(), tolerance));
    if (!good(s)) return polygon;
    Region r = geos::region(s.get());
    return r.size() == 1 ? std::move(r.front()) : polygon;
}

/// About some point of it; none is larger than what it is narrower than.
static std::optional<Circle> circle_in_sliver(const GEOSGeometry* area) {
    const Geometry inside(GEOSPointOnSurface_r(context(), area));
    const Geometry rim(GEOSBoundary_r(context(), area));
    Circle c;
    if (!inside || !rim || GEOSGeomGetX_r(context(), inside.get(), &c.centre.x) != 1 ||
        GEOSGeomGetY_r(context(), inside.get(), &c.centre.y) != 1)
        return std::nullopt;
    GEOSDistance_r(context(), inside.get(), rim.get(), &c.radius);
    return c;
}

std::optional<Circle> largest_circle(const Polygon& polygon, double tolerance) {
    if (polygon.outer.size() < 3) return std::nullopt;
    const Geometry g = repaired({polygon});
    if (!g || GEOSisEmpty_r(context(), g.get()) != 0) return std::nullopt;
    // The search begins with squares as wide as the box is: millions, where that is a hair and three metres.
    if (const Box box = bounds(polygon); std::min(box.width(), box.height()) < 2 * tolerance)
        return circle_in_sliver(g.get());
    const Geometry radius(GEOSMaximumInscribedCircle_r(context(), g.get(), tolerance));
    if (!radius) return std::nullopt;
    const GEOSCoordSequence* seq = GEOSGeom_getCoordSeq_r(context(), radius.get());
    Circle c;
    Point rim;
    GEOSCoordSeq_getXY_r(context(), seq, 0, &c.centre.x, &c.centre.y);
    GEOSCoordSeq_getXY_r(context(), seq, 1, &rim.x, &rim.y);
    c.radius = distance(c.centre, rim);
    return c;
}

std::optional<Circle> smallest_circle_around(const Ring& ring) {
    if (ring.size() < 2) return std::nullopt;
    const Geometry line = geos::line(ring, true);
    double radius = 0;
    GEOSGeometry* centre = nullptr;
    const Geometry circle(GEOSMinimumBoundingCircle_r(context(), line.get(), &radius, &centre));
    const Geometry owned(centre);
    if (!circle || !centre) return std::nullopt;
    Circle c;
    c.radius = radius;
    GEOSGeomGetX_r(context(), centre, &c.centre.x);
    GEOSGeomGetY_r(context(), centre, &c.centre.y);
    return c;
}

Ring smallest_rectangle_around(const Ring& ring) {
    if (ring.size() < 3) return {};
    // One side of it lies on an edge of the convex hull (H. Freeman, R. Shapira, "Determining the
    // minimum-area encasing rectangle for an arbitrary closed curve", Comm. ACM 18, 1975).
    const Geometry line = geos::line(ring, true);
    const Geometry around(GEOSConvexHull_r(context(), line.get()));
    if (!around) return {};
    const Region region = geos::region(around.get());
    if (region.empty()) return {};
    const Ring& hull = region.front().outer;
    Ring best;
    double least = std::numeric_limits<double>::infinity();
    for (std::size_t i = 0; i < hull.size(); ++i) {
        const Point d = hull[(i + 1) % hull.size()] - hull[i];
        const Transform turn = Transform::turned_deg(std::atan2(d.y, d.x) * 180 / M_PI);
        const Box b = bounds(transformed(hull, inverse(turn)));
        if (b.area() >= least) continue;
        least = b.area();
        best = transformed(ring_of(b), turn);
    }
    return best;
}

struct MeasuredRing::Inner {
    Geometry line;
    const GEOSPreparedGeometry* prepared;
    explicit Inner(const Ring& ring)
        : line(geos::line(ring, true)), prepared(GEOSPrepare_r(context(), line.get())) {}
    Inner(const Inner&) = delete;
    Inner& operator=(const Inner&) = delete;
    ~Inner() { GEOSPreparedGeom_destroy_r(context(), prepared); }
};

MeasuredRing::MeasuredRing(const Ring& ring) : inner_(std::make_unique<Inner>(ring)) {}
MeasuredRing::~MeasuredRing() = default;
MeasuredRing::MeasuredRing(MeasuredRing&&) noexcept = default;
MeasuredRing& MeasuredRing::operator=(MeasuredRing&&) noexcept = default;

Gap MeasuredRing::gap_to(const MeasuredRing& other) const {
    Gap out;
    GEOSCoordSequence* seq =
        GEOSPreparedNearestPoints_r(context(), inner_->prepared, other.inner_->line.get());
    if (!seq) return out;
    GEOSCoordSeq_getXY_r(context(), seq, 0, &out.from.x, &out.from.y);
    GEOSCoordSeq_getXY_r(context(), seq, 1, &out.to.x, &out.to.y);
    GEOSCoordSeq_destroy_r(context(), seq);
    out.distance = distance(out.from, out.to);
    return out;
}

Gap gap(const Ring& a, const Ring& b) {
    return MeasuredRing(a).gap_to(MeasuredRing(b));
}

struct AskedArea::Inner {
    Polygon polygon;
    Geometry made; ///< once it is asked for or about
    const GEOSPreparedGeometry* prepared = nullptr;
    explicit Inner(const Polygon& of) : polygon(of) {}
    GEOSGeometry* area() {
        if (!made) made = repaired({polygon});
        return made.get();
    }
    Inner(const Inner&) = delete;
    Inner& operator=(const Inner&) = delete;
    ~Inner() {
        if (prepared) GEOSPreparedGeom_destroy_r(context(), prepared);
    }
};

AskedArea::AskedArea(const Polygon& polygon) : inner_(std::make_unique<Inner>(polygon)) {}
AskedArea::~AskedArea() = default;
AskedArea::AskedArea(AskedArea&&) noexcept = default;
AskedArea& AskedArea::operator=(AskedArea&&) noexcept = default;

bool AskedArea::meets(const AskedArea& other) const {
    if (!inner_->prepared) inner_->prepared = GEOSPrepare_r(context(), inner_->area());
    return GEOSPreparedIntersects_r(context(), inner_->prepared, other.inner_->area()) != 0;
}

struct BoxIndex::Inner {
    GEOSSTRtree* tree;
    std::vector<std::size_t> numbers;
    std::vector<Geometry> shapes;

    explicit Inner(const std::vector<Box>& boxes) : tree(GEOSSTRtree_create_r(context(), 8)) {
        numbers.resize(boxes.size());
        for (std::size_t i = 0; i < boxes.size(); ++i) {
            numbers[i] = i;
            if (boxes[i].empty()) continue;
            shapes.push_back(rectangle(boxes[i]));
            GEOSSTRtree_insert_r(context(), tree, shapes.back().get(), &numbers[i]);
        }
    }
    Inner(const Inner&) = delete;
    Inner& operator=(const Inner&) = delete;
    ~Inner() { GEOSSTRtree_destroy_r(context(), tree); }

    static Geometry rectangle(const Box& b) { return geos::line({{b.x0, b.y0}, {b.x1, b.y1}}, false); }
};

BoxIndex::BoxIndex(const std::vector<Box>& boxes) : inner_(std::make_unique<Inner>(boxes)) {}
BoxIndex::~BoxIndex() = default;
BoxIndex::BoxIndex(BoxIndex&&) noexcept = default;
BoxIndex& BoxIndex::operator=(BoxIndex&&) noexcept = default;

std::vector<int> BoxIndex::meeting(const Box& box) const {
    std::vector<int> out;
    if (box.empty() || inner_->shapes.empty()) return out;
    const Geometry asked = Inner::rectangle(box);
    GEOSSTRtree_query_r(
        context(), inner_->tree, asked.get(),
        [](void* item, void* user) {
            static_cast<std::vector<int>*>(user)->push_back(
                static_cast<int>(*static_cast<std::size_t*>(item)));
        },
        &out);
    std::sort(out.begin(), out.end());
    return out;
}

} // namespace zesty
