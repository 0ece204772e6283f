// A sketch whose boxes become photos and rooms, and the colours of photos that count.

#include "core/setout/decisions.h"
#include "core/setout/photo_colours.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

constexpr Rgb sea{40, 90, 160};
constexpr Rgb sand{220, 190, 130};

/// Its left half one colour, its right half the other.
Shared<BroughtPicture> halves() {
    auto out = std::make_shared<BroughtPicture>();
    out->name = "halves.png";
    for (int y = 0; y < picture_cells; ++y)
        for (int x = 0; x < picture_cells; ++x) out->cells.push_back(x < picture_cells / 2 ? sea : sand);
    out->width = out->height = 100;
    return std::shared_ptr<const BroughtPicture>(out);
}

Photo photo_of_halves() {
    Photo out;
    out.width = out.height = 100;
    out.centre = {100, 100};
    out.picture = halves();
    return out;
}

double share_of(const std::vector<PaletteColour>& palette, Rgb colour) {
    for (const PaletteColour& c : palette)
        if (difference(to_lab(c.colour), to_lab(colour)) < 4) return c.share;
    return 0;
}

} // namespace

TEST(Sketch, ItsBoxesBecomePhotosAndRoomsOnce) {
    SetOutDecisions page;
    page.sketch.boxes = {{SketchRole::Photo, {10, 10, 110, 85}},
                         {SketchRole::Photo, {150, 10, 250, 110}},
                         {SketchRole::Title, {10, 200, 210, 230}},
                         {SketchRole::Journaling, {220, 200, 290, 260}}};
    take_over_sketch(page);
    ASSERT_EQ(page.photos.size(), 2u);
    EXPECT_EQ(page.photos[0].centre, (Point{60, 47.5}));
    EXPECT_EQ(page.photos[0].width, 100);
    EXPECT_EQ(page.photos[0].height, 75);
    ASSERT_EQ(page.rooms.size(), 2u);
    EXPECT_EQ(page.rooms[0].what, RoomFor::Title);
    EXPECT_EQ(page.rooms[1].width, 70);
    const SetOutDecisions once = page;
    take_over_sketch(page);
    EXPECT_EQ(page, once) << "what is there already is not added again";
}

TEST(Sketch, ABoxWithAPhotoInItIsLeftAloneAndSpecksAreIgnored) {
    SetOutDecisions page;
    page.photos.resize(1);
    page.photos[0].centre = {50, 50};
    page.sketch.boxes = {{SketchRole::Photo, {10, 10, 110, 85}},
                         {SketchRole::Photo, {200, 200, 200.4, 200.4}}};
    take_over_sketch(page);
    EXPECT_EQ(page.photos.size(), 1u);
}

TEST(PhotoColours, AreWhatShowsOfIt) {
    const Photo photo = photo_of_halves();
    const auto whole = photo_colours({{photo}});
    ASSERT_EQ(whole.size(), 1u);
    EXPECT_NEAR(share_of(whole[0].palette, sea), 0.5, 0.03);
    // Another photo over its left half.
    Photo over = photo;
    over.picture = nullptr;
    over.width = 50;
    over.centre = {75, 100};
    const auto covered = photo_colours({{photo, over}});
    EXPECT_LT(share_of(covered[0].palette, sea), 0.05);
    EXPECT_GT(share_of(covered[0].palette, sand), 0.9);
    EXPECT_TRUE(covered[1].palette.empty()) << "nobody knows what that shows";
    // Below it, nothing is hidden.
    EXPECT_NEAR(share_of(photo_colours({{over, photo}})[1].palette, sea), 0.5, 0.03);
}

TEST(PhotoColours, WhatACutHidesDoesNotCountOfPhotosBehindIt) {
    Photo photo = photo_of_halves();
    const Box half{photo.centre.x - 50, photo.centre.y - 50, photo.centre.x, photo.centre.y + 50};
    photo.on_top = false;
    const auto behind = photo_colours({{photo}, {Polygon{ring_of(half), {}}}});
    EXPECT_LT(share_of(behind[0].palette, sea), 0.05);
    EXPECT_LT(share_of(behind[0].edge, sea), 0.05);
    photo.on_top = true;
    EXPECT_NEAR(share_of(photo_colours({{photo}, {Polygon{ring_of(half), {}}}})[0].palette, sea), 0.5, 0.03);
}

TEST(PhotoColours, ProtectedPartsCountMore) {
    Photo photo = photo_of_halves();
    photo.protected_parts = {{-50, -50, 0, 50}};
    EXPECT_NEAR(share_of(photo_colours({{photo}})[0].palette, sea), 0.75, 0.04) << "three to one";
}

TEST(PhotoColours, ARoundPhotoHasNoCorners) {
    Photo photo = photo_of_halves();
    photo.round = true;
    auto corners = std::make_shared<BroughtPicture>(*photo.picture);
    for (int y = 0; y < 3; ++y)
        for (int x = 0; x < 3; ++x)
            corners->cells[static_cast<std::size_t>(y * picture_cells + x)] = {255, 0, 255};
    photo.picture = std::shared_ptr<const BroughtPicture>(corners);
    EXPECT_EQ(share_of(photo_colours({{photo}})[0].palette, {255, 0, 255}), 0);
    photo.round = false;
    EXPECT_EQ(share_of(photo_colours({{photo}})[0].palette, {255, 0, 255}), 0)
        << "9 of 1024 cells are under 2 %";
}

} // namespace zesty
