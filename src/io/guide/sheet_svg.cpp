#include "io/guide/sheet_svg.h"

#include "core/geometry/measure.h"
#include "io/svg/svg_in_mm.h"

#include <QXmlStreamWriter>

namespace zesty {

QByteArray sheet_svg(const Plan& plan, const UsedSheet& used, const std::string& paper_name) {
    const Sheet& sheet = plan.papers.sheets[used.sheet];
    const Box box = bounds(sheet.outline);
    const Transform home = Transform::moved(-box.x0, -box.y0);
    QByteArray out;
    QXmlStreamWriter xml(&out);
    begin_svg_in_mm(xml, box.width(), box.height(), paper_name + ", " + sheet.id);
    begin_lines(xml, "sheet", "#b0a894", "0.2");
    xml.writeAttribute("stroke-dasharray", "2 2");
    xml.writeEmptyElement("path");
    xml.writeAttribute("d", path_data(transformed(sheet.outline, home)));
    xml.writeEndElement();
    begin_lines(xml, "cut", "#26242b", "0.1");
    for (int p : used.patches) {
        if (plan.sections.patches[p].rides_on >= 0) continue; // cut as a part of another
        xml.writeStartElement("path");
        xml.writeAttribute("id", QString("patch-%1").arg(plan.sections.patches[p].opening + 1));
        xml.writeAttribute("d", path_data(transformed(plan.sections.patches[p].on_sheet(),
                                                      home * plan.sheets.placed[p].to_sheet())));
        xml.writeTextElement("title", QString::number(plan.sections.patches[p].opening + 1));
        xml.writeEndElement();
    }
    xml.writeEndElement();
    xml.writeEndElement();
    xml.writeEndDocument();
    return out;
}

} // namespace zesty
