#include "io/backup.h"

#include "io/json_shapes.h"
#include "io/own_numbers_file.h"
#include "io/read_file.h"
#include "io/zip.h"

#include <QCryptographicHash>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <map>
#include <set>

namespace zesty {

using nlohmann::json;

namespace {

constexpr qint64 most_in_backup = 16LL << 30;
constexpr qint64 most_said = 1 << 20; ///< of backup.json
constexpr const char* backup_format = "zesty-backup/1";

/// On a disk, which the usual place for what is temporary need not be.
Result<std::shared_ptr<const WorkFolder>> room_to_unpack() {
    return WorkFolder::in(qEnvironmentVariableIsSet("TMPDIR") ? QDir::tempPath() : QString("/var/tmp"),
                          "zesty-");
}

std::string digest_of(QIODevice& bytes) {
    QCryptographicHash hash(QCryptographicHash::Sha256);
    hash.addData(&bytes);
    return hash.result().toHex().toStdString();
}

std::string digest_of_file(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? digest_of(file) : std::string();
}

using Digests = std::map<std::string, std::string>;

/// Whether the archive says of each of its parts what it is.
Result<void> as_said(const QByteArray& said, const Digests& parts, const std::string& what) {
    const auto damaged = [&] { return fail(ErrorKind::BadInput, what + ": the backup is damaged"); };
    const auto read = parse_json(said.toStdString(), what);
    if (!read || !read->is_object() || !read->contains("format") || !(*read)["format"].is_string())
        return damaged();
    if (const std::string of = (*read)["format"]; of != backup_format)
        return fail(of.rfind("zesty-backup/", 0) == 0 ? ErrorKind::NewerFormat : ErrorKind::BadInput,
                    what + ": the format \"" + of + "\" is not " + backup_format);
    if (!read->contains("sha256") || !(*read)["sha256"].is_object() || !parts.contains("stash"))
        return damaged();
    for (const auto& [name, digest] : parts) {
        const auto of = (*read)["sha256"].find(name);
        if (of == (*read)["sha256"].end() || *of != digest) return damaged();
    }
    return {};
}

/// Its parts as files in `folder`, or only looked at without one. Refused where one is not as it is said.
Result<void> take_apart(const QString& archive, const QString& folder, const std::string& what) {
    QFile file(archive);
    if (!file.open(QIODevice::ReadOnly))
        return fail(ErrorKind::Unreadable, what + ": " + file.errorString().toStdString());
    const bool is_zip = file.peek(2) == "PK";
    std::optional<QByteArray> said;
    Digests parts;
    qint64 total = 0;
    const auto all = each_entry(
        file, [](const QString&) { return true; },
        [&](const QString& path, QIODevice& bytes, qint64 size) -> Result<void> {
            total += size;
            if (total > most_in_backup) return fail(ErrorKind::TooLarge, what + ": the backup is too large");
            if (parts.contains(path.toStdString())) return fail(ErrorKind::BadInput, "a part twice");
            if (path == "backup.json") {
                said = bytes.read(most_said);
            } else if (!folder.isEmpty() && (path == "stash" || path == "numbers.json")) {
                const QString part = folder + "/" + path;
                if (auto r = copy_to_file(bytes, part, most_in_backup, part.toStdString()); !r) return r;
                parts[path.toStdString()] = digest_of_file(part);
            } else {
                parts[path.toStdString()] = digest_of(bytes);
            }
            return {};
        });
    if (!all && (all.error().kind == ErrorKind::TooLarge || all.error().kind == ErrorKind::Unwritable))
        return all;
    if (!all && is_zip) return fail(ErrorKind::BadInput, what + ": the backup is damaged");
    if (!all || !said) return fail(ErrorKind::BadInput, what + ": this is not a backup of a stash");
    return as_said(*said, parts, what);
}

Result<Backup> from_database(const QString& database, std::shared_ptr<const WorkFolder> folder) {
    auto store = StashStore::open(database, folder);
    if (!store) return tl::make_unexpected(store.error());
    auto stash = store->read();
    if (!stash) return tl::make_unexpected(stash.error());
    Backup out{std::move(*stash), {}, {}, database, std::move(folder)};
    std::set<std::string> pictures;
    for (const auto& [name, picture] : out.stash.pictures) pictures.insert(picture.key());
    const auto names = store->files();
    if (!names) return tl::make_unexpected(names.error());
    for (const std::string& name : *names) {
        auto bytes = store->file(name);
        if (!bytes) return tl::make_unexpected(bytes.error());
        // Those of papers are read from there when they are wanted.
        if (!pictures.contains(name))
            out.files[name] = std::make_shared<const std::string>(std::move(*bytes));
    }
    return out;
}

Result<Backup> from_archive(const QString& archive, const std::string& what) {
    const auto room = room_to_unpack();
    if (!room) return tl::make_unexpected(room.error());
    const std::shared_ptr<const WorkFolder>& folder = *room;
    if (auto r = take_apart(archive, folder->path(), what); !r) return tl::make_unexpected(r.error());
    auto out = from_database(folder->file("stash"), folder);
    if (!out) return fail(out.error().kind, what + ": the backup is damaged");
    const QString file = folder->file("numbers.json");
    if (!QFile::exists(file)) return out;
    const auto read = read_own_numbers(file);
    if (!read) return fail(read.error().kind, what + ": the numbers in the backup are damaged");
    out->numbers = *read;
    return out;
}

} // namespace

bool looks_like_backup(const QString& path) {
    QFile file(path);
    return StashStore::looks_like_one(path) || (file.open(QIODevice::ReadOnly) && file.read(2) == "PK");
}

Result<Backup> read_backup(const QString& from) {
    const std::string what = from.toStdString();
    if (!QFileInfo::exists(from)) return fail(ErrorKind::Unreadable, what + ": there is no such file");
    if (!QFileInfo(from).isFile()) return fail(ErrorKind::Unreadable, what + ": this is not a file");
    if (!StashStore::looks_like_one(from)) return from_archive(from, what);
    // On a copy: opening brings a database of an older version up to date.
    const auto folder = room_to_unpack();
    if (!folder) return tl::make_unexpected(folder.error());
    const QString database = (*folder)->file("stash");
    QFile file(from);
    if (!file.open(QIODevice::ReadOnly))
        return fail(ErrorKind::Unreadable, what + ": " + file.errorString().toStdString());
    if (auto r = copy_to_file(file, database, most_in_backup, database.toStdString()); !r)
        return tl::make_unexpected(r.error());
    auto out = from_database(database, *folder);
    if (!out) return fail(out.error().kind, what + ": this is not a backup of a stash, or it is damaged");
    return out;
}

Result<void> write_backup(const StashStore& store, const QString& numbers_file, const QString& to) {
    const std::string what = to.toStdString();
    const auto aside = folder_beside(to);
    if (!aside) return tl::make_unexpected(aside.error());
    const WorkFolder& folder = **aside;
    std::vector<ZipFile> parts{{"stash", folder.file("stash")}};
    if (auto r = store.back_up(parts.front().file, what); !r) return r;
    if (QFile::exists(numbers_file)) parts.push_back({"numbers.json", numbers_file});
    json said{{"format", backup_format}, {"sha256", json::object()}};
    for (const ZipFile& part : parts) said["sha256"][part.path.toStdString()] = digest_of_file(part.file);
    parts.push_back({"backup.json", folder.file("backup.json")});
    if (auto r = write_file(parts.back().file, QByteArray::fromStdString(said.dump(1))); !r) return r;
    const QString archive = folder.file("archive");
    if (auto r = pack_files(parts, archive); !r) return fail(r.error().kind, what + ": " + r.error().message);
    if (auto r = take_apart(archive, {}, what); !r) return r;
    return put_in_place(archive, to);
}

} // namespace zesty
