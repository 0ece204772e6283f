// Foam and glue: how much of what, and where on the back of each cut it may go.

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/hold_painter.h"
#include "io/paint/textures.h"

#include <algorithm>

namespace zesty::guide {

namespace {

constexpr double line_high = 5;
constexpr double usual_map = 110; ///< mm, of a map's longer side where there is room

QString words_of_adhesive(Adhesive what) {
    switch (what) {
    case Adhesive::Sheet:
        return "adhesive sheet";
    case Adhesive::FineGlue:
        return "glue from a fine tip";
    case Adhesive::Tape:
        return "double-sided tape";
    case Adhesive::Dots:
        break;
    }
    return "glue dots";
}

std::vector<QString> lists(GuidePaper& g) {
    const auto length = [&](double mm) { return QString::fromStdString(format_long(mm, g.project.units)); };
    std::vector<QString> out;
    for (const FoamTotal& foam : g.plan.dress.heights.foam) {
        QStringList parts;
        if (foam.length > 0) parts << length(foam.length) + " in strips";
        if (foam.pads > 0)
            parts << QString::fromStdString(count_of(static_cast<std::size_t>(foam.pads), "pad", "pads"));
        out.push_back(QString("Foam of %1 mm: %2.").arg(foam.thickness).arg(parts.join(", ")));
    }
    for (const RaisedThing& thing : g.plan.dress.heights.raised)
        out.push_back(QString::fromStdString(sentence(thing.name + " is raised to " + format_mm(thing.top))));
    for (const GlueUse& use : g.plan.dress.glue.uses)
        out.push_back("Glue: " + words_of_adhesive(use.what) + ", " +
                      (use.what == Adhesive::Dots ? QString::number(use.dots) : length(use.length)) + ".");
    return out;
}

/// Seen from behind, as it lies while it is glued.
void print_map(GuidePaper& g, const GlueMap& map) {
    const CutFile& cut = *g.plan.sections.cut;
    Region outlines;
    for (const Piece& p : cut.pieces)
        if (p.layer == map.cut) outlines.push_back(transformed(p.outline, g.plan.set_out.whole.to_page));
    if (outlines.empty()) return;
    const Box box = bounds(outlines);
    const QString name =
        g.plan.dress.glue.cuts.size() == 1 ? QString("the cut") : QString("cut %1").arg(map.cut + 1);
    QString hint = "Seen from behind. Green: glue now. ";
    if (!map.after.empty()) hint += "Yellow: once it is tucked. ";
    if (!map.never.empty()) hint += "Crosses: no glue. ";
    for (const std::string& tuck : map.tucks) hint += "Tucked: " + QString::fromStdString(tuck) + ". ";
    const double wanted = std::min(usual_map, box.height());
    const QRectF r = g.chapter(QString::fromStdString(g.project.title) + ": where to glue " + name, hint,
                               std::min(wanted, g.room().height()));
    const double scale = std::min(
        {1.0, r.width() / box.width(), r.height() / box.height(), std::max(wanted, 1.0) / box.height()});
    g.painter.save();
    g.painter.translate(r.x() + r.width() / 2, r.y());
    g.painter.scale(-scale, scale);
    g.painter.translate(-box.centre().x, -box.y0);
    g.painter.setClipRect(QRectF(box.x0 - 1, box.y0 - 1, box.width() + 2, box.height() + 2));
    g.pen(0.14 / scale, quiet);
    for (const Polygon& p : outlines) g.painter.drawPath(to_path(p));
    paint_glue_map(g.painter, map);
    g.painter.restore();
    g.used_to(r.y() + box.height() * scale + 2);
}

} // namespace

void print_glue(GuidePaper& g) {
    const DressFacts& dress = g.plan.dress;
    const bool tucked = std::any_of(dress.glue.cuts.begin(), dress.glue.cuts.end(),
                                    [](const GlueMap& m) { return !m.never.empty() || !m.after.empty(); });
    if (dress.heights.raised.empty() && !tucked) return;
    const std::vector<QString> lines = lists(g);
    const QRectF r =
        g.chapter(QString::fromStdString(g.project.title) + ": foam and glue",
                  "Foam stays out of sight: strips behind bars and edges, pads behind what is backed.",
                  std::min(g.room().height(), static_cast<double>(lines.size()) * line_high));
    double y = r.y();
    for (const QString& line : lines) {
        if (y + line_high > r.bottom()) break;
        g.text({r.x(), y, r.width(), line_high}, 3.4, line);
        y += line_high;
    }
    g.used_to(y);
    for (const GlueMap& map : dress.glue.cuts)
        if (!map.places.empty() && (!map.never.empty() || !map.after.empty())) print_map(g, map);
}

} // namespace zesty::guide
