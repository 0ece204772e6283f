#include "io/inspect_json.h"

#include "core/geometry/measure.h"
#include "io/json_shapes.h"

namespace zesty {

using nlohmann::json;

namespace {

json width_or_null(double mm) {
    return std::isfinite(mm) ? json(rounded(mm)) : json(nullptr);
}

Box scaled(const Box& b, double s) {
    return {b.x0 * s, b.y0 * s, b.x1 * s, b.y1 * s};
}

} // namespace

json inspect_json(const CutFile& cut, double s) {
    json out{{"format", "zesty-inspect/1"},
             {"units", "mm"},
             {"size", {rounded(cut.box.width() * s), rounded(cut.box.height() * s)}},
             {"pieces", json::array()},
             {"openings", json::array()},
             {"narrowest_bar_mm", width_or_null(cut.narrowest_bar() * s)},
             {"cut_length_mm", rounded(cut.cut_length * s)},
             {"warnings", cut.warnings}};
    for (std::size_t i = 0; i < cut.pieces.size(); ++i)
        out["pieces"].push_back({{"id", "p" + std::to_string(i + 1)},
                                 {"area_mm2", rounded(cut.pieces[i].area * s * s)},
                                 {"bbox", to_json(scaled(cut.pieces[i].box, s))}});
    std::vector<double> narrowest(cut.openings.size(), std::numeric_limits<double>::infinity());
    for (auto bar = cut.bars.rbegin(); bar != cut.bars.rend(); ++bar) {
        narrowest[bar->a] = bar->width;
        if (bar->b != Bar::edge) narrowest[bar->b] = bar->width;
    }
    for (std::size_t i = 0; i < cut.openings.size(); ++i)
        out["openings"].push_back({{"id", "o" + std::to_string(i + 1)},
                                   {"area_mm2", rounded(cut.openings[i].area * s * s)},
                                   {"bbox", to_json(scaled(cut.openings[i].box, s))},
                                   {"narrowest_bar_mm", width_or_null(narrowest[i] * s)}});
    return out;
}

} // namespace zesty
