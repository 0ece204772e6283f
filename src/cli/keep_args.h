#pragma once

#include <string>
#include <vector>

namespace zesty::cli {

/// Everything that is decided and asked at Keep. Texts are as typed; empty ones change nothing.
struct KeepArgs {
    std::string project, out;
    bool finish = false, only_cut = false, put_back = false, drop_outs = false, no_drop_outs = false;
    // Notes, of the page or of a record
    std::string record; ///< id
    std::string title, story, photos_of, made, album, place, next_time, licence, photo;
    std::vector<std::string> tags;
    bool no_tags = false, forget = false;
    // Looking back
    std::string shelf, find, like, with_paper, with_cut, in_album, in_year;
    bool where = false, sheets = false, look_back = false, pace = false, take_pace = false;
    // Again
    std::string again, other_cut;
    // Out
    std::string html, csv, records;
    std::string backup, restore;
    bool json = false;
};

} // namespace zesty::cli
