#include "core/match/findings.h"

#include "core/match/hue_budget.h"
#include "core/match/photo_findings.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/likeness.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr double vanishes_within = 8; ///< delta E 2000: a patch of the base's own colour

/// Sections by the side of paper they have.
using Faces = std::map<std::pair<int, Side>, std::vector<int>>;
Faces used_faces(const PapersNow& now) {
    Faces out;
    for (std::size_t s = 0; s < now.sections.all.size(); ++s)
        if (const int paper = now.papers.of_section[s]; paper >= 0)
            out[{paper, now.papers.side_of_section[s]}].push_back(static_cast<int>(s));
    return out;
}

void about_roles(const PapersNow& now, std::vector<Finding>& out) {
    for (const auto& [id, role] : now.decided.roles) {
        const int paper = now.stash.find(id);
        if (paper < 0 || role != PaperRole::Tie) continue;
        const auto uses = static_cast<std::size_t>(
            std::count(now.papers.of_section.begin(), now.papers.of_section.end(), paper));
        if (uses >= 3 || now.sections.all.size() < 3) continue;
        out.push_back({.code = Code::Tie,
                       .title = now.stash.papers[paper].name + " is to tie the page together",
                       .message = "It has " + count_of(uses, "place", "places") +
                                  "; three or more hold a page together."});
    }
}

/// Where on the page a paper that is used once would balance it: the side away from its place.
void about_lonely(const PapersNow& now, const Faces& faces, std::vector<Finding>& out) {
    if (now.decided.style.drift > 0.5 || faces.size() < 2) return;
    Box box;
    std::size_t backed = 0;
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        box.add(middle_of(now.sections, now.set_out, now.sections.all[s].openings.front()));
        backed += now.papers.of_section[s] >= 0;
    }
    if (backed < 3 * faces.size()) return;
    static constexpr std::array sides{"right", "bottom", "left", "top"};
    for (const auto& [face, sections] : faces) {
        if (sections.size() != 1) continue;
        const int opening = now.sections.all[sections[0]].openings.front();
        const Point away = box.centre() - middle_of(now.sections, now.set_out, opening);
        const std::size_t side =
            std::abs(away.x) > std::abs(away.y) ? (away.x > 0 ? 0 : 2) : (away.y > 0 ? 1 : 3);
        out.push_back({.code = Code::Lonely,
                       .title = now.stash.papers[face.first].name + " is used once",
                       .message = std::string("Two more places, one of them at the ") + sides[side] +
                                  ", would balance it.",
                       .where = middle_of(now.sections, now.set_out, opening),
                       .openings = {opening}});
    }
}

void about_choices(const PapersNow& now, std::vector<Finding>& out) {
    std::vector<int> bare;
    std::vector<int> gone;
    const std::vector<char> has_patch = sections_with_patch(now.sections);
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        const Section& section = now.sections.all[s];
        if (!has_patch[s] || now.papers.of_section[s] >= 0) continue;
        (now.decided.choice(section.id).paper.empty() ? bare : gone).push_back(section.openings.front());
    }
    if (!gone.empty())
        out.push_back(
            {.code = Code::LostPaper,
             .title = "A paper is not in the stash any more",
             .message = "The paper chosen for " + numbers(gone) + " cannot be found; choose another.",
             .where = middle_of(now.sections, now.set_out, gone.front()),
             .openings = gone});
    if (now.stash.papers.empty())
        out.push_back({.code = Code::NoStash,
                       .title = "No paper at hand",
                       .message = "Add papers in the drawer, or open a stash there, to choose from."});
    else if (!bare.empty())
        out.push_back({.code = Code::NoPaper,
                       .title = count_of(bare.size(), "section has", "sections have") + " no paper yet",
                       .message = "Drag papers there from the drawer, or let the program propose.",
                       .where = middle_of(now.sections, now.set_out, bare.front()),
                       .openings = bare});
}

/// The paper that all sections have that are backed, three at least; -1 where they differ.
int one_paper_for_all(const PapersNow& now) {
    int one = -1;
    std::size_t sections = 0;
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        const int paper = now.papers.of_section[s];
        if (paper < 0 || !takes_paper(now.sections.all[s].treatment)) continue;
        if (one >= 0 && paper != one) return -1;
        one = paper;
        ++sections;
    }
    return sections >= 3 ? one : -1;
}

void about_alike(const PapersNow& now, std::vector<Finding>& out) {
    if (const int one = one_paper_for_all(now); one >= 0 && now.papers.alike.size() > 1) {
        // One paper behind everything is a style, and one line is enough to say so.
        out.push_back({.code = Code::OnePaper,
                       .title = now.stash.papers[one].name + " is behind everything",
                       .message = "If that is how it should be, there is nothing to do."});
        return;
    }
    for (const int i : now.papers.alike) {
        const Neighbours& n = now.sections.neighbours[i];
        const Section& a = now.sections.all[n.a];
        const Section& b = now.sections.all[n.b];
        out.push_back(
            {.code = Code::Alike,
             .title = a.label + " and " + b.label + " are both " +
                      now.stash.papers[now.papers.of_section[n.a]].name,
             .message = n.by_sight    ? "They are seen " + format_length(n.width, now.units) + " apart."
                        : n.width > 0 ? "They share a bar of " + format_length(n.width, now.units) + "."
                                      : "They meet without a bar between them.",
             .where = (n.from + n.to) * 0.5,
             .openings = {a.openings.front(), b.openings.front()},
             .about = i});
    }
}

/// Patches that look like the base that is seen beside the cut.
std::vector<Finding> like_base_findings(const PapersNow& now) {
    const int base = now.stash.find(now.page.base_paper);
    if (base < 0) return {};
    const auto ground = palette_or_colour(now.stash.papers[base].face(Side::A));
    std::vector<int> like;
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        const int paper = now.papers.of_section[s];
        if (paper < 0 || now.decided.choice(now.sections.all[s].id).locked) continue;
        const PaperFace face = now.stash.papers[paper].face(now.papers.side_of_section[s]);
        if (paper == base || palette_distance(palette_or_colour(face), ground) < vanishes_within)
            like.push_back(now.sections.all[s].openings.front());
    }
    if (like.empty()) return {};
    return {{.code = Code::LikeBase,
             .title = numbers(like) + (like.size() == 1 ? " looks" : " look") + " like the base",
             .message = "Paper of nearly the colour of the base beside it looks like an opening left open.",
             .where = middle_of(now.sections, now.set_out, like.front()),
             .openings = like}};
}

void about_colours(const PapersNow& now, const std::function<MatchJob()>& make_job,
                   std::vector<Finding>& out) {
    const Faces faces = used_faces(now);
    about_roles(now, out);
    if (faces.empty()) return;
    about_lonely(now, faces, out);
    const auto add = [&](std::vector<Finding> more) { out.insert(out.end(), more.begin(), more.end()); };
    add(hue_findings(now));
    add(like_base_findings(now));
    if (std::any_of(now.photo_colours.begin(), now.photo_colours.end(),
                    [](const PhotoColours& p) { return !p.palette.empty(); }))
        add(photo_colour_findings(now, make_job()));
}

} // namespace

std::vector<Finding> paper_findings(const PapersNow& now, const std::function<MatchJob()>& job) {
    std::vector<Finding> out;
    about_choices(now, out);
    about_alike(now, out);
    if (!now.stash.papers.empty() && !now.sections.all.empty()) about_colours(now, job, out);
    return out;
}

} // namespace zesty
