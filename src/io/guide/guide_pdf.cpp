#include "io/guide/guide_pdf.h"

#include "io/guide/chapters/chapters.h"

#include <QBuffer>
#include <algorithm>
#include <cmath>

namespace zesty {

Tiling tiles_of(const Box& sheet, const std::vector<Box>& patches, double width, double height) {
    Tiling out;
    out.columns = std::max(1, static_cast<int>(std::ceil(sheet.width() / width - 1e-9)));
    out.rows = std::max(1, static_cast<int>(std::ceil(sheet.height() / height - 1e-9)));
    const double w = sheet.width() / out.columns;
    const double h = sheet.height() / out.rows;
    for (int r = 0; r < out.rows; ++r)
        for (int c = 0; c < out.columns; ++c) {
            const Box part{sheet.x0 + c * w, sheet.y0 + r * h, sheet.x0 + (c + 1) * w,
                           sheet.y0 + (r + 1) * h};
            if (std::any_of(patches.begin(), patches.end(), [&](const Box& b) { return b.meets(part); }))
                out.tiles.push_back({r, c, part});
        }
    return out;
}

namespace {

struct Printed {
    QByteArray pdf;
    int pages = 0;
};
Printed printed(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                PrinterPaper paper, const Chapters& chapters) {
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    int pages = 0;
    {
        guide::GuidePaper page(project, plan, mats, paper, buffer);
        for (const Chapter chapter : chapters) guide::chapters[static_cast<std::size_t>(chapter)](page);
        pages = page.pages();
    }
    return {buffer.data(), pages};
}

} // namespace

QByteArray guide_pdf(const Project& project, const Plan& plan, PrinterPaper paper, const Chapters& chapters) {
    return guide_pdf(project, plan, mats_of(project, plan), paper, chapters);
}

QByteArray guide_pdf(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                     PrinterPaper paper, const Chapters& chapters) {
    return printed(project, plan, mats, paper, chapters).pdf;
}

int guide_pages(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                PrinterPaper paper, const Chapters& chapters) {
    return printed(project, plan, mats, paper, chapters).pages;
}

} // namespace zesty
