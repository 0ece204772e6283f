#include "core/setout/sizing.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

const std::vector<Holding>& holdings() {
    static const std::vector<Holding> all{{"blade", "the blade", 0.8},
                                          {"glue", "fine-tip glue", 1.5},
                                          {"foam", "foam strip", mm_per_inch / 8},
                                          {"tape", "tape", mm_per_inch / 4}};
    return all;
}

CutPlacement resized(const CutPlacement& place, const SetOut& now, const Page& page, double factor) {
    CutPlacement out = place;
    const double w = now.cut_box.width();
    const double h = now.cut_box.height();
    const double longer = std::max({w, h, 1e-9});
    factor = std::clamp(factor, least_cut / longer, greatest_cut / longer);
    switch (place.rule) {
    case SizeRule::Margin:
        out.length = std::min(page.full_width() - w * factor, page.height - h * factor) / 2;
        break;
    case SizeRule::Frame: {
        const Box base = base_of(page);
        out.length = std::min(base.width() - w * factor, base.height() - h * factor) / 2;
        break;
    }
    case SizeRule::Width:
        out.length = w * factor;
        break;
    case SizeRule::Height:
        out.length = h * factor;
        break;
    }
    return out;
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
