// Writes one page after another the way it is told and says so after each: to be killed while it does.
// page_writer save|autosave|export PROJECT TARGET

#include "core/project/planner.h"
#include "io/guide/export_all.h"
#include "io/paint/fonts.h"
#include "io/project_file.h"
#include "io/recovery.h"

#include <QGuiApplication>
#include <cstdio>
#include <string>

int main(int argc, char** argv) {
    using namespace zesty;
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QGuiApplication application(argc, argv);
    if (argc < 4) return 2;
    load_fonts();
    const std::string how = argv[1];
    const QString target = argv[3];
    auto page = open_project(argv[2]);
    if (!page) return 1;
    const auto plan = how == "export" ? Planner().plan(*page) : Result<Plan>(Plan{});
    if (!plan) return 1;
    Autosave autosave(target);
    const QImage picture(64, 64, QImage::Format_RGB32);
    for (int i = 1;; ++i) {
        page->title = "page " + std::to_string(i);
        const bool done = how == "save" ? save_project(*page, target).has_value()
                          : how == "autosave"
                              ? autosave.keep(*page, "kite.zesty", picture).has_value()
                              : export_all(*page, *plan, PrinterPaper::A4, target).has_value();
        if (!done) return 1;
        std::printf("%d\n", i);
        std::fflush(stdout);
    }
}
