// Whatever is decided can be stored: random edits of every stage, proposals taken, saved and opened after
// each.
//
// 200 sequences run every time; ZESTY_LONG=2000 runs as many. With ZESTY_KEEP_PLANS=FOLDER the
// page at the end of each sequence, its plan and its stash are written there, for tests/agreement/edits.py to
// have them judged.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "io/plan_json.h"
#include "io/project_file.h"
#include "io/project_json.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/svg/svg_reader.h"
#include "io/svg/svg_writer.h"
#include "support/edits.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <QDir>
#include <QTemporaryDir>
#include <gtest/gtest.h>

namespace zesty {

namespace {

constexpr int edits_in_a_sequence = 20;
constexpr int shares = 8;

/// A drawing as it would have been opened: with its bytes.
Shared<DrawingFile> opened(const Drawing& drawing, const std::string& name) {
    const std::string svg = svg_text(drawing);
    auto read = read_svg(QByteArray::fromStdString(svg));
    EXPECT_TRUE(read);
    return std::make_shared<const DrawingFile>(DrawingFile{name, svg, std::move(*read)});
}

Project start(std::mt19937& random, int& openings) {
    const auto drawing =
        opened(testing::random_lattice(random, 3, 2 + static_cast<int>(random() % 2), 3), "kite.svg");
    openings = static_cast<int>(read_cut(drawing->drawing)->openings.size());
    Project p;
    p.title = "Kite Hill";
    set_only_cut(p, drawing);
    Stash stash;
    for (const auto& [id, colour, side, count] : {std::tuple{"barley", Rgb{230, 200, 120}, 152.4, 3},
                                                  {"brick-dust", Rgb{170, 70, 50}, 203.2, 2},
                                                  {"gull", Rgb{210, 215, 220}, 304.8, 1},
                                                  {"hedge", Rgb{70, 120, 70}, 101.6, 2}})
        stash.papers.push_back(testing::stock_paper(id, colour, side, count));
    stash.papers[1].back = PaperFace{{90, 30, 60}, "", Pattern::Solid, Direction::Half};
    p.stash = std::make_shared<const Stash>(std::move(stash));
    return p;
}

/// What is decided is what is stored, and comes back to the last digit; what came back, where it did.
Project opened_again(const Project& project, const QString& path, const std::string& where) {
    const auto saved = save_project(project, path);
    EXPECT_TRUE(saved) << where << ": " << saved.error().message;
    const auto back = open_project(path);
    EXPECT_TRUE(back) << where << ": " << back.error().message;
    if (!back) return {};
    EXPECT_TRUE(*back == project) << where;
    return *back;
}

/// Patches of a pattern that runs on may touch, and by rounding a hair more; none lies on another or leaves
/// its sheet.
void expect_apart_on_their_sheets(const Plan& plan, const std::string& where) {
    for (const UsedSheet& u : plan.sheets.used) {
        Region lying;
        double sum = 0;
        for (const int p : u.patches) {
            if (plan.sections.patches[p].rides_on >= 0) continue;
            lying.push_back(
                transformed(plan.sections.patches[p].on_sheet(), plan.sheets.placed[p].to_sheet()));
            sum += area(lying.back());
        }
        const auto together = unite(lying);
        ASSERT_TRUE(together) << where;
        EXPECT_LT(sum - area(*together), 1) << where;
        EXPECT_LT(area(*subtract(*together, {plan.papers.sheets[u.sheet].outline})), 0.1) << where;
    }
}

/// What `window` has worked out step by step is what comes of the page that was stored, worked out anew.
void expect_same_plan(Planner& window, const Project& project, const Project& back,
                      const std::string& where) {
    const auto before = window.plan(project);
    const auto after = Planner(testing::laid_in_a_hurry()).plan(back);
    ASSERT_EQ(before.has_value(), after.has_value()) << where;
    if (!before) return;
    ASSERT_EQ(plan_json(project, *before, 0).dump(), plan_json(back, *after, 0).dump()) << where;
    expect_apart_on_their_sheets(*before, where);
}

/// Takes one of the proposals, heavier each time: what they were made with is what the next start from.
void take_a_proposal(Project& project, std::mt19937& random) {
    const auto offered = Planner(testing::laid_in_a_hurry()).proposals(project, false, 2);
    if (offered && !offered->empty()) project = (*offered)[random() % offered->size()].project;
}

/// As `zesty plan` would: with papers for what has none yet.
void keep_for_the_referee(Project project, unsigned seed) {
    const QString folder = qEnvironmentVariable("ZESTY_KEEP_PLANS");
    if (folder.isEmpty() || !project.stash || project.set_out.cuts.empty()) return;
    Planner planner;
    const auto shapes = planner.shapes(project);
    if (!shapes || !shapes->sections.cut) return;
    if (const auto chosen = planner.propose(project, true)) project = with_papers(project, *shapes, *chosen);
    const auto plan = planner.plan(project, {}, {}, true);
    if (!plan) return;
    const QString base = QDir(folder).filePath(QString::number(seed));
    EXPECT_TRUE(
        write_file(base + ".plan.json", QByteArray::fromStdString(plan_json(project, *plan, 0).dump())));
    EXPECT_TRUE(
        write_file(base + ".stash.json", QByteArray::fromStdString(stash_json(*project.stash).dump())));
    EXPECT_TRUE(save_project(project, base + ".zesty"));
}

} // namespace

class RandomEditsOf : public ::testing::TestWithParam<int> {};

/// In eight shares, so that several programs share them.
TEST_P(RandomEditsOf, WhateverIsDecidedIsStoredAndOpensAsItWas) {
    const int sequences = std::max(testing::rounds(200), qEnvironmentVariableIntValue("ZESTY_LONG"));
    QTemporaryDir folder;
    int done = 0;
    for (int seed = GetParam(); seed < sequences; seed += shares) {
        std::mt19937 random(static_cast<unsigned>(seed));
        int openings = 0;
        Project project = start(random, openings);
        const QString path = folder.filePath("page.zesty");
        Planner window(testing::laid_in_a_hurry());
        for (int edit = 0; edit < edits_in_a_sequence; ++edit) {
            testing::random_edit(project, random, openings);
            if (edit == 12 && seed / shares % 4 == 0) take_a_proposal(project, random);
            bring_within_limits(project);
            const std::string where = "sequence " + std::to_string(seed) + ", edit " + std::to_string(edit);
            expect_same_plan(window, project, opened_again(project, path, where), where);
            if (HasFailure()) return;
            ++done;
        }
        keep_for_the_referee(project, static_cast<unsigned>(seed));
    }
    EXPECT_GT(done, 0) << "nothing was tried";
}

INSTANTIATE_TEST_SUITE_P(Parts, RandomEditsOf, ::testing::Range(0, shares));

TEST(RandomEdits, NumbersBeyondEveryLimitAreBroughtWithinThem) {
    const double wild[] = {1e300, -1e300, std::nan(""), HUGE_VAL, -HUGE_VAL, 0, 1e-300};
    QTemporaryDir folder;
    for (const double x : wild) {
        std::mt19937 random(7);
        int openings = 0;
        Project p = start(random, openings);
        p.set_out.page = {.width = x,
                          .height = x,
                          .spread = true,
                          .gap = x,
                          .second_width = x,
                          .second_height = x,
                          .reveal = {x, x, x, x},
                          .frame = FrameKind::Strips,
                          .glue_lip = x,
                          .window_width = x,
                          .window_height = x,
                          .frame_paper = {}};
        p.set_out.bars = {x, x, x, x};
        p.set_out.usual = {x, x, x, x};
        p.sections.pace = {x, x, x, x, x, x, x, x};
        p.set_out.rooms = {{RoomFor::Title, x, x}};
        p.set_out.may_cover = x;
        p.set_out.sketch = {{}, {x, x}, x, x, x, {{SketchRole::Title, {x, x, x, x}}}};
        p.set_out.cuts[0].place = {SizeRule::Width, x, x, true, {x, x}};
        p.set_out.cuts[0].grown = x;
        p.set_out.cutting_mat = {x, x, x};
        p.set_out.photos.push_back({"Kite", x, x, false, {x, x}, x, true, {Box{x, x, x, x}}});
        p.sections.lip = x;
        p.sections.backing = {BackingMethod::Punches, LipMode::Overlap, x, x, {x}, true};
        p.sections.divisions[Spot(0)] = {Division::Kind::Grid, 1 << 30, -5, x, {x, x}};
        p.sections.choose(Spot(1), {.name = {}, .treatment = Treatment::Shaker, .lip = x, .order = -7});
        p.match.style = {x, x, ToneMap::Zones, {}, {x, x, x, x, x, x}};
        p.match.slants.angle_deg = x;
        p.match.choices[Spot(2)].pattern = {x, x, MotifAnchor{{x, x}, {x, x}}, true};
        p.sheets.blade_gap = x;
        p.sheets.pins[Spot(1)] = {"barley#1", x, {x, x}};
        bring_within_limits(p);
        opened_again(p, folder.filePath("page.zesty"), std::to_string(x));
    }
}

} // namespace zesty
