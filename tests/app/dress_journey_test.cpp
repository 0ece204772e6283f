// Dress in the real window: words and how the page is seen.

#include "app/bench.h"
#include "core/geometry/measure.h"
#include "support/demo.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::at;
using testing::Bench;
using testing::drag;
using testing::press;

TEST(DressJourney, JournalingIsAddedTypedMovedAndUndone) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    bench.key(Qt::Key_J, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.state().waypoint(), Waypoint::Dress);
    ASSERT_EQ(bench.document().project().dress.writings.size(), 1u);
    auto* text = bench.window().findChild<QPlainTextEdit*>("writing-text");
    ASSERT_TRUE(text && text->isVisible());
    QTest::keyClicks(text, "We flew kites");
    bench.settle();
    const auto writing = [&] { return bench.document().project().dress.writings.at(0); };
    EXPECT_EQ(writing().text, "We flew kites");
    EXPECT_EQ(bench.plan().dress.writings.at(0).words, 3);
    testing::type(bench, "Height of the lines", "1/4 in");
    EXPECT_NEAR(writing().line_height, mm_per_inch / 4, 1e-9);
    const Point there = writing().centre;
    drag(bench, at(bench, there), at(bench, there + Point{15, -20}));
    EXPECT_NEAR(writing().centre.x, there.x + 15, 1.5);
    bench.key(&bench.page(), Qt::Key_Right);
    EXPECT_GT(writing().centre.x, there.x + 15);
    auto* says = bench.window().findChild<QLabel*>("words");
    bench.settle();
    EXPECT_TRUE(says->text().contains("3 words are needed")) << says->text().toStdString();
    press(bench, "Remove");
    bench.settle();
    EXPECT_TRUE(bench.document().project().dress.writings.empty());
    bench.document().undo();
    EXPECT_EQ(writing().text, "We flew kites");
    while (bench.document().history().canUndo()) bench.document().undo();
    EXPECT_TRUE(bench.document().project() == before);
    bench.settle();
}

TEST(DressJourney, ThePageIsSeenInGreyAndSquintingByOneKey) {
    Bench bench;
    bench.open(demo::project());
    bench.key(&bench.page(), Qt::Key_5, Qt::ControlModifier);
    bench.settle();
    const auto colourful = [&] {
        const QImage shot = bench.page().grab().toImage();
        const QPoint middle = bench.pixel_of(3);
        int most = 0;
        for (int y = -12; y <= 12; ++y)
            for (int x = -12; x <= 12; ++x) {
                const QColor c = shot.pixelColor(middle + QPoint(x, y));
                most = std::max(most, std::max({c.red(), c.green(), c.blue()}) -
                                          std::min({c.red(), c.green(), c.blue()}));
            }
        return most;
    };
    EXPECT_GT(colourful(), 60);
    bench.key(&bench.page(), Qt::Key_E);
    bench.settle();
    EXPECT_LT(colourful(), 12) << "in grey";
    bench.key(&bench.page(), Qt::Key_E);
    bench.settle();
    EXPECT_GT(colourful(), 20) << "squinting keeps the colours";
    auto* missing = bench.window().findChild<QLabel*>("missing");
    ASSERT_TRUE(missing && missing->isVisible());
    EXPECT_TRUE(missing->text().contains("journaling")) << missing->text().toStdString();
    bench.key(&bench.page(), Qt::Key_1, Qt::ControlModifier);
    bench.settle();
    EXPECT_GT(colourful(), 60) << "only at Dress";
}

namespace {

void add_a_layer_and_say_where(Bench& bench) {
    bench.key(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().dress.layers.size(), 1u);
    testing::type(bench, "Length of the layer", "8 in");
    testing::type(bench, "Middle of the layer, from the top", "11 in");
    EXPECT_NEAR(bench.document().project().dress.layers[0].width, 203.2, 1e-9);
    EXPECT_NEAR(bench.document().project().dress.layers[0].centre.y, 279.4, 1e-9);
}

} // namespace

TEST(DressJourney, APhotoGetsMatsAStripGoesUnderItAndSliversAreCured) {
    Bench bench;
    bench.open(demo::project());
    bench.document().change("Add a photo to the page", [](Project& p) {
        Photo photo;
        photo.name = "Mia";
        photo.width = 152.4;
        photo.height = 101.6;
        photo.centre = {211, 76};
        photo.turn_deg = 5;
        p.set_out.photos = {photo};
    });
    bench.settle();
    const Project before = bench.document().project();
    bench.key(&bench.page(), Qt::Key_5, Qt::ControlModifier);
    bench.settle();
    const auto photo = [&] { return bench.document().project().set_out.photos.at(0); };
    // A click takes it in hand; a drag moves it, mats and all.
    drag(bench, at(bench, {211, 76}), at(bench, {221, 76}));
    EXPECT_NEAR(photo().centre.x, 221, 1.5);
    bench.document().undo();
    bench.key(Qt::Key_M, Qt::ControlModifier);
    bench.settle();
    ASSERT_EQ(photo().mats.size(), 1u);
    testing::type(bench, "Border of the photo mat beyond what lies on it", "1/4 in");
    EXPECT_NEAR(photo().mats[0].border, mm_per_inch / 4, 1e-9);
    auto* paper = bench.window().findChild<QComboBox*>();
    for (auto* box : bench.window().findChildren<QComboBox*>())
        if (box->accessibleName() == "Paper of the photo mat") paper = box;
    paper->setCurrentText("Picnic Check");
    bench.settle();
    EXPECT_EQ(photo().mats[0].paper, "picnic-check");
    EXPECT_EQ(bench.plan().dress.pieces.at(0).placed, false) << "only the rim of it is left";
    auto* says = bench.window().findChild<QLabel*>("mat-says");
    EXPECT_TRUE(says->text().contains("Cut 6 1/2 x 4 1/2 in")) << says->text().toStdString();
    testing::type(bench, "Border of the photo mat beyond what lies on it", "1/8 in");
    bench.key(Qt::Key_M, Qt::ControlModifier);
    bench.settle();
    testing::type(bench, "Border of the photo mat beyond what lies on it", "1/4 in");
    ASSERT_EQ(photo().mats.size(), 2u);
    add_a_layer_and_say_where(bench);
    const auto slivers = [&] {
        const auto& all = bench.plan().dress.coverage.openings;
        return std::count_if(all.begin(), all.end(), [](const CoveredOpening& c) { return c.sliver; });
    };
    ASSERT_GT(slivers(), 0);
    bench.key(Qt::Key_K, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(slivers(), 0) << bench.window().findChild<QLabel*>("cured")->text().toStdString();
    const Point cured = photo().centre;
    bench.document().undo();
    EXPECT_FALSE(photo().centre == cured) << "one step";
    while (bench.document().project() != before) {
        ASSERT_TRUE(bench.document().history().canUndo());
        bench.document().undo();
    }
    bench.settle();
}

TEST(DressJourney, ATitleComesOutInTheLettersThereAreAndEmbellishmentsFindTheirPlace) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    const Project before = bench.document().project();
    bench.key(&bench.page(), Qt::Key_5, Qt::ControlModifier);
    bench.settle();
    ASSERT_EQ(before.dress.titles.size(), 1u);
    ASSERT_FALSE(bench.plan().dress.titles.at(0).missing.empty());
    // A second title is typed, and set in letters by choosing a row.
    bench.key(Qt::Key_T, Qt::ControlModifier);
    bench.settle();
    auto* text = bench.window().findChild<QLineEdit*>("title-text");
    ASSERT_TRUE(text && text->isVisible());
    QTest::keyClicks(text, "Hold on");
    bench.settle();
    const auto title = [&] { return bench.document().project().dress.titles.at(1); };
    EXPECT_EQ(title().text, "Hold on");
    EXPECT_EQ(bench.plan().dress.titles.at(1).letters.size(), 6u);
    testing::type(bench, "Length of the title's line", "1 in");
    bench.settle();
    EXPECT_GT(bench.plan().dress.titles.at(1).overhang, 1);
    const Point was = title().path.centre;
    const Point letter = bounds(bench.plan().dress.titles.at(1).letters.at(2).box).centre();
    drag(bench, at(bench, letter), at(bench, letter + Point{0, 60}));
    EXPECT_NEAR(title().path.centre.y, was.y + 60, 1.5);
    press(bench, "Remove title");
    bench.settle();
    ASSERT_EQ(bench.document().project().dress.titles.size(), 1u);
    // Where does the straw button fit? The first row puts it there.
    press(bench, "Embellishments");
    bench.settle();
    auto* stock = bench.window().findChild<QListWidget*>("embellishments");
    ASSERT_TRUE(stock && stock->count() > 3);
    stock->setCurrentRow(stock->row(stock->findItems("Straw button", Qt::MatchStartsWith).at(0)));
    bench.key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    auto* found = bench.window().findChild<QListWidget*>("found-fits");
    ASSERT_TRUE(found->isVisible() && found->count() > 2);
    const auto placed = before.dress.embellishments.size();
    EXPECT_EQ(bench.document().project().dress.embellishments.size(), placed)
        << "looking puts nothing anywhere";
    QTest::keyClick(found, Qt::Key_Return);
    bench.settle();
    ASSERT_EQ(bench.document().project().dress.embellishments.size(), placed + 1);
    EXPECT_EQ(bench.document().project().dress.embellishments.back().id, "straw-button");
    bench.document().undo();
    // What is entered by hand is counted from then on.
    testing::type(bench, "Name of the new embellishment", "Kite charm");
    press(bench, "Add to drawer");
    bench.settle();
    EXPECT_EQ(stock->item(stock->count() - 1)->text(), "Kite charm: 1 left; 1 x 1 in");
    bench.key(Qt::Key_B, Qt::ControlModifier);
    bench.key(Qt::Key_B, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(stock->item(stock->count() - 1)->text(), "Kite charm: 1 short; 1 x 1 in");
    while (bench.document().history().canUndo()) bench.document().undo();
    EXPECT_TRUE(bench.document().project().dress == before.dress);
    bench.settle();
}

TEST(DressJourney, StitchingIsAddedSetInAndRemoved) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_J, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    testing::type(bench, "How far the stitching is from the edge of the base", "1/2 in");
    EXPECT_NEAR(bench.document().project().dress.stitchings.at(0).inset, mm_per_inch / 2, 1e-9);
    bench.settle();
    EXPECT_GT(bench.plan().dress.stitchings.at(0).holes, 40);
    press(bench, "Remove");
    bench.settle();
    EXPECT_TRUE(bench.document().project().dress.stitchings.empty());
    bench.document().undo();
    EXPECT_EQ(bench.document().project().dress.stitchings.size(), 1u);
    while (bench.document().history().canUndo()) bench.document().undo();
    bench.settle();
}

TEST(DressJourney, ALetterSetIsAddedToTheDrawerUsedChangedAndRemoved) {
    Bench bench;
    bench.open(demo::project());
    bench.key(&bench.page(), Qt::Key_5, Qt::ControlModifier);
    bench.settle();
    press(bench, "Letters");
    auto* list = bench.window().findChild<QListWidget*>("letter-sets-of-drawer");
    auto* says = bench.window().findChild<QLabel*>("letters-say");
    ASSERT_TRUE(list && list->isVisible() && says);
    const auto sets = [&]() -> const std::vector<LetterSet>& {
        return bench.document().project().stash->letters;
    };
    const auto before = sets();
    press(bench, "Add to drawer");
    EXPECT_TRUE(says->text().contains("name")) << says->text().toStdString();
    testing::type(bench, "Name of the letter set", "Brass letters");
    press(bench, "Add to drawer");
    EXPECT_TRUE(says->text().startsWith("Type the letters")) << says->text().toStdString();
    testing::type(bench, "The letters there are, each as often as it is there; words with spaces between",
                  "AABCDEE");
    testing::type(bench, "Colour of the letters, in words or as #rrggbb", "no such hue");
    press(bench, "Add to drawer");
    EXPECT_TRUE(says->text().contains("not a colour")) << says->text().toStdString();
    EXPECT_EQ(sets(), before) << "nothing is added that is not whole";
    testing::type(bench, "Colour of the letters, in words or as #rrggbb", "#803a20");
    testing::type(bench, "Height of a capital", "1/2 in");
    press(bench, "Add to drawer");
    ASSERT_EQ(sets().size(), before.size() + 1);
    const LetterSet added = sets().back();
    EXPECT_EQ(added.id, "brass-letters");
    EXPECT_EQ(added.letters.at("A").count, 2);
    EXPECT_NEAR(added.height, mm_per_inch / 2, 1e-9);
    EXPECT_EQ(list->currentRow(), list->count() - 1);
    EXPECT_TRUE(list->currentItem()->text().contains("7 letters left"))
        << list->currentItem()->text().toStdString();
    // Two have been used elsewhere; the exact colour stays though it is said in words.
    testing::type(bench, "The letters there are, each as often as it is there; words with spaces between",
                  "ABCDE");
    press(bench, "Change set");
    EXPECT_EQ(sets().back().letters.at("E").count, 1);
    EXPECT_EQ(sets().back().colour, added.colour);
    EXPECT_EQ(sets().back().uid, added.uid);
    press(bench, "Remove set");
    EXPECT_EQ(sets().size(), before.size());
    for (int i = 0; i < 3; ++i) bench.document().undo();
    bench.settle();
    EXPECT_EQ(sets().size(), before.size()) << "added, changed and removed are a step each";
}

} // namespace zesty
