#include "core/project/match_job.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace zesty {

namespace {

/// How far towards the dark end of the page, from 0 to 1.
double tone_at(Point at, const Box& page, double light_deg) {
    const Point to_light{std::cos(light_deg * M_PI / 180), std::sin(light_deg * M_PI / 180)};
    const Point half{page.width() / 2, page.height() / 2};
    const double reach = std::abs(to_light.x) * half.x + std::abs(to_light.y) * half.y;
    return std::clamp(0.5 - dot(at - page.centre(), to_light) / (2 * std::max(reach, 1e-9)), 0.0, 1.0);
}

/// The box of all sections: a small cut on a large page drifts over itself.
Box around(const Plan& plan) {
    Box out;
    for (std::size_t o = 0; o < plan.cut->openings.size(); ++o) out.add(plan.middle_of(static_cast<int>(o)));
    return out;
}

} // namespace

MatchJob match_job(const Project& project, const Plan& plan, bool keep_chosen) {
    MatchJob job{*project.stash, std::vector<MatchSection>(plan.sections.size()), plan.neighbours,
                 project.seed, project.style};
    const Box box = around(plan);
    for (std::size_t s = 0; s < plan.sections.size(); ++s) {
        const Section& section = plan.sections[s];
        MatchSection& m = job.sections[s];
        m.backed = takes_paper(section.treatment);
        if (section.locked || keep_chosen) m.given = plan.paper_of_section[s];
        m.radius = std::numeric_limits<double>::infinity();
        for (int o : section.openings) {
            m.radius = std::min(m.radius, plan.cut->openings[o].label.radius * plan.set_out.scale);
            m.at = m.at + plan.middle_of(o) * (1.0 / static_cast<double>(section.openings.size()));
        }
        m.tone = tone_at(m.at, box, project.style.light_deg);
    }
    for (std::size_t p = 0; p < plan.patches.size(); ++p) {
        if (plan.patches[p].rides_on >= 0) continue;
        MatchSection& m = job.sections[plan.patches[p].section];
        m.patches.push_back(static_cast<int>(p));
        m.area += plan.patches[p].paper_area();
    }
    return job;
}

} // namespace zesty
