#include "core/project/edits.h"

#include "core/cutfile/layers.h"
#include "core/dress/writing.h"
#include "core/project/naming.h"
#include "core/sentences.h"

#include <algorithm>
#include <map>
#include <set>

namespace zesty {

bool is_bare(const Project& project) {
    const DressDecisions& d = project.dress;
    return project.set_out.cuts.empty() && project.set_out.photos.empty() &&
           !project.sections.divisions.contains(base_spot) && d.layers.empty() && d.wet.empty() &&
           d.titles.empty() && d.embellishments.empty() && d.writings.empty() && d.stitchings.empty();
}

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

int copy_at(Project& project, PlacedCut original, const CutPlacement& place) {
    PlacedCut copy = original;
    copy.id = project.set_out.next_cut++;
    copy.place = place;
    project.set_out.cuts.push_back(copy);
    copy_decisions(project, original.id, copy.id, place.mirrored != original.place.mirrored);
    return copy.id;
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

int copy_cut(Project& project, int id, bool mirrored, Point by) {
    const PlacedCut* original = project.set_out.cut_by_id(id);
    if (!original) return -1;
    CutPlacement place = original->place;
    place.shift = {place_limits.nearest(place.shift.x + by.x), place_limits.nearest(place.shift.y + by.y)};
    if (mirrored) {
        place.mirrored = !place.mirrored;
        place.turn_deg = -place.turn_deg;
    }
    return copy_at(project, *original, place);
}

void copy_cut_to(Project& project, int id, const std::vector<CutPlacement>& places) {
    const auto at = find_cut(project.set_out, id);
    if (at == project.set_out.cuts.end() || places.empty()) return;
    at->place = places.front();
    const PlacedCut original = *at;
    for (std::size_t k = 1; k < places.size(); ++k) copy_at(project, original, places[k]);
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

int part_off_pieces(Project& project, int id, const std::vector<int>& pieces, int all_pieces,
                    const CutPlacement& in_place) {
    SetOutDecisions& page = project.set_out;
    const auto at = find_cut(page, id);
    if (at == page.cuts.end()) return -1;
    at->place = in_place;
    at->by_whole = true;
    PlacedCut own = *at;
    own.id = page.next_cut++;
    own.left_out.clear();
    for (int p = 0; p < all_pieces; ++p)
        if (std::find(pieces.begin(), pieces.end(), p) == pieces.end()) own.left_out.push_back(p);
    std::set<int> left(at->left_out.begin(), at->left_out.end());
    left.insert(pieces.begin(), pieces.end());
    at->left_out.assign(left.begin(), left.end());
    page.cuts.insert(at + 1, own);
    copy_decisions(project, id, own.id, false);
    return own.id;
}

int part_off_layers(Project& project, int id, const std::vector<std::string>& layers,
                    const CutPlacement& in_place) {
    SetOutDecisions& page = project.set_out;
    const auto at = find_cut(page, id);
    if (at == page.cuts.end()) return -1;
    const auto picked = [&](const std::string& l) {
        return std::find(layers.begin(), layers.end(), l) != layers.end();
    };
    std::vector<std::string> now = at->layers;
    if (now.empty()) now = layers_of(page.drawings[at->drawing]->drawing);
    PlacedCut own = *at;
    own.layers.clear();
    std::copy_if(now.begin(), now.end(), std::back_inserter(own.layers), picked);
    std::erase_if(now, picked);
    if (own.layers.empty() || now.empty()) return -1;
    own.id = page.next_cut++;
    own.place = in_place;
    own.by_whole = true;
    own.left_out.clear();
    PlacedCut rest = own;
    rest.id = id;
    rest.layers = std::move(now);
    forget_cut(project, id);
    *at = rest;
    page.cuts.insert(at + 1, own);
    return own.id;
}

void keep_places(Project& project, const Page& before) {
    const Page& now = project.set_out.page;
    for (PlacedCut& cut : project.set_out.cuts) {
        const bool by_frame = cut.place.rule == SizeRule::Frame;
        const Point was = (by_frame ? base_of(before) : before.whole()).centre();
        const Point is = (by_frame ? base_of(now) : now.whole()).centre();
        cut.place.shift = cut.place.shift + (was - is);
    }
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

void remove_photo(Project& project, int photo) {
    const auto at = project.set_out.photos.begin() + photo;
    for (Writing& w : project.dress.writings)
        if (w.with_photo > 0 && w.with_photo == at->id) w = belonging_to(w, project.set_out, -1);
    project.set_out.photos.erase(at);
}

} // namespace zesty
