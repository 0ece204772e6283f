#pragma once
// Cells of tables (RFC 4180).

#include <string>

namespace zesty {

/// The text as a cell, quoted where it has to be.
std::string csv_cell(const std::string& text);

} // namespace zesty
