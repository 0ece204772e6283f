#include "io/stash_store.h"

#include "core/geometry/measure.h"
#include "io/json_shapes.h"
#include "io/reserved_json.h"
#include "io/stash_json.h"

#include <QFile>
#include <QFileInfo>
#include <algorithm>
#include <set>
#include <sqlite3.h>

namespace zesty {

using nlohmann::json;

namespace {

constexpr int version = 3;
constexpr int program = 0x5A535448; ///< "ZSTH", what SQLite calls the application id
constexpr int patience_ms = 3000;   ///< while another program writes

/// A statement with its values; the first step that fails is what it comes to.
class Statement {
public:
    Statement(sqlite3* db, const char* sql) { sqlite3_prepare_v2(db, sql, -1, &statement_, nullptr); }
    ~Statement() { sqlite3_finalize(statement_); }
    Statement(const Statement&) = delete;
    Statement& operator=(const Statement&) = delete;

    Statement& text(int at, const std::string& value) {
        sqlite3_bind_text(statement_, at, value.data(), static_cast<int>(value.size()), SQLITE_TRANSIENT);
        return *this;
    }
    Statement& blob(int at, const std::string& value) {
        sqlite3_bind_blob(statement_, at, value.data(), static_cast<int>(value.size()), SQLITE_TRANSIENT);
        return *this;
    }
    Statement& real(int at, double value) {
        sqlite3_bind_double(statement_, at, value);
        return *this;
    }
    double real_at(int column) const { return sqlite3_column_double(statement_, column); }
    bool row() { return step() == SQLITE_ROW; }
    /// Of a statement without rows, or after the last one.
    bool done() { return step() == SQLITE_DONE; }
    bool ended_well() const { return last_ == SQLITE_DONE || last_ == SQLITE_ROW; }
    std::string bytes(int column) const {
        const void* data = sqlite3_column_blob(statement_, column);
        const int size = sqlite3_column_bytes(statement_, column);
        return data ? std::string(static_cast<const char*>(data), static_cast<std::size_t>(size))
                    : std::string();
    }
    int number(int column) const { return sqlite3_column_int(statement_, column); }

private:
    int step() { return last_ = statement_ ? sqlite3_step(statement_) : SQLITE_ERROR; }
    sqlite3_stmt* statement_ = nullptr;
    int last_ = SQLITE_OK;
};

int pragma(sqlite3* db, const char* sql) {
    Statement s(db, sql);
    return s.row() ? s.number(0) : 0;
}

std::set<std::string> pictures_of(const Paper& paper) {
    std::set<std::string> out;
    if (!paper.picture.empty()) out.insert(paper.picture);
    if (paper.back && !paper.back->picture.empty()) out.insert(paper.back->picture);
    return out;
}

} // namespace

std::string page_key(const QString& file) {
    return file.isEmpty() ? std::string() : QFileInfo(file).absoluteFilePath().toStdString();
}

void StashStore::Close::operator()(sqlite3* db) const {
    sqlite3_close(db);
}

StashStore::StashStore(std::string what) : what_(std::move(what)) {}
StashStore::~StashStore() = default;
StashStore::StashStore(StashStore&&) noexcept = default;
StashStore& StashStore::operator=(StashStore&&) noexcept = default;

tl::unexpected<Error> StashStore::trouble(const char* doing) const {
    return fail(ErrorKind::Unwritable,
                what_ + ": the stash cannot be " + doing + " (" + sqlite3_errmsg(db_.get()) + ")");
}

bool StashStore::looks_like_one(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) && file.read(15) == "SQLite format 3";
}

Result<StashStore> StashStore::open(const QString& path) {
    StashStore out(path.toStdString());
    const bool there = QFile::exists(path) && QFile(path).size() > 0;
    if (there && !looks_like_one(path))
        return fail(ErrorKind::BadInput, out.what_ + ": this is not a stash database");
    sqlite3* db = nullptr;
    const int opened = sqlite3_open_v2(path.toUtf8().constData(), &db,
                                       SQLITE_OPEN_READWRITE | (there ? 0 : SQLITE_OPEN_CREATE), nullptr);
    out.db_.reset(db);
    if (opened != SQLITE_OK) return fail(ErrorKind::Unreadable, out.what_ + ": the stash cannot be opened");
    sqlite3_busy_timeout(db, patience_ms);
    if (there) {
        // Looked at before anything is written: what belongs to others stays as it is.
        const int of = pragma(db, "PRAGMA application_id");
        const int format = pragma(db, "PRAGMA user_version");
        if (of != program) return fail(ErrorKind::BadInput, out.what_ + ": this database is not a stash");
        if (format > version)
            return fail(ErrorKind::NewerFormat, out.what_ +
                                                    ": written by a newer version of this program (format " +
                                                    std::to_string(format) + ")");
        Statement check(db, "PRAGMA quick_check");
        if (!check.row() || check.bytes(0) != "ok")
            return fail(ErrorKind::BadInput, out.what_ + ": the stash database is damaged");
    }
    if (auto r = out.run("PRAGMA synchronous = FULL"); !r) return tl::make_unexpected(r.error());
    if (!there)
        if (auto r = out.prepare(); !r) return tl::make_unexpected(r.error());
    if (there)
        if (auto r = out.bring_up_to_date(pragma(db, "PRAGMA user_version")); !r)
            return tl::make_unexpected(r.error());
    return out;
}

Result<void> StashStore::run(const char* sql) {
    if (sqlite3_exec(db_.get(), sql, nullptr, nullptr, nullptr) != SQLITE_OK) return trouble("written");
    return {};
}

Result<void> StashStore::prepare() {
    const std::string sql =
        "BEGIN IMMEDIATE;"
        "CREATE TABLE papers(id TEXT PRIMARY KEY, place INTEGER, paper TEXT NOT NULL);"
        "CREATE TABLE pictures(name TEXT PRIMARY KEY, bytes BLOB NOT NULL);"
        "CREATE TABLE reserved(page TEXT, paper TEXT, area REAL, pieces TEXT NOT NULL DEFAULT '[]', "
        "PRIMARY KEY(page, paper));"
        "PRAGMA application_id = " +
        std::to_string(program) + ";PRAGMA user_version = " + std::to_string(version) + ";COMMIT";
    return run(sql.c_str());
}

Result<Stash> StashStore::read() const {
    json papers = json::array();
    Statement all(db_.get(), "SELECT paper FROM papers ORDER BY place, id");
    while (all.row()) {
        auto paper = parse_json(all.bytes(0), what_);
        if (!paper) return tl::make_unexpected(paper.error());
        papers.push_back(std::move(*paper));
    }
    if (!all.ended_well()) return trouble("read");
    return stash_from({{"format", "zesty-stash/1"}, {"papers", papers}}, what_,
                      [&](const std::string& name) -> Result<std::string> {
                          Statement picture(db_.get(), "SELECT bytes FROM pictures WHERE name = ?");
                          if (!picture.text(1, name).row())
                              return fail(ErrorKind::BadInput, "its picture " + name + " is missing");
                          return picture.bytes(0);
                      });
}

Result<void> StashStore::write(const Stash& papers) {
    const json all = stash_json(papers);
    for (const json& paper : all["papers"]) {
        Statement put(db_.get(),
                      "INSERT INTO papers(id, place, paper) VALUES(?1, (SELECT COALESCE(MAX(place), 0) + 1 "
                      "FROM papers), ?2) ON CONFLICT(id) DO UPDATE SET paper = ?2");
        if (!put.text(1, paper["id"].get<std::string>()).text(2, paper.dump()).done())
            return trouble("written");
    }
    for (const auto& [name, bytes] : papers.pictures) {
        Statement put(db_.get(), "INSERT OR REPLACE INTO pictures(name, bytes) VALUES(?1, ?2)");
        if (!put.text(1, name).blob(2, bytes).done()) return trouble("written");
    }
    return {};
}

Result<void> StashStore::put(const Stash& papers) {
    if (auto r = run("BEGIN IMMEDIATE"); !r) return r;
    if (auto r = write(papers); !r) {
        (void)run("ROLLBACK");
        return r;
    }
    return run("COMMIT");
}

Result<void> StashStore::remove(const std::string& id) {
    const auto before = read();
    if (!before) return tl::make_unexpected(before.error());
    const int at = before->find(id);
    if (at < 0) return fail(ErrorKind::NothingToDo, what_ + ": there is no paper \"" + id + "\"");
    std::set<std::string> unused = pictures_of(before->papers[static_cast<std::size_t>(at)]);
    for (const Paper& other : before->papers)
        if (other.id != id)
            for (const std::string& name : pictures_of(other)) unused.erase(name);
    if (auto r = run("BEGIN IMMEDIATE"); !r) return r;
    Statement paper(db_.get(), "DELETE FROM papers WHERE id = ?");
    bool good = paper.text(1, id).done();
    for (const std::string& name : unused) {
        Statement gone(db_.get(), "DELETE FROM pictures WHERE name = ?");
        good = good && gone.text(1, name).done();
    }
    if (!good) {
        const auto error = trouble("written");
        (void)run("ROLLBACK");
        return error;
    }
    return run("COMMIT");
}

/// Version 1 had no pages, version 2 no pieces of them.
Result<void> StashStore::bring_up_to_date(int format) {
    if (format >= version) return {};
    std::string sql = "BEGIN IMMEDIATE;";
    if (format < 2)
        sql += "CREATE TABLE IF NOT EXISTS reserved(page TEXT, paper TEXT, area REAL, PRIMARY KEY(page, "
               "paper));";
    sql += "ALTER TABLE reserved ADD COLUMN pieces TEXT NOT NULL DEFAULT '[]';";
    sql += "PRAGMA user_version = " + std::to_string(version) + ";COMMIT";
    auto done = run(sql.c_str());
    if (!done) (void)run("ROLLBACK");
    return done;
}

Result<void> StashStore::reserve(const std::string& page, const std::vector<ReservedPiece>& pieces) {
    std::map<std::string, std::pair<double, json>> by_paper;
    for (const ReservedPiece& w : pieces) {
        auto& [area_taken, list] = by_paper.try_emplace(w.paper, 0.0, json::array()).first->second;
        area_taken += area(w.outline);
        list.push_back(to_json(w));
    }
    if (auto r = run("BEGIN IMMEDIATE"); !r) return r;
    bool good = Statement(db_.get(), "DELETE FROM reserved WHERE page = ?").text(1, page).done();
    for (const auto& [paper, taken] : by_paper) {
        Statement put(db_.get(), "INSERT INTO reserved SELECT ?1, id, ?3, ?4 FROM papers WHERE id = ?2");
        good =
            good && put.text(1, page).text(2, paper).real(3, taken.first).text(4, taken.second.dump()).done();
    }
    if (!good) {
        const auto error = trouble("written");
        (void)run("ROLLBACK");
        return error;
    }
    return run("COMMIT");
}

Result<Reserved> StashStore::reserved_by_others(const std::string& page) const {
    Reserved out;
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
