// Whole pages with photos and rooms arranged, and where the edge of a round photo is hidden.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/arranged.h"
#include "core/project/which_photo.h"
#include "core/setout/photos.h"
#include "core/setout/set_out.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

using testing::opening_on_page;
using testing::shapes_of;

namespace {

Photo sized_photo(double width, double height) {
    Photo photo;
    photo.width = width;
    photo.height = height;
    return photo;
}

/// A lattice of 6 in with two photos and a title to come.
Project lattice_page(unsigned seed) {
    std::mt19937 random(seed);
    Project p = testing::project_of(testing::random_lattice(random, 4, 4, 4));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 150);
    p.set_out.photos = {sized_photo(100, 75), sized_photo(60, 60)};
    p.set_out.rooms = {{RoomFor::Title, 120, 25}};
    return p;
}

double covered_share(const Polygon& opening, const Arrangement& a) {
    Region above;
    for (const Photo& p : a.photos) above.push_back(outline_of(p));
    for (const RoomWanted& r : a.rooms) above.push_back({ring_of(r.box()), {}});
    const auto both = intersect({opening}, *unite(above));
    return area(*both) / area(opening);
}

} // namespace

TEST(Arranged, ChangesNothingButPlacesAndNamesJustWhatIsHidden) {
    for (unsigned seed = 1; seed <= static_cast<unsigned>(testing::rounds(4)); ++seed) {
        const Project p = lattice_page(seed);
        const Plan plan = shapes_of(p);
        const auto pages = arranged_pages(p, plan, seed % 2 == 0);
        ASSERT_TRUE(pages);
        ASSERT_FALSE(pages->found.empty());
        for (const ArrangedPage& page : pages->found) {
            Project back = page.project;
            for (std::size_t i = 0; i < p.set_out.photos.size(); ++i) {
                Photo& photo = back.set_out.photos[i];
                if (photo.width != p.set_out.photos[i].width) std::swap(photo.width, photo.height);
                photo.centre = p.set_out.photos[i].centre;
            }
            back.set_out.rooms[0].centre.reset();
            for (std::size_t c = 0; c < p.set_out.cuts.size(); ++c)
                back.set_out.cuts[c].place.shift = p.set_out.cuts[c].place.shift;
            EXPECT_TRUE(back == p) << "only places differ";
            const Plan there = shapes_of(page.project);
            for (std::size_t o = 0; o < there.sections.cut->openings.size(); ++o) {
                const double share =
                    covered_share(opening_on_page(there, static_cast<int>(o)), page.arrangement);
                const bool named = std::count(page.hides.begin(), page.hides.end(), static_cast<int>(o)) > 0;
                EXPECT_TRUE(std::abs(share - 0.95) < 1e-3 || named == (share > 0.95)) << o;
            }
            EXPECT_NE(page.in_words.find("stay free"), std::string::npos) << page.in_words;
        }
    }
}

TEST(Arranged, KeepsEveryPhotoOnOnePageOfASpread) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Project p = lattice_page(3);
    p.set_out.page.spread = true;
    p.set_out.page.gap = 10;
    p.set_out.photos.assign(5, sized_photo(90, 120));
    const auto pages = arranged_pages(p, shapes_of(p), false);
    ASSERT_TRUE(pages);
    ASSERT_FALSE(pages->found.empty()) << pages->in_words;
    for (const Photo& photo : pages->found.front().arrangement.photos) {
        const Box box = bounds(outline_of(photo));
        const auto bases = bases_of(p.set_out.page);
        EXPECT_TRUE(std::any_of(bases.begin(), bases.end(),
                                [&](const Box& base) { return base.grown(1e-6).holds(box); }));
    }
}

TEST(Arranged, SaysWhyThereIsNone) {
    Project p = lattice_page(2);
    p.set_out.photos.assign(7, sized_photo(100, 150));
    auto pages = arranged_pages(p, shapes_of(p), false);
    ASSERT_TRUE(pages);
    EXPECT_TRUE(pages->found.empty());
    EXPECT_NE(pages->in_words.find("7 photos of"), std::string::npos) << pages->in_words;
    EXPECT_NE(pages->in_words.find("sq in short"), std::string::npos) << pages->in_words;
    p.set_out.photos.assign(3, sized_photo(100, 150));
    p.set_out.may_cover = 0;
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 290);
    pages = arranged_pages(p, shapes_of(p), false);
    ASSERT_TRUE(pages);
    EXPECT_TRUE(pages->found.empty());
    EXPECT_NE(pages->in_words.find("of the cut covered"), std::string::npos) << pages->in_words;
    p.set_out.photos.clear();
    p.set_out.rooms.clear();
    EXPECT_EQ(arranged_pages(p, shapes_of(p), false).error().kind, ErrorKind::NothingToDo);
}

TEST(WhichPhoto, NamesOpeningsThatHideTheEdgeOfACircle) {
    // Round openings of 30 mm, 30 mm apart and 25 mm from the edge.
    std::vector<Ring> rings{testing::rectangle(0, 0, 200, 100)};
    for (int i = 0; i < 3; ++i) rings.push_back(testing::polygon({40.0 + 60 * i, 50}, 15, 90));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts.front().place = {SizeRule::Width, 200, 0, false, {}};
    const Plan plan = shapes_of(p);
    EXPECT_TRUE(openings_round(plan, 31, 1).empty()) << "no overlap is left";
    EXPECT_EQ(openings_round(plan, 36, 1).size(), 3u);
    EXPECT_EQ(openings_round(plan, 84, 1), (std::vector<int>{1}))
        << "at the ends it looks out beside the cut";
    EXPECT_TRUE(openings_round(plan, 100, 1).empty()) << "it shows in the openings beside it";
    Photo photo = sized_photo(38, 60);
    p.set_out.photos = {photo};
    EXPECT_EQ(which_photo(p, plan, 0).error().kind, ErrorKind::NothingToDo);
    auto picture = std::make_shared<BroughtPicture>();
    picture->width = 1200;
    picture->height = 2000;
    p.set_out.photos[0].picture = std::shared_ptr<const BroughtPicture>(picture);
    const auto ways = which_photo(p, plan, 0);
    ASSERT_TRUE(ways);
    const auto circle = std::find_if(ways->begin(), ways->end(),
                                     [](const WayToPrint& w) { return w.way == PhotoWay::Circle; });
    ASSERT_NE(circle, ways->end());
    EXPECT_EQ(circle->edge_behind.size(), 3u);
    EXPECT_NE(circle->in_words.find("openings 1, 2 and 3"), std::string::npos) << circle->in_words;
}

} // namespace zesty
