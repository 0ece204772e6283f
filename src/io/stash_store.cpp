#include "io/stash_store.h"

#include "core/geometry/measure.h"
#include "core/stash/sharing.h"
#include "io/fields/keep.h"
#include "io/fields/small_things.h"
#include "io/json_shapes.h"
#include "io/read_file.h"
#include "io/reserved_json.h"
#include "io/stash_json.h"
#include "io/statement.h"
#include "io/work_folder.h"

#include <QDate>
#include <QFile>
#include <QFileInfo>
#include <algorithm>
#include <array>

namespace zesty {

using nlohmann::json;

namespace {

constexpr int version = 7;
constexpr int program = 0x5A535448;  ///< "ZSTH", what SQLite calls the application id
constexpr int patience_ms = 10'000;  ///< while another program writes
constexpr int most_bytes = 64 << 20; ///< of one value

/// Counts the steps of a question down; one that goes on for ever is given up.
int count_down(void* steps_left) {
    return --*static_cast<int*>(steps_left) < 0;
}

} // namespace

void StashStore::Close::operator()(sqlite3* db) const {
    sqlite3_close(db);
}

StashStore::StashStore(std::string what) : what_(std::move(what)) {}
StashStore::~StashStore() = default;
StashStore::StashStore(StashStore&&) noexcept = default;
StashStore& StashStore::operator=(StashStore&&) noexcept = default;

tl::unexpected<Error> StashStore::trouble(const char* doing) const {
    return trouble_with(what_, std::string("the stash cannot be ") + doing);
}

tl::unexpected<Error> StashStore::trouble_with(const std::string& file, const std::string& cannot) const {
    if (sqlite3_errcode(db_.get()) == SQLITE_FULL)
        return fail(ErrorKind::Unwritable, file + ": there is no space left on the disk");
    return fail(ErrorKind::Unwritable, file + ": " + cannot + " (" + sqlite3_errmsg(db_.get()) + ")");
}

bool StashStore::looks_like_one(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) && file.read(15) == "SQLite format 3";
}

Result<StashStore> StashStore::open(const QString& path, std::shared_ptr<const void> alive) {
    StashStore out(path.toStdString());
    out.alive_ = std::move(alive);
    const bool there = QFile::exists(path) && QFile(path).size() > 0;
    sqlite3* db = nullptr;
    const int opened = sqlite3_open_v2(path.toUtf8().constData(), &db,
                                       SQLITE_OPEN_READWRITE | (there ? 0 : SQLITE_OPEN_CREATE), nullptr);
    out.db_.reset(db);
    if (opened != SQLITE_OK) return fail(ErrorKind::Unreadable, out.what_ + ": the stash cannot be opened");
    sqlite3_busy_timeout(db, patience_ms);
    sqlite3_limit(db, SQLITE_LIMIT_LENGTH, most_bytes);
    out.steps_left_ = std::make_unique<int>(most_steps);
    sqlite3_progress_handler(db, 1000, count_down, out.steps_left_.get());
    if (there) {
        // Looked at before anything is written: what belongs to others stays as it is.
        const int of = pragma(db, "PRAGMA application_id");
        if (sqlite3_errcode(db) == SQLITE_NOTADB)
            return fail(ErrorKind::BadInput, out.what_ + ": this is not a stash database");
        const int format = pragma(db, "PRAGMA user_version");
        if (of != program) return fail(ErrorKind::BadInput, out.what_ + ": this database is not a stash");
        if (format > version)
            return fail(ErrorKind::NewerFormat, out.what_ +
                                                    ": written by a newer version of this program (format " +
                                                    std::to_string(format) + ")");
        // Tables of their own names, and nothing that computes: no views, no triggers.
        if (pragma(db, "SELECT count(*) FROM sqlite_master WHERE type IN ('view', 'trigger')") > 0 ||
            pragma(db, "SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name IN ('papers', "
                       "'pictures')") != 2)
            return fail(ErrorKind::BadInput, out.what_ + ": this database is not as a stash is made");
        // Of what is read at once; files are known by their sums.
        for (const char* table : {"papers", "things", "reserved", "pictures"}) {
            Statement there_is(db, "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?");
            if (!there_is.text(1, table).row()) continue;
            Statement check(db, ("PRAGMA quick_check('" + std::string(table) + "')").c_str());
            if (!check.row() || check.bytes(0) != "ok")
                return fail(ErrorKind::BadInput, out.what_ + ": the stash database is damaged");
        }
    }
    if (auto r = out.run("PRAGMA synchronous = FULL"); !r) return tl::make_unexpected(r.error());
    if (auto r = out.bring_up_to_date(); !r) return tl::make_unexpected(r.error());
    return out;
}

StashStamp StashStore::stamp() const {
    *steps_left_ = most_steps;
    return {pragma(db_.get(), "PRAGMA data_version"), sqlite3_total_changes(db_.get())};
}

Result<void> StashStore::run(const char* sql) {
    if (sqlite3_exec(db_.get(), sql, nullptr, nullptr, nullptr) != SQLITE_OK) return trouble("written");
    return {};
}

Result<void> StashStore::in_one_transaction(const std::function<Result<void>()>& change) {
    *steps_left_ = most_steps;
    if (auto r = run("BEGIN IMMEDIATE"); !r) return r;
    if (auto r = change(); !r) {
        (void)run("ROLLBACK");
        return r;
    }
    auto done = run("COMMIT");
    if (!done) (void)run("ROLLBACK");
    return done;
}

/// Makes the tables, or adds what older versions had not: version 1 had no pages, version 2 no pieces of
/// them, version 3 no uids, version 4 no embellishments and letters, version 5 no files of records, version 6
/// had the bytes of pictures beside their names. Which version it is is asked again once nobody else can
/// write, as another program may have done it meanwhile.
Result<void> StashStore::bring_up_to_date() {
    if (pragma(db_.get(), "PRAGMA user_version") >= version) return {};
    return in_one_transaction([&]() -> Result<void> {
        const int format = pragma(db_.get(), "PRAGMA user_version");
        if (format >= version) return {};
        std::string sql;
        if (format < 1)
            sql += "CREATE TABLE papers(id TEXT PRIMARY KEY, place INTEGER, paper TEXT NOT NULL);"
                   "CREATE TABLE pictures(name TEXT PRIMARY KEY, file TEXT NOT NULL, size INTEGER NOT NULL);";
        if (format < 2)
            sql += "CREATE TABLE IF NOT EXISTS reserved(page TEXT, paper TEXT, area REAL, PRIMARY KEY(page, "
                   "paper));";
        if (format < 3) sql += "ALTER TABLE reserved ADD COLUMN pieces TEXT NOT NULL DEFAULT '[]';";
        if (format < 5)
            sql +=
                "CREATE TABLE IF NOT EXISTS things(kind TEXT, id TEXT, place INTEGER, thing TEXT NOT NULL, "
                "PRIMARY KEY(kind, id));";
        if (format < 6)
            sql +=
                "CREATE TABLE IF NOT EXISTS files(name TEXT PRIMARY KEY, added TEXT, bytes BLOB NOT NULL);";
        sql += "PRAGMA application_id = " + std::to_string(program) +
               ";PRAGMA user_version = " + std::to_string(version);
        if (auto r = run(sql.c_str()); !r) return r;
        if (format >= 1 && format < 7)
            if (auto r = pictures_become_files(); !r) return r;
        return give_uids();
    });
}

/// To papers that an older version has put there.
Result<void> StashStore::give_uids() {
    std::vector<std::pair<std::string, json>> without;
    Statement all(db_.get(), "SELECT id, paper FROM papers");
    while (all.row()) {
        auto paper = parse_json(all.bytes(1), what_);
        if (!paper) return tl::make_unexpected(paper.error());
        if (paper->is_object() && !paper->contains("uid"))
            without.emplace_back(all.bytes(0), std::move(*paper));
    }
    if (!all.ended_well()) return trouble("read");
    for (auto& [id, paper] : without) {
        paper["uid"] = new_uid();
        Statement put(db_.get(), "UPDATE papers SET paper = ?2 WHERE id = ?1");
        if (!put.text(1, id).text(2, paper.dump()).done()) return trouble("written");
    }
    return {};
}

Result<Stash> StashStore::read() const {
    *steps_left_ = most_steps;
    json papers = json::array();
    Statement all(db_.get(), "SELECT paper FROM papers ORDER BY place, id");
    while (all.row()) {
        auto paper = parse_json(all.bytes(0), what_);
        if (!paper) return tl::make_unexpected(paper.error());
        papers.push_back(std::move(*paper));
    }
    if (!all.ended_well()) return trouble("read");
    json whole{{"format", "zesty-stash/1"}, {"papers", papers}};
    Statement things(db_.get(), "SELECT kind, thing FROM things ORDER BY place, id");
    while (things.row()) {
        auto thing = parse_json(things.bytes(1), what_);
        if (!thing) return tl::make_unexpected(thing.error());
        whole[things.bytes(0)].push_back(std::move(*thing));
    }
    if (!things.ended_well()) return trouble("read");
    const auto named = pictures();
    if (!named) return tl::make_unexpected(named.error());
    return stash_from(whole, what_, [&](const std::string& name) -> Result<PictureBytes> {
        const auto at = named->find(name);
        if (at == named->end()) return fail(ErrorKind::BadInput, "its picture " + name + " is missing");
        return at->second;
    });
}

template <class Thing>
Result<void> StashStore::write_things(const char* kind, const std::vector<Thing>& before,
                                      const std::vector<Thing>& after) {
    const auto named = [](const std::vector<Thing>& things, const std::string& id) {
        return std::find_if(things.begin(), things.end(), [&](const Thing& t) { return t.id == id; });
    };
    for (const Thing& old : before) {
        if (named(after, old.id) != after.end()) continue;
        Statement gone(db_.get(), "DELETE FROM things WHERE kind = ?1 AND id = ?2");
        if (!gone.text(1, kind).text(2, old.id).done()) return trouble("written");
    }
    for (Thing thing : after) {
        if (thing.uid.empty()) thing.uid = new_uid();
        thing.in_stash = false;
        if (const auto was = named(before, thing.id); was != before.end() && *was == thing) continue;
        Statement put(
            db_.get(),
            "INSERT INTO things(kind, id, place, thing) VALUES(?1, ?2, (SELECT COALESCE(MAX(place), "
            "0) + 1 FROM things), ?3) ON CONFLICT(kind, id) DO UPDATE SET thing = ?3");
        if (!put.text(1, kind).text(2, thing.id).text(3, thing_json(thing).dump()).done())
            return trouble("written");
    }
    return {};
}

/// What is different of the two is written, so that the rest stays as it is.
Result<void> StashStore::write(const Stash& before, Stash after) {
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    for (const Paper& old : before.papers) {
        if (after.find(old.id) >= 0) continue;
        if (!Statement(db_.get(), "DELETE FROM papers WHERE id = ?").text(1, old.id).done())
            return trouble("written");
    }
    for (Paper& paper : after.papers) {
        if (paper.uid.empty()) paper.uid = new_uid();
        paper.in_stash = false;
        const int was = before.find(paper.id);
        if (was >= 0 && before.papers[static_cast<std::size_t>(was)] == paper) continue;
        if (was >= 0 || paper.touched.empty()) paper.touched = today;
        Stash alone;
        alone.papers.push_back(paper);
        Statement put(db_.get(),
                      "INSERT INTO papers(id, place, paper) VALUES(?1, (SELECT COALESCE(MAX(place), 0) + 1 "
                      "FROM papers), ?2) ON CONFLICT(id) DO UPDATE SET paper = ?2");
        if (!put.text(1, paper.id).text(2, stash_json(alone)["papers"][0].dump()).done())
            return trouble("written");
    }
    if (auto r = write_things("embellishments", before.embellishments, after.embellishments); !r) return r;
    if (auto r = write_things("letters", before.letters, after.letters); !r) return r;
    if (auto r = write_things("records", before.records, after.records); !r) return r;
    return write_pictures(before.pictures, after.pictures);
}

Result<void> StashStore::change(const std::function<Result<Stash>(const Stash& now)>& change,
                                const RecordFiles& files) {
    return in_one_transaction([&]() -> Result<void> {
        if (auto r = write_files(files); !r) return r;
        const auto now = read();
        if (!now) return tl::make_unexpected(now.error());
        const auto after = change(*now);
        if (!after) return tl::make_unexpected(after.error());
        if (auto r = write(*now, *after); !r) return r;
        // Saved means it opens: what the whole comes to is read before it is kept.
        if (const auto again = read(); !again) return tl::make_unexpected(again.error());
        return {};
    });
}

Result<void> StashStore::put(const Stash& papers) {
    return change([&](const Stash& now) -> Result<Stash> { return imported(now, papers); });
}

Result<void> StashStore::remove(const std::string& id) {
    return change([&](const Stash& now) -> Result<Stash> {
        if (now.find(id) < 0)
            return fail(ErrorKind::NothingToDo, what_ + ": there is no paper \"" + id + "\"");
        return without_paper(now, id);
    });
}

Result<void> StashStore::back_up(const QString& to, std::string what) const {
    if (what.empty()) what = to.toStdString();
    const auto aside = folder_beside(to);
    if (!aside) return tl::make_unexpected(aside.error());
    const QString copy = (*aside)->file("backup.stash");
    *steps_left_ = most_steps;
    Statement into(db_.get(), "VACUUM INTO ?");
    if (!into.text(1, copy.toStdString()).done()) return trouble_with(what, "the backup cannot be written");
    const auto now = read();
    if (!now) return tl::make_unexpected(now.error());
    if (const auto there = open(copy); !there || !there->is_whole(*now))
        return fail(ErrorKind::Unwritable, what + ": the backup is not as the stash is; nothing was written");
    return put_in_place(copy, to);
}

Result<void> StashStore::restore(const QString& from) {
    if (!looks_like_one(from))
        return fail(ErrorKind::BadInput, from.toStdString() + ": this is not a backup of a stash");
    auto backup = open(from);
    if (!backup) return tl::make_unexpected(backup.error());
    const auto whole = backup->read();
    if (!whole) return tl::make_unexpected(whole.error());
    const auto names = backup->files();
    if (!names) return tl::make_unexpected(names.error());
    std::vector<std::array<std::string, 3>> taken;
    std::vector<double> areas;
    Statement all(backup->db_.get(), "SELECT page, paper, pieces, area FROM reserved");
    while (all.row()) {
        taken.push_back({all.bytes(0), all.bytes(1), all.bytes(2)});
        areas.push_back(all.real_at(3));
    }
    if (!all.ended_well()) return backup->trouble("read");
    return in_one_transaction([&]() -> Result<void> {
        if (auto r = run(
                "DELETE FROM papers; DELETE FROM pictures; DELETE FROM reserved; DELETE FROM things; DELETE "
                "FROM files");
            !r)
            return r;
        for (const std::string& name : *names) {
            auto bytes = backup->file(name);
            if (!bytes) return tl::make_unexpected(bytes.error());
            if (auto r = write_files({{name, std::make_shared<const std::string>(std::move(*bytes))}}); !r)
                return r;
        }
        if (auto r = write({}, *whole); !r) return r;
        for (std::size_t i = 0; i < taken.size(); ++i) {
            Statement put(db_.get(),
                          "INSERT INTO reserved(page, paper, pieces, area) VALUES(?1, ?2, ?3, ?4)");
            if (!put.text(1, taken[i][0]).text(2, taken[i][1]).text(3, taken[i][2]).real(4, areas[i]).done())
                return trouble("written");
        }
        return {};
    });
}

Result<void> StashStore::reserve(const std::string& page, const std::vector<ReservedPiece>& pieces) {
    std::map<std::string, std::pair<double, json>> by_paper;
    for (const ReservedPiece& w : pieces) {
        auto& [area_taken, list] = by_paper.try_emplace(w.paper, 0.0, json::array()).first->second;
        area_taken += area(w.outline);
        list.push_back(to_json(w));
    }
    return in_one_transaction([&]() -> Result<void> {
        bool good = Statement(db_.get(), "DELETE FROM reserved WHERE page = ?").text(1, page).done();
        for (const auto& [paper, taken] : by_paper) {
            Statement put(db_.get(), "INSERT INTO reserved SELECT ?1, id, ?3, ?4 FROM papers WHERE id = ?2");
            good = good &&
                   put.text(1, page).text(2, paper).real(3, taken.first).text(4, taken.second.dump()).done();
        }
        return good ? Result<void>{} : trouble("written");
    });
}

Result<Reserved> StashStore::reserved_by_others(const std::string& page) const {
    Reserved out;
    *steps_left_ = most_steps;
    Statement all(db_.get(),
                  "SELECT paper, area, pieces, page FROM reserved WHERE page <> ? ORDER BY page, paper");
    all.text(1, page);
    while (all.row()) {
        if (!QFile::exists(QString::fromStdString(all.bytes(3)))) continue;
        out.areas[all.bytes(0)] += all.real_at(1);
        const auto pieces = parse_json(all.bytes(2), what_);
        if (!pieces) return tl::make_unexpected(pieces.error());
        for (const json& one : *pieces) {
            auto piece = reserved_from(one, what_);
            if (!piece) return tl::make_unexpected(piece.error());
            out.pieces.push_back(std::move(*piece));
        }
    }
    if (!all.ended_well()) return trouble("read");
    return out;
}

} // namespace zesty
