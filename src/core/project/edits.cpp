#include "core/project/edits.h"

#include "core/cutfile/layers.h"
#include "core/project/naming.h"
#include "core/sentences.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

/// All that is chosen for one section.
struct Chosen {
    SectionChoice section;
    PaperChoice paper;
};

Chosen chosen(const Project& project, Spot section) {
    return {project.sections.choice(section), project.match.choice(section)};
}

void choose(Project& project, Spot section, const Chosen& all) {
    project.sections.choose(section, all.section);
    project.match.choose(section, all.paper);
}

bool same_opening(Spot a, Spot b) {
    return a.cut == b.cut && a.opening == b.opening;
}

/// Decisions about an opening and its parts go; what follows them follows `instead`.
void forget(Project& project, Spot whole, Spot instead) {
    rename_spots(project, [&](Spot s, Named as) -> std::optional<Spot> {
        if (as == Named::Whole || !same_opening(s, whole)) return s;
        return as == Named::Followed ? std::optional(instead) : std::nullopt;
    });
}

void forget_cut(Project& project, int id) {
    rename_spots(project, [&](Spot s, Named) { return s.cut == id ? std::nullopt : std::optional(s); });
}

/// Index of the drawing in the project, put there when it is new.
int index_of(SetOutDecisions& page, Shared<DrawingFile> drawing) {
    for (std::size_t i = 0; i < page.drawings.size(); ++i)
        if (page.drawings[i] == drawing) return static_cast<int>(i);
    page.drawings.push_back(std::move(drawing));
    return static_cast<int>(page.drawings.size()) - 1;
}

void drop_unused_drawing(SetOutDecisions& page, int drawing) {
    if (std::any_of(page.cuts.begin(), page.cuts.end(),
                    [&](const PlacedCut& c) { return c.drawing == drawing; }))
        return;
    page.drawings.erase(page.drawings.begin() + drawing);
    for (PlacedCut& c : page.cuts) c.drawing -= c.drawing > drawing;
}

std::vector<PlacedCut>::iterator find_cut(SetOutDecisions& page, int id) {
    return std::find_if(page.cuts.begin(), page.cuts.end(), [&](const PlacedCut& c) { return c.id == id; });
}

/// The one that most of them have, of as many the first one's.
Treatment usual_treatment(const SectionDecisions& d, const std::vector<Spot>& openings) {
    std::map<Treatment, int> count;
    for (Spot o : openings) ++count[d.choice(d.section_of(o)).treatment];
    Treatment best = d.choice(d.section_of(openings.front())).treatment;
    for (const auto& [treatment, n] : count)
        if (n > count[best]) best = treatment;
    return best;
}

} // namespace

std::vector<Spot> group(Project& project, const std::vector<Spot>& openings) {
    if (openings.empty()) return {};
    SectionDecisions& d = project.sections;
    const Treatment common = usual_treatment(d, openings);
    std::vector<Spot> alike;
    std::vector<Spot> out;
    for (Spot o : openings) (d.choice(d.section_of(o)).treatment == common ? alike : out).push_back(o);
    const Chosen kept = chosen(project, d.section_of(alike.front()));
    std::set<Spot> members;
    for (Spot o : alike) {
        const Spot section = d.section_of(o);
        members.insert(o);
        for (const auto& g : d.groups)
            if (g.front() == section) members.insert(g.begin(), g.end());
    }
    if (members.size() < 2) return out;
    std::erase_if(d.groups, [&](const auto& g) { return members.contains(g.front()); });
    for (Spot m : members) choose(project, m, {});
    d.groups.emplace_back(members.begin(), members.end());
    std::sort(d.groups.begin(), d.groups.end());
    choose(project, *members.begin(), kept);
    return out;
}

std::string stay_out(const Plan& plan, const std::vector<Spot>& openings) {
    std::vector<int> known;
    for (std::size_t o = 0; o < plan.sections.spots.size(); ++o)
        if (std::find(openings.begin(), openings.end(), plan.sections.spots[o]) != openings.end())
            known.push_back(static_cast<int>(o));
    if (known.empty()) return {};
    return numbers(known) + (known.size() == 1 ? " stays out, since it is treated otherwise."
                                               : " stay out, since they are treated otherwise.");
}

void ungroup(Project& project, const std::vector<Spot>& openings) {
    auto& groups = project.sections.groups;
    for (Spot o : openings) {
        const Spot section = project.sections.section_of(o);
        const auto it =
            std::find_if(groups.begin(), groups.end(), [&](const auto& g) { return g.front() == section; });
        if (it == groups.end()) continue;
        const Chosen kept = chosen(project, section);
        for (Spot member : *it) choose(project, member, kept);
        groups.erase(it);
    }
}

void divide(Project& project, const std::vector<Spot>& openings, const Division& division) {
    for (Spot s : openings) {
        if (s.opening >= first_piece_spot) continue;
        const Spot whole(s.cut, s.opening);
        const Spot first(s.cut, s.opening, 1);
        const Chosen kept = chosen(project, project.sections.section_of(s));
        forget(project, whole, first);
        project.sections.divisions[whole] = within_limits(division);
        choose(project, first, kept);
    }
}

void undivide(Project& project, const std::vector<Spot>& openings) {
    for (Spot s : openings) {
        const Spot whole(s.cut, s.opening);
        if (!project.sections.divisions.contains(whole)) continue;
        const Chosen kept = chosen(project, project.sections.section_of(Spot(s.cut, s.opening, 1)));
        forget(project, whole, whole);
        project.sections.divisions.erase(whole);
        if (whole != base_spot) choose(project, whole, kept);
    }
}

void give_paper(Project& project, const std::vector<Spot>& openings, const std::string& paper, Side side) {
    change_sections(project, openings, [&](SectionChoice& c, PaperChoice& p) {
        if (!paper.empty() && !takes_paper(c.treatment)) c.treatment = Treatment::Paper;
        p.paper = paper;
        p.side = paper.empty() ? Side::A : side;
        p.locked = !paper.empty();
    });
}

void lock_papers(Project& project, const std::vector<Spot>& openings, bool locked) {
    change_sections(project, openings, [&](PaperChoice& p) { p.locked = locked && !p.paper.empty(); });
}

int add_cut(Project& project, Shared<DrawingFile> drawing) {
    SetOutDecisions& page = project.set_out;
    PlacedCut cut;
    cut.id = page.next_cut++;
    cut.drawing = index_of(page, std::move(drawing));
    page.cuts.push_back(std::move(cut));
    return page.cuts.back().id;
}

void set_only_cut(Project& project, Shared<DrawingFile> drawing) {
    SetOutDecisions& page = project.set_out;
    const CutPlacement place = page.cuts.empty() ? CutPlacement{} : page.cuts.front().place;
    while (!page.cuts.empty()) remove_cut(project, page.cuts.back().id);
    add_cut(project, std::move(drawing));
    page.cuts.front().place = place;
}

int copy_cut(Project& project, int id, bool mirrored, double beside) {
    SetOutDecisions& page = project.set_out;
    const PlacedCut* original = page.cut_by_id(id);
    if (!original) return -1;
    PlacedCut copy = *original;
    copy.id = page.next_cut++;
    copy.place.shift.x = place_limits.nearest(copy.place.shift.x + beside);
    if (mirrored) {
        copy.place.mirrored = !copy.place.mirrored;
        copy.place.turn_deg = -copy.place.turn_deg;
    }
    page.cuts.push_back(copy);
    copy_decisions(project, id, copy.id, mirrored);
    return copy.id;
}

int add_shadow(Project& project, int id, double by) {
    SetOutDecisions& page = project.set_out;
    const auto at = find_cut(page, id);
    if (at == page.cuts.end() || !grown_limits.hold(at->grown + by)) return -1;
    PlacedCut shadow = *at;
    shadow.id = page.next_cut++;
    shadow.grown = at->grown + by;
    page.cuts.insert(at, shadow);
    return shadow.id;
}

bool split_layers(Project& project, int id) {
    SetOutDecisions& page = project.set_out;
    if (find_cut(page, id) == page.cuts.end()) return false;
    const PlacedCut whole = *find_cut(page, id);
    const auto layers = layers_of(page.drawings[whole.drawing]->drawing);
    if (layers.size() < 2) return false;
    // Numbers of openings mean other openings from now on.
    forget_cut(project, id);
    std::vector<PlacedCut> cuts;
    for (const std::string& layer : layers) {
        PlacedCut one = whole;
        one.id = page.next_cut++;
        one.left_out.clear();
        one.by_whole = true;
        one.layers = {layer};
        cuts.push_back(std::move(one));
    }
    const auto at = page.cuts.erase(find_cut(page, id));
    page.cuts.insert(at, cuts.begin(), cuts.end());
    return true;
}

void replace_drawing(Project& project, int id, Shared<DrawingFile> drawing) {
    SetOutDecisions& page = project.set_out;
    const auto at = find_cut(page, id);
    if (at == page.cuts.end()) return;
    const int before = at->drawing;
    at->drawing = index_of(page, std::move(drawing));
    at->left_out.clear();
    at->layers.clear();
    forget_cut(project, id);
    drop_unused_drawing(page, before);
}

void remove_cut(Project& project, int id) {
    SetOutDecisions& page = project.set_out;
    const auto at = find_cut(page, id);
    if (at == page.cuts.end()) return;
    const int drawing = at->drawing;
    page.cuts.erase(at);
    forget_cut(project, id);
    drop_unused_drawing(page, drawing);
}

} // namespace zesty
