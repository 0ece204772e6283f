#include "core/project/long_pieces.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/strip_in_sheet.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double nearly = 0.97; ///< of the longest sheet
constexpr double exactly = 1e-6;

bool is_upright_rectangle(const Polygon& p) {
    const Box box = bounds(p);
    return p.outer.size() == 4 && std::abs(signed_area(p.outer)) >= box.area() * (1 - exactly);
}

Region free_of(const DressCutting::OfPaper& paper, std::size_t sheet, double gap) {
    if (paper.pinned[sheet].empty()) return {paper.sheets[sheet].outline};
    const auto grown = grow(paper.pinned[sheet], gap, Corner::Sharp);
    const auto free = grown ? subtract({paper.sheets[sheet].outline}, *grown) : grown;
    return free ? *free : Region{};
}

/// Where the piece lies in one of the parts, and how: moved, or turned by a quarter and moved.
std::optional<Transform> place_in(const Region& parts, const Polygon& piece, Direction way) {
    const Box box = bounds(piece);
    for (const Polygon& part : parts)
        for (const bool turned : {false, true}) {
            if (turned && way != Direction::Free) continue;
            const double width = turned ? box.height() : box.width();
            const double height = turned ? box.width() : box.height();
            const auto found = strip_in(part, std::min(width, height), std::max(width, height));
            if (!found || std::abs(found->width() - width) > exactly || found->height() < height - exactly)
                continue;
            const Transform turn = Transform::turned_deg(turned ? 90 : 0);
            const Box upright = bounds(transformed(piece, turn));
            return Transform::moved(found->x0 - upright.x0, found->y0 - upright.y0) * turn;
        }
    return {};
}

} // namespace

DressCutting::OfPaper without_long_pieces(const DressCutting::OfPaper& paper, double gap,
                                          std::vector<DressPlace>& places) {
    DressCutting::OfPaper out = paper;
    double longest = 0;
    for (const Sheet& s : paper.sheets)
        longest = std::max(longest, std::max(bounds(s.outline).width(), bounds(s.outline).height()));
    for (std::size_t i = out.blanks.size(); i-- > 0;) {
        const Polygon& blank = out.blanks[i];
        const Box box = bounds(blank);
        if (std::max(box.width(), box.height()) < nearly * longest || !is_upright_rectangle(blank)) continue;
        for (std::size_t s = 0; s < out.sheets.size(); ++s) {
            const auto placed = place_in(free_of(out, s, gap), blank, out.ways[i]);
            if (!placed) continue;
            const Polygon on_sheet = transformed(blank, *placed);
            places[static_cast<std::size_t>(out.pieces[i])] = {out.numbers[s], on_sheet};
            out.pinned[s].push_back({on_sheet.outer, {}});
            const auto at = static_cast<std::ptrdiff_t>(i);
            out.pieces.erase(out.pieces.begin() + at);
            out.blanks.erase(out.blanks.begin() + at);
            out.ways.erase(out.ways.begin() + at);
            break;
        }
    }
    return out;
}

} // namespace zesty
