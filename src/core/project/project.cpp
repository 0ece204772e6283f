#include "core/project/project.h"

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

const SectionChoice& Project::choice(int section) const {
    static const SectionChoice none;
    const auto it = sections.find(section);
    return it == sections.end() ? none : it->second;
}

void Project::choose(int section, SectionChoice choice) {
    if (choice.plain())
        sections.erase(section);
    else
        sections[section] = std::move(choice);
}

bool operator==(const Project& a, const Project& b) {
    return a.title == b.title && a.units == b.units && a.page == b.page && a.cut == b.cut && a.lip == b.lip &&
           a.blade_gap == b.blade_gap && a.seed == b.seed && a.groups == b.groups &&
           a.sections == b.sections && same_file(a.drawing, b.drawing) && same(a.stash, b.stash);
}

int section_of(const Project& project, int opening) {
    for (const auto& g : project.groups)
        if (std::binary_search(g.begin(), g.end(), opening)) return g.front();
    return opening;
}

void group(Project& project, const std::vector<int>& openings) {
    if (openings.empty()) return;
    const SectionChoice kept = project.choice(section_of(project, openings.front()));
    std::set<int> members;
    for (int o : openings) {
        const int section = section_of(project, o);
        members.insert(o);
        for (const auto& g : project.groups)
            if (g.front() == section) members.insert(g.begin(), g.end());
    }
    if (members.size() < 2) return;
    std::erase_if(project.groups, [&](const auto& g) { return members.contains(g.front()); });
    for (int m : members) project.sections.erase(m);
    project.groups.emplace_back(members.begin(), members.end());
    std::sort(project.groups.begin(), project.groups.end());
    project.choose(*members.begin(), kept);
}

void ungroup(Project& project, const std::vector<int>& openings) {
    for (int o : openings) {
        const int section = section_of(project, o);
        const auto it = std::find_if(project.groups.begin(), project.groups.end(),
                                     [&](const auto& g) { return g.front() == section; });
        if (it == project.groups.end()) continue;
        const SectionChoice kept = project.choice(section);
        for (int member : *it) project.choose(member, kept);
        project.groups.erase(it);
    }
}

} // namespace zesty
