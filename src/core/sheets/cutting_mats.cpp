#include "core/sheets/cutting_mats.h"

#include "core/geometry/measure.h"
#include "core/sheets/nest.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr int layings_tried = 6;
constexpr double mat_tolerance = 0.1;

double longer_side(const CutFile& cut) {
    return std::max({cut.box.width(), cut.box.height(), 1e-9});
}

std::vector<int> outer_pieces(const CutFile& cut) {
    std::vector<int> out;
    for (std::size_t p = 0; p < cut.pieces.size(); ++p)
        if (cut.pieces[p].in_opening < 0) out.push_back(static_cast<int>(p));
    return out;
}

/// What is laid on mats: pieces by copy, each at a size of its own.
struct ToLay {
    int piece = 0;
    int copy = 0;
    Transform sized;
    double grown = 0;
};

NestPiece nest_piece(const CutFile& cut, const ToLay& one) {
    NestPiece out;
    Polygon outline{transformed(cut.pieces[one.piece].outline.outer, one.sized), {}};
    if (one.grown > 0)
        if (const auto larger = grow({outline}, one.grown); larger && !larger->empty())
            outline = {largest(*larger).outer, {}};
    out.outline = simplified(outline, mat_tolerance);
    return out;
}

/// The piece with everything that lies loose in it, however deep.
void put(const CutFile& cut, int piece, int copy, const Transform& to_cutting_mat,
         std::vector<OnCuttingMat>& mat) {
    mat.push_back({piece, copy, to_cutting_mat});
    for (std::size_t loose = 0; loose < cut.pieces.size(); ++loose)
        if (const int in = cut.pieces[loose].in_opening; in >= 0 && cut.openings[in].piece == piece)
            put(cut, static_cast<int>(loose), copy, to_cutting_mat, mat);
}

/// One mat filled with as many as fit; what is left over comes back.
std::vector<ToLay> fill_cutting_mat(const CutFile& cut, const std::vector<ToLay>& wanted,
                                    const CuttingMat& size, const StopToken& stop,
                                    std::vector<OnCuttingMat>& mat) {
    NestJob job;
    job.gap = size.gap;
    job.attempts = layings_tried;
    job.sheets.push_back({{ring_of(Box{0, 0, size.width, size.height}), {}}, 0});
    for (const ToLay& one : wanted) job.pieces.push_back(nest_piece(cut, one));
    const NestResult result = nest(job, stop);
    for (const NestPlacement& p : result.placements) {
        const ToLay& one = wanted[p.piece];
        put(cut, one.piece, one.copy, p.transform() * one.sized, mat);
    }
    std::vector<ToLay> left;
    for (int u : result.unplaced) left.push_back(wanted[u]);
    return left;
}

std::vector<ToLay> copies(const CutFile& cut, const std::vector<double>& sizes) {
    std::vector<ToLay> out;
    for (std::size_t k = 0; k < sizes.size(); ++k)
        for (int p : outer_pieces(cut))
            out.push_back({p, static_cast<int>(k), Transform::scaled(sizes[k] / longer_side(cut))});
    return out;
}

} // namespace

std::vector<CuttingMatCount> fit_on_cutting_mat(const CutFile& cut, const std::vector<double>& sizes,
                                                const CuttingMat& mat, int most, const StopToken& stop) {
    std::vector<CuttingMatCount> out;
    for (double size : sizes) {
        CuttingMatCount count;
        count.size = size;
        double one = 0;
        for (const ToLay& piece : copies(cut, {size})) one += area(nest_piece(cut, piece).outline);
        const int bound = one > 0 ? static_cast<int>(mat.width * mat.height / one) : 0;
        for (int n = 1; n <= std::min(most, bound) && !stopped(stop); ++n) {
            std::vector<OnCuttingMat> laid;
            if (!fill_cutting_mat(cut, copies(cut, std::vector<double>(n, size)), mat, stop, laid).empty())
                break;
            count.count = n;
            count.or_more = n == most;
            count.layout.mats = {std::move(laid)};
        }
        out.push_back(std::move(count));
    }
    return out;
}

bool fit_together(const CutFile& cut, const std::vector<double>& sizes, const CuttingMat& mat,
                  const StopToken& stop) {
    std::vector<OnCuttingMat> laid;
    return fill_cutting_mat(cut, copies(cut, sizes), mat, stop, laid).empty();
}

CuttingMatLayout lay_on_cutting_mats(const CutFile& cut, const Transform& to_page,
                                     const std::vector<int>& pieces, const CuttingMat& mat,
                                     const StopToken& stop) {
    CuttingMatLayout out;
    std::vector<ToLay> left;
    for (int p : pieces)
        if (cut.pieces[p].in_opening < 0) left.push_back({p, 0, to_page});
    while (!left.empty() && !stopped(stop)) {
        std::vector<OnCuttingMat> laid;
        left = fill_cutting_mat(cut, left, mat, stop, laid);
        if (laid.empty()) break;
        out.mats.push_back(std::move(laid));
    }
    for (const ToLay& one : left) out.too_large.push_back(one.piece);
    return out;
}

bool fits_beside(const CutFile& cut, const Transform& to_page, const std::vector<int>& there,
                 const std::vector<OneMore>& more, const CuttingMat& mat, const StopToken& stop) {
    std::vector<ToLay> all;
    double wanted = 0;
    const auto add = [&](int piece, int copy, double factor, double grown) {
        all.push_back({piece, copy, Transform::scaled(to_page.scale() * factor), grown});
        wanted += area(nest_piece(cut, all.back()).outline);
    };
    for (int piece : there) add(piece, 0, 1, 0);
    for (std::size_t k = 0; k < more.size(); ++k)
        for (int piece : more[k].pieces) add(piece, static_cast<int>(k) + 1, more[k].factor, more[k].grown);
    if (wanted > mat.width * mat.height) return false;
    std::vector<OnCuttingMat> laid;
    return fill_cutting_mat(cut, all, mat, stop, laid).empty();
}

} // namespace zesty
