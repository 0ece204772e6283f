#include "core/setout/sizing.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

std::vector<Holding> holdings(const NarrowestBars& bars) {
    return {{"blade", "the blade", bars.blade},
            {"glue", "fine-tip glue", bars.glue},
            {"foam", "foam strip", bars.foam},
            {"tape", "tape", bars.tape}};
}

CutPlacement resized(const CutPlacement& place, const SetOut& now, const Page& page, double factor) {
    const Point own = now.ruled;
    const Point turned = now.ruled_turned;
    const double longer = std::max({own.x, own.y, 1e-9});
    factor = std::clamp(factor, least_cut / longer, greatest_cut / longer);
    switch (place.rule) {
    case SizeRule::Margin:
        return sized(place, place.rule,
                     std::min(page.full_width() - turned.x * factor, page.full_height() - turned.y * factor) /
                         2);
    case SizeRule::Frame: {
        const Box base = base_of(page);
        return sized(place, place.rule,
                     std::min(base.width() - turned.x * factor, base.height() - turned.y * factor) / 2);
    }
    case SizeRule::Width:
        return sized(place, place.rule, own.x * factor);
    case SizeRule::Height:
        break;
    }
    return sized(place, place.rule, own.y * factor);
}

double ruling_length(const CutPlacement& place, const SetOut& now) {
    switch (place.rule) {
    case SizeRule::Width:
        return now.ruled.x;
    case SizeRule::Height:
        return now.ruled.y;
    case SizeRule::Margin:
    case SizeRule::Frame:
        break;
    }
    // As it was typed, while the cut lies as it did then; after that what has become of it.
    if (sized(place, place.rule, place.length) == place) return place.length;
    return place.rule == SizeRule::Margin ? now.border : now.frame_gap;
}

std::optional<double> growth_for_bar(const SetOut& now, double wanted) {
    if (!std::isfinite(now.thinnest_bar) || now.thinnest_bar <= 0) return {};
    return wanted / now.thinnest_bar;
}

std::pair<Point, Point> snapped(const CutFile& cut, const Transform& to_page, Point from, Point to,
                                double reach) {
    const auto snap = [&](Point p) {
        Point best = p;
        double least = reach;
        const auto look = [&](const Ring& ring) {
            for (std::size_t i = 0; i < ring.size(); ++i) {
                const Point q = closest_on_segment(p, to_page(ring[i]), to_page(ring[(i + 1) % ring.size()]));
                if (const double d = distance(p, q); d < least) {
                    least = d;
                    best = q;
                }
            }
        };
        for (const Piece& piece : cut.pieces) {
            look(piece.outline.outer);
            for (const Ring& h : piece.outline.holes) look(h);
        }
        return best;
    };
    return {snap(from), snap(to)};
}

} // namespace zesty
