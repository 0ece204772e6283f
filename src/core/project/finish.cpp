// Taking what a page uses out of the stash, and putting it back.

#include "core/project/finishing.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/stock.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

/// The new names of all sheets, by the old ones: those that are taken go under a name of their own, the
/// others are numbered without them.
std::map<std::string, std::string> renamed(const Stash& before, const std::vector<SheetFate>& taken) {
    std::map<std::string, std::string> out;
    for (const SheetFate& fate : taken) out[fate.sheet] = fate.taken_as;
    std::map<int, int> last;
    each_sheet(before, [&](const std::string& old, int paper, const SheetStock&) {
        if (!out.contains(old)) out[old] = paper_of_sheet(old) + "#" + std::to_string(++last[paper]);
    });
    return out;
}

std::string with_new_number(const std::map<std::string, std::string>& numbers, const std::string& sheet) {
    const std::string whole = whole_sheet_of(sheet);
    const auto at = numbers.find(whole);
    return at == numbers.end() ? sheet : at->second + sheet.substr(whole.size());
}

/// Ticks of steps go by the sheets they are about.
void rename_steps(std::map<std::string, StepLog>& log, const std::map<std::string, std::string>& numbers) {
    std::map<std::string, StepLog> out;
    for (auto& [key, value] : log) {
        std::string renamed = key;
        for (const std::string of : {"sheet:", "hand:", "punch:"})
            if (key.rfind(of, 0) == 0) renamed = of + with_new_number(numbers, key.substr(of.size()));
        out[renamed] = value;
    }
    log = std::move(out);
}

void change(Paper& paper, const SheetStock& sheet, int by) {
    change_count(paper, sheet, by);
    std::erase_if(paper.sheets, [](const SheetStock& s) { return s.irregular && s.count == 0; });
}

void take_things(Stash& stash, const ThingsHad& things, int sign) {
    for (Embellishment& e : stash.embellishments) {
        const auto at = things.embellishments.find(e.id);
        if (at != things.embellishments.end()) e.count = std::max(0, e.count + sign * at->second);
    }
    for (LetterSet& set : stash.letters) {
        const auto at = things.letters.find(set.id);
        if (at == things.letters.end()) continue;
        for (const auto& [piece, count] : at->second)
            if (const auto of = set.letters.find(piece); of != set.letters.end())
                of->second.count = std::max(0, of->second.count + sign * count);
    }
}

void add_to(ThingsHad& all, const ThingsHad& more) {
    for (const auto& [id, count] : more.embellishments) all.embellishments[id] += count;
    for (const auto& [set, pieces] : more.letters)
        for (const auto& [piece, count] : pieces) all.letters[set][piece] += count;
}

/// Spares are scraps of the stash now.
void let_go_of_spares(KeepDecisions& keep, const Finishing& finishing) {
    for (const auto& [paper, spare] : finishing.spares)
        for (TakenSheet& sheet : keep.taken)
            if (sheet.paper == paper)
                std::erase_if(sheet.patches,
                              [&](const TakenPatch& p) { return p.on_sheet == spare.outline; });
}

} // namespace

void finish(Project& project, const Finishing& finishing, FinishWhat what, const std::string& day) {
    const Stash before = stash_at_hand(project);
    Stash stash = before;
    KeepDecisions& keep = project.keep;
    for (const SheetFate& fate : finishing.sheets) {
        Paper& paper = stash.papers[static_cast<std::size_t>(fate.paper)];
        change(paper, fate.stock, -1);
        keep.changes.push_back({paper.id, fate.stock, false});
    }
    for (const SheetFate& fate : finishing.sheets)
        for (const SheetStock& scrap : fate.back) {
            Paper& paper = stash.papers[static_cast<std::size_t>(fate.paper)];
            change(paper, scrap, 1);
            keep.changes.push_back({paper.id, scrap, true});
        }
    for (const auto& [id, spare] : finishing.spares) {
        change(stash.papers[static_cast<std::size_t>(stash.find(id))], spare, 1);
        keep.changes.push_back({id, spare, true});
    }
    let_go_of_spares(keep, finishing);
    take_things(stash, finishing.things, -1);
    add_to(keep.had, finishing.things);
    const auto numbers = renamed(before, finishing.sheets);
    rename_steps(project.build.log, numbers);
    for (auto pin = project.sheets.pins.begin(); pin != project.sheets.pins.end();) {
        pin->second.sheet = with_new_number(numbers, pin->second.sheet);
        const bool taken = pin->second.sheet.find("#cut") != std::string::npos;
        pin = taken ? project.sheets.pins.erase(pin) : std::next(pin);
    }
    keep.taken.insert(keep.taken.end(), finishing.taken.begin(), finishing.taken.end());
    if (what == FinishWhat::Everything) keep.finished = day;
    ++keep.takings;
    project.stash = std::make_shared<const Stash>(std::move(stash));
}

std::vector<std::string> put_back(Project& project) {
    std::vector<std::string> said;
    Stash stash = stash_at_hand(project);
    KeepDecisions& keep = project.keep;
    for (Paper& paper : stash.papers) {
        Paper then = paper;
        bool whole = true;
        for (auto c = keep.changes.rbegin(); c != keep.changes.rend(); ++c)
            if (c->paper == paper.id)
                whole = change_count(then, c->sheet, c->back ? -c->sheet.count : c->sheet.count) && whole;
        if (!whole) {
            said.push_back(
                sentence(paper.name + " stays as it is: a scrap that went back has been used since"));
            continue;
        }
        std::erase_if(then.sheets, [](const SheetStock& s) { return s.irregular && s.count == 0; });
        paper = std::move(then);
    }
    take_things(stash, keep.had, 1);
    keep.taken.clear();
    keep.changes.clear();
    keep.had = {};
    keep.finished.clear();
    ++keep.takings;
    project.stash = std::make_shared<const Stash>(std::move(stash));
    return said;
}

} // namespace zesty
