#pragma once
// Papers as they come from elsewhere and go there: a stash as JSON or CSV with its pictures beside it, a
// stash database, pictures of papers one by one, or a folder of these.

#include "io/stash_json.h"

namespace zesty {

/// `crop`: pictures show a sheet on a plain ground, and are cropped to it.
Result<Stash> read_papers(const QString& path, bool crop = false);
/// A list that was pasted, as CSV.
Result<Stash> papers_from_list(const std::string& text, const std::string& what);
/// As CSV or JSON, by the ending, its pictures beside it.
Result<void> write_papers(Stash stash, const QString& path);
/// Whether something that was dropped is a picture.
bool is_picture(const QString& path);

} // namespace zesty
