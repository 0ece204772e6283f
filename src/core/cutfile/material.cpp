#include "core/cutfile/material.h"

#include "core/cutfile/outline.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

/// A shape twice as wide as this all along has that much area for its edge.
double mean_width(double area, double edge) {
    return edge > 0 ? 2 * area / edge : 0;
}

bool pieces_almost_touch(const Region& region, double hair) {
    if (region.size() < 2 || region.size() > 2000) return false;
    std::vector<Box> boxes;
    std::vector<MeasuredRing> rings;
    for (const Polygon& p : region) {
        boxes.push_back(bounds(p));
        rings.emplace_back(p.outer);
    }
    const BoxIndex index(boxes);
    for (std::size_t i = 0; i < region.size(); ++i)
        for (int j : index.meeting(boxes[i].grown(hair)))
            if (j > static_cast<int>(i) && rings[i].gap_to(rings[j]).distance < hair) return true;
    return false;
}

Result<Region> closed_hairlines(Region region, double hair, std::vector<std::string>& warnings) {
    if (pieces_almost_touch(region, hair)) {
        // Sharp outwards and round inwards keeps every corner and still fills the gap.
        const auto wide = grow(region, hair * 0.55, Corner::Sharp);
        if (!wide) return wide;
        auto back = grow(*wide, -hair * 0.55, Corner::Round);
        if (!back) return back;
        if (back->size() < region.size())
            warnings.push_back("Pieces that touch only in a point or a hairline apart were joined; "
                               "they may come apart there.");
        region = std::move(*back);
    }
    std::size_t gaps = 0;
    for (Polygon& p : region)
        gaps += std::erase_if(p.holes, [&](const Ring& h) {
            return mean_width(std::abs(signed_area(h)), perimeter(h)) < hair;
        });
    if (gaps > 0)
        warnings.push_back(std::to_string(gaps) + (gaps == 1 ? " hairline gap was" : " hairline gaps were") +
                           " closed: too narrow to be an opening.");
    const std::size_t slivers = std::erase_if(
        region, [&](const Polygon& p) { return mean_width(area(p), perimeter(p.outer)) < hair; });
    if (slivers > 0)
        warnings.push_back(std::to_string(slivers) + (slivers == 1 ? " sliver was" : " slivers were") +
                           " left out: too narrow to be paper.");
    return region;
}

} // namespace

double hairline(const Box& box) {
    return std::max(box.width(), box.height()) / 5000;
}

Result<Material> material_of(const Drawing& drawing) {
    Material out;
    out.warnings = drawing.warnings;
    std::vector<FilledPath> paths;
    std::vector<Contour> lines;
    Box box;
    for (const Shape& s : drawing.shapes) {
        FilledPath path{{}, s.rule};
        for (const Contour& c : s.contours) {
            if (s.filled) path.rings.push_back(c.points);
            if (s.stroked && !s.filled) lines.push_back(c);
            if (s.filled || s.stroked) box.add(bounds(c.points));
        }
        if (!path.rings.empty()) paths.push_back(std::move(path));
    }
    const double size = std::max(box.width(), box.height());
    auto region = fill(paths);
    if (!region) return tl::make_unexpected(region.error());
    if (region->empty() && !lines.empty()) {
        Outline outline = outline_of(lines, size);
        out.warnings.insert(out.warnings.end(), outline.warnings.begin(), outline.warnings.end());
        region = fill(FilledPath{std::move(outline.rings), FillRule::EvenOdd});
        if (!region) return tl::make_unexpected(region.error());
    }
    auto kept = closed_hairlines(std::move(*region), hairline(box), out.warnings);
    if (!kept) return tl::make_unexpected(kept.error());
    if (kept->empty())
        return fail(ErrorKind::NothingToDo, "the drawing has no filled area and no closed line, so there is "
                                            "nothing to cut");
    out.region = std::move(*kept);
    return out;
}

} // namespace zesty
