#include "core/project/thin_bars.h"

#include "core/geometry/lengths.h"

namespace zesty {

namespace {

constexpr double glue_holds_from = 1.0; ///< the finest dots by hand

} // namespace

std::vector<ThinBar> thin_bars(const Project& project, const Plan& plan) {
    std::vector<ThinBar> out;
    if (!plan.sections.cut) return out;
    const NarrowestBars& limits = project.set_out.bars;
    for (const Bar& bar : plan.sections.cut->bars) {
        const double width = bar.width * plan.set_out.whole.scale;
        if (width >= limits.glue) break;
        out.push_back({bar.a, bar.b, width,
                       width < limits.blade      ? "too narrow for the blade, it will tear"
                       : width < glue_holds_from ? "an adhesive sheet holds it"
                                                 : "an adhesive sheet, or dots of fine-tip glue, hold it"});
    }
    return out;
}

std::vector<std::string> thin_bars_in_words(const Project& project, const Plan& plan) {
    std::vector<std::string> out;
    for (const ThinBar& bar : thin_bars(project, plan))
        out.push_back("Bar between " + std::to_string(bar.a + 1) + " and " +
                      (bar.b == Bar::edge ? "the edge" : std::to_string(bar.b + 1)) + ", " +
                      format_mm(bar.width) + ": " + bar.holds + ".");
    return out;
}

} // namespace zesty
