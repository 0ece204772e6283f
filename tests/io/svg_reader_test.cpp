#include "core/cutfile/cut_file.h"
#include "io/svg/svg_reader.h"

#include <gtest/gtest.h>
#include <zlib.h>

namespace zesty {

namespace {

std::string svg(const std::string& body,
                const std::string& attributes = "width='100mm' height='100mm' viewBox='0 0 100 100'") {
    return "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' " +
           attributes + ">" + body + "</svg>";
}

Result<CutFile> cut_of(const std::string& text) {
    const auto d = read_svg(QByteArray::fromStdString(text));
    if (!d) return tl::make_unexpected(d.error());
    return read_cut(*d);
}

struct Facts {
    std::size_t pieces = 0;
    std::size_t openings = 0;
    double area = 0;
    Box box;
};

Facts facts(const std::string& body,
            const std::string& attributes = "width='100mm' height='100mm' viewBox='0 0 100 100'") {
    const auto cut = cut_of(svg(body, attributes));
    EXPECT_TRUE(cut) << cut.error().message;
    if (!cut) return {};
    Facts f{cut->pieces.size(), cut->openings.size(), 0, cut->box};
    for (const Piece& p : cut->pieces) f.area += p.area;
    return f;
}

void expect_box(const Box& box, double x0, double y0, double x1, double y1) {
    EXPECT_NEAR(box.x0, x0, 0.02);
    EXPECT_NEAR(box.y0, y0, 0.02);
    EXPECT_NEAR(box.x1, x1, 0.02);
    EXPECT_NEAR(box.y1, y1, 0.02);
}

const std::string square = "<path d='M10 10h30v30h-30z'/>";

} // namespace

TEST(SvgShapes, EveryBasicShapeHasItsArea) {
    EXPECT_NEAR(facts("<rect x='10' y='20' width='30' height='40'/>").area, 1200, 1e-6);
    EXPECT_NEAR(facts("<rect width='40' height='40' rx='10'/>").area, 1600 - (4 - M_PI) * 100, 0.3);
    EXPECT_NEAR(facts("<circle cx='50' cy='50' r='20'/>").area, M_PI * 400, 0.6);
    EXPECT_NEAR(facts("<ellipse cx='50' cy='50' rx='20' ry='10'/>").area, M_PI * 200, 0.4);
    EXPECT_NEAR(facts("<polygon points='0,0 30,0 30,40'/>").area, 600, 1e-6);
    EXPECT_NEAR(facts("<polyline points='0 0 30 0 30 40'/>").area, 600, 1e-6);
}

TEST(SvgPaths, EveryCommandInBothCases) {
    const char* same[] = {"M10 10H40V40H10Z",
                          "m10 10h30v30h-30z",
                          "M10,10 40,10 40,40 10,40z",
                          "m10 10 30 0 0 30-30 0",
                          "M10 10L40 10L40 40L10 40L10 10",
                          "M10 10C20 10 30 10 40 10S40 30 40 40L10 40Z",
                          "M10 10Q25 10 40 10T40 40L10 40z"};
    for (const char* d : same) {
        const Facts f = facts("<path d='" + std::string(d) + "'/>");
        EXPECT_EQ(f.pieces, 1u) << d;
        if (std::string(d).find_first_of("ST") == std::string::npos) {
            EXPECT_NEAR(f.area, 900, 1) << d;
        }
    }
}

TEST(SvgPaths, NumbersMayRunTogether) {
    expect_box(facts("<path d='M.5.5l9.5-.5 1e1 10-2.5e0.5z'/>").box, 0.5, 0, 20, 10.5);
}

TEST(SvgPaths, ArcsFollowTheirFlagsEvenWrittenWithoutSpaces) {
    const Facts full = facts("<path d='M30 50a20 20 0 1 0 40 0a20 20 0 1 0 -40 0z'/>");
    expect_box(full.box, 30, 30, 70, 70);
    expect_box(facts("<path d='M30 50a20 20 0 1040 0z'/>").box, 30, 50, 70, 70);
    expect_box(facts("<path d='M30 50A20 20 0 0 1 70 50z'/>").box, 30, 30, 70, 50);
    const Facts turned = facts("<path d='M50 20A30 15 90 0 1 50 80A30 15 90 0 1 50 20'/>");
    expect_box(turned.box, 35, 20, 65, 80);
    EXPECT_NEAR(facts("<path d='M20 50A1 1 0 0 1 60 50Z'/>").area, M_PI * 200, 0.5)
        << "radii too small are grown";
}

TEST(SvgPaths, AMistakeEndsThePathThereAndIsTold) {
    const auto cut = cut_of(svg("<path d='M10 10h30v30h-30z L 5 oops'/>"));
    ASSERT_TRUE(cut);
    EXPECT_NEAR(cut->pieces[0].area, 900, 1e-6);
    ASSERT_EQ(cut->warnings.size(), 1u);
}

TEST(SvgFill, RulesPaintsAndOpacityDecideWhatIsMaterial) {
    const std::string ring = "d='M10 10h40v40h-40zM20 20h20v20h-20z'";
    EXPECT_EQ(facts("<path " + ring + "/>").openings, 0u);
    EXPECT_EQ(facts("<path fill-rule='evenodd' " + ring + "/>").openings, 1u);
    EXPECT_EQ(facts("<g fill-rule='evenodd'><path " + ring + "/></g>").openings, 1u);
    const char* gone[] = {"fill='none'",
                          "fill='transparent'",
                          "fill-opacity='0'",
                          "opacity='0'",
                          "display='none'",
                          "visibility='hidden'",
                          "fill='#12345600'",
                          "fill='rgba(1,2,3,0)'",
                          "fill='url(#nowhere)'",
                          "style='fill:none'",
                          "style='display : none ; fill:red'"};
    for (const char* g : gone)
        EXPECT_EQ(facts(square + "<rect x='60' y='60' width='9' height='9' " + g + "/>").pieces, 1u) << g;
    const char* kept[] = {
        "fill='white'",       "fill='#fff'",           "fill='rgb(0,0,0)'",       "fill='currentColor'",
        "fill-opacity='50%'", "fill='rgba(1,2,3,.5)'", "fill='url(#nowhere) red'"};
    for (const char* k : kept)
        EXPECT_EQ(facts(square + "<rect x='60' y='60' width='9' height='9' " + k + "/>").pieces, 2u) << k;
    EXPECT_EQ(
        facts("<linearGradient id='g'/>" + square + "<rect x='60' width='9' height='9' fill='url(#g)'/>")
            .pieces,
        2u);
}

TEST(SvgFill, VisibleChildrenOfHiddenGroupsShow) {
    EXPECT_EQ(
        facts(square + "<g visibility='hidden'><rect x='60' width='9' height='9' visibility='visible'/></g>")
            .pieces,
        2u);
    EXPECT_EQ(
        facts(square + "<g display='none'><rect x='60' width='9' height='9' display='inline'/></g>").pieces,
        1u);
}

TEST(SvgStyle, SheetsKnowTypesClassesIdsAndDescendants) {
    const std::string sheet =
        "<style><![CDATA[ /* none */ rect{fill:none} .a.b , #x { fill:red } g > .c{fill:none} "
        "@media print { rect { fill: blue } } .d:hover{fill:none} g rect.e{fill:#000 !important} ]]></style>";
    const auto with = [&](const std::string& body) { return facts(sheet + square + body).pieces; };
    EXPECT_EQ(with("<rect x='60' width='9' height='9'/>"), 1u);
    EXPECT_EQ(with("<rect class='b q a' x='60' width='9' height='9'/>"), 2u);
    EXPECT_EQ(with("<rect class='b' x='60' width='9' height='9'/>"), 1u);
    EXPECT_EQ(with("<rect id='x' x='60' width='9' height='9'/>"), 2u);
    EXPECT_EQ(with("<g><circle class='c' cx='70' cy='9' r='5'/></g>"), 1u);
    EXPECT_EQ(with("<g><g><rect class='e' x='60' width='9' height='9'/></g></g>"), 2u);
    EXPECT_EQ(with("<circle class='d' cx='70' cy='9' r='5'/>"), 2u);
    EXPECT_EQ(with("<rect style='fill:red' x='60' width='9' height='9'/>"), 2u);
}

TEST(SvgTransforms, ComposeInOrder) {
    expect_box(
        facts(
            "<g transform='translate(50 20) scale(2)'><path transform='rotate(90)' d='M0 0h10v5h-10z'/></g>")
            .box,
        40, 20, 50, 40);
    expect_box(facts("<path transform='matrix(1 0 0 -1 0 60)' d='M0 0h10v5h-10z'/>").box, 0, 55, 10, 60);
    expect_box(facts("<path transform='rotate(180, 20, 20)' d='M0 0h10v5h-10z'/>").box, 30, 35, 40, 40);
    expect_box(facts("<path transform='skewX(45)' d='M0 0h10v10h-10z'/>").box, 0, 0, 20, 10);
}

TEST(SvgUse, SymbolsGroupsAndNestedDrawingsAreFollowed) {
    expect_box(
        facts("<defs><path id='p' d='M0 0h10v10h-10z'/></defs><use xlink:href='#p' x='30' y='20'/>").box, 30,
        20, 40, 30);
    const std::string symbol = "<symbol id='s' viewBox='0 0 10 10'><path d='M0 0h10v10h-10z'/></symbol>";
    expect_box(facts(symbol + "<use href='#s' x='5' y='5' width='40' height='40'/>").box, 5, 5, 45, 45);
    EXPECT_EQ(facts(symbol +
                    "<use href='#s' width='10' height='10'/><use href='#s' x='50' width='10' height='10'/>")
                  .pieces,
              2u);
    expect_box(
        facts(
            "<svg x='10' y='10' width='50' height='25' viewBox='0 0 10 10'><path d='M0 0h10v10h-10z'/></svg>")
            .box,
        22.5, 10, 47.5, 35);
    EXPECT_EQ(facts("<use href='#later'/><g id='later'><rect width='5' height='5'/></g>").pieces, 1u);
    EXPECT_NEAR(
        facts("<g fill='none'><use href='#q'/></g><defs><rect id='q' width='5' height='5'/></defs>" + square)
            .area,
        900, 1e-6)
        << "a use inherits from where it stands";
}

TEST(SvgUse, NestedDrawingsCutOffWhatLiesOutside) {
    expect_box(facts("<svg x='10' y='10' width='20' height='20'><rect width='50' height='10'/></svg>").box,
               10, 10, 30, 20);
    expect_box(facts("<svg x='10' y='10' width='20' height='20' overflow='visible'><rect width='50' "
                     "height='10'/></svg>")
                   .box,
               10, 10, 60, 20);
}

TEST(SvgClip, PathsClipWhatTheyAreOn) {
    const std::string clip = "<clipPath id='c'><rect x='20' y='0' width='40' height='100'/></clipPath>";
    expect_box(facts(clip + "<rect width='90' height='10' clip-path='url(#c)'/>").box, 20, 0, 60, 10);
    expect_box(facts(clip + "<g style='clip-path:url(#c)'><rect width='90' height='10'/></g>").box, 20, 0, 60,
               10);
    expect_box(facts("<clipPath id='all'><rect width='100' height='100'/></clipPath><rect width='90' "
                     "height='10' clip-path='url(#all)'/>")
                   .box,
               0, 0, 90, 10);
}

TEST(SvgUnits, SizesComeFromUnitsAndTheViewBox) {
    expect_box(facts(square, "width='4in' height='4in' viewBox='0 0 100 100'").box, 10.16, 10.16, 40.64,
               40.64);
    expect_box(facts(square, "width='5cm' viewBox='0 0 100 100'").box, 5, 5, 20, 20);
    expect_box(facts(square, "width='96' height='96'").box, 10 * 25.4 / 96, 10 * 25.4 / 96, 40 * 25.4 / 96,
               40 * 25.4 / 96);
    expect_box(facts("<rect width='50%' height='1in'/>", "width='200mm' height='100mm'").box, 0, 0, 100,
               25.4);
    expect_box(facts("<rect width='10' height='10'/>",
                     "width='100mm' height='50mm' viewBox='0 0 10 10' preserveAspectRatio='xMinYMin meet'")
                   .box,
               0, 0, 50, 50);
    expect_box(facts("<rect width='10' height='10'/>",
                     "width='100mm' height='50mm' viewBox='0 0 10 10' preserveAspectRatio='none'")
                   .box,
               0, 0, 100, 50);
    const auto unknown = cut_of(svg(square, "viewBox='0 0 100 100'"));
    ASSERT_TRUE(unknown);
    EXPECT_EQ(unknown->warnings.size(), 1u);
}

TEST(SvgOutlines, StrokesCountOnlyWhereNothingIsFilled) {
    const std::string lines =
        "<g fill='none' stroke='red'><rect width='80' height='80'/><circle cx='40' cy='40' r='20'/>"
        "<rect x='35' y='35' width='10' height='10'/></g>";
    const Facts f = facts(lines);
    EXPECT_EQ(f.pieces, 2u);
    EXPECT_EQ(f.openings, 1u);
    EXPECT_EQ(facts(lines + square).pieces, 1u);
}

TEST(SvgOther, ForeignElementsTextAndSwitchesDoNotGetInTheWay) {
    EXPECT_EQ(
        facts("<metadata><rdf:RDF xmlns:rdf='x'><rdf:li/></rdf:RDF></metadata><title>a</title>" + square)
            .pieces,
        1u);
    EXPECT_EQ(facts("<switch><foreignObject requiredExtensions='x'><p/></foreignObject><g>" + square +
                    "</g></switch>")
                  .pieces,
              1u);
    EXPECT_EQ(facts("<i:pgf xmlns:i='y'><rect width='99' height='99'/></i:pgf><sodipodi:namedview/>" + square)
                  .pieces,
              1u);
    const auto cut = cut_of(svg("<text x='1' y='9'>Hi</text>" + square));
    ASSERT_TRUE(cut);
    EXPECT_EQ(cut->warnings.size(), 1u);
}

TEST(SvgFiles, CompressedDrawingsReadTheSame) {
    const std::string text = svg(square);
    QByteArray zipped(4096, 0);
    z_stream z{};
    ASSERT_EQ(deflateInit2(&z, 9, Z_DEFLATED, 15 + 16, 8, Z_DEFAULT_STRATEGY), Z_OK);
    z.next_in = reinterpret_cast<Bytef*>(const_cast<char*>(text.data()));
    z.avail_in = static_cast<uInt>(text.size());
    z.next_out = reinterpret_cast<Bytef*>(zipped.data());
    z.avail_out = static_cast<uInt>(zipped.size());
    ASSERT_EQ(deflate(&z, Z_FINISH), Z_STREAM_END);
    zipped.truncate(static_cast<qsizetype>(z.total_out));
    deflateEnd(&z);
    ASSERT_TRUE(read_svg(zipped));
    EXPECT_EQ(read_svg(zipped.left(zipped.size() - 12)).error().kind, ErrorKind::BadInput);
}

/// One sentence, no crash, and no work without end: ctest ends a test that hangs.
TEST(SvgHostile, FilesAreRefusedWithOneSentence) {
    std::string bomb = "<?xml version='1.0'?><!DOCTYPE svg [<!ENTITY a 'aaaaaaaaaaaaaaaaaaaaaaaaaaaaaa'>";
    for (char c = 'b'; c < 'm'; ++c) {
        bomb += std::string("<!ENTITY ") + c + " '";
        for (int i = 0; i < 20; ++i) bomb += std::string("&") + static_cast<char>(c - 1) + ";";
        bomb += "'>";
    }
    bomb += "]>" + svg("<title>&l;</title>" + square);
    std::string deep;
    for (int i = 0; i < 50000; ++i) deep += "<g>";
    std::string fork = "<defs><rect id='u0' width='1' height='1'/>";
    for (int i = 1; i < 30; ++i)
        fork += "<g id='u" + std::to_string(i) + "'><use href='#u" + std::to_string(i - 1) +
                "'/><use href='#u" + std::to_string(i - 1) + "'/></g>";
    fork += "</defs><use href='#u29'/>";
    std::string junk = "\x89PNG\r\n";
    for (int i = 0; i < 5000; ++i) junk += static_cast<char>((i * 7919) % 256);
    const std::pair<const char*, std::string> cases[] = {
        {"entity bomb", bomb},
        {"50,000 groups", svg(deep)},
        {"NaN in a path", svg("<path d='M0 0L10 NaN L10 10z'/>")},
        {"infinite size", svg("<rect width='1e400' height='9'/>")},
        {"NaN in a transform", svg("<g transform='translate(NaN 1)'>" + square + "</g>")},
        {"NaN in a viewBox", svg(square, "viewBox='0 0 NaN 5'")},
        {"use inside itself", svg("<g id='a'><use href='#a'/></g>" + square)},
        {"use in a circle",
         svg("<defs><g id='a'><use href='#b'/></g><g id='b'><use href='#a'/></g></defs><use href='#a'/>")},
        {"forking use", svg(fork)},
        {"binary junk", junk},
        {"empty", ""},
        {"not svg", "<html><body/></html>"},
        {"cut short", svg(square).substr(0, 90)},
        {"only a picture", svg("<image width='10' height='10' href='x.png'/>")},
        {"nothing", svg("<g/>")},
        {"nothing filled or closed", svg("<path fill='none' stroke='red' d='M0 0L50 50'/>")}};
    for (const auto& [name, text] : cases) {
        const auto cut = cut_of(text);
        ASSERT_FALSE(cut) << name;
        EXPECT_FALSE(cut.error().message.empty()) << name;
        EXPECT_EQ(cut.error().message.find('\n'), std::string::npos) << name;
    }
}

} // namespace zesty
