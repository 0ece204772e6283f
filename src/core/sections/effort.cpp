#include "core/sections/effort.h"

#include "core/geometry/measure.h"

namespace zesty {

namespace {

constexpr double blade_speed = 20;     // mm a second
constexpr double blade_lift = 0.4;     // seconds a contour
constexpr double pick_and_place = 0.5; // minutes
constexpr double glue_speed = 500;     // mm a minute, fine tip
constexpr double scissors_speed = 180;
constexpr double pencil_speed = 400;
constexpr double punching = 0.4; // minutes, with looking for the place
constexpr double foam_setting = 0.8;

} // namespace

double cutting_minutes(double length_mm, std::size_t contours) {
    return (length_mm / blade_speed + blade_lift * static_cast<double>(contours)) / 60;
}

double backing_minutes(const Patch& patch) {
    const double around = perimeter(patch.outline.outer);
    const double glue = around / glue_speed;
    const double machine = cutting_minutes(around, 1);
    switch (patch.fell_back ? BackingMethod::MachinePatches : patch.method) {
    case BackingMethod::TraceAndTrim:
        return pick_and_place + around / pencil_speed + around / scissors_speed + glue;
    case BackingMethod::GlueAndTrim:
        return pick_and_place + glue + around / scissors_speed;
    case BackingMethod::Punches:
        return pick_and_place + punching + glue;
    case BackingMethod::Inlay:
        return pick_and_place + machine + foam_setting;
    case BackingMethod::OneSheet:
        // One pass over the back of the whole cut, counted with the patch that carries the sheet.
        return patch.rides_on >= 0 ? 0
                                   : 2 * pick_and_place + perimeter(patch.on_sheet().outer) / scissors_speed;
    case BackingMethod::MachinePatches:
    case BackingMethod::EnlargedCopy:
    case BackingMethod::CutFrom:
        break;
    }
    return pick_and_place + machine + glue;
}

} // namespace zesty
