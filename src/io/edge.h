#pragma once
// Numbers and text where they come in and go out: finite, in range, valid UTF-8. Options, fields, tables and
// databases go through here.

#include "core/limits.h"

#include <optional>
#include <string>
#include <string_view>

namespace zesty {

/// Valid UTF-8 without control characters but line breaks and tabs.
bool is_text(std::string_view bytes);

/// The same without what is no text; what was invalid UTF-8 is read as Latin-1.
std::string as_text(std::string_view bytes);

/// One line that may be shown to anybody: no control characters, no more than 300 characters.
std::string one_line(std::string_view message);

/// What a file is called in an archive: one line of text without what separates folders, at most 120 bytes
/// with its ending. Readers of archives know no longer paths than 255.
std::string name_in_archive(std::string_view file_name);

/// A number that is finite and within the limits, written in full.
std::optional<double> number_from(std::string_view text, Limits limits);

/// A table or list as it was saved: without byte order mark, from UTF-16 or Latin-1 where it is not UTF-8.
std::string utf8_of(std::string_view bytes);

} // namespace zesty
