#include "io/svg/svg_in_mm.h"

#include <QXmlStreamWriter>

namespace zesty {

void begin_svg_in_mm(QXmlStreamWriter& xml, double width, double height, const std::string& title) {
    xml.setAutoFormatting(true);
    xml.writeStartDocument();
    xml.writeStartElement("svg");
    xml.writeDefaultNamespace("http://www.w3.org/2000/svg");
    const QString w = QString::number(width, 'f', 4);
    const QString h = QString::number(height, 'f', 4);
    xml.writeAttribute("width", w + "mm");
    xml.writeAttribute("height", h + "mm");
    xml.writeAttribute("viewBox", "0 0 " + w + " " + h);
    xml.writeTextElement("title", QString::fromStdString(title));
}

void begin_lines(QXmlStreamWriter& xml, const char* id, const char* colour, const char* width) {
    xml.writeStartElement("g");
    xml.writeAttribute("id", id);
    xml.writeAttribute("fill", "none");
    xml.writeAttribute("stroke", colour);
    xml.writeAttribute("stroke-width", width);
}

QString path_data(const Ring& ring) {
    QString d;
    for (std::size_t i = 0; i < ring.size(); ++i)
        d += QString("%1%2 %3").arg(i == 0 ? "M" : "L").arg(ring[i].x, 0, 'f', 4).arg(ring[i].y, 0, 'f', 4);
    return d + "Z";
}

QString path_data(const Polygon& polygon) {
    QString d = path_data(polygon.outer);
    for (const Ring& h : polygon.holes) d += path_data(h);
    return d;
}

} // namespace zesty
