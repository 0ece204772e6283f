// The steps of the demos' pages, as a practitioner would do them.

#include "core/build/tool_path.h"
#include "core/geometry/measure.h"
#include "core/project/build_lists.h"
#include "core/project/build_steps.h"
#include "core/project/cutting_jobs.h"
#include "core/project/edits.h"
#include "core/project/learned_pace.h"
#include "core/project/planner.h"
#include "io/guide/letters_job.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <iostream>
#include <set>

namespace zesty {

namespace {

std::vector<BuildStep> steps_of(const char* demo, const std::function<void(Project&)>& change = {}) {
    auto project = open_project(demo::file(demo));
    EXPECT_TRUE(project);
    if (change) change(*project);
    const auto plan = Planner(testing::laid_before()).plan(*project);
    EXPECT_TRUE(plan);
    return build_steps(*project, *plan);
}

/// The first step whose words begin so; the number of steps where there is none.
std::size_t step(const std::vector<BuildStep>& steps, const std::string& begins) {
    return static_cast<std::size_t>(
        std::find_if(steps.begin(), steps.end(),
                     [&](const BuildStep& s) { return s.what.rfind(begins, 0) == 0; }) -
        steps.begin());
}

/// Whether one waits for the other, however many lie between.
bool waits_for(const std::vector<BuildStep>& steps, std::size_t later, std::size_t earlier) {
    const auto& after = steps[later].time.after;
    return std::any_of(after.begin(), after.end(),
                       [&](std::size_t b) { return b == earlier || waits_for(steps, b, earlier); });
}

} // namespace

TEST(BuildSteps, OfEveryDemoAreInAnOrderInWhichTheyCanBeDone) {
    for (const char* demo :
         {"kite-hill.zesty", "kite-hill-dressed.zesty", "tram-terrace.zesty", "seed-swap.zesty"}) {
        const auto steps = steps_of(demo);
        ASSERT_GT(steps.size(), 5u) << demo;
        for (std::size_t i = 0; i < steps.size(); ++i) {
            EXPECT_FALSE(steps[i].what.empty());
            EXPECT_GT(steps[i].time.hands, 0) << steps[i].what;
            for (const std::size_t before : steps[i].time.after) EXPECT_LT(before, i) << steps[i].what;
        }
        const std::size_t dry_run = step(steps, "Lay everything out dry");
        const std::size_t last = steps.size() - 1;
        ASSERT_LT(dry_run, steps.size());
        EXPECT_TRUE(waits_for(steps, last, dry_run)) << demo;
        for (std::size_t i = 0; i < steps.size(); ++i)
            if (steps[i].what.find(" on the base") != std::string::npos &&
                steps[i].what.rfind("Glue", 0) == 0) {
                EXPECT_TRUE(waits_for(steps, i, dry_run))
                    << "nothing is glued on the base before: " << steps[i].what;
            }
    }
}

TEST(BuildSteps, WhatIsWetOrSewnComesBeforeWhatIsMounted) {
    const auto steps = steps_of("seed-swap.zesty");
    const std::size_t sun = step(steps, "Put Sun on the base");
    const std::size_t sewn = step(steps, "Pierce and sew");
    const std::size_t cut = step(steps, "Glue cut 1");
    ASSERT_LT(std::max({sun, sewn, cut}), steps.size());
    EXPECT_TRUE(waits_for(steps, sewn, sun)) << "on a dry base";
    EXPECT_TRUE(waits_for(steps, cut, sewn));
    EXPECT_FALSE(steps[sun].caution.empty());
    EXPECT_GT(steps[sun].time.dries, 0);
}

TEST(BuildSteps, APhotoIsTuckedBeforeItsCutAndALayerLiesUnderIt) {
    const auto steps = steps_of("tram-terrace.zesty");
    std::size_t tucked = steps.size();
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (steps[i].what.find("where the cut will lie over it") != std::string::npos) tucked = i;
    const std::size_t street = step(steps, "Glue The street");
    const std::size_t cut = step(steps, "Glue cut 1");
    ASSERT_LT(std::max({tucked, street, cut}), steps.size());
    EXPECT_TRUE(waits_for(steps, cut, tucked));
    EXPECT_TRUE(waits_for(steps, step(steps, "Set Nell on its foam"), street)) << "what lies on it";
    EXPECT_EQ(steps[street].deeds.back(), (StepDeed{Deed::LaysOn, "base:1"}));
    EXPECT_LT(step(steps, "Put foam behind cut 2"), steps.size());
}

TEST(BuildSteps, NothingIsSaidOfACutThatDoesNotLieOverThePhoto) {
    const auto steps = steps_of("tram-terrace.zesty", [](Project& p) {
        while (!p.set_out.cuts.empty()) remove_cut(p, p.set_out.cuts.front().id);
        for (Photo& photo : p.set_out.photos) photo.on_top = false;
    });
    EXPECT_LT(step(steps, "Glue The street"), steps.size());
    for (const BuildStep& s : steps) EXPECT_EQ(s.what.find("the cut will lie"), std::string::npos) << s.what;
}

TEST(BuildSteps, GutFirstAndPrimeBeforeColour) {
    const auto steps = steps_of("kite-hill-dressed.zesty", [](Project& p) {
        p.dress.wet[0].primer = true;
        p.set_out.page.gut = true;
    });
    const std::size_t gut = step(steps, "Cut the middle out");
    EXPECT_EQ(gut, 0u) << "before anything is glued";
    const std::size_t primed = step(steps, "Prime the place of Gusts");
    const std::size_t colour = step(steps, "Put Gusts on the base");
    ASSERT_LT(std::max(primed, colour), steps.size());
    EXPECT_TRUE(waits_for(steps, colour, primed));
    const Timetable t = timetable(times_of(steps), 1);
    EXPECT_GE(t.start[colour], t.start[primed] + steps[primed].time.hands + steps[primed].time.dries - 1e-9);
    EXPECT_GT(t.finish, 60);
    EXPECT_LT(timetable(times_of(steps), 2).finish, t.finish);
}

TEST(BuildSteps, ALabelSaysWhichTitleItIsOf) {
    const auto steps = steps_of("kite-hill.zesty", [](Project& p) {
        p.dress.titles.clear();
        for (const char* text : {"HILL", "KITES"}) {
            p.dress.titles.emplace_back();
            p.dress.titles.back().text = text;
            p.dress.titles.back().label = true;
        }
    });
    EXPECT_LT(step(steps, "Cut the label of the title \"HILL\""), steps.size());
    EXPECT_LT(step(steps, "Cut the label of the title \"KITES\""), steps.size());
}

TEST(BuildSteps, OfAnEmptyPageAreNone) {
    const Project empty;
    EXPECT_TRUE(build_steps(empty, *Planner(testing::laid_before()).plan(empty)).empty());
}

TEST(BuildSteps, OfABarePageAreFew) {
    const auto steps = steps_of("kite-hill.zesty", [](Project& p) {
        p.set_out.photos.clear();
        p.match.choices.clear();
        for (auto& [spot, choice] : p.sections.choices) choice.treatment = Treatment::Open;
    });
    EXPECT_LT(step(steps, "Cut the cut by machine"), steps.size());
    EXPECT_EQ(step(steps, "Write the journaling"), steps.size());
    EXPECT_EQ(step(steps, "Put on "), steps.size());
}

TEST(BuildSteps, HabitsAreTurnedRoundAndPhysicsStays) {
    const auto with = [](auto turn) {
        return steps_of("kite-hill-dressed.zesty", [&](Project& p) { turn(p.build.habits); });
    };
    const auto usual = with([](Habits&) {});
    const auto trimmed_first = with([](Habits& h) { h.trim = TrimBase::BeforeWet; });
    EXPECT_TRUE(waits_for(usual, step(usual, "Trim the base"), step(usual, "Put Gusts")));
    EXPECT_TRUE(
        waits_for(trimmed_first, step(trimmed_first, "Put Gusts"), step(trimmed_first, "Trim the base")));
    const auto photos_first = with([](Habits& h) { h.first = FirstWork::Photos; });
    const std::size_t look = step(photos_first, "Lay the cut and the photos");
    ASSERT_LT(look, photos_first.size());
    for (std::size_t i = 0; i < photos_first.size(); ++i)
        if (photos_first[i].kind == StepKind::Back) {
            EXPECT_TRUE(waits_for(photos_first, i, look));
        }
    EXPECT_EQ(step(usual, "Lay the cut and the photos"), usual.size());
    const auto framed_first = with([](Habits& h) { h.frame = FrameBase::First; });
    EXPECT_TRUE(
        waits_for(framed_first, step(framed_first, "Glue the cut"), step(framed_first, "Mount the base")));
    EXPECT_TRUE(waits_for(usual, step(usual, "Mount the base"), step(usual, "Glue the cut")));
    EXPECT_TRUE(waits_for(framed_first, step(framed_first, "Mount the base"),
                          step(framed_first, "Cut the middle out")))
        << "gut before gluing, whatever the habit";
    const auto by_trimmer = with([](Habits& h) { h.mats = CutMats::Trimmer; });
    EXPECT_LT(step(by_trimmer, "Cut Photo mat 1 of Mia"), by_trimmer.size());
    EXPECT_EQ(by_trimmer[step(by_trimmer, "Cut Photo mat 1 of Mia")].kind, StepKind::HandCut);
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    Habits other = project.build.habits;
    other.trim = TrimBase::BeforeWet;
    other.first = FirstWork::Photos;
    other.frame = FrameBase::First;
    EXPECT_EQ(habit_changes(project, plan, other).size(), 4u) << "the time, and a sentence for each";
}

TEST(BuildSteps, FoamComesBeforePlacingAndShakersAreTrimmedDryAndFilledBeforeTheyAreClosed) {
    const auto steps = steps_of("kite-hill-dressed.zesty", [](Project& p) {
        SectionChoice choice = p.sections.choice(Spot(0, 1, 0));
        choice.treatment = Treatment::Shaker;
        p.sections.choose(Spot(0, 1, 0), choice);
    });
    EXPECT_TRUE(
        waits_for(steps, step(steps, "Set Kite day on its foam"), step(steps, "Put foam behind Kite day")));
    const std::size_t glued = step(steps, "Glue acetate");
    const std::size_t trimmed = step(steps, "Trim the acetate");
    const std::size_t filled = step(steps, "Wall opening");
    const std::size_t closed = step(steps, "Close the shaker");
    ASSERT_LT(std::max({glued, trimmed, filled, closed}), steps.size());
    EXPECT_GT(steps[glued].time.dries, 0);
    EXPECT_TRUE(waits_for(steps, trimmed, glued));
    EXPECT_TRUE(waits_for(steps, filled, trimmed));
    EXPECT_TRUE(waits_for(steps, closed, filled));
}

TEST(BuildSteps, OwnStepsComeWhereTheyAreWantedOrAnywhere) {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    project.build.own_steps = {{1, "Press the kite", "lift:", "lay-out", 3, 20},
                               {2, "Fly it", "finish", "cut:", 5, 0},
                               {3, "Wind the string", "no such step", "", 2, 0}};
    const auto steps = build_steps(project, plan);
    const std::size_t pressed = step(steps, "Press the kite");
    ASSERT_LT(pressed, steps.size());
    EXPECT_TRUE(waits_for(steps, pressed, step(steps, "Lift the cut")));
    EXPECT_TRUE(waits_for(steps, step(steps, "Lay everything out dry"), pressed));
    EXPECT_LT(step(steps, "Fly it"), steps.size()) << "a wish that cannot be kept loses no step";
    EXPECT_EQ(own_steps_left_out(project, steps).size(), 2u);
    for (std::size_t i = 0; i < steps.size(); ++i)
        for (const std::size_t before : steps[i].time.after) EXPECT_LT(before, i);
}

TEST(BuildSteps, KeepTheirKeysWhenOthersComeAndGo) {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    std::set<std::string> keys;
    for (const BuildStep& s : build_steps(project, plan)) EXPECT_TRUE(keys.insert(s.key).second) << s.key;
    project.dress.writings.clear();
    project.set_out.photos.erase(project.set_out.photos.begin());
    const Plan then = *Planner(testing::laid_before()).plan(project);
    const auto fewer = build_steps(project, then);
    EXPECT_LT(fewer.size(), keys.size());
    EXPECT_TRUE(std::any_of(fewer.begin(), fewer.end(), [](const BuildStep& s) {
        return s.key == "photo:Mia";
    })) << "the second photo keeps its tick when the first goes";
}

TEST(BuildLists, SayWhatIsNeededWhatIsMissingAndWhatOneMoreSheetWouldCure) {
    const Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    Planner planner(testing::laid_before());
    const Plan plan = *planner.plan(project);
    std::set<std::string> names;
    for (const BuildList& list : build_lists(project, plan)) {
        EXPECT_FALSE(list.lines.empty());
        names.insert(list.name);
    }
    for (const char* name : {"Papers", "Adhesives", "Foam", "Letters", "Embellishments", "To get"})
        EXPECT_TRUE(names.contains(name)) << name;
    const auto cures = one_more_sheet(project, plan, planner);
    ASSERT_EQ(cures.size(), 1u);
    EXPECT_EQ(cures[0].paper, "Gull Print");
    EXPECT_EQ(cures[0].short_now, plan.sheets.short_patches.size());
    EXPECT_LT(cures[0].short_then, cures[0].short_now);
    Project by_hand = project;
    by_hand.build.habits.mats = CutMats::Trimmer;
    EXPECT_GT(trimmer_settings(by_hand, plan).size(), trimmer_settings(project, plan).size());
    by_hand.build.sittings = {{60, 0, false}, {60, 60, true}};
    const auto steps = build_steps(by_hand, plan);
    const BuildNow now = build_now(steps, by_hand.build, 1'796'000'000);
    std::size_t packed = 0;
    for (const PackingList& list : packing_lists(steps, now, by_hand.build)) {
        packed += list.steps.size();
        for (const std::size_t i : list.steps) EXPECT_FALSE(list.away && steps[i].time.machine);
        EXPECT_EQ(std::set<std::string>(list.things.begin(), list.things.end()).size(), list.things.size());
    }
    EXPECT_EQ(packed, steps.size());
}

TEST(LearnedPace, BecomesThePagesOwn) {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    const auto steps = build_steps(project, plan);
    EXPECT_TRUE(pace_in_words(project, steps).empty());
    StepLog& log = project.build.log["wet:Gusts"];
    start(log, 1'796'000'000);
    tick_off(log, 1'796'000'000 + 12 * 60);
    ASSERT_EQ(pace_in_words(project, steps).size(), 1u);
    take_over_pace(project, steps);
    EXPECT_NEAR(project.build.minutes.wetting, 12, 1e-9);
    EXPECT_TRUE(pace_in_words(project, build_steps(project, plan)).empty()) << "now it is as planned";
}

TEST(CuttingJobs, HoldEverythingTheMachineCutsOnceInsideFirstAndTravelFarLess) {
    for (const char* demo : {"kite-hill-dressed.zesty", "tram-terrace.zesty", "seed-swap.zesty"}) {
        const Project project = *open_project(demo::file(demo));
        const Plan plan = *Planner(testing::laid_before()).plan(project);
        const auto mats = mats_of(project, plan);
        const CuttingJobs cutting = cutting_jobs(project, plan, mats);
        EXPECT_TRUE(cutting.too_large.empty()) << demo;
        double as_drawn = 0, travelled = 0;
        for (const CutsOnCuttingMats& one : mats)
            for (const auto& pieces : one.layout.mats) {
                std::vector<Ring> drawn;
                for (const OnCuttingMat& p : pieces)
                    add_contours(
                        transformed(plan.sections.cut->pieces[static_cast<std::size_t>(p.piece)].outline,
                                    p.to_cutting_mat),
                        drawn);
                as_drawn += travel_as_given(drawn);
            }
        std::size_t patches = 0, pieces = 0;
        for (const CuttingJob& job : cutting.jobs) {
            const Box mat = Box{0, 0, job.file.width, job.file.height}.grown(1e-6);
            const std::vector<int> around = lying_in(job.file.contours);
            for (std::size_t c = 0; c < around.size(); ++c) {
                EXPECT_TRUE(mat.holds(bounds(job.file.contours[c]))) << job.key;
                if (around[c] >= 0) {
                    EXPECT_LT(static_cast<int>(c), around[c]) << "insides first";
                }
            }
            if (job.key.rfind("mat-", 0) == 0)
                travelled += travel_as_given(job.file.contours);
            else
                patches += nested_groups(job.file.contours).size();
        }
        for (const DressPiece& p : plan.dress.pieces)
            pieces += p.placed && cut_by_machine(p, project.build.habits);
        std::size_t wanted = pieces;
        for (std::size_t p = 0; p < plan.sections.patches.size(); ++p)
            wanted += plan.sheets.placed[p].sheet >= 0 && cut_by_machine(plan.sections.patches[p]) &&
                      plan.sections.patches[p].rides_on < 0;
        EXPECT_EQ(patches, wanted) << demo;
        std::cout << "[ travel   ] " << demo << ": " << travelled << " mm, as drawn " << as_drawn << " mm\n";
        EXPECT_LT(travelled, 0.6 * as_drawn) << demo;
    }
}

TEST(CuttingJobs, FaceDownIsMirroredAndALargeSheetComesInParts) {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    const auto mats = mats_of(project, plan);
    const CuttingJobs up = cutting_jobs(project, plan, mats);
    project.build.cutting.face_down = true;
    const CuttingJobs down = cutting_jobs(project, plan, mats);
    ASSERT_EQ(up.jobs.size(), down.jobs.size());
    for (std::size_t j = 0; j < up.jobs.size(); ++j) {
        EXPECT_FALSE(down.jobs[j].good_side_up);
        Box a, b;
        for (const Ring& r : up.jobs[j].file.contours) a.add(bounds(r));
        for (const Ring& r : down.jobs[j].file.contours) b.add(bounds(r));
        EXPECT_NEAR(a.x0, down.jobs[j].file.width - b.x1, 1e-6);
    }
    project.build.cutting.face_down = false;
    project.set_out.cutting_mat.width = project.set_out.cutting_mat.height = 130;
    const CuttingJobs small = cutting_jobs(project, plan, {});
    EXPECT_TRUE(
        std::any_of(small.jobs.begin(), small.jobs.end(), [](const CuttingJob& j) { return j.parts > 1; }));
}

TEST(CuttingJobs, LettersThatAreCutComeAsAJobOfTheirOwn) {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    Stash stash = *project.stash;
    for (LetterSet& set : stash.letters) set.kind = LetterKind::Cut;
    project.stash = std::make_shared<const Stash>(std::move(stash));
    const Plan plan = *Planner(testing::laid_before()).plan(project);
    const auto jobs = letter_jobs(project, plan);
    ASSERT_EQ(jobs.size(), 1u);
    std::size_t letters = 0;
    for (const TitleFacts& t : plan.dress.titles) letters += t.letters.size();
    EXPECT_GE(nested_groups(jobs[0].file.contours).size(), letters) << "an i has two pieces";
    for (const Ring& r : jobs[0].file.contours) EXPECT_GT(std::abs(signed_area(r)), 0.1);
    const Project stickers = *open_project(demo::file("kite-hill-dressed.zesty"));
    EXPECT_TRUE(letter_jobs(stickers, *Planner(testing::laid_before()).plan(stickers)).empty())
        << "stickers are not cut";
}

} // namespace zesty
