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
constexpr int program = 0x5A535448;  ///< "ZSTH", what SQLite calls the application id
constexpr int patience_ms = 10'000;  ///< while another program writes
constexpr int most_steps = 100'000;  ///< of a thousand instructions each that one question may take
constexpr int most_bytes = 64 << 20; ///< of one value

/// Counts the steps of a question down; one that goes on for ever is given up.
int count_down(void* steps_left) {
    return --*static_cast<int*>(steps_left) < 0;
}

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
    if (sqlite3_errcode(db_.get()) == SQLITE_FULL)
        return fail(ErrorKind::Unwritable, what_ + ": there is no space left on the disk");
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
    sqlite3_limit(db, SQLITE_LIMIT_LENGTH, most_bytes);
    out.steps_left_ = std::make_unique<int>(most_steps);
    sqlite3_progress_handler(db, 1000, count_down, out.steps_left_.get());
    if (there) {
        // Looked at before anything is written: what belongs to others stays as it is.
        const int of = pragma(db, "PRAGMA application_id");
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
        Statement check(db, "PRAGMA quick_check");
        if (!check.row() || check.bytes(0) != "ok")
            return fail(ErrorKind::BadInput, out.what_ + ": the stash database is damaged");
    }
    if (auto r = out.run("PRAGMA synchronous = FULL"); !r) return tl::make_unexpected(r.error());
    if (auto r = out.bring_up_to_date(); !r) return tl::make_unexpected(r.error());
    return out;
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
/// them. Which version it is is asked again once nobody else can write, as another program may have done it
/// meanwhile.
Result<void> StashStore::bring_up_to_date() {
    if (pragma(db_.get(), "PRAGMA user_version") >= version) return {};
    return in_one_transaction([&]() -> Result<void> {
        const int format = pragma(db_.get(), "PRAGMA user_version");
        if (format >= version) return {};
        std::string sql;
        if (format < 1)
            sql += "CREATE TABLE papers(id TEXT PRIMARY KEY, place INTEGER, paper TEXT NOT NULL);"
                   "CREATE TABLE pictures(name TEXT PRIMARY KEY, bytes BLOB NOT NULL);";
        if (format < 2)
            sql += "CREATE TABLE IF NOT EXISTS reserved(page TEXT, paper TEXT, area REAL, PRIMARY KEY(page, "
                   "paper));";
        sql += "ALTER TABLE reserved ADD COLUMN pieces TEXT NOT NULL DEFAULT '[]';"
               "PRAGMA application_id = " +
               std::to_string(program) + ";PRAGMA user_version = " + std::to_string(version);
        return run(sql.c_str());
    });
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

Result<void> StashStore::change(const std::function<Result<Stash>(const Stash& now)>& change) {
    return in_one_transaction([&]() -> Result<void> {
        const auto now = read();
        if (!now) return tl::make_unexpected(now.error());
        const auto papers = change(*now);
        if (!papers) return tl::make_unexpected(papers.error());
        if (auto r = write(*papers); !r) return r;
        // Saved means it opens: what the whole comes to is read before it is kept.
        if (const auto again = read(); !again) return tl::make_unexpected(again.error());
        return {};
    });
}

Result<void> StashStore::put(const Stash& papers) {
    return change([&](const Stash&) { return papers; });
}

Result<void> StashStore::remove(const std::string& id) {
    return in_one_transaction([&]() -> Result<void> {
        const auto before = read();
        if (!before) return tl::make_unexpected(before.error());
        const int at = before->find(id);
        if (at < 0) return fail(ErrorKind::NothingToDo, what_ + ": there is no paper \"" + id + "\"");
        std::set<std::string> unused = pictures_of(before->papers[static_cast<std::size_t>(at)]);
        for (const Paper& other : before->papers)
            if (other.id != id)
                for (const std::string& name : pictures_of(other)) unused.erase(name);
        Statement paper(db_.get(), "DELETE FROM papers WHERE id = ?");
        bool good = paper.text(1, id).done();
        for (const std::string& name : unused) {
            Statement gone(db_.get(), "DELETE FROM pictures WHERE name = ?");
            good = good && gone.text(1, name).done();
        }
        return good ? Result<void>{} : trouble("written");
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
