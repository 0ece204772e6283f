#pragma once
// Project documents of older formats, brought to the newest. What is not what it should be in them is passed
// on as it is, for the reader of the newest format to refuse.

#include <nlohmann/json.hpp>

namespace zesty {

inline constexpr int project_version = 14;

/// `from`: the format the document has, from 1 to project_version.
nlohmann::json upgraded(nlohmann::json document, int from);

} // namespace zesty
