#pragma once
// Pieces wanted later as JSON: {"paper","page","side":"B","outline":POLYGON}; no page for a size to keep
// whole, no side for side A. Millimetres.

#include "core/result.h"
#include "core/stash/wanted.h"

#include <nlohmann/json.hpp>

namespace zesty {

/// With every digit: what is read again is the same.
nlohmann::json to_json(const WantedPiece& piece);

/// `where` begins the sentence of an error.
Result<WantedPiece> wanted_from(const nlohmann::json& json, const std::string& where);

} // namespace zesty
