#include "io/page_record.h"

#include "core/keep/look_back.h"
#include "core/project/build_steps.h"
#include "core/project/page_record_of.h"
#include "core/project/stash_at_hand.h"
#include "io/edge.h"
#include "io/paint/page_painter.h"
#include "io/picture.h"
#include "io/project_file.h"
#include "io/read_file.h"

#include <QBuffer>
#include <QStringList>
#include <QXmlStreamReader>

namespace zesty {

namespace {

constexpr int picture_pixels = 720;
constexpr int photo_pixels = 1600;
constexpr int photo_quality = 88;
constexpr qint64 most_photo_bytes = 64LL << 20;

std::string keep_file(RecordFiles& files, std::string bytes, const char* ending) {
    const std::string name = file_name_for(bytes, ending);
    files[name] = std::make_shared<const std::string>(std::move(bytes));
    return name;
}

std::string encoded(const QImage& image, const char* format, int quality = -1) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, format, quality);
    return bytes.toStdString();
}

} // namespace

namespace {

/// The page as it is now goes with its record.
Result<void> write_record(FinishedPage& out, const Project& before, const Plan& plan,
                          const std::vector<BuildStep>& steps, const std::string& file) {
    Project& page = out.project;
    // A page with papers of its own alone has no shelf to stand on.
    if (!page.stash || !page.stash->is_open) return {};
    PageRecord record = record_of_page(page, page_facts(page, plan, steps), short_name(page.title));
    record.file = file;
    record.picture = keep_file(out.files, encoded(page_picture(before, plan, picture_pixels), "PNG"), ".png");
    const auto bytes = project_bytes(page_to_remember(page));
    if (!bytes) return tl::make_unexpected(bytes.error());
    record.page = keep_file(out.files, bytes->toStdString(), ".zesty");
    put_record(page, std::move(record));
    return {};
}

} // namespace

Result<FinishedPage> finished_page(Project project, const Plan& plan, FinishWhat what, const std::string& day,
                                   const std::string& file) {
    const std::vector<BuildStep> steps = build_steps(project, plan);
    const Finishing finishing = finishing_of(project, plan, what, steps);
    const bool last = what == FinishWhat::Everything && project.keep.finished.empty();
    if (finishing.nothing() && !last)
        return fail(ErrorKind::NothingToDo, what == FinishWhat::Everything
                                                ? "everything this page uses has been taken already"
                                                : "no step that cuts paper is ticked off yet");
    FinishedPage out{std::move(project), {}, finishing, finishing.without};
    Project& page = out.project;
    if (page.keep.record.empty()) page.keep.record = new_uid();
    for (const auto& drawing : page.set_out.drawings)
        if (page.keep.notes.licence.empty()) page.keep.notes.licence = licence_in(drawing->bytes);
    const Project before = page;
    finish(page, finishing, what, day);
    if (auto r = write_record(out, before, plan, steps, file); !r) return tl::make_unexpected(r.error());
    return out;
}

Result<FinishedPage> page_put_back(Project project, const Plan& plan, const std::string& file) {
    if (project.keep.taken.empty() && project.keep.changes.empty() && project.keep.finished.empty())
        return fail(ErrorKind::NothingToDo, "nothing has been taken for this page");
    FinishedPage out{std::move(project), {}, {}, {}};
    const Project before = out.project;
    out.without = put_back(out.project);
    if (auto r = write_record(out, before, plan, build_steps(before, plan), file); !r)
        return tl::make_unexpected(r.error());
    return out;
}

namespace {

/// A file may have become another page since.
bool same_drawings(const Project& a, const Project& b) {
    return a.set_out.drawings.size() == b.set_out.drawings.size() &&
           std::equal(a.set_out.drawings.begin(), a.set_out.drawings.end(), b.set_out.drawings.begin());
}

} // namespace

Result<void> catch_up_with_record(Project& project, const std::string& file, const StashStore& store) {
    const PageRecord* record = later_record(project, file);
    if (!record) return {};
    const PageRecord later = *record;
    const auto then = remembered_page(store, later);
    if (!then) return tl::make_unexpected(then.error());
    if (same_drawings(project, *then)) catch_up(project, later, then->keep);
    return {};
}

Result<Project> remembered_page(const StashStore& store, const PageRecord& record) {
    if (record.page.empty())
        return fail(ErrorKind::NothingToDo, "the record of " + record.title + " has no page with it");
    const auto bytes = store.file(record.page);
    if (!bytes) return tl::make_unexpected(bytes.error());
    return project_from(QByteArray::fromStdString(*bytes), record.title);
}

Result<KeptPhoto> photo_to_keep(const QString& path) {
    const auto bytes = read_file(path, most_photo_bytes);
    if (!bytes) return tl::make_unexpected(bytes.error());
    auto image = read_picture(*bytes);
    if (!image) return fail(image.error().kind, path.toStdString() + ": " + image.error().message);
    if (std::max(image->width(), image->height()) > photo_pixels)
        *image = image->scaled(photo_pixels, photo_pixels, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    KeptPhoto out;
    out.name = keep_file(out.files, encoded(*image, "JPEG", photo_quality), ".jpg");
    return out;
}

std::string licence_in(const std::string& svg) {
    QXmlStreamReader xml(QByteArray::fromStdString(svg));
    QStringList said;
    while (!xml.atEnd() && said.size() < 3) {
        if (xml.readNext() != QXmlStreamReader::StartElement) continue;
        const QString name = xml.name().toString().toLower();
        if (name != "rights" && name != "license" && name != "licence") continue;
        for (const QXmlStreamAttribute& a : xml.attributes())
            if (a.name() == u"resource") said << a.value().toString();
        const QString text = xml.readElementText(QXmlStreamReader::IncludeChildElements).simplified();
        if (!text.isEmpty()) said << text;
    }
    said.removeDuplicates();
    return one_line(said.join("; ").toStdString());
}

} // namespace zesty
