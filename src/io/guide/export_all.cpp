#include "io/guide/export_all.h"

#include "io/guide/sheet_svg.h"
#include "io/paint/page_painter.h"
#include "io/read_file.h"

#include <QBuffer>
#include <QDir>

namespace zesty {

Result<std::vector<QString>> export_all(const Project& project, const Plan& plan, PrintPaper paper,
                                        const QString& folder) {
    if (!QDir().mkpath(folder))
        return fail(ErrorKind::Unwritable, folder.toStdString() + ": this folder cannot be made");
    std::vector<QString> out;
    const auto write = [&](const QString& name, const QByteArray& data) -> Result<void> {
        out.push_back(QDir(folder).filePath(name));
        return write_file(out.back(), data);
    };
    if (auto r = write("guide.pdf", guide_pdf(project, plan, paper)); !r)
        return tl::make_unexpected(r.error());
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    if (!page_picture(project, plan, 1800).save(&buffer, "PNG"))
        return fail(ErrorKind::Unwritable, "the picture of the page cannot be made");
    if (auto r = write("page.png", png); !r) return tl::make_unexpected(r.error());
    for (const UsedSheet& u : plan.used_sheets) {
        const Sheet& s = plan.sheets[u.sheet];
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
