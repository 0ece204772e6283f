#include "core/project/before_and_after.h"

#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/stock.h"

#include <cassert>

namespace zesty {

std::vector<BeforeAndAfter> before_and_after(const Project& project, const Finishing& finishing) {
    const Stash& stash = stash_at_hand(project);
    std::map<int, BeforeAndAfter> papers;
    const auto of = [&](int paper) -> BeforeAndAfter& {
        const auto [at, fresh] = papers.try_emplace(paper);
        if (fresh) {
            at->second.paper = paper;
            const Paper& found = stash.papers[static_cast<std::size_t>(paper)];
            at->second.name = found.name;
            at->second.after = at->second.before = stock_area(found);
        }
        return at->second;
    };
    for (const SheetFate& fate : finishing.sheets) {
        BeforeAndAfter& paper = of(fate.paper);
        ++paper.sheets;
        paper.after -= area(fate.stock.outline);
        for (const SheetStock& s : fate.back) paper.after += area(s.outline);
        paper.scraps_back += static_cast<int>(fate.back.size());
    }
    for (const auto& [id, spare] : finishing.spares) {
        BeforeAndAfter& paper = of(stash.find(id));
        paper.after += area(spare.outline);
        ++paper.scraps_back;
    }
    std::vector<BeforeAndAfter> out;
    for (const auto& [number, paper] : papers) out.push_back(paper);
    return out;
}

std::vector<EmbellishmentsLeft> embellishments_left(const Project& project, const Finishing& finishing) {
    const Stash& stash = stash_at_hand(project);
    std::vector<EmbellishmentsLeft> out;
    for (const auto& [id, count] : finishing.things.embellishments) {
        const Embellishment* thing = stash.embellishment(id);
        assert(thing); // what is to be taken is there
        out.push_back({*thing, thing->count - count});
    }
    return out;
}

std::vector<LettersLeft> letters_left(const Project& project, const Finishing& finishing) {
    const Stash& stash = stash_at_hand(project);
    std::vector<LettersLeft> out;
    for (const auto& [id, taken] : finishing.things.letters) {
        const LetterSet* set = stash.letter_set(id);
        assert(set);
        LettersLeft left{id, set->name, set->colour, 0, 0, taken, {}};
        for (const auto& [piece, had] : set->letters) {
            const auto at = taken.find(piece);
            const int stays = had.count - (at == taken.end() ? 0 : at->second);
            left.before += had.count;
            left.after += stays;
            if (at != taken.end() && stays == 0) left.last.push_back(piece);
        }
        out.push_back(std::move(left));
    }
    return out;
}

} // namespace zesty
