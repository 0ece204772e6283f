#include "io/guide/export_all.h"

#include "io/guide/sheet_svg.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"
#include "io/read_file.h"

#include <QBuffer>
#include <QDir>

namespace zesty {

namespace {
constexpr int picture_size = 1800; ///< pixels along the longer side
}

Result<std::vector<QString>> export_all(const Project& project, const Plan& plan, PrinterPaper paper,
                                        const QString& folder) {
    if (!QDir().mkpath(folder))
        return fail(ErrorKind::Unwritable, folder.toStdString() + ": this folder cannot be made");
    std::vector<QString> out;
    const auto write = [&](const QString& name, const QByteArray& data) -> Result<void> {
        out.push_back(QDir(folder).filePath(name));
        return write_file(out.back(), data);
    };
    const auto write_picture = [&](const QString& name, const QImage& picture) -> Result<void> {
        QByteArray png;
        QBuffer buffer(&png);
        buffer.open(QIODevice::WriteOnly);
        if (!picture.save(&buffer, "PNG"))
            return fail(ErrorKind::Unwritable, name.toStdString() + ": the picture cannot be made");
        return write(name, png);
    };
    const std::vector<CutsOnCuttingMats> mats = mats_of(project, plan);
    if (auto r = write("guide.pdf", guide_pdf(project, plan, mats, paper)); !r)
        return tl::make_unexpected(r.error());
    if (auto r = write_picture("page.png", page_picture(project, plan, picture_size)); !r)
        return tl::make_unexpected(r.error());
    int mat = 0;
    for (const CutsOnCuttingMats& one : mats)
        for (const auto& pieces : one.layout.mats)
            if (auto r = write_picture(QString("mat-%1.png").arg(++mat),
                                       cutting_mat_picture(*plan.sections.cut, plan.sections.inserts, pieces,
                                                           {project.set_out.cutting_mat.width,
                                                            project.set_out.cutting_mat.height},
                                                           picture_size));
                !r)
                return tl::make_unexpected(r.error());
    for (const UsedSheet& u : plan.sheets.used) {
        const Sheet& s = plan.papers.sheets[u.sheet];
        QString name = QString::fromStdString(s.id).replace('#', '-');
        for (QChar& c : name)
            if (!c.isLetterOrNumber() && c != '-' && c != '_') c = '_';
        if (auto r = write("sheet-" + name + ".svg", sheet_svg(plan, u, project.stash->papers[s.paper].name));
            !r)
            return tl::make_unexpected(r.error());
    }
    return out;
}

} // namespace zesty
