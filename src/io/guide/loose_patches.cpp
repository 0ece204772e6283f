#include "io/guide/loose_patches.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double apart = 3;
constexpr double label_height = 4;

} // namespace

CuttingFile loose_patches(const std::string& title, const Plan& plan, const CuttingMat& mat) {
    CuttingFile out{title, mat.width, 0, {}, {}};
    std::vector<const Patch*> loose;
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p)
        if ((p >= plan.sheets.placed.size() || plan.sheets.placed[p].sheet < 0) &&
            plan.sections.patches[p].rides_on < 0)
            loose.push_back(&plan.sections.patches[p]);
    std::stable_sort(loose.begin(), loose.end(), [](const Patch* a, const Patch* b) {
        return bounds(a->on_sheet()).height() > bounds(b->on_sheet()).height();
    });
    double x = 0, y = 0, row = 0;
    for (const Patch* patch : loose) {
        const Box box = bounds(patch->on_sheet());
        if (x > 0 && x + box.width() > mat.width) {
            y += row + apart;
            x = row = 0;
        }
        const Transform t = Transform::moved(x - box.x0, y - box.y0);
        const Polygon outline = transformed(patch->on_sheet(), t);
        for (const Ring& hole : outline.holes) out.contours.push_back(hole);
        out.contours.push_back(outline.outer);
        const Point middle = t(middle_of(plan.sections, plan.set_out.whole, patch->opening));
        const double size = std::min(label_height, plan.sections.cut->openings[patch->opening].label.radius *
                                                       plan.set_out.whole.scale);
        out.labels.push_back({std::to_string(patch->opening + 1), middle, size});
        x += box.width() + apart;
        row = std::max(row, box.height());
        out.width = std::max(out.width, box.width());
    }
    out.height = y + row;
    return out;
}

} // namespace zesty
