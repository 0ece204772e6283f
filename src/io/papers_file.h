#pragma once
// Papers as they come from elsewhere and go there: a stash as JSON or CSV with its pictures beside it, a
// stash database, pictures of papers one by one, or a folder of these.

#include "io/stash_json.h"

namespace zesty {

Result<Stash> read_papers(const QString& path);
/// Columns of a table that nobody knows; none of what is no table, or cannot be read.
std::vector<std::string> unknown_columns_in(const QString& path);
/// A list that was pasted, as CSV.
Result<Stash> papers_from_list(const std::string& text, const std::string& what);
/// As CSV or JSON, by the ending, its pictures beside it.
Result<void> write_papers(Stash stash, const QString& path);

} // namespace zesty
