// What the JSON formats promise, and how they refuse what is not theirs.

#include "core/project/edits.h"
#include "core/project/planner.h"
#include "io/picture.h"
#include "io/plan_json.h"
#include "io/project_file.h"
#include "io/project_json.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/svg/svg_reader.h"
#include "support/demo.h"
#include "support/edits.h"
#include "support/file_size_limit.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <QBuffer>
#include <QFile>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>
#include <random>

namespace zesty {

using nlohmann::json;

namespace {

Result<Stash> stash(const json& j) {
    return stash_from(j, "s.json", [](const std::string& name) -> Result<PictureBytes> {
        return fail(ErrorKind::Unreadable, name + ": there is no such file");
    });
}

json good_stash() {
    return json::parse(R"({"format":"zesty-stash/1","papers":[
        {"id":"a","name":"A","colour":"#102030","pattern":"stripe","direction":"half",
         "sheets":[{"width":100.5,"height":200,"count":2},{"outline":[[[0,0],[50,0],[25,40]],[[20,5],[30,5],[25,12]]]}]}]})");
}

} // namespace

TEST(StashJson, ReadsPapersSheetsAndOffcuts) {
    const auto s = stash(good_stash());
    ASSERT_TRUE(s) << s.error().message;
    ASSERT_EQ(s->papers.size(), 1u);
    const Paper& p = s->papers[0];
    EXPECT_EQ(p.colour, (Rgb{0x10, 0x20, 0x30}));
    EXPECT_EQ(p.pattern, Pattern::Stripe);
    EXPECT_EQ(p.direction, Direction::Half);
    EXPECT_EQ(p.sheets[0].count, 2);
    EXPECT_TRUE(p.sheets[1].irregular);
    EXPECT_EQ(p.sheets[1].outline.holes.size(), 1u);
    const auto again = stash(stash_json(*s));
    ASSERT_TRUE(again);
    EXPECT_TRUE(*again == *s);
}

TEST(StashJson, EveryMistakeIsNamed) {
    const auto message = [](auto change) {
        json j = good_stash();
        change(j);
        const auto s = stash(j);
        EXPECT_FALSE(s) << j.dump();
        return s ? std::string() : s.error().message;
    };
    const auto has = [](const std::string& text, const char* part) {
        return text.find(part) != std::string::npos;
    };
    EXPECT_TRUE(has(message([](json& j) { j["format"] = "zesty-stash/2"; }), "zesty-stash/1"));
    EXPECT_TRUE(has(message([](json& j) { j.erase("papers"); }), "papers"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0].erase("id"); }), "paper 1 has no \"id\""));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["pattern"] = "plaid"; }), "pattern"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["direction"] = 5; }), "direction"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["colour"] = "blue"; }), "colour"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0].erase("colour"); }), "colour"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["image"] = "x.png"; }), "x.png"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0].erase("sheets"); }), "sheets"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["sheets"][0]["width"] = -1; }), "width"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["sheets"][0]["count"] = 1.5; }), "count"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["sheets"][0]["count"] = 100000; }), "count"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"][0]["sheets"][1]["outline"] = "round"; }), "outline"));
    EXPECT_TRUE(has(message([](json& j) {
                        j["papers"][0]["sheets"][1]["outline"] =
                            json::parse("[[[0,0],[10,10],[10,0],[0,10]]]");
                    }),
                    "crosses itself"));
    EXPECT_TRUE(has(message([](json& j) { j["papers"].push_back(j["papers"][0]); }), "two papers"));
}

TEST(PlanJson, HasWhatTheFormatPromises) {
    const auto project = open_project(demo::project());
    ASSERT_TRUE(project);
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(*project);
    ASSERT_TRUE(plan);
    const json j = plan_json(*project, *plan, 0.25);
    EXPECT_EQ(j["format"], "zesty-plan/1");
    for (const char* key : {"units", "page", "material", "openings", "sections", "neighbours", "patches",
                            "sheets", "short", "findings", "seconds"})
        EXPECT_TRUE(j.contains(key)) << key;
    EXPECT_EQ(j["openings"].size(), plan->sections.cut->openings.size());
    std::set<std::string> sheets;
    for (const json& s : j["sheets"]) sheets.insert(s["id"]);
    std::size_t unplaced = 0;
    for (const json& p : j["patches"]) {
        if (p["sheet"].is_null())
            ++unplaced;
        else
            EXPECT_TRUE(sheets.contains(p["sheet"]));
        EXPECT_FALSE(p["mirrored"].get<bool>());
    }
    EXPECT_EQ(unplaced, j["short"].size());
    EXPECT_GT(unplaced, 0u) << "the demo's own plan is just short";
}

TEST(PlanJson, APatchOnSideBIsMirroredAsTheFormatSays) {
    Project p = *open_project(demo::project());
    for (int o : {9, 11, 17}) {
        p.match.choices[Spot(o)].paper = "barley";
        p.match.choices[Spot(o)].side = Side::B;
    }
    const auto plan = Planner(testing::laid_before()).plan(p);
    ASSERT_TRUE(plan);
    const auto j = plan_json(p, *plan, 0);
    int mirrored = 0;
    for (const auto& patch : j["patches"]) {
        if (!patch["mirrored"].get<bool>()) continue;
        ++mirrored;
        const double r = patch["rotation_deg"].get<double>() * M_PI / 180;
        const auto& from = patch["outline"][0];
        const auto& to = patch["on_sheet"][0];
        for (std::size_t k = 0; k < from.size(); ++k) {
            const double x = -from[k][0].get<double>();
            const double y = from[k][1].get<double>();
            EXPECT_NEAR(to[k][0].get<double>(), x * std::cos(r) - y * std::sin(r) + patch["dx"].get<double>(),
                        1e-3);
            EXPECT_NEAR(to[k][1].get<double>(), x * std::sin(r) + y * std::cos(r) + patch["dy"].get<double>(),
                        1e-3);
        }
    }
    EXPECT_EQ(mirrored, 3);
    for (const auto& s : j["sections"])
        if (s["id"] == "s10") {
            EXPECT_EQ(s["side"], "B");
        }
}

TEST(NestJson, ReadsJobsAndRefusesNonsense) {
    const auto job = [](const char* text) { return nest_job_from(json::parse(text), "job"); };
    const auto good = job(
        R"({"format":"zesty-nest/1","gap":1,"pieces":[{"id":"a","outline":[[[0,0],[9,0],[0,9]]],"rotations":"any"},
        {"id":"b","outline":[[[0,0],[9,0],[0,9]]],"rotations":[0,90]}],"sheets":[{"id":"s","outline":[[[0,0],[50,0],[50,50],[0,50]]]}]})");
    ASSERT_TRUE(good) << good.error().message;
    EXPECT_TRUE(good->job.pieces[0].any_rotation);
    EXPECT_EQ(good->job.pieces[1].rotations_deg.size(), 2u);
    const NestResult r = nest(good->job);
    const json j = nest_result_json(*good, r, 0.1);
    EXPECT_EQ(j["placements"].size(), 2u);
    const char* bad[] = {
        R"({"format":"zesty-nest/2","pieces":[],"sheets":[]})",
        R"({"format":"zesty-nest/1","sheets":[]})",
        R"({"format":"zesty-nest/1","pieces":[{"id":"a"}],"sheets":[]})",
        R"({"format":"zesty-nest/1","pieces":[],"sheets":[{"id":"s","outline":[[[0,0],[9,9],[9,0],[0,9]]]}]})",
        R"({"format":"zesty-nest/1","gap":-1,"pieces":[],"sheets":[]})",
        R"({"format":"zesty-nest/1","pieces":[{"id":"a","outline":[[[0,0],[9,0],[0,9]]],"rotations":[]}],"sheets":[]})"};
    for (const char* b : bad) EXPECT_FALSE(job(b)) << b;
}

} // namespace zesty
