#include "core/project/match_job.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/match/pattern_room.h"
#include "core/match/zones.h"
#include "core/project/pattern_plan.h"
#include "core/project/tones.h"
#include "core/setout/photo_mats.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <limits>

namespace zesty {

namespace {

constexpr double photo_reach = 2 * mm_per_inch;

/// 1 for a circle that touches a photo, 0 from the reach on.
double beside_photo(const std::vector<Polygon>& photos, Point at, double radius) {
    double most = 0;
    for (const Polygon& p : photos) {
        double d = std::numeric_limits<double>::infinity();
        for (std::size_t i = 0; i < p.outer.size(); ++i)
            d = std::min(d, distance_to_segment(at, p.outer[i], p.outer[(i + 1) % p.outer.size()]));
        if (contains(p, at)) d = 0;
        most = std::max(most, 1 - std::max(0.0, d - radius) / photo_reach);
    }
    return std::max(0.0, most);
}

std::vector<PaletteColour> colours_of(const Project& project, const std::string& paper, Rgb otherwise) {
    const int p = paper.empty() ? -1 : project.stash->find(paper);
    if (p < 0) return {{otherwise, 1}};
    return palette_or_colour(project.stash->papers[p].face(Side::A));
}

/// Of its edges where these are coloured by hand: they are what a patch lies beside.
std::vector<PaletteColour> colours_of_cut(const Project& project, const PlacedCut& cut) {
    if (cut.edge) return {{*cut.edge, 1}};
    return colours_of(project, cut.paper, cut.colour.value_or(white_cut));
}

/// A photo mat whose paper is known, where it lies on the page.
struct PlacedMat {
    int face;
    MeasuredRing outline;
    Box reach; ///< within which it is seen beside a paper
};

std::vector<PlacedMat> placed_mats(const Project& project) {
    std::vector<PlacedMat> out;
    for (const Photo& photo : project.set_out.photos)
        for (std::size_t m = 0; m < photo.mats.size(); ++m) {
            const int face =
                face_of(*project.stash, project.stash->find(photo.mats[m].paper), photo.mats[m].side);
            if (face < 0 || photo.mats[m].see_through) continue;
            const Ring outline = outline_of_mat(photo, m).outer;
            out.push_back({face, MeasuredRing(outline), bounds(outline).grown(neighbour_limit)});
        }
    return out;
}

/// Those near the openings of a section, each face once, where it comes nearest.
std::vector<MatBeside> mats_beside(const std::vector<PlacedMat>& mats, const Section& section,
                                   const Plan& plan) {
    std::vector<MatBeside> out;
    for (const int o : section.openings) {
        const Ring outline =
            transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page).outer;
        for (const PlacedMat& mat : mats) {
            if (!mat.reach.meets(bounds(outline))) continue;
            const double gap = mat.outline.gap_to(MeasuredRing(outline)).distance;
            if (gap > neighbour_limit) continue;
            const auto known =
                std::find_if(out.begin(), out.end(), [&](const MatBeside& m) { return m.face == mat.face; });
            if (known == out.end())
                out.push_back({mat.face, gap});
            else
                known->gap = std::min(known->gap, gap);
        }
    }
    return out;
}

void look_at_photos(const Project& project, const Plan& plan, MatchJob& job) {
    Point sum;
    double area = 0;
    for (const Photo& p : project.set_out.photos) {
        const double own = p.width * (p.round ? p.width : p.height);
        sum = sum + p.centre * own;
        area += own;
    }
    for (const PhotoColours& p : plan.set_out.photo_colours)
        job.photo_colours.insert(job.photo_colours.end(), p.palette.begin(), p.palette.end());
    if (area > 0) job.focus = sum * (1 / area);
}

std::vector<MatchPaper> papers_of(const Project& project, const Plan& plan) {
    std::vector<MatchPaper> out(project.stash->papers.size());
    for (const Sheet& s : plan.papers.sheets) {
        MatchPaper& p = out[s.paper];
        p.stock += s.area;
        if (s.kind <= SheetKind::Offcut)
            p.scraps += s.area;
        else
            p.sheet = std::max(p.sheet, s.area);
    }
    for (const ReservedPiece& w : project.sheets.reserved)
        if (const int p = project.stash->find(w.paper); p >= 0) out[p].wanted += area(w.outline);
    for (std::size_t p = 0; p < out.size(); ++p)
        if (const auto role = project.match.roles.find(project.stash->papers[p].id);
            role != project.match.roles.end())
            out[p].role = role->second;
        else if (project.stash->papers[p].use_up)
            out[p].role = PaperRole::UseUp;
    return out;
}

/// One paper for every kind of pattern that some section shows: the one there is most of.
void feature_patterns(MatchJob& job) {
    double widest = 0;
    for (const MatchSection& s : job.sections)
        if (s.backed && s.given < 0) widest = std::max(widest, s.radius);
    for (std::size_t kind = 1; kind < words_of<Pattern>.size(); ++kind) {
        int most = -1;
        for (std::size_t p = 0; p < job.papers.size(); ++p) {
            const Paper& paper = job.stash.papers[p];
            if (paper.pattern != static_cast<Pattern>(kind) || pattern_room(paper.face(Side::A)) > widest)
                continue;
            if (job.papers[p].stock <= 0 || job.papers[p].role == PaperRole::Spare) continue;
            if (most < 0 || job.papers[p].stock > job.papers[most].stock) most = static_cast<int>(p);
        }
        if (most >= 0) job.papers[most].feature = true;
    }
}

/// Sections of one zone want what its middle wants; where a picture lies behind, every place has its own.
void share_tones(const Tones& tones, MatchJob& job) {
    const std::vector<int> zone = drift_zones(job.sections, job.neighbours);
    struct Zone {
        Point sum;
        double area = 0;
    };
    std::vector<Zone> zones(zone.size());
    for (std::size_t s = 0; s < zone.size(); ++s) {
        const double area = std::max(job.sections[s].area, 1.0);
        zones[zone[s]].sum = zones[zone[s]].sum + job.sections[s].at * area;
        zones[zone[s]].area += area;
    }
    for (std::size_t s = 0; s < zone.size(); ++s) {
        const Point middle = zones[zone[s]].sum * (1 / zones[zone[s]].area);
        job.sections[s].tone = tones.tone_at(middle);
        job.sections[s].wanted = tones.colour_at(middle);
    }
}

/// The section by its name in decisions, or -1.
int section_named(const Plan& plan, const Spot& id) {
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s)
        if (plan.sections.all[s].id == id) return static_cast<int>(s);
    return -1;
}

void take_rules(const Project& project, const Plan& plan, MatchJob& job) {
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const PaperChoice& c = project.match.choice(plan.sections.all[s].id);
        for (const std::string& id : c.never)
            if (const int p = project.stash->find(id); p >= 0) job.sections[s].never.push_back(p);
        if (c.same_as) job.sections[s].same_as = section_named(plan, project.sections.section_of(*c.same_as));
    }
    for (const auto& [a, b] : project.match.apart) {
        const int p = project.stash->find(a);
        const int q = project.stash->find(b);
        if (p >= 0 && q >= 0) job.apart.emplace_back(p, q);
    }
}

} // namespace

MatchJob match_job(const Project& project, const Plan& plan, bool keep_chosen) {
    assert(project.stash);
    assert(plan.papers.of_section.size() == plan.sections.all.size());
    MatchJob job{*project.stash, std::vector<MatchSection>(plan.sections.all.size()),
                 plan.sections.neighbours, project.seed, project.match.style};
    const Tones tones(project, plan);
    job.papers = papers_of(project, plan);
    look_at_photos(project, plan, job);
    std::vector<Polygon> photos;
    for (const Photo& p : project.set_out.photos) photos.push_back(outline_of(p));
    const std::vector<PlacedMat> mats = placed_mats(project);
    const std::vector<std::optional<double>> slants = section_slants(project, plan);
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const Section& section = plan.sections.all[s];
        MatchSection& m = job.sections[s];
        m.slant_deg = slants[s];
        m.backed = takes_paper(section.treatment);
        if (project.match.choice(section.id).locked || keep_chosen)
            m.given = face_of(*project.stash, plan.papers.of_section[s], plan.papers.side_of_section[s]);
        m.radius = std::numeric_limits<double>::infinity();
        for (int o : section.openings) {
            const Point middle = plan.middle_of(o);
            const double radius = plan.sections.cut->openings[o].label.radius * plan.set_out.whole.scale;
            m.radius = std::min(m.radius, radius);
            m.at = m.at + middle * (1.0 / static_cast<double>(section.openings.size()));
            m.beside_photo = std::max(m.beside_photo, beside_photo(photos, middle, radius));
        }
        const int cut = plan.sections.cut_of_opening[section.openings.front()];
        if (cut >= 0) m.behind.push_back(colours_of_cut(project, project.set_out.cuts[cut]));
        if (!project.set_out.page.base_paper.empty())
            m.behind.push_back(colours_of(project, project.set_out.page.base_paper, white_cut));
        if (m.backed) m.mats = mats_beside(mats, section, plan);
        m.tone = m.place_tone = tones.tone_at(m.at);
        m.wanted = tones.colour_at(m.at);
    }
    take_rules(project, plan, job);
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p) {
        if (plan.sections.patches[p].rides_on >= 0) continue;
        MatchSection& m = job.sections[plan.sections.patches[p].section];
        if (plan.sheets.had[p].sheet >= 0) {
            // What has been cut stays what it is, and takes no more paper.
            const int s = plan.sections.patches[p].section;
            m.given = face_of(*project.stash, plan.papers.of_section[s], plan.papers.side_of_section[s]);
            continue;
        }
        m.patches.push_back(static_cast<int>(p));
        m.area += plan.sections.patches[p].paper_area();
    }
    const std::vector<char> has_patch = sections_with_patch(plan.sections);
    for (std::size_t s = 0; s < has_patch.size(); ++s)
        if (!has_patch[s]) job.sections[s].backed = false;
    if (project.match.style.drift > 0 && project.match.style.map != ToneMap::Background)
        share_tones(tones, job);
    feature_patterns(job);
    return job;
}

} // namespace zesty
