#pragma once
// A statement of SQLite with its values, finalised when it goes.

#include <sqlite3.h>
#include <string>

namespace zesty {

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

inline int pragma(sqlite3* db, const char* sql) {
    Statement s(db, sql);
    return s.row() ? s.number(0) : 0;
}

} // namespace zesty
