// What is hidden and what is left, against a raster that knows nothing of the pile; and the moves that cure.

#include "core/dress/coverage.h"
#include "core/geometry/measure.h"
#include "core/project/cure.h"
#include "core/project/findings.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

using testing::between;
using testing::shapes_of;

namespace {

/// A lattice with photos on mats and strips all over it.
Project dressed_page(std::mt19937& random) {
    Project p = testing::page_with(random() % 1000, 4, 4, testing::five_papers());
    const int photos = 1 + static_cast<int>(random() % 3);
    for (int i = 0; i < photos; ++i) {
        Photo photo;
        photo.width = between(random, 40, 120);
        photo.height = between(random, 40, 120);
        photo.round = random() % 4 == 0;
        photo.centre = {between(random, 40, 260), between(random, 40, 260)};
        photo.turn_deg = between(random, -15, 15);
        photo.on_top = random() % 4 != 0;
        for (int m = static_cast<int>(random() % 3); m > 0; --m) {
            PhotoMat mat;
            mat.border = between(random, 2, 8);
            mat.see_through = random() % 4 == 0;
            photo.mats.push_back(mat);
        }
        p.set_out.photos.push_back(photo);
    }
    if (random() % 2) {
        PaperLayer strip;
        strip.centre = {between(random, 40, 260), between(random, 40, 260)};
        strip.width = between(random, 50, 200);
        strip.height = between(random, 10, 40);
        strip.turn_deg = between(random, -40, 40);
        strip.place = static_cast<LayerPlace>(random() % 3);
        p.dress.layers.push_back(strip);
    }
    return p;
}

/// Straight from the decisions: whether paper that hides lies on a place, above the cut.
bool hidden_at(const Project& p, Point at) {
    for (const Photo& photo : p.set_out.photos) {
        if (!photo.on_top) continue;
        const Point own = Transform::turned_deg(-photo.turn_deg)(at - photo.centre);
        double out = 0;
        for (std::size_t m = 0; m <= photo.mats.size(); ++m) {
            if (m > 0) out += photo.mats[m - 1].border;
            if (m > 0 && photo.mats[m - 1].see_through) continue;
            const bool inside = photo.round ? length(own) <= photo.width / 2 + out
                                            : std::abs(own.x) <= photo.width / 2 + out &&
                                                  std::abs(own.y) <= photo.height / 2 + out;
            if (inside) return true;
        }
    }
    for (const PaperLayer& l : p.dress.layers) {
        if (l.place == LayerPlace::UnderCuts) continue;
        const Point own = Transform::turned_deg(-l.turn_deg)(at - l.centre);
        if (std::abs(own.x) <= l.width / 2 && std::abs(own.y) <= l.height / 2) return true;
    }
    return false;
}

double hidden_by_raster(const Project& p, const Polygon& opening) {
    const Box box = bounds(opening);
    const double step = std::sqrt(area(opening) / 40'000);
    long in = 0;
    long hidden = 0;
    for (double y = box.y0 + step / 2; y < box.y1; y += step)
        for (double x = box.x0 + step / 2; x < box.x1; x += step)
            if (contains(opening, {x, y})) {
                ++in;
                hidden += hidden_at(p, {x, y}) ? 1 : 0;
            }
    return in ? static_cast<double>(hidden) / static_cast<double>(in) : 0;
}

} // namespace

TEST(Coverage, AgreesWithARasterOnRandomPages) {
    std::mt19937 random(15);
    double worst = 0;
    for (int round = 0; round < testing::long_rounds(100); ++round) {
        const Project p = dressed_page(random);
        const Plan plan = shapes_of(p);
        for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
            const auto& all = plan.dress.coverage.openings;
            const auto at = std::find_if(all.begin(), all.end(), [&](const CoveredOpening& c) {
                return c.opening == static_cast<int>(o);
            });
            const double hidden = at == all.end() ? 0 : at->hidden;
            const double raster = hidden_by_raster(p, testing::opening_on_page(plan, static_cast<int>(o)));
            worst = std::max(worst, std::abs(hidden - raster));
        }
    }
    EXPECT_LT(worst, 0.005);
}

TEST(Coverage, AStripThatIsLeftIsASliverAndAHalfIsNone) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    const Plan bare = shapes_of(p);
    const Box opening = bounds(testing::opening_on_page(bare, 0));
    Photo photo;
    photo.width = 100;
    photo.height = 100;
    const auto with_left = [&](double left) {
        photo.centre = {opening.x0 + left + 50, opening.centre().y};
        p.set_out.photos = {photo};
        return shapes_of(p).dress.coverage;
    };
    CoverageFacts c = with_left(2);
    ASSERT_EQ(c.openings.size(), 1u);
    EXPECT_TRUE(c.openings[0].sliver);
    EXPECT_NEAR(c.openings[0].width, 2, 0.15);
    EXPECT_NEAR(c.openings[0].at.x, opening.x0 + 1, 0.3);
    EXPECT_NEAR(c.of_section.at(0), 58.0 / 60, 1e-6);
    EXPECT_FALSE(with_left(30).openings[0].sliver);
    EXPECT_TRUE(with_left(-1).openings[0].hidden > 0.9999);
    EXPECT_FALSE(with_left(-1).openings[0].sliver) << "hidden for good is no sliver";
    // The base showing through an open one is as it is elsewhere.
    SectionChoice open;
    open.treatment = Treatment::Open;
    p.sections.choose(bare.sections.all[0].id, open);
    EXPECT_FALSE(with_left(2).openings[0].sliver);
}

TEST(Coverage, TheSmallestMoveCuresASliverAndNothingElseBreaks) {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    const Box opening = bounds(testing::opening_on_page(shapes_of(p), 0));
    Photo photo;
    photo.width = photo.height = 100;
    photo.centre = {opening.x0 + 2 + 50, opening.centre().y};
    p.set_out.photos = {photo};
    Planner planner(testing::laid_before());
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    const Finding* sliver = testing::finding_in(*plan, Code::Sliver);
    ASSERT_TRUE(sliver);
    ASSERT_FALSE(sliver->fixes.empty()) << "a small move is offered beside it";
    Project fixed = p;
    sliver->fixes.front().apply(fixed);
    EXPECT_FALSE(testing::finding_in(shapes_of(fixed), Code::Sliver));
    const Shapes shapes = [&](const Project& changed) { return planner.shapes(changed); };
    const auto cured = cure_coverage(p, shapes);
    ASSERT_TRUE(cured) << cured.error().message;
    EXPECT_EQ(cured->faults_left, 0u);
    ASSERT_EQ(cured->moves.size(), 1u);
    // 1.2 mm to the right would do: 2 steps of 1/32 in; and so would 2 mm to the left.
    EXPECT_NEAR(length(cured->moves[0].by), 2 * nudge_step, 1e-9);
    const auto again = cure_coverage(cured->project, shapes);
    ASSERT_FALSE(again);
    EXPECT_EQ(again.error().kind, ErrorKind::NothingToDo);
}

TEST(Coverage, CuresKeepTheirPromiseOnRandomPages) {
    std::mt19937 random(77);
    int cured_pages = 0;
    std::size_t before = 0;
    std::size_t left = 0;
    for (int round = 0; round < testing::long_rounds(24); ++round) {
        Project p = dressed_page(random);
        for (Photo& photo : p.set_out.photos)
            if (random() % 2) photo.protected_parts.push_back({-10, -10, 10, 10});
        Planner planner(testing::laid_before());
        const Shapes shapes = [&](const Project& changed) { return planner.shapes(changed); };
        const auto cured = cure_coverage(p, shapes);
        if (!cured) {
            EXPECT_EQ(cured.error().kind, ErrorKind::NothingToDo);
            continue;
        }
        const Plan was = shapes_of(p);
        const Plan now = shapes_of(cured->project);
        EXPECT_EQ(Nudging(dress_now(cured->project, now)).faults(), cured->faults_left);
        EXPECT_LE(cured->faults_left, cured->faults_before);
        before += cured->faults_before;
        left += cured->faults_left;
        cured_pages += cured->faults_left == 0 ? 1 : 0;
        for (const CodeRow& row : code_rows) {
            const auto count = [&](const Plan& plan) {
                return std::count_if(plan.findings.begin(), plan.findings.end(),
                                     [&](const Finding& f) { return f.code == row.code; });
            };
            EXPECT_LE(count(now), count(was)) << row.word;
        }
        for (const DressMove& m : cured->moves) EXPECT_LE(length(m.by), 3 * 24 * nudge_step + 1e-9);
    }
    EXPECT_GT(cured_pages, 0);
    EXPECT_LT(left * 2, before + 1) << left << " of " << before << " are left";
}

TEST(Coverage, CuresGiveUpWhereEveryMoveIsRefusedAndSaySo) {
    std::mt19937 random(2);
    Planner planner(testing::laid_before());
    std::size_t most = 0;
    bool given_up = false;
    for (int page = 0; page < 12; ++page) {
        const Project p = dressed_page(random);
        std::size_t plans = 0;
        const auto cured = cure_coverage(p, [&](const Project& changed) -> Result<Plan> {
            if (plans++ == 0) return planner.shapes(changed);
            return fail(ErrorKind::BadInput, "refused");
        });
        if (cured) given_up = given_up || !cured->looked_everywhere;
        most = std::max(most, plans);
    }
    EXPECT_TRUE(given_up);
    EXPECT_GT(most, 10u);
    EXPECT_LE(most, 101u) << "a plan of a large page takes seconds";
}

TEST(Coverage, WorkThatIsToldToStopChangesNothing) {
    std::mt19937 random(2);
    Project p = dressed_page(random);
    Planner planner(testing::laid_before());
    while (Nudging(dress_now(p, shapes_of(p))).faults() == 0) p = dressed_page(random);
    const auto stopped_at_once = cure_coverage(
        p, [&](const Project& changed) { return planner.shapes(changed); }, [] { return true; });
    ASSERT_FALSE(stopped_at_once);
    EXPECT_EQ(stopped_at_once.error().kind, ErrorKind::Stopped);
}

} // namespace zesty
