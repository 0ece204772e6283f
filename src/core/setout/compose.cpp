#include "core/setout/compose.h"

#include "core/disjoint_sets.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

/// Joins groups that share a member.
std::vector<std::vector<int>> joined(const std::vector<std::vector<int>>& groups, std::size_t n) {
    DisjointSets together(n);
    for (const auto& g : groups)
        for (int o : g) together.join(g.front(), o);
    std::map<int, std::vector<int>> sets;
    for (std::size_t i = 0; i < n; ++i)
        sets[together.root(static_cast<int>(i))].push_back(static_cast<int>(i));
    std::vector<std::vector<int>> out;
    for (auto& [first, members] : sets)
        if (members.size() > 1) out.push_back(std::move(members));
    return out;
}

/// The findings of one cut, in the numbers of the whole page.
void speak_of_the_page(SetOut& s, int offset) {
    if (s.smallest >= 0) s.smallest += offset;
    for (Finding& f : s.findings)
        for (int& o : f.openings) o += offset;
}

/// What the cuts together come to.
SetOut taken_together(const std::vector<SetOut>& each, const Page& page) {
    SetOut whole;
    whole.base = base_of(page);
    for (const SetOut& s : each) {
        whole.cut_box.add(s.cut_box);
        whole.cut_length += s.cut_length;
        whole.thinnest_bar = std::min(whole.thinnest_bar, s.thinnest_bar);
        if (s.smallest >= 0 && (whole.smallest < 0 || s.smallest_opening < whole.smallest_opening)) {
            whole.smallest = s.smallest;
            whole.smallest_opening = s.smallest_opening;
        }
        whole.findings.insert(whole.findings.end(), s.findings.begin(), s.findings.end());
    }
    whole.size = {whole.cut_box.width(), whole.cut_box.height()};
    return whole;
}

} // namespace

Composition compose(const SetOutDecisions& decided, Units units,
                    const std::vector<std::shared_ptr<const CutPart>>& parts) {
    Composition out;
    if (parts.empty()) {
        out.whole.base = base_of(decided.page);
        return out;
    }
    int offset = 0;
    for (std::size_t c = 0; c < parts.size(); ++c) {
        const PlacedCut& placed = decided.cuts[c];
        out.each.push_back(set_out(parts[c]->cut, decided.page, placed.place, units,
                                   {placed.id, offset, parts[c]->sized_by.get(), decided.bars}));
        speak_of_the_page(out.each.back(), offset);
        for (int o : parts[c]->openings) {
            out.spots.emplace_back(placed.id, o);
            out.cut_of_opening.push_back(static_cast<int>(c));
        }
        out.piece_numbers.insert(out.piece_numbers.end(), parts[c]->pieces.begin(), parts[c]->pieces.end());
        offset += static_cast<int>(parts[c]->openings.size());
    }
    if (parts.size() == 1) {
        out.cut = std::shared_ptr<const CutFile>(parts[0], &parts[0]->cut);
        out.whole = out.each[0];
        return out;
    }
    auto all = std::make_shared<CutFile>();
    std::map<std::pair<int, int>, std::vector<int>> copies; // drawing and its opening -> openings here
    offset = 0;
    for (std::size_t c = 0; c < parts.size(); ++c) {
        append(*all, transformed(parts[c]->cut, out.each[c].to_page), static_cast<int>(c));
        for (int o : parts[c]->openings) copies[{decided.cuts[c].drawing, o}].push_back(offset++);
    }
    std::vector<std::vector<int>> alike = all->twins;
    for (const auto& [key, openings] : copies) alike.push_back(openings);
    all->twins = joined(alike, all->openings.size());
    // One drawing's warnings are said once.
    std::sort(all->warnings.begin(), all->warnings.end());
    all->warnings.erase(std::unique(all->warnings.begin(), all->warnings.end()), all->warnings.end());
    out.whole = taken_together(out.each, decided.page);
    out.cut = std::move(all);
    return out;
}

} // namespace zesty
