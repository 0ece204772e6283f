#include "support/sheets_once.h"
// Whatever is cut from a sheet is cut from it once: solids of the page do not share paper, each lies in the
// one file of its sheet, and what goes back into the stash is exactly what no contour runs through. On random
// full pages.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/build_steps.h"
#include "core/project/cutting_jobs.h"
#include "core/project/finishing.h"

#include <gtest/gtest.h>
#include <map>
#include <set>

namespace zesty::testing {

namespace {

constexpr double hardly = 1; ///< mm2

struct Solid {
    std::string what;
    Region region;
    bool holds_others = false; ///< a base that pieces are cut out of under photos
};

std::map<std::string, std::vector<Solid>> solids_by_sheet(const Project& project, const Plan& plan) {
    std::map<std::string, std::vector<Solid>> out;
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p) {
        const Patch& patch = plan.sections.patches[p];
        if (plan.sheets.placed[p].sheet < 0 || patch.rides_on >= 0) continue;
        const Sheet& sheet = plan.papers.sheets[static_cast<std::size_t>(plan.sheets.placed[p].sheet)];
        out[whole_sheet_of(sheet.id)].push_back(
            {"p" + std::to_string(patch.opening + 1),
             {transformed(patch.on_sheet(), plan.sheets.placed[p].to_sheet())}});
    }
    for (const DressPiece& piece : plan.dress.pieces)
        if (piece.placed) out[whole_sheet_of(piece.sheet)].push_back({piece.what, {piece.on_sheet}});
    for (std::size_t c = 0; c < project.set_out.cuts.size(); ++c)
        if (const OwnUse* use = sheet_of_cut(project, plan, c)) {
            Solid cut{use->what, {}};
            for (const Piece& p : plan.sections.cut->pieces)
                if (p.layer == static_cast<int>(c))
                    cut.region.push_back(transformed(p.outline, use->to_sheet * plan.set_out.whole.to_page));
            out[use->sheet].push_back(std::move(cut));
        }
    for (const OwnUse& use : plan.papers.own)
        if (use.what.rfind("cut ", 0) != 0) out[use.sheet].push_back({use.what, {use.on_sheet}, use.is_base});
    return out;
}

void expect_apart(const std::vector<Solid>& solids, const std::string& where) {
    for (std::size_t a = 0; a < solids.size(); ++a)
        for (std::size_t b = a + 1; b < solids.size(); ++b) {
            if (solids[a].holds_others || solids[b].holds_others) continue;
            const auto shared = intersect(solids[a].region, solids[b].region);
            ASSERT_TRUE(shared) << where;
            EXPECT_LT(area(*shared), hardly) << where << ": " << solids[a].what << " and " << solids[b].what;
        }
}

/// Contours of a job as they lie on their sheet.
std::vector<Ring> on_sheet(const CuttingJob& job) {
    std::vector<Ring> out;
    const auto back = [&](Point p) { return job.good_side_up ? p : Point{job.file.width - p.x, p.y}; };
    const Point corner = back(job.file.sheet_corner);
    for (const Ring& ring : job.file.contours) {
        out.emplace_back();
        for (const Point p : ring) out.back().push_back(back(p) - corner);
    }
    return out;
}

bool has_contour(const std::vector<Ring>& rings, const Ring& wanted) {
    const Box box = bounds(wanted);
    return std::any_of(rings.begin(), rings.end(), [&](const Ring& r) {
        const Box b = bounds(r);
        return std::abs(b.x0 - box.x0) < 0.01 && std::abs(b.y0 - box.y0) < 0.01 &&
               std::abs(b.x1 - box.x1) < 0.01 && std::abs(b.y1 - box.y1) < 0.01 &&
               std::abs(std::abs(signed_area(r)) - std::abs(signed_area(wanted))) < 0.1;
    });
}

} // namespace

void expect_sheets_cut_once(const Project& page, const Plan& plan, const std::string& where) {
    const auto all = solids_by_sheet(page, plan);
    for (const auto& [sheet, on_it] : all) expect_apart(on_it, where + ", " + sheet);
    const CuttingJobs cutting = cutting_jobs(page, plan, mats_of(page, plan));
    std::map<std::string, std::vector<Ring>> rings;
    std::map<std::string, std::set<std::string>> keys;
    for (const CuttingJob& job : cutting.jobs) {
        if (job.file.sheet_id.empty()) continue;
        for (Ring& r : on_sheet(job)) rings[job.file.sheet_id].push_back(std::move(r));
        keys[job.file.sheet_id].insert(job.key.substr(0, job.key.find("-part-")));
    }
    for (const auto& [sheet, of_it] : keys) EXPECT_EQ(of_it.size(), 1u) << where << ": " << sheet;
    if (!cutting.too_large.empty()) return; // that is said, and cut by hand
    for (const LoadedSheet& sheet : loaded_sheets(page, plan)) {
        for (const int p : sheet.patches) {
            const auto i = static_cast<std::size_t>(p);
            EXPECT_TRUE(has_contour(rings[sheet.id], transformed(plan.sections.patches[i].on_sheet().outer,
                                                                 plan.sheets.placed[i].to_sheet())))
                << where << ": p" << plan.sections.patches[i].opening + 1 << " of " << sheet.id;
        }
        for (const DressPiece* piece : sheet.pieces)
            EXPECT_TRUE(has_contour(rings[sheet.id], piece->on_sheet.outer)) << where << ": " << piece->what;
    }
}

void expect_rest_given_back(const Project& page, const Plan& plan, const std::string& where) {
    const auto solids = solids_by_sheet(page, plan);
    const Finishing finishing = finishing_of(page, plan, FinishWhat::Everything, build_steps(page, plan));
    for (const SheetFate& fate : finishing.sheets) {
        double back = 0;
        for (const SheetStock& scrap : fate.back) {
            back += area(scrap.outline);
            const auto on_it = solids.find(fate.sheet);
            ASSERT_NE(on_it, solids.end()) << where;
            for (const Solid& solid : on_it->second) {
                const auto shared = intersect(solid.region, {scrap.outline});
                ASSERT_TRUE(shared);
                EXPECT_LT(area(*shared), hardly)
                    << where << ": a scrap of " << fate.sheet << " is also " << solid.what;
            }
        }
        EXPECT_NEAR(area(fate.used) + fate.waste + back, area(fate.stock.outline), 1)
            << where << ", " << fate.sheet;
        EXPECT_GE(fate.waste, -1) << where << ", " << fate.sheet;
    }
}

} // namespace zesty::testing
