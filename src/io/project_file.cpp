#include "io/project_file.h"

#include "core/project/papers_named.h"
#include "core/stash/sharing.h"
#include "io/json_shapes.h"
#include "io/picture.h"
#include "io/project_json.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/svg/svg_reader.h"
#include "io/zip.h"

#include <QCryptographicHash>
#include <QFileInfo>
#include <algorithm>
#include <cmath>

namespace zesty {

using nlohmann::json;

namespace {

constexpr qint64 most_unpacked = 512LL << 20;

using Entries = std::map<std::string, std::string>;

Result<QByteArray> zip(const Entries& entries) {
    std::vector<ZipEntry> all;
    for (const auto& [name, bytes] : entries)
        all.push_back({QString::fromStdString(name), QByteArray::fromStdString(bytes)});
    const auto out = packed(all);
    if (!out) return fail(out.error().kind, "the project cannot be packed");
    return *out;
}

Result<Entries> unzip(const QByteArray& data, const std::string& what) {
    const auto entries = unpacked(data, most_unpacked, [](const QString&) { return true; });
    if (!entries) {
        const ErrorKind kind = entries.error().kind;
        if (kind == ErrorKind::TooLarge) return fail(kind, what + ": the project unpacks to over 512 MB");
        return fail(ErrorKind::BadInput,
                    what + (kind == ErrorKind::Unreadable ? ": this is not a project file"
                                                          : ": the project file is damaged"));
    }
    Entries out;
    for (const ZipEntry& e : *entries) out[e.path.toStdString()] = e.bytes.toStdString();
    if (!out.contains("project.json"))
        return fail(ErrorKind::BadInput, what + ": this is not a project file");
    return out;
}

void add_files(const SetOutDecisions& page, const InArchive& in, Entries& entries) {
    for (std::size_t i = 0; i < in.drawings.size(); ++i) entries[in.drawings[i]] = page.drawings[i]->bytes;
    for (std::size_t i = 0; i < in.pictures.size(); ++i)
        if (!in.pictures[i].empty()) entries[in.pictures[i]] = page.photos[i].picture->bytes;
    if (!in.sketch.empty()) entries[in.sketch] = page.sketch.picture->bytes;
}

/// Gives decisions the drawings and pictures that lie beside them; each entry is read once.
class Attaching {
public:
    Attaching(const Entries& entries, const std::string& what) : entries_(entries), what_(what) {}

    Result<void> to(SetOutDecisions& page, const InArchive& in) {
        for (std::size_t i = 0; i < page.photos.size(); ++i) {
            auto picture = picture_in(in.pictures[i], "a photo");
            if (!picture) return tl::make_unexpected(picture.error());
            page.photos[i].picture = std::move(*picture);
        }
        auto sketch = picture_in(in.sketch, "the sketch");
        if (!sketch) return tl::make_unexpected(sketch.error());
        page.sketch.picture = std::move(*sketch);
        for (const std::string& entry : in.drawings) {
            auto drawing = drawing_in(entry);
            if (!drawing) return tl::make_unexpected(drawing.error());
            page.drawings.push_back(std::move(*drawing));
        }
        return {};
    }

private:
    Result<Shared<BroughtPicture>> picture_in(const std::string& entry, const char* whose) {
        if (entry.empty()) return Shared<BroughtPicture>{};
        if (const auto known = pictures_.find(entry); known != pictures_.end()) return known->second;
        const auto found = entries_.find(entry);
        if (found == entries_.end())
            return fail(ErrorKind::BadInput, what_ + ": the picture of " + whose + " is missing");
        auto picture = brought_picture(entry.substr(entry.rfind('/') + 1), found->second);
        if (!picture) return fail(picture.error().kind, what_ + ": " + picture.error().message);
        return pictures_[entry] = std::move(*picture);
    }

    Result<Shared<DrawingFile>> drawing_in(const std::string& entry) {
        if (const auto known = drawings_.find(entry); known != drawings_.end()) return known->second;
        const auto found = entries_.find(entry);
        if (found == entries_.end()) return fail(ErrorKind::BadInput, what_ + ": its drawing is missing");
        auto read = read_svg(QByteArray::fromStdString(found->second));
        if (!read) return fail(read.error().kind, what_ + ": " + read.error().message);
        return drawings_[entry] = std::make_shared<const DrawingFile>(
                   DrawingFile{entry.substr(entry.rfind('/') + 1), found->second, std::move(*read)});
    }

    const Entries& entries_;
    const std::string& what_;
    std::map<std::string, Shared<BroughtPicture>> pictures_;
    std::map<std::string, Shared<DrawingFile>> drawings_;
};

} // namespace

Project as_kept(Project project) {
    if (project.stash && project.stash->is_open)
        project.stash = std::make_shared<const Stash>(kept_by_page(*project.stash, papers_named(project)));
    if (project.stash && project.stash->papers.empty()) project.stash = nullptr;
    return project;
}

namespace {

/// Where the picture of a paper lies. Readers of archives know no longer paths than 255 bytes: longer names
/// are told apart by their hash.
std::string entry_of_paper(const std::string& name) {
    constexpr std::size_t longest = 200;
    if (name.size() <= longest) return "papers/" + name;
    const auto hash = QCryptographicHash::hash(QByteArray::fromStdString(name), QCryptographicHash::Sha256);
    return "papers/" + hash.toHex().toStdString();
}

} // namespace

Result<QByteArray> project_bytes(const Project& at_hand) {
    const Project project = as_kept(at_hand);
    Entries entries{{"project.json", project_json(project).dump(1)}};
    const InArchive in = entries_of(project);
    add_files(project.set_out, in, entries);
    for (std::size_t i = 0; i < project.variants.size(); ++i)
        add_files(project.variants[i].page->set_out, in.variants[i], entries);
    if (project.stash)
        for (const auto& [name, picture] : project.stash->pictures) {
            const auto bytes = picture.hold() ? picture.get() : nullptr;
            if (!bytes)
                return fail(ErrorKind::Unreadable,
                            "the picture " + name + " of a paper cannot be read any more");
            entries[entry_of_paper(name)] = *bytes;
        }
    return zip(entries);
}

Result<Project> project_from(const QByteArray& data, const std::string& what) {
    const auto entries = unzip(data, what);
    if (!entries) return tl::make_unexpected(entries.error());
    const auto j = parse_json(entries->at("project.json"), what + ": project.json");
    if (!j) return tl::make_unexpected(j.error());
    auto decisions = decisions_from(*j, what);
    if (!decisions) return tl::make_unexpected(decisions.error());
    Project p = std::move(decisions->project);
    Attaching files(*entries, what);
    if (const auto r = files.to(p.set_out, decisions->in); !r) return tl::make_unexpected(r.error());
    for (std::size_t i = 0; i < p.variants.size(); ++i) {
        KeptPage page = *p.variants[i].page;
        if (const auto r = files.to(page.set_out, decisions->in.variants[i]); !r)
            return tl::make_unexpected(r.error());
        p.variants[i].page = std::make_shared<const KeptPage>(std::move(page));
    }
    if (j->contains("stash")) {
        auto stash = stash_from((*j)["stash"], what, [&](const std::string& name) -> Result<PictureBytes> {
            const auto found = entries->find(entry_of_paper(name));
            if (found == entries->end())
                return fail(ErrorKind::BadInput, "its picture " + name + " is missing");
            return picture_bytes(found->second);
        });
        if (!stash) return tl::make_unexpected(stash.error());
        p.stash = std::make_shared<const Stash>(std::move(*stash));
    }
    return p;
}

namespace {

/// The bytes of the project, once they have been read again and found to be the same.
Result<QByteArray> bytes_that_open(const Project& at_hand, const std::string& what) {
    const auto bytes = project_bytes(at_hand);
    if (!bytes) return fail(bytes.error().kind, what + ": " + bytes.error().message);
    const auto again = project_from(*bytes, what);
    if (!again)
        return fail(ErrorKind::Unwritable,
                    "not saved, because the page could not be opened again; " + again.error().message);
    if (!(*again == as_kept(at_hand)))
        return fail(ErrorKind::Unwritable,
                    what + ": not saved, because the page would open differently from how it is now");
    return bytes;
}

FileStamp stamp_of_bytes(const QByteArray& bytes) {
    return {true, QCryptographicHash::hash(bytes, QCryptographicHash::Sha256)};
}

} // namespace

FileStamp stamp_of(const QString& path) {
    const auto data = read_file(path, most_unpacked);
    return data ? stamp_of_bytes(*data) : FileStamp{};
}

Result<void> save_project(const Project& project, const QString& path) {
    const auto bytes = bytes_that_open(project, path.toStdString());
    if (!bytes) return tl::make_unexpected(bytes.error());
    return write_file(path, *bytes);
}

Result<FileStamp> save_project_over(const Project& project, const QString& path, const FileStamp& known) {
    const auto bytes = bytes_that_open(project, path.toStdString());
    if (!bytes) return tl::make_unexpected(bytes.error());
    if (const FileStamp now = stamp_of(path); !(now == known))
        return fail(ErrorKind::ChangedOutside,
                    path.toStdString() + (now.there ? ": somebody else has changed it since it was opened"
                                                    : ": somebody else has removed it since it was opened"));
    if (auto r = write_file(path, *bytes); !r) return tl::make_unexpected(r.error());
    return stamp_of_bytes(*bytes);
}

Result<OpenedProject> open_project_stamped(const QString& path) {
    const auto data = read_file(path, most_unpacked);
    if (!data) return tl::make_unexpected(data.error());
    auto project = project_from(*data, path.toStdString());
    if (!project) return tl::make_unexpected(project.error());
    return OpenedProject{std::move(*project), stamp_of_bytes(*data)};
}

Result<Project> open_project(const QString& path) {
    auto opened = open_project_stamped(path);
    if (!opened) return tl::make_unexpected(opened.error());
    return std::move(opened->project);
}

} // namespace zesty
