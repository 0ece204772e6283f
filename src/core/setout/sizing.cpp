#include "core/setout/sizing.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr int attempts = 6;
constexpr double outline_tolerance = 0.1;

double longer_side(const CutFile& cut) {
    return std::max({cut.box.width(), cut.box.height(), 1e-9});
}

NestJob mat_job(const CutFile& cut, const std::vector<double>& sizes, double width, double height,
                double gap) {
    NestJob job;
    job.gap = gap;
    job.attempts = attempts;
    job.sheets.push_back({{{{0, 0}, {width, 0}, {width, height}, {0, height}}, {}}, 0});
    for (double size : sizes) {
        const Transform t = Transform::scaled(size / longer_side(cut));
        for (const Piece& p : cut.pieces) {
            if (p.in_opening >= 0) continue;
            NestPiece piece;
            piece.outline = simplified({transformed(p.outline.outer, t), {}}, outline_tolerance);
            job.pieces.push_back(std::move(piece));
        }
    }
    return job;
}

} // namespace

const std::vector<Holding>& holdings() {
    static const std::vector<Holding> all{{"blade", "the blade", 0.8},
                                          {"glue", "fine-tip glue", 1.5},
                                          {"foam", "foam strip", mm_per_inch / 8},
                                          {"tape", "tape", mm_per_inch / 4}};
    return all;
}

CutPlacement resized(const CutPlacement& place, const SetOut& now, const Page& page, double factor) {
    CutPlacement out = place;
    const double w = now.cut_box.width();
    const double h = now.cut_box.height();
    const double longer = std::max({w, h, 1e-9});
    factor = std::clamp(factor, least_cut / longer, greatest_cut / longer);
    switch (place.rule) {
    case SizeRule::Margin:
        out.length = std::min(page.full_width() - w * factor, page.height - h * factor) / 2;
        break;
    case SizeRule::Frame: {
        const Box base = base_of(page);
        out.length = std::min(base.width() - w * factor, base.height() - h * factor) / 2;
        break;
    }
    case SizeRule::Width:
        out.length = w * factor;
        break;
    case SizeRule::Height:
        out.length = h * factor;
        break;
    }
    return out;
}

std::optional<double> growth_for_bar(const SetOut& now, double wanted) {
    if (!std::isfinite(now.thinnest_bar) || now.thinnest_bar <= 0) return {};
    return wanted / now.thinnest_bar;
}

std::pair<Point, Point> snapped(const CutFile& cut, const Transform& to_page, Point from, Point to,
                                double reach) {
    const auto snap = [&](Point p) {
        Point best = p;
        double least = reach;
        const auto look = [&](const Ring& ring) {
            for (std::size_t i = 0; i < ring.size(); ++i) {
                const Point q = closest_on_segment(p, to_page(ring[i]), to_page(ring[(i + 1) % ring.size()]));
                if (const double d = distance(p, q); d < least) {
                    least = d;
                    best = q;
                }
            }
        };
        for (const Piece& piece : cut.pieces) {
            look(piece.outline.outer);
            for (const Ring& h : piece.outline.holes) look(h);
        }
        return best;
    };
    return {snap(from), snap(to)};
}

std::vector<MatCount> fit_on_mat(const CutFile& cut, const std::vector<double>& sizes, double mat_width,
                                 double mat_height, double gap, int most, const StopToken& stop) {
    std::vector<MatCount> out;
    for (double size : sizes) {
        MatCount count{size, 0};
        double one = 0;
        for (const NestPiece& p : mat_job(cut, {size}, mat_width, mat_height, gap).pieces)
            one += area(p.outline);
        const int bound = one > 0 ? static_cast<int>(mat_width * mat_height / one) : 0;
        for (int n = 1; n <= std::min(most, bound) && !stopped(stop); ++n) {
            const NestJob job = mat_job(cut, std::vector<double>(n, size), mat_width, mat_height, gap);
            if (!nest(job, stop).unplaced.empty()) break;
            count.count = n;
        }
        out.push_back(count);
    }
    return out;
}

bool fit_together(const CutFile& cut, const std::vector<double>& sizes, double mat_width, double mat_height,
                  double gap, const StopToken& stop) {
    return nest(mat_job(cut, sizes, mat_width, mat_height, gap), stop).unplaced.empty();
}

} // namespace zesty
