// Drawings in several colours become layered cuts; a shadow grows by a length, not by a factor.

#include "core/cutfile/layers.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

/// A red sheet of 100 x 100 with an opening, and a blue tile of 20 x 20 at its top left corner.
Project two_colours() {
    Drawing d = testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(40, 40, 90, 90)});
    d.shapes[0].colour = "#ff0000";
    Shape tile = testing::drawing_of({testing::rectangle(5, 5, 25, 25)}).shapes[0];
    tile.colour = "#0000ff";
    d.shapes.push_back(tile);
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(DrawingFile{"x.svg", "", d}));
    p.set_out.cuts[0].place = {SizeRule::Width, 200, 0, false, {}};
    return p;
}

} // namespace

TEST(Layers, AreToldApartByColourAndThenByGroup) {
    Drawing d = two_colours().set_out.drawings[0]->drawing;
    const auto layers = layers_of(d);
    ASSERT_EQ(layers.size(), 2u);
    EXPECT_EQ(layers[0], "colour #ff0000");
    EXPECT_EQ(on_layers(d, {layers[1]}).shapes.size(), 1u);
    EXPECT_EQ(on_layers(d, {}).shapes.size(), 2u);
    for (Shape& s : d.shapes) s.colour = "#000000";
    EXPECT_TRUE(layers_of(d).empty());
    d.shapes[1].group = "tile";
    EXPECT_EQ(layers_of(d).size(), 2u);
}

TEST(Layers, StayInRegisterWhenTheyBecomeCuts) {
    Project p = two_colours();
    ASSERT_TRUE(split_layers(p, p.set_out.cuts[0].id));
    ASSERT_EQ(p.set_out.cuts.size(), 2u);
    Planner planner(testing::laid_before());
    const Plan plan = *planner.shapes(p);
    const Box sheet = plan.set_out.each[0].cut_box;
    const Box tile = plan.set_out.each[1].cut_box;
    EXPECT_NEAR(sheet.width(), 200, 1e-6);
    EXPECT_NEAR(tile.width(), 40, 1e-6);
    EXPECT_NEAR(tile.x0 - sheet.x0, 10, 1e-6);
    EXPECT_NEAR(tile.y0 - sheet.y0, 10, 1e-6);
    EXPECT_EQ(plan.sections.cut->openings.size(), 1u);
    EXPECT_FALSE(split_layers(p, 999));
    // Chosen alone, one colour is sized for itself.
    p = two_colours();
    p.set_out.cuts[0].layers = {"colour #0000ff"};
    EXPECT_NEAR(planner.shapes(p)->set_out.each[0].cut_box.width(), 200, 1e-6);
}

TEST(Shadow, IsLargerByTheSameLengthAllRound) {
    Project p = two_colours();
    p.set_out.cuts[0].layers = {"colour #ff0000"};
    for (const double size : {200.0, 90.0}) {
        Project q = p;
        q.set_out.cuts[0].place.length = size;
        const int shadow = add_shadow(q, q.set_out.cuts[0].id, 2);
        EXPECT_EQ(q.set_out.cuts[0].id, shadow) << "it lies below";
        Planner planner(testing::laid_before());
        const Plan plan = *planner.shapes(q);
        const Box own = plan.set_out.each[1].cut_box;
        const Box below = plan.set_out.each[0].cut_box;
        EXPECT_NEAR(own.width(), size, 1e-6);
        EXPECT_NEAR(below.x0, own.x0 - 2, 0.05);
        EXPECT_NEAR(below.y1, own.y1 + 2, 0.05);
        // Its opening is smaller by as much, and hidden work below is known.
        EXPECT_NEAR(std::sqrt(plan.sections.cut->openings[0].area) * plan.set_out.whole.scale, size / 2 - 4,
                    0.1);
    }
}

} // namespace zesty
