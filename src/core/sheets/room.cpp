#include "core/sheets/room.h"

#include "core/geometry/measure.h"
#include "core/sheets/laid.h"
#include "core/sheets/leftover.h"
#include "core/sheets/refine.h"

#include <algorithm>
#include <array>

namespace zesty {

namespace {

constexpr double matters = 1000;        ///< a piece to one of the same size that may be cut later
constexpr int attempts_beside = 1;      ///< the order of what is pinned changes nothing
constexpr double coarse = 1;            ///< mm, of the raster that looks for rectangles
constexpr std::array larger{1.25, 1.1}; ///< rectangles tried, as shares of the one there is
constexpr int most_rounds_for_them = 2;
constexpr double least_gain = 1.02;

double area_of(const std::vector<NestPiece>& pieces, const std::vector<NestPlacement>& placed) {
    double sum = 0;
    for (const NestPlacement& p : placed) sum += area(pieces[p.piece].outline);
    return sum;
}

/// Room for later pieces when nothing that lies is moved.
std::vector<NestPlacement> beside(const NestJob& job, const NestResult& result, const StopToken& stop) {
    NestJob around = job;
    around.pieces.clear();
    for (const NestPlacement& p : result.placements) {
        around.pieces.push_back(job.pieces[p.piece]);
        around.pieces.back().pins = std::vector<NestPin>{{p.sheet, p.rotation_deg, p.shift}};
    }
    around.attempts = attempts_beside;
    around.refinements = 0;
    NestResult found = nest(around, stop);
    return found.unplaced.empty() ? std::move(found.room) : std::vector<NestPlacement>{};
}

/// Lays everything anew, and `more` with it, which finds no place beside `result`. Nothing where pieces would
/// have to give way, or sheets to be opened.
std::optional<NestResult> laid_with(const NestJob& job, const NestResult& result,
                                    const std::vector<NestPiece>& more, int rounds, const StopToken& stop) {
    const std::set<int> in_use = sheets_in_use(result);
    const std::vector<int> used(in_use.begin(), in_use.end());
    const int own = static_cast<int>(job.pieces.size());
    NestJob all = job;
    all.later.clear();
    for (NestPiece& p : all.pieces) {
        p.worth = matters;
        if (p.sheets.empty()) p.sheets = used;
        std::erase_if(p.sheets, [&](int s) { return !in_use.contains(s); });
    }
    all.pieces.insert(all.pieces.end(), job.later.begin(), job.later.end());
    all.pieces.insert(all.pieces.end(), more.begin(), more.end());
    NestResult start = result;
    start.room.clear();
    std::vector<char> lies(all.pieces.size(), 0);
    for (NestPlacement p : result.room) {
        p.piece += own;
        start.placements.push_back(p);
    }
    for (const NestPlacement& p : start.placements) lies[p.piece] = 1;
    for (std::size_t i = 0; i < lies.size(); ++i)
        if (!lies[i]) start.unplaced.push_back(static_cast<int>(i));
    const NestResult found = refined(all, start, rounds, stop, {});
    NestResult out;
    for (NestPlacement p : found.placements) {
        if (p.piece < own) {
            out.placements.push_back(p);
        } else if (p.piece -= own; p.piece < static_cast<int>(job.later.size())) {
            out.room.push_back(p);
        }
    }
    const bool whole = static_cast<int>(out.placements.size()) == own;
    return whole ? std::optional(std::move(out)) : std::nullopt;
}

double area_of(const Box& box) {
    return box.area();
}

double sum_of(const std::vector<Box>& boxes) {
    double sum = 0;
    for (const Box& b : boxes) sum += area_of(b);
    return sum;
}

/// The rectangle that much larger, no wider or higher than the sheet.
NestPiece enlarged(const Box& rectangle, const Box& sheet, double by, int on) {
    const double width = std::min(rectangle.width() * std::sqrt(by), sheet.width());
    const double height = std::min(area_of(rectangle) * by / width, sheet.height());
    const Box box{0, 0, std::min(area_of(rectangle) * by / height, sheet.width()), height};
    return {Polygon{ring_of(box), {}}, false, {0}, {on}};
}

/// Tries for a larger rectangle on the sheet that has the largest already.
NestResult with_larger_rectangle(const NestJob& job, NestResult result, int rounds, const StopToken& stop) {
    std::vector<Box> left = rectangles_left(job, result);
    for (const double by : larger) {
        if (stopped(stop)) break;
        const auto most = std::max_element(
            left.begin(), left.end(), [](const Box& a, const Box& b) { return area_of(a) < area_of(b); });
        if (most == left.end() || most->empty()) break;
        const int on = static_cast<int>(most - left.begin());
        const NestPiece rectangle = enlarged(*most, bounds(job.sheets[on].outline), by, on);
        auto found = laid_with(job, result, {rectangle}, rounds, stop);
        if (!found || area_of(job.later, found->room) < area_of(job.later, result.room) - 1e-6) continue;
        std::vector<Box> then = rectangles_left(job, *found);
        if (sum_of(then) < least_gain * sum_of(left)) continue;
        result = std::move(*found);
        left = std::move(then);
    }
    return result;
}

} // namespace

std::vector<Box> rectangles_left(const NestJob& job, const NestResult& result) {
    std::vector<Box> out(job.sheets.size());
    for (const int s : sheets_in_use(result)) {
        SheetRaster sheet(job.sheets[s].outline, coarse);
        for (const NestPlacement& p : result.placements)
            if (p.sheet == s) block_placed(sheet, job.pieces[p.piece], p, job.gap);
        for (const NestPlacement& p : result.room)
            if (p.sheet == s) block_placed(sheet, job.later[p.piece], p, job.gap);
        out[s] = box_of(sheet, largest_free(sheet));
    }
    return out;
}

NestResult with_room(const NestJob& job, NestResult result, int rounds, bool dense, const StopToken& stop) {
    if (result.room.size() < job.later.size()) {
        std::vector<NestPlacement> room = beside(job, result, stop);
        if (area_of(job.later, room) > area_of(job.later, result.room)) result.room = std::move(room);
    }
    if (!result.unplaced.empty() || result.placements.empty() || rounds <= 0) return result;
    if (result.room.size() < job.later.size() && !stopped(stop)) {
        auto found = laid_with(job, result, {}, rounds, stop);
        if (found && area_of(job.later, found->room) > area_of(job.later, result.room) + 1e-6)
            result = std::move(*found);
    }
    if (!dense) return result;
    return with_larger_rectangle(job, std::move(result), std::min(rounds, most_rounds_for_them), stop);
}

} // namespace zesty
