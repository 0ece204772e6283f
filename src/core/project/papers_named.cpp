#include "core/project/papers_named.h"

#include "core/project/stash_at_hand.h"
#include "core/stash/sharing.h"

#include <algorithm>

namespace zesty {

namespace {

/// Calls visit(id) for every id of a paper that stands by itself in a project or an arrangement; empty ones
/// stand for none.
template <class P, class Visit> void each_paper(P& project, Visit visit) {
    visit(project.set_out.page.frame_paper);
    visit(project.set_out.page.base_paper);
    visit(project.set_out.page.side_paper);
    for (auto& cut : project.set_out.cuts) visit(cut.paper);
    for (auto& photo : project.set_out.photos)
        for (auto& mat : photo.mats) visit(mat.paper);
    for (auto& layer : project.dress.layers) visit(layer.paper);
    visit(project.dress.frame.paper);
    visit(project.dress.frame.side_paper);
    for (auto& [spot, choice] : project.match.choices) {
        visit(choice.paper);
        for (auto& id : choice.never) visit(id);
    }
    for (auto& pair : project.match.apart) {
        visit(pair.first);
        visit(pair.second);
    }
    for (auto& piece : project.sheets.reserved) visit(piece.paper);
}

} // namespace

namespace {

template <class P> void collect_named(const P& page, std::set<std::string>& out) {
    each_paper(page, [&](const std::string& id) { out.insert(id); });
    for (const auto& [id, role] : page.match.roles) out.insert(id);
    for (const auto& [spot, pin] : page.sheets.pins) out.insert(paper_of_sheet(pin.sheet));
    // Embellishments and letters are kept by the page like papers.
    for (const PlacedEmbellishment& e : page.dress.embellishments) out.insert(e.id);
    for (const PageTitle& t : page.dress.titles) out.insert(t.sets.begin(), t.sets.end());
}

template <class P> void rename_paper(P& page, const std::string& into, const std::string& from) {
    each_paper(page, [&](std::string& id) {
        if (id == from) id = into;
    });
    for (auto& [spot, choice] : page.match.choices) {
        std::sort(choice.never.begin(), choice.never.end());
        choice.never.erase(std::unique(choice.never.begin(), choice.never.end()), choice.never.end());
    }
    auto& apart = page.match.apart;
    std::erase_if(apart, [](const auto& pair) { return pair.first == pair.second; });
    for (auto& [a, b] : apart)
        if (b < a) std::swap(a, b);
    std::sort(apart.begin(), apart.end());
    apart.erase(std::unique(apart.begin(), apart.end()), apart.end());
    if (const auto role = page.match.roles.find(from); role != page.match.roles.end()) {
        page.match.roles.emplace(into, role->second);
        page.match.roles.erase(from);
    }
    // Its sheets have other numbers now: what was pinned there finds its place anew.
    std::erase_if(page.sheets.pins,
                  [&](const auto& pin) { return paper_of_sheet(pin.second.sheet) == from; });
}

} // namespace

std::set<std::string> papers_named(const Project& project) {
    std::set<std::string> out;
    collect_named(project, out);
    for (const TakenSheet& s : project.keep.taken) out.insert(s.paper);
    for (const StockChange& c : project.keep.changes) out.insert(c.paper);
    for (const auto& [id, count] : project.keep.had.embellishments) out.insert(id);
    for (const auto& [id, pieces] : project.keep.had.letters) out.insert(id);
    for (const Variant& v : project.variants) collect_named(*v.page, out);
    out.erase("");
    return out;
}

void merge_papers(Project& project, const std::string& into, const std::string& from) {
    const Stash& now = stash_at_hand(project);
    if (now.find(into) < 0 || now.find(from) < 0 || into == from) return;
    project.stash = std::make_shared<const Stash>(merged(now, into, from));
    rename_paper(project, into, from);
    for (TakenSheet& s : project.keep.taken)
        if (s.paper == from) s.paper = into;
    for (StockChange& c : project.keep.changes)
        if (c.paper == from) c.paper = into;
    for (Variant& v : project.variants) {
        KeptPage page = *v.page;
        rename_paper(page, into, from);
        v.page = std::make_shared<const KeptPage>(std::move(page));
    }
}

} // namespace zesty
