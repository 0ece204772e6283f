#pragma once
// Looking back over the pages there are records of. Areas in mm2; days as 2026-05-17.

#include "core/stash/stash.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty {

/// Everything that is given must be true of a page.
struct RecordQuery {
    /// Each of them in title, story, tags, album, dates, papers, cut files or colours in words.
    std::string words = {};
    std::optional<Rgb> colour = {};
    double colour_within = 20; ///< delta E 2000, to one of its colours
    std::string paper = {};    ///< uid or name
    std::string cut = {};      ///< name of a cut file, or a part of it
    std::string album = {};
    std::string year = {}; ///< "2026", of when it was made, or else finished
};
/// Indices into the records, the newest first; those nearest to the colour first.
std::vector<int> found_pages(const std::vector<PageRecord>& records, const RecordQuery& query);

/// Its facts, or none.
const PageFacts& facts_of(const PageRecord& record);

/// What a page took of all its papers.
struct TakenOf {
    int sheets = 0, scraps = 0;
};
TakenOf taken_of(const PageFacts& facts);

/// The day a page was made: as a person says it, or else the day it was finished.
std::string made_on(const PageRecord& record);

enum class ShelfBy { Month, Paper, Cut, Album };
template <> inline constexpr std::array words_of<ShelfBy>{"month", "paper", "cut", "album"};

/// Pages that stand together on the shelf. A page may stand with each of its papers and cuts.
struct ShelfGroup {
    std::string name; ///< "October 2026", "Barley", "kite-hill.svg", "Hill album"
    std::vector<int> pages;
};
/// Months newest first, everything else by how many pages stand there.
std::vector<ShelfGroup> shelf_of(const std::vector<PageRecord>& records, const std::vector<int>& pages,
                                 ShelfBy by);

/// What became of a paper: a part for each page that took of it, and what the drawer still has.
struct PaperWent {
    std::string name;
    std::string uid;
    Rgb colour;
    struct Part {
        int page = 0;    ///< into the records
        double used = 0; ///< on that page
        double lost = 0; ///< the way of the blade, slivers
    };
    std::vector<Part> parts; ///< oldest page first
    bool known = false;      ///< the stash still has it
    double in_drawer = 0;
    int scraps = 0; ///< of what is in the drawer
};
/// Those that most was used of first. `now`: the stash as it is.
std::vector<PaperWent> where_paper_went(const std::vector<PageRecord>& records, const std::vector<int>& pages,
                                        const Stash& now);

struct MonthCount {
    std::string month; ///< "2026-11"
    int pages = 0;
};
struct LookBack {
    std::vector<MonthCount> months; ///< every month from the first to the last, those without a page too
    int pages = 0, sheets = 0, scraps = 0;
    double minutes = 0;
    double saved_by_scraps = 0;  ///< in whole 12 x 12 in sheets
    double saved_by_gutting = 0; ///< the same
    std::vector<int> unused;     ///< papers of the stash with paper left that no page since that day took of
};
/// `since`: a day a year ago.
LookBack look_back(const std::vector<PageRecord>& records, const Stash& now, const std::string& since);

/// By kind of step: how much longer than the program's own numbers say a household takes, over all its pages.
struct OwnPace {
    std::string step; ///< word of a kind of step
    double factor = 1;
    double minutes = 0; ///< it was timed for
};
std::vector<OwnPace> own_pace(const std::vector<PageRecord>& records);

/// "kite-hill" of "Kite Hill!": short, for a record's id and file names. Never empty.
std::string short_name(const std::string& title);

} // namespace zesty
