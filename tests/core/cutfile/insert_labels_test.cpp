#include "core/cutfile/insert_labels.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>
#include <set>

namespace zesty {

TEST(InsertLabels, AreTheSameOnPieceAndOpeningAndDifferentForEveryCopy) {
    // Two windows with a pane each.
    const Drawing d =
        testing::drawing_of({testing::rectangle(0, 0, 100, 50), testing::rectangle(5, 5, 45, 45),
                             testing::rectangle(15, 15, 35, 35), testing::rectangle(55, 5, 95, 45),
                             testing::rectangle(65, 20, 75, 30)});
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(DrawingFile{"x.svg", "", d}));
    Planner planner(testing::laid_before());
    auto labels = insert_labels(*planner.shapes(p)->sections.cut);
    ASSERT_EQ(labels.size(), 2u);
    EXPECT_EQ(labels[0].label, "A1");
    EXPECT_EQ(labels[1].label, "A2");
    copy_cut(p, 0, true, {120, 0});
    const Plan plan = *planner.shapes(p);
    labels = insert_labels(*plan.sections.cut);
    std::set<std::string> names;
    for (const InsertLabel& l : labels) {
        names.insert(l.label);
        const Piece& piece = plan.sections.cut->pieces[l.piece];
        EXPECT_EQ(piece.in_opening, l.opening);
        EXPECT_TRUE(contains(piece.outline, l.in_piece));
        EXPECT_GT(l.room, 0);
    }
    EXPECT_EQ(names, (std::set<std::string>{"A1", "A2", "B1", "B2"}));
}

} // namespace zesty
