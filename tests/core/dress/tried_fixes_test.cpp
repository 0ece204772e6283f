// What Dress offers against a finding helps, on pages with everything on them; where nothing is offered it
// says why.

#include "core/project/planner.h"
#include "support/full_page.h"
#include "support/pages.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <map>

namespace zesty {

namespace {

std::ptrdiff_t same_findings(const Plan& plan, const Finding& like) {
    return std::count_if(plan.findings.begin(), plan.findings.end(),
                         [&](const Finding& f) { return f.code == like.code && f.title == like.title; });
}

/// Reasons why nothing is offered, by code.
const std::map<Code, std::vector<std::string>>& reasons() {
    static const std::map<Code, std::vector<std::string>> all{
        {Code::WritingEntered, {"no place nearby is free"}},
        {Code::FaintWriting, {"No pen is read"}},
        {Code::EmbellishmentsShort, {}},
        {Code::StitchingBroken, {"move what lies there"}},
        {Code::TwoLevels, {"Its shakers", "bridge"}},
        {Code::MatLargerThanCut, {"make the photo smaller"}},
        {Code::WetHidden, {"No place nearby", "Choose another cut"}},
        {Code::TooHigh, {"does not lower it"}},
    };
    return all;
}

} // namespace

TEST(DressFixes, WereTriedOrSayWhyNot) {
    std::map<Code, int> offered;
    for (unsigned seed = 1; seed <= 60; ++seed) {
        const Project page = testing::full_page(seed);
        const auto plan = Planner().shapes(page);
        if (!plan) continue;
        for (const Finding& f : plan->findings) {
            const auto why = reasons().find(f.code);
            if (why == reasons().end()) continue;
            const std::string where = "page " + std::to_string(seed) + ", " + f.title + ": " + f.message;
            if (f.fixes.empty()) {
                EXPECT_TRUE(std::any_of(
                    why->second.begin(), why->second.end(),
                    [&](const std::string& reason) { return f.message.find(reason) != std::string::npos; }))
                    << where;
                continue;
            }
            Project mended = page;
            f.fixes.front().apply(mended);
            const auto then = Planner().shapes(mended);
            ASSERT_TRUE(then) << where;
            EXPECT_LT(same_findings(*then, f), same_findings(*plan, f)) << where;
            ++offered[f.code];
        }
    }
    for (const Code code :
         {Code::WritingEntered, Code::EmbellishmentsShort, Code::StitchingBroken, Code::TooHigh})
        EXPECT_GT(offered[code], 0) << static_cast<int>(code) << " is never offered anything";
}

} // namespace zesty
