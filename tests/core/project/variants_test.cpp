// Arrangements that are put aside come back exactly, and say what they come to.

#include "core/project/papers_named.h"
#include "core/project/variants.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Project lattice_page() {
    return testing::page_with(5, 3, 3, testing::five_papers());
}

} // namespace

TEST(Variants, ComeBackExactly) {
    Project p = lattice_page();
    ASSERT_TRUE(keep_variant(p, "First"));
    EXPECT_EQ(shown_variant(p), 0);
    const Project first = p;
    Photo photo;
    photo.width = photo.height = 80;
    photo.centre = {100, 100};
    p.set_out.photos = {photo};
    p.sections.lip = 2;
    p.match.style.drift = 1;
    p.sheets.blade_gap = 3;
    p.dress.album_takes = 9;
    EXPECT_EQ(shown_variant(p), -1);
    ASSERT_TRUE(keep_variant(p, "With a photo"));
    restore_variant(p, 0);
    EXPECT_EQ(p.set_out, first.set_out);
    EXPECT_EQ(p.sections, first.sections);
    EXPECT_EQ(p.match, first.match);
    EXPECT_EQ(p.sheets, first.sheets);
    EXPECT_EQ(p.dress, first.dress);
    EXPECT_EQ(p.variants.size(), 2u) << "the others stay";
    restore_variant(p, 1);
    EXPECT_EQ(p.set_out.photos.size(), 1u);
    EXPECT_EQ(p.dress.album_takes, 9);
    restore_variant(p, 17);
    EXPECT_EQ(shown_variant(p), 1);
}

TEST(Variants, ThereAreSixAndOneOfTheSameNameIsReplaced) {
    Project p = lattice_page();
    for (std::size_t i = 0; i < most_variants; ++i) {
        p.sections.lip = 1 + static_cast<double>(i);
        ASSERT_TRUE(keep_variant(p, name_for_variant(p)));
    }
    EXPECT_EQ(p.variants.back().name, "Arrangement 6");
    EXPECT_FALSE(keep_variant(p, "A seventh"));
    p.sections.lip = 9;
    EXPECT_TRUE(keep_variant(p, "Arrangement 2"));
    EXPECT_EQ(p.variants.size(), most_variants);
    EXPECT_EQ(p.variants[1].page->sections.lip, 9);
}

TEST(Variants, AreComparedByWhatTheyComeTo) {
    Project p = lattice_page();
    ASSERT_TRUE(keep_variant(p, "Flat"));
    p.set_out.cuts[0].held.how = Mount::Double;
    p.dress.album_takes = 2;
    Planner planner(testing::laid_before());
    const auto compared = compare_variants(p, planner);
    ASSERT_TRUE(compared) << compared.error().message;
    ASSERT_EQ(compared->size(), 2u);
    const VariantFigures& now = (*compared)[0];
    const VariantFigures& flat = (*compared)[1];
    EXPECT_TRUE(now.name.empty());
    EXPECT_EQ(flat.name, "Flat");
    EXPECT_NEAR(now.highest, 4.3, 0.01);
    EXPECT_NEAR(flat.highest, 0.3, 0.01);
    EXPECT_EQ(now.problems, flat.problems + 1) << "it is too high for the album";
    ASSERT_TRUE(flat.page);
    EXPECT_EQ(flat.page->project.set_out, p.variants[0].page->set_out);
    const auto told_to_stop = compare_variants(p, planner, [] { return true; });
    EXPECT_FALSE(told_to_stop);
}

TEST(Variants, KeepThePapersTheyName) {
    Project p = lattice_page();
    p.set_out.page.base_paper = "c";
    ASSERT_TRUE(keep_variant(p, "On c"));
    p.set_out.page.base_paper.clear();
    EXPECT_TRUE(papers_named(p).contains("c"));
    merge_papers(p, "a", "c");
    EXPECT_EQ(p.variants[0].page->set_out.page.base_paper, "a");
}

} // namespace zesty
