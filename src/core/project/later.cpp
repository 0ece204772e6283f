#include "core/project/later.h"

#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

using WantedBy = std::pair<std::string, std::string>; ///< page and paper

WantedBy wanted_by(const WantedPiece& w) {
    return {w.page, w.paper};
}

void in_order(std::vector<WantedPiece>& pieces) {
    std::stable_sort(pieces.begin(), pieces.end(),
                     [](const WantedPiece& a, const WantedPiece& b) { return wanted_by(a) < wanted_by(b); });
}

std::string size_text(const Project& project, const Polygon& outline) {
    const Box box = bounds(outline);
    return format_size(box.width(), box.height(), project.units);
}

/// The largest of some wanted pieces.
const Polygon& largest_of(const Project& project, const std::vector<int>& wanted) {
    const int most = *std::max_element(wanted.begin(), wanted.end(), [&](int a, int b) {
        return area(project.wanted[a].outline) < area(project.wanted[b].outline);
    });
    return project.wanted[most].outline;
}

Finding without_room(const Project& project, const WantedBy& by, const std::vector<int>& missing,
                     std::size_t all) {
    const auto& [page, id] = by;
    const std::string& paper = stash_at_hand(project).papers[stash_at_hand(project).find(id)].name;
    const std::string size = size_text(project, largest_of(project, missing));
    Finding f;
    f.code = "no-room";
    f.severity = Severity::Advice;
    f.title = page.empty() ? "No room to keep " + size + " of " + paper + " whole"
                           : "No room on " + paper + " for " + page;
    f.message = page.empty()
                    ? "Beside the patches of this page no sheet of it has such a rectangle left."
                    : std::to_string(missing.size()) + " of the " + count_of(all, "piece", "pieces") +
                          " wanted there find no place beside this page's patches, the largest of " + size +
                          ".";
    f.fix = ForgetRoom{page, id};
    f.fix_label = "Do without that room";
    return f;
}

} // namespace

std::string name_of_page(const Project& project, const std::string& otherwise) {
    return project.title.empty() ? otherwise : project.title;
}

std::vector<WantedPiece> pieces_taken(const Project& project, const Plan& plan, const std::string& page) {
    std::vector<WantedPiece> out;
    const Stash& stash = stash_at_hand(project);
    for (std::size_t p = 0; p < plan.placed.size(); ++p) {
        const PlacedPatch& at = plan.placed[p];
        if (at.sheet < 0 || plan.patches[p].rides_on >= 0) continue;
        const Polygon lies = transformed(plan.patches[p].on_sheet(), at.to_sheet());
        const Box box = bounds(lies);
        out.push_back({page, stash.papers[plan.sheets[at.sheet].paper].id,
                       plan.side_of_section[plan.patches[p].section],
                       transformed(lies, Transform::moved(-box.x0, -box.y0))});
    }
    return out;
}

void forget_page(Project& project, const std::string& page) {
    std::erase_if(project.wanted, [&](const WantedPiece& w) { return w.page == page; });
}

void leave_room(Project& project, const std::vector<WantedPiece>& pieces) {
    for (const WantedPiece& w : pieces) forget_page(project, w.page);
    project.wanted.insert(project.wanted.end(), pieces.begin(), pieces.end());
    in_order(project.wanted);
}

std::vector<WantedPiece> of_this_stash(const Project& project, const std::vector<WantedPiece>& pieces) {
    std::vector<WantedPiece> out;
    for (const WantedPiece& w : pieces)
        if (stash_at_hand(project).find(w.paper) >= 0) out.push_back(w);
    return out;
}

void forget_pages(Project& project) {
    std::erase_if(project.wanted, [](const WantedPiece& w) { return !w.page.empty(); });
}

std::vector<WantedPiece> room_for_pages(const Project& project) {
    std::vector<WantedPiece> out;
    for (const WantedPiece& w : project.wanted)
        if (!w.page.empty()) out.push_back(w);
    return out;
}

bool leaves_room(const Project& project, const std::vector<WantedPiece>& pieces) {
    std::vector<WantedPiece> wanted = pieces;
    in_order(wanted);
    return room_for_pages(project) == wanted;
}

std::vector<std::string> pages_with_room(const Project& project) {
    std::set<std::string> out;
    for (const WantedPiece& w : project.wanted)
        if (!w.page.empty()) out.insert(w.page);
    return {out.begin(), out.end()};
}

void keep_whole(Project& project, const std::string& paper, Point size) {
    std::erase_if(project.wanted, [&](const WantedPiece& w) { return w.page.empty() && w.paper == paper; });
    if (size.x > 0 && size.y > 0)
        project.wanted.push_back({{}, paper, Side::A, {ring_of(Box{0, 0, size.x, size.y}), {}}});
    in_order(project.wanted);
}

Point kept_whole(const Project& project, const std::string& paper) {
    for (const WantedPiece& w : project.wanted)
        if (w.page.empty() && w.paper == paper) {
            const Box box = bounds(w.outline);
            return {box.width(), box.height()};
        }
    return {};
}

void about_room(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    std::map<WantedBy, std::vector<int>> missing;
    std::map<WantedBy, std::size_t> all;
    for (const WantedPiece& w : project.wanted) ++all[wanted_by(w)];
    for (const int w : plan.without_room) missing[wanted_by(project.wanted[w])].push_back(w);
    for (const auto& [by, which] : missing) out.push_back(without_room(project, by, which, all[by]));
}

} // namespace zesty
