#include "cli/commands.h"
#include "cli/proposed.h"
#include "io/guide/export_all.h"
#include "io/paint/fonts.h"

#include <QGuiApplication>
#include <iostream>

namespace zesty::cli {

int run(const Export& args) {
    const auto p = planned(args.project, std::nullopt, 10);
    if (!p) return complain(p.error().message);
    // Fonts need an application, but no screen, and nobody needs to hear what Qt thinks of the environment.
    qputenv("QT_QPA_PLATFORM", "offscreen");
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
    int argc = 1;
    char name[] = "zesty";
    char* argv[] = {name, nullptr};
    const QGuiApplication application(argc, argv);
    load_fonts();
    const auto files =
        export_all(p->project, p->plan, args.paper == "a4" ? PrintPaper::A4 : PrintPaper::Letter,
                   QString::fromStdString(args.out));
    if (!files) return complain(files.error().message);
    for (const QString& f : *files) std::cout << f.toStdString() << "\n";
    return p->plan.short_patches.empty() ? done : problems;
}

} // namespace zesty::cli
