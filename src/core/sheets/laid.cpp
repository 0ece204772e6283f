#include "core/sheets/laid.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace zesty {

namespace {

constexpr double rounding = 1e-6;

bool same_turn(double a, double b) {
    const double off = std::fmod(std::abs(a - b), 360.0);
    return std::min(off, 360 - off) < rounding;
}

} // namespace

Laid::Laid(const NestPiece& piece, const NestPlacement& placement)
    : piece_(placement.piece), outlines_(transformed(outlines_of(piece), placement.transform())) {
    box_ = bounds(outlines_);
    for (const Polygon& p : outlines_) {
        rings_.emplace_back(p.outer);
        for (const Ring& h : p.holes) rings_.emplace_back(h);
    }
}

bool Laid::inside(const Polygon& sheet) const {
    const auto outside = subtract(outlines_, {sheet});
    return outside && area(*outside) <= 0.01;
}

bool Laid::too_close(const Laid& other, double gap) const {
    if (!other.box_.grown(gap).meets(box_)) return false;
    for (const MeasuredRing& r : rings_)
        for (const MeasuredRing& s : other.rings_)
            if (r.gap_to(s).distance < gap - 0.01) return true;
    const auto one_in_another = [](const Region& a, const Region& b) {
        for (const Polygon& p : a)
            for (const Polygon& q : b)
                if (contains(p, q.outer[0])) return true;
        return false;
    };
    return one_in_another(outlines_, other.outlines_) || one_in_another(other.outlines_, outlines_);
}

bool allowed(const NestPiece& piece, const NestPlacement& at) {
    if (!piece.sheets.empty() &&
        std::find(piece.sheets.begin(), piece.sheets.end(), at.sheet) == piece.sheets.end())
        return false;
    if (piece.pins)
        return std::any_of(piece.pins->begin(), piece.pins->end(), [&](const NestPin& pin) {
            return pin.sheet == at.sheet && same_turn(pin.rotation_deg, at.rotation_deg) &&
                   distance(pin.shift, at.shift) < rounding;
        });
    if (piece.band) {
        const double along = dot(piece.band->along, at.transform()(piece.band->of_piece));
        if (along < piece.band->from - rounding || along > piece.band->to + rounding) return false;
    }
    return piece.any_rotation || std::any_of(piece.rotations_deg.begin(), piece.rotations_deg.end(),
                                             [&](double r) { return same_turn(r, at.rotation_deg); });
}

std::vector<int> sheets_by_rank(const NestJob& job) {
    std::vector<int> out(job.sheets.size());
    std::iota(out.begin(), out.end(), 0);
    std::stable_sort(out.begin(), out.end(),
                     [&](int a, int b) { return job.sheets[a].rank < job.sheets[b].rank; });
    return out;
}

std::vector<NestPlacement> lay_pinned(const NestJob& job) {
    std::vector<NestPlacement> out;
    std::vector<std::vector<Laid>> on(job.sheets.size());
    for (std::size_t i = 0; i < job.pieces.size(); ++i) {
        const NestPiece& piece = job.pieces[i];
        for (const NestPin& pin : piece.pins.value_or(std::vector<NestPin>{})) {
            const NestPlacement at{static_cast<int>(i), pin.sheet, pin.rotation_deg, pin.shift};
            if (!allowed(piece, at)) continue;
            Laid laid(piece, at);
            auto& others = on[pin.sheet];
            if (!laid.inside(job.sheets[pin.sheet].outline) ||
                std::any_of(others.begin(), others.end(),
                            [&](const Laid& other) { return laid.too_close(other, job.gap); }))
                continue;
            others.push_back(std::move(laid));
            out.push_back(at);
            break;
        }
    }
    return out;
}

Region outlines_of(const NestPiece& piece) {
    Region out{piece.outline};
    out.insert(out.end(), piece.together.begin(), piece.together.end());
    return out;
}

Region with_gap(const Region& outlines, double gap) {
    if (gap <= 0) return outlines;
    const auto grown = grow(outlines, gap, Corner::Round, 4);
    return grown && !grown->empty() ? *grown : outlines;
}

void block_placed(SheetRaster& sheet, const NestPiece& piece, const NestPlacement& at, double gap) {
    const Region there = transformed(with_gap(outlines_of(piece), gap), at.transform());
    const Box box = bounds(there);
    const double cell = sheet.cell();
    const int x = static_cast<int>(std::floor((box.x0 - sheet.origin().x) / cell));
    const int y = static_cast<int>(std::floor((box.y0 - sheet.origin().y) / cell));
    sheet.block(rasterize(there, sheet.origin() + Point{x * cell, y * cell}, cell), x, y);
}

std::set<int> sheets_in_use(const NestResult& result) {
    std::set<int> out;
    for (const NestPlacement& p : result.placements) out.insert(p.sheet);
    return out;
}

void sort_by_piece(std::vector<NestPlacement>& placements) {
    std::sort(placements.begin(), placements.end(),
              [](const NestPlacement& a, const NestPlacement& b) { return a.piece < b.piece; });
}

} // namespace zesty
