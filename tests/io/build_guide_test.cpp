// The printed guide's cover, lists, trimming and steps; what is stored of Build and what is refused.

#include "core/build/progress.h"
#include "core/project/build_lists.h"
#include "core/project/build_steps.h"
#include "core/project/planner.h"
#include "io/guide/guide_pdf.h"
#include "io/project_file.h"
#include "io/project_json.h"
#include "support/demo.h"
#include "support/pages.h"
#include "support/patience.h"

#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace zesty {

namespace {

/// All words of the pages, blanks and line ends alike.
QString words_of_pdf(const QByteArray& pdf) {
    QTemporaryDir dir;
    QFile file(dir.filePath("guide.pdf"));
    EXPECT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(pdf);
    file.close();
    QProcess process;
    process.start("pdftotext", {"-layout", file.fileName(), "-"});
    EXPECT_TRUE(process.waitForFinished(patience_ms));
    return QString::fromUtf8(process.readAllStandardOutput()).simplified();
}

struct Printed {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    Plan plan = *Planner(testing::laid_before()).plan(project);

    QString words(const Chapters& chapters) const {
        return words_of_pdf(guide_pdf(project, plan, PrinterPaper::A4, chapters));
    }
};

nlohmann::json stored(const Project& project) {
    return project_json(project);
}

/// The one sentence with which a project document is refused; empty where it is read.
std::string refusal(const nlohmann::json& document) {
    const auto read = decisions_from(document, "page.zesty");
    return read ? std::string() : read.error().message;
}

} // namespace

TEST(BuildGuide, HasEveryStepToTickOffWithItsMinutes) {
    Printed p;
    p.project.build.reminders = {"Date on the back"};
    const QString words = p.words({Chapter::Steps});
    const auto steps = build_steps(p.project, p.plan);
    for (std::size_t i = 0; i < steps.size(); ++i) {
        const QString begins = QString::fromStdString(steps[i].what).left(28);
        EXPECT_TRUE(words.contains(begins)) << begins.toStdString();
        EXPECT_TRUE(words.contains(QString::fromStdString(minutes_in_words(steps[i].time.hands))));
    }
    EXPECT_TRUE(words.contains("Not to be forgotten: Date on the back"));
    EXPECT_TRUE(words.contains("cap the blade"));
    EXPECT_EQ(words.count("Keep hands off the machine"), 2) << "said again only after another caution";
}

TEST(BuildGuide, SaysWhatItTakesAndHowTheTrimmerIsSet) {
    const Printed p;
    const QString lists = p.words({Chapter::Lists});
    for (const BuildList& list : build_lists(p.project, p.plan)) {
        EXPECT_TRUE(lists.contains(QString::fromStdString(list.name))) << list.name;
        for (const ListLine& line : list.lines)
            EXPECT_TRUE(lists.contains(QString::fromStdString(line.what).left(18))) << line.what;
    }
    const QString trimming = p.words({Chapter::Trimming});
    EXPECT_TRUE(trimming.contains("the base is 11 1/2 x 11 1/2 in"));
    EXPECT_TRUE(trimming.contains("Gut the frame paper before gluing"));
    Project frameless = p.project;
    frameless.set_out.page.reveal = {};
    const Plan plan = *Planner(testing::laid_before()).plan(frameless);
    EXPECT_EQ(guide_pages(frameless, plan, {}, PrinterPaper::A4, {Chapter::Trimming}), 0)
        << "nothing is trimmed";
}

TEST(BuildGuide, BeginsWithAPageThatSaysWhatItIs) {
    const Printed p;
    const QString cover = p.words({Chapter::Cover});
    for (const char* part : {"Kite Hill", "Page 12 x 12 in.", "31 openings", "40 steps", "no paper yet"})
        EXPECT_TRUE(cover.contains(part)) << part;
    EXPECT_EQ(guide_pages(p.project, p.plan, {}, PrinterPaper::Letter, {Chapter::Cover}), 1);
}

TEST(BuildFields, ComeBackAsTheyWereWithKeysThatNoStepHasAnyMore) {
    Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    BuildDecisions& b = project.build;
    b.cutting = {1.25, Corners::Swivel, 0.31, 45, true, false, "heavy"};
    b.habits = {TrimBase::BeforeWet, FirstWork::Photos, FrameBase::First, CutMats::Trimmer};
    b.minutes.hole = 0.07;
    b.drying.paste = 45;
    b.pairs = 3;
    b.sittings = {{45, 0, false}, {60, 1440, true}};
    b.own_steps = {{4, "Press the kite", "lift:", "lay-out", 3, 60}};
    b.reminders = {"Date on the back"};
    b.log["a step that has gone"] = {1'796'000'000, 0, 1'796'000'600, 540.5};
    const auto bytes = project_bytes(project);
    ASSERT_TRUE(bytes) << bytes.error().message;
    const auto again = project_from(*bytes, "page.zesty");
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_TRUE(again->build == b);
}

TEST(BuildFields, WhatLiesOutsideItsLimitsIsRefusedInOneSentence) {
    const Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const nlohmann::json good = stored(project);
    ASSERT_EQ(refusal(good), "");
    const auto with = [&](const char* pointer, const nlohmann::json& value) {
        nlohmann::json changed = good;
        changed[nlohmann::json::json_pointer(pointer)] = value;
        return refusal(changed);
    };
    for (const auto& [pointer, value] : std::vector<std::pair<const char*, nlohmann::json>>{
             {"/build/cutting/corners", "round"},
             {"/build/cutting/overcut_mm", 50},
             {"/build/cutting/blade_offset_mm", "much"},
             {"/build/habits/first", 1},
             {"/build/minutes/loading", -1},
             {"/build/drying_minutes/glue", 1e9},
             {"/build/pairs_of_hands", 9},
             {"/build/sittings", {{{"minutes", 1}, {"pause_min", 0}, {"away", false}}}},
             {"/build/own_steps", {{{"id", 0}, {"what", "x"}}}},
             {"/build/log", {{{"step", "cut:"}, {"started", -5}}}},
             {"/build/log", {{{"step", "cut:"}}, {{"step", "cut:"}}}},
             {"/build/reminders", {1}},
             {"/build", "none"}}) {
        const std::string said = with(pointer, value);
        EXPECT_NE(said, "") << pointer;
        EXPECT_EQ(std::count(said.begin(), said.end(), '\n'), 0) << said;
        EXPECT_NE(said.find("page.zesty"), std::string::npos) << said;
    }
    nlohmann::json many = good;
    for (std::size_t i = 0; i <= most_sittings; ++i)
        many["build"]["sittings"].push_back({{"minutes", 60}, {"pause_min", 0}, {"away", false}});
    EXPECT_NE(refusal(many), "");
    nlohmann::json none = good;
    none.erase("build");
    EXPECT_EQ(refusal(none), "") << "a page on which nothing is decided about it";
}

TEST(BuildFields, EditsAreBroughtWithinTheLimits) {
    Project project = *open_project(demo::project());
    project.build.cutting.overcut = 99;
    project.build.pairs = 12;
    project.build.minutes.loading = -3;
    project.build.sittings.assign(most_sittings + 5, {1, -4, false});
    bring_within_limits(project);
    EXPECT_EQ(project.build.cutting.overcut, overcut_limits.most);
    EXPECT_EQ(project.build.pairs, 4);
    EXPECT_EQ(project.build.minutes.loading, 0);
    ASSERT_EQ(project.build.sittings.size(), most_sittings);
    EXPECT_EQ(project.build.sittings[0].minutes, sitting_limits.least);
}

} // namespace zesty
