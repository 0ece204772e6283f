#pragma once
// What a machine cuts from one mat. Millimetres from the upper left corner of the cutting mat.

#include "core/geometry/shapes.h"

#include <string>
#include <vector>

namespace zesty {

/// As the machine sees it: what is laid with its good side down is mirrored already.
struct CuttingFile {
    std::string title;
    double width = 0; ///< of the mat
    double height = 0;
    std::vector<Ring> contours; ///< each once, insides before what they lie in, with little travel between
    struct Label {
        std::string text;
        Point at;
        double size = 0;
    };
    std::vector<Label> labels; ///< of loose pieces and patches: not cut
    /// Crosses drawn by the pen that lie at the same places of the sheet in every part it is cut in.
    std::vector<Point> registration = {};
    std::vector<Ring> sheet = {}; ///< the paper on the mat, beyond its edges where it is larger: not cut
    std::string sheet_id = {};    ///< of the plan: "barley#1"; empty for paper that is not from the stash
    Point sheet_corner = {};      ///< where the origin of the sheet's own coordinates lies on the mat
};

/// One loading of the machine.
struct CuttingJob {
    std::string key;      ///< short, for file names: "mat-1", "sheet-gull-print-1"
    std::string from;     ///< "Barley", "gull-print, sheet 1"
    std::string material; ///< id, of materials.h
    bool good_side_up = true;
    int part = 1; ///< of a sheet larger than the mat
    int parts = 1;
    double narrowest_bar = 0; ///< of what is cut; 0 for no bars
    CuttingFile file;
};

/// A square of 10 mm with another in it, in the corner of the mat of a job: to be cut first, and looked at.
CuttingJob test_piece(const CuttingJob& of);

/// Into groups, one for each contour that lies in no other: by group, the contours, the outer one first.
std::vector<std::vector<int>> nested_groups(const std::vector<Ring>& contours);

/// Without those that lie on one before them, corner by corner or round the other way, within 0.01 mm.
std::vector<Ring> without_doubles(std::vector<Ring> contours);

/// A sheet larger than the mat in parts: windows of the mat's size on the sheet, so that each group of
/// contours lies whole in one, few windows; and crosses that each part has in common with one before.
struct SheetParts {
    struct Part {
        Point corner;               ///< of the window, on the sheet
        std::vector<int> contours;  ///< those cut in this part
        std::vector<Point> crosses; ///< on the sheet
    };
    std::vector<Part> parts;
    std::vector<int> too_large; ///< contours of groups that no window holds
};
SheetParts parts_of(const Box& sheet, const std::vector<Ring>& contours, double mat_width, double mat_height);

} // namespace zesty
