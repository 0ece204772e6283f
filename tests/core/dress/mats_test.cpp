// Mats and paper layers: their shapes, what is cut for them, and what is seen of them in the end.

#include "core/dress/layers.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/arranged.h"
#include "core/project/planner.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

using testing::between;
using testing::finding_in;
using testing::shapes_of;

namespace {

Photo photo_of(double width, double height, Point centre) {
    Photo out;
    out.name = "Mia";
    out.width = width;
    out.height = height;
    out.centre = centre;
    return out;
}

PhotoMat mat_of(const std::string& paper, double border) {
    PhotoMat out;
    out.paper = paper;
    out.border = border;
    return out;
}

/// A small lattice in a corner of the page, and plenty of papers.
Project page_for_mats() {
    Project p = testing::page_with(3, 3, 3, testing::five_papers());
    p.set_out.cuts[0].place = {SizeRule::Width, 90, 0, false, {-100, -100}};
    p.set_out.photos = {photo_of(100, 60, {200, 200})};
    return p;
}

double uncovered(const Region& a, const Region& b) {
    const auto rest = subtract(a, b);
    return rest ? area(*rest) : -1;
}

} // namespace

TEST(Mats, BordersAddUpFromThePhotoOutwards) {
    Photo photo = photo_of(100, 60, {150, 140});
    photo.turn_deg = 20;
    photo.mats = {mat_of("a", 3), mat_of("b", 5)};
    photo.mats[1].shift = {2, -1};
    const Transform back = inverse(Transform::moved(150, 140) * Transform::turned_deg(20));
    const Box first = bounds(transformed(outline_of_mat(photo, 0), back));
    EXPECT_NEAR(first.width(), 106, 1e-9);
    EXPECT_NEAR(first.height(), 66, 1e-9);
    const Box second = bounds(transformed(outline_of_mat(photo, 1), back));
    EXPECT_NEAR(second.width(), 116, 1e-9);
    EXPECT_NEAR(second.centre().x, 2, 1e-9);
    EXPECT_NEAR(second.centre().y, -1, 1e-9);
    photo.round = true;
    EXPECT_NEAR(bounds(outline_of_mat(photo, 0)).width(), 106, 0.2);
    photo.round = false;
    photo.mats[0].span = MatSpan::Lower;
    const Box half = bounds(transformed(outline_of_mat(photo, 0), back));
    EXPECT_NEAR(half.y0, 0, 1e-9);
    EXPECT_NEAR(half.y1, 33, 1e-9);
    EXPECT_NEAR(half.width(), 106, 1e-9);
}

TEST(Mats, TornOnesAreCutLargerAndGuttedOnesLeaveALipUnderWhatHidesThem) {
    std::mt19937 random(4);
    for (int round = 0; round < testing::rounds(60); ++round) {
        Photo photo = photo_of(between(random, 40, 160), between(random, 40, 160), {150, 150});
        photo.round = random() % 4 == 0;
        for (int m = 0; m < 1 + static_cast<int>(random() % 4); ++m) {
            PhotoMat mat = mat_of("a", between(random, 1, 9));
            mat.torn = random() % 3 == 0;
            mat.gut = random() % 2;
            mat.see_through = random() % 5 == 0;
            mat.span = static_cast<MatSpan>(random() % 5);
            mat.shift = {between(random, -5, 5), between(random, -5, 5)};
            photo.mats.push_back(mat);
        }
        for (std::size_t m = 0; m < photo.mats.size(); ++m) {
            const PhotoMat& mat = photo.mats[m];
            const Polygon seen = outline_of_mat(photo, m);
            const Polygon blank = blank_of_mat(photo, m, 12);
            const double more = mat.torn ? 2 * mat.tear : 0;
            if (mat.span == MatSpan::Whole) {
                EXPECT_NEAR(bounds(blank).width(), bounds(seen).width() + more, 1e-6);
            }
            EXPECT_LE(blank.holes.size(), 1u);
            EXPECT_TRUE(blank.holes.empty() || (mat.gut && !mat.see_through));
            if (blank.holes.empty()) continue;
            // Where the hole comes to lie, something else hides it with its lip all round.
            const Point there = bounds(seen).centre() - Point{};
            const Polygon hole =
                transformed(Polygon{blank.holes.front(), {}}, Transform::moved(there.x, there.y));
            Region above{outline_of(photo)};
            for (std::size_t k = 0; k < m; ++k)
                if (!photo.mats[k].see_through) above.push_back(outline_of_mat(photo, k));
            const auto grown = grow({hole}, 6);
            const auto joined = unite(above);
            ASSERT_TRUE(grown && joined);
            EXPECT_LT(uncovered(*grown, *joined), 1.0) << round;
        }
    }
}

TEST(Mats, AreCutFromTheStashApartFromEachOtherAndFromThePatches) {
    Project p = page_for_mats();
    p.set_out.photos[0].mats = {mat_of("a", 4), mat_of("a", 6), mat_of("b", 5)};
    p.set_out.photos[0].mats[1].gut = true;
    PaperLayer strip;
    strip.paper = "a";
    strip.centre = {150, 30};
    strip.width = 180;
    strip.height = 20;
    p.dress.layers = {strip};
    for (auto& section : shapes_of(p).sections.all) {
        PaperChoice c;
        c.paper = "a";
        p.match.choose(section.id, c);
    }
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan) << plan.error().message;
    ASSERT_EQ(plan->dress.pieces.size(), 4u);
    const std::vector<Sheet> whole = sheets_of(*p.stash);
    std::map<std::string, Region> on_sheet;
    for (const DressPiece& piece : plan->dress.pieces) {
        ASSERT_TRUE(piece.placed) << piece.what;
        const auto sheet =
            std::find_if(whole.begin(), whole.end(), [&](const Sheet& s) { return s.id == piece.sheet; });
        ASSERT_NE(sheet, whole.end());
        EXPECT_EQ(p.stash->papers[static_cast<std::size_t>(sheet->paper)].id, piece.paper);
        EXPECT_NEAR(area(piece.on_sheet), area(piece.outline), 1e-6);
        EXPECT_LT(uncovered({Polygon{piece.on_sheet.outer, {}}}, {sheet->outline}), 0.01);
        for (const Polygon& other : on_sheet[piece.sheet]) {
            const auto both = intersect({piece.on_sheet}, {other});
            EXPECT_TRUE(both && area(*both) < 0.01) << piece.what;
        }
        on_sheet[piece.sheet].push_back(piece.on_sheet);
    }
    int patches = 0;
    for (std::size_t i = 0; i < plan->sheets.placed.size(); ++i) {
        const PlacedPatch& at = plan->sheets.placed[i];
        if (at.sheet < 0) continue;
        ++patches;
        std::string id = plan->papers.sheets[static_cast<std::size_t>(at.sheet)].id;
        id = id.substr(0, id.find('/'));
        const Polygon patch = transformed(plan->sections.patches[i].on_sheet(), at.to_sheet());
        for (const Polygon& piece : on_sheet[id]) {
            const auto both = intersect({patch}, {piece});
            EXPECT_TRUE(both && area(*both) < 0.01) << "patch " << i + 1;
        }
    }
    EXPECT_GT(patches, 3);
    testing::expect_laid_as_planned(p, *plan);
    // What the gutted one leaves is stock again.
    EXPECT_TRUE(std::any_of(plan->papers.sheets.begin(), plan->papers.sheets.end(), [](const Sheet& s) {
        return s.kind == SheetKind::UnderPhoto && s.id.find("/mat") != std::string::npos;
    }));
}

TEST(Mats, WithoutASheetSayWhatElseThereIsAndTheFixGivesIt) {
    Project p = page_for_mats();
    Stash stash = *p.stash;
    stash.papers[0].sheets = {{{testing::rectangle(0, 0, 60, 60), {}}, 5, false}};
    p.stash = std::make_shared<const Stash>(stash);
    p.set_out.photos[0].mats = {mat_of("a", 4)};
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    const Finding* f = finding_in(*plan, Code::MatPaper);
    ASSERT_TRUE(f);
    EXPECT_NE(f->message.find("Paper a"), std::string::npos) << f->message;
    ASSERT_FALSE(f->fixes.empty());
    f->fixes.front().apply(p);
    EXPECT_NE(p.set_out.photos[0].mats[0].paper, "a");
    EXPECT_FALSE(finding_in(shapes_of(p), Code::MatPaper));
}

TEST(Mats, ThatCannotBeReadCompeteOrAreHiddenAreSaidAndCured) {
    Project p = page_for_mats();
    Stash stash = *p.stash;
    stash.papers[0].repeat = 24;
    p.stash = std::make_shared<const Stash>(stash);
    p.set_out.photos[0].mats = {mat_of("a", 3)};
    Plan plan = shapes_of(p);
    const Finding* narrow = finding_in(plan, Code::MatTooNarrow);
    ASSERT_TRUE(narrow);
    ASSERT_FALSE(narrow->fixes.empty());
    narrow->fixes.front().apply(p);
    EXPECT_NEAR(p.set_out.photos[0].mats[0].border, mm_per_inch / 4, 1e-9) << "6 mm, in sixteenths";
    plan = shapes_of(p);
    EXPECT_FALSE(finding_in(plan, Code::MatTooNarrow));
    EXPECT_FALSE(finding_in(plan, Code::MatsCompete));
    p.set_out.photos[0].mats = {mat_of("b", 8), mat_of("c", 8)};
    plan = shapes_of(p);
    const Finding* competing = finding_in(plan, Code::MatsCompete);
    ASSERT_TRUE(competing) << "16 mm beside a photo of 60";
    competing->fixes.front().apply(p);
    EXPECT_FALSE(finding_in(shapes_of(p), Code::MatsCompete));
    // A photo on the border hides it.
    p.set_out.photos[0].mats = {mat_of("b", 4)};
    EXPECT_FALSE(finding_in(shapes_of(p), Code::MatHidden));
    p.set_out.photos.push_back(photo_of(118, 78, {200, 200}));
    plan = shapes_of(p);
    const Finding* hidden = finding_in(plan, Code::MatHidden);
    ASSERT_TRUE(hidden);
    EXPECT_NE(hidden->message.find("0 %"), std::string::npos) << hidden->message;
    hidden->fixes.front().apply(p);
    EXPECT_TRUE(p.set_out.photos[0].mats.empty());
}

TEST(Mats, GuttingIsOfferedForAllAtOnce) {
    Project p = page_for_mats();
    p.set_out.photos[0].mats = {mat_of("a", 4), mat_of("b", 4)};
    Plan plan = shapes_of(p);
    const Finding* gut = finding_in(plan, Code::GutMat);
    ASSERT_TRUE(gut);
    gut->fixes.front().apply(p);
    EXPECT_TRUE(p.set_out.photos[0].mats[0].gut && p.set_out.photos[0].mats[1].gut);
    plan = shapes_of(p);
    EXPECT_FALSE(finding_in(plan, Code::GutMat));
    for (const DressPiece& piece : plan.dress.pieces) EXPECT_EQ(piece.outline.holes.size(), 1u);
}

TEST(Mats, LargerThanTheCutSayHowMuchOfItTheyHide) {
    Project p = page_for_mats();
    p.set_out.photos[0] = photo_of(200, 150, {100, 90});
    p.set_out.photos[0].mats = {mat_of("", 5)};
    const Plan plan = shapes_of(p);
    ASSERT_TRUE(finding_in(plan, Code::MatLargerThanCut));
    EXPECT_NE(finding_in(plan, Code::MatLargerThanCut)->message.find("make the photo smaller"),
              std::string::npos);
    EXPECT_FALSE(finding_in(plan, Code::MatPaper)) << "paper from elsewhere needs no sheet";
}

TEST(Layers, TapeRunsAlongItsEdgeAndTornHillsAreCutHigher) {
    Page page;
    page.reveal = Sides::even(10);
    PaperLayer tape;
    tape.shape = LayerShape::Tape;
    tape.edge = BaseEdge::Left;
    tape.height = 12;
    tape.inset = 5;
    const Box there = bounds(outline_of(tape, page));
    EXPECT_NEAR(there.x0, 15, 1e-9);
    EXPECT_NEAR(there.x1, 27, 1e-9);
    EXPECT_NEAR(there.height(), page.height - 20, 1e-9);
    EXPECT_NEAR(bounds(blank_of(tape, page)).height(), page.height - 20, 1e-9);
    PaperLayer hill;
    hill.shape = LayerShape::Hill;
    hill.centre = {100, 200};
    hill.width = 150;
    hill.height = 40;
    hill.tear = 4;
    EXPECT_NEAR(bounds(outline_of(hill, page)).height(), 40, 0.2);
    EXPECT_LT(area(outline_of(hill, page)), 0.8 * 150 * 40);
    EXPECT_NEAR(bounds(blank_of(hill, page)).height(), 44, 1e-9);
    EXPECT_NEAR(bounds(blank_of(hill, page)).width(), 150, 1e-9);
}

TEST(Mats, AreRoomThatArrangedPhotosNeed) {
    Photo photo = photo_of(100, 60, {150, 140});
    photo.mats = {mat_of("a", 3), mat_of("b", 5), mat_of("c", 9)};
    photo.mats[2].span = MatSpan::Lower;
    EXPECT_NEAR(reach_of_mats(photo), 8, 1e-9) << "of those behind all of it";
    Project p = page_for_mats();
    p.set_out.photos = {photo, photo};
    const auto found = arranged_pages(p, shapes_of(p), false);
    ASSERT_TRUE(found) << found.error().message;
    for (const ArrangedPage& page : found->found) {
        const auto& photos = page.project.set_out.photos;
        Photo first = photos[0];
        Photo second = photos[1];
        first.mats.pop_back();
        second.mats.pop_back();
        const auto both = intersect({matted_outline(first)}, {matted_outline(second)});
        EXPECT_TRUE(both && area(*both) < 1);
    }
}

} // namespace zesty
