// The views one by one in the real window.

#include "app/bench.h"
#include "app/bench/drawer.h"
#include "app/bench/keys_sheet.h"
#include "app/bench/second_look.h"
#include "app/page/background_picture.h"
#include "app/papers/papers_panel.h"
#include "app/setout/set_out_panel.h"
#include "app/sheets/sheets_view.h"
#include "io/read_file.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QApplication>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPushButton>
#include <QSlider>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

namespace {

QPushButton* button(QWidget& in, const QString& text) {
    for (QPushButton* b : in.findChildren<QPushButton*>())
        if (b->isVisible() && b->text() == text) return b;
    ADD_FAILURE() << "no button says " << text.toStdString();
    return nullptr;
}

QString label(QWidget& in, const char* name) {
    for (QLabel* l : in.findChildren<QLabel*>(name))
        if (l->isVisible()) return l->text();
    return {};
}

/// How many pixels of two pictures differ.
int difference(const QImage& a, const QImage& b) {
    int n = 0;
    for (int y = 0; y < std::min(a.height(), b.height()); ++y)
        for (int x = 0; x < std::min(a.width(), b.width()); ++x) n += a.pixel(x, y) != b.pixel(x, y);
    return n;
}

} // namespace

TEST(Window, EmptyStatesSayWhatToDoNext) {
    Bench bench;
    EXPECT_TRUE(bench.window().findChild<RouteBar*>()->answer(Waypoint::SetOut).contains("no drawing"));
    EXPECT_TRUE(label(bench.window(), "facts").contains("Open a drawing"));
    bench.open(demo::drawing());
    EXPECT_EQ(bench.window().findChild<RouteBar*>()->answer(Waypoint::Papers), "no stash yet");
    bench.key(Qt::Key_3, Qt::ControlModifier);
    EXPECT_TRUE(label(bench.window(), "hint").contains("Add papers in the drawer"));
    EXPECT_FALSE(bench.window().actions()[Act::Propose]->isEnabled());
    bench.key(Qt::Key_E, Qt::ControlModifier);
    EXPECT_TRUE(bench.message().contains("nothing to write"));
}

TEST(SetOutPanel, ButtonsAndFieldsDecideThePageAndTheCut) {
    Bench bench;
    bench.open(demo::project());
    auto* panel = bench.window().findChild<SetOutPanel*>();
    panel->choose(SetOutPanel::Page);
    for (QComboBox* c : bench.window().findChildren<QComboBox*>())
        if (c->isVisible() && c->accessibleName() == "Size of the page") {
            c->setFocus();
            bench.key(c, Qt::Key_Down);
        }
    bench.settle();
    EXPECT_TRUE(label(bench.window(), "base").startsWith("Trim 1/4 in"));
    EXPECT_NEAR(bench.document().project().set_out.page.width, 215.9, 1e-9);
    EXPECT_NEAR(bench.document().project().set_out.page.height, 279.4, 1e-9);
    panel->choose(SetOutPanel::Cuts);
    QTest::mouseClick(button(bench.window(), "Width"), Qt::LeftButton);
    bench.settle();
    const CutPlacement& cut = bench.document().project().set_out.cuts.front().place;
    EXPECT_EQ(cut.rule, SizeRule::Width);
    EXPECT_NEAR(cut.length, bench.plan().set_out.whole.cut_box.width(), 1e-9)
        << "changing the rule changes no size";
    QTest::mouseClick(button(bench.window(), "+15"), Qt::LeftButton);
    QTest::mouseClick(button(bench.window(), "-15"), Qt::LeftButton);
    QTest::mouseClick(button(bench.window(), "-15"), Qt::LeftButton);
    bench.settle();
    EXPECT_DOUBLE_EQ(bench.document().project().set_out.cuts.front().place.turn_deg, -15);
    for (QCheckBox* box : bench.window().findChildren<QCheckBox*>())
        if (box->isVisible()) QTest::mouseClick(box, Qt::LeftButton, {}, QPoint(8, box->height() / 2));
    bench.settle();
    EXPECT_TRUE(bench.document().project().set_out.cuts.front().place.mirrored);
    bench.key(Qt::Key_U, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(label(bench.window(), "facts").contains(" cm"));
    EXPECT_TRUE(bench.window().findChild<QLabel*>("title")->text().contains("21.6 x 27.9 cm"));
}

TEST(SectionsPanel, NamesLipsAndTreatmentsGoToTheSelectedSections) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    bench.click(13);
    EXPECT_EQ(label(bench.window(), "selection"), "Opening 14");
    auto fields = bench.window().findChildren<QLineEdit*>();
    const auto field = [&](const char* name) {
        for (QLineEdit* f : fields)
            if (f->accessibleName() == name) return f;
        return static_cast<QLineEdit*>(nullptr);
    };
    QLineEdit* name = field("Name of the section");
    ASSERT_NE(name, nullptr);
    name->setFocus();
    QTest::keyClicks(name, "heart of the kite");
    bench.key(name, Qt::Key_Return);
    EXPECT_EQ(bench.document().project().sections.choice(13).name, "heart of the kite");
    QLineEdit* lip = field("Lip of these sections");
    lip->setFocus();
    lip->selectAll();
    QTest::keyClicks(lip, "1 mm");
    bench.key(lip, Qt::Key_Return);
    bench.settle();
    EXPECT_NEAR(*bench.document().project().sections.choice(13).lip, 1, 1e-9);
    EXPECT_NEAR(bench.plan().sections.patches[bench.plan().patch_of(13)].lip, 1, 0.05);
    QTest::mouseClick(button(bench.window(), "Open"), Qt::LeftButton);
    bench.settle();
    EXPECT_EQ(bench.plan().patch_of(13), -1);
    bench.page().setFocus();
    bench.key(Qt::Key_A, Qt::ControlModifier);
    EXPECT_EQ(bench.state().selected().size(), 31u);
    bench.key(Qt::Key_Escape);
    bench.click(21);
    bench.key(Qt::Key_T);
    EXPECT_GE(bench.state().selected().size(), 2u) << "the two wings of a bow are twins";
}

TEST(PapersPanel, OffersOtherPapersAndLocksWhatIsGiven) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.click(17);
    QPushButton* keep = button(bench.window(), "Lock");
    EXPECT_FALSE(keep->isChecked());
    QTest::mouseClick(keep, Qt::LeftButton);
    EXPECT_TRUE(bench.document().project().match.choice(17).locked);
    bench.settle();
    const QList<QPushButton*> others =
        bench.window().findChild<QWidget*>("others")->findChildren<QPushButton*>();
    ASSERT_GE(others.size(), 3);
    EXPECT_TRUE(label(bench.window(), "why").startsWith("Why: "));
    EXPECT_EQ(others[0]->accessibleName(), "Give Hedge Stripe B: better still");
    QTest::mouseClick(others[0], Qt::LeftButton);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(17).paper, "hedge-stripe");
    EXPECT_EQ(bench.document().project().match.choice(17).side, Side::B);
    EXPECT_TRUE(bench.plan().sheets.placed[bench.plan().patch_of(17)].mirrored)
        << "side B is cut turned over";
    bench.page().setFocus();
    bench.key(Qt::Key_Delete);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(17).paper, "");
    EXPECT_EQ(bench.window().findChild<RouteBar*>()->answer(Waypoint::Papers), "1 patch short");
}

TEST(PapersPanel, ColoursScatterOrDriftAsTheSliderSays) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    QSlider* drift = nullptr;
    for (QSlider* s : bench.window().findChildren<QSlider*>())
        if (s->accessibleName().startsWith("Scatter")) drift = s;
    ASSERT_TRUE(drift);
    auto* light = [&]() -> QComboBox* {
        for (QComboBox* c : bench.window().findChildren<QComboBox*>())
            if (c->accessibleName().startsWith("Where the light")) return c;
        return nullptr;
    }();
    ASSERT_TRUE(light);
    EXPECT_FALSE(light->isEnabled()) << "scattered papers have no light end";
    drift->setFocus();
    bench.key(drift, Qt::Key_End);
    EXPECT_DOUBLE_EQ(bench.document().project().match.style.drift, 1);
    bench.settle();
    EXPECT_TRUE(light->isEnabled());
    light->setFocus();
    bench.key(light, Qt::Key_Down);
    bench.settle();
    EXPECT_DOUBLE_EQ(bench.document().project().match.style.light_deg, -45);
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.style, MatchStyle{});
    EXPECT_EQ(drift->value(), 0);
}

TEST(PapersPanel, AProposalCanBePutBack) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    bench.key(Qt::Key_3, Qt::ControlModifier);
    QTest::mouseClick(bench.window().findChild<QPushButton*>("propose"), Qt::LeftButton);
    EXPECT_EQ(bench.window().findChild<QPushButton*>("propose")->text(), "Stop");
    bench.settle();
    ASSERT_TRUE(bench.state().offers().shown());
    EXPECT_TRUE(bench.window().findChild<QWidget*>("offer")->isVisible());
    EXPECT_FALSE(bench.window().actions()[Act::Give]->isEnabled())
        << "no deciding while a proposal is on show";
    bench.key(Qt::Key_Escape);
    EXPECT_FALSE(bench.state().offers().shown());
    EXPECT_TRUE(bench.document().project() == before);
    EXPECT_FALSE(bench.document().history().canUndo());
}

TEST(PapersPanel, AnEditWhileProposingStopsTheProposal) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_P);
    bench.document().change("Lip", [](Project& p) { p.sections.lip = 2; });
    bench.settle();
    EXPECT_FALSE(bench.state().offers().shown());
    EXPECT_FALSE(bench.window().worker().proposing());
    EXPECT_NEAR(bench.plan().sections.patches[0].lip_wanted, 2, 1e-9);
}

TEST(PageView, PaintsPapersWhereTheyAreGiven) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.settle();
    const QImage before = bench.page().grab().toImage();
    const QPoint at = bench.pixel_of(16) + QPoint(0, 24);
    bench.drop_paper("brick-dust", 16);
    bench.settle();
    const QImage after = bench.page().grab().toImage();
    EXPECT_GT(difference(before, after), 300);
    const QColor c = after.pixelColor(at);
    EXPECT_LT(std::abs(c.red() - 200) + std::abs(c.green() - 86) + std::abs(c.blue() - 58), 60);
}

TEST(PageView, ADropOnASelectedOpeningGoesToTheWholeSelection) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.click(0);
    bench.click(5, Qt::ControlModifier);
    bench.drop_paper("hillside", 5);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(0).paper, "hillside");
    EXPECT_EQ(bench.document().project().match.choice(5).paper, "hillside");
    EXPECT_EQ(bench.document().history().count(), 1) << "one step";
    bench.click(5, Qt::ControlModifier);
    EXPECT_EQ(bench.state().selected(), std::set<int>{0}) << "a second click takes it out";
}

TEST(PageView, TheInnermostOpeningIsTheOneMeant) {
    Bench bench;
    bench.open(demo::project());
    // Opening 20 lies in an insert that lies in opening 19.
    EXPECT_EQ(bench.page().opening_at(bench.pixel_of(19)), 19);
    EXPECT_EQ(bench.page().opening_at(bench.pixel_of(18)), 18);
    EXPECT_EQ(bench.page().opening_at(QPointF(30, 30)), -1);
}

namespace {

Point middle_on_sheet(const Plan& plan, int patch) {
    return (plan.sheets.placed[patch].to_sheet() * plan.set_out.whole.to_page)(
        plan.sections.cut->openings[plan.sections.patches[patch].opening].label.centre);
}

} // namespace

TEST(SheetsView, ScrollsWhenThereAreManySheetsAndSelectsByClick) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_4, Qt::ControlModifier);
    bench.settle();
    auto* sheets = bench.window().findChild<SheetsView*>("sheets");
    const auto place = sheets->places().front();
    const Plan& plan = bench.plan();
    const int patch = plan.sheets.used[place.used].patches.front();
    const Point at = middle_on_sheet(plan, patch);
    const QPoint pixel(static_cast<int>(place.origin.x() + at.x * place.scale),
                       static_cast<int>(place.origin.y() + at.y * place.scale));
    EXPECT_EQ(sheets->patch_at(pixel), patch);
    QTest::mouseClick(sheets, Qt::LeftButton, {}, pixel);
    EXPECT_EQ(bench.state().selected(), std::set<int>{plan.sections.patches[patch].opening});
    bench.window().resize(1000, 640);
    bench.settle();
    const SheetCard last = sheets->places().back();
    const double below = last.card.bottom() + between_cards - sheets->height();
    ASSERT_GT(below, 0) << "not all of it is seen at this size";
    for (int k = 0; k < 5; ++k) bench.key(sheets, Qt::Key_PageDown);
    bench.settle();
    const int lowest = plan.sheets.used[last.used].patches.front();
    const Point on_sheet = middle_on_sheet(plan, lowest);
    const QPoint scrolled(static_cast<int>(last.origin.x() + on_sheet.x * last.scale),
                          static_cast<int>(last.origin.y() + on_sheet.y * last.scale - below));
    EXPECT_EQ(sheets->patch_at(scrolled), lowest);
}

TEST(KeysSheet, ComesAndGoes) {
    Bench bench;
    auto* keys = bench.window().findChild<KeysSheet*>();
    bench.key(Qt::Key_F1);
    EXPECT_TRUE(keys->isVisible());
    EXPECT_EQ(keys->size(), bench.window().centralWidget()->size());
    bench.key(Qt::Key_Escape);
    EXPECT_FALSE(keys->isVisible());
}

TEST(Route, StopsAreButtonsWithTheirAnswerAsName) {
    Bench bench;
    bench.open(demo::project());
    for (int i = 0; i < waypoints; ++i) {
        auto* stop = bench.window().findChild<QAbstractButton*>(QString("stop%1").arg(i));
        EXPECT_TRUE(stop->accessibleName().contains(": "));
        QTest::mouseClick(stop, Qt::LeftButton);
        EXPECT_EQ(static_cast<int>(bench.state().waypoint()), i);
        EXPECT_TRUE(stop->isChecked());
    }
}

TEST(Worker, OnlyTheNewestPlanCounts) {
    Bench bench;
    bench.open(demo::project());
    std::vector<double> shown;
    QObject::connect(&bench.state(), &BenchState::plan_changed, &bench.state(), [&] {
        if (bench.plan().sheets.done) shown.push_back(bench.plan().sections.patches[0].lip_wanted);
    });
    for (int i = 0; i < 12; ++i)
        bench.document().change("Lip", [&](Project& p) { p.sections.lip = 1 + 0.1 * i; });
    bench.settle();
    ASSERT_FALSE(shown.empty());
    EXPECT_LE(shown.size(), 3u);
    EXPECT_NEAR(shown.back(), 2.1, 1e-9);
}

TEST(Worker, SavingWhileEditingKeepsTheNewerEditUnsaved) {
    Bench bench;
    bench.open(demo::project());
    bench.document().change("Lip", [](Project& p) { p.sections.lip = 2; });
    bench.save_answer = bench.folder("a.zesty");
    bench.window().actions()[Act::SaveAs]->trigger();
    bench.document().change("Lip", [](Project& p) { p.sections.lip = 3; });
    bench.settle();
    EXPECT_TRUE(bench.document().changed());
    EXPECT_TRUE(read_file(bench.folder("a.zesty")).has_value());
}

TEST(BackgroundPicture, ShowsTheNewestAndPaintsNoMoreThanNeeded) {
    BackgroundPicture picture;
    std::atomic<int> painted{0};
    for (int i = 0; i < 20; ++i)
        picture.request({20, 10}, 1, Qt::black, [&painted, i](QPainter& p) {
            ++painted;
            QTest::qSleep(2);
            p.fillRect(QRect(0, 0, 20, 10), QColor(i * 10, 0, 0));
        });
    EXPECT_FALSE(picture.up_to_date());
    ASSERT_TRUE(QTest::qWaitFor([&] { return picture.up_to_date(); }, patience_ms));
    EXPECT_EQ(picture.image().pixelColor(5, 5), QColor(190, 0, 0));
    EXPECT_LE(painted, 3);
}

} // namespace zesty
