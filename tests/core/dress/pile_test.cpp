// What lies on what, what is seen under a region, and what stays free of the base.

#include "core/dress/grounds.h"
#include "core/dress/pile.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

using testing::shapes_of;

namespace {

Photo photo_at(double x, double y, bool on_top) {
    Photo out;
    out.width = 60;
    out.height = 40;
    out.centre = {x, y};
    out.on_top = on_top;
    return out;
}

PaperLayer layer_at(LayerPlace place) {
    PaperLayer out;
    out.centre = {152.4, 152.4};
    out.width = 40;
    out.height = 20;
    out.place = place;
    return out;
}

/// A frame of 100 mm with an opening of 60 in the middle of the page.
Project framed_page() {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(20, 20, 80, 80)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 100);
    return p;
}

std::size_t place_of(const std::vector<LyingThing>& pile, Lying what, int index) {
    for (std::size_t i = 0; i < pile.size(); ++i)
        if (pile[i].what == what && pile[i].index == index) return i;
    return pile.size();
}

} // namespace

TEST(Pile, GoesFromLayersUnderTheCutsUpToEmbellishments) {
    Project p = framed_page();
    p.set_out.photos = {photo_at(150, 150, true), photo_at(150, 150, false)};
    p.set_out.photos[0].mats.resize(2);
    p.dress.layers = {layer_at(LayerPlace::OnTop), layer_at(LayerPlace::UnderCuts),
                      layer_at(LayerPlace::UnderPhotos)};
    Stash stash;
    Embellishment e;
    e.id = e.name = "bow";
    e.outline = {circle({}, 5, 12), {}};
    stash.embellishments = {e};
    p.stash = std::make_shared<const Stash>(stash);
    p.dress.embellishments = {{"bow", {10, 10}, 0}, {"gone", {20, 20}, 0}};
    const Plan plan = shapes_of(p);
    const auto pile = pile_of(dress_now(p, plan));
    const auto at = [&](Lying what, int index) { return place_of(pile, what, index); };
    EXPECT_LT(at(Lying::Layer, 1), at(Lying::Photo, 1)) << "below the photo that slides behind";
    EXPECT_LT(at(Lying::Photo, 1), at(Lying::Cut, 0));
    EXPECT_LT(at(Lying::Cut, 0), at(Lying::Layer, 2));
    EXPECT_LT(at(Lying::Layer, 2), at(Lying::Mat, 0));
    EXPECT_EQ(pile[at(Lying::Mat, 0)].part, 1) << "the outermost first";
    EXPECT_LT(at(Lying::Mat, 0), at(Lying::Photo, 0));
    EXPECT_LT(at(Lying::Photo, 0), at(Lying::Layer, 0));
    EXPECT_LT(at(Lying::Layer, 0), at(Lying::Embellishment, 0));
    EXPECT_EQ(at(Lying::Embellishment, 1), pile.size()) << "what is not there lies nowhere";
}

TEST(Pile, ACutHidesWithItsBackedOpeningsButNotWithOpenOnes) {
    Project p = framed_page();
    Plan plan = shapes_of(p);
    auto pile = pile_of(dress_now(p, plan));
    EXPECT_NEAR(area(pile.at(place_of(pile, Lying::Cut, 0)).outline), 10'000, 1e-6);
    SectionChoice open;
    open.treatment = Treatment::Open;
    p.sections.choose(plan.sections.all[0].id, open);
    plan = shapes_of(p);
    pile = pile_of(dress_now(p, plan));
    EXPECT_NEAR(area(pile.at(place_of(pile, Lying::Cut, 0)).outline), 10'000 - 3600, 1e-6);
}

TEST(Pile, SharesAreOfWhatLiesAboveAlone) {
    Project p = framed_page();
    p.dress.layers = {layer_at(LayerPlace::UnderCuts)};
    p.set_out.photos = {photo_at(102.4, 152.4, true)}; // over the left half of the cut's rim
    const Plan plan = shapes_of(p);
    const auto pile = pile_of(dress_now(p, plan));
    const std::size_t layer = place_of(pile, Lying::Layer, 0);
    EXPECT_NEAR(hidden_share_of(pile[layer].outline, pile, layer), 1, 1e-9)
        << "all of it behind the backed cut";
    const std::size_t photo = place_of(pile, Lying::Photo, 0);
    EXPECT_EQ(hidden_share_of(pile[photo].outline, pile, photo), 0);
    const std::size_t cut = place_of(pile, Lying::Cut, 0);
    EXPECT_NEAR(hidden_share_of(pile[cut].outline, pile, cut), 30.0 * 40 / 10'000, 1e-6);
}

TEST(Pile, TheFreeBaseIsWhatNothingLiesOn) {
    Project p = framed_page();
    p.set_out.photos = {photo_at(40, 40, true)};
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const auto pile = pile_of(now);
    const double page = 304.8 * 304.8;
    EXPECT_NEAR(area(free_base(now, pile, {})), page - 10'000 - 2400, 1e-3);
    EXPECT_NEAR(area(free_base(now, pile, {}, {{ring_of(Box{200, 0, 300, 50}), {}}})),
                page - 10'000 - 2400 - 5000, 1e-3);
}

TEST(Pile, ThingsSayHowTheyAreHeld) {
    Project p = framed_page();
    p.set_out.photos = {photo_at(40, 40, true)};
    p.set_out.photos[0].mats.resize(1);
    p.set_out.photos[0].held = {Mount::Thin, 10};
    p.set_out.cuts[0].held = {Mount::Double, 90};
    p.dress.layers = {layer_at(LayerPlace::OnTop)};
    p.dress.layers[0].held = {Mount::Tip, 180};
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const auto pile = pile_of(now);
    const auto held = [&](Lying what) { return mounting_of(pile.at(place_of(pile, what, 0)), now); };
    EXPECT_EQ(held(Lying::Photo).how, Mount::Thin);
    EXPECT_EQ(held(Lying::Mat), held(Lying::Photo)) << "a photo's mats are held with it";
    EXPECT_EQ(held(Lying::Cut).how, Mount::Double);
    EXPECT_EQ(held(Lying::Layer), (Mounting{Mount::Tip, 180}));
    EXPECT_EQ(name_of(pile.at(place_of(pile, Lying::Cut, 0)), now), "the cut");
}

TEST(Grounds, AreTheColoursUnderAPlaceUpToALevel) {
    Project p = framed_page();
    Stash stash;
    stash.papers = {testing::stock_paper("chalk", {240, 240, 230}, 304.8, 2),
                    testing::stock_paper("hedge", {60, 110, 70}, 304.8, 2)};
    p.stash = std::make_shared<const Stash>(stash);
    p.set_out.page.base_paper = "chalk";
    PaperLayer strip = layer_at(LayerPlace::OnTop);
    strip.paper = "hedge";
    strip.centre = {40, 40};
    p.dress.layers = {strip};
    const Plan plan = shapes_of(p);
    const DressNow now = dress_now(p, plan);
    const auto pile = pile_of(now);
    const Region there{{ring_of(Box{30, 36, 50, 44}), {}}};
    const auto on_top = grounds_under(now, pile, pile.size(), there);
    ASSERT_FALSE(on_top.empty());
    EXPECT_EQ(on_top.front().colour, (Rgb{60, 110, 70}));
    const auto below = grounds_under(now, pile, place_of(pile, Lying::Layer, 0), there);
    ASSERT_FALSE(below.empty());
    EXPECT_EQ(below.front().colour, (Rgb{240, 240, 230})) << "the base, below the strip";
}

} // namespace zesty
