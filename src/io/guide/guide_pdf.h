#pragma once
// The printed guide at true scale.

#include "core/names.h"
#include "core/project/cutting_mat_plan.h"

#include <QByteArray>
#include <set>

namespace zesty {

enum class PrinterPaper { A4, Letter };

/// Chapters of the guide, in the order of the work.
enum class Chapter {
    Cover,
    Key,
    Preparation,
    Trimming,
    Lists,
    Steps,
    CuttingMats,
    LoosePieces,
    Sheets,
    Tracing,
    Journaling,
    Glue,
    Placement
};
template <>
inline constexpr std::array words_of<Chapter>{
    "cover",        "key",    "preparation", "trimming",   "lists", "steps",    "cutting-mats",
    "loose-pieces", "sheets", "tracing",     "journaling", "glue",  "placement"};
using Chapters = std::set<Chapter>;
inline const Chapters all_chapters = [] {
    Chapters all;
    for (std::size_t i = 0; i < words_of<Chapter>.size(); ++i) all.insert(static_cast<Chapter>(i));
    return all;
}();
/// All but the placement sheet, which takes as much paper as the page is large.
inline const Chapters usual_chapters = [] {
    Chapters usual = all_chapters;
    usual.erase(Chapter::Placement);
    return usual;
}();

/// A PDF: a cover with the page; the key with numbered openings and what backs them; the cuts on their mats;
/// every used sheet with its patches numbered, several on a page, in tiles with alignment marks where it is
/// larger than the paper; the same mirrored, for tracing on the back, where patches are traced. Each page
/// carries a 50 mm and a 1 in check square in its lower right corner. Needs a QGuiApplication for its fonts.
QByteArray guide_pdf(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                     PrinterPaper paper, const Chapters& chapters = usual_chapters);
/// With the mats laid for it.
QByteArray guide_pdf(const Project& project, const Plan& plan, PrinterPaper paper,
                     const Chapters& chapters = usual_chapters);
/// How many pages that would be.
int guide_pages(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                PrinterPaper paper, const Chapters& chapters = usual_chapters);

/// How a sheet is spread over printed pages: the part of the sheet each tile shows, row by row, those without
/// a patch left out.
struct Tile {
    int row = 0;
    int column = 0;
    Box part; ///< in sheet coordinates
};
struct Tiling {
    int rows = 1;
    int columns = 1;
    std::vector<Tile> tiles;
};
Tiling tiles_of(const Box& sheet, const std::vector<Box>& patches, double width, double height);

} // namespace zesty
