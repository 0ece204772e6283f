#include "core/dress/layers.h"

#include "core/geometry/measure.h"
#include "core/setout/set_out.h"

#include <cmath>

namespace zesty {

namespace {

constexpr int hill_steps = 24;
constexpr double foot_of_hill = 0.35; ///< how high its sides are, of its height

/// In its own directions, its middle at the origin, with so much more all round.
Ring hill(double width, double height, double more) {
    Ring out{{width / 2 + more, height / 2 + more}, {-width / 2 - more, height / 2 + more}};
    for (int i = 0; i <= hill_steps; ++i) {
        const double t = static_cast<double>(i) / hill_steps;
        const double rise = foot_of_hill + (1 - foot_of_hill) * (1 - std::cos(2 * M_PI * t)) / 2;
        out.push_back({(t - 0.5) * (width + 2 * more), height / 2 - height * rise - more});
    }
    return out;
}

/// Along the edge of every page there is, tape runs on one base after the other: this is of the first.
Box tape_box(const PaperLayer& layer, const Page& page) {
    const Box base = base_of(page);
    const double w = layer.height;
    switch (layer.edge) {
    case BaseEdge::Left:
        return {base.x0 + layer.inset, base.y0, base.x0 + layer.inset + w, base.y1};
    case BaseEdge::Right:
        return {base.x1 - layer.inset - w, base.y0, base.x1 - layer.inset, base.y1};
    case BaseEdge::Top:
        return {base.x0, base.y0 + layer.inset, base.x1, base.y0 + layer.inset + w};
    case BaseEdge::Bottom:
        break;
    }
    return {base.x0, base.y1 - layer.inset - w, base.x1, base.y1 - layer.inset};
}

} // namespace

Polygon outline_of(const PaperLayer& layer, const Page& page) {
    if (layer.shape == LayerShape::Tape) return {ring_of(tape_box(layer, page)), {}};
    const Ring upright =
        layer.shape == LayerShape::Hill
            ? hill(layer.width, layer.height, 0)
            : ring_of({-layer.width / 2, -layer.height / 2, layer.width / 2, layer.height / 2});
    return {transformed(upright, Transform::moved(layer.centre.x, layer.centre.y) *
                                     Transform::turned_deg(layer.turn_deg)),
            {}};
}

Polygon blank_of(const PaperLayer& layer, const Page& page) {
    double w = layer.width;
    double h = layer.height;
    if (layer.shape == LayerShape::Tape) {
        const Box box = tape_box(layer, page);
        w = box.width();
        h = box.height();
    }
    // The torn edge of a hill needs its allowance above, what is torn all round needs it everywhere.
    const double sides = layer.torn ? layer.tear : 0;
    const double above = layer.torn || layer.shape == LayerShape::Hill ? layer.tear : 0;
    const Box box{-w / 2 - sides, -h / 2 - above, w / 2 + sides, h / 2 + sides};
    const Point middle = box.centre();
    return {ring_of({box.x0 - middle.x, box.y0 - middle.y, box.x1 - middle.x, box.y1 - middle.y}), {}};
}

std::string name_of(const PaperLayer& layer, std::size_t place) {
    if (!layer.name.empty()) return layer.name;
    const char* const shape = layer.shape == LayerShape::Hill   ? "Torn hill "
                              : layer.shape == LayerShape::Tape ? "Tape "
                                                                : "Strip ";
    return shape + std::to_string(place + 1);
}

} // namespace zesty
