// Files that older versions of the program wrote open with all that was decided.

#include "core/project/planner.h"
#include "io/project_file.h"
#include "support/pages.h"

#include <QString>
#include <gtest/gtest.h>

namespace zesty {

namespace {

Result<Project> sample(int format) {
    return open_project(QString(ZESTY_DEMO_FOLDER "/../tests/samples/project-%1.zesty").arg(format));
}

/// In the newest format.
void expect_the_same_written_anew(const Project& project) {
    const auto bytes = project_bytes(project);
    ASSERT_TRUE(bytes) << bytes.error().message;
    const auto again = project_from(*bytes, "x.zesty");
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_TRUE(*again == project);
}

} // namespace

TEST(OldFormats, AFileOfFormatOneOpensWithItsDecisions) {
    const auto p = sample(1);
    ASSERT_TRUE(p) << p.error().message;
    ASSERT_EQ(p->set_out.cuts.size(), 1u);
    EXPECT_EQ(p->set_out.cuts[0].id, 0);
    ASSERT_EQ(p->set_out.drawings.size(), 1u);
    EXPECT_GT(p->stash->papers.size(), 4u);
    EXPECT_FALSE(p->sections.choices.empty());
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatTwoOpensWithItsDecisions) {
    const auto p = sample(2);
    ASSERT_TRUE(p) << p.error().message;
    ASSERT_EQ(p->set_out.cuts.size(), 2u);
    EXPECT_TRUE(p->set_out.cuts[1].place.mirrored);
    ASSERT_EQ(p->set_out.photos.size(), 1u);
    EXPECT_EQ(p->set_out.photos[0].name, "Mia");
    EXPECT_EQ(p->sections.divisions.size(), 1u);
    EXPECT_EQ(p->sections.backing.lips, LipMode::Overlap);
    EXPECT_EQ(p->sections.choice(Spot(0, 0)).treatment, Treatment::Shaker);
    EXPECT_TRUE(p->sections.bars.empty());
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatThreeOpensWithItsDecisions) {
    const auto p = sample(3);
    ASSERT_TRUE(p) << p.error().message;
    EXPECT_EQ(p->sections.bars.size(), 1u);
    EXPECT_EQ(p->sections.backing.lips, LipMode::Overlap);
    EXPECT_TRUE(p->set_out.page.gut) << "as it always was before";
    EXPECT_EQ(p->match.style, MatchStyle{});
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatFourOpensWithItsDecisions) {
    const auto p = sample(4);
    ASSERT_TRUE(p) << p.error().message;
    EXPECT_EQ(p->match.style.map, ToneMap::Zones);
    EXPECT_EQ(p->match.style.zones.size(), 2u);
    EXPECT_EQ(p->match.style.weights.thrift, 0.25);
    EXPECT_EQ(p->match.slants, (Slants{SlantRule::Facing, 30}));
    EXPECT_TRUE(p->sheets.reserved.empty());
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatFiveOpensWithItsDecisions) {
    const auto p = sample(5);
    ASSERT_TRUE(p) << p.error().message;
    EXPECT_EQ(p->set_out.cuts.size(), 2u);
    EXPECT_EQ(p->set_out.next_cut, 2) << "ids go on above those in use";
    EXPECT_NEAR(p->set_out.page.reveal.bottom, 6.35, 1e-9);
    EXPECT_EQ(p->set_out.cutting_mat.width, 254);
    ASSERT_EQ(p->set_out.photos.size(), 1u);
    EXPECT_EQ(p->set_out.photos[0].protected_parts.size(), 1u);
    EXPECT_EQ(p->sections.backing.method, BackingMethod::TraceAndTrim);
    EXPECT_EQ(p->sections.backing.lips, LipMode::Overlap);
    EXPECT_EQ(p->sections.backing.punches.size(), 2u);
    EXPECT_EQ(p->sections.lip, 2);
    EXPECT_EQ(p->sections.bars.at({Spot(0), Spot(1)}), LipMode::Meet);
    EXPECT_EQ(p->sections.divisions.at(Spot(6)).count, 3);
    EXPECT_EQ(p->sections.groups, (std::vector<std::vector<Spot>>{{Spot(2), Spot(3)}}));
    EXPECT_EQ(p->sections.choice(Spot(2)).name, "tail bows");
    EXPECT_EQ(p->sections.choice(Spot(4)).treatment, Treatment::Open);
    EXPECT_EQ(p->sections.choice(Spot(8)).method, BackingMethod::Punches);
    EXPECT_EQ(p->sections.choice(Spot(8)).order, 2);
    const PaperChoice& bows = p->match.choice(Spot(2));
    EXPECT_TRUE(bows.paper == "barley" && bows.side == Side::B && bows.locked && bows.pattern.run_on);
    EXPECT_EQ(p->match.choice(Spot(10)).never, std::vector<std::string>{"hedge"});
    EXPECT_EQ(p->match.choice(Spot(11)).same_as, Spot(9));
    EXPECT_EQ(p->match.choice(Spot(9)).pattern.slant_deg, 20);
    EXPECT_EQ(p->match.style.weights.pattern, 0.5);
    EXPECT_EQ(p->match.style.map, ToneMap::Zones);
    EXPECT_EQ(p->match.roles.at("hedge"), PaperRole::Tie);
    EXPECT_EQ(p->match.apart.size(), 1u);
    EXPECT_EQ(p->match.slants, (Slants{SlantRule::Facing, 30}));
    EXPECT_EQ(p->sheets.reserved.size(), 1u);
    EXPECT_EQ(p->sheets.pins.at(Spot(9)).sheet, "hedge#1");
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatSixOpensWithItsDecisionsAndAllItsPapers) {
    const auto p = sample(6);
    ASSERT_TRUE(p) << p.error().message;
    EXPECT_EQ(p->stash->papers.size(), 8u);
    EXPECT_FALSE(p->match.choices.empty());
    for (const Paper& paper : p->stash->papers) {
        EXPECT_TRUE(paper.uid.empty()) << "nobody has taken it in yet";
        EXPECT_FALSE(paper.palette.empty()) << "from its picture";
    }
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatSevenKeepsTheSizeOfATurnedCut) {
    const auto p = sample(7);
    ASSERT_TRUE(p) << p.error().message;
    const CutPlacement& place = p->set_out.cuts.at(0).place;
    EXPECT_TRUE(place.mirrored);
    EXPECT_NEAR(place.turn_deg, 120, 1e-9);
    const auto plan = Planner(testing::laid_before()).shapes(*p);
    ASSERT_TRUE(plan);
    EXPECT_NEAR(plan->set_out.each[0].cut_box.width(), 127, 1e-6)
        << "the box of the turned cut, as it was then";
    EXPECT_GT(plan->set_out.each[0].size.y, 150);
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatEightOpensWithTheUsualNumbers) {
    const auto p = sample(8);
    ASSERT_TRUE(p) << p.error().message;
    ASSERT_EQ(p->set_out.cuts.size(), 1u);
    EXPECT_NEAR(p->set_out.cuts[0].place.turn_deg, 30, 1e-9);
    ASSERT_EQ(p->set_out.photos.size(), 1u);
    EXPECT_EQ(p->set_out.page.frame, FrameKind::Strips);
    EXPECT_FALSE(p->set_out.page.unequal());
    EXPECT_EQ(p->set_out.bars, NarrowestBars{});
    EXPECT_EQ(p->sections.pace, Pace{});
    EXPECT_TRUE(p->set_out.date.empty());
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatNineOpensWithItsDecisions) {
    const auto p = sample(9);
    ASSERT_TRUE(p) << p.error().message;
    ASSERT_FALSE(p->set_out.rooms.empty());
    EXPECT_FALSE(p->set_out.rooms[0].centre) << "rooms had no places yet";
    EXPECT_EQ(p->set_out.may_cover, 0.2);
    ASSERT_FALSE(p->set_out.photos.empty());
    EXPECT_EQ(p->set_out.photos.back().hidden_parts.size(), 1u);
    EXPECT_EQ(p->set_out.photos.back().part, (Box{0, 0, 1, 1}));
    EXPECT_FALSE(p->set_out.photos.back().whole);
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatTenOpensWithItsJournalingAndWithoutMats) {
    const auto p = sample(10);
    ASSERT_TRUE(p) << p.error().message;
    ASSERT_EQ(p->dress.writings.size(), 1u);
    EXPECT_EQ(p->dress.writings[0].text, "We flew kites on the hill");
    EXPECT_NEAR(p->dress.writings[0].line_height, 6, 1e-9);
    EXPECT_TRUE(p->dress.layers.empty());
    for (const Photo& photo : p->set_out.photos) EXPECT_TRUE(photo.mats.empty());
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatElevenOpensDressedAndLiesFlat) {
    const auto p = sample(11);
    ASSERT_TRUE(p) << p.error().message;
    ASSERT_EQ(p->set_out.photos.at(0).mats.size(), 2u);
    EXPECT_TRUE(p->set_out.photos[0].mats[0].torn);
    EXPECT_TRUE(p->set_out.photos[0].mats[1].gut);
    EXPECT_EQ(p->dress.layers.at(0).shape, LayerShape::Hill);
    EXPECT_EQ(p->dress.titles.at(0).text, "Up");
    EXPECT_EQ(p->dress.titles[0].path.on, TitleOn::Opening);
    EXPECT_EQ(p->dress.stitchings.at(0).stitch, Stitch::Back);
    EXPECT_EQ(p->dress.writings.at(0).with_photo, 1);
    EXPECT_EQ(p->set_out.photos[0].held, Mounting{});
    EXPECT_EQ(p->set_out.cuts.at(0).held, Mounting{});
    EXPECT_TRUE(p->dress.wet.empty());
    EXPECT_EQ(p->dress.frame.how, LateFraming::None);
    EXPECT_TRUE(p->variants.empty());
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatTwelveOpensWithHoldsWetWorkAndArrangementsAndNothingBuilt) {
    const auto p = sample(12);
    ASSERT_TRUE(p) << p.error().message;
    EXPECT_EQ(p->set_out.photos.at(0).held.how, Mount::Normal);
    EXPECT_EQ(p->set_out.cuts.at(0).held.how, Mount::Thin);
    ASSERT_EQ(p->dress.wet.size(), 1u);
    EXPECT_EQ(p->dress.wet[0].name, "Gusts");
    EXPECT_TRUE(p->dress.wet[0].primer);
    EXPECT_EQ(p->dress.frame.how, LateFraming::Trimmed);
    EXPECT_EQ(p->dress.free_parts.size(), 1u);
    ASSERT_EQ(p->variants.size(), 1u);
    EXPECT_EQ(p->variants[0].name, "Breeze");
    EXPECT_EQ(p->build, BuildDecisions{});
    expect_the_same_written_anew(*p);
}

TEST(OldFormats, AFileOfFormatThirteenOpensWithWhatHasBeenBuiltAndNothingTaken) {
    const auto p = sample(13);
    ASSERT_TRUE(p) << p.error().message;
    EXPECT_EQ(p->build.cutting.corners, Corners::Swivel);
    EXPECT_EQ(p->build.habits.mats, CutMats::Trimmer);
    EXPECT_EQ(p->build.pairs, 2);
    ASSERT_EQ(p->build.own_steps.size(), 1u);
    EXPECT_EQ(p->build.own_steps[0].what, "Show it to Grandma");
    ASSERT_EQ(p->build.log.size(), 1u);
    EXPECT_GT(p->build.log.begin()->second.done, 0);
    EXPECT_EQ(p->keep, KeepDecisions{});
    expect_the_same_written_anew(*p);
}

} // namespace zesty
