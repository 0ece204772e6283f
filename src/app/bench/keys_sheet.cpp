#include "app/bench/keys_sheet.h"

#include "app/bench/actions.h"
#include "app/bench/theme.h"

#include <QKeyEvent>
#include <QKeySequence>
#include <QPainter>
#include <QWheelEvent>
#include <algorithm>
#include <utility>

namespace zesty {

namespace {

double widest_key() {
    double out = 0;
    const QFontMetricsF metrics(theme::font(theme::Text::Small, true));
    for (const ActionRow& row : action_table())
        out = std::max(out,
                       metrics.horizontalAdvance(QKeySequence(row.key).toString(QKeySequence::NativeText)));
    return out;
}

void paint_ground(QPainter& p, const QRectF& sheet) {
    p.setPen(Qt::NoPen);
    p.setBrush(theme::paper);
    p.drawRoundedRect(sheet, theme::radius, theme::radius);
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Title));
    p.drawText(sheet.adjusted(24, 18, 0, 0), Qt::AlignLeft | Qt::AlignTop, "Keys");
}

void paint_more(QPainter& p, const QRectF& sheet) {
    p.setFont(theme::font(theme::Text::Small));
    p.setPen(theme::quiet);
    p.drawText(sheet.adjusted(0, 24, -24, 0), Qt::AlignRight | Qt::AlignTop,
               "The arrow keys show the other columns");
}

} // namespace

KeysSheet::KeysSheet(QWidget* parent) : QWidget(parent) {
    setAccessibleName("Sheet of keys");
    hide();
}

void KeysSheet::mousePressEvent(QMouseEvent*) {
    hide();
}

void KeysSheet::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), QColor(38, 36, 43, 90));
    QRectF sheet(0, 0, std::min(1240, width() - 24), std::min(620, height() - 24));
    sheet.moveCenter(QRectF(rect()).center());
    paint_ground(p, sheet);
    const double line_high = theme::px(20.0);
    const int columns = theme::crowded() ? 2 : 3;
    const double column = (sheet.width() - 40) / columns;
    const double first_line = sheet.y() + 32 + line_high;
    if (count_ > columns) paint_more(p, sheet);
    p.setClipRect(sheet.adjusted(20, 0, -12, 0));
    first_ = std::clamp(first_, 0, std::max(0, count_ - columns));
    int at = 0;
    double x = sheet.x() + 24 - first_ * column;
    double y = first_line;
    QString chapter;
    const double key_width = widest_key() + 6;
    const auto line = [&](const QString& key, const QString& text) {
        p.setFont(theme::font(theme::Text::Small, true));
        p.setPen(theme::zest_text);
        p.drawText(QRectF(x, y, key_width, line_high), Qt::AlignLeft | Qt::AlignVCenter, key);
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(theme::ink);
        p.drawText(QRectF(x + key_width + 4, y, column - key_width - 12, line_high),
                   Qt::AlignLeft | Qt::AlignVCenter, text);
        y += line_high;
    };
    const auto rows_of = [](const QString& name) {
        return std::count_if(action_table().begin(), action_table().end(),
                             [&](const ActionRow& row) { return name == row.chapter; });
    };
    const auto heading = [&](const QString& name, long rows) {
        // A chapter stays together.
        if (y + line_high * (1.4 + static_cast<double>(rows)) > sheet.bottom() - 12 && y > first_line) {
            ++at;
            x += column;
            y = first_line;
        }
        y += 4;
        p.setFont(theme::font(theme::Text::Body, true));
        p.setPen(theme::ink);
        p.drawText(QRectF(x, y, column, theme::px(22.0)), Qt::AlignLeft | Qt::AlignVCenter, name);
        y += 1.2 * line_high;
    };
    for (const ActionRow& row : action_table()) {
        if (chapter != row.chapter) {
            chapter = row.chapter;
            heading(chapter, rows_of(chapter));
        }
        line(QKeySequence(row.key).toString(QKeySequence::NativeText), row.text);
    }
    heading("Everywhere", 2);
    line("Tab", "From part to part of the bench");
    line("Arrows", "To the next opening, or move the cut");
    if (std::exchange(count_, at + 1) != at + 1) update();
}

void KeysSheet::go(int columns) {
    first_ = std::max(0, first_ + columns);
    update();
}

void KeysSheet::wheelEvent(QWheelEvent* event) {
    go(event->angleDelta().y() < 0 ? 1 : -1);
}

void KeysSheet::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Right || event->key() == Qt::Key_Down)
        go(1);
    else if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Up)
        go(-1);
    else
        QWidget::keyPressEvent(event);
}

void KeysSheet::showEvent(QShowEvent*) {
    first_ = 0;
    setFocus();
}

} // namespace zesty
