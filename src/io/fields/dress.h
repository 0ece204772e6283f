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

template <class F, Describes<DressDecisions> T> void describe(F& f, T& dress) {
    f.list("writings", dress.writings, [](auto& o, auto& w) { describe(o, w); });
    f.number("letter_width", dress.letter_width, letter_width_limits);
}

} // namespace zesty
