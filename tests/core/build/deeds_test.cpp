// The order of steps follows from what they do with things.

#include "core/build/deeds.h"
#include "core/build/step.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

BuildStep step(const std::string& key, std::vector<StepDeed> deeds) {
    BuildStep out;
    out.key = key;
    out.deeds = std::move(deeds);
    return out;
}

std::string keys_of(const std::vector<BuildStep>& steps) {
    std::string out;
    for (const BuildStep& s : steps) out += (out.empty() ? "" : " ") + s.key;
    return out;
}

} // namespace

TEST(Deeds, AnythingGoesThroughTheirOrderHoweverStepsAreGiven) {
    std::vector<BuildStep> steps{step("mount", {{Deed::Fixes, "cut"}, {Deed::LaysOn, "base"}}),
                                 step("back", {{Deed::Fixes, "patch"}, {Deed::Backs, "cut"}}),
                                 step("paint", {{Deed::Wets, "base"}}),
                                 step("sheet", {{Deed::Loads, "gull#1"}, {Deed::Makes, "patch"}}),
                                 step("lift", {{Deed::Lifts, "cut"}}),
                                 step("cut", {{Deed::Makes, "cut"}})};
    std::mt19937 random(3);
    for (int round = 0; round < 50; ++round) {
        std::shuffle(steps.begin(), steps.end(), random);
        std::vector<BuildStep> ordered = steps;
        put_in_order(ordered);
        const std::string keys = keys_of(ordered);
        const auto before = [&](const char* a, const char* b) { return keys.find(a) < keys.find(b); };
        EXPECT_TRUE(before("cut", "lift") && before("lift", "back") && before("back", "mount")) << keys;
        EXPECT_TRUE(before("sheet", "back") && before("paint", "mount")) << keys;
        for (std::size_t i = 0; i < ordered.size(); ++i)
            for (const std::size_t b : ordered[i].time.after) EXPECT_LT(b, i);
    }
}

TEST(Deeds, SayWhatAStepTakesMakesLaysOnAndWets) {
    const BuildStep gut = step("gut", {{Deed::Divides, "barley#1"}, {Deed::Makes, "frame:1"}});
    EXPECT_EQ(taken_by(gut), std::vector<std::string>{"barley#1"});
    EXPECT_EQ(made_by(gut), (std::vector<std::string>{"barley#1", "frame:1"}));
    const BuildStep close =
        step("close", {{Deed::Fixes, "p3"}, {Deed::Closes, "shaker:o3"}, {Deed::Backs, "cut:0"}});
    EXPECT_EQ(taken_by(close), std::vector<std::string>{"p3"});
    EXPECT_EQ(laid_on_by(close), (std::vector<std::string>{"shaker:o3", "cut:0"}));
    EXPECT_EQ(wetted_by(step("ink", {{Deed::Wets, "cut:0"}})), std::vector<std::string>{"cut:0"});
}

TEST(Deeds, WhatAPersonAsksForCountsAsWell) {
    std::vector<BuildStep> steps{step("a", {}), step("b", {}), step("c", {})};
    steps[0].time.after = {2};
    put_in_order(steps);
    EXPECT_EQ(keys_of(steps), "b c a");
    EXPECT_TRUE(possible_order({}).empty());
}

} // namespace zesty
