// How high the page becomes, against samples that are stacked straight from the decisions; and where foam
// goes.

#include "core/dress/heights.h"
#include "core/dress/layers.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <gtest/gtest.h>

namespace zesty {

using testing::between;
using testing::shapes_of;

namespace {

Mounting any_mounting(std::mt19937& random) {
    return {static_cast<Mount>(random() % 5), between(random, 0, 360)};
}

Project raised_page(std::mt19937& random) {
    Project p = testing::page_with(random() % 1000, 3, 3, testing::five_papers());
    p.set_out.cuts[0].held = any_mounting(random);
    for (int i = 1 + static_cast<int>(random() % 3); i > 0; --i) {
        Photo photo;
        photo.width = between(random, 40, 120);
        photo.height = between(random, 40, 120);
        photo.round = random() % 4 == 0;
        photo.centre = {between(random, 60, 240), between(random, 60, 240)};
        photo.turn_deg = between(random, -15, 15);
        photo.held = any_mounting(random);
        if (random() % 2) {
            photo.mats.emplace_back();
            photo.mats.back().border = between(random, 2, 8);
        }
        p.set_out.photos.push_back(photo);
    }
    PaperLayer strip;
    strip.centre = {between(random, 60, 240), between(random, 60, 240)};
    strip.width = between(random, 50, 200);
    strip.height = between(random, 10, 40);
    strip.turn_deg = between(random, -40, 40);
    strip.place = random() % 2 ? LayerPlace::UnderCuts : LayerPlace::OnTop;
    strip.held = any_mounting(random);
    p.dress.layers.push_back(strip);
    p.dress.album_takes = between(random, 1, 6);
    return p;
}

/// Samples all over the page, and things laid on them one after the other.
class Samples {
public:
    Samples() {
        std::mt19937 random(3);
        constexpr int across = 200;
        constexpr double cell = 304.8 / across;
        for (int i = 0; i < across; ++i)
            for (int k = 0; k < across; ++k)
                at_.push_back({(i + between(random, 0, 1)) * cell, (k + between(random, 0, 1)) * cell});
        height_.assign(at_.size(), 0);
    }

    /// thickness(p): 0 where the thing is not.
    void lay(const Mounting& held, const std::function<double(Point)>& thickness_at) {
        std::vector<double> thick;
        for (const Point p : at_) thick.push_back(thickness_at(p));
        std::vector<std::size_t> in;
        std::vector<double> below;
        double from = 1e9;
        double to = -1e9;
        const double foot = held.foot_deg * M_PI / 180;
        const auto along = [&](Point p) { return -std::cos(foot) * p.x - std::sin(foot) * p.y; };
        for (std::size_t i = 0; i < at_.size(); ++i) {
            if (thick[i] <= 0) continue;
            in.push_back(i);
            below.push_back(height_[i]);
            from = std::min(from, along(at_[i]));
            to = std::max(to, along(at_[i]));
        }
        if (in.empty()) return;
        std::sort(below.begin(), below.end());
        // A level counts from a fiftieth of the thing on; where a hair decides, nothing is compared.
        const auto level = [&](double share) {
            return below[static_cast<std::size_t>(share * static_cast<double>(below.size() - 1))];
        };
        const double low = level(0.02);
        const double high = level(0.98);
        knife_edge |= level(0.012) < low - 0.01 || level(0.028) > low + 0.01 || level(0.972) < high - 0.01 ||
                      level(0.988) > high + 0.01;
        constexpr double lifts[]{0, 1, 2, 4, 2};
        const double lift = lifts[static_cast<int>(held.how)];
        for (const std::size_t i : in) {
            double under = height_[i];
            if (held.how == Mount::Tip)
                under += lift * (along(at_[i]) - from) / (to - from);
            else if (held.how != Mount::Glued || high - low >= 1)
                under = std::max(under, high + lift);
            height_[i] = under + thick[i];
        }
    }

    double share_above(double limit) const {
        return static_cast<double>(
                   std::count_if(height_.begin(), height_.end(), [&](double h) { return h > limit; })) /
               static_cast<double>(height_.size());
    }
    bool knife_edge = false;
    double highest() const { return *std::max_element(height_.begin(), height_.end()); }

private:
    std::vector<Point> at_;
    std::vector<double> height_;
};

Samples stacked(const Project& p, const Plan& plan) {
    Samples out;
    const auto layers = [&](LayerPlace place) {
        for (const PaperLayer& l : p.dress.layers)
            if (l.place == place)
                out.lay(l.held, [outline = outline_of(l, p.set_out.page)](Point at) {
                    return contains(outline, at) ? 0.15 : 0.0;
                });
    };
    layers(LayerPlace::UnderCuts);
    std::vector<Ring> solid;
    for (const Piece& piece : plan.sections.cut->pieces)
        if (piece.in_opening < 0)
            solid.push_back(transformed(piece.outline.outer, plan.set_out.whole.to_page));
    out.lay(p.set_out.cuts[0].held, [&](Point at) {
        return std::any_of(solid.begin(), solid.end(), [&](const Ring& r) { return contains(r, at); }) ? 0.3
                                                                                                       : 0.0;
    });
    for (const Photo& photo : p.set_out.photos)
        out.lay(photo.held, [own = outline_of(photo), photo](Point at) {
            if (distance(at, photo.centre) > 110) return 0.0;
            double thick = contains(own, at) ? 0.25 : 0;
            for (std::size_t m = 0; m < photo.mats.size(); ++m)
                if (contains(outline_of_mat(photo, m), at)) thick += 0.15;
            return thick;
        });
    layers(LayerPlace::OnTop);
    return out;
}

} // namespace

TEST(Height, AgreesWithStackedSamplesOnRandomPages) {
    std::mt19937 random(1511);
    double worst_share = 0;
    int compared = 0;
    for (int round = 0; round < testing::long_rounds(100); ++round) {
        const Project p = raised_page(random);
        const Plan plan = shapes_of(p);
        const Samples samples = stacked(p, plan);
        const HeightFacts& h = plan.dress.heights;
        // A level may end exactly at the limit; a hair beside it decides nothing.
        if (std::abs(samples.share_above(p.dress.album_takes - 0.02) -
                     samples.share_above(p.dress.album_takes + 0.02)) > 0.002)
            continue;
        if (samples.knife_edge) continue;
        worst_share =
            std::max(worst_share, std::abs(h.over_share - samples.share_above(p.dress.album_takes)));
        // Slivers that one of the two has no cell for are left aside.
        EXPECT_LT(samples.share_above(h.highest + 0.05), 0.001) << round;
        EXPECT_LT(h.highest, samples.highest() + 0.45) << round;
        ++compared;
    }
    EXPECT_LT(worst_share, 0.005);
    EXPECT_GE(compared, testing::long_rounds(100) / 3);
}

namespace {

Project photo_on_bare_page(Mount how) {
    Project p = testing::project_of(testing::drawing_of({testing::rectangle(0, 0, 100, 100)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100); // in the middle: from 102.4 to 202.4
    Photo photo;
    photo.width = 100;
    photo.height = 100;
    photo.centre = {202.4, 152.4};
    photo.held = {how, 90};
    p.set_out.photos = {photo};
    return p;
}

} // namespace

TEST(Height, APhotoOnTwoLevelsWantsTwoThicknesses) {
    Project p = photo_on_bare_page(Mount::Normal);
    p.set_out.cuts[0].held = {Mount::Normal, 90};
    const Plan plan = shapes_of(p);
    const auto& raised = plan.dress.heights.raised;
    ASSERT_EQ(raised.size(), 2u);
    const RaisedThing& photo = raised[1];
    EXPECT_EQ(photo.what, Lying::Photo);
    ASSERT_EQ(photo.levels.size(), 2u);
    EXPECT_EQ(photo.levels[0].thickness, 4) << "2 mm and the cut's 2.3 beside it";
    EXPECT_EQ(photo.levels[1].thickness, 2);
    EXPECT_NEAR(photo.levels[0].area, 5000, 100);
    EXPECT_NEAR(plan.dress.heights.highest, 2 + 0.3 + 2 + 0.25, 0.01);
    EXPECT_NE(testing::finding_in(plan, Code::TwoLevels), nullptr);
    bool thick = false;
    bool thin = false;
    for (const FoamStrip& s : photo.strips) {
        const Point middle = (s.from + s.to) * 0.5;
        if (middle.x > 204) thick |= s.thickness == 4;
        if (middle.x < 200 && middle.x > 155) thin |= s.thickness == 2;
        EXPECT_TRUE(Box({153, 103, 252, 202}).contains(middle)) << "behind the photo";
    }
    EXPECT_TRUE(thick && thin);
}

TEST(Height, WhatIsGluedFollowsPaperAndBridgesFoam) {
    Project p = photo_on_bare_page(Mount::Glued);
    Plan plan = shapes_of(p);
    EXPECT_TRUE(plan.dress.heights.raised.empty());
    EXPECT_NEAR(plan.dress.heights.highest, 0.3 + 0.25, 0.01);
    p.set_out.cuts[0].held.how = Mount::Normal;
    plan = shapes_of(p);
    const auto& raised = plan.dress.heights.raised;
    ASSERT_EQ(raised.size(), 2u) << "half of the glued photo would hang in the air";
    EXPECT_EQ(raised[1].levels.front().thickness, 2);
    EXPECT_EQ(raised[1].levels.back().thickness, 0);
}

TEST(Height, AThingOnItsTipIsHighAtTheOtherEndAndTakesLittleFoam) {
    Project p = photo_on_bare_page(Mount::Tip);
    p.set_out.photos[0].centre = {60, 60};
    const Plan tip = shapes_of(p);
    const HeightGrid& grid = *tip.dress.heights.grid;
    const auto at = [&](double x, double y) {
        return grid.top[static_cast<std::size_t>(y / grid.cell) * grid.columns +
                        static_cast<std::size_t>(x / grid.cell)];
    };
    EXPECT_NEAR(at(60, 108), 0.25 + 2 * 0.02, 0.05) << "its foot is below";
    EXPECT_NEAR(at(60, 12), 0.25 + 2 * 0.98, 0.05);
    p.set_out.photos[0].held.how = Mount::Normal;
    const Plan full = shapes_of(p);
    EXPECT_LT(tip.dress.heights.planned, 0.6 * full.dress.heights.planned);
    EXPECT_LT(full.dress.heights.planned, full.dress.heights.full);
}

TEST(Height, ABrickIsSaidAndEveryWayOutLowersIt) {
    Project p = photo_on_bare_page(Mount::Double);
    for (int i = 0; i < 3; ++i) p.set_out.photos.push_back(p.set_out.photos[0]);
    const Plan plan = shapes_of(p);
    const Finding* high = testing::finding_in(plan, Code::TooHigh);
    ASSERT_NE(high, nullptr);
    ASSERT_FALSE(high->fixes.empty());
    for (const Fix& fix : high->fixes) {
        Project cured = p;
        fix.apply(cured);
        EXPECT_LT(shapes_of(cured).dress.heights.highest, plan.dress.heights.highest - 0.5) << fix.label();
    }
    p.dress.album_takes = 30;
    EXPECT_EQ(testing::finding_in(shapes_of(p), Code::TooHigh), nullptr);
}

TEST(Height, FoamStaysOutOfShakersFreePartsAndPlacesThatAreTooNarrow) {
    // Bars of 10 mm round four openings, one of them a shaker, one too small for any pad.
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 120, 120), testing::rectangle(10, 10, 55, 55),
                             testing::rectangle(65, 10, 110, 55), testing::rectangle(10, 65, 55, 110),
                             testing::rectangle(65, 65, 67, 67)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 120);
    p.set_out.cuts[0].held.how = Mount::Normal;
    Plan plan = shapes_of(p);
    const int shaker = 1;
    SectionChoice choice;
    choice.treatment = Treatment::Shaker;
    p.sections.choose(plan.sections.all[static_cast<std::size_t>(plan.sections.of_opening[shaker])].id,
                      choice);
    p.dress.free_parts.push_back({{152.4, 152.4}, 15});
    plan = shapes_of(p);
    ASSERT_EQ(plan.dress.heights.raised.size(), 1u);
    const RaisedThing& cut = plan.dress.heights.raised[0];
    EXPECT_FALSE(cut.strips.empty());
    EXPECT_EQ(cut.pads.size(), 2u) << "behind the two large backed openings";
    for (const FoamPad& pad : cut.pads)
        EXPECT_FALSE(contains(testing::opening_on_page(plan, shaker), pad.at));
    for (const FoamStrip& s : cut.strips) EXPECT_GT(distance((s.from + s.to) * 0.5, {152.4, 152.4}), 15);
    // A shaker raises its cut even where that is to be glued.
    p.set_out.cuts[0].held.how = Mount::Glued;
    const Plan glued = shapes_of(p);
    ASSERT_EQ(glued.dress.heights.raised.size(), 1u);
    EXPECT_TRUE(glued.dress.heights.raised[0].for_shakers);
    EXPECT_NEAR(glued.dress.heights.highest, 2.3, 0.01);
}

TEST(Height, ACutWhoseBarsHideNoFoamIsSaid) {
    std::vector<Ring> rings{testing::rectangle(0, 0, 101, 101)};
    for (int i = 0; i < 20; ++i)
        for (int k = 0; k < 20; ++k)
            rings.push_back(testing::rectangle(1 + 5 * i, 1 + 5 * k, 5 + 5 * i, 5 + 5 * k));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 101);
    p.set_out.cuts[0].held.how = Mount::Normal;
    for (const Section& s : shapes_of(p).sections.all) {
        SectionChoice open;
        open.treatment = Treatment::Open;
        p.sections.choose(s.id, open);
    }
    const Plan plan = shapes_of(p);
    const Finding* shows = testing::finding_in(plan, Code::FoamShows);
    ASSERT_NE(shows, nullptr);
    ASSERT_EQ(shows->fixes.size(), 1u);
    Project cured = p;
    shows->fixes[0].apply(cured);
    EXPECT_EQ(testing::finding_in(shapes_of(cured), Code::FoamShows), nullptr);
}

} // namespace zesty
