#pragma once
// What `zesty keep` answers programs: zesty-keep/1 of a page, and what is asked of the shelf.

#include "core/keep/look_back.h"
#include "core/project/before_and_after.h"

#include <nlohmann/json.hpp>

namespace zesty::cli {

/// What finishing takes, or has taken, and what goes back.
nlohmann::json finishing_json(const Project& project, const Finishing& finishing);
/// What each sheet the page was cut from became.
nlohmann::json sheets_json(const Project& page);

nlohmann::json shelf_json(const std::vector<PageRecord>& records, const std::vector<int>& pages, ShelfBy by);
nlohmann::json where_json(const std::vector<PageRecord>& records, const std::vector<int>& pages,
                          const Stash& now);
nlohmann::json look_back_json(const LookBack& all, const Stash& now);
nlohmann::json pace_json(const std::vector<OwnPace>& pace);

} // namespace zesty::cli
