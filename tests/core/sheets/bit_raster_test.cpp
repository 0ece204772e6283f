#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sheets/bit_raster.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

using testing::polygon;
using testing::rectangle;

namespace {

Polygon square_cell(Point origin, int x, int y, double cell) {
    return {rectangle(origin.x + x * cell, origin.y + y * cell, origin.x + (x + 1) * cell,
                      origin.y + (y + 1) * cell),
            {}};
}

bool owns(const PieceRaster& r, int x, int y) {
    return std::any_of(r.runs[y].begin(), r.runs[y].end(),
                       [&](CellRun run) { return run.from <= x && x <= run.to; });
}

Polygon random_star(std::mt19937& random) {
    std::uniform_real_distribution<double> unit(0, 1);
    Ring r;
    for (int i = 0; i < 14; ++i) {
        const double s = 3 + 9 * unit(random);
        r.push_back({20 + s * std::cos(i * M_PI / 7), -7 + s * std::sin(i * M_PI / 7)});
    }
    return {r, {}};
}

} // namespace

TEST(PieceRaster, OwnsEveryCellThePieceTouchesAndFewOthers) {
    std::mt19937 random(19);
    for (int round = 0; round < testing::rounds(20); ++round) {
        Polygon p = random_star(random);
        if (round % 3 == 0) p.holes.push_back(polygon({20, -7}, 2.2, 9));
        const Box box = bounds(p);
        const double cell = 0.7;
        const PieceRaster r = rasterize(p, {box.x0, box.y0}, cell);
        for (int y = 0; y < r.rows; ++y)
            for (int x = 0; x < r.columns; ++x) {
                const double touched = area(*intersect({p}, {square_cell(r.origin, x, y, cell)}));
                if (touched > 1e-6) {
                    EXPECT_TRUE(owns(r, x, y)) << x << ", " << y;
                } else if (touched == 0 && owns(r, x, y)) {
                    // Only cells that an edge at least grazes may be owned for nothing.
                    const auto near = intersect(*grow({p}, 1e-4), {square_cell(r.origin, x, y, cell)});
                    EXPECT_GT(area(*near), 0) << x << ", " << y;
                }
            }
    }
}

TEST(PieceRaster, ARectangleOnTheGridOwnsExactlyItself) {
    const PieceRaster r = rasterize({rectangle(2, 3, 12, 8), {}}, {2, 3}, 0.5);
    EXPECT_EQ(r.columns, 20);
    EXPECT_EQ(r.rows, 10);
    EXPECT_EQ(r.cells, 200u);
}

TEST(PieceRaster, TheOriginMayLieBeforeThePiece) {
    const PieceRaster r = rasterize({rectangle(2, 3, 4, 4), {}}, {0, 0}, 1);
    EXPECT_EQ(r.columns, 4);
    EXPECT_EQ(r.rows, 4);
    EXPECT_EQ(r.cells, 2u);
    EXPECT_TRUE(r.runs[0].empty());
    EXPECT_TRUE(owns(r, 2, 3));
}

TEST(SheetRaster, OffersOnlyCellsWhollyInside) {
    // One cell as a probe: it fits exactly where the sheet's cell is free.
    std::mt19937 random(23);
    for (int round = 0; round < testing::rounds(8); ++round) {
        Polygon sheet = random_star(random);
        if (round % 2) sheet.holes.push_back(polygon({20, -7}, 1.8, 7));
        const double cell = 0.8;
        const SheetRaster raster(sheet, cell);
        const PieceRaster probe = rasterize({rectangle(0, 0, cell, cell), {}}, {0, 0}, cell);
        int free = 0;
        for (int y = 0; y < raster.rows(); ++y) {
            const int x = raster.first_fit(probe, y);
            if (x < 0) continue;
            ++free;
            const Polygon c = square_cell(raster.origin(), x, y, cell);
            EXPECT_LT(area(*subtract({c}, {sheet})), 1e-6);
        }
        EXPECT_GT(free, 3);
    }
}

TEST(SheetRaster, BlockedCellsAreSkippedWhateverTheirDistance) {
    // Runs longer and shorter than every level of the table, on a sheet of several words.
    SheetRaster sheet({rectangle(0, 0, 1500, 4), {}}, 1);
    const auto bar = [](int n) { return rasterize({rectangle(0, 0, n, 1), {}}, {0, 0}, 1); };
    sheet.block(bar(1), 700, 0);
    EXPECT_EQ(sheet.first_fit(bar(700), 0), 0);
    EXPECT_EQ(sheet.first_fit(bar(701), 0), 701);
    EXPECT_EQ(sheet.first_fit(bar(799), 0), 701);
    EXPECT_EQ(sheet.first_fit(bar(800), 0), -1);
    EXPECT_EQ(sheet.first_fit(bar(1500), 1), 0);
    EXPECT_EQ(sheet.first_fit(bar(1501), 1), -1);
    for (const int n : {1, 2, 3, 63, 64, 65, 127, 128, 129, 511, 512, 513}) {
        SheetRaster fresh({rectangle(0, 0, 1500, 1), {}}, 1);
        fresh.block(bar(n), 0, 0);
        EXPECT_EQ(fresh.first_fit(bar(n), 0), n);
    }
}

TEST(SheetRaster, BlockingBeyondTheEdgeIsHarmless) {
    SheetRaster sheet({rectangle(0, 0, 10, 10), {}}, 1);
    const PieceRaster block = rasterize({rectangle(0, 0, 6, 6), {}}, {0, 0}, 1);
    sheet.block(block, -3, -3);
    sheet.block(block, 8, 8);
    const PieceRaster probe = rasterize({rectangle(0, 0, 1, 1), {}}, {0, 0}, 1);
    EXPECT_EQ(sheet.first_fit(probe, 0), 3);
    EXPECT_EQ(sheet.first_fit(probe, 5), 0);
    EXPECT_EQ(sheet.first_fit(rasterize({rectangle(0, 0, 10, 1), {}}, {0, 0}, 1), 9), -1);
}

TEST(SheetRaster, TheFirstPlaceIsLookedForFromAColumnOn) {
    SheetRaster sheet({rectangle(0, 0, 300, 4), {}}, 1);
    const PieceRaster bar = rasterize({rectangle(0, 0, 10, 1), {}}, {0, 0}, 1);
    sheet.block(bar, 100, 0);
    for (const int from : {0, 1, 63, 64, 65, 90}) EXPECT_EQ(sheet.first_fit(bar, 0, from), from);
    for (const int from : {91, 99, 100, 109}) EXPECT_EQ(sheet.first_fit(bar, 0, from), 110);
    EXPECT_EQ(sheet.first_fit(bar, 0, 290), 290);
    EXPECT_EQ(sheet.first_fit(bar, 0, 291), -1);
    EXPECT_EQ(sheet.first_fit(bar, 0, 100'000), -1);
}

TEST(PieceRaster, OfSeveralOutlinesOwnsTheCellsOfEach) {
    const Region parts{
        {rectangle(0, 0, 4, 4), {}}, {rectangle(10, 2, 13, 6), {}}, {rectangle(3, 3, 5, 5), {}}};
    const PieceRaster all = rasterize(parts, {0, 0}, 1);
    EXPECT_EQ(all.columns, 13);
    EXPECT_EQ(all.rows, 6);
    EXPECT_EQ(all.cells, 16u + 12u + 3u) << "what they share counts once";
    const PieceRaster one = rasterize(Region{parts[0]}, {0, 0}, 1);
    EXPECT_EQ(one.cells, 16u);
}

} // namespace zesty
