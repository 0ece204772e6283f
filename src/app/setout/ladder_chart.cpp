#include "app/setout/ladder_chart.h"

#include "app/bench/actions.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/setout/sizing.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {
constexpr double top = 8;
constexpr double bars_height = 118;
constexpr double lane = 18; ///< of paper, cutting and backing below the bars
} // namespace

LadderChart::LadderChart(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setProperty(return_of_its_own, true);
    setMouseTracking(true);
    setAccessibleName("Size ladder");
    setToolTip("Thinnest bar at every size: red is too thin for the blade, yellow leaves openings too small "
               "to back. "
               "Click a size to take it; the arrow keys go from size to size, Return takes one.");
    setObjectName("ladder");
    setFixedHeight(sizeHint().height());
}

void LadderChart::show_rungs(std::vector<Rung> rungs, const NarrowestBars& bars, Units units) {
    holdings_ = holdings(bars);
    rungs_ = std::move(rungs);
    units_ = units;
    if (at_ >= static_cast<int>(rungs_.size())) at_ = -1;
    update();
    emit looked_at();
}

void LadderChart::show_size(double now) {
    now_ = now;
    update();
}

const Rung* LadderChart::about() const {
    if (rungs_.empty()) return nullptr;
    return &rungs_[static_cast<std::size_t>(at_ >= 0 ? at_ : rung_at(x_of(now_)))];
}

QRectF LadderChart::plot() const {
    return QRectF(4, top, width() - 64, bars_height);
}

double LadderChart::x_of(double size) const {
    const QRectF p = plot().adjusted(6, 0, -6, 0);
    const double least = rungs_.front().size;
    const double most = rungs_.back().size;
    return p.left() + p.width() * (size - least) / std::max(most - least, 1e-9);
}

int LadderChart::rung_at(double x) const {
    int best = 0;
    for (std::size_t i = 1; i < rungs_.size(); ++i)
        if (std::abs(x_of(rungs_[i].size) - x) <
            std::abs(x_of(rungs_[static_cast<std::size_t>(best)].size) - x))
            best = static_cast<int>(i);
    return best;
}

double LadderChart::greatest_bar() const {
    double bar = std::isfinite(rungs_.back().thinnest_bar) ? rungs_.back().thinnest_bar : 1;
    return std::max(bar * 1.25, 2.0);
}

double LadderChart::y_of(double bar) const {
    const QRectF p = plot();
    return p.bottom() - p.height() * std::clamp(bar / greatest_bar(), 0.0, 1.0);
}

void LadderChart::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(theme::font(theme::Text::Small));
    if (rungs_.empty()) {
        painter.setPen(theme::quiet);
        painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                         "The ladder of sizes is being measured.");
        return;
    }
    const QRectF p = plot();
    paint_holdings(painter, p);
    paint_ladder(painter, p);
    paint_sizes(painter, paint_lanes(painter, p));
    if (hasFocus()) {
        painter.setPen(QPen(theme::zest, 1.5));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(p, theme::radius, theme::radius);
    }
}

/// Where trouble starts: below each line the bar is too thin for what the line names.
void LadderChart::paint_holdings(QPainter& painter, const QRectF& p) const {
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme::card);
    painter.drawRoundedRect(p, theme::radius, theme::radius);
    double last_label = p.bottom() + 20;
    for (const Holding& h : holdings_) {
        if (h.bar > greatest_bar()) break;
        const double y = y_of(h.bar);
        painter.setPen(QPen(h.bar < 1 ? theme::berry : theme::tape_line, 1, Qt::DashLine));
        painter.drawLine(QPointF(p.left(), y), QPointF(p.right(), y));
        if (last_label - y < 13) continue;
        last_label = y;
        painter.setPen(h.bar < 1 ? theme::berry : theme::quiet);
        painter.drawText(QRectF(p.right() + 4, y - theme::px(8.0), theme::px(60.0), theme::px(16.0)),
                         Qt::AlignLeft | Qt::AlignVCenter,
                         QString(h.key) + " " + QString::number(h.bar, 'f', 1));
    }
}

/// A ladder leans against the bars: one rung for each size.
void LadderChart::paint_ladder(QPainter& painter, const QRectF& p) const {
    QPainterPath rail;
    for (std::size_t i = 0; i < rungs_.size(); ++i) {
        const QPointF at(x_of(rungs_[i].size), y_of(rungs_[i].thinnest_bar));
        i == 0 ? rail.moveTo(at) : rail.lineTo(at);
        painter.setPen(QPen(theme::line, 1));
        painter.drawLine(QPointF(at.x(), p.bottom()), at);
    }
    painter.setPen(QPen(theme::ink, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(rail);
    painter.setPen(Qt::NoPen);
    for (const Rung& r : rungs_) {
        const QPointF at(x_of(r.size), y_of(r.thinnest_bar));
        painter.setBrush(r.thinnest_bar < holdings_.front().bar ? theme::berry
                         : r.too_small > 0                      ? theme::lemon
                                                                : theme::leaf);
        painter.drawEllipse(at, 4, 4);
    }
    const double marker = x_of(std::clamp(now_, rungs_.front().size, rungs_.back().size));
    painter.setPen(QPen(theme::zest, 2));
    painter.drawLine(QPointF(marker, p.top()), QPointF(marker, p.bottom() + 3 * theme::px(lane) + 4));
    if (const Rung* r = about(); r && at_ >= 0) {
        painter.setPen(QPen(theme::zest, 1, Qt::DotLine));
        painter.drawLine(QPointF(x_of(r->size), p.top()),
                         QPointF(x_of(r->size), p.bottom() + 3 * theme::px(lane) + 4));
    }
}

/// The wider the block, the more of it; returns where the lanes end.
double LadderChart::paint_lanes(QPainter& painter, const QRectF& p) const {
    struct Lane {
        const char* name;
        double Rung::*value;
        QColor colour;
    };
    double y = p.bottom() + 4;
    for (const Lane& l :
         {Lane{"paper", &Rung::patch_area, theme::leaf}, Lane{"cutting", &Rung::cutting, theme::quiet},
          Lane{"backing", &Rung::backing, theme::zest_text}}) {
        double most = 1e-9;
        for (const Rung& r : rungs_) most = std::max(most, r.*l.value);
        painter.setPen(Qt::NoPen);
        painter.setBrush(l.colour);
        for (const Rung& r : rungs_) {
            const double h = (theme::px(lane) - 5) * (r.*l.value) / most;
            painter.drawRoundedRect(QRectF(x_of(r.size) - 5, y + theme::px(lane) - 3 - h, 10, h), 1, 1);
        }
        painter.setPen(theme::quiet);
        painter.drawText(QRectF(p.right() + 4, y, theme::px(60.0), theme::px(lane)),
                         Qt::AlignLeft | Qt::AlignVCenter, l.name);
        y += theme::px(lane);
    }
    return y;
}

void LadderChart::paint_sizes(QPainter& painter, double y) const {
    painter.setPen(theme::quiet);
    for (const std::size_t i : {std::size_t{0}, rungs_.size() / 2, rungs_.size() - 1}) {
        const QString text = words(format_length(rungs_[i].size, units_));
        const double w = QFontMetricsF(painter.font()).horizontalAdvance(text) + 2;
        const double x = std::clamp(x_of(rungs_[i].size) - w / 2, 0.0, width() - w);
        painter.drawText(QRectF(x, y + 2, w, theme::px(16.0)), Qt::AlignCenter, text);
    }
}

void LadderChart::mouseMoveEvent(QMouseEvent* event) {
    if (rungs_.empty()) return;
    at_ = rung_at(event->position().x());
    update();
    emit looked_at();
}

void LadderChart::mousePressEvent(QMouseEvent* event) {
    if (rungs_.empty()) return;
    at_ = rung_at(event->position().x());
    emit size_taken(rungs_[static_cast<std::size_t>(at_)].size);
}

void LadderChart::leaveEvent(QEvent*) {
    at_ = -1;
    update();
    emit looked_at();
}

void LadderChart::keyPressEvent(QKeyEvent* event) {
    const int key = event->key();
    if (rungs_.empty() || (key != Qt::Key_Left && key != Qt::Key_Right && key != Qt::Key_Return)) {
        QWidget::keyPressEvent(event);
        return;
    }
    if (at_ < 0) at_ = rung_at(x_of(now_));
    if (key == Qt::Key_Left) at_ = std::max(0, at_ - 1);
    if (key == Qt::Key_Right) at_ = std::min(static_cast<int>(rungs_.size()) - 1, at_ + 1);
    if (key == Qt::Key_Return) emit size_taken(rungs_[static_cast<std::size_t>(at_)].size);
    update();
    emit looked_at();
}

} // namespace zesty
