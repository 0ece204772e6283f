#include "io/guide/guide_paper.h"

#include <QPageLayout>
#include <QPageSize>

namespace zesty::guide {

namespace {
constexpr double header = 14;
constexpr double footer = 54;
constexpr double between_chapters = 6; ///< chapters on one page
constexpr int dots_per_inch = 1200;
} // namespace

GuidePaper::GuidePaper(const Project& of, const Plan& its_plan,
                       const std::vector<CutsOnCuttingMats>& its_mats, PrinterPaper paper, QIODevice& device)
    : project(of), plan(its_plan), mats(its_mats), textures(of), writer_(&device) {
    const QPageSize size(paper == PrinterPaper::A4 ? QPageSize::A4 : QPageSize::Letter);
    writer_.setPageLayout(QPageLayout(size, QPageLayout::Portrait, {0, 0, 0, 0}, QPageLayout::Millimeter));
    writer_.setResolution(dots_per_inch);
    writer_.setTitle(QString::fromStdString(project.title));
    writer_.setCreator("Zesty Panel");
    width = size.size(QPageSize::Millimeter).width();
    height = size.size(QPageSize::Millimeter).height();
    painter.begin(&writer_);
    painter.scale(dots_per_inch / 25.4, dots_per_inch / 25.4);
    painter.setRenderHint(QPainter::Antialiasing);
}

QRectF GuidePaper::room() const {
    return {margin, margin + header, width - 2 * margin, height - 2 * margin - header - footer};
}

void GuidePaper::text(QRectF where, double size_mm, const QString& words, int flags, bool bold,
                      QColor colour) {
    // Fonts are measured in device pixels; drawing them large and scaling down keeps them even.
    painter.save();
    const double k = 0.01;
    QFont font("Lato");
    // With a trace of spacing there are no ligatures, which a search in the file would not find.
    font.setLetterSpacing(QFont::AbsoluteSpacing, 1); // a hundredth of a millimetre
    font.setPixelSize(static_cast<int>(size_mm / k));
    font.setWeight(bold ? QFont::DemiBold : QFont::Normal);
    painter.scale(k, k);
    painter.setFont(font);
    painter.setPen(colour);
    painter.drawText(QRectF(where.x() / k, where.y() / k, where.width() / k, where.height() / k),
                     flags | Qt::TextWordWrap, words);
    painter.restore();
}

void GuidePaper::pen(double width_mm, QColor colour, Qt::PenStyle style) {
    painter.setPen(QPen(colour, width_mm, style));
    painter.setBrush(Qt::NoBrush);
}

void GuidePaper::heading(double y, const QString& title, const QString& hint) {
    text({margin, y, width - 2 * margin - 30, 6}, 4.6, title, Qt::AlignLeft | Qt::AlignVCenter, true);
    text({margin, y + 6.5, width - 2 * margin, 5}, 3, hint, Qt::AlignLeft | Qt::AlignVCenter, false, quiet);
}

QRectF GuidePaper::chapter(const QString& title, const QString& hint, double needs) {
    QRectF out = room();
    if (pages_ == 0 || free_from_ + between_chapters + header + needs > out.bottom()) {
        new_page(title, hint);
        return out;
    }
    heading(free_from_ + between_chapters, title, hint);
    out.setTop(free_from_ + between_chapters + header);
    return out;
}

void GuidePaper::new_page(const QString& title, const QString& hint) {
    if (pages_++ > 0) writer_.newPage();
    used_to(height);
    heading(margin, title, hint);
    text({width - margin - 30, margin, 30, 6}, 3, QString("page %1").arg(pages_),
         Qt::AlignRight | Qt::AlignVCenter, false, quiet);
    const double x = width - margin - 50;
    const double y = height - margin - 50;
    pen(0.15);
    painter.drawRect(QRectF(x, y, 50, 50));
    painter.drawRect(QRectF(x, y, 25.4, 25.4));
    text({x + 1.5, y + 1.5, 22, 8}, 3, "1 in");
    text({x + 27, y + 27, 22, 21}, 3, "50 mm\nPrint at 100 %: both squares must measure true.");
}

void GuidePaper::number(QPointF at, int opening, double size) {
    const QString n = QString::number(opening + 1);
    const QRectF box(at.x() - size * 0.9, at.y() - size * 0.65, size * 1.8, size * 1.3);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(255, 255, 255, 215));
    painter.drawRoundedRect(box, size * 0.6, size * 0.6);
    text(box, size, n, Qt::AlignCenter, true);
}

void GuidePaper::tag(QPointF at, const QString& label, double size) {
    const QRectF box(at.x() - size * 1.1, at.y() - size * 0.65, size * 2.2, size * 1.3);
    pen(0.15);
    painter.setBrush(QColor(255, 255, 255, 235));
    painter.drawRect(box);
    text(box, size, label, Qt::AlignCenter, true);
}

} // namespace zesty::guide
