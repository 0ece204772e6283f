#include "core/project/tones.h"

#include <algorithm>
#include <cmath>

namespace zesty {

Tones::Tones(const Project& project, const Plan& plan) : project_(project) {
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o)
        around_.add(plan.middle_of(static_cast<int>(o)));
    if (const int base = project.stash ? project.stash->find(project.set_out.page.base_paper) : -1; base >= 0)
        background_ = project.stash->papers[base].coarse;
}

double Tones::along(Point on_page) const {
    const double deg = project_.match.style.light_deg;
    const Point to_light{std::cos(deg * M_PI / 180), std::sin(deg * M_PI / 180)};
    const Point half{around_.width() / 2, around_.height() / 2};
    const double reach = std::abs(to_light.x) * half.x + std::abs(to_light.y) * half.y;
    return std::clamp(0.5 - dot(on_page - around_.centre(), to_light) / (2 * std::max(reach, 1e-9)), 0.0,
                      1.0);
}

double Tones::tone_at(Point on_page) const {
    if (project_.match.style.map == ToneMap::Background)
        if (const auto colour = colour_at(on_page)) return std::clamp(1 - colour->l / 100, 0.0, 1.0);
    return along(on_page);
}

std::optional<Lab> Tones::colour_at(Point on_page) const {
    const MatchStyle& style = project_.match.style;
    if (style.map == ToneMap::Zones && !style.zones.empty()) {
        const auto n = static_cast<double>(style.zones.size());
        return to_lab(style.zones[static_cast<std::size_t>(std::min(along(on_page) * n, n - 1))]);
    }
    if (style.map == ToneMap::Background && !background_.empty()) {
        const Page& page = project_.set_out.page;
        const auto cell = [](double at, double size) {
            return std::clamp(static_cast<int>(coarse_cells * at / std::max(size, 1e-9)), 0,
                              coarse_cells - 1);
        };
        return to_lab(background_[static_cast<std::size_t>(
            cell(on_page.y, page.full_height()) * coarse_cells + cell(on_page.x, page.full_width()))]);
    }
    return std::nullopt;
}

} // namespace zesty
