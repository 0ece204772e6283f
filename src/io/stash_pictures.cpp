// The pictures of papers within the stash database: names in one table, the bytes among the files, read from
// there when they are wanted.

#include "io/stash_store.h"
#include "io/statement.h"

#include <QDate>
#include <algorithm>

namespace zesty {

namespace {

constexpr int reading_patience_ms = 10'000; ///< while another program writes

/// Null where the database or the file has gone, or the bytes are not those it was named after.
PictureBytes::Bytes read_from(const std::string& database, const std::string& file) {
    sqlite3* opened = nullptr;
    const int r = sqlite3_open_v2(database.c_str(), &opened, SQLITE_OPEN_READONLY, nullptr);
    const std::unique_ptr<sqlite3, int (*)(sqlite3*)> db(opened, sqlite3_close);
    if (r != SQLITE_OK) return nullptr;
    sqlite3_busy_timeout(opened, reading_patience_ms);
    Statement one(opened, "SELECT bytes FROM files WHERE name = ?");
    if (!one.text(1, file).row()) return nullptr;
    auto bytes = std::make_shared<const std::string>(one.bytes(0));
    return file_name_for(*bytes, {}) == file ? bytes : nullptr;
}

} // namespace

Result<Pictures> StashStore::pictures() const {
    Pictures out, seen;
    Statement all(db_.get(), "SELECT name, file, size FROM pictures");
    while (all.row()) {
        const std::string file = all.bytes(1);
        const int size = all.number(2);
        if (file.empty() || size < 0) return fail(ErrorKind::BadInput, what_ + ": a picture has no file");
        PictureBytes& picture = seen[file];
        if (const auto at = known_.find(file); !picture && at != known_.end()) picture = at->second;
        if (!picture)
            picture = PictureBytes::elsewhere(
                file, static_cast<std::size_t>(size),
                [database = what_, file, alive = alive_] { return read_from(database, file); });
        out[all.bytes(0)] = picture;
    }
    if (!all.ended_well()) return trouble("read");
    known_ = std::move(seen);
    return out;
}

Result<void> StashStore::write_pictures(const Pictures& before, const Pictures& after) {
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    for (const auto& [name, picture] : before) {
        if (after.contains(name)) continue;
        // Whoever undoes this wants the bytes again: from today on they are kept for so many days.
        Statement named_last(db_.get(), "UPDATE files SET added = ?1 WHERE name = ?2");
        Statement gone(db_.get(), "DELETE FROM pictures WHERE name = ?");
        if (!named_last.text(1, today).text(2, picture.key()).done() || !gone.text(1, name).done())
            return trouble("written");
    }
    for (const auto& [name, picture] : after) {
        const auto was = before.find(name);
        if (was != before.end() && was->second == picture) continue;
        std::string file = picture.key();
        Statement there(db_.get(), "SELECT 1 FROM files WHERE name = ?");
        if (file.empty() || !there.text(1, file).row()) {
            const auto bytes = picture.get();
            if (!bytes)
                return fail(ErrorKind::Unreadable,
                            what_ + ": the picture " + name + " cannot be read any more");
            file = file_name_for(*bytes, {});
            if (auto r = write_files({{file, bytes}}); !r) return r;
        }
        Statement put(db_.get(), "INSERT OR REPLACE INTO pictures(name, file, size) SELECT ?1, name, "
                                 "length(bytes) FROM files WHERE name = ?2");
        if (!put.text(1, name).text(2, file).done()) return trouble("written");
    }
    return {};
}

/// As versions before 7 have them: the bytes beside the names.
Result<void> StashStore::pictures_become_files() {
    if (auto r =
            run("ALTER TABLE pictures RENAME TO pictures_before; CREATE TABLE pictures(name TEXT PRIMARY "
                "KEY, file TEXT NOT NULL, size INTEGER NOT NULL)");
        !r)
        return r;
    {
        Statement all(db_.get(), "SELECT name, bytes FROM pictures_before");
        while (all.row())
            if (auto r =
                    write_pictures({}, {{all.bytes(0), std::make_shared<const std::string>(all.bytes(1))}});
                !r)
                return r;
        if (!all.ended_well()) return trouble("read");
    }
    return run("DROP TABLE pictures_before");
}

bool StashStore::is_whole(const Stash& as) const {
    const auto now = read();
    const auto names = files();
    if (!now || !names || !(*now == as)) return false;
    return std::all_of(names->begin(), names->end(),
                       [&](const std::string& name) { return file(name).has_value(); });
}

} // namespace zesty
