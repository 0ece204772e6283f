#include "core/sheets/bit_raster.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cassert>

namespace zesty {

namespace {

/// Slack for rounding, in cells.
constexpr double hair = 1e-7;

/// Where the ring's edges run within each row of cells, as x intervals.
using Spans = std::vector<std::vector<std::pair<double, double>>>;

void add_edges(const Ring& ring, Point origin, double cell, Spans& spans) {
    const int rows = static_cast<int>(spans.size());
    for (std::size_t i = 0; i < ring.size(); ++i) {
        Point a = ring[i] - origin;
        Point b = ring[(i + 1) % ring.size()] - origin;
        if (a.y > b.y) std::swap(a, b);
        // An edge that only runs along the border between two rows lies in neither.
        const int r0 = std::max(0, static_cast<int>(std::floor(a.y / cell + hair)));
        const int r1 = std::min(rows - 1, static_cast<int>(std::ceil(b.y / cell - hair)) - 1);
        for (int r = r0; r <= r1; ++r) {
            double xa = a.x;
            double xb = b.x;
            if (b.y > a.y) {
                const double slope = (b.x - a.x) / (b.y - a.y);
                if (a.y < r * cell) xa = a.x + (r * cell - a.y) * slope;
                if (b.y > (r + 1) * cell) xb = a.x + ((r + 1) * cell - a.y) * slope;
            }
            spans[r].emplace_back(std::min(xa, xb), std::max(xa, xb));
        }
    }
}

/// Intervals of the middle line of a row that lie inside the polygon.
std::vector<std::pair<double, double>> inside_at(const std::vector<double>& crossings) {
    std::vector<std::pair<double, double>> out;
    for (std::size_t i = 0; i + 1 < crossings.size(); i += 2)
        out.emplace_back(crossings[i], crossings[i + 1]);
    return out;
}

/// For each row, where the polygon's edges cross its middle line, ascending.
std::vector<std::vector<double>> crossings_of(const Polygon& polygon, Point origin, double cell, int rows) {
    std::vector<std::vector<double>> out(rows);
    const auto add = [&](const Ring& ring) {
        for (std::size_t i = 0; i < ring.size(); ++i) {
            Point a = ring[i] - origin;
            Point b = ring[(i + 1) % ring.size()] - origin;
            if (a.y > b.y) std::swap(a, b);
            const int r0 = std::max(0, static_cast<int>(std::ceil(a.y / cell - 0.5)));
            for (int r = r0; r < rows; ++r) {
                const double y = (r + 0.5) * cell;
                if (y >= b.y) break;
                if (y >= a.y) out[r].push_back(a.x + (y - a.y) * (b.x - a.x) / (b.y - a.y));
            }
        }
    };
    add(polygon.outer);
    for (const Ring& h : polygon.holes) add(h);
    for (auto& row : out) std::sort(row.begin(), row.end());
    return out;
}

Spans edges_of(const Polygon& polygon, Point origin, double cell, int rows) {
    Spans spans(rows);
    add_edges(polygon.outer, origin, cell, spans);
    for (const Ring& h : polygon.holes) add_edges(h, origin, cell, spans);
    return spans;
}

/// Ascending, with what touches made one.
std::vector<CellRun> joined(std::vector<CellRun> runs) {
    std::sort(runs.begin(), runs.end(), [](CellRun a, CellRun b) { return a.from < b.from; });
    std::vector<CellRun> out;
    for (CellRun run : runs)
        if (!out.empty() && run.from <= out.back().to + 1)
            out.back().to = std::max(out.back().to, run.to);
        else
            out.push_back(run);
    return out;
}

} // namespace

PieceRaster rasterize(const Polygon& polygon, Point origin, double cell) {
    const Box box = bounds(polygon);
    PieceRaster out;
    out.origin = origin;
    out.columns = std::max(1, static_cast<int>(std::ceil((box.x1 - origin.x) / cell - hair)));
    out.rows = std::max(1, static_cast<int>(std::ceil((box.y1 - origin.y) / cell - hair)));
    out.runs.resize(out.rows);
    const Spans edges = edges_of(polygon, out.origin, cell, out.rows);
    const auto crossings = crossings_of(polygon, out.origin, cell, out.rows);
    for (int r = 0; r < out.rows; ++r) {
        std::vector<CellRun> runs;
        const auto take = [&](double from, double to) {
            runs.push_back(
                {std::clamp(static_cast<int>(std::floor(from / cell + hair)), 0, out.columns - 1),
                 std::clamp(static_cast<int>(std::ceil(to / cell - hair)) - 1, 0, out.columns - 1)});
            runs.back().to = std::max(runs.back().to, runs.back().from);
        };
        for (const auto& [from, to] : edges[r]) take(from, to);
        for (const auto& [from, to] : inside_at(crossings[r])) take(from, to);
        out.runs[r] = joined(std::move(runs));
        for (CellRun run : out.runs[r]) out.cells += run.to - run.from + 1;
    }
    return out;
}

PieceRaster rasterize(const Region& polygons, Point origin, double cell) {
    if (polygons.size() == 1) return rasterize(polygons[0], origin, cell);
    PieceRaster out;
    out.origin = origin;
    for (const Polygon& p : polygons) {
        const PieceRaster one = rasterize(p, origin, cell);
        out.columns = std::max(out.columns, one.columns);
        out.rows = std::max(out.rows, one.rows);
        out.runs.resize(out.rows);
        for (int r = 0; r < one.rows; ++r)
            out.runs[r].insert(out.runs[r].end(), one.runs[r].begin(), one.runs[r].end());
    }
    for (auto& row : out.runs) {
        row = joined(std::move(row));
        for (CellRun run : row) out.cells += run.to - run.from + 1;
    }
    return out;
}

SheetRaster::SheetRaster(const Polygon& sheet, double cell) : cell_(cell) {
    assert(bounds(sheet).width() / cell < 64 * 63);
    const Box box = bounds(sheet);
    origin_ = {box.x0, box.y0};
    columns_ = std::max(1, static_cast<int>(std::floor(box.width() / cell + hair)));
    rows_ = std::max(1, static_cast<int>(std::floor(box.height() / cell + hair)));
    words_ = columns_ / 64 + 2;
    bits_.assign(static_cast<std::size_t>(levels) * rows_ * words_, 0);
    const Spans edges = edges_of(sheet, origin_, cell, rows_ + 1);
    const auto crossings = crossings_of(sheet, origin_, cell, rows_);
    for (int r = 0; r < rows_; ++r) {
        int free_from = 0;
        for (const auto& [from, to] : inside_at(crossings[r])) {
            const int first = static_cast<int>(std::ceil(from / cell - hair));
            const int last = static_cast<int>(std::floor(to / cell + hair)) - 1;
            set_run(r, free_from, first - 1);
            free_from = std::max(free_from, last + 1);
        }
        set_run(r, free_from, words_ * 64 - 1);
        for (const auto& [from, to] : edges[r]) {
            // An edge that only runs along the border of a cell does not take the cell away.
            const int first = static_cast<int>(std::floor(from / cell + hair));
            const int last = static_cast<int>(std::ceil(to / cell - hair)) - 1;
            set_run(r, first, last);
        }
        refresh(r);
    }
}

void SheetRaster::set_run(int y, int from, int to) {
    from = std::max(from, 0);
    to = std::min(to, words_ * 64 - 1);
    Word* r = row(0, y);
    for (int x = from; x <= to;) {
        const int word = x / 64;
        const int last = std::min(to, word * 64 + 63);
        const int n = last - x + 1;
        const Word mask = n == 64 ? ~Word{0} : ((Word{1} << n) - 1) << (x % 64);
        r[word] |= mask;
        x = last + 1;
    }
}

namespace {

/// Adds to `bad` the row shifted so that bit x comes from bit x + by; beyond the row everything is blocked.
void add_shifted(const std::uint64_t* row, int words, int by, std::uint64_t* bad) {
    const int past = std::min(words, by / 64), b = by % 64;
    const int last = words - past - 1; // the word from which on the row ends
    if (b == 0)
        for (int i = 0; i <= last; ++i) bad[i] |= row[i + past];
    else {
        for (int i = 0; i < last; ++i) bad[i] |= (row[i + past] >> b) | (row[i + past + 1] << (64 - b));
        if (last >= 0) bad[last] |= (row[words - 1] >> b) | (~std::uint64_t{0} << (64 - b));
    }
    std::fill(bad + last + 1, bad + words, ~std::uint64_t{0});
}

} // namespace

void SheetRaster::refresh(int y) {
    for (int level = 1; level < levels; ++level) {
        const Word* from = row(level - 1, y);
        Word* to = row(level, y);
        const int by = 1 << (level - 1);
        std::copy_n(from, words_, to);
        add_shifted(from, words_, by, to);
    }
}

int SheetRaster::first_fit(const PieceRaster& piece, int y, int from_column) const {
    if (y + piece.rows > rows_ || piece.columns > columns_) return -1;
    Word bad[64];
    const int words = std::min(words_, 64);
    if (from_column >= words * 64) return -1;
    std::fill(bad, bad + words, 0);
    for (int i = 0; i <= from_column / 64; ++i)
        bad[i] = i < from_column / 64 ? ~Word{0} : (Word{1} << (from_column % 64)) - 1;
    // From the middle on: where a piece is widest it is sooner seen that there is no place for it.
    for (int k = 0; k < piece.rows; ++k) {
        const int r = (k + piece.rows / 2) % piece.rows;
        for (const CellRun& run : piece.runs[r]) {
            const int n = run.to - run.from + 1;
            int level = 0;
            while (level + 1 < levels && (2 << level) <= n) ++level;
            const Word* bits = row(level, y + r);
            const int reach = 1 << level;
            // Runs longer than the highest level are covered by several overlapping ones.
            for (int start = run.from;; start += reach) {
                const int at = std::min(start, run.to + 1 - reach);
                add_shifted(bits, words, at, bad);
                if (at + reach > run.to) break;
            }
            if (std::all_of(bad, bad + words, [](Word w) { return w == ~Word{0}; })) return -1;
        }
    }
    for (int i = 0; i < words; ++i)
        if (bad[i] != ~Word{0}) return i * 64 + __builtin_ctzll(~bad[i]);
    return -1;
}

void SheetRaster::block(const PieceRaster& piece, int x, int y) {
    for (int r = 0; r < piece.rows; ++r) {
        if (y + r < 0 || y + r >= rows_) continue;
        for (const CellRun& run : piece.runs[r])
            if (x + run.to >= 0) set_run(y + r, x + run.from, x + run.to);
        refresh(y + r);
    }
}

} // namespace zesty
