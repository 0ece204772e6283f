#include "support/pages.h"

#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty::testing {

Project project_of(const Drawing& drawing) {
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(DrawingFile{"x.svg", "", drawing}));
    return p;
}

Plan shapes_of(const Project& project) {
    Planner planner;
    auto plan = planner.shapes(project);
    EXPECT_TRUE(plan) << plan.error().message;
    return plan ? std::move(*plan) : Plan{};
}

Polygon opening_on_page(const Plan& plan, int opening) {
    return transformed(plan.cut->openings[opening].outline, plan.set_out.to_page);
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

} // namespace zesty::testing
