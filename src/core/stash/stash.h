#pragma once
// The paper at hand.

#include "core/geometry/shapes.h"
#include "core/stash/colour.h"

#include <map>
#include <memory>
#include <string>
#include <vector>

namespace zesty {

enum class Pattern { Solid, Small, Large, Stripe, Ombre, Picture };

/// Which ways up a paper may lie: any, upside down too, or only as it is.
enum class Direction { Free, Half, Fixed };

/// Sheets of one outline, seen from side A, millimetres.
struct SheetStock {
    Polygon outline;
    int count = 1;
    bool irregular = false; ///< given by its outline: an offcut
    bool operator==(const SheetStock&) const = default;
};

struct Paper {
    std::string id;
    std::string name;
    Rgb colour;          ///< of the paper, or the mean of its picture
    std::string picture; ///< name of a picture in the stash; empty for a plain colour
    Pattern pattern = Pattern::Solid;
    Direction direction = Direction::Free;
    std::vector<SheetStock> sheets;
    double repeat = 0; ///< mm after which the print begins anew; 0 when it is not known or there is none
    double strip =
        0; ///< mm of branding along the lower edge of whole sheets, trimmed off before anything is cut
    double weight = 0; ///< g/m2; 0 when it is not known
    std::string notes = {};
    std::string kept_in = {}; ///< where the paper is: a drawer, a folder
    bool operator==(const Paper&) const = default;
};

struct Stash {
    std::vector<Paper> papers;
    /// File name to the bytes of the file, as they came.
    std::map<std::string, std::string> pictures;
    bool operator==(const Stash&) const = default;

    /// Index of the paper, or -1.
    int find(const std::string& id) const;
};

/// In the order in which they are used up.
enum class SheetKind { Gutted, Offcut, Card, Pad, Full };

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

/// "gutted middle", "offcut", "card", "pad sheet", "sheet".
const char* name_of(SheetKind kind);
const char* name_of(Pattern pattern);
const char* name_of(Direction direction);

/// What the picture of a paper covers: the box of its largest sheet, from the origin.
Box picture_box(const Paper& paper);

} // namespace zesty
