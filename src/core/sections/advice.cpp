#include "core/sections/advice.h"

#include "core/geometry/measure.h"
#include "core/sections/effort.h"
#include "core/sections/method_shapes.h"

#include <algorithm>
#include <limits>

namespace zesty {

namespace {

constexpr double bar_for_glue = 1.0; ///< below it no lip can be glued by hand
constexpr double narrow_lip = 1.5;
constexpr double small_across = 12; ///< scissors do not like smaller ones
constexpr double large_across = 25;
constexpr double round_enough = 0.9; ///< 4 pi area / perimeter^2; a circle has 1
constexpr std::size_t few_corners = 8;

} // namespace

MethodAdvice advised_method(const Polygon& opening, double narrowest_bar, const BackingRules& rules,
                            Units units) {
    const auto inside = largest_circle(opening, 0.1);
    const double across = inside ? 2 * inside->radius : 0;
    const double around = perimeter(opening.outer);
    const double roundness = around > 0 ? 4 * M_PI * area({opening.outer, {}}) / (around * around) : 0;
    if (narrowest_bar < bar_for_glue)
        return {BackingMethod::OneSheet,
                "Its narrowest bar is " + format_mm(narrowest_bar) +
                    ": too narrow for a lip; stick the cut on one paper with an adhesive sheet."};
    if (roundness > round_enough) {
        const Polygon room{opening.outer, {}};
        const auto grown = grow({room}, std::min(narrowest_bar, 12.0));
        if (grown && !grown->empty())
            if (const auto p = punch_behind(opening, grown->front(), rules.punches))
                return {BackingMethod::Punches, "It is round: the punch of " +
                                                    format_length(p->diameter, units) +
                                                    " covers it with a lip of " + format_mm(p->lip) + "."};
    }
    if (across < small_across)
        return {BackingMethod::MachinePatches,
                "It is " + format_mm(across) +
                    " across: a blade cuts so small a patch better than scissors."};
    const bool simple = simplified(opening, across * 0.02).outer.size() <= few_corners;
    if (simple && across > large_across)
        return {BackingMethod::TraceAndTrim,
                "It is large and simple, " + format_length(across, units) +
                    " across: tracing and cutting by hand wastes the least paper."};
    if (simple)
        return {BackingMethod::MachinePatches,
                "It is simple but only " + format_length(across, units) +
                    " across: a machine patch saves the tracing, scissors would do."};
    return {BackingMethod::MachinePatches,
            "Its outline has many turns: a blade follows them better than scissors."};
}

MethodFigures figures_of(BackingMethod method, const Backing& backing, const Pace& pace) {
    MethodFigures out;
    out.method = method;
    out.failed = static_cast<int>(backing.without_patch.size());
    out.smallest_lip = std::numeric_limits<double>::infinity();
    for (const Patch& p : backing.patches) {
        out.paper_area += p.paper_area();
        out.minutes += backing_minutes(p, pace);
        out.failed += p.fell_back;
        const bool lipless =
            !p.fell_back && (p.method == BackingMethod::Inlay || p.method == BackingMethod::CutFrom ||
                             (p.method == BackingMethod::Punches && p.border > 0));
        if (lipless || p.trimmed) continue;
        out.smallest_lip = std::min(out.smallest_lip, p.lip);
        out.narrow_lips += p.lip < narrow_lip;
    }
    return out;
}

} // namespace zesty
