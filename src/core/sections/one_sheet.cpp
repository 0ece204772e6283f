#include "core/sections/one_sheet.h"

#include "core/geometry/boolean.h"
#include "core/geometry/cuttable.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/geometry/segment_grid.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double from_the_rim = 0.3;

SegmentGrid rim_of(const Region& region) {
    std::vector<Segment> segments;
    for (const Polygon& p : region) {
        append_segments(segments, p.outer, 0, 0);
        for (const Ring& hole : p.holes) append_segments(segments, hole, 0, 0);
    }
    return SegmentGrid(std::move(segments));
}

bool crosses(const Ring& ring, const SegmentGrid& rim) {
    for (std::size_t i = 0; i < ring.size(); ++i)
        if (rim.meets(ring[i], ring[(i + 1) % ring.size()], [](const Segment&) { return true; })) return true;
    return false;
}

bool lies_in(const Ring& ring, const Region& region, const SegmentGrid& rim) {
    return !crosses(ring, rim) && std::any_of(region.begin(), region.end(),
                                              [&](const Polygon& p) { return contains(p, ring.front()); });
}

} // namespace

Result<Polygon> one_sheet(const Ring& silhouette, const std::vector<const Polygon*>& riders,
                          const Box& page) {
    const auto inner = grow({Polygon{silhouette, {}}}, -from_the_rim);
    if (!inner) return tl::make_unexpected(inner.error());
    Region parts = *inner;
    const SegmentGrid rim = rim_of(*inner);
    // Most riders lie well inside, and joining them would take longest.
    for (const Polygon* rider : riders)
        if (!rider->outer.empty() && !lies_in(rider->outer, *inner, rim)) parts.push_back(*rider);
    auto sheet = unite(parts);
    if (sheet) sheet = intersect(*sheet, {{ring_of(page), {}}});
    if (!sheet) return tl::make_unexpected(sheet.error());
    return sheet->empty() ? Polygon{} : made_cuttable(largest(*sheet));
}

Result<Region> sheets_beside(const std::vector<const Polygon*>& riders, const Region& other_openings) {
    constexpr double reach = 0.75 * mm_per_inch;
    Region all;
    for (const Polygon* rider : riders) all.push_back(*rider);
    auto joined = grow(all, reach / 2);
    if (joined) joined = grow(*joined, -reach / 2, Corner::Sharp);
    if (!joined) return joined;
    all.insert(all.end(), joined->begin(), joined->end());
    joined = unite(all);
    if (joined && !other_openings.empty()) joined = subtract(*joined, other_openings);
    return joined;
}

} // namespace zesty
