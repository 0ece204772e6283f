#include "core/project/colour_findings.h"

#include "core/project/match_job.h"
#include "core/sentences.h"

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
std::map<std::pair<int, Side>, Used> used_faces(const Project& project, const Plan& plan) {
    std::map<std::pair<int, Side>, Used> out;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const int paper = plan.papers.of_section[s];
        if (paper < 0) continue;
        const Side side = plan.papers.side_of_section[s];
        const auto [at, fresh] = out.try_emplace({paper, side});
        if (fresh) at->second.lab = to_lab(project.stash->papers[paper].face(side).colour);
        at->second.sections.push_back(static_cast<int>(s));
    }
    return out;
}

std::string lab_text(const Lab& l) {
    const auto n = [](double v) { return std::to_string(std::lround(v)); };
    return "L " + n(l.l) + ", a " + n(l.a) + ", b " + n(l.b);
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
    Finding f;
    f.code = "photo-missing";
    f.severity = Severity::Advice;
    f.title = "No paper goes with the photo";
    f.message = "Nothing comes near its " + format_colour(missing->colour) + " (" +
                lab_text(to_lab(missing->colour)) +
                "): print it in black and white, or paint a paper in that colour.";
    f.where = photo.centre;
    f.swatch = missing->colour;
    out.push_back(std::move(f));
}

void about_swallowed(const Project& project, const Plan& plan, const MatchJob& job, const Photo& photo,
                     const Faces& faces, std::vector<Finding>& out) {
    for (const PaletteColour& c : photo.picture->palette) {
        if (c.share < large_share) continue;
        for (const auto& [face, used] : faces) {
            if (difference(used.lab, to_lab(c.colour)) >= own_colour_below) continue;
            std::vector<int> openings;
            for (int s : used.sections)
                if (job.sections[s].beside_photo > very_near_photo)
                    openings.push_back(plan.sections.all[s].openings.front());
            if (openings.empty()) continue;
            Finding f;
            f.code = "photo-swallowed";
            f.severity = Severity::Advice;
            f.title = project.stash->papers[face.first].name + " is the photo's own colour";
            f.message = "At " + numbers(openings) + " it lies beside the photo and swallows its " +
                        format_colour(c.colour) + "; a mat between them or another paper keeps them apart.";
            f.where = plan.middle_of(openings.front());
            f.openings = openings;
            f.swatch = c.colour;
            out.push_back(std::move(f));
            return;
        }
    }
}

void about_roles(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    for (const auto& [id, role] : project.match.roles) {
        const int paper = project.stash->find(id);
        if (paper < 0 || role != PaperRole::Tie) continue;
        const auto uses = static_cast<std::size_t>(
            std::count(plan.papers.of_section.begin(), plan.papers.of_section.end(), paper));
        if (uses >= 3 || plan.sections.all.size() < 3) continue;
        out.push_back(
            {"tie",
             Severity::Advice,
             project.stash->papers[paper].name + " is to tie the page together",
             "It has " + count_of(uses, "place", "places") + "; three or more hold a page together.",
             std::nullopt,
             {},
             {},
             {}});
    }
}

/// Where on the page a paper that is used once would balance it: the side away from its place.
void about_lonely(const Project& project, const Plan& plan, const Faces& faces, std::vector<Finding>& out) {
    if (project.match.style.drift > 0.5 || faces.size() < 2) return;
    Box box;
    std::size_t backed = 0;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        box.add(plan.middle_of(plan.sections.all[s].openings.front()));
        backed += plan.papers.of_section[s] >= 0;
    }
    if (backed < 3 * faces.size()) return;
    static constexpr std::array sides{"right", "bottom", "left", "top"};
    for (const auto& [face, used] : faces) {
        if (used.sections.size() != 1) continue;
        const int opening = plan.sections.all[used.sections[0]].openings.front();
        const Point away = box.centre() - plan.middle_of(opening);
        const std::size_t side =
            std::abs(away.x) > std::abs(away.y) ? (away.x > 0 ? 0 : 2) : (away.y > 0 ? 1 : 3);
        out.push_back(
            {"lonely",
             Severity::Note,
             project.stash->papers[face.first].name + " is used once",
             std::string("Two more places, one of them at the ") + sides[side] + ", would balance it.",
             plan.middle_of(opening),
             {opening},
             {},
             {}});
    }
}

} // namespace

void add_colour_findings(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    if (!project.stash || project.stash->papers.empty() || plan.sections.all.empty()) return;
    const Faces faces = used_faces(project, plan);
    about_roles(project, plan, out);
    if (faces.empty()) return;
    about_lonely(project, plan, faces, out);
    const bool pictures = std::any_of(project.set_out.photos.begin(), project.set_out.photos.end(),
                                      [](const Photo& p) { return static_cast<bool>(p.picture); });
    if (!pictures) return;
    const MatchJob job = match_job(project, plan, true);
    for (const Photo& photo : project.set_out.photos) {
        if (!photo.picture) continue;
        about_missing(photo, faces, out);
        about_swallowed(project, plan, job, photo, faces, out);
    }
}

} // namespace zesty
