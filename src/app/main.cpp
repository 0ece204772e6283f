#include "app/bench/bench_window.h"
#include "app/bench/theme.h"
#include "app/page/page_view.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QElapsedTimer>
#include <QScreen>
#include <QTimer>
#include <cstdio>

#ifndef ZESTY_VERSION
#define ZESTY_VERSION "unknown"
#endif

namespace {

/// How long it took until the page that was opened had been painted.
void say_when_painted(zesty::BenchWindow& window, const QElapsedTimer& clock) {
    auto* look = new QTimer(&window);
    const auto* page = window.findChild<zesty::PageView*>();
    QObject::connect(look, &QTimer::timeout, &window, [look, page, &window, clock] {
        const zesty::Plan* plan = window.state().plan();
        if (!plan || !plan->sections.cut || !page->up_to_date()) return;
        look->stop();
        std::printf("first page after %lld ms\n", static_cast<long long>(clock.elapsed()));
        std::fflush(stdout);
    });
    look->start(1);
}

} // namespace

int main(int argc, char** argv) {
    QElapsedTimer clock;
    clock.start();
    QApplication application(argc, argv);
    QApplication::setApplicationName("Zesty Panel");
    QApplication::setApplicationVersion(ZESTY_VERSION);
    QApplication::setDesktopFileName("zesty-panel");
    QCommandLineParser parser;
    parser.setApplicationDescription("Plans a page built around a cut file.");
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(
        "FILE", "A drawing (.svg, .svgz), a project (.zesty) or papers (.csv, .json, .stash)", "[FILE...]");
    const QCommandLineOption stash("stash", "Another stash of papers than yours for this run.", "FILE");
    parser.addOption(stash);
    const QCommandLineOption letters(
        "letters", "How large letters are for this run, from 100 to 150 percent.", "PERCENT");
    parser.addOption(letters);
    parser.process(application);

    zesty::Settings settings;
    settings.use_stash(parser.value(stash));
    // As the desktop has them, where nothing else is said.
    const double desktop = QGuiApplication::primaryScreen()->logicalDotsPerInchY() / 96;
    const int said = parser.isSet(letters) ? parser.value(letters).toInt() : settings.letters();
    zesty::theme::set_letters(said > 0 ? said / 100.0 : desktop);
    zesty::theme::apply(application);
    zesty::BenchWindow window(settings, zesty::FileQuestions::dialogs());
    for (const QString& file : parser.positionalArguments()) window.open(file);
    window.show();
    if (qEnvironmentVariableIsSet("ZESTY_TIME_START")) say_when_painted(window, clock);
    return QApplication::exec();
}
