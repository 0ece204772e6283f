#include "core/project/shortlist.h"

#include "core/match/face.h"
#include "core/project/papers_named.h"
#include "core/stash/colour.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>
#include <tuple>

namespace zesty {

namespace {

constexpr double grey_below = 8;  ///< chroma
constexpr int families = 12;      ///< of hues
constexpr int steps_of_light = 4; ///< from black to white

/// Papers of the same one can stand for each other.
struct Kind {
    Pattern pattern;
    int hue; ///< -1 for greys
    int light;
    auto operator<=>(const Kind&) const = default;
};

Kind kind_of(const Paper& paper) {
    const Lab lab = to_lab(main_colour(paper.face(Side::A)));
    const double turn = std::atan2(lab.b, lab.a) / (2 * std::numbers::pi) + 0.5;
    const bool grey = std::hypot(lab.a, lab.b) < grey_below;
    return {paper.pattern, grey ? -1 : static_cast<int>(turn * families) % families,
            std::clamp(static_cast<int>(lab.l / 100 * steps_of_light), 0, steps_of_light - 1)};
}

bool in_stock(const Paper& paper) {
    return std::any_of(paper.sheets.begin(), paper.sheets.end(),
                       [](const SheetStock& s) { return s.count > 0; });
}

/// Lower is sooner.
auto rank_of(const Paper& paper) {
    int sheets = 0;
    bool scraps = false;
    for (const SheetStock& s : paper.sheets) {
        sheets += s.count;
        scraps = scraps || (s.irregular && s.count > 0);
    }
    return std::tuple(!paper.use_up, !scraps, -sheets, paper.id);
}

/// Kind by kind in turn, the best of each first.
std::vector<std::size_t> in_turn(const Stash& stash, const std::set<std::string>& taken) {
    std::map<Kind, std::vector<std::size_t>> kinds;
    for (std::size_t p = 0; p < stash.papers.size(); ++p)
        if (!taken.contains(stash.papers[p].id) && in_stock(stash.papers[p]))
            kinds[kind_of(stash.papers[p])].push_back(p);
    std::size_t longest = 0;
    for (auto& [kind, papers] : kinds) {
        std::sort(papers.begin(), papers.end(), [&](std::size_t a, std::size_t b) {
            return rank_of(stash.papers[a]) < rank_of(stash.papers[b]);
        });
        longest = std::max(longest, papers.size());
    }
    std::vector<std::size_t> out;
    for (std::size_t round = 0; round < longest; ++round)
        for (const auto& [kind, papers] : kinds)
            if (round < papers.size()) out.push_back(papers[round]);
    return out;
}

} // namespace

Project with_shortlist(const Project& project, const std::set<std::string>& also) {
    if (!project.stash || project.stash->papers.size() <= most_compared) return project;
    const Stash& all = *project.stash;
    std::set<std::string> taken = papers_named(project);
    taken.insert(also.begin(), also.end());
    for (const std::size_t p : in_turn(all, taken)) {
        if (taken.size() >= most_compared) break;
        taken.insert(all.papers[p].id);
    }
    Stash few = all;
    std::erase_if(few.papers, [&](const Paper& p) { return !taken.contains(p.id); });
    Project out = project;
    out.stash = std::make_shared<const Stash>(std::move(few));
    return out;
}

int same_face(const Stash& from, int face, const Stash& to) {
    const std::vector<Face> faces = faces_of(from);
    if (face < 0 || face >= static_cast<int>(faces.size())) return -1;
    const Face& f = faces[static_cast<std::size_t>(face)];
    return face_of(to, to.find(from.papers[static_cast<std::size_t>(f.paper)].id), f.side);
}

} // namespace zesty
