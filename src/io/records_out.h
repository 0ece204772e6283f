#pragma once
// Records of pages for people and programs: pages of HTML that need nothing else, a table, JSON.

#include "core/geometry/lengths.h"
#include "core/stash/page_record.h"

#include <QByteArray>
#include <functional>
#include <nlohmann/json.hpp>

namespace zesty {

/// The bytes of a file that a record names; empty where there is none.
using FileOfRecord = std::function<std::string(const std::string& name)>;

/// One page with everything in it, pictures too; nothing is fetched from anywhere. Newest first as given.
QByteArray records_html(const std::vector<PageRecord>& records, Units units, const FileOfRecord& file);

/// A line for each record and paper, after RFC 4180.
std::string records_csv(const std::vector<PageRecord>& records);

/// zesty-records/1; `with_files` puts the pictures in as base64.
nlohmann::json records_json(const std::vector<PageRecord>& records, const FileOfRecord& file = {});

} // namespace zesty
