#include "core/sections/decisions.h"

#include "core/setout/choices.h"

namespace zesty {

std::vector<double> BackingRules::usual_punches() {
    std::vector<double> out;
    for (const double in : {1.0, 1.25, 1.5, 1.75, 2.0, 2.5, 3.0}) out.push_back(in * mm_per_inch);
    return out;
}

const SectionChoice& SectionDecisions::choice(Spot section) const {
    return choice_in(choices, section);
}

void SectionDecisions::choose(Spot section, SectionChoice choice) {
    choose_in(choices, section, std::move(choice));
}

Spot SectionDecisions::section_of(Spot opening) const {
    for (const auto& g : groups)
        if (std::binary_search(g.begin(), g.end(), opening)) return g.front();
    return opening;
}

void set_bars(SectionDecisions& decisions, const std::vector<BarName>& bars, LipMode lips) {
    for (const BarName& bar : bars) {
        if (lips == decisions.backing.lips)
            decisions.bars.erase(bar);
        else
            decisions.bars[bar] = lips;
    }
}

bool gluing_order_matters(const SectionDecisions& decisions) {
    return decisions.backing.lips == LipMode::Overlap || !decisions.divisions.empty() ||
           std::any_of(decisions.bars.begin(), decisions.bars.end(),
                       [](const auto& bar) { return bar.second == LipMode::Overlap; }) ||
           std::any_of(decisions.choices.begin(), decisions.choices.end(),
                       [](const auto& c) { return c.second.order != 0; });
}

} // namespace zesty
