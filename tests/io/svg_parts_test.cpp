// The parts of the SVG reader one by one.

#include "core/geometry/measure.h"
#include "io/svg/numbers.h"
#include "io/svg/paint.h"
#include "io/svg/path_data.h"
#include "io/svg/style_sheet.h"
#include "io/svg/xml_tree.h"

#include <gtest/gtest.h>

namespace zesty::svg {

namespace {

std::vector<double> all_numbers(std::string_view text) {
    Numbers in(text);
    std::vector<double> out;
    while (const auto n = in.next()) out.push_back(*n);
    return out;
}

const Node* find(const Node& node, const std::string& id) {
    if (node.get("id") == id) return &node;
    for (const Node& c : node.children)
        if (const Node* f = find(c, id)) return f;
    return nullptr;
}

} // namespace

TEST(SvgNumbers, ReadsEverySpelling) {
    EXPECT_EQ(all_numbers("1 2,3 , 4"), (std::vector<double>{1, 2, 3, 4}));
    EXPECT_EQ(all_numbers("-1-2+3.5.5"), (std::vector<double>{-1, -2, 3.5, 0.5}));
    EXPECT_EQ(all_numbers("1e2 1.5E-1 -.5e+1"), (std::vector<double>{100, 0.15, -5}));
    EXPECT_EQ(all_numbers("1e-999"), (std::vector<double>{0})) << "too small is zero";
    EXPECT_EQ(all_numbers("  "), std::vector<double>{});
    EXPECT_EQ(all_numbers("5 abc 6"), (std::vector<double>{5}));
}

TEST(SvgNumbers, NonsenseIsToldFromAPlainEnd) {
    for (const char* text : {"NaN", "nan", "-inf", "Infinity", "1e999", "2e9"}) {
        Numbers in(text);
        EXPECT_FALSE(in.next()) << text;
        EXPECT_TRUE(in.nonsense()) << text;
    }
    for (const char* text : {"", "abc", "e5", "-", "."}) {
        Numbers in(text);
        EXPECT_FALSE(in.next()) << text;
        EXPECT_FALSE(in.nonsense()) << text;
    }
}

TEST(SvgNumbers, LengthsKnowTheirUnits) {
    const auto px = [](const char* text, double of = 0) { return (*parse_length(text, of))->px; };
    EXPECT_DOUBLE_EQ(px("1in"), 96);
    EXPECT_DOUBLE_EQ(px("25.4mm"), 96);
    EXPECT_DOUBLE_EQ(px("2.54 cm"), 96);
    EXPECT_DOUBLE_EQ(px("72pt"), 96);
    EXPECT_DOUBLE_EQ(px("6pc"), 96);
    EXPECT_DOUBLE_EQ(px("12"), 12);
    EXPECT_DOUBLE_EQ(px("12px"), 12);
    EXPECT_DOUBLE_EQ(px("50%", 80), 40);
    EXPECT_TRUE((*parse_length("50%", 80))->percent);
    EXPECT_FALSE(parse_length("auto", 0)->has_value());
    EXPECT_FALSE(parse_length("NaN", 0));
}

TEST(SvgNumbers, TransformListsApplyFromTheRight) {
    const Point p = (*parse_transform("translate(10) scale(2, 3), rotate(90)"))({1, 0});
    EXPECT_NEAR(p.x, 10, 1e-12);
    EXPECT_NEAR(p.y, 3, 1e-12);
    EXPECT_EQ(*parse_transform(""), Transform{});
    EXPECT_EQ(*parse_transform("none"), Transform{});
    EXPECT_FALSE(parse_transform("matrix(1 0 0 NaN 0 0)"));
}

TEST(SvgPath, FlatteningStaysWithinItsTolerance) {
    Path p = ellipse({0, 0}, 50, 50);
    for (const double tolerance : {1.0, 0.1, 0.01, 0.001}) {
        const auto contours = p.flattened(tolerance);
        ASSERT_EQ(contours.size(), 1u);
        const Ring& r = contours[0].points;
        for (std::size_t i = 0; i + 1 < r.size(); ++i)
            EXPECT_GT(length((r[i] + r[i + 1]) * 0.5), 50 - tolerance * 1.01);
    }
    EXPECT_LT(p.flattened(1)[0].points.size(), p.flattened(0.001)[0].points.size() / 5);
}

TEST(SvgPath, ArcsEndExactlyWhereTheyShould) {
    for (const bool large : {false, true})
        for (const bool sweep : {false, true}) {
            Path p;
            p.move_to({10, 20});
            p.arc_to(30, 17, 33, large, sweep, {40, 25});
            EXPECT_EQ(p.subpaths[0].steps.back().to, (Point{40, 25}));
            // Every point lies on one ellipse of those radii: distances to its centre in its own frame.
            const auto points = p.flattened(0.001)[0].points;
            const Transform back = Transform::turned_deg(-33);
            // The centre is halfway between opposite points only for half turns; fit it by least motion
            // instead.
            Point best{};
            double least = 1e18;
            for (double x = -30; x <= 80; x += 0.5)
                for (double y = -30; y <= 80; y += 0.5) {
                    double worst = 0;
                    for (std::size_t i = 0; i < points.size(); i += 16) {
                        const Point q = back(points[i] - Point{x, y});
                        worst = std::max(worst, std::abs(std::hypot(q.x / 30, q.y / 17) - 1));
                    }
                    if (worst < least) {
                        least = worst;
                        best = {x, y};
                    }
                }
            EXPECT_LT(least, 0.05) << "centre near " << best.x << ", " << best.y;
        }
}

TEST(SvgPath, ZeroRadiiAreStraightAndNoDistanceIsNothing) {
    Path p;
    p.move_to({0, 0});
    p.arc_to(0, 5, 0, false, true, {10, 0});
    p.arc_to(5, 5, 0, false, true, {10, 0});
    ASSERT_EQ(p.subpaths[0].steps.size(), 1u);
    EXPECT_FALSE(p.subpaths[0].steps[0].curve);
}

TEST(SvgPath, AfterClosingANewSubpathBeginsAtTheStart) {
    std::string complaint;
    const auto p = parse_path("M5 5h10v10zl-5 0v-5z", complaint);
    ASSERT_TRUE(p);
    EXPECT_TRUE(complaint.empty());
    ASSERT_EQ(p->subpaths.size(), 2u);
    EXPECT_EQ(p->subpaths[1].start, (Point{5, 5}));
    EXPECT_TRUE(p->subpaths[1].closed);
}

TEST(SvgPath, ComplaintsAreSpecific) {
    for (const char* bad : {"L 5 5", "M 5 5 X 3", "5 5", "M 5", "M0 0 A 1 1 0 2 0 5 5", "M0 0 z 5 5"}) {
        std::string complaint;
        EXPECT_TRUE(parse_path(bad, complaint)) << bad;
        EXPECT_FALSE(complaint.empty()) << bad;
    }
}

TEST(SvgStyle, DeclarationsSurviveOddSpelling) {
    const Declarations d =
        parse_declarations(" fill : none ;; stroke:#fff !important; broken; :x; opacity:.5");
    EXPECT_EQ(d.size(), 3u);
    EXPECT_EQ(d.at("fill").value, "none");
    EXPECT_EQ(d.at("stroke").value, "#fff");
    EXPECT_EQ(d.at("opacity").value, ".5");
}

TEST(SvgStyle, TheMoreSpecificAndThenTheLaterRuleWins) {
    const auto tree =
        read_tree("<svg><g class='outer'><rect id='r' class='a b'/></g><rect id='s' class='a'/></svg>");
    ASSERT_TRUE(tree);
    const Node& root = (*tree)->root;
    const StyleSheet sheet(
        "#r{fill:1} .a.b{fill:2;stroke:2} .a{fill:3;stroke:3} rect{fill:4;x:4} .a{stroke:5} .outer .b{y:6} "
        "svg > .a{z:7}");
    const Declarations r = sheet.for_element({&root, &root.children[0], find(root, "r")});
    EXPECT_EQ(r.at("fill").value, "1");
    EXPECT_EQ(r.at("stroke").value, "2");
    EXPECT_EQ(r.at("x").value, "4");
    EXPECT_EQ(r.at("y").value, "6");
    EXPECT_FALSE(r.contains("z")) << "not a child of the root";
    const Declarations s = sheet.for_element({&root, find(root, "s")});
    EXPECT_EQ(s.at("fill").value, "3");
    EXPECT_EQ(s.at("stroke").value, "5");
    EXPECT_EQ(s.at("z").value, "7");
}

TEST(SvgStyle, BrokenSheetsLoseOnlyWhatIsBroken) {
    EXPECT_TRUE(StyleSheet("").empty());
    EXPECT_TRUE(StyleSheet("/* open").empty());
    EXPECT_TRUE(StyleSheet("rect[x] {fill:none} a:hover{} @import url(x);").empty());
    EXPECT_FALSE(StyleSheet("@font-face { src: url(x) } @media x { a { b:c } } rect { fill: none").empty());
}

TEST(SvgPaint, CascadeInheritsWhatIsInheritedOnly) {
    const auto tree = read_tree(
        "<svg fill='none' opacity='0' fill-rule='evenodd'><rect style='fill:inherit;color:red'/></svg>");
    ASSERT_TRUE(tree);
    const Style root = cascade({}, (*tree)->root, {});
    EXPECT_FALSE(root.opaque);
    const Style rect = cascade(root, (*tree)->root.children[0], {{"fill", {"blue"}}});
    EXPECT_EQ(rect.fill, "none") << "the style attribute wins over the sheet";
    EXPECT_EQ(rect.fill_rule, "evenodd");
    const Style insisted = cascade(root, (*tree)->root.children[0], {{"fill", {"blue", true}}});
    EXPECT_EQ(insisted.fill, "blue") << "what is important in the sheet wins over the style attribute";
    EXPECT_TRUE(rect.opaque) << "opacity is not inherited";
    EXPECT_EQ(rect.colour, "red");
    EXPECT_EQ(reference("url( '#a b' )"), "a b");
    EXPECT_EQ(reference("url(#x) red"), "x");
    EXPECT_EQ(reference("red"), "");
}

TEST(SvgTree, PrefixesIdsAndEntities) {
    const auto tree =
        read_tree("<!DOCTYPE svg [<!ENTITY c 'M0 0'>]><svg:svg xmlns:svg='x'><svg:path id='p' d='&c;h5'/>"
                  "<ink:layer><svg:rect id='hidden'/></ink:layer><svg:rect id='p'/></svg:svg>");
    ASSERT_TRUE(tree) << tree.error().message;
    EXPECT_EQ((*tree)->root.children.size(), 2u);
    EXPECT_EQ((*tree)->by_id.at("p")->get("d"), "M0 0h5") << "the first of two counts";
    EXPECT_FALSE((*tree)->by_id.contains("hidden"));
}

} // namespace zesty::svg
