// Takes the pictures of the main views from the demo: screenshots DEMO_FOLDER OUT_FOLDER. Made offscreen from
// the real window.

#include "app/bench/bench_window.h"
#include "app/bench/theme.h"
#include "app/build/build_panel.h"
#include "app/papers/papers_panel.h"
#include "app/sections/sections_panel.h"
#include "app/setout/copies_part.h"
#include "app/setout/pieces_part.h"
#include "app/setout/set_out_panel.h"
#include "app/sheets/sheets_panel.h"
#include "core/build/progress.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/stash/fussy_cut.h"
#include "io/paper_pixels.h"
#include "io/stash_json.h"
#include "io/stash_store.h"

#include <QApplication>
#include <QDeadlineTimer>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTemporaryDir>
#include <cstdio>

using namespace zesty;

namespace {

/// Pictures of the work are of one evening: a quarter to eight.
constexpr std::int64_t that_evening = 1'796'067'900;

void settle(BenchWindow& window) {
    const QDeadlineTimer limit(20000);
    do QApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 20);
    while (!window.settled() && !limit.hasExpired());
    QApplication::processEvents();
}

/// A window, and where its pictures go.
struct Camera {
    BenchWindow& window;
    QDir demo;
    QDir out;

    void shoot(const char* name) const {
        QApplication::processEvents();
        settle(window);
        const QString path = out.filePath(QString(name) + ".png");
        window.grab().save(path);
        std::printf("%s\n", qPrintable(path));
    }
    void undo_all() const {
        for (int left = window.document().history().count(); left > 0; --left) window.document().undo();
    }
};

/// Another page that has reserved some of the papers: windows and roofs of trams.
void reserve_for_another_page(const QString& stash) {
    auto papers = StashStore::open(stash);
    if (!papers) return;
    const auto piece = [](const char* paper, const Ring& outline) {
        return ReservedPiece{"Tram Terrace", paper, Side::A, {outline, {}}};
    };
    const Ring window = ring_of(Box{0, 0, 22, 30});
    const Ring roof{{8, 0}, {62, 0}, {70, 14}, {0, 14}};
    const QString page = QFileInfo(stash).dir().filePath("tram-terrace.zesty");
    if (QFile file(page); !file.open(QIODevice::WriteOnly)) return;
    (void)papers->reserve(page_key(page),
                          {piece("thistle-dot", window), piece("thistle-dot", window),
                           piece("barley", window), piece("hedge-stripe", roof), piece("hillside", window),
                           piece("hillside", window), piece("brick-dust", roof)});
}

void take_set_out(const Camera& camera) {
    BenchWindow& window = camera.window;
    camera.shoot("set-out");
    auto* panel = window.findChild<SetOutPanel*>();
    window.actions()[Act::AddPhoto]->trigger();
    window.document().change("Place the photo", [](Project& p) {
        Photo& photo = p.set_out.photos.back();
        photo.centre = {236, 222};
        photo.turn_deg = 5;
        photo.name = "On the hill";
    });
    window.worker().read_photo_picture(camera.demo.filePath("photos/kite-day.png"));
    settle(window);
    camera.shoot("photos");
    camera.undo_all();
    panel->choose(SetOutPanel::Page);
    window.document().change("Frame", [](Project& p) { p.set_out.page.reveal = Sides::even(12.7); });
    camera.shoot("page");
    camera.undo_all();
    panel->choose(SetOutPanel::Pieces);
    settle(window);
    for (int loose : {2, 3}) panel->pieces().pick(loose);
    panel->choose(SetOutPanel::Sizes);
    camera.shoot("sizes");
    for (QPushButton* b : panel->findChildren<QPushButton*>())
        if (b->text() == "Show the cutting mats") b->click();
    camera.shoot("mat");
    window.state().show_cutting_mats(nullptr);
    panel->choose(SetOutPanel::Cuts);
}

void take_sections(const Camera& camera) {
    BenchWindow& window = camera.window;
    window.state().go_to(Waypoint::Sections);
    window.state().select({18});
    camera.shoot("sections");
    auto* panel = window.findChild<SectionsPanel*>();
    panel->choose(SectionsPanel::Method);
    camera.shoot("methods");
    panel->choose(SectionsPanel::Sections);
}

/// Of the birds of Gull Print.
void take_fussy_cuts(const Camera& camera) {
    BenchWindow& window = camera.window;
    const Stash& papers = *window.document().project().stash;
    const auto number = static_cast<int>(papers.papers.size());
    window.document().change_papers("Fussy cuts", [&](const Stash& now) {
        Stash next = now;
        Paper whole = now.papers[static_cast<std::size_t>(now.find("gull-print"))];
        whole.uid.clear();
        whole.id = "gull-sheet";
        whole.name = "Gull Sheet";
        whole.sheets = {{{ring_of(Box{0, 0, 304.8, 304.8}), {}}, 2, false}};
        next.papers.push_back(whole);
        Paper& p = next.papers.back();
        const auto pixels = pixels_of_paper(next, p);
        for (int k = 0; pixels && k < 1600 && p.fussy_cuts.size() < 3; ++k) {
            const Point at{20.0 + 4 * (k % 40), 40.0 + 4 * (k / 40)};
            const auto known = [&](const FussyCut& c) {
                return distance(bounds(c.outline).centre(), at) < 45;
            };
            if (std::any_of(p.fussy_cuts.begin(), p.fussy_cuts.end(), known)) continue;
            if (auto found = motif_at(*pixels, at)) p.fussy_cuts.push_back({"", std::move(*found), 0});
        }
        return next;
    });
    settle(window);
    window.state().drawer().pick(number);
    window.state().drawer().cut_out(true);
    camera.shoot("fussy-cuts");
    window.state().drawer().cut_out(false);
    window.document().undo();
    window.state().drawer().pick(0);
}

void take_papers(const Camera& camera) {
    BenchWindow& window = camera.window;
    window.state().go_to(Waypoint::Papers);
    window.state().select({17});
    camera.shoot("papers");
    window.actions()[Act::Propose]->trigger();
    while (window.worker().proposing()) settle(window);
    settle(window);
    camera.shoot("proposals");
    window.actions()[Act::TakeProposal]->trigger();
    settle(window);
    auto* panel = window.findChild<PapersPanel*>();
    panel->choose(PapersPanel::Aims);
    camera.shoot("aims");
    window.state().drawer().pick(0);
    panel->choose(PapersPanel::Paper);
    camera.shoot("paper");
    take_fussy_cuts(camera);
    window.actions()[Act::AddPapers]->trigger();
    window.findChild<QLineEdit*>("new-paper-name")->setText("Ripe Barley");
    window.findChild<QLineEdit*>("new-paper-colour")->setText("ochre");
    camera.shoot("add-papers");
    window.findChild<QWidget*>("add-paper")->hide();
}

void take_sheets(const Camera& camera, const QString& stash) {
    BenchWindow& window = camera.window;
    window.state().go_to(Waypoint::Sheets);
    window.state().select({18});
    reserve_for_another_page(stash);
    window.worker().look_up_reserved(stash, {});
    settle(window);
    window.actions()[Act::Reserve]->trigger();
    window.findChild<SheetsPanel*>()->choose(SheetsPanel::Cutting);
    camera.shoot("sheets");
}

void take_dress(const Camera& camera) {
    BenchWindow& window = camera.window;
    window.open(camera.demo.filePath("kite-hill-dressed.zesty"));
    settle(window);
    window.state().go_to(Waypoint::Dress);
    for (auto* button : window.findChildren<QPushButton*>())
        if (button->isVisible() && button->text() == "Title") button->click();
    camera.shoot("dress");
    for (auto* button : window.findChildren<QPushButton*>())
        if (button->isVisible() && button->text() == "Height") button->click();
    settle(window);
    camera.shoot("height");
    window.state().go_to(Waypoint::Build);
    settle(window);
    window.document().change("Begin", [&](Project& p) {
        for (const auto& [key, ago, took] :
             {std::tuple{"cut:", 20, 2}, std::tuple{"gut", 12, 7}, std::tuple{"wet:Gusts", 4, 7}}) {
            StepLog& log = p.build.log[key];
            start(log, that_evening - (ago + took) * 60);
            tick_off(log, that_evening - ago * 60);
        }
    });
    settle(window);
    auto* steps = window.findChild<QListWidget*>("steps");
    for (int i = 0; i < steps->count(); ++i)
        if (steps->item(i)->text().contains("Back 3, 5")) steps->setCurrentRow(i);
    camera.shoot("build");
    window.findChild<BuildPanel*>()->choose(BuildPanel::Cutting);
    camera.shoot("cutting");
    camera.undo_all();
}

/// A page of the demo is finished, with a few words about it.
void finish_page(const Camera& camera, const char* page, const char* title, const char* album,
                 const char* made) {
    BenchWindow& window = camera.window;
    window.open(camera.demo.filePath(page));
    settle(window);
    window.document().change("Its story", [&](Project& p) {
        p.title = title;
        p.keep.notes.album = album;
        p.keep.notes.made = made;
    });
    window.state().go_to(Waypoint::Keep);
    settle(window);
    window.actions()[Act::FinishPage]->trigger();
    settle(window);
}

void take_keep(const Camera& camera, const QString& stash) {
    for (const char* more : {"tram-terrace-stash.json", "tram-terrace-things.json", "seed-swap-stash.json",
                             "seed-swap-things.json"})
        if (auto store = StashStore::open(stash); store)
            if (const auto papers = read_stash(camera.demo.filePath(more)); papers) (void)store->put(*papers);
    finish_page(camera, "seed-swap.zesty", "Seed Swap", "Garden album", "2026-10-04");
    finish_page(camera, "tram-terrace.zesty", "Tram Terrace", "Town album", "2026-11-21");
    BenchWindow& window = camera.window;
    window.open(camera.demo.filePath("kite-hill-dressed.zesty"));
    settle(window);
    window.document().change("Its story", [](Project& p) {
        p.keep.notes.story = "First wind of the autumn. The red one got away twice and came back once.";
        p.keep.notes.tags = {"kites", "hill"};
        p.keep.notes.photos_of = "12 October";
        p.keep.notes.next_time = "photos before the right wing";
    });
    settle(window);
    camera.shoot("keep");
}

} // namespace

/// screenshots DEMO OUT [WIDTH HEIGHT]: of another size than the usual one, with the window as it is when
/// nothing is open and the sheet of keys as well.
int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    if (argc < 3) return 2;
    theme::apply(application);
    const bool all = argc > 4;
    const QTemporaryDir home;
    Settings settings(home.filePath("settings.ini"));
    settings.use_stash(home.filePath("kite-hill.stash"));
    const auto papers = read_stash(QDir(argv[1]).filePath("kite-hill-stash.json"));
    if (auto store = StashStore::open(settings.stash_file()); !all && papers && store)
        (void)store->put(*papers);
    const auto things = read_stash(QDir(argv[1]).filePath("kite-hill-things.json"));
    if (auto store = StashStore::open(settings.stash_file()); !all && things && store)
        (void)store->put(*things);
    settings.set_clock([] { return that_evening; });
    FileQuestions questions;
    questions.discard = [](QWidget*) { return true; }; // nothing is saved here
    BenchWindow window(settings, questions);
    window.resize(all ? QSize(QByteArray(argv[3]).toInt(), QByteArray(argv[4]).toInt()) : QSize(1280, 800));
    window.show();
    const Camera camera{window, QDir(argv[1]), QDir(argv[2])};
    settle(window);
    if (all) camera.shoot("empty");
    window.open(camera.demo.filePath("kite-hill.zesty"));
    settle(window);
    take_set_out(camera);
    take_sections(camera);
    take_papers(camera);
    take_sheets(camera, settings.stash_file());
    take_dress(camera);
    take_keep(camera, settings.stash_file());
    window.actions()[Act::Keys]->trigger();
    if (all) camera.shoot("keys");
    return 0;
}
