#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "core/setout/fixes.h"
#include "core/setout/frame.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Page framed(Sides reveal) {
    Page p;
    p.reveal = reveal;
    return p;
}

std::string codes(const FramePlan& f) {
    std::string out;
    for (const Finding& x : f.findings) out += key_of(x.code) + std::string(" ");
    return out;
}

} // namespace

TEST(Frame, IsSaidAsATrimmerIsSet) {
    const FramePlan even = frame_of(framed(Sides::even(12.7)), Units::Inches);
    ASSERT_EQ(even.to_cut.size(), 3u);
    EXPECT_EQ(even.to_cut[0], "Trim 1/2 in off each side, 1 in in all each way: the base is 11 x 11 in.");
    EXPECT_EQ(even.to_cut[1],
              "Gut the frame paper before gluing: a window of 10 x 10 in, 1 in from every edge.");
    EXPECT_EQ(even.to_cut[2], "That gives a sheet of 10 x 10 in to back with.");
    const FramePlan uneven = frame_of(framed({12.7, 6.35, 12.7, 6.35}), Units::Inches);
    EXPECT_EQ(uneven.to_cut[0],
              "Trim 1/2 in off left and right and 1/4 in off top and bottom: the base is 11 x 11 1/2 in.");
    EXPECT_EQ(frame_of(framed({10, 10, 10, 20}), Units::Centimetres).to_cut[0],
              "Trim 10 mm off left and right, 10 mm off the top and 20 mm off the bottom: the base is 285 x "
              "275 mm.");
    EXPECT_TRUE(frame_of(Page{}, Units::Inches).to_cut.empty());
}

TEST(Frame, StripsAreListedWithTheirLip) {
    Page p = framed({12.7, 0, 12.7, 0});
    p.frame = FrameKind::Strips;
    const FramePlan f = frame_of(p, Units::Inches);
    EXPECT_FALSE(f.window);
    ASSERT_EQ(f.strips.size(), 1u);
    EXPECT_NEAR(f.strips[0].width, 25.4, 1e-9);
    EXPECT_NEAR(f.strips[0].length, 304.8, 1e-9);
    EXPECT_EQ(f.strips[0].count, 2);
    EXPECT_EQ(f.to_cut[1],
              "Cut for the frame 2 strips of 1 x 12 in; 1/2 in of the width goes behind the base.");
    EXPECT_EQ(codes(f), "") << "strips on two sides are no slip";
}

TEST(Frame, KnownSlipsAreCaught) {
    EXPECT_EQ(codes(frame_of(framed({12.7, 12.7, 0, 12.7}), Units::Inches)), "one-sided ");
    const FramePlan slip = frame_of(framed({25.4, 0, 0, 0}), Units::Inches);
    EXPECT_EQ(codes(slip), "one-sided ");
    EXPECT_EQ(*slip.findings[0].fixes.front().as<SetReveal>(), SetReveal{Sides::even(12.7)})
        << "half of it off each side";
    EXPECT_EQ(codes(frame_of(framed(Sides::even(200)), Units::Inches)), "no-base ");
    Page p = framed(Sides::even(12.7));
    p.glue_lip = 3;
    EXPECT_EQ(frame_of(p, Units::Inches).findings[0].severity(), Severity::Advice);
    p.glue_lip = 0;
    EXPECT_EQ(frame_of(p, Units::Inches).findings[0].severity(), Severity::Problem);
    for (const Finding& f : frame_of(p, Units::Inches).findings) EXPECT_FALSE(f.fixes.empty());
}

TEST(Frame, TakesASheetAndGivesItsMiddleBack) {
    Stash s;
    s.papers.push_back({"blue",
                        "Blue",
                        {20, 40, 90},
                        "",
                        Pattern::Solid,
                        Direction::Free,
                        {{{testing::rectangle(0, 0, 304.8, 304.8), {}}, 2, false},
                         {{testing::rectangle(0, 0, 152.4, 152.4), {}}, 1, false}}});
    Project p;
    p.stash = std::make_shared<const Stash>(s);
    p.set_out.page = framed(Sides::even(12.7));
    Planner planner;
    EXPECT_NEAR(planner.shapes(p)->papers.uses[0].stock_area, 2 * 304.8 * 304.8 + 152.4 * 152.4, 1e-6);
    p.set_out.page.frame_paper = "blue";
    const auto plan = planner.shapes(p);
    ASSERT_TRUE(plan);
    const auto gutted = std::count_if(plan->papers.sheets.begin(), plan->papers.sheets.end(),
                                      [](const Sheet& x) { return x.kind == SheetKind::Gutted; });
    EXPECT_EQ(gutted, 1);
    EXPECT_NEAR(plan->papers.uses[0].stock_area, 304.8 * 304.8 + 254 * 254 + 152.4 * 152.4, 1e-6);
    EXPECT_NEAR(bounds(plan->papers.sheets[0].outline).x0, 25.4, 1e-9)
        << "the middle lies where it was on the sheet";
    p.set_out.page.spread = true;
    EXPECT_EQ(codes(planner.shapes(p)->set_out.frame), "");
    p.set_out.page.frame = FrameKind::Strips;
    EXPECT_NEAR(planner.shapes(p)->papers.uses[0].stock_area, 2 * 304.8 * (304.8 - 4 * 25.4) + 152.4 * 152.4,
                1e-6);
    p.set_out.page.height = 400;
    EXPECT_EQ(codes(planner.shapes(p)->set_out.frame), "frame-paper ");
}

} // namespace zesty
