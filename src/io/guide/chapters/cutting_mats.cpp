// The cutting mats with every piece where it is cut.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/stash/side_names.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"

#include <algorithm>

namespace zesty::guide {

/// The mat with every piece where it is cut; loose pieces labelled there too.
void print_cutting_mats(GuidePaper& g) {
    const CuttingMat size{g.project.set_out.cutting_mat.width, g.project.set_out.cutting_mat.height};
    for (const CutsOnCuttingMats& one : g.mats) {
        QStringList which;
        for (int c : one.cuts) which << QString::number(c + 1);
        for (std::size_t m = 0; m < one.layout.mats.size(); ++m) {
            g.new_page(
                QString::fromStdString(g.project.title) + ": the cutting mat",
                QString("Cut %1, mat %2 of %3, %4. The good side, made smaller.")
                    .arg(which.join(" and "))
                    .arg(m + 1)
                    .arg(one.layout.mats.size())
                    .arg(QString::fromStdString(format_size(size.width, size.height, g.project.units))));
            const QRectF r = g.room();
            const double scale = std::min(r.width() / size.width, r.height() / size.height);
            CuttingMatLook look;
            look.label /= scale;
            look.line /= scale;
            g.painter.save();
            g.painter.translate(r.topLeft());
            g.painter.scale(scale, scale);
            paint_cutting_mat(g.painter, *g.plan.sections.cut, g.plan.sections.inserts, one.layout.mats[m],
                              size, look);
            g.painter.restore();
        }
    }
}

} // namespace zesty::guide
