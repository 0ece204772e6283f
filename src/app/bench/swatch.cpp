#include "app/bench/swatch.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/page/page_view.h"

#include <QApplication>
#include <QDrag>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {
QRectF picture_of_swatch() {
    return {6, 6, swatch_size().width() - 12.0, theme::px(52.0)};
}
QRectF picture_of_small() {
    return {4, 4, small_swatch_size().width() - 8.0, small_swatch_size().height() - 8.0};
}

/// Prints are shown at their true size.
double true_scale(const QWidget& widget) {
    return widget.logicalDpiX() / 25.4;
}
} // namespace

Swatch::Swatch(int paper, BenchState& state, Document& document, QWidget* parent)
    : QWidget(parent), paper_(paper), state_(state), document_(document) {
    setFixedSize(swatch_size());
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::OpenHandCursor);
    setObjectName(QString("swatch%1").arg(paper));
    if (const Paper* p = this->paper()) {
        setAccessibleName(words(p->name));
        setToolTip(
            QString("%1: %2 pattern, %3, at its true size\nDrag to an opening, or pick it and press Return%4")
                .arg(words(p->name), name_of(p->pattern),
                     p->direction == Direction::Free   ? "any way up"
                     : p->direction == Direction::Half ? "may lie upside down"
                                                       : "one way up only",
                     p->back ? "; V turns it over" : ""));
    }
}

const Paper* Swatch::paper() const {
    const auto& stash = document_.project().stash;
    return stash && paper_ < static_cast<int>(stash->papers.size()) ? &stash->papers[paper_] : nullptr;
}

QRectF Swatch::picture_rect() const {
    return small_ ? picture_of_small() : picture_of_swatch();
}

void Swatch::make_small(bool small) {
    small_ = small;
    setFixedSize(small ? small_swatch_size() : swatch_size());
    update();
}

QString Swatch::status() const {
    const Plan* plan = state_.plan();
    if (!plan || paper_ >= static_cast<int>(plan->papers.uses.size())) return {};
    const PaperUse& use = plan->papers.uses[paper_];
    if (use.short_patches > 0) return counted(use.short_patches, "patch short", "patches short");
    // What other pages have reserved is as good as gone.
    const double other = state_.drawer().reserved(paper()->id);
    const double free = std::max(0.0, 1 - (use.used_area + other) / std::max(use.stock_area, 1.0));
    const int left = static_cast<int>(std::lround(100 * free));
    if (use.sections > 0 || other > 0)
        return left == 100 ? QString("%1 here, all left").arg(use.sections)
                           : QString("%1 here, %2 % left").arg(use.sections).arg(left);
    std::size_t sheets = 0;
    std::size_t scraps = 0;
    for (const Sheet& s : plan->papers.sheets)
        if (s.paper == paper_) (s.kind <= SheetKind::Offcut ? scraps : sheets) += 1;
    QStringList parts;
    if (sheets > 0) parts << counted(sheets, "sheet", "sheets");
    if (scraps > 0) parts << counted(scraps, "scrap", "scraps");
    return parts.isEmpty() ? QString("none left") : parts.join(", ");
}

/// What other pages have reserved: a lighter part with a dashed edge, at the end of what is left.
void Swatch::paint_reserved(QPainter& p, double left, double reserved) const {
    const QRectF r = picture_rect();
    const QRectF part(r.left() + r.width() * (left - reserved), r.top(), r.width() * reserved, r.height());
    p.fillRect(part, QColor(255, 254, 251, 170));
    p.setPen(QPen(theme::quiet, 1.2, Qt::DashLine));
    p.drawLine(part.topLeft(), part.bottomLeft());
}

/// Which side is up, on papers that have two.
void Swatch::paint_side(QPainter& p, Side side) const {
    const QRectF badge(picture_of_swatch().right() - 19, picture_of_swatch().bottom() - 19, 17, 17);
    p.setPen(QPen(theme::line, 1));
    p.setBrush(theme::card);
    p.drawEllipse(badge);
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Small, true));
    p.drawText(badge, Qt::AlignCenter, name_of(side));
}

void Swatch::paint_words(QPainter& p, const Paper& paper, bool trouble) {
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Small, true));
    p.drawText(QRectF(7, theme::px(61.0), width() - 10, theme::px(18.0)), Qt::AlignLeft | Qt::AlignVCenter,
               p.fontMetrics().elidedText(words(paper.name), Qt::ElideRight, width() - 12));
    QFont small = theme::font(theme::Text::Small);
    p.setFont(small);
    p.setPen(trouble ? theme::berry : theme::quiet);
    p.drawText(QRectF(7, theme::px(80.0), width() - 10, theme::px(18.0)), Qt::AlignLeft | Qt::AlignVCenter,
               p.fontMetrics().elidedText(status(), Qt::ElideRight, width() - 11));
}

/// A sheet of which the used part has been cut away, with a slanted cut.
void Swatch::paint_gauge(QPainter& p, const Paper& paper, double left) {
    const QRectF r = picture_rect();
    p.setPen(QPen(theme::line, 1, Qt::DashLine));
    p.setBrush(theme::bench);
    p.drawRect(r);
    QPainterPath rest;
    const double edge = r.left() + r.width() * left;
    const double slant = left < 1 ? std::min(7.0, r.right() - edge) : 0;
    rest.moveTo(r.topLeft());
    rest.lineTo(std::min(edge + slant, r.right()), r.top());
    rest.lineTo(std::max(edge - slant, r.left()), r.bottom());
    rest.lineTo(r.bottomLeft());
    rest.closeSubpath();
    p.save();
    p.setClipPath(rest);
    // Patterns at their true size; an ombre is shown whole, because its two ends are what one chooses it for.
    const Side side = state_.drawer().side_up(paper_);
    const QImage picture =
        state_.swatch_pictures().picture(state_.textures(),
                                         {paper_, side, paper.face(side).pattern == Pattern::Ombre,
                                          r.size().toSize(), devicePixelRatioF(), true_scale(*this)},
                                         this);
    if (picture.isNull())
        p.fillRect(r, state_.textures()->colour(paper_, side)); // until its picture is there
    else
        p.drawImage(r.topLeft(), picture);
    p.restore();
}

void Swatch::paintEvent(QPaintEvent*) {
    const Plan* plan = state_.plan();
    const Paper* paper = this->paper();
    if (!plan || !paper || paper_ >= static_cast<int>(plan->papers.uses.size())) return;
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const bool picked = state_.drawer().picked() == paper_;
    p.setPen(QPen(picked       ? theme::zest
                  : hasFocus() ? theme::zest_text
                               : theme::line,
                  picked || hasFocus() ? 2 : 1));
    p.setBrush(theme::card);
    p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), theme::radius, theme::radius);

    const PaperUse& use = plan->papers.uses[paper_];
    const double left = std::clamp(1 - use.used_area / std::max(use.stock_area, 1.0), 0.0, 1.0);
    paint_gauge(p, *paper, left);
    if (const double reserved = state_.drawer().reserved(paper->id) / std::max(use.stock_area, 1.0);
        reserved > 0)
        paint_reserved(p, left, std::min(left, reserved));
    if (small_) return;
    if (paper->back) paint_side(p, state_.drawer().side_up(paper_));
    paint_words(p, *paper, use.short_patches > 0);
}

void Swatch::mousePressEvent(QMouseEvent* event) {
    pressed_ = event->position().toPoint();
    state_.drawer().pick(paper_);
    setFocus();
}

void Swatch::mouseMoveEvent(QMouseEvent* event) {
    const Paper* paper = this->paper();
    if (!paper || !(event->buttons() & Qt::LeftButton)) return;
    if ((event->position().toPoint() - pressed_).manhattanLength() < QApplication::startDragDistance())
        return;
    auto* drag = new QDrag(this);
    auto* mime = new QMimeData;
    mime->setData(paper_mime, QByteArray::fromStdString(paper->id));
    drag->setMimeData(mime);
    QPixmap scrap(QSize(56, 56) * devicePixelRatioF());
    scrap.setDevicePixelRatio(devicePixelRatioF());
    scrap.fill(Qt::transparent);
    QPainter p(&scrap);
    p.setRenderHint(QPainter::Antialiasing);
    p.scale(true_scale(*this), true_scale(*this));
    p.fillRect(QRectF(0, 0, 56, 56),
               state_.textures()->brush(paper_, {}, true_scale(*this), state_.drawer().side_up(paper_)));
    p.end();
    drag->setPixmap(scrap);
    drag->setHotSpot({28, 28});
    drag->exec(Qt::CopyAction);
}

void Swatch::mouseDoubleClickEvent(QMouseEvent*) {
    emit give();
}

void Swatch::focusInEvent(QFocusEvent* event) {
    QWidget::focusInEvent(event);
    state_.drawer().pick(paper_);
}

void Swatch::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right)
        focusNextPrevChild(event->key() == Qt::Key_Right);
    else
        QWidget::keyPressEvent(event);
}

} // namespace zesty
