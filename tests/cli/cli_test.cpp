// The command line as a person or a script meets it.

#include "cli/run.h"
#include "support/demo.h"

#include <QDir>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace zesty {

using nlohmann::json;

TEST(Cli, InspectMeasuresTheDemoAndScalesToAWidth) {
    const Ran plain = zesty({"inspect", demo::drawing(), "--json"});
    ASSERT_EQ(plain.code, 0) << plain.err;
    const json a = json::parse(plain.out);
    EXPECT_EQ(a["format"], "zesty-inspect/1");
    EXPECT_GE(a["openings"].size(), 24u);
    EXPECT_EQ(a["pieces"].size(), 4u);
    const json b = json::parse(zesty({"inspect", demo::drawing(), "--width", "254mm", "--json"}).out);
    EXPECT_NEAR(b["size"][0].get<double>(), 254, 1e-3);
    const double k = 254 / a["size"][0].get<double>();
    EXPECT_NEAR(b["narrowest_bar_mm"].get<double>(), k * a["narrowest_bar_mm"].get<double>(), 1e-3);
    EXPECT_NEAR(b["cut_length_mm"].get<double>(), k * a["cut_length_mm"].get<double>(), 0.01);
    EXPECT_NEAR(b["openings"][3]["area_mm2"].get<double>(),
                k * k * a["openings"][3]["area_mm2"].get<double>(), 1e-2);
    EXPECT_NE(zesty({"inspect", demo::drawing()}).out.find("31 openings"), std::string::npos);
}

TEST(Cli, NewPlanAndExportGoFromADrawingToAGuide) {
    QTemporaryDir dir;
    const QString project = dir.filePath("p.zesty");
    const Ran made =
        zesty({"new", demo::drawing(), "--page", "12x12in", "--margin", "0.5in", "--reveal", "1/4in",
               "--turn", "-12", "--mirror", "--stash", demo::stash(), "--out", project});
    ASSERT_EQ(made.code, 0) << made.err;
    const Ran planned = zesty({"plan", project, "--json", "--seed", "3"});
    ASSERT_NE(planned.code, 2) << planned.err;
    const json plan = json::parse(planned.out);
    EXPECT_EQ(planned.code, plan["short"].empty() ? 0 : 1);
    EXPECT_NEAR(plan["page"]["width"].get<double>(), 304.8, 1e-6);
    EXPECT_EQ(plan["patches"].size(), plan["openings"].size());
    const json again = json::parse(zesty({"plan", project, "--json", "--seed", "3"}).out);
    EXPECT_EQ(again["sections"], plan["sections"]) << "the same seed gives the same plan";
    EXPECT_EQ(again["patches"], plan["patches"]);
    const Ran exported = zesty({"export", project, "--out", dir.filePath("out"), "--paper", "letter"});
    ASSERT_NE(exported.code, 2) << exported.err;
    EXPECT_TRUE(QFile::exists(dir.filePath("out/guide.pdf")));
    EXPECT_TRUE(QFile::exists(dir.filePath("out/page.png")));
    EXPECT_NE(zesty({"plan", project}).out.find("patches"), std::string::npos);
}

TEST(Cli, NestReadsAJobAndAnswersInTime) {
    QTemporaryDir dir;
    json job{{"format", "zesty-nest/1"},
             {"units", "mm"},
             {"gap", 0.5},
             {"pieces", json::array()},
             {"sheets", json::array()}};
    for (int i = 0; i < 30; ++i)
        job["pieces"].push_back({{"id", "p" + std::to_string(i)},
                                 {"rotations", "any"},
                                 {"outline", {{{0, 0}, {20 + i, 0}, {5, 15 + i}}}}});
    job["sheets"].push_back({{"id", "s"}, {"outline", {{{0, 0}, {120, 0}, {120, 120}, {0, 120}}}}});
    write(dir.filePath("job.json"), QByteArray::fromStdString(job.dump()));
    const Ran r = zesty({"nest", dir.filePath("job.json"), "--seconds", "0.5", "--json"});
    ASSERT_NE(r.code, 2) << r.err;
    const json result = json::parse(r.out);
    EXPECT_EQ(result["format"], "zesty-nest-result/1");
    EXPECT_EQ(result["placements"].size() + result["unplaced"].size(), 30u);
    EXPECT_EQ(r.code, result["unplaced"].empty() ? 0 : 1);
}

TEST(Cli, BadInputIsOneLineOnStandardErrorAndLeavesFilesAlone) {
    QTemporaryDir dir;
    const QString svg = demo::drawing();
    const QString out = dir.filePath("keep.zesty");
    write(out, "precious");
    write(dir.filePath("bad.json"), "{]");
    write(dir.filePath("junk.svg"), QByteArray("\x00\x01\x02 junk", 8));
    expect_one_line(zesty({"inspect", dir.filePath("none.svg")}), "no such file");
    expect_one_line(zesty({"inspect", dir.filePath("junk.svg")}), "junk.svg");
    expect_one_line(zesty({"inspect", svg, "--width", "wide"}), "--width");
    expect_one_line(zesty({"inspect", svg, "--width", "-3in"}), "--width");
    expect_one_line(zesty({"new", svg, "--page", "12by12", "--out", out}), "--page");
    expect_one_line(zesty({"new", svg, "--margin", "7in", "--out", out}), "--margin");
    expect_one_line(zesty({"new", svg, "--lip", "3in", "--out", out}), "--lip");
    expect_one_line(zesty({"new", svg, "--stash", dir.filePath("bad.json"), "--out", out}), "bad.json");
    expect_one_line(zesty({"new", svg, "--out", dir.filePath("no/folder/p.zesty")}), "no such folder");
    expect_one_line(zesty({"plan", svg}), "not a project");
    expect_one_line(zesty({"nest", dir.filePath("bad.json")}), "not JSON");
    expect_one_line(zesty({"export", dir.filePath("none.zesty"), "--out", dir.path()}), "no such file");
    expect_one_line(zesty({"fold"}), "--help");
    expect_one_line(zesty({"inspect"}), "CUT");
    QFile kept(out);
    ASSERT_TRUE(kept.open(QIODevice::ReadOnly));
    EXPECT_EQ(kept.readAll(), "precious");
}

TEST(Cli, PageSizesAndLengthsTakeUnits) {
    QTemporaryDir dir;
    for (const auto& [page, width, height] :
         {std::tuple("8.5x11", 215.9, 279.4), std::tuple("210x297mm", 210.0, 297.0),
          std::tuple("6 x 12 in", 152.4, 304.8), std::tuple("20cm x 30cm", 200.0, 300.0)}) {
        const QString p = dir.filePath("p.zesty");
        ASSERT_EQ(zesty({"new", demo::drawing(), "--page", page, "--margin", "10mm", "--out", p}).code, 0)
            << page;
        const json plan = json::parse(zesty({"plan", p, "--json"}).out);
        EXPECT_NEAR(plan["page"]["width"].get<double>(), width, 1e-6);
        EXPECT_NEAR(plan["page"]["height"].get<double>(), height, 1e-6);
    }
}

TEST(Cli, HelpAndVersionSucceed) {
    EXPECT_EQ(zesty({"--help"}).code, 0);
    EXPECT_NE(zesty({"--version"}).out.find("zesty "), std::string::npos);
    EXPECT_EQ(zesty({"plan", "--help"}).code, 0);
}

TEST(Cli, SetOutChangesTheProjectAndSaysWhatComesOfIt) {
    const QTemporaryDir home;
    const QString p = home.filePath("p.zesty");
    ASSERT_EQ(zesty({"new", demo::drawing(), "--stash", demo::stash(), "--out", p}).code, 0);
    const Ran frame = zesty({"set-out", p, "--reveal", "1/2in", "--spread", "--gap", "1/4in"});
    EXPECT_NE(frame.out.find("each base is 11 x 11 in"), std::string::npos) << frame.out;
    EXPECT_NE(frame.out.find("two sheets of 10 x 10 in"), std::string::npos) << frame.out;
    const Ran facing = zesty({"set-out", p, "--facing", "--photo", "Mia:4x6", "--photo-at", "3,4", "--json"});
    ASSERT_NE(facing.code, 2) << facing.err;
    EXPECT_EQ(json::parse(facing.out)["cuts"].size(), 2u);
    const json ladder = json::parse(zesty({"set-out", p, "--cut", "1", "--ladder", "--json"}).out)["ladder"];
    ASSERT_GT(ladder.size(), 5u);
    EXPECT_LT(ladder[0]["thinnest_bar_mm"].get<double>(),
              ladder[ladder.size() - 1]["thinnest_bar_mm"].get<double>());
    const json sized =
        json::parse(zesty({"set-out", p, "--cut", "1", "--size-for", "bar=2.5mm", "--json"}).out);
    EXPECT_NEAR(sized["cuts"][0]["thinnest_bar_mm"].get<double>(), 2.5, 1e-3);
    const json photo = json::parse(zesty({"set-out", p, "--fit-photo", "11:4x6", "--json"}).out)["photo"];
    EXPECT_GT(photo["largest_inside"]["width_mm"].get<double>(), 10);
    EXPECT_GT(photo["smallest_covering"]["width_mm"].get<double>(),
              photo["largest_inside"]["width_mm"].get<double>());
    EXPECT_LE(std::abs(photo["largest_inside"]["turn_deg"].get<double>()), 5);
    EXPECT_GE(photo["at_any_tilt"]["width_mm"].get<double>(),
              photo["largest_inside"]["width_mm"].get<double>() * 0.99);
    // Put behind, it covers the opening, which then gets no patch.
    const QString with_photo = p + ".photo.zesty";
    ASSERT_TRUE(done(zesty({"set-out", p, "--fit-photo", "11:4x6", "--put-photo", "behind", "--most-tilt",
                            "0", "--out", with_photo})));
    const json behind = json::parse(zesty({"plan", with_photo, "--seconds", "0.5", "--json"}).out);
    EXPECT_NEAR(behind["openings"][10]["photo_share"].get<double>(), 1, 1e-6);
    for (const json& patch : behind["patches"]) EXPECT_NE(patch["opening"], behind["openings"][10]["id"]);
    const json mat = json::parse(
        zesty({"set-out", p, "--cutting-mat", "12x12in", "--sizes", "4,6", "--json"}).out)["cutting_mat"];
    EXPECT_GE(mat[0]["count"].get<int>(), mat[1]["count"].get<int>());
    expect_one_line(zesty({"set-out", p, "--cut", "2", "--remove", "--only", "1"}), "--remove");
    EXPECT_TRUE(done(zesty({"set-out", p, "--cut", "2", "--remove"})));
    // A shadow lies below; what else is said is still for the cut.
    const json shadow =
        json::parse(zesty({"set-out", p, "--cut", "1", "--shadow", "2mm", "--width", "6in", "--json"}).out);
    ASSERT_EQ(shadow["cuts"].size(), 2u);
    EXPECT_NEAR(shadow["cuts"][1]["box"][2].get<double>() - shadow["cuts"][1]["box"][0].get<double>(), 152.4,
                0.01);
    EXPECT_TRUE(done(zesty({"set-out", p, "--cut", "1", "--remove"})));
    expect_one_line(zesty({"set-out", p, "--cut", "9"}), "there is 1 cut");
    expect_one_line(zesty({"set-out", p, "--leave-out", "99"}), "there is no number 99");
    expect_one_line(zesty({"set-out", p, "--size-for", "luck"}), "bar=2mm");
    expect_one_line(zesty({"set-out", p, "--reveal", "1,2"}), "left,top,right,bottom");
}

TEST(Cli, SectionsAreGroupedDividedTreatedAndCompared) {
    const QTemporaryDir home;
    const QString p = home.filePath("p.zesty");
    ASSERT_EQ(zesty({"new", demo::drawing(), "--stash", demo::stash(), "--out", p}).code, 0);
    const auto sections = [&](const QStringList& options) {
        const Ran r = zesty(QStringList{"sections", p, "--json"} + options);
        EXPECT_TRUE(done(r));
        return r.code == 2 ? json::array() : json::parse(r.out)["sections"];
    };
    const std::size_t all = sections({}).size();
    EXPECT_EQ(sections({"--divide", "11:bands:3"}).size(), all + 2);
    EXPECT_EQ(sections({"--undivide", "11"}).size(), all);
    EXPECT_EQ(sections({"--divide", "base:rays:6"}).size(), all + 6);
    EXPECT_EQ(sections({"--undivide", "base"}).size(), all);
    EXPECT_LT(sections({"--by", "sizes", "--count", "3"}).size(), all);
    EXPECT_EQ(sections({"--ungroup", "1-31"}).size(), all);
    const json treated =
        sections({"--treat", "1:shaker", "--method", "2:glue", "--name", "3:sky", "--order", "3:1"});
    EXPECT_EQ(treated[0]["treatment"], "shaker");
    EXPECT_EQ(treated[1]["method"], "glue");
    EXPECT_EQ(treated[2]["name"], "sky");
    const Ran compared = zesty({"sections", p, "--compare", "--json"});
    EXPECT_EQ(json::parse(compared.out)["methods"].size(), 8u);
    const Ran told = zesty({"sections", p, "--advise", "--lips", "overlap"});
    EXPECT_NE(told.out.find("would suit"), std::string::npos);
    expect_one_line(zesty({"sections", p, "--treat", "1:velvet"}), "velvet");
    expect_one_line(zesty({"sections", p, "--divide", "3:spiral"}), "7:bands:4");
    expect_one_line(zesty({"sections", p, "--group", "1-400"}), "from 1 to");
    // A plan of the changed project still stands.
    EXPECT_TRUE(done(zesty({"plan", p, "--json"})));
}

TEST(Cli, OtherWaysInAreToldByTheirContent) {
    const QTemporaryDir home;
    // A ring of 100 px, beside it a square of 50 px that is 1 in large, in a file without an ending.
    QImage scan(400, 260, QImage::Format_RGB32);
    scan.fill(Qt::white);
    for (int y = 0; y < 260; ++y)
        for (int x = 0; x < 400; ++x) {
            const double r = std::hypot(x - 240.0, y - 130.0);
            if ((r < 100 && r > 50) || (x >= 20 && x < 70 && y >= 20 && y < 70))
                scan.setPixel(x, y, qRgb(20, 20, 20));
        }
    const QString picture = home.filePath("scan");
    ASSERT_TRUE(scan.save(picture, "PNG"));
    const json traced = json::parse(zesty({"inspect", picture, "--json"}).out);
    EXPECT_EQ(traced["pieces"].size(), 2u) << "the square too";
    const json real = json::parse(zesty({"inspect", picture, "--square", "1in", "--json"}).out);
    EXPECT_EQ(real["pieces"].size(), 1u);
    ASSERT_EQ(real["openings"].size(), 1u);
    EXPECT_NEAR(real["size"][0].get<double>(), 200 * 25.4 / 50, 1.5);
    EXPECT_NEAR(real["openings"][0]["area_mm2"].get<double>(), M_PI * 25.4 * 25.4, 0.03 * M_PI * 25.4 * 25.4);
    // A new project keeps the real size.
    const QString p = home.filePath("p.zesty");
    ASSERT_EQ(zesty({"new", picture, "--square", "1in", "--out", p}).code, 0);
    const json set_out = json::parse(zesty({"set-out", p, "--json"}).out);
    EXPECT_NEAR(set_out["cuts"][0]["size_mm"][0].get<double>(), 101.6, 1.5);
    const QString dxf = home.filePath("plate.dxf");
    write(
        dxf,
        "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n"
        "0\nCIRCLE\n8\n0\n10\n0\n20\n0\n40\n30\n0\nCIRCLE\n8\n0\n10\n5\n20\n0\n40\n10\n0\nENDSEC\n0\nEOF\n");
    const json plate = json::parse(zesty({"inspect", dxf, "--json"}).out);
    EXPECT_EQ(plate["openings"].size(), 1u);
    EXPECT_NEAR(plate["narrowest_bar_mm"].get<double>(), 15, 0.01);
    expect_one_line(zesty({"inspect", picture, "--square", "tall"}), "--square");
    write(home.filePath("half.png"), QByteArray("\x89PNG\r\n\x1a\n half of it"));
    expect_one_line(zesty({"inspect", home.filePath("half.png")}), "damaged");
    write(home.filePath("empty.zip"), QByteArray("PK\x03\x04 not much"));
    expect_one_line(zesty({"inspect", home.filePath("empty.zip")}), "bundle");
}

TEST(Cli, SingleBarsAndTheMatAreDecidedAndDrawn) {
    QTemporaryDir dir;
    const QString project = dir.filePath("p.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), project));
    QFile::setPermissions(project, QFile::ReadOwner | QFile::WriteOwner);
    const Ran bars = zesty({"sections", project, "--bars", "3:overlap"});
    EXPECT_LT(bars.code, 2) << bars.err;
    expect_one_line(zesty({"sections", project, "--bars", "3:sideways"}), "--bars");
    expect_one_line(zesty({"sections", project, "--bars", "1,26:meet"}), "no bar between");
    const QString picture = dir.filePath("mat.png");
    const Ran mat =
        zesty({"set-out", project, "--cutting-mat", "12x24in", "--cutting-mat-picture", picture, "--json"});
    ASSERT_LT(mat.code, 2) << mat.err;
    EXPECT_GE(json::parse(mat.out)["cutting_mat"][0]["count"].get<int>(), 2);
    const QImage image(picture);
    EXPECT_NEAR(1.0 * image.height() / image.width(), 2, 0.01);
    // What is wrong is found before anything is said.
    expect_one_line(zesty({"set-out", project, "--fit-photo", "7:wide"}), "--fit-photo");
    expect_one_line(zesty({"set-out", project, "--fit-photo", "7:4x6", "--put-photo", "under"}),
                    "--put-photo");
    expect_one_line(zesty({"set-out", project, "--put-photo", "inside"}), "--put-photo");
    expect_one_line(zesty({"set-out", project, "--cutting-mat", "large"}), "--cutting-mat");
    expect_one_line(zesty({"set-out", project, "--cutting-mat", "1x1in", "--cutting-mat-picture", picture}),
                    "not even one");
}

} // namespace zesty
