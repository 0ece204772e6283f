// Layers out of SVG files, and pages on which cuts, photos and papers lie over each other.

#include "core/cutfile/layers.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "io/drawing_import.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Shared<DrawingFile> svg_data(const std::string& body) {
    const std::string text =
        "<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm' viewBox='0 0 100 100'>" + body +
        "</svg>";
    const auto file = import_drawing(QByteArray::fromStdString(text), "x.svg");
    EXPECT_TRUE(file) << (file ? "" : file.error().message);
    return file ? *file : nullptr;
}

std::vector<std::string> keys(const Shared<DrawingFile>& file) {
    return layers_of(file->drawing);
}

/// A frame of 100 x 100 with one opening from 20 to 80, set out from 50 to 150 on a page of 200 x 200.
Project framed() {
    Project p;
    set_only_cut(p, svg_data("<path fill-rule='evenodd' d='M0 0H100V100H0Z M20 20H80V80H20Z'/>"));
    p.set_out.page.width = p.set_out.page.height = 200;
    p.set_out.cuts.front().place = {SizeRule::Width, 100, 0, false, {}};
    return p;
}

QColor at(const Project& p, double x, double y) {
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p, {}, {}, true);
    EXPECT_TRUE(plan);
    return page_picture(p, *plan, 800).pixelColor(static_cast<int>(x * 4), static_cast<int>(y * 4));
}

bool paper_white(const QColor& c) {
    return c.red() > 245 && c.green() > 245 && c.blue() > 240;
}

} // namespace

TEST(LayersOfSvg, AreNamedByTheirColourHoweverItIsWritten) {
    const auto file =
        svg_data("<rect width='9' height='9' fill='red'/><rect x='20' width='9' height='9' fill='#f00'/>"
                 "<rect x='40' width='9' height='9' style='fill:rgb(255,0,0)'/>"
                 "<g color='#00ff00'><rect y='30' width='9' height='9' fill='currentColor'/></g>"
                 "<path d='M60 60h9v9h-9z' fill='none' stroke='#123456'/>");
    // rgb() is kept as it is written; names and hex forms are one.
    const auto k = keys(file);
    ASSERT_GE(k.size(), 3u);
    EXPECT_EQ(k[0], "colour #ff0000");
    EXPECT_NE(std::find(k.begin(), k.end(), "colour #00ff00"), k.end());
    EXPECT_NE(std::find(k.begin(), k.end(), "colour #123456"), k.end());
}

TEST(LayersOfSvg, ComeFromGroupsWhereAllIsOneColour) {
    const auto file = svg_data("<g id='sail'><rect width='9' height='9'/></g><g id='tail'><g id='inner'>"
                               "<rect x='20' width='9' height='9'/></g></g>");
    EXPECT_EQ(keys(file), (std::vector<std::string>{"group sail", "group tail"}));
    EXPECT_TRUE(keys(svg_data("<rect width='9' height='9'/>")).empty());
}

TEST(LayersOfSvg, SurviveSavingAndStayInRegister) {
    Project p;
    set_only_cut(p, svg_data("<rect width='100' height='100' fill='#aa3300'/><rect x='10' y='70' width='20' "
                             "height='20' fill='#0033aa'/>"));
    p.set_out.cuts.front().place = {SizeRule::Width, 150, 90, false, {4, 5}};
    ASSERT_TRUE(split_layers(p, 0));
    const auto again = project_from(*project_bytes(p), "x.zesty");
    ASSERT_TRUE(again);
    EXPECT_TRUE(*again == p);
    Planner planner(testing::laid_before());
    const Plan plan = *planner.shapes(*again);
    ASSERT_EQ(plan.set_out.each.size(), 2u);
    const Box whole = plan.set_out.each[0].cut_box;
    const Box tile = plan.set_out.each[1].cut_box;
    // A quarter turn brings what lies left and low to the top left.
    EXPECT_NEAR(tile.x0 - whole.x0, 15, 1e-6);
    EXPECT_NEAR(tile.y0 - whole.y0, 15, 1e-6);
    EXPECT_NEAR(tile.width(), 30, 1e-6);
}

TEST(PagePicture, PhotosLieOnTopOrBehindAsDecided) {
    Project p = framed();
    EXPECT_TRUE(paper_white(at(p, 60, 100))) << "the bar";
    p.set_out.photos.push_back({"", 60, 60, false, {70, 100}, 0, true, {}});
    EXPECT_FALSE(paper_white(at(p, 60, 100))) << "the photo covers the bar";
    const QColor photo = at(p, 85, 100);
    p.set_out.photos[0].on_top = false;
    EXPECT_TRUE(paper_white(at(p, 60, 100))) << "it slides behind";
    p.sections.choose(0, {"", Treatment::Photo});
    EXPECT_EQ(at(p, 85, 100), photo) << "through the opening one sees it";
    p.set_out.cuts[0].above_photos = false;
    EXPECT_FALSE(paper_white(at(p, 60, 100))) << "the cut lies below photos";
}

TEST(PagePicture, ShadowsAreDarkAndLieBelow) {
    Project p = framed();
    p.sections.choose(0, {"", Treatment::Open});
    const QColor base = at(p, 100, 100);
    add_shadow(p, 0, 3);
    EXPECT_TRUE(paper_white(at(p, 60, 100)));
    const QColor rim = at(p, 48.5, 100);
    EXPECT_LT(rim.lightness(), 110);
    EXPECT_LT(at(p, 71.5, 100).lightness(), 110) << "inside the opening as well";
    EXPECT_EQ(at(p, 30, 100), base);
}

TEST(PagePicture, DividedOpeningsShowEachPartInItsPaper) {
    Project p = framed();
    Stash s;
    for (const Rgb c : {Rgb{200, 30, 30}, Rgb{30, 30, 200}})
        s.papers.push_back({"p" + std::to_string(s.papers.size()),
                            "P",
                            c,
                            "",
                            Pattern::Solid,
                            Direction::Free,
                            {{{testing::rectangle(0, 0, 150, 150), {}}, 1, false}}});
    p.stash = std::make_shared<const Stash>(s);
    divide(p, {0}, {Division::Kind::Bands, 2, 2, 0, {0.5, 0.5}});
    p.match.choose(Spot(0, 0, 1), {"p0", Side::A, true});
    p.match.choose(Spot(0, 0, 2), {"p1", Side::A, true});
    EXPECT_EQ(at(p, 100, 85), QColor(200, 30, 30));
    EXPECT_EQ(at(p, 100, 115), QColor(30, 30, 200));
    // The upper part runs on below the lower one, which lies on it up to the seam.
    EXPECT_EQ(at(p, 100, 101.5), QColor(30, 30, 200));
}

TEST(PagePicture, PiecesCutFromPaperLieOnTheirOutline) {
    Project p;
    set_only_cut(p, svg_data("<rect width='100' height='100'/>"));
    p.set_out.page.width = p.set_out.page.height = 200;
    p.set_out.cuts.front().place = {SizeRule::Width, 100, 0, false, {}};
    Stash s;
    s.papers.push_back({"p0",
                        "P",
                        {20, 120, 60},
                        "",
                        Pattern::Solid,
                        Direction::Free,
                        {{{testing::rectangle(0, 0, 150, 150), {}}, 1, false}}});
    p.stash = std::make_shared<const Stash>(s);
    p.set_out.cuts.front().pieces_from_paper = true;
    p.sections.choose(Spot(0, first_piece_spot), {"", Treatment::CutFrom});
    p.match.choose(Spot(0, first_piece_spot), {"p0", Side::A, true});
    EXPECT_EQ(at(p, 100, 100), QColor(20, 120, 60));
    EXPECT_NE(at(p, 30, 100), QColor(20, 120, 60));
}

} // namespace zesty
