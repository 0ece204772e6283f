// `zesty dress` about heights, wet work, late frames and arrangements, and the drop-outs of `zesty stash`.

#include "cli/run.h"
#include "io/project_file.h"
#include "io/stash_store.h"
#include "support/demo.h"
#include "support/patience.h"

#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

class HoldsByCommand : public ::testing::Test {
protected:
    void SetUp() override {
        page_ = dir_.filePath("page.zesty");
        ASSERT_TRUE(QFile::copy(demo::file("kite-hill-dressed.zesty"), page_));
    }
    Ran dress(const QStringList& options) {
        return zesty(QStringList{"dress", page_, "--stash", "none"} + options);
    }
    Project project() const {
        const auto p = open_project(page_);
        EXPECT_TRUE(p);
        return *p;
    }
    static void refuses(const Ran& ran, const std::string& part) {
        EXPECT_EQ(ran.code, 2) << ran.out;
        EXPECT_NE(ran.err.find(part), std::string::npos) << ran.err;
        EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << ran.err;
    }
    QTemporaryDir dir_;
    QString page_;
};

TEST_F(HoldsByCommand, ThingsAreHeldAndHeightsSaid) {
    const Ran ran =
        dress({"--hold", "photo:1=double", "--hold", "cut:1=thin", "--hold", "embellishment:2=tip", "--foot",
               "30", "--album-takes", "3mm", "--free-part", "2,3,1/2in"});
    EXPECT_TRUE(done(ran)) << ran.err;
    EXPECT_NE(ran.out.find("the album takes 3.0 mm"), std::string::npos) << ran.out;
    EXPECT_NE(ran.out.find("foam of 4 mm"), std::string::npos) << ran.out;
    const Project p = project();
    EXPECT_EQ(p.set_out.photos[0].held.how, Mount::Double);
    EXPECT_EQ(p.set_out.cuts[0].held.how, Mount::Thin);
    EXPECT_EQ(p.dress.embellishments[1].held, (Mounting{Mount::Tip, 30}));
    ASSERT_EQ(p.dress.free_parts.size(), 1u);
    EXPECT_NEAR(p.dress.free_parts[0].radius, 12.7, 1e-9);
    EXPECT_TRUE(done(dress({"--no-free-parts"})));
    EXPECT_TRUE(project().dress.free_parts.empty());
}

TEST_F(HoldsByCommand, WhatIsTypedWrongIsOneSentenceAndChangesNothing) {
    const Project before = project();
    refuses(dress({"--hold", "photo"}), "not like photo:1=normal");
    refuses(dress({"--hold", "photo:9=thin"}), "there are 2 photos on the page");
    refuses(dress({"--hold", "photo:0=thin"}), "--hold");
    refuses(dress({"--hold", "photo:1=sideways"}), "--hold");
    refuses(dress({"--hold", "kite:1=thin"}), "not one of cut");
    refuses(dress({"--free-part", "1,2"}), "not x,y,radius");
    refuses(dress({"--foot", "20"}), "--foot");
    refuses(dress({"--put-aside", QString(300, 'x')}), "--put-aside");
    refuses(dress({"--album-takes", "0"}), "--album-takes");
    refuses(dress({"--wet", "mud"}), "--wet");
    refuses(dress({"--wet-number", "9", "--remove-wet"}), "--wet-number");
    refuses(dress({"--wet-colour", "no such"}), "--wet-colour");
    refuses(dress({"--wet-cut", "7"}), "--wet-cut");
    refuses(dress({"--late-frame", "golden"}), "--late-frame");
    refuses(dress({"--late-frame-width", "1,2"}), "one width, or four");
    refuses(dress({"--bring-back", "nobody"}), "no arrangement is called 'nobody'");
    EXPECT_TRUE(project() == before);
}

TEST_F(HoldsByCommand, WetWorkAndALateFrameAreMadeAndRemoved) {
    EXPECT_TRUE(done(
        dress({"--wet", "ink", "--wet-shape", "box", "--wet-size", "3x2in", "--wet-at", "2,9", "--wet-colour",
               "dark red", "--wet-primer", "1/4in", "--wet-turn", "12", "--wet-name", "Evening"})));
    const std::size_t last = project().dress.wet.size() - 1;
    const WetZone z = project().dress.wet.at(last);
    EXPECT_EQ(z.kind, WetKind::Ink);
    EXPECT_NEAR(z.height, 2 * mm_per_inch, 1e-6);
    EXPECT_TRUE(z.primer);
    const Ran framed =
        dress({"--late-frame", "trimmed", "--late-frame-width", "1/2,1/4,1/4,1/2", "--late-frame-paper",
               "barley,hillside", "--late-frame-lip", "3/8in", "--json"});
    EXPECT_TRUE(framed.code <= 1);
    const json j = json::parse(framed.out);
    EXPECT_EQ(j["late_frame"]["marks"].size(), 8u);
    EXPECT_EQ(j["wet"].back()["name"], "Evening");
    EXPECT_EQ(project().dress.frame.side_paper, "hillside");
    EXPECT_TRUE(done(dress({"--remove-wet"})));
    EXPECT_EQ(project().dress.wet.size(), last);
    EXPECT_TRUE(done(dress({"--late-frame", "none"})));
    EXPECT_EQ(project().dress.frame.how, LateFraming::None);
}

TEST_F(HoldsByCommand, ArrangementsArePutAsideComparedAndBroughtBack) {
    EXPECT_TRUE(done(dress({"--put-aside", "Before"})));
    const Project before = project();
    EXPECT_TRUE(done(dress({"--hold", "photo:1=double", "--title", "Up it goes"})));
    const Ran compared = dress({"--compare"});
    EXPECT_TRUE(done(compared));
    EXPECT_NE(compared.out.find("in hand: "), std::string::npos);
    EXPECT_NE(compared.out.find("Before: "), std::string::npos);
    EXPECT_TRUE(done(dress({"--bring-back", "Before"})));
    EXPECT_TRUE(project() == before);
    EXPECT_TRUE(done(dress({"--remove-arrangement", "Before"})));
    EXPECT_EQ(project().variants.size(), before.variants.size() - 1);
}

TEST_F(HoldsByCommand, DropOutsBecomeEmbellishmentsOnceByShape) {
    const QString stash = dir_.filePath("own.stash");
    ASSERT_EQ(zesty({"stash", stash, "--import", demo::stash()}).code, 0);
    const Ran kept = zesty({"stash", stash, "--drop-outs", page_, "--json"});
    ASSERT_EQ(kept.code, 0) << kept.err;
    const auto all = json::parse(kept.out)["embellishments"];
    ASSERT_GT(all.size(), 5u);
    int pieces = 0;
    for (const auto& e : all) {
        EXPECT_EQ(e["kind"], "die-cut");
        pieces += e["count"].get<int>();
    }
    // The same page again adds to the counts and to nothing else.
    const Ran again = zesty({"stash", stash, "--drop-outs", page_, "--json"});
    const auto twice = json::parse(again.out)["embellishments"];
    EXPECT_EQ(twice.size(), all.size());
    int doubled = 0;
    for (const auto& e : twice) doubled += e["count"].get<int>();
    EXPECT_EQ(doubled, 2 * pieces);
    refuses(zesty({"stash", stash, "--drop-outs", page_, "--of-cut", "4"}), "--of-cut");
}

TEST_F(HoldsByCommand, ThePlacementSheetIsAChapterOfItsOwn) {
    const QString out = dir_.filePath("out");
    const Ran ran = zesty({"export", page_, "--stash", "none", "--out", out, "--chapters", "placement,glue"});
    EXPECT_LE(ran.code, 1) << ran.err;
    QProcess text;
    text.start("pdftotext", {out + "/guide.pdf", "-"});
    ASSERT_TRUE(text.waitForFinished(patience_ms));
    const QString words = QString::fromUtf8(text.readAllStandardOutput());
    EXPECT_TRUE(words.contains("where everything lies")) << words.left(400).toStdString();
    EXPECT_TRUE(words.contains("foam and glue"));
}

TEST_F(HoldsByCommand, TheStepsOfThePageAreSaidWithTheirTimes) {
    const Ran said = zesty({"build", page_, "--stash", "none"});
    ASSERT_EQ(said.code, 0) << said.err;
    EXPECT_NE(said.out.find("Lay everything out dry"), std::string::npos) << said.out;
    EXPECT_NE(said.out.find("everything is dry at"), std::string::npos);
    const auto minutes = [&](const char* hands) {
        const Ran ran = zesty({"build", page_, "--stash", "none", "--hands", hands, "--json"});
        EXPECT_EQ(ran.code, 0) << ran.err;
        const json j = json::parse(ran.out);
        EXPECT_EQ(j["format"], "zesty-build/1");
        double last = 0;
        for (const auto& step : j["steps"]) {
            EXPECT_GE(step["start_min"].get<double>(), last) << "in the order in which they begin";
            last = step["start_min"];
        }
        return j["finish_min"].get<double>();
    };
    const double by_two = minutes("2");
    EXPECT_LE(by_two, minutes("1"));
    refuses(zesty({"build", page_, "--hands", "0"}), "--hands");
    refuses(zesty({"build", dir_.filePath("nothing.zesty")}), "nothing.zesty");
}

} // namespace zesty
