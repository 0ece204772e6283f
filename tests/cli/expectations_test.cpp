// What people would expect, off the demo: pages without a cut, lists with columns of their own, proposals by
// number, building with what was decided.

#include "cli/run.h"
#include "support/demo.h"

#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <set>

namespace zesty {

using nlohmann::json;

class Expectations : public ::testing::Test {
protected:
    QString file(const char* name) const { return dir_.filePath(name); }
    /// With plain papers of a list.
    Ran on(const QStringList& arguments) const {
        return zesty(arguments + QStringList{"--stash", file("s.stash")});
    }
    void SetUp() override {
        write(file("plain.csv"), "name,colour,size,count\nFog,#c8ccd0,12x12,4\nHarbour,#2f4a66,12x12,4\n");
        ASSERT_EQ(zesty({"stash", file("s.stash"), "--import", file("plain.csv")}).code, 0);
    }
    QTemporaryDir dir_;
};

TEST_F(Expectations, APageWithoutACutIsPlannedExportedBuiltAndKept) {
    ASSERT_EQ(zesty({"new", "--page", "12x12in", "--out", file("p.zesty")}).code, 0);
    expect_one_line(on({"plan", file("p.zesty")}), "nothing is on the page yet");
    expect_one_line(zesty({"new", "--width", "5in", "--out", file("q.zesty")}),
                    "there is no cut file to size");
    ASSERT_TRUE(done(on({"set-out", file("p.zesty"), "--photo", "Mia:4x6in"})));
    ASSERT_TRUE(done(on({"sections", file("p.zesty"), "--divide", "base:grid:2x2"})));
    const Ran plan = on({"plan", file("p.zesty"), "--json"});
    ASSERT_TRUE(done(plan));
    EXPECT_EQ(json::parse(plan.out)["patches"].size(), 4u);
    EXPECT_TRUE(json::parse(plan.out)["material"].empty());
    const Ran proposed = on({"papers", file("p.zesty"), "--take-proposal", "1"});
    ASSERT_TRUE(done(proposed)) << proposed.err;
    ASSERT_TRUE(done(on({"export", file("p.zesty"), "--out", file("out")})));
    const json steps = json::parse(on({"build", file("p.zesty"), "--json"}).out)["steps"];
    std::set<std::string> keys;
    for (const json& s : steps) keys.insert(s["key"]);
    EXPECT_TRUE(keys.contains("photo:Mia"));
    EXPECT_TRUE(keys.contains("base-part:1")) << "the base is backed from the front";
    ASSERT_TRUE(done(on({"keep", file("p.zesty"), "--finish"})));
    ASSERT_TRUE(done(on({"keep", file("p.zesty"), "--put-back"})));
}

TEST_F(Expectations, AColumnNobodyKnowsIsNamedAndLeftOutWhenAsked) {
    write(file("list.csv"), "name,colour,size,count,shelf\nStraw,#e8dcc0,12x12,2,upper\n");
    expect_one_line(zesty({"stash", file("t.stash"), "--import", file("list.csv")}), "shelf");
    EXPECT_EQ(zesty({"stash", file("t.stash"), "--import", file("list.csv"), "--ignore-columns"}).code, 0);
    expect_one_line(zesty({"stash", file("t.stash"), "--ignore-columns"}), "--import");
}

TEST_F(Expectations, AProposalIsTakenByTheNumberItWasShownWith) {
    const QString page = file("kite.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), page));
    const json shown =
        json::parse(zesty({"papers", page, "--stash", "none", "--proposals", "5", "--json"}).out);
    ASSERT_GE(shown["proposals"].size(), 3u);
    std::set<std::set<std::string>> sets;
    for (const json& p : shown["proposals"]) {
        std::set<std::string> papers;
        for (const json& of : p["papers"])
            if (of.is_object()) papers.insert(of["paper"]);
        sets.insert(papers);
    }
    EXPECT_EQ(sets.size(), shown["proposals"].size()) << "no two are dealt from the very same papers";
    ASSERT_TRUE(done(zesty({"papers", page, "--stash", "none", "--take-proposal", "3"})));
    const json taken = json::parse(zesty({"plan", page, "--stash", "none", "--json"}).out);
    const json& third = shown["proposals"][2]["papers"];
    for (std::size_t s = 0; s < third.size() && s < taken["sections"].size(); ++s)
        if (third[s].is_object()) {
            EXPECT_EQ(taken["sections"][s]["paper"], third[s]["paper"]) << s;
        }
}

TEST_F(Expectations, WhatChangesNothingIsSaidAndIsACopyWhereOneIsAskedFor) {
    ASSERT_EQ(zesty({"new", demo::drawing(), "--out", file("p.zesty")}).code, 0);
    ASSERT_TRUE(done(on({"papers", file("p.zesty"), "--drift", "0.7", "--out", file("q.zesty")})));
    const Ran again = on({"papers", file("q.zesty"), "--drift", "0.7", "--out", file("r.zesty")});
    EXPECT_EQ(again.code, 2);
    expect_one_line(again, "--drift changes nothing: ");
    EXPECT_NE(again.err.find("is a copy of it"), std::string::npos) << again.err;
    EXPECT_EQ(on({"papers", file("r.zesty"), "--json"}).out, on({"papers", file("q.zesty"), "--json"}).out);
}

TEST_F(Expectations, BuildWorksWithWhatWasDecidedAndSaysWhatIsStillToBeChosen) {
    ASSERT_EQ(zesty({"new", demo::drawing(), "--out", file("p.zesty")}).code, 0);
    const json decided = json::parse(on({"build", file("p.zesty"), "--json"}).out);
    for (const json& s : decided["steps"]) EXPECT_NE(s["kind"], "back") << s["what"];
    ASSERT_FALSE(decided["to_choose"].empty());
    EXPECT_NE(decided["to_choose"][0].get<std::string>().find("paper for opening"), std::string::npos);
    const json suggested = json::parse(on({"build", file("p.zesty"), "--suggested", "--json"}).out);
    EXPECT_GT(suggested["steps"].size(), decided["steps"].size());
    std::set<std::string> there;
    for (const json& s : suggested["steps"]) {
        for (const json& made : s["makes"]) there.insert(made);
        if (s["kind"] != "back") continue;
        EXPECT_TRUE(s["face_down"]);
        EXPECT_EQ(s["on"][0], "cut:0");
        for (const json& takes : s["takes"]) EXPECT_TRUE(there.contains(takes)) << takes;
    }
}

TEST_F(Expectations, AStripedPaperIsFoundByItsColoursAndNotByTheirMean) {
    write(file("stripe.csv"), "name,colour,size,count,pattern,palette\nTram "
                              "Stripe,#808080,12x12,1,stripe,#000000 0.5;#ffffff 0.5\n");
    const Ran in = zesty({"stash", file("u.stash"), "--import", file("stripe.csv")});
    ASSERT_EQ(in.code, 0) << in.err;
    EXPECT_NE(zesty({"stash", file("u.stash"), "--find", "black"}).out.find("Tram Stripe"),
              std::string::npos);
    EXPECT_EQ(zesty({"stash", file("u.stash"), "--find", "grey"}).out.find("Tram Stripe"), std::string::npos);
    EXPECT_NE(zesty({"stash", file("u.stash"), "--like", "#ffffff"}).out.find("Tram Stripe"),
              std::string::npos);
}

} // namespace zesty
