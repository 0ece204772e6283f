#pragma once
// The printed guide's paper: what is drawn on one page after another, in millimetres from the paper's corner.

#include "core/project/cutting_mat_plan.h"
#include "io/guide/guide_pdf.h"
#include "io/paint/textures.h"

#include <QPainter>
#include <QPdfWriter>

namespace zesty::guide {

inline const QColor ink(0x26, 0x24, 0x2b);
inline const QColor quiet(0x6b, 0x66, 0x70);
inline constexpr double margin = 10;

class GuidePaper {
public:
    GuidePaper(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
               PrinterPaper paper, QIODevice& device);

    /// Where there is room between the title and the check square.
    QRectF room() const;
    void text(QRectF where, double size_mm, const QString& words, int flags = Qt::AlignLeft | Qt::AlignTop,
              bool bold = false, QColor colour = ink);
    void pen(double width_mm, QColor colour = ink, Qt::PenStyle style = Qt::SolidLine);
    /// With title, hint, number and the check square.
    void new_page(const QString& title, const QString& hint);
    /// A chapter on what is left of the page, where that is as high as it needs, or on a new one; its room.
    QRectF chapter(const QString& title, const QString& hint, double height);
    /// What lies above is drawn on.
    void used_to(double y) { free_from_ = y; }
    int pages() const { return pages_; }
    /// An opening's number.
    void number(QPointF at, int opening, double size);
    /// A loose piece's label.
    void tag(QPointF at, const QString& label, double size);

    const Project& project;
    const Plan& plan;
    const std::vector<CutsOnCuttingMats>& mats;
    const Textures textures;
    double width = 0;  ///< of the paper
    double height = 0; ///< of the paper

private:
    void heading(double y, const QString& title, const QString& hint);

    QPdfWriter writer_;
    int pages_ = 0;
    double free_from_ = 0; ///< of the page; below its room where all of it is taken

public:
    QPainter painter; ///< on the writer
};

} // namespace zesty::guide
