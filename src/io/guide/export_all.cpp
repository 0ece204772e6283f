#include "io/guide/export_all.h"

#include "io/cutting_file.h"
#include "io/guide/letters_job.h"
#include "io/guide/loose_patches.h"
#include "io/hpgl.h"
#include "io/paint/cutting_job_painter.h"
#include "io/paint/page_painter.h"
#include "io/read_file.h"
#include "io/work_folder.h"

#include <QBuffer>
#include <QDir>
#include <QFileInfo>
#include <algorithm>
#include <cstdio>

namespace zesty {

namespace {

constexpr int picture_size = 1800;     ///< pixels along the longer side, of the page
constexpr int job_picture_size = 1000; ///< the same, of a cutting mat

using Files = std::vector<std::pair<QString, QByteArray>>;

/// The name, or with a number where another file has it already.
QString free_name(const Files& files, const QString& name) {
    const auto taken = [&](const QString& n) {
        return std::any_of(files.begin(), files.end(), [&](const auto& f) { return f.first == n; });
    };
    QString out = name;
    for (int k = 2; taken(out); ++k)
        out = QFileInfo(name).completeBaseName() + "-" + QString::number(k) + "." + QFileInfo(name).suffix();
    return out;
}

/// One set of contours as SVG, DXF and HP-GL.
Result<void> add_cutting_files(const QString& name, const CuttingFile& file, const CuttingSettings& settings,
                               Files& files) {
    auto dxf = cutting_dxf(file);
    if (!dxf) return tl::make_unexpected(dxf.error());
    files.emplace_back(free_name(files, name + ".svg"), cutting_svg(file));
    files.emplace_back(free_name(files, name + ".dxf"), std::move(*dxf));
    files.emplace_back(free_name(files, name + ".plt"), cutting_hpgl(file, settings));
    return {};
}

/// All of the files or none: they are written aside, and only when all are there do they take their places.
Result<std::vector<QString>> write_together(const QString& folder, const Files& files) {
    if (!QDir().mkpath(folder))
        return fail(ErrorKind::Unwritable, folder.toStdString() + ": this folder cannot be made");
    for (const auto& [name, data] : files)
        if (auto r = may_be_written(QDir(folder).filePath(name)); !r) return tl::make_unexpected(r.error());
    const auto aside = WorkFolder::in(folder, ".writing-");
    if (!aside) return tl::make_unexpected(aside.error());
    for (const auto& [name, data] : files)
        if (auto r = write_file((*aside)->file(name), data); !r)
            return fail(r.error().kind,
                        folder.toStdString() + ": nothing was exported; " + r.error().message);
    std::vector<QString> out;
    for (const auto& [name, data] : files) {
        const QString to = QDir(folder).filePath(name);
        if (std::rename(QFile::encodeName((*aside)->file(name)).constData(),
                        QFile::encodeName(to).constData()) != 0)
            return fail(ErrorKind::Unwritable, to.toStdString() + ": cannot be written");
        out.push_back(to);
    }
    return out;
}

} // namespace

Result<std::vector<QString>> export_all(const Project& project, const Plan& plan, PrinterPaper paper,
                                        const QString& folder, const Chapters& chapters) {
    std::vector<std::pair<QString, QByteArray>> files;
    const auto write = [&](const QString& name, const QByteArray& data) -> Result<void> {
        files.emplace_back(free_name(files, name), data);
        return {};
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
    if (auto r = write("guide.pdf", guide_pdf(project, plan, mats, paper, chapters)); !r)
        return tl::make_unexpected(r.error());
    if (auto r = write_picture("page.png", page_picture(project, plan, picture_size)); !r)
        return tl::make_unexpected(r.error());
    const CuttingJobs cutting = all_cutting_jobs(project, plan, mats);
    for (const CuttingJob& job : cutting.jobs) {
        const QString name = QString::fromStdString(job.key);
        if (auto r = write_picture(name + ".png", cutting_job_picture(job, job_picture_size)); !r)
            return tl::make_unexpected(r.error());
        if (auto r = add_cutting_files(name, job.file, project.build.cutting, files); !r)
            return tl::make_unexpected(r.error());
    }
    const CuttingMat size{project.set_out.cutting_mat.width, project.set_out.cutting_mat.height};
    if (const CuttingFile loose = loose_patches(project.title + ", patches without paper", plan, size);
        !loose.contours.empty())
        if (auto r = add_cutting_files("patches-without-paper", loose, project.build.cutting, files); !r)
            return tl::make_unexpected(r.error());
    return write_together(folder, files);
}

} // namespace zesty
