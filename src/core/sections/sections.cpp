#include "core/sections/sections.h"

#include <algorithm>

namespace zesty {

std::vector<Section> sections_of(const std::vector<Spot>& spots, const Project& project) {
    std::vector<Section> out;
    std::map<Spot, std::size_t> index;
    for (std::size_t o = 0; o < spots.size(); ++o) {
        const Spot id = section_of(project, spots[o]);
        const auto [at, fresh] = index.try_emplace(id, out.size());
        if (fresh) {
            const SectionChoice& c = project.choice(id);
            out.push_back({id,
                           std::to_string(o + 1),
                           c.name,
                           {},
                           c.treatment,
                           c.paper,
                           c.locked,
                           c.lip.value_or(project.lip)});
        }
        out[at->second].openings.push_back(static_cast<int>(o));
    }
    return out;
}

std::vector<int> section_by_opening(const std::vector<Section>& sections, std::size_t openings) {
    std::vector<int> out(openings, -1);
    for (std::size_t s = 0; s < sections.size(); ++s)
        for (int o : sections[s].openings) out[o] = static_cast<int>(s);
    return out;
}

std::vector<Neighbours> neighbours_of(const CutFile& cut, const std::vector<Section>& sections,
                                      const Transform& to_page) {
    const std::vector<int> section = section_by_opening(sections, cut.openings.size());
    const double scale = to_page.scale();
    std::map<std::pair<int, int>, Neighbours> found;
    for (const Bar& bar : cut.bars) {
        if (bar.width * scale > neighbour_limit) break;
        if (bar.b == Bar::edge || section[bar.a] == section[bar.b]) continue;
        const auto [a, b] = std::minmax(section[bar.a], section[bar.b]);
        // Bars come narrowest first, so the first one between two sections is the one to keep.
        found.try_emplace({a, b}, Neighbours{a, b, bar.width * scale, to_page(bar.from), to_page(bar.to)});
    }
    std::vector<Neighbours> out;
    for (const auto& [key, n] : found) out.push_back(n);
    return out;
}

} // namespace zesty
