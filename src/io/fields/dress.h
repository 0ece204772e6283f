#pragma once
// What is stored of Dress.

#include "core/dress/decisions.h"
#include "core/setout/placed_cut.h"
#include "io/fields/description.h"
#include "io/fields/set_out.h"

namespace zesty {

template <class F, Describes<Writing> T> void describe(F& f, T& w) {
    f.word("shape", w.shape);
    f.text("text", w.text);
    f.point("centre_mm", w.centre, place_limits);
    f.number("width_mm", w.width, writing_side_limits);
    f.number("height_mm", w.height, writing_side_limits);
    f.number("turn_deg", w.turn_deg, turn_limits);
    f.number("radius_mm", w.radius, writing_radius_limits);
    f.number("from_deg", w.from_deg, turn_limits);
    f.number("sweep_deg", w.sweep_deg, sweep_limits);
    f.number("line_height_mm", w.line_height, line_height_limits);
    f.colour("pen", w.pen);
}

template <class F, Describes<PaperLayer> T> void describe(F& f, T& layer) {
    f.text("name", layer.name);
    f.word("shape", layer.shape);
    f.text("paper", layer.paper);
    f.word("side", layer.side);
    f.point("centre_mm", layer.centre, place_limits);
    f.number("width_mm", layer.width, layer_side_limits);
    f.number("height_mm", layer.height, layer_side_limits);
    f.number("turn_deg", layer.turn_deg, turn_limits);
    f.word("edge", layer.edge);
    f.number("inset_mm", layer.inset, layer_inset_limits);
    f.flag("torn", layer.torn);
    f.number("tear_mm", layer.tear, layer_tear_limits);
    f.word("place", layer.place);
}

template <class F, Describes<DressDecisions> T> void describe(F& f, T& dress) {
    f.list("layers", dress.layers, [](auto& o, auto& layer) { describe(o, layer); });
    if constexpr (std::is_same_v<F, Settler>)
        if (dress.layers.size() > most_layers) dress.layers.resize(most_layers);
    f.check("layers", [&] { return dress.layers.size() <= most_layers; });
    f.list("writings", dress.writings, [](auto& o, auto& w) { describe(o, w); });
    f.number("letter_width", dress.letter_width, letter_width_limits);
}

} // namespace zesty
