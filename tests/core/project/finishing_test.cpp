// Finishing a page: what goes, what comes back, and that both together are exactly what was there.

#include "core/build/progress.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/keep/sheet_map.h"
#include "core/project/build_steps.h"
#include "core/project/finishing.h"
#include "core/project/later.h"
#include "core/project/page_record_of.h"
#include "core/project/planner.h"
#include "core/project/stash_at_hand.h"
#include "core/sections/fixes.h"
#include "core/stash/sharing.h"
#include "core/stash/stock.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <map>
#include <random>
#include <set>

namespace zesty {

using testing::page_with;

namespace {

bool none_below_zero(const Stash& stash) {
    for (const Paper& p : stash.papers)
        for (const SheetStock& s : p.sheets)
            if (s.count < 0) return false;
    for (const Embellishment& e : stash.embellishments)
        if (e.count < 0) return false;
    for (const LetterSet& set : stash.letters)
        for (const auto& [name, piece] : set.letters)
            if (piece.count < 0) return false;
    return true;
}

/// How many there are of each sheet, whatever their order.
std::vector<std::tuple<std::string, double, double, int>> stock_of(const Stash& stash) {
    std::vector<std::tuple<std::string, double, double, int>> out;
    for (const Paper& p : stash.papers)
        for (const SheetStock& s : p.sheets)
            if (s.count > 0) out.emplace_back(p.id, area(s.outline), bounds(s.outline).width(), s.count);
    std::sort(out.begin(), out.end());
    return out;
}

struct Planned {
    Project project;
    Plan plan;
};

/// A page whose sections have papers, planned.
Planned planned(Project project) {
    Planner planner(testing::laid_before());
    const Plan shapes = testing::shapes_of(project);
    if (const auto papers = planner.propose(project, true)) project = with_papers(project, shapes, *papers);
    auto plan = planner.plan(project);
    EXPECT_TRUE(plan);
    return {project, std::move(*plan)};
}

Finishing finishing(const Planned& p, FinishWhat what = FinishWhat::Everything) {
    return finishing_of(p.project, p.plan, what, build_steps(p.project, p.plan));
}

Planned finished(const Planned& p, FinishWhat what = FinishWhat::Everything) {
    Project after = p.project;
    finish(after, finishing(p, what), what, "2026-11-28");
    auto plan = Planner(testing::laid_before()).plan(after);
    EXPECT_TRUE(plan);
    return {after, std::move(*plan)};
}

Stash small_drawer() {
    Stash out;
    out.papers = {testing::paper("barley", {220, 190, 90}, 150, 2),
                  testing::paper("hedge", {70, 120, 80}, 150, 2),
                  testing::paper("brick", {180, 60, 50}, 152.4, 1)};
    out.papers[0].sheets.push_back({{{{0, 0}, {120, 0}, {90, 110}, {0, 120}}, {}}, 1, true});
    out.papers[2].strip = 12.7;
    return out;
}

/// Everything a page may be cut from the stash for.
Project full_page(unsigned seed) {
    Stash stash = small_drawer();
    stash.papers.push_back(testing::paper("gull", {150, 190, 210}, 304.8, 2));
    stash.papers.push_back(testing::paper("straw", {240, 225, 190}, 304.8, 2));
    Embellishment bow;
    bow.id = "bow";
    bow.outline = {{{-5, -4}, {5, -4}, {5, 4}, {-5, 4}}, {}};
    bow.count = 3;
    stash.embellishments = {bow};
    Project p = page_with(seed, 4, 4, std::move(stash));
    p.title = "Kite Hill";
    p.set_out.page.reveal = Sides::even(6.35);
    p.set_out.page.frame_paper = "gull";
    p.set_out.page.base_paper = "straw";
    p.set_out.cuts[0].paper = "straw";
    p.dress.embellishments = {{"bow", {40, 40}, 0, {}}, {"bow", {60, 40}, 0, {}}};
    PaperLayer strip;
    strip.paper = "gull";
    strip.width = 80;
    strip.height = 20;
    strip.centre = {152, 290};
    p.dress.layers = {strip};
    return p;
}

void expect_balanced(const Finishing& f, const Stash& before, const Stash& after) {
    double used = 0, waste = 0;
    for (const SheetFate& fate : f.sheets) {
        used += area(fate.used);
        waste += fate.waste;
        EXPECT_GE(fate.waste, -1e-6) << fate.sheet;
        for (std::size_t i = 0; i < fate.back.size(); ++i) {
            const Region scrap{fate.back[i].outline};
            EXPECT_TRUE(is_valid(scrap));
            const auto outside = subtract(scrap, {fate.stock.outline});
            EXPECT_LT(area(*outside), 1e-3) << "a scrap is a part of its sheet";
            const auto twice = intersect(scrap, fate.used);
            EXPECT_LT(area(*twice), 1e-3) << "what is on the page does not come back";
            for (std::size_t k = 0; k < i; ++k)
                EXPECT_LT(area(*intersect(scrap, {fate.back[k].outline})), 1e-3);
        }
    }
    EXPECT_NEAR(stock_area(before) - stock_area(after), used + waste, 1) << "area in is area out";
    EXPECT_TRUE(none_below_zero(after));
}

} // namespace

TEST(Finishing, TakesEverySheetThatIsCutIntoAndPutsBackWhatIsLeftOfIt) {
    const Planned before = planned(full_page(3));
    const Finishing f = finishing(before);
    const Planned after = finished(before);
    expect_balanced(f, stash_at_hand(before.project), stash_at_hand(after.project));
    std::set<ScrapOf> back;
    for (const SheetFate& fate : f.sheets)
        for (const SheetStock& s : fate.back) {
            EXPECT_EQ(s.from_page, "Kite Hill");
            EXPECT_TRUE(s.clean);
            back.insert(s.of);
        }
    EXPECT_TRUE(back.contains(ScrapOf::Leftover));
    EXPECT_TRUE(back.contains(ScrapOf::Middle)) << "the gutted middle of the frame";
    EXPECT_TRUE(back.contains(ScrapOf::DropOut));
    EXPECT_EQ(stash_at_hand(after.project).embellishment("bow")->count, 1);
    EXPECT_EQ(after.project.keep.finished, "2026-11-28");
}

TEST(SheetMap, SaysOfEverySheetWhatIsOnThePageAndWhatWentBack) {
    const KeepDecisions kept = finished(planned(full_page(3))).project.keep;
    int said = 0, back = 0;
    for (const StockChange& c : kept.changes) back += c.back ? c.sheet.count : 0;
    for (const MappedSheet& sheet : sheet_map(kept)) {
        Region parts = sheet.patches;
        for (const SheetStock& s : sheet.back) parts.push_back(s.outline);
        EXPECT_NEAR(area(*unite(parts)), area(parts), 2) << "nothing is there twice";
        EXPECT_LT(area(*subtract(parts, {sheet.outline})), 2) << "everything lies on its sheet";
        said += static_cast<int>(sheet.back.size());
    }
    EXPECT_GT(back, 0);
    EXPECT_EQ(said, back) << "every scrap has its sheet";
}

TEST(Finishing, LeavesTheFinishedPageAsItWas) {
    const Planned before = planned(full_page(5));
    const Planned after = finished(before);
    ASSERT_EQ(after.plan.sheets.placed.size(), before.plan.sheets.placed.size());
    EXPECT_EQ(after.plan.sheets.short_patches.size(), before.plan.sheets.short_patches.size());
    for (std::size_t p = 0; p < before.plan.sheets.placed.size(); ++p) {
        const PlacedPatch& was = before.plan.sheets.placed[p];
        const PlacedPatch& is = after.plan.sheets.placed[p];
        EXPECT_EQ(was.sheet >= 0, is.sheet >= 0);
        EXPECT_EQ(was.shift, is.shift);
        EXPECT_EQ(was.rotation_deg, is.rotation_deg);
    }
    for (const DressPiece& piece : after.plan.dress.pieces) EXPECT_TRUE(piece.placed) << piece.what;
    EXPECT_EQ(testing::finding_in(after.plan, Code::FramePaper), nullptr);
    EXPECT_EQ(testing::finding_in(after.plan, Code::BasePaper), nullptr);
    EXPECT_TRUE(after.plan.dress.short_embellishments.empty());
    EXPECT_TRUE(finishing(after).nothing()) << "nothing is taken twice";
    EXPECT_TRUE(pieces_taken(after.project, after.plan, "Kite Hill").empty())
        << "what is used is not reserved any more";
}

TEST(Finishing, PuttingBackLeavesTheDrawerAsItWas) {
    const Planned before = planned(full_page(7));
    Project after = finished(before).project;
    EXPECT_TRUE(put_back(after).empty());
    EXPECT_EQ(stock_of(stash_at_hand(after)), stock_of(stash_at_hand(before.project)));
    EXPECT_EQ(stash_at_hand(after).embellishment("bow")->count, 3);
    EXPECT_TRUE(after.keep.taken.empty());
    EXPECT_TRUE(after.keep.finished.empty());
}

TEST(Finishing, APaperOfWhichAScrapHasBeenUsedSinceStaysAsItIs) {
    Project after = finished(planned(full_page(7))).project;
    Stash used = stash_at_hand(after);
    std::map<std::string, double> left;
    for (Paper& p : used.papers) {
        std::erase_if(p.sheets, [](const SheetStock& s) { return s.of == ScrapOf::Leftover; });
        left[p.id] = stock_area(p);
    }
    after.stash = std::make_shared<const Stash>(used);
    const auto said = put_back(after);
    EXPECT_FALSE(said.empty());
    for (const Paper& p : stash_at_hand(after).papers) {
        const bool named = std::any_of(said.begin(), said.end(), [&](const std::string& s) {
            return s.find(p.name) != std::string::npos;
        });
        if (!named) continue;
        EXPECT_NEAR(stock_area(p), left[p.id], 1e-6) << "no paper comes out of nothing";
    }
    EXPECT_TRUE(none_below_zero(stash_at_hand(after)));
}

TEST(Finishing, OfTwoPagesCutFromOneSheetAtOnceTheSecondMakesNoPaper) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    const Planned page = planned(page_with(5, 3, 2, small_drawer()));
    const Stash before = stash_at_hand(page.project);
    const Stash after = stash_at_hand(finished(page).project);
    const Stash once = carried_over(before, after, before);
    EXPECT_EQ(stock_of(once), stock_of(after));
    Stash no_more = once;
    for (Paper& p : no_more.papers)
        for (SheetStock& s : p.sheets) s.count = s.irregular ? s.count : 0;
    EXPECT_FALSE(cannot_be_carried(before, after, no_more).empty());
    EXPECT_LE(stock_area(carried_over(before, after, no_more)), stock_area(no_more) + 1e-6);
}

TEST(Finishing, FiveHundredRandomPagesFinishedAndUndoneLeaveTheDrawerConsistent) {
    std::mt19937 random(28);
    Stash plenty = small_drawer();
    for (Paper& p : plenty.papers) p.sheets[0].count = 9;
    std::vector<Planned> pages;
    for (unsigned seed = 1; seed <= 12; ++seed)
        pages.push_back(planned(page_with(seed, 2 + static_cast<int>(seed % 2), 1, plenty)));
    Shared<Stash> drawer = pages.front().project.stash;
    const auto at_first = stock_of(*drawer);
    std::vector<Project> done;
    for (int i = 0; i < testing::rounds(500); ++i) {
        if (!done.empty() && (random() % 2 == 0 || done.size() > 3)) {
            // The last one first, as undo has it.
            Project page = done.back();
            done.pop_back();
            page.stash = drawer;
            EXPECT_TRUE(put_back(page).empty());
            drawer = page.stash;
        } else {
            Planned page = pages[random() % pages.size()];
            page.project.stash = drawer;
            auto plan = Planner(testing::laid_before()).plan(page.project);
            ASSERT_TRUE(plan);
            page.plan = std::move(*plan);
            const Finishing f = finishing(page);
            finish(page.project, f, FinishWhat::Everything, "2026-11-28");
            expect_balanced(f, *drawer, stash_at_hand(page.project));
            drawer = page.project.stash;
            done.push_back(page.project);
        }
        ASSERT_TRUE(none_below_zero(*drawer));
    }
    while (!done.empty()) {
        Project page = done.back();
        done.pop_back();
        page.stash = drawer;
        EXPECT_TRUE(put_back(page).empty());
        drawer = page.stash;
    }
    EXPECT_EQ(stock_of(*drawer), at_first);
}

TEST(Finishing, WhatIsCutIsTakenFirstAndTheRestLater) {
    Planned page = planned(page_with(11, 4, 3, small_drawer()));
    const auto steps = build_steps(page.project, page.plan);
    const auto cut = std::find_if(steps.begin(), steps.end(),
                                  [](const BuildStep& s) { return s.key.rfind("sheet:", 0) == 0; });
    ASSERT_NE(cut, steps.end());
    EXPECT_TRUE(finishing(page, FinishWhat::WhatIsCut).nothing()) << "nothing is cut yet";
    tick_off(page.project.build.log[cut->key], 1'795'000'000);
    const Finishing all = finishing(page);
    const Finishing some = finishing(page, FinishWhat::WhatIsCut);
    ASSERT_GT(all.sheets.size(), 1u);
    ASSERT_EQ(some.sheets.size(), 1u);
    EXPECT_EQ("sheet:" + some.sheets[0].sheet, cut->key);
    Planned partly = finished(page, FinishWhat::WhatIsCut);
    EXPECT_TRUE(partly.project.keep.finished.empty());
    EXPECT_EQ(partly.plan.sheets.short_patches.size(), page.plan.sheets.short_patches.size());
    for (const SheetFate& fate : finishing(partly).sheets)
        EXPECT_EQ(fate.sheet.find("#cut"), std::string::npos) << "what was taken is not taken again";
    const auto then = build_steps(partly.project, partly.plan);
    EXPECT_TRUE(std::any_of(then.begin(), then.end(), [&](const BuildStep& s) {
        const auto log = partly.project.build.log.find(s.key);
        return log != partly.project.build.log.end() && log->second.done > 0;
    })) << "the tick goes with the sheet's new name";
    const Planned whole = finished(partly);
    EXPECT_EQ(whole.project.keep.takings, 2);
    EXPECT_TRUE(none_below_zero(stash_at_hand(whole.project)));
    Project back = whole.project;
    EXPECT_TRUE(put_back(back).empty());
    EXPECT_EQ(stock_of(stash_at_hand(back)), stock_of(stash_at_hand(page.project)));
}

TEST(Finishing, APatchThatWasCutAndIsNotWantedAnyMoreComesBackAsASpare) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Planned page = planned(page_with(4, 3, 2, small_drawer()));
    Planned partly = finished(page);
    partly.project.keep.finished.clear();
    ASSERT_FALSE(partly.project.keep.taken.empty());
    const Spot changed = partly.project.keep.taken.front().patches.front().spot;
    const Spot section = partly.project.sections.section_of(changed);
    SetTreatment{section, Treatment::Open}(partly.project.sections);
    auto plan = Planner(testing::laid_before()).plan(partly.project);
    ASSERT_TRUE(plan);
    partly.plan = std::move(*plan);
    const Finishing f = finishing(partly);
    ASSERT_FALSE(f.spares.empty());
    EXPECT_EQ(f.spares[0].second.of, ScrapOf::Spare);
    const double before = stock_area(stash_at_hand(partly.project));
    double spares = 0;
    for (const auto& [paper, spare] : f.spares) spares += area(spare.outline);
    finish(partly.project, f, FinishWhat::Everything, "2026-11-29");
    EXPECT_NEAR(stock_area(stash_at_hand(partly.project)) - before, spares, 1);
}

TEST(Finishing, ScrapsOfABaseThatIsTrimmedAfterWetWorkAreMarkedAsNotClean) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Project page = full_page(3);
    WetZone wash;
    wash.shape = WetShape::Box;
    wash.centre = {152, 300};
    wash.width = 300;
    wash.height = 40;
    page.dress.wet = {wash};
    page.set_out.page.base_paper = "straw";
    for (Paper& p : const_cast<std::vector<Paper>&>(page.stash->papers))
        if (p.id == "straw") p.sheets[0].outline = {{{0, 0}, {380, 0}, {380, 380}, {0, 380}}, {}};
    const auto stained = [](const Project& project) {
        const Planned p = planned(project);
        int out = 0;
        for (const SheetFate& fate : finishing(p).sheets)
            for (const SheetStock& s : fate.back) out += s.clean ? 0 : 1;
        return out;
    };
    EXPECT_GT(stained(page), 0);
    page.build.habits.trim = TrimBase::BeforeWet;
    EXPECT_EQ(stained(page), 0);
}

TEST(Finishing, StainedScrapsAreCutIntoLast) {
    Stash stash;
    stash.papers = {testing::paper("barley", {220, 190, 90}, 304.8, 1)};
    stash.papers[0].sheets.push_back({{{{0, 0}, {300, 0}, {300, 300}, {0, 300}}, {}}, 1, true, false});
    const auto sheets = sheets_of(stash);
    ASSERT_EQ(sheets.size(), 2u);
    EXPECT_EQ(sheets[1].kind, SheetKind::Stained);
    EXPECT_LT(static_cast<int>(sheets[0].kind), static_cast<int>(sheets[1].kind));
}

TEST(Finishing, ItsRecordSaysWhatWasUsedAndWhatCameBack) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    const Planned before = planned(full_page(9));
    const auto steps = build_steps(before.project, before.plan);
    const Finishing f = finishing(before);
    Project after = finished(before).project;
    const PageFacts facts = page_facts(after, before.plan, steps);
    double taken = 0, returned = 0;
    for (const RecordPaper& p : facts.papers) {
        EXPECT_LE(p.used + p.returned, p.taken + 1e-6) << p.name;
        taken += p.taken;
        returned += p.returned;
    }
    double sheets = 0, back = 0;
    for (const SheetFate& fate : f.sheets) {
        sheets += area(fate.stock.outline);
        for (const SheetStock& s : fate.back) back += area(s.outline);
    }
    EXPECT_NEAR(taken, sheets, 1e-6);
    EXPECT_NEAR(returned, back, 1e-6);
    EXPECT_EQ(facts.openings, static_cast<int>(before.plan.sections.spots.size()));
    EXPECT_GT(facts.planned, 0);
    EXPECT_EQ(facts.worked, 0) << "nothing was timed";
    after.keep.record = "r1";
    put_record(after, record_of_page(after, facts, "kite-hill"));
    ASSERT_EQ(stash_at_hand(after).records.size(), 1u);
    after.keep.notes.story = "The red one got away.";
    notes_into_record(after);
    EXPECT_EQ(stash_at_hand(after).records[0].notes.story, "The red one got away.");
}

} // namespace zesty
