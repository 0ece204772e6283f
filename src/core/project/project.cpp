#include "core/project/project.h"

#include "core/cutfile/layers.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

template <class T> bool same(const std::shared_ptr<const T>& a, const std::shared_ptr<const T>& b) {
    return a == b || (a && b && *a == *b);
}

bool same_file(const std::shared_ptr<const DrawingFile>& a, const std::shared_ptr<const DrawingFile>& b) {
    return a == b || (a && b && a->name == b->name && a->bytes == b->bytes);
}

} // namespace

std::vector<double> BackingRules::usual_punches() {
    std::vector<double> out;
    for (const double in : {1.0, 1.25, 1.5, 1.75, 2.0, 2.5, 3.0}) out.push_back(in * mm_per_inch);
    return out;
}

const SectionChoice& Project::choice(Spot section) const {
    static const SectionChoice none;
    const auto it = sections.find(section);
    return it == sections.end() ? none : it->second;
}

void Project::choose(Spot section, SectionChoice choice) {
    if (choice.plain())
        sections.erase(section);
    else
        sections[section] = std::move(choice);
}

bool operator==(const Project& a, const Project& b) {
    return a.title == b.title && a.units == b.units && a.page == b.page && a.cuts == b.cuts &&
           a.photos == b.photos && a.lip == b.lip && a.blade_gap == b.blade_gap && a.seed == b.seed &&
           a.groups == b.groups && a.sections == b.sections && a.backing == b.backing &&
           a.divisions == b.divisions && a.bars == b.bars && a.style == b.style && a.roles == b.roles &&
           a.apart == b.apart && a.slants == b.slants && a.pins == b.pins && a.wanted == b.wanted &&
           a.mat_width == b.mat_width && a.mat_height == b.mat_height &&
           std::equal(a.drawings.begin(), a.drawings.end(), b.drawings.begin(), b.drawings.end(),
                      same_file) &&
           same(a.stash, b.stash);
}

const PlacedCut* Project::cut_by_id(int id) const {
    const auto it = std::find_if(cuts.begin(), cuts.end(), [&](const PlacedCut& c) { return c.id == id; });
    return it == cuts.end() ? nullptr : &*it;
}

Spot section_of(const Project& project, Spot opening) {
    for (const auto& g : project.groups)
        if (std::binary_search(g.begin(), g.end(), opening)) return g.front();
    return opening;
}

void group(Project& project, const std::vector<Spot>& openings) {
    if (openings.empty()) return;
    const SectionChoice kept = project.choice(section_of(project, openings.front()));
    std::set<Spot> members;
    for (Spot o : openings) {
        const Spot section = section_of(project, o);
        members.insert(o);
        for (const auto& g : project.groups)
            if (g.front() == section) members.insert(g.begin(), g.end());
    }
    if (members.size() < 2) return;
    std::erase_if(project.groups, [&](const auto& g) { return members.contains(g.front()); });
    for (Spot m : members) project.sections.erase(m);
    project.groups.emplace_back(members.begin(), members.end());
    std::sort(project.groups.begin(), project.groups.end());
    project.choose(*members.begin(), kept);
}

void ungroup(Project& project, const std::vector<Spot>& openings) {
    for (Spot o : openings) {
        const Spot section = section_of(project, o);
        const auto it = std::find_if(project.groups.begin(), project.groups.end(),
                                     [&](const auto& g) { return g.front() == section; });
        if (it == project.groups.end()) continue;
        const SectionChoice kept = project.choice(section);
        for (Spot member : *it) project.choose(member, kept);
        project.groups.erase(it);
    }
}

namespace {

/// Decisions about an opening and all its parts go.
void forget(Project& project, Spot whole) {
    const auto same = [&](Spot s) { return s.cut == whole.cut && s.opening == whole.opening; };
    std::vector<Spot> members;
    for (const auto& g : project.groups)
        for (Spot s : g)
            if (same(s)) members.push_back(s);
    for (Spot s : members) {
        for (auto& g : project.groups) {
            if (!std::binary_search(g.begin(), g.end(), s)) continue;
            const SectionChoice kept = project.choice(g.front());
            project.sections.erase(g.front());
            std::erase(g, s);
            if (!g.empty()) project.choose(g.front(), kept);
        }
        std::erase_if(project.groups, [](const auto& g) { return g.size() < 2; });
    }
    std::sort(project.groups.begin(), project.groups.end());
    std::erase_if(project.sections, [&](const auto& c) { return same(c.first); });
}

} // namespace

void divide(Project& project, const std::vector<Spot>& openings, const Division& division) {
    for (Spot s : openings) {
        if (s.opening >= first_piece_spot) continue;
        const Spot whole(s.cut, s.opening);
        const SectionChoice kept = project.choice(section_of(project, s));
        forget(project, whole);
        project.divisions[whole] = division;
        project.choose(Spot(s.cut, s.opening, 1), kept);
    }
}

void undivide(Project& project, const std::vector<Spot>& openings) {
    for (Spot s : openings) {
        const Spot whole(s.cut, s.opening);
        if (!project.divisions.contains(whole)) continue;
        const SectionChoice kept = project.choice(section_of(project, Spot(s.cut, s.opening, 1)));
        forget(project, whole);
        project.divisions.erase(whole);
        if (whole != base_spot) project.choose(whole, kept);
    }
}

void keep_apart(Project& project, const std::string& paper, const std::string& other, bool apart) {
    const std::pair<std::string, std::string> pair = std::minmax(paper, other);
    std::erase(project.apart, pair);
    if (apart && paper != other) project.apart.push_back(pair);
    std::sort(project.apart.begin(), project.apart.end());
}

void set_bars(Project& project, const std::vector<BarName>& bars, LipMode lips) {
    for (const BarName& bar : bars) {
        if (lips == project.backing.lips)
            project.bars.erase(bar);
        else
            project.bars[bar] = lips;
    }
}

namespace {

int free_id(const Project& project) {
    int id = 0;
    for (const PlacedCut& c : project.cuts) id = std::max(id, c.id + 1);
    return id;
}

/// Index of the drawing in the project, put there when it is new.
int index_of(Project& project, std::shared_ptr<const DrawingFile> drawing) {
    for (std::size_t i = 0; i < project.drawings.size(); ++i)
        if (same_file(project.drawings[i], drawing)) return static_cast<int>(i);
    project.drawings.push_back(std::move(drawing));
    return static_cast<int>(project.drawings.size()) - 1;
}

} // namespace

int add_cut(Project& project, std::shared_ptr<const DrawingFile> drawing) {
    PlacedCut cut;
    cut.id = free_id(project);
    cut.drawing = index_of(project, std::move(drawing));
    project.cuts.push_back(std::move(cut));
    return project.cuts.back().id;
}

void set_only_cut(Project& project, std::shared_ptr<const DrawingFile> drawing) {
    const CutPlacement place = project.cuts.empty() ? CutPlacement{} : project.cuts.front().place;
    project.drawings.clear();
    project.cuts.clear();
    project.groups.clear();
    project.sections.clear();
    project.bars.clear();
    std::erase_if(project.divisions, [](const auto& d) { return d.first != base_spot; });
    add_cut(project, std::move(drawing));
    project.cuts.front().place = place;
}

int copy_cut(Project& project, int id, bool facing, double beside) {
    const PlacedCut* original = project.cut_by_id(id);
    if (!original) return -1;
    PlacedCut copy = *original;
    copy.id = free_id(project);
    copy.place.shift.x += beside;
    if (facing) {
        copy.place.mirrored = !copy.place.mirrored;
        copy.place.turn_deg = -copy.place.turn_deg;
    }
    const auto moved = [&](Spot s) { return Spot(copy.id, s.opening, s.part); };
    for (const auto& g : std::vector(project.groups)) {
        std::vector<Spot> same;
        for (Spot s : g)
            if (s.cut == id) same.push_back(moved(s));
        if (same.size() > 1) project.groups.push_back(same);
    }
    std::sort(project.groups.begin(), project.groups.end());
    for (const auto& [spot, choice] : std::map(project.sections))
        if (spot.cut == id) project.choose(moved(spot), choice);
    for (const auto& [spot, division] : std::map(project.divisions))
        if (spot.cut == id) project.divisions[moved(spot)] = division;
    for (const auto& [bar, lips] : std::map(project.bars))
        if (bar.first.cut == id && bar.second.cut == id)
            project.bars[{moved(bar.first), moved(bar.second)}] = lips;
    project.cuts.push_back(copy);
    return copy.id;
}

int add_shadow(Project& project, int id, double by) {
    const auto at = std::find_if(project.cuts.begin(), project.cuts.end(),
                                 [&](const PlacedCut& c) { return c.id == id; });
    if (at == project.cuts.end()) return -1;
    PlacedCut shadow = *at;
    shadow.id = free_id(project);
    shadow.grown = at->grown + by;
    project.cuts.insert(at, shadow);
    return shadow.id;
}

bool split_layers(Project& project, int id) {
    const auto at = std::find_if(project.cuts.begin(), project.cuts.end(),
                                 [&](const PlacedCut& c) { return c.id == id; });
    if (at == project.cuts.end()) return false;
    const auto layers = layers_of(project.drawings[at->drawing]->drawing);
    if (layers.size() < 2) return false;
    // Numbers of openings mean other openings from now on.
    std::erase_if(project.sections, [&](const auto& s) { return s.first.cut == id; });
    std::erase_if(project.divisions, [&](const auto& d) { return d.first.cut == id; });
    std::erase_if(project.bars, [&](const auto& b) { return b.first.first.cut == id; });
    for (auto& g : project.groups) std::erase_if(g, [&](Spot s) { return s.cut == id; });
    std::erase_if(project.groups, [](const auto& g) { return g.size() < 2; });
    std::sort(project.groups.begin(), project.groups.end());
    std::vector<PlacedCut> cuts;
    int next = free_id(project);
    for (const std::string& layer : layers) {
        PlacedCut one = *at;
        one.left_out.clear();
        one.by_whole = true;
        one.layers = {layer};
        if (!cuts.empty()) one.id = next++;
        cuts.push_back(std::move(one));
    }
    project.cuts.insert(project.cuts.erase(at), cuts.begin(), cuts.end());
    return true;
}

void remove_cut(Project& project, int id) {
    const PlacedCut* cut = project.cut_by_id(id);
    if (!cut) return;
    const int drawing = cut->drawing;
    for (auto& g : project.groups) {
        // A section of several cuts goes on with what is left of it.
        const SectionChoice kept = project.choice(g.front());
        std::erase_if(g, [&](Spot s) { return s.cut == id; });
        if (!g.empty()) project.choose(g.front(), kept);
    }
    std::erase_if(project.cuts, [&](const PlacedCut& c) { return c.id == id; });
    std::erase_if(project.sections, [&](const auto& s) { return s.first.cut == id; });
    std::erase_if(project.divisions, [&](const auto& d) { return d.first.cut == id; });
    std::erase_if(project.bars, [&](const auto& b) { return b.first.first.cut == id; });
    std::erase_if(project.groups, [](const auto& g) { return g.size() < 2; });
    std::sort(project.groups.begin(), project.groups.end());
    if (std::any_of(project.cuts.begin(), project.cuts.end(),
                    [&](const PlacedCut& c) { return c.drawing == drawing; }))
        return;
    project.drawings.erase(project.drawings.begin() + drawing);
    for (PlacedCut& c : project.cuts) c.drawing -= c.drawing > drawing;
}

} // namespace zesty
