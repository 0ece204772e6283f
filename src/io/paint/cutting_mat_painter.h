#pragma once
// The cutting mat as it will look: every piece where it is cut, loose pieces with their labels.

#include "core/cutfile/insert_labels.h"
#include "core/sheets/cutting_mats.h"

#include <QImage>
#include <QPainter>

namespace zesty {

struct CuttingMatLook {
    QColor mat{0xf1, 0xea, 0xdb};
    QColor ticks{0xa8, 0x9c, 0x86};
    QColor paper{0xff, 0xfe, 0xfb};
    QColor insert{0xf6, 0xe7, 0xb5};
    QColor ink{0x26, 0x24, 0x2b};
    double label = 3; ///< height of the labels, mm
    double line = 0.2;
};

/// One mat with its top left corner at the origin; the painter's unit is a millimetre. `labels` are those of
/// the cut file; on the second copy of a cut they have the next letter.
void paint_cutting_mat(QPainter& painter, const CutFile& cut, const std::vector<InsertLabel>& labels,
                       const std::vector<OnCuttingMat>& pieces, const CuttingMat& size,
                       const CuttingMatLook& look = {});

/// The same as a picture, `pixels` along the mat's longer side.
QImage cutting_mat_picture(const CutFile& cut, const std::vector<InsertLabel>& labels,
                           const std::vector<OnCuttingMat>& pieces, const CuttingMat& size, int pixels);

} // namespace zesty
