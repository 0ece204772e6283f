#include "app/bench/bench_window.h"
#include "app/bench/theme.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QElapsedTimer>
#include <QScreen>
#include <cstdio>

#ifndef ZESTY_VERSION
#define ZESTY_VERSION "unknown"
#endif

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
    if (qEnvironmentVariableIsSet("ZESTY_TIME_START"))
        QObject::connect(&window.state(), &zesty::BenchState::plan_changed, &window, [&] {
            if (!window.state().plan()->sections.cut) return;
            std::printf("first page after %lld ms\n", static_cast<long long>(clock.elapsed()));
            std::fflush(stdout);
        });
    return QApplication::exec();
}
