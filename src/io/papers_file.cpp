#include "io/papers_file.h"

#include "core/stash/sharing.h"
#include "io/picture.h"
#include "io/read_file.h"
#include "io/stash_csv.h"

#include <QDir>
#include <QFileInfo>
#include <nlohmann/json.hpp>

namespace zesty {

namespace {

/// Where a picture goes beside what is written: under its own name, but never outside that folder.
QString file_name(const std::string& name) {
    const QString clean = QDir::cleanPath(QString::fromStdString(name));
    return clean.startsWith("..") || QDir::isAbsolutePath(clean) ? QFileInfo(clean).fileName() : clean;
}

Result<Stash> read_folder(const QString& path) {
    Stash out;
    for (const QFileInfo& file : QDir(path).entryInfoList(QDir::Files, QDir::Name)) {
        if (!named_as_picture(file.fileName())) continue;
        auto one = paper_from_picture(file.filePath());
        if (!one) return one;
        adopt(out, one->papers.front(), one->pictures);
    }
    if (out.papers.empty())
        return fail(ErrorKind::NothingToDo, path.toStdString() + ": there are no pictures in this folder");
    return out;
}

} // namespace

Result<Stash> read_papers(const QString& path) {
    if (QFileInfo(path).isDir()) return read_folder(path);
    if (named_as_picture(path)) return paper_from_picture(path);
    if (!path.endsWith(".csv", Qt::CaseInsensitive)) return read_stash(path);
    const auto data = read_file(path);
    if (!data) return tl::make_unexpected(data.error());
    return stash_from_csv(data->toStdString(), path.toStdString(), pictures_beside(path, 128LL << 20));
}

std::vector<std::string> unknown_columns_in(const QString& path) {
    if (!path.endsWith(".csv", Qt::CaseInsensitive)) return {};
    const auto data = read_file(path);
    return data ? unknown_columns(data->toStdString()) : std::vector<std::string>{};
}

Result<Stash> papers_from_list(const std::string& text, const std::string& what) {
    return stash_from_csv(text, what, [](const std::string& name) -> Result<PictureBytes> {
        return fail(ErrorKind::BadInput, "a list that is pasted cannot bring the picture " + name);
    });
}

Result<void> write_papers(Stash stash, const QString& to) {
    const QDir folder = QFileInfo(to).dir();
    for (const auto& [name, bytes] : stash.pictures) {
        folder.mkpath(QFileInfo(file_name(name)).path());
        const auto held = bytes.get();
        if (!held) return fail(ErrorKind::Unreadable, "the picture " + name + " cannot be read any more");
        if (auto r = write_file(folder.filePath(file_name(name)), QByteArray::fromStdString(*held)); !r)
            return r;
    }
    for (Paper& p : stash.papers) {
        if (!p.picture.empty()) p.picture = file_name(p.picture).toStdString();
        if (p.back && !p.back->picture.empty()) p.back->picture = file_name(p.back->picture).toStdString();
    }
    const std::string text =
        to.endsWith(".csv", Qt::CaseInsensitive) ? stash_csv(stash) : stash_json(stash).dump(1) + "\n";
    return write_file(to, QByteArray::fromStdString(text));
}

} // namespace zesty
