// Takes the pictures of the main views from the demo: screenshots DEMO_FOLDER OUT_FOLDER. Made offscreen from
// the real window.

#include "app/bench_window.h"
#include "app/theme.h"

#include <QApplication>
#include <QDeadlineTimer>
#include <QDir>
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
    window.state().go_to(Waypoint::Sections);
    window.state().select({18});
    shoot(window, argv[2], "sections");
    window.state().go_to(Waypoint::Papers);
    window.state().select({17});
    shoot(window, argv[2], "papers");
    window.actions()[Act::Propose]->trigger();
    while (window.worker().proposing()) settle(window);
    settle(window);
    shoot(window, argv[2], "proposal");
    window.actions()[Act::TakeProposal]->trigger();
    settle(window);
    window.state().go_to(Waypoint::Sheets);
    window.state().select({18});
    shoot(window, argv[2], "sheets");
    window.actions()[Act::Keys]->trigger();
    if (argc > 4) shoot(window, argv[2], "keys");
    return 0;
}
