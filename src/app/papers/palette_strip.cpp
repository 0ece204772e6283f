#include "app/papers/palette_strip.h"

#include "app/bench/actions.h"
#include "app/bench/pick_colour.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/stash/colour_words.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>
#include <cmath>

namespace zesty {

PaletteStrip::PaletteStrip(QWidget* parent) : QWidget(parent) {
    setObjectName("palette");
    setFixedHeight(theme::px(24));
    setFocusPolicy(Qt::StrongFocus);
    setProperty(return_of_its_own, true);
    setCursor(Qt::PointingHandCursor);
}

void PaletteStrip::show_face(const PaperFace& face) {
    plain_ = face.palette.empty();
    shown_ = plain_ ? std::vector<PaletteColour>{{face.colour, 1.0}} : face.palette;
    QStringList each;
    for (const PaletteColour& c : shown_)
        each << QString("%1 %2 %").arg(words(colour_words(c.colour))).arg(std::lround(100 * c.share));
    setAccessibleName("Colours: " + each.join(", "));
    update();
}

void PaletteStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    double all = 0;
    for (const PaletteColour& c : shown_) all += c.share;
    QPainterPath rim;
    rim.addRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), theme::radius, theme::radius);
    p.setClipPath(rim);
    double x = 0;
    for (const PaletteColour& c : shown_) {
        const double w = width() * c.share / std::max(all, 1e-9);
        p.fillRect(QRectF(x, 0, w + 1, height()), QColor(c.colour.r, c.colour.g, c.colour.b));
        x += w;
    }
    p.setClipping(false);
    p.setPen(QPen(hasFocus() ? theme::zest_text : theme::line, hasFocus() ? 2 : 1));
    p.drawPath(rim);
}

int PaletteStrip::at(int x) const {
    double all = 0;
    for (const PaletteColour& c : shown_) all += c.share;
    double edge = 0;
    for (std::size_t i = 0; i < shown_.size(); ++i) {
        edge += width() * shown_[i].share / std::max(all, 1e-9);
        if (x < edge) return static_cast<int>(i);
    }
    return static_cast<int>(shown_.size()) - 1;
}

void PaletteStrip::mousePressEvent(QMouseEvent* event) {
    const int colour = at(event->position().toPoint().x());
    if (event->modifiers() & Qt::ShiftModifier)
        take_out(colour);
    else
        edit(colour);
}

void PaletteStrip::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Space)
        edit(0);
    else
        QWidget::keyPressEvent(event);
}

bool PaletteStrip::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        if (const int i = at(help->x()); i >= 0) {
            const PaletteColour& c = shown_[static_cast<std::size_t>(i)];
            QToolTip::showText(help->globalPos(),
                               QString("%1, %2 % (%3)\nClick to change it%4")
                                   .arg(words(colour_words(c.colour)))
                                   .arg(std::lround(100 * c.share))
                                   .arg(words(format_colour(c.colour)),
                                        shown_.size() > 1 ? ", with Shift to take it out" : ""));
        }
        return true;
    }
    return QWidget::event(event);
}

void PaletteStrip::edit(int colour) {
    if (colour < 0) return;
    PaletteColour& now = shown_[static_cast<std::size_t>(colour)];
    const auto picked = pick_colour(this, now.colour, "Colour of the paper");
    if (!picked) return;
    const Rgb chosen = *picked;
    if (plain_) {
        emit colour_changed(chosen);
        return;
    }
    now.colour = chosen;
    emit changed(shown_);
}

void PaletteStrip::take_out(int colour) {
    if (colour < 0 || shown_.size() < 2) return;
    shown_.erase(shown_.begin() + colour);
    double all = 0;
    for (const PaletteColour& c : shown_) all += c.share;
    for (PaletteColour& c : shown_)
        c.share = all > 0 ? c.share / all : 1.0 / static_cast<double>(shown_.size());
    emit changed(shown_);
}

} // namespace zesty
