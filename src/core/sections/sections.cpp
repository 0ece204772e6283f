#include "core/sections/sections.h"

#include <algorithm>

namespace zesty {

std::vector<Section> sections_of(const CutFile& cut, const Project& project) {
    const int n = static_cast<int>(cut.openings.size());
    std::vector<Section> out;
    std::vector<int> index(n, -1);
    for (int o = 0; o < n; ++o) {
        const int id = section_of(project, o);
        if (id == o) {
            const SectionChoice& c = project.choice(id);
            index[o] = static_cast<int>(out.size());
            out.push_back({id,
                           std::to_string(id + 1),
                           c.name,
                           {},
                           c.treatment,
                           c.paper,
                           c.locked,
                           c.lip.value_or(project.lip)});
        }
        out[index[id]].openings.push_back(o);
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
