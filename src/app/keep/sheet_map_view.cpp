#include "app/keep/sheet_map_view.h"

#include "app/bench/panel.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "io/paint/textures.h"

#include <QHelpEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

namespace zesty {

namespace {
constexpr int map_side = 88, map_gap = 8, map_words = 18;
} // namespace

SheetMapView::SheetMapView(QWidget* parent) : QWidget(parent) {
    setObjectName("sheet-map");
    setAccessibleName("What the sheets became");
    QSizePolicy policy(QSizePolicy::Preferred, QSizePolicy::Minimum);
    policy.setHeightForWidth(true);
    setSizePolicy(policy);
}

void SheetMapView::show_sheets(const std::vector<ShownSheet>& sheets) {
    sheets_ = sheets;
    QStringList all;
    for (std::size_t i = 0; i < sheets_.size(); ++i) all << said(i);
    setAccessibleDescription(all.join("; "));
    setVisible(!sheets_.empty());
    updateGeometry();
    update();
}

QString SheetMapView::said(std::size_t i) const {
    const MappedSheet& s = sheets_[i].sheet;
    QStringList parts;
    if (!s.patches.empty()) parts << counted(s.patches.size(), "patch", "patches");
    for (const TakenPiece& p : s.pieces) parts << words(p.what);
    parts << (s.back.empty() ? QString("nothing went back")
                             : counted(s.back.size(), "scrap went back", "scraps went back"));
    return sheets_[i].name + ": " + parts.join(", ");
}

int SheetMapView::columns(int width) const {
    return std::max(1, (width + map_gap) / (theme::px(map_side) + map_gap));
}

int SheetMapView::heightForWidth(int width) const {
    const int rows = (static_cast<int>(sheets_.size()) + columns(width) - 1) / columns(width);
    return rows * (theme::px(map_side) + theme::px(map_words) + map_gap);
}

QSize SheetMapView::sizeHint() const {
    return {panel_width(), heightForWidth(panel_width())};
}

QRectF SheetMapView::place(std::size_t sheet) const {
    const int in_a_row = columns(width());
    const int at = static_cast<int>(sheet);
    return QRectF(at % in_a_row * (theme::px(map_side) + map_gap),
                  at / in_a_row * (theme::px(map_side) + theme::px(map_words) + map_gap), theme::px(map_side),
                  theme::px(map_side));
}

void SheetMapView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < sheets_.size(); ++i) {
        const QRectF at = place(i);
        const MappedSheet& s = sheets_[i].sheet;
        const QRectF sheet = to_path(s.outline).boundingRect();
        const double scale =
            std::min(at.width() / std::max(1.0, sheet.width()), at.height() / std::max(1.0, sheet.height()));
        p.save();
        p.translate(at.center());
        p.scale(scale, scale);
        p.translate(-sheet.center());
        const auto pen = [&](const QColor& colour, Qt::PenStyle style) {
            QPen out(colour, 1, style);
            out.setCosmetic(true);
            p.setPen(out);
        };
        // What was lost is neither on the page nor a scrap.
        pen(theme::line, Qt::SolidLine);
        p.setBrush(theme::bench_deep);
        p.drawPath(to_path(s.outline));
        pen(theme::ink, Qt::SolidLine);
        p.setBrush(sheets_[i].colour);
        for (const TakenPiece& piece : s.pieces) p.drawPath(to_path(piece.on_sheet));
        pen(theme::quiet, Qt::DashLine);
        p.setBrush(theme::card);
        for (const SheetStock& scrap : s.back) p.drawPath(to_path(scrap.outline));
        pen(theme::ink, Qt::SolidLine);
        p.setBrush(sheets_[i].colour);
        for (const Polygon& patch : s.patches) p.drawPath(to_path(patch));
        p.restore();
        p.setPen(theme::quiet);
        p.setFont(theme::font(theme::Text::Small));
        p.drawText(QRectF(at.x(), at.bottom(), at.width(), theme::px(map_words)), Qt::AlignCenter,
                   p.fontMetrics().elidedText(sheets_[i].name, Qt::ElideRight, static_cast<int>(at.width())));
    }
}

bool SheetMapView::event(QEvent* event) {
    if (event->type() != QEvent::ToolTip) return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    for (std::size_t i = 0; i < sheets_.size(); ++i)
        if (place(i).contains(help->pos())) {
            QToolTip::showText(help->globalPos(), said(i), this);
            return true;
        }
    QToolTip::hideText();
    return true;
}

} // namespace zesty
