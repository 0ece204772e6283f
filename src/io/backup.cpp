#include "io/backup.h"

#include "io/json_shapes.h"
#include "io/own_numbers_file.h"
#include "io/read_file.h"
#include "io/zip.h"

#include <QBuffer>
#include <QCryptographicHash>
#include <QFile>
#include <map>
#include <set>

namespace zesty {

using nlohmann::json;

namespace {

constexpr qint64 most_packed = 1900LL << 20;
constexpr const char* backup_format = "zesty-backup/1";

std::string digest_of(const QByteArray& bytes) {
    return QCryptographicHash::hash(bytes, QCryptographicHash::Sha256).toHex().toStdString();
}

using Parts = std::map<std::string, QByteArray>;

Result<Parts> parts_of(const QByteArray& data, const std::string& what) {
    const auto damaged = [&] { return fail(ErrorKind::BadInput, what + ": the backup is damaged"); };
    const auto entries = unpacked(data, most_packed, [](const QString&) { return true; });
    if (!entries) {
        if (entries.error().kind == ErrorKind::TooLarge)
            return fail(ErrorKind::TooLarge, what + ": the backup is too large");
        if (entries.error().kind == ErrorKind::Unreadable && !data.startsWith("PK"))
            return fail(ErrorKind::BadInput, what + ": this is not a backup of a stash");
        return damaged();
    }
    Parts out;
    for (const ZipEntry& e : *entries) out[e.path.toStdString()] = e.bytes;
    if (!out.contains("backup.json"))
        return fail(ErrorKind::BadInput, what + ": this is not a backup of a stash");
    const auto said = parse_json(out["backup.json"].toStdString(), what);
    if (!said || !said->is_object() || !said->contains("format") || !(*said)["format"].is_string())
        return damaged();
    if (const std::string of = (*said)["format"]; of != backup_format)
        return fail(of.rfind("zesty-backup/", 0) == 0 ? ErrorKind::NewerFormat : ErrorKind::BadInput,
                    what + ": the format \"" + of + "\" is not " + backup_format);
    out.erase("backup.json");
    if (!said->contains("sha256") || !(*said)["sha256"].is_object() || !out.contains("stash"))
        return damaged();
    for (const auto& [name, bytes] : out) {
        const auto digest = (*said)["sha256"].find(name);
        if (digest == (*said)["sha256"].end() || *digest != digest_of(bytes)) return damaged();
    }
    return out;
}

Result<Backup> from_database(const QString& database, std::shared_ptr<QTemporaryDir> folder) {
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

Result<Backup> from_parts(const Parts& parts, const std::string& what) {
    auto folder = std::make_shared<QTemporaryDir>();
    const QString database = folder->filePath("stash");
    if (auto r = write_file(database, parts.at("stash")); !r) return tl::make_unexpected(r.error());
    auto out = from_database(database, folder);
    if (!out) return fail(out.error().kind, what + ": the backup is damaged");
    const auto numbers = parts.find("numbers.json");
    if (numbers == parts.end()) return out;
    const QString file = folder->filePath("numbers.json");
    if (auto r = write_file(file, numbers->second); !r) return tl::make_unexpected(r.error());
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
    auto data = read_file(from, most_packed);
    if (!data) return tl::make_unexpected(data.error());
    if (!StashStore::looks_like_one(from)) {
        const auto parts = parts_of(*data, what);
        if (!parts) return tl::make_unexpected(parts.error());
        return from_parts(*parts, what);
    }
    // On a copy: opening brings a database of an older version up to date.
    auto folder = std::make_shared<QTemporaryDir>();
    const QString database = folder->filePath("stash");
    if (auto r = write_file(database, *data); !r) return tl::make_unexpected(r.error());
    auto out = from_database(database, folder);
    if (!out) return fail(out.error().kind, what + ": this is not a backup of a stash, or it is damaged");
    return out;
}

Result<void> write_backup(const StashStore& store, const QString& numbers_file, const QString& to) {
    const QTemporaryDir aside;
    const QString database = aside.filePath("backup.stash");
    if (auto r = store.back_up(database); !r) return r;
    const auto stash = read_file(database, most_packed);
    if (!stash) return tl::make_unexpected(stash.error());
    std::vector<ZipEntry> entries{{"stash", *stash}};
    if (QFile::exists(numbers_file)) {
        const auto numbers = read_file(numbers_file, 1 << 20);
        if (!numbers) return tl::make_unexpected(numbers.error());
        entries.push_back({"numbers.json", *numbers});
    }
    json said{{"format", backup_format}, {"sha256", json::object()}};
    for (const ZipEntry& e : entries) said["sha256"][e.path.toStdString()] = digest_of(e.bytes);
    entries.push_back({"backup.json", QByteArray::fromStdString(said.dump(1))});
    const auto bytes = packed(entries);
    if (!bytes) return fail(bytes.error().kind, to.toStdString() + ": " + bytes.error().message);
    const auto again = parts_of(*bytes, to.toStdString());
    if (!again) return tl::make_unexpected(again.error());
    return write_file(to, *bytes);
}

} // namespace zesty
