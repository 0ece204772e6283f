#include "core/geometry/measure.h"
#include "core/project/fixes.h"
#include "core/project/match_job.h"
#include "core/project/planner.h"
#include "core/project/tones.h"
#include "core/project/why.h"
#include "core/sections/fixes.h"
#include "core/setout/fixes.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::finding_in;
using testing::stock_paper;

Project stocked_page(Stash stash) {
    std::mt19937 random(4);
    Project p = testing::project_of(testing::random_lattice(random, 4, 3, 4));
    p.set_out.cuts[0].place = {SizeRule::Width, 240, 0, false, {}};
    p.stash = std::make_shared<const Stash>(std::move(stash));
    return p;
}

double stock(const Plan& plan, SheetKind kind) {
    double sum = 0;
    for (const Sheet& s : plan.papers.sheets)
        if (s.kind == kind) sum += s.area;
    return sum;
}

} // namespace

TEST(HiddenStock, DropOutsOfACutMadeOfPaperAreSheets) {
    Stash s;
    s.papers = {stock_paper("a", {200, 60, 50}, 304.8, 1), stock_paper("b", {60, 60, 200}, 304.8, 1)};
    Project p = stocked_page(s);
    p.set_out.cuts[0].paper = "a";
    const auto plan = Planner(testing::laid_before()).shapes(p);
    ASSERT_TRUE(plan);
    double openings = 0;
    for (const Opening& o : plan->sections.cut->openings)
        openings += o.area * plan->set_out.whole.scale * plan->set_out.whole.scale;
    EXPECT_GT(stock(*plan, SheetKind::DropOut), 0.85 * openings);
    EXPECT_LT(stock(*plan, SheetKind::DropOut), openings);
    for (const Sheet& d : plan->papers.sheets) {
        if (d.kind != SheetKind::DropOut) continue;
        EXPECT_EQ(d.paper, 0);
        EXPECT_NE(d.id.find("a#1/out"), std::string::npos);
        // It lies in the sheet the cut was taken from, and in an opening of the cut there.
        EXPECT_TRUE(Box({0, 0, 304.8, 304.8}).holds(bounds(d.outline)));
    }
    const auto left = std::find_if(plan->papers.sheets.begin(), plan->papers.sheets.end(),
                                   [](const Sheet& x) { return x.id == "a#1"; });
    EXPECT_LT(left->area, 304.8 * 304.8 - 240 * 150) << "the cut itself has been taken out";
    p.set_out.cuts[0].paper = "none-such";
    EXPECT_TRUE(Planner(testing::laid_before()).shapes(p)) << "a paper that is not there takes nothing";
    p.set_out.cuts[0].paper = "a";
    p.set_out.cuts[0].place.length = 600;
    const auto large = Planner(testing::laid_before()).shapes(p);
    ASSERT_TRUE(large);
    EXPECT_TRUE(finding_in(*large, Code::CutPaper));
}

TEST(HiddenStock, TheBaseUnderPhotosIsUsedOnlyWhenAllowed) {
    Stash s;
    s.papers = {stock_paper("a", {200, 60, 50}, 304.8, 2)};
    Project p = stocked_page(s);
    p.set_out.page.base_paper = "a";
    Photo photo;
    photo.width = 150;
    photo.height = 100;
    photo.centre = {150, 150};
    p.set_out.photos = {photo};
    EXPECT_EQ(stock(*Planner(testing::laid_before()).shapes(p), SheetKind::UnderPhoto), 0);
    EXPECT_NEAR(Planner(testing::laid_before()).shapes(p)->papers.uses[0].stock_area, 304.8 * 304.8, 1)
        << "one sheet is the base";
    p.set_out.page.under_photos = true;
    const double hidden = stock(*Planner(testing::laid_before()).shapes(p), SheetKind::UnderPhoto);
    EXPECT_NEAR(hidden, (150 - 25.9) * (100 - 25.9), 60);
}

TEST(HiddenStock, AFrameThatIsNotGuttedGivesNothing) {
    Stash s;
    s.papers = {stock_paper("a", {200, 60, 50}, 304.8, 1)};
    Project p = stocked_page(s);
    p.set_out.page.reveal = Sides::even(6);
    p.set_out.page.frame_paper = "a";
    EXPECT_GT(stock(*Planner(testing::laid_before()).shapes(p), SheetKind::Gutted), 60000);
    p.set_out.page.gut = false;
    EXPECT_EQ(stock(*Planner(testing::laid_before()).shapes(p), SheetKind::Gutted), 0);
    for (int o = 0; o < 3; ++o) p.match.choices[Spot(o)].paper = "a";
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    const Finding* f = finding_in(*plan, Code::Short);
    ASSERT_TRUE(f);
    EXPECT_TRUE(f->fixes.front().as<GutFrame>()) << f->fixes.front().label();
    f->fixes.front().apply(p);
    const auto then = Planner(testing::laid_before()).plan(p);
    EXPECT_FALSE(finding_in(*then, Code::Short));
}

TEST(WaysOut, EveryWayThatIsOfferedReallyWorks) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    std::set<std::string> kinds;
    const int sizes = std::max(4, testing::long_rounds(16));
    for (int k = 0; k < sizes; ++k) {
        const double side = 44 + 26.0 * k / sizes;
        Stash s;
        s.papers = {stock_paper("a", {200, 60, 50}, side, 3), stock_paper("b", {60, 60, 200}, 40, 1)};
        Project p = stocked_page(s);
        for (int o = 0; o < 3; ++o) p.match.choices[Spot(o)].paper = "a";
        Planner planner(testing::laid_before());
        const auto plan = planner.plan(p);
        ASSERT_TRUE(plan);
        const Finding* f = finding_in(*plan, Code::Short);
        if (!f) continue;
        const std::vector<Fix> all = f->fixes;
        const int section = plan->sheets.short_patches[0].section;
        for (const Fix& fix : all) {
            const std::string& label = fix.label();
            kinds.insert(label.substr(0, 4));
            Project next = p;
            fix.apply(next);
            const auto then = Planner(testing::laid_before()).plan(next);
            ASSERT_TRUE(then);
            const bool whole_paper = fix.as<ResizeCuts>() || fix.as<SetSectionLip>();
            for (const ShortPatch& still : then->sheets.short_patches) {
                EXPECT_FALSE(whole_paper && then->papers.of_section[still.section] == 0)
                    << label << " at " << side;
                EXPECT_NE(still.section, section) << label << " at " << side;
            }
        }
    }
    if (sizes < 16) return; // too few for every kind to be among them
    EXPECT_TRUE(kinds.contains("Cut ")) << "a smaller cut is a way out of some";
    EXPECT_TRUE(kinds.contains("Lip ")) << "and a narrower lip of others";
    EXPECT_TRUE(kinds.contains("Leav"));
}

TEST(WhyPage, CountsPapersAndTheirSidesApart) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Stash s;
    s.papers = {stock_paper("a", {200, 60, 50}, 304.8, 1), stock_paper("b", {60, 60, 200}, 304.8, 1)};
    s.papers[0].back = PaperFace{{240, 240, 120}, ""};
    Project p = stocked_page(s);
    const auto said = [&](const char* words) {
        const auto reasons = why_page(p, *Planner(testing::laid_before()).plan(p));
        return std::find(reasons.begin(), reasons.end(), words) != reasons.end();
    };
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = o % 4 ? "a" : "b";
    EXPECT_TRUE(said("2 papers, 2 in three places or more"));
    EXPECT_TRUE(said("most of all Paper a A"));
    for (int o = 1; o < 12; o += 4) p.match.choices[Spot(o)].side = Side::B;
    EXPECT_TRUE(said("2 papers, 3 sides, 3 in three places or more"));
}

TEST(ColourFindings, SayWhichColourOfThePhotoIsMissingOrSwallowed) {
    Stash s;
    s.papers = {stock_paper("grey", {128, 128, 128}, 304.8, 2), stock_paper("sky", {90, 150, 210}, 304.8, 2)};
    Project p = stocked_page(s);
    for (int o = 0; o < 12; ++o) p.match.choices[Spot(o)].paper = "grey";
    Photo photo;
    photo.width = 100;
    photo.height = 80;
    photo.centre = testing::shapes_of(p).middle_of(5);
    photo.on_top = false;
    photo.picture = std::make_shared<const BroughtPicture>(
        BroughtPicture{"x.png", "", {{{90, 150, 210}, 0.6}, {{200, 200, 200}, 0.4}}});
    p.set_out.photos = {photo};
    const auto missing = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(missing);
    const Finding* f = finding_in(*missing, Code::PhotoMissing);
    ASSERT_TRUE(f);
    EXPECT_EQ(f->swatch, (Rgb{90, 150, 210}));
    EXPECT_NE(f->message.find("its blue"), std::string::npos) << f->message;
    EXPECT_FALSE(finding_in(*missing, Code::PhotoBlendsIn));
    p.match.choices[Spot(5)].paper = "sky";
    const auto swallowed = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(swallowed);
    EXPECT_FALSE(finding_in(*swallowed, Code::PhotoMissing));
    ASSERT_TRUE(finding_in(*swallowed, Code::PhotoBlendsIn));
    EXPECT_EQ(finding_in(*swallowed, Code::PhotoBlendsIn)->openings, std::vector<int>{5});
    EXPECT_TRUE(finding_in(*swallowed, Code::Lonely));
    p.match.roles["sky"] = PaperRole::Tie;
    EXPECT_TRUE(finding_in(*Planner(testing::laid_before()).plan(p), Code::Tie));
}

TEST(Tones, FollowTheGradientTheZonesOrTheBase) {
    Stash s;
    s.papers = {stock_paper("a", {200, 60, 50}, 304.8, 2)};
    s.papers[0].coarse.assign(64, {255, 255, 255});
    for (int k = 32; k < 64; ++k) s.papers[0].coarse[static_cast<std::size_t>(k)] = {0, 0, 80};
    Project p = stocked_page(s);
    const Plan plan = testing::shapes_of(p);
    const Point top = plan.middle_of(0);
    const Point bottom = plan.middle_of(11);
    EXPECT_LT(Tones(p, plan).tone_at(top), 0.2);
    EXPECT_GT(Tones(p, plan).tone_at(bottom), 0.75);
    EXPECT_FALSE(Tones(p, plan).colour_at(top));
    p.match.style.map = ToneMap::Zones;
    p.match.style.zones = {{250, 240, 200}, {20, 40, 120}};
    EXPECT_EQ(Tones(p, plan).colour_at(top), to_lab({250, 240, 200}));
    EXPECT_EQ(Tones(p, plan).colour_at(bottom), to_lab({20, 40, 120}));
    p.match.style.map = ToneMap::Background;
    EXPECT_FALSE(Tones(p, plan).colour_at(top)) << "no base paper, no picture";
    p.set_out.page.base_paper = "a";
    EXPECT_EQ(Tones(p, plan).colour_at(top), to_lab({255, 255, 255}));
    EXPECT_EQ(Tones(p, plan).colour_at(bottom), to_lab({0, 0, 80}));
    EXPECT_GT(Tones(p, plan).tone_at(bottom), 0.7);
}

TEST(Zones, AreFilledWithPapersOfTheirColour) {
    Stash s;
    // Four of each: a lattice in which four meet needs as many that differ.
    for (int k = 0; k < 4; ++k) {
        const auto shade = static_cast<std::uint8_t>(225 + 10 * k);
        s.papers.push_back(stock_paper("pale" + std::to_string(k),
                                       {shade, shade, static_cast<std::uint8_t>(170 + 25 * k)}, 304.8, 2));
    }
    for (int k = 0; k < 4; ++k)
        s.papers.push_back(stock_paper("dark" + std::to_string(k),
                                       {static_cast<std::uint8_t>(20 + 25 * k), 45, 110}, 304.8, 2));
    Project p = stocked_page(s);
    p.match.style.drift = 1;
    p.match.style.map = ToneMap::Zones;
    p.match.style.zones = {{245, 235, 205}, {25, 45, 110}};
    Planner planner(testing::laid_before());
    const auto plan = planner.shapes(p);
    const auto a = planner.propose(p, false);
    ASSERT_TRUE(plan && a);
    int right = 0;
    for (std::size_t k = 0; k < plan->sections.all.size(); ++k) {
        const Tones tones(p, *plan);
        const bool light =
            tones.colour_at(plan->middle_of(plan->sections.all[k].openings[0])) == to_lab({245, 235, 205});
        right += light == (a->paper[k] < 4);
    }
    EXPECT_GE(right, static_cast<int>(plan->sections.all.size()) - 1);
}

TEST(PaperFindings, OnePaperBehindEverythingIsOneLineAndNoMistake) {
    std::mt19937 random(3);
    Project p = testing::project_of(testing::random_lattice(random, 5, 4, 3));
    Stash stash;
    stash.papers = {testing::stock_paper("barley", {230, 200, 120}, 304.8, 9),
                    testing::stock_paper("hedge", {70, 120, 70}, 304.8, 9)};
    p.stash = std::make_shared<const Stash>(stash);
    for (int o = 0; o < 20; ++o) p.match.choices[Spot(o)].paper = "barley";
    const auto same = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(same);
    EXPECT_GT(same->papers.alike.size(), 20u);
    EXPECT_TRUE(finding_in(*same, Code::OnePaper));
    EXPECT_FALSE(finding_in(*same, Code::Alike));
    EXPECT_FALSE(same->has_problems());
    p.match.choices[Spot(7)].paper = "hedge";
    const auto mixed = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(mixed);
    EXPECT_FALSE(finding_in(*mixed, Code::OnePaper));
    EXPECT_TRUE(finding_in(*mixed, Code::Alike));
}

} // namespace zesty
