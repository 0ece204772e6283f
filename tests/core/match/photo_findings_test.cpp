// What photos and papers do to each other, on pictures of which every colour is known.

#include "core/match/cost.h"
#include "core/match/photo_findings.h"
#include "core/project/edits.h"
#include "core/project/findings.h"
#include "core/project/match_job.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::finding_in;
using testing::stock_paper;

constexpr Rgb blue{40, 90, 200};
constexpr Rgb gold{240, 198, 20};
constexpr Rgb grey{150, 150, 150};
constexpr Rgb cream{245, 235, 210};

/// Mostly one colour, with a block of another that covers so much of it in the middle.
Shared<BroughtPicture> picture(Rgb ground, Rgb block, int cells_across) {
    BroughtPicture out{
        "kite.png", "", {}, std::vector<Rgb>(std::size_t{picture_cells} * picture_cells, ground)};
    const int from = (picture_cells - cells_across) / 2;
    for (int y = from; y < from + cells_across; ++y)
        for (int x = from; x < from + cells_across; ++x)
            out.cells[static_cast<std::size_t>(y * picture_cells + x)] = block;
    return std::make_shared<const BroughtPicture>(std::move(out));
}

Photo photo_of(Shared<BroughtPicture> picture, Point centre) {
    Photo p;
    p.name = "kite";
    p.width = 100;
    p.height = 100;
    p.centre = centre;
    p.on_top = false;
    p.picture = std::move(picture);
    return p;
}

Project page_of(std::vector<Paper> papers) {
    std::mt19937 random(4);
    Project p = testing::project_of(testing::random_lattice(random, 4, 3, 4));
    p.set_out.cuts[0].place = {SizeRule::Width, 240, 0, false, {}};
    Stash s;
    s.papers = std::move(papers);
    p.stash = std::make_shared<const Stash>(std::move(s));
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = p.stash->papers[0].id;
    return p;
}

Project page_with_photo(std::vector<Paper> papers, Shared<BroughtPicture> picture) {
    Project p = page_of(std::move(papers));
    p.set_out.photos = {photo_of(std::move(picture), testing::shapes_of(p).middle_of(5))};
    return p;
}

PhotoMat mat_of(const char* paper) {
    PhotoMat mat;
    mat.paper = paper;
    return mat;
}

const PaletteColour* near_colour(const PhotoColours& colours, Rgb wanted) {
    for (const PaletteColour& c : colours.palette)
        if (difference(to_lab(c.colour), to_lab(wanted)) < 5) return &c;
    return nullptr;
}

} // namespace

TEST(PhotoColours, AccentsFromTwoPerCentCountAndProtectedPartsThreeTimes) {
    // 5 by 5 of 32 by 32 cells: 2.4 %.
    const Photo photo = photo_of(picture(blue, gold, 5), {150, 150});
    const auto plain = photo_colours({{photo}});
    ASSERT_TRUE(near_colour(plain[0], gold));
    EXPECT_NEAR(near_colour(plain[0], gold)->share, 25.0 / 1024, 0.004);
    Photo guarded = photo;
    guarded.protected_parts = {{-9, -9, 9, 9}};
    EXPECT_GT(near_colour(photo_colours({{guarded}})[0], gold)->share,
              2.4 * near_colour(plain[0], gold)->share);
    EXPECT_FALSE(near_colour(photo_colours({{photo_of(picture(blue, gold, 4), {150, 150})}})[0], gold))
        << "1.6 % of it";
    // What another photo hides does not count at all.
    Photo above = photo_of(picture(grey, grey, 2), {150, 150});
    above.width = above.height = 30;
    EXPECT_FALSE(near_colour(photo_colours({{photo, above}})[0], gold));
    EXPECT_TRUE(near_colour(photo_colours({{above, photo}})[1], gold)) << "it lies below now";
}

TEST(PhotoFindings, AStrongOppositeBesideThePhotoFightsAndAQuietOneDoesNot) {
    const Project p = page_with_photo({stock_paper("kite", gold, 304.8, 2)}, picture(blue, blue, 2));
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    const Finding* f = finding_in(*plan, Code::PhotoFights);
    ASSERT_TRUE(f);
    EXPECT_NE(f->title.find("blue"), std::string::npos) << f->title;
    EXPECT_FALSE(f->openings.empty());
    const Project quiet =
        page_with_photo({stock_paper("kite", {190, 160, 130}, 304.8, 2)}, picture(blue, blue, 2));
    EXPECT_FALSE(finding_in(*Planner(testing::laid_before()).plan(quiet), Code::PhotoFights));
}

TEST(PhotoFindings, ThePhotosEdgeVanishesOnABaseOfItsColour) {
    Project p = page_with_photo({stock_paper("a", grey, 304.8, 2), stock_paper("barley", cream, 304.8, 2)},
                                picture(cream, blue, 20));
    p.set_out.photos[0].on_top = true; // behind the cut its edge would be hidden
    p.set_out.page.base_paper = "barley";
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(finding_in(*plan, Code::PhotoEdge));
    EXPECT_NE(finding_in(*plan, Code::PhotoEdge)->title.find("the base"), std::string::npos);
    p.set_out.photos[0].picture = picture(blue, cream, 20);
    EXPECT_FALSE(finding_in(*Planner(testing::laid_before()).plan(p), Code::PhotoEdge));
}

TEST(PhotoFindings, APhotoMatIsWhatLiesRoundThePhoto) {
    Project p = page_with_photo({stock_paper("a", grey, 304.8, 2), stock_paper("barley", cream, 304.8, 2),
                                 stock_paper("dusk", {40, 45, 60}, 304.8, 2)},
                                picture(cream, blue, 20));
    p.set_out.photos[0].on_top = true; // behind the cut its edge would be hidden
    p.set_out.page.base_paper = "barley";
    const auto said = [&] { return *Planner(testing::laid_before()).plan(p); };
    ASSERT_TRUE(finding_in(said(), Code::PhotoEdge));
    p.set_out.photos[0].mats = {mat_of("dusk")};
    EXPECT_FALSE(finding_in(said(), Code::PhotoEdge)) << "the dark photo mat frames it";
    EXPECT_FALSE(finding_in(said(), Code::PhotoBlendsIn)) << "and keeps the papers beside it apart";
    p.set_out.photos[0].mats[0].see_through = true;
    EXPECT_TRUE(finding_in(said(), Code::PhotoEdge)) << "through vellum the base is seen";
    // On a photo mat of its own colour it vanishes, and so does that on the base.
    p.set_out.photos[0].mats = {mat_of("barley")};
    const Plan alike = said();
    std::vector<std::string> titles;
    for (const Finding& f : alike.findings)
        if (f.code == Code::PhotoEdge) titles.push_back(f.title);
    const std::string base = "the base of " + p.stash->papers[1].name;
    const std::string mat = "the photo mat of " + p.stash->papers[1].name;
    EXPECT_EQ(titles, (std::vector<std::string>{"The" + mat.substr(3) + " is hardly told from " + base,
                                                "The photo's edge vanishes on " + mat}));
    p.set_out.photos[0].mats = {mat_of("dusk"), mat_of("barley")};
    const Plan two = said();
    ASSERT_TRUE(finding_in(two, Code::PhotoEdge));
    EXPECT_EQ(finding_in(two, Code::PhotoEdge)->title,
              "The" + mat.substr(3) + " is hardly told from " + base);
    EXPECT_EQ(std::count_if(two.findings.begin(), two.findings.end(),
                            [](const Finding& f) { return f.code == Code::PhotoEdge; }),
              1);
}

TEST(PhotoFindings, AFrameCountsOnlyWhereThePhotoReachesIt) {
    Project p = page_with_photo({stock_paper("a", grey, 304.8, 2), stock_paper("barley", cream, 304.8, 2)},
                                picture(cream, blue, 20));
    p.set_out.page.reveal = {12, 12, 12, 12};
    p.set_out.page.frame_paper = "barley";
    p.set_out.page.base_paper = "a";
    EXPECT_FALSE(finding_in(*Planner(testing::laid_before()).plan(p), Code::PhotoEdge));
    p.set_out.photos[0].centre = {15, 150};
    EXPECT_TRUE(finding_in(*Planner(testing::laid_before()).plan(p), Code::PhotoEdge));
}

TEST(PhotoFindings, ACutInThePhotosColourGoesWithItAndIsPickedUp) {
    Project p =
        page_with_photo({stock_paper("a", grey, 304.8, 2), stock_paper("sky", {50, 100, 205}, 304.8, 1)},
                        picture(blue, blue, 2));
    const auto plan = Planner(testing::laid_before()).plan(p);
    const Finding* f = finding_in(*plan, Code::PhotoMissing);
    ASSERT_TRUE(f);
    EXPECT_NE(f->message.find("Paper sky"), std::string::npos)
        << "the nearest that is not on the page: " << f->message;
    p.set_out.cuts[0].colour = Rgb{45, 95, 200};
    const auto with_cut = Planner(testing::laid_before()).plan(p);
    EXPECT_FALSE(finding_in(*with_cut, Code::PhotoMissing));
    EXPECT_FALSE(picked_up(papers_now(p, *with_cut), match_job(p, *with_cut, true)).empty());
}

TEST(CutColour, CountsForContrastAndEdgesColouredByHandGoBeforeIt) {
    Project p = page_of({stock_paper("a", blue, 304.8, 2)});
    const auto behind = [&] {
        const Plan plan = testing::shapes_of(p);
        return match_job(p, plan, false).sections[0].behind.front();
    };
    using Colours = std::vector<PaletteColour>;
    EXPECT_EQ(behind(), (Colours{{white_cut, 1}}));
    p.set_out.cuts[0].colour = gold;
    EXPECT_EQ(behind(), (Colours{{gold, 1}}));
    p.set_out.cuts[0].edge = grey;
    EXPECT_EQ(behind(), (Colours{{grey, 1}}));
}

TEST(PhotoMats, AreNeighboursOfThePapersBesideThem) {
    Project p = page_of({stock_paper("sky", blue, 304.8, 3), stock_paper("kite", gold, 304.8, 3),
                         stock_paper("stone", grey, 304.8, 3), stock_paper("leaf", {60, 150, 70}, 304.8, 3),
                         stock_paper("berry", {170, 40, 80}, 304.8, 3)});
    p.match.choices.clear();
    p.set_out.photos = {photo_of({}, testing::shapes_of(p).middle_of(5))};
    p.set_out.photos[0].on_top = true;
    p.set_out.photos[0].width = p.set_out.photos[0].height = 60;
    for (const char* paper : {"sky", "kite", "stone"}) {
        PhotoMat mat;
        mat.paper = paper;
        mat.border = 6;
        p.set_out.photos[0].mats = {mat};
        const Plan plan = testing::shapes_of(p);
        const MatchJob job = match_job(p, plan, false);
        const auto proposed = Planner(testing::laid_before()).propose(p, false);
        ASSERT_TRUE(proposed);
        int beside = 0;
        for (std::size_t s = 0; s < job.sections.size(); ++s) {
            if (job.sections[s].mats.empty() || proposed->paper[s] < 0) continue;
            ++beside;
            EXPECT_NE(faces_of(*p.stash)[static_cast<std::size_t>(proposed->paper[s])].paper,
                      p.stash->find(paper))
                << plan.sections.all[s].label << " lies beside a photo mat of " << paper;
        }
        EXPECT_GE(beside, 2);
        EXPECT_LT(beside, static_cast<int>(job.sections.size())) << "those far from it are free";
    }
    p.set_out.photos[0].mats[0].see_through = true;
    for (const MatchSection& s : match_job(p, testing::shapes_of(p), false).sections)
        EXPECT_TRUE(s.mats.empty());
}

TEST(Contrast, IsWithEveryColourOfTheBase) {
    // White with as much black is neither grey nor, for being the first of two, white alone.
    Paper striped = stock_paper("piano", {128, 128, 128}, 304.8, 1);
    striped.palette = {{{250, 250, 250}, 0.5}, {{10, 10, 10}, 0.5}};
    Project p = page_of({striped, stock_paper("night", {12, 12, 12}, 304.8, 1),
                         stock_paper("snow", {251, 251, 251}, 304.8, 1),
                         stock_paper("stone", {128, 128, 128}, 304.8, 1)});
    p.set_out.page.base_paper = "piano";
    p.set_out.cuts[0].colour = gold;
    const Plan plan = testing::shapes_of(p);
    const MatchJob job = match_job(p, plan, false);
    const Cost cost(job);
    const auto lost = [&](int face) {
        double sum = 0;
        for (const CostTerm& t : cost.terms(0, face, std::vector<int>(job.sections.size(), -1)))
            if (t.kind == CostTerm::Kind::Behind) sum += t.amount;
        return sum;
    };
    EXPECT_GT(lost(1), 5) << "black";
    EXPECT_GT(lost(2), 5) << "white";
    EXPECT_EQ(lost(3), 0) << "grey is told from both";
}

TEST(HueBudget, NamesTooMuchOfOneFamilyAndWhatTheBaseAdds) {
    Project p = page_of({stock_paper("sky", blue, 304.8, 3), stock_paper("kite", gold, 304.8, 3),
                         stock_paper("leaf", {60, 150, 70}, 304.8, 3),
                         stock_paper("dusk", {60, 100, 190}, 304.8, 1)});
    const char* mixed[] = {"sky", "kite", "leaf"};
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = mixed[o % 3];
    EXPECT_FALSE(finding_in(*Planner(testing::laid_before()).plan(p), Code::HueBudget));
    for (int o = 0; o < 9; ++o) p.match.choices[Spot(o)].paper = "sky";
    const auto much = Planner(testing::laid_before()).plan(p);
    const Finding* f = finding_in(*much, Code::HueBudget);
    ASSERT_TRUE(f);
    EXPECT_NE(f->title.find("blue"), std::string::npos) << f->title;
    EXPECT_FALSE(f->openings.empty());
    p.set_out.page.base_paper = "dusk";
    EXPECT_TRUE(finding_in(*Planner(testing::laid_before()).plan(p), Code::HueWithBase));
}

TEST(NearBySight, SectionsOfTwoCutsThatAreSeenTogetherAreNeighbours) {
    Project p = page_of({stock_paper("sky", blue, 304.8, 3)});
    p.set_out.cuts[0].place = {SizeRule::Width, 100, 0, false, {-55, 0}};
    copy_cut(p, 0, false, {4, 0});
    const Plan plan = testing::shapes_of(p);
    const auto across = std::count_if(plan.sections.neighbours.begin(), plan.sections.neighbours.end(),
                                      [](const Neighbours& n) { return n.by_sight; });
    EXPECT_GT(across, 0);
    for (const Neighbours& n : plan.sections.neighbours) {
        if (!n.by_sight) continue;
        EXPECT_LE(n.width, neighbour_limit);
        EXPECT_NEAR(distance(n.from, n.to), n.width, 1e-6);
    }
    p.set_out.cuts[1].place.shift = p.set_out.cuts[0].place.shift + Point{200, 0};
    const Plan apart = testing::shapes_of(p);
    EXPECT_TRUE(std::none_of(apart.sections.neighbours.begin(), apart.sections.neighbours.end(),
                             [](const Neighbours& n) { return n.by_sight; }));
}

} // namespace zesty
