#include "io/cutting_file.h"

#include "io/read_file.h"
#include "io/svg/svg_in_mm.h"

#include <QTemporaryDir>
#include <QXmlStreamWriter>
#include <dxflib/dl_dxf.h>
#include <memory>

namespace zesty {

namespace {

constexpr int dxf_millimetres = 4;

void write_layer(DL_Dxf& dxf, DL_WriterA& out, const char* name, int colour) {
    dxf.writeLayer(out, DL_LayerData(name, 0), DL_Attributes(name, colour, 0, "CONTINUOUS", 1.0));
}

void write_tables(DL_Dxf& dxf, DL_WriterA& out) {
    out.sectionTables();
    out.tableLinetypes(1);
    dxf.writeLinetype(out, DL_LinetypeData("CONTINUOUS", "", 0, 0, 0.0));
    out.tableEnd();
    out.tableLayers(3);
    write_layer(dxf, out, "cut", 7);
    write_layer(dxf, out, "registration", 5);
    write_layer(dxf, out, "labels", 8);
    out.tableEnd();
    out.sectionEnd();
}

void write_entities(DL_Dxf& dxf, DL_WriterA& out, const CuttingFile& file) {
    const DL_Attributes cut("cut", 256, 0, "BYLAYER", 1.0);
    const DL_Attributes words("labels", 256, 0, "BYLAYER", 1.0);
    for (const Ring& ring : file.contours) {
        dxf.writePolyline(out, DL_PolylineData(static_cast<int>(ring.size()), 0, 0, 1), cut);
        for (const Point p : ring) dxf.writeVertex(out, DL_VertexData(p.x, file.height - p.y, 0, 0));
        dxf.writePolylineEnd(out);
    }
    const DL_Attributes pen("registration", 256, 0, "BYLAYER", 1.0);
    for (const auto& [from, to] : registration_lines(file))
        dxf.writeLine(out, DL_LineData(from.x, file.height - from.y, 0, to.x, file.height - to.y, 0), pen);
    for (const CuttingFile::Label& l : file.labels) {
        const double x = l.at.x;
        const double y = file.height - l.at.y - l.size / 2;
        dxf.writeText(out, DL_TextData(x, y, 0, x, y, 0, l.size, 1.0, 0, 1, 0, l.text, "STANDARD", 0), words);
    }
}

} // namespace

std::vector<std::pair<Point, Point>> registration_lines(const CuttingFile& file) {
    std::vector<std::pair<Point, Point>> out;
    for (const Point p : file.registration) {
        out.push_back({{p.x - cross_reach, p.y}, {p.x + cross_reach, p.y}});
        out.push_back({{p.x, p.y - cross_reach}, {p.x, p.y + cross_reach}});
    }
    return out;
}

QByteArray cutting_svg(const CuttingFile& file) {
    QByteArray out;
    QXmlStreamWriter xml(&out);
    begin_svg_in_mm(xml, file.width, file.height, file.title);
    if (!file.sheet.empty()) {
        begin_lines(xml, "sheet", "#d9d0c0", "0.2");
        xml.writeAttribute("data-sheet", QString::fromStdString(file.sheet_id));
        xml.writeAttribute(
            "data-corner",
            QString("%1 %2").arg(file.sheet_corner.x, 0, 'f', 4).arg(file.sheet_corner.y, 0, 'f', 4));
        for (const Ring& ring : file.sheet) {
            xml.writeEmptyElement("path");
            xml.writeAttribute("d", path_data(ring));
            xml.writeAttribute("stroke-dasharray", "2 1");
        }
        xml.writeEndElement();
    }
    begin_lines(xml, "cut", "#26242b", "0.1");
    for (const Ring& ring : file.contours) {
        xml.writeEmptyElement("path");
        xml.writeAttribute("d", path_data(ring));
    }
    xml.writeEndElement();
    if (!file.registration.empty()) {
        begin_lines(xml, "registration", "#4c7fa8", "0.2");
        for (const auto& [from, to] : registration_lines(file)) {
            xml.writeEmptyElement("path");
            xml.writeAttribute("d", QString("M %1 %2 L %3 %4").arg(from.x).arg(from.y).arg(to.x).arg(to.y));
        }
        xml.writeEndElement();
    }
    begin_lines(xml, "labels", "none", "0.1");
    for (const CuttingFile::Label& l : file.labels) {
        xml.writeStartElement("text");
        xml.writeAttribute("x", QString::number(l.at.x, 'f', 3));
        xml.writeAttribute("y", QString::number(l.at.y + 0.35 * l.size, 'f', 3));
        xml.writeAttribute("font-size", QString::number(l.size, 'f', 2));
        xml.writeAttribute("text-anchor", "middle");
        xml.writeAttribute("fill", "#6b6670");
        xml.writeCharacters(QString::fromStdString(l.text));
        xml.writeEndElement();
    }
    xml.writeEndElement();
    xml.writeEndElement();
    xml.writeEndDocument();
    return out;
}

Result<QByteArray> cutting_dxf(const CuttingFile& file) {
    // The library writes to files only.
    const QTemporaryDir dir;
    const QString path = dir.filePath("cut.dxf");
    DL_Dxf dxf;
    const std::unique_ptr<DL_WriterA> out(
        dir.isValid() ? dxf.out(QFile::encodeName(path).constData(), DL_VERSION_R12) : nullptr);
    if (!out || out->openFailed())
        return fail(ErrorKind::Unwritable, "there is no room for a temporary file");
    dxf.writeHeader(*out);
    out->dxfString(9, "$INSUNITS");
    out->dxfInt(70, dxf_millimetres);
    out->sectionEnd();
    write_tables(dxf, *out);
    out->sectionEntities();
    write_entities(dxf, *out, file);
    out->sectionEnd();
    out->dxfEOF();
    out->close();
    return read_file(path);
}

} // namespace zesty
