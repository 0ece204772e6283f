#pragma once
// The paper at hand.

#include "core/geometry/shapes.h"
#include "core/names.h"
#include "core/stash/embellishment.h"
#include "core/stash/letter_set.h"
#include "core/stash/page_record.h"
#include "core/stash/palette.h"
#include "core/stash/picture_bytes.h"

#include <algorithm>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace zesty {

enum class Pattern { Solid, Small, Large, Stripe, Ombre, Picture };
template <>
inline constexpr std::array words_of<Pattern>{"solid", "small", "large", "stripe", "ombre", "picture"};

/// Which ways up a paper may lie: any, upside down too, or only as it is.
enum class Direction { Free, Half, Fixed };
template <> inline constexpr std::array words_of<Direction>{"free", "half", "fixed"};
/// Whether a paper may lie turned by so much.
bool allows(Direction direction, double turn_deg);

enum class Side { A, B };
template <> inline constexpr std::array words_of<Side>{"A", "B"};

/// What its surface is like.
enum class Finish { Matt, Glossy, Textured, Slick, Translucent };
template <>
inline constexpr std::array words_of<Finish>{"matt", "glossy", "textured", "slick", "translucent"};

/// What a side of a paper looks like.
struct PaperFace {
    Rgb colour;          ///< of the paper, or the mean of its picture
    std::string picture; ///< name of a picture in the stash; empty for a plain colour
    Pattern pattern = Pattern::Solid;
    Direction direction = Direction::Free;
    double repeat = 0; ///< mm after which the pattern begins anew; 0 when it is not known or there is none
    /// Clockwise from the right: of stripes the way they run, of an ombre the way it gets darker.
    double angle_deg = 0;
    std::vector<PaletteColour> palette = {}; ///< of its picture, the largest share first
    /// Its picture in 8 by 8 cells, row by row; empty without one.
    std::vector<Rgb> coarse = {};
    /// What openings of several sizes show of its picture (core/stash/variation.h); empty without one.
    std::vector<double> variation = {};
    bool operator==(const PaperFace&) const = default;
};
/// The palette, or the one colour of a side without one.
std::vector<PaletteColour> palette_or_colour(const PaperFace& face);
/// The colour that most of a side has.
Rgb main_colour(const PaperFace& face);
inline constexpr int coarse_cells = 8; ///< in a row of PaperFace::coarse

/// What became a scrap.
enum class ScrapOf { Unknown, Leftover, DropOut, Middle, Spare };
template <>
inline constexpr std::array words_of<ScrapOf>{"unknown", "leftover", "drop-out", "middle", "spare"};

/// Sheets of one outline, seen from side A, millimetres. A scrap keeps the place it had on its sheet, so that
/// it shows the same part of the picture.
struct SheetStock {
    Polygon outline;
    int count = 1;
    bool irregular = false; ///< given by its outline: an offcut
    bool clean = true;      ///< without stains: cut to only when nothing else is left
    ScrapOf of = ScrapOf::Unknown;
    std::string from_page = {}; ///< title of the page it is left of; empty when it is not known
    bool operator==(const SheetStock&) const = default;
};

/// A motif that is cut out by hand: its outline on every sheet that shows it, seen from side A, mm.
struct FussyCut {
    std::string name;
    Polygon outline;
    int used = 0; ///< how many have been cut out
    bool operator==(const FussyCut&) const = default;
};

struct Paper {
    std::string id; ///< short, for people; within one stash no two are the same
    std::string name;
    Rgb colour;          ///< of the paper, or the mean of its picture
    std::string picture; ///< name of a picture in the stash; empty for a plain colour
    Pattern pattern = Pattern::Solid;
    Direction direction = Direction::Free;
    std::vector<SheetStock> sheets;
    double repeat = 0; ///< mm after which the pattern begins anew; 0 when it is not known or there is none
    double strip =
        0; ///< mm of branding along the lower edge of whole sheets, trimmed off before anything is cut
    double weight = 0; ///< g/m2; 0 when it is not known
    std::string notes = {};
    std::string kept_in = {}; ///< where the paper is: a drawer, a folder
    // The colour, picture, pattern, direction and repeat above are those of side A; so are these.
    double angle_deg = 0;
    std::vector<PaletteColour> palette = {};
    std::vector<Rgb> coarse = {};
    std::vector<double> variation = {};
    std::optional<PaperFace> back = std::nullopt; ///< side B; nothing where it is not worth showing
    /// What the paper is known by wherever it goes; empty until a stash has taken it in.
    std::string uid = {};
    std::optional<Finish> finish = std::nullopt;
    std::vector<FussyCut> fussy_cuts = {};
    bool use_up = false;      ///< to be used up before others
    std::string touched = {}; ///< the day the stash last saw a change of it, as 2026-11-27
    /// The stash that is open knows it and is right about it; otherwise the page's own copy counts.
    bool in_stash = false;

    PaperFace face(Side side) const; ///< side A when there is no other
    bool has(Side side) const { return side == Side::A || back.has_value(); }
    void set_front(const PaperFace& face);
    bool operator==(const Paper&) const = default;
};

struct Stash {
    std::vector<Paper> papers;
    std::vector<Embellishment> embellishments;
    std::vector<LetterSet> letters;
    std::vector<PageRecord> records; ///< of pages that are finished, or have been cut for
    Pictures pictures;
    /// The papers of a page together with those of the stash that is open (core/stash/sharing.h).
    bool is_open = false;
    bool operator==(const Stash&) const = default;

    /// Index of the paper, or -1.
    int find(const std::string& id) const;
    /// The same of the others; null when there is none.
    const Embellishment* embellishment(const std::string& id) const;
    const LetterSet* letter_set(const std::string& id) const;
    const PageRecord* record(const std::string& id) const;
};
/// The id itself, or with a number behind it where something in the list has it already.
template <class Thing> std::string free_id_among(const std::vector<Thing>& things, const std::string& id) {
    std::string out = id;
    for (int n = 2; std::any_of(things.begin(), things.end(), [&](const Thing& t) { return t.id == out; });
         ++n)
        out = id + "-" + std::to_string(n);
    return out;
}

/// The stash with the paper in the place of the one of the same id, or added, and these pictures.
Stash with_paper(const Stash& stash, Paper paper, const Pictures& pictures = {});
/// Lets go of pictures that no paper shows.
void drop_unseen_pictures(Stash& stash);
/// Without it, and without pictures that nothing else shows.
Stash without_paper(const Stash& stash, const std::string& id);
/// The id itself, or with a number behind it where a paper has it already.
std::string free_id(const Stash& stash, const std::string& id);

/// In the order in which they are used up.
enum class SheetKind { DropOut, UnderPhoto, Gutted, Offcut, Card, Pad, Full, Stained };
template <>
inline constexpr std::array words_of<SheetKind>{"drop-out", "under-photo", "gutted", "offcut",
                                                "card",     "pad",         "full",   "stained"};

/// One real sheet.
struct Sheet {
    std::string id; ///< paper id, "#" and a number from 1: steady as long as the stash is
    int paper = 0;  ///< into Stash::papers
    Polygon outline;
    double area = 0;
    SheetKind kind = SheetKind::Full;
};

/// All sheets of the stash one by one, paper by paper, without their branding strips.
std::vector<Sheet> sheets_of(const Stash& stash);

/// "gutted middle", "scrap", "card", "pad sheet", "sheet", "stained scrap".
const char* name_of(SheetKind kind);
/// These are called the same wherever they are spoken of.
inline const char* name_of(Pattern pattern) {
    return key_of(pattern);
}
inline const char* name_of(Direction direction) {
    return key_of(direction);
}
inline const char* name_of(Side side) {
    return key_of(side);
}

/// The sheet of the stock that a sheet of a plan is, or is a part of: "barley#1" of "barley#1/photo2".
std::string whole_sheet_of(const std::string& sheet);
/// The paper of a sheet's id.
std::string paper_of_sheet(const std::string& sheet);

/// What the picture of a paper covers: the box of its largest sheet, from the origin.
Box picture_box(const Paper& paper);

} // namespace zesty
