#include "core/sections/effort.h"

#include "core/geometry/measure.h"

namespace zesty {

double cutting_minutes(double length_mm, std::size_t contours, const Pace& pace) {
    return (length_mm / pace.blade + pace.blade_lift * static_cast<double>(contours)) / 60;
}

double backing_minutes(const Patch& patch, const Pace& pace) {
    const double around = perimeter(patch.outline.outer);
    const double placing = pace.placing / 60;
    const double glue = around / pace.glue / 60;
    const double scissors = around / pace.scissors / 60;
    const double machine = cutting_minutes(around, 1, pace);
    switch (patch.fell_back ? BackingMethod::MachinePatches : patch.method) {
    case BackingMethod::TraceAndTrim:
        return placing + around / pace.pencil / 60 + scissors + glue;
    case BackingMethod::GlueAndTrim:
        return placing + glue + scissors;
    case BackingMethod::Punches:
        return placing + pace.punching / 60 + glue;
    case BackingMethod::Inlay:
        return placing + machine + pace.foam / 60;
    case BackingMethod::OneSheet:
        // One pass over the back of the whole cut, counted with the patch that carries the sheet.
        return patch.rides_on >= 0 ? 0 : 2 * placing + perimeter(patch.on_sheet().outer) / pace.scissors / 60;
    case BackingMethod::MachinePatches:
    case BackingMethod::EnlargedCopy:
    case BackingMethod::CutFrom:
        break;
    }
    return placing + machine + glue;
}

} // namespace zesty
