#include "core/geometry/measure.h"
#include "core/setout/set_out.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

CutFile frame() {
    return *read_cut(
        testing::drawing_of({testing::rectangle(10, 20, 110, 70), testing::rectangle(12, 22, 60, 68),
                             testing::rectangle(61, 22, 108, 68)}));
}

const Page page;

} // namespace

TEST(SetOut, AMarginFitsTheCutAndCentresIt) {
    const SetOut s = set_out(frame(), page, {SizeRule::Margin, 12.7, 0, false, {}}, Units::Inches);
    EXPECT_NEAR(s.cut_box.x0, 12.7, 1e-9);
    EXPECT_NEAR(s.cut_box.x1, 304.8 - 12.7, 1e-9);
    EXPECT_NEAR(s.cut_box.centre().y, 152.4, 1e-9);
    EXPECT_NEAR(s.thinnest_bar, 1 * s.scale, 1e-9);
    EXPECT_NEAR(s.scale, 279.4 / 100, 1e-9);
}

TEST(SetOut, WidthAndHeightAreThoseOfTheDrawingHoweverItIsTurned) {
    const SetOut w = set_out(frame(), page, {SizeRule::Width, 100, 90, false, {}}, Units::Inches);
    EXPECT_NEAR(w.cut_box.width(), 50, 1e-9);
    EXPECT_NEAR(w.cut_box.height(), 100, 1e-9);
    const SetOut h = set_out(frame(), page, {SizeRule::Height, 100, 30, true, {5, -7}}, Units::Inches);
    EXPECT_NEAR(h.size.y, 100, 1e-9);
    EXPECT_NEAR(h.cut_box.centre().x, 152.4 + 5, 1e-9);
    EXPECT_NEAR(h.cut_box.centre().y, 152.4 - 7, 1e-9);
}

TEST(SetOut, MirroringKeepsEveryOpeningWithItsNumber) {
    const CutFile cut = frame();
    const SetOut s = set_out(cut, page, {SizeRule::Width, 100, 0, true, {}}, Units::Inches);
    EXPECT_GT(s.to_page(cut.openings[0].label.centre).x, s.to_page(cut.openings[1].label.centre).x);
    EXPECT_LT(s.to_page.determinant(), 0);
}

TEST(SetOut, SaysWhatTheSizeDoes) {
    const auto codes = [](const SetOut& s) {
        std::vector<std::string> out;
        for (const Finding& f : s.findings) out.emplace_back(key_of(f.code));
        return out;
    };
    EXPECT_EQ(codes(set_out(frame(), page, {SizeRule::Width, 250, 0, false, {}}, Units::Inches)),
              std::vector<std::string>{});
    EXPECT_EQ(codes(set_out(frame(), page, {SizeRule::Width, 100, 0, false, {}}, Units::Inches)),
              std::vector<std::string>{"delicate-bars"});
    EXPECT_EQ(codes(set_out(frame(), page, {SizeRule::Width, 400, 0, false, {}}, Units::Inches)),
              std::vector<std::string>{"over-edge"});
    const SetOut none = set_out(frame(), page, {SizeRule::Margin, 200, 0, false, {}}, Units::Inches);
    EXPECT_EQ(none.findings.front().code, Code::NoRoomForCut);
    EXPECT_GT(none.scale, 0);
    Page framed;
    framed.reveal = Sides::even(20);
    EXPECT_EQ(codes(set_out(frame(), framed, {SizeRule::Margin, 12.7, 0, false, {}}, Units::Inches)),
              std::vector<std::string>{"over-frame"});
}

} // namespace zesty
