// The steps of the demos' pages, as a practitioner would do them.

#include "core/project/build_steps.h"
#include "core/project/planner.h"
#include "io/project_file.h"
#include "support/demo.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

std::vector<BuildStep> steps_of(const char* demo, const std::function<void(Project&)>& change = {}) {
    auto project = open_project(demo::file(demo));
    EXPECT_TRUE(project);
    if (change) change(*project);
    const auto plan = Planner().plan(*project);
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
    EXPECT_TRUE(waits_for(steps, cut, street));
    EXPECT_LT(step(steps, "Put foam behind cut 2"), steps.size());
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

} // namespace zesty
