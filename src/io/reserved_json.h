#pragma once
// Pieces wanted later as JSON: {"paper","page","side":"B","outline":POLYGON}; no page for a size to keep
// whole, no side for side A. Millimetres.

#include "core/result.h"
#include "core/stash/reserved_piece.h"

#include <nlohmann/json.hpp>

namespace zesty {

/// With every digit: what is read again is the same.
nlohmann::json to_json(const ReservedPiece& piece);

/// `where` begins the sentence of an error.
Result<ReservedPiece> reserved_from(const nlohmann::json& json, const std::string& where);

} // namespace zesty
