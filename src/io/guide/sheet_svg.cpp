#include "io/guide/sheet_svg.h"

#include "core/geometry/measure.h"

#include <QXmlStreamWriter>

namespace zesty {

namespace {

QString path_data(const Polygon& polygon) {
    QString d;
    const auto add = [&](const Ring& ring) {
        for (std::size_t i = 0; i < ring.size(); ++i)
            d += QString("%1%2 %3")
                     .arg(i == 0 ? "M" : "L")
                     .arg(ring[i].x, 0, 'f', 4)
                     .arg(ring[i].y, 0, 'f', 4);
        d += "Z";
    };
    add(polygon.outer);
    for (const Ring& h : polygon.holes) add(h);
    return d;
}

} // namespace

QByteArray sheet_svg(const Plan& plan, const UsedSheet& used, const std::string& paper_name) {
    const Sheet& sheet = plan.papers.sheets[used.sheet];
    const Box box = bounds(sheet.outline);
    const Transform home = Transform::moved(-box.x0, -box.y0);
    QByteArray out;
    QXmlStreamWriter xml(&out);
    xml.setAutoFormatting(true);
    xml.writeStartDocument();
    xml.writeStartElement("svg");
    xml.writeDefaultNamespace("http://www.w3.org/2000/svg");
    const QString w = QString::number(box.width(), 'f', 4);
    const QString h = QString::number(box.height(), 'f', 4);
    xml.writeAttribute("width", w + "mm");
    xml.writeAttribute("height", h + "mm");
    xml.writeAttribute("viewBox", "0 0 " + w + " " + h);
    xml.writeTextElement("title", QString::fromStdString(paper_name + ", " + sheet.id));
    xml.writeStartElement("g");
    xml.writeAttribute("id", "sheet");
    xml.writeAttribute("fill", "none");
    xml.writeAttribute("stroke", "#b0a894");
    xml.writeAttribute("stroke-width", "0.2");
    xml.writeAttribute("stroke-dasharray", "2 2");
    xml.writeEmptyElement("path");
    xml.writeAttribute("d", path_data(transformed(sheet.outline, home)));
    xml.writeEndElement();
    xml.writeStartElement("g");
    xml.writeAttribute("id", "cut");
    xml.writeAttribute("fill", "none");
    xml.writeAttribute("stroke", "#26242b");
    xml.writeAttribute("stroke-width", "0.1");
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
