// `zesty build`: the log, habits, own steps, sittings, cutting, lists, and what is typed wrong.

#include "cli/run.h"
#include "io/project_file.h"
#include "support/demo.h"

#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

class BuildByCommand : public ::testing::Test {
protected:
    void SetUp() override {
        page_ = dir_.filePath("page.zesty");
        ASSERT_TRUE(QFile::copy(demo::file("kite-hill-dressed.zesty"), page_));
    }
    Ran build(const QStringList& options) {
        return zesty(QStringList{"build", page_, "--stash", "none", "--at", "2026-11-28T19:00"} + options);
    }
    BuildDecisions decided() const {
        const auto p = open_project(page_);
        EXPECT_TRUE(p);
        return p->build;
    }
    static bool says(const Ran& ran, const char* part) { return ran.out.find(part) != std::string::npos; }
    static void refuses(const Ran& ran, const std::string& part) {
        EXPECT_EQ(ran.code, 2) << ran.out;
        EXPECT_NE(ran.err.find(part), std::string::npos) << ran.err;
        EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << ran.err;
    }
    QTemporaryDir dir_;
    QString page_;
};

TEST_F(BuildByCommand, StepsAreStartedPausedAndTickedOffWithTheirTimes) {
    EXPECT_EQ(build({"--start", "cut:"}).code, 0);
    EXPECT_EQ(zesty({"build", page_, "--stash", "none", "--done", "1", "--at", "2026-11-28T19:05"}).code, 0);
    EXPECT_EQ(decided().log.at("cut:").worked, 300);
    const Ran ran = zesty({"build", page_, "--stash", "none", "--json", "--at", "2026-11-28T19:06"});
    ASSERT_EQ(ran.code, 0) << ran.err;
    const json j = json::parse(ran.out);
    EXPECT_EQ(j["format"], "zesty-build/1");
    EXPECT_EQ(j["steps"][0]["key"], "cut:");
    EXPECT_EQ(j["steps"][0]["state"], "dries");
    EXPECT_GT(j["steps"][0]["dry_in_min"], 2);
    EXPECT_TRUE(says(build({}), "loading the machine takes") || says(build({}), "Loading the machine takes"));
    EXPECT_EQ(build({"--not-done", "cut:"}).code, 0);
    EXPECT_EQ(decided().log.at("cut:").done, 0);
}

TEST_F(BuildByCommand, HabitsOwnStepsRemindersAndSittingsAreDecided) {
    EXPECT_EQ(build({"--first",    "photos",           "--trim",    "before-wet", "--frame",
                     "first",      "--mats",           "trimmer",   "--hands",    "2",
                     "--add-step", "Press the kite",   "--after",   "lift:",      "--before",
                     "lay-out",    "--minutes",        "3",         "--dries",    "30",
                     "--remind",   "Date on the back", "--sitting", "60",         "--sitting",
                     "90,120,away"})
                  .code,
              0);
    const BuildDecisions d = decided();
    EXPECT_EQ(d.habits, (Habits{TrimBase::BeforeWet, FirstWork::Photos, FrameBase::First, CutMats::Trimmer}));
    ASSERT_EQ(d.own_steps.size(), 1u);
    EXPECT_EQ(d.own_steps[0].after, "lift:");
    EXPECT_EQ(d.sittings.size(), 2u);
    EXPECT_TRUE(d.sittings[1].away);
    EXPECT_EQ(d.pairs, 2);
    const Ran ran = build({});
    for (const char* part : {"Press the kite", "-- sitting 2", "Date on the back", "hands 2"})
        EXPECT_TRUE(says(ran, part)) << part;
    EXPECT_TRUE(says(build({"--what-if"}), "frame the other way round"));
    EXPECT_TRUE(says(build({"--packing"}), "away"));
    EXPECT_EQ(build({"--no-sittings", "--remove-step", "1", "--forget", "Date on the back"}).code, 0);
    EXPECT_TRUE(decided().sittings.empty() && decided().own_steps.empty() && decided().reminders.empty());
}

TEST_F(BuildByCommand, QuestionsAreAnswered) {
    EXPECT_TRUE(says(build({"--next", "1"}), "No step can be begun"));
    const Ran all = build({"--next", "20", "--lists", "--one-more-sheet", "--cutting", "--material", "heavy",
                           "--corners", "lift", "--overcut", "1mm", "--face-down"});
    for (const char* part : {"In 20 min:", "To get:", "Papers:", "Adhesives:", "Trimmer:",
                             "One more sheet of Gull Print", "mat-1: 35 contours", "good side down"})
        EXPECT_TRUE(says(all, part)) << part << "\n" << all.out;
    EXPECT_EQ(decided().cutting.corners, Corners::Lift);
    EXPECT_EQ(decided().cutting.overcut, 1);
    EXPECT_EQ(build({"--start", "cut:"}).code, 0);
    EXPECT_EQ(zesty({"build", page_, "--stash", "none", "--done", "cut:", "--take-pace", "--at",
                     "2026-11-28T19:04"})
                  .code,
              0);
    EXPECT_NEAR(decided().minutes.loading, 4, 1e-6);
    const Ran again = build({"--take-pace"});
    EXPECT_EQ(again.code, 2);
    EXPECT_TRUE(QString::fromStdString(again.err).startsWith("--take-pace changes nothing: ")) << again.err;
}

TEST_F(BuildByCommand, WhatIsTypedWrongIsOneSentenceAndChangesNothing) {
    // A page that is planned in no time.
    write(dir_.filePath("kite.svg"), "<svg xmlns='http://www.w3.org/2000/svg' width='90mm' height='90mm' "
                                     "viewBox='0 0 90 90'><path fill-rule='evenodd' d='M0 0H90V90H0Z M6 "
                                     "6H42V84H6Z M48 6H84V84H48Z'/></svg>");
    ASSERT_TRUE(done(zesty({"new", dir_.filePath("kite.svg"), "--width", "90mm", "--out", page_})));
    const BuildDecisions before = decided();
    refuses(build({"--done", "fly"}), "there is no step 'fly'");
    refuses(build({"--corners", "round"}), "--corners");
    refuses(build({"--overcut", "3in"}), "--overcut");
    refuses(build({"--sharp", "200"}), "--sharp");
    refuses(build({"--sitting", "2"}), "--sitting");
    refuses(build({"--remove-step", "4"}), "no own step 4");
    refuses(build({"--forget", "nothing"}), "no reminder");
    refuses(build({"--add-step", "x", "--minutes", "-4"}), "--minutes");
    refuses(build({"--job", "mat-7"}), "there is none called 'mat-7'");
    refuses(build({"--job", "mat-1", "--machine", dir_.filePath("nobody")}), "No cutting machine answers");
    refuses(zesty({"build", page_, "--at", "yesterday"}), "is not a time");
    EXPECT_EQ(decided(), before);
}

} // namespace zesty
