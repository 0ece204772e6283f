#pragma once
// zesty-inspect/1, see docs/file-formats.md.

#include "core/cutfile/cut_file.h"

#include <nlohmann/json_fwd.hpp>

namespace zesty {

/// Lengths are multiplied by `scale`, areas by its square.
nlohmann::json inspect_json(const CutFile& cut, double scale);

} // namespace zesty
