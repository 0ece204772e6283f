// Takes the pictures of the main views from the demo: screenshots DEMO_FOLDER OUT_FOLDER. Made offscreen from
// the real window.

#include "app/bench/bench_window.h"
#include "app/bench/theme.h"
#include "app/papers/papers_panel.h"
#include "app/sections/sections_panel.h"
#include "app/setout/set_out_panel.h"
#include "app/sheets/sheets_panel.h"
#include "core/project/edits.h"
#include "io/stash_store.h"

#include <QApplication>
#include <QDeadlineTimer>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QPushButton>
#include <QTemporaryDir>
#include <cstdio>

using namespace zesty;

namespace {

void settle(BenchWindow& window) {
    const QDeadlineTimer limit(20000);
    do QApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 20);
    while (!window.settled() && !limit.hasExpired());
    QApplication::processEvents();
}

void shoot(BenchWindow& window, const QString& folder, const char* name) {
    QApplication::processEvents();
    settle(window);
    const QString path = QDir(folder).filePath(QString(name) + ".png");
    window.grab().save(path);
    std::printf("%s\n", qPrintable(path));
}

/// Another page that has reserved some of the papers: windows and roofs of trams.
void reserve_for_another_page(const QString& own_papers, const Stash& stash) {
    auto papers = StashStore::open(own_papers);
    if (!papers || !papers->put(stash)) return;
    const auto piece = [](const char* paper, const Ring& outline) {
        return ReservedPiece{"Tram Terrace", paper, Side::A, {outline, {}}};
    };
    const Ring window = ring_of(Box{0, 0, 22, 30});
    const Ring roof{{8, 0}, {62, 0}, {70, 14}, {0, 14}};
    const QString page = QFileInfo(own_papers).dir().filePath("tram-terrace.zesty");
    if (QFile file(page); !file.open(QIODevice::WriteOnly)) return;
    (void)papers->reserve(page_key(page),
                          {piece("thistle-dot", window), piece("thistle-dot", window),
                           piece("barley", window), piece("hedge-stripe", roof), piece("hillside", window),
                           piece("hillside", window), piece("brick-dust", roof)});
}

} // namespace

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    if (argc < 3) return 2;
    theme::apply(application);
    const QTemporaryDir home;
    Settings settings(home.filePath("settings.ini"));
    BenchWindow window(settings, FileQuestions{});
    window.resize(argc > 4 ? QSize(QByteArray(argv[3]).toInt(), QByteArray(argv[4]).toInt())
                           : QSize(1280, 800));
    window.show();
    if (argc > 4) {
        settle(window);
        shoot(window, argv[2], "empty");
    }
    window.open(QDir(argv[1]).filePath("kite-hill.zesty"));
    settle(window);
    shoot(window, argv[2], "set-out");
    auto* set_out = window.findChild<SetOutPanel*>();
    window.actions()[Act::AddPhoto]->trigger();
    window.document().change("Place the photo", [](Project& p) {
        p.photos.back().centre = {236, 222};
        p.photos.back().turn_deg = 5;
        p.photos.back().name = "On the hill";
    });
    window.worker().read_photo_picture(QDir(argv[1]).filePath("photos/kite-day.png"));
    settle(window);
    shoot(window, argv[2], "photos");
    while (window.document().history().canUndo()) window.document().history().undo();
    set_out->choose(SetOutPanel::Page);
    window.document().change("Frame", [](Project& p) { p.page.reveal = Sides::even(12.7); });
    shoot(window, argv[2], "page");
    window.document().history().undo();
    set_out->choose(SetOutPanel::Sizes);
    shoot(window, argv[2], "sizes");
    for (QPushButton* b : set_out->findChildren<QPushButton*>())
        if (b->text() == "Lay the page") b->click();
    shoot(window, argv[2], "mat");
    window.state().show_cutting_mats(nullptr);
    set_out->choose(SetOutPanel::Cuts);
    window.state().go_to(Waypoint::Sections);
    window.state().select({18});
    shoot(window, argv[2], "sections");
    auto* sections = window.findChild<SectionsPanel*>();
    sections->choose(SectionsPanel::Divide);
    window.document().change("Divide", [&](Project& p) {
        divide(p, window.state().plan()->spots_of({10}), {Division::Kind::Bands, 3, 2, 20, {0.5, 0.5}});
    });
    shoot(window, argv[2], "divide");
    window.document().history().undo();
    sections->choose(SectionsPanel::Ways);
    shoot(window, argv[2], "ways");
    sections->choose(SectionsPanel::Sections);
    window.state().go_to(Waypoint::Papers);
    window.state().select({17});
    shoot(window, argv[2], "papers");
    window.actions()[Act::Propose]->trigger();
    while (window.worker().proposing()) settle(window);
    settle(window);
    shoot(window, argv[2], "proposals");
    window.state().compare_at(0.52);
    window.state().show_side_by_side(false);
    shoot(window, argv[2], "compare");
    window.state().compare_at(std::nullopt);
    window.actions()[Act::TakeProposal]->trigger();
    settle(window);
    auto* papers = window.findChild<PapersPanel*>();
    papers->choose(PapersPanel::Aims);
    shoot(window, argv[2], "aims");
    window.state().pick(0);
    papers->choose(PapersPanel::Paper);
    shoot(window, argv[2], "paper");
    window.state().go_to(Waypoint::Sheets);
    window.state().select({18});
    reserve_for_another_page(settings.own_papers(), *window.document().project().stash);
    window.worker().look_up_reserved(settings.own_papers(), {});
    settle(window);
    window.actions()[Act::Reserve]->trigger();
    shoot(window, argv[2], "leftovers");
    window.findChild<SheetsPanel*>()->choose(SheetsPanel::Cutting);
    shoot(window, argv[2], "sheets");
    window.actions()[Act::Keys]->trigger();
    if (argc > 4) shoot(window, argv[2], "keys");
    return 0;
}
