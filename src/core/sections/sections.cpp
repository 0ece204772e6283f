#include "core/sections/sections.h"

#include <algorithm>

namespace zesty {

namespace {

/// The method that makes the patches of a section: some treatments leave no choice.
BackingMethod method_in_force(const SectionChoice& c, const SectionDecisions& decided) {
    if (c.treatment == Treatment::Inlay) return BackingMethod::Inlay;
    if (c.treatment == Treatment::CutFrom) return BackingMethod::CutFrom;
    const BackingMethod wanted = c.method.value_or(decided.backing.method);
    if (c.treatment == Treatment::Translucent && wanted == BackingMethod::OneSheet) return wanted;
    const bool covered = c.treatment == Treatment::Shaker || c.treatment == Treatment::Translucent;
    const bool covers = wanted == BackingMethod::MachinePatches || wanted == BackingMethod::TraceAndTrim ||
                        wanted == BackingMethod::GlueAndTrim;
    return covered && !covers ? BackingMethod::MachinePatches : wanted;
}

/// Pieces that are cut from paper have no bars to lie behind.
SectionChoice as_piece(SectionChoice c) {
    if (c.treatment != Treatment::Open) c.treatment = Treatment::CutFrom;
    return c;
}

} // namespace

std::vector<Section> sections_of(const std::vector<Spot>& spots, const SectionDecisions& decided) {
    std::vector<Section> out;
    std::map<Spot, std::size_t> index;
    // By cut, and whether one can see through it: the section of its one sheet.
    std::map<std::pair<int, bool>, Spot> shared;
    for (std::size_t o = 0; o < spots.size(); ++o) {
        Spot id = decided.section_of(spots[o]);
        const SectionChoice c = is_piece(id) ? as_piece(decided.choice(id)) : decided.choice(id);
        const BackingMethod method = method_in_force(c, decided);
        if (method == BackingMethod::OneSheet && takes_paper(c.treatment) && id.part == 0) {
            // No sheet lies behind two cuts, whatever is grouped.
            const Spot own = id.cut == spots[o].cut ? id : spots[o];
            id = shared.try_emplace({own.cut, c.treatment == Treatment::Translucent}, own).first->second;
        }
        const auto [at, fresh] = index.try_emplace(id, out.size());
        if (fresh)
            out.push_back({id,
                           std::to_string(o + 1),
                           c.name,
                           {},
                           c.treatment,
                           c.lip.value_or(decided.lip),
                           method,
                           c.order,
                           c.punch_on_top.value_or(decided.backing.punch_on_top)});
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
                                      const Transform& to_page, const std::vector<Seam>& seams) {
    const std::vector<int> section = section_by_opening(sections, cut.openings.size());
    const double scale = to_page.scale();
    std::map<std::pair<int, int>, Neighbours> found;
    for (const Bar& bar : cut.bars) {
        if (bar.width * scale > neighbour_limit) break;
        if (bar.b == Bar::edge || section[bar.a] == section[bar.b]) continue;
        const int a = std::min(section[bar.a], section[bar.b]);
        const int b = std::max(section[bar.a], section[bar.b]);
        // Bars come narrowest first, so the first one between two sections is the one to keep.
        found.try_emplace({a, b}, Neighbours{a, b, bar.width * scale, to_page(bar.from), to_page(bar.to)});
    }
    for (const Seam& seam : seams) {
        if (section[seam.a] == section[seam.b]) continue;
        const int a = std::min(section[seam.a], section[seam.b]);
        const int b = std::max(section[seam.a], section[seam.b]);
        found[{a, b}] = Neighbours{a, b, 0, to_page(seam.at), to_page(seam.at)};
    }
    std::vector<Neighbours> out;
    for (const auto& [key, n] : found) out.push_back(n);
    return out;
}

} // namespace zesty
