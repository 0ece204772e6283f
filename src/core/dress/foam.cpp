#include "core/dress/foam.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/extras.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double behind_an_edge = 1; ///< mm that foam stays back, so that it is not seen
constexpr double longest_strip = 12; ///< mm
constexpr double pads_every = 50;    ///< mm, in the middle of what is large
constexpr double strips_reach = 25;  ///< mm from a strip that nothing more is wanted
constexpr double large_opening = 15; ///< mm: radius from which an opening wants a pad of its own
constexpr double circle_exact = 0.5; ///< mm

/// The largest pad for a place so far from everything it must not show beside; 0 for none.
double pad_for(double radius) {
    for (const double side : {usual_pad, small_pad, smallest_pad})
        if (radius >= side / 2 * std::sqrt(2.0)) return side;
    return 0;
}

bool in_free_part(const DressNow& now, Point at) {
    return std::any_of(now.decided.free_parts.begin(), now.decided.free_parts.end(),
                       [&](const FreePart& f) { return distance(f.centre, at) < f.radius; });
}

void add_strips(const DressNow& now, const Ring& line, FoamPlaces& out) {
    for (std::size_t i = 0; i < line.size(); ++i) {
        const Point a = line[i];
        const Point b = line[(i + 1) % line.size()];
        // Short ones, as each has the thickness of its own place.
        const int parts = std::max(1, static_cast<int>(std::ceil(distance(a, b) / longest_strip)));
        for (int k = 0; k < parts; ++k) {
            const Point from = a + (b - a) * (static_cast<double>(k) / parts);
            const Point to = a + (b - a) * (static_cast<double>(k + 1) / parts);
            if (!in_free_part(now, (from + to) * 0.5)) out.strips.push_back({from, to, 0});
        }
    }
}

void add_middle_pads(const DressNow& now, const Polygon& inner, FoamPlaces& out) {
    const auto middle = grow({inner}, -strips_reach);
    if (!middle) return;
    for (const Polygon& p : *middle) {
        const Box box = bounds(p);
        const double columns = std::max(1.0, std::ceil(box.width() / pads_every));
        const double rows = std::max(1.0, std::ceil(box.height() / pads_every));
        for (double r = 0; r < rows; ++r)
            for (double c = 0; c < columns; ++c) {
                const Point at{box.x0 + (c + 0.5) * box.width() / columns,
                               box.y0 + (r + 0.5) * box.height() / rows};
                if (contains(p, at) && !in_free_part(now, at)) out.pads.push_back({at, usual_pad, 0});
            }
    }
}

} // namespace

FoamPlaces foam_behind(const DressNow& now, const Region& outline) {
    FoamPlaces out;
    const double width = now.foam_width;
    for (const Polygon& part : outline) {
        const auto inner = grow({part}, -(width / 2 + behind_an_edge), Corner::Sharp);
        if (inner && !inner->empty() && bounds(*inner).diagonal() > 2 * width) {
            for (const Polygon& p : *inner) {
                add_strips(now, p.outer, out);
                add_middle_pads(now, p, out);
            }
            continue;
        }
        const auto middle = largest_circle(part, circle_exact);
        const double side = middle ? pad_for(middle->radius - behind_an_edge / 2) : 0;
        if (side > 0 && !in_free_part(now, middle->centre)) out.pads.push_back({middle->centre, side, 0});
    }
    return out;
}

FoamPlaces foam_behind_cut(const DressNow& now, const TuckZones& zones, int cut) {
    FoamPlaces out;
    const CutFile& of = *now.sections.cut;
    const Transform& to_page = now.whole.to_page;
    const double scale = to_page.scale();
    const double wanted = now.foam_width + 2 * foam_setback;
    if (now.bar_places)
        for (const BarPlace& place : *now.bar_places) {
            if (of.pieces[static_cast<std::size_t>(place.piece)].layer != cut || place.width * scale < wanted)
                continue;
            const Point at = to_page(place.at);
            if (lies_in(zones.never, at)) continue;
            const Point half = (to_page(place.at + place.along) - at) * (place.length / 2);
            out.strips.push_back({at - half, at + half, 0});
        }
    for (std::size_t o = 0; o < of.openings.size(); ++o) {
        if (now.sections.cut_of_opening[o] != cut || patch_of(now.sections, static_cast<int>(o)) < 0)
            continue;
        const Treatment treatment =
            now.sections.all[static_cast<std::size_t>(now.sections.of_opening[o])].treatment;
        if (treatment == Treatment::Shaker || treatment == Treatment::Translucent) continue;
        const double radius = of.openings[o].label.radius * scale;
        const bool bars_hide = of.narrowest_bar(static_cast<int>(o)) * scale >= wanted;
        if (treatment != Treatment::Inlay && bars_hide && radius < large_opening) continue;
        const Point at = to_page(of.openings[o].label.centre);
        const double side = pad_for(radius - foam_setback);
        if (side > 0 && !lies_in(zones.never, at)) out.pads.push_back({at, side, 0});
    }
    return out;
}

} // namespace zesty
