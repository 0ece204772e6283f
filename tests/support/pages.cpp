#include "support/pages.h"

#include "core/project/edits.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty::testing {

const std::shared_ptr<NestMemory>& laid_before() {
    static const auto memory = std::make_shared<NestMemory>();
    return memory;
}

const std::shared_ptr<NestMemory>& laid_in_a_hurry() {
    static const auto memory = std::make_shared<NestMemory>(2, 1);
    return memory;
}

Project project_of(const Drawing& drawing) {
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(DrawingFile{"x.svg", "", drawing}));
    return p;
}

Plan shapes_of(const Project& project) {
    Planner planner(laid_before());
    auto plan = planner.shapes(project);
    EXPECT_TRUE(plan) << plan.error().message;
    return plan ? std::move(*plan) : Plan{};
}

void expect_laid_as_planned(const Project& project, const Plan& plan) {
    for (const UsedSheet& u : plan.sheets.used) {
        NestJob job;
        job.gap = project.sheets.blade_gap;
        NestResult r;
        job.sheets.push_back({plan.papers.sheets[u.sheet].outline, 0});
        for (int patch : u.patches) {
            const PlacedPatch& at = plan.sheets.placed[patch];
            EXPECT_EQ(at.mirrored,
                      plan.papers.side_of_section[plan.sections.patches[patch].section] == Side::B);
            const Polygon outline = transformed(plan.sections.patches[patch].outline,
                                                at.mirrored ? Transform::mirrored_x() : Transform{});
            r.placements.push_back({static_cast<int>(job.pieces.size()), 0, at.rotation_deg, at.shift});
            job.pieces.push_back({outline, true, {}, {}});
        }
        EXPECT_EQ(verify(job, r), "");
    }
}

Paper stock_paper(const std::string& id, Rgb colour, double side, int count) {
    return {id,
            "Paper " + id,
            colour,
            "",
            Pattern::Solid,
            Direction::Free,
            {{{rectangle(0, 0, side, side), {}}, count, false}}};
}

const Finding* finding_in(const Plan& plan, Code code) {
    const auto at = std::find_if(plan.findings.begin(), plan.findings.end(),
                                 [&](const Finding& f) { return f.code == code; });
    return at == plan.findings.end() ? nullptr : &*at;
}

Polygon opening_on_page(const Plan& plan, int opening) {
    return transformed(plan.sections.cut->openings[opening].outline, plan.set_out.whole.to_page);
}

std::vector<Polygon> random_openings(unsigned seed, std::size_t count, double least_area) {
    std::mt19937 random(seed);
    std::vector<Polygon> out;
    while (out.size() < count) {
        const auto cut = read_cut(random() % 2 ? random_blobs(random, 9) : random_lattice(random, 3, 3, 3));
        for (const Opening& o : cut->openings)
            if (out.size() < count && o.area > least_area) out.push_back({o.outline.outer, {}});
    }
    return out;
}

Paper paper(const std::string& id, Rgb colour, double side, int count, Pattern pattern, Direction direction) {
    return {id,
            "Paper " + id,
            colour,
            "",
            pattern,
            direction,
            {{{rectangle(0, 0, side, side), {}}, count, false}}};
}

Project page_with(unsigned seed, int columns, int rows, Stash stash) {
    std::mt19937 random(seed);
    Project p = project_of(random_lattice(random, columns, rows, 4));
    p.stash = std::make_shared<const Stash>(std::move(stash));
    return p;
}

Stash five_papers() {
    Stash s;
    s.papers = {paper("a", {200, 60, 50}, 200, 3), paper("b", {60, 120, 70}, 200, 3),
                paper("c", {230, 200, 90}, 200, 3), paper("d", {120, 90, 170}, 200, 3),
                paper("e", {60, 130, 180}, 200, 3)};
    return s;
}

} // namespace zesty::testing
