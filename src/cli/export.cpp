#include "cli/commands.h"
#include "cli/painting.h"
#include "cli/proposed.h"
#include "io/guide/export_all.h"

#include <iostream>

namespace zesty::cli {

int run(const Export& args) {
    const auto p = planned(args.project, std::nullopt, 10);
    if (!p) return complain(p.error().message);
    const Painting painting;
    const auto files =
        export_all(p->project, p->plan, args.paper == "a4" ? PrinterPaper::A4 : PrinterPaper::Letter,
                   QString::fromStdString(args.out));
    if (!files) return complain(files.error().message);
    for (const QString& f : *files) std::cout << f.toStdString() << "\n";
    return p->plan.sheets.short_patches.empty() ? done : problems;
}

} // namespace zesty::cli
