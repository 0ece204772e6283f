// Arrangements of photos and rooms, compared with trying out every place; and which photo to order.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/arrange.h"
#include "core/setout/cover_map.h"
#include "core/setout/photo_ways.h"
#include "core/setout/unlike_photos.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

constexpr double inch = mm_per_inch;
constexpr double eighth = inch / 8;

Photo photo_of(double width, double height) {
    Photo photo;
    photo.width = width;
    photo.height = height;
    return photo;
}

Polygon box(double x0, double y0, double x1, double y1) {
    return {ring_of(Box{x0, y0, x1, y1}), {}};
}

Box box_of_photo(const Photo& p) {
    return {p.centre.x - p.width / 2, p.centre.y - p.height / 2, p.centre.x + p.width / 2,
            p.centre.y + p.height / 2};
}

/// Things on a grid of eighths of an inch, and a cut made of whole cells.
struct SmallCase {
    int columns, rows;
    std::vector<std::vector<int>> cut; ///< by row and column: 1 where the cut is
    std::vector<std::pair<int, int>> things;
    double may_cover;

    int cells() const {
        int n = 0;
        for (const auto& row : cut) n += static_cast<int>(std::count(row.begin(), row.end(), 1));
        return n;
    }
    ArrangeQuestion question() const {
        ArrangeQuestion out;
        out.bases = {{0, 0, columns * eighth, rows * eighth}};
        for (int y = 0; y < rows; ++y)
            for (int x = 0; x < columns; ++x)
                if (cut[y][x])
                    out.silhouette.push_back(box(x * eighth, y * eighth, (x + 1) * eighth, (y + 1) * eighth));
        if (const auto one = unite(out.silhouette)) out.silhouette = *one;
        for (const auto& [w, h] : things) out.photos.push_back(photo_of(w * eighth, h * eighth));
        out.may_cover = may_cover;
        return out;
    }
};

SmallCase small_case(std::mt19937& random) {
    const auto from = [&](int least, int most) {
        return least + static_cast<int>(random() % static_cast<unsigned>(most - least + 1));
    };
    SmallCase out;
    out.columns = from(20, 30);
    out.rows = from(20, 30);
    out.cut.assign(static_cast<std::size_t>(out.rows),
                   std::vector<int>(static_cast<std::size_t>(out.columns), 0));
    for (int k = from(1, 3); k > 0; --k) {
        const int x = from(0, out.columns - 4), y = from(0, out.rows - 4);
        const int w = from(3, out.columns - x), h = from(3, out.rows - y);
        for (int j = y; j < y + h; ++j)
            for (int i = x; i < x + w; ++i) out.cut[j][i] = 1;
    }
    for (int k = from(2, 3); k > 0; --k) out.things.emplace_back(from(7, 14), from(7, 14));
    out.may_cover = from(0, 60) / 100.0;
    return out;
}

/// Whether the rest of the things finds places, by trying all.
bool any_place(const SmallCase& c, const std::vector<std::vector<int>>& sums,
               std::vector<std::array<int, 4>>& laid, std::size_t next, int covered, int most) {
    if (next == c.things.size()) return true;
    for (const bool turned : {false, true}) {
        const int w = turned ? c.things[next].second : c.things[next].first;
        const int h = turned ? c.things[next].first : c.things[next].second;
        for (int y = 0; y + h <= c.rows; ++y)
            for (int x = 0; x + w <= c.columns; ++x) {
                const int more = sums[y + h][x + w] - sums[y][x + w] - sums[y + h][x] + sums[y][x];
                if (covered + more > most) continue;
                const bool free = std::none_of(laid.begin(), laid.end(), [&](const auto& b) {
                    return x < b[2] && b[0] < x + w && y < b[3] && b[1] < y + h;
                });
                if (!free) continue;
                laid.push_back({x, y, x + w, y + h});
                if (any_place(c, sums, laid, next + 1, covered + more, most)) return true;
                laid.pop_back();
            }
    }
    return false;
}

bool by_trying_all(const SmallCase& c) {
    std::vector<std::vector<int>> sums(static_cast<std::size_t>(c.rows) + 1,
                                       std::vector<int>(static_cast<std::size_t>(c.columns) + 1, 0));
    for (int y = 0; y < c.rows; ++y)
        for (int x = 0; x < c.columns; ++x)
            sums[y + 1][x + 1] = c.cut[y][x] + sums[y][x + 1] + sums[y + 1][x] - sums[y][x];
    std::vector<std::array<int, 4>> laid;
    return any_place(c, sums, laid, 0, 0, static_cast<int>(std::floor(c.may_cover * c.cells() + 1e-9)));
}

/// Nothing beside the base, nothing on each other, no more covered than may be.
void expect_right(const ArrangeQuestion& q, const Arrangement& a) {
    Region above;
    for (const Photo& p : a.photos) {
        EXPECT_TRUE(q.bases.front().grown(1e-6).holds(box_of_photo(p)));
        above.push_back(box(box_of_photo(p).x0, box_of_photo(p).y0, box_of_photo(p).x1, box_of_photo(p).y1));
    }
    const auto all = unite(above);
    ASSERT_TRUE(all);
    EXPECT_NEAR(area(*all), area(above), 1e-3) << "photos lie on each other";
    const auto both = intersect(*all, q.silhouette);
    ASSERT_TRUE(both);
    const double share = area(*both) / area(q.silhouette);
    EXPECT_NEAR(share, a.covered, 1e-6);
    EXPECT_LE(share, q.may_cover + 0.0021);
    for (const Polygon& p : above) EXPECT_LT(common(bounds(p), a.free.grown(-1e-6)).area(), 1e-3);
    const auto in_free = intersect({{ring_of(a.free), {}}}, q.silhouette);
    EXPECT_LT(area(*in_free), 1e-3) << "the free rectangle lies on the cut";
}

} // namespace

TEST(CoverMap, SaysWhatBoxesAndCirclesCover) {
    std::mt19937 random(3);
    const auto any = [&](double from, double to) { return from + (to - from) * (random() % 10'000) / 1e4; };
    const Region area_of_it{{circle({70, 60}, 50, 200), {circle({80, 60}, 20, 100)}}, box(130, 10, 160, 90)};
    const CoverMap map(area_of_it);
    EXPECT_NEAR(map.whole(), area(area_of_it), 0.002 * area(area_of_it));
    for (int i = 0; i < 200; ++i) {
        const double x = any(-20, 150), y = any(-20, 100);
        const Box b{x, y, x + any(5, 90), y + any(5, 90)};
        const auto exactly = intersect(area_of_it, {{ring_of(b), {}}});
        EXPECT_NEAR(map.of(b), area(*exactly), 16);
        const double r = any(5, 40);
        const auto round = intersect(area_of_it, {{circle({x, y}, r, 200), {}}});
        EXPECT_NEAR(map.of_circle({x, y}, r), area(*round), 16);
    }
    EXPECT_EQ(CoverMap().of(Box{0, 0, 10, 10}), 0);
    EXPECT_EQ(CoverMap(Region{}).of(Box{0, 0, 10, 10}), 0);
}

TEST(Arrange, FindsOneWheneverTryingEveryPlaceFindsOne) {
    std::mt19937 random(11);
    int there = 0, none = 0;
    for (int i = 0; i < testing::rounds(50); ++i) {
        const SmallCase c = small_case(random);
        const ArrangeQuestion q = c.question();
        const bool possible = by_trying_all(c);
        const Arranged found = arrange(q);
        (possible ? there : none)++;
        EXPECT_TRUE(!possible || !found.found.empty()) << "case " << i;
        for (const Arrangement& a : found.found) expect_right(q, a);
        EXPECT_TRUE(!found.found.empty() || !found.without_cut || found.short_mm2 > 0) << "case " << i;
    }
    EXPECT_GT(there, 0);
    EXPECT_GT(none, 0) << "no case without an answer was tried";
}

TEST(Arrange, ShowsThreeThatAreReallyDifferent) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    ArrangeQuestion q;
    q.bases = {{0, 0, 12 * inch, 12 * inch}};
    q.silhouette = {{circle({6 * inch, 6 * inch}, 3.5 * inch, 60), {}}};
    q.photos = {photo_of(4 * inch, 3 * inch), photo_of(3 * inch, 4 * inch)};
    q.rooms = {{RoomFor::Title, 5 * inch, 1 * inch}};
    q.cuts_move = true;
    const Arranged found = arrange(q);
    ASSERT_EQ(found.found.size(), 3u);
    for (std::size_t i = 0; i < 3; ++i) {
        const Arrangement& a = found.found[i];
        ASSERT_TRUE(a.rooms.front().centre);
        EXPECT_GT(a.free.area(), 6 * inch * inch);
        for (const Photo& p : a.photos) {
            const Box both = common(box_of_photo(p), a.rooms.front().box());
            EXPECT_TRUE(both.width() < 1e-3 || both.height() < 1e-3) << "the title lies on a photo";
        }
        for (std::size_t k = 0; k < i; ++k) EXPECT_GE(difference_of(a, found.found[k]), 2 * inch - 1e-6);
    }
}

TEST(Arrange, LaysPhotosOnEachOtherOnlyWhereTheLowerOneIsToBeHidden) {
    ArrangeQuestion q;
    q.bases = {{0, 0, 9 * inch, 5 * inch}};
    q.photos = {photo_of(6 * inch, 4 * inch), photo_of(4 * inch, 4 * inch)};
    EXPECT_TRUE(arrange(q).found.empty());
    EXPECT_FALSE(arrange(q).without_cut);
    q.photos[0].hidden_parts = {{1 * inch, -2 * inch, 3 * inch, 2 * inch}};
    const Arranged found = arrange(q);
    ASSERT_FALSE(found.found.empty());
    const Arrangement& a = found.found.front();
    const Box both = common(box_of_photo(a.photos[0]), box_of_photo(a.photos[1]));
    ASSERT_FALSE(both.empty());
    const Box may{a.photos[0].centre.x + 1 * inch, a.photos[0].centre.y - 2 * inch,
                  a.photos[0].centre.x + 3 * inch, a.photos[0].centre.y + 2 * inch};
    EXPECT_TRUE(may.grown(1e-3).holds(both));
    EXPECT_GE(a.hidden, 0.45) << "at least the inch that does not fit";
    q.photos[0].protected_parts = {{1.5 * inch, -2 * inch, 3 * inch, 2 * inch}};
    EXPECT_TRUE(arrange(q).found.empty()) << "the protected part leaves half an inch";
}

TEST(Arrange, KeepsBarsOffProtectedPartsOfPhotosBehind) {
    ArrangeQuestion q;
    q.bases = {{0, 0, 10 * inch, 6 * inch}};
    // A bar across the middle of the left half.
    q.over_photos = {box(0, 2.75 * inch, 5 * inch, 3.25 * inch)};
    q.silhouette = {box(0, 0, 5 * inch, 6 * inch)};
    Photo p = photo_of(4 * inch, 5 * inch);
    p.on_top = false;
    p.protected_parts = {{-1 * inch, -1 * inch, 1 * inch, 1 * inch}};
    q.photos = {p};
    q.may_cover = 0;
    const Arranged found = arrange(q);
    ASSERT_FALSE(found.found.empty()) << "what lies behind covers nothing";
    for (const Arrangement& a : found.found) {
        const Point c = a.photos[0].centre;
        const Box face{c.x - 1 * inch, c.y - 1 * inch, c.x + 1 * inch, c.y + 1 * inch};
        const Box over = common(face, bounds(q.over_photos));
        EXPECT_TRUE(over.width() < 0.01 || over.height() < 0.01);
    }
}

TEST(Arrange, SaysHowMuchIsShortAndWhichCutWouldDo) {
    // Four photos of 4 x 6 in leave 48 of 144 square inches; the cut of 11 in may be covered by 30 %.
    ArrangeQuestion q;
    q.bases = {{0, 0, 12 * inch, 12 * inch}};
    q.silhouette = {box(0.5 * inch, 0.5 * inch, 11.5 * inch, 11.5 * inch)};
    q.photos.assign(4, photo_of(4 * inch, 6 * inch));
    q.may_cover = 0.3;
    const Arranged none = arrange(q);
    ASSERT_TRUE(none.found.empty());
    EXPECT_TRUE(none.without_cut);
    EXPECT_GT(none.short_mm2, 10 * inch * inch);
    ASSERT_GT(none.factor, 0);
    ArrangeQuestion smaller = q;
    const double half = 5.5 * inch * none.factor;
    smaller.silhouette = {box(6 * inch - half, 6 * inch - half, 6 * inch + half, 6 * inch + half)};
    EXPECT_FALSE(arrange(smaller).found.empty());
    // Photos that are larger than the page do not go at any size of the cut.
    q.photos = {photo_of(13 * inch, 2 * inch)};
    EXPECT_FALSE(arrange(q).without_cut);
    EXPECT_GT(arrange(q).short_mm2, 0);
}

TEST(Arrange, IsStoppedWithoutAnAnswerAndIsTheSameEveryTime) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    ArrangeQuestion q;
    q.bases = {{0, 0, 12 * inch, 12 * inch}};
    q.photos.assign(3, photo_of(4 * inch, 3 * inch));
    EXPECT_TRUE(arrange(q, [] { return true; }).found.empty());
    const Arranged once = arrange(q);
    const Arranged again = arrange(q);
    ASSERT_EQ(once.found.size(), again.found.size());
    for (std::size_t i = 0; i < once.found.size(); ++i)
        EXPECT_EQ(once.found[i].photos, again.found[i].photos);
}

namespace {

Photo with_picture(Photo photo, int width, int height, Rgb colour = {120, 120, 120}) {
    auto picture = std::make_shared<BroughtPicture>();
    picture->width = width;
    picture->height = height;
    picture->cells.assign(picture_cells * picture_cells, colour);
    photo.picture = std::shared_ptr<const BroughtPicture>(picture);
    return photo;
}

const WayToPrint* way_of(const std::vector<WayToPrint>& all, PhotoWay way) {
    const auto at = std::find_if(all.begin(), all.end(), [&](const WayToPrint& w) { return w.way == way; });
    return at == all.end() ? nullptr : &*at;
}

} // namespace

TEST(WhichPhoto, SaysWhatEachSideLosesAndWhatLosesLess) {
    // 3 to 2, landscape, printed upright on 4 x 6 in: scaled to 6 in of height it is 9 in wide.
    Photo photo = with_picture(photo_of(4 * inch, 6 * inch), 3000, 2000);
    photo.protected_parts = {{-0.5 * inch, -0.5 * inch, 0.5 * inch, 0.5 * inch}};
    const auto ways = ways_to_print(photo, Units::Inches);
    ASSERT_FALSE(ways.empty());
    EXPECT_EQ(ways.front().way, PhotoWay::AsItIs);
    EXPECT_NEAR(ways.front().lost_across, 2.5 * inch, 1e-6);
    EXPECT_NEAR(ways.front().lost, 5.0 / 9, 1e-9);
    EXPECT_EQ(ways.front().in_words,
              "4 x 6 in cuts off 2 1/2 in on the left and right, 56 % of the picture.");
    const WayToPrint* turned = way_of(ways, PhotoWay::Turned);
    ASSERT_TRUE(turned);
    EXPECT_NEAR(turned->lost, 0, 1e-9);
    EXPECT_EQ(turned->in_words, "6 x 4 in shows all of it.");
    // The face keeps its place in the picture: 9 in of width have become 6.
    EXPECT_NEAR(turned->photo.protected_parts[0].width(), inch * 6 / 9, 1e-6);
    const WayToPrint* rim = way_of(ways, PhotoWay::WhiteRim);
    ASSERT_TRUE(rim);
    EXPECT_NEAR(rim->rim_down, (6 - 4 * 2.0 / 3) / 2 * inch, 1e-6);
    EXPECT_NEAR(rim->lost, 0, 1e-9);
    const WayToPrint* detail = way_of(ways, PhotoWay::Detail);
    ASSERT_TRUE(detail);
    EXPECT_FALSE(detail->cuts_protected);
    EXPECT_GT(detail->photo.protected_parts[0].width(), 1.2 * inch);
    const WayToPrint* circle = way_of(ways, PhotoWay::Circle);
    ASSERT_TRUE(circle);
    EXPECT_NEAR(circle->photo.width, 4 * inch, 1e-9);
    EXPECT_NEAR(circle->lost, 1 - 0.785398163 * 2 / 3, 1e-6);
    for (const WayToPrint& w : ways) EXPECT_GE(w.lost, -1e-9);
    EXPECT_TRUE(ways_to_print(photo_of(4 * inch, 6 * inch), Units::Inches).empty());
}

TEST(WhichPhoto, SaysWhatIsSoftAndWhatCutsOffAFace) {
    Photo photo = with_picture(photo_of(6 * inch, 6 * inch), 900, 600);
    photo.protected_parts = {{-2.9 * inch, -2.9 * inch, -2 * inch, -2 * inch}};
    const auto ways = ways_to_print(photo, Units::Inches);
    EXPECT_NEAR(ways.front().pixels_per_inch, 100, 1e-9);
    EXPECT_NE(ways.front().in_words.find("soft, with 100 pixels an inch"), std::string::npos);
    const WayToPrint* circle = way_of(ways, PhotoWay::Circle);
    ASSERT_TRUE(circle);
    EXPECT_TRUE(circle->cuts_protected) << "the face is in the corner";
}

TEST(UnlikePhotos, AreNamedWithWhy) {
    const Photo plain = photo_of(4 * inch, 4 * inch);
    std::vector<Photo> photos{with_picture(plain, 10, 10, {180, 170, 160}),
                              with_picture(plain, 10, 10, {176, 170, 164}),
                              with_picture(plain, 10, 10, {172, 170, 160})};
    EXPECT_TRUE(unlike_photos(photos).empty());
    photos[1] = with_picture(plain, 10, 10, {60, 58, 56});
    auto found = unlike_photos(photos);
    ASSERT_EQ(found.size(), 1u);
    EXPECT_EQ(found[0].title, "Photo 2 is darker than the others");
    photos[1] = with_picture(photo_of(8 * inch, 8 * inch), 10, 10, {190, 60, 40});
    found = unlike_photos(photos);
    ASSERT_EQ(found.size(), 1u);
    EXPECT_NE(found[0].title.find("has stronger colours"), std::string::npos) << found[0].title;
    EXPECT_NE(found[0].title.find("is much larger"), std::string::npos) << found[0].title;
    // Two are no company to stand out from; nor are others that differ among themselves.
    photos.resize(2);
    EXPECT_TRUE(unlike_photos(photos).empty());
    photos = {with_picture(plain, 10, 10, {20, 20, 20}), with_picture(plain, 10, 10, {120, 120, 120}),
              with_picture(plain, 10, 10, {250, 250, 250})};
    EXPECT_TRUE(unlike_photos(photos).empty());
}

} // namespace zesty
