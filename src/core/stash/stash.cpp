#include "core/stash/stash.h"

#include "core/geometry/measure.h"

namespace zesty {

namespace {

SheetKind kind_of(const SheetStock& stock) {
    if (stock.irregular) return SheetKind::Offcut;
    const Box b = bounds(stock.outline);
    const double longer = std::max(b.width(), b.height());
    const double shorter = std::min(b.width(), b.height());
    if (longer > 215) return SheetKind::Full;
    return shorter >= 140 ? SheetKind::Pad : SheetKind::Card;
}

/// What of a sheet is left without its strip.
Polygon without_strip(const SheetStock& stock, double strip) {
    if (strip <= 0 || stock.irregular) return stock.outline;
    const Box b = bounds(stock.outline);
    return {ring_of(Box{b.x0, b.y0, b.x1, std::max(b.y0, b.y1 - strip)}), {}};
}

} // namespace

int Stash::find(const std::string& id) const {
    for (std::size_t i = 0; i < papers.size(); ++i)
        if (papers[i].id == id) return static_cast<int>(i);
    return -1;
}

std::vector<Sheet> sheets_of(const Stash& stash) {
    std::vector<Sheet> out;
    for (std::size_t p = 0; p < stash.papers.size(); ++p) {
        int number = 0;
        for (const SheetStock& s : stash.papers[p].sheets) {
            const Polygon usable = without_strip(s, stash.papers[p].strip);
            for (int k = 0; k < s.count; ++k)
                out.push_back({stash.papers[p].id + "#" + std::to_string(++number), static_cast<int>(p),
                               usable, area(usable), kind_of(s)});
        }
    }
    return out;
}

const char* name_of(SheetKind kind) {
    switch (kind) {
    case SheetKind::Gutted:
        return "gutted middle";
    case SheetKind::Offcut:
        return "offcut";
    case SheetKind::Card:
        return "card";
    case SheetKind::Pad:
        return "pad sheet";
    case SheetKind::Full:
        break;
    }
    return "sheet";
}

const char* name_of(Pattern pattern) {
    switch (pattern) {
    case Pattern::Solid:
        return "solid";
    case Pattern::Small:
        return "small";
    case Pattern::Large:
        return "large";
    case Pattern::Stripe:
        return "stripe";
    case Pattern::Ombre:
        return "ombre";
    case Pattern::Picture:
        break;
    }
    return "picture";
}

const char* name_of(Direction direction) {
    return direction == Direction::Free ? "free" : direction == Direction::Half ? "half" : "fixed";
}

Box picture_box(const Paper& paper) {
    Box box;
    box.add(Point{0, 0});
    for (const SheetStock& s : paper.sheets) {
        const Box b = bounds(s.outline);
        box.add(Point{b.x1, b.y1});
    }
    return box;
}

} // namespace zesty
