// The pipeline as a whole: caches that never show, findings that say what is so.

#include "core/project/edits.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

std::shared_ptr<const Stash> stash() {
    Stash s;
    for (int i = 0; i < 4; ++i)
        s.papers.push_back({"p" + std::to_string(i),
                            "Paper " + std::to_string(i),
                            {static_cast<std::uint8_t>(60 * i), 120, static_cast<std::uint8_t>(200 - 40 * i)},
                            "",
                            Pattern::Solid,
                            Direction::Free,
                            {{{testing::rectangle(0, 0, 152.4, 152.4), {}}, 2, false}}});
    return std::make_shared<const Stash>(std::move(s));
}

Project lattice(unsigned seed = 5) {
    std::mt19937 random(seed);
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(
                        DrawingFile{"lattice.svg", "", testing::random_lattice(random, 4, 4, 4)}));
    p.stash = stash();
    for (int o = 0; o < 16; ++o) p.match.choose(o, {"p" + std::to_string((o + o / 4) % 4), Side::A, false});
    return p;
}

/// Two plans say the same.
void expect_same(const Plan& a, const Plan& b) {
    ASSERT_EQ(a.sections.patches.size(), b.sections.patches.size());
    for (std::size_t i = 0; i < a.sections.patches.size(); ++i) {
        EXPECT_EQ(a.sections.patches[i].outline, b.sections.patches[i].outline);
        EXPECT_EQ(a.sections.patches[i].section, b.sections.patches[i].section);
        EXPECT_EQ(a.sheets.placed[i].sheet, b.sheets.placed[i].sheet);
        EXPECT_EQ(a.sheets.placed[i].shift, b.sheets.placed[i].shift);
        EXPECT_EQ(a.sheets.placed[i].rotation_deg, b.sheets.placed[i].rotation_deg);
        EXPECT_EQ(a.sheets.placed[i].mirrored, b.sheets.placed[i].mirrored);
    }
    EXPECT_EQ(a.papers.of_section, b.papers.of_section);
    EXPECT_EQ(a.sheets.room.size(), b.sheets.room.size());
    EXPECT_EQ(a.sheets.without_room, b.sheets.without_room);
    ASSERT_EQ(a.findings.size(), b.findings.size());
    for (std::size_t i = 0; i < a.findings.size(); ++i)
        EXPECT_EQ(a.findings[i].message, b.findings[i].message);
}

bool has(const Plan& plan, Code code) {
    return std::any_of(plan.findings.begin(), plan.findings.end(),
                       [&](const Finding& f) { return f.code == code; });
}

const Finding* finding(const Plan& plan, Code code) {
    for (const Finding& f : plan.findings)
        if (f.code == code) return &f;
    return nullptr;
}

} // namespace

TEST(Planner, AUsedPlannerSaysTheSameAsAFreshOneAfterAnyEdits) {
    std::mt19937 random(77);
    Planner used;
    Project p = lattice();
    for (int step = 0; step < testing::long_rounds(24); ++step) {
        const int o = static_cast<int>(random() % 16);
        switch (random() % 9) {
        case 0:
            p.set_out.cuts.front().place.length = 5 + static_cast<double>(random() % 30);
            break;
        case 1:
            p.set_out.cuts.front().place.turn_deg = static_cast<double>(random() % 360) - 180;
            break;
        case 2:
            p.sections.lip = 1 + static_cast<double>(random() % 5);
            break;
        case 3:
            group(p, {o, static_cast<int>(random() % 16)});
            break;
        case 4:
            ungroup(p, {o});
            break;
        case 5: {
            SectionChoice c = p.sections.choice(p.sections.section_of(o));
            c.treatment = c.treatment == Treatment::Paper ? Treatment::Open : Treatment::Paper;
            p.sections.choose(p.sections.section_of(o), c);
            break;
        }
        case 6: {
            PaperChoice c = p.match.choice(p.sections.section_of(o));
            c.paper = "p" + std::to_string(random() % 5); // p4 is not in the stash
            p.match.choose(p.sections.section_of(o), c);
            break;
        }
        case 7:
            p.sheets.reserved.push_back(
                {"", "p" + std::to_string(random() % 4), Side::A, {testing::rectangle(0, 0, 30, 40), {}}});
            break;
        default:
            p.sheets.blade_gap = 0.25 * static_cast<double>(random() % 8);
            break;
        }
        const auto a = used.plan(p);
        Planner fresh;
        const auto b = fresh.plan(p);
        ASSERT_TRUE(a && b);
        expect_same(*a, *b);
    }
}

TEST(Planner, AnotherDrawingIsNoticedEvenWithTheSameDecisions) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Planner planner;
    const Project a = lattice(5);
    const Project b = lattice(6);
    const auto first = planner.plan(a);
    const auto other = planner.plan(b);
    const auto again = planner.plan(a);
    ASSERT_TRUE(first && other && again);
    EXPECT_NE(first->sections.cut, other->sections.cut);
    expect_same(*first, *again);
}

TEST(Planner, FirstLookAndWholePlanAgreeOnTheShapes) {
    Planner planner;
    const Project p = lattice();
    const auto look = planner.shapes(p);
    const auto whole = planner.plan(p);
    ASSERT_TRUE(look && whole);
    EXPECT_FALSE(look->sheets.done);
    EXPECT_TRUE(whole->sheets.done);
    EXPECT_EQ(look->sections.patches.size(), whole->sections.patches.size());
    for (const PlacedPatch& at : look->sheets.placed) EXPECT_EQ(at.sheet, -1);
}

TEST(Planner, StoppingGivesNoHalfPlan) {
    Planner planner;
    int asked = 0;
    const auto plan = planner.plan(lattice(), [&] { return ++asked > 3; });
    ASSERT_FALSE(plan);
    EXPECT_EQ(plan.error().kind, ErrorKind::Stopped);
    EXPECT_TRUE(planner.plan(lattice())) << "and the planner is none the worse for it";
}

TEST(Planner, ProgressRunsForward) {
    Planner planner;
    double last = -1;
    const auto a = planner.propose(lattice(), false, {}, [&](double f, const char* what) {
        EXPECT_GE(f, last);
        EXPECT_LE(f, 1);
        EXPECT_NE(std::string(what), "");
        last = f;
    });
    ASSERT_TRUE(a);
    EXPECT_GT(last, 0.5);
}

TEST(Planner, UsesAddUp) {
    Planner planner;
    const auto plan = planner.plan(lattice());
    ASSERT_TRUE(plan);
    double used = 0;
    int sections = 0;
    for (const PaperUse& u : plan->papers.uses) {
        EXPECT_LE(u.used_area, u.stock_area);
        used += u.used_area;
        sections += u.sections;
    }
    double placed = 0;
    for (std::size_t i = 0; i < plan->sections.patches.size(); ++i)
        if (plan->sheets.placed[i].sheet >= 0) placed += plan->sections.patches[i].area;
    EXPECT_NEAR(used, placed, 1e-6);
    EXPECT_EQ(sections, 16);
    EXPECT_NEAR(plan->patch_area(), placed, 1e-6);
    for (const UsedSheet& u : plan->sheets.used) EXPECT_LE(u.used_area, plan->papers.sheets[u.sheet].area);
}

TEST(Findings, SayWhatIsMissing) {
    Planner planner;
    Project p = lattice();
    p.match.choose(3, {"gone", Side::A, true});
    p.match.choose(4, {});
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    ASSERT_TRUE(has(*plan, Code::LostPaper));
    EXPECT_EQ(finding(*plan, Code::LostPaper)->severity(), Severity::Problem);
    EXPECT_EQ(finding(*plan, Code::LostPaper)->openings, std::vector<int>{3});
    ASSERT_TRUE(has(*plan, Code::NoPaper));
    EXPECT_EQ(finding(*plan, Code::NoPaper)->openings, std::vector<int>{4});
    p.stash = nullptr;
    EXPECT_TRUE(has(*planner.plan(p), Code::NoStash));
    EXPECT_FALSE(has(*planner.plan(p), Code::NoPaper));
}

TEST(Findings, NarrowLipsNameTheWorstAndAllTheirOpenings) {
    Planner planner;
    Project p = lattice();
    p.sections.lip = 6;
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    const Finding* f = finding(*plan, Code::NarrowLip);
    ASSERT_NE(f, nullptr);
    double least = 1e9;
    std::size_t narrow = 0;
    for (const Patch& patch : plan->sections.patches) {
        least = std::min(least, patch.lip);
        narrow += patch.lip < 5.9;
    }
    EXPECT_EQ(f->openings.size(), narrow);
    EXPECT_NE(f->title.find(format_mm(least)), std::string::npos) << f->title;
    p.sections.lip = 0.5;
    EXPECT_FALSE(has(*planner.plan(p), Code::NarrowLip));
}

TEST(Findings, SayWhenThereAreMoreSectionsAtACrossingThanPapers) {
    Planner planner;
    Project p = lattice();
    Stash three = *p.stash;
    three.papers.resize(3);
    p.stash = std::make_shared<const Stash>(std::move(three));
    p.sections.choices.clear();
    const auto shapes = planner.shapes(p);
    const auto proposed = planner.propose(p, false);
    ASSERT_TRUE(shapes && proposed);
    const auto plan = planner.plan(with_papers(p, *shapes, *proposed), {}, {}, true);
    ASSERT_TRUE(plan);
    const Finding* f = finding(*plan, Code::Alike);
    ASSERT_NE(f, nullptr);
    EXPECT_NE(f->message.find("4 sections meet here, and there are 3 papers"), std::string::npos)
        << f->message;
}

TEST(Findings, AreSortedBySeverityAndHavePlacesOnThePage) {
    Planner planner;
    Project p = lattice();
    for (int o = 0; o < 16; ++o) p.match.choose(o, {o == 5 ? "p1" : "p0", Side::A, false});
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    EXPECT_FALSE(plan->papers.alike.empty());
    EXPECT_TRUE(has(*plan, Code::Alike));
    for (std::size_t i = 1; i < plan->findings.size(); ++i)
        EXPECT_LE(plan->findings[i - 1].severity(), plan->findings[i].severity());
    for (const Finding& f : plan->findings) {
        if (!f.where) continue;
        EXPECT_GE(f.where->x, 0);
        EXPECT_LE(f.where->x, p.set_out.page.width);
    }
}

} // namespace zesty
