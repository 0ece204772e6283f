// Project, stash and plan documents: round trips, refusals, failing disks. Older formats are in
// old_formats_test.cpp.

#include "core/project/edits.h"
#include "core/project/planner.h"
#include "io/fields/upgrade.h"
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

/// A project file with these entries.
QByteArray zip_of(const std::map<std::string, std::string>& entries) {
    QBuffer buffer;
    QuaZip archive(&buffer);
    EXPECT_TRUE(archive.open(QuaZip::mdCreate));
    for (const auto& [name, bytes] : entries) {
        QuaZipFile file(&archive);
        EXPECT_TRUE(file.open(QIODevice::WriteOnly, QuaZipNewInfo(QString::fromStdString(name))));
        file.write(bytes.data(), static_cast<qint64>(bytes.size()));
        file.close();
    }
    archive.close();
    return buffer.data();
}

Writing written_round() {
    Writing out;
    out.shape = WritingShape::Arc;
    out.text = "Wind from the west\nand a long tail";
    out.radius = 66;
    out.sweep_deg = 300;
    out.pen = {30, 60, 90};
    return out;
}

void dress_it(Project& p) {
    p.dress.writings = {Writing{}, written_round()};
    p.dress.letter_width = 0.5;
    PaperLayer hill;
    hill.name = "hill";
    hill.shape = LayerShape::Hill;
    hill.paper = "barley";
    hill.side = Side::B;
    hill.centre = {20, 30};
    hill.turn_deg = 3;
    hill.torn = true;
    hill.tear = 2;
    hill.place = LayerPlace::OnTop;
    PaperLayer tape;
    tape.shape = LayerShape::Tape;
    tape.edge = BaseEdge::Left;
    tape.inset = 7;
    p.dress.layers = {hill, tape};
    PageTitle title;
    title.text = "windy uphill";
    title.sets = {"cork", "stamp"};
    title.path = {TitleOn::Opening, {1, 2}, 99, 3, 50, -20, -90, Spot(0, 4), 0, 0.25, -1.5};
    title.spacing = 0.5;
    title.height = 12;
    title.block = title.label = true;
    p.dress.titles = {title};
    p.dress.stitchings = {{Stitch::Back, true, false, true, false, 9, 4, 2, {1, 2, 3}}};
    p.dress.embellishments = {{"brass-dot", {5, 6}, 7}};
    PhotoMat gutted;
    gutted.gut = true;
    p.set_out.photos[0].mats = {{"barley", Side::B, 2.5, {1, -2}, MatSpan::Upper, true, 4, true, false},
                                gutted};
}

} // namespace

TEST(ProjectFile, EverythingDecidedComesBackTheSame) {
    auto opened = open_project(demo::project());
    ASSERT_TRUE(opened) << opened.error().message;
    Project p = *opened;
    const std::string second = "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0h9v9z'/></svg>";
    p.title = "Zwölf \"Drachen\" & <mehr>";
    p.units = Units::Centimetres;
    p.set_out.page = {.width = 215.9,
                      .height = 279.4,
                      .spread = true,
                      .gap = 12.5,
                      .second_width = 152.4,
                      .second_height = 200.1,
                      .reveal = {6.35, 3, 0, 7.0000001},
                      .frame = FrameKind::Strips,
                      .glue_lip = 10,
                      .window_width = 150,
                      .window_height = 160.25,
                      .frame_paper = "sand",
                      .side_paper = "barley"};
    p.set_out.bars = {0.7, 1.25, 3, 6};
    p.set_out.usual = {2.5, 4, 3, 20};
    p.sections.pace = {15, 0.5, 2, 6, 7, 25, 20, 40};
    p.set_out.rooms = {{RoomFor::Journaling, 60, 40}, {RoomFor::Cluster, 30, 31.5}};
    p.set_out.rooms[1].centre = Point{80, 90};
    p.set_out.may_cover = 0.45;
    p.set_out.date = "2026-05-17";
    p.sections.choose(2, {.name = "bow", .punch_on_top = true});
    p.set_out.cuts.front().place = {SizeRule::Height, 187.3333333333333, -37.123456789, true, {1.25, -3.5}};
    add_cut(p, std::make_shared<const DrawingFile>(
                   DrawingFile{"second.svg", second, *read_svg(QByteArray::fromStdString(second))}));
    copy_cut(p, 0, true, {40, 0});
    p.set_out.cuts[1].left_out = {0, 3};
    p.set_out.cuts[1].above_photos = false;
    p.set_out.photos.push_back(
        {"Mia & kite", 101.6, 152.4, false, {80, 90.5}, -3.25, true, {{-20, -30, 10, 5}}});
    p.set_out.photos.push_back({"", 50.8, 50.8, true, {200, 210}, 0, false, {}});
    dress_it(p);
    p.sections.lip = 2.0999999;
    p.set_out.cuts[1].pieces_from_paper = true;
    p.set_out.cuts[1].layers = {"colour #aa3300"};
    p.set_out.cuts[1].by_whole = true;
    p.set_out.cuts[1].grown = 1.75;
    p.set_out.cuts[1].place.rule = SizeRule::Frame;
    p.sections.backing = {BackingMethod::Punches, LipMode::Overlap, 0.3, 6.1, {20, 30.5}, true};
    divide(p, {4, base_spot}, {Division::Kind::Rays, 5, 3, 12.25, {0.25, 0.75}});
    p.sections.choose(
        5, {.name = {}, .treatment = Treatment::Shaker, .method = BackingMethod::GlueAndTrim, .order = 7});
    p.seed = 4000000000u;
    group(p, {1, 2, 3});
    p.sections.choose(6, {"sky", Treatment::Open, 1.5});
    const auto bytes = project_bytes(p);
    ASSERT_TRUE(bytes);
    const auto again = project_from(*bytes, "x.zesty");
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_TRUE(*again == p);
    EXPECT_EQ(*project_bytes(*again), *bytes) << "the same project gives the same file";
}

TEST(ProjectFile, WhateverIsDecidedComesBack) {
    std::mt19937 random(12);
    Project p = *open_project(demo::project());
    for (int step = 0; step < 120; ++step) {
        testing::random_edit(p, random, 31);
        if (step % 10 != 0) continue;
        const auto bytes = project_bytes(p);
        ASSERT_TRUE(bytes);
        const auto again = project_from(*bytes, "x.zesty");
        ASSERT_TRUE(again) << again.error().message;
        ASSERT_TRUE(*again == p) << "step " << step;
    }
}

TEST(ProjectFile, APageThatTookAProposalOpensAgain) {
    auto project = open_project(demo::project());
    ASSERT_TRUE(project);
    // Heavier every time: what a proposal was made with is what the next ones start from.
    project->match.style.weights = {2, 2, 2, 2, 2, 2};
    QTemporaryDir folder;
    const QString path = folder.filePath("taken.zesty");
    for (int round = 0; round < 2; ++round) {
        Planner planner(testing::laid_before());
        const auto offered = planner.proposals(*project, false, 3);
        ASSERT_TRUE(offered);
        ASSERT_GT(offered->size(), 1u);
        for (const OfferedPage& page : *offered) {
            const auto saved = save_project(page.project, path);
            ASSERT_TRUE(saved) << name_of(page.mood) << ": " << saved.error().message;
            const auto back = open_project(path);
            ASSERT_TRUE(back) << name_of(page.mood) << ": " << back.error().message;
            EXPECT_TRUE(*back == page.project) << name_of(page.mood);
        }
        project = offered->back().project;
    }
}

TEST(ProjectFile, WhatCouldNotBeOpenedAgainIsNotSavedOverTheOldFile) {
    QTemporaryDir folder;
    const QString path = folder.filePath("kite.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), path));
    const auto before = read_file(path);
    auto project = open_project(path);
    ASSERT_TRUE(project);
    project->sections.lip = 1e6;
    const auto refused = save_project(*project, path);
    ASSERT_FALSE(refused);
    EXPECT_EQ(refused.error().kind, ErrorKind::Unwritable);
    EXPECT_EQ(*read_file(path), *before);
    project = open_project(path);
    // Read without complaint, but not as it was.
    project->sections.backing.punches = {30, 20};
    EXPECT_FALSE(save_project(*project, path));
    EXPECT_EQ(*read_file(path), *before);
}

TEST(ProjectFile, PicturesOfPhotosAndWishesComeBack) {
    Project p = *open_project(demo::project());
    QFile file(demo::file("photos/kite-day.png"));
    ASSERT_TRUE(file.open(QIODevice::ReadOnly));
    const auto picture = brought_picture("kite-day.png", file.readAll().toStdString());
    ASSERT_TRUE(picture) << picture.error().message;
    EXPECT_GE((*picture)->palette.size(), 3u);
    Photo photo;
    photo.width = 90;
    photo.height = 60;
    photo.picture = *picture;
    Photo plain = photo;
    plain.picture = {};
    p.set_out.photos = {photo, plain};
    p.match.style.zones = {{1, 2, 3}, {250, 240, 9}};
    p.match.style.map = ToneMap::Zones;
    p.match.style.weights.thrift = 0.25;
    p.match.roles["barley"] = PaperRole::Tie;
    keep_apart(p.match, "gull-print", "barley", true);
    p.match.slants = {SlantRule::Facing, -30};
    p.sheets.pins[Spot(3)] = {"barley#1", 12.5, {1, 2}};
    p.sheets.reserved = {{"", "barley", Side::A, {testing::rectangle(0, 0, 1.0 / 3, 20), {}}},
                         {"Tram Terrace",
                          "gull-print",
                          Side::B,
                          {testing::rectangle(0, 0, 9, 9), {testing::rectangle(2, 2, 3, 3)}}}};
    PaperChoice c;
    c.side = Side::B;
    c.paper = "barley";
    c.never = {"brick-dust", "hillside"};
    c.same_as = Spot(2);
    c.facing = true;
    c.pattern = {12, 0.5, MotifAnchor{{3, 4}, {5, 6}}, true};
    p.match.choose(Spot(4), c);
    const auto again = project_from(*project_bytes(p), "x.zesty");
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_TRUE(*again == p);
    EXPECT_EQ(again->set_out.photos[0].picture->palette, (*picture)->palette);
    EXPECT_FALSE(brought_picture("x.png", "no picture"));
}

TEST(ProjectFile, AnEmptyPageIsAProjectToo) {
    const auto again = project_from(*project_bytes(Project{}), "x.zesty");
    ASSERT_TRUE(again);
    EXPECT_TRUE(*again == Project{});
}

TEST(ProjectFile, NewerAndBrokenFilesAreRefusedClearly) {
    const std::string drawing = "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0h9v9z'/></svg>";
    const auto kind = [](const QByteArray& data) {
        const auto r = project_from(data, "x.zesty");
        EXPECT_FALSE(r);
        if (r) return ErrorKind::Stopped;
        EXPECT_EQ(r.error().message.rfind("x.zesty: ", 0), 0u) << r.error().message;
        return r.error().kind;
    };
    const std::string newer = R"({"format":"zesty-project/)" + std::to_string(project_version + 1) + "\"}";
    EXPECT_EQ(kind(zip_of({{"project.json", newer}})), ErrorKind::NewerFormat);
    EXPECT_EQ(kind(zip_of({{"project.json", R"({"format":"zesty-project/x"})"}})), ErrorKind::BadInput);
    EXPECT_EQ(kind(zip_of({{"project.json", "{"}})), ErrorKind::BadInput);
    EXPECT_EQ(kind(zip_of({{"other", "x"}})), ErrorKind::BadInput);
    EXPECT_EQ(kind("not a zip"), ErrorKind::BadInput);
    EXPECT_EQ(kind(""), ErrorKind::BadInput);
    EXPECT_EQ(kind(zip_of({{"project.json", R"({"format":"zesty-project/1","drawing":"drawing/a.svg"})"}})),
              ErrorKind::BadInput);
    const char* wrong[] = {
        R"("lip_mm":"wide")",     R"("page":{"width_mm":-5})", R"("groups":[["x","y"]])",
        R"("seed":-1)",           R"("cut":{"shift_mm":[1]})", R"("sections":[{"opening":0}])",
        R"("title":7)",           R"("cut":{"turn_deg":1e9})", R"("sections":[5])",
        R"("cut":{"mirrored":3})"};
    const char* wrong_about_papers[] = {
        R"("colours":{"drift":2})",
        R"("colours":{"map":"rainbow"})",
        R"("colours":{"zones":["red"]})",
        R"("colours":{"weights":{"spread":9}})",
        R"("roles":{"barley":"king"})",
        R"("apart":[["a"]])",
        R"("slants":{"rule":"steep"})",
        R"("pins":[{"opening":[0,1,0],"shift_mm":[1]}])",
        R"("wanted":{})",
        R"("wanted":[{"outline":[[[0,0],[9,0],[9,9]]]}])",
        R"("wanted":[{"paper":"barley"}])",
        R"("wanted":[{"paper":"barley","outline":[[[0,0],[9,0]]]}])",
        R"("wanted":[{"paper":"barley","outline":[[[0,0],[9,9],[9,0],[0,9]]]}])",
        R"("wanted":[{"paper":"barley","side":"C","outline":[[[0,0],[9,0],[9,9]]]}])",
        R"("sections":[{"opening":[0,1,0],"side":"C"}])",
        R"("sections":[{"opening":[0,1,0],"never":[3]}])",
        R"("sections":[{"opening":[0,1,0],"same_as":"x"}])",
        R"("sections":[{"opening":[0,1,0],"print":{"tone":7}}])",
        R"("sections":[{"opening":[0,1,0],"print":{"motif":{"on_paper_mm":[1]}}}])"};
    for (const char* w : wrong_about_papers)
        EXPECT_EQ(kind(zip_of({{"project.json", std::string(R"({"format":"zesty-project/4",)") + w + "}"}})),
                  ErrorKind::BadInput)
            << w;
    const auto of_format_1 = [&](const std::string& member) {
        const std::string all = R"({"format":"zesty-project/1","drawing":"drawing/a.svg")" + member + "}";
        return zip_of({{"project.json", all}, {"drawing/a.svg", drawing}});
    };
    ASSERT_TRUE(project_from(of_format_1(""), "x.zesty"));
    for (const char* w : wrong) EXPECT_EQ(kind(of_format_1(std::string(",") + w)), ErrorKind::BadInput) << w;
    EXPECT_TRUE(
        project_from(zip_of({{"project.json", R"({"format":"zesty-project/1","drawing":"drawing/a.svg"})"},
                             {"drawing/a.svg", drawing}}),
                     "x"));
}

TEST(ProjectFile, APhotoWithoutASizeIsRefusedAndNotReadAsOneThatCannotBeSaved) {
    const auto j = nlohmann::json::parse(
        R"({"format":"zesty-project/6","set_out":{"photos":[{"name":"Mia","width_mm":101.6}],"pictures":[""]}})");
    const auto read = decisions_from(j, "kite.zesty");
    ASSERT_FALSE(read);
    EXPECT_NE(read.error().message.find("height_mm"), std::string::npos) << read.error().message;
}

TEST(ProjectFile, DamageAnywhereNeverCrashes) {
    const auto good = read_file(demo::project());
    ASSERT_TRUE(good);
    std::mt19937 random(6);
    int refused = 0;
    for (int round = 0; round < 60; ++round) {
        QByteArray bad = *good;
        if (round % 3 == 0) bad.truncate(static_cast<qsizetype>(random() % bad.size()));
        for (int k = 0; k < 40; ++k)
            if (!bad.isEmpty())
                bad[static_cast<qsizetype>(random() % bad.size())] = static_cast<char>(random());
        const auto r = project_from(bad, "x.zesty");
        refused += !r;
        EXPECT_TRUE(r || !r.error().message.empty());
    }
    EXPECT_GT(refused, 40);
}

TEST(ProjectFile, AFailedSaveLeavesTheOldFile) {
    QTemporaryDir dir;
    const QString path = dir.filePath("page.zesty");
    ASSERT_TRUE(save_project(Project{}, path));
    const auto before = read_file(path);
    ASSERT_TRUE(before);
    Project other;
    other.title = "Other";
    {
        // As on a full disk: no file may grow beyond 64 KB.
        const FileSizeLimit limit(64 << 10);
        const auto full = write_file(path, QByteArray(1 << 20, 'x'));
        ASSERT_FALSE(full);
        EXPECT_EQ(full.error().kind, ErrorKind::Unwritable);
    }
    EXPECT_EQ(save_project(other, dir.filePath("no/such/folder/page.zesty")).error().kind,
              ErrorKind::Unwritable);
    EXPECT_EQ(*read_file(path), *before);
    ASSERT_TRUE(save_project(other, path));
    EXPECT_EQ(open_project(path)->title, "Other");
}

TEST(ReadFile, SaysWhatIsWrong) {
    QTemporaryDir dir;
    EXPECT_EQ(read_file(dir.filePath("none")).error().kind, ErrorKind::Unreadable);
    EXPECT_EQ(read_file(dir.path()).error().kind, ErrorKind::Unreadable);
    ASSERT_TRUE(write_file(dir.filePath("big"), QByteArray(2000, 'x')));
    EXPECT_EQ(read_file(dir.filePath("big"), 1000).error().kind, ErrorKind::TooLarge);
}

} // namespace zesty
