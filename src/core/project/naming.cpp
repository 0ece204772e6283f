#include "core/project/naming.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

using Groups = std::vector<std::vector<Spot>>;

template <class Visit> void each_naming_in(Project& project, Visit&& visit) {
    each_naming(project.sections, visit);
    each_naming(project.match, visit);
    each_naming(project.sheets, visit);
    each_naming(project.dress, visit);
}

/// Names inside what is decided for a spot.
template <class Value> void rename_inside(Value&, const NewName&) {}
void rename_inside(PaperChoice& choice, const NewName& name) {
    if (choice.same_as) choice.same_as = name(*choice.same_as, Named::Followed);
    if (!choice.same_as) choice.facing = false;
}

class Renamer {
public:
    explicit Renamer(const NewName& name) : name_(name) {}

    template <class Value> void operator()(std::map<Spot, Value>& decided, Named as) const {
        std::map<Spot, Value> out;
        for (auto& [spot, value] : decided) {
            const auto now = name_(spot, as);
            if (!now) continue;
            rename_inside(value, name_);
            if (!(value == Value{}) || as == Named::Whole) out[*now] = std::move(value);
        }
        decided = std::move(out);
    }
    void operator()(std::map<BarName, LipMode>& bars, Named as) const {
        std::map<BarName, LipMode> out;
        for (const auto& [bar, lips] : bars) {
            const auto a = name_(bar.first, as);
            const auto b = name_(bar.second, as);
            if (a && b && *a != *b) out[std::minmax(*a, *b)] = lips;
        }
        bars = std::move(out);
    }
    /// A title whose opening is gone keeps its name: that is said, and nothing of it is lost.
    void operator()(std::vector<PageTitle>& titles, Named as) const {
        for (PageTitle& title : titles)
            if (title.path.on == TitleOn::Opening)
                title.path.opening = name_(title.path.opening, as).value_or(title.path.opening);
    }
    void operator()(Groups& groups, Named as) const {
        for (auto& group : groups) {
            std::vector<Spot> members;
            for (const Spot s : group)
                if (const auto now = name_(s, as)) members.push_back(*now);
            std::sort(members.begin(), members.end());
            group = std::move(members);
        }
        std::erase_if(groups, [](const auto& g) { return g.size() < 2; });
        std::sort(groups.begin(), groups.end());
    }

private:
    const NewName& name_;
};

/// What a section is called whose lowest opening goes while others stay.
std::map<Spot, Spot> moved_heads(const Groups& groups, const NewName& name) {
    std::map<Spot, Spot> out;
    for (const auto& group : groups) {
        std::set<Spot> stay;
        for (const Spot s : group)
            if (const auto now = name(s, Named::Opening)) stay.insert(*now);
        if (!stay.empty() && name(group.front(), Named::Opening) != *stay.begin())
            out[group.front()] = *stay.begin();
    }
    return out;
}

/// Adds, for every name of one cut, what another cut is to have.
class Copier {
public:
    Copier(Project& project, int from, int to, bool mirrored)
        : project_(project), from_(from), to_(to), mirrored_(mirrored) {}

    template <class Value> void operator()(std::map<Spot, Value>& decided, Named as) const {
        for (const auto& [spot, value] : std::map(decided)) {
            const auto copied = as == Named::Whole ? same_spot(spot) : same_section(spot);
            if (copied) decided.insert_or_assign(*copied, copy_of(value));
        }
    }
    void operator()(std::map<Spot, SheetPin>&, Named) const {}
    void operator()(std::vector<PageTitle>&, Named) const {}
    void operator()(std::map<BarName, LipMode>& bars, Named) const {
        for (const auto& [bar, lips] : std::map(bars))
            if (bar.first.cut == from_ && bar.second.cut == from_)
                bars[{*same_spot(bar.first), *same_spot(bar.second)}] = lips;
    }
    void operator()(Groups& groups, Named) const {
        for (const auto& group : Groups(groups)) {
            std::vector<Spot> members;
            for (const Spot s : group)
                if (const auto copied = same_spot(s)) members.push_back(*copied);
            if (members.size() > 1) groups.push_back(std::move(members));
        }
        std::sort(groups.begin(), groups.end());
    }

private:
    std::optional<Spot> same_spot(Spot s) const {
        return s.cut == from_ ? std::optional(Spot(to_, s.opening, s.part)) : std::nullopt;
    }
    /// The section of the copy that is like the section named by its lowest opening, which may be another
    /// cut's.
    std::optional<Spot> same_section(Spot head) const {
        for (const auto& group : project_.sections.groups)
            if (group.front() == head)
                for (const Spot s : group)
                    if (s.cut == from_) return project_.sections.section_of(*same_spot(s));
        return same_spot(head);
    }
    template <class Value> Value copy_of(Value value) const { return value; }
    PaperChoice copy_of(PaperChoice choice) const {
        if (choice.same_as) choice.same_as = same_spot(*choice.same_as).value_or(*choice.same_as);
        if (!mirrored_) return choice;
        if (choice.pattern.slant_deg)
            choice.pattern.slant_deg = brought_round(180 - *choice.pattern.slant_deg);
        if (choice.pattern.motif) choice.pattern.motif->off_middle.x *= -1;
        return choice;
    }

    Project& project_;
    int from_;
    int to_;
    bool mirrored_;
};

} // namespace

void rename_spots(Project& project, const NewName& new_name) {
    const std::map<Spot, Spot> heads = moved_heads(project.sections.groups, new_name);
    const NewName name = [&](Spot s, Named as) {
        const bool section = as == Named::Section || as == Named::Followed;
        const auto head = section ? heads.find(s) : heads.end();
        return head == heads.end() ? new_name(s, as) : head->second;
    };
    each_naming_in(project, Renamer(name));
}

void copy_decisions(Project& project, int from_cut, int to_cut, bool mirrored) {
    each_naming_in(project, Copier(project, from_cut, to_cut, mirrored));
}

} // namespace zesty
