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

QByteArray guide_pdf(const Project& project, const Plan& plan, PrinterPaper paper) {
    return guide_pdf(project, plan, mats_of(project, plan), paper);
}

QByteArray guide_pdf(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                     PrinterPaper paper) {
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    {
        guide::GuidePaper page(project, plan, mats, paper, buffer);
        for (const auto print : guide::chapters) print(page);
    }
    return buffer.data();
}

} // namespace zesty
