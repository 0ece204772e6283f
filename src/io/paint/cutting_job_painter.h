#pragma once
// What a machine cuts as it lies on the cutting mat: the sheet, every contour, labels; and how far it is.

#include "core/build/cutting_job.h"

#include <QImage>
#include <QPainter>

namespace zesty {

struct CuttingJobLook {
    QColor mat{0xf1, 0xea, 0xdb};
    QColor paper{0xff, 0xfe, 0xfb};
    QColor waste{0xe2, 0xd8, 0xc4};
    QColor ink{0x26, 0x24, 0x2b};
    QColor cut{0xe8, 0x6a, 0x17}; ///< what has been cut
    QColor pen{0x4c, 0x7f, 0xa8}; ///< crosses for registration
    double line = 0.25;           ///< mm
    double least_label = 3;       ///< mm high
    /// Of each contour, in its order: how many mm from its start have been cut. Empty while nothing is known.
    std::vector<double> done = {};
};

/// With the mat's upper left corner at the origin; the painter's unit is a millimetre.
void paint_cutting_job(QPainter& painter, const CuttingJob& job, const CuttingJobLook& look = {});

/// The same as a picture, `pixels` along the mat's longer side.
QImage cutting_job_picture(const CuttingJob& job, int pixels);

} // namespace zesty
