// What has been done, what dries, and what comes when.

#include "core/build/progress.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

constexpr std::int64_t noon = 1'796'000'000;

BuildStep step(const char* key, double hands, double dries, std::vector<std::size_t> after,
               StepKind kind = StepKind::Own) {
    BuildStep out;
    out.key = key;
    out.kind = kind;
    out.what = key;
    out.time = {hands, dries, std::move(after)};
    return out;
}

/// Paint that dries, backing meanwhile, then both together.
std::vector<BuildStep> kite_steps() {
    return {step("wet", 10, 30, {}, StepKind::Wet), step("back", 20, 5, {}, StepKind::Back),
            step("mount", 5, 0, {0, 1}, StepKind::Mount)};
}

} // namespace

TEST(BuildProgress, FollowsWhatIsStartedPausedAndTickedOff) {
    const auto steps = kite_steps();
    BuildDecisions d;
    BuildNow now = build_now(steps, d, noon);
    EXPECT_EQ(now.steps[0].state, StepState::Ready);
    EXPECT_EQ(now.steps[2].state, StepState::Waits);
    EXPECT_EQ(now.order, (std::vector<std::size_t>{0, 1, 2}));
    EXPECT_EQ(now.finish, 45);
    EXPECT_EQ(now.begun, 0);
    start(d.log["wet"], noon);
    now = build_now(steps, d, noon + 4 * 60);
    EXPECT_EQ(now.steps[0].state, StepState::Running);
    EXPECT_EQ(now.steps[0].left, 6);
    pause(d.log["wet"], noon + 4 * 60);
    now = build_now(steps, d, noon + 60 * 60);
    EXPECT_EQ(now.steps[0].state, StepState::Paused);
    EXPECT_EQ(now.steps[0].left, 6) << "time that nobody worked does not count";
    EXPECT_NEAR(now.later, 60 - 4, 1e-9) << "an hour later, four minutes of it worked";
    start(d.log["wet"], noon + 60 * 60);
    tick_off(d.log["wet"], noon + 66 * 60);
    now = build_now(steps, d, noon + 76 * 60);
    EXPECT_EQ(now.steps[0].state, StepState::Dries);
    EXPECT_EQ(now.steps[0].dry_in, 20);
    EXPECT_EQ(now.steps[2].start, 25) << "backing takes longer than the drying";
    EXPECT_EQ(now.done, 1u);
    tick_off(d.log["back"], noon + 96 * 60);
    now = build_now(steps, d, noon + 101 * 60);
    EXPECT_EQ(now.steps[1].state, StepState::Done);
    EXPECT_EQ(now.steps[2].state, StepState::Ready);
    take_tick_off(d.log["back"]);
    EXPECT_EQ(build_now(steps, d, noon + 101 * 60).steps[2].state, StepState::Waits);
    tick_off(d.log["back"], noon);
    tick_off(d.log["mount"], noon + 110 * 60);
    EXPECT_TRUE(build_now(steps, d, noon + 110 * 60).order.empty());
}

TEST(BuildProgress, LearnsFromWhatStepsOfTheSameKindHaveTaken) {
    auto steps = kite_steps();
    steps.push_back(step("wet more", 20, 0, {}, StepKind::Wet));
    BuildDecisions d;
    start(d.log["wet"], noon);
    tick_off(d.log["wet"], noon + 15 * 60);
    EXPECT_NEAR(pace_of(steps, d)[static_cast<std::size_t>(StepKind::Wet)], 1.5, 1e-9);
    EXPECT_NEAR(build_now(steps, d, noon + 15 * 60).steps[3].left, 30, 1e-9);
    EXPECT_EQ(build_now(steps, d, noon + 15 * 60).steps[1].left, 20) << "others as planned";
    tick_off(d.log["back"], noon + 16 * 60);
    EXPECT_EQ(pace_of(steps, d)[static_cast<std::size_t>(StepKind::Back)], 1) << "nobody timed it";
}

TEST(BuildProgress, SittingsEndAndWhatDoesNotFitIsSaid) {
    const auto steps = kite_steps();
    BuildDecisions d;
    d.sittings = {{15, 0, false}, {25, 60, false}};
    BuildNow now = build_now(steps, d, noon);
    EXPECT_EQ(now.steps[0].sitting, 0);
    EXPECT_EQ(now.steps[1].sitting, 1);
    EXPECT_EQ(now.steps[1].start, 75);
    EXPECT_EQ(now.beyond, 5) << "mounting waits for the glue and has no sitting left";
    const auto spans = spans_of(d, 20);
    ASSERT_EQ(spans.size(), 2u) << "the first is over";
    EXPECT_EQ(spans[0].from, 55);
    d.sittings.push_back({30, 10, true});
    EXPECT_EQ(build_now(steps, d, noon).beyond, 0);
}

TEST(BuildProgress, SaysWhatFitsIntoTwentyMinutes) {
    const auto steps = kite_steps();
    const BuildDecisions d;
    EXPECT_EQ(in_the_next(steps, d, noon, 20), (std::vector<std::size_t>{0}));
    EXPECT_EQ(in_the_next(steps, d, noon, 30), (std::vector<std::size_t>{0, 1}));
    EXPECT_TRUE(in_the_next(steps, d, noon, 5).empty());
}

TEST(BuildProgress, MinutesAreRoundedUpInWords) {
    EXPECT_EQ(minutes_in_words(0.2), "1 min");
    EXPECT_EQ(minutes_in_words(59.2), "1 h");
    EXPECT_EQ(minutes_in_words(65), "1 h 5 min");
}

} // namespace zesty
