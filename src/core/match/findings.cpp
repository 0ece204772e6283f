#include "core/match/findings.h"

#include "core/sentences.h"
#include "core/stash/colour_words.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr double own_colour_below = 10; ///< delta E 2000
constexpr double goes_with_below = 20;  ///< delta E 2000
constexpr double large_share = 0.12;    ///< of a photo
constexpr double chromatic = 14;        ///< chroma from which a colour is one
constexpr double very_near_photo = 0.7; ///< of MatchSection::beside_photo

struct Used {
    std::vector<int> sections;
    Lab lab;
};

/// Sections by the side of paper they have.
std::map<std::pair<int, Side>, Used> used_faces(const PapersNow& now) {
    std::map<std::pair<int, Side>, Used> out;
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        const int paper = now.papers.of_section[s];
        if (paper < 0) continue;
        const Side side = now.papers.side_of_section[s];
        const auto [at, fresh] = out.try_emplace({paper, side});
        if (fresh) at->second.lab = to_lab(now.stash.papers[paper].face(side).colour);
        at->second.sections.push_back(static_cast<int>(s));
    }
    return out;
}

using Faces = std::map<std::pair<int, Side>, Used>;

/// Nothing on the page comes near any colour of the photo that is one.
void about_missing(const Photo& photo, const Faces& faces, std::vector<Finding>& out) {
    const PaletteColour* missing = nullptr;
    for (const PaletteColour& c : photo.picture->palette) {
        const Lab lab = to_lab(c.colour);
        if (c.share < large_share || std::hypot(lab.a, lab.b) < chromatic) continue;
        for (const auto& [face, used] : faces)
            if (difference(used.lab, lab) < goes_with_below) return;
        if (!missing || c.share > missing->share) missing = &c;
    }
    if (!missing || faces.empty()) return;
    out.push_back({.code = Code::PhotoMissing,
                   .title = "No paper goes with the photo",
                   .message = "Nothing comes near its " + colour_words(missing->colour) +
                              ": print it in black and white, or paint a paper in that colour.",
                   .where = photo.centre,
                   .swatch = missing->colour});
}

void about_blending_in(const PapersNow& now, const MatchJob& job, const Photo& photo, const Faces& faces,
                       std::vector<Finding>& out) {
    for (const PaletteColour& c : photo.picture->palette) {
        if (c.share < large_share) continue;
        for (const auto& [face, used] : faces) {
            if (difference(used.lab, to_lab(c.colour)) >= own_colour_below) continue;
            std::vector<int> openings;
            for (int s : used.sections)
                if (job.sections[s].beside_photo > very_near_photo)
                    openings.push_back(now.sections.all[s].openings.front());
            if (openings.empty()) continue;
            out.push_back({.code = Code::PhotoBlendsIn,
                           .title = now.stash.papers[face.first].name + " is the photo's own colour",
                           .message = "At " + numbers(openings) +
                                      " it lies beside the photo and blends into the photo's " +
                                      colour_words(c.colour) +
                                      "; a photo mat between them or another paper keeps them apart.",
                           .where = middle_of(now.sections, now.set_out, openings.front()),
                           .openings = openings,
                           .swatch = c.colour});
            return;
        }
    }
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
    for (const auto& [face, used] : faces) {
        if (used.sections.size() != 1) continue;
        const int opening = now.sections.all[used.sections[0]].openings.front();
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
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        const Section& section = now.sections.all[s];
        if (!takes_paper(section.treatment) || now.papers.of_section[s] >= 0) continue;
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
        out.push_back({.code = Code::Alike,
                       .title = a.label + " and " + b.label + " are both " +
                                now.stash.papers[now.papers.of_section[n.a]].name,
                       .message = n.width > 0
                                      ? "They share a bar of " + format_length(n.width, now.units) + "."
                                      : "They meet without a bar between them.",
                       .where = (n.from + n.to) * 0.5,
                       .openings = {a.openings.front(), b.openings.front()},
                       .about = i});
    }
}

void about_colours(const PapersNow& now, const std::function<MatchJob()>& make_job,
                   std::vector<Finding>& out) {
    const Faces faces = used_faces(now);
    about_roles(now, out);
    if (faces.empty()) return;
    about_lonely(now, faces, out);
    const bool pictures = std::any_of(now.photos.begin(), now.photos.end(),
                                      [](const Photo& p) { return static_cast<bool>(p.picture); });
    if (!pictures) return;
    const MatchJob job = make_job();
    for (const Photo& photo : now.photos) {
        if (!photo.picture) continue;
        about_missing(photo, faces, out);
        about_blending_in(now, job, photo, faces, out);
    }
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
