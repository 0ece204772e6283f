#pragma once
// What a machine cuts from one mat, as SVG and DXF in real millimetres; hpgl.h has it for plotters.

#include "core/cutfile/insert_labels.h"
#include "core/result.h"
#include "core/sheets/cutting_mats.h"

#include <QByteArray>

namespace zesty {

/// Good side up; the origin is the upper left corner of the mat.
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
    std::vector<Label> labels; ///< of loose pieces: not cut
};

CuttingFile cutting_file_of(const std::string& title, const CutFile& cut,
                            const std::vector<InsertLabel>& labels, const std::vector<OnCuttingMat>& pieces,
                            const CuttingMat& mat);

/// The group "cut" is what to cut, the group "labels" is not.
QByteArray cutting_svg(const CuttingFile& file);
/// Closed polylines on the layer "cut", text on the layer "labels"; y upwards, as DXF has it. An error of
/// kind Unwritable where there is no room for a temporary file.
Result<QByteArray> cutting_dxf(const CuttingFile& file);

} // namespace zesty
