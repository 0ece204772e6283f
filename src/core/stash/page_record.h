#pragma once
// What is remembered of a page. Millimetres, mm2, minutes; days as 2026-05-17.

#include "core/limits.h"
#include "core/shared.h"
#include "core/stash/palette.h"

#include <string>
#include <vector>

namespace zesty {

/// What a person says of a page; each may be empty.
struct PageNotes {
    std::string story;
    std::vector<std::string> tags;
    std::string photos_of; ///< when the photos were taken: a day, or words
    std::string made;      ///< when the page was made: the same
    std::string album;
    std::string place; ///< in the album: "between two spreads"
    std::string next_time;
    std::string licence; ///< what the cut file's maker allows
    bool operator==(const PageNotes&) const = default;
};
inline constexpr std::size_t most_tags = 100;

/// What a page took of one paper.
struct RecordPaper {
    std::string uid;
    std::string name;
    Rgb colour;
    bool side_a = false, side_b = false; ///< that shows
    int sheets = 0, scraps = 0;          ///< taken from the stash
    int back = 0;                        ///< scraps put back
    double taken = 0;                    ///< area of those sheets and scraps
    double used = 0;                     ///< of it, what is on the page
    double returned = 0;                 ///< of it, what went back
    bool operator==(const RecordPaper&) const = default;
};

struct RecordCut {
    std::string name; ///< of its file
    double width = 0, height = 0;
    bool operator==(const RecordCut&) const = default;
};

/// How long a kind of step took, beside what is usual for the program's own numbers.
struct RecordPace {
    std::string step; ///< word of StepKind
    double usual = 0;
    double took = 0;
    bool operator==(const RecordPace&) const = default;
};

/// What follows from the page when its paper is taken.
struct PageFacts {
    double width = 0, height = 0; ///< of one page
    bool spread = false;
    std::vector<RecordCut> cuts;
    std::vector<RecordPaper> papers;
    std::vector<PaletteColour> palette; ///< of the papers, by area
    int photos = 0;
    int openings = 0, backed = 0;
    double planned = 0; ///< minutes of work
    double worked = 0;  ///< as the steps were timed; 0 where none was
    std::vector<RecordPace> pace;
    double from_scraps = 0;  ///< used area that came from scraps
    double from_gutting = 0; ///< used area that came from gutted middles, under photos, drop-outs
    bool operator==(const PageFacts&) const = default;
};

struct PageRecord {
    std::string id; ///< within one stash no two are the same
    std::string title;
    PageNotes notes;
    std::string finished; ///< the day; empty while the page is not finished
    int takings = 0;      ///< of the page, when this was written: a page with fewer was not saved after that
    Shared<PageFacts> facts;
    // Names of files the stash keeps; empty for none.
    std::string picture; ///< of the plan, PNG
    std::string photo;   ///< of the real page
    std::string page;    ///< the project, without its photos
    std::string file;    ///< of the page on the disk when this was written; empty where there was none
    std::string uid;
    bool in_stash = false;
    bool operator==(const PageRecord&) const = default;
};
inline constexpr std::size_t most_records = 20'000;

} // namespace zesty
