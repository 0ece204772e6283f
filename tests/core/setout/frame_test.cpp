#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "core/setout/fixes.h"
#include "core/setout/frame.h"
#include "core/setout/strip_in_sheet.h"
#include "support/lattice.h"
#include "support/pages.h"

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
    Planner planner(testing::laid_before());
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
    const double all = 2 * 304.8 * 304.8 + 152.4 * 152.4;
    const double strips = 2 * 25.4 * (2 * 304.8 + 2 * 279.4);
    const double left = planner.shapes(p)->papers.uses[0].stock_area;
    EXPECT_LE(left, all - strips + 1e-6);
    EXPECT_GT(left, all - 1.06 * strips) << "no more than the blade takes";
    p.set_out.page.height = 400;
    EXPECT_EQ(codes(planner.shapes(p)->set_out.frame), "") << "the long strips are joined";
    p.set_out.page.frame = FrameKind::Whole;
    EXPECT_EQ(codes(planner.shapes(p)->set_out.frame), "frame-paper ");
}

namespace {

Project framed_from(std::vector<SheetStock> scraps, Sides reveal) {
    Stash s;
    s.papers.push_back(
        {"barley", "Barley", {200, 170, 90}, "", Pattern::Solid, Direction::Free, std::move(scraps)});
    Project p;
    p.stash = std::make_shared<const Stash>(s);
    p.set_out.page = framed(reveal);
    p.set_out.page.frame = FrameKind::Strips;
    p.set_out.page.frame_paper = "barley";
    return p;
}

std::string joining(const Plan& plan) {
    std::string out;
    for (const std::string& s : plan.set_out.frame.to_cut)
        if (s.starts_with("Join")) out += s;
    return out;
}

} // namespace

TEST(FrameOfStrips, TwoScrapsOfTheirSizeNeedNoSheet) {
    const Project p =
        framed_from({{{testing::rectangle(0, 0, 25.4, 304.8), {}}, 2, false}}, {0, 12.7, 0, 12.7});
    Planner planner(testing::laid_before());
    const auto plan = planner.shapes(p);
    EXPECT_EQ(codes(plan->set_out.frame), "");
    EXPECT_NEAR(plan->papers.uses[0].stock_area, 0, 1e-6);
    EXPECT_EQ(joining(*plan), "");
}

TEST(FrameOfStrips, IsJoinedFromScrapsThatAreTooShortAndSaysWhere) {
    Project p = framed_from({{{testing::rectangle(0, 0, 30, 200), {}}, 1, false},
                             {{testing::rectangle(0, 0, 130, 30), {}}, 1, false}},
                            {0, 12.7, 0, 0});
    Planner planner(testing::laid_before());
    auto plan = planner.shapes(p);
    EXPECT_EQ(codes(plan->set_out.frame), "");
    EXPECT_EQ(joining(*plan), "Join a strip of 1 x 12 in end to end from parts of 7 7/8 in and 4 1/8 in.");
    // A third of it away, and it is said instead.
    p = framed_from({{{testing::rectangle(0, 0, 30, 200), {}}, 1, false}}, {0, 12.7, 0, 0});
    plan = planner.shapes(p);
    EXPECT_EQ(codes(plan->set_out.frame), "frame-paper ");
    EXPECT_NEAR(plan->papers.uses[0].stock_area, 6000, 1e-6) << "nothing is taken";
}

TEST(FrameOfStrips, OfTwoPapersTakesEachFromItsOwn) {
    Project p = framed_from({{{testing::rectangle(0, 0, 60, 304.8), {}}, 1, false}}, Sides::even(12.7));
    Stash s = *p.stash;
    Paper other = s.papers[0];
    other.id = "sand";
    other.sheets = {{{testing::rectangle(0, 0, 60, 304.8), {}}, 1, false}};
    s.papers.push_back(other);
    p.stash = std::make_shared<const Stash>(s);
    Planner planner(testing::laid_before());
    EXPECT_EQ(codes(planner.shapes(p)->set_out.frame), "frame-paper ") << "one strip of paper is not enough";
    p.set_out.page.side_paper = "sand";
    const auto plan = planner.shapes(p);
    EXPECT_EQ(codes(plan->set_out.frame), "");
    EXPECT_LT(plan->papers.uses[0].stock_area, 60 * 304.8 - 2 * 25.4 * 304.8 + 1);
    EXPECT_LT(plan->papers.uses[1].stock_area, 60 * 304.8 - 2 * 25.4 * 279.4 + 1);
}

TEST(StripInSheet, IsTheLongestThatLiesInsideWhateverTheOutline) {
    // An L: 100 wide and 200 high, its foot 300 long and 40 high.
    const Polygon l{{{0, 0}, {100, 0}, {100, 160}, {300, 160}, {300, 200}, {0, 200}}, {}};
    const auto upright = strip_in(l, 60);
    ASSERT_TRUE(upright);
    EXPECT_NEAR(upright->height(), 200, 1e-6);
    const auto level = strip_in(l, 30);
    ASSERT_TRUE(level);
    EXPECT_NEAR(level->width(), 300, 1e-6) << "along the foot";
    EXPECT_FALSE(strip_in(l, 310));
    const auto enough = strip_in(l, 30, 150);
    ASSERT_TRUE(enough);
    EXPECT_NEAR(std::max(enough->width(), enough->height()), 150, 1e-6);
    const auto missing = subtract({{ring_of(*level), {}}}, {l});
    EXPECT_TRUE(missing && area(*missing) < 0.02);
    // A hole is in the way.
    const Polygon holed{ring_of(Box{0, 0, 100, 200}), {{{40, 90}, {40, 110}, {60, 110}, {60, 90}}}};
    EXPECT_NEAR(strip_in(holed, 70)->width(), 100, 1e-6) << "level, above or below the hole";
    EXPECT_NEAR(strip_in(holed, 30)->height(), 200, 1e-6);
}

TEST(FrameWindow, ThatIsTypedIsMeasuredAgainstTheBase) {
    Page p = framed(Sides::even(12.7));
    p.window_width = p.window_height = 11 * 25.4;
    const auto as_large = frame_of(p, Units::Inches);
    ASSERT_EQ(codes(as_large), "no-frame-lip ");
    EXPECT_EQ(as_large.findings[0].message,
              "A window of 11 x 11 in lets a base of 11 x 11 in fall through; 10 x 10 in leaves 1/2 in.");
    p.window_width = p.window_height = 10.75 * 25.4;
    EXPECT_EQ(codes(frame_of(p, Units::Inches)), "narrow-frame-lip ");
    p.window_width = p.window_height = 10 * 25.4;
    EXPECT_EQ(codes(frame_of(p, Units::Inches)), "");
    EXPECT_NEAR(frame_of(p, Units::Inches).window->x0, 25.4, 1e-9);
}

TEST(UnequalSpread, HasAnInsertBesideItsPage) {
    Page p;
    p.spread = true;
    p.gap = 5;
    p.second_width = 152.4;
    p.second_height = 203.2;
    p.reveal = Sides::even(6.35);
    EXPECT_NEAR(p.full_width(), 304.8 + 5 + 152.4, 1e-9);
    EXPECT_NEAR(p.full_height(), 304.8, 1e-9);
    const auto f = frame_of(p, Units::Inches);
    ASSERT_EQ(f.bases.size(), 2u);
    EXPECT_NEAR(f.bases[1].width(), 152.4 - 12.7, 1e-9);
    EXPECT_NEAR(f.bases[1].height(), 203.2 - 12.7, 1e-9);
    EXPECT_EQ(f.to_cut[0],
              "Trim 1/4 in off each side, 1/2 in in all each way: the bases are 11 1/2 x 11 1/2 in "
              "and 5 1/2 x 7 1/2 in.");
    EXPECT_EQ(page_in_words(p, Units::Inches), "12 x 12 in page beside one of 6 x 8 in");
}

TEST(MeasuredFrom, IsTheBaseInsideAFrameAndThePageOtherwise) {
    Page p = framed(Sides::even(12.7));
    EXPECT_EQ(measured_from(p, {50, 50, 100, 100}).x0, 12.7);
    EXPECT_EQ(measured_from(p, {5, 50, 100, 100}).x0, 0) << "it covers the frame";
    p.spread = true;
    EXPECT_NEAR(measured_from(p, {350, 50, 400, 100}).x0, 304.8 + 12.7, 1e-9);
    EXPECT_NEAR(measured_from(p, {250, 50, 400, 100}).x1, 609.6, 1e-9) << "on both pages";
}

} // namespace zesty
