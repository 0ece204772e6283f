// Which part of a sheet is printed where.

#include "io/guide/guide_pdf.h"

#include <gtest/gtest.h>

namespace zesty {

TEST(Guide, TilesCoverTheSheetAndLeaveOutEmptyOnes) {
    const Tiling t = tiles_of({0, 0, 304.8, 304.8}, {{10, 10, 40, 40}, {250, 200, 300, 300}}, 180, 200);
    EXPECT_EQ(t.columns, 2);
    EXPECT_EQ(t.rows, 2);
    ASSERT_EQ(t.tiles.size(), 2u);
    for (const Tile& tile : t.tiles) {
        EXPECT_LE(tile.part.width(), 180);
        EXPECT_LE(tile.part.height(), 200);
    }
    EXPECT_EQ(tiles_of({5, 5, 105, 105}, {{10, 10, 20, 20}}, 180, 200).tiles.size(), 1u);
}

} // namespace zesty
