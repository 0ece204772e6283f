#include "cli/painting.h"

#include "io/paint/fonts.h"

namespace zesty::cli {

namespace {

int& without_a_screen(int& argc) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    // Nobody needs to hear what Qt thinks of the environment.
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
    return argc;
}

} // namespace

Painting::Painting() : application_(without_a_screen(argc_), argv_) {
    load_fonts();
}

} // namespace zesty::cli
