// The window's parts that hold state or decide something.

#include "app/bench/actions.h"
#include "app/bench/document.h"
#include "app/bench/length_edit.h"
#include "app/bench/settings.h"
#include "app/bench/swatch_pictures.h"
#include "app/bench/wording.h"
#include "app/sheets/sheet_cards.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

TEST(Actions, EveryKeyIsUsedOnceAndEveryActionHasOne) {
    std::set<QString> keys;
    std::set<int> acts;
    for (const ActionRow& row : action_table()) {
        const QKeySequence key(row.key, QKeySequence::PortableText);
        EXPECT_FALSE(key.isEmpty()) << row.text;
        EXPECT_TRUE(keys.insert(key.toString()).second) << row.key;
        EXPECT_TRUE(acts.insert(static_cast<int>(row.act)).second) << row.text;
    }
    EXPECT_EQ(*acts.rbegin() + 1, static_cast<int>(acts.size())) << "an action is missing from the table";
}

TEST(Document, StepsOfOneDragAreOneStepAndADragBackIsNone) {
    Document d;
    for (double w = 1; w < 5; ++w)
        d.change(
            "Size", [&](Project& p) { p.sections.lip = w; }, 7);
    EXPECT_EQ(d.history().count(), 1);
    d.change(
        "Other drag", [](Project& p) { p.sections.lip = 9; }, 8);
    EXPECT_EQ(d.history().count(), 2);
    d.change("Nothing", [](Project&) {});
    EXPECT_EQ(d.history().count(), 2);
    d.undo();
    EXPECT_EQ(d.project().sections.lip, 4);
    d.undo();
    EXPECT_TRUE(d.project() == Project{});
    EXPECT_FALSE(d.changed());
}

TEST(Document, SavingMarksTheStepAsClean) {
    Document d;
    d.change("Title", [](Project& p) { p.title = "x"; });
    EXPECT_TRUE(d.changed());
    d.saved_as("x.zesty", {});
    EXPECT_FALSE(d.changed());
    d.undo();
    EXPECT_TRUE(d.changed());
    d.redo();
    EXPECT_FALSE(d.changed());
}

TEST(LengthEdit, TakesWhatIsALengthAndRefusesTheRest) {
    LengthEdit edit("Test", 0, 300);
    std::vector<double> entered;
    QObject::connect(&edit, &LengthEdit::length_entered, [&](double mm) { entered.push_back(mm); });
    edit.show_length(25.4, Units::Inches);
    EXPECT_EQ(edit.text(), "1 in");
    const auto type = [&](const char* text) {
        edit.selectAll();
        QTest::keyClicks(&edit, text);
        QTest::keyClick(&edit, Qt::Key_Return);
    };
    type("1 1/2");
    type("wide");
    EXPECT_TRUE(edit.property("wrong").toBool());
    type("99 in");
    EXPECT_TRUE(edit.property("wrong").toBool()) << "beyond the limit";
    type("20 mm");
    EXPECT_FALSE(edit.property("wrong").toBool());
    ASSERT_EQ(entered.size(), 2u);
    EXPECT_DOUBLE_EQ(entered[0], 38.1);
    EXPECT_DOUBLE_EQ(entered[1], 20);
    QTest::keyClick(&edit, Qt::Key_Return);
    EXPECT_EQ(entered.size(), 2u) << "the same again is no change";
    edit.show_length(25.4, Units::Inches);
    QTest::keyClick(&edit, Qt::Key_Up);
    QTest::keyClick(&edit, Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_DOUBLE_EQ(entered[2], 25.4 + 25.4 / 16);
    EXPECT_DOUBLE_EQ(entered[3], 25.4 - 3 * 25.4 / 16);
}

TEST(Settings, RecentFilesAreNewestFirstOnceAndExisting) {
    QTemporaryDir dir;
    for (int i = 0; i < 12; ++i) {
        QFile f(dir.filePath(QString::number(i)));
        ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    }
    {
        Settings s(dir.filePath("s.ini"));
        EXPECT_FALSE(s.letter_paper());
        for (int i = 0; i < 12; ++i) s.add_recent(dir.filePath(QString::number(i)));
        s.add_recent(dir.filePath("9"));
        s.set_letter_paper(true);
    }
    QFile::remove(dir.filePath("11"));
    const Settings again(dir.filePath("s.ini"));
    const QStringList recent = again.recent_files();
    EXPECT_EQ(recent.size(), 7);
    EXPECT_EQ(recent.front(), dir.filePath("9"));
    EXPECT_TRUE(again.letter_paper());
}

TEST(Wording, AnswersSayWhatThePlanSays) {
    const Project p = *open_project(demo::project());
    Planner planner;
    const auto first = planner.shapes(p);
    ASSERT_TRUE(first);
    EXPECT_EQ(sheets_answer(*first), "laying out");
    const auto plan = planner.plan(p);
    ASSERT_TRUE(plan);
    EXPECT_EQ(set_out_answer(p, *plan), "11 in, thinnest bar 1.9 mm");
    EXPECT_EQ(sections_answer(*plan), "26 sections, 1 left open");
    EXPECT_EQ(papers_answer(*plan), "1 patch short");
    EXPECT_TRUE(papers_in_trouble(*plan));
    EXPECT_TRUE(about_base(p, *plan).startsWith(
        "Trim 1/4 in off each side, 1/2 in in all each way: the base is 11 1/2 x 11 1/2 in. Gut the frame"));
    EXPECT_TRUE(about_opening(p, *plan, 0).startsWith("Opening 1: "));
    EXPECT_TRUE(about_opening(p, *plan, 19).endsWith("left open"));
    EXPECT_TRUE(about_opening(p, *plan, 10).endsWith("does not fit"));
    EXPECT_TRUE(about_opening(p, *plan, 999).isEmpty());
    EXPECT_EQ(papers_answer(Plan{}), "nothing to back yet");
    EXPECT_EQ(set_out_answer(Project{}, Plan{}), "no drawing yet");
}

TEST(SheetCards, StandApartInTheirRoomAndHoldTheirSheets) {
    for (const int sheets : {1, 2, 5, 9, 30}) {
        Plan plan;
        std::mt19937 random(static_cast<unsigned>(sheets));
        for (int k = 0; k < sheets; ++k) {
            Sheet sheet;
            sheet.outline = {ring_of(Box{0, 0, 40.0 + static_cast<double>(random() % 270),
                                         50.0 + static_cast<double>(random() % 250)}),
                             {}};
            plan.papers.sheets.push_back(sheet);
            UsedSheet used;
            used.sheet = k;
            plan.sheets.used.push_back(used);
        }
        const double width = 640, height = 500;
        const auto cards = cards_for(plan, width, height);
        ASSERT_EQ(cards.size(), static_cast<std::size_t>(sheets));
        for (std::size_t i = 0; i < cards.size(); ++i) {
            const SheetCard& c = cards[i];
            EXPECT_GE(c.card.left(), 0);
            EXPECT_LE(c.card.right(), width + between_cards);
            if (sheets <= 5) {
                EXPECT_LE(c.card.bottom(), height + between_cards) << "few need no scrolling";
            }
            const Box sheet = bounds(plan.papers.sheets[i].outline);
            EXPECT_TRUE(c.card.contains(
                QRectF(c.origin.x(), c.origin.y(), sheet.width() * c.scale, sheet.height() * c.scale)));
            EXPECT_GT(c.scale * std::max(sheet.width(), sheet.height()), 60) << "large enough to see";
            for (std::size_t k = 0; k < i; ++k) EXPECT_FALSE(c.card.intersects(cards[k].card));
        }
    }
    EXPECT_TRUE(cards_for(Plan{}, 640, 500).empty());
}

TEST(SwatchPictures, PlainPapersShowTheirOwnColours) {
    const Stash stash = testing::five_papers();
    Project page;
    page.stash = std::make_shared<const Stash>(stash);
    const auto textures = std::make_shared<const Textures>(page);
    SwatchPictures pictures(nullptr);
    QWidget asks;
    const auto picture_of = [&](int paper) {
        const SwatchPictures::Wanted wanted{paper, Side::A, false, {40, 30}, 1, 2};
        QImage image = pictures.picture(textures, wanted, &asks);
        while (image.isNull()) {
            QTest::qWait(1);
            image = pictures.picture(textures, wanted, &asks);
        }
        return image;
    };
    for (int paper = 0; paper < static_cast<int>(stash.papers.size()); ++paper) {
        const Rgb colour = stash.papers[static_cast<std::size_t>(paper)].colour;
        EXPECT_EQ(picture_of(paper).pixelColor(20, 15), QColor(colour.r, colour.g, colour.b)) << paper;
    }
}

} // namespace zesty
