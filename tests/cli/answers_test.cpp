// Everything that can be asked with --json is answered in one document, of a format that has a name, and
// with the same numbers as people are told.

#include "cli/run.h"
#include "support/demo.h"

#include <algorithm>
#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

namespace {

constexpr const char* kite_of_four =
    "<svg xmlns='http://www.w3.org/2000/svg' width='120mm' height='90mm' viewBox='0 0 120 90'>"
    "<path fill-rule='evenodd' d='M0 0H120V90H0Z M6 6H38V42H6Z M44 6H76V84H44Z M82 6H114V84H82Z M6 "
    "48H38V84H6Z'/></svg>";

json parsed(const Ran& r) {
    EXPECT_TRUE(done(r)) << r.err;
    const json out = json::parse(r.out, nullptr, false);
    EXPECT_TRUE(out.is_object()) << r.out.substr(0, 200);
    return out.is_object() ? out : json::object();
}

/// How often a word stands in what people are told.
int count_of_word(const std::string& text, const std::string& word) {
    int n = 0;
    for (std::size_t at = text.find(word); at != std::string::npos; at = text.find(word, at + 1)) ++n;
    return n;
}

} // namespace

/// A small page with a title, embellishments and letters to choose from.
class AnswersAsJson : public ::testing::Test {
protected:
    void SetUp() override {
        ASSERT_TRUE(done(zesty({"stash", stash(), "--import", demo::stash()})));
        ASSERT_TRUE(done(zesty({"stash", stash(), "--import", demo::file("kite-hill-things.json")})));
        write(dir_.filePath("kite.svg"), kite_of_four);
        ASSERT_TRUE(done(zesty({"new", dir_.filePath("kite.svg"), "--width", "120mm", "--out", page()})));
        ASSERT_TRUE(done(ask({"papers", page(), "--take-proposal", "1"})));
    }
    QString stash() const { return dir_.filePath("kite.stash"); }
    QString page() const { return dir_.filePath("kite.zesty"); }
    Ran ask(QStringList args) { return zesty(args + QStringList{"--stash", stash()}); }
    json answer(QStringList args) { return parsed(ask(args + QStringList{"--json"})); }

    QTemporaryDir dir_;
};

TEST_F(AnswersAsJson, BuildSaysListsPackingHabitsTimeAndCutting) {
    const json all = answer({"build", page(), "--lists", "--packing", "--what-if", "--next", "20",
                             "--cutting", "--one-more-sheet", "--sitting", "60,0"});
    EXPECT_EQ(all["format"], "zesty-build/1");
    const auto steps = all["steps"].size();
    ASSERT_GT(steps, 5u);
    ASSERT_FALSE(all["lists"].empty());
    const auto papers = std::find_if(all["lists"].begin(), all["lists"].end(),
                                     [](const json& l) { return l["name"] == "Papers"; });
    ASSERT_NE(papers, all["lists"].end());
    EXPECT_FALSE((*papers)["lines"].empty());
    EXPECT_TRUE(all["trimmer"].is_array());
    ASSERT_FALSE(all["packing"].empty());
    EXPECT_EQ(all["packing"][0]["sitting"], 1);
    EXPECT_FALSE(all["packing"][0]["things"].empty());
    EXPECT_EQ(all["what_if"].size(), 3u) << "each habit turned round";
    EXPECT_EQ(all["next"]["minutes"], 20);
    double work = 0;
    for (const json& id : all["next"]["steps"])
        for (const json& step : all["steps"])
            if (step["id"] == id) work += step["hands_min"].get<double>();
    EXPECT_LE(work, 20.001);
    EXPECT_GT(work, 0);
    ASSERT_FALSE(all["cutting"]["jobs"].empty());
    EXPECT_GT(all["cutting"]["jobs"][0]["contours"].get<int>(), 0);
    EXPECT_TRUE(all["one_more_sheet"].is_array());
    const Ran said = ask({"build", page(), "--cutting"});
    EXPECT_EQ(count_of_word(said.out, " from "), static_cast<int>(all["cutting"]["jobs"].size())) << said.out;
    EXPECT_FALSE(answer({"build", page()}).contains("lists")) << "only what is asked";
}

TEST_F(AnswersAsJson, DressSaysWhatFitsHowATitleComesOutAndHowArrangementsCompare) {
    expect_one_line(ask({"dress", page(), "--letter-sets", "--json"}), "no title");
    ASSERT_TRUE(done(ask({"dress", page(), "--title", "kite", "--put-aside", "first"})));
    const json all = answer({"dress", page(), "--letter-sets", "--what-fits", "11.5,11.5", "--where-fits",
                             "brass-dot", "--compare"});
    EXPECT_EQ(all["format"], "zesty-dress/1");
    ASSERT_FALSE(all["letter_sets"].empty());
    for (const json& set : all["letter_sets"]) {
        EXPECT_GT(set["length_mm"].get<double>(), 0);
        EXPECT_GT(set["height_mm"].get<double>(), 0);
    }
    EXPECT_TRUE(all["what_fits"]["opening"].is_null()) << "a free part of the base";
    ASSERT_FALSE(all["what_fits"]["things"].empty());
    EXPECT_TRUE(all["what_fits"]["things"][0]["fits"].get<bool>());
    ASSERT_FALSE(all["where_fits"].empty());
    EXPECT_TRUE(all["where_fits"][0]["fits"].get<bool>());
    ASSERT_FALSE(all["arrangements"].empty());
    EXPECT_GT(all["arrangements"][0]["paper_mm2"].get<double>(), 0);
    EXPECT_TRUE(all.contains("journaling"));
    const Ran said = ask({"dress", page(), "--letter-sets"});
    EXPECT_EQ(count_of_word(said.out, "\nin "), static_cast<int>(all["letter_sets"].size())) << said.out;
    expect_one_line(ask({"dress", page(), "--where-fits", "none-such", "--json"}), "no embellishment");
}

TEST_F(AnswersAsJson, KeepSaysWhatFinishingTakesWhereItWentAndWhatTheShelfHolds) {
    const json before = answer({"keep", page()});
    EXPECT_EQ(before["format"], "zesty-keep/1");
    EXPECT_EQ(before["finished"], "");
    ASSERT_FALSE(before["takes"]["papers"].empty());
    for (const json& paper : before["takes"]["papers"])
        EXPECT_GT(paper["before_mm2"].get<double>(), paper["after_mm2"].get<double>());
    EXPECT_TRUE(before["sheets"].empty());
    const json made = answer({"keep", page(), "--title", "Kite Hill", "--finish"});
    EXPECT_NE(made["finished"], "");
    EXPECT_EQ(made["takes"], before["takes"]) << "shown before it happens";
    ASSERT_FALSE(made["sheets"].empty());
    for (const json& sheet : made["sheets"]) {
        EXPECT_GE(sheet["area_mm2"].get<double>(), sheet["back_mm2"].get<double>());
        EXPECT_GT(sheet["patches"].get<int>() + static_cast<int>(sheet["pieces"].size()), 0);
    }
    const json shelf = answer({"keep", "--shelf", "month", "--where", "--look-back", "--pace"});
    EXPECT_EQ(shelf["format"], "zesty-records/1");
    ASSERT_EQ(shelf["records"].size(), 1u);
    ASSERT_EQ(shelf["shelf"].size(), 1u);
    EXPECT_EQ(shelf["shelf"][0]["records"][0], shelf["records"][0]["id"]);
    ASSERT_EQ(shelf["where"].size(), made["takes"]["papers"].size());
    EXPECT_GT(shelf["where"][0]["parts"][0]["used_mm2"].get<double>(), 0);
    EXPECT_EQ(shelf["look_back"]["pages"], 1);
    EXPECT_TRUE(shelf["pace"].is_array());
    EXPECT_EQ(answer({"keep", "--record", "kite-hill", "--sheets"})["sheets"], made["sheets"]);
    const json back = answer({"keep", page(), "--put-back"});
    EXPECT_EQ(back["finished"], "");
    EXPECT_TRUE(back["not_put_back"].empty());
}

TEST_F(AnswersAsJson, WhatIsNotReadyInTimeSaysHowToGiveItLonger) {
    expect_one_line(ask({"papers", page(), "--proposals", "3", "--seconds", "0"}), "give it longer");
}

} // namespace zesty
