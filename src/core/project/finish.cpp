// Taking what a page uses out of the stash, and putting it back.

#include "core/project/finishing.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/stock.h"

#include <algorithm>
#include <map>
#include <set>

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

/// A sheet of the stock that was taken, with what came of it; in files of older versions all of one paper.
struct SheetTaken {
    std::vector<StockChange> changes;
    std::set<std::string> ids; ///< of the page's taken sheets
};

/// The last that was taken first: what it left may lie in what was taken before.
std::vector<SheetTaken> sheets_taken(const KeepDecisions& keep) {
    std::map<std::string, std::vector<SheetTaken>> by_paper;
    for (const StockChange& change : keep.changes) {
        std::vector<SheetTaken>& of = by_paper[change.paper];
        const bool begins = of.empty() || (!change.back && of.back().changes.back().back);
        if (begins) of.emplace_back();
        of.back().changes.push_back(change);
    }
    std::vector<SheetTaken> out;
    for (auto& [paper, all] : by_paper) {
        std::vector<std::string> ids;
        for (const TakenSheet& t : keep.taken)
            if (t.paper == paper && std::find(ids.begin(), ids.end(), whole_sheet_of(t.id)) == ids.end())
                ids.push_back(whole_sheet_of(t.id));
        if (ids.size() != all.size()) {
            // Which is which is not known: all or none.
            SheetTaken whole{{}, {ids.begin(), ids.end()}};
            for (const SheetTaken& one : all)
                whole.changes.insert(whole.changes.end(), one.changes.begin(), one.changes.end());
            all = {whole};
        } else {
            for (std::size_t i = 0; i < all.size(); ++i) all[i].ids = {ids[i]};
        }
        out.insert(out.end(), all.rbegin(), all.rend());
    }
    return out;
}

/// False, and nothing changed, where something that went back is not there any more.
bool put_back(Paper& paper, const std::vector<StockChange>& changes) {
    Paper then = paper;
    for (auto c = changes.rbegin(); c != changes.rend(); ++c)
        if (!change_count(then, c->sheet, c->back ? -c->sheet.count : c->sheet.count)) return false;
    std::erase_if(then.sheets, [](const SheetStock& s) { return s.irregular && s.count == 0; });
    paper = std::move(then);
    return true;
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
        // What comes of a sheet follows it, so that it can be put back by itself.
        for (const SheetStock& scrap : fate.back) {
            change(paper, scrap, 1);
            keep.changes.push_back({paper.id, scrap, true});
        }
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
    std::vector<StockChange> left;
    std::set<std::string> waiting;
    for (const SheetTaken& taken : sheets_taken(keep)) {
        const int paper = stash.find(taken.changes.front().paper);
        if (paper < 0) {
            said.push_back(sentence(taken.changes.front().paper +
                                    " is not in your stash: what was taken of it cannot come back"));
        } else if (put_back(stash.papers[static_cast<std::size_t>(paper)], taken.changes)) {
            std::erase_if(keep.taken,
                          [&](const TakenSheet& t) { return taken.ids.contains(whole_sheet_of(t.id)); });
            continue;
        } else if (waiting.insert(taken.changes.front().paper).second) {
            said.push_back(
                sentence("a scrap of " + stash.papers[static_cast<std::size_t>(paper)].name +
                         " that went back has been used since: put back the page that was cut from it, "
                         "then this one again"));
        }
        left.insert(left.end(), taken.changes.begin(), taken.changes.end());
    }
    if (left.empty()) keep.taken.clear();
    keep.changes = std::move(left);
    take_things(stash, keep.had, 1);
    keep.had = {};
    keep.finished.clear();
    ++keep.takings;
    project.stash = std::make_shared<const Stash>(std::move(stash));
    return said;
}

} // namespace zesty
