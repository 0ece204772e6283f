#include "core/setout/copies.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <numbers>

namespace zesty {

namespace {

constexpr double within = 0.05;    // as for the finding that a cut hangs off the page
constexpr double scan_step = 6.35; // of the search for a free place
constexpr int halvings = 30;

/// The middle of what the size rule goes by, so that layers of a drawing stay in register.
Point anchor_of(const CopiedCut& of) {
    return (of.sized_by ? *of.sized_by : of.cut).box.centre();
}

SetOut placed(const CopiedCut& of, const Page& page, const CutPlacement& place) {
    return set_out(of.cut, page, place, Units::Inches, {.sized_by = of.sized_by});
}

/// Copy number `k`, its middle at `at`.
CutPlacement copy_at(const CopiedCut& of, const Page& page, Point at, double turn_deg, bool mirrored) {
    CutPlacement place = of.place;
    if (mirrored) {
        place.mirrored = !place.mirrored;
        place.turn_deg = -place.turn_deg;
    }
    place.turn_deg = std::remainder(place.turn_deg + turn_deg, 360.0);
    place.shift = place.shift + (at - placed(of, page, place).to_page(anchor_of(of)));
    return place;
}

Box around(const CopiedCut& of, const Page& page, const std::vector<CutPlacement>& places) {
    Box box;
    for (const CutPlacement& p : places) box.add(placed(of, page, p).cut_box);
    return box;
}

std::vector<CutPlacement> ring_places(const CopiedCut& of, const Page& page, const CopyRing& ring) {
    std::vector<CutPlacement> out;
    for (int k = 0; k < ring.count; ++k) {
        const double deg = ring.first_deg + 360.0 * k / ring.count;
        const double a = deg * std::numbers::pi / 180;
        const Point at = ring.centre + Point{std::sin(a), -std::cos(a)} * ring.radius;
        out.push_back(copy_at(of, page, at, ring.facing_out ? deg : 0, ring.mirrored && k % 2 == 1));
    }
    return out;
}

/// Moved as little as possible to lie between 0 and `most`.
double into(double low, double high, double most) {
    return low < 0 ? -low : high > most ? std::max(most - high, -low) : 0;
}

std::vector<CutPlacement> row_places(const CopiedCut& of, const Page& page, const CopyRow& row) {
    const Point from = placed(of, page, of.place).to_page(anchor_of(of));
    std::vector<CutPlacement> out;
    for (int k = 0; k < row.count; ++k) {
        const double along = row.step * k;
        const double across = k % 2 == 1 ? row.stagger : 0;
        const Point by = row.down ? Point{across, along} : Point{along, across};
        out.push_back(copy_at(of, page, from + by, 0, row.mirrored && k % 2 == 1));
    }
    const Box box = around(of, page, out);
    const Point back{into(box.x0, box.x1, page.full_width()), into(box.y0, box.y1, page.full_height())};
    for (CutPlacement& p : out) p.shift = p.shift + back;
    return out;
}

/// The largest length up to `wanted` with which all is on the page; 0 for none.
double largest_that_fits(double wanted, const std::function<bool(double)>& fits) {
    double good = 0, bad = wanted;
    for (int i = 0; i < halvings; ++i) (fits((good + bad) / 2) ? good : bad) = (good + bad) / 2;
    // Said in 1/16 in, and still true.
    return std::floor(good / mm_per_inch * 16) / 16 * mm_per_inch;
}

tl::unexpected<Error> too_wide(const std::string& what, double largest, Units units) {
    return fail(ErrorKind::NothingToDo,
                what + (largest > 0 ? "; " + format_length(largest, units) + " is the most that fits"
                                    : "; the cut is too large for that at its size"));
}

} // namespace

Result<std::vector<CutPlacement>> in_ring(const CopiedCut& of, const Page& page, const CopyRing& ring,
                                          Units units) {
    const auto fits = [&](const std::vector<CutPlacement>& places) {
        return page.whole().grown(within).holds(around(of, page, places));
    };
    auto places = ring_places(of, page, ring);
    if (fits(places)) return places;
    const double largest = largest_that_fits(ring.radius, [&](double radius) {
        CopyRing smaller = ring;
        smaller.radius = radius;
        return fits(ring_places(of, page, smaller));
    });
    return too_wide("a circle of copies with a radius of " + format_length(ring.radius, units) +
                        " hangs off the page",
                    largest, units);
}

Result<std::vector<CutPlacement>> in_row(const CopiedCut& of, const Page& page, const CopyRow& row,
                                         Units units) {
    const auto fits = [&](const std::vector<CutPlacement>& places) {
        return page.whole().grown(within).holds(around(of, page, places));
    };
    auto places = row_places(of, page, row);
    if (fits(places)) return places;
    const double largest = largest_that_fits(row.step, [&](double step) {
        CopyRow closer = row;
        closer.step = step;
        return fits(row_places(of, page, closer));
    });
    return too_wide(std::to_string(row.count) + " copies " + format_length(row.step, units) +
                        " apart hang off the page",
                    largest, units);
}

Point beside_on_page(const Page& page, const std::vector<Box>& taken, const Box& of, double gap) {
    const auto leaves = page.leaves();
    const auto on_leaf = [&](const Box& box) {
        return std::any_of(leaves.begin(), leaves.end(),
                           [&](const Box& leaf) { return leaf.grown(within).holds(box); });
    };
    const auto moved = [&](Point by) { return Box{of.x0 + by.x, of.y0 + by.y, of.x1 + by.x, of.y1 + by.y}; };
    const auto is_free = [&](Point by) {
        const Box box = moved(by);
        return on_leaf(box) && std::none_of(taken.begin(), taken.end(), [&](const Box& t) {
                   return box.x0 < t.x1 && t.x0 < box.x1 && box.y0 < t.y1 && t.y0 < box.y1;
               });
    };
    const double across = of.width() + gap;
    const double down = of.height() + gap;
    std::vector<Point> ways{{across, 0}, {-across, 0}, {0, down}, {0, -down}};
    if (page.spread) {
        // In the same place of the other page.
        const double leaf = page.width + page.gap;
        ways.push_back({of.centre().x < page.width ? leaf : -leaf, 0});
    }
    for (const Point by : ways)
        if (is_free(by)) return by;
    for (const Box& leaf : leaves)
        for (double y = leaf.y0; y + of.height() <= leaf.y1 + within; y += scan_step)
            for (double x = leaf.x0; x + of.width() <= leaf.x1 + within; x += scan_step)
                if (is_free({x - of.x0, y - of.y0})) return {x - of.x0, y - of.y0};
    const Box beside = moved({across, 0});
    return Point{across, 0} + Point{into(beside.x0, beside.x1, page.full_width()),
                                    into(beside.y0, beside.y1, page.full_height())};
}

} // namespace zesty
